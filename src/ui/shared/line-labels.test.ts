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

test('passing over places that could be no better finds the same as looking at every one', () => {
  const box = { left: 0, right: 600, top: 0, bottom: 90 };
  const drawn = fc.record({
    middle: fc.double({ min: 10, max: 80, noNaN: true }),
    high: fc.double({ min: 0, max: 25, noNaN: true }),
    phase: fc.double({ min: 0, max: 6, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(drawn, { minLength: 1, maxLength: 4 }), (waves) => {
      const lines = waves.map((w) => wave(w.middle, w.high, w.phase));
      const width = 40;
      const taken: { left: number; right: number; top: number }[] = [];
      const naive = lines.flatMap((line, at) => {
        let best: { x: number; foot: number; score: number } | null = null;
        for (let i = 0; i < 24; i++) {
          const x = 8 + ((600 - width - 16) * (i + 0.5)) / 24;
          const ends = [0, 0.5, 1].map((k) => yAt(line, x + width * k)!);
          const heights = lines.flatMap((l) => [0, 1, 2, 3, 4, 5, 6].map((k) => yAt(l, x + (width * k) / 6)!));
          for (const foot of [Math.min(...ends) - 4, Math.max(...ends) + 13]) {
            const top = foot - 9;
            const clear = taken.every(
              (t) => x >= t.right + 14 || x + width <= t.left - 14 || Math.abs(top - t.top) >= 14,
            );
            if (top < box.top || foot > box.bottom || !clear) continue;
            const room = Math.min(14, ...heights.map((y) => Math.max(0, top - y, y - (top + 11))));
            const far = Math.min(200, ...taken.map((t) => Math.abs((t.left + t.right) / 2 - (x + width / 2))));
            const score = room + far / 100;
            if (!best || score > best.score + 1e-9) best = { x, foot, score };
          }
        }
        if (!best) return [];
        taken.push({ left: best.x, right: best.x + width, top: best.foot - 9 });
        return [{ name: `line ${at}`, x: best.x, y: best.foot }];
      });
      expect(
        placeLabels(
          lines.map((line, i) => ({ name: `line ${i}`, line, width })),
          lines,
          box,
        ),
      ).toEqual(naive.map((n) => ({ ...n, x: expect.closeTo(n.x, 6), y: expect.closeTo(n.y, 6) })));
    }),
    { numRuns: 150 },
  );
});
