import fc from 'fast-check';
import { plainWords } from '@/words';
import { saying } from '@/words/saying.testing';
import { furtherSheets, mortarSheet, pasteSheet, resinSheet } from '../../sample/systems';
import { seriesOf, valueAt } from '../climate';
import type { Problem } from '../say';
import { type Milestone, OPEN_UP_C, type SheetRevision } from '../system';
import {
  fittedActivationKJ,
  minutesAt,
  type Pace,
  paceOf,
  progressAlong,
  rateNear,
  reach,
  reachOr,
  sheetFlaws,
  steady,
} from '.';

const MIN = 60_000;
const milestone = (table: Milestone['table'], kind: Milestone['kind'] = 'load'): Milestone => ({
  kind,
  startsAt: 'placed',
  runsOn: 'base',
  table,
  printed: null,
  referenceMassG: null,
});
const curve = milestone({
  form: 'curve',
  points: [
    { tempC: 5, fromMin: 1800, toMin: 2160 },
    { tempC: 10, fromMin: 1080, toMin: 1320 },
    { tempC: 20, fromMin: 420, toMin: 480 },
    { tempC: 30, fromMin: 180, toMin: 210 },
  ],
});
const bands = milestone({
  form: 'bands',
  bands: [
    { fromC: 0, toC: 5, fromMin: 360, toMin: 360 },
    { fromC: 5, toC: 10, fromMin: 180, toMin: 180 },
    { fromC: 10, toC: 20, fromMin: 90, toMin: 90 },
    { fromC: 20, toC: 30, fromMin: 45, toMin: 45 },
  ],
});
const single = milestone({ form: 'single', tempC: 23, fromMin: 600, toMin: 720 });
const waiting = { label: 'Load', cureMinC: null, clock: 'waiting' as const };
const working = { label: 'Use-by', cureMinC: null, clock: 'working' as const };
const minutes = (
  pace: Pace,
  history: ReturnType<typeof seriesOf>,
  options: Parameters<typeof reach>[3] = waiting,
  start = 0,
) => (reach(pace, history, start, options).atMs - start) / MIN;

