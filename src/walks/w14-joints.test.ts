import { borderAt, groundsOf, type Piece, pacedAmounts, repairOf } from '@/core/plan';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { parsePaced } from '@/core/typed';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { plainWords } from '@/words';
import { saying } from '@/words/saying.testing';
import { draws, minutesAt } from './draws';
import { at, baseAt, happened, off, printedPlan, walkJob, walkPiece } from './made';

/** The joints of the granite landing, resin in whole units, each washed before what was filled first is past it. */
const NOW = at('2027-04-21T06:00');
const job = walkJob({ id: 'walk-14j', startFrom: NOW });
const resin = furtherSheets.find((s) => s.kind === 'liquid-resin')!;
/** @param useBy minutes at 10 and at 20 °C, in the bucket or in heaps */
const sheetOf = (useBy: readonly [number, number]): SheetRevision => ({
  ...resin,
  id: 'joint-1',
  systemId: 'joint',
  name: 'Joint resin',
  parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.6 }, B: { densityGPerMl: 1.1 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 12 }),
  dose: null,
  mixMin: 4,
  potLossMl: 150,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, useBy[0], useBy[0]],
      [20, useBy[1], useBy[1]],
    ]),
    curve('wash-from', 'placed', 'base', [
      [10, 20, 20],
      [20, 10, 10],
    ]),
    curve('wash-until', 'placed', 'base', [
      [10, 50, 50],
      [20, 30, 30],
    ]),
    curve('foot', 'placed', 'base', [
      [10, 1440, 1440],
      [20, 720, 720],
    ]),
  ],
  limits: { ...resin.limits, baseMinC: null, materialMinC: null, liftMaxMm: null, liftMinMm: null },
  kits: [kitOf('unit', 'Unit 2.5 L', [3500, 420], { yieldMl: 2500 })],
});
const HEAPS = sheetOf([75, 40]);
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'resin-joints', version: 1 },
    void: voidOf({
      ...SHAPES.joints.blank(),
      outline: { kind: 'rectangle', length: measured(3600, 'tape'), width: measured(2000, 'tape') },
      tileLength: measured(600, 'rule'),
      tileWidth: measured(300, 'rule'),
      jointWidth: measured(8, 'calliper'),
      depth: measured(25, 'gauge'),
      movement: { lengthMm: 2000, widthMm: 8 },
    } as VoidShape),
    sheetId: 'joint-1',
    kitId: 'unit',
    materialC: 15,
    // A unit fills 2.42 m² at 4 m² an hour.
    settings: { rate: 2350 / 36.3 },
  });
  return { ...plain, base: { ...plain.base, material: 'stone', known: baseAt(['2027-04-20T00:00', 12]) }, ...over };
};
const plan = (sheet = HEAPS, over: Partial<Piece> = {}) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet] }, NOW).repairs[0]!;
const minutesAfter = (a: string | null, b: string | null) => (Date.parse(b!) - Date.parse(a!)) / 60_000;

