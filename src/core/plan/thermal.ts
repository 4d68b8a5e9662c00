import {
  type Air,
  airOver,
  airUnder,
  BASE_PROPERTIES,
  type BaseBody,
  baseOver,
  combine,
  dewPointC,
  following,
  knownBase,
  type Series,
  type SpotReading,
  valueAt,
  withReadings,
} from '../climate';
import type { Actuals } from './actuals';
import type { Job } from './job';
import type { Piece } from './repair';

const DAY_MS = 86_400_000;
/** Days of weather behind and ahead of the work: a cement of four weeks takes twice that in the cold. */
const BEHIND_MS = 2 * DAY_MS;
export const AHEAD_MS = 100 * DAY_MS;

/** Temperatures of one repair over the horizon, on common times. */
export interface Thermal {
  readonly air: Series;
  readonly dew: Series;
  readonly base: Series;
  readonly pot: Series;
  /** Whether the material stands at a temperature of its own until it is mixed; else it follows the air all along. */
  readonly potHeld: boolean;
  /** The colder face of the joint: the base, or the part laid on it. What waits in place runs on it. */
  readonly cold: Series;
  /** The hotter of material and base: what working times in place run on. */
  readonly hot: Series;
  /** Half the width within which a forecast lies, K, on the times of the base; null where nothing is forecast. */
  readonly spread: Series | null;
}

/** Climate of a job, shared by its repairs; base histories are kept by body, since many repairs share one. */
export interface SiteClimate {
  readonly air: Air;
  readonly baseOf: (base: Piece['base']) => Series;
  /** The air where the work is done: the site's, or that of its tent. */
  readonly airAt: (base: Piece['base']) => Series;
}

/** Solves the site's air and, when asked, each base. @throws Refusal for a bad climate or base */
export function siteClimate(job: Job, fromMs: number): SiteClimate {
  const air = airOver(job.climate, job.zone, fromMs - BEHIND_MS, fromMs + AHEAD_MS);
  const known = new Map<string, Series>();
  return {
    air,
    airAt: (base) => airUnder(air.air, base.surroundings, job.zone),
    baseOf: (base) => {
      const { castOn: _, ...body } = base;
      const key = JSON.stringify(body);
      const found = known.get(key) ?? baseOver(air.air, base, job.zone);
      known.set(key, found);
      return found;
    },
  };
}

/** A part that is laid on a base: it follows the air through one face. */
export interface LaidOn {
  readonly thicknessMm: number;
  readonly material: BaseBody['material'];
}
/** Film of still air on a part, W/m²K. */
const STILL_AIR = 10;

/** Temperatures of a repair, readings taken in. @param laid what is laid on its base, where anything is */
export function thermalOf(
  site: SiteClimate,
  repair: Pick<Piece, 'base' | 'materialC'>,
  actuals: Actuals,
  laid: LaidOn | null = null,
): Thermal {
  const read = (channel: 'base' | 'air' | 'pot') => actuals.readings.filter((r) => r.channel === channel);
  const air = withReadings(site.airAt(repair.base), read('air'));
  const base = withReadings(baseAsKnown(site, repair.base), read('base'));
  const held = repair.materialC;
  const pot = withReadings(
    held === null ? air : { times: air.times, values: new Float64Array(air.times.length).fill(held) },
    read('pot'),
  );
  // Readings add samples of their own, so the two may stand on different times.
  const airThere =
    air.times.length === base.times.length
      ? air
      : { times: base.times, values: base.times.map((ms) => valueAt(air, ms)) };
  const potThere =
    pot.times.length === base.times.length
      ? pot
      : { times: base.times, values: base.times.map((ms) => valueAt(pot, ms)) };
  const hot = hotterOf(base, potThere);
  const cold = laid ? combine(base, partUnder(airThere, laid), Math.min) : base;
  const wide = site.air.spread;
  const last = wide?.times.at(-1) ?? 0;
  const spread = wide
    ? { times: base.times, values: base.times.map((ms) => valueAt(wide, Math.min(Math.max(ms, wide.times[0]!), last))) }
    : null;
  const dew = withReadings(site.air.dew, dewReadings(air, actuals));
  const potHeld = held !== null && !read('pot').length;
  return { air, dew, base, pot, potHeld, cold, hot, spread };
}

/** The base, worked out once for each: as computed, or as it is known. */
function baseAsKnown(site: SiteClimate, base: Piece['base']): Series {
  const computed = site.baseOf(base);
  if (!base.known.length) return computed;
  const kept = asKnown.get(base.known);
  if (kept?.computed === computed) return kept.base;
  const made = knownBase(computed, base.known);
  asKnown.set(base.known, { computed, base: made });
  return made;
}
const asKnown = new WeakMap<Piece['base']['known'], { readonly computed: Series; readonly base: Series }>();

/** The hotter of base and material, worked out once where several repairs share both. */
function hotterOf(base: Series, material: Series): Series {
  const known = hotter.get(base);
  if (known?.material === material) return known.hot;
  const hot = combine(base, material, Math.max);
  hotter.set(base, { material, hot });
  return hot;
}
const hotter = new WeakMap<Series, { readonly material: Series; readonly hot: Series }>();

/** A part in the air: its heat over its face against the film of air. */
function partUnder(air: Series, { thicknessMm, material }: LaidOn): Series {
  const tauMs = ((BASE_PROPERTIES[material].rhoC * thicknessMm) / 1000 / STILL_AIR) * 1000;
  return following(air, air.values[0]!, air.times[0]!, tauMs);
}

/** Humidity read on the spot, as the dew point it means in the air as read then. */
function dewReadings(air: Series, { humidity }: Actuals): readonly SpotReading[] {
  const [from, to] = [air.times[0]!, air.times.at(-1)!];
  return humidity
    .filter((h) => h.atMs >= from && h.atMs <= to)
    .map((h) => ({ atMs: h.atMs, valueC: dewPointC(valueAt(air, h.atMs), h.valuePct) }));
}
