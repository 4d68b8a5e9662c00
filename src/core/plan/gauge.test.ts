import fc from 'fast-check';
import { gaugeOf } from './gauge';

const DAY = 86_400_000;
const read = (...of: readonly (readonly [day: number, mm: number])[]) =>
  of.map(([day, mm]) => ({ atMs: day * DAY, mm }));

test('0.3 mm in six days has moved; 0.2 may be the calliper, and six still days are enough', () => {
  const moved = gaugeOf(read([0, 40], [3, 40.1], [6, 40.3]))!;
  expect(moved).toMatchObject({ moves: true, long: true, watchedMs: 6 * DAY, leastMm: 40, mostMm: 40.3 });
  expect(moved.movedMm).toBeCloseTo(0.3, 9);
  expect(gaugeOf(read([0, 40], [6, 40.2]))!.moves).toBe(false);
  expect(gaugeOf(read([0, 40], [1, 40]))).toMatchObject({ moves: false, long: false });
});
test('one reading tells nothing', () => {
  expect(gaugeOf([])).toBeNull();
  expect(gaugeOf(read([0, 40]))).toBeNull();
});
test('in whatever order they are written down, and no reading more makes it move less', () => {
  const reading = fc.record({
    atMs: fc.integer({ min: 0, max: 40 * DAY }),
    mm: fc.double({ min: 1, max: 200, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(reading, { minLength: 2, maxLength: 12 }), reading, (readings, more) => {
      const told = gaugeOf(readings)!;
      expect(gaugeOf([...readings].reverse())).toEqual(told);
      const after = gaugeOf([...readings, more])!;
      expect(after.movedMm).toBeGreaterThanOrEqual(told.movedMm);
      if (told.moves) expect(after.moves).toBe(true);
    }),
  );
});
