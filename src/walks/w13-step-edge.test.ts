import { type Piece, repairOf } from '@/core/plan';
import { type EventBody, inspectorRefused, obstaclesToRelease, viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { mortarSheet } from '@/sample/systems';
import { PLAIN_READER, say } from '@/words';
import { draws, minutesAt } from './draws';
import { at, baseAt, happened, off, printedPlan, walkJob, walkPiece } from './made';

/** The step edge from an inspection notice: cement mortar, evaporation, a frosty night, foot by the evening. */
const H = 60;
const NOW = at('2027-04-15T11:00');
const job = walkJob({
  id: 'walk-13',
  startFrom: at('2027-04-15T08:00'),
  climate: { kind: 'constant', tempC: 17, humidityPct: 45 },
});
const sheet: SheetRevision = {
  ...mortarSheet,
  id: 'rapid-1',
  systemId: 'rapid',
  name: 'Rapid mortar',
  kind: 'cement-water',
  family: 'cement',
  parts: partsOf('cement-water', { A: { densityGPerMl: 2.75 }, B: { densityGPerMl: 1 } }),
  ratio: ratioOf({ basis: 'weight', a: 25, b: 3.25 }),
  dose: { minPct: 12, maxPct: 14, usualPct: 13, of: 'A' },
  mixMin: 3,
  potLossMl: 0,
  coverageKgPerM2Mm: null,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 45, 45],
      [20, 25, 25],
    ]),
    curve('frost', 'placed', 'base', [
      [5, 40 * H, 40 * H],
      [10, 24 * H, 24 * H],
      [20, 12 * H, 12 * H],
    ]),
    curve('foot', 'placed', 'base', [
      [5, 10 * H, 10 * H],
      [20, 4 * H, 4 * H],
    ]),
  ],
  limits: {
    ...mortarSheet.limits,
    baseMinC: null,
    materialMinC: null,
    liftMaxMm: null,
    liftMinMm: null,
    cureMinC: null,
  },
  kits: [kitOf('bag', 'Bag 25 kg', [25_000, 3250], { yieldMl: 13_000, splittable: true })],
};
const NIGHT = baseAt(
  ['2027-04-14T00:00', 14],
  ['2027-04-15T19:00', 6],
  ['2027-04-16T02:00', -1],
  ['2027-04-16T07:00', 14],
);
const MAT = baseAt(['2027-04-14T00:00', 14], ['2027-04-15T19:00', 8], ['2027-04-16T07:00', 14]);
const piece = (over: Partial<Piece> = {}, known = NIGHT): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'cement-patch', version: 1 },
    void: voidOf({
      ...SHAPES.patch.blank(),
      outline: {
        kind: 'rectangle',
        length: { ...measured(480, 'tape'), toleranceMm: 1 },
        width: { ...measured(350, 'tape'), toleranceMm: 1 },
      },
      depth: { kind: 'mean', mean: { ...measured(42, 'gauge'), toleranceMm: 3 } },
    } as VoidShape),
    sheetId: sheet.id,
    kitId: 'bag',
    materialC: 16,
    settings: { over: 8, rate: 350, wind: 22, evaporation: 0.25 },
    serves: 'foot',
  });
  return { ...plain, base: { ...plain.base, known }, ...over };
};
const plan = (over: Partial<Piece> = {}, known = NIGHT, placed = false) => {
  const repairs = [repairOf(piece(over, known))];
  const before = printedPlan({ job, repairs, sheets: [sheet] }, NOW).repairs[0]!;
  if (!placed) return before;
  const upTo = before.steps.findIndex((s) => s.id === 'b1:place');
  const told = before.steps
    .slice(0, upTo + 1)
    .map((s) => ['2027-04-15T13:30', { kind: 'step-done', step: s.id }] as const);
  const events = happened(job, [
    ['2027-04-15T12:00', { kind: 'started', snapshotId: 'none', usableMin: null }],
    ...told,
  ]);
  return printedPlan({ job, repairs, sheets: [sheet], events }, at('2027-04-15T13:31')).repairs[0]!;
};

