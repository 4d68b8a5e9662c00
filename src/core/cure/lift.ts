import { BASE_PROPERTIES, type BaseBody } from '../climate';
import { type Grid, layered, runHeat } from '../heat';
import { refuse, texts } from '../say';
import { AMINE, BASE_BEARS_C, type Reactive, RUNAWAY_C } from './reactive';
import { type HeatHistory, kineticsOf, type Verdict, verdictOf, watcher } from './self-heat';
import { HORIZON_S } from './vessels';

const REFUSED = texts('refused.cure.lift', {
  'lift-needs-thickness': 'A lift needs a thickness above 0.',
});

export interface LiftAsk {
  readonly thicknessMm: number;
  readonly base: BaseBody['material'];
  readonly baseC: number;
  readonly airC: number;
  /** The mix as it comes from the pot. */
  readonly startC: number;
  readonly a2?: number;
  readonly heatJPerKg?: number;
  /** Cells in the lift. */
  readonly cells?: number;
}

export interface LiftAnswer {
  readonly peakC: number | null;
  readonly peakAtMin: number;
  /** Depth of the hottest place at the peak, mm from the top. */
  readonly peakDepthMm: number;
  readonly verdict: Verdict;
  /** Hottest the face of the base gets, °C. */
  readonly baseFaceC: number;
  readonly gelMin: number | null;
  /** From when it has cooled enough for the next lift; null within the horizon. */
  readonly nextLiftMin: number | null;
  readonly history: HeatHistory;
  /** Temperature over depth at the peak, from the top, base included. */
  readonly profile: { readonly depthMm: readonly number[]; readonly tempC: readonly number[] };
  readonly balance: number;
}

/** Film in still air, W/m²K. */
const STILL_AIR = 10;
const BASE_CELLS = 14;
/** The next lift may come when the last has cooled to within this of the air, and has gelled, K. */
const NEXT_LIFT_K = 10;

/**
 * A lift on its base: a slab under air on a slab of the base, a node of each on both sides of their face. The base is
 * as thick as such a base usually is, with the ground or the air behind it: a sheet of steel takes up little of the heat,
 * and timber and laminate hold it in.
 * @throws Refusal for a thickness that is not positive
 */
export function liftRun(m: Reactive, o: LiftAsk): LiftAnswer {
  if (!(o.thicknessMm > 0)) refuse('thicknessMm', o.thicknessMm, 'more than 0 mm', REFUSED['lift-needs-thickness']());
  const cells = o.cells ?? 14;
  const { k, rhoC, usualMm, usualBack } = BASE_PROPERTIES[o.base];
  const baseM = usualMm / 1000;
  const behindC = usualBack === 'air' ? o.airC : o.baseC;
  const grid = layered(
    'slab',
    [
      { lengthM: o.thicknessMm / 1000, cells, k: m.k, rhoC: m.rhoC, reacting: m.phi },
      // Finer under the lift, where the heat goes in.
      { lengthM: baseM * 0.15, cells: BASE_CELLS / 2, k, rhoC, reacting: 0 },
      { lengthM: baseM * 0.85, cells: BASE_CELLS / 2, k, rhoC, reacting: 0 },
    ],
    STILL_AIR,
    usualBack === 'air' ? STILL_AIR : null,
  );
  const n = grid.nu;
  const weights = Float64Array.from({ length: n }, (_, i) => (i < cells ? grid.volume[i]! : 0));
  const start = Float64Array.from({ length: n }, (_, i) => (i < cells ? o.startC : o.baseC));
  const { seen, watch } = watcher(grid, weights, false, o.startC);
  let gelMin: number | null = null;
  let nextLiftMin: number | null = null;
  let baseFaceC = o.baseC;
  let profile: Float64Array = start;
  let peak = o.startC;
  const end = runHeat({
    grid,
    kinetics: kineticsOf(m, {
      ...(o.a2 !== undefined && { a2: o.a2 }),
      ...(o.heatJPerKg !== undefined && { heatJPerKg: o.heatJPerKg }),
    }),
    startC: start,
    outside: () => ({ firstU: o.airC, lastU: behindC, firstV: o.airC, lastV: o.airC }),
    untilS: HORIZON_S,
    watch: (state) => {
      const { s, tempC, alpha } = state;
      // It sets last at a face: half a cell beyond the outermost cells.
      const face = (end: number, inner: number) =>
        cells > 1 ? alpha[end]! + (alpha[end]! - alpha[inner]!) / 2 : alpha[end]!;
      const least = Math.min(face(0, 1), face(cells - 1, cells - 2));
      if (gelMin === null && least >= AMINE.gelAlpha) gelMin = s / 60;
      // The face between the two lies between their outermost cells, in the ratio of their half resistances.
      const under = faceC(grid, tempC, cells, m.k, k, o.thicknessMm);
      if (under > baseFaceC) baseFaceC = under;
      const over = watch(state);
      if (seen.peak > peak) {
        peak = seen.peak;
        profile = Float64Array.from(tempC);
      }
      const mean = seen.meanC.at(-1)!;
      if (nextLiftMin === null && gelMin !== null && mean < o.airC + NEXT_LIFT_K) nextLiftMin = s / 60;
      if (seen.peak > RUNAWAY_C + 30) return true;
      return nextLiftMin !== null && over;
    },
  });
  const stored = end.tempC.reduce((s, t, i) => s + (t - start[i]!) * grid.volume[i]! * grid.rhoC[i]!, 0);
  const verdict = verdictOf(seen.peak);
  const depthMm = depthsOf(grid).map((x) => x * 1000);
  const hottest = profile.subarray(0, cells).reduce((a, t, i, all) => (t > all[a]! ? i : a), 0);
  return {
    peakC: verdict === 'runaway' ? null : seen.peak,
    peakAtMin: seen.peakAt,
    peakDepthMm: depthMm[hottest]!,
    verdict,
    baseFaceC,
    gelMin,
    nextLiftMin,
    history: seen,
    profile: { depthMm, tempC: [...profile] },
    balance: end.freedJ > 0 ? (stored + end.lostJ) / end.freedJ : 1,
  };
}

