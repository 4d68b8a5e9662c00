import { type Piece, planJob, repairOf, startSays, startsAskOf, startWindows, windowsOver } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { byDose, kitOf, partsOf, ratioOf, single } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { plainWords } from '@/words';
import { at, baseAt, clock, off, printedPlan, walkJob, walkPiece } from './made';

/** A dent in the winch-house door: dosed filler in a skim and two builds, in many small mixes. */
const NOW = at('2027-04-19T08:00');
/** Planned early on that morning: for eight o'clock, or somewhat sooner. */
const ASKED = at('2027-04-19T05:00');
const job = walkJob({
  id: 'walk-6',
  startFrom: NOW,
  climate: { kind: 'constant', tempC: 14, humidityPct: 62 },
});
const filler = furtherSheets.find((s) => s.kind === 'polyester-filler')!;
const sheet: SheetRevision = {
  ...filler,
  id: 'soft-1',
  systemId: 'soft',
  name: 'Soft filler',
  parts: partsOf('polyester-filler', { A: { densityGPerMl: 1.82 }, B: { densityGPerMl: 1.15 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 2 }),
  dose: { minPct: 1, maxPct: 3, usualPct: 2, of: 'A' },
  mixMin: 1.5,
  potLossMl: 4,
  milestones: [
    byDose('use-by', 'mix-begins', 'pot', [
      [
        1,
        [
          [10, 16, 16],
          [20, 8, 8],
        ],
      ],
      [
        2,
        [
          [10, 10, 10],
          [20, 5, 5],
        ],
      ],
      [
        3,
        [
          [10, 7, 7],
          [20, 3.5, 3.5],
        ],
      ],
    ]),
    byDose('sandable', 'placed', 'base', [
      [
        1,
        [
          [10, 50, 50],
          [20, 22, 22],
        ],
      ],
      [
        3,
        [
          [10, 50, 50],
          [20, 22, 22],
        ],
      ],
    ]),
  ],
  limits: { ...filler.limits, liftMaxMm: 4, liftMinMm: null, baseMinC: null, materialMinC: null },
  kits: [kitOf('tin', 'Tin 1.5 kg', [1500, 30], { yieldMl: null, splittable: true })],
};
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'body-filler', version: 1 },
    void: voidOf({
      ...SHAPES.patch.blank(),
      outline: { kind: 'ellipse', length: measured(620, 'rule'), width: measured(430, 'rule') },
      depth: { kind: 'mean', mean: measured(3.2, 'gauge'), deepest: measured(8, 'gauge') },
    } as VoidShape),
    sheetId: sheet.id,
    kitId: 'tin',
    materialC: 16,
    dosePct: 2,
    settings: { crown: 0.5, skim: 0.5, rate: 25 },
  });
  return {
    ...plain,
    base: { ...plain.base, material: 'metal', thicknessMm: 1, known: baseAt(['2027-04-18T00:00', 12]) },
    ...over,
  };
};
const plan = (over: Partial<Piece> = {}) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet] }, ASKED).repairs[0]!;

