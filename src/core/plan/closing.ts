import type { Piece } from './repair';
import type { PlannedStep, RepairPlan } from './repair-plan';

type Placed = Pick<RepairPlan, 'steps' | 'milestones'>;

/** From when the working time counts that a step is bound to, ms. */
function countsFrom(step: PlannedStep, { steps, milestones }: Placed): number {
  const clock = milestones.find((m) => m.kind === (step.lateFor ?? step.within?.kind) && m.planMs === step.dueMs);
  // Of many batches only the clocks that somebody must act on are kept: it counts from where this one was placed.
  const placing = steps.find((s) => s.role === 'place' && s.batch !== undefined && s.batch === step.batch);
  return clock?.originMs ?? placing?.startMs ?? step.startMs;
}

/**
 * Steps with minutes of Grenko's own, from the beginning of the working time that a step is bound to until an instant:
 * quicker hands would do them in less.
 */
export function oursBefore(
  step: PlannedStep,
  untilMs: number,
  plan: Placed,
  settings: Piece['settings'],
): readonly PlannedStep[] {
  const fromMs = countsFrom(step, plan);
  return plan.steps.filter(
    (s) =>
      s.doneAt === null &&
      s.begunAt === null &&
      s.startMs >= fromMs &&
      s.endMs <= untilMs &&
      s.factors.length > 0 &&
      !s.factors.some((f) => Object.hasOwn(settings, f)),
  );
}

const lasting = (steps: readonly PlannedStep[]): number => steps.reduce((ms, s) => ms + s.endMs - s.startMs, 0);

/** Joints that have to be closed while what was spread first lives, each with the minutes of ours that it has. */
const closings = (plan: Placed, settings: Piece['settings']) =>
  plan.steps
    .filter((s) => s.role === 'close' && s.within?.kind === 'use-by' && s.dueMs !== null && s.doneAt === null)
    .map((step) => ({ step, oursMs: lasting(oursBefore(step, step.endMs, plan, settings)) }));

/** Where a joint has to be closed while what was spread first lives: how long that has to be, at the least, ms. */
export const closingMs = (plan: Placed, settings: Piece['settings']): number =>
  Math.max(0, ...closings(plan, settings).map(({ step, oursMs }) => step.endMs - countsFrom(step, plan) - oursMs));

/** The joint of a pass that closes after its working time, however quick the hands; undefined where none does. */
export const closedLate = (plan: Placed, settings: Piece['settings']): PlannedStep | undefined =>
  closings(plan, settings).find(({ step, oursMs }) => step.lateMs > 0 && oursMs <= step.lateMs)?.step;
