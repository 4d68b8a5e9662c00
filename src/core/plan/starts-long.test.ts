import { methodOf } from '@/core/method';
import type { SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, drawnShape, plannedFrom, ZONE } from '@/walks/made';
import { preparedFrom, startsAskOf, startWindows } from '.';
import { windowsOver } from './calendar';
import { pieceOf, withPiece } from './repair';

/** When work longer than a day may begin: by what is done before its first rest, prepared on the days before. */
const NOW = at('2027-05-10T05:00');
const DAY = 86_400_000;
const MIN = 60_000;
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };

test.each([
  ['setting-bed', 'Granite setting bed', 60, false],
  ['barrier-coat', 'Barrier coat', 60, true],
  ['setting-bed', 'Granite setting bed', 4, false],
])('%s with %s, %i places: what is called good begins where it is planned to begin', (id, name, count, apart) => {
  const method = methodOf(id)!;
  const sheet = sheets.find((s) => s.name === name)!;
  const fresh = freshRepair(job.id, id, 1, NOW);
  const repair = withPiece(fresh, {
    ...pieceOf(fresh),
    void: { ...voidOf(drawnShape(method)), count },
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
  });
  const planned = (plannedStart: number | null) =>
    plannedFrom({ job, sheets, nowMs: NOW }, repair, plannedStart).repairs[0]!;
  const mixOf = (plan: ReturnType<typeof planned>) =>
    plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!.startMs;
  const windows = windowsOver(job, NOW - DAY, NOW + 30 * DAY);
  const ask = startsAskOf(planned(null), job, windows, NOW)!;
  // A hull takes more than a day to sand; what a floor takes to lay out leaves time for its first mix.
  expect(ask.prepareApart).toBe(apart);
  const { against, fromMs, stepMs } = startWindows(ask);
  const good = [...against].flatMap((no, i) => (no === 0 ? [fromMs + i * stepMs] : []));
  expect(good.length).toBeGreaterThan(20);
  for (const ms of good.filter((_, i) => i % 7 === 0)) {
    const start = preparedFrom(ask, ms);
    expect(start).toBeGreaterThanOrEqual(NOW);
    // It is mixed at the place pointed to; later by what is set out first, and by less than half an hour where nobody
    // takes up so little of a long work at the end of a day. What was made ready the day before is mixed first thing:
    // between two places of the strip.
    const late = (mixOf(planned(start)) - ms) / MIN;
    const isEve = !windows.some((w) => w.fromMs <= start && ms <= w.toMs);
    const soonest = ask.ahead && isEve ? -stepMs / MIN : 0;
    const is = [new Date(ms).toISOString(), late >= soonest, late < 35];
    expect(is).toEqual([new Date(ms).toISOString(), true, true]);
  }
});
