import fc from 'fast-check';
import { crosswise } from './crosswise';

test('as they are drawn up by hand', () => {
  expect([1, 2, 3, 4, 5, 6, 8].map((n) => crosswise(n).join(' '))).toEqual([
    ...['1', '1 2', '1 2 3', '1 3 2 4', '1 3 5 2 4', '1 4 2 5 3 6', '1 5 3 7 2 6 4 8'],
  ]);
});
test('each once, and none beside the one before it where there is another way', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 64 }), (n) => {
      const order = crosswise(n);
      expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i + 1));
      if (n < 5) return;
      for (let i = 1; i < n; i++) {
        const apart = Math.abs(order[i]! - order[i - 1]!);
        expect(Math.min(apart, n - apart)).toBeGreaterThan(1);
      }
    }),
  );
});
