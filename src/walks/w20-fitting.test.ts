import { methodOf } from '@/core/method';
import { type Piece, pieceOf, type Repair, repairOf, withNext, withPiece } from '@/core/plan';
import type { Milestone, SheetRevision } from '@/core/system';
import { measured, SHAPES, type Void, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { pasteSheet } from '@/sample/systems';
import { draws, minutesAt } from './draws';
import { at, baseAt, clock, happened, off, printedPlan, walkJob, walkPiece } from './made';

/** A skin fitting under the workboat in four passes of four systems: tack, build, fair, barrier. */
const H = 60;
const job = walkJob({
  id: 'walk-20',
  startFrom: at('2027-05-03T06:00'),
  workingHours: { fromHour: 6, toHour: 16.5, days: [1, 2, 3, 4, 5, 6, 7] },
  climate: { kind: 'constant', tempC: 13, humidityPct: 60 },
});
const two = (kind: Milestone['kind'], startsAt: Milestone['startsAt'], at10: number, at20: number) =>
  curve(kind, startsAt, 'base', [
    [10, at10, at10],
    [20, at20, at20],
  ]);
const sheetOf = (id: string, milestones: readonly Milestone[], over: Partial<SheetRevision> = {}): SheetRevision => ({
  ...pasteSheet,
  id: id.replace(' ', '-'),
  systemId: id.replace(' ', '-'),
  name: id,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 60, 60],
      [20, 30, 30],
    ]),
    ...milestones,
  ],
  kits: [kitOf('kit', 'Tin pair', [4000, 1200], { yieldMl: null, splittable: true })],
  potLossMl: 0,
  limits: { ...pasteSheet.limits, bondMinMm: null, bondMaxMm: null, liftMaxMm: null, liftMinMm: null, baseMinC: 5 },
  ...over,
});
const epoxy = {
  parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.13 }, B: { densityGPerMl: 1.01 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 30 }),
  kind: 'liquid-resin',
} as const;
/** Fibre and thickener in grams per 250 mL of liquid, told for 100 g of A. */
const aIn250 = 250 / (1 / 1.13 + 0.3 / 1.01);
const SHEETS = {
  tack: sheetOf('Tack paste', [
    two('gel', 'placed', 100, 50),
    two('recoat-from', 'placed', 3 * H, 1.5 * H),
    two('recoat-until', 'placed', 9 * H, 5 * H),
  ]),
  build: sheetOf(
    'Build paste',
    [two('recoat-from', 'placed', 6 * H, 3 * H), two('recoat-until', 'placed', 20 * H, 10 * H)],
    {
      kind: 'four-part-paste',
      parts: partsOf('four-part-paste', {
        A: { densityGPerMl: 1.13 },
        B: { densityGPerMl: 1.01 },
        C: { densityGPerMl: 2.55 },
        D: { densityGPerMl: 2.2 },
      }),
      ratio: {
        ...ratioOf({ basis: 'weight', a: 100, b: 30, cByWeight: (45 / aIn250) * 100 }),
        dByWeight: (10 / aIn250) * 100,
      } as SheetRevision['ratio'],
      kits: [kitOf('kit', 'Tins', [4000, 1200, 1000, 300], { yieldMl: null, splittable: true })],
      potLossMl: 10,
    },
  ),
  fair: sheetOf('Fairing filler', [two('sandable', 'placed', 18 * H, 8 * H)], { ...epoxy }),
  barrier: sheetOf(
    'Barrier coat',
    [
      two('recoat-from', 'placed', 5 * H, 2.5 * H),
      two('recoat-until', 'placed', 48 * H, 24 * H),
      two('wet', 'placed', 96 * H, 48 * H),
    ],
    { ...epoxy, potLossMl: 15 },
  ),
};
const round = (mm: number) => ({ kind: 'ellipse', length: measured(mm, 'rule'), width: measured(mm, 'rule') });
const VOIDS: Readonly<Record<keyof typeof SHEETS, Void>> = {
  tack: voidOf({
    ...SHAPES.bondLine.blank(),
    outline: round(180),
    holes: { count: 1, diameter: measured(60, 'calliper') },
    thickness: measured(2, 'gauge'),
  } as VoidShape),
  build: voidOf({
    shape: 'fairing',
    version: 1,
    foot: measured(200, 'rule'),
    top: measured(120, 'rule'),
    height: measured(50, 'rule'),
    fitting: measured(70, 'calliper'),
  }),
  fair: voidOf({
    shape: 'fairing',
    version: 1,
    foot: measured(240, 'rule'),
    top: measured(150, 'rule'),
    height: measured(12, 'rule'),
    fitting: measured(110, 'calliper'),
  }),
  barrier: voidOf({
    ...SHAPES.coat.blank(),
    outline: round(300),
    holes: { count: 1, diameter: measured(110, 'calliper') },
    thickness: measured(0.12, 'gauge'),
    texture: { from: 'class', class: 'none' },
  } as VoidShape),
};
const METHOD = { tack: 'fitting-tack', build: 'fitting-build', fair: 'fairing-skin', barrier: 'barrier-coat' } as const;
const GATE = { tack: 'any', build: 'window', fair: 'window', barrier: 'set' } as const;
const SETTINGS: Readonly<Record<keyof typeof SHEETS, Piece['settings']>> = {
  tack: { squeeze: 20 },
  build: { waste: 6, rate: 20 },
  // The fairing takes 35 min in all, the sanding an hour and a half.
  fair: {
    proud: 5,
    rate: 263.2 / 23,
    'weigh min': 6,
    'mix min': 1,
    'finish:sand min': 90,
    'finish:sand min/m2': 0.001,
  },
  barrier: { coats: 3 },
};
const chain = (over: Partial<Record<keyof typeof SHEETS, Partial<Piece>>> = {}): Repair => {
  const common = { kitId: 'kit', materialC: 13, reserve: false } as const;
  const first = walkPiece(job, {
    method: { id: METHOD.tack, version: 1 },
    void: VOIDS.tack,
    sheetId: SHEETS.tack.id,
    answers: Object.fromEntries(
      Object.values(METHOD).flatMap((m) => methodOf(m)!.questions.map((q) => [q.id, q.wants])),
    ),
    settings: SETTINGS.tack,
    ...common,
    ...over.tack,
  });
  let repair = repairOf({
    ...first,
    base: { ...first.base, material: 'laminate', thicknessMm: 20, known: baseAt(['2027-05-02T00:00', 13]) },
  });
  for (const pass of ['build', 'fair', 'barrier'] as const) {
    repair = withNext(repair, methodOf(METHOD[pass])!);
    const id = repair.chain.at(-1)!;
    repair = withPiece(repair, {
      ...pieceOf(repair, id),
      takes: { from: 'own' },
      gate: GATE[pass],
      void: VOIDS[pass],
      sheetId: SHEETS[pass].id,
      settings: SETTINGS[pass],
      // No more than 320 mL in one mix.
      ...(pass === 'build' ? { massCapG: 388 } : {}),
      ...common,
      ...over[pass],
    });
  }
  return repair;
};
/** Everything of some passes done by an instant each. */
const plan = (ended: Partial<Record<'p1' | 'p2' | 'p3' | 'p4', string>> = {}, nowIso?: string, repair = chain()) => {
  const before = printedPlan({ job, repairs: [repair], sheets: Object.values(SHEETS) }, at('2027-05-03T06:00'));
  const done = Object.entries(ended).flatMap(([pass, iso]) =>
    before.repairs[0]!.steps.filter(
      (s) => s.pass === pass && s.stage !== 'release' && !(s.stage === 'finish' && pass === 'p3'),
    ).map((s) => ({ iso, pass, step: s.id })),
  );
  const events = done.length
    ? [
        ...happened(job, [['2027-05-03T06:00', { kind: 'started', snapshotId: 'none', usableMin: null }]]),
        ...happened(
          job,
          done.map(({ iso, step }) => [iso, { kind: 'step-done', step }] as const),
        ).map((e, i) => ({ ...e, id: `done-${i}`, sequence: i + 1, passId: done[i]!.pass })),
      ]
    : [];
  const now = nowIso ?? Object.values(ended).sort().at(-1) ?? '2027-05-03T06:00';
  return printedPlan({ job, repairs: [repair], sheets: Object.values(SHEETS), events }, at(now)).repairs[0]!;
};
const placed = (p: ReturnType<typeof plan>, pass: string, task: RegExp) =>
  p.steps.filter((s) => s.pass === pass && task.test(s.id));
