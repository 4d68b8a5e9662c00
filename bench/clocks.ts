import { airOver, baseOver, ONLY_AIR, valueAt } from '../src/core/climate';
import {
  type LiftAsk,
  liftOn,
  liftRun,
  netOrder,
  netTable,
  POT,
  paceOf,
  potRun,
  reach,
  reactiveOf,
  tableCell,
  tableOrder,
} from '../src/core/cure';
import { explicitPeak } from '../src/core/cure/explicit.testing';
import { potGrid, runHeat } from '../src/core/heat';
import { openersOf, planJob, type StartsAsk, startsAskOf, startWindows } from '../src/core/plan';
import { clockOf, type Milestone } from '../src/core/system';
import { sampleData } from '../src/sample/jobs';
import { mortarSheet, pasteSheet, sampleSheets } from '../src/sample/systems';

const DAY_MS = 86_400_000;
const MIN_MS = 60_000;

/** The lift that is timed. */
const LIFT: LiftAsk = { thicknessMm: 40, base: 'concrete', baseC: 15, airC: 18, startC: 20 };

/** Twelve milestones: the mortar's nine waits and working times, and three of them on the other side. */
const TWELVE: readonly Milestone[] = [...mortarSheet.milestones, ...mortarSheet.milestones.slice(4, 7)];

/** Progress summed in steps of a minute: the straightforward way. */
function stepByStep(m: Milestone, history: ReturnType<typeof airOver>['air'], startMs: number): number {
  const pace = paceOf(m, clockOf(m) === 'waiting' ? 'long' : 'short', 'resin-amine');
  let progress = 0;
  let k = 0;
  for (let ms = startMs; ; ms += MIN_MS) {
    while (history.times[k + 1]! <= ms) k++;
    const f = (ms + MIN_MS / 2 - history.times[k]!) / (history.times[k + 1]! - history.times[k]!);
    const c = history.values[k]! * (1 - f) + history.values[k + 1]! * f;
    if (!(clockOf(m) === 'waiting' && c < 5)) progress += 1 / pace.minutesAt(c);
    if (progress >= 1) return ms + MIN_MS;
  }
}

/** A pot by explicit steps on the same equations: small steps, nothing adaptive. @returns minutes until it is dead */
function explicitPot(massG: number, cells: number): number {
  const m = reactiveOf(mortarSheet);
  const radiusM = Math.cbrt(massG / 1000 / m.densityKgPerM3 / (2 * Math.PI));
  const grid = potGrid({
    radiusM,
    heightM: 2 * radiusM,
    k: m.k,
    rhoC: m.rhoC,
    reacting: m.phi,
    hWall: 10,
    hBottom: 10,
    hTop: 10,
    cellsR: cells,
    cellsZ: cells,
  });
  let life = 0;
  const whole = grid.volume.reduce((a, b) => a + b, 0);
  runHeat({
    grid,
    kinetics: { activationJ: 55_000, a2: m.a2, k1Share: 0.05, m: 1, n: 2, heatJPerM3: m.liquidKgPerM3 * 360_000 },
    startC: 20,
    outside: () => ({ firstU: 20, lastU: 20, firstV: 20, lastV: 20 }),
    untilS: 48 * 3600,
    maxStepS: 2,
    stepAlpha: 0.0005,
    stepK: 0.05,
    watch: ({ s, alpha }) => {
      const mean = alpha.reduce((a, x, i) => a + x * grid.volume[i]!, 0) / whole;
      life = s / 60;
      return mean >= 0.3;
    },
  });
  return life;
}

/** The lift of the sample’s mortar in even steps of a second: what the solver is held against. */
const explicitLift = (thicknessMm: number, cells: number): number =>
  explicitPeak(reactiveOf(mortarSheet), { ...LIFT, thicknessMm }, [cells, 40]);

/** Every start by itself: limits at each step of the placing, and every wait looked for anew. */
function startsOneByOne(ask: StartsAsk): number {
  let good = 0;
  const { sheet, thermal } = ask;
  const serve = sheet.milestones.find((m) => m.kind === ask.serves)!;
  const gel = sheet.milestones.find((m) => m.kind === 'gel')!;
  const wait = (m: Milestone, ms: number) => {
    try {
      return reach(paceOf(m, 'long', sheet.family), thermal.base, ms, {
        label: m.kind,
        cureMinC: sheet.limits.cureMinC,
        clock: 'waiting',
      }).atMs;
    } catch {
      return null;
    }
  };
  for (let ms = ask.fromMs; ms < ask.toMs; ms += 10 * MIN_MS) {
    const until = ms + ask.placeMin * MIN_MS;
    let ok = true;
    for (let t = ms; t <= until; t += 10 * MIN_MS) {
      const [base, dew] = [valueAt(thermal.base, t), valueAt(thermal.dew, t)];
      ok &&= base >= (sheet.limits.baseMinC ?? -99) && base - dew >= (sheet.limits.dewMarginK ?? 0);
    }
    if (wait(gel, until) !== null && wait(serve, until) !== null && ok) good++;
  }
  return good;
}

