import { bestOrder, type JobAsk, passKey, pieceOf, planJob, type Repair, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import { methodsData, sampleData } from '@/sample/jobs';
import { at, ZONE } from './made';

const NOW = at('2026-05-05T07:00');
const MIN = 60_000;
const bundles = [sampleData, methodsData].flatMap((of) => of(NOW, ZONE).bundles);
const askOf = (b: (typeof bundles)[number], repairs: readonly Repair[] = b.repairs): JobAsk => ({
  job: b.job,
  repairs,
  sheets: b.sheets,
  stock: [],
  actuals: new Map(),
  nowMs: NOW,
});
const openOf = (ask: JobAsk, order: readonly string[]): number => {
  const repairs = ask.repairs.map((r) => ({ ...r, order: order.indexOf(r.id) }));
  return Math.max(...planJob({ ...ask, repairs }).repairs.flatMap((p) => (p.openMs === null ? [] : [p.openMs])));
};
const permuted = (ids: readonly string[]): readonly (readonly string[])[] =>
  ids.length < 2 ? [ids] : ids.flatMap((id) => permuted(ids.filter((x) => x !== id)).map((rest) => [id, ...rest]));

const several = bundles.filter((b) => b.repairs.length > 1 && b.repairs.length <= 5);

test.each(several.map((b) => [b.job.name, b] as const))('%s: no order is better than the one found', (_, b) => {
  const ask = askOf(b);
  const found = bestOrder(ask)!;
  expect([...found.order].sort()).toEqual(b.repairs.map((r) => r.id).sort());
  expect(openOf(ask, found.order)).toBe(found.openMs);
  const ids = b.repairs.map((r) => r.id);
  // One after the other, by hand.
  const orders = ids.length > 4 ? permuted(ids).filter((_, i) => i % 7 === 0) : permuted(ids);
  for (const order of orders) expect(openOf(ask, order)).toBeGreaterThan(found.openMs - 1.5 * MIN);
  expect(found.openMs).toBeLessThanOrEqual(found.asIsMs);
  expect(found.exact).toBe(true);
  expect(found.boundMs).toBeLessThanOrEqual(found.openMs + 3 * MIN);
});

test('what sets longest comes first: rods that are drilled all day no longer hold up the mortar', () => {
  const ramp = bundles.find((b) => b.job.id === 'sample-ramp')!;
  const [nosing, eyes] = ramp.repairs as [Repair, Repair];
  const many = { ...pieceOf(eyes).void!, count: 40 };
  // The rods first, by their order.
  const rods = { ...withPiece(eyes, { ...pieceOf(eyes), void: many }), order: 0 };
  const ask = askOf(ramp, [rods, { ...nosing, order: 1 }]);
  const found = bestOrder(ask)!;
  expect(found.order).toEqual([nosing.id, rods.id]);
  expect(found.asIsMs - found.openMs).toBeGreaterThan(60 * MIN);
  // Taken, there is nothing left to gain.
  const taken = askOf(ramp, [
    { ...rods, order: 1 },
    { ...nosing, order: 0 },
  ]);
  expect(bestOrder(taken)).toMatchObject({ order: found.order, openMs: found.openMs, asIsMs: found.openMs });
});

test('of many repairs one is moved at a time, never to a worse order, and what could be gained at most is told', () => {
  const bench = bundles.reduce((most, b) => (b.repairs.length > most.repairs.length ? b : most));
  expect(bench.repairs.length).toBeGreaterThan(5);
  const first = bench.repairs.slice(0, 6);
  const found = bestOrder(askOf(bench, first))!;
  expect(found.tried).toBeLessThanOrEqual(241);
  expect(found.openMs).toBeLessThanOrEqual(found.asIsMs);
  expect(found.boundMs).toBeLessThanOrEqual(found.openMs + 3 * MIN);
  expect(openOf(askOf(bench, first), found.order)).toBe(found.openMs);
  // Drawn orders are none the better.
  let state = 5;
  const draw = () => {
    state = (state * 1_103_515_245 + 12_345) % 2 ** 31;
    return state / 2 ** 31;
  };
  for (let n = 0; n < 12; n++) {
    const order = first
      .map((r) => [draw(), r.id] as const)
      .sort((a, b) => a[0] - b[0])
      .map(([, id]) => id);
    expect(openOf(askOf(bench, first), order)).toBeGreaterThan(found.openMs - 30 * MIN);
  }
});

test('what has begun stays where it stands; alone, or with nothing that opens, there is nothing to order', () => {
  const winch = bundles.find((b) => b.job.id === 'sample-winch')!;
  const ramp = bundles.find((b) => b.job.id === 'sample-ramp')!;
  expect(bestOrder(askOf(ramp, [ramp.repairs[0]!]))).toBeNull();
  expect(bestOrder(askOf(ramp, []))).toBeNull();
  const unmeasured = ramp.repairs.map((r) => withPiece(r, { ...pieceOf(r), void: null }));
  expect(bestOrder(askOf(ramp, unmeasured))).toBeNull();
  // Of one begun and one not there is one free to move.
  const other = { ...winch.repairs[0]!, id: 'other', order: 9 };
  const running = viewJob({ ...winch, repairs: [...winch.repairs, other] }, NOW);
  const told = new Map(running.repairs.flatMap((r) => r.passes).map((p) => [passKey(p.repair), p.actuals]));
  expect(bestOrder({ ...askOf(winch, [...winch.repairs, other]), actuals: told })).toBeNull();
});
