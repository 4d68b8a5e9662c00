import { PLAIN_READER, plainWords, say } from '@/words';
import { saying } from '@/words/saying.testing';
import { furtherSheets, mortarSheet, pasteSheet } from '../../sample/systems';
import { Refusal } from '../say';
import { proportionOf, type SheetRevision, sheetIn } from '../system';
import {
  blendLots,
  type ColourTrial,
  countedPart,
  dropsPerMl,
  evenly,
  FRESH_TRIAL,
  filledMix,
  fromTotal,
  type Instrument,
  isWithin,
  liquidDensity,
  measuredBatch,
  type PourPlan,
  partsOf,
  pourState,
  saidAs,
  saidTolerance,
  sameSystem,
  scaledColour,
  stripLengthMm,
  toleranceOf,
  withBlend,
} from '.';

const named = (id: string): SheetRevision => furtherSheets.find((s) => s.id === `sheet-${id}-1`)!;
const at = (id: string, dosePct: number | null = null) => sheetIn(named(id), { dosePct, humidityPct: 60 });
const bench: Instrument = {
  way: 'weight',
  scaleStepG: 1,
  cupStepMl: 10,
  strokeMl: null,
  dropsPerMl: null,
  stripMm: null,
};
const batch = (sheet: SheetRevision, ml: number) => partsOf(sheet, proportionOf(sheet), ml).massG;

