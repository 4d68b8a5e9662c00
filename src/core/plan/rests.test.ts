import fc from 'fast-check';
import { sampleData } from '@/sample/jobs';
import { viewJob } from '../record';
import { pieceOf, Rest, restsOf, undisturbed } from '.';

const NOW = Date.parse('2027-04-12T05:00:00Z');
const MIN = 60_000;
const HOUR = 60 * MIN;
const winch = sampleData(NOW, 'Europe/Helsinki').bundles.find((b) => b.job.id === 'sample-winch')!;
const view = viewJob(winch, NOW);
const repair = winch.repairs.find((r) => r.id === 'sample-plate')!;
const { plan } = view.repairs.find((r) => r.draft.id === repair.id)!.passes[0]!;
const origin = undisturbed(plan)!.originMs!;

test('rests are part of a repair, and one that ends before it begins is refused', () => {
  expect(pieceOf(repair).rests).toEqual([]);
  expect(restsOf(plan, [])).toEqual([]);
  expect(Rest.safeParse({ fromMs: 2, untilMs: 3, costs: '' }).success).toBe(true);
  for (const untilMs of [2, 1]) expect(Rest.safeParse({ fromMs: 2, untilMs, costs: '' }).success).toBe(false);
});

test('the latest moment it may be closed is where minute by minute the answer turns', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 40 }), (before, long) => {
      const rest: Rest = { fromMs: origin + before * HOUR, untilMs: origin + (before + long) * HOUR, costs: '' };
      const [fit] = restsOf(plan, [rest]);
      // The naive way: every minute of the rest is tried as one that begins there.
      const holds = (fromMs: number) => {
        const [f] = restsOf(plan, [{ ...rest, fromMs }]);
        return f!.doneMs !== null && f!.doneMs <= rest.untilMs;
      };
      let last: number | null = null;
      for (let ms = rest.fromMs; ms < rest.untilMs && holds(ms); ms += MIN) last = ms;
      expect(fit!.latestMs).toBe(last);
    }),
    { numRuns: 40 },
  );
});

test('how far it is grows with the rest, is whole where it holds, and never more', () => {
  let before = 0;
  for (let h = 1; h <= 40; h++) {
    const [fit] = restsOf(plan, [{ fromMs: origin, untilMs: origin + h * HOUR, costs: '' }]);
    expect(fit!.planned).toBe(true);
    const held = fit!.doneMs !== null && fit!.doneMs <= fit!.rest.untilMs;
    if (held) expect(fit!.share).toBe(1);
    else expect(fit!.share!).toBeLessThan(1);
    expect(fit!.share!).toBeGreaterThanOrEqual(before);
    before = fit!.share!;
  }
  expect(before).toBe(1);
});
