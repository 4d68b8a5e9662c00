import type { Stock } from '../system';
import type { Window } from './calendar';

/** Hours in which the crew is at another job. */
export interface Away extends Window {
  readonly jobId: string;
  /** What the job is called. */
  readonly job: string;
}

/** Kits of a lot that another job takes. */
export interface Promised {
  readonly stockId: string;
  readonly take: number;
  readonly jobId: string;
  readonly job: string;
  /** When it is planned to mix the first of them. */
  readonly atMs: number;
}

/** What the jobs that go before one take of its hours and of the shelf. */
export interface JobsBefore {
  readonly away: readonly Away[];
  readonly promised: readonly Promised[];
}

export const NONE_BEFORE: JobsBefore = { away: [], promised: [] };

/**
 * The shelf as it stands for a job: less what those before it take, and with what it has fetched itself, which is still
 * its own.
 * @param fetched kits by lot
 */
export function shelfFor(
  stock: readonly Stock[],
  { promised }: JobsBefore,
  fetched: ReadonlyMap<string, number>,
): readonly Stock[] {
  if (!promised.length && !fetched.size) return stock;
  return stock.map((lot) => {
    const theirs = promised.reduce((n, p) => (p.stockId === lot.id ? n + p.take : n), 0);
    const quantity = Math.max(0, lot.quantity + (fetched.get(lot.id) ?? 0) - theirs);
    return quantity === lot.quantity ? lot : { ...lot, quantity };
  });
}
