import { type Piece, repairOf } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { draws, minutesAt } from './draws';
import { at, baseAt, printedPlan, walkJob, walkPiece } from './made';

/** Felt pads on both sides of the bow, wetted on a board and laid on their marks. */
const NOW = at('2027-05-10T08:00');
const job = walkJob({ id: 'walk-17', startFrom: NOW, climate: { kind: 'constant', tempC: 19, humidityPct: 55 } });
const resin = furtherSheets.find((s) => s.kind === 'liquid-resin')!;
const sheet: SheetRevision = {
  ...resin,
  id: 'felt-1',
  systemId: 'felt',
  name: 'Felt resin',
  // Mixed 1.10 at 100:38 by weight.
  parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.1 }, B: { densityGPerMl: 1.1 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 38 }),
  dose: null,
  mixMin: 3,
  potLossMl: 40 / 1.1,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [15, 38, 38],
      [25, 20, 20],
    ]),
    curve('open', 'last-coat', 'material', [
      [15, 60, 60],
      [25, 34, 34],
    ]),
    curve('release', 'faces-closed', 'base', [
      [15, 720, 720],
      [25, 360, 360],
    ]),
  ],
  limits: { ...resin.limits, baseMinC: null, materialMinC: null, liftMaxMm: null, bondMaxMm: null, bondMinMm: null },
  kits: [kitOf('kit', 'Kit 700 g', [507.2, 192.8], { yieldMl: null, splittable: true })],
};
const side = (count: number) => ({
  ...voidOf({
    ...SHAPES.wetOut.blank(),
    outline: { kind: 'rectangle', length: measured(900, 'rule'), width: measured(300, 'rule') },
    layers: 1,
    arealGPerM2: 320,
    fibrePct: 25,
    fibreGPerMl: 1.38,
    resinGPerMl: 1.1,
  } as unknown as VoidShape),
  count,
});
const piece = (over: Partial<Piece> = {}, count = 2, tempC = 19): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'felt-wet-out', version: 1 },
    void: side(count),
    sheetId: sheet.id,
    kitId: 'kit',
    materialC: tempC,
    // 250 mL a side in 6 min, laid in 11; 60 g/m² brushed over.
    settings: { over: 60 / 1.1, rate: 250.4 / 6, 'close min': 11 },
  });
  return {
    ...plain,
    base: { ...plain.base, material: 'laminate', known: baseAt(['2027-05-09T00:00', tempC]) },
    ...over,
  };
};
const plan = (of = piece(), airC = 19) =>
  printedPlan(
    {
      job: { ...job, climate: { kind: 'constant', tempC: airC, humidityPct: 55 } },
      repairs: [repairOf(of)],
      sheets: [sheet],
    },
    NOW,
  ).repairs[0]!;
const grams = (p: ReturnType<typeof plan>) => p.batches.reduce((sum, b) => sum + b.massG.A! + b.massG.B!, 0);

test('both sides 590.8 g from one mix: A 428.1, B 162.7, 84 % of a kit', () => {
  const p = plan();
  expect(p.batches).toHaveLength(1);
  expect(grams(p)).toBeCloseTo(590.8, 0);
  expect(p.batches[0]!.massG.A).toBeCloseTo(428.1, 0);
  expect(p.batches[0]!.massG.B).toBeCloseTo(162.7, 0);
  expect(grams(p) / 700).toBeCloseTo(0.84, 2);
});
test('felt and its resin: 259.2 g in each side, 1.10 mm thick', () => {
  const p = plan(piece({ settings: { over: 0, rate: 40 } }, 1));
  expect(p.volumeMl!.nominal * 1.1).toBeCloseTo(259.2, 0);
  expect(JSON.stringify(p.working)).toContain('Thickness of the laminate');
});
const IN_TURN = { order: 'in-turn' };
const minutesAfterMixing = (p: ReturnType<typeof plan>, id: string) =>
  (Date.parse(p.steps.find((s) => s.id === id)!.to!) - Date.parse(p.steps.find((s) => s.id === 'b1:mix')!.from!)) /
  60_000;

