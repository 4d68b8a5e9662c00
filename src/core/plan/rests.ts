import { valueAt } from '../climate';
import { paceOf, progressAlong } from '../cure';
import { attempt } from '../say';
import { clockOf, MILESTONES, type MilestoneId, milestoneKind, milestoneOf } from '../system';
import type { MilestoneTime } from './milestone-times';
import { overLast } from './over-last';
import { attemptReach, historyOf, sideOf } from './reach-try';
import type { Rest } from './repair';
import type { RepairPlan } from './repair-plan';

const MIN_MS = 60_000;

/** What one time of rest is worth to a plan. */
export interface RestFit {
  readonly rest: Rest;
  /** What is waited for in it, by its name. */
  readonly label: string;
  /** When the wait begins: as planned where that falls inside it, else with it. */
  readonly fromMs: number;
  /** When it would be over; null where the sheet gives none, or it never comes. */
  readonly doneMs: number | null;
  /** How far it is when the rest ends, 0 to 1; null where its clock cannot be followed. */
  readonly share: number | null;
  /** The latest that the wait may begin and still end inside, to the minute; null where none does. */
  readonly latestMs: number | null;
  /** Whether the wait of the plan as it is begins in it. */
  readonly planned: boolean;
}

/** Of the clocks that count already, of the kind that comes last, the one that is over last. */
function heldLast({ milestones }: RepairPlan, is: (kind: MilestoneId) => boolean): MilestoneTime | undefined {
  const counting = milestones.filter((m) => is(m.kind) && m.originMs !== null);
  return overLast(counting, counting.at(-1)?.kind);
}

/** The wait in which nobody may move it: until it holds by itself, else until what it is released at. */
export const undisturbed = (plan: RepairPlan): MilestoneTime | null =>
  heldLast(plan, (kind) => milestoneKind(kind).holdsAlone === true) ??
  heldLast(plan, (kind) => kind === plan.serves) ??
  null;

/** The last instant up to which a question that is yes at first and no later on is answered yes, to the minute. */
function lastYes(fromMs: number, untilMs: number, is: (ms: number) => boolean): number | null {
  if (!is(fromMs)) return null;
  let [yes, no] = [0, Math.ceil((untilMs - fromMs) / MIN_MS) + 1];
  while (no - yes > 1) {
    const middle = (yes + no) >> 1;
    if (is(fromMs + middle * MIN_MS)) yes = middle;
    else no = middle;
  }
  return fromMs + yes * MIN_MS;
}

/**
 * What each time of rest is worth: whether the wait that must not be disturbed ends inside, and how late it may begin.
 * By the long end of the sheet, on the base's own temperature. What begins later never ends sooner, so the latest
 * beginning is found by halving.
 */
export function restsOf(plan: RepairPlan, rests: readonly Rest[]): readonly RestFit[] {
  const wait = undisturbed(plan);
  const { sheet, thermal } = plan;
  const m = wait && sheet ? milestoneOf(sheet, wait.kind) : undefined;
  if (!wait || wait.originMs === null || !m || !sheet || !thermal) return [];
  const originMs = wait.originMs;
  const history = sideOf(historyOf(m, thermal), thermal, 'long');
  const endOf = (ms: number) => attemptReach(sheet, m, 'long', history, ms).atMs;
  const options = { label: MILESTONES[m.kind].label, cureMinC: sheet.limits.cureMinC, clock: clockOf(m) };
  const shareAt = (fromMs: number, ms: number): number | null => {
    const { times, values } = history;
    const n = times.findIndex((t) => t >= ms) + 1 || times.length;
    const upTo = { times: times.subarray(0, n), values: values.subarray(0, n) };
    const found = attempt(() => progressAlong(paceOf(m, 'long', sheet.family), upTo, fromMs, options));
    if (!found.ok) return null;
    const along = found.value;
    // Where the clock leaves the sheet on the way nobody knows how far it is.
    return along.times.at(-1)! < ms ? null : Math.min(1, valueAt(along, ms));
  };
  return rests.map((rest): RestFit => {
    const planned = originMs >= rest.fromMs && originMs < rest.untilMs;
    const fromMs = planned ? originMs : rest.fromMs;
    const doneMs = endOf(fromMs);
    const inside = (ms: number) => (endOf(ms) ?? Number.POSITIVE_INFINITY) <= rest.untilMs;
    return {
      rest,
      label: wait.label,
      fromMs,
      doneMs,
      share: doneMs !== null && doneMs <= rest.untilMs ? 1 : shareAt(fromMs, rest.untilMs),
      latestMs: lastYes(rest.fromMs, rest.untilMs, inside),
      planned,
    };
  });
}

/** Whether the wait ends before somebody moves it. */
export const holdsIn = ({ doneMs, rest }: RestFit): boolean => doneMs !== null && doneMs <= rest.untilMs;
