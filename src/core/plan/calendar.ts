import { atHour, isZone, localDays } from '../climate';
import { type Problem, refuse, texts } from '../say';
import type { Job } from './job';

const REFUSED = texts('refused.plan.calendar', {
  'not-known-time': '“{zone}” is not a known time zone.',
  'work-must-end': 'Work must end after it begins.',
  'choose-least-working': 'Choose at least one working day.',
  'no-working-time':
    'No working time is left in the planned days for this step. Widen the working hours or start earlier.',
});

/** A stretch of working time. */
export interface Window {
  readonly fromMs: number;
  readonly toMs: number;
}

/** Problems of working hours and time zone. */
export function calendarProblems(job: Pick<Job, 'zone' | 'workingHours'>): readonly Problem[] {
  const { fromHour, toHour, days } = job.workingHours;
  const out: Problem[] = [];
  if (!isZone(job.zone))
    out.push({
      field: 'zone',
      value: job.zone,
      allowed: 'an IANA time zone',
      sentence: REFUSED['not-known-time']({ zone: job.zone }),
    });
  if (!(toHour > fromHour))
    out.push({
      field: 'workingHours.toHour',
      value: toHour,
      allowed: `after ${fromHour}`,
      sentence: REFUSED['work-must-end'](),
    });
  if (!days.length)
    out.push({
      field: 'workingHours.days',
      value: days,
      allowed: 'at least one day',
      sentence: REFUSED['choose-least-working'](),
    });
  return out;
}

/** The last windows of the same hours: every repair of a job asks for the same ones. */
const lastWindows = new WeakMap<
  Job['workingHours'],
  { readonly zone: string; readonly fromMs: number; readonly toMs: number; readonly windows: readonly Window[] }
>();

/** Working windows between two instants, by the site's local clock. @throws Refusal for impossible hours */
export function windowsOver(job: Pick<Job, 'zone' | 'workingHours'>, fromMs: number, toMs: number): readonly Window[] {
  const last = lastWindows.get(job.workingHours);
  if (last && last.zone === job.zone && last.fromMs === fromMs && last.toMs === toMs) return last.windows;
  const windows = windowsAnew(job, fromMs, toMs);
  lastWindows.set(job.workingHours, { zone: job.zone, fromMs, toMs, windows });
  return windows;
}

function windowsAnew(job: Pick<Job, 'zone' | 'workingHours'>, fromMs: number, toMs: number): readonly Window[] {
  const bad = calendarProblems(job)[0];
  if (bad) refuse(bad.field, bad.value, bad.allowed, bad.sentence);
  const { fromHour, toHour, days } = job.workingHours;
  const out: Window[] = [];
  for (const day of localDays(job.zone, fromMs, toMs)) {
    if (!days.includes(day.weekday)) continue;
    const [from, to] = [atHour(day, fromHour), atHour(day, toHour)];
    const last = out.at(-1);
    // Where work goes on round the clock no day ends at midnight.
    if (last?.toMs === from) out[out.length - 1] = { fromMs: last.fromMs, toMs: to };
    else out.push({ fromMs: from, toMs: to });
  }
  return out;
}

/** The first window that is still open at an instant; windows follow each other in time. */
function firstOpen(windows: readonly Window[], atMs: number): number {
  let [low, high] = [0, windows.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (windows[mid]!.toMs <= atMs) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** Hands that are asked from when they are free for so long, ms. */
export interface FreeHands {
  readonly freeFrom: (startMs: number, needMs: number) => number;
}

/** Hands that are asked as well how long they stay free. */
export interface KnownHands extends FreeHands {
  readonly freeUntil: (startMs: number) => number;
}

/** How work lies to the end of a working day. */
export interface DayEnd {
  readonly closesMs: number;
  /** What of it lies, or would lie, past that, min. */
  readonly byMin: number;
  /** It stays; else it waits for the next day, and staying so long would have saved that. */
  readonly stayed: boolean;
}

/** More than this past the end of a day is not offered: that is no few minutes. */
const MOST_OFFERED_MIN = 60;

/**
 * Earliest start of `minutes` of hands-on work at or after `readyMs`: begun inside one working window, ended there or
 * at most `overtimeMin` past it, and clear of what the crew is already busy with. Work longer than a whole window
 * begins with a window and runs over.
 */
export function earliestSlot(
  windows: readonly Window[],
  hands: FreeHands,
  readyMs: number,
  minutes: number,
  overtimeMin = 0,
): { startMs: number; overruns: boolean; dayEnd: DayEnd | null } {
  const need = minutes * 60_000;
  let waits: DayEnd | null = null;
  for (let k = firstOpen(windows, readyMs); k < windows.length; k++) {
    const w = windows[k]!;
    const long = need > w.toMs + overtimeMin * 60_000 - w.fromMs;
    const open = Math.max(w.fromMs, readyMs);
    if (long && open > w.fromMs) continue;
    const start = hands.freeFrom(open, need);
    if (long) return { startMs: start, overruns: true, dayEnd: null };
    const byMin = (start + need - w.toMs) / 60_000;
    if (byMin <= 0) return { startMs: start, overruns: false, dayEnd: waits };
    // Nobody begins when the day is over.
    if (start >= w.toMs) continue;
    if (byMin <= overtimeMin)
      return { startMs: start, overruns: false, dayEnd: { closesMs: w.toMs, byMin, stayed: true } };
    if (byMin <= MOST_OFFERED_MIN) waits ??= { closesMs: w.toMs, byMin, stayed: false };
  }
  return refuse('workingHours', readyMs, 'working time in the horizon', REFUSED['no-working-time']());
}

/** Nobody takes up a long work for less than that at the end of a day, ms. */
const LEAST_STRETCH_MS = 30 * 60_000;

/**
 * The stretches of working time in which `needMs` of work is done that may rest at the end of each day and goes on in
 * the next hours that are free, from `readyMs` on.
 * @throws Refusal when the planned days do not hold it
 */
export function overDays(
  windows: readonly Window[],
  hands: KnownHands,
  readyMs: number,
  needMs: number,
): readonly [Window, ...Window[]] {
  const out: Window[] = [];
  let left = needMs;
  for (let k = firstOpen(windows, readyMs); k < windows.length && left > 0; k++) {
    const w = windows[k]!;
    for (let at = Math.max(w.fromMs, readyMs); left > 0; ) {
      const least = Math.min(left, LEAST_STRETCH_MS);
      at = hands.freeFrom(at, least);
      if (at + least > w.toMs) break;
      const toMs = Math.min(w.toMs, hands.freeUntil(at), at + left);
      out.push({ fromMs: at, toMs });
      left -= toMs - at;
      at = toMs;
    }
  }
  const [first, ...rest] = out;
  if (!first || left > 0)
    return refuse('workingHours', readyMs, 'working time in the horizon', REFUSED['no-working-time']());
  return [first, ...rest];
}

/** The length of the longest stretch of working time, ms. */
export const longestMs = (windows: readonly Window[]): number =>
  windows.reduce((most, w) => Math.max(most, w.toMs - w.fromMs), 0);
