import fc from 'fast-check';
import { plainWords } from '@/words';
import { mortarSheet, pasteSheet, resinSheet } from '../../sample/systems';
import { plain } from '../say';
import { kitVolumeMl, leanThreshold, proportionOf, type SheetRevision } from '../system';
import { amounts, evenly, type MixAsk, scaleErrorPct, smallestBatchAG, smallestReadG } from '.';
import { ask } from './ask.testing';

describe('composition', () => {
  test('2 : 1 by volume with 1.40 and 1.05 g/mL is 100 : 37.5 by weight', () => {
    const p = proportionOf(pasteSheet);
    expect(p.massShare.B / p.massShare.A).toBeCloseTo(1.05 / 2.8, 12);
    expect(p.densityGPerMl).toBeCloseTo((2.8 + 1.05) / 3, 12);
  });
  test('resin and sand: grains fill with resin, their bulk volume does not add', () => {
    // 100 g resin at 1.10, 40 g hardener at 1.00, 900 g sand: 130.9 + 900/2.65 = 470.5 mL; bulk 900/1.75 = 514, voids
    // 174.7 > 130.9: lean.
    const rich = proportionOf(mortarSheet);
    const liquid = 100 / 1.1 + 40 / 1.0;
    expect(rich.lean).toBe(false);
    expect((100 + 40 + 650) / rich.densityGPerMl).toBeCloseTo(liquid + 650 / 2.65, 9);
    const lean = proportionOf({ ...mortarSheet, ratio: { ...mortarSheet.ratio, cByWeight: 900 } });
    expect(lean.lean).toBe(true);
    expect((100 + 40 + 900) / lean.densityGPerMl).toBeCloseTo(900 / 1.75, 9);
  });
  test('the lean threshold is where liquid just fills the grains', () => {
    const f = leanThreshold(mortarSheet)!;
    const liquid = (100 / 1.1 + 40) * (1 - f);
    expect(liquid).toBeCloseTo(650 / 1.75 - 650 / 2.65, 9);
  });
  test('a kit makes what its scarcest part allows', () => {
    const kit = mortarSheet.kits[0]!;
    const short = { ...kit, massG: { ...kit.massG, B: kit.massG.B / 2 } };
    expect(kitVolumeMl(mortarSheet, short)).toBeCloseTo(kitVolumeMl(mortarSheet, kit) / 2, 0);
  });
});