test('7.06 ± 0.48 L, 7.62 wanted: 15.44 kg of powder and 2.01 L of water, never above 2.16', () => {
  const p = plan();
  expect(p.volumeMl!.nominal / 1000).toBeCloseTo(7.06, 2);
  expect((p.volumeMl!.p95 - p.volumeMl!.p5) / 2000).toBeCloseTo(0.48, 1);
  expect(p.toMixMl! / 1000).toBeCloseTo(7.62, 2);
  expect(p.batches).toHaveLength(1);
  expect(p.batches[0]!.massG.A! / 1000).toBeCloseTo(15.44, 1);
  expect(p.batches[0]!.massG.B! / 1000).toBeCloseTo(2.01, 1);
  // The bag by its masses, 12.34 L, plans against the 13 L of the sheet.
  const bag = p.working.mix!.find((w) => w.label === 'One kit by its masses')!;
  expect(Number(bag.value) / 1000).toBeCloseTo(12.34, 2);
  // More water than the sheet allows is refused, whatever it would flow like.
  expect(JSON.stringify(plan({ dosePct: 14.5 }))).toMatch(/12 to 14 %/);
});
test('a cloth to cure it under, a hand wider all round; none where it is sprayed', () => {
  // √(0.48 × 0.35) + 0.2 m, squared: 0.37 m², in tenths.
  expect(plan().consumables.map((c) => [c.quantity, c.unit, c.what])).toEqual([
    [0.4, 'm²', 'damp cloth or film for curing'],
  ]);
  expect(plan({ schools: { curing: 'compound' } }).consumables).toEqual([]);
});
test('0.389 kg/m²h leave it: cover at once; with a limit above that nothing is said', () => {
  const told = plan({}, NIGHT, true).findings.find((f) => f.id === 'evaporation')!;
  expect(told.severity).toBe('caution');
  expect(told.why).toMatch(/0\.389 kg\/m²h/);
  expect(
    plan({ settings: { wind: 22, evaporation: 0.4 } }, NIGHT, true).findings.some((f) => f.id === 'evaporation'),
  ).toBe(false);
});
test('frost at 02:00 is a stop with its hour; under a mat the hold is done Fri 12:12', () => {
  const cold = plan({}, NIGHT, true);
  const stop = cold.findings.find((f) => f.id === 'frost')!;
  expect(stop.severity).toBe('stop');
  expect(stop.why).toMatch(/Fri 02:/);
  const warm = plan({}, MAT, true);
  expect(warm.findings.some((f) => f.id === 'frost')).toBe(false);
  expect(off(warm.milestones.find((m) => m.kind === 'frost')!.plans, '2027-04-16T12:12')).toBeLessThanOrEqual(2);
});
test('foot after 5 h 48, Thu 19:18', () => {
  const p = plan({}, MAT, true);
  expect(off(p.milestones.find((m) => m.kind === 'foot')!.plans, '2027-04-15T19:18')).toBeLessThanOrEqual(3);
});

