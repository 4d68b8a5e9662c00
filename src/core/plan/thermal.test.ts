import { DateTime } from 'luxon';
import { sampleData } from '../../sample/jobs';
import { pasteSheet, sampleSheets } from '../../sample/systems';
import { airUnder, environmentOver, following, ONLY_AIR, seriesOf, valueAt } from '../climate';
import { paceOf, potTauMin } from '../cure';
import { potGrid, runHeat } from '../heat';
import { milestoneOf, proportionOf } from '../system';
import { type Job, type Piece, pieceOf, planJob, type RepairPlan, repairOf } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const MIN = 60_000;
const H = 3_600_000;
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const [plate] = bundles[1]!.repairs.map((r) => pieceOf(r)) as [Piece];
const planOf = (repair: Piece, climate: Job['climate'], nowMs = NOW): RepairPlan => {
  const job = {
    ...bundles[1]!.job,
    startFrom: nowMs,
    climate,
    workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
  };
  const mine = { ...repair, jobId: job.id, plannedStart: null };
  return planJob({ job, repairs: [repairOf(mine)], sheets: sampleSheets, stock: [], actuals: new Map(), nowMs })
    .repairs[0]!;
};
const steady = (tempC: number) => ({ kind: 'constant', tempC, humidityPct: 40 }) as const;
const life = (p: RepairPlan) => {
  const m = p.milestones.find((x) => x.kind === 'use-by')!;
  return (m.planMs! - m.originMs!) / MIN;
};
const useBy = paceOf(milestoneOf(pasteSheet, 'use-by')!, 'short', pasteSheet.family);

describe('what follows the air', () => {
  test('one time constant, against small steps', () => {
    const lead = seriesOf([
      [0, 10],
      [2 * H, 30],
      [5 * H, 30],
      [5 * H + MIN, 5],
      [9 * H, 12],
    ]);
    const tau = 1.3 * H;
    const got = following(lead, 17, 0.5 * H, tau);
    let own = 17;
    for (let ms = 0.5 * H; ms < 9 * H; ms += 1000) own += ((valueAt(lead, ms + 500) - own) * 1000) / tau;
    expect(got.values.at(-1)!).toBeCloseTo(own, 2);
    expect(got.values[0]).toBe(17);
  });

  test('a pot’s time constant is the solver’s, and its course stays within 0.6 K of the solver’s in 20 K of difference', () => {
    const grid = potGrid({
      radiusM: Math.cbrt(0.5 / (proportionOf(pasteSheet).densityGPerMl * 1000) / (2 * Math.PI)),
      heightM: 2 * Math.cbrt(0.5 / (proportionOf(pasteSheet).densityGPerMl * 1000) / (2 * Math.PI)),
      k: 0.2,
      rhoC: proportionOf(pasteSheet).densityGPerMl * 1000 * 2000,
      reacting: 0,
      cellsR: 14,
      cellsZ: 14,
      hWall: 10,
      hBottom: 10,
      hTop: 10,
    });
    const tau = potTauMin(pasteSheet, 500);
    const whole = grid.volume.reduce((a, b) => a + b, 0);
    let worst = 0;
    runHeat({
      grid,
      kinetics: null,
      startC: 10,
      outside: () => ({ firstU: 30, lastU: 30, firstV: 30, lastV: 30 }),
      untilS: 4 * 3600,
      maxStepS: 60,
      watch: ({ s, tempC }) => {
        const mean = tempC.reduce((sum, t, i) => sum + t * grid.volume[i]!, 0) / whole;
        worst = Math.max(worst, Math.abs(mean - (30 - 20 * Math.exp(-s / 60 / tau))));
        return false;
      },
    });
    expect(worst).toBeLessThan(0.6);
    expect(potTauMin(pasteSheet, 4000)).toBeGreaterThan(2 * potTauMin(pasteSheet, 500));
  });
});