test('775 mL: a skim of 105, two builds of 335; at 2 % seven mixes of at most 126 mL', () => {
  const p = plan();
  expect(p.volumeMl!.nominal).toBeCloseTo(670.0, 0);
  const placed = p.amounts.filter((a) => a.ml > 0 && !/pots/.test(a.label)).reduce((s, a) => s + a.ml, 0);
  expect(placed).toBeCloseTo(774.7, 0);
  expect(p.batches.map((b) => b.label)).toEqual(['the skim', ...Array(3).fill('lift 1'), ...Array(3).fill('lift 2')]);
  expect(p.batches[0]!.ml).toBeCloseTo(104.7 + 4, 0);
  expect(p.batches[1]!.ml).toBeCloseTo(335 / 3 + 4, 0);
  // 7 mixes of 4 mL left each: 802.7 mL, 1416 g of filler and 28.3 g of hardener.
  expect(p.toMixMl).toBeCloseTo(802.7, 0);
  expect(p.batches.reduce((s, b) => s + b.massG.A!, 0)).toBeCloseTo(1416, -1);
  expect(p.batches.reduce((s, b) => s + b.massG.B!, 0)).toBeCloseTo(28.3, 0);
  expect(p.kits!.use).toBe(1);
  // Many small mixes, each on its own sheet of film.
  expect(p.consumables.map((c) => [c.what, c.quantity])).toEqual([['sheets of film to mix on', 7]]);
});
test('at 3 % it dies sooner: twelve mixes; at 1 % still seven for the film holds no more; 4 % is refused', () => {
  expect(plan({ dosePct: 3 }).batches).toHaveLength(12);
  const slow = plan({ dosePct: 1 });
  expect(slow.batches).toHaveLength(7);
  // By its clock a lift of 335 mL would be two mixes of at most 225 mL.
  const larger = plan({ dosePct: 1, settings: { ...piece().settings, 'film-holds': 400 } });
  expect(larger.batches).toHaveLength(5);
  expect(slow.working.mix!.map((w) => plainWords(w.expression)).join(' | ')).toMatch(
    /a sheet of film that holds 150 mL/,
  );
  expect(JSON.stringify(plan({ dosePct: 4 }))).toMatch(/1 to 3 %/);
});
test('each layer waits until the last may be sanded, 42 min on steel of 12 °C and not 30 by the tin', () => {
  const p = plan();
  const places = p.steps.filter((s) => s.id.endsWith(':place'));
  const first = (label: string) => p.batches.findIndex((b) => b.label === label);
  const mix = (batch: number) => p.steps.find((s) => s.id === `b${batch + 1}:mix`)!;
  for (const [below, above] of [
    ['the skim', 'lift 1'],
    ['lift 1', 'lift 2'],
  ] as const) {
    const last = places[first(above) - 1]!;
    expect(p.batches[first(above) - 1]!.label).toBe(below);
    const waited = (Date.parse(mix(first(above)).from!) - Date.parse(last.to!)) / 60_000;
    expect(waited).toBeGreaterThan(40);
    expect(waited).toBeLessThan(44);
  }
  const sanded = p.steps.find((s) => s.id === 'finish:sand:p80')!;
  expect(p.steps.filter((s) => s.id.startsWith('finish:')).map((s) => s.id)).toEqual([
    'finish:sand:p80',
    'finish:sand:p120',
    'finish:sand:p180',
  ]);
  const end = places.at(-1)!.to!;
  expect((Date.parse(sanded.from!) - Date.parse(end)) / 60_000).toBeGreaterThan(40);
  expect(clock(p.steps[0]!.from)).toBe('Mon 08:00');
  expect(off(p.milestones.find((m) => m.kind === 'sandable')!.plans, '2027-04-19T08:00')).toBeGreaterThan(120);
});
test('begun to mix at 08:00: build 1 from 08:48, build 2 from 09:48, sanded from 10:48', () => {
  const rough = plan();
  const from = (p: typeof rough, id: string) => Date.parse(p.steps.find((s) => s.id === id)!.from!);
  const lead = from(rough, 'b1:mix') - Date.parse(rough.steps[0]!.from!);
  const p = plan({ plannedStart: at('2027-04-19T08:00') - lead });
  const late = (id: string, wanted: string) => Math.abs(from(p, id) - at(`2027-04-19T${wanted}`)) / 60_000;
  expect(late('b1:mix', '08:00')).toBeLessThan(0.1);
  expect(late('b2:mix', '08:48')).toBeLessThan(1);
  expect(late('b5:mix', '09:48')).toBeLessThan(1);
  expect(late('finish:sand:p80', '10:48')).toBeLessThan(1);
  // Tin and tube are made ready once; each mix is dosed on its own film as it is mixed, and told by its weights.
  expect(p.steps.find((s) => s.id === 'lay-out')!.title).toBe('Stir the tin, knead the tube, lay out 7 sheets of film');
  expect(p.steps.some((s) => s.id.endsWith('weigh'))).toBe(false);
  expect(p.steps.find((s) => s.id === 'b2:mix')!.detail).toMatch(
    /^204 g of filler, 4\.08 g of paste peroxide\. Folded/,
  );
});
test('not accepted: all of it in one mix; a deepest place shallower than the mean', () => {
  expect(Math.max(...plan().batches.map((b) => b.ml))).toBeLessThan(131);
  const wrong = plan({
    void: voidOf({
      ...SHAPES.patch.blank(),
      outline: { kind: 'ellipse', length: measured(620, 'rule'), width: measured(430, 'rule') },
      depth: { kind: 'mean', mean: measured(3.2, 'gauge'), deepest: measured(2, 'gauge') },
    } as VoidShape),
  });
  expect(wrong.problems.some((x) => /deepest place is no shallower/.test(plainWords(x.sentence)))).toBe(true);
});
test('mixes that are measured to their pot are placed in time at the hour they are planned for, at every rate', () => {
  for (const rate of [12, 17, 19, 23, 25, 29, 33, 41]) {
    const repair = repairOf(piece({ settings: { crown: 0.5, skim: 0.5, rate } }));
    const p = planJob({ job, repairs: [repair], sheets: [sheet], stock: [], actuals: new Map(), nowMs: NOW });
    const windows = windowsOver(job, NOW - 86_400_000, NOW + 8 * 86_400_000);
    const ask = startsAskOf(p.repairs[0]!, job, windows, NOW)!;
    const mixing = p.repairs[0]!.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!;
    expect([rate, startSays(startWindows(ask), mixing.startMs).against]).toEqual([rate, []]);
    // Not laid out in whole minutes: a mix that is measured to its pot would outlive it by them.
    const placed = p.repairs[0]!.steps.find((s) => s.batch === 0 && s.marks?.end?.includes('placed'))!;
    expect((placed.endMs - mixing.startMs) / 60_000).toBeLessThanOrEqual(6.56);
  }
});

