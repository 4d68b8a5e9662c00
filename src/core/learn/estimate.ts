/**
 * What a record says of a ratio of real to planned: a figure, that it was at least so much (it ran out), or that it
 * lies
 * between two looks (an hourly touch test).
 */
export type Observation =
  | { readonly is: 'exact'; readonly ratio: number }
  | { readonly is: 'least'; readonly ratio: number }
  | { readonly is: 'between'; readonly from: number; readonly to: number };

/** What is believed before any record: the ratio is one, and nine crews in ten lie between one over and times this. */
export interface Prior {
  readonly spread: number;
}

/** A ratio as learned. */
export interface Estimate {
  readonly count: number;
  /** Real over planned, in the middle. */
  readonly ratio: number;
  /** Nine times in ten the ratio of this crew lies between these. */
  readonly low: number;
  readonly high: number;
  /** Nine times in ten the next job lies between these. */
  readonly nextLow: number;
  readonly nextHigh: number;
  /** Up to five records the middle one is told; of more a log-normal, drawn towards the method’s own figure. */
  readonly how: 'median' | 'log-normal';
}

/** Records up to which the middle one is told. */
export const MEDIAN_UP_TO = 5;
/** Half width of nine tenths of a normal, in its deviations. */
const NINE_TENTHS = 1.6448536269514722;
/** Deviations of the logarithm from job to job that are thought possible, evenly in their logarithm. */
const SIGMAS = [0.05, 0.075, 0.11, 0.16, 0.23, 0.33, 0.48, 0.7];
/** One record in so many is not of this kind at all: a step forgotten overnight, a slip of the pen. */
const WILD_SHARE = 0.04;
const WILD_SIGMA = 2;
/** Points of the grid over the logarithm of the ratio, and how far it reaches in deviations of the prior. */
const POINTS = 201;
const REACH = 4;
/** Observations nearer to each other than this, in their logarithm, are counted as one. */
const BIN = 0.006;

/** Error function, within 1.2e-7 (Numerical Recipes, 6.2, Chebyshev fit of erfc). */
function erfc(x: number): number {
  const z = Math.abs(x);
  const t = 1 / (1 + 0.5 * z);
  const r =
    t *
    Math.exp(
      -z * z -
        1.26551223 +
        t *
          (1.00002368 +
            t *
              (0.37409196 +
                t *
                  (0.09678418 +
                    t *
                      (-0.18628806 +
                        t *
                          (0.27886807 + t * (-1.13520398 + t * (1.48851587 + t * (-0.82215223 + t * 0.17087277)))))))),
    );
  return x >= 0 ? r : 2 - r;
}
/** Distribution of the standard normal. */
export const normalCdf = (x: number): number => 0.5 * erfc(-x / Math.SQRT2);
const density = (x: number, sigma: number): number =>
  Math.exp(-0.5 * (x / sigma) ** 2) / (sigma * Math.sqrt(2 * Math.PI));

/** Like observations counted together, by the logarithms of what they say. */
interface Binned {
  readonly is: Observation['is'];
  readonly a: number;
  readonly b: number;
  weight: number;
}

function binned(list: readonly Observation[]): readonly Binned[] {
  const by = new Map<string, Binned>();
  for (const o of list) {
    const [a, b] = o.is === 'between' ? [Math.log(o.from), Math.log(o.to)] : [Math.log(o.ratio), 0];
    const key = `${o.is} ${Math.round(a / BIN)} ${Math.round(b / BIN)}`;
    const known = by.get(key);
    if (known) known.weight++;
    else by.set(key, { is: o.is, a, b, weight: 1 });
  }
  return [...by.values()];
}

/** How likely an observation is where the logarithm of the ratio has this middle and deviation. */
function chanceOf({ is, a, b }: Binned, mu: number, sigma: number): number {
  if (is === 'exact') return density(a - mu, sigma);
  if (is === 'least') return 1 - normalCdf((a - mu) / sigma);
  return normalCdf((b - mu) / sigma) - normalCdf((a - mu) / sigma);
}

const isSound = (o: Observation): boolean =>
  o.is === 'between' ? o.from > 0 && o.to > o.from && Number.isFinite(o.to) : o.ratio > 0 && Number.isFinite(o.ratio);

/** The middle of a few: what ran out counts as what it at least was, a look between two as their middle. */
function medianOf(list: readonly Observation[]): number {
  const logs = list
    .map((o) => (o.is === 'between' ? (Math.log(o.from) + Math.log(o.to)) / 2 : Math.log(o.ratio)))
    .sort((a, b) => a - b);
  const half = logs.length >> 1;
  return Math.exp(logs.length % 2 ? logs[half]! : (logs[half - 1]! + logs[half]!) / 2);
}

/** A point of a distribution over a grid, between its points. */
function quantile(grid: readonly number[], weights: readonly number[], share: number): number {
  let sum = 0;
  for (let i = 0; i < grid.length; i++) {
    const next = sum + weights[i]!;
    if (next >= share) {
      const into = weights[i]! > 0 ? (share - sum) / weights[i]! : 0.5;
      const step = grid.length > 1 ? grid[1]! - grid[0]! : 0;
      return grid[i]! + (into - 0.5) * step;
    }
    sum = next;
  }
  return grid.at(-1)!;
}

/**
 * What records say of a ratio: a log-normal of unknown middle and scatter, drawn towards the method’s own figure, with
 * what ran out as a lower bound and what was only looked at now and then between its looks; one record in many may be
 * of
 * another kind altogether. By quadrature over a grid: no step of it is random.
 * @returns null without a sound record
 */
export function estimateOf(observations: readonly Observation[], { spread }: Prior): Estimate | null {
  const sound = observations.filter(isSound);
  if (!sound.length) return null;
  const tau = Math.log(spread) / NINE_TENTHS;
  const bins = binned(sound);
  const grid = Array.from({ length: POINTS }, (_, i) => ((i / (POINTS - 1)) * 2 - 1) * REACH * tau);
  const logs = SIGMAS.map((sigma) =>
    grid.map((mu) => {
      let log = -0.5 * (mu / tau) ** 2;
      for (const o of bins) {
        const chance = (1 - WILD_SHARE) * chanceOf(o, mu, sigma) + WILD_SHARE * chanceOf(o, mu, WILD_SIGMA);
        log += o.weight * Math.log(Math.max(chance, 1e-300));
      }
      return log;
    }),
  );
  const top = Math.max(...logs.flat());
  const joint = logs.map((row) => row.map((l) => Math.exp(l - top)));
  const total = joint.flat().reduce((a, b) => a + b, 0);
  const weights = grid.map((_, i) => joint.reduce((s, row) => s + row[i]!, 0) / total);
  const mean = grid.reduce((s, mu, i) => s + mu * weights[i]!, 0);
  const scatter = joint.reduce((s, row, k) => s + (row.reduce((a, b) => a + b, 0) / total) * SIGMAS[k]! ** 2, 0);
  const variance = grid.reduce((s, mu, i) => s + (mu - mean) ** 2 * weights[i]!, 0);
  const next = NINE_TENTHS * Math.sqrt(variance + scatter);
  const few = sound.length <= MEDIAN_UP_TO;
  const middle = few ? Math.log(medianOf(sound)) : mean;
  return {
    count: sound.length,
    ratio: Math.exp(middle),
    low: Math.exp(quantile(grid, weights, 0.05)),
    high: Math.exp(quantile(grid, weights, 0.95)),
    nextLow: Math.exp(Math.min(middle, mean) - next),
    nextHigh: Math.exp(Math.max(middle, mean) + next),
    how: few ? 'median' : 'log-normal',
  };
}