const depthsOf = (grid: Grid): number[] => {
  let at = 0;
  return Array.from(grid.volume, (v) => {
    at += v;
    return at - v / 2;
  });
};

function faceC(grid: Grid, t: Float64Array, cells: number, kLift: number, kBase: number, thicknessMm: number): number {
  const above = kLift / (thicknessMm / 1000 / cells / 2);
  const below = kBase / (grid.volume[cells]! / 2);
  return (above * t[cells - 1]! + below * t[cells]!) / (above + below);
}

/**
 * Whether a lift stays within what it and its base bear, with a tenth more in the rate and the heat that limits must
 * hold for.
 */
export function liftHolds(m: Reactive, o: LiftAsk): boolean {
  const r = liftRun(m, { ...o, a2: m.a2 * 1.1, heatJPerKg: AMINE.safeHeatJPerKg });
  return r.verdict === 'calm' && r.baseFaceC <= BASE_BEARS_C[o.base];
}

/** Thinnest and thickest lift that is looked at, mm. */
const LIFT_RANGE_MM = [1, 200] as const;

/**
 * The thickest lift that stays calm: the estimate that holds with a tenth more in the rate and the heat of safe limits,
 * and the plain one.
 * Near ignition everything is sensitive: the two show how far apart it may lie. The sheet's own lift overrules both.
 */
export function thickestLift(
  m: Reactive,
  o: Omit<LiftAsk, 'thicknessMm'>,
): { readonly mm: number; readonly nominalMm: number; readonly sheetMm: number | null; readonly planMm: number } {
  const bisect = (holds: (mm: number) => boolean): number => {
    let [low, high] = [...LIFT_RANGE_MM] as [number, number];
    if (!holds(low)) return 0;
    if (holds(high)) return high;
    for (let i = 0; i < 12; i++) {
      const mid = Math.sqrt(low * high);
      if (holds(mid)) low = mid;
      else high = mid;
    }
    return low;
  };
  const mm = bisect((thicknessMm) => liftHolds(m, { ...o, thicknessMm }));
  const nominalMm = bisect((thicknessMm) => {
    const r = liftRun(m, { ...o, thicknessMm });
    return r.verdict === 'calm' && r.baseFaceC <= BASE_BEARS_C[o.base];
  });
  const sheetMm = m.sheet.limits.liftMaxMm;
  return { mm, nominalMm, sheetMm, planMm: sheetMm ?? mm };
}
