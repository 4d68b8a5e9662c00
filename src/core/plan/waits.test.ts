import fc from 'fast-check';
import { PLAIN_READER, plainWords, say } from '@/words';
import { saying } from '@/words/saying.testing';
import { sampleData } from '../../sample/jobs';
import { mortarSheet, pasteSheet, resinSheet } from '../../sample/systems';
import { judge, stageStates, standingStops } from '../judge';
import { ENGINES } from '../method';
import type { Milestone, MilestoneId, SheetRevision } from '../system';
import { measured, SHAPES, voidOf } from '../void';
import { NOTHING_YET, type Piece, pieceOf, planJob, type RepairPlan, repairOf } from '.';

const zone = 'Europe/Helsinki';
const NOW = Date.parse('2026-05-05T03:00:00Z');
const MIN = 60_000;
const { bundles } = sampleData(NOW, zone);
const steady = (tempC: number) => ({
  ...bundles[0]!.job,
  startFrom: NOW,
  climate: { kind: 'constant', tempC, humidityPct: 50 } as const,
  // Every hour is a working hour: what is waited for is the sheet alone.
  workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
});
const [nosing, eyes] = bundles[0]!.repairs.map((r) => pieceOf(r)) as [Piece, Piece];
const [plate] = bundles[1]!.repairs.map((r) => pieceOf(r)) as [Piece];

const without = (sheet: SheetRevision, ...kinds: MilestoneId[]): SheetRevision => ({
  ...sheet,
  milestones: sheet.milestones.filter((m) => !kinds.includes(m.kind)),
});
const planOf = (repair: Piece, sheet: SheetRevision, tempC = 20): RepairPlan => {
  const job = steady(tempC);
  const mine = { ...repair, jobId: job.id, sheetId: sheet.id, plannedStart: null, materialC: repair.materialC ?? 20 };
  return planJob({ job, repairs: [repairOf(mine)], sheets: [sheet], stock: [], actuals: new Map(), nowMs: NOW })
    .repairs[0]!;
};
const findingsOf = (repair: Piece, sheet: SheetRevision, tempC = 20) => {
  const job = steady(tempC);
  const plan = planOf(repair, sheet, tempC);
  return judge({ job, repair, plan, actuals: NOTHING_YET, sheets: [sheet], stock: [], nowMs: NOW });
};
const stepOf = (p: RepairPlan, id: string) => p.steps.find((s) => s.id === id)!;
const lastPlaced = (p: RepairPlan) => p.steps.findLast((s) => s.marks?.end?.includes('placed'))!;

