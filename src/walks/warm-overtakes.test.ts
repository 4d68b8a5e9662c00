import { calendarFile } from '@/core/file';
import { methodOf } from '@/core/method';
import { type ChainPlan, endsOf, overLast, pieceOf, planJob, type Repair, withPiece } from '@/core/plan';
import { openingsOf, type RepairView, touchNow } from '@/core/record';
import { type MilestoneId, milestoneOf, type SheetRevision } from '@/core/system';
import { bands } from '@/sample/sheet-words';
import { freshJob } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { at, baseAt, firstRepair, m16Hole, untouched, ZONE } from './made';
import { ORDINARY } from './ordinary';
import { typed } from './papers';

/**
 * A day that is cold in the morning and mild from some hour on, and a sheet in bands: what was placed in the cold is
 * held by the cold band for the whole of its wait, and may be over long after what was placed in the warm hour behind
 * it. Nothing is opened, freed or ground before the slower of them.
 */
const NOW = at('2027-04-14T06:00');
const MIN = 60_000;
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const EDGES = [5, 10, 20, 30];
const COLD: Partial<Record<MilestoneId, readonly number[]>> = {
  release: [60, 30, 15],
  sandable: [240, 90, 45],
  foot: [420, 180, 90],
  load: [600, 240, 120],
};
const inBands = (sheet: SheetRevision): SheetRevision => ({
  ...sheet,
  milestones: [
    ...sheet.milestones.filter((m) => !COLD[m.kind]),
    ...Object.entries(COLD).map(([kind, minutes]) => bands(kind as MilestoneId, 'placed', 'base', EDGES, [...minutes])),
  ],
});

/** When a wait is over that begins at an instant: minute by minute, by the coldest it has met so far. */
function overAt(kind: MilestoneId, placedMs: number, tempAt: (ms: number) => number): number {
  const minutes = COLD[kind]!;
  let coldest = tempAt(placedMs);
  for (let t = 0; ; t++) {
    coldest = Math.min(coldest, tempAt(placedMs + t * MIN));
    if (t >= minutes[EDGES.findLastIndex((edge) => edge <= coldest)]!) return placedMs + t * MIN;
  }
}

const planned = (repair: Repair, sheet: SheetRevision) =>
  planJob({ job, repairs: [repair], sheets: [sheet], stock: [], actuals: new Map(), nowMs: NOW }).repairs[0]!;
const warmedAt = (repair: Repair, iso: string): Repair => {
  const piece = pieceOf(repair);
  return withPiece(repair, {
    ...piece,
    base: { ...piece.base, known: [...baseAt(['2027-04-14T00:00', 8], [iso, 14])] },
  });
};
const placing = (plan: ChainPlan) => plan.steps.filter((s) => s.marks?.end?.includes('placed'));
/** The last placing of each batch. */
const placings = (plan: ChainPlan) =>
  [...new Set(plan.steps.flatMap((s) => (s.batch === undefined ? [] : [s.batch])))].flatMap(
    (batch) => placing(plan).findLast((s) => s.batch === batch)?.endMs ?? [],
  );

/** Every step that waits for one of the times in bands, held to the slowest of all that was placed before it. */
function heldTo(plan: ChainPlan, warmMs: number) {
  const tempAt = (ms: number) => (ms < warmMs ? 8 : 14);
  const waits = plan.steps.filter((s) => s.waitFor && COLD[s.waitFor.kind] && !s.marks?.begin?.includes('mix-begins'));
  return waits.map((s) => {
    const before = placings(plan).filter((ms) => ms <= s.startMs);
    return { step: s, overMs: Math.max(...before.map((ms) => overAt(s.waitFor!.kind, ms, tempAt))) };
  });
}

test('one bag that is placed over half an hour, warming amid it, waits for its first spot', () => {
  const [, paper, dims] = ORDINARY.find(([id]) => id === 'mortar-patch')!;
  const sheet = inBands(typed(paper, NOW));
  const patch = firstRepair({ job, nowMs: NOW }, methodOf('mortar-patch')!, sheet, { dims });
  const [laid] = placing(planned(patch, sheet));
  expect(laid!.endMs - laid!.startMs).toBeGreaterThan(20 * MIN);
  const warmMs = (laid!.startMs + laid!.endMs) / 2;
  const plan = planned(warmedAt(patch, new Date(warmMs).toISOString()), sheet);
  const [again] = placing(plan);
  const tempAt = (ms: number) => (ms < warmMs ? 8 : 14);
  const [first, last] = [again!.startMs, again!.endMs].map((ms) => overAt('foot', ms, tempAt));
  expect(first! - last!).toBeGreaterThan(60 * MIN);
  const foot = overLast(plan.milestones, 'foot')!;
  expect(foot.planMs!).toBeGreaterThanOrEqual(first! - MIN);
  // A spot laid just before it warms begins later, and is held as long.
  expect(foot.planMs!).toBeLessThanOrEqual(overAt('foot', warmMs - MIN, tempAt) + MIN);
});

