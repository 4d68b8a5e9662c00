import { type Piece, repairOf } from '@/core/plan';
import type { EventBody } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { pasteSheet } from '@/sample/systems';
import { draws, minutesAt } from './draws';
import { at, baseAt, happened, off, printedPlan, walkJob, walkPiece, workedUpTo } from './made';

/**
 * A magnet shoe bonded to the barrier boom on a cold night: how little is mixed, and how long it must be left alone.
 */
const H = 60;
const SEATED = '2027-04-17T21:00';
const job = walkJob({
  id: 'walk-3',
  startFrom: at('2027-04-17T19:00'),
  climate: { kind: 'constant', tempC: 12, humidityPct: 60 },
  // Somebody is there at night.
  workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
});
const sheet: SheetRevision = {
  ...pasteSheet,
  id: 'stiff-1',
  systemId: 'stiff',
  name: 'Stiff paste 100:45',
  // A mix of 1.25 g/mL.
  parts: partsOf('paste', { A: { densityGPerMl: 1.25 }, B: { densityGPerMl: 1.25 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 45, tolerancePct: 5 }),
  mixMin: 2,
  potLossMl: 0,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [5, 90, 90],
      [20, 40, 40],
    ]),
    curve('release', 'faces-closed', 'base', [
      [5, 24 * H, 24 * H],
      [15, 10 * H, 10 * H],
    ]),
  ],
  limits: {
    ...pasteSheet.limits,
    baseMinC: null,
    airMinC: null,
    materialMinC: null,
    dewMarginK: null,
    cureMinC: 5,
    bondMinMm: 0.1,
    bondMaxMm: 1,
    bases: ['metal'],
  },
  kits: [kitOf('tubs', 'Tub pair 145 g', [100, 45], { splittable: true })],
};
const NIGHT = baseAt(
  ['2027-04-17T12:00', 12],
  ['2027-04-18T01:00', 7],
  ['2027-04-18T04:00', 3],
  ['2027-04-18T07:00', 8],
  ['2027-04-18T11:00', 16],
);
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'small-part', version: 1 },
    void: voidOf({
      ...SHAPES.bondLine.blank(),
      outline: { kind: 'rectangle', length: measured(60, 'rule'), width: measured(24, 'rule') },
      thickness: measured(0.25, 'gauge'),
    } as VoidShape),
    sheetId: sheet.id,
    kitId: 'tubs',
    materialC: 15,
    scaleStepG: 0.1,
    settings: { squeeze: 30 },
    answers: { function: 'yes', alone: 'yes', rocks: 'yes' },
  });
  return { ...plain, base: { ...plain.base, material: 'metal', thicknessMm: 8, known: NIGHT }, ...over };
};
const plan = (
  over: Partial<Piece> = {},
  told: readonly (readonly [string, EventBody])[] = [],
  now = '2027-04-17T19:00',
) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet], events: happened(job, told) }, at(now))
    .repairs[0]!;
/** Seated on Saturday at nine in the evening. */
const seated = (over: Partial<Piece> = {}) =>
  plan(over, workedUpTo(plan(over).steps, 'close', '2027-04-17T20:00', SEATED), '2027-04-17T21:01');

test('0.360 mL, with squeeze-out 0.468 mL: A 0.40 and B 0.18 g', () => {
  const p = plan();
  expect(p.volumeMl!.nominal).toBeCloseTo(0.36, 6);
  expect(p.toMixMl).toBeCloseTo(0.468, 6);
  const { A, B } = p.batches[0]!.massG as { A: number; B: number };
  expect(A + B).toBeCloseTo(0.585, 3);
  expect(A).toBeCloseTo(0.4, 2);
  expect(B).toBeCloseTo(0.18, 2);
});

test('not to be metered on a scale of 0.1 g: a stop that names the smallest batch, A 3.27 g', () => {
  const scale = plan().findings.find((f) => f.id === 'scale')!;
  expect(scale.severity).toBe('stop');
  expect(scale.todo).toMatch(/mix at least 3\.27 g of A with 1\.47 g of B, 4\.74 g in all/);
  expect(scale.todo).toMatch(/in steps that this scale shows 3\.80 g \+ 1\.70 g, 5\.50 g\. What is over is waste/);
  // One ten times finer reads A within 1.2 % and B within 2.8: inside the ± 5 % of the sheet.
  expect(plan({ scaleStepG: 0.01 }).findings.some((f) => f.id === 'scale')).toBe(false);
});

