import fc from 'fast-check';
import { likeBatches } from './like-batches';

const of = (A: number, B = 0, portion = 0) => ({ massG: { A, B, C: 0, D: 0 }, portion });

test('those in a row that weigh the same are one run; the same further on is another', () => {
  const [a, b, c] = [of(25_000, 3250), of(25_000, 3250), of(17_800, 2313)];
  expect(likeBatches([a, b, c, of(25_000, 3250)]).map((run) => run.length)).toEqual([2, 1, 1]);
  expect(likeBatches([])).toEqual([]);
});
test('half a per cent is told as one, more is not, and it is measured against the first of the run', () => {
  expect(likeBatches([of(1000), of(1004.9)])).toHaveLength(1);
  expect(likeBatches([of(1000), of(1005.1)])).toHaveLength(2);
  expect(likeBatches([of(1000), of(1004), of(1008)]).map((run) => run.length)).toEqual([2, 1]);
  expect(likeBatches([of(1000, 20), of(1000, 21)])).toHaveLength(2);
});
test('what is kept apart is, however alike it weighs', () => {
  const lifts = [of(10, 0, 0), of(10, 0, 0), of(10, 0, 1)];
  expect(likeBatches(lifts, (a, b) => a.portion !== b.portion).map((run) => run.length)).toEqual([2, 1]);
});
test('nothing is lost and the order stays', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 3 })), (masses) => {
      const batches = masses.map((m) => of(1000 * m));
      const runs = likeBatches(batches);
      expect(runs.flat()).toEqual(batches);
      // No two runs in a row could have been one.
      for (let i = 1; i < runs.length; i++) expect(runs[i]![0]!.massG.A).not.toBe(runs[i - 1]![0]!.massG.A);
    }),
  );
});
