import { servedLast } from '../plan';
import type { PlannedRepair } from './bundle';

/** What may be done with a repair that was begun: nothing until the last of it has what it serves by. */
export type Touch = 'released' | 'placing' | 'leave' | 'test';

/** @returns `test` where all of its places and passes have what they serve by */
export function touchNow({ plan, actuals }: Pick<PlannedRepair, 'plan' | 'actuals'>, nowMs: number): Touch {
  if (actuals.released) return 'released';
  if (plan.placedMs === null || plan.placedMs > nowMs) return 'placing';
  const last = servedLast(plan)?.planMs ?? null;
  return last !== null && last <= nowMs ? 'test' : 'leave';
}
