import { methodOf } from '@/core/method';
import { type Piece, pieceOf, repairOf, withNext, withPiece } from '@/core/plan';
import { measured, type Void, type VoidShape, voidOf } from '@/core/void';
import { kitOf } from '@/sample/sheet-words';
import { plainWords } from '@/words';
import { draws } from './draws';
import { at, baseAt, clock, happened, off, pouringSheet, printedPlan, walkJob, walkPiece } from './made';

/** The collar round the sheave post in two pours, a ring standing in the second. */
const NOW = at('2027-04-26T06:00');
const job = walkJob({ id: 'walk-12', startFrom: NOW });
const sheet = pouringSheet();
const ring = (
  outer: number,
  inner: number,
  depth: number,
  over: Partial<Extract<VoidShape, { shape: 'ring' }>> = {},
): Void =>
  voidOf({
    shape: 'ring',
    version: 1,
    run: { form: 'round', outer: measured(outer, 'rule'), inner: measured(inner, 'rule') },
    depth: measured(depth, 'gauge'),
    clear: measured(0, 'gauge', 0),
    part: null,
    tiltDeg: 0,
    acrossDeg: 0,
    ...over,
  });
const channel = (over: Partial<Extract<VoidShape, { shape: 'ring' }>> = {}) =>
  ring(640, 520, 46, {
    clear: measured(6, 'gauge'),
    part: { thickness: measured(30, 'calliper'), foot: measured(22, 'gauge'), outerMm: 600 },
    ...over,
  });
const chain = (second: Void, over: Partial<Piece> = {}) => {
  const first = walkPiece(job, {
    method: { id: 'poured-collar', version: 1 },
    void: ring(520, 440, 35),
    sheetId: sheet.id,
    kitId: 'kit',
    materialC: 9,
    settings: { overfill: 6 },
    answers: Object.fromEntries(methodOf('poured-collar')!.questions.map((q) => [q.id, q.wants])),
  });
  const one = repairOf({ ...first, base: { ...first.base, known: baseAt(['2027-04-25T00:00', 9]) } });
  const two = withNext(one, methodOf('poured-collar')!);
  return withPiece(two, {
    ...pieceOf(two, 'p2'),
    gate: 'firm',
    reserve: false,
    void: second,
    sheetId: sheet.id,
    kitId: 'kit',
    materialC: 9,
    settings: { overfill: 6 },
    ...over,
  });
};
const plan = (repair = chain(channel()), nowIso = '2027-04-26T06:00', done = false) => {
  const steps = printedPlan({ job, repairs: [repair], sheets: [sheet] }, NOW).repairs[0]!.steps;
  const wet = steps.filter((s) => s.pass === 'p1' && s.stage !== 'finish' && s.stage !== 'release');
  const events = done
    ? happened(job, [
        ['2027-04-26T06:00', { kind: 'started', snapshotId: 'none', usableMin: null }],
        ...wet.map((s) => ['2027-04-26T08:00', { kind: 'step-done', step: s.id }] as const),
      ])
    : [];
  return printedPlan({ job, repairs: [repair], sheets: [sheet], events }, at(nowIso)).repairs[0]!;
};
const r = plan();