describe('a wait that the sheet does not give is never taken for no wait', () => {
  test('next lift: the plan stops before it, names it, and gives no opening', () => {
    const p = planOf(nosing, without(mortarSheet, 'next-lift'));
    expect(p.stop).toMatchObject({
      kind: 'next-lift',
      touch: true,
      why: saying(/Ramp mortar 3-part gives no time for next lift/),
    });
    expect(p.untimed[0]).toMatchObject({ stage: 'mix', batch: 1 });
    expect(p.steps.at(-1)!.id).toBe('b1:place');
    expect([p.openMs, p.habitMs, p.inHandMin]).toEqual([null, null, null]);
    // What can still be told is told.
    expect(p.mix!.batches.length).toBe(2);
    expect(p.milestones.find((m) => m.kind === 'load')!.planMs).toBeNull();
    // A later time of the sheet is offered with its instant, soonest first.
    const instants = p.stop!.later.map((l) => l.atMs);
    expect(p.stop!.later.map((l) => l.kind)).toEqual(expect.arrayContaining(['foot', 'load', 'full-cure']));
    expect(instants).toEqual([...instants].sort((a, b) => a - b));
    expect(findingsOf(nosing, without(mortarSheet, 'next-lift'))[0]).toMatchObject({
      severity: 'stop',
      id: 'no-time:next-lift',
    });
  });

  test('a batch that the plan never comes to has no clock of an earlier one', () => {
    const p = planOf(nosing, without(mortarSheet, 'next-lift'));
    const useBy = p.milestones.filter((m) => m.kind === 'use-by');
    const [first, second] = [0, 1].map((b) => useBy.find((m) => m.batch === b));
    expect(first!.planMs).not.toBeNull();
    // The second pot was told to be dead with the first.
    expect(second?.planMs ?? null).toBeNull();
    for (const m of p.milestones) if (m.batch === 1) expect([m.kind, m.planMs]).toEqual([m.kind, null]);
  });

  test.each([
    [
      'grinding',
      'sandable',
      nosing,
      without(mortarSheet, 'sandable', 'foot', 'load', 'full-cure'),
      'finish:edge',
      true,
    ],
    ['clamps', 'release', plate, without(pasteSheet, 'release', 'load', 'full-cure'), 'finish:release', true],
    // Without a release it waits for the load time; without that one either for nothing that is made up.
    ['wedges', 'release', eyes, without(resinSheet, 'release', 'load'), 'finish:clean', true],
  ] as const)('%s', (_, kind, repair, sheet, step, touch) => {
    const p = planOf(repair, sheet);
    expect(p.stop).toMatchObject({ kind, touch, step: { id: step } });
    expect(p.untimed.map((s) => s.id)).toContain('release:tests');
    expect(p.openMs).toBeNull();
  });

  test.each([
    ['grinding', 'sandable', 'foot', nosing, mortarSheet, 'finish:edge'],
    ['clamps', 'release', 'load', plate, pasteSheet, 'finish:release'],
    ['wedges', 'release', 'load', eyes, resinSheet, 'finish:clean'],
  ] as const)(
    '%s: a later time of the sheet that ends the wait as well is waited for, and told',
    (_, missing, later, repair, sheet, step) => {
      const silent = without(sheet, missing);
      const p = planOf(repair, silent);
      expect(p.stop).toBeNull();
      expect(stepOf(p, step).waitFor).toMatchObject({ kind: later, insteadOf: missing });
      // Never sooner than that time, and never sooner than with the sheet that prints it.
      const reached = p.milestones.find((m) => m.kind === later)!.planMs!;
      expect(stepOf(p, step).startMs).toBeGreaterThanOrEqual(reached);
      expect(stepOf(p, step).startMs).toBeGreaterThanOrEqual(stepOf(planOf(repair, sheet), step).startMs);
      const told = findingsOf(repair, silent).find((f) => f.id === `instead:${missing}`)!;
      expect([told.severity, plainWords(told.why)]).toEqual([
        'note',
        expect.stringMatching(/gives no time for .+; “.+” waits for .+ instead/),
      ]);
      expect(findingsOf(repair, sheet).some((f) => f.id.startsWith('instead'))).toBe(false);
      // What somebody chose to stand in goes before it.
      const own = planOf({ ...repair, standIns: { [missing]: { by: 'own', minutes: 30 } } }, silent);
      expect(stepOf(own, step).startMs).toBeLessThan(stepOf(p, step).startMs);
      const mine = { ...repair, standIns: { [missing]: { by: 'own' as const, minutes: 30 } } };
      expect(findingsOf(mine, silent).some((f) => f.id.startsWith('instead'))).toBe(false);
    },
  );

  test('a temperature that the sheet refuses: wedges in at 1 °C, named with what it says', () => {
    const bandsFrom5: SheetRevision = {
      ...resinSheet,
      limits: { ...resinSheet.limits, baseMinC: 0 },
      milestones: resinSheet.milestones.map(
        (m): Milestone =>
          m.table.form === 'bands' && m.kind !== 'use-by' && m.kind !== 'idle'
            ? { ...m, table: { ...m.table, bands: m.table.bands.filter((b) => b.fromC >= 5) } }
            : m,
      ),
    };
    const p = planOf(eyes, bandsFrom5, 1);
    expect(p.stop).toMatchObject({ kind: 'release', step: { id: 'finish:clean' }, later: [] });
    expect(plainWords(p.stop!.why)).toMatch(/\b1 °C/);
    expect(planOf(eyes, bandsFrom5, 12).stop).toBeNull();
  });

  test('no service time at all: no opening after 24 hours by themselves, and chosen they rest on nothing', () => {
    const silent = without(mortarSheet, 'foot', 'load', 'full-cure');
    const p = planOf(nosing, silent);
    expect(p.stop).toMatchObject({ kind: 'load', touch: false, later: [], step: { id: 'release:tests' } });
    expect(p.openMs).toBeNull();
    const fixed = { ...nosing, schools: { ...nosing.schools, waiting: 'fixed' } };
    expect(findingsOf(fixed, silent).map((f) => `${f.severity} ${f.id}`)).toContain('stop fixed-wait:unproved');
  });

  test('a stand time that is not answered stops before the pot is used', () => {
    const stand: Milestone = {
      ...mortarSheet.milestones[0]!,
      kind: 'stand',
      startsAt: 'mix-ends',
      runsOn: 'base',
      printed: null,
      table: { form: 'bands', bands: [{ fromC: 25, toC: 35, fromMin: 5, toMin: 8 }] },
    };
    const p = planOf(nosing, { ...mortarSheet, milestones: [...mortarSheet.milestones, stand] });
    expect(p.stop).toMatchObject({ kind: 'stand', touch: false });
    expect(p.steps.at(-1)!.id).toBe('b1:mix');
  });

  test('what was done already has its time, whatever the sheet says', () => {
    const job = steady(20);
    const sheet = without(mortarSheet, 'next-lift');
    const repair = { ...nosing, jobId: job.id, plannedStart: null };
    const at = (m: number) => NOW + m * MIN;
    const done = new Map([
      ['prep:cut', at(20)],
      ['b1:place', at(90)],
      ['b2:weigh', at(600)],
    ]);
    const p = planJob({
      job,
      repairs: [repairOf(repair)],
      sheets: [sheet],
      stock: [],
      nowMs: at(601),
      actuals: new Map([[repair.id, { ...NOTHING_YET, startedAt: NOW, usableMin: 20, done, begun: new Map() }]]),
    }).repairs[0]!;
    expect(p.stop).toBeNull();
    expect(stepOf(p, 'b2:weigh').doneAt).toBe(at(600));
  });
});