const milestone = (p: ReturnType<typeof plan>, pass: string, kind: string) =>
  p.milestones.findLast((m) => m.pass === pass && m.kind === kind)!;

test('54.3 mL tack, 884 mL build in three mixes, 263 mL fairing, 67 mL barrier in three coats', () => {
  const p = plan();
  const ofPass = (id: string) => p.passes.find((x) => x.id === id)!;
  expect(ofPass('p1').toMixMl).toBeCloseTo(54.3, 1);
  expect(ofPass('p2').toMixMl! - 3 * 10).toBeCloseTo(883.9, 0);
  expect(ofPass('p3').toMixMl).toBeCloseTo(263.2, 0);
  expect(ofPass('p4').toMixMl).toBeCloseTo(67.0, 1);
  expect(ofPass('p4').batches.map((b) => b.label)).toEqual(['coat 1', 'coat 2', 'coat 3']);
  for (const b of ofPass('p4').batches) expect(b.ml).toBeCloseTo(7.34 + 15, 1);
  const mixes = ofPass('p2').batches;
  expect(mixes).toHaveLength(3);
  expect(mixes[0]!.ml).toBeCloseTo(304.6, 0);
  expect(mixes[0]!.massG.A).toBeCloseTo(236.7, 0);
  expect(mixes[0]!.massG.B).toBeCloseTo(71.0, 0);
  expect(mixes[0]!.massG.C).toBeCloseTo(50.4, 0);
  expect(mixes[0]!.massG.D).toBeCloseTo(11.2, 1);
});

