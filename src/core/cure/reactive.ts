import type { BaseBody } from '../climate';
import { type Message, texts } from '../say';
import { FAMILIES, milestoneOf, partOf, partsByWeight, proportionOf, type SheetRevision } from '../system';

const SELF_HEAT = texts('self-heat', {
  family: 'Self-heating is computed for resin and amine hardener only; here the sheet’s own limits stand.',
  'no-pot-life': 'The sheet gives no pot life to calibrate on.',
});

/** Usual figures of resin and amine hardener; estimates, marked so wherever they show. */
export const AMINE = {
  activationJ: 55_000,
  k1Share: 0.05,
  m: 1,
  n: 2,
  /** Heat of curing, J/kg of liquid: as expected, and for limits that must hold. */
  heatJPerKg: 360_000,
  safeHeatJPerKg: 450_000,
  cJPerKgK: 2000,
  kWPerMK: 0.2,
  /** Conversion at which a network spans (Flory–Stockmayer), and mean conversion at which a pot is dead. */
  gelAlpha: 0.58,
  deadAlpha: 0.3,
} as const;
/** Fillers: specific heat J/kgK and conductivity W/mK, usual figures of quartz sand and of hollow glass. */
const GRAINS = { c: 800, k: 3 };
const SPHERES = { c: 800, k: 0.05 };

/** Beyond this mean temperature it has run away, and no number is told, °C. */
export const RUNAWAY_C = 150;
/** A stop, whatever the base bears, °C. */
export const HOTTEST_C = 120;
/** What a base bears beside a hot fill, °C; usual figures, the sheet's own overrule. */
export const BASE_BEARS_C: Readonly<Record<BaseBody['material'], number>> = {
  concrete: 90,
  stone: 90,
  metal: 120,
  plastic: 60,
  laminate: 65,
  timber: 90,
};

/** A mix as a body that heats itself. */
export interface Reactive {
  readonly sheet: SheetRevision;
  readonly densityKgPerM3: number;
  readonly rhoC: number;
  readonly k: number;
  /** Volume share of reacting liquid. */
  readonly phi: number;
  readonly liquidKgPerM3: number;
  readonly a2: number;
  /** What it was calibrated on. */
  readonly reference: {
    readonly massG: number;
    readonly tempC: number;
    readonly minutes: number;
    readonly massStated: boolean;
  };
}

/** Bruggeman's differential rule for grains in a liquid: (1 − φ) = (kp − ke)/(kp − km) · (km/ke)^⅓, solved for ke. */
export function bruggeman(kMatrix: number, kGrain: number, share: number): number {
  let [low, high] = [Math.min(kMatrix, kGrain), Math.max(kMatrix, kGrain)];
  const rising = kGrain >= kMatrix;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    const left = ((kGrain - mid) / (kGrain - kMatrix)) * Math.cbrt(kMatrix / mid);
    // From the matrix on the left side falls from 1; at the right share it is what is left of the matrix.
    if (left > 1 - share === rising) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

export interface Body {
  readonly densityKgPerM3: number;
  readonly rhoC: number;
  readonly k: number;
  readonly phi: number;
  readonly liquidKgPerM3: number;
}

/** Density, heat capacity and conductivity of the mix, by mass, volume and Bruggeman's rule. */
export function bodyOf(sheet: SheetRevision): Body {
  const p = proportionOf(sheet);
  const density = p.densityGPerMl * 1000;
  const masses = partsByWeight(sheet);
  const whole = Object.values(masses).reduce((s, m) => s + m, 0);
  let c = 0;
  let k: number = AMINE.kWPerMK;
  let solid = 0;
  for (const id of ['A', 'B', 'C', 'D'] as const) {
    const part = partOf(sheet, id);
    if (!part || !masses[id]) continue;
    const of = part.filler === 'spheres' ? SPHERES : part.filler ? GRAINS : { c: AMINE.cJPerKgK, k: AMINE.kWPerMK };
    c += (masses[id] / whole) * of.c;
    if (!part.filler) continue;
    const share = ((masses[id] / whole) * p.densityGPerMl) / part.densityGPerMl;
    solid += share;
    k = bruggeman(k, of.k, Math.min(0.7, share / Math.max(1e-9, 1 - solid + share)));
  }
  const liquidMass = (masses.A + masses.B) / whole;
  return {
    densityKgPerM3: density,
    rhoC: density * c,
    k,
    phi: p.liquidShare,
    liquidKgPerM3: (density * liquidMass) / p.liquidShare,
  };
}

/** Whether self-heating is offered for a sheet at all, or why not. */
export function selfHeats(sheet: SheetRevision): Message | null {
  if (!FAMILIES[sheet.family].selfHeats) return SELF_HEAT.family();
  if (!milestoneOf(sheet, 'use-by')) return SELF_HEAT['no-pot-life']();
  return null;
}
