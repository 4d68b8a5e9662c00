import { type Grid, type Kinetics, layered, type RunAsk, runHeat } from '../heat';
import { degC, exactly, grams, type Message, minutes, refuse, texts } from '../say';
import { milestoneOf, type SheetRevision } from '../system';
import { paceOf } from './pace';
import { AMINE, bodyOf, HOTTEST_C, type Reactive, RUNAWAY_C, selfHeats } from './reactive';
import { HORIZON_S, ICE_C, type VesselId, vesselGrid } from './vessels';

const RESTS = texts('self-heat.rests', {
  stated: 'calibrated on the sheet’s {life} at {temp} for {mass}',
  assumed: 'calibrated on the sheet’s {life} at {temp} for {mass} (assumed, the sheet names no mass)',
});

const REFUSED = texts('refused.cure.self-heat', {
  'pot-needs-mass': 'A pot needs a mass above 0.',
});

/** A history, sampled for drawing. */
export interface HeatHistory {
  readonly minutes: readonly number[];
  readonly meanC: readonly number[];
  readonly hottestC: readonly number[];
  readonly meanAlpha: readonly number[];
}

export type Verdict = 'calm' | 'hot' | 'runaway';

export interface PotAnswer {
  /** Minutes until the pot is dead; null when it does not die within the horizon. */
  readonly lifeMin: number | null;
  /** Highest mass-mean temperature; not told for a runaway. */
  readonly peakC: number | null;
  readonly peakAtMin: number;
  readonly verdict: Verdict;
  readonly history: HeatHistory;
  readonly balance: number;
}

interface Watch {
  lifeMin: number | null;
  peak: number;
  peakAt: number;
  minutes: number[];
  meanC: number[];
  hottestC: number[];
  meanAlpha: number[];
}

export const verdictOf = (peak: number): Verdict => (peak > RUNAWAY_C ? 'runaway' : peak > HOTTEST_C ? 'hot' : 'calm');

/**
 * Mean conversion past which curing only slows down at a steady temperature: (k₁/k₂ + α)(1 − α)² falls from α = 0.3 on.
 */
const PAST_FASTEST = 0.4;

/** Watches a run over its reacting cells. @param lifeOnly ends it when the pot is dead */
export function watcher(
  grid: Grid,
  weights: Float64Array,
  lifeOnly: boolean,
  startC: number,
): { seen: Watch; watch: (s: { s: number; tempC: Float64Array; alpha: Float64Array }) => boolean } {
  const whole = weights.reduce((a, b) => a + b, 0);
  const seen: Watch = {
    lifeMin: null,
    peak: startC,
    peakAt: 0,
    minutes: [0],
    meanC: [startC],
    hottestC: [startC],
    meanAlpha: [0],
  };
  let lastKept = 0;
  let last = { s: 0, mean: 0, most: 0 };
  let was = { s: 0, mean: startC, hottest: startC };
  let coolingS = 0;
  const n = grid.nu * grid.nv;
  return {
    seen,
    watch: ({ s, tempC, alpha }) => {
      let [mean, meanAlpha, hottest, most] = [0, 0, -1000, 0];
      for (let i = 0; i < n; i++) {
        const w = weights[i]!;
        if (w === 0) continue;
        mean += w * tempC[i]!;
        meanAlpha += w * alpha[i]!;
        if (tempC[i]! > hottest) hottest = tempC[i]!;
        if (alpha[i]! > most) most = alpha[i]!;
      }
      mean /= whole;
      meanAlpha /= whole;
      if (seen.lifeMin === null && (meanAlpha >= AMINE.deadAlpha || most >= AMINE.gelAlpha)) {
        // Within the step, by straight lines.
        const share = (was: number, now: number, limit: number) => (now >= limit ? (limit - was) / (now - was) : 1);
        const f = Math.min(share(last.mean, meanAlpha, AMINE.deadAlpha), share(last.most, most, AMINE.gelAlpha));
        seen.lifeMin = (last.s + f * (s - last.s)) / 60;
      }
      last = { s, mean: meanAlpha, most };
      if (mean > seen.peak) {
        seen.peak = mean;
        seen.peakAt = s / 60;
      }
      if (s - lastKept > 30) {
        lastKept = s;
        seen.minutes.push(s / 60);
        seen.meanC.push(mean);
        seen.hottestC.push(hottest);
        seen.meanAlpha.push(meanAlpha);
      }
      if (lifeOnly) return seen.lifeMin !== null;
      if (mean > RUNAWAY_C + 30) return true;
      // Over: cured, or past the fastest curing everywhere that matters and cooling, mean and hottest alike. A pot that
      // is still colder than it began may have its heat before it.
      const cooling = mean < was.mean && hottest < was.hottest;
      coolingS = cooling ? coolingS + (s - was.s) : 0;
      was = { s, mean, hottest };
      return (
        meanAlpha > 0.97 || (seen.lifeMin !== null && meanAlpha > PAST_FASTEST && coolingS > Math.max(600, 0.2 * s))
      );
    },
  };
}

