import { methodOf } from '@/core/method';
import { type Piece, pieceOf, type Repair, repairOf, withNext, withPiece } from '@/core/plan';
import type { Milestone, SheetRevision } from '@/core/system';
import { measured, SHAPES, type Void, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { pasteSheet } from '@/sample/systems';
import { at, baseAt, clock, happened, off, printedPlan, walkJob, walkPiece } from '@/walks/made';

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

const R0: any = (plan() as any);
const RR = Array.isArray(R0) ? R0 : R0.repairs ? R0.repairs : [R0];
for (const q of RR) { for (const f of q.findings ?? []) if (f.id !== 'example') console.log(f.severity, '|', f.title, '|', f.why.slice(0,220), '|', f.todo.slice(0, 160)); for (const s of q.steps ?? []) console.log('   ', s.from?.slice(5,16), s.to?.slice(11,16), s.id, '·', s.title); for (const k of q.consumables ?? []) console.log('    +', k.what, k.quantity, k.unit); }
