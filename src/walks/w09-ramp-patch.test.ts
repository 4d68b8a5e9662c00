import { type Piece, repairOf } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { mortarSheet } from '@/sample/systems';
import { draws, minutesAt } from './draws';
import { at, baseAt, clock, happened, off, printedPlan, walkJob, walkPiece } from './made';

/** The ramp patch over two lifts, 900 × 640 × 62 mm, kits of 20.4 kg, at a base of 9 °C. */
const NOW = at('2027-04-20T06:00');
const job = walkJob({ id: 'walk-9', startFrom: at('2027-04-20T06:00'), wantedAt: at('2027-04-22T16:00') });
const H = 60;
const sheet: SheetRevision = {
  ...mortarSheet,
  id: 'ramp-1',
  systemId: 'ramp',
  name: 'Ramp mortar',
  parts: partsOf('mortar-kit', {
    A: { densityGPerMl: 1.12 },
    B: { densityGPerMl: 1.05 },
    C: { densityGPerMl: 2.62, bulkGPerMl: 1.7 },
  }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 50, cByWeight: (16.5 / 2.6) * 100 }),
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [5, 60, 60],
      [20, 40, 40],
    ]),
    curve('next-lift', 'placed', 'base', [
      [5, 8 * H, 8 * H],
      [20, 3 * H, 3 * H],
    ]),
    curve('recoat-until', 'placed', 'base', [
      [5, 40 * H, 40 * H],
      [20, 20 * H, 20 * H],
    ]),
    curve('sandable', 'placed', 'base', [
      [5, 9 * H, 9 * H],
      [20, 3 * H, 3 * H],
    ]),
    curve('foot', 'placed', 'base', [
      [5, 30 * H, 30 * H],
      [10, 20 * H, 20 * H],
      [20, 8 * H, 8 * H],
    ]),
    curve('light-load', 'placed', 'base', [
      [5, 72 * H, 72 * H],
      [10, 48 * H, 48 * H],
      [20, 20 * H, 20 * H],
    ]),
    curve('load', 'placed', 'base', [
      [5, 144 * H, 144 * H],
      [10, 96 * H, 96 * H],
      [20, 40 * H, 40 * H],
    ]),
  ],
  limits: { ...mortarSheet.limits, liftMaxMm: 40, liftMinMm: null },
  kits: [kitOf('kit', 'Kit 20.4 kg', [2600, 1300, 16500], { yieldMl: null })],
  potLossMl: 0,
  coverageKgPerM2Mm: null,
};
const piece = (over: Partial<Piece> = {}) =>
  walkPiece(job, {
    method: { id: 'mortar-patch', version: 1 },
    void: voidOf({
      ...SHAPES.patch.blank(),
      outline: { kind: 'rectangle', length: measured(900, 'tape'), width: measured(640, 'tape') },
      depth: { kind: 'mean', mean: { ...measured(62, 'gauge'), toleranceMm: 2 } },
    } as VoidShape),
    sheetId: sheet.id,
    kitId: 'kit',
    materialC: 9,
    schools: { 'finish-level': 'crown', 'draw-off': 'computed' },
    settings: { crown: 2, primer: 280 },
    base: { ...walkPieceBase(), known: baseAt(['2027-04-19T00:00', 9]) },
    serves: 'light-load',
    ...over,
  });
const walkPieceBase = () =>
  walkPiece(job, { method: { id: 'mortar-patch', version: 1 }, void: null, sheetId: null }).base;
const plan = (
  over: Partial<Piece> = {},
  ends: readonly [string, string][] = [],
  nowIso = '2027-04-20T06:00',
  sheets = [sheet],
) => {
  const steps = printedPlan({ job, repairs: [repairOf(piece(over))], sheets }, NOW).repairs[0]!.steps;
  const told = ends.flatMap(([step, iso]) => {
    const upTo = steps.findIndex((s) => s.id === step);
    return steps.slice(0, upTo + 1).map((s) => [iso, s.id] as const);
  });
  const first = new Map(told.map(([iso, id]) => [id, iso]).reverse() as [string, string][]);
  const events = first.size
    ? happened(job, [
        ['2027-04-20T06:00', { kind: 'started', snapshotId: 'none', usableMin: null }],
        ...[...first].map(([id, iso]) => [iso, { kind: 'step-done', step: id }] as const),
      ])
    : [];
  return printedPlan({ job, repairs: [repairOf(piece(over))], sheets, events }, at(nowIso)).repairs[0]!;
};
const r = plan();