export const kineticsOf = (
  m: Reactive,
  over: { readonly a2?: number; readonly heatJPerKg?: number } = {},
): Kinetics => ({
  activationJ: AMINE.activationJ,
  a2: over.a2 ?? m.a2,
  k1Share: AMINE.k1Share,
  m: AMINE.m,
  n: AMINE.n,
  heatJPerM3: m.liquidKgPerM3 * (over.heatJPerKg ?? AMINE.heatJPerKg),
});

/**
 * A pot from mixing on: when it is dead, how hot it gets. Loses heat through every face.
 * @param o.cells rows and columns of the grid; `fineness` divides every step in time, to see what the steps leave out;
 *   `stepK` and `stepAlpha` are the largest changes in a step
 * @throws Refusal for a mass that is not positive
 */
export function potRun(
  m: Reactive,
  o: {
    massG: number;
    startC: number;
    roomC: number;
    vessel?: VesselId;
    cells?: number;
    lifeOnly?: boolean;
    a2?: number;
    fineness?: number;
  } & Pick<RunAsk, 'stepK' | 'stepAlpha'>,
): PotAnswer {
  if (!(o.massG > 0)) refuse('massG', o.massG, 'more than 0 g', REFUSED['pot-needs-mass']());
  const vessel = o.vessel ?? 'pot';
  const grid = vesselGrid(m, o.massG, vessel, o.cells ?? 10);
  const weights = grid.volume;
  const { seen, watch } = watcher(grid, weights, o.lifeOnly ?? false, o.startC);
  const side = vessel === 'ice' ? ICE_C : o.roomC;
  const end = runHeat({
    grid,
    kinetics: kineticsOf(m, { ...(o.a2 !== undefined && { a2: o.a2 }) }),
    startC: o.startC,
    outside: () => ({ firstU: side, lastU: side, firstV: side, lastV: o.roomC }),
    untilS: HORIZON_S,
    watch,
    fineness: o.fineness ?? 1,
    ...(o.stepK !== undefined && { stepK: o.stepK }),
    ...(o.stepAlpha !== undefined && { stepAlpha: o.stepAlpha }),
  });
  const stored = end.tempC.reduce((s, t, i) => s + (t - o.startC) * grid.volume[i]! * grid.rhoC[i]!, 0);
  const verdict = verdictOf(seen.peak);
  return {
    lifeMin: seen.lifeMin,
    peakC: verdict === 'runaway' ? null : seen.peak,
    peakAtMin: seen.peakAt,
    verdict,
    history: seen,
    balance: end.freedJ > 0 ? (stored + end.lostJ) / end.freedJ : 1,
  };
}

/**
 * ln A₂ is looked for between these, wide of any resin; a step of ln A₂ changes ln life by about as much the other way.
 */
const LN_A2: readonly [number, number] = [5, 40];

/**
 * Where a falling function crosses nought: secants kept inside what is known to hold the crossing (regula falsi,
 * Illinois).
 */
function falling(f: (x: number) => number): number {
  let [low, high] = LN_A2;
  let [atLow, atHigh] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  let x = (low + high) / 2;
  for (let i = 0; i < 60 && high - low > 1e-9; i++) {
    const y = f(x);
    if (Math.abs(y) < 1e-7) return x;
    if (y > 0) [low, atLow, atHigh] = [x, y, i > 1 ? atHigh / 2 : atHigh];
    else [high, atHigh, atLow] = [x, y, i > 1 ? atLow / 2 : atLow];
    const secant =
      Number.isFinite(atLow) && Number.isFinite(atHigh) ? (low * -atHigh + high * atLow) / (atLow - atHigh) : x + y;
    x = Number.isFinite(secant) && secant > low && secant < high ? secant : (low + high) / 2;
  }
  return x;
}