describe('potted', () => {
  test('by hand: 1050 mL placed, 40 mL lost a batch, 20 min at 30 mL/min', () => {
    // cap 600 mL: two batches of (1050 + 80)/2 = 565 mL
    const r = amounts(ask({ ...pasteSheet, potLossMl: 40 }, { placingMlPerMin: 30 }));
    expect(r.batches.map((b) => b.ml)).toEqual([565, 565]);
    expect(r.toMixMl).toBeCloseTo(1130, 9);
    expect(r.lines.reduce((s, l) => s + l.ml, 0)).toBeCloseTo(r.toMixMl, 9);
  });
  test('a usual tub that holds all of it is not told; one that parts it, or was named, is', () => {
    const told = (over: Partial<MixAsk>) => {
      const { working, batches } = amounts(ask(pasteSheet, { placingMlPerMin: 10_000, usableMin: 100, ...over }));
      return [batches.length, working.some((l) => plainWords(l.label) === 'Largest batch')];
    };
    expect(told({ vesselMaxMl: 45_000, vesselAssumed: true })).toEqual([1, false]);
    expect(told({ vesselMaxMl: 45_000, vesselAssumed: false })).toEqual([1, true]);
    expect(told({ vesselMaxMl: 900, vesselAssumed: true })).toEqual([2, true]);
    // Where the time decides, that is told.
    expect(told({ vesselMaxMl: 45_000, vesselAssumed: true, placingMlPerMin: 30, usableMin: 60 })).toEqual([1, true]);
  });
  test('the masses of a batch add up and keep the ratio', () => {
    const b = amounts(
      ask(mortarSheet, { split: 'weighed', kit: { ...mortarSheet.kits[0]!, splittable: true }, placingMlPerMin: 1000 }),
    ).batches[0]!;
    expect(b.massG.B / b.massG.A).toBeCloseTo(0.4, 9);
    expect(b.massG.C / b.massG.A).toBeCloseTo(6.5, 9);
    expect(b.volumeMl.A + b.volumeMl.B + b.volumeMl.C).toBeCloseTo(b.ml, 6);
  });
  test('whole kits are rounded up in each portion and cannot be shared across lifts', () => {
    const kitMl = kitVolumeMl(mortarSheet, mortarSheet.kits[0]!);
    const net = 1.5 * kitMl - mortarSheet.potLossMl * 2;
    const half = ask(mortarSheet, { netMl: net, p90Ml: net, p95Ml: net, split: 'whole', placingMlPerMin: 5000 });
    expect(amounts(half).kits.use).toBe(2);
    const two = amounts({
      ...half,
      portions: [
        { label: plain('lift 1'), share: 0.7 },
        { label: plain('lift 2'), share: 0.3 },
      ],
    });
    expect(two.batches.map((b) => b.kits)).toEqual([2, 1]);
    expect(two.kits.use).toBe(3);
  });
  test('a kit too big for its pot life is refused with the way out', () => {
    expect(() => amounts(ask(mortarSheet, { split: 'whole', placingMlPerMin: 1 }))).toThrow(
      /whole kit makes 1\.15 L, one batch may have 20\.0 mL: 1 mL\/min × 20 min/,
    );
    expect(() => amounts(ask(pasteSheet, { usableMin: -2 }))).toThrow(/whole pot life/);
  });
  test('a rate of our own never forbids: it gives way to what a whole kit needs, shared by the hands there are', () => {
    const slow = (over: Partial<MixAsk>) =>
      amounts(ask(mortarSheet, { split: 'whole', placingMlPerMin: 1, rateChosen: false, ...over }));
    // 1050 mL of the kit are placed in 20 min: 52.5, said as 53.
    expect(slow({}).rateNeeded).toBe(53);
    expect(slow({}).batches.every((b) => b.kits === 1)).toBe(true);
    expect(slow({ crew: 2 }).rateNeeded).toBe(27);
    expect(slow({ placingMlPerMin: 100 }).rateNeeded).toBeNull();
    // What somebody chose besides goes on binding.
    expect(() => slow({ massCapG: 100 })).toThrow(/100 g in one pot/);
    expect(() => slow({ vesselMaxMl: 200 })).toThrow(/the vessel of 200 mL/);
  });
  test('nor does it send anybody for a further kit where the kits that are opened hold what may be wanted', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 4000 }),
        fc.double({ min: 1, max: 1.3, noNaN: true }),
        fc.integer({ min: 5, max: 200 }),
        fc.integer({ min: 1, max: 3 }),
        (netMl, doubt, placingMlPerMin, crew) => {
          const p95Ml = netMl * doubt;
          const over = { netMl, p90Ml: netMl, p95Ml, split: 'whole', placingMlPerMin, crew } as const;
          const { kits, onHandMl } = amounts(ask(mortarSheet, { ...over, rateChosen: false }));
          expect(kits.buy).toBe(Math.max(kits.use, Math.ceil(onHandMl / kits.volumeMl - 1e-9)));
        },
      ),
    );
    // Who has chosen how fast it goes cannot place the rest of it in time: it wants a pot of its own.
    const just = { netMl: 990, p90Ml: 990, p95Ml: 1030, split: 'whole', placingMlPerMin: 50 } as const;
    expect(amounts(ask(mortarSheet, { ...just, rateChosen: false })).kits).toMatchObject({ use: 1, buy: 1 });
    expect(amounts(ask(mortarSheet, just)).kits).toMatchObject({ use: 1, buy: 2 });
  });
  test('a cap of mass is held against what is in a kit, not against what the sheet says it makes', () => {
    // 5 kg in a kit that the sheet gives as 2300 mL, where its masses make 2381.
    const kit = mortarSheet.kits[1]!;
    const big = ask(mortarSheet, { kit, netMl: 6000, p90Ml: 6000, p95Ml: 6000, split: 'whole', placingMlPerMin: 5000 });
    expect(() => amounts({ ...big, massCapG: 3500 })).toThrow(/3\.50 kg in one pot, a kit is 5\.00 kg/);
    expect(Math.max(...amounts({ ...big, massCapG: 5000 }).batches.map((b) => b.kits!))).toBe(1);
    expect(Math.max(...amounts({ ...big, massCapG: 10_100 }).batches.map((b) => b.kits!))).toBe(2);
    // 2381 mL of a kit want a vessel of 3571 mL, two thirds full.
    expect(() => amounts({ ...big, vesselMaxMl: 3560 })).toThrow(/vessel of 3\.56 L/);
    expect(amounts({ ...big, vesselMaxMl: 3580 }).batches.every((b) => b.kits === 1)).toBe(true);
  });
  test('losses that grow with the batches are solved: every batch fits, and one batch fewer would not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 5000, noNaN: true }),
        fc.double({ min: 60, max: 900, noNaN: true }),
        (net, cap) => {
          const sheet = { ...pasteSheet, potLossMl: 20 };
          const r = amounts(ask(sheet, { netMl: net, p90Ml: net, p95Ml: net, usableMin: 1, placingMlPerMin: cap }));
          const n = r.batches.length;
          // What stays in the pot is mixed, and takes nobody's time to place.
          expect(Math.max(...r.batches.map((b) => b.placedMl))).toBeLessThanOrEqual(cap + 1e-6);
          expect(r.batches.every((b) => Math.abs(b.ml - b.placedMl - 20) < 1e-9)).toBe(true);
          if (n > 1) expect(net / (n - 1)).toBeGreaterThan(cap);
          // A pot that holds no more than that holds its loss, too.
          const held = amounts(
            ask(sheet, { netMl: net, p90Ml: net, p95Ml: net, usableMin: 1000, vesselMaxMl: cap * 1.5 }),
          );
          expect(Math.max(...held.batches.map((b) => b.ml))).toBeLessThanOrEqual(cap + 1e-6);
          const m = held.batches.length;
          if (m > 1) expect((net + (m - 1) * 20) / (m - 1)).toBeGreaterThan(cap);
        },
      ),
    );
  });
  test('like parts share a pot as long as the last is still taken from it in time, played out minute by minute', () => {
    fc.assert(
      fc.property(
        fc.record({
          count: fc.integer({ min: 2, max: 30 }),
          partMl: fc.integer({ min: 10, max: 200 }),
          mlPerMin: fc.integer({ min: 5, max: 60 }),
          closeMin: fc.integer({ min: 1, max: 12 }),
          usableMin: fc.integer({ min: 5, max: 60 }),
        }),
        ({ count, partMl, mlPerMin, closeMin, usableMin }) => {
          const net = count * partMl;
          const { batches } = amounts(
            ask(pasteSheet, {
              parts: { count, closeMin, called: 'part' },
              ...{ netMl: net, p90Ml: net, p95Ml: net, usableMin, placingMlPerMin: mlPerMin },
            }),
          );
          // Part after part: spread, then closed; counted while the spreading ends in time.
          let [now, played] = [0, 0];
          while (now + partMl / mlPerMin <= usableMin + 1e-9) {
            now += partMl / mlPerMin + closeMin;
            played++;
          }
          const served = batches.map(({ fromTo }) => fromTo![1] - fromTo![0] + 1);
          if (played === 0) {
            // One part takes several pots: each is served by its own, none by a part of another's.
            expect(served.every((n) => n === 1)).toBe(true);
            expect(batches.every((b) => b.placedMl / mlPerMin <= usableMin + 1e-9)).toBe(true);
          } else {
            expect(Math.max(...served)).toBeLessThanOrEqual(played);
            expect(batches).toHaveLength(Math.ceil(count / played));
            expect(Math.max(...served) - Math.min(...served)).toBeLessThanOrEqual(1);
          }
          expect(new Set(batches.flatMap(({ fromTo }) => fromTo!)).has(count)).toBe(true);
          expect(batches.reduce((sum, b) => sum + b.placedMl, 0)).toBeCloseTo(net, 6);
        },
      ),
    );
  });
});

