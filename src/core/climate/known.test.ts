import fc from 'fast-check';
import { knownBase } from './base';
import { knownOfRows, rowsOfKnown } from './known';
import { valueAt } from './series';

const H = 3_600_000;
const rowsOf = fc
  .uniqueArray(
    fc.record({ atMs: fc.integer({ min: 0, max: 400 }).map((h) => h * H), tempC: fc.integer({ min: -20, max: 60 }) }),
    {
      selector: (r) => r.atMs,
      minLength: 1,
      maxLength: 12,
    },
  )
  .map((rows) => [...rows].sort((a, b) => a.atMs - b.atMs));

test('steps come back as the rows that were typed, and hold until the next', () => {
  fc.assert(
    fc.property(rowsOf, (rows) => {
      const known = knownOfRows({ between: 'steps', rows });
      expect(rowsOfKnown(known)).toEqual({ between: 'steps', rows });
      // Rows out of order are put in it.
      expect(knownOfRows({ between: 'steps', rows: [...rows].reverse() })).toEqual(known);
    }),
  );
});
test('what goes evenly comes back as it was, unless it could be steps', () => {
  const rows = [
    { atMs: 0, tempC: 11 },
    { atMs: 4 * H, tempC: 8 },
    { atMs: 9 * H, tempC: 10 },
  ];
  expect(rowsOfKnown(knownOfRows({ between: 'evenly', rows }))).toEqual({ between: 'evenly', rows });
  expect(rowsOfKnown([])).toEqual({ between: 'evenly', rows: [] });
});
test('the base is told so: a step at its minute, an even way in its middle', () => {
  const air = { times: Float64Array.of(0, 20 * H), values: Float64Array.of(15, 15) };
  const at = (between: 'steps' | 'evenly', ms: number) =>
    valueAt(
      knownBase(
        air,
        knownOfRows({
          between,
          rows: [
            { atMs: 0, tempC: 11 },
            { atMs: 8 * H, tempC: 8 },
          ],
        }),
      ),
      ms,
    );
  expect(at('steps', 8 * H - 60_000)).toBeCloseTo(11, 6);
  expect(at('steps', 8 * H + 60_000)).toBeCloseTo(8, 6);
  expect(at('evenly', 4 * H)).toBeCloseTo(9.5, 6);
  expect(at('steps', 15 * H)).toBeCloseTo(8, 6);
});
