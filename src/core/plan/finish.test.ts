import { methodsData, sampleData } from '@/sample/jobs';
import { single } from '@/sample/sheet-words';
import { say } from '@/words';
import { judge } from '../judge';
import { METHODS } from '../method';
import { type Bundle, viewJob } from '../record';
import { ladderNow, leftMs } from './finish';
import { pieceOf, type Repair, withPiece } from './repair';

const NOW = Date.UTC(2027, 4, 10, 6);
const reader = { system: 'metric', zone: 'utc', language: 'en' } as const;
const all = [...sampleData(NOW, 'Europe/Helsinki').bundles, ...methodsData(NOW, 'Europe/Helsinki').bundles];
const laddered = METHODS.filter((m) => m.tasks.some((t) => t.ladder)).map((m) => m.id);
const views = all.flatMap((b) => viewJob({ ...b, events: [], snapshots: [] }, NOW).repairs.map((r) => [b, r] as const));

test('what is sanded or polished goes up a ladder; each of its grits is a hold point of its own, coarse to fine', () => {
  expect(laddered).toEqual(
    expect.arrayContaining([
      'body-filler',
      'fairing-skin',
      'metal-filler',
      'laminate-hole',
      'stone-chip',
      'finish-coat',
    ]),
  );
  let seen = 0;
  for (const [, view] of views)
    for (const p of view.passes) {
      const now = ladderNow(p.plan);
      expect([p.plan.method!.id, now !== null]).toEqual([p.plan.method!.id, laddered.includes(p.plan.method!.id)]);
      if (!now) continue;
      seen++;
      const steps = now.rungs.map((r) => r.step!);
      for (const [i, s] of steps.entries()) {
        expect([view.repair.name, s.hold, s.handsOnMin > 0]).toEqual([view.repair.name, true, true]);
        if (i) expect(s.startMs).toBeGreaterThanOrEqual(steps[i - 1]!.endMs);
      }
      // It is sanded only when it may be.
      const may = p.plan.milestones.findLast((m) => m.kind === 'sandable')?.planMs;
      if (may) expect([view.repair.name, steps[0]!.startMs >= may - 60_000]).toEqual([view.repair.name, true]);
    }
  expect(seen).toBeGreaterThan(5);
});

const [bundle, dent] = views.find(([, v]) => v.passes[0]!.plan.method?.id === 'body-filler')!;
/** The dent with grits of one's own, and what happened to it. */
const withGrits = (grits: string | null, over: Partial<Bundle> = {}) => {
  const own = (r: Repair): Repair => withPiece(r, { ...pieceOf(r), grits });
  return viewJob({ ...bundle, events: [], snapshots: [], repairs: [own(dent.draft)], ...over }, NOW).repairs[0]!;
};

test('a grit that skips too far is asked about, and the press that puts the others between leaves nothing to ask', () => {
  const skips = withGrits('P80 P320').findings.filter((f) => f.id.startsWith('ladder-skip'));
  expect(skips.map((f) => say(f.title, reader))).toEqual(['P80 to P320 skips too far']);
  const way = skips[0]!.ways![0]!;
  expect([way.say, way.set.value]).toEqual(['put P120, P180 between', 'P80 P120 P180 P320']);
  expect(withGrits(way.set.value as string).findings.filter((f) => f.id.startsWith('ladder'))).toEqual([]);
  // What P80 left takes P320 longer than all between together.
  const minutes = (grits: string) => ladderNow(withGrits(grits).passes[0]!.plan)!.ladder.rungs.map((r) => r.minutes);
  expect(minutes('P80 P320')[1]!).toBeGreaterThan(minutes('P80 P120 P180')[2]!);
});

test('a grit whose scratches are deeper than half of what stands proud is told', () => {
  expect(withGrits('P24 P40 P80 P120').findings.some((f) => f.id === 'ladder-deep:P24')).toBe(true);
  expect(withGrits(null).findings.some((f) => f.id.startsWith('ladder'))).toBe(false);
});

test('minutes typed for all of it are shared out among the grits; what came off slower makes each longer', () => {
  const min = (over: Record<string, number>) => {
    const own = (r: Repair): Repair => withPiece(r, { ...pieceOf(r), settings: { ...pieceOf(r).settings, ...over } });
    const v = viewJob({ ...bundle, events: [], snapshots: [], repairs: [own(dent.draft)] }, NOW).repairs[0]!;
    return v.plan.steps.filter((s) => s.id.startsWith('finish:sand:')).map((s) => s.handsOnMin);
  };
  const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
  expect(sum(min({ 'finish:sand min': 50, 'finish:sand min/m2': 1e-9 }))).toBeCloseTo(50, 6);
  expect(sum(min({ 'takes-off': 2 }))).toBeGreaterThan(sum(min({})) * 1.5);
});

test('a record that ticked the sanding as one has the whole ladder behind it', () => {
  const tick = (step: string) => ({
    record: 'event' as const,
    version: 1 as const,
    id: step,
    device: 'd',
    sequence: 1,
    at: NOW,
    recordedAt: NOW,
    jobId: bundle.job.id,
    repairId: dent.repair.id,
    amends: null,
    role: 'technician',
    body: { kind: 'step-done' as const, step },
  });
  const states = (step: string) =>
    ladderNow(withGrits(null, { events: [tick(step)] }).passes[0]!.plan)!.rungs.map((r) => r.state);
  expect(new Set(states('finish:sand'))).toEqual(new Set(['done']));
  expect(states('finish:sand:p120').filter((s) => s === 'done')).toHaveLength(1);
});