describe('metered', () => {
  test('by hand: 8 holes of 7 mL, 3 min each in 10 min of working time', () => {
    const r = amounts(ask(resinSheet, { netMl: 56, p90Ml: 60, p95Ml: 62, count: 8, usableMin: 10, idleMin: 4 }));
    // 3 holes a round, so rounds of 3, 3, 2; the mixer stands 3 × 1 min while their rods are set: one of 4 min bears
    // it, one of 2 does not.
    expect(r.batches.map((b) => b.places)).toEqual([3, 3, 2]);
    expect(r.toMixMl).toBeCloseTo(60 + resinSheet.mixer!.volumeMl + resinSheet.mixer!.purgeMl, 9);
    const often = amounts(ask(resinSheet, { netMl: 56, p90Ml: 60, p95Ml: 62, count: 8, usableMin: 10, idleMin: 2 }));
    expect(often.toMixMl).toBeCloseTo(60 + 3 * (resinSheet.mixer!.volumeMl + resinSheet.mixer!.purgeMl), 9);
    expect(r.kits.use).toBe(1);
    expect(r.lines.reduce((s, l) => s + l.ml, 0)).toBeCloseTo(r.toMixMl, 9);
  });
  test('one hole that takes longer than the resin works is refused', () => {
    expect(() => amounts(ask(resinSheet, { count: 2, usableMin: 2 }))).toThrow(/One place takes 3 min/);
  });
  test('by hand: each pack is pressed out until both parts flow', () => {
    // 36 holes of 14.05 mL, two mixers of 12 + 27 mL with a tube of 10.05: 604 mL; packs of 220 less 16: 604 / 204 =
    // 2.96, so three.
    const sheet = { ...resinSheet, mixer: { volumeMl: 12 + 10.05, purgeMl: 27, reachMm: 200, flowMl: 16 } };
    const kit = { ...resinSheet.kits[0]!, yieldMl: 220 };
    const r = amounts(
      ask(sheet, {
        kit,
        netMl: 505.9,
        p90Ml: 505.9,
        p95Ml: 505.9,
        count: 36,
        usableMin: 100,
        idleMin: 200,
        minutesPerPlace: 1.1,
      }),
    );
    const mixers = r.batches.reduce((s, b) => s + b.mixers, 0);
    const pressed = 505.9 + mixers * 49.05;
    const packs = Math.ceil(pressed / (r.kits.volumeMl - 16));
    expect(r.kits.use).toBe(packs);
    expect(r.toMixMl).toBeCloseTo(pressed + packs * 16, 9);
    expect(r.lines.find((l) => l.id === 'flow')).toMatchObject({ ml: packs * 16 });
    expect(r.lines.reduce((s, l) => s + l.ml, 0)).toBeCloseTo(r.toMixMl, 9);
    expect(() => amounts(ask({ ...sheet, mixer: { ...sheet.mixer, flowMl: 5000 } }, { kit }))).toThrow(
      /leaves nothing of a pack/,
    );
  });
  test('what stays in a mixer is a word of the sheet only where that prints it', () => {
    const voices = (sheet: SheetRevision) =>
      Object.fromEntries(amounts(ask(sheet, { tubeMl: 5 })).lines.map((l) => [l.id, l.voice]));
    expect(voices(resinSheet)).toMatchObject({ purge: 'sheet', mixer: 'sheet', tube: 'computed' });
    const silent = (...estimated: SheetRevision['estimated']) => voices({ ...resinSheet, estimated });
    expect(silent('mixerPurge')).toMatchObject({ purge: 'assumed', mixer: 'sheet' });
    expect(silent('mixerVolume')).toMatchObject({ purge: 'sheet', mixer: 'assumed' });
  });

  test('first shots used: no purge line', () => {
    expect(amounts(ask(resinSheet, { purge: false })).lines.some((l) => l.id === 'purge')).toBe(false);
  });
});

