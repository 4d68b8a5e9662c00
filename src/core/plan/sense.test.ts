import { methodsData, sampleData } from '../../sample/jobs';
import { METHODS, RENEWS, RENEWS_FACE } from '../method';
import { viewJob } from '../record';
import { windowsOver } from './calendar';
import type { PlannedStep } from './repair-plan';

/**
 * Every plan of the sample read as whoever has to do it reads it: an order that a practitioner would follow, and
 * nobody asked for when nobody is there.
 */
const NOW = Date.UTC(2026, 4, 5, 6);
const ZONE = 'Europe/Helsinki';
const DAY_MS = 86_400_000;
const jobs = [sampleData, methodsData].flatMap((of) =>
  of(NOW, ZONE).bundles.map((b) => viewJob({ ...b, events: [], snapshots: [] } as never, NOW)),
);
const passes = jobs.flatMap((view) =>
  view.repairs.flatMap((r) =>
    r.passes.map((p) => ({ view, repair: r, plan: p.plan, called: `${r.draft.name} ${p.repair.passId}` })),
  ),
);
const each = passes.map((p) => [p.called, p] as const);
const mixes = (s: PlannedStep) => s.marks?.begin?.includes('mix-begins') === true;
/** Steps that a missed window or a face that stood too long has put in. */
const renewing = new Set([...Object.values(RENEWS), ...Object.values(RENEWS_FACE)].map((row) => row.task));

test('all methods are in it', () => {
  const used = new Set(passes.map((p) => p.plan.method!.id));
  expect(METHODS.map((m) => m.id).filter((id) => !used.has(id))).toEqual([]);
});

test.each(each)('%s: nothing is prepared, tried or measured any more once its first pot is mixed', (_, { plan }) => {
  const first = plan.steps.findIndex(mixes);
  const late = plan.steps
    .slice(first)
    .filter((s) => ['access', 'set-out', 'prepare'].includes(s.role) && !renewing.has(s.key.task));
  expect(late.map((s) => s.id)).toEqual([]);
});

test.each(each)('%s: every hold point lies where somebody is there', (_, { view, plan }) => {
  const held = plan.steps.filter((s) => s.hold && s.doneAt === null);
  for (const s of held) {
    const hours = windowsOver(view.job, s.startMs - DAY_MS, s.endMs + DAY_MS);
    const stays = s.dayEnd?.stayed ? s.dayEnd.byMin * 60_000 : 0;
    const here = hours.some((w) => w.fromMs <= s.startMs && s.endMs <= w.toMs + stays + 60_000);
    expect([s.id, new Date(s.startMs).toISOString(), here]).toEqual([s.id, new Date(s.startMs).toISOString(), true]);
  }
});

test.each(jobs.flatMap((view) => view.repairs.map((r) => [r.draft.name, r] as const)))(
  '%s: the tests come last, and the barrier goes with them',
  (_, { plan }) => {
    const at = plan.steps.findIndex((s) => s.role === 'test');
    if (at >= 0)
      expect(
        plan.steps
          .slice(at)
          .filter((s) => s.role !== 'test')
          .map((s) => s.id),
      ).toEqual([]);
  },
);

test.each(each)(
  '%s: no clock that ends before it begins, no wait of nothing, no step without a word',
  (_, { plan }) => {
    for (const m of plan.milestones)
      if (m.planMs !== null && m.originMs !== null) expect([m.kind, m.planMs >= m.originMs]).toEqual([m.kind, true]);
    for (const s of plan.steps) {
      expect(s.endMs).toBeGreaterThanOrEqual(s.startMs);
      expect([s.id, s.title.id.length > 0, s.confirm.id.length > 0]).toEqual([s.id, true, true]);
    }
  },
);
