import fc from 'fast-check';
import { DateTime } from 'luxon';
import { plainWords } from '@/words';
import { saying } from '@/words/saying.testing';
import { sampleData } from '../../sample/jobs';
import { mortarSheet, pasteSheet, resinSheet, sampleSheets } from '../../sample/systems';
import { isTaken, METHODS } from '../method';
import { measured, SHAPES, voidOf } from '../void';
import {
  type Actuals,
  earliestSlot,
  Hands,
  type Job,
  NOTHING_YET,
  type Piece,
  pieceOf,
  planJob,
  repairOf,
  windowsOver,
} from '.';

const zone = 'Europe/Helsinki';
const at = (iso: string) => DateTime.fromISO(iso, { zone }).toMillis();
const NOW = at('2026-05-05T06:00');
const MIN = 60_000;

const job: Job = {
  ...sampleData(NOW, zone).bundles[0]!.job,
  startFrom: at('2026-05-05T07:00'),
  wantedAt: at('2026-05-09T09:00'),
  climate: { kind: 'constant', tempC: 20, humidityPct: 50 },
};
const [nosing, eyes] = sampleData(NOW, zone).bundles[0]!.repairs.map((r) => pieceOf(r)) as [Piece, Piece];
const [plate] = sampleData(NOW, zone).bundles[1]!.repairs.map((r) => pieceOf(r)) as [Piece];
const here = (r: Piece, over: Partial<Piece> = {}): Piece => ({ ...r, jobId: job.id, ...over });
const plan = (
  repairs: Piece[],
  over: Partial<Job> = {},
  actuals: ReadonlyMap<string, Actuals> = new Map(),
  nowMs = NOW,
) =>
  planJob({
    job: { ...job, ...over },
    repairs: repairs.map(repairOf),
    sheets: sampleSheets,
    stock: [],
    actuals,
    nowMs,
  });
const only = (r: Piece, over: Partial<Job> = {}, actuals?: Actuals, nowMs = NOW) =>
  plan([r], over, actuals ? new Map([[r.id, actuals]]) : new Map(), nowMs).repairs[0]!;
const milestone = (p: ReturnType<typeof only>, kind: string) => p.milestones.find((m) => m.kind === kind)!;