test('joints are 3.88 % of the area, 6.58 L without the movement joint: three whole units', () => {
  const p = plan();
  expect(p.volumeMl!.nominal / 1000).toBeCloseTo(6.58, 2);
  expect(p.kits!.use).toBe(3);
  expect(p.batches).toHaveLength(3);
});
test('one person fills a unit, then washes it: not before it may be, not after what was filled first is past it', () => {
  const p = plan();
  for (const n of [1, 2, 3]) {
    const [mix, fill, wash] = ['mix', 'place', 'wash'].map((id) => p.steps.find((s) => s.id === `b${n}:${id}`)!);
    expect(minutesAfter(mix!.from, fill!.to)).toBeLessThanOrEqual(41);
    // From about 17, until about 45 min after the first spot of this unit, at 12 °C.
    expect(minutesAfter(fill!.from, wash!.from)).toBeGreaterThanOrEqual(17);
    expect(minutesAfter(fill!.from, wash!.from)).toBeLessThan(45);
    expect(Date.parse(wash!.from!)).toBeGreaterThanOrEqual(Date.parse(fill!.to!));
  }
  expect(p.findings.filter((f) => /late|wash/i.test(f.id))).toEqual([]);
});
test('left in the bucket a unit is dead after 28 min, before 40 min of mixing and filling are over: said', () => {
  const p = plan(sheetOf([40, 20]));
  expect(p.batches).toEqual([]);
  expect(p.problems.map((x) => plainWords(x.sentence)).join()).toMatch(
    /A whole kit makes 2\.50 L, one batch may have 1\.5\d L/,
  );
});
describe('a sheet that prints both: 40 and 20 min in the bucket, 75 and 40 in heaps', () => {
  const both: SheetRevision = {
    ...sheetOf([40, 20]),
    milestones: [
      ...sheetOf([40, 20]).milestones,
      curve('use-by-out', 'mix-begins', 'pot', [
        [10, 75, 75],
        [20, 40, 40],
      ]),
    ],
  };
  test('in heaps, as by default, 54.5 min hold 4 and 36: three units, one clock', () => {
    const p = plan(both);
    expect(p.batches).toHaveLength(3);
    const clocks = p.milestones.filter((m) => /use-by/.test(m.kind) && m.batch === 0);
    expect(clocks.map((m) => m.kind)).toEqual(['use-by']);
    expect(minutesAfter(clocks[0]!.since, clocks[0]!.plans)).toBeCloseTo(54.5, 0);
    expect(p.findings.filter((f) => f.id.startsWith('late') || f.id === 'pot-mass')).toEqual([]);
  });
  test('worked from the bucket it is refused at 28 min', () => {
    const p = plan(both, { schools: { out: 'bucket' } });
    expect(p.batches).toEqual([]);
    expect(p.problems.map((x) => plainWords(x.sentence)).join()).toMatch(
      /A whole kit makes 2\.50 L, one batch may have 1\.5\d L/,
    );
  });
  test('a sheet that prints the one alone is planned by it, whichever way it is worked', () => {
    const one = plan(sheetOf([75, 40]), { schools: { out: 'bucket' } });
    expect(one.batches).toHaveLength(3);
    expect(one.steps.map((s) => s.from)).toEqual(plan(HEAPS).steps.map((s) => s.from));
  });
});
test('on a base of 20 °C what was filled first is past its washing before it is filled: two pairs of hands', () => {
  const warm = { ...piece().base, known: baseAt(['2027-04-20T00:00', 20]) };
  const p = plan(HEAPS, { base: warm });
  const late = p.findings.filter((f) => f.id.startsWith('late'));
  expect(late.length).toBeGreaterThan(0);
  expect(late[0]!.title).toBe('What was filled first is past its washing');
  expect(late[0]!.todo).toMatch(/second pair of hands/);
});
test('open for feet 24 h at 10, 12 h at 20 °C after the last is filled, by the base', () => {
  const p = plan();
  const last = p.steps.find((s) => s.id === 'b3:place')!;
  const foot = p.milestones.find((m) => m.kind === 'foot')!;
  // 12 °C: 12 h × 2^((20−12)/10) as the curve has it, 20 h 45 and a little.
  const hours = minutesAfter(last.to, foot.plans) / 60;
  expect(hours).toBeGreaterThan(20);
  expect(hours).toBeLessThan(21.5);
  expect(off(foot.plans, '2027-04-22T06:00')).toBeLessThan(6 * 60);
});
test.each([
  ['movement', 'no', /Movement joints/],
  ['bed', 'no', /Bed not set/],
] as const)('%s answered %s stops it', (question, answer, says) => {
  const p = plan(HEAPS, { answers: { [question]: answer } });
  expect(p.findings.some((f) => f.severity === 'stop' && says.test(f.title))).toBe(true);
});
test('a sheet without washing times stops there and names the time, never washes at once', () => {
  const silent = { ...HEAPS, milestones: HEAPS.milestones.filter((m) => !m.kind.startsWith('wash')) };
  const p = plan(silent);
  expect(p.steps.some((s) => s.id === 'b1:wash')).toBe(false);
  expect(p.untimed.some((s) => s.id === 'b1:wash')).toBe(true);
});
describe('seen from above', () => {
  const ground = (over: Partial<Piece> = {}, sheet = HEAPS) => {
    const view = viewJob({ job, repairs: [repairOf(piece(over))], sheets: [sheet], stock: [], events: [] }, NOW);
    return { ground: groundsOf(view.repairs[0]!.passes[0]!.plan)[0]!, plan: view.repairs[0]!.passes[0]!.plan };
  };
  test('three units end where their shares of the 7.2 m² end, each with when it is filled and washed', () => {
    const { ground: g, plan: p } = ground();
    expect(g.laid.map((l) => l.areaM2)).toEqual([2.4, 2.4, 2.4].map((m2) => expect.closeTo(m2, 3)));
    expect(g.keptOpenMm).toBe(2000);
    expect(g.borders).toEqual([expect.closeTo(1 / 3, 6), expect.closeTo(2 / 3, 6)]);
    g.laid.forEach((l, i) => {
      const fill = p.steps.find((s) => s.id === `b${i + 1}:place`)!;
      expect(l.span).toEqual({ fromMs: fill.startMs, toMs: fill.endMs });
      const wash = p.steps.find((s) => s.id === `b${i + 1}:wash`)!;
      expect(l.wash).toEqual({ fromMs: wash.startMs, toMs: wash.endMs });
      expect(l.wash!.fromMs).toBeGreaterThanOrEqual(l.span!.toMs);
    });
    // From the left towards the way out at the right end; turned round when one goes out at the left.
    const lefts = (of: typeof g) => of.laid.map((l) => Math.min(...l.points.map((q) => q[0])));
    expect(lefts(g)).toEqual([0, expect.closeTo(1200, 3), expect.closeTo(2400, 3)]);
    expect(lefts(ground({ wayOut: 'left' }).ground)).toEqual([
      expect.closeTo(2400, 3),
      expect.closeTo(1200, 3),
      expect.closeTo(0, 3),
    ]);
    // y runs down the page, as where it is measured: towards the far side work comes from the near one.
    const lowest = (wayOut: 'top' | 'bottom') =>
      ground({ wayOut }).ground.laid.map((l) => Math.max(...l.points.map((q) => q[1])));
    expect(lowest('bottom')).toEqual([expect.closeTo(2000 / 3, 3), expect.closeTo(4000 / 3, 3), 2000]);
    expect(lowest('top')).toEqual([2000, expect.closeTo(4000 / 3, 3), expect.closeTo(2000 / 3, 3)]);
  });
  test('a pulled border moves the batch: its amount, its minutes, and those of the next', () => {
    const even = ground();
    // As far as a unit reaches: 2.347 of its 2.35 L.
    const pulled = ground({ borders: [0.31, 2 / 3] });
    const ml = (of: typeof even) => of.plan.batches.map((b) => b.placedMl);
    expect(ml(pulled)[0]! / ml(even)[0]!).toBeCloseTo(0.93, 3);
    expect(ml(pulled)[1]! / ml(even)[1]!).toBeCloseTo(1.07, 3);
    expect(ml(pulled)[2]).toBeCloseTo(ml(even)[2]!, 6);
    expect(ml(pulled).reduce((a, b) => a + b)).toBeCloseTo(
      ml(even).reduce((a, b) => a + b),
      6,
    );
    const min = ({ ground: { laid } }: typeof even, i: number) => laid[i]!.span!.toMs - laid[i]!.span!.fromMs;
    expect(min(pulled, 0)).toBeLessThan(min(even, 0));
    expect(min(pulled, 1)).toBeGreaterThan(min(even, 1));
    expect(pulled.plan.mix!.bordersKept).toBe(true);
    expect(pulled.ground.borders[0]).toBeCloseTo(0.31, 6);
    expect(even.plan.mix!.bordersKept).toBeUndefined();
  });
  test('however far a border is pulled, it stops where the unit beside it is empty, and the plan keeps it there', () => {
    const even = ground().ground;
    for (const [i, to] of [
      [0, 0],
      [0, 1],
      [1, 0.2],
      [1, 0.99],
    ] as const) {
      const at = borderAt(even, i, to);
      const { plan: p } = ground({ borders: even.borders.map((b, k) => (k === i ? at : b)) });
      expect([i, to, p.mix!.bordersKept]).toEqual([i, to, true]);
      // 2.35 L can be placed of a unit of 2.5.
      const most = Math.max(...p.batches.map((b) => b.placedMl));
      expect([i, to, most]).toEqual([i, to, expect.closeTo(2350, -0.5)]);
      expect(most).toBeLessThanOrEqual(2350 + 1e-6);
    }
  });
  test('a border that leaves more than a unit, or belongs to another number of batches, is let go and said', () => {
    const far = plan(HEAPS, { borders: [0.1, 2 / 3] });
    expect(far.findings.map((f) => f.id)).toContain('borders-let-go');
    expect(far.batches.map((b) => b.placedMl!)).toEqual(plan().batches.map((b) => b.placedMl!));
    expect(plan(HEAPS, { borders: [0.5] }).findings.map((f) => f.id)).toContain('borders-let-go');
    expect(plan().findings.map((f) => f.id)).not.toContain('borders-let-go');
  });
});
describe('a movement joint told by where it lies', () => {
  const seen = (over: object) => {
    const [joints] = piece().void!.shapes;
    const one = voidOf({ ...joints!, ...over } as VoidShape);
    const view = viewJob(
      { job, repairs: [repairOf(piece({ void: one }))], sheets: [HEAPS], stock: [], events: [] },
      NOW,
    );
    const { plan: planned } = view.repairs[0]!.passes[0]!;
    return { planned, grounds: groundsOf(planned) };
  };
  test('takes off what its 2 m take off, and is drawn through the unit it runs through', () => {
    const { planned, grounds } = seen({ movement: { lengthMm: 0, widthMm: 8, lines: [{ runs: 'down', atMm: 1800 }] } });
    expect(planned.context!.measured.nominalMl / 1000).toBeCloseTo(6.58, 2);
    const [g] = grounds;
    expect(g!.keptOpen).toMatchObject([{ atMm: 1800, from: [1800, 0], to: [1800, 2000] }]);
    const through = g!.laid.filter(({ points }) => points.some((q) => q[0] < 1800) && points.some((q) => q[0] > 1800));
    expect(through.map((l) => l.order)).toEqual([1]);
  });
});
describe('two rooms of one floor', () => {
  const rooms = (...lengths: readonly number[]) => {
    const [joints] = piece().void!.shapes;
    const shapes = lengths.map(
      (mm) =>
        ({
          ...joints!,
          movement: { lengthMm: 0, widthMm: 8 },
          outline: { kind: 'rectangle', length: measured(mm), width: measured(2000) },
        }) as VoidShape,
    );
    const over = { void: { ...voidOf(shapes[0]!), shapes } };
    const view = viewJob({ job, repairs: [repairOf(piece(over))], sheets: [HEAPS], stock: [], events: [] }, NOW);
    return groundsOf(view.repairs[0]!.passes[0]!.plan);
  };
  test('each is drawn with the units that lie in it; one that ends the first begins the second', () => {
    const [first, second] = rooms(2000, 1600);
    expect([first!.place, second!.place, first!.places]).toEqual([0, 1, 2]);
    const area = (g: typeof first) => g!.laid.reduce((sum, l) => sum + l.areaM2, 0);
    expect(area(first)).toBeCloseTo(4, 6);
    expect(area(second)).toBeCloseTo(3.2, 6);
    expect(first!.laid.map((l) => l.batch)).toEqual([0, 1]);
    expect(second!.laid.map((l) => l.batch)).toEqual([1, 2]);
    // The unit that both share covers as much of them together as any other.
    const of = (g: typeof first, batch: number) => g!.laid.find((l) => l.batch === batch)!.areaM2;
    expect(of(first, 1) + of(second, 1)).toBeCloseTo(of(first, 0), 6);
    // One border lies in each of them, and both are those of the whole floor.
    const on = (g: typeof first) => g!.borders.filter((b) => b > g!.share.from + 1e-6 && b < g!.share.to - 1e-6);
    expect([on(first), on(second)].map((x) => x.length)).toEqual([1, 1]);
    expect(first!.borders).toEqual(second!.borders);
  });
  test('a corner under a square metre is walked round, and not drawn; thirteen rooms are told by a list', () => {
    expect(rooms(3200, 400).map((g) => g.place)).toEqual([0]);
    expect(rooms(...Array.from({ length: 13 }, () => 700))).toEqual([]);
  });
});

