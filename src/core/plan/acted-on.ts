import { type MilestoneId, milestoneKind } from '../system';
import type { MilestoneTime } from './milestone-times';
import type { RepairPlan } from './repair-plan';

/** Milestones that a step of its own pass waits for or is bound to. */
const ownOf = ({ steps, untimed }: RepairPlan): readonly (MilestoneId | undefined)[] =>
  [...steps, ...untimed].flatMap((s) => [s.waitFor?.kind, s.eveOf?.kind, s.within?.kind]);

/** Milestones of the pass below that a step goes by. */
const belowOf = ({ steps, untimed }: RepairPlan): readonly (MilestoneId | null | undefined)[] =>
  [...steps, ...untimed].flatMap((s) => [s.gate?.from, s.gate?.until]);

/**
 * Whether anybody of a repair acts on a clock of one of its passes: of a sheet that prints when the next layer may go
 * on, that decides nothing where there is none.
 * @param passes of the repair, in the order they are worked
 */
export function actedOn(passes: readonly RepairPlan[], { kind, passId }: MilestoneTime): boolean {
  if (!milestoneKind(kind).ofLayers) return true;
  const at = passes.findIndex((p) => p.passId === passId);
  const [mine, above] = [passes[at], passes[at + 1]];
  return (
    mine?.serves === kind ||
    (mine ? ownOf(mine).includes(kind) : false) ||
    (above ? belowOf(above).includes(kind) : false)
  );
}