describe('ratio at the bench', () => {
  test('a ±1 g scale on 6 g of hardener is about 17 %', () => {
    expect(scaleErrorPct(600, 6, 2)).toBeCloseTo(16.9, 1);
    expect(scaleErrorPct(0.4, 0.2, 1)).toBe(Number.POSITIVE_INFINITY);
  });
  test('the smallest batch is exactly where the scale’s worst error meets the tolerance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 1, max: 10, noNaN: true }),
        (r, step, tol) => {
          const m = smallestBatchAG(r, step, tol);
          return Math.abs(scaleErrorPct(m, m * r, step) - tol) < 1e-6 * tol + 1e-9;
        },
      ),
    );
  });
});

describe('what a scale can read', () => {
  /** Every pair of readings, by their sum, none left out. */
  const naive = (r: number, short: number, over: number, most: number) => {
    for (let sum = 2; sum <= most; sum++)
      for (let a = sum - 1; a >= 1; a--) {
        const b = sum - a;
        if (b + 0.5 <= r * (1 + over / 100) * (a - 0.5) + 1e-9 && b - 0.5 >= r * (1 - short / 100) * (a + 0.5) - 1e-9)
          return sum;
      }
    return null;
  };
  test('3.8 + 1.7 g of 100:45 on a tenth of a gram; nothing where no reading keeps the ratio', () => {
    const read = smallestReadG(0.45, 0.1, evenly(5, true))!;
    expect([read.a, read.b].map((g) => g.toFixed(1))).toEqual(['3.8', '1.7']);
    expect(smallestReadG(0.45, 0.1, { shortPct: 0, overPct: 5, fromSheet: true })).toBeNull();
    expect(smallestReadG(0, 0.1, evenly(5, true))).toBeNull();
  });
  test('none smaller is found among all pairs', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1.2, noNaN: true }),
        fc.double({ min: 4, max: 25, noNaN: true }),
        fc.double({ min: 4, max: 25, noNaN: true }),
        (r, shortPct, overPct) => {
          const read = smallestReadG(r, 1, { shortPct, overPct, fromSheet: true })!;
          expect(Math.round(read.a + read.b)).toBe(naive(r, shortPct, overPct, 400));
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what is placed out of a pot is in it', () => {
  const wholeAsk = fc.record({
    netMl: fc.integer({ min: 200, max: 60_000 }),
    usableMin: fc.integer({ min: 8, max: 60 }),
    placingMlPerMin: fc.integer({ min: 60, max: 900 }),
    portions: fc.constantFrom([1], [0.5, 0.5], [0.3, 0.7], [0.2, 0.3, 0.5]),
    borders: fc.array(fc.double({ min: 0.05, max: 0.95, noNaN: true }), { maxLength: 4 }),
    split: fc.constantFrom('whole' as const, 'weighed' as const),
    massCapG: fc.constantFrom(null, 12_000, 40_000),
  });
  test('whole kits or weighed, one portion or several, with borders of one’s own or even: no pot gives more than it holds, and together they give all', () => {
    let seen = 0;
    fc.assert(
      fc.property(wholeAsk, ({ portions, netMl, ...over }) => {
        const asked = ask(mortarSheet, {
          ...over,
          netMl,
          p90Ml: netMl,
          p95Ml: netMl,
          portions: portions.map((share, i) => ({ label: plain(`lift ${i + 1}`), share })),
        });
        const made = (() => {
          try {
            return amounts(asked);
          } catch {
            return null;
          }
        })();
        if (!made) return;
        seen++;
        for (const b of made.batches) {
          expect(b.placedMl).toBeLessThanOrEqual(b.ml - mortarSheet.potLossMl + 1e-6 * b.ml);
          expect(b.placedMl).toBeLessThanOrEqual(over.placingMlPerMin * over.usableMin + 1e-6);
        }
        portions.forEach((share, i) => {
          const placed = made.batches.filter((b) => b.portion === i).reduce((sum, b) => sum + b.placedMl, 0);
          expect(placed).toBeCloseTo(netMl * share, 4);
        });
      }),
      { numRuns: 400 },
    );
    expect(seen).toBeGreaterThan(100);
  });
  test('two kits in one pot and one in the other place twice as much out of the first', () => {
    const kitMl = kitVolumeMl(mortarSheet, mortarSheet.kits[0]!);
    const net = 2.6 * kitMl;
    const made = amounts(
      ask(mortarSheet, {
        netMl: net,
        p90Ml: net,
        p95Ml: net,
        split: 'whole',
        usableMin: 1000,
        massCapG: 2.2 * 1000 * 100,
      }),
    );
    const three = amounts(
      ask(mortarSheet, {
        netMl: net,
        p90Ml: net,
        p95Ml: net,
        split: 'whole',
        usableMin: (1.9 * kitMl) / 100,
      }),
    );
    expect(made.batches.map((b) => b.kits)).toEqual([3]);
    expect(three.batches.map((b) => b.kits)).toEqual([2, 1]);
    const [first, second] = three.batches.map((b) => b.placedMl);
    expect(first! / second!).toBeGreaterThan(1.9);
    expect(first! + second!).toBeCloseTo(net, 6);
  });
});

