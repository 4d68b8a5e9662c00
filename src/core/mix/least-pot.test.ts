import fc from 'fast-check';
import { plainWords } from '@/words';
import { mortarSheet, pasteSheet } from '../../sample/systems';
import { attempt, plain } from '../say';
import type { SheetRevision } from '../system';
import { amounts, FOR_RATIO, type MixAsk } from '.';
import { ask } from './ask.testing';

/** Little of it, weighed out of its kit. */
const little = (sheet: SheetRevision, over: Partial<MixAsk> = {}): MixAsk =>
  ask(sheet, {
    kit: { ...sheet.kits[0]!, splittable: true },
    netMl: 40,
    p90Ml: 42,
    p95Ml: 43,
    reserve: false,
    ...over,
  });
const massOf = (b: { readonly massG: Readonly<Record<string, number>> }) =>
  Object.values(b.massG).reduce((sum, g) => sum + g, 0);

test('a small pot is filled up to what can be measured out, and what is over goes nowhere', () => {
  const [plainly, filled] = [little(pasteSheet), little(pasteSheet, { leastG: 200 })].map((a) => amounts(a));
  expect(massOf(plainly!.batches[0]!)).toBeLessThan(200);
  const [batch] = filled!.batches;
  expect(massOf(batch!)).toBeCloseTo(200, 6);
  expect(batch!.massG.B / batch!.massG.A).toBeCloseTo(plainly!.batches[0]!.massG.B / plainly!.batches[0]!.massG.A, 9);
  expect(batch!.placedMl).toBe(plainly!.batches[0]!.placedMl);
  const line = filled!.lines.find((l) => l.id === FOR_RATIO)!;
  expect([line.lost, line.ml]).toEqual([true, expect.closeTo(filled!.toMixMl - plainly!.toMixMl, 9)]);
});

test('a pot that holds as much already is left as it is, and so are whole kits', () => {
  for (const over of [{ leastG: 20 }, { leastG: 2000, split: 'whole' as const, kit: pasteSheet.kits[0]! }]) {
    const { leastG: _, ...without } = over;
    const [had, has] = [little(pasteSheet, without), little(pasteSheet, over)].map((a) => amounts(a));
    expect([has!.toMixMl, has!.lines.length]).toEqual([had!.toMixMl, had!.lines.length]);
  }
});

test('less than the least cannot be the most: that is said, with both figures', () => {
  const tried = attempt(() => amounts(little(pasteSheet, { leastG: 200, massCapG: 100 })));
  expect(tried.ok ? '' : plainWords(tried.problem.sentence)).toMatch(/At least 200 g in one pot, and at most 100 g/);
});

test('whatever is asked: every pot holds the least, as much is placed as before, and the sum of the lines is mixed', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(mortarSheet, pasteSheet),
      fc.double({ min: 1, max: 3000, noNaN: true }),
      fc.double({ min: 1, max: 900, noNaN: true }),
      fc.integer({ min: 1, max: 4 }),
      (sheet, netMl, leastG, n) => {
        const portions = Array.from({ length: n }, (_, i) => ({ label: plain(`${i}`), share: 1 / n }));
        const of = { netMl, p90Ml: netMl * 1.05, p95Ml: netMl * 1.07, portions };
        const [was, now] = [little(sheet, of), little(sheet, { ...of, leastG })].map((a) => amounts(a));
        const placed = (m: typeof was) => m!.batches.reduce((sum, b) => sum + b.placedMl, 0);
        expect(placed(now)).toBeCloseTo(placed(was), 6);
        for (const [i, b] of now!.batches.entries()) {
          expect(massOf(b)).toBeGreaterThanOrEqual(leastG - 1e-6);
          expect(massOf(b)).toBeCloseTo(Math.max(leastG, massOf(was!.batches[i]!)), 6);
        }
        const mixed = now!.batches.reduce((sum, b) => sum + b.ml, 0);
        expect(now!.lines.reduce((sum, l) => sum + l.ml, 0)).toBeCloseTo(mixed, 6);
        expect(now!.toMixMl).toBeCloseTo(mixed, 6);
        expect(now!.onHandMl).toBeGreaterThanOrEqual(now!.toMixMl - 1e-6);
      },
    ),
    { numRuns: 200, seed: 17 },
  );
});
