import { refuse } from '../units';

/** A kit that may be bought or stands on the shelf. */
export interface KitOffer {
  readonly id: string;
  readonly volumeMl: number;
  /** What one more costs; null where no price is known: then volume decides. */
  readonly price: number | null;
  readonly inStock: number;
}

/** Material that must come from kits opened together: one mixing, or everything a splittable kit serves. */
export interface KitNeed {
  readonly id: string;
  readonly ml: number;
}

export interface KitSet {
  /** For each need, how many of each offer, in the order of the offers. */
  readonly counts: readonly (readonly number[])[];
  /** Over all needs. */
  readonly total: readonly number[];
  readonly buy: readonly number[];
  readonly cost: number;
  readonly leftMl: number;
  /** False when there were too many ways to look through all of them. */
  readonly exact: boolean;
}

/** Most ways kept while needs are added up; beyond it the cheapest are kept and the answer is no longer exact. */
const MOST_WAYS = 4000;
const MOST_KITS = 5000;
const EPS = 1e-9;

const covers = (a: readonly number[], b: readonly number[]) => a.every((x, i) => x <= b[i]!);

/** Of count vectors those that no other is below in every kit. */
function minimal(ways: readonly number[][]): number[][] {
  const sorted = [...ways].sort((a, b) => sum(a) - sum(b));
  const out: number[][] = [];
  for (const w of sorted) if (!out.some((o) => covers(o, w))) out.push(w);
  return out;
}
const sum = (a: readonly number[]) => a.reduce((s, x) => s + x, 0);

/**
 * Every set of kits that holds at least so much and of which none can be left out.
 * @param volumes mL of each kit
 * @returns counts of each kit, in the order of the volumes
 */
export function minimalCovers(ml: number, volumes: readonly number[]): number[][] {
  const out: number[][] = [];
  const walk = (i: number, left: number, counts: number[]): void => {
    if (i === volumes.length - 1) {
      out.push([...counts, left > EPS ? Math.ceil(left / volumes[i]! - EPS) : 0]);
      return;
    }
    const most = left > EPS ? Math.ceil(left / volumes[i]! - EPS) : 0;
    for (let n = most; n >= 0; n--) walk(i + 1, left - n * volumes[i]!, [...counts, n]);
  };
  walk(0, ml, []);
  return minimal(out);
}

/**
 * The cheapest set of kits for several needs that cannot share a kit among them: least money to spend first, then least value used
 * from the shelf, then least left over. Needs are added one by one; of the sums only those are kept that no other is below in
 * every kit, which loses no optimum, since price and use grow with every count.
 * @throws Refusal for an offer of no volume, or needs beyond 5000 kits
 */
export function cheapestKits(needs: readonly KitNeed[], offers: readonly KitOffer[]): KitSet {
  if (!offers.length) refuse('kits', 0, 'at least one kit', 'The sheet names no kit.');
  for (const o of offers)
    if (!(o.volumeMl > 0)) refuse('kits', o.volumeMl, 'more than 0 mL', 'A kit of nothing never fills the void: type what is in it.');
  const volumes = offers.map((o) => o.volumeMl);
  const value = offers.map((o) => o.price ?? o.volumeMl / 1000);
  const rank = (total: readonly number[]): [number, number, number] => [
    total.reduce((s, n, i) => s + Math.max(0, n - offers[i]!.inStock) * value[i]!, 0),
    total.reduce((s, n, i) => s + n * value[i]!, 0),
    total.reduce((s, n, i) => s + n * volumes[i]!, 0),
  ];
  const cheaper = (a: readonly number[], b: readonly number[]) => {
    const [x, y] = [rank(a), rank(b)];
    return x[0] - y[0] || x[1] - y[1] || x[2] - y[2];
  };
  let exact = true;
  type State = { readonly total: number[]; readonly counts: number[][] };
  let states: State[] = [{ total: offers.map(() => 0), counts: [] }];
  for (const need of needs) {
    if (need.ml / Math.max(...volumes) > MOST_KITS)
      refuse('ml', need.ml, `up to ${MOST_KITS} kits`, `${Math.round(need.ml / 1000)} L is more than ${MOST_KITS} kits: check the void.`);
    const ways = minimalCovers(need.ml, volumes);
    const next = new Map<string, State>();
    for (const s of states)
      for (const w of ways) {
        const total = s.total.map((n, i) => n + w[i]!);
        const key = total.join();
        if (!next.has(key)) next.set(key, { total, counts: [...s.counts, w] });
      }
    let kept = [...next.values()].sort((a, b) => cheaper(a.total, b.total));
    // Stock makes money no longer grow evenly, but it never falls with a count: what lies above another can be dropped.
    if (kept.length > 64) {
      const low: State[] = [];
      for (const s of kept.sort((a, b) => sum(a.total) - sum(b.total))) if (!low.some((o) => covers(o.total, s.total))) low.push(s);
      kept = low.sort((a, b) => cheaper(a.total, b.total));
    }
    if (kept.length > MOST_WAYS) {
      kept = kept.slice(0, MOST_WAYS);
      exact = false;
    }
    states = kept;
  }
  const best = states.reduce((a, b) => (cheaper(b.total, a.total) < 0 ? b : a));
  const buy = best.total.map((n, i) => Math.max(0, n - offers[i]!.inStock));
  return {
    counts: best.counts,
    total: best.total,
    buy,
    cost: buy.reduce((s, n, i) => s + n * value[i]!, 0),
    leftMl: best.total.reduce((s, n, i) => s + n * volumes[i]!, 0) - needs.reduce((s, n) => s + n.ml, 0),
    exact,
  };
}

