import type { MilestoneId } from '../system';
import type { RepairPlan } from './repair-plan';

/** Until when one part, or all that lies there, may still be put right. */
export interface RightUntil {
  /** Which of several like parts, from 0; null where it is all of them. */
  readonly part: number | null;
  readonly untilMs: number;
}

/**
 * Until when what was placed may still be set right, part by part: by the first of some working times that the sheet
 * has, of what has begun to count by now. What is still to be placed is not there to be set right.
 */
export function rightUntil(
  { milestones }: RepairPlan,
  kinds: readonly MilestoneId[],
  nowMs: number,
): readonly RightUntil[] {
  for (const kind of kinds) {
    const found = milestones.filter(
      (m) => m.kind === kind && m.originMs !== null && m.originMs <= nowMs && m.planMs !== null,
    );
    // Of a part that was made anew the last time counts.
    const last = new Map(found.map(({ part, planMs }) => [part, planMs!]));
    if (last.size) return [...last].map(([part, untilMs]) => ({ part, untilMs }));
  }
  return [];
}
