import type { PlannedStep } from '../plan';
import type { Event } from './event';

/** Nobody works at one thing so long without ticking: it lay overnight, or was forgotten, ms. */
const MOST_MS = 8 * 3_600_000;

/**
 * Ticks of everybody’s hands in a job, in order: what somebody did elsewhere meanwhile was not done here. @param events
 * that stand
 */
export const ticksOf = (events: readonly Event[]): readonly number[] =>
  events
    .filter(({ body }) => body.kind === 'step-done' || body.kind === 'step-begun' || body.kind === 'started')
    .map((e) => e.at)
    .sort((a, b) => a - b);

/**
 * When the hands really were at a step that is done: from its own beginning, or from the tick before it where nothing
 * kept it.
 * @returns null where that cannot be told
 */
export function handsAt(
  step: PlannedStep,
  ticks: readonly number[],
): { readonly fromMs: number; readonly toMs: number } | null {
  if (step.doneAt === null) return null;
  // What had to wait began when it liked.
  const before = step.waitFor || step.gate ? null : (ticks.findLast((t) => t < step.doneAt!) ?? null);
  const fromMs = step.begunAt ?? before;
  return fromMs === null || step.doneAt - fromMs > MOST_MS ? null : { fromMs, toMs: step.doneAt };
}