/** A mixing with its time: from when it must be mixed at the earliest to when it must be placed. */
export interface TimedNeed extends KitNeed {
  readonly fromMs: number;
  readonly untilMs: number;
}

export interface SharedKits {
  /** Needs that share one opening, in order. */
  readonly groups: readonly (readonly string[])[];
  readonly set: KitSet;
}

/**
 * Kits for needs in time order, where neighbours may be mixed as one when all of them can be placed inside the pot life: every way of
 * cutting the row into such groups is tried by dynamic programming over the row, the cheapest set of all is taken.
 * @param potLifeMs from the beginning of mixing until it must be placed
 * @param capMl most that one mixing may be
 */
export function sharedKits(needs: readonly TimedNeed[], offers: readonly KitOffer[], potLifeMs: number, capMl: number): SharedKits {
  const row = [...needs].sort((a, b) => a.fromMs - b.fromMs || a.untilMs - b.untilMs);
  const mayShare = (i: number, j: number) => {
    if (i === j) return true;
    const part = row.slice(i, j + 1);
    return (
      Math.max(...part.map((n) => n.untilMs)) - part[0]!.fromMs <= potLifeMs && part.reduce((s, n) => s + n.ml, 0) <= capMl * (1 + 1e-9)
    );
  };
  // Cuts of the row up to each place, kept while they are few; a long row that shares nothing has exactly one.
  let cuts: number[][][] = [[[]]];
  let all = true;
  for (let end = 0; end < row.length; end++) {
    const here: number[][] = [];
    for (let start = end; start >= 0; start--) {
      if (!mayShare(start, end)) break;
      for (const before of cuts[start]!) here.push([...before, end + 1]);
    }
    if (here.length > 256) {
      here.sort((a, b) => a.length - b.length);
      here.length = 256;
      all = false;
    }
    cuts = [...cuts, here];
  }
  let best: SharedKits | undefined;
  for (const cut of cuts[row.length]!) {
    const groups = cut.map((end, k) => row.slice(k ? cut[k - 1]! : 0, end));
    const set = cheapestKits(
      groups.map((g) => ({ id: g[0]!.id, ml: g.reduce((s, n) => s + n.ml, 0) })),
      offers,
    );
    const better =
      !best ||
      set.cost < best.set.cost - EPS ||
      (Math.abs(set.cost - best.set.cost) <= EPS && set.leftMl < best.set.leftMl - EPS) ||
      // As cheap and as full: fewer mixings only where it saves something.
      false;
    if (better) best = { groups: groups.map((g) => g.map((n) => n.id)), set: { ...set, exact: set.exact && all } };
  }
  return best ?? { groups: [], set: { counts: [], total: offers.map(() => 0), buy: offers.map(() => 0), cost: 0, leftMl: 0, exact: true } };
}
