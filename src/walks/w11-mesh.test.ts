import fc from 'fast-check';
import { methodOf } from '@/core/method';
import { meshPieces, stripMm } from '@/core/method/methods/crack-mesh';
import { type Piece, pacedAmounts, repairOf } from '@/core/plan';
import { bedAsMeasured } from '@/core/plan/actuals';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { parsePaced } from '@/core/typed';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { pasteSheet } from '@/sample/systems';
import { chased } from './crack';
import { draws, minutesAt, unionMm2 } from './draws';
import { at, baseAt, printedPlan, walkJob, walkPiece } from './made';

/** The ramp crack bridged with mesh: paste in the union, a bed and a cover, two batches by their minutes. */
const NOW = at('2027-04-22T08:00');
const job = walkJob({ id: 'walk-11', startFrom: NOW });
const sheet: SheetRevision = {
  ...pasteSheet,
  id: 'strip-1',
  systemId: 'strip',
  name: 'Strip paste',
  parts: partsOf('paste', { A: { densityGPerMl: 1.4 }, B: { densityGPerMl: 1.2 } }),
  ratio: ratioOf({ basis: 'volume', a: 1, b: 1 }),
  mixMin: 4,
  potLossMl: 0,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 45, 45],
      [20, 25, 25],
    ]),
    curve('recoat-from', 'placed', 'base', [
      [5, 540, 540],
      [20, 180, 180],
    ]),
    curve('recoat-until', 'placed', 'base', [
      [5, 2160, 2160],
      [20, 900, 900],
    ]),
    curve('foot', 'placed', 'base', [
      [5, 1200, 1200],
      [20, 480, 480],
    ]),
  ],
  limits: {
    ...pasteSheet.limits,
    baseMinC: null,
    materialMinC: null,
    liftMaxMm: null,
    liftMinMm: null,
    bondMaxMm: null,
  },
  kits: [kitOf('pair', 'Tin pair', [14_000, 12_000], { yieldMl: null, splittable: true })],
};
const strip = (thicknessMm: number) =>
  ({
    ...SHAPES.coat.blank(),
    outline: { kind: 'rectangle', length: measured(9600, 'tape'), width: measured(150, 'tape') },
    thickness: measured(thicknessMm, 'gauge'),
    texture: { from: 'class', class: 'none' },
  }) as VoidShape;
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'crack-mesh', version: 1 },
    void: voidOf(chased(9600, [3, 48], [14, 26]), strip(1.5), strip(1.5)),
    sheetId: sheet.id,
    kitId: 'pair',
    materialC: 14,
    // Five minutes a metre.
    settings: { over: 8, rate: 7320 / 48 },
  });
  return { ...plain, base: { ...plain.base, known: baseAt(['2027-04-21T00:00', 9]) }, ...over };
};
const plan = (over: Partial<Piece> = {}) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet] }, NOW).repairs[0]!;