describe('by hand, at a steady 20 °C', () => {
  test('mortar patch: 300 × 200 × 20 mm', () => {
    const shape = {
      ...SHAPES.patch.blank(),
      outline: { kind: 'rectangle', length: measured(300), width: measured(200) },
      depth: { kind: 'mean', mean: measured(20, 'gauge') },
    } as never;
    const p = only(
      here(nosing, {
        materialC: 20,
        kitId: 'large',
        settings: { primer: 0 },
        schools: { priming: 'separate' },
        void: voidOf(shape),
      }),
    );
    // 1200 mL; u = 18.26 mL, reserve 1.2816 u = 23.4; the pot's film 60. One lift, one pot: 22 − 3 min at 150 mL/min is
    // 2850 mL.
    expect(p.void!.nominalMl).toBeCloseTo(1200, 6);
    expect(p.mix!.toMixMl).toBeCloseTo(1200 + 1.2816 * 18.256 + 60, 0);
    expect(p.usableMin).toBeCloseTo(22 - 3, 6);
    expect(p.mix!.capMl).toBeCloseTo(19 * 150, 6);
    // Kit of 5 kg: 790 g of mix fill 100/1.1 + 40 + 650/2.65 = 376.2 mL, so 5000 g fill 2381 mL; the sheet says 2300
    // and plans.
    expect(p.mix!.kits).toMatchObject({ volumeMl: 2300, use: 1, buy: 1 });
    // Load at 20 °C takes 690 to 830 min from when it is placed: the long end plans.
    expect((milestone(p, 'load').planMs! - p.placedMs!) / MIN).toBeCloseTo(830, 3);
    expect((milestone(p, 'load').fromMs! - p.placedMs!) / MIN).toBeCloseTo(690, 3);
  });

  test('anchors: four M16 in 18.2 mm holes, 125 mm deep', () => {
    const p = only(here(eyes));
    // d2 = 16 − 0.649519·2 = 14.70096; π/4 (18.2² − d2²)·125 = 11.302 mL each
    expect(p.void!.eachMl).toBeCloseTo(((Math.PI / 4) * (18.2 ** 2 - 14.70096 ** 2) * 125) / 1000, 4);
    expect(p.mix!.lines.find((l) => l.id === 'collar')!.ml).toBeCloseTo(0.1 * p.void!.nominalMl, 9);
    // The band of 20 to 30 °C: works for 4 min, holds load after 45 min on the clock of the base.
    expect(p.usableMin).toBeCloseTo(4, 6);
    const loads = p.milestones.filter((m) => m.kind === 'load');
    expect(loads.map((m) => (m.planMs! - m.originMs!) / MIN)).toEqual([45, 45, 45, 45]);
    expect(loads.at(-1)!.originMs).toBe(p.placedMs);
    // One at a time, 3 min a hole; the mixer may idle 3 min, so it need not be changed.
    expect(p.batches.map((b) => b.places)).toEqual([1, 1, 1, 1]);
    expect(p.mix!.lines.find((l) => l.id === 'purge')!.ml).toBe(14);
  });

  test('plate: 620 × 380 mm with four 18 mm holes, 0.8 mm thick', () => {
    const p = only(here(plate, { materialC: 23 }), { climate: { kind: 'constant', tempC: 23, humidityPct: 50 } });
    const area = 620 * 380 - 4 * (Math.PI / 4) * 18 * 18;
    expect(p.void!.nominalMl).toBeCloseTo((area * 0.8) / 1000, 6);
    expect(p.mix!.lines.find((l) => l.id === 'back-butter')!.ml).toBeCloseTo((2 * area * 40) / 1e6, 6);
    // At its own 23 °C the single figure is the sheet's word: 45 min in the pot less 4 of mixing, 24 h to load from
    // when the faces are closed.
    expect(p.usableMin).toBeCloseTo(41, 6);
    const closed = p.steps.find((s) => s.id === 'close')!.endMs;
    expect((milestone(p, 'load').planMs! - closed) / MIN).toBeCloseTo(1440, 3);
    expect(milestone(p, 'load').standing).toBe('sheet');
    // 2 : 1 by volume with 1.40 and 1.05 g/mL.
    const b = p.batches[0]!;
    expect(b.volumeMl.A / b.volumeMl.B).toBeCloseTo(2, 9);
    expect(b.massG.B / b.massG.A).toBeCloseTo(0.375, 9);
  });
});

describe('the clock', () => {
  test('a colder site never opens sooner, whatever the method', () => {
    for (const r of [here(nosing), here(eyes), here(plate)]) {
      const opens = [26, 22, 18, 14].map(
        (tempC) =>
          only(r, {
            climate: { kind: 'constant', tempC, humidityPct: 50 },
            workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
          }).openMs ?? Number.POSITIVE_INFINITY,
      );
      for (let i = 1; i < opens.length; i++) expect(opens[i]!).toBeGreaterThanOrEqual(opens[i - 1]!);
    }
  });

  test('a frosty night stalls the mortar and says when', () => {
    const p = only(here(nosing), {
      climate: { kind: 'daily', lowC: 0, lowHour: 6, highC: 12, highHour: 15, humidityAtLowPct: 70 },
    });
    const load = milestone(p, 'load');
    expect(load.stalls.length).toBeGreaterThan(0);
    for (const s of load.stalls) expect(s.toMs).toBeGreaterThan(s.fromMs);
  });

  test('the night the clock goes back, the wait is not an hour short', () => {
    const fall = {
      startFrom: at('2026-10-24T07:00'),
      wantedAt: null,
      workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
    };
    const p = only(here(nosing, { materialC: 20 }), fall, undefined, at('2026-10-24T06:00'));
    expect((milestone(p, 'load').planMs! - p.placedMs!) / MIN).toBeCloseTo(830, 3);
  });

  test('lifts wait for the next-lift time of the sheet', () => {
    const p = only(here(nosing, { materialC: 20 }));
    const first = p.steps.find((s) => s.id === 'b1:place')!;
    const second = p.steps.find((s) => s.id === 'b2:weigh')!;
    expect(second.startMs - first.endMs).toBeGreaterThanOrEqual(150 * MIN - 1);
    expect(second.forcedBy).toBe('sheet');
  });
});

