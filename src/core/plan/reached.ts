import { isOfBatch } from '../method';
import type { Actuals } from './actuals';

/** How far a repair was worked by its record. */
export interface Reached {
  readonly begun: boolean;
  /** When a repair was last touched of which something is mixed or pressed, so that its waits run; else null. */
  readonly wetMs: number | null;
}

/** How far a repair of these passes was worked. */
export function reachedIn(passes: readonly Pick<Actuals, 'startedAt' | 'begun' | 'done'>[]): Reached {
  const touched = passes.flatMap(({ begun, done }) => [...begun, ...done]);
  const mixed = touched.some(([id]) => isOfBatch(id));
  return {
    begun: passes.some((p) => p.startedAt !== null),
    wetMs: mixed ? Math.max(...touched.map(([, atMs]) => atMs)) : null,
  };
}

/**
 * Which of two takes the hands first: what is mixed, whose waits run; then what has begun and holds its tools; what
 * nobody has touched comes last.
 */
export function byReached(a: Reached, b: Reached): number {
  const rank = ({ begun, wetMs }: Reached) => (wetMs !== null ? 0 : begun ? 1 : 2);
  return rank(a) - rank(b);
}

/** Which of several is in hand, if any: the one whose wet work was touched last; null where nothing is mixed. */
export const inHandOf = <T extends { readonly reached: Reached }>(all: readonly T[]): T | null =>
  all.reduce<T | null>((last, one) => {
    const { wetMs } = one.reached;
    return wetMs !== null && wetMs > (last?.reached.wetMs ?? Number.NEGATIVE_INFINITY) ? one : last;
  }, null);