test('6.78 L and 8 %: 7.32 L, in two batches of 3.66 L; one pot of it is not planned', () => {
  const p = plan();
  expect(p.volumeMl!.nominal / 1000).toBeCloseTo(6.78, 2);
  expect(p.toMixMl! / 1000).toBeCloseTo(7.32, 2);
  expect(p.batches).toHaveLength(2);
  for (const b of p.batches) expect(b.ml / 1000).toBeCloseTo(3.66, 2);
});
test('four pieces of mesh, 9.78 m with their laps, told before anything is mixed', () => {
  const cut = plan().steps.find((s) => s.id === 'prep:cut')!;
  expect(cut.title).toBe('Cut the mesh: 4 pieces, 9.78 m in all');
  const mixed = plan().steps.find((s) => s.id === 'b1:mix')!;
  expect(Date.parse(cut.to!)).toBeLessThanOrEqual(Date.parse(mixed.from!));
});
test('a strip measured as a face is as long as its longer side', () => {
  for (const [long, wide] of [
    [900, 150],
    [9600, 300],
    [200, 200],
  ] as const)
    expect(stripMm({ planAreaMm2: long * wide, perimeterMm: 2 * (long + wide) })).toBeCloseTo(long, 6);
  const cut = plan({ void: voidOf(strip(3)) }).steps.find((s) => s.id === 'prep:cut')!;
  expect(cut.title).toBe('Cut the mesh: 4 pieces, 9.78 m in all');
});
test('pieces of mesh cover the run, and one fewer would not', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 60_000 }),
      fc.integer({ min: 300, max: 5000 }),
      fc.integer({ min: 0, max: 250 }),
      (run, piece, lap) => {
        const n = meshPieces(run, piece, lap);
        const reach = (k: number) => k * piece - (k - 1) * lap;
        expect(reach(n)).toBeGreaterThanOrEqual(run);
        if (n > 1) expect(reach(n - 1)).toBeLessThan(run);
      },
    ),
  );
  expect(meshPieces(1000, 100, 100)).toBe(1);
});
test('sand broadcast is a step of its own, and swept once it may be walked on', () => {
  const p = plan({ schools: { top: 'sanded' } });
  expect(p.steps.map((s) => s.id)).toEqual(expect.arrayContaining(['broadcast', 'finish:sweep']));
  expect(plan().steps.map((s) => s.id)).not.toContain('broadcast');
  // 1.44 m² of strip at 3 kg, and the mesh with its laps; without the sand there is none to fetch.
  const fetch = (of: typeof p) => of.consumables.map((c) => [c.what, c.quantity, c.unit]);
  expect(fetch(p)).toEqual([
    ['mesh in a strip', 9.8, 'm'],
    ['dry sand to broadcast', 4.3, 'kg'],
  ]);
  expect(fetch(plan())).toEqual([['mesh in a strip', 9.8, 'm']]);
});
test('a crack that moves is a stop', () => {
  const p = plan({ answers: { moves: 'yes' } });
  expect(p.findings.some((f) => f.severity === 'stop' && /moves/.test(f.title))).toBe(true);
});

describe('what gauge marks over it tell', () => {
  const DAY = 86_400_000;
  const marks = (...of: readonly (readonly [day: number, mm: number])[]): Partial<Piece> => ({
    answers: { moves: 'no' },
    gauge: of.map(([day, mm]) => ({ atMs: NOW - (10 - day) * DAY, mm })),
  });
  const told = (over: Partial<Piece>) =>
    plan(over).findings.filter((f) => f.stage === 'inspect' && /moves|watched/i.test(f.title));

  test('still for six days: nothing is said', () => {
    expect(told(marks([0, 40], [3, 40.1], [6, 40]))).toEqual([]);
    expect(told({ answers: { moves: 'no' } })).toEqual([]);
  });
  test('moved 0.3 mm: a stop with the flexible route, whatever was answered', () => {
    const [stop, ...more] = told(marks([0, 40], [6, 40.3]));
    expect(more).toEqual([]);
    expect(stop).toMatchObject({ severity: 'stop', title: 'It moves' });
    expect(stop!.why).toMatch(/40 mm to 40\.3 mm apart in 6 d.*0\.30? mm.*0\.20? mm/);
    expect(stop!.todo).toMatch(/flexible route/);
  });
  test('a day of standing still is no proof', () => {
    expect(told(marks([0, 40], [1, 40]))).toMatchObject([{ severity: 'caution', title: 'Not watched for long' }]);
  });
  test('the flexible route itself reads them without a word', () => {
    const p = plan({
      ...marks([0, 40], [6, 40.3]),
      method: { id: 'flexible-joint', version: 1 },
      settings: {},
      schools: {},
    });
    expect(p.findings.filter((f) => f.title === 'It moves')).toEqual([]);
  });
});

