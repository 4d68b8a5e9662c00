import { sampleData } from '../../sample/jobs';
import { viewJob } from '../record';
import { Refusal } from '../say';
import { NOTHING_YET } from './actuals';
import { beginsFrom, isOverdue, wantedStart } from './begins';
import { pieceOf } from './repair';

const ZONE = 'Europe/Helsinki';
const MIN = 60_000;
const DAY = 86_400_000;
const NOW = Date.UTC(2026, 4, 5, 6);
const ramp = sampleData(NOW, ZONE).bundles.find((b) => b.job.id === 'sample-ramp')!;
/** The job as nobody has begun it. */
const idle = { ...ramp, events: [], snapshots: [] };

test('an hour that is over is no hour to begin at, to the next ten minutes; one ahead stands', () => {
  const piece = pieceOf(ramp.repairs[0]!);
  const at = (nowMs: number, plannedStart: number | null = null, startedAt: number | null = null) => ({
    job: ramp.job,
    repair: { ...piece, plannedStart },
    actuals: { ...NOTHING_YET, startedAt },
    nowMs,
  });
  const { startFrom } = ramp.job;
  expect(beginsFrom(at(startFrom - DAY))).toBe(startFrom);
  expect(beginsFrom(at(startFrom))).toBe(startFrom);
  expect(beginsFrom(at(startFrom + 1))).toBe(startFrom + 10 * MIN);
  expect(beginsFrom(at(startFrom + 10 * MIN))).toBe(startFrom + 10 * MIN);
  expect(beginsFrom(at(startFrom + 25 * MIN, startFrom + DAY))).toBe(startFrom + DAY);
  expect(wantedStart(at(0, startFrom - DAY))).toBe(startFrom - DAY);
  // What is running began when it did.
  expect(isOverdue(at(startFrom + DAY, null, startFrom + MIN))).toBe(false);
  expect(beginsFrom(at(startFrom + DAY, null, startFrom + MIN))).toBe(startFrom);
  // And what was begun before it was to begin goes on from there.
  expect(beginsFrom(at(startFrom - DAY, null, startFrom - DAY))).toBe(startFrom - DAY);
  expect(beginsFrom(at(startFrom - DAY, startFrom + DAY, startFrom - DAY))).toBe(startFrom - DAY);
});

test.each([0, 1, 3, 17, 95])(
  '%d days after it was to begin nothing is done, open or planned for an hour that is over',
  (days) => {
    const nowMs = ramp.job.startFrom + days * DAY + 200 * MIN;
    const view = viewJob(idle, nowMs);
    for (const { plan, passes, findings } of view.repairs) {
      expect(plan.steps.length).toBeGreaterThan(3);
      expect(Math.min(...plan.steps.map((s) => s.startMs))).toBeGreaterThanOrEqual(nowMs);
      expect(plan.openMs ?? Number.POSITIVE_INFINITY).toBeGreaterThan(nowMs);
      for (const p of passes)
        for (const m of p.plan.milestones) if (m.planMs !== null) expect(m.planMs).toBeGreaterThan(nowMs);
      // Told where most of a day went by: that an hour of the same morning is over, everybody sees.
      expect(findings.filter((f) => f.id === 'not-begun')).toHaveLength(days > 0 ? 1 : 0);
    }
  },
);

test('a start that somebody chose and that is over is told at once, and the next hours are planned', () => {
  const chosen = ramp.job.startFrom + 2 * DAY;
  const repairs = idle.repairs.map((r, i) => (i === 0 ? { ...r, plannedStart: chosen } : r));
  const late = viewJob({ ...idle, repairs }, chosen + 40 * MIN).repairs[0]!;
  expect(late.findings.filter((f) => f.id === 'not-begun')).toHaveLength(1);
  expect(late.plan.steps[0]!.startMs).toBeGreaterThanOrEqual(chosen + 40 * MIN);
  const inTime = viewJob({ ...idle, repairs }, chosen - 40 * MIN).repairs[0]!;
  expect(inTime.findings.filter((f) => f.id === 'not-begun')).toHaveLength(0);
  expect(inTime.plan.steps[0]!.startMs).toBeGreaterThanOrEqual(chosen);
});

test('what was begun goes on, and what was done stays where it was done', () => {
  const winch = sampleData(NOW, ZONE).bundles.find((b) => b.job.id === 'sample-winch')!;
  const now = viewJob(winch, NOW).repairs[0]!;
  const later = viewJob(winch, NOW + DAY).repairs[0]!;
  const done = (v: typeof now) => v.plan.steps.filter((s) => s.doneAt !== null).map((s) => [s.id, s.startMs, s.endMs]);
  expect(done(now).length).toBeGreaterThan(2);
  expect(done(later)).toEqual(done(now));
  expect(later.findings.some((f) => f.id === 'not-begun')).toBe(false);
});

test('a forecast that ended before today is no reason to plan yesterday', () => {
  const { climate } = ramp.job;
  expect(climate.kind).not.toBe('constant');
  const tried = () => viewJob(idle, ramp.job.startFrom + 400 * DAY);
  expect(tried().repairs.every((r) => r.plan.steps.length > 3)).toBe(true);
  expect(tried).not.toThrow(Refusal);
  for (const { plan } of tried().repairs)
    for (const s of plan.steps) expect(s.startMs).toBeGreaterThanOrEqual(ramp.job.startFrom + 400 * DAY);
});

test('a file that says work began decades before its weather is planned and judged all the same', () => {
  const winch = sampleData(NOW, ZONE).bundles.find((b) => b.job.id === 'sample-winch')!;
  const long = Date.UTC(2001, 8, 9);
  const events = winch.events.map((e) => (e.body.kind === 'started' ? { ...e, at: long } : e));
  expect(events.filter((e) => e.at === long)).toHaveLength(1);
  const [view] = viewJob({ ...winch, events }, NOW).repairs;
  expect(view!.actuals.startedAt).toBe(long);
  expect(view!.findings.length).toBeGreaterThan(0);
});
