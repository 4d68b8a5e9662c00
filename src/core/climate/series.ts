import { on, refuse, texts } from '../say';

const REFUSED = texts('refused.climate.series', {
  'temperature-history-does': 'The temperature history does not cover {moment}.',
  'sample-not-number': 'Sample {n} is not a number.',
  'sample-not-later': 'Sample {n} is not later than the one before it.',
});

/** A temperature (or humidity) history: straight lines between samples. Times are epoch ms, rising. */
export interface Series {
  readonly times: Float64Array;
  readonly values: Float64Array;
}

/**
 * A computed temperature without the last places that its solver leaves: in air of 8 °C a base has 8 °C, and no limit
 * of 8 °C is missed by a billionth of a degree.
 */
export const settled = (tempC: number): number => Math.round(tempC * 1e8) / 1e8;

/** Index of the last sample at or before `ms`; −1 before the first. */
export function indexAt(series: Series, ms: number): number {
  let low = 0;
  let high = series.times.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (series.times[mid]! <= ms) low = mid + 1;
    else high = mid;
  }
  return low - 1;
}

/** Value at an instant. @throws Refusal outside the history */
export function valueAt(series: Series, ms: number): number {
  const i = indexAt(series, ms);
  const last = series.times.length - 1;
  if (i < 0 || ms > series.times[last]!)
    return refuse(
      'history',
      ms,
      'an instant inside the history',
      REFUSED['temperature-history-does']({ moment: on(ms) }),
    );
  if (i === last) return series.values[last]!;
  const [t0, t1] = [series.times[i]!, series.times[i + 1]!];
  const f = (ms - t0) / (t1 - t0);
  // Between two that are alike it is the same, to the last place.
  const [v0, v1] = [series.values[i]!, series.values[i + 1]!];
  return v0 + (v1 - v0) * f;
}

/** What a history is at its lowest and its highest, and when first. */
export interface Extremes {
  readonly min: number;
  readonly max: number;
  readonly minMs: number;
  readonly maxMs: number;
}

/** Lowest and highest value over [from, to], ends included, each with its first instant. @throws Refusal outside it */
export function extremes(series: Series, fromMs: number, toMs: number): Extremes {
  let min = valueAt(series, fromMs);
  let max = min;
  let minMs = fromMs;
  let maxMs = fromMs;
  const take = (v: number, ms: number) => {
    if (v < min) {
      min = v;
      minMs = ms;
    }
    if (v > max) {
      max = v;
      maxMs = ms;
    }
  };
  for (let i = indexAt(series, fromMs) + 1; i < series.times.length && series.times[i]! < toMs; i++)
    take(series.values[i]!, series.times[i]!);
  take(valueAt(series, toMs), toMs);
  return { min, max, minMs, maxMs };
}

/** Instants between two others at which any of some histories bends, in their order, the two themselves with them. */
function bendsOf(all: readonly Series[], fromMs: number, toMs: number): readonly number[] {
  const out = [fromMs];
  // Histories of one site mostly stand on the same instants.
  for (const times of new Set(all.map((series) => series.times)))
    for (let i = indexAt({ times, values: times }, fromMs) + 1; i < times.length && times[i]! < toMs; i++)
      out.push(times[i]!);
  out.push(toMs);
  return out.length > 2 ? out.sort((x, y) => x - y) : out;
}

/**
 * Lowest and highest of what some histories make of each other, looked at wherever one of them bends.
 * @param of what they make, at an instant
 * @throws Refusal outside one of them
 * @example extremesOf([base, dew], from, to, (ms) => valueAt(base, ms) - valueAt(dew, ms)).min
 */
export function extremesOf(all: readonly Series[], fromMs: number, toMs: number, of: (ms: number) => number): Extremes {
  const found = { min: Number.POSITIVE_INFINITY, max: Number.NEGATIVE_INFINITY, minMs: fromMs, maxMs: fromMs };
  for (const ms of bendsOf(all, fromMs, toMs)) {
    const value = of(ms);
    if (value < found.min) [found.min, found.minMs] = [value, ms];
    if (value > found.max) [found.max, found.maxMs] = [value, ms];
  }
  return found;
}

/**
 * A series from pairs of instant and value. @throws Refusal for instants that do not rise or values that are not finite
 */
export function seriesOf(pairs: readonly (readonly [number, number])[]): Series {
  pairs.forEach(([t, v], i) => {
    if (!Number.isFinite(t) || !Number.isFinite(v))
      refuse(`series.${i}`, [t, v], 'finite numbers', REFUSED['sample-not-number']({ n: i + 1 }));
    if (i > 0 && t <= pairs[i - 1]![0])
      refuse(`series.${i}`, t, 'rising times', REFUSED['sample-not-later']({ n: i + 1 }));
  });
  return { times: Float64Array.from(pairs, (p) => p[0]), values: Float64Array.from(pairs, (p) => p[1]) };
}

/** The pointwise larger (`max`) or smaller (`min`) of two series on the same times. */
export function combine(a: Series, b: Series, pick: (x: number, y: number) => number): Series {
  return { times: a.times, values: a.values.map((v, i) => pick(v, b.values[i]!)) };
}

/**
 * What follows another temperature like a body of one time constant: dT/dt = (lead − T)/τ, exact for a lead of straight
 * pieces.
 * @param startC its own temperature at `fromMs`; before that it stands at it
 */
export function following(lead: Series, startC: number, fromMs: number, tauMs: number): Series {
  const { times } = lead;
  const values = new Float64Array(times.length).fill(startC);
  let t = fromMs;
  let own = startC;
  let led = valueAt(lead, fromMs);
  // Samples mostly stand evenly: what fades over one step is worked out once for all of its length.
  let length = Number.NaN;
  let left = 1;
  for (let i = indexAt(lead, fromMs) + 1; i < times.length; i++) {
    const span = times[i]! - t;
    if (span !== length) {
      length = span;
      left = Math.exp(-span / tauMs);
    }
    const next = lead.values[i]!;
    const lag = span > 0 ? ((next - led) * tauMs) / span : 0;
    own = next - lag + (own - led + lag) * left;
    values[i] = settled(own);
    t = times[i]!;
    led = next;
  }
  return { times, values };
}
