import fc from 'fast-check';
import { joints } from '@/core/judge/rules/movement';
import { blankShape, methodOf } from '@/core/method';
import { type Piece, repairOf, startsAskOf, startWindows } from '@/core/plan';
import { jointAsMeasured } from '@/core/plan/actuals';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { kindOf, measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf, single } from '@/sample/sheet-words';
import { pasteSheet } from '@/sample/systems';
import { at, baseAt, printedPlan, walkJob, walkPiece } from './made';

/** The contraction joint across the ramp: bays of 5 m, filled with what moves with it. */
const NOW = at('2027-04-22T08:00');
const job = walkJob({ id: 'walk-joint', startFrom: NOW });
const sheet: SheetRevision = {
  ...pasteSheet,
  id: 'flex-1',
  systemId: 'flex',
  name: 'Flexible paste',
  parts: partsOf('paste', { A: { densityGPerMl: 1.3 }, B: { densityGPerMl: 1.1 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 20 }),
  mixMin: 4,
  potLossMl: 20,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 60, 60],
      [20, 35, 35],
    ]),
    curve('foot', 'placed', 'base', [
      [10, 1440, 1440],
      [20, 720, 720],
    ]),
  ],
  limits: { ...pasteSheet.limits, baseMinC: null, materialMinC: null, liftMaxMm: 10, bondMaxMm: null, bondMinMm: null },
  kits: [kitOf('tin', 'Tin pair', [2000, 400], { yieldMl: null, splittable: true })],
};
const slot = (widthMm: number, depthMm: number) =>
  voidOf({
    ...SHAPES.chase.blank(),
    form: 'slot',
    stations: [
      { atMm: 0, widthMm, depthMm },
      { atMm: 6000, widthMm, depthMm },
    ],
    readWidth: { ...measured(0, 'calliper'), text: 'read' },
    readDepth: { ...measured(0, 'gauge'), text: 'read' },
    slot: null,
  } as VoidShape);
const piece = (widthMm: number, depthMm: number, over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'flexible-joint', version: 1 },
    void: slot(widthMm, depthMm),
    sheetId: sheet.id,
    kitId: 'tin',
    materialC: 15,
    settings: { run: 5000, movement: 25, coldest: -20, hottest: 40 },
  });
  return { ...plain, base: { ...plain.base, known: baseAt(['2027-04-21T00:00', 12]) }, ...over };
};
const plan = (of: Piece) => printedPlan({ job, repairs: [repairOf(of)], sheets: [sheet] }, NOW).repairs[0]!;
const found = (of: Piece, id: string) => plan(of).findings.find((f) => f.id === id);