describe('a pot goes on to follow the air', () => {
  /** A base that stays cold: what is left to warm the pot is the air. */
  const onCold = (tempC = 10): Piece => ({ ...plate, base: { ...plate.base, known: [{ atMs: NOW - H, tempC }] } });
  test('cold tins in a hot yard: shorter than at the tins, longer than at the air, and as small steps say', () => {
    const p = planOf({ ...onCold(), materialC: 10 }, steady(30));
    const [cold, hot] = [useBy.minutesAt(10), useBy.minutesAt(30)];
    expect(life(p)).toBeLessThan(cold * 0.8);
    expect(life(p)).toBeGreaterThan(hot);
    const tau = potTauMin(pasteSheet, Math.min(...p.batches.map((b) => b.massG.A + b.massG.B)));
    let [t, done] = [0, 0];
    for (; done < 1; t += 0.05) done += 0.05 / useBy.minutesAt(30 - 20 * Math.exp(-(t + 0.025) / tau));
    expect(life(p) / t).toBeCloseTo(1, 2);
  });
  test('warm tins in a cold yard: that the pot cools is not relied on', () => {
    expect(life(planOf({ ...plate, materialC: 22 }, steady(9)))).toBeCloseTo(useBy.minutesAt(22), 3);
  });
  test('on a base that is hotter than material and air the base plans it, as far as the sheet answers', () => {
    const on = (tempC: number) => life(planOf({ ...onCold(tempC), materialC: 14 }, steady(12)));
    expect(on(22)).toBeCloseTo(useBy.minutesAt(22), 3);
    expect(on(13)).toBeCloseTo(useBy.minutesAt(14), 3);
    // Beyond the sheet the pot is not refused for the base it stands beside.
    expect(on(useBy.highC + 8)).toBeCloseTo(useBy.minutesAt(useBy.highC), 1);
  });
  test('a base that is warmed for a while plans the pot by each of its hours', () => {
    const known = [
      { atMs: NOW - 2 * H, tempC: 11 },
      { atMs: NOW + 8 * MIN, tempC: 11 },
      { atMs: NOW + 8 * MIN, tempC: 24 },
    ];
    const p = planOf({ ...plate, base: { ...plate.base, known }, materialC: 14 }, steady(12));
    const m = p.milestones.find((x) => x.kind === 'use-by')!;
    let [ms, done] = [m.originMs!, 0];
    for (; done < 1; ms += 1000) done += 1 / 60 / useBy.minutesAt(ms < NOW + 8 * MIN ? 14 : 24);
    expect(m.planMs! / MIN).toBeCloseTo(ms / MIN, 0);
  });
  test('the smaller the pot the sooner it is warm', () => {
    const of = (massCapG: number) =>
      life(
        planOf(
          { ...onCold(), materialC: 10, massCapG, schools: { ...plate.schools, 'part-kits': 'weighed' } },
          steady(30),
        ),
      );
    expect(of(60)).toBeLessThan(of(5000));
  });
  test('where it follows the air all along, a forecast leaves it its spread: the warm edge plans', () => {
    const rows = (tempC: number, spreadK: number) =>
      Array.from({ length: 24 * 28 }, (_, i) => ({ atMs: NOW - 4 * 24 * H + i * H, tempC, humidityPct: 40, spreadK }));
    const hourly = (tempC: number, spreadK: number) =>
      ({ kind: 'hourly', source: 'test', standIn: true, humidityPct: 40, rows: rows(tempC, spreadK) }) as const;
    const airy = { ...plate, materialC: null };
    expect(life(planOf(airy, hourly(22, 4)))).toBeCloseTo(life(planOf(airy, hourly(26, 0))), 3);
    // A tin at a temperature of its own knows no weather while the air is no warmer.
    expect(life(planOf({ ...plate, materialC: 27 }, hourly(22, 4)))).toBeCloseTo(useBy.minutesAt(27), 3);
  });
});

describe('the coldest face', () => {
  const warmHull: Piece = {
    ...plate,
    materialC: 20,
    base: {
      ...plate.base,
      material: 'metal',
      thicknessMm: 8,
      back: 'water',
      surroundings: { ...ONLY_AIR, waterC: 21 },
    },
  };
  const waits = (r: Piece) => {
    const m = planOf(r, steady(11)).milestones.find((x) => x.kind === 'load')!;
    return (m.planMs! - m.originMs!) / MIN;
  };
  test('a plate in cold air on steel warmed from behind waits by the plate', () => {
    const load = paceOf(milestoneOf(pasteSheet, 'load')!, 'long', pasteSheet.family);
    expect(valueAt(planOf(warmHull, steady(11)).thermal!.base, NOW)).toBeGreaterThan(18);
    expect(waits(warmHull)).toBeCloseTo(load.minutesAt(11), 0);
  });
  test('a thick part lags behind a falling night, a thin one does not', () => {
    const night = { kind: 'daily', lowC: 9, lowHour: 5, highC: 24, highHour: 14, humidityAtLowPct: 70 } as const;
    const coldest = (mm: number) =>
      Math.min(
        ...planOf({ ...warmHull, settings: { ...plate.settings, part: mm } }, night).thermal!.cold.values.slice(
          200,
          400,
        ),
      );
    expect(coldest(2)).toBeLessThan(9.6);
    expect(coldest(150)).toBeGreaterThan(coldest(2) + 2);
  });
  test('a method that lays nothing on goes by its base', () => {
    const [nosing] = bundles[0]!.repairs.map((r) => pieceOf(r)) as [Piece];
    const { thermal } = planOf(nosing, steady(11));
    expect(thermal!.cold).toBe(thermal!.base);
  });
});

test('on the days of a clock change sun and cover keep the hours of the clock', () => {
  const zone = 'Europe/Helsinki';
  for (const date of ['2026-03-29', '2026-10-25', '2026-06-10']) {
    const day = DateTime.fromISO(date, { zone });
    const times = Float64Array.from({ length: 24 * 4 }, (_, i) => day.plus({ minutes: 15 * i }).toMillis());
    const air = { times, values: new Float64Array(times.length).fill(10) };
    const surroundings = { ...ONLY_AIR, cover: { fromHour: 18, toHour: 22, warmK: 8 } };
    const under = airUnder(air, surroundings, zone);
    const body = { ...plate.base, surroundings: { ...ONLY_AIR, sky: 'open', riseHour: 7, setHour: 19 } as const };
    const face = environmentOver(air, body, zone);
    times.forEach((ms, i) => {
      const { hour, minute } = DateTime.fromMillis(ms, { zone });
      const clock = hour + minute / 60;
      expect([date, clock, under.values[i]! > 10]).toEqual([date, clock, clock >= 18 && clock < 22]);
      if (clock === 13) expect(face[i]!).toBe(Math.max(...face));
    });
  }
});