describe('its edge and its mesh', () => {
  const said = (over: Partial<Piece>, title: RegExp) => plan(over).findings.filter((f) => title.test(f.title));

  test('an edge feathered with no coat to follow is a caution, mended by a cut edge or by what is laid over it', () => {
    const [feathered] = said({}, /Nothing goes over it/);
    expect(feathered).toMatchObject({ severity: 'caution', stage: 'place' });
    expect(feathered!.ways!.map((w) => w.set)).toEqual([{ path: ['schools', 'edge'], value: 'cut' }]);
    expect(said({ schools: { edge: 'cut' } }, /Nothing goes over it/)).toEqual([]);
    expect(said({ meets: { ...piece().meets, over: 'paint' } }, /Nothing goes over it/)).toEqual([]);
  });
  test('a skim in the chain is what goes over it', () => {
    const mesh = repairOf(piece());
    const skim = {
      ...mesh.passes.p1!,
      name: 'Skim',
      method: { id: 'skim-coat', version: 1 },
      takes: { from: 'face', of: 'p1', thickness: measured(1.5, 'gauge'), beyondMm: 75 },
      gate: 'window',
      void: null,
      schools: {},
      settings: {},
    } as (typeof mesh.passes)['p1'];
    const chain = { ...mesh, chain: ['p1', 'p2'], passes: { ...mesh.passes, p2: skim! } };
    const p = printedPlan({ job, repairs: [chain], sheets: [sheet] }, NOW).repairs[0]!;
    expect(p.findings.filter((f) => /Nothing goes over it/.test(f.title))).toEqual([]);
  });
  test('mesh of 120 lies in a bed of 150; wider than its bed it is torn off, and is told how wide it may be', () => {
    expect(said({ settings: { ...piece().settings, meshWidth: 120 } }, /wider than its bed/)).toEqual([]);
    const [wide] = said({ settings: { ...piece().settings, meshWidth: 200 } }, /wider than its bed/);
    expect(wide!.why).toMatch(/200 mm wide and lies on 150 mm/);
    expect(wide!.ways!.map((w) => w.set)).toEqual([{ path: ['settings', 'meshWidth'], value: 150 }]);
  });
  test('over a crack of which nobody measured the bed, that is reckoned from the mesh, and nothing is torn off', () => {
    const crack = voidOf(chased(9600, [3, 48], [14, 26]));
    expect(said({ void: crack }, /wider than its bed/)).toEqual([]);
    const p = plan({ void: crack });
    // 2.46 L in the crack; 100 mm of mesh and 15 on each side, 3 mm thick: 3.74 L; 8 % of both.
    const line = (label: RegExp) => p.amounts.find((l) => label.test(l.label))!.ml;
    expect(line(/bed and cover/)).toBeCloseTo(9600 * 0.13 * 3, 0);
    expect(line(/on tools, pressed out/)).toBeCloseTo(0.08 * (2460 + 3744), -1);
    const wide = plan({ void: crack, settings: { ...piece().settings, meshWidth: 200, margin: 25, bed: 2 } });
    expect(wide.amounts.find((l) => /bed and cover/.test(l.label))!.ml).toBeCloseTo(9600 * 0.25 * 2, 0);
    // Where it is measured nothing is added to it, and nobody is asked for it.
    const asked = (v: Piece['void']) =>
      methodOf('crack-mesh')!.settings.flatMap((s) => (s.openIn ? [[s.id, s.openIn(v!)]] : []));
    expect(asked(crack)).toEqual([
      ['bed', true],
      ['margin', true],
    ]);
    expect(asked(piece().void).map(([, open]) => open)).toEqual([false, false]);
    expect(plan().amounts.some((l) => /bed and cover/.test(l.label))).toBe(false);
  });
  test('the strip beside it is ground as wide as it lies, not as wide as the crack', () => {
    const minutes = (over: Partial<Piece>) => {
      const s = plan(over).steps.find((step) => step.id === 'prep:chase')!;
      return (Date.parse(s.to!) - Date.parse(s.from!)) / 60_000;
    };
    const crack = voidOf(chased(9600, [3, 48], [14, 26]));
    // 9.6 m of 100 mm and 15 on each side: 1.25 m² at an hour each, beside ten minutes.
    expect(minutes({ void: crack })).toBe(Math.ceil(10 + 9.6 * 0.13 * 60));
    expect(minutes({ void: crack, settings: { ...piece().settings, meshWidth: 200, margin: 25 } })).toBe(
      Math.ceil(10 + 9.6 * 0.25 * 60),
    );
    // Of a bed that was measured the face is what it was.
    expect(minutes({})).toBeGreaterThanOrEqual(10 + 9.6 * 0.15 * 60);
  });
  test('work that was begun before goes on with what was measured alone', () => {
    expect(bedAsMeasured({ startedAt: NOW, madeWith: '0.45.0' })).toBe(true);
    expect(bedAsMeasured({ startedAt: NOW, madeWith: '0.46.0' })).toBe(false);
    expect(bedAsMeasured({ startedAt: null, madeWith: null })).toBe(false);
  });
});

