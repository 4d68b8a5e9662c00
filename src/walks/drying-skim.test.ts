import { paceOf } from '@/core/cure';
import { isTaken, METHODS, methodOf } from '@/core/method';
import { keepsWater, type SheetRevision } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { draws } from './draws';
import { at as clockAt, firstPlanned, ZONE } from './made';
import { type Paper, typed } from './papers';

/** A skim of cement is thin and dries first of all; a skim of resin does not care for the wind. */
const NOW = clockAt('2027-05-10T07:00');
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

describe('a drying time told once', () => {
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
  const at = (tempC: number) => ({
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC, humidityPct: 50 },
  });
  const colour = methodOf('joint-colour')!;
  const told = (sheet: typeof printed, tempC: number) => {
    const { milestones, findings, stop } = firstPlanned({ job: at(tempC), nowMs: NOW }, colour, sheet, {
      dims: { 'outline.length': 3000, 'outline.width': 2000 },
    });
    const min = (kind: string) => {
      const m = milestones.find((x) => x.kind === kind && x.since !== null)!;
      return (Date.parse(m.plans!) - Date.parse(m.since!)) / 60_000;
    };
    return {
      stop,
      recoat: min('recoat-from'),
      dry: min('dry'),
      says: findings.filter((f) => /^estimate/.test(f.id)).map((f) => f.why),
    };
  };

  test('with no temperature is taken as it stands, and what it does not tell is said', () => {
    for (const tempC of [12, 17, 23, 28]) {
      const { stop, recoat, dry, says } = told(bare, tempC);
      expect([tempC, stop, recoat, dry]).toEqual([tempC, null, 50, 36 * 60]);
      expect(says).toHaveLength(1);
      expect(says[0]).toMatch(/recoat from.*and no temperature with it: taken as it stands/);
    }
  });

  test('with its temperature grows in the cold by as much as water evaporates more slowly', () => {
    // Vapour over water at 20 and 15 °C: 23.39 and 17.06 hPa (steam tables), a third more; it is told no less.
    const cold = told(printed, 15);
    expect(cold.stop).toBeNull();
    expect(cold.recoat).toBeGreaterThan(50 * (23.39 / 17.06));
    expect(cold.recoat).toBeLessThan(50 * (23.39 / 17.06) * 1.15);
    expect(cold.says[0]).toMatch(/as much as water evaporates more slowly/);
    expect([told(printed, 20).recoat, told(printed, 27).recoat]).toEqual([50, 50]);
    expect(told(printed, 20).says).toEqual([]);
  });

  test('a working time is shorter in a warmer hour, and no longer in a colder one', () => {
    const pot = (tempC: number) => {
      const useBy = printed.milestones.find((m) => m.kind === 'use-by')!;
      return paceOf(useBy, 'short', printed.family).minutesAt(tempC);
    };
    expect(pot(20)).toBe(45);
    expect(pot(12)).toBe(45);
    // 23.39 to 31.69 hPa at 25 °C.
    expect(pot(25)).toBeLessThan(45 * (23.39 / 31.69));
    expect(pot(25)).toBeGreaterThan(45 * (23.39 / 31.69) * 0.85);
  });

  test('too far from its own temperature it still tells nothing', () => {
    const milestone = printed.milestones.find((m) => m.kind === 'recoat-from')!;
    expect(paceOf(milestone, 'long', printed.family)).toMatchObject({ lowC: 5, highC: 45 });
  });
});
