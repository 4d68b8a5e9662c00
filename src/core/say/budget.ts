import type { Value } from './message';
import { refuse } from './refusal';
import { texts } from './texts';

const BUDGET = texts('budget', {
  over: '{too} would take longer to work out than anybody waits: check the figure.',
  stopped: 'It was stopped before it was worked out.',
});

/**
 * What a computation may cost, and whether it is still wanted. What cannot be bounded by its input is bounded by this.
 */
export interface Budget {
  /** Turns of its innermost loop. */
  readonly turns: number;
  /** Stops it from outside. */
  readonly signal?: AbortSignal | undefined;
}

/**
 * Counts turns against a budget.
 * @param field the input that is too large when they run out
 * @param too what is too much, for the sentence: “This many lifts”
 * @returns a function to be called with the turns just taken. @throws Refusal when they run out or nobody wants the
 *   answer any more
 * @example const spend = meter({ turns: 1000 }, 'kits', 'These kits'); for (const k of kits) spend();
 */
export function meter({ turns, signal }: Budget, field: string, too: Value): (taken?: number) => void {
  let left = turns;
  return (taken = 1) => {
    left -= taken;
    if (left < 0) refuse(field, turns, `up to ${turns} steps of computing`, BUDGET.over({ too }));
    if (signal?.aborted) refuse('stopped', null, 'being left to finish', BUDGET.stopped());
  };
}