describe('measured with what is at hand', () => {
  test('catalyst by drops: 2 % of 120 g is 2.4 g; at 1.13 g/mL and 38 drops to 1 mL that is 81 drops', () => {
    const sheet = at('coat', 2);
    const m = measuredBatch(sheet, batch(sheet, 122.4 / proportionOf(sheet).densityGPerMl), {
      ...bench,
      way: 'drops',
      dropsPerMl: 38,
    });
    expect(m.parts.map((p) => [p.part, p.amount, p.unit])).toEqual([
      ['A', 120, 'g'],
      ['B', 81, 'drops'],
    ]);
    // 81 drops are 2.409 g.
    expect(m.parts[1]!.roundedG).toBeCloseTo((81 * 1.13) / 38, 9);
    expect(m.roundingPct).toBeCloseTo(Math.abs((81 * 1.13) / 38 / 2.4 - 1) * 100, 6);
  });
  test('paste hardener by strip: 2 g at 1.15 g/mL from a 5 mm nozzle is 89 mm', () => {
    expect(stripLengthMm(2, 1.15, 5)).toBeCloseTo(((2 / 1.15) * 1000) / (Math.PI * 6.25), 9);
    const sheet = at('filler', 2);
    const m = measuredBatch(sheet, { A: 100, B: 2, C: 0, D: 0 }, { ...bench, way: 'strip', stripMm: 5 });
    expect(m.parts[1]).toMatchObject({ amount: 89, unit: 'mm' });
    // A gouge: 6.16 g and 0.135 g at 1.18 g/mL are 5.8 mm, and a millimetre either way is a sixth of it.
    const paste = { ...sheet, parts: sheet.parts.map((p) => (p.id === 'B' ? { ...p, densityGPerMl: 1.18 } : p)) };
    const small = measuredBatch(
      paste,
      { A: 6.16, B: 0.1355, C: 0, D: 0 },
      { ...bench, way: 'strip', stripMm: 5, scaleStepG: 0.01 },
    );
    expect(small.parts[1]!.amount).toBeCloseTo(5.8, 9);
    expect(2.2 * (1 - small.worstShortPct / 100)).toBeCloseTo(1.8, 1);
    expect(2.2 * (1 + small.worstOverPct / 100)).toBeCloseTo(2.6, 1);
  });
  test('cup marks round both parts; what that does to the ratio is told', () => {
    // 2:1 by volume, 80 mL: 53.3 and 26.7 mL, on marks of 10 mL 50 and 30: B/A 0.6 instead of 0.5.
    const m = measuredBatch(pasteSheet, batch(pasteSheet, 80), { ...bench, way: 'cup' });
    expect(m.parts.map((p) => p.amount)).toEqual([50, 30]);
    expect(m.roundingPct).toBeCloseTo(20, 6);
    // Half a mark each, at their worst: 35/45.
    expect(m.worstPct).toBeCloseTo((35 / 45 / 0.5 - 1) * 100, 6);
  });
  test('strokes need the volume of one, drops their count, strips their width: refused with what to do', () => {
    const sheet = at('coat', 2);
    for (const [way, words] of [
      ['drops', /count the drops that make a millilitre/],
      ['strip', /how thick the strip/],
    ] as const)
      expect(() => measuredBatch(sheet, { A: 100, B: 2, C: 0, D: 0 }, { ...bench, way })).toThrow(words);
    expect(() => measuredBatch(pasteSheet, batch(pasteSheet, 100), { ...bench, way: 'strokes' })).toThrow(/one stroke/);
    const strokes = measuredBatch(pasteSheet, batch(pasteSheet, 90), { ...bench, way: 'strokes', strokeMl: 5 });
    expect(strokes.parts.map((p) => [p.amount, p.unit])).toEqual([
      [12, 'strokes'],
      [6, 'strokes'],
    ]);
  });
  test('at the bench a part is told by what counts it, to the mark; a scale counts nothing', () => {
    const sheet = at('coat', 2);
    const mass = { A: 120, B: 2.4, C: 0, D: 0 };
    const drops = { ...bench, way: 'drops', dropsPerMl: 38 } as const;
    expect(countedPart(sheet, 'B', mass, drops)).toEqual(measuredBatch(sheet, mass, drops).parts[1]);
    // What is counted is the catalyst: the resin stays on the scale.
    expect(countedPart(sheet, 'A', mass, drops)).toBeNull();
    expect(countedPart(sheet, 'B', mass, { ...drops, dropsPerMl: null })).toBeNull();
    expect(countedPart(sheet, 'B', mass, bench)).toBeNull();
    expect(countedPart(sheet, 'C', mass, drops)).toBeNull();
    const cup = { ...bench, way: 'cup' } as const;
    const poured = countedPart(pasteSheet, 'A', batch(pasteSheet, 80), cup)!;
    expect(poured).toMatchObject({ amount: 50, unit: 'mL' });
    // In the reader’s own units, as its marks are; drops are drops to anybody.
    const us = { ...PLAIN_READER, system: 'us' as const };
    expect([say(saidAs(poured), PLAIN_READER), say(saidAs(poured), us)]).toEqual(['50 mL', '1.69 US fl oz']);
    expect(say(saidAs(countedPart(sheet, 'B', mass, drops)!), us)).toBe('81 drops');
  });
  test('drops counted: 76 drops to 2 mL are 38 to 1 mL, give or take one drop', () => {
    expect(dropsPerMl(76, 2)).toEqual({ perMl: 38, tolerancePct: 100 / 76 });
    expect(() => dropsPerMl(0, 1)).toThrow(Refusal);
    expect(() => dropsPerMl(30.5, 1)).toThrow(/whole/);
  });
  test('the tolerance of a dose is its range, met at the dose chosen, to each side by itself', () => {
    // The range of this filler is 1 to 3 %.
    expect(toleranceOf(at('filler', 2.5))).toMatchObject({
      fromSheet: true,
      shortPct: expect.closeTo(60, 6),
      overPct: expect.closeTo(20, 6),
    });
    expect(toleranceOf(at('filler', 2)).shortPct).toBeCloseTo(50, 6);
    // At its ends nothing may be missing, or over.
    expect(toleranceOf(at('filler', 1))).toMatchObject({ shortPct: 0, overPct: expect.closeTo(200, 6) });
    expect(toleranceOf(at('filler', 3))).toMatchObject({ shortPct: expect.closeTo(200 / 3, 6), overPct: 0 });
    // One figure is no range: so much water to a bag is weighed as any part of which the sheet says no more.
    const alone = (pct: number) => ({ minPct: pct, usualPct: pct, maxPct: pct, of: 'A' as const });
    const bag = { ...pasteSheet, dose: alone(26), ratio: { ...pasteSheet.ratio, tolerancePct: null } };
    expect(toleranceOf(bag)).toEqual({ shortPct: 5, overPct: 5, fromSheet: false });
    expect(toleranceOf(pasteSheet)).toEqual({ shortPct: 5, overPct: 5, fromSheet: true });
    expect(saidTolerance(toleranceOf(at('filler', 2.5)))).toEqual({
      id: 'tolerance.uneven',
      with: { short: '60', over: '20' },
    });
  });
  test('0.1 g of hardener on 100 g at the least dose is short; more than the most is over', () => {
    const pour = (dosePct: number, b: number) =>
      pourState(
        {
          massG: { A: 100, B: dosePct, C: 0, D: 0 },
          tolerance: toleranceOf(at('filler', dosePct)),
          vessel: 'one pot',
          vesselMaxG: null,
          availableG: {},
          stepG: 0.01,
        },
        [
          { part: 'A', massG: 100 },
          { part: 'B', massG: b },
        ],
      );
    expect(pour(1, 0.1)).toMatchObject({ within: false, correction: { part: 'B', massG: expect.closeTo(0.9, 6) } });
    expect(pour(1, 2.9).within).toBe(true);
    expect(pour(2, 2.99).within).toBe(true);
    expect(pour(2, 3.05)).toMatchObject({ within: false, correction: { part: 'A' } });
    expect(pour(2.8, 3.1).within).toBe(false);
  });
  test('few drops for little resin: what half a drop does is held against each side', () => {
    const sheet = at('coat', 2);
    const m = measuredBatch(sheet, { A: 5, B: 0.1, C: 0, D: 0 }, { ...bench, way: 'drops', dropsPerMl: 20 });
    // Two drops of 1/20 mL: half a drop is a quarter of them.
    expect(m.worstOverPct).toBeGreaterThan(20);
    expect(m.worstShortPct).toBeGreaterThan(20);
    expect(m.worstPct).toBe(Math.max(m.worstOverPct, m.worstShortPct));
    expect(isWithin(m.worstOverPct, toleranceOf(at('coat', 2.4)))).toBe(false);
  });
  test('parts of two systems are never mixed', () => {
    expect(() => sameSystem(pasteSheet, pasteSheet)).not.toThrow();
    expect(() => sameSystem(pasteSheet, mortarSheet)).toThrow(/not made for each other/);
  });
});