test('seated Saturday 21:00 it holds Sunday 13:58, with no credit for the three hours at 3 °C', () => {
  const p = seated();
  const release = p.milestones.find((m) => m.kind === 'release')!;
  expect(off(release.plans, '2027-04-18T13:58')).toBeLessThanOrEqual(2);
  const stall = p.findings.find((f) => f.id === 'stall')!;
  expect(stall.title).toBe('The clock stands still for 3 h');
  expect(stall.why).toMatch(/From Sun 04:00 the base is under 5 °C and nothing cures/);
  // It is tried at the start, the middle and the end of its travel before anybody trusts it.
  expect(Date.parse(p.opens!)).toBeGreaterThanOrEqual(Date.parse(release.plans!));
});

/** The boom rests on Saturday night, or till Sunday afternoon if the morning run is dropped. */
const NIGHT_OFF = { fromMs: at(SEATED), untilMs: at('2027-04-18T06:00'), costs: '' };
const RUN_DROPPED = { ...NIGHT_OFF, untilMs: at('2027-04-18T14:30'), costs: 'the Sunday morning run' };

test('it fits the long slot by 32 min, and not the night, which leaves it at 0.459', () => {
  const p = seated({ rests: [NIGHT_OFF, RUN_DROPPED] });
  const [night, long] = p.rests;
  expect([night!.holds, long!.holds]).toEqual([false, true]);
  expect(night!.share).toBeCloseTo(0.459, 2);
  expect(off(long!.done, '2027-04-18T13:58')).toBeLessThanOrEqual(2);
  expect(night!.latest).toBeNull();
  // Over the two of them the work is done in time; the longer one is what it holds in.
  const only = (rest: typeof NIGHT_OFF) => seated({ rests: [rest] }).findings.find((f) => f.id === 'rest')!;
  expect(only(RUN_DROPPED)).toMatchObject({ severity: 'note', title: 'It holds before it is moved again' });
  expect(only(RUN_DROPPED).why).toMatch(/3[0-4] min to spare/);
  expect(only(RUN_DROPPED).todo).toMatch(/the Sunday morning run/);
  expect(only(NIGHT_OFF).severity).toBe('stop');
  expect(only(NIGHT_OFF).why).toMatch(/it may rest until .*06:00 and is 46 % of the way by then/);
  expect(only(NIGHT_OFF).todo).toMatch(/Warm it, take a faster system, or ask for a longer rest/);
  expect(seated().findings.some((f) => f.id === 'rest')).toBe(false);
});

test('with a mat at 18 °C the night is enough', () => {
  const warm = { ...piece().base, known: baseAt(['2027-04-17T12:00', 18]) };
  const [night] = seated({ base: warm, rests: [NIGHT_OFF] }).rests;
  expect([night!.holds, night!.share]).toEqual([true, 1]);
  expect(off(night!.done, '2027-04-18T04:47')).toBeLessThanOrEqual(2);
  // It may be seated an hour and a quarter later, and not later than that.
  expect(off(night!.latest, '2027-04-17T22:13')).toBeLessThanOrEqual(2);
});

test('not begun yet, another rest is a press away: the plan is moved into it and holds', () => {
  const later = {
    fromMs: at('2027-04-18T11:00'),
    untilMs: at('2027-04-19T06:00'),
    costs: 'the afternoon run',
  };
  const moved = plan({ rests: [NIGHT_OFF, later] }).findings.find((f) => f.id === 'rest')!;
  expect(moved.todo).toMatch(/Close it between .*11:00 and .* in the rest that ends .*06:00: the afternoon run/);
  const { path, value } = moved.ways![0]!.set;
  expect(path).toEqual(['plannedStart']);
  const p = plan({ rests: [NIGHT_OFF, later], plannedStart: value as number });
  const closed = p.milestones.find((m) => m.kind === 'release')!.since!;
  expect(Date.parse(closed)).toBeGreaterThanOrEqual(later.fromMs);
  expect(p.findings.find((f) => f.id === 'rest')!.severity).toBe('note');
});

