import fc from 'fast-check';
import { Refusal } from '../say';
import { cheapestKits, type KitNeed, type KitOffer, minimalCovers, sharedKits } from '.';

/** Every way of giving each need up to `most` of each kit; the cheapest, by looking at all. */
function exhaustive(needs: readonly KitNeed[], offers: readonly KitOffer[]): number {
  const most = offers.map((o) => Math.ceil(Math.max(...needs.map((n) => n.ml)) / o.volumeMl));
  const vectors = most.reduce<number[][]>(
    (all, m) => all.flatMap((v) => Array.from({ length: m + 1 }, (_, n) => [...v, n])),
    [[]],
  );
  let best = Number.POSITIVE_INFINITY;
  const walk = (i: number, total: readonly number[]): void => {
    if (i === needs.length) {
      const cost = total.reduce((s, n, k) => s + Math.max(0, n - offers[k]!.inStock) * offers[k]!.price!, 0);
      best = Math.min(best, cost);
      return;
    }
    for (const v of vectors)
      if (v.reduce((s, n, k) => s + n * offers[k]!.volumeMl, 0) >= needs[i]!.ml - 1e-9)
        walk(
          i + 1,
          total.map((t, k) => t + v[k]!),
        );
  };
  walk(
    0,
    offers.map(() => 0),
  );
  return best;
}

const offer = (id: string, volumeMl: number, price: number | null, inStock = 0): KitOffer => ({
  id,
  volumeMl,
  price,
  inStock,
});
const cases = fc.record({
  needs: fc.array(fc.integer({ min: 20, max: 500 }), { minLength: 1, maxLength: 3 }),
  offers: fc.array(
    fc.tuple(fc.integer({ min: 170, max: 700 }), fc.integer({ min: 1, max: 60 }), fc.integer({ min: 0, max: 3 })),
    {
      minLength: 1,
      maxLength: 3,
    },
  ),
});

test('the cheapest set is what exhaustive search finds, with and without stock', () => {
  fc.assert(
    fc.property(cases, ({ needs, offers }) => {
      const o = offers.map(([v, p, s], i) => offer(`k${i}`, v, p, s));
      const n = needs.map((ml, i) => ({ id: `n${i}`, ml }));
      const found = cheapestKits(n, o);
      expect(found.exact).toBe(true);
      expect(found.cost).toBeCloseTo(exhaustive(n, o), 9);
      // Each need is really covered, and the counts add up.
      for (const [i, c] of found.counts.entries())
        expect(c.reduce((s, x, k) => s + x * o[k]!.volumeMl, 0)).toBeGreaterThanOrEqual(n[i]!.ml - 1e-9);
      for (const [k, t] of found.total.entries()) expect(t).toBe(found.counts.reduce((s, c) => s + c[k]!, 0));
    }),
    { numRuns: 60 },
  );
});

test('by hand: one and a bit here and half there is three kits when they cannot share, two when they can', () => {
  const kits = [offer('450', 450, 41)];
  const far = [
    { id: 'a', ml: 500, fromMs: 0, untilMs: 20 * 60_000 },
    { id: 'b', ml: 220, fromMs: 90 * 60_000, untilMs: 100 * 60_000 },
  ];
  expect(sharedKits(far, kits, 45 * 60_000, 5000).set.total).toEqual([3]);
  const near = [far[0]!, { ...far[1]!, fromMs: 22 * 60_000, untilMs: 35 * 60_000 }];
  const shared = sharedKits(near, kits, 45 * 60_000, 5000);
  expect(shared.set.total).toEqual([2]);
  expect(shared.groups).toEqual([['a', 'b']]);
  expect(shared.set.leftMl).toBeCloseTo(180, 9);
  // A pot that holds no more than 600 mL keeps them apart again.
  expect(sharedKits(near, kits, 45 * 60_000, 600).set.total).toEqual([3]);
});

test('one kit serves four cavities that lie inside its pot life', () => {
  const four = [0, 8, 16, 24].map((m, i) => ({ id: `c${i}`, ml: 100, fromMs: m * 60_000, untilMs: (m + 6) * 60_000 }));
  const shared = sharedKits(four, [offer('pair', 430, 41)], 40 * 60_000, 1000);
  expect(shared.groups).toEqual([['c0', 'c1', 'c2', 'c3']]);
  expect(shared.set.total).toEqual([1]);
});

test('the row is cut where it is cheapest, checked against every way of cutting it', () => {
  const at = (i: number) => i * 12 * 60_000;
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 50, max: 260 }), { minLength: 2, maxLength: 4 }), (mls) => {
      const needs = mls.map((ml, i) => ({ id: `n${i}`, ml, fromMs: at(i), untilMs: at(i) + 10 * 60_000 }));
      const kits = [offer('s', 300, 20), offer('l', 800, 45)];
      const life = 35 * 60_000;
      let best = Number.POSITIVE_INFINITY;
      for (let cut = 0; cut < 2 ** (mls.length - 1); cut++) {
        const groups: (typeof needs)[] = [[needs[0]!]];
        for (let i = 1; i < needs.length; i++) {
          if (cut & (1 << (i - 1))) groups.push([needs[i]!]);
          else groups.at(-1)!.push(needs[i]!);
        }
        if (groups.some((g) => g.at(-1)!.untilMs - g[0]!.fromMs > life)) continue;
        best = Math.min(
          best,
          exhaustive(
            groups.map((g) => ({ id: '', ml: g.reduce((s, n) => s + n.ml, 0) })),
            kits,
          ),
        );
      }
      expect(sharedKits(needs, kits, life, 1e9).set.cost).toBeCloseTo(best, 9);
    }),
    { numRuns: 20 },
  );
});

test('where one price is missing nothing is compared in money: the set that makes least is taken', () => {
  fc.assert(
    fc.property(cases, fc.integer({ min: 0, max: 2 }), ({ needs, offers }, without) => {
      const o = offers.map(([v, p], i) => offer(`k${i}`, v, i === without % offers.length ? null : p));
      const n = needs.map((ml, i) => ({ id: `n${i}`, ml }));
      // What the kits hold stands for their price in the naive search.
      const best = exhaustive(
        n,
        o.map((k) => ({ ...k, price: k.volumeMl })),
      );
      expect(cheapestKits(n, o).total.reduce((s, c, i) => s + c * o[i]!.volumeMl, 0)).toBeCloseTo(best, 9);
    }),
  );
  // A can at 20 whose neighbour has no price is not dearer than 5 litres.
  const [small, large] = [offer('small', 400, 20), offer('large', 5000, null)];
  expect(cheapestKits([{ id: 'n', ml: 350 }], [small, large]).total).toEqual([1, 0]);
});

test('minimal covers: enough, and none of them can lose a kit', () => {
  const covers = minimalCovers(1000, [450, 300]);
  expect(covers.map((c) => c.join()).sort()).toEqual(['0,4', '1,2', '2,1', '3,0']);
});

test('a kit of nothing, no kit, and a void beyond all kits are refused', () => {
  for (const run of [
    () => cheapestKits([{ id: 'a', ml: 10 }], [offer('k', 0, 1)]),
    () => cheapestKits([{ id: 'a', ml: 10 }], []),
    () => cheapestKits([{ id: 'a', ml: 1e9 }], [offer('k', 10, 1)]),
  ])
    expect(run).toThrow(Refusal);
});