test('all that has a time is done: the work is not, and its place is not ticked', () => {
  const job = steady(20);
  const sheet = without(mortarSheet, 'next-lift');
  const repair = { ...nosing, jobId: job.id, plannedStart: null };
  const planned = planOf(repair, sheet);
  const done = new Map(planned.steps.map((s) => [s.id, s.endMs]));
  const actuals = { ...NOTHING_YET, startedAt: NOW, usableMin: planned.usableMin, done };
  const nowMs = Math.max(...done.values()) + MIN;
  const plan = planJob({
    job,
    repairs: [repairOf(repair)],
    sheets: [sheet],
    stock: [],
    nowMs,
    actuals: new Map([[repair.id, actuals]]),
  }).repairs[0]!;
  expect(plan.steps.every((s) => s.doneAt !== null)).toBe(true);
  expect(plan.stop).toMatchObject({ kind: 'next-lift' });
  const context = { job, repair, plan, actuals, sheets: [sheet], stock: [], nowMs };
  const findings = judge(context);
  expect(standingStops(findings, actuals.overrides).map((f) => f.id)).toContain('no-time:next-lift');
  expect(stageStates(context, findings).place).toBe('stop');
  // Even a stop that somebody has overridden does not make it done.
  const overrides = new Map(findings.map((f) => [f.id, { reason: 'x', role: 'y', atMs: nowMs }]));
  expect(stageStates({ ...context, actuals: { ...actuals, overrides } }, findings).place).not.toBe('done');
});

