import { methodOf } from '@/core/method';
import { inTimeOf, pieceOf, type RepairPlan, withPiece } from '@/core/plan';
import { windowsOver } from '@/core/plan/calendar';
import { freshJob } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, firstRepair, untouched, ZONE } from './made';
import { ORDINARY } from './ordinary';
import { typed } from './papers';

/**
 * What is wanted back too soon: begun when the finding says, its clock is out in time, and somebody is at work then.
 */
const NOW = at('2027-05-10T07:00');
const HOUR = 3_600_000;
const outMs = ({ milestones, serves }: RepairPlan) =>
  Math.max(...milestones.filter((m) => m.kind === serves && m.planMs !== null).map((m) => m.planMs!));

let told = 0;
let moved = 0;
const STARTS = ['2027-05-11T14:00', '2027-05-12T08:00'];
const CASES = ORDINARY.flatMap((row) => STARTS.map((start) => [row[0], start, row] as const));
test.each(CASES)('%s, planned from %s', (id, start, [, paper, dims, count]) => {
  const job = {
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC: 15, humidityPct: 60 },
  };
  const sheet = typed(paper, NOW);
  const fresh = firstRepair({ job, nowMs: NOW }, methodOf(id)!, sheet, { dims, count });
  const seen = (plannedStart: number, wantedAt: number | null) =>
    untouched(
      {
        job: { ...job, wantedAt },
        repairs: [withPiece(fresh, { ...pieceOf(fresh), plannedStart })],
        sheets: [sheet],
      },
      NOW,
    ).repairs[0]!;
  const opens = seen(at(start), null).plan.openMs!;
  const windows = windowsOver(job, NOW, opens);
  for (const soonerH of [1, 5, 12, 20]) {
    const wanted = opens - soonerH * HOUR;
    const { plan, findings } = seen(at(start), wanted);
    const inTime = inTimeOf(plan, wanted, NOW, windows);
    const todo = say(findings.find((f) => f.id === 'deadline')!.todo, { ...PLAIN_READER, zone: ZONE });
    expect(/^Begin .* earlier and its clock is out in time: begun /.test(todo)).toBe(inTime?.beginMs != null);
    if (inTime?.beginMs == null) continue;
    told++;
    expect(inTime.beginMs).toBeGreaterThanOrEqual(NOW);
    expect(windows.some((w) => w.fromMs <= inTime.beginMs! && inTime.beginMs! < w.toMs)).toBe(true);
    expect(inTime.soonerMin).toBeCloseTo((plan.steps[0]!.startMs - inTime.beginMs) / 60_000, 6);
    // A day before where the hours of its own day would not do.
    if (inTime.soonerMin > soonerH * 60 + 30) moved++;
    const again = seen(inTime.beginMs, wanted).plan;
    expect(again.steps[0]!.startMs).toBe(inTime.beginMs);
    expect(outMs(again)).toBeLessThanOrEqual(wanted + 60_000);
  }
});
test('some were told, and some of them the day before', () => {
  expect(told).toBeGreaterThan(40);
  expect(moved).toBeGreaterThan(20);
});
