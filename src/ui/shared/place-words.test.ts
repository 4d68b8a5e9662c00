import fc from 'fast-check';
import type { Point } from '@/core/void';
import { boxOf, placeWords, type Worded } from './place-words';

const page = { size: 13, middle: [200, 150], ground: [40, 360], width: 400 } as const;
const line = (from: Point, to: Point, long = 80): Worded => ({ from, to, long });
const over = (a: readonly number[], b: readonly number[]) =>
  Math.min(a[2]!, b[2]!) - Math.max(a[0]!, b[0]!) > 1e-9 && Math.min(a[3]!, b[3]!) - Math.max(a[1]!, b[1]!) > 1e-9;

test('alone, words stand over the middle of a long level line, behind a short one, and beside an upright one', () => {
  expect(placeWords([line([100, 50], [300, 50])], page)).toEqual([{ x: 200, y: 41, anchor: 'middle', leadY: null }]);
  // Under what is measured they stand below their line, not across its edge.
  expect(placeWords([line([100, 250], [300, 250])], page)).toEqual([
    { x: 200, y: 250 + 9 + 0.8 * 13, anchor: 'middle', leadY: null },
  ]);
  expect(placeWords([line([180, 50], [210, 50])], page)).toEqual([{ x: 224, y: 54, anchor: 'start', leadY: null }]);
  expect(placeWords([line([250, 50], [250, 90], 60)], page)).toEqual([{ x: 259, y: 74, anchor: 'start', leadY: null }]);
  // Across the edge of the base they would be read badly: beyond it, with a thin line to them.
  expect(placeWords([line([330, 50], [330, 90], 28)], { ...page, width: 420 })).toEqual([
    { x: 369, y: 74, anchor: 'start', leadY: 70 },
  ]);
});

test('two level lines closer than a line of words: the second takes its own below, or behind it', () => {
  const lines = [line([100, 50], [300, 50]), line([110, 58], [290, 58])];
  const [a, b] = placeWords(lines, page);
  expect([a!.y, b!.y > 58]).toEqual([41, true]);
  expect(over(boxOf(a!, 80, 13), boxOf(b!, 80, 13))).toBe(false);
});

test('an upright line at the edge has its words on the other side rather than off the page', () => {
  const at = placeWords([line([372, 50], [372, 90], 60)], page)[0]!;
  expect([at.anchor, at.x]).toEqual(['end', 363]);
});

test('law: every word is on the page, and stands at its best place where that is free of those before it', () => {
  const point = fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 300 }));
  fc.assert(
    fc.property(
      fc.array(fc.record({ from: point, to: point, long: fc.integer({ min: 5, max: 390 }) }), { maxLength: 6 }),
      (lines) => {
        const placed = placeWords(lines, page);
        placed.forEach((at, i) => {
          const [x0, , x1] = boxOf(at, lines[i]!.long, 13);
          expect([x0 >= -1e-9, x1 <= 400 + 1e-9]).toEqual([true, true]);
          // Alone it would stand at its best place: where that is free of the others it stands there.
          const best = placeWords([lines[i]!], page)[0]!;
          const free = !placed
            .slice(0, i)
            .some((o, k) => over(boxOf(o, lines[k]!.long, 13), boxOf(best, lines[i]!.long, 13)));
          if (free) expect(at).toEqual(best);
        });
      },
    ),
  );
});
