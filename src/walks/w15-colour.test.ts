import { DateTime } from 'luxon';
import { type ChainPlan, type Job, type Piece, repairOf, startsAskOf, startWindows } from '@/core/plan';
import { type EventBody, viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { formatDuration } from '@/core/units';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { kitOf, partsOf, ratioOf, single, tiers } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { plainWords } from '@/words';
import { draws } from './draws';
import { at, clock, happened, off, printedPlan, walkJob, walkPiece, ZONE } from './made';

/** The joints of the winch-house floor in their colour: two rooms, one threshold, two coats, one lot above 12 m². */
const NOW = at('2027-04-20T16:00');
const job = walkJob({
  id: 'walk-15',
  startFrom: NOW,
  climate: { kind: 'constant', tempC: 17, humidityPct: 78 },
});
const colour = furtherSheets.find((s) => s.kind === 'joint-colour')!;
const sheet: SheetRevision = {
  ...colour,
  id: 'colour-1',
  systemId: 'colour',
  name: 'Joint colour',
  parts: partsOf('joint-colour', { A: { densityGPerMl: 1.2 }, B: { densityGPerMl: 1.05 } }),
  ratio: ratioOf({ basis: 'volume', a: 4, b: 1, cByWeight: 0.5 }),
  mixMin: 1,
  coversM2PerL: null,
  potLossMl: 0,
  milestones: [
    { ...single('stand', 'mix-ends', 'pot', 12, 12) },
    {
      ...single('use-by', 'stand-ends', 'pot', 45, 45),
      table: { form: 'bands', bands: [{ fromC: 5, toC: 35, fromMin: 45, toMin: 45 }] },
    },
    {
      ...single('recoat-from', 'last-coat', 'base', 50, 50),
      table: { form: 'bands', bands: [{ fromC: 5, toC: 35, fromMin: 50, toMin: 50 }] },
    },
    tiers('tack-free', 'last-coat', [
      [5, 15, 100, 360, 360],
      [15, 40, 70, 120, 120],
      [15, 40, 100, 360, 360],
    ]),
    {
      ...single('dry', 'last-coat', 'base', 36 * 60, 36 * 60),
      table: { form: 'bands', bands: [{ fromC: 5, toC: 35, fromMin: 2160, toMin: 2160 }] },
    },
  ],
  limits: { ...colour.limits, baseMinC: null, baseMaxC: null, materialMinC: null, humidityMaxPct: null },
  kits: [kitOf('set', 'Set', [240, 52.5, 25], { yieldMl: null, splittable: true })],
};
/** 6.5 m² with a set, however much that is. */
const SET_L = (240 / 1.2 + 52.5 / 1.05 + 25 / 1) / 1000;
const covering: SheetRevision = { ...sheet, coversM2PerL: 6.5 / SET_L };

const room = (m2: number) =>
  ({
    ...SHAPES.coat.blank(),
    outline: { kind: 'rectangle', length: measured(m2 * 1000, 'tape'), width: measured(1000, 'tape') },
    thickness: measured(0.1, 'film'),
    texture: { from: 'class', class: 'none' },
  }) as VoidShape;
const SHORT = { 'prep:clean min': 20, 'prep:clean min/m2': 0.01, 'prep:trial min': 9 };
const piece = (over: Partial<Piece> = {}): Piece =>
  walkPiece(job, {
    method: { id: 'joint-colour', version: 1 },
    void: voidOf(room(15), room(11)),
    sheetId: covering.id,
    kitId: 'set',
    materialC: 17,
    crew: 4,
    // Half an hour of looking after what was cleaned the day before: the first shake is at 06:30.
    plannedStart: at('2027-04-21T06:00'),
    settings: { ...SHORT, 'coat-rate': 11, 'lot-area': 12e6 },
    answers: { silicone: 'yes', porous: 'yes', dry: 'yes' },
    ...over,
  });
const report = (over: Partial<Piece> = {}, jobOver: Partial<Job> = {}) =>
  printedPlan({ job: { ...job, ...jobOver }, repairs: [repairOf(piece(over))], sheets: [covering] }, NOW).repairs[0]!;
type Report = ReturnType<typeof report>;
const step = (p: Report, id: string) => p.steps.find((s) => s.id === id)!;
const found = (p: Report, title: RegExp) => p.findings.filter((f) => title.test(f.title));

test('four sets a coat, eight in all, each coat of one lot', () => {
  const p = report();
  expect(p.batches.map((b) => b.kits)).toEqual([4, 4]);
  expect(p.toMixMl! / (SET_L * 1000)).toBeCloseTo(8, 6);
  expect(found(p, /lot/i)).toEqual([]);
});
test('shaken, stood and shaken again: ready 06:46, and that is when its 45 minutes begin', () => {
  const p = report();
  expect(off(step(p, 'b1:weigh').from, '2027-04-21T06:30')).toBeLessThan(2);
  expect(off(step(p, 'b1:coat').from, '2027-04-21T06:46')).toBeLessThan(2);
  const useBy = p.milestones.find((m) => m.kind === 'use-by' && m.batch === 0)!;
  expect(off(useBy.plans, '2027-04-21T07:31')).toBeLessThan(2);
  expect(off(step(p, 'b1:coat').to, '2027-04-21T07:21')).toBeLessThan(2);
});
test('coat 2 is mixed while coat 1 still dries, and painted when it may be: its stand time is in the plan', () => {
  const p = report();
  expect(off(step(p, 'b2:weigh').from, '2027-04-21T07:55')).toBeLessThan(2);
  expect(off(step(p, 'b2:coat').from, '2027-04-21T08:11')).toBeLessThan(2);
  expect(off(step(p, 'b2:coat').to, '2027-04-21T08:47')).toBeLessThan(2);
});
test('touched each hour from the two hours of dry air, dry by the six of damp: 14:47, and never 10:47', () => {
  const p = report();
  const touch = step(p, 'hold:touch');
  expect(touch.tries!.map((t) => clock(t))).toEqual(['Wed 10:48', 'Wed 11:48', 'Wed 12:48', 'Wed 13:48']);
  expect(off(touch.from, '2027-04-21T14:47')).toBeLessThan(2);
  const dryAir = report({}, { climate: { kind: 'constant', tempC: 17, humidityPct: 60 } });
  expect(off(step(dryAir, 'hold:touch').from, '2027-04-21T10:47')).toBeLessThan(2);
  expect(step(dryAir, 'hold:touch').tries).toEqual([]);
});
test('kept dry until Thursday 20:47, which is after hours: opened on Friday', () => {
  const p = report();
  expect(off(p.milestones.find((m) => m.kind === 'dry')!.plans, '2027-04-22T20:47')).toBeLessThan(2);
  expect(clock(p.opens)).toMatch(/^Fri 06:/);
});
test('a washing that is booked for Thursday 18:00 is a stop; one on Friday is none', () => {
  const booked = found(report({ waterAt: at('2027-04-22T18:00') }), /Water comes/);
  expect(booked).toHaveLength(1);
  expect(booked[0]!.severity).toBe('stop');
  expect(booked[0]!.why).toMatch(/20:4/);
  expect(found(report({ waterAt: at('2027-04-23T08:00') }), /Water comes/)).toEqual([]);
});

describe('hands too few for one lot', () => {
  const few = (crew: number, over: Partial<Piece> = {}) => report({ crew, ...over });
  test.each([
    [1, 142],
    [2, 70.9],
    [3, 47.3],
  ])('%i of them take longer than its life', (crew, minutes) => {
    const p = few(crew);
    expect(p.batches).toEqual([]);
    const [stop] = found(p, /One lot cannot/);
    expect(stop!.severity).toBe('stop');
    expect(p.problems.map((x) => plainWords(x.sentence)).join()).toContain(formatDuration(minutes));
    expect(stop!.ways!.map((w) => w.say)).toEqual(['4 pairs of hands', 'A lot for each area']);
  });
  test('two of them, the lot changed at the threshold: 15 m² in 41 min, 11 m² in 30, three and two whole sets', () => {
    const p = few(2, { schools: { lots: 'threshold' } });
    expect(p.batches.map((b) => b.kits)).toEqual([3, 2, 3, 2]);
    const took = (id: string) => (Date.parse(step(p, id).to!) - Date.parse(step(p, id).from!)) / 60_000;
    expect(took('b1:coat')).toBeCloseTo(41, 0);
    expect(took('b2:coat')).toBeCloseTo(30, 0);
    expect(found(p, /threshold/)[0]!.why).toContain('10 in all');
    expect(step(p, 'b2:coat').title).toContain('area 2');
    // Coat 2 of the first room waits for coat 1 of the first room.
    expect(Date.parse(step(p, 'b3:coat').from!)).toBeGreaterThanOrEqual(
      Date.parse(step(p, 'b1:coat').to!) + 50 * 60_000,
    );
    expect(Date.parse(step(p, 'b4:coat').from!)).toBeGreaterThanOrEqual(
      Date.parse(step(p, 'b2:coat').to!) + 50 * 60_000,
    );
  });
  test('weighed out, the break costs no set: eight', () => {
    const p = few(2, { schools: { lots: 'threshold', 'part-kits': 'weighed' } });
    expect(p.toMixMl! / (SET_L * 1000)).toBeCloseTo(8, 6);
    expect(p.kits!.use).toBe(8);
  });
  test('a rate that nobody chose forbids nothing: it is planned with what the lot needs, and says so', () => {
    const p = few(1, { settings: { ...SHORT, 'lot-area': 12e6 } });
    expect(p.batches.map((b) => b.kits)).toEqual([4, 4]);
    expect(found(p, /faster than usual/)).toHaveLength(1);
  });
  test('whole sets mixed for a corner: what is over is said, and colour does not heat itself', () => {
    const p = report({ void: voidOf(room(2)) });
    const [said] = found(p, /More is mixed/);
    expect(said!.why).not.toMatch(/heats/);
  });
  test('under the typed area nobody asks for one lot: it is parted by its minutes', () => {
    const p = few(1, {
      settings: { ...SHORT, 'coat-rate': 11, 'lot-area': 30e6 },
      schools: { 'part-kits': 'weighed' },
    });
    expect(p.batches.length).toBeGreaterThan(4);
    expect(found(p, /One lot/)).toEqual([]);
  });
});

test('the strip of starts counts the pot from its last shake: there are good hours to begin', () => {
  const view = viewJob({ job, repairs: [repairOf(piece())], sheets: [covering], stock: [], events: [] }, NOW);
  const chain = view.repairs[0]!.plan as ChainPlan;
  const starts = startWindows(startsAskOf(chain, job, view.plan.windows, NOW)!);
  expect(starts.reasons.map((r) => r.id)).not.toContain('pot');
  expect(starts.earliestMs).not.toBeNull();
});
test('nothing is mixed in the evening that would be painted in the morning', () => {
  // Ready to mix at 19:20: shaking fits before eight, standing and painting do not.
  const p = report({ plannedStart: at('2027-04-20T18:50') });
  expect(clock(step(p, 'b1:weigh').from)).toBe('Wed 06:00');
  const gap = Date.parse(step(p, 'b1:coat').from!) - Date.parse(step(p, 'b1:mix').to!);
  expect(gap / 60_000).toBeLessThanOrEqual(14);
});
test('a drop test on every joint and a trial spot are hold points before anything is mixed', () => {
  const p = report();
  for (const id of ['prep:clean', 'prep:trial']) {
    expect(step(p, id).hold).toBe(true);
    expect(Date.parse(step(p, id).to!)).toBeLessThanOrEqual(Date.parse(step(p, 'b1:weigh').from!));
  }
  expect(found(report({ answers: { silicone: 'no', porous: 'yes', dry: 'yes' } }), /take no colour/)[0]!.severity).toBe(
    'stop',
  );
});
test('in US units it is the same: eight sets, the same hours', () => {
  const us = printedPlan({ job, repairs: [repairOf(piece())], sheets: [covering] }, NOW, { system: 'us' }).repairs[0]!;
  const p = report();
  expect(us.batches.map((b) => b.kits)).toEqual([4, 4]);
  expect(us.steps.map((s) => s.from)).toEqual(p.steps.map((s) => s.from));
});
test('without a coverage on the sheet the thickness plans, and none at all is asked for', () => {
  const thick = printedPlan({ job, repairs: [repairOf(piece())], sheets: [sheet] }, NOW).repairs[0]!;
  expect(thick.toMixMl! / 1000).toBeCloseTo(2 * 26 * 0.1, 6);
  const none = { ...room(15), thickness: measured(0, 'film') } as VoidShape;
  const asked = printedPlan({ job, repairs: [repairOf(piece({ void: voidOf(none) }))], sheets: [sheet] }, NOW)
    .repairs[0]!;
  expect(asked.problems.map((x) => plainWords(x.sentence)).join()).toMatch(/thick/i);
});

describe('then: somebody has to leave while the first coat goes on', () => {
  const begun = (left: number, over: Partial<Piece> = {}) => {
    const planned = report(over);
    const upTo = planned.steps.findIndex((s) => s.id === 'b1:coat');
    const told = planned.steps.slice(0, upTo).map((s) => [s.to, { kind: 'step-done', step: s.id }] as const);
    const zoned = (iso: string) => DateTime.fromISO(iso).setZone(ZONE).toFormat("yyyy-MM-dd'T'HH:mm");
    const events = happened(job, [
      ['2027-04-21T06:00', { kind: 'started', snapshotId: 'none', usableMin: null }],
      ...told.map(([to, body]) => [zoned(to!), body] as const),
      ['2027-04-21T06:46', { kind: 'step-begun', step: 'b1:coat' }],
      ...(left < 4
        ? ([
            [
              '2027-04-21T07:00',
              { kind: 'trouble', trouble: 'leave', batch: 0, missingMl: null, handsLeft: left } as EventBody,
            ],
          ] as const)
        : []),
    ]);
    return printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [covering], events }, at('2027-04-21T07:01'))
      .repairs[0]!;
  };
  test('all four stay: done 07:21 or 07:22', () => {
    expect(off(step(begun(4), 'b1:coat').to, '2027-04-21T07:21')).toBeLessThan(2);
    expect(begun(4).findings.some((f) => f.id.startsWith('hands'))).toBe(false);
  });
  test('one leaves at 07:00: 10.3 m² are done, three end 07:29, inside', () => {
    const p = begun(3);
    expect(off(step(p, 'b1:coat').to, '2027-04-21T07:29')).toBeLessThan(2);
    const told = p.findings.find((f) => f.id === 'hands-hold')!;
    expect(told.why).toMatch(/^10\.3 m² of 26(\.0)? m² are done; 3 pairs of hands are done at .*07:29.*07:31/);
    expect(p.findings.some((f) => f.id === 'hands-late')).toBe(false);
  });
  test('two leave: 07:43, past 07:31: break it at the threshold, two sets more to fetch', () => {
    const p = begun(2);
    expect(off(step(p, 'b1:coat').to, '2027-04-21T07:43')).toBeLessThan(2);
    const stop = p.findings.find((f) => f.id === 'hands-late')!;
    expect(stop.severity).toBe('stop');
    expect(stop.todo).toMatch(/Break it at the threshold: what lies behind takes 2 whole kits more/);
  });
  test('what follows takes those who are left longer, too; without their number nothing moves', () => {
    const length = (p: Report, id: string) => Date.parse(step(p, id).to) - Date.parse(step(p, id).from);
    expect(length(begun(2), 'b2:coat') / length(begun(4), 'b2:coat')).toBeCloseTo(2, 1);
    // The paper’s own clocks are nobody’s hands.
    expect(length(begun(2), 'b2:stand')).toBe(length(begun(4), 'b2:stand'));
  });
});

