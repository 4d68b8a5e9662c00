import { type JobAsk, type JobPlan, planJob } from './plan-job';
import type { Repair } from './repair';
import type { ChainPlan } from './repair-plan';

/** The order of the repairs of a job in which all of it is open the soonest, as far as that was looked for. */
export interface BestOrder {
  /** Ids of all repairs, in that order. */
  readonly order: readonly string[];
  /** When all is open in it. */
  readonly openMs: number;
  /** When all is open in the order it has. */
  readonly asIsMs: number;
  /** No order can have it open sooner: then the last would be open if each had the hands to itself. */
  readonly boundMs: number;
  /** No other order is better: all were tried, or it meets the bound. */
  readonly exact: boolean;
  readonly tried: number;
}

/** Up to so many repairs every order is tried; more are moved one by one as long as that gains. */
const ALL_ORDERS = 5;
/** Plans that are made at most. */
const MOST_PLANS = 240;
/** Less than that is no gain, ms. */
const GAIN_MS = 60_000;

/** What an order is judged by: when the last is open, then when all the others are. */
interface Score {
  readonly lastMs: number;
  readonly sumMs: number;
}

const sooner = (a: Score, b: Score): boolean =>
  a.lastMs < b.lastMs - GAIN_MS || (Math.abs(a.lastMs - b.lastMs) <= GAIN_MS && a.sumMs < b.sumMs - GAIN_MS);

/** What has a time to open; a repair whose plan stops at what is not known has none in any order. */
const opens = (plans: readonly ChainPlan[]): readonly number[] =>
  plans.flatMap((p) => (p.openMs === null ? [] : [p.openMs]));

const scoreOf = ({ repairs }: JobPlan): Score => {
  const all = opens(repairs);
  return { lastMs: Math.max(...all), sumMs: all.reduce((s, ms) => s + ms, 0) };
};

/** Every order of a list. */
function* ordersOf<T>(list: readonly T[]): Generator<readonly T[]> {
  if (list.length < 2) yield list;
  for (const [i, first] of list.entries())
    if (list.length > 1) for (const rest of ordersOf(list.filter((_, k) => k !== i))) yield [first, ...rest];
}

/**
 * The order of a job’s repairs that opens all of it the soonest. What has begun stays where it stands, the others are
 * tried, each time by the whole plan: up to five in every order, more by moving one at a time, from the order they have
 * and from the one that begins with what sets longest. It ends as soon as the bound is met.
 * @returns null where there is nothing to order, or nothing has a time to open
 */
export function bestOrder(ask: JobAsk): BestOrder | null {
  const repairs = [...ask.repairs].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
  const asIs = planJob(ask);
  const begun = new Set(asIs.repairs.filter((p) => p.passes.some((x) => x.steps.some(touched))).map((p) => p.repairId));
  const free = repairs.filter((r) => !begun.has(r.id));
  if (free.length < 2 || !opens(asIs.repairs).length) return null;
  let tried = 1;
  /** All of them, the free ones in an order. */
  const whole = (order: readonly Repair[]): readonly Repair[] => {
    const next = order.values();
    return repairs.map((r) => (begun.has(r.id) ? r : next.next().value!));
  };
  const score = (order: readonly Repair[]): Score => {
    tried++;
    return scoreOf(planJob({ ...ask, repairs: whole(order).map((r, i) => ({ ...r, order: i })) }));
  };
  const alone = repairs.map((r) => planJob({ ...ask, repairs: [r] }).repairs[0]?.openMs ?? null);
  const boundMs = Math.max(...alone.flatMap((ms) => (ms === null ? [] : [ms])));
  const had = scoreOf(asIs);
  let best = { order: free as readonly Repair[], score: had };
  const isBound = () => best.score.lastMs <= boundMs + GAIN_MS;
  /** Tries an order. @returns whether it is the best so far */
  const tries = (order: readonly Repair[]): boolean => {
    const made = score(order);
    if (!sooner(made, best.score)) return false;
    best = { order, score: made };
    return true;
  };
  const all = free.length <= ALL_ORDERS;
  if (all) {
    for (const order of ordersOf(free)) {
      if (isBound()) break;
      if (order.some((r, i) => r !== free[i])) tries(order);
    }
  } else {
    const openBy = new Map(repairs.map((r, i) => [r.id, alone[i] ?? 0]));
    tries([...free].sort((a, b) => openBy.get(b.id)! - openBy.get(a.id)!));
    for (let gains = true; gains && !isBound() && tried < MOST_PLANS; ) {
      gains = false;
      for (const r of best.order) {
        for (let to = 0; to < free.length && tried < MOST_PLANS && !isBound(); to++) {
          const without = best.order.filter((x) => x !== r);
          const moved = [...without.slice(0, to), r, ...without.slice(to)];
          if (moved.some((x, k) => x !== best.order[k]) && tries(moved)) gains = true;
        }
      }
    }
  }
  return {
    order: whole(best.order).map((r) => r.id),
    openMs: best.score.lastMs,
    asIsMs: had.lastMs,
    boundMs,
    exact: all || isBound(),
    tried,
  };
}

const touched = (s: { readonly doneAt: number | null; readonly begunAt: number | null }): boolean =>
  s.doneAt !== null || s.begunAt !== null;