test('35.71 L ± 1.10, of which depth decides 99 %', () => {
  expect(r.volumeMl!.nominal / 1000).toBeCloseTo(35.71, 2);
  expect((r.volumeMl!.p95 - r.volumeMl!.p5) / 2000).toBeGreaterThan(1.1 * 0.97);
  expect((r.volumeMl!.p95 - r.volumeMl!.p5) / 2000).toBeLessThan(1.1 * 1.03);
  expect(r.volumeMl!.decides).toMatch(/depth/i);
});
test('two lifts of 31 mm: 17.86 and, with the crown, 19.01 L; two kits each, not shared over eight hours', () => {
  const batches = r.batches;
  expect(batches.map((b) => b.label)).toEqual(expect.arrayContaining(['lift 1', 'lift 2']));
  expect(batches.reduce((s, b) => s + (b.kits ?? 0), 0)).toBe(4);
  expect([r.kits!.use, r.kits!.buy]).toEqual([4, 4]);
});
test('a kit makes 9.857 L; its voids need 3.408 L of liquid; 4.25 % may be drawn off with the aggregate whole', () => {
  const working = r.working.mix!;
  const kit = working.find((w) => w.label === 'One kit by its masses')!;
  expect(Number(kit.value) / 1000).toBeCloseTo(9.857, 2);
});
test('the primer of lift 1 is 188 mL over 0.6715 m², that of lift 2 its walls only, 27 mL', () => {
  const drawn = (n: number) => r.steps.filter((s) => s.id.endsWith(':mix'))[n];
  expect(drawn(0)).toBeDefined();
  const line = r.amounts.find((a) => /primer/.test(a.label))!;
  expect(line.ml).toBeCloseTo(188 + 26.7, 0);
});
const DONE: readonly [string, string][] = [
  ['b2:place', '2027-04-20T10:00'],
  ['hold:clean', '2027-04-20T18:30'],
];
test('lift 2 from 16:06 on; foot Wed 16:10, car Thu 22:30, closed until Fri 06:00; lorry Sun 06:00', () => {
  const one = plan({}, [['b2:place', '2027-04-20T10:00']], '2027-04-20T10:01');
  expect(off(one.steps.find((s) => s.id === 'b3:weigh')?.from, '2027-04-20T16:06')).toBeLessThanOrEqual(2);
  const both = plan({}, DONE, '2027-04-20T18:31');
  const when = (kind: string) => both.milestones.findLast((m) => m.kind === kind)!.plans;
  expect(off(when('foot'), '2027-04-21T16:10')).toBeLessThanOrEqual(2);
  expect(off(when('light-load'), '2027-04-22T22:30')).toBeLessThanOrEqual(2);
  expect(clock(both.steps.at(-1)!.from)).toBe('Fri 06:00');
  const lorry = plan({ serves: 'load' }, DONE, '2027-04-20T18:31');
  expect(clock(lorry.steps.at(-1)!.from)).toBe('Sun 06:00');
});
test('the window of lift 1 closes Wed 19:01; ended only Thu 08:30 it was missed: abraded, and all opens later', () => {
  const seen = (nowIso: string) =>
    plan({}, [['b2:place', '2027-04-20T10:00']], nowIso).steps.some((s) => s.id.endsWith(':abrade'));
  expect([seen('2027-04-21T15:00'), seen('2027-04-21T19:04')]).toEqual([false, true]);
  const late = plan(
    {},
    [
      ['b2:place', '2027-04-20T10:00'],
      ['hold:clean', '2027-04-22T08:30'],
    ],
    '2027-04-22T08:31',
  );
  const when = (kind: string) => late.milestones.findLast((m) => m.kind === kind)!.plans;
  expect(off(when('foot'), '2027-04-23T06:10')).toBeLessThanOrEqual(2);
  expect(off(when('light-load'), '2027-04-24T12:30')).toBeLessThanOrEqual(2);
  expect(off(when('load'), '2027-04-26T16:29')).toBeLessThanOrEqual(2);
});
test('a tent at 15 °C: car Thu 01:15, closed until 06:00, so Thu 16:00 is met; lorry Fri 08:00', () => {
  const tent = { base: { ...walkPieceBase(), known: baseAt(['2027-04-19T00:00', 9], ['2027-04-20T18:30', 15]) } };
  const both = plan(tent, DONE, '2027-04-20T18:31');
  const when = (kind: string) => both.milestones.findLast((m) => m.kind === kind)!.plans;
  expect(off(when('light-load'), '2027-04-22T01:15')).toBeLessThanOrEqual(2);
  expect(clock(both.steps.at(-1)!.from)).toBe('Thu 06:00');
});
test('Thu 16:00 is met where lift 2 ends by Tue 12:00', () => {
  // Lift 1 the day before, so that lift 2 may be had on Tuesday.
  const events: readonly [string, string][] = [['b2:place', '2027-04-20T06:00']];
  const missed = plan({}, events, '2027-04-20T06:01').findings.find((f) => f.id === 'deadline')!;
  expect(missed.todo).toMatch(/^Begin .* earlier and its clock is out in time: .* by Tue 12:0\d\./);
  // With both down nothing can be begun earlier.
  const both = plan({}, DONE, '2027-04-20T18:31').findings.find((f) => f.id === 'deadline')!;
  expect(both.todo).toMatch(/^Start earlier, tent/);
});
test('not accepted: one lift of 62 mm; one time for all traffic', () => {
  expect(r.batches.every((b) => b.kits === 1)).toBe(true);
  const kinds = ['foot', 'light-load', 'load'].map((k) => r.milestones.findLast((m) => m.kind === k)!.plans);
  expect(new Set(kinds).size).toBe(3);
});

