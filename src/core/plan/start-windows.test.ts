import fc from 'fast-check';
import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { paceOf, reachOr } from '../cure';
import { judge } from '../judge';
import { methodOf } from '../method';
import { clockOf, milestoneOf, type SheetRevision } from '../system';
import {
  earliestWith,
  type Job,
  NOTHING_YET,
  type Opener,
  openedBy,
  openersOf,
  type Piece,
  pieceOf,
  planJob,
  type Repair,
  reasonsOf,
  repairOf,
  startSays,
  startsAsked,
  startsAskOf,
  startWindows,
  UNCOUNTED,
  withNext,
  withPiece,
} from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const nosing = pieceOf(bundles[0]!.repairs[0]!);
const plan = (over: Partial<Job> = {}, repair: Partial<Piece> = {}) => {
  const job = { ...bundles[0]!.job, wantedAt: null, ...over };
  const p = planJob({
    job,
    repairs: [repairOf({ ...nosing, ...repair })],
    sheets: sampleSheets,
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  });
  return { job, plan: p, repair: p.repairs[0]! };
};
const starts = (over: Partial<Job> = {}, repair: Partial<Piece> = {}) => {
  const { job, plan: p, repair: r } = plan(over, repair);
  const ask = startsAskOf(r, job, p.windows, NOW)!;
  return { ask, found: startWindows(ask), planned: r };
};
const MIN = 60_000;
/** What stands against every single start. */
const alwaysAgainst = ({ against }: ReturnType<typeof startWindows>) =>
  reasonsOf(against.reduce((all, a) => all & a, 0xffff));

test('a mild steady week: every start inside the working hours is good, none outside', () => {
  const { ask, found } = starts({
    climate: { kind: 'constant', tempC: 18, humidityPct: 55 },
    workingHours: { fromHour: 8, toHour: 16, days: [1, 2, 3, 4, 5] },
  });
  for (let i = 0; i < found.against.length; i++) {
    const ms = found.fromMs + i * found.stepMs;
    const inside = ask.windows.some(
      (w) => ms - ask.prepareMin * MIN >= w.fromMs && ms + (ask.blockMin ?? ask.placeMin) * MIN <= w.toMs,
    );
    // The first start of a day whose place was made ready on a day before.
    const { ahead } = ask;
    const eve = ask.windows.some((w) => {
      const from = w.fromMs + (ask.prepareMin - (ahead?.minutes ?? 0)) * MIN;
      return ahead !== undefined && ahead.doneMs <= w.fromMs && ms >= from && ms - found.stepMs < from;
    });
    const early = ms < Math.max(NOW, bundles[0]!.job.startFrom) + ask.prepareMin * MIN;
    expect(reasonsOf(found.against[i]!)).toEqual([...(inside || eve ? [] : ['hours']), ...(early ? ['early'] : [])]);
  }
  expect(found.earliestMs).not.toBeNull();
});

test('nobody mixes before the place can be prepared: the earliest start is never before that of the plan', () => {
  const job = { climate: { kind: 'constant', tempC: 18, humidityPct: 55 }, startFrom: NOW + 3 * 3_600_000 } as const;
  const { ask, found, planned } = starts(job);
  const mixing = planned.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!.startMs;
  expect(ask.readyMs).toBe(mixing);
  expect(earliestWith(found, mixing)).toBe(mixing);
  expect(startSays(found, job.startFrom).against).toContain('early');
});
test('the plan’s own start, between two of the strip, is the earliest where it is good and sooner, and no other is', () => {
  const mild = starts({ climate: { kind: 'constant', tempC: 18, humidityPct: 55 } });
  const mixing = mild.planned.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!.startMs;
  expect((mixing - mild.found.fromMs) % mild.found.stepMs).not.toBe(0);
  expect(earliestWith(mild.found, mixing)).toBe(Math.min(mixing, mild.found.earliestMs!));
  // Later ones change nothing, nor does a place nobody points to, nor one against which something speaks.
  expect(earliestWith(mild.found, mild.found.earliestMs! + 3 * mild.found.stepMs)).toBe(mild.found.earliestMs);
  expect(earliestWith(mild.found, null)).toBe(mild.found.earliestMs);
  const cold = starts({ climate: { kind: 'constant', tempC: -5, humidityPct: 55 } });
  expect(earliestWith(cold.found, cold.found.fromMs)).toBe(cold.found.earliestMs);
});
test('a plan whose weather lies behind has no starts, and a placing that runs past the end of the weather is no error', () => {
  const { job, plan: p, repair: r } = plan();
  const end = r.thermal!.base.times.at(-1)!;
  expect(startsAskOf(r, job, p.windows, end + 3_600_000)).toBeNull();
  const ask = startsAskOf(r, job, p.windows, end - 3_600_000)!;
  const late = startWindows({
    ...ask,
    placeMin: 600,
    sheet: { ...ask.sheet, limits: { ...ask.sheet.limits, humidityMaxPct: 1 } },
  });
  // While the weather lasts the air is moister than that; what follows is not known and adds nothing.
  expect(reasonsOf(late.against[0]!)).toContain('humidity');
});

