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

/**
 * A lift on a base, in small even steps of explicit differences: nothing of the solver, its grid or its time steps.
 * @returns the highest mean temperature of the lift, °C
 */
function explicitPeak(m: Reactive, base: BaseMaterial, thicknessMm: number, roomC: number): number {
  const { k, rhoC, usualMm, usualBack } = BASE_PROPERTIES[base];
  const [up, down] = [12, 24];
  const widths = [
    ...Array<number>(up).fill(thicknessMm / 1000 / up),
    ...Array<number>(down).fill(usualMm / 1000 / down),
  ];
  const n = widths.length;
  const kOf = (i: number) => (i < up ? m.k : k);
  const cOf = (i: number) => (i < up ? m.rhoC : rhoC);
  const temp = new Float64Array(n).fill(roomC);
  const alpha = new Float64Array(up);
  const flow = new Float64Array(n + 1);
  const step = Math.min(1, ...widths.map((dx, i) => (0.3 * dx * dx * cOf(i)) / kOf(i)));
  let peak = roomC;
  for (let s = 0; s < 24 * 3600; s += step) {
    flow[0] = (roomC - temp[0]!) / (1 / 10 + widths[0]! / 2 / m.k);
    for (let i = 1; i < n; i++)
      flow[i] = (temp[i - 1]! - temp[i]!) / (widths[i - 1]! / 2 / kOf(i - 1) + widths[i]! / 2 / kOf(i));
    flow[n] = usualBack === 'air' ? (temp[n - 1]! - roomC) / (1 / 10 + widths[n - 1]! / 2 / k) : 0;
    let mean = 0;
    for (let i = 0; i < n; i++) {
      let gain = (flow[i]! - flow[i + 1]!) / widths[i]!;
      if (i < up) {
        const rate =
          m.a2 * Math.exp(-55_000 / (8.314462618 * (temp[i]! + 273.15))) * (0.05 + alpha[i]!) * (1 - alpha[i]!) ** 2;
        alpha[i]! += rate * step;
        gain += m.phi * m.liquidKgPerM3 * 360_000 * rate;
      }
      temp[i]! += (gain * step) / cOf(i);
      if (i < up) mean += temp[i]! / up;
    }
    if (mean > peak) peak = mean;
    else if (mean < peak - 2) break;
  }
  return peak;
}

const mortar = reactiveOf(mortarSheet);
const paste = reactiveOf(pasteSheet);
const run = (m: Reactive, base: BaseMaterial, thicknessMm: number, roomC = 20) =>
  liftRun(m, { thicknessMm, base, baseC: roomC, airC: roomC, startC: roomC });
const rise = (m: Reactive, base: BaseMaterial, thicknessMm: number) => run(m, base, thicknessMm).peakC! - 20;

test.each(BASES.filter((b) => b !== 'metal'))('on %s the rise is that of explicit differences, within 3 %%', (base) => {
  const naive = explicitPeak(mortar, base, 30, 20) - 20;
  expect(naive).toBeGreaterThan(2);
  expect(Math.abs(rise(mortar, base, 30) / naive - 1)).toBeLessThan(0.03);
});

test('on steel of 10 mm too, which is one temperature all through', () => {
  // The same twin with the steel as one cell: its own steps would be far below a millisecond.
  const thin = { ...BASE_PROPERTIES.metal };
  const capacity = (thin.rhoC * thin.usualMm) / 1000;
  const dx = 0.03 / 12;
  const t = new Float64Array(12).fill(20);
  const alpha = new Float64Array(12);
  let [steel, peak] = [20, 20];
  const step = Math.min(1, (0.3 * dx * dx * mortar.rhoC) / mortar.k);
  for (let s = 0; s < 12 * 3600; s += step) {
    const flow = new Float64Array(13);
    flow[0] = (20 - t[0]!) / (1 / 10 + dx / 2 / mortar.k);
    for (let i = 1; i < 12; i++) flow[i] = ((t[i - 1]! - t[i]!) * mortar.k) / dx;
    flow[12] = (t[11]! - steel) / (dx / 2 / mortar.k);
    steel += ((flow[12]! - (steel - 20) * 10) * step) / capacity;
    for (let i = 0; i < 12; i++) {
      const rate =
        mortar.a2 * Math.exp(-55_000 / (8.314462618 * (t[i]! + 273.15))) * (0.05 + alpha[i]!) * (1 - alpha[i]!) ** 2;
      alpha[i]! += rate * step;
      t[i]! +=
        ((flow[i]! - flow[i + 1]!) / dx + mortar.phi * mortar.liquidKgPerM3 * 360_000 * rate) * (step / mortar.rhoC);
    }
    peak = Math.max(peak, t.reduce((a, b) => a + b, 0) / 12);
  }
  expect(Math.abs(rise(mortar, 'metal', 30) / (peak - 20) - 1)).toBeLessThan(0.03);
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