export function clockRun(
  row: (name: string, sorted: readonly number[], reference?: number) => void,
  times: (run: (i: number) => unknown, runs: number, warm?: number) => number[],
  nowMs: number,
): void {
  const air = airOver(
    { kind: 'daily', lowC: 8, lowHour: 6, highC: 18, highHour: 15, humidityAtLowPct: 75 },
    'Europe/Helsinki',
    nowMs - 2 * DAY_MS,
    nowMs + 30 * DAY_MS,
  ).air;
  // Hourly, as a station would write it.
  const hourly = { times: air.times.filter((_, i) => i % 4 === 0), values: air.values.filter((_, i) => i % 4 === 0) };
  const options = (m: Milestone) => ({ label: m.kind, cureMinC: 5, clock: clockOf(m) });
  const all = () =>
    TWELVE.map(
      (m) =>
        reach(paceOf(m, clockOf(m) === 'waiting' ? 'long' : 'short', 'resin-amine'), hourly, nowMs, options(m)).atMs,
    );
  const plain = times(() => TWELVE.map((m) => stepByStep(m, hourly, nowMs)), 10);
  const mid = plain[Math.floor(plain.length / 2)]!;
  row('twelve milestones over 30 days, minute by minute', plain, mid);
  row('twelve milestones over 30 days', times(all, 200), mid);

  const { bundles } = sampleData(nowMs, 'Europe/Helsinki');
  const job = bundles[0]!.job;
  const plan = planJob({
    job,
    repairs: [bundles[0]!.repairs[0]!],
    sheets: sampleSheets,
    stock: [],
    actuals: new Map(),
    nowMs,
  });
  const ask = startsAskOf(plan.repairs[0]!, job, plan.windows, nowMs)!;
  row(
    'all starts of seven days, each by itself',
    times(() => startsOneByOne(ask), 5),
  );
  row(
    'all starts of seven days, ten minutes apart',
    times(() => startWindows(ask), 40),
  );
  const spread = { times: ask.thermal.base.times, values: ask.thermal.base.values.map(() => 1.5) };
  row(
    'the same with the edges of a forecast',
    times(() => startWindows({ ...ask, thermal: { ...ask.thermal, spread } }), 20),
  );
  const cold = { ...job, climate: { kind: 'constant', tempC: 2, humidityPct: 60 } } as const;
  row(
    'what would open a window, in a frosty week',
    times(
      (i) =>
        openersOf(
          {
            job: cold,
            repairs: [bundles[0]!.repairs[0]!],
            sheets: sampleSheets,
            stock: [],
            actuals: new Map(),
            nowMs: nowMs + i,
          },
          bundles[0]!.repairs[0]!.id,
        ),
      5,
    ),
  );
  row(
    'base temperature over 24 days',
    times(
      () =>
        baseOver(air, {
          material: 'concrete',
          thicknessMm: 220,
          back: 'ground',
          exposure: 'windy',
          surroundings: ONLY_AIR,
          known: [],
        }),
      20,
    ),
  );

  const mortar = reactiveOf(mortarSheet);
  const fine = explicitPot(1000, 40);
  const own = potRun(mortar, { massG: 1000, startC: 20, roomC: 20 }).lifeMin!;
  const slow = times(() => explicitPot(1000, 10), 3);
  row('a pot, r–z, in small even steps', slow, slow[1]!);
  row(
    'a pot, r–z, default grid',
    times(() => potRun(mortar, { massG: 1000, startC: 20, roomC: 20 }), 20),
    slow[1]!,
  );
  console.log(
    `   pot life against small steps on a grid four times finer: ${((own / fine - 1) * 100).toFixed(2)} % off`,
  );
  row(
    'a lift, one-dimensional, default grid',
    times(() => liftRun(mortar, LIFT), 40),
  );
  const slowLift = times(() => explicitLift(40, 14), 3, 1);
  row('the same lift in even steps of a second', slowLift, slowLift[1]!);
  const [peak, finePeak, plainPeak] = [
    liftRun(mortar, { ...LIFT, cells: 14 }).peakC!,
    liftRun(mortar, { ...LIFT, cells: 56 }).peakC!,
    explicitLift(40, 28),
  ];
  const off = (of: number) => `${(((peak - 20) / (of - 20) - 1) * 100).toFixed(2)} % off`;
  console.log(
    `   its rise against a grid four times finer: ${off(finePeak)}; against the even steps: ${off(plainPeak)}`,
  );
  row(
    `the net of a sheet that plans read, ${netOrder('pot').length} pots and ${netOrder('lift').length} lifts`,
    times(() => [netTable(mortarSheet, POT), netTable(mortarSheet, liftOn('concrete'))], 3, 1),
  );
  const paste = reactiveOf(pasteSheet);
  const order = tableOrder('pot');
  const t = performance.now();
  let first = 0;
  for (const [k, i] of order.entries()) {
    tableCell(paste, POT, i);
    if (k === 11) first = performance.now() - t;
  }
  console.log(
    `   the prepared table of a sheet, 24 masses × 15 temperatures: first picture ${first.toFixed(0)} ms, whole ${((performance.now() - t) / 1000).toFixed(1)} s`,
  );
}
