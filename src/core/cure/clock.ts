import { extremes, indexAt, type Series, valueAt } from '../climate';
import { degC, exactly, on, type Problem, Refusal, texts } from '../say';
import { type Pace, rateNear, type Standing } from './pace';

const REFUSED = texts('refused.cure.clock', {
  'temperature-leaves-what':
    '{label}: the temperature leaves what the sheet answers ({low} to {high}) at {when}, with {temp}.',
  'not-reached-before': '{label} is not reached before the temperature history ends at {when}.',
});

/** A stretch in which the clock stood still. */
export interface Stall {
  readonly fromMs: number;
  readonly toMs: number;
}

/** When a milestone is reached, how far the answer rests on the sheet, and where its clock stood still. */
export interface Reached {
  readonly atMs: number;
  readonly standing: Standing;
  readonly stalls: readonly Stall[];
}

const MIN_MS = 60_000;
/** Gauss–Legendre on [0, 1]: four points for steep pieces, two for nearly level ones. */
const FINE = {
  nodes: [0.06943184420297, 0.33000947820757, 0.66999052179243, 0.93056815579703],
  weights: [0.1739274225687269, 0.3260725774312731, 0.3260725774312731, 0.1739274225687269],
};
const PLAIN = { nodes: [0.21132486540518713, 0.7886751345948129], weights: [0.5, 0.5] };
/** Temperature span under which one point, the middle, is enough: an error under 0.01 %, K. */
const FLAT_K = 0.5;
/** Temperature span under which two points are enough, K. */
const LEVEL_K = 1;
/** Widest temperature span of one quadrature piece, K: keeps the error far below a tenth of a per cent. */
const PIECE_K = 3;
const WORSE: Record<Standing, number> = { sheet: 0, extrapolated: 1, estimated: 2 };

export interface ClockOptions {
  readonly label: string;
  /** Below this no progress counts (waiting clocks only), °C. */
  readonly cureMinC: number | null;
  /** Working clocks never stall: a cold pot still ages. */
  readonly clock: 'working' | 'waiting';
}

/**
 * The instant at which ∫ dt / τ(T(t)) reaches 1 along a temperature history (for bands: at which the elapsed, credited
 * time reaches the figure of the coldest band met, or the hottest for working clocks).
 * @throws Refusal with the instant when the history ends or leaves the table before that
 */
export function reach(pace: Pace, history: Series, startMs: number, options: ClockOptions): Reached {
  const found = reachOr(pace, history, startMs, options);
  if ('problem' in found) throw new Refusal(found.problem);
  return found;
}

/**
 * The same, with a history that ends or leaves the table as an answer: a cold week has hundreds of them while it is
 * pulled, and throwing each would cost more than finding it.
 * @throws Refusal only for a start outside the history
 */
export function reachOr(pace: Pace, history: Series, startMs: number, options: ClockOptions): Reached | NoTime {
  return pace.form === 'bands'
    ? reachBands(pace, history, startMs, options)
    : integrate(pace, history, startMs, options);
}

/** Why a milestone has no instant. */
export interface NoTime {
  readonly problem: Problem;
}

const leftTable = (options: ClockOptions, pace: Pace, tempC: number, ms: number): NoTime => ({
  problem: {
    field: 'history',
    value: ms,
    allowed: `${pace.lowC} to ${pace.highC} °C`,
    sentence: REFUSED['temperature-leaves-what']({
      label: options.label,
      low: exactly(degC(pace.lowC)),
      high: exactly(degC(pace.highC)),
      when: on(ms),
      temp: degC(tempC),
    }),
  },
});

const historyEnds = (options: ClockOptions, history: Series): NoTime => {
  const end = history.times.at(-1)!;
  return {
    problem: {
      field: 'history',
      value: end,
      allowed: 'a longer history or a warmer site',
      sentence: REFUSED['not-reached-before']({ label: options.label, when: on(end) }),
    },
  };
};

/**
 * Below the lowest cure temperature that the sheet states nothing counts and a wait stands still; where it states none,
 * and between that and the reach of its table, nobody knows, and there is no answer. A cold pot still ages.
 */
const stallBelow = ({ clock, cureMinC }: ClockOptions): number =>
  clock === 'waiting' ? (cureMinC ?? Number.NEGATIVE_INFINITY) : Number.NEGATIVE_INFINITY;

