import fc from 'fast-check';
import { near } from './near';

test('the first, the last, and those round the one that is worked', () => {
  expect(near(27, 13, 7)).toEqual([0, 11, 12, 13, 14, 15, 26]);
  expect(near(27, 0, 7)).toEqual([0, 1, 2, 3, 4, 5, 26]);
  expect(near(27, 26, 7)).toEqual([0, 21, 22, 23, 24, 25, 26]);
  expect(near(5, 2, 12)).toEqual([0, 1, 2, 3, 4]);
});
test('as many as fit, in order, each once, with the next and the last in reach', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 5, max: 14 }), fc.nat(), (count, most, any) => {
      const at = any % count;
      const shown = near(count, at, most);
      expect(shown).toHaveLength(Math.min(count, most));
      expect([...new Set(shown)].sort((a, b) => a - b)).toEqual(shown);
      for (const i of [0, at - 1, at, at + 1, count - 1]) if (i >= 0 && i < count) expect(shown).toContain(i);
    }),
  );
});
