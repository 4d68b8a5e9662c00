import { milestoneOf } from '../system';
import { tears } from './blocks';
import type { Window } from './calendar';
import { asker } from './reach-try';
import type { PlannedStep, RepairPlan } from './repair-plan';

const MIN_MS = 60_000;

/** What would bring a repair in by the instant it is wanted back. */
export interface InTime {
  /** So long after that its clock is out, closed hours included; 0 where the checks alone are late. */
  readonly clockShortMin: number;
  /** The latest instant its last clock may start, somebody being at work; null where no earlier start would do. */
  readonly byMs: number | null;
  /** When the work would have to begin for that, and how much earlier that is. */
  readonly beginMs: number | null;
  readonly soonerMin: number;
}

/**
 * The latest begin up to an instant at which so much work is done in one stretch of working hours; null where there is
 * none from now on.
 */
function beginBy(windows: readonly Window[], takesMs: number, nowMs: number, byMs: number): number | null {
  const last = windows.findLast((w) => {
    const begin = Math.min(byMs, w.toMs - takesMs);
    return begin >= w.fromMs && begin >= nowMs;
  });
  return last ? Math.min(byMs, last.toMs - takesMs) : null;
}

/** When the work is done that goes on without a rest from what a clock starts at. */
function endOf(steps: readonly PlannedStep[], originMs: number): number {
  const at = steps.findLastIndex((s) => s.startMs < originMs);
  const after = steps.slice(at + 1);
  const rest = after.findIndex((s) => s.block !== steps[at]?.block || tears(s));
  return Math.max(originMs, (rest < 0 ? after : after.slice(0, rest)).at(-1)?.endMs ?? originMs);
}

/**
 * How far the clock that opens a repair runs past the instant it is wanted, and by when it would have to start.
 * @param windows working hours from now until then
 * @returns null where nothing opens it, or it is in time
 */
export function inTimeOf(plan: RepairPlan, wantedMs: number, nowMs: number, windows: readonly Window[]): InTime | null {
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
  const none = { clockShortMin, byMs: null, beginMs: null, soonerMin: 0 };
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
  // Work that rests in between does not move as one.
  const endMs = endOf(steps, last.originMs!);
  if (!windows.some((w) => w.fromMs <= first.startMs && endMs <= w.toMs)) return none;
  const leadMs = last.originMs! - first.startMs;
  const beginMs = beginBy(windows, endMs - first.startMs, nowMs, good * MIN_MS - leadMs);
  if (beginMs === null) return none;
  return { clockShortMin, byMs: beginMs + leadMs, beginMs, soonerMin: (first.startMs - beginMs) / MIN_MS };
}