test('the chosen start is ready when the plan says it opens, with one lift, several, and several holes', () => {
  const eyes = pieceOf(bundles[0]!.repairs[1]!);
  const several = { ...eyes, schools: { several: 'several' } };
  for (const repair of [
    { schools: { 'deep-fills': 'one' } },
    {},
    { liftMm: 8, crew: 2 },
    eyes,
    several,
  ] as Partial<Piece>[])
    for (const hour of [9, 11, 13]) {
      const at = bundles[0]!.job.startFrom + (hour - 7) * 3_600_000;
      const { job, plan: p, repair: planned } = plan({}, { ...repair, plannedStart: at });
      const mix = planned.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!.startMs;
      const ask = startsAskOf(planned, job, p.windows, NOW)!;
      expect([hour, ask.opensFrom!(mix)]).toEqual([hour, planned.openMs]);
      // The strip stands ten minutes apart: what it says of the next of its starts is what the plan would say of that.
      const found = startWindows(ask);
      const next = found.fromMs + Math.ceil((mix - found.fromMs) / found.stepMs) * found.stepMs;
      expect(startSays(found, mix).readyMs).toBe(ask.opensFrom!(next));
    }
});

test('what a page asks beforehand is what the strip asks: every start within the hours, once, and nothing else', () => {
  const { job, plan: p, repair } = plan({});
  const ask = startsAskOf(repair, job, p.windows, NOW)!;
  for (const over of [{}, { stepMs: 30 * 60_000 }, { toMs: ask.fromMs + 5 * 3_600_000 }, { prepareMin: 200 }]) {
    const asked: number[] = [];
    const opensFrom = (ms: number) => {
      asked.push(ms);
      return ask.opensFrom!(ms);
    };
    startWindows({ ...ask, ...over, opensFrom });
    const beforehand = startsAsked({ ...ask, ...over });
    expect(beforehand.length).toBeGreaterThan(0);
    // A forecast is asked on its edges, too.
    expect([...new Set(asked)]).toEqual(beforehand);
  }
});