describe('what no floor can have', () => {
  const joints = (over: Record<string, unknown>) =>
    printedPlan(
      {
        job,
        repairs: [repairOf(piece({ void: voidOf({ ...(piece().void!.shapes[0] as object), ...over } as VoidShape) }))],
        sheets: [HEAPS],
      },
      NOW,
    ).repairs[0]!.problems;

  test('a tile larger than the floor is refused at its own side, whichever way it is turned', () => {
    expect(joints({ tileLength: measured(4000, 'rule') })[0]).toMatchObject({
      field: 'shapes.0.tileLength',
      sentence: saying('A tile of 4 m × 300 mm is larger than the whole area, 3.6 m × 2 m.'),
    });
    expect(joints({ tileWidth: measured(3700, 'rule') })[0]).toMatchObject({ field: 'shapes.0.tileWidth' });
    expect(joints({ tileLength: measured(2500, 'rule'), tileWidth: measured(2200, 'rule') })[0]).toMatchObject({
      field: 'shapes.0.tileWidth',
    });
    // Laid lengthwise it has room.
    expect(joints({ tileLength: measured(300, 'rule'), tileWidth: measured(3000, 'rule') })).toEqual([]);
    expect(joints({ tileLength: measured(3600, 'rule'), tileWidth: measured(2000, 'rule') })).toEqual([]);
  });
  test('a joint no narrower than its tile is refused', () => {
    expect(joints({ tileWidth: measured(8, 'rule') })[0]).toMatchObject({
      field: 'shapes.0.jointWidth',
      sentence: saying('A joint 8 mm wide is no narrower than its tile, 8 mm.'),
    });
    expect(joints({ tileWidth: measured(20, 'rule') })).toEqual([]);
  });
});

