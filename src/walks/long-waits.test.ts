import { methodOf } from '@/core/method';
import type { Job } from '@/core/plan';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';
import { flat } from './ordinary';
import { dosed, type Paper, typed } from './papers';

/** Waits of many weeks: cement of four, resin in a cold hall. Weather that somebody holds to stays as it is. */
const NOW = at('2027-05-10T07:00');
const DAY = 86_400_000;
const jobIn = (climate: Job['climate']): Job => ({ ...freshJob(NOW), zone: ZONE, startFrom: NOW, climate });
const steady = (tempC: number) => jobIn({ kind: 'constant', tempC, humidityPct: 60 });
const BED: Paper = ['tile-adhesive', '', '25 kg, 6 kg', 'use-by 2 h, foot 24 h, load 28 d', dosed(22, 24, 26)];

const planned = (job: Job, paper: Paper = BED, serves: 'foot' | 'load' = 'load') =>
  firstPlanned({ job, nowMs: NOW }, methodOf('setting-bed')!, typed(paper, NOW), {
    dims: flat(2000, 1500),
    over: { serves },
  });
const daysOf = (p: ReturnType<typeof planned>, kind: string): number => {
  const clock = p.milestones.find((m) => m.kind === kind)!;
  return (Date.parse(clock.plans!) - Date.parse(clock.since!)) / DAY;
};

test('four weeks at the temperature of the sheet are four weeks, and it opens after them', () => {
  const p = planned(steady(20));
  expect(daysOf(p, 'load')).toBeCloseTo(28, 6);
  expect(p.problems).toEqual([]);
  expect(p.untimed).toEqual([]);
  const opens = (Date.parse(p.opens!) - NOW) / DAY;
  expect(opens).toBeGreaterThan(28);
  expect(opens).toBeLessThan(29.5);
  // What is tested before it opens comes after them as well, in working hours.
  const last = p.steps.at(-1)!;
  expect([last.id, Date.parse(last.from!) > NOW + 28 * DAY]).toEqual(['release:tests', true]);
});

test('in the cold it waits as the family slows down, further than the first weeks', () => {
  const [cold, warm] = [8, 20].map((tempC) => daysOf(planned(steady(tempC)), 'load'));
  // As much slower as its day of foot traffic is, by the same activation energy.
  const foot = daysOf(planned(steady(8)), 'foot') / daysOf(planned(steady(20)), 'foot');
  expect(cold! / warm!).toBeCloseTo(foot, 3);
  expect(cold!).toBeGreaterThan(50);
});

test('days and nights count as days and nights however far ahead: played out in minutes', () => {
  const climate = { kind: 'daily' as const, lowC: 8, lowHour: 5, highC: 18, highHour: 15, humidityAtLowPct: 85 };
  const p = planned(jobIn(climate));
  const clock = p.milestones.find((m) => m.kind === 'load')!;
  const since = Date.parse(clock.since!);
  // The base swings less than the air about the same mean: its wait lies between that of the mean and of the air.
  const ratio = (tempC: number) => daysOf(planned(steady(tempC)), 'load');
  const swing = (tempC: (ms: number) => number) => {
    const at20 = 28;
    const slower = new Map([8, 10, 12, 14, 16, 18].map((c) => [c, ratio(c) / at20]));
    const rate = (c: number) => {
      const low = Math.min(16, Math.max(8, 2 * Math.floor(c / 2)));
      const [a, b] = [Math.log(slower.get(low)!), Math.log(slower.get(low + 2)!)];
      return 1 / Math.exp(a + ((b - a) * (c - low)) / 2);
    };
    let [progress, ms] = [0, since];
    for (; progress < at20; ms += 60 * 60_000) progress += rate(tempC(ms)) / 24;
    return (ms - since) / DAY;
  };
  const mean = swing(() => 13);
  const air = swing((ms) => 13 + 5 * Math.cos((2 * Math.PI * (ms - (NOW + 8 * 3_600_000))) / DAY));
  const took = daysOf(p, 'load');
  expect(took).toBeGreaterThan(Math.min(mean, air) - 0.3);
  expect(took).toBeLessThan(Math.max(mean, air) + 0.3);
});

test('measured weather ends where it ends, and nothing is said beyond it', () => {
  const rows = Array.from({ length: 24 * 30 }, (_, h) => ({
    atMs: NOW - 3 * DAY + h * 3_600_000,
    tempC: 12,
    humidityPct: 60,
    spreadK: 0,
  }));
  const p = planned(jobIn({ kind: 'hourly', rows, source: 'station', humidityPct: 60, standIn: false }));
  const clock = p.milestones.find((m) => m.kind === 'load')!;
  expect(clock.plans).toBeNull();
  expect(clock.problem).toMatch(/not reached before the temperature history ends/);
  expect(p.opens).toBeNull();
});