describe('what stands in', () => {
  const silent = without(mortarSheet, 'next-lift', 'sandable');
  const first = planOf(nosing, silent);
  test('a later time of the sheet: its own instant', () => {
    const foot = first.stop!.later.find((l) => l.kind === 'foot')!;
    const p = planOf({ ...nosing, standIns: { 'next-lift': { by: 'later', kind: 'foot' } } }, silent);
    expect(stepOf(p, 'b2:weigh').startMs).toBe(foot.atMs);
    // The next missing one has a later time that ends its wait as well.
    expect(p.stop).toBeNull();
    expect(stepOf(p, 'finish:edge').waitFor).toMatchObject({ kind: 'foot', insteadOf: 'sandable' });
  });
  test('one’s own figure counts from what was placed last; a touch holds the work', () => {
    const own = planOf(
      { ...nosing, standIns: { 'next-lift': { by: 'own', minutes: 333 }, sandable: { by: 'touch', minutes: 500 } } },
      silent,
    );
    expect(stepOf(own, 'b2:weigh').startMs).toBe(stepOf(own, 'b1:place').endMs + 333 * MIN);
    expect(stepOf(own, 'b2:weigh').hold ?? false).toBe(false);
    const grind = stepOf(own, 'finish:edge');
    expect(grind).toMatchObject({ hold: true, forcedBy: 'chosen' });
    expect(say(grind.detail, PLAIN_READER)).toMatch(/^Try it first, by touch.* A fingertip finds no step/);
    expect(grind.startMs).toBe(stepOf(own, 'b2:place').endMs + 500 * MIN);
    expect(own.stop).toBeNull();
    expect(own.openMs).not.toBeNull();
  });
  test('the sheet’s own word goes before any stand-in', () => {
    const p = planOf({ ...nosing, standIns: { 'next-lift': { by: 'own', minutes: 1 } } }, mortarSheet);
    expect(stepOf(p, 'b2:weigh').startMs).toBe(stepOf(planOf(nosing, mortarSheet), 'b2:weigh').startMs);
  });
  test('a stand-in that is missing itself stops as before', () => {
    const p = planOf({ ...nosing, standIns: { 'next-lift': { by: 'later', kind: 'sandable' } } }, silent);
    expect(p.stop).toMatchObject({ kind: 'next-lift' });
  });
});

test('taking rows off a sheet never makes any step earlier: it comes when it came, later, or has no time', () => {
  const cases = [
    [nosing, mortarSheet],
    [plate, pasteSheet],
    [eyes, resinSheet],
  ] as const;
  fc.assert(
    fc.property(
      fc.constantFrom(...cases),
      fc.array(fc.nat(30), { maxLength: 6 }),
      fc.integer({ min: 12, max: 28 }),
      (of, gone, tempC) => {
        const [repair, sheet] = of;
        const whole = planOf(repair, sheet, tempC);
        // A pot life that is not given is another matter: how much is mixed at once would change.
        const rows = sheet.milestones.filter((m, i) => m.kind === 'use-by' || m.kind === 'idle' || !gone.includes(i));
        const less = planOf(repair, { ...sheet, milestones: rows }, tempC);
        for (const s of whole.steps) {
          const mine = less.steps.find((x) => x.id === s.id);
          if (mine) expect([s.id, mine.startMs >= s.startMs]).toEqual([s.id, true]);
          else expect(less.untimed.map((x) => x.id)).toContain(s.id);
        }
        if (less.openMs !== null && whole.openMs !== null) expect(less.openMs).toBeGreaterThanOrEqual(whole.openMs);
      },
    ),
    { numRuns: 60 },
  );
});

