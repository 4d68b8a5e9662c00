import { likePlaces, type Piece, partAnew, repairOf, rightUntil } from '@/core/plan';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf } from '@/sample/sheet-words';
import { plainWords } from '@/words';
import { draws, minutesAt } from './draws';
import { at, baseAt, clock, happened, off, printedPlan } from './made';
import { H, job, piece, plan, sheet, type Told } from './plates';

/** Everything before the mixing is done, each plate bared at its own time; the rest is still to come. */
const bared = (weighed: string): Told => [
  ['2027-04-13T07:30', { kind: 'started', snapshotId: 'none', usableMin: null }],
  ...(
    [
      ['2027-04-13T07:50', 'prep:mock-up'],
      ['2027-04-13T08:12', 'prep:grind'],
      ['2027-04-13T08:40', 'prep.2:grind'],
      ['2027-04-13T08:41', 'prep:wipe'],
      [weighed, 'b1:weigh'],
    ] as const
  ).map(([iso, step]) => [iso, { kind: 'step-done', step } as const] as const),
];
const step = (p: ReturnType<typeof plan>, id: string) => p.steps.find((s) => s.id === id);

test('38.3 mL for both, 27.8 at 0.3 mm and 54.1 at 0.8: A 33.7 g, B 14.1 g, two plates from one mix', () => {
  const p = plan();
  expect(p.toMixMl).toBeCloseTo(38.34, 1);
  expect(plan(piece({}, 2, 0.3)).toMixMl).toBeCloseTo(27.8, 1);
  expect(plan(piece({}, 2, 0.8)).toMixMl).toBeCloseTo(54.1, 1);
  expect(p.batches).toHaveLength(1);
  expect(p.batches[0]!.massG.A).toBeCloseTo(33.7, 1);
  expect(p.batches[0]!.massG.B).toBeCloseTo(14.1, 1);
  expect(p.batches[0]!.volumeMl.A).toBeCloseTo(25.6, 1);
  expect(p.batches[0]!.volumeMl.B).toBeCloseTo(12.8, 1);
  const parts = p.working.mix!.find((w) => plainWords(w.label) === 'Parts from one pot')!;
  expect(Number(parts.value)).toBe(2);
  // A third would still be spread at +41: three plates take two mixes.
  expect(plan(piece({}, 3)).batches.map((b) => b.label)).toEqual(['parts 1 to 2', 'part 3']);
  expect(plan(piece({}, 1)).toMixMl).toBeCloseTo(25.2, 1);
});

test('mixed at 08:45: closed 09:05 and 09:20, each inside the open time of its own spread, 27.4 min at 18 °C', () => {
  const p = plan(piece(), '2027-04-13T08:45', bared('2027-04-13T08:45'));
  expect(p.steps.some((s) => s.id.endsWith('bare-again'))).toBe(false);
  expect(clock(step(p, 'b1:mix')!.from)).toBe('Tue 08:45');
  expect(clock(step(p, 'b1:spread')!.from)).toBe('Tue 08:50');
  expect(clock(step(p, 'b1:close')!.to)).toBe('Tue 09:05');
  expect(clock(step(p, 'b1.2:spread')!.from)).toBe('Tue 09:05');
  expect(clock(step(p, 'b1.2:spread')!.to)).toBe('Tue 09:11');
  expect(clock(step(p, 'b1.2:close')!.to)).toBe('Tue 09:20');
  const open = p.milestones.filter((m) => m.kind === 'open');
  expect(open.map((m) => m.part)).toEqual([0, 1]);
  const spread = [step(p, 'b1:spread')!, step(p, 'b1.2:spread')!];
  for (const [i, m] of open.entries()) {
    const minutes = (Date.parse(m.plans!) - Date.parse(spread[i]!.from!)) / 60_000;
    expect(minutes).toBeGreaterThan(27.1);
    expect(minutes).toBeLessThan(27.7);
  }
  const useBy = p.milestones.find((m) => m.kind === 'use-by')!;
  expect((Date.parse(useBy.plans!) - at('2027-04-13T08:45')) / 60_000).toBeCloseTo(39.8, 0);
  // Primed from the last closed, until the first closed.
  expect(off(p.milestones.find((m) => m.kind === 'recoat-from')!.plans, '2027-04-13T14:32')).toBeLessThanOrEqual(2);
  expect(off(p.milestones.find((m) => m.kind === 'recoat-until')!.plans, '2027-04-14T05:54')).toBeLessThanOrEqual(2);
  expect(off(step(p, 'finish:seal')!.from, '2027-04-13T14:32')).toBeLessThanOrEqual(2);
  expect(p.steps.some((s) => s.id.endsWith('abrade'))).toBe(false);
});

