import type { MilestoneId } from '../system';
import type { MilestoneTime } from './milestone-times';
import type { ChainPlan, RepairPlan } from './repair-plan';

/** The later of two clocks; one that has no time is not known to be over at all. */
const later = (a: MilestoneTime, b: MilestoneTime): MilestoneTime =>
  a.planMs === null ? a : b.planMs === null || b.planMs >= a.planMs ? b : a;

/**
 * Of the clocks of one kind, of all pots and places, that which is over last. In bands it need not be that of what was
 * placed last: a warm hour overtakes a cold one.
 * @returns undefined where there is none of that kind
 */
export const overLast = (
  milestones: readonly MilestoneTime[],
  kind: MilestoneId | null | undefined,
): MilestoneTime | undefined => {
  const all = milestones.filter((m) => m.kind === kind);
  return all.length ? all.reduce(later) : undefined;
};

/** What opens a pass, or a repair of several: of the clocks they serve by that which is over last. */
export const servedLast = (plan: RepairPlan | ChainPlan): MilestoneTime | undefined => {
  const passes = 'passes' in plan ? plan.passes : [plan];
  const all = passes.flatMap((p) => overLast(p.milestones, p.serves) ?? []);
  return all.length ? all.reduce(later) : undefined;
};
