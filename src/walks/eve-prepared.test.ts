import { isTaken, METHODS, type Method } from '@/core/method';
import { earliestWith, preparedFrom, startSays, startsAskOf, startWindows } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstRepair, plannedFrom, ZONE } from './made';

/** A job that comes in at four: the place is made ready while somebody is there, and it is mixed in the morning. */
const NOW = at('2027-05-10T16:00');
const MIN = 60_000;
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 18, humidityPct: 50 },
};

function begun(method: Method) {
  const repair = firstRepair({ job, nowMs: NOW }, method, sheets.find((s) => isTaken(method, s))!);
  const planned = (plannedStart: number | null = null) =>
    plannedFrom({ job, sheets, nowMs: NOW }, repair, plannedStart);
  const plan = planned();
  const mixOf = (of: typeof plan) => of.repairs[0]!.steps.find((s) => s.marks?.begin?.includes('mix-begins'));
  return { plan, planned, mixOf, ask: startsAskOf(plan.repairs[0]!, job, plan.windows, NOW) };
}
const nights = (from: number, to: number) => Math.floor(to / 86_400_000) - Math.floor(from / 86_400_000);

const eves = METHODS.map((method) => ({ method, ...begun(method) })).filter(
  ({ plan, ask, mixOf }) =>
    ask?.ahead &&
    nights(plan.repairs[0]!.steps[0]!.startMs, mixOf(plan)!.startMs) === 1 &&
    ask.readyMs! < mixOf(plan)!.startMs,
);

test('some methods leave the mixing to the morning', () => {
  expect(eves.map((e) => e.method.id)).toEqual(expect.arrayContaining(['poured-collar', 'setting-bed']));
});

test.each(eves.map((e) => [e.method.id, e] as const))('%s: what the plan does, the strip calls good', (_, e) => {
  const { ask, plan, mixOf, planned } = e;
  const found = startWindows(ask!);
  const mixing = mixOf(plan)!.startMs;
  expect(startSays(found, mixing).against).toEqual([]);
  expect(earliestWith(found, mixing)).toBeLessThanOrEqual(mixing);
  // Taken by a press it is planned as it is now, to the ten minutes of the strip.
  const taken = mixOf(planned(preparedFrom(ask!, found.earliestMs!)))!.startMs;
  expect(Math.abs(taken - found.earliestMs!) / MIN).toBeLessThanOrEqual(10);
});