test('at 08:50 the left plate has stood too long: it is bared again, or mixed by 08:47', () => {
  const p = plan(piece(), '2027-04-13T08:50', bared('2027-04-13T08:45').slice(0, -1));
  // Set out from 08:50, mixing later than wished: the left plate is past, the right one not.
  const again = p.steps.filter((s) => s.id.endsWith('bare-again'));
  expect(again.map((s) => s.id)).toEqual(['b1:bare-again']);
  expect(Date.parse(again[0]!.to!)).toBeLessThanOrEqual(Date.parse(step(p, 'b1:weigh')!.from!));
  const finding = p.findings.find((f) => f.id.startsWith('bare-again'))!;
  expect(finding.severity).toBe('caution');
  expect(finding.why).toMatch(/08:52/);
  expect(finding.todo).toMatch(/08:47/);
  // In dry air it keeps 90 min, and nothing is done again.
  const dry = { ...job, climate: { kind: 'constant', tempC: 12, humidityPct: 55 } } as const;
  const inDry = printedPlan(
    {
      job: dry,
      repairs: [repairOf(piece())],
      sheets: [sheet],
      events: happened(dry, bared('2027-04-13T08:45').slice(0, -1)),
    },
    at('2027-04-13T08:50'),
  ).repairs[0]!;
  expect(inDry.steps.some((s) => s.id.endsWith('bare-again'))).toBe(false);
});

/** Both plates closed. */
const closed: Told = [
  ...bared('2027-04-13T08:45'),
  ...(
    [
      ['08:48', 'b1:mix'],
      ['08:50', 'b1:carry'],
      ['08:56', 'b1:spread'],
      ['09:05', 'b1:close'],
      ['09:11', 'b1.2:spread'],
      ['09:20', 'b1.2:close'],
    ] as const
  ).map(([hm, id]) => [`2027-04-13T${hm}`, { kind: 'step-done', step: id } as const] as const),
];
test('primed only tomorrow the window has closed: wash and abrade come first', () => {
  const told: Told = [
    ...closed,
    ['2027-04-13T09:25', { kind: 'step-done', step: 'hold:leave' }],
    ['2027-04-13T14:00', { kind: 'step-done', step: 'finish:release' }],
  ];
  const seal = (nowIso: string) => plan(piece(), nowIso, told).steps.map((s) => s.id);
  expect(seal('2027-04-13T14:35')).not.toContain('abrade');
  expect(seal('2027-04-14T06:30')).toContain('abrade');
});

const inHand = (told: Told, nowIso: string) => {
  const [pass] = viewJob(
    { job, repairs: [repairOf(piece())], sheets: [sheet], stock: [], events: happened(job, told) },
    at(nowIso),
  ).repairs[0]!.passes;
  return pass!.plan;
};

test('the left plate is knocked: set back by +32, each plate by its own open time', () => {
  const [left, right] = rightUntil(
    inHand(closed, '2027-04-13T09:15'),
    ['open', 'gel', 'use-by'],
    at('2027-04-13T09:15'),
  );
  expect([left!.part, right!.part]).toEqual([0, 1]);
  // Spread from 08:50, 27.4 min open; the right one from 09:05.
  expect((left!.untilMs - at('2027-04-13T08:45')) / 60_000).toBeCloseTo(32.4, 0);
  expect((right!.untilMs - at('2027-04-13T08:45')) / 60_000).toBeCloseTo(47.4, 0);
  // Where no such time is on the sheet nothing is named.
  expect(rightUntil(inHand(closed, '2027-04-13T09:15'), ['gel'], at('2027-04-13T09:15'))).toEqual([]);
  // While the left one is closed the right one is not there yet, and nothing of it can be put right.
  const half = closed.filter(([iso]) => iso <= '2027-04-13T08:56');
  expect(closed.length - half.length).toBe(3);
  const early = rightUntil(inHand(half, '2027-04-13T08:56'), ['open'], at('2027-04-13T08:56'));
  expect(early.map(({ part }) => part)).toEqual([0]);
});

