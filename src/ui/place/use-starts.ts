import { startTransition, useEffect, useState } from 'react';
import { type Starts, type StartsAsk, startsAsked, startWindows } from '@/core/plan';

/** So long at a time it is reckoned before the hand is let in, ms. */
const SLICE_MS = 8;

export interface FoundStarts {
  readonly ask: StartsAsk;
  readonly starts: Starts;
}

/**
 * A week of starts. Laying out the plan from each of them takes longer than the stage itself: it is begun once that is
 * painted, and done bit by bit; what was found last stands meanwhile.
 * @param asked what is asked, null where nothing is to be begun any more; made anew only where it changes
 * @returns undefined while nothing has been found yet
 */
export function useStarts(asked: () => StartsAsk | null): FoundStarts | null | undefined {
  const [found, setFound] = useState<FoundStarts | null | undefined>(undefined);
  useEffect(() => {
    let next: ReturnType<typeof setTimeout> | undefined;
    const begin = () => {
      const ask = asked();
      if (!ask) return setFound(null);
      const todo = ask.opensFrom ? startsAsked(ask) : [];
      let at = 0;
      const slice = () => {
        const until = performance.now() + SLICE_MS;
        while (at < todo.length && performance.now() < until) ask.opensFrom?.(todo[at++]!);
        if (at < todo.length) next = setTimeout(slice);
        else startTransition(() => setFound({ ask, starts: startWindows(ask) }));
      };
      slice();
    };
    const frame = requestAnimationFrame(() => {
      next = setTimeout(begin);
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(next);
    };
  }, [asked]);
  return found;
}
