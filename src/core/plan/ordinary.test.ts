import { DateTime } from 'luxon';
import { plainWords, say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { mortarSheet, pasteSheet, resinSheet } from '../../sample/systems';
import { judge } from '../judge';
import type { SheetRevision } from '../system';
import { measured, SHAPES, type Void, type VoidShape, voidOf } from '../void';
import { type Job, NOTHING_YET, type Piece, pieceOf, planJob, repairOf } from '.';

/** Jobs of round figures, every default left: what a practitioner would not follow is a fault. */
const zone = 'Europe/Helsinki';
const NOW = DateTime.fromISO('2026-05-05T06:00', { zone }).toMillis();
const MIN = 60_000;
const { bundles } = sampleData(NOW, zone);
const job: Job = { ...bundles[0]!.job, wantedAt: null, climate: { kind: 'constant', tempC: 18, humidityPct: 55 } };
const nosing: Piece = { ...pieceOf(bundles[0]!.repairs[0]!), materialC: 18, settings: {}, schools: {} };
const eyes: Piece = { ...pieceOf(bundles[0]!.repairs[1]!), settings: {}, schools: {} };
const plate: Piece = { ...pieceOf(bundles[1]!.repairs[0]!), jobId: job.id, settings: {}, schools: {} };

const planned = (repair: Piece, sheet: SheetRevision) => {
  const plan = planJob({ job, repairs: [repairOf(repair)], sheets: [sheet], stock: [], actuals: new Map(), nowMs: NOW })
    .repairs[0]!;
  const findings = judge({ job, repair, plan, actuals: NOTHING_YET, sheets: [sheet], stock: [], nowMs: NOW });
  return { plan, findings };
};
const patch = (lengthMm: number, widthMm: number, depthMm: number): VoidShape =>
  ({
    ...SHAPES.patch.blank(),
    outline: { kind: 'rectangle', length: measured(lengthMm), width: measured(widthMm) },
    depth: { kind: 'mean', mean: measured(depthMm, 'gauge') },
  }) as VoidShape;
/** The mortar in one size of kit. */
const inKitsOf = (massG: number): SheetRevision => {
  const [small] = mortarSheet.kits;
  const all = small!.massG.A + small!.massG.B + (small!.massG.C ?? 0);
  const grow = massG / all;
  const scaled = { A: small!.massG.A * grow, B: small!.massG.B * grow, C: small!.massG.C! * grow, D: null };
  return { ...mortarSheet, kits: [{ ...small!, id: 'one', massG: scaled, yieldMl: null }] };
};

describe('a patch of 600 × 400 × 30 mm from one kit of 20.4 kg', () => {
  const sheet = { ...inKitsOf(20_400), limits: { ...mortarSheet.limits, liftMaxMm: 50 } };
  const at = (over: Partial<Piece> = {}) =>
    planned({ ...nosing, kitId: 'one', void: voidOf(patch(600, 400, 30)), ...over }, sheet);

  test('is planned, with the rate it needs said and three ways out, none of them a stop', () => {
    const { plan, findings } = at();
    expect(plan.problems).toEqual([]);
    expect(plan.batches.map((b) => b.kits)).toEqual([1]);
    const rate = findings.find((f) => f.id === 'rate')!;
    expect(rate.severity).toBe('caution');
    expect(findings.filter((f) => f.severity === 'stop')).toEqual([]);
    const says = say(rate.why, { system: 'metric', zone, language: 'en' });
    expect(says).toMatch(/One kit makes 9\.\d+ L, and \d+ min are left to place it: that is \d+ mL a minute/);
    // Placed inside what is left of the pot’s life.
    const placing = plan.steps.find((s) => s.marks?.end?.includes('placed'))!;
    expect((placing.endMs - placing.startMs) / MIN).toBeLessThanOrEqual(plan.usableMin! + 1e-6);
  });

  test('each way out, once taken, ends the finding and plans', () => {
    const [first] = at().findings.filter((f) => f.id === 'rate');
    expect(first!.ways!.map((w) => w.set.path.join('.'))).toEqual(['settings.rate', 'crew']);
    for (const { set } of first!.ways!) {
      const over = set.path[0] === 'crew' ? { crew: set.value as number } : { settings: { rate: set.value as number } };
      const { plan, findings } = at(over);
      expect([set.path, findings.some((f) => f.id === 'rate'), plan.problems]).toEqual([set.path, false, []]);
    }
  });

  test('a rate that somebody chose goes on forbidding: it is theirs', () => {
    const { plan } = at({ settings: { rate: 20 } });
    expect(plan.problems.map((p) => plainWords(p.sentence)).join()).toMatch(/whole kit makes .* 20 mL\/min/);
  });
});

test.each([
  ['mortar', nosing, mortarSheet],
  ['plate', plate, pasteSheet],
] as const)('%s: two pairs of hands place in half the time, in the schedule as in the batch', (_, repair, sheet) => {
  const minutes = (crew: number) => {
    const { plan } = planned({ ...repair, crew, settings: { rate: 60 } }, sheet);
    return plan.steps
      .filter((s) => s.batch !== undefined && /^b\d+:(place|spread)/.test(s.id))
      .reduce((m, s) => m + (s.handsOnMin ?? 0), 0);
  };
  expect(minutes(1)).toBeGreaterThan(0);
  expect(minutes(2)).toBeCloseTo(minutes(1) / 2, 6);
});

test('the lifts a finding speaks of are the lifts that are planned', () => {
  const deep = { ...nosing, void: voidOf(patch(300, 200, 38)) };
  for (const liftMm of [null, 8, 19]) {
    const { plan, findings } = planned({ ...deep, liftMm }, mortarSheet);
    const planned_ = new Set(plan.batches.map((b) => b.portion)).size;
    const said = findings.find((f) => f.id === 'lift:deep')!;
    expect(say(said.todo, { system: 'metric', zone, language: 'en' })).toMatch(
      new RegExp(`^Placed in ${planned_} lifts`),
    );
  }
});

describe('two plates of 200 × 150 mm, bond line 0.5 mm, from a tin pair of 450 mL', () => {
  const line = (count: number) => ({
    ...voidOf({
      ...SHAPES.bondLine.blank(),
      outline: { kind: 'rectangle', length: measured(200), width: measured(150) },
      thickness: measured(0.5, 'gauge'),
    } as VoidShape),
    count,
  });
  const square = (mm: number) => ({ outline: { kind: 'rectangle', length: measured(mm), width: measured(mm) } });
  const at = (over: Partial<Piece>, count = 2, sheet = pasteSheet) =>
    planned({ ...plate, kitId: null, void: line(count), ...over }, sheet);
  const waste = ({ findings }: ReturnType<typeof at>) => findings.find((f) => f.id === 'waste');

  const WHOLE = { schools: { 'part-kits': 'whole' } };
  test('with every default what is needed is weighed out of the tins, and nothing is mixed for nothing', () => {
    const plain = at({});
    expect(plain.plan.batches[0]!.kits).toBeNull();
    expect(plain.plan.mix!.kits.leftIsMixed).toBe(false);
    expect(waste(plain)).toBeUndefined();
  });
  test('whole tins, chosen: what is mixed for nothing is said, and splitting by weighing ends it', () => {
    const whole = at(WHOLE);
    expect(whole.plan.mix!.kits.leftMl).toBeGreaterThan(whole.plan.mix!.toMixMl / 3);
    const [way] = waste(whole)!.ways!;
    expect(waste(whole)!.severity).toBe('note');
    const split = at({ schools: { [way!.set.path[1]!]: String(way!.set.value) } });
    expect(split.plan.batches[0]!.ml).toBeLessThan(whole.plan.batches[0]!.ml / 2);
    expect(waste(split)).toBeUndefined();
  });
  test('a kit that may not be split offers no such press; one that is nearly used up says nothing', () => {
    const tied = { ...pasteSheet, kits: pasteSheet.kits.map((k) => ({ ...k, splittable: false })) };
    expect(waste(at({}, 2, tied))).toMatchObject({ severity: 'note' });
    expect(waste(at({}, 2, tied))!.ways ?? []).toEqual([]);
    const larger = (mm: number) =>
      at({ ...WHOLE, void: { ...line(1), shapes: [{ ...line(1).shapes[0]!, ...square(mm) }] } as Void });
    const many = [400, 500, 700, 800].map(larger);
    for (const m of many) {
      const { leftMl, leftIsMixed } = m.plan.mix!.kits;
      expect(waste(m) !== undefined).toBe(leftIsMixed && leftMl > m.plan.mix!.toMixMl / 3);
    }
    expect(many.some((m) => waste(m) === undefined)).toBe(true);
  });
});

describe('what stays behind', () => {
  const line = (mm: number) =>
    voidOf({
      ...SHAPES.bondLine.blank(),
      outline: { kind: 'rectangle', length: measured(mm), width: measured(mm) },
      thickness: measured(0.5, 'gauge'),
    } as VoidShape);
  const at = (mm: number) => {
    const made = planned({ ...plate, kitId: null, schools: { 'part-kits': 'weighed' }, void: line(mm) }, pasteSheet);
    const { lines } = made.plan.mix!;
    const lost = lines.filter((l) => l.voice === 'sheet').reduce((sum, l) => sum + l.ml, 0);
    const all = lines.reduce((sum, l) => sum + l.ml, 0);
    return { said: made.findings.find((f) => f.id === 'lost'), share: lost / (all - lost) };
  };
  test('is said where it is more than a third of what goes in, with what would lessen it', () => {
    const shares = [40, 80, 150, 300, 600, 900].map(at);
    for (const { said, share } of shares) expect(said !== undefined).toBe(share > 1 / 3);
    expect(shares[0]!.said!.severity).toBe('note');
    expect(say(shares[0]!.said!.why, { system: 'metric', zone, language: 'en' })).toMatch(
      /^[\d.]+ mL are left in the pot and on tools, and [\d.]+ mL go in\.$/,
    );
    expect(shares.at(-1)!.said).toBeUndefined();
  });
  test('lifts that wait for one another are mixes of their own: no slower system saves one', () => {
    const todo = (deepMm: number) => {
      const made = planned(
        { ...nosing, kitId: null, void: voidOf(patch(20, 12, deepMm)), schools: {} },
        {
          ...mortarSheet,
          potLossMl: 4,
          kits: mortarSheet.kits.map((k) => ({ ...k, splittable: true })),
          limits: { ...mortarSheet.limits, liftMaxMm: 12 },
        },
      );
      const said = made.findings.find((f) => f.id === 'lost');
      return [made.plan.mix?.batches.length, said && say(said.todo, { system: 'metric', zone, language: 'en' })];
    };
    expect(todo(10)).toEqual([1, expect.stringMatching(/^A small cup scraped out well/)]);
    expect(todo(36)).toEqual([3, expect.stringMatching(/^Each lift waits for the one before/)]);
  });
  test('of one anchor from a pack it is the first shots and the flow check', () => {
    const one = planned({ ...eyes, void: { ...eyes.void!, count: 1 } }, resinSheet);
    const said = one.findings.find((f) => f.id === 'lost')!;
    expect(say(said.why, { system: 'metric', zone, language: 'en' })).toMatch(
      /thrown away with mixers and flow checks/,
    );
    expect(say(said.todo, { system: 'metric', zone, language: 'en' })).toMatch(/other places with the same mixer/);
  });
});

describe('four spalls of 2 L each on one ramp', () => {
  const at = (over: readonly Partial<Piece>[] = [{}, {}, {}, {}]) =>
    planJob({
      job,
      repairs: over.map((o, i) =>
        repairOf({ ...nosing, id: `spall-${i}`, order: i, kitId: null, void: voidOf(patch(400, 250, 20)), ...o }),
      ),
      sheets: [mortarSheet, pasteSheet],
      stock: [],
      actuals: new Map(),
      nowMs: NOW,
    });
  const sawn = (p: ReturnType<typeof at>) =>
    p.repairs.flatMap((r) => r.steps.filter((s) => s.key.task === 'prep:cut' || s.key.task === 'prep:clean'));
  const mixed = (p: ReturnType<typeof at>) => p.repairs.flatMap((r) => r.steps.filter((s) => s.key.task === 'mix'));

  test('all are sawn and cleaned before anything is mixed: nobody saws beside fresh mortar', () => {
    const p = at();
    expect(sawn(p)).toHaveLength(8);
    const last = Math.max(...sawn(p).map((s) => s.endMs));
    expect(Math.min(...mixed(p).map((s) => s.startMs))).toBeGreaterThanOrEqual(last);
    // The base is read right before the first mixing of each, and not hours before.
    for (const r of p.repairs) {
      const check = r.steps.find((s) => s.key.task === 'prep:check')!;
      const first = r.steps.find((s) => s.key.task === 'weigh')!;
      expect(first.startMs - check.endMs).toBe(0);
    }
    // Nobody is in two places, and no work is longer for it.
    const all = p.repairs.flatMap((r) => r.steps).sort((a, b) => a.startMs - b.startMs);
    for (let i = 1; i < all.length; i++) expect(all[i]!.startMs).toBeGreaterThanOrEqual(all[i - 1]!.endMs);
  });
  test('one that is tied to an hour, or begun, or of another system, stays by itself', () => {
    const apart = at([{}, { plannedStart: NOW + 6 * 60 * MIN }, {}]);
    const [, tied, last] = apart.repairs;
    const cut = tied!.steps.find((s) => s.key.task === 'prep:cut')!;
    expect(cut.startMs).toBeGreaterThanOrEqual(NOW + 6 * 60 * MIN);
    // Neither waits for the other's saw: each is prepared and worked by itself.
    const alone = (r: (typeof apart.repairs)[number]) =>
      r.steps.filter((s) => s.stage !== 'finish' && s.stage !== 'release');
    for (const r of [tied!, last!])
      expect(alone(r).findIndex((s) => s.key.task === 'mix')).toBeGreaterThan(
        alone(r).findIndex((s) => s.key.task === 'prep:clean'),
      );
    expect(
      planJob({
        job,
        repairs: [repairOf({ ...nosing, id: 'one', kitId: null, void: voidOf(patch(400, 250, 20)) })],
        sheets: [mortarSheet],
        stock: [],
        actuals: new Map(),
        nowMs: NOW,
      }).repairs[0]!.steps.map((s) => s.key.task),
    ).toEqual(at().repairs[0]!.steps.map((s) => s.key.task));
  });
  test('plates are not all bared first: bare metal does not keep that long', () => {
    const p = planJob({
      job,
      repairs: [0, 1, 2].map((i) => repairOf({ ...plate, id: `plate-${i}`, order: i, kitId: null })),
      sheets: [pasteSheet],
      stock: [],
      actuals: new Map(),
      nowMs: NOW,
    });
    const of = (i: number, task: string) => p.repairs[i]!.steps.find((s) => s.key.task === task)!;
    expect(of(1, 'prep:grind').startMs).toBeGreaterThan(of(0, 'close').endMs - 1);
    expect(p.repairs.every((r) => r.steps.every((s) => s.key.task !== 'bare-again'))).toBe(true);
  });
});

describe('a base that is just as warm as the sheet asks', () => {
  test.each([5, 8, 10, 12])('%i °C in air of as much: nothing stops it, and a tenth less does', (least) => {
    const sheet: SheetRevision = {
      ...mortarSheet,
      limits: { ...mortarSheet.limits, baseMinC: least, cureMinC: least },
    };
    const stops = (tempC: number) => {
      const here: Job = { ...job, climate: { kind: 'constant', tempC, humidityPct: 55 } };
      const repair: Piece = { ...nosing, base: { ...nosing.base, known: [] }, void: voidOf(patch(600, 400, 20)) };
      const ask = {
        job: here,
        repairs: [repairOf(repair)],
        sheets: [sheet],
        stock: [],
        actuals: new Map(),
        nowMs: NOW,
      };
      const plan = planJob(ask).repairs[0]!;
      return judge({ job: here, repair, plan, actuals: NOTHING_YET, sheets: [sheet], stock: [], nowMs: NOW }).flatMap(
        (f) => (f.severity === 'stop' ? [f.id.split(':')[0]] : []),
      );
    };
    expect(stops(least)).toEqual([]);
    expect(stops(least - 0.1)).toContain('base-temperature');
  });
});