describe('of what is spread over some time the first spot decides', () => {
  const wide = (batches: number): Piece => ({
    ...plate,
    materialC: 20,
    bench: { ...plate.bench, onePot: false },
    massCapG: 1500 / batches,
    settings: { ...plate.settings, rate: 60 },
    schools: { ...plate.schools, 'part-kits': 'weighed' },
    void: voidOf({ ...SHAPES.bondLine.blank(), ...bondOf(1200, 900) } as never),
  });
  const bondOf = (length: number, width: number) => ({
    outline: { kind: 'rectangle', length: measured(length), width: measured(width) },
    thickness: measured(0.8),
    holes: { count: 0, diameter: measured(0) },
  });
  const fromSpread: SheetRevision = {
    ...pasteSheet,
    milestones: pasteSheet.milestones.map((m) =>
      m.kind === 'open' ? { ...m, startsAt: 'placed', runsOn: 'base' } : m,
    ),
  };
  test('open time: the first of several batches has lain longest, and the last alone would pass', () => {
    const p = planOf(wide(4), fromSpread);
    const spread = p.steps.filter((s) => s.marks?.end?.includes('placed'));
    expect(spread.length).toBeGreaterThan(2);
    const close = stepOf(p, 'close');
    const open = p.milestones.find((m) => m.kind === 'open')!;
    const life = open.planMs! - open.originMs!;
    // By the last batch it would be closed in time; by the first it is not.
    expect(close.endMs - spread.at(-1)!.startMs).toBeLessThan(life);
    expect(close.endMs - spread[0]!.startMs).toBeGreaterThan(life);
    expect(close.lateFor).toBe('open');
    expect(findingsOf(wide(4), fromSpread).map((f) => `${f.severity} ${f.id}`)).toContain('stop late:close');
  });
  test('a small plate closed in time raises nothing', () => {
    expect(stepOf(planOf({ ...plate, materialC: 20 }, fromSpread), 'close').lateFor).toBeNull();
  });

  const wet = (minutes: number): SheetRevision => ({
    ...mortarSheet,
    milestones: [
      ...mortarSheet.milestones.filter((m) => m.kind !== 'primer-wet'),
      {
        kind: 'primer-wet',
        startsAt: 'last-coat',
        runsOn: 'base',
        referenceMassG: null,
        printed: null,
        table: { form: 'single', tempC: 20, fromMin: minutes, toMin: minutes },
      },
    ],
  });
  test('a wet primer is held against the end of the placing on it', () => {
    const p = planOf(nosing, wet(1000));
    const place = stepOf(p, 'b1:place');
    const prime = stepOf(p, 'b1:prime');
    const needs = (place.endMs - prime.startMs) / MIN;
    expect(stepOf(planOf(nosing, wet(needs + 1)), 'b1:place').lateFor).toBeNull();
    expect(stepOf(planOf(nosing, wet(needs - 1)), 'b1:place').lateFor).toBe('primer-wet');
    const said = (of: Piece, min: number) => findingsOf(of, wet(min)).map((f) => `${f.severity} ${f.id}`);
    // By minutes that nobody typed it is no more than a caution; by a rate that somebody did it is a stop.
    expect(said(nosing, needs - 1)).toContain('caution late:b1:place');
    const typed: Piece = { ...nosing, settings: { ...nosing.settings, rate: 60 } };
    const slow = planOf(typed, wet(1000));
    const placing = (stepOf(slow, 'b1:place').endMs - stepOf(slow, 'b1:place').startMs) / MIN;
    expect(said(typed, placing - 1)).toContain('stop late:b1:place');
  });
});