describe('one temperature', () => {
  test('the curve gives the sheet’s own figures at its points and Arrhenius in between', () => {
    const long = paceOf(curve, 'long', 'resin-amine');
    expect(long.minutesAt(10)).toBeCloseTo(1320, 9);
    // ln τ(15) on the line over 1/T: x = (1/288.15 − 1/283.15)/(1/293.15 − 1/283.15) = 0.50868; 1320·(480/1320)^x
    expect(long.minutesAt(15)).toBeCloseTo(1320 * (480 / 1320) ** 0.508676, 1);
    expect(paceOf(curve, 'short', 'resin-amine').minutesAt(30)).toBeCloseTo(180, 9);
  });
  test('beyond the outer points it is marked, further it is refused', () => {
    const p = paceOf(curve, 'long', 'resin-amine');
    expect([p.standingAt(4), p.standingAt(12), p.standingAt(33)]).toEqual(['extrapolated', 'sheet', 'extrapolated']);
    expect(() => minutesAt(p, -1, 'Load')).toThrow(/says nothing for −1 °C/);
    expect(() => minutesAt(p, 36, 'Load')).toThrow(/0 °C to 35 °C/);
  });
  test('bands: lower bound in, upper bound out, no interpolation', () => {
    const p = paceOf(bands, 'long', 'resin-amine');
    expect([4.99, 5, 9.99, 10, 25].map(p.minutesAt)).toEqual([360, 180, 180, 90, 45]);
  });
  test('in the gap between bands of whole degrees a wait takes the colder, a working time the warmer', () => {
    const gapped = (kind: Milestone['kind']) =>
      paceOf(
        milestone(
          {
            form: 'bands',
            bands: [
              { fromC: 10, toC: 19, fromMin: 15, toMin: 15 },
              { fromC: 5, toC: 9, fromMin: 25, toMin: 25 },
              { fromC: 20, toC: OPEN_UP_C, fromMin: 6, toMin: 6 },
            ],
          },
          kind,
        ),
        'long',
        'methacrylate',
      );
    const at = [5, 8.99, 9, 9.5, 10, 19, 19.5, 20, 45];
    expect(at.map(gapped('load').minutesAt)).toEqual([25, 25, 25, 25, 15, 15, 15, 6, 6]);
    expect(at.map(gapped('use-by').minutesAt)).toEqual([25, 25, 15, 15, 15, 6, 6, 6, 6]);
    // Above the last of them it is still the sheet that speaks.
    expect(gapped('load').standingAt(45)).toBe('sheet');
    // A history that stays in the gap is as long as the band it counts with.
    const warmed = seriesOf([
      [0, 9.5],
      [60 * MIN, 9.5],
    ]);
    expect(minutes(gapped('load'), warmed)).toBeCloseTo(25, 6);
    expect(minutes(gapped('use-by'), warmed, working)).toBeCloseTo(15, 6);
  });
  test.each([
    ['resin-amine', 45],
    ['peroxide', 55],
    ['methacrylate', 50],
    ['isocyanate', 35],
  ] as const)(
    'a figure of a %s without a temperature is of a room: no mix lasts longer, no wait is shorter',
    (family, low) => {
      const untold = milestone({ form: 'single', tempC: null, fromMin: 60, toMin: 60 });
      const room = [20, 21.5, 23].map((tempC) => milestone({ form: 'single', tempC, fromMin: 60, toMin: 60 }));
      for (const baseC of [9, 15, 20, 22, 23, 28, 34]) {
        const of = (m: Milestone, side: 'short' | 'long') => paceOf(m, side, family).minutesAt(baseC);
        // Whichever of them it was meant for.
        expect(of(untold, 'short')).toBeCloseTo(Math.min(...room.map((m) => of(m, 'short'))), 9);
        expect(of(untold, 'long')).toBeCloseTo(Math.max(...room.map((m) => of(m, 'long'))), 9);
      }
      // By hand: an hour at 20 °C lasts at 10 °C by the least activation energy of its family.
      const byHand = 60 * Math.exp((low / 8.314462618e-3) * (1 / 283.15 - 1 / 293.15));
      expect(paceOf(untold, 'short', family).minutesAt(10)).toBeCloseTo(byHand, 6);
    },
  );
  test('what dries and is told with no temperature is told of any', () => {
    const untold = milestone({ form: 'single', tempC: null, fromMin: 60, toMin: 60 });
    for (const side of ['short', 'long'] as const)
      for (const tempC of [4, 17, 22.9, 31]) expect(paceOf(untold, side, 'water-borne').minutesAt(tempC)).toBe(60);
  });
  test('a single figure becomes a wide range away from its temperature, by the family’s energy ± 10', () => {
    const [short, long] = [paceOf(single, 'short', 'resin-amine'), paceOf(single, 'long', 'resin-amine')];
    expect([short.minutesAt(23), long.minutesAt(23)]).toEqual([600, 720]);
    // exp(65/R · (1/283.15 − 1/296.15)) = 3.36 and exp(45/R · same) = 2.31
    expect(long.minutesAt(10) / 720).toBeCloseTo(3.36, 1);
    expect(short.minutesAt(10) / 600).toBeCloseTo(2.31, 1);
    expect(long.standingAt(10)).toBe('estimated');
    expect(() => minutesAt(long, 7, 'Load')).toThrow(/8 °C to 38 °C/);
  });
  test('tables that grow with temperature are refused with the pair', () => {
    const grows = milestone({
      form: 'curve',
      points: [
        { tempC: 10, fromMin: 60, toMin: 60 },
        { tempC: 20, fromMin: 90, toMin: 90 },
      ],
    });
    expect(() => paceOf(grows, 'long', 'resin-amine')).toThrow(/1 h 30 min at 20 °C is longer than 1 h at 10 °C/);
    expect(() =>
      paceOf(milestone({ form: 'single', tempC: 20, fromMin: 90, toMin: 60 }), 'long', 'resin-amine'),
    ).toThrow(/swapped/);
  });
});