test('random joints agree with a count by hand: a pail a unit with its own loss, filled in its minutes, washed after', () => {
  for (const d of draws(25)) {
    const [length, width, deep, wide] = [d.of(1000, 6000, 50), d.of(800, 3500, 50), d.of(8, 30, 1), d.of(4, 12, 1)];
    const [long, short, open] = [d.of(200, 700, 10), d.of(150, 500, 10), d.of(0, 2000, 100)];
    const [unit, lost, m2h] = [d.of(1.5, 5, 0.5), d.of(0.05, 0.3, 0.05), d.of(3, 10, 0.5)];
    const [materialC, baseC] = [d.of(10, 20, 0.5), d.of(10, 20, 0.5)];
    const share = 1 - (long * short) / ((long + wide) * (short + wide));
    const [m2, perM2] = [(length * width) / 1e6, share * deep];
    const litres = m2 * perM2 - (open * 8 * deep) / 1e6;
    const mine = {
      ...HEAPS,
      potLossMl: lost * 1000,
      kits: [kitOf('unit', 'Unit', [unit * 1400, unit * 168], { yieldMl: unit * 1000 })],
    };
    const of = piece({
      void: voidOf({
        ...SHAPES.joints.blank(),
        outline: { kind: 'rectangle', length: measured(length, 'tape'), width: measured(width, 'tape') },
        tileLength: measured(long, 'rule'),
        tileWidth: measured(short, 'rule'),
        jointWidth: measured(wide, 'calliper'),
        depth: measured(deep, 'gauge'),
        movement: open ? { lengthMm: open, widthMm: 8 } : null,
      } as VoidShape),
      materialC,
      settings: { rate: (perM2 * 1000 * m2h) / 60 },
    });
    const base = { ...of.base, known: baseAt(['2027-04-20T00:00', baseC]) };
    const p = printedPlan({ job, repairs: [repairOf({ ...of, base })], sheets: [mine] }, NOW).repairs[0]!;

    const lives = minutesAt(Math.max(materialC, baseC), [10, 75], [20, 40]);
    const units = Math.ceil(litres / (unit - lost) - 1e-9);
    const fills = (ofUnit: number) => 4 + (ofUnit / perM2 / m2h) * 60;
    // A whole unit is placed in its minutes, or as much as it is filled with.
    if (fills(litres / units) > lives) {
      expect([d.n, p.problems.length > 0]).toEqual([d.n, true]);
      continue;
    }
    expect([d.n, p.problems, p.kits!.use, p.batches.length]).toEqual([d.n, [], units, units]);
    expect(p.volumeMl!.nominal / 1000 / litres).toBeCloseTo(1, 2);
    const hazes = minutesAt(baseC, [10, 50], [20, 30]);
    for (const n of p.batches.keys()) {
      const [fill, wash] = ['place', 'wash'].map((what) => p.steps.find((s) => s.id === `b${n + 1}:${what}`)!);
      expect(Date.parse(wash!.from!)).toBeGreaterThanOrEqual(Date.parse(fill!.to!));
      const stands = minutesAfter(fill!.from, wash!.from);
      const late = p.findings.some((f) => f.id.startsWith('late') && f.id.includes(`b${n + 1}:wash`));
      if (Math.abs(stands - hazes) > 1) expect([d.n, n, late]).toEqual([d.n, n, stands > hazes]);
    }
  }
});

