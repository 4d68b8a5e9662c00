import { airOver, baseOver, ONLY_AIR } from '../src/core/climate';
import { liftRun, paceOf, potRun, reach, reactiveOf, tableCell, tableOrder } from '../src/core/cure';
import { potGrid, runHeat } from '../src/core/heat';
import { planJob, startsAskOf, startWindows } from '../src/core/plan';
import { clockOf, type Milestone } from '../src/core/system';
import { sampleData } from '../src/sample/jobs';
import { mortarSheet, pasteSheet, sampleSheets } from '../src/sample/systems';

const DAY_MS = 86_400_000;
const MIN_MS = 60_000;

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

export function clockRun(
  row: (name: string, sorted: readonly number[], reference?: number) => void,
  times: (run: (i: number) => unknown, runs: number) => number[],
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
    TWELVE.map((m) => reach(paceOf(m, clockOf(m) === 'waiting' ? 'long' : 'short', 'resin-amine'), hourly, nowMs, options(m)).atMs);
  const plain = times(() => TWELVE.map((m) => stepByStep(m, hourly, nowMs)), 10);
  const mid = plain[Math.floor(plain.length / 2)]!;
  row('twelve milestones over 30 days, minute by minute', plain, mid);
  row('twelve milestones over 30 days', times(all, 200), mid);

  const { bundles } = sampleData(nowMs, 'Europe/Helsinki');
  const job = bundles[0]!.job;
  const plan = planJob({ job, repairs: [bundles[0]!.repairs[0]!], sheets: sampleSheets, stock: [], actuals: {}, nowMs });
  const ask = startsAskOf(plan.repairs[0]!, job, plan.windows, nowMs)!;
  row(
    'all starts of seven days, ten minutes apart',
    times(() => startWindows(ask), 40),
  );
  row(
    'base temperature over 24 days',
    times(() => baseOver(air, { material: 'concrete', thicknessMm: 220, back: 'ground', exposure: 'windy', surroundings: ONLY_AIR }), 20),
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
  console.log(`   pot life against small steps on a grid four times finer: ${((own / fine - 1) * 100).toFixed(2)} % off`);
  row(
    'a lift, one-dimensional, default grid',
    times(() => liftRun(mortar, { thicknessMm: 40, base: 'concrete', baseC: 15, airC: 18, startC: 20 }), 40),
  );
  const paste = reactiveOf(pasteSheet);
  const order = tableOrder();
  const t = performance.now();
  let first = 0;
  for (const [k, i] of order.entries()) {
    tableCell(paste, 'pot', i);
    if (k === 11) first = performance.now() - t;
  }
  console.log(
    `   the prepared table of a sheet, 24 masses × 12 temperatures: first picture ${first.toFixed(0)} ms, whole ${((performance.now() - t) / 1000).toFixed(1)} s`,
  );
}