describe('schools change numbers or steps', () => {
  test('anchor filling: overfill, below the mouth, two thirds', () => {
    const ml = (filling: string) => only(here(eyes, { schools: { filling } })).mix!.toMixMl;
    expect(ml('below')).toBeLessThan(ml('overfill'));
    const bore = (4 * (Math.PI / 4) * 18.2 ** 2 * 125) / 1000;
    const line = only(here(eyes, { schools: { filling: 'two-thirds' } })).mix!.lines.find(
      (l) => l.id === 'two-thirds',
    )!;
    expect(line.ml).toBeCloseTo((2 / 3) * bore - only(here(eyes)).void!.nominalMl, 6);
  });
  test('fixed wait: exactly 24 hours after placing', () => {
    const p = only(here(plate, { schools: { waiting: 'fixed', 'part-kits': 'weighed' } }), {
      climate: { kind: 'constant', tempC: 20, humidityPct: 50 },
      workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
    });
    expect(p.steps.at(-1)!.startMs - p.placedMs!).toBeGreaterThanOrEqual(1440 * MIN - 1);
    expect(p.steps.at(-1)!.startMs - p.placedMs!).toBeLessThan(1460 * MIN);
  });
  test.each(METHODS.map((m) => [m.id, m] as const))(
    '%s: every option of every school can be planned or refuses with a sentence',
    (id, method) => {
      const r =
        { anchor: eyes, 'mortar-patch': nosing, 'plate-bond': plate }[id] ??
        here(nosing, { method: { id, version: method.version } });
      for (const school of method.schools)
        for (const option of school.options) {
          const p = only(here(r, { schools: { ...r.schools, [school.id]: option.id } }), {
            climate: { kind: 'constant', tempC: 18, humidityPct: 50 },
          });
          expect(p.mix !== null || p.problems.length > 0).toBe(true);
          for (const x of p.problems) expect(plainWords(x.sentence)).toMatch(/\.$/);
        }
    },
  );
});

describe('the schedule', () => {
  const checkFeasible = (p: ReturnType<typeof plan>) => {
    const all = p.repairs.flatMap((r) => r.steps.map((s) => ({ ...s, repair: r.repairId })));
    for (const r of p.repairs) {
      for (const [i, s] of r.steps.entries()) {
        if (i > 0) expect(s.startMs).toBeGreaterThanOrEqual(r.steps[i - 1]!.endMs);
        expect(p.windows.some((w) => s.startMs >= w.fromMs && s.endMs <= w.toMs + 1)).toBe(true);
      }
    }
    // One crew: no two steps at once.
    const sorted = all.sort((a, b) => a.startMs - b.startMs);
    for (const [i, s] of sorted.slice(1).entries()) expect(s.startMs).toBeGreaterThanOrEqual(sorted[i]!.endMs - 1);
  };
  test('one crew, inside the working hours, in order', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 10 }),
        fc.integer({ min: 14, max: 20 }),
        fc.integer({ min: 1, max: 4 }),
        (fromHour, toHour, n) => {
          const repairs = Array.from({ length: n }, (_, i) =>
            here(i % 2 ? eyes : nosing, { id: `r${i}`, order: i, materialC: 20 }),
          );
          checkFeasible(plan(repairs, { workingHours: { fromHour, toHour, days: [1, 2, 3, 4, 5] } }));
        },
      ),
      { numRuns: 25 },
    );
  });
  test('a slot is the earliest that fits, against trying every minute', () => {
    const windows = windowsOver(job, job.startFrom, job.startFrom + 3 * 86_400_000);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 2000 }), fc.integer({ min: 1, max: 200 })), { maxLength: 6 }),
        fc.integer({ min: 0, max: 1500 }),
        fc.integer({ min: 1, max: 300 }),
        (jobs, ready, need) => {
          const t0 = job.startFrom;
          const busy = jobs.map(([from, long]) => ({ fromMs: t0 + from * MIN, toMs: t0 + (from + long) * MIN }));
          const found = earliestSlot(windows, Hands.of(busy), t0 + ready * MIN, need).startMs;
          let brute = t0 + ready * MIN;
          for (; ; brute += MIN) {
            const end = brute + need * MIN;
            if (
              windows.some((w) => brute >= w.fromMs && end <= w.toMs) &&
              busy.every((b) => end <= b.fromMs || brute >= b.toMs)
            )
              break;
          }
          return found === brute;
        },
      ),
      { numRuns: 60 },
    );
  });
  test('hours that cannot be are a problem of the job, not a crash', () => {
    expect(
      plainWords(plan([here(nosing)], { workingHours: { fromHour: 17, toHour: 7, days: [1] } }).problems[0]!.sentence),
    ).toMatch(/end after/);
    expect(plan([here(nosing)], { zone: 'Nowhere/Here' }).problems[0]!.field).toBe('zone');
    expect(
      plan([here(nosing)], {
        climate: { kind: 'daily', lowC: 20, lowHour: 6, highC: 2, highHour: 15, humidityAtLowPct: 50 },
      }).problems[0]!.field,
    ).toBe('climate.lowC');
  });
});

