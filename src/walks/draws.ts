/** Random jobs of a walk's kind: the same ones at every run, so that one that fails is found again. */
export interface Draw {
  readonly n: number;
  /** A figure between two, as typed: in steps of so much. */
  readonly of: (least: number, most: number, step: number) => number;
  /** True so often. */
  readonly odds: (share: number) => boolean;
}

/** So many draws of a seed. */
export function draws(many: number, seed = 1): readonly Draw[] {
  let state = seed;
  const next = () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  return Array.from({ length: many }, (_, n) => ({
    n,
    of: (least, most, step) => Number((Math.round((least + (most - least) * next()) / step) * step).toFixed(6)),
    odds: (share) => next() < share,
  }));
}

/** Minutes at a temperature by points that stand on a line of ln τ over 1/T, carried on past the last. */
export function minutesAt(tempC: number, ...points: readonly (readonly [tempC: number, minutes: number])[]): number {
  const inverse = (c: number) => 1 / (c + 273.15);
  const above = points.findIndex(([c], i) => i > 0 && tempC <= c);
  const i = above < 0 ? points.length - 1 : above;
  const [[c0, m0], [c1, m1]] = [points[i - 1]!, points[i]!];
  return m0 * (m1 / m0) ** ((inverse(c0) - inverse(tempC)) / (inverse(c0) - inverse(c1)));
}

/** Section of a slot and a V of which what they have in common counts once: summed up in thin layers of depth, mm². */
export function unionMm2(
  slot: readonly [wide: number, deep: number],
  vee: readonly [wide: number, deep: number],
): number {
  const [layers, deep] = [4000, Math.max(slot[1], vee[1])];
  let area = 0;
  for (let i = 0; i < layers; i++) {
    const z = ((i + 0.5) / layers) * deep;
    area += (Math.max(z < slot[1] ? slot[0] : 0, vee[0] * (1 - z / vee[1])) * deep) / layers;
  }
  return area;
}