describe('primer is judged on the batch that gives it', () => {
  const patch = (mm: [number, number, number], over: Partial<Piece> = {}): Piece => ({
    ...nosing,
    reserve: false,
    kitId: 'large',
    ...over,
    void: voidOf({
      ...SHAPES.patch.blank(),
      outline: { kind: 'rectangle', length: measured(mm[0]), width: measured(mm[1]) },
      depth: { kind: 'mean', mean: measured(mm[2], 'gauge') },
    } as never),
  });
  // 900 × 640 × 38 in two lifts of 19: floor 0.576 m², walls 2 × 1.54 × 0.019 = 0.0585 m² a lift.
  const two = patch([900, 640, 38], { settings: { ...nosing.settings, primer: 280, rate: 2000 } });
  test('each lift primes its own faces, each batch what it covers', () => {
    const p = planOf(two, mortarSheet);
    const drawn = (lift: number) => p.batches.filter((b) => b.portion === lift).reduce((s, b) => s + b.drawnMl, 0);
    expect(drawn(0)).toBeCloseTo((0.576 + 0.05852) * 280, 6);
    expect(drawn(1)).toBeCloseTo(0.05852 * 280, 6);
    // No batch gives more of its liquid than its neighbours.
    const first = p.batches.filter((b) => b.portion === 0);
    for (const b of first) expect(b.drawnMl / b.ml).toBeCloseTo(first[0]!.drawnMl / first[0]!.ml, 9);
    expect(p.steps.filter((s) => s.id.endsWith(':prime'))).toHaveLength(p.batches.length);
  });
  test('a crown goes on the last lift alone; a recess deeper than that leaves no lift less than nothing', () => {
    const of = (level: string, mm: number) => {
      const schools = { ...two.schools, priming: 'none', 'finish-level': level };
      const p = planOf(
        { ...two, schools, settings: { ...two.settings, crown: mm, recess: mm, uptake: 0 } },
        { ...mortarSheet, potLossMl: 0 },
      );
      const { sheet, context, method } = p;
      return {
        all: p.mix!.lines.reduce((s, l) => s + l.ml, 0),
        shares: ENGINES[method!.engine].portions(context!).map((x) => x.share),
        sheet,
      };
    };
    // 0.576 m² × 2 mm = 1152 mL on 21 888 mL in two equal lifts.
    const crowned = of('crown', 2);
    expect(crowned.shares[0]! * crowned.all).toBeCloseTo(10_944, 3);
    expect(crowned.shares[1]! * crowned.all).toBeCloseTo(12_096, 3);
    const deep = of('recess', 20);
    expect(deep.shares.every((s) => s > 0)).toBe(true);
    expect(deep.shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
  });
  test('where the sand must be cut, what is set out is the cut sand, and the step says what is left out', () => {
    const cut = { ...two, schools: { ...two.schools, 'draw-off': 'cut' } };
    const p = planOf(cut, mortarSheet);
    for (const b of p.batches) {
      const share = b.drawnMl / (b.volumeMl.A + b.volumeMl.B);
      // Sand for the liquid that stays: the sheet's 6.5 parts to 1.4 of what is left.
      const liquidG = (b.massG.A + b.massG.B) * (1 - share);
      expect(b.massG.C / liquidG).toBeCloseTo(650 / 140, 1);
      expect((b.massG.C + b.leftOutG) / (b.massG.A + b.massG.B)).toBeCloseTo(650 / 140, 2);
      expect(say(stepOf(p, `b${b.index + 1}:weigh`).detail, PLAIN_READER)).toMatch(/Leave [\d,. ]+ g of the sand out/);
    }
    const whole = planOf({ ...two, schools: { ...two.schools, priming: 'none' } }, mortarSheet);
    expect(whole.batches.every((b) => b.drawnMl === 0 && b.leftOutG === 0)).toBe(true);
    expect(say(stepOf(whole, 'b1:weigh').detail, PLAIN_READER)).not.toMatch(/sand out/);
  });
  test('grains without a bulk density: the sand is cut, and it says that nobody can tell', () => {
    const untold: SheetRevision = {
      ...mortarSheet,
      parts: mortarSheet.parts.map((p) => (p.filler === 'grains' ? { ...p, bulkGPerMl: null } : p)),
    };
    expect(findingsOf(two, untold).map((f) => `${f.severity} ${f.id}`)).toEqual(
      expect.arrayContaining(['note lean:untold', 'note lean:draw']),
    );
    expect(planOf(two, untold).batches.every((b) => b.leftOutG > 0)).toBe(true);
  });
});

test('placed of several batches: a stop behind the last keeps when it was placed', () => {
  const p = planOf(nosing, without(mortarSheet, 'sandable'));
  expect(p.placedMs).toBe(lastPlaced(p).endMs);
  expect(p.habitMs).toBe(p.placedMs! + 24 * 60 * MIN);
});