describe('what is missing or impossible is said by stage', () => {
  test('an empty repair says what it needs', () => {
    const p = only(here(nosing, { void: null, sheetId: null, answers: {} }));
    expect(p.open.measure!.map(plainWords)).toEqual(['Choose the shape of the void.']);
    expect(p.open.material).toBeDefined();
    expect(p.unanswered.length).toBeGreaterThan(3);
    expect(p.mix).toBeNull();
  });
  test('a system of another kind is refused in Material', () => {
    expect(only(here(nosing, { sheetId: pasteSheet.id })).problems[0]).toMatchObject({ stage: 'material' });
  });
  const cold = (baseC: number) => {
    const known = [{ atMs: at('2026-05-04T06:00'), tempC: baseC }];
    return only(here(nosing, { materialC: -10, base: { ...nosing.base, known } })).problems;
  };
  test('a pot and a base too cold for the sheet are refused in Mix with its range', () => {
    const [problem] = cold(-8).filter((p) => p.stage === 'mix');
    expect(plainWords(problem!.sentence)).toMatch(/leaves what the sheet answers|says nothing/);
  });
  test('a cold pot on a base that the sheet answers for is planned by the hotter of the two', () => {
    expect(cold(12)).toEqual([]);
  });
  test('a kit that cannot be placed in its pot life', () => {
    expect(
      plainWords(only(here(nosing, { materialC: 30, kitId: 'large', settings: { rate: 50 } })).problems[0]!.sentence),
    ).toMatch(/whole kit/);
  });
});

describe('what cannot be bounded by its input is bounded by its work', () => {
  const many = Array.from({ length: 6 }, (_, i) => here(nosing, { id: `many-${i}`, order: i }));
  const ask = { job, repairs: many.map(repairOf), sheets: sampleSheets, stock: [], actuals: new Map(), nowMs: NOW };
  test('a budget ends planning where it runs out: what is planned stands, and the field is named', () => {
    const whole = planJob(ask);
    expect(whole.problems).toEqual([]);
    const each = whole.repairs[0]!.steps.length + 1;
    const short = planJob({ ...ask, budget: { turns: 2 * each } });
    expect(short.repairs.map((r) => r.repairId)).toEqual(['many-0', 'many-1', 'many-2']);
    expect(short.problems).toMatchObject([{ field: 'repairs', sentence: saying(/6 repairs would take longer/) }]);
  });
  test('nobody wants it any more: it stops after the repair at hand', () => {
    const stop = new AbortController();
    stop.abort();
    const stopped = planJob({ ...ask, budget: { turns: 1e6, signal: stop.signal } });
    expect(stopped.repairs).toHaveLength(1);
    expect(stopped.problems).toMatchObject([{ field: 'stopped' }]);
  });
});