test('tacked at 07:30: aligned by 08:51; built 09:55 to 15:01', () => {
  const p = plan({ p1: '2027-05-03T07:30' });
  expect(off(milestone(p, 'p1', 'gel').plans, '2027-05-03T08:51')).toBeLessThanOrEqual(2);
  expect(off(milestone(p, 'p1', 'recoat-from').plans, '2027-05-03T09:55')).toBeLessThanOrEqual(2);
  expect(off(milestone(p, 'p1', 'recoat-until').plans, '2027-05-03T15:01')).toBeLessThanOrEqual(2);
  expect(off(placed(p, 'p2', /^b1:weigh/)[0]!.from, '2027-05-03T09:55')).toBeLessThanOrEqual(2);
});

test('built by 13:00 the window lies outside the hours: washed and abraded on Tuesday, and said; by 14:30 it does not', () => {
  const early = plan({ p1: '2027-05-03T07:30', p2: '2027-05-03T13:00' });
  expect(off(milestone(early, 'p2', 'recoat-from').plans, '2027-05-03T17:51')).toBeLessThanOrEqual(2);
  expect(off(milestone(early, 'p2', 'recoat-until').plans, '2027-05-04T05:10')).toBeLessThanOrEqual(2);
  expect(placed(early, 'p3', /abrade$/)).toHaveLength(1);
  expect(clock(placed(early, 'p3', /abrade$/)[0]!.from)).toBe('Tue 06:00');
  const missed = early.findings.find((f) => f.id.startsWith('p3/missed'))!;
  expect(missed.why).toMatch(/17:5\d/);
  expect(missed.why).toMatch(/05:(09|10|11)/);
  expect(missed.why).toMatch(/outside the working hours/);

  const late = plan({ p1: '2027-05-03T07:30', p2: '2027-05-03T14:30' });
  expect(off(milestone(late, 'p2', 'recoat-until').plans, '2027-05-04T06:40')).toBeLessThanOrEqual(2);
  expect(placed(late, 'p3', /abrade$/)).toHaveLength(0);
  expect(clock(placed(late, 'p3', /^b1:weigh/)[0]!.from)).toBe('Tue 06:00');
  const tight = late.findings.find((f) => f.id.startsWith('p3/tight'))!;
  expect(tight.why).toMatch(/\b[3-7] min/);
});