describe('the skim over it, on the next day', () => {
  const claimed = (coversM2PerL: number | null, over: Partial<Piece> = {}) => {
    const skim: SheetRevision = { ...sheet, id: 'skim-1', systemId: 'skim', name: 'Skim', coversM2PerL };
    const face = voidOf({
      ...SHAPES.coat.blank(),
      outline: { kind: 'rectangle', length: measured(9600, 'tape'), width: measured(300, 'tape') },
      thickness: measured(1.5, 'gauge'),
      // Half a millimetre of texture, by its sand patch: 25 mL of sand in a circle of 252.3 mm.
      texture: { from: 'sand-patch', sandMl: 25, circle: measured(Math.sqrt((4 * 25_000) / (Math.PI * 0.5)), 'rule') },
    } as VoidShape);
    const of = piece({ method: { id: 'skim-coat', version: 1 }, void: face, sheetId: skim.id, settings: {}, ...over });
    return printedPlan({ job, repairs: [repairOf(of)], sheets: [skim] }, NOW).repairs[0]!;
  };
  const net = (p: ReturnType<typeof claimed>) => p.toMixMl! / 1000;

  test('5.76 L by geometry, 6.86 L by the sheet: the sheet plans, and the gap is said', () => {
    expect(net(claimed(null))).toBeCloseTo(5.76, 2);
    const p = claimed(0.42);
    expect(net(p)).toBeCloseTo(6.86, 2);
    const [note] = p.findings.filter((f) => /more than the geometry/.test(f.title));
    expect(note!.why).toMatch(/6\.86 L.*5\.76 L.*1\.10 L.*19 %/);
  });
  test('a sheet that claims more than geometry can give is not believed: the geometry plans, without a word', () => {
    const p = claimed(2);
    expect(net(p)).toBeCloseTo(5.76, 2);
    expect(p.findings.filter((f) => /more than the geometry/.test(f.title))).toEqual([]);
  });
  test('two coats take the texture once, and the sheet’s claim twice', () => {
    expect(net(claimed(null, { settings: { coats: 2 } }))).toBeCloseTo(5.76 + 2.88 * 1.5, 2);
    expect(net(claimed(0.42, { settings: { coats: 2 } }))).toBeCloseTo(2 * 6.857, 2);
  });
  test('faces of two shapes are each coated once: the second coat of both is no more than both', () => {
    const half = (thickness: number) =>
      ({
        ...SHAPES.coat.blank(),
        outline: { kind: 'rectangle', length: measured(4800, 'tape'), width: measured(300, 'tape') },
        thickness: measured(thickness, 'gauge'),
        texture: { from: 'class', class: 'none' },
      }) as VoidShape;
    const p = claimed(null, { void: voidOf(half(1), half(3)), settings: { coats: 2 } });
    expect(net(p)).toBeCloseTo(2 * (1.44 * 1 + 1.44 * 3), 3);
  });
});

test('five minutes a metre are 152.5 mL a minute', () => {
  const { plan: planned } = viewJob({ job, repairs: [repairOf(piece())], sheets: [sheet], stock: [], events: [] }, NOW)
    .repairs[0]!;
  const amounts = pacedAmounts(planned, planned.method!.settings.find((s) => s.id === 'rate')!)!;
  expect(parsePaced('rate', '5 min per metre', 'metric', amounts)).toMatchObject({ value: expect.closeTo(152.5, 0) });
});

