import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import type { Job, Repair } from '.';
import { planJob, reasonsOf, startSays, startsAskOf, startWindows, withInstants } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const nosing = bundles[0]!.repairs[0]!;
const plan = (over: Partial<Job> = {}, repair: Partial<Repair> = {}) => {
  const job = { ...bundles[0]!.job, wantedAt: null, ...over };
  const p = planJob({ job, repairs: [{ ...nosing, ...repair }], sheets: sampleSheets, stock: [], actuals: {}, nowMs: NOW });
  return { job, plan: p, repair: p.repairs[0]! };
};
const starts = (over: Partial<Job> = {}, repair: Partial<Repair> = {}) => {
  const { job, plan: p, repair: r } = plan(over, repair);
  const ask = startsAskOf(r, job, p.windows, NOW)!;
  return { ask, found: startWindows(ask), planned: r };
};
const MIN = 60_000;

test('a mild steady week: every start inside the working hours is good, none outside', () => {
  const { ask, found } = starts({
    climate: { kind: 'constant', tempC: 18, humidityPct: 55 },
    workingHours: { fromHour: 8, toHour: 16, days: [1, 2, 3, 4, 5] },
  });
  for (let i = 0; i < found.against.length; i++) {
    const ms = found.fromMs + i * found.stepMs;
    const inside = ask.windows.some((w) => ms - ask.prepareMin * MIN >= w.fromMs && ms + ask.placeMin * MIN <= w.toMs);
    expect(reasonsOf(found.against[i]!)).toEqual(inside ? [] : ['hours']);
  }
  expect(found.earliestMs).not.toBeNull();
  expect(found.opens).toEqual([]);
});

test('the chosen start is judged as the whole plan judges it: ready at the same time, to a step', () => {
  for (const hour of [9, 11, 13]) {
    const at = bundles[0]!.job.startFrom + (hour - 7) * 3_600_000;
    // One lift: the strip looks at the first placing.
    const { found, planned } = starts({}, { plannedStart: at, schools: { 'deep-fills': 'one' } });
    const mix = planned.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!.startMs;
    const served = planned.milestones.find((m) => m.kind === planned.serves)!.planMs!;
    expect(Math.abs(startSays(found, mix).readyMs! - served) / MIN).toBeLessThan(planned.batches.length > 1 ? 60 : 25);
  }
});

test('limits are checked through the placing by brute force on a finer grid', () => {
  const { ask, found } = starts({ climate: { kind: 'daily', lowC: 1, lowHour: 6, highC: 14, highHour: 15, humidityAtLowPct: 80 } });
  const base = ask.thermal.base;
  const at = (ms: number) => {
    const i = base.times.findIndex((t) => t > ms) - 1;
    return base.values[i]! + ((base.values[i + 1]! - base.values[i]!) * (ms - base.times[i]!)) / (base.times[i + 1]! - base.times[i]!);
  };
  let wrong = 0;
  for (let i = 0; i < found.against.length; i += 7) {
    const from = found.fromMs + i * found.stepMs;
    let coldest = 99;
    for (let ms = from; ms <= from + ask.placeMin * MIN; ms += MIN) coldest = Math.min(coldest, at(ms));
    const cold = reasonsOf(found.against[i]!).includes('baseCold');
    // Within a tenth of a degree of the limit the two grids may differ.
    if (Math.abs(coldest - 5) > 0.1 && cold !== coldest < 5) wrong++;
  }
  expect(wrong).toBe(0);
});

test('a frosty week has no start: says why, and by how much to warm', () => {
  const { found } = starts({ climate: { kind: 'constant', tempC: 2, humidityPct: 60 } });
  expect(found.earliestMs).toBeNull();
  expect(found.reasons.map((r) => r.id)).toContain('baseCold');
  // The base stands at 2 °C, the sheet asks for 5: three degrees.
  expect(found.opens[0]).toMatch(/^Tent and warm the base by 3 K/);
  expect(withInstants(found.opens[0]!, () => 'Thu 05:10')).toMatch(/from Thu 05:10 until/);
});

test('a reopening that no start can meet is told as such', () => {
  const { found } = starts({ climate: { kind: 'constant', tempC: 18, humidityPct: 55 }, wantedAt: NOW + 3_600_000 });
  expect(found.earliestMs).toBeNull();
  expect(found.against.every((a) => reasonsOf(a).includes('late'))).toBe(true);
  expect(found.opens.join(' ')).toMatch(/faster system/);
});

test('cold material and a short pot speak against every start, and warming the packs is offered', () => {
  const { found } = starts({ climate: { kind: 'constant', tempC: 18, humidityPct: 55 } }, { materialC: 8 });
  expect(found.reasons.map((r) => r.id)).toContain('material');
  expect(found.opens.join(' ')).toMatch(/packs 2 K warmer/);
});

test('the best start is ready no later than any other good one, to half an hour', () => {
  const { found } = starts();
  const best = (found.bestMs! - found.fromMs) / found.stepMs;
  const first = Math.min(...[...found.readyMs].filter((_, i) => found.against[i] === 0));
  expect(found.readyMs[best]! - first).toBeLessThanOrEqual(30 * MIN);
});