test('four square metres an hour are a unit in 36 min, wherever the movement joint lies', () => {
  const { plan: planned } = viewJob({ job, repairs: [repairOf(piece())], sheets: [HEAPS], stock: [], events: [] }, NOW)
    .repairs[0]!;
  const amounts = pacedAmounts(planned, planned.method!.settings.find((s) => s.id === 'rate')!)!;
  expect(parsePaced('rate', '4 m²/h', 'metric', amounts)).toMatchObject({ value: expect.closeTo(2350 / 36.35, 1) });
});

test('units that would be filled together are mixed in a pail each; joints begun before go on from the pot they began', () => {
  const of = { job, repairs: [repairOf(piece({ settings: { rate: 400 } }))], sheets: [HEAPS], stock: [] };
  const { usableMin } = viewJob({ ...of, events: [] }, NOW).repairs[0]!.plan;
  const events = happened(job, [['2027-04-21T06:00', { kind: 'started', snapshotId: 'kept', usableMin }]]);
  const pots = (coreVersion: string) =>
    viewJob({ ...of, events, snapshots: [{ id: 'kept', repairs: of.repairs, coreVersion }] }, NOW).repairs[0]!.plan
      .batches.length;
  expect([pots('0.28.0'), pots('0.29.0')]).toEqual([1, 3]);
});

