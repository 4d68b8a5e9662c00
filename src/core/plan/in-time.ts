import { milestoneOf } from '../system';
import { asker } from './reach-try';
import type { RepairPlan } from './repair-plan';

const MIN_MS = 60_000;

/** What would bring a repair in by the instant it is wanted back. */
export interface InTime {
  /** So long after that its clock is out, closed hours included; 0 where the checks alone are late. */
  readonly clockShortMin: number;
  /** The latest instant its last clock may start; null where no earlier start is left that would do. */
  readonly byMs: number | null;
  readonly soonerMin: number;
}

/**
 * How far the clock that opens a repair runs past the instant it is wanted, and by when it would have to start.
 * @returns null where nothing opens it, or it is in time
 */
export function inTimeOf(plan: RepairPlan, wantedMs: number, nowMs: number): InTime | null {
  const { serves, milestones, steps, thermal, openMs } = plan;
  const sheet = plan.context?.sheet ?? plan.sheet;
  if (openMs === null || openMs <= wantedMs || serves === null || !sheet || !thermal) return null;
  const last = milestones
    .filter((m) => m.kind === serves && m.planMs !== null && m.originMs !== null)
    .reduce<(typeof milestones)[number] | null>((a, b) => (a && a.planMs! >= b.planMs! ? a : b), null);
  if (!last) return null;
  // The clock may run out while nobody works: what is checked then waits for the gate.
  const checkedMs = steps.find((s) => s.role === 'test' && s.startMs >= last.planMs!)?.startMs ?? last.planMs!;
  const clockShortMin = Math.max(0, checkedMs - wantedMs) / MIN_MS;
  const none = { clockShortMin, byMs: null, soonerMin: 0 };
  const row = milestoneOf(sheet, serves);
  const first = steps.find((s) => s.doneAt === null && s.begunAt === null);
  if (!row || !first || last.originMs! <= nowMs) return none;
  const reachOf = asker(sheet, thermal);
  const inTime = (minute: number) => {
    const { atMs } = reachOf(row, 'long', minute * MIN_MS);
    return atMs !== null && atMs <= wantedMs;
  };
  // No sooner than it can be worked up to from now.
  let good = Math.ceil((nowMs + Math.max(0, last.originMs! - Math.max(nowMs, first.startMs))) / MIN_MS);
  let late = Math.floor(last.originMs! / MIN_MS);
  if (good >= late || !inTime(good) || inTime(late)) return none;
  while (late - good > 1) {
    const mid = Math.floor((good + late) / 2);
    if (inTime(mid)) good = mid;
    else late = mid;
  }
  return { clockShortMin, byMs: good * MIN_MS, soonerMin: last.originMs! / MIN_MS - good };
}