test('a window closes by the spot whose hours are shortest, be it the last', () => {
  const [, paper, dims] = ORDINARY.find(([id]) => id === 'mortar-patch')!;
  const sheet = inBands(typed(paper, NOW));
  const until = bands('recoat-until', 'placed', 'base', EDGES, [600, 240, 120]);
  const closing = { ...sheet, milestones: [...sheet.milestones, until] };
  const patch = firstRepair({ job, nowMs: NOW }, methodOf('mortar-patch')!, closing, { dims });
  const [laid] = placing(planned(patch, closing));
  const warmMs = (laid!.startMs + laid!.endMs) / 2;
  const plan = planned(warmedAt(patch, new Date(warmMs).toISOString()), closing);
  const [again] = placing(plan);
  const closes = plan.milestones.find((m) => m.kind === 'recoat-until')!.planMs!;
  expect(closes).toBeLessThanOrEqual(again!.endMs + 240 * MIN + MIN);
  expect(closes).toBeGreaterThan(again!.startMs + 120 * MIN);
});

test('36 rods set while it warms: the wedges and the load wait for the rounds of the cold, not for the last', () => {
  const sheet = inBands(typed(ORDINARY[0]![1], NOW));
  const rods = firstRepair({ job, nowMs: NOW }, methodOf('anchor')!, sheet, {
    over: { void: { ...m16Hole(), count: 36 }, materialC: 15 },
  });
  const cold = planned(rods, sheet);
  const rounds = placings(cold);
  expect(rounds.length).toBeGreaterThan(3);
  const warmMs = (rounds[1]! + rounds[2]!) / 2;
  const plan = planned(warmedAt(rods, new Date(warmMs).toISOString()), sheet);
  const held = heldTo(plan, warmMs);
  expect(held.map((h) => h.step.role)).toEqual(['finish', 'test']);
  for (const { step, overMs } of held) expect(step.startMs).toBeGreaterThanOrEqual(overMs - MIN);
  // It is a matter of hours, and told once for all of them.
  const last = plan.milestones.findLast((m) => m.kind === 'load')!;
  const slowest = overLast(plan.milestones, 'load')!;
  expect(slowest.planMs! - last.planMs!).toBeGreaterThan(60 * MIN);
  const opened = openingsOf(plan).filter((o) => o.kind === 'load');
  expect(opened.map((o) => o.atMs)).toEqual([slowest.planMs]);
  expect(slowest.planMs! - opened[0]!.firstMs!).toBeGreaterThan(60 * MIN);
});

const SEVERAL = ORDINARY.filter(([id, paper]) => methodOf(id) && milestoneOf(typed(paper, NOW), 'use-by'));
test.each(SEVERAL.map((row) => [row[0], row] as const))(
  '%s: whenever it warms, nothing that waits for the bands comes before the slowest of what lies there',
  (id, [, paper, dims, count]) => {
    const sheet = inBands(typed(paper, NOW));
    const first = firstRepair({ job, nowMs: NOW }, methodOf(id)!, sheet, { dims, count, by: 1 });
    const cold = planned(first, sheet);
    const rounds = placings(cold);
    for (const [i, ms] of rounds.entries()) {
      const warmMs = ms + MIN;
      const plan = planned(warmedAt(first, new Date(warmMs).toISOString()), sheet);
      for (const { step, overMs } of heldTo(plan, warmMs))
        expect([id, i, step.id, step.startMs >= overMs - MIN]).toEqual([id, i, step.id, true]);
    }
  },
);

test('what is told of many alike names the slowest of them, and nobody is sent to test before it', () => {
  const sheet = inBands(typed(ORDINARY[0]![1], NOW));
  const rods = firstRepair({ job, nowMs: NOW }, methodOf('anchor')!, sheet, {
    over: { void: { ...m16Hole(), count: 36 }, materialC: 15 },
  });
  const rounds = placings(planned(rods, sheet));
  const repair = warmedAt(rods, new Date((rounds[1]! + rounds[2]!) / 2).toISOString());
  const plan = planned(repair, sheet);
  const loads = plan.milestones.filter((m) => m.kind === 'load');
  const slowest = overLast(loads, 'load')!;
  expect(loads.at(-1)).not.toBe(slowest);
  expect(endsOf(loads)).toEqual([loads[0], slowest, loads.at(-1)]);
  const actuals = { startedAt: NOW, released: null } as unknown as RepairView['actuals'];
  const touched = (ms: number) => touchNow({ plan, actuals }, ms);
  expect(touched(plan.placedMs! - MIN)).toBe('placing');
  expect(touched(loads.at(-1)!.planMs! + MIN)).toBe('leave');
  expect(touched(slowest.planMs!)).toBe('test');
  const view = untouched({ job, repairs: [repair], sheets: [sheet] }, NOW);
  const file = calendarFile(view, plainWords)!.replace(/\r\n /g, '');
  const stamp = (ms: number) => new Date(Math.ceil(ms / MIN) * MIN).toISOString().replace(/[-:]|\.000/g, '');
  expect(file).toContain(`DTSTART:${stamp(slowest.planMs!)}`);
});