test('a skin that air held back is ground off with what stands proud: it is a word only where the face stays', () => {
  const tacky = (over: Partial<Piece> = {}) => plan(over).findings.filter((f) => f.id === 'meets:air-inhibited');
  expect(tacky()).toEqual([]);
  const flush = tacky({ schools: { 'finish-level': 'flush' } });
  expect(flush).toHaveLength(1);
  // Nothing comes over it: no hour is named for that.
  expect(flush[0]!.why).not.toMatch(/when the next layer may come/);
});

describe('a filler of two cans, with forty minutes to spread it', () => {
  const slow: SheetRevision = {
    ...sheet,
    dose: null,
    ratio: ratioOf({ basis: 'weight', a: 100, b: 50 }),
    milestones: sheet.milestones.map((m) =>
      m.kind === 'use-by'
        ? single('use-by', 'mix-begins', 'pot', 40, 40)
        : single(m.kind, m.startsAt, m.runsOn, 240, 240),
    ),
    kits: [kitOf('cans', 'Pair of cans', [1500, 750], { yieldMl: null, splittable: true })],
  };
  const planned = (settings: Piece['settings'] = {}) =>
    printedPlan(
      {
        job,
        repairs: [
          repairOf({ ...piece(), kitId: 'cans', dosePct: null, settings: { ...piece().settings, ...settings } }),
        ],
        sheets: [slow],
      },
      NOW,
    ).repairs[0]!;
  test('is set out as every other, one mix to a layer: nobody parts it into sheets of film', () => {
    const p = planned();
    expect(p.batches.map((b) => b.label)).toEqual(['the skim', 'lift 1', 'lift 2']);
    expect(p.steps.filter((s) => /weigh$/.test(s.id)).map((s) => s.id)).toEqual(['b1:weigh', 'b2:weigh', 'b3:weigh']);
    expect(JSON.stringify(p.steps.map((s) => [s.title, s.detail]))).not.toMatch(/tube|film/);
    expect(p.steps.find((s) => s.id === 'b2:place')!.title).toBe('Spread lift 1');
  });
  test('unless somebody says what a sheet takes', () => {
    const p = planned({ 'film-holds': 150 });
    expect(p.batches.filter((b) => b.label === 'lift 1')).toHaveLength(3);
    for (const b of p.batches) expect(b.ml).toBeLessThanOrEqual(150 + 1e-6);
  });
});