describe('pouring', () => {
  const plan: PourPlan = {
    massG: { A: 286, B: 143, C: 0, D: 0 },
    tolerance: evenly(5, true),
    vessel: 'one pot',
    vesselMaxG: null,
    availableG: {},
    stepG: 0.1,
  };
  test('the target of B follows what was really poured of A', () => {
    const s = pourState(plan, [{ part: 'A', massG: 291 }]);
    expect(s.next).toBe('B');
    expect(s.targetG.B).toBeCloseTo(145.5, 9);
    expect(s.readingG).toBeCloseTo(436.5, 9);
  });
  test('291 : 97.4 is a third short of B: add 48.1 g, or discard when mixing is over', () => {
    const pours = [
      { part: 'A', massG: 291 },
      { part: 'B', massG: 97.4 },
    ] as const;
    const s = pourState(plan, pours);
    expect(s.deviationPct).toBeCloseTo((97.4 / 145.5 - 1) * 100, 6);
    expect(s.correction).toEqual({ part: 'B', massG: 145.5 - 97.4 });
    // What it says makes it right.
    expect(pourState(plan, [...pours, { part: 'B', massG: s.correction!.massG }])).toMatchObject({
      within: true,
      correction: null,
    });
    expect(pourState(plan, pours, false)).toMatchObject({
      correction: null,
      discard: saying(/Mixing time is over/),
    });
  });
  test('too much of B is rescued with A while there is A and room, else refused with the reason', () => {
    const pours = [
      { part: 'A', massG: 286 },
      { part: 'B', massG: 200 },
    ] as const;
    expect(pourState(plan, pours).correction).toEqual({ part: 'A', massG: 114 });
    expect(plainWords(pourState({ ...plan, availableG: { A: 300 } }, pours).discard!)).toMatch(/14\.0 g are there/);
    expect(plainWords(pourState({ ...plan, vesselMaxG: 500 }, pours).discard!)).toMatch(/room for 14\.0 g/);
  });
  test('at the least dose half a step of the scale is no shortage, and a whole one is', () => {
    const bag: PourPlan = {
      ...plan,
      massG: { A: 11_630, B: 1456, C: 0, D: 0 },
      tolerance: { shortPct: 0, overPct: 17, fromSheet: true },
      stepG: 1,
    };
    const water = (massG: number) =>
      pourState(bag, [
        { part: 'A', massG: 11_630 },
        { part: 'B', massG },
      ]);
    expect(plainWords(saidTolerance(bag.tolerance))).toBe('0 to +17 %');
    expect(water(1455.6)).toMatchObject({ within: true, correction: null });
    expect(water(1455.2)).toMatchObject({ within: false, correction: { part: 'B' } });
    expect(water(1456 * 1.171)).toMatchObject({ within: false });
  });
  test('four parts in order, each following A; totals of the scale become pours', () => {
    const four: PourPlan = { ...plan, massG: { A: 100, B: 45, C: 40, D: 6 } };
    const s = pourState(four, [
      { part: 'A', massG: 110 },
      { part: 'B', massG: 49.5 },
    ]);
    expect(
      [s.next, s.targetG.C, s.targetG.D].map((x) => (typeof x === 'number' ? Math.round(x * 10) / 10 : x)),
    ).toEqual(['C', 44, 6.6]);
    expect(s.readingG).toBeCloseTo(203.5, 9);
    expect(fromTotal(203.5, [{ part: 'A', massG: 110 }])).toBeCloseTo(93.5, 9);
    expect(fromTotal(90, [{ part: 'A', massG: 110 }])).toBeNull();
  });
  test('a sheet without a tolerance is held to an assumed one, and says so', () => {
    const silent = pourState(
      { ...plan, tolerance: toleranceOf({ ...pasteSheet, ratio: { ...pasteSheet.ratio, tolerancePct: null } }) },
      [
        { part: 'A', massG: 100 },
        { part: 'B', massG: 52 },
      ],
    );
    expect(silent).toMatchObject({ tolerance: { shortPct: 5, overPct: 5, fromSheet: false }, within: true });
  });
});