test('told by length, width and depth it is the same plan as by two stations, and begins as wide below', () => {
  const told = (shape: VoidShape, widthMm: number, depthMm: number) =>
    ({
      ...shape,
      length: measured(6000, 'tape'),
      width: measured(widthMm, 'calliper'),
      depth: measured(depthMm, 'gauge'),
    }) as VoidShape;
  const asPicked = blankShape('flexible-joint', 'groove');
  expect(asPicked).toMatchObject({ shape: 'groove', form: 'slot' });
  expect(blankShape('flexible-joint', 'chase')).toMatchObject({ form: 'slot' });
  expect(blankShape('poured-crack', 'chase')).toMatchObject({ form: 'vee' });
  expect(methodOf('flexible-joint')!.shapes[0]).toBe('groove');
  for (const [w, z] of [
    [12, 8],
    [20, 10],
    [5, 8],
  ] as const) {
    const [one, two] = [plan(piece(w, z, { void: voidOf(told(asPicked, w, z)) })), plan(piece(w, z))];
    expect(one.toMixMl).toBeCloseTo(two.toMixMl!, 6);
    expect(one.steps).toEqual(two.steps);
    expect(one.findings.map((f) => [f.id, f.severity, f.why])).toEqual(
      two.findings.map((f) => [f.id, f.severity, f.why]),
    );
  }
});
test('12 × 8 mm over 6 m: 576 mL and a tenth, in one lift whatever the sheet says of lifts', () => {
  const p = plan(piece(12, 8));
  expect(p.volumeMl!.nominal).toBeCloseTo(576, 0);
  expect(p.toMixMl! - 20 * p.batches.length).toBeCloseTo(633.6, 0);
  expect(new Set(p.steps.filter((s) => s.id.endsWith(':place')).map((s) => s.title.split(',')[0]))).toEqual(
    new Set(['Fill and tool it']),
  );
  expect(p.findings.some((f) => f.id.startsWith('lift'))).toBe(false);
});
test('filled at 12 °C a bay of 5 m opens it by 1.6 and closes it by 1.4 mm: 12 mm bear that, 5 mm do not', () => {
  const { opensMm, closesMm } = joints(5000, 10e-6, { nowC: 12, coldestC: -20, hottestC: 40 });
  expect(opensMm).toBeCloseTo(1.6, 6);
  expect(closesMm).toBeCloseTo(1.4, 6);
  expect(found(piece(12, 8), 'movement')).toBeUndefined();
  const said = found(piece(5, 8), 'movement')!;
  expect(said.severity).toBe('stop');
  // 1.6 of 5 mm.
  expect(said.why).toMatch(/opens by 1.6 mm at −20 °C and closes by 1.4 mm at 40 °C: 32 % of its 5 mm/);
  expect(said.todo).toMatch(/at least 6.5 mm/);
});
test('by figures that nobody typed it is a caution that names them, and a stop once somebody has', () => {
  const said = (settings: Piece['settings']) => found(piece(5, 8, { settings }), 'movement')!;
  const none = said({});
  expect(none.severity).toBe('caution');
  expect(none.why).toMatch(
    /Nobody typed “Movement it bears, to either side”, “Length that moves .*: figures of Grenko/,
  );
  const one = said({ run: 5000, coldest: -20, hottest: 40 });
  expect([one.severity, one.why]).toEqual([
    'caution',
    expect.stringMatching(/Nobody typed “Movement it bears, to either side”: a figure of Grenko’s own\.$/),
  ]);
  expect(said({ run: 5000, movement: 25, coldest: -20, hottest: 40 }).severity).toBe('stop');
  // Typed as bearing more, nothing is said of it, whoever chose the rest.
  expect(found(piece(5, 8, { settings: { movement: 50 } }), 'movement')).toBeUndefined();
});
test('filled on a hot day it opens all the more', () => {
  const hot = piece(7, 8, { base: { ...piece(7, 8).base, known: baseAt(['2027-04-21T00:00', 35]) } });
  expect(found(piece(7, 8), 'movement')).toBeUndefined();
  expect(found(hot, 'movement')!.why).toMatch(/opens by 2.8 mm/);
});
test('what it opens and closes by is the whole of its year, however it is filled', () => {
  fc.assert(
    fc.property(fc.integer({ min: -20, max: 40 }), fc.integer({ min: 500, max: 50_000 }), (nowC, run) => {
      const { opensMm, closesMm } = joints(run, 10e-6, { nowC, coldestC: -20, hottestC: 40 });
      expect(opensMm + closesMm).toBeCloseTo(run * 10e-6 * 60, 9);
    }),
  );
});
test('as deep as it is wide is the wrong shape; half as deep, or the least depth of a narrow one, is not', () => {
  expect(found(piece(20, 20), 'joint-shape')!.todo).toMatch(/about 10 mm/);
  expect(found(piece(20, 10), 'joint-shape')).toBeUndefined();
  expect(found(piece(8, 8), 'joint-shape')).toBeUndefined();
});
test.each([
  ['flexible', 'no', /Not named flexible/],
  ['old', 'no', /Old filling/],
] as const)('%s answered %s stops it', (question, answer, says) => {
  const p = plan(piece(12, 8, { answers: { [question]: answer } }));
  expect(p.findings.some((f) => f.severity === 'stop' && says.test(f.title))).toBe(true);
});

