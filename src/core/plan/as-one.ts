import { joined } from './join';
import { type JobAsk, type JobPlan, planJob } from './plan-job';
import type { Repair } from './repair';

/** What some repairs of a job take. */
export interface Tally {
  readonly mixes: number;
  /** Hands on, min. */
  readonly handsMin: number;
  /** Kits of all systems, over the whole job. */
  readonly kits: number;
  /** When the last of them is open; null where one has no time to open. */
  readonly openMs: number | null;
}

/** Like repairs of a job, what they take each by itself, and as one of several places. */
export interface AsOne {
  /** In the order of work. */
  readonly ids: readonly string[];
  readonly each: Tally;
  readonly one: Tally;
}

/** Less than that is no reason to make one of them, min of hands. */
const WORTH_MIN = 10;

function tallyOf(plan: JobPlan, ids: ReadonlySet<string>): Tally {
  const mine = plan.repairs.filter((r) => ids.has(r.repairId));
  const passes = mine.flatMap((r) => r.passes);
  const opens = mine.map((r) => r.openMs);
  return {
    mixes: passes.reduce((n, p) => n + p.batches.length, 0),
    handsMin: passes.reduce((sum, p) => sum + p.steps.reduce((min, s) => min + s.handsOnMin, 0), 0),
    kits: plan.kits().reduce((n, k) => n + k.kits.set.total.reduce((a, b) => a + b, 0), 0),
    openMs: opens.some((ms) => ms === null) ? null : Math.max(...opens.map((ms) => ms!)),
  };
}

/** Groups of repairs that may be one, none of them begun. */
function likeGroups(repairs: readonly Repair[], begun: (id: string) => boolean): readonly (readonly Repair[])[] {
  const groups: Repair[][] = [];
  for (const repair of repairs) {
    if (begun(repair.id)) continue;
    const like = groups.find((group) => !('why' in joined([...group, repair], begun)));
    if (like) like.push(repair);
    else groups.push([repair]);
  }
  return groups.filter((group) => group.length > 1);
}

/** Whether making one of them spares something worth it, takes no more of anything, and still has a time to open. */
const gains = ({ each, one }: AsOne): boolean =>
  one.kits <= each.kits &&
  one.mixes <= each.mixes &&
  (one.kits < each.kits || one.mixes < each.mixes || one.handsMin <= each.handsMin - WORTH_MIN) &&
  !(each.openMs !== null && one.openMs === null);

/**
 * Which repairs of a job are better made one of several places, that is prepared first, mixed and placed one after the
 * other; each group tried by the whole plan.
 * @returns those that spare kits, mixes or hands; empty where none do
 */
export function asOne(ask: JobAsk): readonly AsOne[] {
  const repairs = [...ask.repairs].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
  const asIs = planJob(ask);
  const touched = new Set(
    asIs.repairs
      .filter((r) => r.passes.some((p) => p.steps.some((s) => s.doneAt !== null || s.begunAt !== null)))
      .map((r) => r.repairId),
  );
  return likeGroups(repairs, (id) => touched.has(id)).flatMap((group): readonly AsOne[] => {
    const made = joined(group, (id) => touched.has(id));
    if ('why' in made) return [];
    const gone = new Set(made.gone.map((r) => r.id));
    const plan = planJob({
      ...ask,
      repairs: repairs.flatMap((r) => (gone.has(r.id) ? [] : r.id === made.repair.id ? made.repair : r)),
    });
    const ids = group.map((r) => r.id);
    const offer = { ids, each: tallyOf(asIs, new Set(ids)), one: tallyOf(plan, new Set([made.repair.id])) };
    return gains(offer) ? [offer] : [];
  });
}
