import { methodOf } from '@/core/method';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, firstRepair, ZONE } from '@/walks/made';
import { flat } from '@/walks/ordinary';
import { dosed, type Paper, typed } from '@/walks/papers';
import { NOTHING_YET, passKey, pieceOf, planJob, plannedOtherwise } from '.';

/** What is struck off again opens no bag of its own, unless somebody wants it so. */
const NOW = at('2027-05-10T07:00');
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 15, humidityPct: 60 },
};
const bag = (life: string): Paper => [
  'cement-water',
  '',
  '25 kg, 3.5 kg',
  `use-by ${life}, foot 2 h, load 6 h`,
  dosed(13, 14, 14),
];
const BAG = bag('20 min');
const planned = (deepMm: number, over: Parameters<typeof firstPlanned>[3] = {}, paper = BAG) =>
  firstPlanned({ job, nowMs: NOW }, methodOf('cement-patch')!, typed(paper, NOW), {
    dims: { ...flat(600, 400), 'depth.mean': deepMm },
    ...over,
  });
const surplus = (p: ReturnType<typeof planned>) => p.amounts.find((a) => a.label === 'surplus, struck off')!;
const shareOf = (p: ReturnType<typeof planned>) => (100 * surplus(p).ml) / p.volumeMl!.nominal;

test('twelve litres are filled out of one bag of twelve and three quarters, with less struck off', () => {
  const p = planned(50);
  expect(p.kits).toMatchObject({ use: 1, buy: 1 });
  expect(p.kits!.leftMl).toBeGreaterThanOrEqual(0);
  expect(shareOf(p)).toBeGreaterThanOrEqual(4);
  expect(shareOf(p)).toBeLessThan(8);
  // The share is told as it is taken, and is no word of anybody’s.
  expect(surplus(p).expression).toBe(`${shareOf(p).toFixed(1)} % of the void`);
  expect(surplus(p).voice).not.toBe('chosen');
});

test('the bag goes in whole, and what is struck off goes into a void that is larger than was measured', () => {
  const p = planned(50, {}, bag('40 min'));
  const [batch, ...more] = p.batches;
  expect(more).toEqual([]);
  expect(batch).toMatchObject({ packs: 1, massG: { A: expect.closeTo(25_000, 6), B: expect.closeTo(3500, 6) } });
  expect(p.kits!.leftMl).toBeCloseTo(0, 6);
  const { nominal, p95 } = p.volumeMl!;
  expect(p95).toBeGreaterThan(nominal);
  // Of the larger void half of what is usual is struck off still.
  expect(surplus(p).ml - (p95 - nominal)).toBeGreaterThanOrEqual(0.04 * nominal);
  // Where that would not be so a second bag is at hand for it, and only one is mixed.
  const wider = planned(50.5);
  expect(wider.kits).toMatchObject({ use: 1, buy: 2 });
});

test('where the whole bag goes into one pot, what two would have kept goes in as well', () => {
  // With all of the surplus it is two bags in three pots; as one bag the pace of ours gives way to it.
  const p = planned(50, {}, bag('23 min'));
  expect(p.batches).toMatchObject([{ packs: 1, massG: { A: expect.closeTo(25_000, 6) } }]);
  expect(p.kits!.leftMl).toBeCloseTo(0, 6);
});

test('dregs are not weighed out and carried home: all of the bag goes in, with a little more struck off', () => {
  const p = planned(49);
  expect(p.kits).toMatchObject({ use: 1, buy: 1 });
  expect(p.kits!.leftMl).toBeCloseTo(0, 6);
  expect(shareOf(p)).toBeLessThan(12);
  const kept = planned(45);
  expect(kept.kits!.leftMl).toBeGreaterThan(500);
  expect(shareOf(kept)).toBeCloseTo(8, 6);
});