test('what is wanted sooner than it holds is told apart from it', () => {
  const wanted = (iso: string) =>
    printedPlan(
      { job: { ...job, wantedAt: at(iso) }, repairs: [repairOf(piece())], sheets: [sheet], events: [] },
      at('2027-04-17T19:00'),
    ).repairs[0]!;
  expect(wanted('2027-04-18T06:00').findings.some((f) => f.id === 'deadline')).toBe(true);
  expect(wanted('2027-04-18T15:00').findings.some((f) => f.id === 'deadline')).toBe(false);
});

test('a mat that holds 18 °C: Sunday 04:47, beyond the points of the sheet, and marked so', () => {
  const p = seated({ base: { ...piece().base, known: baseAt(['2027-04-17T12:00', 18]) } });
  const release = p.milestones.find((m) => m.kind === 'release')!;
  expect(off(release.plans, '2027-04-18T04:47')).toBeLessThanOrEqual(2);
  expect(p.findings.some((f) => /Beyond the sheet/.test(f.title))).toBe(true);
  expect(p.findings.some((f) => f.id === 'stall')).toBe(false);
});

test('not accepted: left where it cannot be left alone', () => {
  const p = plan({ answers: { ...piece().answers, alone: 'no' } });
  const stop = p.findings.find((f) => /cannot be left alone/.test(f.title))!;
  expect(stop.severity).toBe('stop');
  expect(stop.todo).toMatch(/Choose a slot/);
});

test('a function test passed without its dry trial is a stop, until somebody says by what it was judged', () => {
  const tried = (over: Partial<Piece>, answer: 'yes' | 'no' = 'yes') =>
    plan(over, [['2027-04-18T15:00', { kind: 'test', test: 'start', answer }]], '2027-04-18T15:01').findings.filter(
      (f) => f.title === 'Passed without its dry trial',
    );
  const untried = { answers: { ...piece().answers, function: 'no' } } as const;
  expect(tried({})).toEqual([]);
  expect(tried(untried, 'no')).toEqual([]);
  const [stop] = tried(untried);
  expect(stop).toMatchObject({ severity: 'stop', stage: 'release' });
  expect(stop!.why).toMatch(/start of its travel.*nothing to compare with/);
  const { function: _none, ...unasked } = piece().answers;
  expect(tried({ answers: unasked })).toHaveLength(1);
});

test('the press mixes those 5.50 g at once: the scale shows them, and the waste stands there with its reason', () => {
  const scale = plan().findings.find((f) => f.id === 'scale')!;
  const way = scale.ways!.find((w) => /5\.50? g at once/.test(w.say))!;
  expect(way.set).toEqual({ path: ['leastG'], value: expect.closeTo(5.5, 9) });
  const p = plan({ leastG: 5.5 });
  expect(p.findings.some((f) => f.id === 'scale')).toBe(false);
  const [batch] = p.batches;
  expect([batch!.massG.A, batch!.massG.B]).toEqual([expect.closeTo(3.793, 2), expect.closeTo(1.707, 2)]);
  // 5.5 g of 1.25 g/mL, less the 0.468 that go in.
  const waste = p.findings.find((f) => f.id === 'for-ratio')!;
  expect([waste.severity, waste.why]).toEqual(['note', expect.stringMatching(/^3\.93 mL of 4\.40 mL are waste/)]);
});

/** The smallest sum of two readings that the scale shows and that keep the ratio although each is half a step out. */
function leastShown(bOverA: number, stepG: number, tolerancePct: number): number {
  const holds = (a: number, b: number) =>
    (b + 0.5) / (a - 0.5) <= bOverA * (1 + tolerancePct / 100) + 1e-9 &&
    (b - 0.5) / (a + 0.5) >= bOverA * (1 - tolerancePct / 100) - 1e-9;
  for (let all = 2; ; all++) for (let b = 1; b < all; b++) if (holds(all - b, b)) return all * stepG;
}