describe('inspection notice R-14 of Mon 12 Apr, to be accepted by Fri 23 Apr', () => {
  const NOTICE = { code: 'R-14', by: 'harbour inspector', dated: '2027-04-12', acceptBy: '2027-04-23' };
  const told = (over: Partial<typeof NOTICE> = {}, events: readonly (readonly [string, EventBody])[] = []) => {
    const repairs = [repairOf(piece({ notice: { ...NOTICE, ...over } }, MAT))];
    return printedPlan({ job, repairs, sheets: [sheet], events: happened(job, events) }, at('2027-04-15T08:00'))
      .repairs[0]!;
  };
  const ids = (p: ReturnType<typeof told>) => p.findings.map((f) => f.id).filter((id) => id.startsWith('notice'));

  test('uncovered and photographed not before the frost hold is over: then the outside inspection may come', () => {
    const p = plan({}, MAT, true);
    const cover = p.steps.find((s) => /Uncover/.test(s.title))!;
    const frost = p.milestones.find((m) => m.kind === 'frost')!;
    expect(cover.from >= frost.plans!).toBe(true);
    expect(off(cover.from, '2027-04-16T12:12')).toBeLessThanOrEqual(5);
    expect(cover.detail).toMatch(/Outside inspection/);
    // A sheet that knows no frost is uncovered when it may be walked on.
    const silent = { ...sheet, milestones: sheet.milestones.filter((m) => m.kind !== 'frost') };
    const q = printedPlan({ job, repairs: [repairOf(piece({}, MAT))], sheets: [silent] }, NOW).repairs[0]!;
    const foot = q.milestones.find((m) => m.kind === 'foot')!;
    expect(q.steps.find((s) => /Uncover/.test(s.title))!.from >= foot.plans!).toBe(true);
    expect(q.steps.filter((s) => /Uncover/.test(s.title))).toHaveLength(1);
  });
  test('in time it says nothing but that a photograph from before is wanted; with little time left, and too late, it does', () => {
    expect(ids(told())).toEqual(['notice-before']);
    expect(ids(told({ acceptBy: '2027-04-16' }))).toEqual(expect.arrayContaining(['notice-tight', 'notice-before']));
    const late = told({ acceptBy: '2027-04-15' });
    expect(ids(late)).toContain('notice-late');
    expect(late.findings.find((f) => f.id === 'notice-late')!.todo).toMatch(/harbour inspector/);
    expect(ids(told({ acceptBy: '2027-04-01' }))).toContain('notice-dates');
    expect(ids(told({ acceptBy: null as unknown as string }))).toEqual(['notice-before']);
  });
  test('a photograph from before answers it; begun without one that is said for ever', () => {
    const before: EventBody = { kind: 'photo', shows: 'before', caption: 'edge broken, rule beside it' };
    expect(ids(told({}, [['2027-04-15T07:00', before]]))).toEqual([]);
    const begun: EventBody = { kind: 'started', snapshotId: 'none', usableMin: null };
    expect(ids(told({}, [['2027-04-15T07:00', begun]]))).toEqual(['notice-missed']);
    // One of the work, or of another side, is none from before.
    expect(ids(told({}, [['2027-04-15T07:00', { ...before, shows: 'work' } as EventBody]]))).toEqual(['notice-before']);
  });
  test('it is not signed before whoever wrote it has accepted it and the photograph after is there', () => {
    const draft = repairOf(piece({ notice: NOTICE }, MAT));
    const view = (events: readonly (readonly [string, EventBody])[]) =>
      viewJob(
        { job, repairs: [draft], sheets: [sheet], stock: [], events: happened(job, events) },
        at('2027-04-20T08:00'),
      ).repairs[0]!;
    const keeps = (events: readonly (readonly [string, EventBody])[]) =>
      obstaclesToRelease(view(events), at('2027-04-20T08:00')).map((o) => say(o, PLAIN_READER));
    const none = keeps([]);
    expect(none).toContain('Notice R-14: harbour inspector has not accepted it yet.');
    expect(none).toContain('Notice R-14: no photograph of it done.');
    const asked = { kind: 'inspection', state: 'asked', by: 'harbour inspector', note: '' } as const;
    const after: EventBody = { kind: 'photo', shows: 'after', caption: '' };
    const waits = keeps([
      ['2027-04-16T13:00', asked],
      ['2027-04-16T13:05', after],
    ]);
    expect(waits).toContain('harbour inspector was asked to see it and has not said yet.');
    expect(waits.join()).not.toMatch(/Notice R-14/);
    const closed = keeps([
      ['2027-04-16T13:00', { ...asked, state: 'accepted' }],
      ['2027-04-16T13:05', after],
    ]);
    expect(closed.join()).not.toMatch(/inspector|Notice/);
  });
  test('not accepted: closed by the one who did the work', () => {
    expect(inspectorRefused('harbour inspector', 'technician')).toBeNull();
    expect(say(inspectorRefused(' Technician', 'technician')!, PLAIN_READER)).toMatch(/somebody else/);
  });
});