describe('wet paper is laid in water before it is wanted', () => {
  const [job, gouge] = views.find(([, v]) => v.passes[0]!.plan.method?.id === 'metal-filler')!;
  const at = (over: Partial<ReturnType<typeof pieceOf>> = {}) => {
    const own = withPiece(gouge.draft, { ...pieceOf(gouge.draft), ...over });
    const { plan } = viewJob({ ...job, events: [], snapshots: [], repairs: [own] }, NOW).repairs[0]!;
    const climbed = plan.steps.filter((s) => s.stage === 'finish');
    return { plan, soak: climbed.find((s) => s.ahead), first: climbed.find((s) => s.grit)!, now: ladderNow(plan)! };
  };
  test('while it sets, not when one stands there with the dry sheet in hand', () => {
    const { plan, soak, first, now } = at();
    const placed = Math.max(...plan.steps.filter((s) => s.stage === 'place').map((s) => s.endMs));
    const sandable = plan.milestones.findLast((m) => m.kind === 'sandable')!.planMs!;
    expect([soak!.startMs >= placed, soak!.endMs < sandable]).toEqual([true, true]);
    expect(first.startMs - soak!.endMs).toBeGreaterThanOrEqual(30 * 60_000);
    expect(say(soak!.title, reader)).toBe('Lay P120 and P240 in water');
    expect(now.soak).toBe(soak);
    expect(now.rungs.map((r) => r.grit)).toEqual(['P120', 'P240']);
    // It costs nobody a minute of waiting.
    expect(at({ settings: { 'paper-soak': 0 } }).first.startMs).toBe(first.startMs);
  });
  test('longer than the filler sets, the first grit waits for its paper', () => {
    const { soak, first } = at({ settings: { 'paper-soak': 24 * 60 } });
    expect(first.startMs - soak!.endMs).toBeGreaterThanOrEqual(24 * 3_600_000);
    expect(first.startMs).toBeGreaterThan(at().first.startMs);
  });
  test('what sets for days has its paper in water the day before, not all that time', () => {
    const slow = single('sandable', 'placed', 'base', 4 * 24 * 60, 4 * 24 * 60);
    const { plan } = viewJob(
      {
        ...job,
        // At any hour: what keeps it is the day before alone, and that is said.
        job: { ...job.job, workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] } },
        events: [],
        snapshots: [],
        repairs: [gouge.draft],
        sheets: job.sheets.map((s) => ({
          ...s,
          milestones: s.milestones.map((m) => (m.kind === 'sandable' ? slow : m)),
        })),
      },
      NOW,
    ).repairs[0]!;
    const [soak, first] = [plan.steps.find((s) => s.ahead)!, plan.steps.find((s) => s.grit)!];
    expect(soak.forcedBy).toBe('eve');
    const placed = Math.max(...plan.steps.filter((s) => s.stage === 'place').map((s) => s.endMs));
    const hour = 3_600_000;
    expect(soak.startMs - placed).toBeGreaterThan(48 * hour);
    expect(first.startMs - soak.endMs).toBeLessThanOrEqual(40 * hour);
    expect(first.startMs - soak.endMs).toBeGreaterThanOrEqual(hour / 2);
  });
  test('dry, or without a time for it, none is laid in', () => {
    for (const over of [{ schools: { 'wet-or-dry': 'dry' } }, { settings: { 'paper-soak': 0 } }]) {
      const { soak, now } = at(over);
      expect([soak, now.ladder.soakMin, now.soak]).toEqual([undefined, 0, null]);
    }
  });
  test('minutes typed for the grits are theirs alone', () => {
    const { plan, soak } = at({ settings: { 'finish:file min': 40, 'finish:file min/place': 1e-9 } });
    const grits = plan.steps.filter((s) => s.grit);
    expect(soak!.handsOnMin).toBe(2);
    const washed = plan.steps.filter((s) => s.key.task.endsWith(':wash'));
    const sum = [...grits, ...washed].reduce((min, s) => min + s.handsOnMin, 0);
    expect(sum).toBeCloseTo(40, 3);
  });
});

test('every rule reads a plan without a ladder as well', () => {
  for (const [b, v] of views.slice(0, 4))
    for (const p of v.passes)
      expect(() =>
        judge({
          job: b.job,
          repair: p.repair,
          plan: { ...p.plan, context: null },
          actuals: p.actuals,
          sheets: b.sheets,
          stock: b.stock,
          nowMs: NOW,
        }),
      ).not.toThrow();
});

test('a face is left as its last pass leaves it, behind all but the tests; nobody knows when it is open', () => {
  let chains = 0;
  for (const [, { passes }] of views) {
    const plans = passes.map((p) => p.plan);
    const left = leftMs(plans);
    const last = plans.at(-1)!;
    if (last.untimed.length || !last.steps.length) {
      expect(left).toBeNull();
      continue;
    }
    for (const s of plans.flatMap((p) => p.steps))
      if (s.stage !== 'release') expect(left!).toBeGreaterThanOrEqual(s.endMs);
    for (const s of last.steps) if (s.stage === 'release') expect(left!).toBeLessThanOrEqual(s.startMs);
    if (plans.length > 1) chains++;
  }
  expect(chains).toBeGreaterThan(3);
  expect(leftMs([{ steps: [], untimed: [] }])).toBeNull();
});
