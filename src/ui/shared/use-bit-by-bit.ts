import { startTransition, useEffect, useState } from 'react';
import { clock } from '../workspace/workspace';

/** So long at a time it is reckoned before the hand is let in, ms. */
const SLICE_MS = 8;

/**
 * What takes longer to reckon than a page may be kept waiting: begun once the page is painted, and done bit by bit.
 * What was found last stands meanwhile.
 * @param of whose it is: what was found for another is not shown
 * @param work yields wherever it may be interrupted; made anew only where what it reckons from changes
 * @returns undefined while nothing has been found yet
 */
export function useBitByBit<T>(of: string, work: () => Iterator<unknown, T>): T | undefined {
  const [found, setFound] = useState<{ readonly of: string; readonly value: T }>();
  useEffect(() => {
    let next: ReturnType<typeof setTimeout> | undefined;
    const begin = () => {
      const steps = work();
      const slice = () => {
        const until = clock.now() + SLICE_MS;
        let step = steps.next();
        while (!step.done && clock.now() < until) step = steps.next();
        if (!step.done) next = setTimeout(slice);
        else {
          const { value } = step;
          startTransition(() => setFound({ of, value }));
        }
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
  }, [of, work]);
  return found?.of === of ? found.value : undefined;
}