describe('washed twice, in water that is changed', () => {
  const again = (p: ReturnType<typeof plan>) => p.steps.filter((s) => s.id.endsWith(':wash-again'));
  const pails = (p: ReturnType<typeof plan>) => p.consumables.find((c) => /clean water/.test(c.what))!.quantity;
  test('once, as by default: no second wash, and a pail for each 4 m² of 7.2', () => {
    const p = plan();
    expect(again(p)).toEqual([]);
    expect(pails(p)).toBe(2);
    expect(p.steps.find((s) => s.id === 'b1:wash')!.detail).toContain('changed every 4 m²');
  });
  test('twice, by two: each unit once more, right after its first, begun inside its window; as many pails again', () => {
    const p = plan(HEAPS, { schools: { washes: 'twice' }, crew: 2 });
    expect(again(p)).toHaveLength(p.batches.length);
    for (const [i, s] of again(p).entries()) {
      const [fill, wash] = ['place', 'wash'].map((id) => p.steps.find((x) => x.id === `b${i + 1}:${id}`)!);
      expect(s.from).toBe(wash!.to);
      // Until about 45 min after the first spot of this unit, at 12 °C.
      expect(minutesAfter(fill!.from, s.from)).toBeLessThan(45);
    }
    expect(p.findings.filter((f) => f.id.startsWith('late'))).toEqual([]);
    expect(pails(p)).toBe(4);
  });
  test('one person who fills for 36 min comes too late with the second: told, and not with the first', () => {
    const late = (washes: string) =>
      plan(HEAPS, { schools: { washes } }).findings.filter((f) => f.id.startsWith('late'));
    expect(late('once')).toEqual([]);
    expect(late('twice').length).toBeGreaterThan(0);
  });
  test('random areas: never less water than is washed, never a whole pail too much', () => {
    for (const d of draws(25)) {
      const [length, width, each] = [d.of(2500, 6000, 100), d.of(1000, 4000, 100), d.of(1, 12, 0.5)];
      const p = plan(HEAPS, {
        void: voidOf({
          ...piece().void!.shapes[0]!,
          outline: { kind: 'rectangle', length: measured(length, 'tape'), width: measured(width, 'tape') },
        } as VoidShape),
        settings: { rate: 2350 / 36.3, 'water-area': each * 1e6 },
      });
      const area = (length * width) / 1e6;
      expect([pails(p) * each >= area - 1e-6, (pails(p) - 1) * each < area]).toEqual([true, true]);
    }
  });
});
