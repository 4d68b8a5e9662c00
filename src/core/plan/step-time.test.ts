import fc from 'fast-check';
import type { StepDraft } from '../method';
import { endOfStep, handMinutesBy, handsOnMs } from './step-time';

const MIN = 60_000;
const step = (handsOnMin: number, sharedMin?: number, exact = true): StepDraft =>
  ({ handsOnMin, ...(sharedMin === undefined ? {} : { sharedMin }), exact }) as StepDraft;

test('with everybody there a step takes what it was planned with, whole minutes where it is not exact', () => {
  expect(endOfStep(step(35.45, 35.45), 0, 4, [])).toBe(Math.round(35.45 * MIN));
  expect(handsOnMs(step(35.45, 35.45, false))).toBe(36 * MIN);
});
test('what is nobody’s to share takes as long with fewer', () => {
  expect(endOfStep(step(12), 0, 4, [{ atMs: MIN, left: 1 }])).toBe(12 * MIN);
  // Two minutes before the shared part, then ten hand-minutes of four become forty of one.
  expect(endOfStep(step(12, 10), 0, 4, [{ atMs: -MIN, left: 1 }])).toBe((2 + 40) * MIN);
});
test('minute by minute, a naive twin finds the same end, and no hand-minute is lost', () => {
  const leaving = fc.array(
    fc.record({ atMs: fc.integer({ min: -20, max: 200 }).map((m) => m * MIN), left: fc.integer({ min: 1, max: 6 }) }),
    {
      maxLength: 5,
    },
  );
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 90 }),
      fc.integer({ min: 0, max: 10 }),
      fc.integer({ min: 1, max: 6 }),
      leaving,
      (shared, fixed, planned, told) => {
        const hands = [...told].sort((a, b) => a.atMs - b.atMs);
        const draft = step(shared + fixed, shared);
        const end = endOfStep(draft, 0, planned, hands);
        let todo = shared * planned;
        let ms = fixed * MIN;
        // In steps of a second.
        while (todo > 1e-6) {
          const crew = hands.findLast((h) => h.atMs <= ms)?.left ?? planned;
          todo -= crew / 60;
          ms += 1000;
        }
        expect(Math.abs(end - ms)).toBeLessThanOrEqual(2000);
        expect(handMinutesBy(draft, 0, planned, hands, end)).toBeCloseTo(shared * planned, 3);
      },
    ),
    { numRuns: 60 },
  );
});
