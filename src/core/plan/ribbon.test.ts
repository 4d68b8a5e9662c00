import { sampleData } from '../../sample/jobs';
import { viewJob } from '../record';
import { grownBetween, ribbonsOf, thinned } from '.';

const NOW = Date.UTC(2027, 3, 12, 6);
const plans = sampleData(NOW, 'Europe/Helsinki').bundles.flatMap((b) => viewJob(b, NOW).repairs.map((r) => r.plan));

test('every planned pass has its ribbon, from liquid on, and it never shrinks', () => {
  for (const plan of plans) {
    const ribbons = ribbonsOf(plan);
    expect(ribbons.map((r) => r.passId)).toEqual(plan.passes.filter((p) => p.band.length).map((p) => p.piece.passId));
    for (const { grown, states } of ribbons) {
      expect(grown[0]![1]).toBe(0);
      expect(grown[0]![0]).toBeLessThanOrEqual(states[0]!.fromMs);
      expect(grown.at(-1)![1]).toBe(1);
      for (let i = 1; i < grown.length; i++) {
        expect(grown[i]![0]).toBeGreaterThanOrEqual(grown[i - 1]![0]);
        expect(grown[i]![1]).toBeGreaterThanOrEqual(grown[i - 1]![1]);
      }
    }
  }
});
test('it is full grown when it may be opened by its clock, and grows faster by day than by night', () => {
  const nosing = plans.find((p) => p.repairId === 'sample-nosing')!;
  const [ribbon] = ribbonsOf(nosing);
  const load = nosing.milestones.findLast((m) => m.kind === nosing.serves)!;
  expect(ribbon!.grown.at(-1)![0]).toBe(load.planMs);
  // Per hour around 15:00, the warmest, and around 06:00, the coldest of the second day.
  const day = Math.floor(load.originMs! / 86_400_000) * 86_400_000 + 86_400_000;
  const at = (ms: number) => {
    const i = ribbon!.grown.findIndex(([t]) => t >= ms);
    const [[t0, s0], [t1, s1]] = [ribbon!.grown[i - 1]!, ribbon!.grown[i]!];
    return s0 + ((s1 - s0) * (ms - t0)) / (t1 - t0);
  };
  const H = 3_600_000;
  const rate = (hour: number) => at(day + (hour + 1) * H) - at(day + (hour - 1) * H);
  expect(rate(14)).toBeGreaterThan(rate(4) * 1.3);
});
test('a window on a pass is open from when the next may go on it until it may no longer', () => {
  const fitting = ribbonsOf(plans.find((p) => p.repairId === 'sample-fitting')!);
  expect(fitting.map((r) => r.name)).toEqual(['Tack', 'Build', 'Fair', 'Barrier']);
  const [tack, build, fair, barrier] = fitting.map((r) => r.window);
  for (const w of [tack, build]) expect(w!.untilMs).toBeGreaterThan(w!.fromMs);
  // After full set there is no end to it, and nothing goes on the last.
  expect([fair, barrier]).toEqual([null, null]);
  const plan = plans.find((p) => p.repairId === 'sample-fitting')!;
  const first = plan.steps.find((s) => s.passId === 'p2')!;
  expect(first.startMs).toBeGreaterThanOrEqual(tack!.fromMs);
  expect(first.startMs).toBeLessThan(tack!.untilMs);
});
test('what is ground after it, and not for ever, has its opening too: hard, but not yet as glass', () => {
  const crack = plans.find((p) => p.repairId === 'sample-crack')!;
  const [ribbon] = ribbonsOf(crack);
  const grind = crack.steps.find((s) => s.key.task === 'finish:grind')!;
  const at = (kind: string) => crack.milestones.find((m) => m.kind === kind)!.planMs!;
  expect(ribbon!.window).toEqual({ fromMs: at('sandable'), untilMs: grind.dueMs, of: grind.title });
  expect(grind.startMs).toBeGreaterThanOrEqual(ribbon!.window!.fromMs);
  expect(grind.endMs).toBeLessThanOrEqual(ribbon!.window!.untilMs);
  // A mortar patch that is struck and left has none; nor has what the sheet sets no end to.
  for (const id of ['sample-nosing', 'sample-plate'])
    expect(ribbonsOf(plans.find((p) => p.repairId === id)!).map((r) => r.window)).toEqual([null]);
});
test('stretches of a ribbon laid side by side are the whole ribbon, with no gap and no step between them', () => {
  for (const plan of plans)
    for (const { grown, states } of ribbonsOf(plan)) {
      const stretches = states.map((s) => grownBetween(grown, s.fromMs, s.toMs));
      for (const [i, stretch] of stretches.entries()) {
        expect([stretch[0]![0], stretch.at(-1)![0]]).toEqual([states[i]!.fromMs, states[i]!.toMs]);
        const next = stretches[i + 1];
        if (next) expect(next[0]).toEqual(stretch.at(-1));
      }
      // Every point between is there once.
      const inside = stretches.flatMap((s) => s.slice(1, -1));
      const ends = new Set(states.flatMap((s) => [s.fromMs, s.toMs]));
      const [from, to] = [states[0]!.fromMs, states.at(-1)!.toMs];
      expect(inside).toEqual(grown.filter(([ms]) => ms > from && ms < to && !ends.has(ms)));
    }
  expect(
    grownBetween(
      [
        [0, 0],
        [100, 1],
      ],
      25,
      50,
    ),
  ).toEqual([
    [25, 0.25],
    [50, 0.5],
  ]);
});
test('a ribbon by fewer points keeps its ends and never strays by more than it grows between two of them', () => {
  const apart = 2 * 3_600_000;
  for (const plan of plans)
    for (const { grown } of ribbonsOf(plan)) {
      const few = thinned(grown, apart);
      expect([few[0], few.at(-1)]).toEqual([grown[0], grown.at(-1)]);
      for (const point of few) expect(grown).toContainEqual(point);
      for (let i = 1; i < few.length - 1; i++) expect(few[i]![0] - few[i - 1]![0]).toBeGreaterThanOrEqual(apart);
      for (const [ms, share] of grown) {
        const [, drawn] = grownBetween(few, ms, ms)[0]!;
        const after = few.findIndex(([t]) => t >= ms);
        const step = after > 0 ? few[after]![1] - few[after - 1]![1] : 0;
        expect(Math.abs(drawn - share)).toBeLessThanOrEqual(step + 1e-12);
      }
    }
  expect(thinned([[5, 0]], 10)).toEqual([[5, 0]]);
});