test('random shoes agree with a count by hand: what a scale can show, how far the night brings it and when it holds', () => {
  const HOUR = 3_600_000;
  for (const d of draws(30, 3)) {
    const [long, wide, line, squeeze] = [d.of(20, 120, 1), d.of(10, 60, 1), d.of(0.15, 0.9, 0.05), d.of(0, 40, 5)];
    const [perA, tolerancePct, stepG] = [d.of(20, 100, 5), d.of(3, 10, 1), d.odds(0.7) ? 0.1 : 0.01];
    const [dA, dB] = [d.of(1, 1.6, 0.05), d.of(0.9, 1.4, 0.05)];
    const [cold, warm] = [d.of(14, 40, 1), d.of(4, 12, 1)];
    const temps = [d.of(7, 16, 1), d.of(2, 10, 1), d.of(2, 10, 1), d.of(8, 16, 1)];
    const lasts = [13, d.of(2, 6, 1), d.of(2, 6, 1)];
    const rests = d.of(6, 30, 1);
    const starts = [at(SEATED) - 9 * HOUR];
    for (const h of lasts) starts.push(starts.at(-1)! + h * HOUR);
    const known = temps.flatMap((tempC, i) => [
      ...(i ? [{ atMs: starts[i]!, tempC: temps[i - 1]! }] : []),
      { atMs: starts[i]!, tempC },
    ]);
    const mine: SheetRevision = {
      ...sheet,
      parts: partsOf('paste', { A: { densityGPerMl: dA }, B: { densityGPerMl: dB } }),
      ratio: ratioOf({ basis: 'weight', a: 100, b: perA, tolerancePct }),
      milestones: [
        sheet.milestones[0]!,
        curve('release', 'faces-closed', 'base', [
          [5, cold * H, cold * H],
          [15, warm * H, warm * H],
        ]),
      ],
    };
    const shoe = piece({
      void: voidOf({
        ...SHAPES.bondLine.blank(),
        outline: { kind: 'rectangle', length: measured(long, 'rule'), width: measured(wide, 'rule') },
        thickness: measured(line, 'gauge'),
      } as VoidShape),
      settings: { squeeze },
      scaleStepG: stepG,
      rests: [{ fromMs: at(SEATED), untilMs: at(SEATED) + rests * HOUR, costs: '' }],
    });
    const repair = repairOf({ ...shoe, base: { ...shoe.base, known } });
    const of = (told: Parameters<typeof happened>[1], now: string) =>
      printedPlan({ job, repairs: [repair], sheets: [mine], events: happened(job, told) }, at(now)).repairs[0]!;
    const before = of([], '2027-04-17T19:00');
    const p = of(workedUpTo(before.steps, 'close', '2027-04-17T20:00', SEATED), '2027-04-17T21:01');

    const ml = ((long * wide * line) / 1000) * (1 + squeeze / 100);
    const massA = ml / (1 / dA + perA / 100 / dB);
    const massB = (massA * perA) / 100;
    expect([d.n, before.batches[0]!.massG]).toEqual([
      d.n,
      expect.objectContaining({ A: expect.closeTo(massA, 4), B: expect.closeTo(massB, 4) }),
    ]);
    const ratio = (a: number, b: number) => Math.abs(b / a / (perA / 100) - 1) * 100;
    const half = stepG / 2;
    const worst =
      massA > half ? Math.max(ratio(massA - half, massB + half), ratio(massA + half, massB - half)) : Infinity;
    const scale = before.findings.find((f) => f.id === 'scale');
    expect([d.n, scale?.severity]).toEqual([d.n, worst > tolerancePct ? 'stop' : undefined]);
    if (scale) {
      const shown = Number(/shows [\d.]+ g \+ [\d.]+ g, ([\d.]+) g\./.exec(scale.todo)![1]);
      expect([d.n, shown]).toEqual([d.n, expect.closeTo(leastShown(perA / 100, stepG, tolerancePct), 2)]);
      expect([d.n, shown >= massA + massB]).toEqual([d.n, true]);
    }

    // Minute by minute: under 5 °C nothing cures.
    let [progress, minute] = [0, 0];
    let night = 0;
    for (; progress < 1; minute++) {
      const ms = at(SEATED) + (minute + 0.5) * 60_000;
      const c = temps[starts.filter((s) => s <= ms).length - 1]!;
      if (minute === rests * 60) night = progress;
      progress += c < 5 ? 0 : 1 / minutesAt(c, [5, cold * H], [15, warm * H]);
    }
    const release = p.milestones.find((m) => m.kind === 'release')!;
    const late = (Date.parse(release.plans!) - at(SEATED)) / 60_000 - minute;
    expect([d.n, Math.abs(late) <= 2]).toEqual([d.n, true]);
    const [rest] = p.rests;
    if (Math.abs(minute - rests * 60) < 3) continue;
    expect([d.n, rest!.holds, rest!.share]).toEqual([
      d.n,
      minute <= rests * 60,
      expect.closeTo(minute <= rests * 60 ? 1 : night, 2),
    ]);
  }
});
