import { formsFor, softensIn } from '@/core/method/methods/rebuilt-part';
import { type Piece, repairOf } from '@/core/plan';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { plainWords } from '@/words';
import { draws } from './draws';
import { at, baseAt, printedPlan, walkJob, walkPiece } from './made';

/** A shroud tab of the control cabinet, built up in the mould of its twin. */
const NOW = at('2027-04-26T08:00');
const job = walkJob({ id: 'walk-8', startFrom: NOW });
const powder = furtherSheets.find((s) => s.kind === 'powder-liquid')!;
const sheet: SheetRevision = {
  ...powder,
  id: 'bead-1',
  systemId: 'bead',
  name: 'Powder and liquid',
  // 3.01 g fill 2.55 mL: cured 1.18; the liquid alone is 0.94.
  parts: partsOf('powder-liquid', { A: { densityGPerMl: 1.4 / (2.4 / 1.18 - 1 / 0.94) }, B: { densityGPerMl: 0.94 } }),
  ratio: ratioOf({ basis: 'weight', a: 140, b: 100 }),
  potLossMl: 0,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 40, 40],
      [20, 25, 25],
    ]),
    curve('release', 'placed', 'base', [
      [10, 60, 60],
      [20, 30, 30],
    ]),
  ],
  limits: { ...powder.limits, baseMinC: null, materialMinC: null, liftMaxMm: null, liftMinMm: null },
  kits: [kitOf('set', 'Set', [140, 100], { yieldMl: null, splittable: true })],
};
const SETTINGS = { stick: 8, pressed: 5, bath: 68, room: 12, soft: 60, stiff: 50 };
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'rebuilt-part', version: 1 },
    void: voidOf(
      {
        ...SHAPES.castCopy.blank(),
        outline: { kind: 'rectangle', length: measured(34, 'calliper'), width: measured(18, 'calliper') },
        thickness: measured(3.2, 'calliper'),
        holes: [{ xMm: 17, yMm: 9, diameterMm: 5 }],
      } as VoidShape,
      {
        ...SHAPES.fillet.blank(),
        radius: measured(3, 'calliper'),
        length: measured(34, 'calliper'),
      } as VoidShape,
    ),
    sheetId: sheet.id,
    kitId: 'set',
    materialC: 18,
    settings: SETTINGS,
  });
  return { ...plain, base: { ...plain.base, material: 'plastic', known: baseAt(['2027-04-25T00:00', 18]) }, ...over };
};
const plan = (over: Partial<Piece> = {}) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet] }, NOW).repairs[0]!;

test('1.961 mL, with what is cut away 2.55: powder 1.75 g, liquid 1.25 g, 43 beads in 8.6 min', () => {
  const p = plan();
  expect(p.volumeMl!.nominal).toBeCloseTo(1.961, 2);
  expect(p.toMixMl).toBeCloseTo(2.55, 2);
  expect(p.batches[0]!.massG.A).toBeCloseTo(1.75, 1);
  expect(p.batches[0]!.massG.B).toBeCloseTo(1.25, 1);
  const build = p.steps.find((s) => s.id === 'b1:place')!;
  expect(build.title).toBe('Build it up: 43 beads');
  expect((Date.parse(build.to!) - Date.parse(build.from!)) / 60_000).toBe(9);
});
test('the brush holds the ratio bead by bead: no scale is too coarse, no tub decides', () => {
  const coarse = piece({ scaleStepG: 1 });
  expect(plan({ scaleStepG: 1 }).findings.filter((f) => f.id === 'scale')).toEqual([]);
  const { working } = viewJob({ job, repairs: [repairOf(coarse)], sheets: [sheet], stock: [], events: [] }, NOW)
    .repairs[0]!.plan.mix!;
  const labels = working.map((l) => plainWords(l.label));
  expect(labels.length).toBeGreaterThan(2);
  expect(labels).not.toContain('Largest batch');
});

test('the stick is soft through after 2.44 min and may be formed for 62 s, and the plan gives it that time', () => {
  expect(softensIn({ settings: SETTINGS })).toBeCloseTo(2.44, 2);
  expect(Math.abs(formsFor({ settings: SETTINGS })! - 62)).toBeLessThanOrEqual(3);
  const mould = (over: Partial<Piece>) => plan(over).steps.find((s) => s.id === 'prep:mould')!;
  const minutes = (s: ReturnType<typeof mould>) => (Date.parse(s.to!) - Date.parse(s.from!)) / 60_000;
  // Twice as thick takes about four times as long to its middle.
  const thick = softensIn({ settings: { ...SETTINGS, stick: 16 } })!;
  expect(thick / 2.44).toBeGreaterThan(3.3);
  expect(minutes(mould({ settings: { ...SETTINGS, stick: 16 } })) - minutes(mould({}))).toBeGreaterThanOrEqual(6);
});
test('water that is too cold for the stick is said, never taken as no time', () => {
  expect(softensIn({ settings: { ...SETTINGS, bath: 58 } })).toBeNull();
  expect(formsFor({ settings: { ...SETTINGS, bath: 58 } })).toBeNull();
  expect(plan({ settings: { ...SETTINGS, bath: 58 } }).steps.length).toBeGreaterThan(5);
});
test.each([
  ['hand', 'no', /left copied for a right/i],
  ['bonds', 'no', /may not bond/],
] as const)('%s answered %s stops it, and the rest of the plan stands', (question, answer, says) => {
  const p = plan({ answers: { [question]: answer } });
  expect(p.findings.some((f) => f.severity === 'stop' && says.test(f.title))).toBe(true);
  expect(p.toMixMl).toBeCloseTo(2.55, 2);
});
test('order: key, mould, beads, demould, cut and drill', () => {
  expect(
    plan()
      .steps.map((s) => s.id)
      .filter((id) => /key|mould|place|cut/.test(id)),
  ).toEqual(['prep:key', 'prep:mould', 'b1:place', 'finish:demould', 'finish:cut']);
});

