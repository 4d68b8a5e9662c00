import { planScale } from '@/core/learn/observe';
import { isTaken, METHODS } from '@/core/method';
import { pieceOf, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import { isMixedAsPlaced, type SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { draws } from './draws';
import { at, drawnShape, firstPlanned, happened, ZONE } from './made';

/**
 * A mould is built up bead by bead out of powder and liquid; anything else is pressed in, at a pace nobody had to
 * type.
 */
const NOW = at('2027-05-10T07:00');
const job = { ...freshJob(NOW), id: 'mould-job', zone: ZONE, startFrom: NOW };
const method = METHODS.find((m) => m.id === 'rebuilt-part')!;
const shelf = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet' && isTaken(method, r));
const [beaded] = shelf.filter(isMixedAsPlaced);
const pressed = shelf.filter((s) => !isMixedAsPlaced(s));
const planned = (sheet: SheetRevision, o: Parameters<typeof firstPlanned>[3] = {}) =>
  firstPlanned({ job, nowMs: NOW }, method, sheet, o);
/** A mould as it is drawn, every question answered. */
const mould = (sheet: SheetRevision, settings: Readonly<Record<string, number>> = {}) => {
  const fresh = freshRepair(job.id, method.id, 1, NOW);
  return withPiece(fresh, {
    ...pieceOf(fresh),
    void: voidOf(drawnShape(method)),
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    settings,
  });
};
const placing = (p: ReturnType<typeof planned>): number =>
  p.steps
    .filter((s) => s.id.endsWith(':place'))
    .reduce((sum, s) => sum + (Date.parse(s.to!) - Date.parse(s.from!)) / 60_000, 0);

test('a paste, a putty or a cartridge fills a tab of 4 mL in a minute or two, out of one mix', () => {
  expect(pressed.length).toBeGreaterThan(5);
  for (const sheet of pressed) {
    const p = planned(sheet);
    expect([sheet.name, p.problems]).toEqual([sheet.name, []]);
    expect([sheet.name, p.batches.length, placing(p) <= 2]).toEqual([sheet.name, 1, true]);
  }
});

test('powder and liquid are built up at 0.3 mL a minute, five beads in each', () => {
  const p = planned(beaded!);
  const placed = p.batches.reduce((sum, b) => sum + b.ml, 0) - beaded!.potLossMl;
  expect(placing(p)).toBeCloseTo(placed / 0.3, 0);
  expect(p.steps.find((s) => s.id === 'b1:place')!.title).toMatch(/^Build it up: 95 beads$/);
});

test('a pace that was typed stands, whatever is placed', () => {
  for (const d of draws(15)) {
    const rate = d.of(0.5, 4, 0.5);
    const sheet = d.odds(0.3) ? beaded! : pressed[d.of(0, pressed.length - 1, 1)]!;
    const p = planned(sheet, { over: { settings: { rate } } });
    if (!p.batches.length) {
      // What is too slow for the pot is said, and by whom.
      expect(p.problems.length).toBeGreaterThan(0);
      continue;
    }
    const usual = planned(sheet);
    const [slow, quick] = [placing(p), placing(usual)];
    const beads = isMixedAsPlaced(sheet);
    expect([sheet.name, rate, beads ? slow < quick : slow > quick]).toEqual([sheet.name, rate, true]);
  }
});

test('work begun by an earlier version goes on in the mixes it was begun with', () => {
  const filler = shelf.find((s) => s.kind === 'polyester-filler')!;
  const repair = mould(filler);
  const mixes = (coreVersion: string) => {
    const usableMin = viewJob({ job, repairs: [repair], sheets: [filler], stock: [], events: [] }, NOW).repairs[0]!.plan
      .usableMin;
    const [started] = happened(job, [['2027-05-10T07:00', { kind: 'started', snapshotId: 'kept', usableMin }]]);
    return viewJob(
      {
        job,
        repairs: [repair],
        sheets: [filler],
        stock: [],
        events: [{ ...started!, repairId: repair.id }],
        snapshots: [{ id: 'kept', repairs: [repair], coreVersion }],
      },
      NOW,
    ).repairs[0]!.plan.batches.length;
  };
  expect([mixes('0.30.0'), mixes('0.31.0')]).toEqual([5, 1]);
});

test('what is learned from compares with the pace of its own system: half of it is twice Grenko’s minutes', () => {
  const scale = (sheet: SheetRevision, rate: number | null) => {
    const repair = mould(sheet, rate === null ? {} : { rate });
    const view = viewJob({ job, repairs: [repair], sheets: [sheet], stock: [], events: [] }, NOW).repairs[0]!;
    const step = view.plan.steps.find((s) => s.id.endsWith(':place'))!;
    return planScale(method, view.passes[0]!, step);
  };
  const paste = pressed.find((s) => s.kind === 'paste')!;
  expect([scale(paste, 7.5), scale(paste, 15), scale(paste, null)]).toEqual([2, 1, 1]);
  expect([scale(beaded!, 0.15), scale(beaded!, 0.3), scale(beaded!, null)]).toEqual([2, 1, 1]);
});