describe('along a history', () => {
  const long = paceOf(curve, 'long', 'resin-amine');

  test('a steady temperature gives the table', () => {
    for (const t of [5, 8, 12.5, 20, 29]) expect(minutes(long, steady(t, 0, 1e10))).toBeCloseTo(long.minutesAt(t), 6);
  });

  test('agrees with a fine-step sum within 0.1 % on any straight-line history', () => {
    const temp = fc.double({ min: 1, max: 34, noNaN: true });
    fc.assert(
      fc.property(fc.array(temp, { minLength: 40, maxLength: 40 }), (temps) => {
        const knots = temps.map((c, i) => [i * 120 * MIN, c] as const);
        const history = seriesOf(knots);
        const got = minutes(long, history);
        let sum = 0;
        let t = 0;
        for (; sum < 1; t += 0.25) {
          const i = Math.floor((t + 0.125) / 120);
          const f = (t + 0.125) / 120 - i;
          sum += 0.25 / long.minutesAt(temps[i]! * (1 - f) + temps[i + 1]! * f);
        }
        return Math.abs(got - t) <= 0.001 * t + 0.25;
      }),
      { numRuns: 40 },
    );
  });

  test('hotter is never later', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 6, max: 25, noNaN: true }), { minLength: 80, maxLength: 80 }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        (temps, add) => {
          const at = (extra: number) => minutes(long, seriesOf(temps.map((c, i) => [i * 60 * MIN, c + extra])));
          return at(add) <= at(0) + 1e-6;
        },
      ),
      { numRuns: 40 },
    );
  });

  test('below the cure minimum the wait stands still and says when; a pot ages on', () => {
    const night = seriesOf([
      [0, 10],
      [300 * MIN, 10],
      [301 * MIN, 3],
      [599 * MIN, 3],
      [600 * MIN, 10],
      [9000 * MIN, 10],
    ]);
    const cold = { ...waiting, cureMinC: 5 };
    const r = reach(long, night, 0, cold);
    expect(r.stalls).toHaveLength(1);
    // 5 °C is crossed at 300 5/7 and 599 2/7 min; the two minutes of ramp above it still count, at a slower pace than
    // 10 °C.
    const stalled = 598 + 9 / 7 - (300 + 5 / 7);
    expect((r.stalls[0]!.toMs - r.stalls[0]!.fromMs) / MIN).toBeCloseTo(stalled, 6);
    expect(r.atMs / MIN).toBeGreaterThan(1320 + stalled);
    expect(r.atMs / MIN).toBeLessThan(1321 + stalled);
    expect(reach(long, night, 0, { ...working, cureMinC: 5 }).stalls).toEqual([]);
  });

  test('leaving the table or the history is refused with the instant', () => {
    expect(() =>
      minutes(
        long,
        seriesOf([
          [0, 20],
          [60 * MIN, 50],
          [9000 * MIN, 50],
        ]),
      ),
    ).toThrow(/leaves what the sheet answers .* at Thu 1 Jan 00:30/);
    expect(() => minutes(long, steady(10, 0, 600 * MIN))).toThrow(/not reached before .* Thu 1 Jan 10:00/);
  });

  test('bands: the coldest temperature of the wait picks the band, the hottest that of a working time', () => {
    const p = paceOf(bands, 'long', 'resin-amine');
    const cools = seriesOf([
      [0, 12],
      [60 * MIN, 12],
      [61 * MIN, 7],
      [2000 * MIN, 7],
    ]);
    // 90 min would do at 12 °C, but 7 °C is met before that: 180 min in all.
    expect(minutes(p, cools)).toBeCloseTo(180, 6);
    const warms = seriesOf([
      [0, 7],
      [60 * MIN, 7],
      [61 * MIN, 12],
      [2000 * MIN, 12],
    ]);
    expect(minutes(p, warms)).toBeCloseTo(180, 6);
    expect(minutes(p, warms, working)).toBeCloseTo(90, 6);
    // Just reached before it cools: the cold that comes later does not count.
    expect(
      minutes(
        p,
        seriesOf([
          [0, 12],
          [95 * MIN, 12],
          [96 * MIN, 2],
          [2000 * MIN, 2],
        ]),
      ),
    ).toBeCloseTo(90, 6);
  });
  test('under the lowest band, or off a curve, with no lowest cure temperature stated: no answer, with its instant', () => {
    const p = paceOf(bands, 'long', 'resin-amine');
    const cold = seriesOf([
      [0, 12],
      [30 * MIN, 12],
      [31 * MIN, p.lowC - 2],
      [9000 * MIN, p.lowC - 2],
    ]);
    const silent = { ...waiting, cureMinC: null };
    expect(reachOr(p, cold, 0, silent)).toMatchObject({
      problem: { sentence: saying(/leaves what the sheet answers .* at Thu 1 Jan 00:30/) },
    });
    // Progress ends there and never goes on as if nothing had been.
    expect(progressAlong(p, cold, 0, silent).times.at(-1)).toBeLessThanOrEqual(31 * MIN);
    // Stated below the lowest band: between the two nobody knows, under it the clock stands still.
    const stated = { ...waiting, cureMinC: p.lowC - 1 };
    expect(reachOr(p, cold, 0, stated)).toMatchObject({ problem: expect.anything() });
    const frost = seriesOf([
      [0, p.lowC + 1],
      [10 * MIN, p.lowC + 1],
      [10.001 * MIN, p.lowC - 3],
      [70 * MIN, p.lowC - 3],
      [70.001 * MIN, p.lowC + 1],
      [9000 * MIN, p.lowC + 1],
    ]);
    const jump = reachOr(p, frost, 0, { ...waiting, cureMinC: p.lowC });
    expect('atMs' in jump && jump.stalls.length).toBe(1);
    // A cold pot ages, and has no answer where its table has none.
    expect(reachOr(p, frost, 0, { ...silent, clock: 'working' })).toMatchObject({ problem: expect.anything() });
  });
  test('bands: below the lowest cure temperature no time is credited', () => {
    const p = paceOf(bands, 'long', 'resin-amine');
    const frost = seriesOf([
      [0, 2],
      [100 * MIN, 2],
      [100.001 * MIN, -3],
      [200 * MIN, -3],
      [200.001 * MIN, 2],
      [2000 * MIN, 2],
    ]);
    const r = reach(p, frost, 0, { ...waiting, cureMinC: 0 });
    expect(r.atMs / MIN).toBeCloseTo(460, 1);
    expect(r.stalls).toHaveLength(1);
  });
});