describe('the primer of a lift smaller than its kits', () => {
  const thin = (meanMm: number, over: Partial<Piece> = {}) =>
    plan({
      void: voidOf({
        ...SHAPES.patch.blank(),
        outline: { kind: 'rectangle', length: measured(900, 'tape'), width: measured(640, 'tape') },
        depth: { kind: 'mean', mean: { ...measured(meanMm, 'gauge'), toleranceMm: 2 } },
      } as VoidShape),
      ...over,
    });
  const leftOut = (p: ReturnType<typeof thin>) => p.findings.find((f) => /left out to match the primer/.test(f.title));

  test('more is drawn off a kit than its sand may stand: what is said is what is left out of it', () => {
    for (const meanMm of [5, 8, 14]) {
      const p = thin(meanMm);
      const [batch] = p.batches;
      expect(batch!.kits).toBe(1);
      const share = (100 * (16_500 - batch!.massG.C!)) / 16_500;
      expect(share).toBeGreaterThan(4.25);
      expect(Number(/^([\d.]+) %/.exec(leftOut(p)!.why)![1])).toBeCloseTo(share, 1);
    }
  });
  test('of a whole kit of which little is placed, less is drawn off than its sand may stand: it stays whole', () => {
    // 188 mL would be half of the liquid that 1 L takes; of the 3.56 L of a kit it is 2.8 % at 150 mL/m².
    const p = thin(2, {
      settings: { crown: 0, primer: 150 },
      schools: { 'finish-level': 'flush', 'draw-off': 'computed' },
    });
    expect(leftOut(p)).toBeUndefined();
    expect(p.batches[0]!.massG.C).toBeCloseTo(16_500, 6);
    expect(p.amounts.find((a) => /drawn off as primer/.test(a.label))!.label).toMatch(/aggregate whole/);
  });
});

test('random patches agree with a count by hand: lifts, whole kits of which primer is drawn, and three openings', () => {
  for (const d of draws(25)) {
    const [length, width, deep] = [d.of(300, 2000, 10), d.of(300, 1200, 10), d.of(15, 80, 1)];
    const [crown, primer, baseC] = [d.of(1, 4, 1), d.of(100, 400, 10), d.of(5, 20, 0.5)];
    // Resin enough to fill what is between the grains, as kits are packed.
    const [a, c] = [d.of(2600, 4000, 50), d.of(9000, 16_000, 100)];
    const mine = {
      ...sheet,
      ratio: ratioOf({ basis: 'weight', a: 100, b: 50, cByWeight: (c / a) * 100 }),
      kits: [kitOf('kit', 'Kit', [a, a / 2, c], { yieldMl: null })],
    };
    const over: Partial<Piece> = {
      void: voidOf({
        ...SHAPES.patch.blank(),
        outline: { kind: 'rectangle', length: measured(length, 'tape'), width: measured(width, 'tape') },
        depth: { kind: 'mean', mean: { ...measured(deep, 'gauge'), toleranceMm: 2 } },
      } as VoidShape),
      settings: { crown, primer },
      materialC: baseC,
      base: { ...walkPieceBase(), known: baseAt(['2027-04-19T00:00', baseC]) },
    };
    const p = plan(over, [], '2027-04-20T06:00', [mine]);

    const lifts = Math.ceil(deep / 40);
    const [liquid, grains] = [a / 1.12 + a / 2 / 1.05, c / 2.62];
    const between = c / 1.7 - grains;
    const primed = (i: number) => (Number(i === 0) * length * width + (2 * (length + width) * deep) / lifts) / 1e6;
    const kits = Array.from({ length: lifts }, (_, i) => {
      const wanted = (length * width * (deep / lifts + (i === lifts - 1 ? crown : 0))) / 1000;
      for (let k = 1; ; k++) {
        const left = liquid - (primed(i) * primer) / k;
        // With less liquid than the grains leave room for, as many grains are left out.
        if (k * (left + grains * Math.min(1, left / between)) >= wanted * 0.99999) return k;
      }
    });
    const planned = kits.map((_, i) => p.batches.filter((b) => lifts === 1 || b.label === `lift ${i + 1}`).length);
    expect([d.n, p.problems, planned]).toEqual([d.n, [], kits]);
    const clocks = plan(
      over,
      [
        ...(lifts > 1 ? [[`b${kits[0]}:place`, '2027-04-20T10:00'] as [string, string]] : []),
        ['hold:clean', '2027-04-20T18:30'],
      ],
      '2027-04-20T18:31',
      [mine],
    );
    const after = (kind: string) =>
      (Date.parse(clocks.milestones.findLast((m) => m.kind === kind)!.plans!) - at('2027-04-20T18:30')) / 3_600_000;
    expect(after('foot')).toBeCloseTo(minutesAt(baseC, [5, 30], [10, 20], [20, 8]), 1);
    expect(after('light-load')).toBeCloseTo(minutesAt(baseC, [5, 72], [10, 48], [20, 20]), 1);
    expect(after('load')).toBeCloseTo(minutesAt(baseC, [5, 144], [10, 96], [20, 40]), 1);
  }
});
