import { type Grid, potGrid, runHeat } from '../heat';
import { mm, texts } from '../say';
import type { SheetRevision } from '../system';
import { bodyOf, type Reactive } from './reactive';

/** Nothing that is still cool after so long heats itself, s. */
export const HORIZON_S = 48 * 3600;

const VESSEL = texts('vessels', { tray: '{deep} deep' });
const TRAY_M = 0.01;

/** How a pot stands. */
export const VESSELS = {
  pot: { label: 'in one pot', hint: 'as high as wide, in still air' },
  ice: { label: 'on ice', hint: 'the pot stands in ice water; mind the condensation' },
  tray: { label: 'spread in a tray', hint: VESSEL.tray({ deep: mm(TRAY_M * 1000) }) },
  heaps: { label: 'in four heaps', hint: 'a quarter in each pot' },
} as const;
export type VesselId = keyof typeof VESSELS;
const HEAPS = 4;
export const ICE_C = 1;

/** The grid of a pot, its outside, and the mass in one of them. */
export function vesselGrid(
  m: Pick<Reactive, 'densityKgPerM3' | 'rhoC' | 'k' | 'phi'>,
  massG: number,
  vessel: VesselId,
  cells: number,
): Grid {
  const mass = (vessel === 'heaps' ? massG / HEAPS : massG) / 1000;
  const volume = mass / m.densityKgPerM3;
  const common = { k: m.k, rhoC: m.rhoC, reacting: m.phi, cellsR: cells, cellsZ: cells };
  if (vessel === 'tray')
    return potGrid({
      ...common,
      radiusM: Math.sqrt(volume / TRAY_M / Math.PI),
      heightM: TRAY_M,
      hWall: 10,
      hBottom: 10,
      hTop: 10,
    });
  const radiusM = Math.cbrt(volume / (2 * Math.PI));
  const wet = vessel === 'ice' ? 150 : 10;
  return potGrid({ ...common, radiusM, heightM: 2 * radiusM, hWall: wet, hBottom: wet, hTop: 10 });
}

const taus = new WeakMap<SheetRevision, Map<number, number>>();
/** Masses are told apart by so much, as a factor: a pot's time constant grows with the two-thirds of its mass. */
const TAU_STEP = 1.1;

/**
 * Minutes in which the mean of a pot covers 63 % of the way to the air around it, without any heat of its own, by the
 * solver. Of a mass just under the one asked for, so that it never follows too slowly.
 */
export function potTauMin(sheet: SheetRevision, massG: number): number {
  const step = Math.floor(Math.log(Math.max(1, massG)) / Math.log(TAU_STEP));
  const known = taus.get(sheet) ?? new Map<number, number>();
  taus.set(sheet, known);
  const found = known.get(step);
  if (found !== undefined) return found;
  const grid = vesselGrid({ ...bodyOf(sheet) }, TAU_STEP ** step, 'pot', 7);
  const whole = grid.volume.reduce((a, b) => a + b, 0);
  let before = { s: 0, left: 1 };
  let tauS = HORIZON_S;
  runHeat({
    grid,
    kinetics: null,
    startC: 1,
    outside: () => ({ firstU: 0, lastU: 0, firstV: 0, lastV: 0 }),
    untilS: HORIZON_S,
    maxStepS: 120,
    stepK: 0.02,
    watch: ({ s, tempC }) => {
      const left = tempC.reduce((sum, t, i) => sum + t * grid.volume[i]!, 0) / whole;
      if (left > Math.exp(-1)) {
        before = { s, left };
        return false;
      }
      tauS = before.s + ((before.left - Math.exp(-1)) / (before.left - left)) * (s - before.s);
      return true;
    },
  });
  known.set(step, tauS / 60);
  return tauS / 60;
}