test('random edges agree with a count by hand: powder, water, batches in their minutes, frost and foot over a night', () => {
  for (const d of draws(15)) {
    const [length, width, deep, over] = [d.of(200, 900, 5), d.of(150, 600, 5), d.of(20, 80, 1), d.of(0, 15, 1)];
    const [bagKg, waterPct, powder] = [d.of(15, 30, 1), d.of(11, 16, 0.5), d.of(2.5, 2.9, 0.05)];
    const [dayC, nightC, mixC, rate] = [d.of(10, 20, 0.5), d.of(5, 9, 0.5), d.of(10, 22, 1), d.of(200, 900, 10)];
    const mine: SheetRevision = {
      ...sheet,
      parts: partsOf('cement-water', { A: { densityGPerMl: powder }, B: { densityGPerMl: 1 } }),
      ratio: ratioOf({ basis: 'weight', a: 100, b: waterPct }),
      dose: { minPct: 10, maxPct: 18, usualPct: waterPct, of: 'A' },
      kits: [kitOf('bag', 'Bag', [bagKg * 1000, bagKg * waterPct * 10], { yieldMl: null, splittable: true })],
    };
    const of = piece(
      {
        void: voidOf({
          ...SHAPES.patch.blank(),
          outline: { kind: 'rectangle', length: measured(length, 'tape'), width: measured(width, 'tape') },
          depth: { kind: 'mean', mean: measured(deep, 'gauge') },
        } as VoidShape),
        settings: { over, rate },
        materialC: mixC,
      },
      baseAt(['2027-04-14T00:00', dayC], ['2027-04-15T19:00', nightC], ['2027-04-16T07:00', dayC]),
    );
    const at0 = printedPlan({ job, repairs: [repairOf(of)], sheets: [mine] }, NOW).repairs[0]!;

    const litres = ((length * width * deep) / 1e6) * (1 + over / 100);
    const kg = litres / (1 / powder + waterPct / 100);
    const sum = (part: 'A' | 'B') => at0.batches.reduce((g, b) => g + b.massG[part]!, 0) / 1000;
    expect([d.n, sum('A') / kg, sum('B') / kg]).toEqual([d.n, expect.closeTo(1, 3), expect.closeTo(waterPct / 100, 3)]);
    const left = minutesAt(Math.max(mixC, dayC), [10, 45], [20, 25]) - 3;
    // As many as its minutes ask for; where that is more than one, none is more than the bags that go into a pail.
    const inTime = Math.ceil((litres * 1000) / rate / left - 1e-9);
    const bagMl = bagKg * 1000 * (1 / powder + waterPct / 100);
    const inPails = Math.ceil((litres * 1000) / (1.01 * bagMl * Math.max(1, Math.floor(8000 / bagMl))) - 1e-9);
    const oneTub = inTime === 1 && litres * 1000 <= 30_000;
    expect([d.n, at0.batches.length]).toEqual([d.n, oneTub ? 1 : Math.max(inTime, inPails)]);

    const upTo = at0.steps.findLastIndex((s) => s.id.endsWith(':place'));
    const events = happened(job, [
      ['2027-04-15T12:00', { kind: 'started', snapshotId: 'none', usableMin: null }],
      ...at0.steps
        .slice(0, upTo + 1)
        .map((s) => ['2027-04-15T13:30', { kind: 'step-done', step: s.id }] as [string, EventBody]),
    ]);
    const placed = printedPlan({ job, repairs: [repairOf(of)], sheets: [mine], events }, at('2027-04-15T13:31'));
    for (const [kind, points] of [
      ['frost', [[5, 40 * H] as const, [10, 24 * H] as const, [20, 12 * H] as const]],
      ['foot', [[5, 10 * H] as const, [20, 4 * H] as const]],
    ] as const) {
      const m = placed.repairs[0]!.milestones.findLast((x) => x.kind === kind)!;
      // Minute by minute.
      let [ms, done] = [at('2027-04-15T13:30'), 0];
      for (; done < 1; ms += 60_000)
        done += 1 / minutesAt(ms >= at('2027-04-15T19:00') && ms < at('2027-04-16T07:00') ? nightC : dayC, ...points);
      expect([d.n, kind, Math.abs(Date.parse(m.plans!) - ms) < 120_000]).toEqual([d.n, kind, true]);
    }
  }
});