describe('out of a twin cartridge, 6 m of 20 × 10 mm', () => {
  const cartridge = (works: number): SheetRevision => ({
    ...pasteSheet,
    id: 'flex-2',
    systemId: 'flex-2',
    name: 'Joint sealant 1:1',
    kind: 'cartridge-paste',
    parts: partsOf('cartridge-paste', { A: { densityGPerMl: 1.3 }, B: { densityGPerMl: 1.1 } }),
    ratio: ratioOf({ basis: 'volume', a: 1, b: 1 }),
    mixer: { volumeMl: 9, purgeMl: 10, reachMm: 100, flowMl: 0 },
    milestones: [
      { ...single('use-by', 'mix-begins', 'base', works, works) },
      { ...single('foot', 'placed', 'base', 720, 720) },
    ],
    limits: sheet.limits,
    kits: [kitOf('pack', '400 mL 1:1', [260, 220], { yieldMl: 400, splittable: false })],
  });
  const long = (mm: number) =>
    voidOf({
      ...blankShape('flexible-joint', 'groove'),
      length: measured(mm, 'tape'),
      width: measured(20, 'calliper'),
      depth: measured(10, 'gauge'),
    } as VoidShape);
  const asked = (mm: number, works = 20) => ({
    job,
    repairs: [repairOf(piece(20, 10, { sheetId: 'flex-2', kitId: 'pack', materialC: 20, void: long(mm) }))],
    sheets: [cartridge(works)],
  });
  const pressed = (mm: number, works?: number) => printedPlan(asked(mm, works), NOW).repairs[0]!;
  const of = (p: ReturnType<typeof pressed>, id: string) => p.findings.find((f) => f.id === id);

  test('one mixer and four packs; 211 mL of them left are plenty, the last drops of a pack are not', () => {
    const p = pressed(6000);
    expect(p.kits!.use).toBe(4);
    expect(p.toMixMl!).toBeCloseTo(1320 + 19, 0);
    expect(of(p, 'spare')).toBeUndefined();
    // 400 less 380 that go in and a mixer.
    const tight = pressed(1730);
    expect(tight.kits!.use).toBe(1);
    expect(of(tight, 'spare')!.why).toMatch(/^0\.4\d* mL are left of 1 pack, and 381 mL go in: a twentieth more/);
  });
  test('however long it is, no start is refused for a pot that dies: each stretch is worked as it is filled', () => {
    for (const mm of [6000, 30_000]) {
      const { repairs, windows } = viewJob({ ...asked(mm, 6), stock: [], events: [] }, NOW).plan;
      const starts = startWindows(startsAskOf(repairs[0]!, job, windows, NOW)!);
      expect([mm, starts.bestMs]).toEqual([mm, expect.any(Number)]);
      expect([mm, starts.reasons.map((r) => r.id)]).toEqual([mm, expect.not.arrayContaining(['pot'])]);
    }
  });
  test('longer than its working time it is told how much to fill at a time; shorter it is not', () => {
    // 1.32 L at 60 mL a minute are 22 min.
    const note = of(pressed(6000, 6), 'stretches')!;
    expect(note.severity).toBe('note');
    const usable = pressed(6000, 6).usableMin!;
    const metres = Number(/Fill ([\d.]+) m at a time/.exec(note.todo)![1]);
    expect(metres).toBeLessThanOrEqual((usable / 22) * 6);
    expect(metres).toBeGreaterThan((usable / 22) * 6 - 0.2);
    expect(of(pressed(6000, 40), 'stretches')).toBeUndefined();
    // What is mixed in a pot dies all at once: it has its batches instead.
    expect(found(piece(20, 10), 'stretches')).toBeUndefined();
  });
});

test('it is sawn and backed by its metre, however wide it is', () => {
  const minutes = (of: Piece, id: string) => {
    const step = plan(of).steps.find((s) => s.id === id)!;
    return (Date.parse(step.to!) - Date.parse(step.from!)) / 60_000;
  };
  for (const widthMm of [10, 20]) {
    expect([widthMm, minutes(piece(widthMm, widthMm / 2), 'prep:saw')]).toEqual([widthMm, 10 + 6 * 4]);
    expect([widthMm, minutes(piece(widthMm, widthMm / 2), 'prep:rod')]).toEqual([widthMm, 5 + 6 * 1]);
  }
});

