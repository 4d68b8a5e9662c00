import fc from 'fast-check';
import { plainWords } from '@/words';
import { resinSheet } from '../../sample/systems';
import { amounts, packsOf, saidShots } from '.';

const sheet = { ...resinSheet, mixer: { volumeMl: 12, purgeMl: 27, reachMm: 200, flowMl: 16 } };
const kit = { ...resinSheet.kits[0]!, yieldMl: 220 };
const pressed = (count: number, eachMl: number, stops: { after: number; minutes: number }[] = [], mixerOn = false) =>
  amounts({
    sheet,
    kit,
    netMl: count * eachMl,
    p90Ml: count * eachMl,
    p95Ml: count * eachMl,
    reserve: false,
    allowances: [],
    portions: [],
    usableMin: 8,
    rateChosen: false,
    placingMlPerMin: 100,
    crew: 1,
    massCapG: null,
    vesselMaxMl: null,
    parts: null,
    oneKitAPot: false,
    split: 'whole',
    count,
    minutesPerPlace: 1.1,
    setMin: 0.6,
    placeChosen: true,
    inRounds: true,
    stops,
    mixerOn,
    dayMin: 480,
    tubeMl: 0,
    grouping: 'one',
    purge: true,
    idleMin: 5,
  });

test('by hand: 20 holes of 14 mL from packs of 220; the second pack takes up in the middle of a round', () => {
  const r = pressed(20, 14);
  const packs = packsOf(sheet, r);
  // 280 + 39 of the mixer are 319; packs of 204: 204 and 115, with 89 left.
  expect(packs.map((p) => p.map((x) => [x.is, Math.round(x.ml)]))).toEqual([
    [
      ['flow', 16],
      ['mixer', 39],
      ['round', 56],
      ['round', 56],
      ['round', 53],
    ],
    [
      ['flow', 16],
      ['round', 3],
      ['round', 56],
      ['round', 56],
      ['left', 89],
    ],
  ]);
  expect(packs).toHaveLength(r.kits.use);
});

test('by hand, on with a mixer: nothing of the first pack is lost, of the second its flow check', () => {
  const r = pressed(16, 14, [], true);
  // 224 out of packs of 220: the first goes in whole, 4 are of the second.
  const packs = packsOf(sheet, r).map((p) => p.map((x) => [x.is, Math.round(x.ml)]));
  expect(packs[0]!.every(([is]) => is === 'round')).toBe(true);
  expect(packs[1]).toEqual([
    ['flow', 16],
    ['round', 4],
    ['left', 200],
  ]);
  expect([r.kits.use, Math.round(r.toMixMl)]).toEqual([2, 240]);
  // One hole less fits into the pack that is on.
  expect([pressed(15, 14, [], true).kits.use, pressed(15, 14, [], true).toMixMl]).toEqual([1, 210]);
});

test('law: each pack adds up to what it holds, and all that is pressed lies in some pack', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 80 }),
      fc.double({ min: 1, max: 60, noNaN: true }),
      fc.integer({ min: 1, max: 79 }),
      fc.boolean(),
      (n, each, after, mixerOn) => {
        const r = pressed(n, each, [{ after, minutes: 12 }], mixerOn);
        const packs = packsOf(sheet, r);
        expect(packs).toHaveLength(r.kits.use);
        for (const p of packs) expect(p.reduce((s, x) => s + x.ml, 0)).toBeCloseTo(220, 6);
        const used = packs.flat().reduce((s, x) => s + (x.is === 'left' ? 0 : x.ml), 0);
        expect(used).toBeCloseTo(r.toMixMl, 6);
        // A mixer is thrown away where the pause is longer than it bears, and nowhere else.
        expect(r.batches.reduce((s, b) => s + b.mixers, 0)).toBe((after < n ? 2 : 1) - (mixerOn ? 1 : 0));
        // A pack whose mixer is on was seen to flow before; every other is.
        expect(packs.filter((p) => p[0]!.is === 'flow')).toHaveLength(r.kits.use - (mixerOn ? 1 : 0));
        // Every hole is filled once, in order.
        expect(r.batches.flatMap((b) => Array.from({ length: b.places }, (_, i) => b.fromTo![0] + i))).toEqual(
          Array.from({ length: n }, (_, i) => i + 1),
        );
      },
    ),
    { numRuns: 200 },
  );
});

test('two dozen like holes take one mixer; where the sheet tells no idle time its working time holds', () => {
  expect(pressed(24, 14).batches.reduce((s, b) => s + b.mixers, 0)).toBe(1);
  const silent = amounts({ ...askOf(24), idleMin: null });
  expect(silent.batches.reduce((s, b) => s + b.mixers, 0)).toBe(1);
  expect(plainWords(silent.working.find((w) => plainWords(w.label) === 'Mixers')!.expression)).toMatch(
    /the sheet gives no idle time: its working time 8 min/,
  );
});
test('what shares a mixer lies within one day: a hundred holes of eight minutes take one a day', () => {
  const long = amounts({ ...askOf(100), minutesPerPlace: 7, setMin: 2 });
  // 480 min of a day are 68 holes of 7 min.
  expect(long.batches.filter((b) => b.mixers > 0).map((b) => b.fromTo![0])).toEqual([1, 69]);
});
test('several filled first: the mixer stands while all their rods are set', () => {
  const several = (idleMin: number) =>
    amounts({ ...askOf(21), grouping: 'several', idleMin }).batches.filter((b) => b.mixers > 0).length;
  // Seven holes in 8 min, then 7 × 0.6 = 4.2 min of standing.
  expect([several(5), several(4)]).toEqual([1, 3]);
});

const askOf = (count: number) => {
  const net = count * 14;
  return {
    sheet,
    kit,
    netMl: net,
    p90Ml: net,
    p95Ml: net,
    reserve: false,
    allowances: [],
    portions: [],
    usableMin: 8,
    rateChosen: false,
    placingMlPerMin: 100,
    crew: 1,
    massCapG: null,
    vesselMaxMl: null,
    parts: null,
    oneKitAPot: false,
    split: 'whole' as const,
    count,
    minutesPerPlace: 1.1,
    setMin: 0.6,
    placeChosen: true,
    inRounds: true,
    stops: [],
    dayMin: 480,
    tubeMl: 0,
    grouping: 'one' as const,
    purge: true,
    idleMin: 5,
  };
};

test('shots as people count them', () => {
  expect([1, 1.33, 1.56, 1.7, 1.95, 0.3, 4.05].map(saidShots)).toEqual([
    { full: 1, part: 'none' },
    { full: 1, part: 'third' },
    { full: 1, part: 'half' },
    { full: 1, part: 'two thirds' },
    { full: 2, part: 'none' },
    { full: 0, part: 'third' },
    { full: 4, part: 'none' },
  ]);
});
