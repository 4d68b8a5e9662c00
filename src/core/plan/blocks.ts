import type { StepDraft } from '../method';
import { milestoneKind } from '../system';

/** What stands in the pot meanwhile belongs to its block: nobody mixes in the evening what is placed in the morning. */
export const stands = ({ waitFor }: Pick<StepDraft, 'waitFor'>): boolean =>
  waitFor !== undefined && milestoneKind(waitFor.kind).manner === true;

/** Work that may rest is not begun for less than that: nobody wets a trowel for a quarter of an hour, ms. */
const LEAST_BEGUN_MS = 60 * 60_000;

/** Where the work may rest next after a step, before another; that other where it may not. */
export function restAfter(steps: readonly Pick<StepDraft, 'afterRest'>[], i: number, end: number): number {
  let k = i + 1;
  while (k < end && !steps[k]!.afterRest) k++;
  return k;
}

/**
 * Where work that is longer than a day rests first, once it was worth beginning.
 * @param msOf how long a step takes
 * @param byItself a step that fills days of its own: the work rests before it, however little was done
 */
export function firstRest<S extends Pick<StepDraft, 'afterRest'>>(
  steps: readonly S[],
  i: number,
  end: number,
  msOf: (step: S) => number,
  byItself: (step: S) => boolean = () => false,
): number {
  let rest = restAfter(steps, i, end);
  let ms = steps.slice(i, rest).reduce((sum, s) => sum + msOf(s), 0);
  while (rest < end && ms < LEAST_BEGUN_MS && !byItself(steps[rest]!)) {
    const next = restAfter(steps, rest, end);
    ms += steps.slice(rest, next).reduce((sum, s) => sum + msOf(s), 0);
    rest = next;
  }
  return rest;
}

/** Whether a step may come on another day than the one before it in its block: it waits, and not for a pot alone. */
export const tears = (d: Pick<StepDraft, 'waitFor'>): boolean =>
  d.waitFor !== undefined && !d.waitFor.ahead && !stands(d);