test('random floors: one lot is coated by as few as can, and the number it asks for does it where one less does not', () => {
  for (const d of draws(30)) {
    const [one, two, crew, rate] = [d.of(4, 25, 0.5), d.of(4, 25, 0.5), d.of(1, 5, 1), d.of(8, 16, 0.5)];
    const [useBy, stand, recoat, perSet] = [d.of(30, 70, 1), d.of(4, 20, 1), d.of(20, 120, 5), d.of(4, 9, 0.5)];
    const [tempC, humidityPct] = [d.of(10, 24, 1), d.of(50, 85, 1)];
    const always = (minutes: number) => ({
      table: { form: 'bands' as const, bands: [{ fromC: 5, toC: 35, fromMin: minutes, toMin: minutes }] },
    });
    const mine: SheetRevision = {
      ...covering,
      coversM2PerL: perSet / SET_L,
      milestones: [
        single('stand', 'mix-ends', 'pot', stand, stand),
        { ...single('use-by', 'stand-ends', 'pot', useBy, useBy), ...always(useBy) },
        { ...single('recoat-from', 'last-coat', 'base', recoat, recoat), ...always(recoat) },
        ...sheet.milestones.slice(3),
      ],
    };
    const by = (people: number) =>
      printedPlan(
        {
          job: { ...job, climate: { kind: 'constant', tempC, humidityPct } },
          repairs: [
            repairOf(
              piece({
                void: voidOf(room(one), room(two)),
                crew: people,
                materialC: tempC,
                // All of it one lot.
                settings: { ...SHORT, 'coat-rate': rate, 'lot-area': 1e6 },
              }),
            ),
          ],
          sheets: [mine],
        },
        NOW,
      ).repairs[0]!;
    const takes = ((one + two) / rate) * 60;
    const hands = Math.ceil(takes / useBy - 1e-6);
    const p = by(crew);
    expect([d.n, p.problems.length > 0]).toEqual([d.n, crew < hands]);
    if (crew < hands) {
      const says = p.problems.map((x) => plainWords(x.sentence)).join();
      expect([d.n, Number(/Bring (\d+)/.exec(says)![1])]).toEqual([d.n, hands]);
      expect(by(hands).problems).toEqual([]);
      continue;
    }
    expect([d.n, p.kits!.use]).toEqual([d.n, 2 * Math.ceil((one + two) / perSet - 1e-6)]);
    const coats = p.steps.filter((s) => s.id.endsWith(':coat')).map((s) => [Date.parse(s.from!), Date.parse(s.to!)]);
    const [[, firstEnd], [secondFrom, end]] = coats as [[number, number], [number, number]];
    expect((secondFrom - firstEnd) / 60_000).toBeGreaterThanOrEqual(recoat - 0.01);
    const after = (kind: string) =>
      (Date.parse(p.milestones.findLast((m) => m.kind === kind)!.plans!) - end) / 3_600_000;
    expect([d.n, after('dry'), after('tack-free')]).toEqual([
      d.n,
      expect.closeTo(36, 1),
      expect.closeTo(tempC >= 15 && humidityPct <= 70 ? 2 : 6, 1),
    ]);
  }
});