describe('slips in a typed sheet', () => {
  const sheet = (...milestones: Milestone[]): SheetRevision => ({ ...pasteSheet, milestones });
  test('a sound table has none; the fit is shown', () => {
    expect(sheetFlaws(sheet(curve))).toEqual([]);
    expect(fittedActivationKJ(curve)).toBeGreaterThan(55);
    expect(fittedActivationKJ(curve)).toBeLessThan(75);
  });
  test('one slipped cell hides in a fit but not from its neighbours', () => {
    const points = curve.table.form === 'curve' ? curve.table.points.map((p) => ({ ...p })) : [];
    points[1] = { tempC: 10, fromMin: 430, toMin: 490 };
    expect(
      sheetFlaws(sheet(milestone({ form: 'curve', points }))).some((p) => /do not fit/.test(plainWords(p.sentence))),
    ).toBe(true);
  });
  test('milestones that cross are named', () => {
    const release = milestone(
      {
        form: 'curve',
        points: [
          { tempC: 5, fromMin: 4000, toMin: 4000 },
          { tempC: 30, fromMin: 400, toMin: 400 },
        ],
      },
      'release',
    );
    expect(plainWords(sheetFlaws(sheet(release, curve))[0]!.sentence)).toMatch(/full load .* before release/);
  });
});

test('cement: a single figure is carried as equivalent age after ASTM C1074, with 40 ± 10 kJ/mol', () => {
  const m = milestone({ form: 'single', tempC: 20, fromMin: 1440, toMin: 1440 });
  const H = 3_600_000;
  const history = seriesOf([
    [0, 8],
    [30 * H, 14],
    [60 * H, 27],
    [200 * H, 22],
  ]);
  const { atMs, standing } = reach(paceOf(m, 'long', 'cement'), history, 0, {
    label: 'load',
    cureMinC: null,
    clock: 'waiting',
  });
  // te = Σ exp(−E/R · (1/T − 1/Tr)) Δt by small steps; the long side takes 50 below 20 °C and 30 above.
  let age = 0;
  for (let ms = 0; ms < atMs; ms += 10_000) {
    const t = valueAt(history, ms + 5000);
    const q = (t < 20 ? 50_000 : 30_000) / 8.314462618;
    age += Math.exp(-q * (1 / (t + 273.15) - 1 / 293.15)) * (10 / 60);
  }
  expect(age / 1440).toBeCloseTo(1, 3);
  expect(standing).toBe('estimated');
});

