import fc from 'fast-check';
import { methodsData, sampleData } from '../../sample/jobs';
import { isOfBatch } from '../method';
import { viewJob } from '../record';
import { NOTHING_YET } from './actuals';
import { byReached, inHandOf, type Reached, reachedIn } from './reached';

const MIN = 60_000;
const NOW = Date.UTC(2026, 4, 5, 9);
const pass = (begun: readonly [string, number][], done: readonly [string, number][], startedAt: number | null = 1) => ({
  ...NOTHING_YET,
  startedAt,
  begun: new Map(begun),
  done: new Map(done),
});

test('preparing a place mixes nothing; a batch does, in whatever pass of a chain', () => {
  expect(reachedIn([pass([], [], null)])).toEqual({ begun: false, wetMs: null });
  const prepared = pass([], [['prep:drill', NOW - MIN]]);
  expect(reachedIn([prepared])).toEqual({ begun: true, wetMs: null });
  const mixed = pass(
    [],
    [
      ['prep:drill', NOW - 90 * MIN],
      ['b1:purge', NOW - 5 * MIN],
    ],
  );
  expect(reachedIn([mixed])).toEqual({ begun: true, wetMs: NOW - 5 * MIN });
  expect(reachedIn([prepared, mixed])).toEqual({ begun: true, wetMs: NOW - MIN });
  // What is begun and not done is touched as well.
  const placing = pass([['b2:fill', NOW - 80 * MIN]], [['b1:fill', NOW - 81 * MIN]]);
  expect(reachedIn([placing]).wetMs).toBe(NOW - 80 * MIN);
});

test('every step of every method that mixes or places is told from those that prepare and finish, by its name', () => {
  let [wet, dry] = [0, 0];
  for (const of of [sampleData, methodsData])
    for (const bundle of of(NOW, 'Europe/Helsinki').bundles)
      for (const { plan } of viewJob({ ...bundle, events: [], snapshots: [] }, NOW).repairs)
        for (const s of plan.steps) {
          if (s.marks?.begin?.includes('mix-begins')) expect([s.id, isOfBatch(s.id)]).toEqual([s.id, true]);
          if (s.block === 'prep' || s.block === 'finish') expect([s.id, isOfBatch(s.id)]).toEqual([s.id, false]);
          if (isOfBatch(s.id)) wet++;
          else dry++;
        }
  expect(wet).toBeGreaterThan(60);
  expect(dry).toBeGreaterThan(60);
});

const reached = fc.record({
  begun: fc.boolean(),
  wetMs: fc.option(fc.integer({ min: 0, max: 100 })),
});

test('what is mixed comes before what is begun, and that before what nobody has touched; else the order stays', () => {
  const rank = (r: Reached) => (r.wetMs !== null ? 2 : r.begun ? 1 : 0);
  fc.assert(
    fc.property(fc.array(reached, { maxLength: 12 }), (all) => {
      const named = all.map((r, i) => ({ r, i }));
      const sorted = [...named].sort((a, b) => byReached(a.r, b.r));
      for (const [k, b] of sorted.entries()) {
        if (!k) continue;
        const a = sorted[k - 1]!;
        expect(rank(a.r)).toBeGreaterThanOrEqual(rank(b.r));
        if (rank(a.r) === rank(b.r)) expect(a.i).toBeLessThan(b.i);
      }
    }),
  );
});

test('in hand is what was touched last of what is mixed, and nothing where nothing is', () => {
  fc.assert(
    fc.property(fc.array(reached, { maxLength: 12 }), (all) => {
      const touched = all.flatMap((r) => (r.wetMs === null ? [] : [r.wetMs]));
      const found = inHandOf(all.map((r) => ({ reached: r })));
      expect(found?.reached.wetMs ?? null).toBe(touched.length ? Math.max(...touched) : null);
    }),
  );
});
