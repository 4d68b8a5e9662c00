import fc from 'fast-check';
import { planJob, ribbonsOf } from '@/core/plan';
import { sampleData } from '@/sample/jobs';
import { sampleSheets } from '@/sample/systems';
import { type BandRow, bandShapes } from './band-shapes';

const NOW = Date.parse('2026-05-05T03:00:00Z');
const HOUR = 3_600_000;
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const rows: BandRow[] = bundles
  .flatMap(
    ({ job, repairs }) =>
      planJob({ job, repairs, sheets: sampleSheets, stock: [], actuals: new Map(), nowMs: NOW }).repairs,
  )
  .map((p, i) => ({
    ribbons: ribbonsOf(p),
    steps: p.steps,
    openMs: p.openMs,
    stalls: [],
    y: 100 + i * 30,
    height: 20,
  }));
const from = Math.min(...rows.flatMap((r) => r.steps.map((s) => s.startMs)));
const across = (days: number, right = 1000) => {
  const msPerPx = (days * 24 * HOUR) / right;
  return { x: (ms: number) => (ms - from) / msPerPx, msPerPx, right };
};

/** The parts of a path, each with its corners. */
const partsOf = (d: string): readonly (readonly (readonly [number, number])[])[] =>
  d
    .split('M')
    .slice(1)
    .map((part) =>
      part
        .replace('Z', '')
        .split('L')
        .map((p) => p.split(' ').map(Number) as [number, number]),
    );
const rowOf = (y: number) => rows.find((r) => y >= r.y - 0.06 && y <= r.y + r.height + 0.06);

test('one path holds all of a kind: an edge for each pass, a tick for each step, an opening for each window', () => {
  const shapes = bandShapes(rows, across(10), null);
  expect(rows.length).toBeGreaterThan(2);
  expect(partsOf(shapes.edges)).toHaveLength(rows.reduce((n, r) => n + r.ribbons.length, 0));
  expect(partsOf(shapes.work)).toHaveLength(rows.reduce((n, r) => n + r.steps.length, 0));
  expect(partsOf(shapes.openings)).toHaveLength(rows.flatMap((r) => r.ribbons.filter((x) => x.window)).length);
  expect(partsOf(shapes.opens)).toHaveLength(rows.filter((r) => r.openMs !== null).length);
  expect([shapes.feet, shapes.up, shapes.down, shapes.stalls]).toEqual(['', '', '', '']);
});

test('wherever it ends, what is drawn of a pass lies in its row and before the edge, and is a thread while it is liquid', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 200, max: 1400 }), (days, right) => {
      const { fills, edges } = bandShapes(rows, across(days, right), null);
      const wrong = [...Object.values(fills), edges].flatMap(partsOf).filter((part) => {
        const row = rowOf(part[0]![1]);
        if (!row || part.some(([x, y]) => x > right || rowOf(y) !== row)) return true;
        // As far above the middle as below it, but for a tenth of a px.
        const lean = part.reduce((sum, [, y]) => sum + y - (row.y + row.height / 2), 0);
        return Math.abs(lean) > 0.1 * part.length;
      });
      expect(wrong).toEqual([]);
      for (const part of partsOf(fills.liquid!)) expect(part[0]![1] - part.at(-1)![1]).toBeCloseTo(4, 0);
    }),
  );
});

test('a barrier stands up where the reopening is met, to the minute, and lies across where it is not or nobody knows', () => {
  const [row] = rows as [BandRow];
  const drawn = (openMs: number | null, wantedAt: number) => {
    const { feet, up, down } = bandShapes([{ ...row, openMs }], across(10), wantedAt);
    return { feet: partsOf(feet).length, up: partsOf(up).length, down: partsOf(down)[0] };
  };
  const open = from + 50 * HOUR;
  expect(drawn(open, open)).toEqual({ feet: 1, up: 1, down: undefined });
  expect(drawn(open, open - 3 * HOUR)).toMatchObject({ feet: 1, up: 0 });
  // It lies as far as it is late, and never so short that it is not seen.
  const { x } = across(10);
  expect(drawn(open, open - 40 * HOUR).down![1]![0]).toBeCloseTo(x(open), 0);
  expect(drawn(open, open - HOUR).down![1]![0]).toBeCloseTo(x(open - HOUR) + 26, 0);
  expect(drawn(null, open).down![1]![0]).toBe(1000);
  // Beyond the edge there is none.
  expect(drawn(open, from + 300 * HOUR)).toEqual({ feet: 0, up: 0, down: undefined });
});

test('a clock that stands is marked at both ends of each night', () => {
  const stalls = [0, 24].map((h) => ({ fromMs: from + h * HOUR, toMs: from + (h + 6) * HOUR }));
  const marks = partsOf(bandShapes([{ ...rows[0]!, stalls }], across(10), null).stalls);
  const { x } = across(10);
  expect(marks.map(([top]) => top![0])).toEqual(
    [0, 6, 24, 30].map((h) => expect.closeTo(x(from + h * HOUR), 1) as number),
  );
});