describe('fillers of one’s own', () => {
  test('a blend of two does half the work each: 28 g spheres alone, 6 g silica alone', () => {
    // Equal masses x: x/28 + x/6 = 1 → x = 4.941 g of each.
    const mix = filledMix(
      {
        consistency: 'stands',
        fillers: [
          { filler: 'spheres', share: 1, per100G: null },
          { filler: 'silica', share: 1, per100G: null },
        ],
      },
      1.1,
    );
    for (const f of mix.fillers) expect(f.per100G).toBeCloseTo(1 / (1 / 28 + 1 / 6), 9);
    // Volume: liquid 90.91 + spheres /0.25 + silica /2.2.
    const x = 1 / (1 / 28 + 1 / 6);
    expect(mix.densityGPerMl).toBeCloseTo((100 + 2 * x) / (100 / 1.1 + x / 0.25 + x / 2.2), 9);
    expect(mix.sanding).toBe('easy to sand');
    expect(mix.leanFromPer100G).toBeNull();
  });
  test('sand: from where the liquid no longer fills the grains, its bulk is the volume', () => {
    const blend = (per100G: number) => ({
      consistency: 'firm' as const,
      fillers: [{ filler: 'sand' as const, share: 1, per100G }],
    });
    // 100 g at 1.1 are 90.9 mL; the space of x g is x/1.75 − x/2.65: lean above 468.4 g.
    const limit = 100 / 1.1 / (1 / 1.75 - 1 / 2.65);
    expect(filledMix(blend(400), 1.1).leanFromPer100G).toBeCloseTo(limit, 6);
    expect(filledMix(blend(limit * 0.999), 1.1).lean).toBe(false);
    const lean = filledMix(blend(520), 1.1);
    expect(lean.lean).toBe(true);
    expect(lean.swell).toBeCloseTo(520 / 1.75 / (100 / 1.1), 9);
    // Volume has no jump at the limit.
    expect(filledMix(blend(limit * 0.9999), 1.1).swell).toBeCloseTo(filledMix(blend(limit * 1.0001), 1.1).swell, 2);
  });
  test('the filled sheet has the same density as the blend, and A to B stays what it was', () => {
    const clear = named('pour');
    const blend = {
      consistency: 'clings' as const,
      fillers: [
        { filler: 'fibre' as const, share: 3, per100G: null },
        { filler: 'sand' as const, share: 10, per100G: null },
      ],
    };
    const filled = withBlend(clear, blend);
    const p = proportionOf(filled);
    expect(p.densityGPerMl).toBeCloseTo(filledMix(blend, liquidDensity(clear)).densityGPerMl, 9);
    expect(p.massShare.B / p.massShare.A).toBeCloseTo(0.3, 9);
    expect(withBlend(clear, blend)).toBe(filled);
    expect(() => withBlend(mortarSheet, blend)).toThrow(/filler on the sheet/);
  });
});

describe('colour', () => {
  const trial: ColourTrial = {
    id: 't',
    name: 'step granite',
    ...FRESH_TRIAL,
    of: 'mix',
    inG: 50,
    tints: [
      { name: 'grey dust', massG: 1.5, densityGPerMl: null },
      { name: 'black tint', massG: 0.1, densityGPerMl: null },
    ],
  };
  test('a trial scaled to a batch, with what the scale loses of the smallest tint', () => {
    const s = scaledColour(trial, 400, 0.1);
    expect(s.tints.map((t) => t.massG)).toEqual([12, 0.8]);
    expect(s.sharePct).toBeCloseTo(3.2, 9);
    // Half a step of 0.1 g is 5 % of 1 g: one gram of black is in 500 g.
    expect(s.leastMixG).toBeCloseTo(500, 9);
    expect(scaledColour(trial, s.leastMixG, 0.1).tints[1]!.offPct).toBeCloseTo(0, 6);
  });
  test('as few lots as cover the surface, each in the same share of every batch', () => {
    const shares = blendLots(
      [
        { lot: 'a', availableG: 100 },
        { lot: 'b', availableG: 300 },
        { lot: 'c', availableG: 250 },
      ],
      400,
    );
    expect(shares.map((l) => l.lot)).toEqual(['b', 'c']);
    expect(shares.reduce((s, l) => s + l.massG, 0)).toBeCloseTo(400, 9);
    expect(shares[0]!.massG / shares[1]!.massG).toBeCloseTo(300 / 250, 9);
    for (const l of shares) expect(l.massG).toBeLessThanOrEqual(l.lot === 'b' ? 300 : 250);
    expect(() => blendLots([{ lot: 'a', availableG: 100 }], 400)).toThrow(/further lot may differ/);
  });
});