describe('what really happened', () => {
  const begun = (over: Partial<Actuals>): Actuals => ({
    ...NOTHING_YET,
    startedAt: at('2026-05-05T08:00'),
    usableMin: 19,
    ...over,
  });
  const noon = at('2026-05-05T12:00');

  test('done steps keep their instants and the rest goes on from now', () => {
    const p = only(
      here(nosing, { materialC: 20 }),
      {},
      begun({ done: new Map([['prep:cut', at('2026-05-05T09:00')]]) }),
      noon,
    );
    expect(p.steps[0]).toMatchObject({ id: 'prep:cut', doneAt: at('2026-05-05T09:00') });
    expect(p.steps[1]!.startMs).toBe(noon);
    expect(p.steps[1]!.forcedBy).toBe('now');
  });

  test('a cold base reading moves the release later, and it is not forgotten at once', () => {
    const ids = [
      'prep:mark',
      'prep:drill',
      'prep:clean',
      'prep:dry-fit',
      'b1:purge',
      'b1:fill',
      'b2:fill',
      'b3:fill',
      'b4:fill',
    ];
    const done = new Map(ids.map((id) => [id, noon]));
    const before = only(here(eyes), {}, begun({ done }), noon);
    const after = only(here(eyes), {}, begun({ done, readings: [{ channel: 'base', atMs: noon, valueC: 4 }] }), noon);
    // 20 to 30 °C: 45 min; 0 to 5 °C: 180 min on the sheet.
    expect((milestone(before, 'load').planMs! - noon) / MIN).toBeCloseTo(45, 3);
    expect((milestone(after, 'load').planMs! - noon) / MIN).toBeCloseTo(180, 3);
  });

  test('a lost batch is mixed again under a new step, a top-up comes behind, a moved part restarts the hold', () => {
    const p = only(here(nosing, { materialC: 20 }), {}, begun({ redone: new Map([[0, 1]]) }), noon);
    expect(p.steps.some((s) => s.id === 'b1~2:mix')).toBe(true);
    expect(p.steps.some((s) => s.id === 'b1:mix')).toBe(false);
    const top = only(here(nosing, { materialC: 20 }), {}, begun({ topUpsMl: [200] }), noon);
    expect(top.batches.at(-1)!.ml).toBeCloseTo(200 + mortarSheet.potLossMl, 9);
    expect(top.steps.some((s) => s.id === 'b3:place')).toBe(true);
    const ids = ['prep:mock-up', 'prep:grind', 'prep:wipe', 'b1:weigh', 'b1:mix', 'b1:spread', 'close'];
    const done = new Map(ids.map((id, i) => [id, at('2026-05-05T08:00') + i * 5 * MIN]));
    const moved = only(here(plate), {}, begun({ done, holdRestartedAt: noon }), noon);
    expect(milestone(moved, 'load').originMs).toBe(noon);
  });

  test('rain puts drying and checking before the next step', () => {
    const p = only(
      here(nosing, { materialC: 20 }),
      {},
      begun({ done: new Map([['prep:cut', at('2026-05-05T09:00')]]), preparedAgain: [{ atMs: noon }] }),
      noon,
    );
    expect(p.steps[1]).toMatchObject({ id: 'prep~2:dry', hold: true });
  });

  test('while it runs the batches do not change under the hand', () => {
    const cool = only(here(nosing, { materialC: 10 }), {}, begun({ usableMin: 19 }), noon);
    const warm = only(here(nosing, { materialC: 29 }), {}, begun({ usableMin: 19 }), noon);
    expect(cool.batches.map((b) => b.ml)).toEqual(warm.batches.map((b) => b.ml));
  });
});

test('the sheets of the sample serve their methods', () => {
  for (const s of [resinSheet, mortarSheet, pasteSheet]) expect(METHODS.some((m) => isTaken(m, s))).toBe(true);
});

test('a forecast with a spread widens every range on both sides, and waits plan with its cold edge', () => {
  const { bundles: fresh } = sampleData(Date.UTC(2026, 4, 5, 6), 'Europe/Helsinki');
  const b = fresh[0]!;
  const hours = (spreadK: number) =>
    Array.from({ length: 24 * 26 }, (_, i) => ({
      atMs: b.job.startFrom - 4 * 86_400_000 + i * 3_600_000,
      tempC: 14,
      humidityPct: 60,
      spreadK,
    }));
  const loads = [0, 2].map((spreadK) => {
    const climate = { kind: 'hourly' as const, source: 'test', standIn: true, humidityPct: 60, rows: hours(spreadK) };
    const p = planJob({
      job: { ...b.job, climate },
      repairs: [repairOf(pieceOf(b.repairs[0]!))],
      sheets: sampleSheets,
      stock: [],
      actuals: new Map(),
      nowMs: b.job.startFrom,
    });
    return p.repairs[0]!.milestones.find((m) => m.kind === 'load')!;
  });
  const [sure, wide] = loads as [(typeof loads)[0], (typeof loads)[0]];
  const span = (m: (typeof loads)[0], end: number) => end - m.originMs!;
  expect(span(wide, wide.toMs!)).toBeGreaterThan(span(sure, sure.toMs!));
  expect(span(wide, wide.fromMs!)).toBeLessThan(span(sure, sure.fromMs!));
  expect(wide.planMs).toBe(wide.toMs);
});