describe('what is done out of a pot before it is placed', () => {
  const primed = fc.record({
    netMl: fc.integer({ min: 300, max: 40_000 }),
    usableMin: fc.integer({ min: 6, max: 60 }),
    placingMlPerMin: fc.integer({ min: 40, max: 900 }),
    crew: fc.integer({ min: 1, max: 3 }),
    portions: fc.constantFrom([1], [0.5, 0.5], [0.2, 0.3, 0.5]),
    eachMin: fc.integer({ min: 0, max: 3 }),
    allMin: fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 3, maxLength: 3 }),
  });
  const asked = ({
    netMl,
    portions,
    eachMin,
    allMin,
    ...over
  }: typeof primed extends fc.Arbitrary<infer T> ? T : never) =>
    ask(mortarSheet, {
      ...over,
      netMl,
      ...{ p90Ml: netMl, p95Ml: netMl, reserve: false, rateChosen: false, kit: pail },
      portions: portions.map((share, i) => ({
        label: plain(`lift ${i + 1}`),
        share,
        before: { eachMin, allMin: allMin[i]! },
      })),
    });
  const pail = {
    ...mortarSheet.kits[0]!,
    massG: { A: 1900, B: 760, C: 10_600, D: null },
    yieldMl: 6290,
    splittable: true,
  };
  const takesMin = (ml: number, all: { mlPerMin: number; lift: number; allMin: number; eachMin: number }) =>
    all.eachMin + (all.allMin * ml) / all.lift + ml / all.mlPerMin;

  test('weighed, each lift is the fewest pots of which each is brushed in and placed in its time', () => {
    let seen = 0;
    fc.assert(
      fc.property(primed, (of) => {
        const made = amounts(asked(of));
        of.portions.forEach((share, i) => {
          const lift = of.netMl * share;
          const by = { ...of, mlPerMin: of.placingMlPerMin * of.crew, lift, allMin: of.allMin[i]! };
          const mine = made.batches.filter((b) => b.portion === i);
          expect(mine.reduce((sum, b) => sum + b.placedMl, 0)).toBeCloseTo(lift, 4);
          for (const b of mine) {
            expect(takesMin(b.placedMl, by)).toBeLessThanOrEqual(of.usableMin + 1e-6);
            expect(b.before!.allMin).toBeCloseTo((by.allMin * b.placedMl) / lift, 6);
          }
          // One pot fewer, however it is parted, has one that is not done in its time.
          if (mine.length > 1) expect(takesMin(lift / (mine.length - 1), by)).toBeGreaterThan(of.usableMin - 1e-6);
          seen += Number(mine.length > 1);
        });
      }),
      { numRuns: 300 },
    );
    expect(seen).toBeGreaterThan(100);
  });

  test('a kit that stays whole is placed at the pace that what is left of its minutes wants', () => {
    let faster = 0;
    fc.assert(
      fc.property(primed, (of) => {
        // As long as the brushing leaves something to place in.
        const usableMin = of.usableMin + 45;
        const made = amounts({ ...asked(of), split: 'whole', usableMin });
        if (made.rateNeeded === null) return;
        faster++;
        for (const b of made.batches) {
          const by = {
            ...of,
            mlPerMin: made.rateNeeded * of.crew,
            lift: of.netMl * of.portions[b.portion]!,
            allMin: of.allMin[b.portion]!,
          };
          expect(takesMin(b.placedMl, by)).toBeLessThanOrEqual(usableMin + 1e-6);
        }
        // Our own would not have done.
        expect(made.rateNeeded).toBeGreaterThan(of.placingMlPerMin);
      }),
      { numRuns: 300 },
    );
    expect(faster).toBeGreaterThan(20);
  });

  test('what uses up every pot parts none: they are as without it, and each has its minutes to be told by', () => {
    const of = { netMl: 2000, usableMin: 6, placingMlPerMin: 100, crew: 1, portions: [1] as const, allMin: [4, 0, 0] };
    const dead = amounts(asked({ ...of, eachMin: 11 }));
    expect(dead.batches).toHaveLength(Math.ceil(2000 / 600));
    expect(dead.batches.every((b) => b.before!.eachMin === 11)).toBe(true);
    // As long as it leaves a fifth of the time, pots are parted by it.
    const tight = amounts(asked({ ...of, eachMin: 4 }));
    expect(tight.batches.length).toBeGreaterThan(2000 / 200);
    expect(tight.batches.every((b) => 4 + b.before!.allMin + b.placedMl / 100 <= 6 + 1e-6)).toBe(true);
  });
});
