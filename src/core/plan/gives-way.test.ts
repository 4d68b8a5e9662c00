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
const BAG: Paper = ['cement-water', '', '25 kg, 3.5 kg', 'use-by 20 min, foot 2 h, load 6 h', dosed(13, 14, 14)];
const planned = (deepMm: number, over: Parameters<typeof firstPlanned>[3] = {}) =>
  firstPlanned({ job, nowMs: NOW }, methodOf('cement-patch')!, typed(BAG, NOW), {
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
  expect(plan('0.43.0')).toEqual({ use: 1, share: expect.closeTo(4.8, 1) });
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
  expect(ours('over', 8)).toBeCloseTo(4.8, 1);
  expect(plan({ over: 8 })('over', 8)).toBeNull();
  // A figure that is worked out elsewhere, and so stands otherwise in the settings, is not one that gave way.
  for (const { id } of method.settings.filter((s) => s.id !== 'over' && s.id !== 'rate'))
    expect([id, ours(id, 12_345)]).toEqual([id, null]);
});