test('pour 1 takes 2.32 L, 0.64 of a kit; pour 2 3.77 L, 1.05 kits: three kits, whole, and not two from 1.69', () => {
  const [one, two] = r.passes;
  expect(one!.volumeMl!.nominal / 1000).toBeCloseTo(2.111, 2);
  expect(one!.toMixMl! / 1000).toBeGreaterThan(2.32 * 0.99);
  expect(one!.toMixMl! / 1000).toBeLessThan(2.32 * 1.01);
  expect(two!.volumeMl!.nominal / 1000).toBeGreaterThan(3.406 * 0.99);
  expect(two!.volumeMl!.nominal / 1000).toBeLessThan(3.406 * 1.01);
  expect(two!.toMixMl! / 1000).toBeGreaterThan(3.77 * 0.99);
  expect(two!.toMixMl! / 1000).toBeLessThan(3.77 * 1.01);
  expect([one!.kits!.use, two!.kits!.use]).toEqual([1, 2]);
});
test('one kit is offered at 3.3 % and less', () => {
  const over = r.findings.find((f) => f.id === 'p2/kit-over')!;
  expect(over.severity).toBe('note');
  const [way] = over.ways!;
  expect(way!.set.path).toEqual(['settings', 'overfill']);
  expect(way!.set.value).toBeCloseTo(3.3, 6);
  const less = plan(chain(channel(), { settings: { overfill: way!.set.value as number } }));
  expect(less.passes[1]!.kits!.use).toBe(1);
});
test('the level is 31 mm before the ring is lowered and 40 with it; it says what it floats with, and where to stop', () => {
  const seat = r.steps.find((s) => s.pass === 'p2' && s.id === 'seat')!;
  expect(seat.hold).toBe(true);
  const levels = r.working['p2 volume']!.filter((w) => /Level/.test(w.label)).map((w) => Number(w.value));
  expect(levels[0]).toBeGreaterThan(30.9);
  expect(levels[0]).toBeLessThan(31.4);
  expect(levels[1]).toBeCloseTo(40, 6);
  // The ring of the first pour stands alone.
  expect(r.steps.some((s) => s.pass === 'p1' && s.id === 'seat')).toBe(false);
});
test('set after 10 h 32 to 14 h 20: pour 2 on the long end, 22:20, closed until Tue 06:00; not at 18:32', () => {
  const then = plan(chain(channel()), '2027-04-26T08:01', true);
  const set = then.milestones.find((m) => m.pass === 'p1' && m.kind === 'next-lift')!;
  expect(off(set.from, '2027-04-26T18:32')).toBeLessThanOrEqual(2);
  expect(off(set.plans, '2027-04-26T22:20')).toBeLessThanOrEqual(2);
  expect(clock(then.steps.find((s) => s.pass === 'p2' && s.id === 'b1:weigh')!.from)).toBe('Tue 06:00');
});
test('a slope of 20 mm a metre takes 6.4 of 6 mm: refused; 18.7 passes', () => {
  const slope = (mmPerM: number) => plan(chain(channel({ tiltDeg: (Math.atan(mmPerM / 1000) * 180) / Math.PI })));
  expect(
    slope(Math.hypot(12, 16))
      .problems.map((p) => plainWords(p.sentence))
      .join(),
  ).toMatch(/stands 6\.4 mm higher/);
  expect(slope(18.7).problems).toEqual([]);
});
test('hold points: dry fit and level, leaks, vents full, the ring level before gel; the pour never stops', () => {
  const holds = r.steps.filter((s) => s.hold && s.pass === 'p2').map((s) => s.id);
  expect(holds).toEqual(expect.arrayContaining(['prep:fit', 'prep:dam', 'vents', 'seat']));
  const wet = r.steps.filter(
    (s) =>
      s.pass === 'p2' &&
      ['b1:weigh', 'b2:weigh', 'ready', 'b1:mix', 'b1:pour', 'b2:mix', 'b2:pour', 'vents', 'seat'].includes(s.id),
  );
  for (const [i, s] of wet.entries()) if (i) expect(s.from).toBe(wet[i - 1]!.to);
  // Nothing is set out while it runs: the second kit is mixed as soon as the first is poured.
  expect(wet.map((s) => s.id).slice(0, 7)).toEqual([
    'b1:weigh',
    'b2:weigh',
    'ready',
    'b1:mix',
    'b1:pour',
    'b2:mix',
    'b2:pour',
  ]);
  // One alone needs no row.
  expect(r.steps.some((s) => s.pass === 'p1' && s.id === 'ready')).toBe(false);
});

