import fc from 'fast-check';
import { across, down, drawing, rect } from '@/core/void/draw';
import { roomForPasses } from './DrawingParts';
import { fitOf, marginsOf, PAD } from './drawing-fit';

const NONE = { left: 0, top: 0 };
const box = (width: number, height: number, names: readonly string[]) =>
  drawing(
    'box',
    [
      { role: 'base', points: rect(-width, 0, width, height) },
      { role: 'void', points: rect(-width / 2, 0, width / 2, height / 2) },
      ...names.map((label, i) => ({
        role: i === 0 ? ('already' as const) : ('later' as const),
        label,
        points: rect(-width / 2, 0, width / 2, height / 4),
      })),
    ],
    [across('width', -width / 2, width / 2, -height / 10, 'width')],
  );

test('names of passes take their room at the left where there is some, above where they are listed, none where there are none', () => {
  const { outlines } = box(100, 50, ['Tack', 'Barrier coat']);
  // “Barrier coat, comes over it” is 27 letters.
  expect(roomForPasses(outlines, false)).toEqual({ left: 27 * 6.6, top: 0 });
  expect(roomForPasses(outlines, true)).toEqual({ left: 0, top: 40 });
  expect(roomForPasses(box(100, 50, []).outlines, false)).toEqual(NONE);
  expect(roomForPasses(box(100, 50, []).outlines, true)).toEqual(NONE);
});

test('an upright dimension beyond the drawing has room for its words, one within has not', () => {
  const at = (x: number, small = false) =>
    marginsOf(drawing('box', box(100, 50, []).outlines, [down('height', 0, 50, x, 'height')]), {
      small,
      free: 0,
      passes: NONE,
    });
  expect(at(-120).left).toBe(PAD.left + 86);
  expect(at(-40)).toEqual(PAD);
  expect(at(-120, true).left - at(-40, true).left).toBe(80);
  expect(at(120, true).right - at(-40, true).right).toBe(80);
});

test('a bare drawing keeps no room for words at all', () => {
  const plan = box(100, 50, ['Tack']);
  const bare = marginsOf(plan, { bare: true, free: 90, passes: roomForPasses(plan.outlines, true) });
  expect(Math.max(...Object.values(bare))).toBeLessThan(PAD.bottom);
});

test('law: whatever is listed above a drawing ends before its uppermost line and the words over that', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 20, max: 4000 }),
      fc.integer({ min: 5, max: 900 }),
      fc.uniqueArray(fc.constantFrom('Tack', 'Build', 'Fair', 'Barrier', 'Colour'), { maxLength: 4 }),
      (width, height, names) => {
        const plan = box(width, height, names);
        const passes = roomForPasses(plan.outlines, true);
        const { k, oy } = fitOf(plan, 360, 300 + passes.top, marginsOf(plan, { free: 0, passes }));
        // The list begins at 34 px, 20 px for each; figures of 13 px stand 9 px over their line.
        const uppermost = oy - (height / 10) * k;
        expect(uppermost - 9 - 13).toBeGreaterThanOrEqual(names.length ? 34 + 20 * names.length - 10 - 1e-6 : 0);
      },
    ),
  );
});
