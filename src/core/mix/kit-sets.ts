import { meter, ml, refuse, texts } from '../say';

const REFUSED = texts('refused.mix.kit-sets', {
  'sheet-names-no': 'The sheet names no kit.',
  'kit-nothing-never': 'A kit of nothing never fills the void: type what is in it.',
  'more-kits-check': '{volume} is more than {most} kits: check the void.',
});

/** A kit that may be bought or stands on the shelf. */
export interface KitOffer {
  readonly id: string;
  readonly volumeMl: number;
  /** What one more costs, in the one money of all offers; null where no price is known: then volume decides. */
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
  /** What is to be bought: its price where every offer has one, else what it holds, L. */
  readonly cost: number;
  readonly leftMl: number;
  /** False when there were too many ways to look through all of them. */
  readonly exact: boolean;
}

/** Most ways kept while needs are added up; beyond it the cheapest are kept and the answer is no longer exact. */
const MOST_WAYS = 4000;
const MOST_KITS = 5000;
/**
 * Sets of kits that cover one need, before they are compared; where there are more, only sets of two kinds are looked
 * at.
 */
const MOST_COVERS = 6000;
/** Sets of kits that are looked at. */
const MOST_TURNS = 5_000_000;
/** Most places that are served by one opening. */
const MOST_SHARED = 60;
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
  if (tooMany(ml, volumes)) return minimal(pairCovers(ml, volumes));
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

/** Whether listing every cover would take longer than it is worth. */
const tooMany = (ml: number, volumes: readonly number[]): boolean =>
  volumes.slice(0, -1).reduce((product, v) => product * (Math.ceil(ml / v) + 1), 1) > MOST_COVERS;

/** Covers of at most two kinds of kit. */
function pairCovers(ml: number, volumes: readonly number[]): number[][] {
  const out: number[][] = [];
  for (let i = 0; i < volumes.length; i++)
    for (let j = i + 1; j < volumes.length; j++) {
      const most = Math.ceil(ml / volumes[i]! - EPS);
      // Between all of the one and all of the other, as finely as is worth looking at.
      const step = Math.max(1, Math.ceil(most / 200));
      for (let n = 0; n <= most; n += step) {
        const left = Math.max(0, ml - n * volumes[i]!);
        out.push(volumes.map((_, k) => (k === i ? n : k === j ? Math.ceil(left / volumes[j]! - EPS) : 0)));
      }
      out.push(volumes.map((_, k) => (k === i ? most : 0)));
    }
  return out;
}

/** A sum of kits over the first needs of a row, and how it came about. */
interface State {
  readonly total: readonly number[];
  /** What the last group took, the needs it is of, and the state before it. */
  readonly took: readonly number[];
  readonly from: number;
  readonly before: State | null;
}