test('12 mm a metre along and 16 across are 20 together: 6.4 of 6 mm, refused; each alone passes', () => {
  const deg = (mmPerM: number) => (Math.atan(mmPerM / 1000) * 180) / Math.PI;
  const slope = (along: number, across: number) =>
    plan(chain(channel({ tiltDeg: deg(along), acrossDeg: deg(across) })));
  const refused = slope(12, 16)
    .problems.map((p) => plainWords(p.sentence))
    .join();
  expect(refused).toMatch(/6\.4 mm higher at one side/);
  for (const [along, across] of [
    [12, 0],
    [0, 16],
    [18.7, 0],
    [15, 11.2],
  ] as const)
    expect([along, across, slope(along, across).problems]).toEqual([along, across, []]);
});
test('the ring of 600/540 that stands in it displaces 0.967 L, and one that does not stand in the channel is refused', () => {
  const seated = r.working['p2 volume']!.find((w) => w.label === 'Displaced by the part')!;
  expect(Number(seated.value) / 1000).toBeCloseTo(-0.967, 3);
  const wide = plan(
    chain(channel({ part: { thickness: measured(30, 'calliper'), foot: measured(22, 'gauge'), outerMm: 650 } })),
  );
  expect(wide.problems.map((p) => plainWords(p.sentence)).join()).toMatch(
    /590 mm to 650 mm across, does not stand in the channel/,
  );
});

test('random collars agree with a count by hand: what the ring displaces, its level before, whole kits a pour, the slope', () => {
  const deg = (mmPerM: number) => (Math.atan(mmPerM / 1000) * 180) / Math.PI;
  const area = (outer: number, inner: number) => (Math.PI / 4) * (outer ** 2 - inner ** 2);
  for (const d of draws(30)) {
    const inner = d.of(200, 450, 10);
    const between = inner + d.of(40, 140, 10);
    const outer = between + d.of(100, 180, 10);
    const [deep, level, clear, foot] = [d.of(20, 60, 1), d.of(30, 60, 1), d.of(4, 12, 1), d.of(10, 24, 1)];
    const [ringOuter, ringWide] = [outer - d.of(20, 40, 2), d.of(10, 20, 1)];
    const [overfill, lost, kit, baseC] = [d.of(0, 10, 1), d.of(20, 120, 10), d.of(1.5, 5, 0.1), d.of(5, 20, 0.5)];
    const [along, across] = [d.of(0, 20, 1), d.of(0, 20, 1)];
    const mine = {
      ...sheet,
      potLossMl: lost,
      kits: [kitOf('kit', 'Kit', [kit * 1281, kit * 270.2], { yieldMl: kit * 1000, splittable: false })],
    };
    const second = ring(outer, between, level + clear, {
      clear: measured(clear, 'gauge'),
      part: { thickness: measured(ringWide, 'calliper'), foot: measured(foot, 'gauge'), outerMm: ringOuter },
      tiltDeg: deg(along),
      acrossDeg: deg(across),
    });
    const two = chain(second, { settings: { overfill }, materialC: baseC });
    const first = { void: ring(between, inner, deep), settings: { overfill }, materialC: baseC };
    const one = withPiece(two, { ...pieceOf(two, 'p1'), ...first });
    const repair = { ...one, base: { ...one.base, known: baseAt(['2027-04-25T00:00', baseC]) } };
    const p = printedPlan({ job, repairs: [repair], sheets: [mine] }, NOW).repairs[0]!;

    const higher = (Math.hypot(along, across) * outer) / 2 / 1000;
    if (Math.abs(higher - clear) < 0.05) continue;
    const refusals = p.problems.map((x) => plainWords(x.sentence)).join();
    expect([d.n, /higher at one side/.test(refusals)]).toEqual([d.n, higher > clear]);
    if (higher > clear) continue;
    const pour = [
      (area(between, inner) * deep) / 1000,
      (area(outer, between) * level - area(ringOuter, ringOuter - 2 * ringWide) * (level - foot)) / 1000,
    ];
    const kits = pour.map((ml) => Math.ceil((ml * (1 + overfill / 100)) / (kit * 1000 - lost) - 1e-9));
    expect([d.n, p.passes.map((x) => x.volumeMl!.nominal), p.passes.map((x) => x.kits!.use)]).toEqual([
      d.n,
      pour.map((ml) => expect.closeTo(ml, -1)),
      kits,
    ]);
    const before = p.working['p2 volume']!.find((w) => /Level/.test(w.label))!;
    expect(Number(before.value)).toBeCloseTo((pour[1]! * 1000) / area(outer, between), 1);
  }
});