test('law: every start of the strip opens when the whole repair, planned from there by itself, would', () => {
  fc.assert(
    fc.property(
      fc.record({
        liftMm: fc.constantFrom(null, 8, 12),
        crew: fc.integer({ min: 1, max: 3 }),
        second: fc.constantFrom(null, 'firm', 'any', 'wet'),
        fromHour: fc.integer({ min: 5, max: 9 }),
        toHour: fc.integer({ min: 15, max: 21 }),
        low: fc.integer({ min: 6, max: 12 }),
      }),
      ({ liftMm, crew, second, fromHour, toHour, low }) => {
        const over: Partial<Job> = {
          workingHours: { fromHour, toHour, days: [1, 2, 3, 4, 5, 6, 7] },
          climate: { kind: 'daily', lowC: low, lowHour: 5, highC: low + 8, highHour: 14, humidityAtLowPct: 70 },
          wantedAt: null,
        };
        const job = { ...bundles[0]!.job, ...over };
        let draft = repairOf({ ...nosing, liftMm, crew });
        if (second) {
          draft = withNext(draft, methodOf('mortar-patch')!);
          const next = {
            ...nosing,
            ...pieceOf(draft, 'p2'),
            void: nosing.void,
            sheetId: nosing.sheetId,
            kitId: nosing.kitId,
          };
          draft = withPiece(draft, { ...next, gate: second as Piece['gate'], crew });
        }
        const whole = (r: Repair) =>
          planJob({ job, repairs: [r], sheets: sampleSheets, stock: [], actuals: new Map(), nowMs: NOW });
        const p = whole(draft);
        const ask = startsAskOf(p.repairs[0]!, job, p.windows, NOW);
        if (!ask?.opensFrom) return;
        const found = startWindows(ask);
        const inHours = [...found.readyMs.keys()].filter((i) => !Number.isNaN(found.readyMs[i]!));
        for (let k = 0; k < inHours.length; k += Math.max(1, Math.floor(inHours.length / 6))) {
          const mixMs = found.fromMs + inHours[k]! * found.stepMs;
          const alone = whole({ ...draft, plannedStart: mixMs - ask.prepareMin * MIN }).repairs[0]!;
          // Another hour may give the pot another life and so other batches: then it is another repair.
          if (
            alone.batches.length !== p.repairs[0]!.batches.length ||
            alone.passes[0]!.batches.length !== p.repairs[0]!.passes[0]!.batches.length
          )
            continue;
          if (alone.passes.some((x, n) => Math.abs(x.mix!.toMixMl - p.repairs[0]!.passes[n]!.mix!.toMixMl) > 1e-6))
            continue;
          expect(found.readyMs[inHours[k]!]).toBe(alone.openMs);
        }
      },
    ),
    { numRuns: 30 },
  );
});

