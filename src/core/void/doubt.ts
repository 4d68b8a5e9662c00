import { refuse, texts } from '../say';

const REFUSED = texts('refused.void.doubt', {
  'void-no-finite': 'The void has no finite volume with these dimensions.',
});

/**
 * One doubtful input: half-width of its rectangular distribution, and the bias it shares with others (same group: fully
 * correlated).
 */
export interface DoubtfulInput {
  readonly key: string;
  readonly label: string;
  readonly value: number;
  readonly halfWidth: number;
  readonly group: string;
}

export interface Doubt {
  readonly nominal: number;
  /** Standard uncertainty to first order. */
  readonly u: number;
  readonly p5: number;
  readonly p90: number;
  readonly p95: number;
  readonly method: 'first-order' | 'simulation';
  /** Share of the variance by input, summing to 1 where there is any doubt. */
  readonly shares: readonly { readonly key: string; readonly label: string; readonly share: number }[];
}

const DRAWS = 20_000;
/** Above this relative uncertainty the first-order range is no longer trusted. */
const FIRST_ORDER_LIMIT = 0.1;

/** Small seeded generator (mulberry32): the same inputs give the same range on every machine. */
export function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * Propagates rectangular tolerances through `f` (JCGM 100 GUM, type B: u = a/√3; correlated inputs add linearly inside
 * their group), to first order below 10 % relative uncertainty and by seeded simulation above (JCGM 101).
 * @returns 5, 90 and 95 % values and each input's share of the variance
 * @throws Refusal when the nominal value is not finite
 */
export function propagate(
  inputs: readonly DoubtfulInput[],
  f: (values: readonly number[]) => number,
  options: { draws?: number; seed?: number; force?: Doubt['method'] } = {},
): Doubt {
  const at = inputs.map((input) => input.value);
  const nominal = f(at);
  if (!Number.isFinite(nominal)) refuse('void', nominal, 'a finite volume', REFUSED['void-no-finite']());
  const pull = inputs.map((input, i) => {
    const a = input.halfWidth;
    if (a === 0) return 0;
    // A step of the half-width itself follows mild curvature better than a vanishing one.
    const up = f(at.map((v, k) => (k === i ? v + a : v)));
    const down = f(at.map((v, k) => (k === i ? v - a : v)));
    return (up - down) / 2 / Math.sqrt(3);
  });
  const groups = new Map<string, number[]>();
  for (const [i, input] of inputs.entries()) groups.set(input.group, [...(groups.get(input.group) ?? []), i]);
  let variance = 0;
  const byInput = inputs.map(() => 0);
  for (const members of groups.values()) {
    const sum = members.reduce((s, i) => s + pull[i]!, 0);
    const size = members.reduce((s, i) => s + Math.abs(pull[i]!), 0);
    variance += sum * sum;
    for (const i of members) byInput[i] = size > 0 ? (sum * sum * Math.abs(pull[i]!)) / size : 0;
  }
  const u = Math.sqrt(variance);
  const shares = inputs.map((input, i) => ({
    key: input.key,
    label: input.label,
    share: variance > 0 ? byInput[i]! / variance : 0,
  }));
  const simulate = options.force ? options.force === 'simulation' : u > FIRST_ORDER_LIMIT * Math.abs(nominal);
  if (!simulate)
    return {
      nominal,
      u,
      p5: nominal - 1.645 * u,
      p90: nominal + 1.2816 * u,
      p95: nominal + 1.645 * u,
      method: 'first-order',
      shares,
    };

  const draws = options.draws ?? DRAWS;
  const random = seeded(options.seed ?? 1);
  const results = new Float64Array(draws);
  const names = [...groups.keys()];
  for (let k = 0; k < draws; k++) {
    const bias = new Map(names.map((name) => [name, 2 * random() - 1]));
    results[k] = f(inputs.map((input) => input.value + input.halfWidth * bias.get(input.group)!));
  }
  results.sort();
  const percentile = (p: number) => results[Math.min(draws - 1, Math.floor(p * draws))]!;
  return {
    nominal,
    u,
    p5: percentile(0.05),
    p90: percentile(0.9),
    p95: percentile(0.95),
    method: 'simulation',
    shares,
  };
}
