import fc from 'fast-check';
import { across, down, drawing, rect } from '@/core/void/draw';
import { listsPasses, roomForPasses } from './DrawingParts';
import { fitOf, marginsOf, PAD, pageIn } from './drawing-fit';

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

test('long names of passes stand in a list above, so that beside the drawing they never leave it small', () => {
  const short = box(100, 50, ['Tack', 'Fair']).outlines;
  const long = box(100, 50, ['First pour', 'Second pour, ring seated']).outlines;
  expect([listsPasses(short, 790), listsPasses(long, 790), listsPasses(long, 1500)]).toEqual([false, true, false]);
  expect([listsPasses(short, 360), listsPasses(box(100, 50, []).outlines, 790)]).toEqual([true, false]);
});

test('an upright dimension beyond the drawing has room for its words, one within has not', () => {
  const at = (x: number, small = false) =>
    marginsOf(drawing('box', box(100, 50, []).outlines, [down('height', 0, 50, x, 'height')]), {
      small,
      free: 0,
      passes: NONE,
    });
  expect(at(-120).left).toBe(PAD.left + 86);
  expect(at(-40)).toEqual({ ...PAD, right: PAD.bottom });
  expect(at(120)).toEqual(PAD);
  expect(at(-120, true).left - at(-40, true).left).toBe(80);
  expect(at(120, true).right - at(-40, true).right).toBe(80);
});

test('what stands beside a drawing keeps its room, and the words of the drawing theirs before it', () => {
  const at = (x: number, over: Partial<Parameters<typeof marginsOf>[1]> = {}) =>
    marginsOf(drawing('box', box(100, 50, []).outlines, [down('height', 0, 50, x, 'height')]), {
      free: 252,
      passes: NONE,
      ...over,
    }).right;
  expect([at(-40), at(120), at(120, { narrow: true, free: 0 })]).toEqual([282, 372, 84]);
  // A level line with its name reaches out over the edge of what is drawn.
  const named = box(100, 50, []).outlines.map((o) => (o.role === 'void' ? { ...o, label: 'level wanted' } : o));
  expect(marginsOf(drawing('box', named, []), { free: 0, passes: NONE }).right).toBe(90);
});

test('law: a page is its frame, px for px, unless that is too low; then it grows in the same shape', () => {
  fc.assert(
    fc.property(fc.integer({ min: 200, max: 2000 }), fc.integer({ min: 20, max: 1200 }), (width, height) => {
      const page = pageIn({ width, height });
      expect(page.width / page.height).toBeCloseTo(width / height, 9);
      expect(page.height).toBeGreaterThanOrEqual(210 - 1e-9);
      if (height >= 210) expect(page).toEqual({ width, height });
    }),
  );
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
