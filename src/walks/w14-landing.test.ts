import { groundsOf, type Piece, repairOf } from '@/core/plan';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf, tiers } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { draws, minutesAt } from './draws';
import { at, baseAt, clock, printedPlan, walkJob, walkPiece } from './made';

/** The bed of the granite landing, combed no further than is covered before it skins. */
const H = 60;
const NOW = at('2027-04-19T08:00');
const job = walkJob({ id: 'walk-14', startFrom: NOW });
const tile = furtherSheets.find((s) => s.kind === 'tile-adhesive')!;
const sheet: SheetRevision = {
  ...tile,
  id: 'bed-1',
  systemId: 'bed',
  name: 'Flexible bed',
  parts: partsOf('tile-adhesive', { A: { densityGPerMl: 2.6 }, B: { densityGPerMl: 1 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 25 }),
  dose: null,
  potLossMl: 0,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [5, 300, 300],
      [20, 150, 150],
    ]),
    curve('open', 'placed', 'material', [
      [10, 32, 32],
      [20, 18, 18],
    ]),
    tiers('overlay', 'placed', [
      [18, 40, 100, 20 * H, 20 * H],
      [10, 18, 100, 36 * H, 36 * H],
    ]),
    curve('foot', 'placed', 'base', [
      [5, 48 * H, 48 * H],
      [20, 20 * H, 20 * H],
    ]),
  ],
  limits: { ...tile.limits, baseMinC: null, materialMinC: null, bondMaxMm: null, bondMinMm: null },
  kits: [kitOf('unit', 'Unit 15 L', [21_000, 5250], { yieldMl: 15_000, splittable: true })],
};
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'setting-bed', version: 1 },
    void: voidOf({
      ...SHAPES.notchedBed.blank(),
      outline: { kind: 'rectangle', length: measured(3600, 'tape'), width: measured(2000, 'tape') },
      notch: {
        form: 'round',
        width: measured(12, 'rule'),
        depth: measured(14, 'rule'),
        gap: measured(10, 'rule'),
      },
      trowelDeg: 60,
      backMm: 1,
    } as VoidShape),
    sheetId: sheet.id,
    kitId: 'unit',
    materialC: 15,
    settings: { 'lay-rate': 5, over: 0 },
  });
  return { ...plain, base: { ...plain.base, material: 'concrete', known: baseAt(['2027-04-18T00:00', 12]) }, ...over };
};
const plan = (over: Partial<Piece> = {}) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet] }, NOW).repairs[0]!;
const spreads = (p: ReturnType<typeof plan>) => p.steps.filter((s) => s.id.endsWith(':spread'));

test('a bed of 6.005 mm and 1.0 buttered: 50.4 L on 7.2 m²', () => {
  expect(plan().volumeMl!.nominal / 1000).toBeCloseTo(50.4, 1);
});
test('by the sheet 55.4 L, 9.8 % more than its geometry: the sheet plans, four whole units; a generous claim takes nothing off', () => {
  // A unit of 15 L by its parts, too.
  const claims = {
    ...sheet,
    parts: partsOf('tile-adhesive', { A: { densityGPerMl: 21 / 9.75 }, B: { densityGPerMl: 1 } }),
    coversM2PerL: 0.13,
    kits: sheet.kits.map((k) => ({ ...k, splittable: false })),
  };
  const by = (s: SheetRevision) =>
    printedPlan({ job, repairs: [repairOf(piece({ schools: { kits: 'whole' } }))], sheets: [s] }, NOW).repairs[0]!;
  const p = by(claims);
  expect(p.toMixMl! / 1000).toBeCloseTo(55.4, 1);
  expect(p.kits!.use).toBe(4);
  // Nobody mixes 60 L in one go: a tub of 45 L, filled to two thirds, takes two units.
  expect(p.batches.map((b) => b.kits)).toEqual([2, 2]);
  const more = p.amounts.find((a) => /coverage/.test(a.label))!;
  expect([more.voice, more.expression]).toEqual(['sheet', expect.stringMatching(/9\.8\d? %/)]);
  expect(p.findings.find((f) => f.id === 'claim')!.why).toMatch(/55\.4 L[\s\S]*50\.4 L[\s\S]*9\.8 %/);
  expect(by({ ...claims, coversM2PerL: 0.2 }).toMixMl! / 1000).toBeCloseTo(50.4, 1);
});
test('open 23.9 min at 5 m² an hour: four areas of 1.80 m², each covered in its open time', () => {
  const all = spreads(plan());
  expect(all).toHaveLength(4);
  for (const s of all) {
    const minutes = (Date.parse(s.to!) - Date.parse(s.from!)) / 60_000;
    // 1.80 m² at 5 m² an hour.
    expect(minutes).toBeCloseTo(21.6, 0);
    expect(minutes).toBeLessThan(23.9);
  }
  // Two pairs of hands cover twice as much of it.
  expect(spreads(plan({ crew: 2 }))).toHaveLength(2);
  // Slower hands, smaller areas.
  expect(spreads(plan({ settings: { 'lay-rate': 2, over: 0 } })).length).toBeGreaterThanOrEqual(9);
});
test('joints by the colder tier, 36 h on a base of 12 °C, and not 20', () => {
  const p = plan();
  const over = p.milestones.find((m) => m.kind === 'overlay')!;
  expect((Date.parse(over.plans!) - Date.parse(over.since!)) / 3_600_000).toBeCloseTo(36, 1);
  expect(clock(over.plans)).toMatch(/^(Tue|Wed)/);
});
test('seen from above: four spreads of 1.80 m² in the order they are laid, with no border of one’s own to pull', () => {
  const view = viewJob({ job, repairs: [repairOf(piece())], sheets: [sheet], stock: [], events: [] }, NOW);
  const { plan: planned } = view.repairs[0]!.passes[0]!;
  const g = groundsOf(planned)[0]!;
  expect(g.laid.map((l) => l.areaM2)).toEqual([1.8, 1.8, 1.8, 1.8].map((m2) => expect.closeTo(m2, 6)));
  expect(g.borders).toEqual([]);
  const times = g.laid.map((l) => l.span!.fromMs);
  expect(times).toEqual([...times].sort((a, b) => a - b));
  expect(new Set(times).size).toBe(4);
});

