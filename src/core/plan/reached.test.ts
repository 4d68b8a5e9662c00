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

test('preparing a place mixes nothing; a batch does, and is in hand until half an hour after the last of it', () => {
  expect(reachedIn([pass([], [], null)], NOW)).toEqual({ begun: false, mixed: false, atItMs: null });
  const prepared = pass([], [['prep:drill', NOW - MIN]]);
  expect(reachedIn([prepared], NOW)).toEqual({ begun: true, mixed: false, atItMs: null });
  const mixed = pass(
    [],
    [
      ['prep:drill', NOW - 90 * MIN],
      ['b1:purge', NOW - 5 * MIN],
    ],
  );
  expect(reachedIn([mixed], NOW)).toEqual({ begun: true, mixed: true, atItMs: NOW - 5 * MIN });
  expect(reachedIn([mixed], NOW + 25 * MIN).atItMs).toBe(NOW - 5 * MIN);
  expect(reachedIn([mixed], NOW + 26 * MIN).atItMs).toBeNull();
  // What is begun and not done is in hand however long it takes.
  const placing = pass([['b2:fill', NOW - 80 * MIN]], [['b1:fill', NOW - 81 * MIN]]);
  expect(reachedIn([placing], NOW).atItMs).toBe(NOW - 80 * MIN);
  // Of a chain the later pass tells as well.
  expect(reachedIn([prepared, mixed], NOW).mixed).toBe(true);
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
  mixed: fc.boolean(),
  atItMs: fc.option(fc.integer({ min: 0, max: 100 })),
});

test('what is mixed comes before what is begun, and that before what nobody has touched; else the order stays', () => {
  const rank = (r: Reached) => (r.mixed ? 2 : r.begun ? 1 : 0);
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

test('in hand is what was touched last of what somebody is at, and nothing where nobody is', () => {
  fc.assert(
    fc.property(fc.array(reached, { maxLength: 12 }), (all) => {
      const touched = all.flatMap((r) => (r.atItMs === null ? [] : [r.atItMs]));
      const found = inHandOf(all.map((r) => ({ reached: r })));
      expect(found?.reached.atItMs ?? null).toBe(touched.length ? Math.max(...touched) : null);
    }),
  );
});