test('limits are checked through the placing by brute force on a finer grid', () => {
  const { ask, found } = starts({
    climate: { kind: 'daily', lowC: 1, lowHour: 6, highC: 14, highHour: 15, humidityAtLowPct: 80 },
  });
  const base = ask.thermal.base;
  const at = (ms: number) => {
    const i = base.times.findIndex((t) => t > ms) - 1;
    return (
      base.values[i]! +
      ((base.values[i + 1]! - base.values[i]!) * (ms - base.times[i]!)) / (base.times[i + 1]! - base.times[i]!)
    );
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

test('a frosty week has no start, and says why', () => {
  const { found } = starts({ climate: { kind: 'constant', tempC: 2, humidityPct: 60 } });
  expect(found.earliestMs).toBeNull();
  expect(found.reasons.map((r) => r.id)).toContain('baseCold');
  expect(alwaysAgainst(found)).toContain('baseCold');
});

test('a reopening that no start can meet is told as such', () => {
  const { found } = starts({ climate: { kind: 'constant', tempC: 18, humidityPct: 55 }, wantedAt: NOW + 3_600_000 });
  expect(found.earliestMs).toBeNull();
  // Outside the hours nobody begins; inside them every start is late.
  const inHours = [...found.against].filter((a) => !reasonsOf(a).includes('hours'));
  expect(inHours.length).toBeGreaterThan(100);
  for (const a of inHours) expect(reasonsOf(a)).toEqual(['late']);
});

test('of a forecast with a spread, sure starts are good ones, and the best is among them', () => {
  const climate = {
    kind: 'hourly',
    source: 'made up',
    standIn: true,
    humidityPct: 70,
    // Days around the sheet's least temperature, told less and less surely.
    rows: Array.from({ length: 24 * 26 }, (_, h) => ({
      atMs: NOW - 48 * 3_600_000 + h * 3_600_000,
      tempC: 8 + 6 * Math.cos(((h - 7) / 24) * 2 * Math.PI),
      humidityPct: 60,
      spreadK: 0.5 + h / 60,
    })),
  } as const;
  const { found, ask } = starts({ climate });
  expect(ask.thermal.spread).not.toBeNull();
  const good = [...found.against].filter((a) => a === 0).length;
  const sure = [...found.sure!].filter((s) => s === 1).length;
  expect(sure).toBeGreaterThan(0);
  expect(sure).toBeLessThan(good);
  for (const [i, s] of found.sure!.entries()) if (s) expect(found.against[i]).toBe(0);
  expect(found.sure![Math.round((found.bestMs! - found.fromMs) / found.stepMs)]).toBe(1);
  // Without a spread nothing is more or less sure.
  expect(starts().found.sure).toBeNull();
});

describe('what would open a window', () => {
  const open = (over: Partial<Job>, repair: Partial<Piece> = {}, sheets = sampleSheets) => {
    const job = { ...bundles[0]!.job, wantedAt: null, ...over };
    const mine = { ...nosing, ...repair };
    const ask = { job, repairs: [repairOf(mine)], sheets, stock: [], actuals: new Map(), nowMs: NOW };
    return { ask, mine, openers: openersOf(ask, nosing.id) };
  };
  /** The repair with the change made, planned as it would be. */
  const done = (o: Opener, ask: ReturnType<typeof open>['ask'], mine: Piece) => {
    const changed = openedBy(o, mine);
    const p = planJob({ ...ask, repairs: [repairOf(changed)] });
    return startWindows(startsAskOf(p.repairs[0]!, ask.job, p.windows, NOW)!);
  };

  test('in a frosty week a tent with heat does, and the start it gives is good when it stands', () => {
    const { ask, mine, openers } = open({ climate: { kind: 'constant', tempC: 2, humidityPct: 60 } });
    const tent = openers.find((o) => o.kind === 'tent')!;
    expect(tent.cover!.warmK).toBeGreaterThanOrEqual(3);
    expect(tent.coverFromMs!).toBeLessThan(tent.startMs);
    expect(tent.coverToMs!).toBeGreaterThan(tent.startMs);
    const found = done(tent, ask, mine);
    expect(found.against[Math.round((tent.startMs - found.fromMs) / found.stepMs)]).toBe(0);
    // Less would not have done: the next weaker one leaves every start bad.
    const weaker = done(
      { ...tent, cover: { ...tent.cover!, fromHour: 0, toHour: 24, warmK: tent.cover!.warmK - 3 } },
      ask,
      mine,
    );
    expect(weaker.earliestMs).toBeNull();
  });

  test('a tent is not offered where the site has none', () => {
    const frosty = { climate: { kind: 'constant', tempC: 2, humidityPct: 60 } } as const;
    const kinds = (heaters: number | null) =>
      open({ ...frosty, atHand: { ...UNCOUNTED, heaters } })
        .openers.filter((o) => o.missMin === null)
        .map((o) => o.kind);
    expect(kinds(1)).toContain('tent');
    expect(kinds(0)).not.toContain('tent');
  });

  describe('a base in the sun, at nights of 16 °C and days of 28 °C', () => {
    const hot = {
      climate: { kind: 'daily', lowC: 16, lowHour: 5, highC: 28, highHour: 15, humidityAtLowPct: 60 },
    } as const;
    const dark = { sky: 'open', tone: 'dark', sunPeakW: 900, cloudPct: 0 } as const;
    const inSun = (over: Partial<Piece['base']['surroundings']> = {}): Partial<Piece> => ({
      materialC: 18,
      base: { ...nosing.base, known: [], surroundings: { ...nosing.base.surroundings, ...dark, ...over } },
    });
    const sheets = sampleSheets.map((s) =>
      s.id === nosing.sheetId ? { ...s, limits: { ...s.limits, baseMinC: 5, baseMaxC: 27 } } : s,
    );

    test('a shade hung a day before gives hours in which it is not too hot, and keeps what was good', () => {
      const { ask, mine, openers } = open(hot, inSun(), sheets);
      const bare = done({ kind: 'shade', startMs: 0, beginMs: NOW, readyMs: null, share: 0, missMin: null }, ask, mine);
      expect(bare.reasons.map((r) => r.id)).toContain('baseHot');
      const shade = openers.find((o) => o.kind === 'shade')!;
      expect(shade.startMs - shade.coverFromMs!).toBe(24 * 3_600_000);
      expect(shade.coverFromMs!).toBeGreaterThanOrEqual(NOW - 600_000);
      expect(shade.coverToMs!).toBeGreaterThan(shade.startMs);
      const found = done(shade, ask, mine);
      const at = Math.round((shade.startMs - found.fromMs) / found.stepMs);
      expect(found.against[at]).toBe(0);
      expect(bare.against[at]).not.toBe(0);
      // Nobody heats what is too hot.
      expect(openers.map((o) => o.kind)).not.toContain('tent');
    });

    test('nights too cold for anybody at work do not make heat of use by day', () => {
      const workingHours = { fromHour: 10, toHour: 17, days: [1, 2, 3, 4, 5, 6, 7] };
      const chilly = sheets.map((s) => ({ ...s, limits: { ...s.limits, baseMinC: 19 } }));
      const { ask, mine, openers } = open({ ...hot, workingHours }, inSun(), chilly);
      const bare = done({ kind: 'shade', startMs: 0, beginMs: NOW, readyMs: null, share: 0, missMin: null }, ask, mine);
      expect(bare.reasons.map((r) => r.id)).toEqual(expect.arrayContaining(['baseHot', 'baseCold']));
      expect(openers.map((o) => o.kind)).toContain('shade');
      expect(openers.map((o) => o.kind)).not.toContain('tent');
    });

    test('a plan that counts on a shade says so; one in the open, or of a known base, does not', () => {
      const told = (repair: Partial<Piece>) => {
        const { ask, mine } = open(hot, repair, sheets);
        const plan = planJob(ask).repairs[0]!;
        return judge({ ...ask, repair: mine, plan, actuals: NOTHING_YET }).some((f) => f.id === 'shade');
      };
      expect(told(inSun({ sky: 'shade' }))).toBe(true);
      expect(told(inSun())).toBe(false);
      expect(told({ base: { ...inSun({ sky: 'shade' }).base!, known: [{ atMs: NOW, tempC: 35 }] } })).toBe(false);
    });

    test('nobody is told to shade what no sun is on, or a base whose temperature is known', () => {
      const kinds = (repair: Partial<Piece>) => open(hot, repair, sheets).openers.map((o) => o.kind);
      expect(kinds(inSun({ sky: 'shade' }))).not.toContain('shade');
      const known = inSun().base!;
      expect(kinds({ base: { ...known, known: [{ atMs: NOW, tempC: 35 }] } })).not.toContain('shade');
    });
  });

  test('cold packs are kept warmer, by no more than it takes', () => {
    const { ask, mine, openers } = open(
      { climate: { kind: 'constant', tempC: 18, humidityPct: 55 } },
      { materialC: 6 },
    );
    const warm = openers.find((o) => o.kind === 'material')!;
    expect(warm.materialC).toBe(10);
    expect(done(warm, ask, mine).bestMs).toBe(warm.startMs);
  });

  test('another system on the shelf is named where it is ready in time', () => {
    const mortar = sampleSheets.find((s) => s.id === nosing.sheetId)!;
    const quicker = (x: number) => Math.max(1, x / 4);
    const fast: SheetRevision = {
      ...mortar,
      id: 'fast-1',
      systemId: 'fast',
      name: 'Faster mortar',
      milestones: mortar.milestones.map((m) =>
        m.table.form === 'curve' && clockOf(m) === 'waiting'
          ? {
              ...m,
              table: {
                form: 'curve',
                points: m.table.points.map((p) => ({ ...p, fromMin: quicker(p.fromMin), toMin: quicker(p.toMin) })),
              },
            }
          : m,
      ),
    };
    const { ask, mine, openers } = open(
      { climate: { kind: 'constant', tempC: 18, humidityPct: 55 }, wantedAt: NOW + 34 * 3_600_000 },
      {},
      [...sampleSheets, fast],
    );
    const other = openers.find((o) => o.kind === 'system');
    expect(other!.sheetName).toBe('Faster mortar');
    expect(other!.readyMs!).toBeLessThanOrEqual(NOW + 34 * 3_600_000);
    expect(done(other!, ask, mine).bestMs).toBe(other!.startMs);
  });

  test('cold packs in a frosty week: neither warm packs nor a tent does alone, both do', () => {
    const { ask, mine, openers } = open({ climate: { kind: 'constant', tempC: 2, humidityPct: 60 } }, { materialC: 4 });
    const both = openers.find((o) => o.kind === 'tent')!;
    expect([both.materialC! > 10, both.cover!.warmK > 0, both.missMin]).toEqual([true, true, null]);
    const found = done(both, ask, mine);
    expect(found.against[Math.round((both.startMs - found.fromMs) / found.stepMs)]).toBe(0);
    for (const half of [
      { ...both, cover: undefined },
      { ...both, materialC: undefined },
    ])
      expect(done(half as Opener, ask, mine).earliestMs).toBeNull();
  });

  test('where nothing opens one the nearest is told, and misses by what the plan itself misses with it', () => {
    const wantedAt = NOW + 20 * 3_600_000;
    const { ask, mine, openers } = open({ climate: { kind: 'constant', tempC: 12, humidityPct: 55 }, wantedAt });
    expect(openers).toHaveLength(1);
    const [nearest] = openers;
    expect(nearest!.missMin!).toBeGreaterThan(0);
    const found = done(nearest!, ask, mine);
    expect(found.earliestMs).toBeNull();
    const soonest = Math.min(...[...found.readyMs].filter((ms) => !Number.isNaN(ms)));
    expect(soonest).toBe(nearest!.readyMs);
    expect((soonest - wantedAt) / 60_000).toBeCloseTo(nearest!.missMin!, 6);
    // Without it the reopening is missed by more.
    const asItIs = done(
      { ...nearest!, cover: undefined, materialC: undefined, sheetId: undefined } as Opener,
      ask,
      mine,
    );
    expect(Math.min(...[...asItIs.readyMs].filter((ms) => !Number.isNaN(ms)))).toBeGreaterThan(soonest);
  });

  test('what is offered where there are good starts already is ready sooner than the best of them', () => {
    const { openers, ask, mine } = open({});
    const p = planJob(ask);
    const had = startWindows(startsAskOf(p.repairs[0]!, ask.job, p.windows, NOW)!);
    const readyAt = (s: typeof had, ms: number) => s.readyMs[Math.round((ms - s.fromMs) / s.stepMs)]!;
    const best = readyAt(had, had.bestMs!);
    for (const o of openers) {
      expect([o.kind, o.readyMs! < best]).toEqual([o.kind, true]);
      expect(readyAt(done(o, ask, mine), o.startMs)).toBe(o.readyMs);
    }
  });

  test('nothing is offered for a repair that is not there', () => {
    const { ask } = open({});
    expect(openersOf(ask, 'nobody')).toEqual([]);
  });
});

test('the best start is ready no later than any other good one, to half an hour', () => {
  const { found } = starts();
  const best = (found.bestMs! - found.fromMs) / found.stepMs;
  const first = Math.min(...[...found.readyMs].filter((_, i) => found.against[i] === 0));
  expect(found.readyMs[best]! - first).toBeLessThanOrEqual(30 * MIN);
});

test('bands: no start gets credit across them; each is ready when the clock itself says so, to a step', () => {
  const eyes = pieceOf(bundles[0]!.repairs[1]!);
  // Nights under 5 °C, days over 10: the load of the resin lies in three bands.
  const { ask } = starts(
    { climate: { kind: 'daily', lowC: 1, lowHour: 5, highC: 16, highHour: 14, humidityAtLowPct: 80 } },
    { ...eyes, jobId: nosing.jobId },
  );
  // The one wait it serves by, at every hour of the day: what a place without a repair is asked.
  const found = startWindows({ ...ask, opensFrom: undefined });
  const load = milestoneOf(ask.sheet, ask.serves!)!;
  const pace = paceOf(load, 'long', ask.sheet.family);
  expect(pace.form).toBe('bands');
  const placing = Math.max(1, Math.ceil((ask.placeMin * MIN) / found.stepMs));
  let across = 0;
  for (let i = 0; i < found.against.length; i += 3) {
    const placed = found.fromMs + (i + placing) * found.stepMs;
    const exact = reachOr(pace, ask.thermal.base, placed, {
      label: 'load',
      cureMinC: ask.sheet.limits.cureMinC,
      clock: 'waiting',
    });
    const ready = found.readyMs[i]!;
    if ('problem' in exact) {
      expect([i, Number.isNaN(ready)]).toEqual([i, true]);
      continue;
    }
    // A step that straddles the edge of a band counts as its middle: a start may differ by what one such step decides.
    const off = (ready - exact.atMs) / MIN;
    if (Math.abs(off) <= 2 * (found.stepMs / MIN)) continue;
    across++;
  }
  expect(across).toBeLessThan(found.against.length / 3 / 25);
});