test('random beds agree with a count by hand: the ridges or the sheet, whole units, no area wider than is covered in time', () => {
  for (const d of draws(25)) {
    const [length, width, round] = [d.of(800, 6000, 50), d.of(600, 3000, 50), d.odds(0.5)];
    const [wide, gap, deg, back] = [d.of(6, 14, 1), d.of(5, 12, 1), d.of(45, 75, 5), d.of(0, 2, 0.5)];
    const [deep, covers, unit] = [d.of(8, 16, 1), d.of(0.08, 0.25, 0.01), d.of(8, 20, 1)];
    const [rate, materialC, baseC, crew] = [d.of(2, 12, 0.5), d.of(10, 20, 0.5), d.of(10, 20, 0.5), d.of(1, 3, 1)];
    const perMl = sheet.kits[0]!.massG.A! / 15_000;
    const mine: SheetRevision = {
      ...sheet,
      coversM2PerL: covers,
      // A little more in the bag than its litres weigh: the litres plan.
      kits: [kitOf('unit', 'Unit', [unit * 1150 * perMl, unit * 287.5 * perMl], { yieldMl: unit * 1000 })],
    };
    const p = (() => {
      const of = piece({
        void: voidOf({
          ...SHAPES.notchedBed.blank(),
          outline: { kind: 'rectangle', length: measured(length, 'tape'), width: measured(width, 'tape') },
          notch: {
            form: round ? 'round' : 'square',
            width: measured(wide, 'rule'),
            depth: measured(deep, 'rule'),
            gap: measured(gap, 'rule'),
          },
          trowelDeg: deg,
          backMm: back,
        } as VoidShape),
        settings: { 'lay-rate': rate, over: 0 },
        materialC,
        crew,
      });
      const base = { ...of.base, known: baseAt(['2027-04-18T00:00', baseC]) };
      return printedPlan({ job, repairs: [repairOf({ ...of, base })], sheets: [mine] }, NOW).repairs[0]!;
    })();

    const notch = round ? wide * (deep - wide / 2) + (Math.PI * wide ** 2) / 8 : wide * deep;
    const m2 = (length * width) / 1e6;
    const bed = m2 * ((notch / (wide + gap)) * Math.sin((deg * Math.PI) / 180) + back);
    const litres = Math.max(bed, m2 / covers);
    expect([d.n, p.problems, p.volumeMl!.nominal / 1000 / bed]).toEqual([d.n, [], expect.closeTo(1, 3)]);
    expect(p.toMixMl! / 1000 / litres).toBeCloseTo(1, 3);
    const most = (rate * crew * minutesAt(Math.max(materialC, baseC), [10, 32], [20, 18])) / 60;
    const areas = Math.max(1, ...spreads(p).map((s) => Number(/area \d+ of (\d+)/.exec(s.title)?.[1] ?? 1)));
    const pots = Math.max(...spreads(p).map((s) => Number(/^b(\d+)/.exec(s.id)![1])));
    // More areas than its minutes ask for only where the tub holds no more.
    expect([d.n, areas >= Math.ceil(m2 / most - 1e-9)]).toEqual([d.n, true]);
    if (areas > Math.ceil(m2 / most - 1e-9)) expect([d.n, (litres / pots) * 2 > 30]).toEqual([d.n, true]);
  }
});