/** A body that loses nothing: no pot or lift dies, sets or heats sooner or further. */
export function lossless(
  m: Reactive,
  startC: number,
): Pick<PotAnswer, 'lifeMin' | 'peakC' | 'verdict'> & { readonly gelMin: number | null } {
  const grid = layered('slab', [{ lengthM: 1, cells: 1, k: m.k, rhoC: m.rhoC, reacting: m.phi }], null, null);
  const { seen, watch } = watcher(grid, grid.volume, false, startC);
  let gelMin: number | null = null;
  let before = { s: 0, alpha: 0 };
  runHeat({
    grid,
    kinetics: kineticsOf(m),
    startC,
    outside: () => ({ firstU: startC, lastU: startC, firstV: startC, lastV: startC }),
    untilS: HORIZON_S,
    watch: (state) => {
      const alpha = state.alpha[0]!;
      if (gelMin === null && alpha >= AMINE.gelAlpha)
        gelMin = (before.s + ((AMINE.gelAlpha - before.alpha) / (alpha - before.alpha)) * (state.s - before.s)) / 60;
      before = { s: state.s, alpha };
      return watch(state) && gelMin !== null;
    },
  });
  // All its heat stays in it, to the last: the run need not see that.
  const peak = startC + (m.phi * m.liquidKgPerM3 * AMINE.heatJPerKg) / m.rhoC;
  const verdict = verdictOf(peak);
  return { lifeMin: seen.lifeMin, gelMin, peakC: verdict === 'runaway' ? null : peak, verdict };
}

const ready = new WeakMap<SheetRevision, Reactive>();
/** A reference mass is assumed where the sheet is silent, g. */
export const ASSUMED_MASS_G = 100;
/** The sheet's pot life is taken at the temperature nearest to this, °C. */
const ROOM_C = 20;

/**
 * What the self-heating of a sheet is calibrated on; told in no time. @throws Refusal for sheets that are not
 * resin–amine or give no pot life
 */
export function referenceOf(sheet: SheetRevision): Reactive['reference'] {
  const no = selfHeats(sheet);
  if (no) refuse('family', sheet.family, 'resin and amine hardener with a pot life', no);
  const useBy = milestoneOf(sheet, 'use-by')!;
  const pace = paceOf(useBy, 'short', sheet.family);
  const tempC = Math.min(
    Math.max(ROOM_C, pace.sheetLowC),
    pace.form === 'bands' ? pace.sheetHighC - 0.01 : pace.sheetHighC,
  );
  return {
    massG: useBy.referenceMassG ?? ASSUMED_MASS_G,
    tempC,
    minutes: pace.minutesAt(tempC),
    massStated: useBy.referenceMassG !== null,
  };
}

/**
 * A sheet as a self-heating mix: A₂ calibrated so that the simulated pot at the sheet's reference mass and temperature
 * dies at the sheet's short pot life. The sheet must hold plain tables (see `sheetIn`). It takes tenths of a second: in
 * a page only in a worker.
 * @throws Refusal for sheets that are not resin–amine or give no pot life
 */
export function reactiveOf(sheet: SheetRevision): Reactive {
  const known = ready.get(sheet);
  if (known) return known;
  const reference = referenceOf(sheet);
  const { massG, tempC, minutes } = reference;
  const draft: Reactive = { sheet, ...bodyOf(sheet), a2: 1, reference };
  const late = (lnA: number): number => {
    const life = potRun(draft, {
      massG,
      startC: tempC,
      roomC: tempC,
      lifeOnly: true,
      a2: Math.exp(lnA),
      cells: 8,
    }).lifeMin;
    return life === null ? Number.POSITIVE_INFINITY : Math.log(life / minutes);
  };
  const made = { ...draft, a2: Math.exp(falling(late)) };
  ready.set(sheet, made);
  return made;
}

/** What a calibrated mix rests on, in words. */
export const restsOn = (r: Reactive['reference']): Message =>
  RESTS[r.massStated ? 'stated' : 'assumed']({
    life: minutes(r.minutes),
    temp: exactly(degC(r.tempC)),
    mass: grams(r.massG),
  });
