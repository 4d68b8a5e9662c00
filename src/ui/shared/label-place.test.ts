import fc from 'fast-check';
import { GAP, inPage, wordsBeside } from './label-place';

const at = (over: Partial<Parameters<typeof wordsBeside>[0]>) =>
  wordsBeside({ x: 100, left: false, long: 80, ground: [20, 150], width: 300, ...over });

test('words that would lie across the edge of the base stand beyond it, at either side', () => {
  expect(at({})).toBe(150 + GAP);
  expect(at({ x: 60, left: true, ground: [40, 250] })).toBe(60 - GAP);
  expect(at({ x: 160, left: true, ground: [100, 250] })).toBe(100 - GAP);
});

test('words that end before the edge, or begin behind it, stay beside their line', () => {
  expect(at({ ground: [20, 290] })).toBe(100 + GAP);
  expect(at({ ground: [20, 104] })).toBe(100 + GAP);
});

test('where the page has no room beyond the edge they stay', () => {
  expect(at({ width: 230 })).toBe(100 + GAP);
});

test('law: moved words lie clear of the ground and on the page; words that are not moved stand beside their line', () => {
  fc.assert(
    fc.property(
      fc.record({
        x: fc.integer({ min: 0, max: 400 }),
        left: fc.boolean(),
        long: fc.integer({ min: 1, max: 200 }),
        from: fc.integer({ min: 0, max: 200 }),
        to: fc.integer({ min: 201, max: 400 }),
      }),
      ({ x, left, long, from, to }) => {
        const words = wordsBeside({ x, left, long, ground: [from, to], width: 400 });
        if (words === (left ? x - GAP : x + GAP)) return;
        expect(left ? words < from && words - long >= 0 : words > to && words + long <= 400).toBe(true);
      },
    ),
  );
});

test('words over a short line stay on the page, and over a long one in its middle', () => {
  expect([inPage(20, 80, 300), inPage(150, 80, 300), inPage(290, 80, 300)]).toEqual([42, 150, 258]);
});
