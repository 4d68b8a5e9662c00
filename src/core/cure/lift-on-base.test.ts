import fc from 'fast-check';
import { mortarSheet, pasteSheet } from '../../sample/systems';
import { BASE_PROPERTIES } from '../climate';
import { BASES, type BaseMaterial } from '../system';
import {
  emptyTable,
  liftIn,
  liftOn,
  liftRun,
  netTable,
  type Reactive,
  reactiveOf,
  TABLE_LIFTS_MM,
  TABLE_TEMPS_C,
  tableCell,
} from '.';
import { explicitPeak } from './explicit.testing';

const mortar = reactiveOf(mortarSheet);
const paste = reactiveOf(pasteSheet);
const run = (m: Reactive, base: BaseMaterial, thicknessMm: number, roomC = 20) =>
  liftRun(m, { thicknessMm, base, baseC: roomC, airC: roomC, startC: roomC });
const rise = (m: Reactive, base: BaseMaterial, thicknessMm: number) => run(m, base, thicknessMm).peakC! - 20;

test.each(BASES)('on %s the rise is that of explicit differences, within 3 %%', (base) => {
  const ask = { thicknessMm: 30, base, baseC: 20, airC: 20, startC: 20 };
  // Steel is one temperature all through: more cells of it would want steps far below a millisecond.
  const naive = explicitPeak(mortar, ask, [12, BASE_PROPERTIES[base].k > 10 ? 1 : 24]) - 20;
  expect(naive).toBeGreaterThan(2);
  expect(Math.abs(rise(mortar, base, 30) / naive - 1)).toBeLessThan(0.03);
});

test('what is freed is kept or lost on every base, within 0.5 %', () => {
  for (const base of BASES) expect(Math.abs(run(mortar, base, 25).balance - 1)).toBeLessThan(0.005);
});

test('what holds the heat in makes it hotter: timber before concrete, concrete before stone', () => {
  for (const [m, thick] of [
    [mortar, 30],
    [paste, 6],
  ] as const) {
    expect(rise(m, 'timber', thick)).toBeGreaterThan(rise(m, 'concrete', thick) * 1.2);
    expect(rise(m, 'laminate', thick)).toBeGreaterThan(rise(m, 'concrete', thick));
    expect(rise(m, 'stone', thick)).toBeLessThan(rise(m, 'concrete', thick));
  }
});

test('the table of a base is of runs on that base', () => {
  const table = netTable(pasteSheet, liftOn('timber'));
  const [row, column] = [6, 9];
  const [mm, tempC] = [TABLE_LIFTS_MM[column]!, TABLE_TEMPS_C[row]!];
  const at = row * TABLE_LIFTS_MM.length + column;
  const coarse = liftRun(paste, {
    thicknessMm: mm,
    base: 'timber',
    baseC: tempC,
    airC: tempC,
    startC: tempC,
    cells: 10,
  });
  expect(tableCell(paste, liftOn('timber'), at)).toMatchObject({ verdict: coarse.verdict, peakC: coarse.peakC });
  expect(liftIn(table, mm, tempC)!.peakC).toBeCloseTo(coarse.peakC!, 6);
  expect(tableCell(paste, liftOn('concrete'), at).peakC).not.toBe(coarse.peakC);
});

describe('a lift between the entries of its table', () => {
  const tables = { mortar: netTable(mortarSheet, liftOn('concrete')), paste: netTable(pasteSheet, liftOn('timber')) };
  test('is as hot as a run says within 6 K while it stays under 90 °C, and told as hot where it is not', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(['mortar', mortar, 'concrete'] as const, ['paste', paste, 'timber'] as const),
        fc.double({ min: Math.log(2.5), max: Math.log(60), noNaN: true }),
        fc.double({ min: 2, max: 35, noNaN: true }),
        ([name, m, base], lnMm, tempC) => {
          const mm = Math.exp(lnMm);
          const { peakC } = run(m, base, mm, tempC);
          const told = liftIn(tables[name], mm, tempC)!;
          if (peakC !== null && peakC < 60) expect((told.peakC ?? 200) - peakC).toBeGreaterThan(-6);
          if (peakC === null || peakC > 90) expect(told.peakC ?? 200).toBeGreaterThan(75);
          // Well under where it catches it is not told hot either.
          const thicker = run(m, base, mm * 1.4, tempC + 5).peakC;
          if (thicker !== null && thicker < 60) expect(told.peakC).toBeLessThan(thicker + 10);
        },
      ),
      { numRuns: 60, seed: 7 },
    );
  });
  test('never gets cooler for being thicker or warmer, and beyond the table goes on as what loses nothing', () => {
    for (const table of Object.values(tables)) {
      const hot = (mm: number, tempC: number) => liftIn(table, mm, tempC)!.peakC ?? 200;
      for (let tempC = -4; tempC < 42; tempC += 1.7)
        for (let mm = 2; mm < 240; mm *= 1.13) {
          expect(hot(mm * 1.13, tempC)).toBeGreaterThanOrEqual(hot(mm, tempC) - 0.5);
          expect(hot(mm, tempC + 1.7)).toBeGreaterThanOrEqual(hot(mm, tempC) - 0.5);
        }
    }
  });
  test('of a net that is not whole nothing is told', () => {
    expect(liftIn(emptyTable('x', liftOn('stone')), 10, 20)).toBeNull();
  });
});