/** Of states those that no other is below in every kit. */
function lowest(states: readonly State[]): State[] {
  const sorted = [...states].sort((a, b) => sum(a.total) - sum(b.total));
  const out: State[] = [];
  for (const s of sorted) if (!out.some((o) => covers(o.total, s.total))) out.push(s);
  return out;
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
 * The cheapest set of kits for a row of needs, where neighbours may be served by one opening: least money to spend
 * first, then least value used from the shelf, then least left over. Dynamic programming over the row: up to each place
 * those sums of kits are kept that no other is below in every kit. That loses no optimum, since price, use and rest
 * never fall when a count grows, stock or not.
 * @param mayShare whether the needs from one place of the row to another may be opened together
 * @throws Refusal for an offer of no volume, or needs beyond 5000 kits
 */
function cheapestRow(
  row: readonly KitNeed[],
  offers: readonly KitOffer[],
  mayShare: (from: number, to: number) => boolean,
): SharedKits {
  if (!offers.length) refuse('kits', 0, 'at least one kit', REFUSED['sheet-names-no']());
  for (const o of offers)
    if (!(o.volumeMl > 0)) refuse('kits', o.volumeMl, 'more than 0 mL', REFUSED['kit-nothing-never']());
  const volumes = offers.map((o) => o.volumeMl);
  // Money is held against money alone: where one price is missing, all of them are compared by what they hold.
  const priced = offers.every((o) => o.price !== null);
  const value = offers.map((o) => (priced ? o.price! : o.volumeMl / 1000));
  const spend = (total: readonly number[]) =>
    total.reduce((s, n, i) => s + Math.max(0, n - offers[i]!.inStock) * value[i]!, 0);
  const use = (total: readonly number[]) => total.reduce((s, n, i) => s + n * value[i]!, 0);
  const made = (total: readonly number[]) => total.reduce((s, n, i) => s + n * volumes[i]!, 0);
  const cheaper = (a: readonly number[], b: readonly number[]) =>
    spend(a) - spend(b) || use(a) - use(b) || made(a) - made(b);
  const look = meter({ turns: MOST_TURNS }, 'kits', 'Sharing this many kits among this many places');
  let exact = true;
  let states: State[][] = [[{ total: offers.map(() => 0), took: [], from: 0, before: null }]];
  for (let to = 0; to < row.length; to++) {
    const here = new Map<string, State>();
    let needMl = 0;
    for (let from = to; from >= 0 && mayShare(from, to); from--) {
      // Nobody opens one kit for more places than this; looking further would take longer than the work.
      if (to - from >= MOST_SHARED) {
        exact = false;
        break;
      }
      needMl += row[from]!.ml;
      if (needMl / Math.max(...volumes) > MOST_KITS)
        refuse(
          'ml',
          needMl,
          `up to ${MOST_KITS} kits`,
          REFUSED['more-kits-check']({ volume: ml(Math.round(needMl / 1000) * 1000), most: MOST_KITS }),
        );
      if (tooMany(needMl, volumes)) exact = false;
      const ways = minimalCovers(needMl, volumes);
      look(states[from]!.length * ways.length + 1);
      for (const before of states[from]!)
        for (const took of ways) {
          const total = before.total.map((n, i) => n + took[i]!);
          const key = total.join();
          // Needs that gain nothing from one another stay apart: the shorter group came first.
          if (!here.has(key)) here.set(key, { total, took, from, before });
        }
    }
    let kept = lowest([...here.values()]);
    if (kept.length > MOST_WAYS) {
      kept = kept.sort((a, b) => cheaper(a.total, b.total)).slice(0, MOST_WAYS);
      exact = false;
    }
    states = [...states, kept];
  }
  let best = states[row.length]!.reduce((a, b) => (cheaper(b.total, a.total) < 0 ? b : a));
  const { total } = best;
  const groups: string[][] = [];
  const counts: (readonly number[])[] = [];
  for (let to = row.length; best.before; to = best.from, best = best.before) {
    groups.unshift(row.slice(best.from, to).map((n) => n.id));
    counts.unshift(best.took);
  }
  return {
    groups,
    set: {
      counts,
      total,
      buy: total.map((n, i) => Math.max(0, n - offers[i]!.inStock)),
      cost: spend(total),
      leftMl: made(total) - row.reduce((s, n) => s + n.ml, 0),
      exact,
    },
  };
}

/** The cheapest set of kits for needs that cannot share a kit among them. @throws Refusal as in the row */
export const cheapestKits = (needs: readonly KitNeed[], offers: readonly KitOffer[]): KitSet =>
  cheapestRow(needs, offers, (from, to) => from === to).set;

/**
 * Kits for needs in time order, where neighbours may be mixed as one when all of them can be placed inside the pot
 * life.
 * @param potLifeMs from the beginning of mixing until it must be placed
 * @param capMl most that one mixing may be
 */
export function sharedKits(
  needs: readonly TimedNeed[],
  offers: readonly KitOffer[],
  potLifeMs: number,
  capMl: number,
): SharedKits {
  const row = [...needs].sort((a, b) => a.fromMs - b.fromMs || a.untilMs - b.untilMs);
  // Asked for one place more each time: what was summed is gone on with.
  let [until, ml, at, end] = [0, 0, -1, -1];
  return cheapestRow(row, offers, (from, to) => {
    const { untilMs, fromMs, ml: own } = row[from]!;
    if (end === to && at === from + 1) [until, ml] = [Math.max(until, untilMs), ml + own];
    else {
      const part = row.slice(from, to + 1);
      [until, ml] = [Math.max(...part.map((n) => n.untilMs)), part.reduce((s, n) => s + n.ml, 0)];
    }
    [at, end] = [from, to];
    return from === to || (until - fromMs <= potLifeMs && ml <= capMl * (1 + 1e-9));
  });
}
