import type { RepairAsk } from './repair-plan';

/** Hours to begin at are told to that. */
const STEP_MS = 10 * 60_000;

/** What tells when a pass may begin. */
type Begins = Pick<RepairAsk, 'job' | 'repair' | 'actuals' | 'nowMs' | 'underWay'>;

/** When a pass was to begin: not before an hour of its own, or with its job. */
export const wantedStart = ({ job, repair }: Pick<Begins, 'job' | 'repair'>): number =>
  repair.plannedStart ?? job.startFrom;

/** An instant from which work may begin, or the one at which it did before that: it goes on from there. */
export const begunOr = (fromMs: number, { actuals }: Pick<Begins, 'actuals'>): number =>
  Math.min(fromMs, actuals.startedAt ?? fromMs);

/** Whether the hour a pass was to begin at is over and nothing of it was begun. */
export const isOverdue = (ask: Begins): boolean => ask.actuals.startedAt === null && ask.nowMs > wantedStart(ask);

/**
 * The earliest a pass begins: as wanted, but never at an hour that is over. What nobody has begun by then can only be
 * begun from now on, and nothing of it has set meanwhile. Who is at work goes on to it at once; else it is told to the
 * next ten minutes.
 */
export function beginsFrom(ask: Begins): number {
  if (!isOverdue(ask)) return begunOr(wantedStart(ask), ask);
  return ask.underWay ? ask.nowMs : Math.ceil(ask.nowMs / STEP_MS) * STEP_MS;
}