test('whatever the depth: whole bags, or more than dregs left of the last, and never a surplus nobody would strike off', () => {
  const bagMl = planned(50).batches.reduce((sum, b) => sum + b.ml, 0);
  let filled = 0;
  for (let deepMm = 20; deepMm <= 160; deepMm += 1.5) {
    const p = planned(deepMm);
    const bags = p.batches.reduce((sum, b) => sum + b.massG.A!, 0) / 25_000;
    const leftMl = (Math.ceil(bags - 1e-9) - bags) * bagMl;
    // Dregs are left only where nobody would mix once more for them.
    const once = leftMl > 1e-3 && leftMl <= 0.05 * bagMl ? planned(deepMm + 3).batches.length : 0;
    expect([deepMm, leftMl < 1e-3 || leftMl > 0.05 * bagMl || once > p.batches.length]).toEqual([deepMm, true]);
    expect(shareOf(p)).toBeGreaterThanOrEqual(4 - 1e-9);
    expect(shareOf(p)).toBeLessThanOrEqual(12 + 1e-9);
    if (leftMl < 1e-3) filled++;
  }
  expect(filled).toBeGreaterThan(10);
});

test('where half of it is not enough the second bag is opened, with all of the usual surplus', () => {
  const p = planned(52);
  expect(p.kits).toMatchObject({ use: 2 });
  expect(shareOf(p)).toBeCloseTo(8, 6);
});

test('where one bag does with all of it, nothing changes', () => {
  const p = planned(40);
  expect(p.kits).toMatchObject({ use: 1 });
  expect(shareOf(p)).toBeCloseTo(8, 6);
});

test('a surplus that somebody chose stays, whatever it opens', () => {
  const p = planned(50, { over: { settings: { over: 8 } } });
  expect(p.kits).toMatchObject({ use: 2 });
  expect(shareOf(p)).toBeCloseTo(8, 6);
});

test('of any depth no more bags are opened than with half the surplus, none fewer than without it', () => {
  let spared = 0;
  for (let deepMm = 20; deepMm <= 200; deepMm += 6) {
    const of = (over?: number) => planned(deepMm, over === undefined ? {} : { over: { settings: { over } } }).kits!.use;
    const [ours, all, half, none] = [of(), of(8), of(4), of(0)];
    expect(ours).toBeLessThanOrEqual(all);
    expect(ours).toBeGreaterThanOrEqual(none);
    if (half < all) {
      spared++;
      expect(ours).toBeLessThan(all);
    }
  }
  expect(spared).toBeGreaterThan(2);
});

test('work that was begun before keeps its two bags', () => {
  const plan = (madeWith: string) => {
    const sheet = typed(BAG, NOW);
    const method = methodOf('cement-patch')!;
    const dims = { ...flat(600, 400), 'depth.mean': 50 };
    const repair = firstRepair({ job, nowMs: NOW }, method, sheet, { dims });
    const actuals = new Map([[passKey(pieceOf(repair)), { ...NOTHING_YET, startedAt: NOW, madeWith }]]);
    const [made] = planJob({ job, repairs: [repair], sheets: [sheet], stock: [], actuals, nowMs: NOW }).repairs;
    return { use: made!.mix!.kits.use, share: made!.context!.settings.over };
  };
  expect(plan('0.42.0')).toEqual({ use: 2, share: 8 });
  // Then it was planned to a tenth of a per cent, and 24.9 kg of the bag were weighed.
  expect(plan('0.43.0')).toEqual({ use: 1, share: expect.closeTo(4.8, 1) });
  expect(plan('0.44.0')).toEqual({ use: 1, share: expect.closeTo(5.1, 1) });
});

test('what is planned otherwise is told of what gives way alone: a pace, a surplus, and no figure of another kind', () => {
  const method = methodOf('cement-patch')!;
  const sheet = typed(BAG, NOW);
  const plan = (settings: Readonly<Record<string, number>>) => {
    const repair = firstRepair({ job, nowMs: NOW }, method, sheet, {
      dims: { ...flat(600, 400), 'depth.mean': 50 },
      over: { settings },
    });
    const [made] = planJob({
      job,
      repairs: [repair],
      sheets: [sheet],
      stock: [],
      actuals: new Map(),
      nowMs: NOW,
    }).repairs;
    return (id: string, usual: number) => plannedOtherwise(made!, pieceOf(repair), id, usual);
  };
  const ours = plan({});
  expect(ours('over', 8)).toBeCloseTo(5.1, 1);
  expect(plan({ over: 8 })('over', 8)).toBeNull();
  // A figure that is worked out elsewhere, and so stands otherwise in the settings, is not one that gave way.
  for (const { id } of method.settings.filter((s) => s.id !== 'over' && s.id !== 'rate'))
    expect([id, ours(id, 12_345)]).toEqual([id, null]);
});