function integrate(pace: Pace, history: Series, startMs: number, options: ClockOptions): Reached | NoTime {
  const floor = stallBelow(options);
  const stalls: { fromMs: number; toMs: number }[] = [];
  let standing: Standing = 'sheet';
  let progress = 0;
  let i = indexAt(history, startMs);
  let t0 = startMs;
  let c0 = valueAt(history, startMs);
  const cuts = [...pace.breaksC, floor].filter(Number.isFinite);
  for (;;) {
    const t1 = history.times[i + 1];
    if (t1 === undefined) return historyEnds(options, history);
    const c1 = history.values[i + 1]!;
    const middle = (c0 + c1) / 2;
    if (Math.abs(c1 - c0) < FLAT_K && !crossed(c0, c1, cuts)) {
      // Nearly all of a history is this: level, and no kink of the table inside. One point is exact enough.
      let whole = -1;
      if (middle < floor) {
        stand(stalls, t0, t1);
        whole = 0;
      } else if (middle >= pace.lowC && middle <= pace.highC) {
        whole = ((t1 - t0) / MIN_MS) * rateNear(pace, middle);
        if (standing === 'sheet') standing = pace.standingAt(middle);
      }
      if (whole >= 0 && progress + whole < 1) {
        progress += whole;
        i++;
        t0 = t1;
        c0 = c1;
        continue;
      }
    }
    const splits = smoothPieces(c0, c1, cuts);
    for (let s = 0; s + 1 < splits.length; s++) {
      const f0 = splits[s]!;
      const f1 = splits[s + 1]!;
      if (f1 <= f0) continue;
      const [ta, tb] = [t0 + (t1 - t0) * f0, t0 + (t1 - t0) * f1];
      const [ca, cb] = [c0 + (c1 - c0) * f0, c0 + (c1 - c0) * f1];
      const mid = (ca + cb) / 2;
      if (mid < floor) {
        stand(stalls, ta, tb);
        continue;
      }
      if (mid < pace.lowC || mid > pace.highC) return leftTable(options, pace, mid, ta);
      const now = pace.standingAt(mid);
      if (WORSE[now] > WORSE[standing]) standing = now;
      const scheme = schemeFor(ca, cb);
      const gained = (to: number) => (meanRate(pace, ca, ca + (cb - ca) * to, scheme) * (tb - ta) * to) / MIN_MS;
      const all = gained(1);
      if (progress + all < 1) {
        progress += all;
        continue;
      }
      const missing = 1 - progress;
      const share = shareReaching(
        missing,
        missing / all,
        gained,
        (to) => (tb - ta) / MIN_MS / pace.minutesAt(ca + (cb - ca) * to),
      );
      return { atMs: ta + (tb - ta) * share, standing, stalls: stalls.filter((x) => x.toMs > x.fromMs) };
    }
    i++;
    t0 = t1;
    c0 = c1;
  }
}

/** Nearer than this share of a piece nobody looks: under a microsecond. */
const SHARE_EXACT = 1e-12;

/**
 * Share of a piece at which a rising gain reaches what is missing: Newton's steps, kept inside what is known to hold
 * it.
 */
function shareReaching(
  missing: number,
  guess: number,
  gained: (to: number) => number,
  slope: (to: number) => number,
): number {
  let [low, high, at] = [0, 1, guess];
  for (let k = 0; k < 40 && high - low > SHARE_EXACT; k++) {
    const off = gained(at) - missing;
    if (off < 0) low = at;
    else high = at;
    const step = off / slope(at);
    const next = at - step;
    const inside = next > low && next < high;
    if (Math.abs(step) < SHARE_EXACT) return inside ? next : at;
    at = inside ? next : (low + high) / 2;
  }
  return high;
}

const schemeFor = (ca: number, cb: number) => (Math.abs(cb - ca) < LEVEL_K ? PLAIN : FINE);

/** Mean progress per minute over a straight piece of history without a kink of the table inside. */
function meanRate(pace: Pace, ca: number, cb: number, { nodes, weights }: typeof FINE): number {
  let sum = 0;
  for (let g = 0; g < nodes.length; g++) sum += weights[g]! / pace.minutesAt(ca + (cb - ca) * nodes[g]!);
  return sum;
}

/**
 * Progress of a milestone along a history: 0 where it begins, 1 where it is reached, and on beyond that. Where the
 * temperature leaves what the table answers it ends. Bands: the credited time over the figure of the coldest band met
 * so far.
 */
