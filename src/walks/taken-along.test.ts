import { isTaken, METHODS, type Method } from '@/core/method';
import { pieceOf, withPiece } from '@/core/plan';
import { pickList, viewJob } from '@/core/record';
import { isMetered, type SheetRevision } from '@/core/system';
import { type Void, voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { at, drawnShape, ZONE } from './made';

/** What goes along, of every method planned for the first time: read as a person would say it. */
const NOW = at('2027-05-10T07:00');
const shelf = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const along = (method: Method, of: Void, sheet: SheetRevision) => {
  const fresh = freshRepair(job.id, method.id, 1, NOW);
  const repair = withPiece(fresh, {
    ...pieceOf(fresh),
    void: of,
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
  });
  return pickList(viewJob({ job, repairs: [repair], sheets: [sheet], stock: [], events: [] }, NOW)).consumables.map(
    (c) => ({ ...c, said: plainWords(c.what) }),
  );
};
/** The thing itself, without what it is of, for, or does. */
const head = (said: string): string[] => said.split(/ of | for | to | as | in |,/)[0]!.split(' ');

test.each(METHODS.map((m) => [m.id, m] as const))('%s: one is called as one, several as several', (_, method) => {
  const one = voidOf(drawnShape(method));
  let counted = 0;
  const serve = shelf.filter((s) => isTaken(method, s));
  const [pot, pack] = [false, true].map((metered) => serve.find((s) => isMetered(s.kind) === metered));
  for (const sheet of [pot, pack].flatMap((s) => s ?? []))
    for (const count of [1, 7])
      for (const { said, quantity, unit } of along(method, { ...one, count }, sheet)) {
        if (unit !== '') continue;
        counted++;
        expect([said, quantity, head(said).some((word) => /[^s]s$/.test(word))]).toEqual([
          said,
          quantity,
          quantity !== 1,
        ]);
      }
  expect(counted).toBeGreaterThan(0);
});

describe('masking tape', () => {
  const method = METHODS.find((m) => m.id === 'mortar-patch')!;
  const sheet = shelf.find((s) => isTaken(method, s) && !isMetered(s.kind))!;
  const tape = (of: Void): number => along(method, of, sheet).find((c) => c.said === 'masking tape')!.quantity;
  const square = (side: number, depth = 30) =>
    drawnShape(method, { 'outline.length': side, 'outline.width': side, 'depth.mean': depth });
  const named = (...sides: number[]): Void => ({
    ...voidOf(square(sides[0]!)),
    shapes: sides.map((s) => square(s)),
    places: sides.map((_, i) => `S${i}`),
  });

  test('of a square is its sides and a tenth, up to whole metres', () => {
    expect(tape(voidOf(square(1000)))).toBe(Math.ceil(4.4));
    expect(tape(voidOf(square(3000)))).toBe(Math.ceil(13.2));
  });
  test('goes round each place by itself, not round one face as large as all of them', () => {
    // Four squares of a metre are one of two metres by their area, which has half their sides.
    expect(tape(named(1000, 1000, 1000, 1000))).toBe(Math.ceil(4 * 4.4));
    expect(tape(voidOf(square(2000)))).toBe(Math.ceil(8.8));
    expect(tape(named(3000, 1000))).toBe(Math.ceil(17.6));
    // What is one void of several shapes has one face.
    const { places: _, ...whole } = named(1000, 1000, 1000, 1000);
    expect(tape(whole)).toBe(Math.ceil(8.8));
  });
});
