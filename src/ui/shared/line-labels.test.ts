import fc from 'fast-check';
import { type PxLine, placeLabels, yAt } from './line-labels';

const BOX = { left: 0, right: 900, top: 0, bottom: 90 };
const wave = (middle: number, high: number, phase: number): PxLine =>
  Array.from({ length: 91 }, (_, i) => [i * 10, middle + high * Math.sin(i / 7 + phase)] as const);
const flat = (y: number): PxLine => [
  [0, y],
  [900, y],
];
const labelsOf = (lines: Readonly<Record<string, PxLine>>) =>
  Object.entries(lines).map(([name, line]) => ({ name, line, width: name.length * 7 }));

/** Whether any line runs through the box of a word, looked at pixel by pixel. */
const crossed = (x: number, foot: number, width: number, lines: readonly PxLine[]) =>
  lines.some((line) => {
    for (let px = x; px <= x + width; px++) {
      const y = yAt(line, px);
      if (y !== null && y > foot - 8 && y < foot) return true;
    }
    return false;
  });

test('words lie across no line and on no other word, where there is room for them', () => {
  fc.assert(
    fc.property(
      fc.record({ a: fc.double({ min: 0, max: 6, noNaN: true }), b: fc.double({ min: 0, max: 6, noNaN: true }) }),
      ({ a, b }) => {
        const lines = { air: wave(40, 14, a), base: wave(45, 9, b), 'sheet minimum 8°': flat(62), dew: flat(84) };
        const all = Object.values(lines);
        const placed = placeLabels(labelsOf(lines), all, BOX);
        expect(placed.map((p) => p.name)).toEqual(Object.keys(lines));
        for (const [i, p] of placed.entries()) {
          const width = p.name.length * 7;
          expect([p.name, crossed(p.x, p.y, width, all)]).toEqual([p.name, false]);
          expect(p.x).toBeGreaterThanOrEqual(BOX.left);
          expect(p.x + width).toBeLessThanOrEqual(BOX.right);
          for (const other of placed.slice(i + 1)) {
            const apart = other.x > p.x + width || p.x > other.x + other.name.length * 7;
            expect(apart || Math.abs(other.y - p.y) >= 10).toBe(true);
          }
        }
      },
    ),
    { numRuns: 60 },
  );
});
test('a line that is too short for its word has none', () => {
  expect(
    placeLabels(
      [
        {
          name: 'base',
          line: [
            [0, 10],
            [20, 12],
          ],
          width: 30,
        },
      ],
      [],
      BOX,
    ),
  ).toEqual([]);
});