test('knocked at +40 it comes off: a mix for one, 25.2 mL, and the release counts from that', () => {
  const before = inHand(closed, '2027-04-13T09:25');
  const one = likePlaces(before)!.eachMl;
  expect(one).toBeCloseTo(13.17, 1);
  const knocked: Told = [
    ...closed,
    ['2027-04-13T09:25', { kind: 'trouble', trouble: 'part-set', batch: 0, missingMl: one, part: 0 }],
  ];
  const p = plan(piece(), '2027-04-13T09:26', knocked);
  expect(p.batches).toHaveLength(2);
  expect(p.batches[1]!.ml).toBeCloseTo(25.2, 1);
  // That plate is bared, spread and closed once more; the other is left alone, and nothing is too late.
  const again = p.steps.filter((s) => s.done === null && s.stage === 'place').map((s) => s.title);
  expect(again.join(' | ')).toMatch(/Bare part 1 of 2 again.*Spread part 1 of 2.*Close part 1 of 2/);
  expect(again.join(' | ')).not.toMatch(/part 2 of 2/);
  expect(p.findings.filter((f) => f.id.startsWith('late:'))).toEqual([]);
  const held = p.milestones.find((m) => m.kind === 'release' && Date.parse(m.since!) > at('2027-04-13T09:26'));
  expect(held).toBeDefined();
  expect(likePlaces(inHand([], '2027-04-13T08:00'))!.eachMl).toBeCloseTo(one, 6);
  // Knocked a second time it is no more than that, and the time that counts is that of the new mix.
  const twice = inHand(knocked, '2027-04-13T09:26');
  expect(likePlaces(twice)!.eachMl).toBeCloseTo(one, 6);
  const [left, right] = rightUntil(twice, ['open'], at('2027-04-13T10:30'));
  expect([left!.part, right!.part]).toEqual([0, 1]);
  expect(left!.untilMs).toBeGreaterThan(right!.untilMs);
});

test('a plate that rocks before it is closed comes off: nothing of it is closed first, the other goes on', () => {
  const half = closed.filter(([iso]) => iso <= '2027-04-13T08:56');
  const one = likePlaces(inHand(half, '2027-04-13T08:57'))!.eachMl;
  const rocks: Told = [
    ...half,
    ['2027-04-13T08:57', { kind: 'trouble', trouble: 'rocks', batch: 0, missingMl: one, places: 1, part: 0 }],
  ];
  const p = plan(piece(), '2027-04-13T08:58', rocks);
  const left = p.steps.filter((s) => s.done === null && s.stage === 'place').map((s) => s.title);
  // The right plate is spread and closed while its pot lives; the left one is bared, spread and closed anew.
  expect(left).toEqual([
    expect.stringMatching(/^Spread part 2 of 2/),
    expect.stringMatching(/^Close part 2 of 2/),
    expect.stringMatching(/^Dry fit.*again, for 1 of 2/),
    expect.any(String),
    expect.stringMatching(/^Degrease.*again, for 1 of 2/),
    expect.stringMatching(/^Spread part 1 of 2/),
    expect.stringMatching(/^Close part 1 of 2/),
  ]);
  // What was closed in spite of it stands in the record as it was done.
  const done = plan(piece(), '2027-04-13T09:06', [
    ...rocks,
    ['2027-04-13T09:05', { kind: 'step-done', step: 'b1:close' }],
  ]);
  expect(done.steps.find((s) => s.id === 'b1:close')?.done).not.toBeNull();
});

test('a plate in the wrong place is ground again where it goes now, and the other is left alone', () => {
  const before = inHand(closed, '2027-04-13T09:25');
  const one = likePlaces(before)!;
  const told: Told = [
    ...closed,
    ['2027-04-13T09:25', { kind: 'trouble', trouble: 'wrong-place', batch: null, ...partAnew(one, 1) }],
  ];
  const open = plan(piece(), '2027-04-13T09:26', told).steps.filter((s) => s.done === null && s.stage === 'place');
  const titles = open.map((s) => s.title).join(' | ');
  expect(titles).toMatch(/[Bb]are metal, again.*Spread part 2 of 2.*Close part 2 of 2/);
  expect(titles).not.toMatch(/part 1 of 2/);
});

