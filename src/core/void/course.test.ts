import fc from 'fast-check';
import { courseOf } from './course';

const sizes = fc.array(fc.double({ min: 0.5, max: 50, noNaN: true }), { minLength: 1, maxLength: 8 });
const shares = fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }));

test('half of the whole, from the middle on', () => {
  expect(courseOf([3, 1], 0.5, 1)).toEqual([
    { place: 0, from: expect.closeTo(2 / 3, 9), to: 1 },
    { place: 1, from: 0, to: 1 },
  ]);
});
test('what lies on each place adds up to what was asked for, and is where filling drop by drop puts it', () => {
  fc.assert(
    fc.property(sizes, shares, (list, [a, b]) => {
      const [from, to] = [Math.min(a, b), Math.max(a, b)];
      const found = courseOf(list, from, to);
      const all = list.reduce((sum, x) => sum + x, 0);
      const amount = found.reduce((sum, s) => sum + (s.to - s.from) * list[s.place]!, 0);
      expect(amount).toBeCloseTo((to - from) * all, 6);
      // A naive twin: a hundred drops, each asked which place it falls into.
      for (let i = 0.5; i < 100; i++) {
        let left = (from + ((to - from) * i) / 100) * all;
        let place = 0;
        while (place < list.length - 1 && left > list[place]!) left -= list[place++]!;
        const here = found.find((s) => s.place === place);
        if (to - from > 1e-6) {
          expect(here).toBeDefined();
          expect(left / list[place]!).toBeGreaterThan(here!.from - 1e-6);
          expect(left / list[place]!).toBeLessThan(here!.to + 1e-6);
        }
      }
    }),
  );
});
