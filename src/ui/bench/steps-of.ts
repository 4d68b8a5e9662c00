import type { PlannedStep, RepairPlan } from '@/core/plan';

/** The steps of a batch in which it is mixed and stands. */
export function stepsOf(
  plan: RepairPlan,
  batch: number,
): { mixStep: PlannedStep | undefined; standStep: PlannedStep | undefined } {
  const mixStep = plan.steps.find((s) => s.batch === batch && s.marks?.begin?.includes('mix-begins'));
  return {
    mixStep,
    standStep: plan.steps.find((s) => s.batch === batch && s.marks?.end?.includes('stand-ends') && s !== mixStep),
  };
}