test('on the face of the fairing, 30 mm beyond its foot, the barrier is the ring that was measured by itself', () => {
  const onFace = chain({
    barrier: { takes: { from: 'face', of: 'p3', thickness: measured(0.12, 'gauge'), beyondMm: 30 }, void: null },
  });
  const p = plan({}, undefined, onFace);
  expect(p.problems).toEqual([]);
  const coat = (of: ReturnType<typeof plan>) => of.passes.find((x) => x.id === 'p4')!.volumeMl!.nominal;
  // π/4 × (300² − 110²) × 0.12, and no more of it inside the fitting.
  expect(coat(p)).toBeCloseTo(((Math.PI / 4) * (300 ** 2 - 110 ** 2) * 0.12) / 1000, 6);
  expect(coat(p)).toBeCloseTo(coat(plan()), 6);
});

test('sanded Wednesday; barrier 07:30, 11:32, 15:35; launched after 77 h 35, closed until Sunday 06:00', () => {
  const p = plan({ p1: '2027-05-03T07:30', p2: '2027-05-03T14:30', p3: '2027-05-04T06:35' });
  expect(off(milestone(p, 'p3', 'sandable').plans, '2027-05-04T20:37')).toBeLessThanOrEqual(2);
  const sanded = placed(p, 'p3', /finish:sand:/);
  expect(clock(sanded[0]!.from)).toBe('Wed 06:00');
  // Ninety minutes were said for all of it: the grits share them.
  expect([sanded.length > 1, clock(sanded.at(-1)!.to)]).toEqual([true, 'Wed 07:30']);
  const coats = placed(p, 'p4', /:weigh$/);
  expect(coats).toHaveLength(3);
  expect(coats.every((s) => s.from! >= '2027-05-05T04:30')).toBe(true);
});
test('each coat after the last by 5 to 2.5 h; launch 96 to 48 h from the last, closed until the morning', () => {
  const last = plan({
    p1: '2027-05-03T07:30',
    p2: '2027-05-03T14:30',
    p3: '2027-05-04T06:35',
    p4: '2027-05-05T15:35',
  });
  expect(off(milestone(last, 'p4', 'wet').plans, '2027-05-08T21:10')).toBeLessThanOrEqual(2);
  expect(clock(last.steps.at(-1)!.from)).toBe('Sun 06:00');
});