test('a sheet that sets at more than it fully cures at is mistyped', () => {
  const swapped = (cureMinC: number, fullCureMinC: number) =>
    sheetFlaws({ ...pasteSheet, limits: { ...pasteSheet.limits, cureMinC, fullCureMinC } }).map((p) => p.field);
  expect(swapped(12, 8)).toContain('limits.cure');
  expect(swapped(8, 12)).not.toContain('limits.cure');
});

describe('packs held against the ratio', () => {
  const kit = mortarSheet.kits[0]!;
  const { massG } = kit;
  const holding = (over: Partial<typeof massG>, more: Partial<typeof kit> = {}, of: Partial<SheetRevision> = {}) =>
    sheetFlaws({ ...mortarSheet, kits: [{ ...kit, splittable: false, massG: { ...massG, ...over }, ...more }], ...of });

  test.each(['B', 'C'] as const)('of %s more or less than the tolerance is told, in masses of this pack', (id) => {
    const off = (by: number) => holding({ [id]: massG[id]! * by }).filter((p) => p.field.startsWith('kits.'));
    expect(off(1)).toEqual([]);
    expect(off(1.09)).toEqual([]);
    expect(off(0.91)).toEqual([]);
    for (const by of [0.88, 1.12, 1.5]) expect(off(by).map((p) => p.field)).toEqual([`kits.0.massG.${id}`]);
    const wide = { ...mortarSheet.ratio, tolerancePct: 15 };
    expect(holding({ [id]: massG[id]! * 1.12 }, {}, { ratio: wide })).toEqual([]);
  });
  test('it says what it holds and what it should', () => {
    const [{ sentence }] = holding({ C: massG.C! * 1.5 }) as [Problem];
    const wanted = (massG.A * mortarSheet.ratio.cByWeight!) / mortarSheet.ratio.a / 1000;
    expect(plainWords(sentence)).toMatch(/the ratio asks for/);
    expect(plainWords(sentence)).toContain(`${wanted.toFixed(2)} kg`);
  });
  test('what is weighed out of a pack is the mix of the sheet whatever is over; what is pressed is not', () => {
    expect(holding({ B: massG.B * 2 }, { splittable: true })).toEqual([]);
    const [pack] = resinSheet.kits;
    const pressed = { ...pack!, splittable: true, massG: { ...pack!.massG, B: pack!.massG.B * 1.2 } };
    expect(sheetFlaws({ ...resinSheet, kits: [pack!] })).toEqual([]);
    expect(sheetFlaws({ ...resinSheet, kits: [pressed] }).map((p) => p.field)).toEqual(['kits.0.massG.B']);
  });
  test('a tube of hardener is dosed by what is mixed, and may be of any size', () => {
    const filler = furtherSheets.find((f) => f.dose !== null)!;
    const [tin] = filler.kits;
    const large = { ...tin!, splittable: false, massG: { ...tin!.massG, B: tin!.massG.B * 3 } };
    expect(sheetFlaws({ ...filler, kits: [large] })).toEqual(sheetFlaws(filler));
  });
});

describe('rates read between entries that are worked out when they are first read', () => {
  test.each([
    ['curve', curve],
    ['single', single],
  ])('%s: within a millionth of the exponential, in whatever order they are read', (_, of) => {
    const pace = paceOf({ ...of }, 'long', 'resin-amine');
    expect(pace.rates.every((r) => r === 0)).toBe(true);
    // Away from the points of the sheet, where the slope changes inside a step.
    const asked = [29.7, 6.111, 17.5, 6.111, 24.003, 12.34];
    for (const t of asked) expect(rateNear(pace, t) * pace.minutesAt(t)).toBeCloseTo(1, 6);
    const made = pace.rates.filter((r) => r > 0).length;
    expect(made).toBeGreaterThan(0);
    expect(made).toBeLessThanOrEqual(2 * asked.length);
  });
});
