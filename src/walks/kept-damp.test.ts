import { isTaken, METHODS } from '@/core/method';
import type { Job } from '@/core/plan';
import { type Milestone, parseTable, type SheetRevision, usualClock } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstRepair, plannedFrom, ZONE } from './made';

/** A bag that asks to be kept damp: its cover stays for that, however soon somebody may walk on it. */
const NOW = at('2027-05-10T07:00');
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 20, humidityPct: 60 },
};
const method = METHODS.find((m) => m.id === 'cement-patch')!;
const bag = sampleRecords(NOW, ZONE).find((r): r is SheetRevision => r.record === 'sheet' && isTaken(method, r))!;
const time = (kind: Milestone['kind'], text: string): Milestone => ({
  kind,
  ...usualClock(kind),
  referenceMassG: null,
  printed: null,
  table: parseTable(text, kind, 'metric'),
});
const planned = (times: readonly Milestone[], here: Job = job) => {
  const kept = bag.milestones.filter((m) => m.kind !== 'frost' && m.kind !== 'damp');
  const sheet = { ...bag, milestones: [...kept, ...times] };
  const site = { job: here, nowMs: NOW };
  return plannedFrom({ ...site, sheets: [sheet] }, firstRepair(site, method, sheet)).repairs[0]!;
};
const step = (p: ReturnType<typeof planned>, id: string) => p.steps.find((s) => s.id === id);
const placed = (p: ReturnType<typeof planned>) => p.steps.findLast((s) => s.marks?.end?.includes('placed'))!.endMs;
const hoursAfter = (p: ReturnType<typeof planned>, id: string) => (step(p, id)!.startMs - placed(p)) / 3_600_000;

test('silent on it, the cover comes off when it may be walked on', () => {
  const p = planned([]);
  const foot = p.passes[0]!.milestones.findLast((m) => m.kind === 'foot')!.planMs!;
  expect(step(p, 'finish:uncover')!.startMs).toBeGreaterThanOrEqual(foot);
  expect(step(p, 'finish:uncover')!.waitFor!.kind).toBe('foot');
});

test('24 h damp at 20 °C: the cover stays as long, and not an hour of the next day less', () => {
  const p = planned([time('damp', '24 h at 20 C')]);
  expect(step(p, 'finish:uncover')!.waitFor!.kind).toBe('damp');
  expect(hoursAfter(p, 'finish:uncover')).toBeGreaterThanOrEqual(24);
  expect(hoursAfter(p, 'finish:uncover')).toBeLessThan(48);
  expect(step(p, 'finish:damp')).toBeUndefined();
});

test('a day without a temperature is a day, cold or warm', () => {
  for (const tempC of [8, 27]) {
    const cold = { ...job, climate: { kind: 'constant' as const, tempC, humidityPct: 60 } };
    const p = planned([time('damp', '24 h')], cold);
    const damp = p.passes[0]!.milestones.findLast((m) => m.kind === 'damp')!;
    expect([tempC, (damp.planMs! - damp.originMs!) / 3_600_000, damp.standing]).toEqual([tempC, 24, 'sheet']);
  }
  // Told at a temperature it takes longer where it is colder.
  const p = planned([time('damp', '24 h at 20 C')], {
    ...job,
    climate: { kind: 'constant', tempC: 8, humidityPct: 60 },
  });
  const damp = p.passes[0]!.milestones.findLast((m) => m.kind === 'damp')!;
  expect((damp.planMs! - damp.originMs!) / 3_600_000).toBeGreaterThan(30);
});

test.each([
  ['72 h at 20 C', '12 h at 20 C', 72],
  ['8 h at 20 C', '30 h at 20 C', 30],
])('damp %s and no frost for %s: uncovered after the longer, %i h', (damp, frost, hours) => {
  const p = planned([time('frost', frost), time('damp', damp)]);
  expect(step(p, 'finish:damp')!.waitFor!.kind).toBe('damp');
  expect(step(p, 'finish:uncover')!.waitFor!.kind).toBe('frost');
  expect(hoursAfter(p, 'finish:uncover')).toBeGreaterThanOrEqual(hours);
  expect(step(p, 'finish:uncover')!.startMs).toBeGreaterThanOrEqual(step(p, 'finish:damp')!.endMs);
});
