import { METHODS } from '@/core/method';
import type { Piece } from '@/core/plan';
import { isMixedAsPlaced, systemKind, tellsWorked, usualWorksMin } from '@/core/system';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';
import { ORDINARY } from './ordinary';
import { type Paper, typed } from './papers';

/**
 * A paper that prints nothing of how long a mix may be worked: it is planned by a figure of ours, that is said, and
 * one’s own figure takes its place, with a clock.
 */
const NOW = at('2027-05-10T07:00');
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 20, humidityPct: 55 },
};
const without = ([kind, ratio, packs, times, more]: Paper): Paper => {
  const left = times.split(', ').filter((t) => !/^(use-by|open|idle|gel)/.test(t));
  return [kind, ratio, packs, left.join(', ') || 'load 24 h', more];
};
const planned = ([id, paper, dims, count]: (typeof ORDINARY)[number], over: Partial<Piece> = {}) => {
  const sheet = typed(paper, NOW);
  return {
    sheet,
    plan: firstPlanned({ job, nowMs: NOW }, METHODS.find((m) => m.id === id)!, sheet, { dims, count, over }),
  };
};
const said = (plan: ReturnType<typeof planned>['plan']) => plan.findings.filter((f) => f.id === 'untold-life');
const row = (id: string) => ORDINARY.find(([method]) => method === id)!;
const silent = (id: string): (typeof ORDINARY)[number] => {
  const [method, paper, ...rest] = row(id);
  return [method, without(paper), ...rest];
};

test.each(ORDINARY.map((o) => [o[0], o] as const))('%s: said where the paper is silent, and nowhere else', (id, as) => {
  const told = planned(as);
  if (tellsWorked(told.sheet)) expect(said(told.plan)).toEqual([]);
  const { sheet, plan } = planned(silent(id));
  expect(tellsWorked(sheet)).toBe(false);
  expect(plan.batches.length).toBeGreaterThan(0);
  const found = said(plan);
  if (isMixedAsPlaced(sheet)) expect(found).toEqual([]);
  else {
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ severity: 'caution', stage: 'mix' });
    expect(found[0]!.why).toMatch(new RegExp(`as if ${usualWorksMin(sheet.kind)} min were left`));
  }
});

test('what sets within minutes is planned in smaller mixes than what is worked for half an hour', () => {
  const mixes = (id: string, size: number) => {
    const [method, paper, dims, count] = silent(id);
    const larger = Object.fromEntries(Object.entries(dims).map(([k, v]) => [k, v * size]));
    return planned([method, paper, larger, count]).plan.batches.length;
  };
  expect(systemKind('polyester-filler').worksMin).toBeLessThan(10);
  expect(mixes('body-filler', 2)).toBeGreaterThan(mixes('body-filler', 1));
  // As its paper would print it.
  const [method, [kind, ratio, packs, , more], dims, count] = row('cement-patch');
  const batches = (times: string) => planned([method, [kind, ratio, packs, times, more], dims, count]).plan.batches;
  const ours = batches('foot 4 h');
  const printed = batches(`use-by ${usualWorksMin(kind) + 3} min, foot 4 h`);
  expect(ours.map((b) => b.placedMl)).toEqual(printed.map((b) => b.placedMl));
});

test('a figure of one’s own is planned with, has a clock, and is not taken for the sheet’s', () => {
  const own = (minutes: number) =>
    planned(silent('plate-bond'), { standIns: { 'use-by': { by: 'own', minutes } } }).plan;
  const plan = own(25);
  expect(said(plan)).toEqual([]);
  const clock = plan.milestones.find((m) => m.kind === 'use-by')!;
  expect((Date.parse(clock.plans!) - Date.parse(clock.since!)) / 60_000).toBe(25);
  expect(clock.sheetSays).toMatch(/25 min, a figure of one’s own/);
  expect(planned(silent('plate-bond')).plan.milestones.filter((m) => m.kind === 'use-by')).toEqual([]);
  // It takes no place of a time that is printed.
  const { plan: printed } = planned(row('plate-bond'), { standIns: { 'use-by': { by: 'own', minutes: 5 } } });
  expect(printed.milestones.find((m) => m.kind === 'use-by')!.sheetSays).not.toMatch(/one’s own/);
});

test.each(['small-part', 'plate-bond', 'timber-part'])(
  '%s of an adhesive that prints when it has cured and no more is let go then, and that is said',
  (id) => {
    const [method, [kind, ratio, packs, , more], ...rest] = row(id);
    const { plan } = planned([method, [kind, ratio, packs, 'use-by 30 min, full-cure 24 h', more], ...rest]);
    expect(plan.problems).toEqual([]);
    expect(plan.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    const cured = plan.milestones.find((m) => m.kind === 'full-cure')!.plans!;
    const off = plan.steps.find((s) => s.stage === 'finish')!;
    expect(Date.parse(off.from!)).toBeGreaterThanOrEqual(Date.parse(cured));
    expect(plan.findings.some((f) => /later time is waited for/.test(f.title))).toBe(true);
  },
);