test('random fittings agree with a count by hand: four passes, the clocks between them, and a fairing that finds its window', () => {
  for (const d of draws(15)) {
    const [tempC, cap] = [d.of(10, 20, 0.5), d.of(300, 600, 1)];
    const [pad, hole, bed, squeeze] = [d.of(150, 240, 1), d.of(40, 90, 1), d.of(1, 3, 0.5), d.of(10, 30, 1)];
    const [foot, top, height, fitting, waste] = [
      ...[d.of(180, 240, 1), d.of(100, 150, 1), d.of(30, 60, 1), d.of(50, 90, 1), d.of(0, 10, 1)],
    ] as [number, number, number, number, number];
    const [coat, coats] = [d.of(0.08, 0.2, 0.01), d.of(2, 4, 1)];
    const of = chain({
      tack: {
        void: voidOf({
          ...SHAPES.bondLine.blank(),
          outline: round(pad),
          holes: { count: 1, diameter: measured(hole, 'calliper') },
          thickness: measured(bed, 'gauge'),
        } as VoidShape),
        settings: { squeeze },
        materialC: tempC,
      },
      build: {
        void: voidOf({
          shape: 'fairing',
          version: 1,
          foot: measured(foot, 'rule'),
          top: measured(top, 'rule'),
          height: measured(height, 'rule'),
          fitting: measured(fitting, 'calliper'),
        }),
        settings: { waste, rate: 20 },
        massCapG: cap,
        materialC: tempC,
      },
      fair: { materialC: tempC },
      barrier: {
        void: voidOf({ ...VOIDS.barrier.shapes[0]!, thickness: measured(coat, 'gauge') } as VoidShape),
        settings: { coats },
        materialC: tempC,
      },
    });
    const repair = { ...of, base: { ...of.base, known: baseAt(['2027-05-02T00:00', tempC]) } };
    const [tackedMin, builtMin] = [d.of(0, 120, 1), d.of(210, 480, 1)];
    const local = (min: number) => {
      const all = 7 * 60 + min;
      return `2027-05-03T${String(Math.floor(all / 60)).padStart(2, '0')}:${String(all % 60).padStart(2, '0')}`;
    };
    const [tacked, built] = [local(tackedMin), local(tackedMin + builtMin)];
    const p = plan({ p1: tacked, p2: built }, undefined, repair);

    const passOf = (id: string) => p.passes.find((x) => x.id === id)!;
    const ring = (outer: number, inner: number) => (Math.PI / 4) * (outer ** 2 - inner ** 2);
    const frustum = (Math.PI * height * (foot ** 2 + foot * top + top ** 2)) / 12;
    const buildMl = ((frustum - ring(fitting, 0) * height) / 1000) * (1 + waste / 100);
    const partsMl = 250 + 45 / 2.55 + 10 / 2.2;
    const density = (1.3 * aIn250 + 55) / partsMl;
    let mixes = 1;
    while ((buildMl / mixes + 10) * density > cap) mixes++;
    expect([d.n, passOf('p1').toMixMl!, passOf('p2').batches.length, passOf('p4').toMixMl!]).toEqual([
      d.n,
      expect.closeTo((ring(pad, hole) * bed * (1 + squeeze / 100)) / 1000, 1),
      mixes,
      expect.closeTo(coats * ((ring(300, 110) * coat) / 1000 + 15), 1),
    ]);
    const each = (buildMl + 10 * mixes) / mixes / partsMl;
    expect(passOf('p2').batches[0]!.massG.A! / (aIn250 * each)).toBeCloseTo(1, 3);
    expect(passOf('p2').batches[0]!.massG.C! / (45 * each)).toBeCloseTo(1, 3);

    const from = at(built) + minutesAt(tempC, [10, 6 * H], [20, 3 * H]) * 60_000;
    const until = at(built) + minutesAt(tempC, [10, 20 * H], [20, 10 * H]) * 60_000;
    expect([d.n, off(milestone(p, 'p2', 'recoat-from').plans, built)]).toEqual([
      d.n,
      expect.closeTo((from - at(built)) / 60_000, 0),
    ]);
    expect(off(milestone(p, 'p2', 'recoat-until').plans, built)).toBeCloseTo((until - at(built)) / 60_000, 0);
    // A fairing is begun in its window and in hours of work, or washed and abraded first.
    const wet = placed(p, 'p3', /^b1:(weigh|mix|place)/);
    const takesMs = Date.parse(wet.at(-1)!.to!) - Date.parse(wet[0]!.from!);
    const [evening, morning] = [at('2027-05-03T16:30'), at('2027-05-04T06:00')];
    const begins = Math.max(from, at(built)) + takesMs <= evening ? from : Math.max(from, morning);
    const isMissed = begins > until;
    expect([d.n, placed(p, 'p3', /abrade$/).length]).toEqual([d.n, Number(isMissed)]);
    if (!isMissed) expect(Math.abs(Date.parse(wet[0]!.from!) - begins)).toBeLessThan(120_000);
  }
});