test('random cracks under mesh agree with a count by hand: paste in union and strip, in pots laid in time', () => {
  for (const d of draws(25)) {
    const [run, wide, bed, cover] = [d.of(1000, 15_000, 100), d.of(120, 250, 10), d.of(1, 2.5, 0.5), d.of(1, 2.5, 0.5)];
    const [slotWide, slotDeep, veeWide, veeDeep] = [d.of(2, 6, 0.5), d.of(20, 60, 1), d.of(8, 24, 1), d.of(8, 30, 1)];
    const [over, minPerM, mixMin] = [d.of(0, 15, 1), d.of(2, 8, 0.5), d.of(2, 6, 1)];
    const [materialC, baseC] = [d.of(10, 20, 0.5), d.of(5, 20, 0.5)];
    const layer = (mm: number) =>
      ({
        ...SHAPES.coat.blank(),
        outline: { kind: 'rectangle', length: measured(run, 'tape'), width: measured(wide, 'tape') },
        thickness: measured(mm, 'gauge'),
        texture: { from: 'class', class: 'none' },
      }) as VoidShape;
    const litres =
      ((unionMm2([slotWide, slotDeep], [veeWide, veeDeep]) + wide * (bed + cover)) * run * (1 + over / 100)) / 1e6;
    const of = piece({
      void: voidOf(chased(run, [slotWide, slotDeep], [veeWide, veeDeep]), layer(bed), layer(cover)),
      materialC,
      settings: { over, rate: (litres * 1e6) / run / minPerM },
    });
    const base = { ...of.base, known: baseAt(['2027-04-21T00:00', baseC]) };
    const mine = {
      ...sheet,
      mixMin,
      kits: [kitOf('pair', 'Tin pair', [140_000, 120_000], { yieldMl: null, splittable: true })],
    };
    const p = printedPlan({ job, repairs: [repairOf({ ...of, base })], sheets: [mine] }, NOW).repairs[0]!;

    const left = minutesAt(Math.max(materialC, baseC), [10, 45], [20, 25]) - mixMin;
    // In time, and in the tub that is thought at hand: 45 L, two thirds full.
    const pots = Math.max(Math.ceil((run / 1000) * (minPerM / left) - 1e-6), Math.ceil(litres / 30 - 1e-6));
    expect([d.n, p.problems, p.toMixMl! / 1000 / litres, p.batches.length]).toEqual([
      d.n,
      [],
      expect.closeTo(1, 2),
      pots,
    ]);
    let pieces = 1;
    while (pieces * 2500 - (pieces - 1) * 60 < run) pieces++;
    const cut = p.steps.find((s) => s.id === 'prep:cut')!.title;
    if (pieces > 1) expect([d.n, cut]).toEqual([d.n, expect.stringContaining(`${pieces} pieces`)]);
  }
});

test('several cracks are each bridged by pieces of their own: told, cut and fetched for all of them', () => {
  const mesh = (of: Piece['void']) => {
    const p = plan(piece({ void: of }));
    const fetched = p.consumables.find((c) => c.what === 'mesh in a strip')!;
    return [p.steps.find((s) => s.id === 'prep:cut')!.title, fetched.quantity];
  };
  const crack = (run: number) => chased(run, [3, 48], [14, 26]);
  // 2.5 m a piece, 60 mm a lap: 9.6 m take four, whichever crack they are of.
  const one = voidOf(crack(9600));
  expect(mesh(one)).toEqual(['Cut the mesh: 4 pieces, 9.78 m in all', 9.8]);
  expect(mesh({ ...one, count: 3 })).toEqual(['Cut the mesh: 12 pieces, 29.3 m in all', 29]);
  // 2 m one piece, 3 m two, 7 m three: six, of which three lap over one of the same crack.
  const apart = { ...voidOf(crack(2000), crack(3000), crack(7000)), places: ['A', 'B', 'C'] };
  expect(mesh(apart)).toEqual(['Cut the mesh: 6 pieces, 12.2 m in all', 12]);
});