describe('a joint sawn deeper than its filling stretches', () => {
  const lines = (of: Piece, sheets = [sheet]) =>
    viewJob({ job, repairs: [repairOf(of)], sheets, stock: [], events: [] }, NOW).repairs[0]!.plan.mix!.lines;
  const line = (of: Piece, id: string) => lines(of).find((l) => l.id === id)?.ml ?? 0;

  test('12 × 40 mm over 6 m: 8 mm are filled over a rod, a fifth of what was measured', () => {
    const deep = piece(12, 40);
    expect([line(deep, 'net'), line(deep, 'rod')]).toEqual([expect.closeTo(2880, 6), expect.closeTo(-2304, 6)]);
    expect(line(deep, 'over')).toBeCloseTo(57.6, 6);
    // As the same joint measured to the top of its rod.
    const p = plan(deep);
    expect(p.toMixMl).toBeCloseTo(plan(piece(12, 8)).toMixMl!, 6);
    expect(p.steps.find((s) => s.id === 'prep:rod')!.detail).toMatch(
      /pressed to an even depth.*its top 8 mm below the face/,
    );
    expect([found(deep, 'joint-rod')?.severity, found(deep, 'joint-shape')]).toEqual(['note', undefined]);
    expect(found(deep, 'joint-rod')!.why).toMatch(/12 mm wide and 40 mm deep: filled 8 mm deep/);
  });
  test('half as deep as it is wide, or as deep of its width as one says; doubt is of what is filled', () => {
    expect(line(piece(30, 60), 'rod')).toBeCloseTo(-6 * 30 * 45, 6);
    const settings = { run: 5000, movement: 25, coldest: -20, hottest: 40, fill: 80 };
    expect(line(piece(30, 60, { settings }), 'rod')).toBeCloseTo(-6 * 30 * 36, 6);
    const read = (depthMm: number) => {
      const shape = { ...blankShape('flexible-joint', 'groove'), length: measured(6000, 'tape') };
      const sized = { ...shape, width: measured(20, 'rule'), depth: measured(depthMm, 'guess') } as VoidShape;
      return piece(20, depthMm, { void: voidOf(sized), reserve: true });
    };
    // 20 % of the depth below the rod is in doubt as well, and nothing of it is mixed.
    const all = line(read(60), 'net') + line(read(60), 'rod');
    expect(all).toBeCloseTo(1200, 6);
    expect(line(read(60), 'reserve')).toBeGreaterThan(0);
    expect(line(read(60), 'reserve')).toBeLessThan(0.25 * all);
  });
  test('on tape, without room for the rod, or narrowing to a point it is filled as it was measured', () => {
    const onTape = piece(12, 40, { schools: { back: 'tape' } });
    expect([line(onTape, 'rod'), found(onTape, 'joint-shape')?.severity]).toEqual([0, 'caution']);
    expect(line(piece(20, 27), 'rod')).toBe(0);
    const vee = { ...blankShape('flexible-joint', 'groove'), form: 'vee', length: measured(6000, 'tape') };
    const pointed = { ...vee, width: measured(12, 'rule'), depth: measured(40, 'rule') } as VoidShape;
    expect(line(piece(12, 40, { void: voidOf(pointed) }), 'rod')).toBe(0);
  });
  test('its section shows the rod: as wide as the joint, its top where the filling ends', () => {
    const drawn = (of: Piece) => {
      const { context } = viewJob({ job, repairs: [repairOf(of)], sheets: [sheet], stock: [], events: [] }, NOW)
        .repairs[0]!.plan;
      const shape = of.void!.shapes[0]!;
      return methodOf('flexible-joint')!.standsIn!(context!, shape, kindOf(shape).section(shape));
    };
    const box = (points: readonly (readonly [number, number])[]) => {
      const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
      return [Math.max(...xs) - Math.min(...xs), Math.min(...ys), Math.max(...ys)] as const;
    };
    const [room, rod] = drawn(piece(12, 40)).map((o) => [o.role, ...box(o.points)] as const);
    expect(room).toEqual(['keep-clear', expect.closeTo(12, 6), expect.closeTo(8, 6), expect.closeTo(40, 6)]);
    // A quarter wider than the joint, pressed to its width: 15 mm high.
    expect(rod).toEqual(['rod', expect.closeTo(12, 6), expect.closeTo(8, 6), expect.closeTo(23, 6)]);
    expect([drawn(piece(12, 8)), drawn(piece(12, 40, { schools: { back: 'tape' } }))]).toEqual([[], []]);
  });
  test('work that was begun before goes on as it was begun', () => {
    const then = (madeWith: string) =>
      methodOf('flexible-joint')!.filledShare!({
        ...viewJob({ job, repairs: [repairOf(piece(12, 40))], sheets: [sheet], stock: [], events: [] }, NOW).repairs[0]!
          .plan.context!,
        jointAsMeasured: jointAsMeasured({ startedAt: NOW, madeWith }),
      });
    expect([then('0.46.0'), then('0.47.0')]).toEqual([1, expect.closeTo(0.2, 9)]);
  });
});