test('random tabs agree with a count by hand: mass, beads, and the stick cut in thin slices, step by step', () => {
  /** A slab that was one temperature all through, between films: seconds until its middle, or its mean, is there. */
  const slab = (o: { mm: number; h: number; fromC: number; intoC: number; toC: number; at: 'centre' | 'mean' }) => {
    const [cells, k, rhoC] = [40, 0.25, 1080 * 1900];
    const dx = o.mm / 2000 / cells;
    const dt = (0.4 * dx * dx * rhoC) / k;
    const film = 1 / (1 / o.h + dx / 2 / k);
    let c = Float64Array.from({ length: cells }, () => o.fromC);
    const mean = () => c.reduce((sum, x) => sum + x, 0) / cells;
    const now = () => (o.at === 'centre' ? c[0]! + (c[0]! - c[1]!) / 8 : mean());
    const there = () => (o.intoC > o.fromC ? now() >= o.toC : now() <= o.toC);
    let seconds = 0;
    for (; !there(); seconds += dt)
      c = c.map((x, i) => {
        const inwards = i ? ((c[i - 1]! - x) * k) / dx : 0;
        const outwards = i + 1 < cells ? ((c[i + 1]! - x) * k) / dx : (o.intoC - x) * film;
        return x + ((inwards + outwards) * dt) / (dx * rhoC);
      });
    return { seconds, meanC: mean() };
  };
  for (const d of draws(20, 8)) {
    const [long, wide, thick, bore] = [d.of(20, 60, 1), d.of(10, 30, 1), d.of(2, 6, 0.2), d.of(3, 8, 0.5)];
    const [fillet, cut, ratio, liquid] = [d.of(1, 5, 0.5), d.of(10, 60, 5), d.of(100, 220, 10), d.of(0.9, 1, 0.01)];
    const [powder, rate, beads] = [d.of(1.1, 1.3, 0.01), d.of(0.1, 0.6, 0.1), d.of(2, 10, 1)];
    const settings = {
      cut,
      rate,
      beads,
      stick: d.of(4, 12, 1),
      pressed: d.of(3, 7, 0.5),
      bath: d.of(65, 80, 1),
      room: d.of(8, 25, 1),
      soft: d.of(56, 62, 1),
      stiff: d.of(44, 52, 1),
    };
    const mine: SheetRevision = {
      ...sheet,
      parts: partsOf('powder-liquid', { A: { densityGPerMl: powder }, B: { densityGPerMl: liquid } }),
      ratio: ratioOf({ basis: 'weight', a: ratio, b: 100 }),
    };
    const tab = voidOf(
      {
        ...SHAPES.castCopy.blank(),
        outline: { kind: 'rectangle', length: measured(long, 'calliper'), width: measured(wide, 'calliper') },
        thickness: measured(thick, 'calliper'),
        holes: [{ xMm: long / 2, yMm: wide / 2, diameterMm: bore }],
      } as VoidShape,
      {
        ...SHAPES.fillet.blank(),
        radius: measured(fillet, 'calliper'),
        length: measured(long, 'calliper'),
      } as VoidShape,
    );
    const p = printedPlan({ job, repairs: [repairOf(piece({ void: tab, settings }))], sheets: [mine] }, NOW)
      .repairs[0]!;
    const ml =
      (((long * wide - (Math.PI * bore ** 2) / 4) * thick + fillet ** 2 * (1 - Math.PI / 4) * long) / 1000) *
      (1 + cut / 100);
    const massB = ml / (ratio / 100 / powder + 1 / liquid);
    const lays = Math.ceil((ml * beads) / rate - 1e-6);
    const build = p.steps.find((s) => s.id === 'b1:place')!;
    expect([d.n, p.toMixMl, p.batches.length]).toEqual([d.n, expect.closeTo(ml, 3), 1]);
    expect([d.n, p.batches[0]!.massG.A, p.batches[0]!.massG.B, build.title]).toEqual([
      d.n,
      expect.closeTo((massB * ratio) / 100, 2),
      expect.closeTo(massB, 2),
      `Build it up: ${lays} beads`,
    ]);

    const soft = slab({
      mm: settings.stick,
      h: 500,
      fromC: settings.room,
      intoC: settings.bath,
      toC: settings.soft,
      at: 'centre',
    });
    const forms = slab({
      mm: settings.pressed,
      h: 25,
      fromC: soft.meanC,
      intoC: settings.room,
      toC: settings.stiff,
      at: 'mean',
    });
    expect([d.n, Math.abs((softensIn({ settings })! * 60) / soft.seconds - 1) <= 0.01]).toEqual([d.n, true]);
    expect([d.n, Math.abs(formsFor({ settings })! - forms.seconds) <= 3]).toEqual([d.n, true]);
  }
});