test('both are wetted, then both laid: pot empty at +15, closed at +26 and +37, each inside its open time', () => {
  const p = plan();
  const order = p.steps.filter((s) => /spread|close/.test(s.id)).map((s) => s.id);
  expect(order).toEqual(['b1:spread', 'b1.2:spread', 'b1:close', 'b1.2:close']);
  expect(minutesAfterMixing(p, 'b1.2:spread')).toBeCloseTo(15, 0);
  expect(minutesAfterMixing(p, 'b1:close')).toBeCloseTo(26, 0);
  expect(minutesAfterMixing(p, 'b1.2:close')).toBeCloseTo(37, 0);
  expect(p.findings.filter((f) => f.id.startsWith('late'))).toEqual([]);
});
test('at 24 °C it is still one mix that way; in turn the pot does not last: two of 315 g, 40 g more', () => {
  const hot = plan(piece({}, 2, 24), 24);
  expect(hot.batches).toHaveLength(1);
  expect(minutesAfterMixing(hot, 'b1.2:close')).toBeCloseTo(37, 0);
  expect(hot.findings.filter((f) => f.id.startsWith('late'))).toEqual([]);
  const turn = plan(piece({ schools: IN_TURN }, 2, 24), 24);
  expect(turn.batches).toHaveLength(2);
  expect(grams(turn)).toBeCloseTo(630.8, 0);
  for (const b of turn.batches) expect(b.massG.A! + b.massG.B!).toBeCloseTo(315.4, 0);
});
test('in turn at 19 °C the pot is empty at +26, before it is dead', () => {
  const p = plan(piece({ schools: IN_TURN }));
  expect(p.batches).toHaveLength(1);
  expect(minutesAfterMixing(p, 'b1.2:spread')).toBeCloseTo(26, 0);
  expect(p.findings.filter((f) => f.id.startsWith('late'))).toEqual([]);
});
test('no more are wetted at once than can be laid before the first or the last has lain too long', () => {
  // Open 47.6 min at 19 °C: three lie 6 + 33 = 39, four would lie 6 + 44 = 50; the pot would take four.
  for (const [count, lots] of [
    [3, 1],
    [4, 2],
  ] as const) {
    const p = plan(piece({ settings: { over: 60 / 1.1, rate: 250.4 / 6, 'close min': 11 } }, count));
    expect(p.batches).toHaveLength(lots);
    expect(p.findings.filter((f) => f.id.startsWith('late'))).toEqual([]);
  }
  // Laid in two minutes, it is the pot that bounds: 26.2 min of it are four of six.
  const quick = plan(piece({ settings: { over: 60 / 1.1, rate: 250.4 / 6, 'close min': 2 } }, 5));
  expect(quick.batches).toHaveLength(2);
});
test('ground through to the fibres is a stop', () => {
  const p = plan(piece({ answers: { fibres: 'no' } }));
  expect(p.findings.some((f) => f.severity === 'stop' && /fibres/i.test(f.title))).toBe(true);
});

test('trimmed when it may be sanded where the sheet prints that, else when it is released; one step either way', () => {
  const sanded: SheetRevision = {
    ...sheet,
    id: 'felt-2',
    milestones: [
      ...sheet.milestones.filter((m) => m.kind !== 'release'),
      curve('sandable', 'placed', 'base', [
        [10, 1440, 1440],
        [20, 600, 600],
      ]),
    ],
  };
  for (const [of, kind] of [
    [sheet, 'release'],
    [sanded, 'sandable'],
  ] as const) {
    const p = printedPlan({ job, repairs: [repairOf(piece({ sheetId: of.id }))], sheets: [of] }, NOW).repairs[0]!;
    const trims = p.steps.filter((s) => /^Trim/.test(s.title));
    expect([kind, trims.length]).toEqual([kind, 1]);
    expect(trims[0]!.from >= p.milestones.findLast((m) => m.kind === kind)!.plans!).toBe(true);
  }
});

test('random felts agree with a count by hand: one mix where pot and open time both last for both sides, else two', () => {
  for (const d of draws(30)) {
    const [length, width, areal] = [d.of(300, 1500, 10), d.of(100, 500, 10), d.of(150, 600, 10)];
    const [fibrePct, over, lost, tempC] = [d.of(15, 45, 1), d.of(0, 120, 5), d.of(0, 60, 5), d.of(15, 25, 0.5)];
    const [spread, lay, inTurn] = [d.of(2, 12, 0.5), d.of(3, 15, 0.5), d.odds(0.4)];
    const m2 = (length * width) / 1e6;
    const sideG = (m2 * areal * (100 - fibrePct)) / fibrePct + m2 * over;
    const mine = {
      ...sheet,
      potLossMl: lost / 1.1,
      kits: [kitOf('kit', 'Kit', [50_720, 19_280], { yieldMl: null, splittable: true })],
    };
    const shape = {
      ...SHAPES.wetOut.blank(),
      outline: { kind: 'rectangle', length: measured(length, 'rule'), width: measured(width, 'rule') },
      layers: 1,
      arealGPerM2: areal,
      fibrePct,
      fibreGPerMl: 1.38,
      resinGPerMl: 1.1,
    } as unknown as VoidShape;
    const of = piece(
      {
        void: { ...voidOf(shape), count: 2 },
        schools: inTurn ? IN_TURN : {},
        settings: { over: over / 1.1, rate: sideG / 1.1 / spread, 'close min': lay },
      },
      2,
      tempC,
    );
    const climate = { kind: 'constant', tempC, humidityPct: 55 } as const;
    const p = printedPlan({ job: { ...job, climate }, repairs: [repairOf(of)], sheets: [mine] }, NOW).repairs[0]!;

    const [pot, open] = [minutesAt(tempC, [15, 38], [25, 20]), minutesAt(tempC, [15, 60], [25, 34])];
    const emptied = 3 + 2 * spread + (inTurn ? lay : 0);
    const shut = inTurn ? lay : Math.max(spread + lay, 2 * lay);
    const mixes = emptied <= pot && shut <= open ? 1 : 2;
    expect([d.n, p.problems, p.batches.length]).toEqual([d.n, [], mixes]);
    expect(grams(p) / (2 * sideG + lost * mixes)).toBeCloseTo(1, 3);
    if (lay <= open) expect([d.n, p.findings.filter((f) => f.id.startsWith('late'))]).toEqual([d.n, []]);
  }
});
