import { isTaken, METHODS, methodOf } from '@/core/method';
import { planJob } from '@/core/plan';
import { keepsWater, type SheetRevision } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { draws } from './draws';
import { at, firstPlanned, firstRepair, ZONE } from './made';
import { type Paper, typed } from './papers';

/** A skim of cement is thin and dries first of all; a skim of resin does not care for the wind. */
const NOW = at('2027-05-10T07:00');
const method = METHODS.find((m) => m.id === 'skim-coat')!;
const shelf = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet' && isTaken(method, r));
const cement = shelf.find(keepsWater)!;
const resin = shelf.find((s) => !keepsWater(s))!;
const planned = (sheet: SheetRevision, o: { tempC: number; humidityPct: number; windKmh: number; limit?: number }) => {
  const job = {
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC: o.tempC, humidityPct: o.humidityPct },
  };
  return firstPlanned({ job, nowMs: NOW }, method, sheet, {
    over: { materialC: o.tempC, settings: { wind: o.windKmh, ...(o.limit ? { evaporation: o.limit } : {}) } },
  });
};
const dries = (p: ReturnType<typeof planned>) => p.findings.find((f) => f.id === 'evaporation');
const WINDY = { tempC: 25, humidityPct: 30, windKmh: 40 };

test('in a dry wind a skim of cement is told to be covered, and the film for it is fetched', () => {
  const p = planned(cement, WINDY);
  expect(dries(p)).toMatchObject({ severity: 'caution', why: expect.stringMatching(/kg.*at 40 km\/h, air of 25/) });
  expect(p.consumables.some((c) => /damp cloth or film/.test(c.what))).toBe(true);
});

test('in still, damp air nothing is said; a limit that was typed is held to', () => {
  expect(dries(planned(cement, { tempC: 12, humidityPct: 80, windKmh: 2 }))).toBeUndefined();
  expect(dries(planned(cement, { tempC: 12, humidityPct: 80, windKmh: 2, limit: 0.01 }))).toBeDefined();
});

test('a skim of resin in the same wind is neither warned nor covered, and asked for no wind', () => {
  const p = planned(resin, WINDY);
  expect(p.batches.length + p.problems.length).toBeGreaterThan(0);
  expect(dries(p)).toBeUndefined();
  expect(p.consumables.some((c) => /damp cloth/.test(c.what))).toBe(false);
  const effects = { shows: [] } as never;
  const asked = (sheet: SheetRevision) =>
    method.settings.filter((s) => s.stage === 'hold' && (!s.when || s.when(effects, sheet))).map((s) => s.id);
  expect([asked(cement), asked(resin)]).toEqual([['wind', 'evaporation'], []]);
});

test('random weathers: warned exactly where the nomograph’s formula is above the limit, worked out by hand', () => {
  for (const d of draws(30)) {
    const [tempC, humidityPct, windKmh] = [d.of(8, 30, 1), d.of(20, 90, 5), d.of(0, 50, 5)];
    const limit = d.of(0.1, 1, 0.1);
    // Concrete and air at one temperature: 5 ((T + 18)^2.5 − r (T + 18)^2.5)(V + 4) 10⁻⁶.
    const rate = 5 * ((tempC + 18) ** 2.5 * (1 - humidityPct / 100)) * (windKmh + 4) * 1e-6;
    if (Math.abs(rate / limit - 1) < 0.02) continue;
    const p = planned(cement, { tempC, humidityPct, windKmh, limit });
    expect([tempC, humidityPct, windKmh, limit, dries(p) !== undefined]).toEqual([
      tempC,
      humidityPct,
      windKmh,
      limit,
      rate > limit,
    ]);
  }
});

test('a drying time told once and without a temperature says nothing of a colder hour, and that is what is said', () => {
  const paper: Paper = [
    'joint-colour',
    '2:1 by weight',
    '200 g, 100 g, 900 g',
    'use-by 45 min, recoat-from 50 min, dry 36 h, foot 2 h',
  ];
  const printed = typed(paper, NOW);
  const bare = {
    ...printed,
    milestones: printed.milestones.map((m) =>
      m.table.form === 'single' ? { ...m, table: { ...m.table, tempC: null } } : m,
    ),
  };
  const stopAt = (sheet: typeof printed, tempC: number) => {
    const job = {
      ...freshJob(NOW),
      zone: ZONE,
      startFrom: NOW,
      climate: { kind: 'constant' as const, tempC, humidityPct: 50 },
    };
    const repair = firstRepair({ job, nowMs: NOW }, methodOf('joint-colour')!, sheet, {
      dims: { 'outline.length': 3000, 'outline.width': 2000 },
    });
    const [plan] = planJob({
      job,
      repairs: [repair],
      sheets: [sheet],
      stock: [],
      actuals: new Map(),
      nowMs: NOW,
    }).repairs;
    return plan!.stop && plainWords(plan!.stop.why);
  };
  expect(stopAt(bare, 15)).toMatch(/recoat from once and no temperature with it: taken as of 23 °C/);
  // With its temperature the figures say it; as warm as is taken, or warmer, it is planned.
  expect(stopAt(printed, 15)).toMatch(/leaves what the sheet answers/);
  expect([stopAt(bare, 23), stopAt(bare, 26), stopAt(printed, 22)]).toEqual([null, null, null]);
});
