import type { RepairPlan } from './repair-plan';

/** What is dangerous in the work of some passes, by their methods and sheets: each said once, in their order. */
export const cautionsOf = (
  passes: readonly { readonly plan: Pick<RepairPlan, 'method' | 'sheet'> }[],
): readonly string[] => [
  ...new Set(passes.flatMap(({ plan }) => [...(plan.method?.cautions ?? []), ...(plan.sheet?.hazards ?? [])])),
];