test('not accepted: one open time for both, counted from mixing; a bond line outside its band unsaid', () => {
  const open = plan(piece(), '2027-04-13T08:45', bared('2027-04-13T08:45')).milestones.filter((m) => m.kind === 'open');
  expect(new Set(open.map((m) => m.plans)).size).toBe(2);
  expect(plan(piece({}, 2, 1.1)).findings.some((f) => /bond line/i.test(f.title))).toBe(true);
});

test('six plates of three mixes: each pair is ground right before its mix, and nothing is ground twice', () => {
  const bareMin = { 'bare-dry': 60, 'bare-damp': 60 };
  const six = plan(piece({ settings: { ...piece().settings, ...bareMin } }, 6), '2027-04-13T06:00');
  const order = six.steps.map((s) => s.id).filter((id) => /:(grind|weigh)$/.test(id));
  expect(order).toEqual([
    ...['prep:grind', 'prep.2:grind', 'b1:weigh'],
    ...['prep.3:grind', 'prep.4:grind', 'b2:weigh'],
    ...['prep.5:grind', 'prep.6:grind', 'b3:weigh'],
  ]);
  expect(six.steps.filter((s) => /^Bare part/.test(s.title))).toEqual([]);
  // Where a bared face keeps all morning, all of them are ground at first.
  const dry = plan(
    piece({ settings: { ...piece().settings, 'bare-dry': 600, 'bare-damp': 600 } }, 6),
    '2027-04-13T06:00',
  );
  expect(dry.steps.findIndex((s) => s.id === 'b1:weigh')).toBeGreaterThan(
    dry.steps.findIndex((s) => s.id === 'prep.6:grind'),
  );
});

describe('seats looked at one by one, and fasteners in their order', () => {
  const found = (seats: Piece['seats'], count = 4) =>
    plan(piece({ seats }, count), '2027-04-13T06:00').findings.filter((f) => /seat/.test(f.title));

  test('a crack at one seat is a stop that names it; rust and paint are told apart', () => {
    expect(found({})).toEqual([]);
    expect(found({ '1': 'sound', '2': 'sound' })).toEqual([]);
    const [crack, rust, paint] = found({ '3': 'cracked', '1': 'rusted', '2': 'painted', '4': 'painted' });
    expect(crack).toMatchObject({ severity: 'stop', title: 'A cracked seat' });
    expect(crack!.why).toMatch(/^At 3: a crack runs on/);
    expect(rust).toMatchObject({ severity: 'caution', title: 'A rusted seat' });
    expect(paint).toMatchObject({ severity: 'note', title: '2 painted seats' });
    expect(paint!.why).toMatch(/^At 2 and 4:/);
    // Of a place that is no longer there nothing is said.
    expect(found({ '4': 'cracked' }, 2)).toEqual([]);
  });
  test('drawn up by fasteners: stops first, crosswise, torqued once it has cured', () => {
    const drawn = (over: Partial<Piece> = {}) =>
      plan(piece({ schools: { ...piece().schools, holding: 'fastener' }, ...over }), '2027-04-13T06:00').steps;
    const steps = drawn();
    const at2 = (id: string) => steps.findIndex((s) => s.id === id);
    expect(steps[at2('prep:stops')]!.detail).toMatch(/order 1, 3, 2, 4/);
    expect(steps[at2('finish:torque')]!.title).toBe('Torque the fasteners: 1, 3, 2, 4');
    expect(at2('finish:torque')).toBeGreaterThan(at2('finish:release'));
    expect(steps.find((s) => /:close$/.test(s.id))!.detail).toMatch(/against their stops, a little each, crosswise/);
    const six = drawn({ settings: { ...piece().settings, fasteners: 6 } });
    expect(six.find((s) => s.id === 'finish:torque')!.title).toBe('Torque the fasteners: 1, 4, 2, 5, 3, 6');
    // Clamped, there are none.
    expect(plan().steps.some((s) => /stops|torque/.test(s.id))).toBe(false);
  });
  test('no seat but those of the table, and no place but by its number, gets into a file', () => {
    expect(() => plan(piece({ seats: { '1': 'bent' } as never }))).toThrow();
    expect(() => plan(piece({ seats: { left: 'sound' } as never }))).toThrow();
  });
});

