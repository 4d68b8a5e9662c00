import { isOfBatch } from '../method';
import type { Actuals } from './actuals';

/** Who touched a wet work no longer ago than that is still at it, ms. */
const AT_IT_MS = 30 * 60_000;

/** How far a repair was worked by its record. */
export interface Reached {
  readonly begun: boolean;
  /** Something of it was mixed or pressed: its waits run. */
  readonly mixed: boolean;
  /** When the wet work was last touched that somebody is still at; null where nobody is. */
  readonly atItMs: number | null;
}

/** How far a repair of these passes was worked by an instant. */
export function reachedIn(passes: readonly Pick<Actuals, 'startedAt' | 'begun' | 'done'>[], nowMs: number): Reached {
  const touched = passes.flatMap(({ begun, done }) => [...begun, ...done]);
  const mixed = touched.some(([id]) => isOfBatch(id));
  const lastMs = Math.max(Number.NEGATIVE_INFINITY, ...touched.map(([, atMs]) => atMs));
  const open = passes.some(({ begun, done }) => [...begun.keys()].some((id) => isOfBatch(id) && !done.has(id)));
  return {
    begun: passes.some((p) => p.startedAt !== null),
    mixed,
    atItMs: mixed && (open || nowMs - lastMs <= AT_IT_MS) ? lastMs : null,
  };
}

/**
 * Which of two takes the hands first: what is mixed, whose waits run; then what has begun and holds its tools; what
 * nobody has touched comes last.
 */
export function byReached(a: Reached, b: Reached): number {
  const rank = ({ begun, mixed }: Reached) => (mixed ? 0 : begun ? 1 : 2);
  return rank(a) - rank(b);
}

/** Which of several somebody is at: the one touched last; null where nobody is at any. */
export const inHandOf = <T extends { readonly reached: Reached }>(all: readonly T[]): T | null =>
  all.reduce<T | null>((last, one) => {
    const atIt = one.reached.atItMs;
    return atIt !== null && atIt > (last?.reached.atItMs ?? Number.NEGATIVE_INFINITY) ? one : last;
  }, null);