export function progressAlong(pace: Pace, history: Series, startMs: number, options: ClockOptions): Series {
  const waiting = options.clock === 'waiting';
  const bands = pace.form === 'bands';
  const floor = stallBelow(options);
  const cuts = [...pace.breaksC, floor].filter(Number.isFinite);
  const [times, values] = [[startMs], [0]];
  let [t0, c0] = [startMs, valueAt(history, startMs)];
  let [credited, deciding, progress] = [0, Number.NaN, 0];
  const ended = () => ({ times: Float64Array.from(times), values: Float64Array.from(values) });
  for (let i = indexAt(history, startMs) + 1; i < history.times.length; i++) {
    const [t1, c1] = [history.times[i]!, history.values[i]!];
    const splits = smoothPieces(c0, c1, cuts);
    for (let s = 0; s + 1 < splits.length; s++) {
      const [ca, cb] = [c0 + (c1 - c0) * splits[s]!, c0 + (c1 - c0) * splits[s + 1]!];
      const [mid, minutes] = [(ca + cb) / 2, ((t1 - t0) * (splits[s + 1]! - splits[s]!)) / MIN_MS];
      if (mid < floor || minutes <= 0) continue;
      if (mid < pace.lowC || mid > pace.highC) return ended();
      if (bands) {
        const here = pace.minutesAt(mid);
        deciding = Number.isNaN(deciding) ? here : waiting ? Math.max(deciding, here) : Math.min(deciding, here);
        credited += minutes;
        // A colder band met later takes nothing back that was there already.
        progress = Math.max(progress, credited / deciding);
      } else progress += meanRate(pace, ca, cb, schemeFor(ca, cb)) * minutes;
    }
    times.push(t1);
    values.push(progress);
    [t0, c0] = [t1, c1];
  }
  return ended();
}

/** Lengthens the last stall, or begins one. */
function stand(stalls: { fromMs: number; toMs: number }[], fromMs: number, toMs: number): void {
  const last = stalls.at(-1);
  if (last && last.toMs === fromMs) last.toMs = toMs;
  else stalls.push({ fromMs, toMs });
}

const WHOLE = [0, 1];

/** Whether a straight piece of history crosses a kink of the table. */
function crossed(c0: number, c1: number, cuts: readonly number[]): boolean {
  for (let k = 0; k < cuts.length; k++) if ((c0 - cuts[k]!) * (c1 - cuts[k]!) < 0) return true;
  return false;
}

/**
 * Shares at which a straight piece of history is split: where it crosses a kink of the table, and at most PIECE_K
 * apart.
 */
function smoothPieces(c0: number, c1: number, cuts: readonly number[]): readonly number[] {
  const smooth = Math.ceil(Math.abs(c1 - c0) / PIECE_K);
  if (smooth <= 1 && !crossed(c0, c1, cuts)) return WHOLE;
  const splits = [0, 1];
  for (const cut of cuts) if ((c0 - cut) * (c1 - cut) < 0) splits.push((cut - c0) / (c1 - c0));
  for (let k = 1; k < smooth; k++) splits.push(k / smooth);
  return splits.sort((a, b) => a - b);
}

function reachBands(pace: Pace, history: Series, startMs: number, options: ClockOptions): Reached | NoTime {
  const waiting = options.clock === 'waiting';
  const floor = stallBelow(options);
  let i = indexAt(history, startMs);
  let t0 = startMs;
  let c0 = valueAt(history, startMs);
  let credited = 0;
  let deciding: number | undefined;
  const stalls: { fromMs: number; toMs: number }[] = [];
  const cuts = [floor, ...pace.breaksC].filter(Number.isFinite);
  // Least fixed point: time counts while the base is warm enough, and the coldest credited temperature sets what is
  // needed.
  for (;;) {
    const t1 = history.times[i + 1];
    if (t1 === undefined) return historyEnds(options, history);
    const c1 = history.values[i + 1]!;
    const splits = smoothPieces(c0, c1, cuts);
    for (let s = 0; s + 1 < splits.length; s++) {
      const [ta, tb] = [t0 + (t1 - t0) * splits[s]!, t0 + (t1 - t0) * splits[s + 1]!];
      if (tb <= ta) continue;
      const mid = c0 + ((c1 - c0) * (splits[s]! + splits[s + 1]!)) / 2;
      if (mid < floor) {
        stand(stalls, ta, tb);
        continue;
      }
      if (mid < pace.lowC || mid > pace.highC) return leftTable(options, pace, mid, ta);
      const here = pace.minutesAt(mid);
      deciding = deciding === undefined ? here : waiting ? Math.max(deciding, here) : Math.min(deciding, here);
      const need = deciding * MIN_MS - credited;
      // A working band met later may already be used up: then it ends where that band begins.
      if (need <= 0) return { atMs: ta, standing: 'sheet', stalls };
      if (need <= tb - ta) return { atMs: ta + need, standing: 'sheet', stalls };
      credited += tb - ta;
    }
    i++;
    t0 = t1;
    c0 = c1;
  }
}

/** Steady history between two instants, for asking what the sheet says at one temperature. */
export function steady(tempC: number, fromMs: number, toMs: number): Series {
  return { times: Float64Array.from([fromMs, toMs]), values: Float64Array.from([tempC, tempC]) };
}

/** Coldest and hottest temperature between two instants, °C. */
export const between = (history: Series, fromMs: number, toMs: number): { min: number; max: number } =>
  extremes(history, Math.max(fromMs, history.times[0]!), Math.min(Math.max(fromMs, toMs), history.times.at(-1)!));