test('random plates agree with a count by hand: so many to a mix, each skinning by its own clock, primed in between', () => {
  for (const d of draws(30)) {
    const [length, width, thick] = [d.of(80, 400, 5), d.of(60, 250, 5), d.of(0.3, 0.8, 0.1)];
    const [holes, hole, count] = [d.of(0, 5, 1), d.of(8, 18, 1), d.of(2, 6, 1)];
    const [squeeze, lost, carry] = [d.of(10, 40, 5), d.of(4, 20, 2), d.of(0, 4, 1)];
    const [spread, close, useBy, open] = [d.of(3, 9, 0.5), d.of(3, 12, 0.5), d.of(35, 70, 1), d.of(28, 50, 1)];
    const [materialC, baseC] = [d.of(15, 25, 0.5), d.of(10, 20, 0.5)];
    const placedMl = ((length * width - (holes * Math.PI * hole ** 2) / 4) * thick * (1 + squeeze / 100)) / 1000;
    const mine: SheetRevision = {
      ...sheet,
      potLossMl: lost,
      kits: [kitOf('pair', 'Tin pair', [13_200, 5500], { yieldMl: null, splittable: true })],
      milestones: [
        curve('use-by', 'mix-begins', 'pot', [
          [15, useBy, useBy],
          [25, useBy / 2, useBy / 2],
        ]),
        curve('open', 'last-coat', 'material', [
          [10, open, open],
          [20, open * 0.6, open * 0.6],
        ]),
        ...sheet.milestones.slice(2),
      ],
    };
    const of = piece({
      void: {
        ...voidOf({
          ...SHAPES.bondLine.blank(),
          outline: { kind: 'rectangle', length: measured(length, 'rule'), width: measured(width, 'rule') },
          holes: { count: holes, diameter: measured(hole, 'calliper') },
          thickness: measured(thick, 'gauge'),
        } as VoidShape),
        count,
      },
      materialC,
      settings: { bead: squeeze, 'back-butter': 0, rate: placedMl / spread, carry, 'close min': close },
    });
    const base = { ...of.base, known: baseAt(['2027-04-12T00:00', baseC]) };
    const climate = { kind: 'constant', tempC: baseC, humidityPct: 40 } as const;
    const p = printedPlan(
      { job: { ...job, climate }, repairs: [repairOf({ ...of, base })], sheets: [mine] },
      at('2027-04-13T06:00'),
    ).repairs[0]!;

    const hotC = Math.max(materialC, baseC);
    const lives = minutesAt(hotC, [15, useBy], [25, useBy / 2]);
    const skins = minutesAt(hotC, [10, open], [20, open * 0.6]);
    let most = 0;
    while (3 + carry + most * (spread + close) + spread <= lives + 1e-6) most++;
    const mixes = most && Math.ceil(count / most);
    expect([d.n, p.problems.length > 0, p.batches.length]).toEqual([d.n, most === 0, mixes]);
    if (!most) continue;
    expect(p.toMixMl! / (placedMl * count + lost * mixes)).toBeCloseTo(1, 2);
    const late = p.findings.some((f) => /^late.*close/.test(f.id));
    if (Math.abs(spread + close - skins) > 1) expect([d.n, late]).toEqual([d.n, spread + close > skins]);
    const shut = p.steps.filter((s) => s.id.endsWith(':close')).map((s) => Date.parse(s.to!) / 60_000);
    const gate = (kind: string) => Date.parse(p.milestones.findLast((m) => m.kind === kind)!.plans!) / 60_000;
    expect(gate('recoat-from') - Math.max(...shut)).toBeCloseTo(minutesAt(baseC, [10, 6 * H], [20, 3 * H]), 0);
    expect(gate('recoat-until') - Math.min(...shut)).toBeCloseTo(minutesAt(baseC, [10, 24 * H], [20, 12 * H]), 0);
  }
});
