import fc from 'fast-check';
import { across, down, drawing, rect } from '@/core/void/draw';
import { listsPasses, roomForPasses } from './DrawingParts';
import { fitOf, marginsOf, PAD, pageIn } from './drawing-fit';
import { LETTER, wordsBeside } from './label-place';

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

test('names of passes take their room at the left, above where they are listed, none where there are none', () => {
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

const upright = (x: number) => drawing('box', box(100, 50, []).outlines, [down('height', 0, 50, x, 'height')]);

test('an upright dimension at an edge of the void has room for its words, one within it asks for none', () => {
  const at = (x: number, over: Partial<Parameters<typeof marginsOf>[1]> = {}) =>
    marginsOf(upright(x), { free: 0, passes: NONE, ...over });
  // “height” and a figure of eight letters, of 13 px three fifths wide each.
  const words = 15 * 13 * 0.6 + 9;
  expect(at(-120).left).toBeCloseTo(PAD.left + words, 9);
  expect(at(120).right).toBeCloseTo(words + 10, 9);
  expect(at(-40)).toEqual(PAD);
  expect(at(-120, { small: true }).left - at(-40, { small: true }).left).toBeCloseTo(15 * 11 * 0.6 + 9, 9);
  expect(at(120, { small: true }).right - at(-40, { small: true }).right).toBeCloseTo(15 * 11 * 0.6 + 9, 9);
});

test('what stands beside a drawing keeps its room, and a name at the edge its own', () => {
  expect(marginsOf(upright(-40), { free: 252, passes: NONE }).right).toBe(282);
  // A level line with its name reaches out over the edge of what is drawn.
  const named = box(100, 50, []).outlines.map((o) => (o.role === 'void' ? { ...o, label: 'level wanted' } : o));
  expect(marginsOf(drawing('box', named, []), { free: 0, passes: NONE }).right).toBe(90);
});

test('law: the words of an upright dimension end on the page, before what stands beside it, whatever they say', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 100, max: 160 }),
      fc.string({ minLength: 1, maxLength: 24 }),
      fc.constantFrom(0, 252),
      fc.integer({ min: 700, max: 1600 }),
      fc.integer({ min: 150, max: 700 }),
      (x, words, free, width, height) => {
        const plan = upright(x);
        const says = () => words;
        const { k, ox } = fitOf(plan, width, height, marginsOf(plan, { free, passes: NONE, says }));
        const long = words.length * 13 * LETTER;
        const ground = [ox - 100 * k, ox + 100 * k] as const;
        const at = wordsBeside({ x: ox + x * k, left: false, long, ground, width: width - free });
        expect(at + long).toBeLessThanOrEqual(width - free);
      },
    ),
  );
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
