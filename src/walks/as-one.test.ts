import { methodOf } from '@/core/method';
import { type Job, joined, passKey, pieceOf, type Repair, withPiece } from '@/core/plan';
import { asOne } from '@/core/plan/as-one';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, drawnShape, ZONE } from './made';
import { typed } from './papers';
import { Technician } from './technician';

const NOW = at('2027-05-10T06:20');
const job: Job = { ...freshJob(NOW), zone: ZONE, climate: { kind: 'constant', tempC: 15, humidityPct: 60 } };
const kits = typed(
  ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 12 kg', 'use-by 40 min, foot 12 h, load 24 h', { cByWeight: '8' }],
  NOW,
);

function spall(n: number, over: object = {}, sheet: SheetRevision = kits): Repair {
  const method = methodOf('mortar-patch')!;
  const fresh = freshRepair(job.id, method.id, n, NOW);
  const shape = drawnShape(method, {
    'outline.length': 300 + 20 * n,
    'outline.width': 200 + 10 * n,
    'depth.mean': 25 + (n % 4) * 5,
  });
  const piece = {
    ...pieceOf(fresh),
    void: voidOf(shape),
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    reserve: false,
    ...over,
  };
  return { ...withPiece(fresh, piece), id: `s${n}`, name: `S${n}` };
}
const row = (n: number, over: object = {}) => Array.from({ length: n }, (_, i) => spall(i + 1, over));

const askOf = (repairs: readonly Repair[]) => {
  const view = viewJob({ job, repairs, sheets: [kits], stock: [], events: [] }, NOW);
  const actuals = new Map(view.repairs.flatMap((r) => r.passes).map((p) => [passKey(p.repair), p.actuals]));
  return { job, repairs, sheets: [kits], stock: [], actuals, nowMs: NOW };
};

test('twelve like spalls: what they take each by itself and as one, by whole plans of both', () => {
  const repairs = row(12);
  const [offer, ...others] = asOne(askOf(repairs));
  expect(others).toEqual([]);
  expect(offer!.ids).toEqual(repairs.map((r) => r.id));
  expect([offer!.each.mixes, offer!.one.mixes, offer!.each.kits, offer!.one.kits]).toEqual([12, 8, 13, 8]);
  expect(offer!.one.handsMin).toBeLessThan(0.6 * offer!.each.handsMin);
  expect(offer!.one.openMs!).toBeLessThan(offer!.each.openMs!);

  // The same figures as of the job in which they are one.
  const made = joined(repairs, () => false);
  if ('why' in made) throw new Error('not one');
  const view = viewJob({ job, repairs: [made.repair], sheets: [kits], stock: [], events: [] }, NOW);
  const [plan] = view.plan.repairs;
  expect(offer!.one.openMs).toBe(plan!.openMs);
  expect(offer!.one.mixes).toBe(plan!.passes.flatMap((p) => p.batches).length);
  expect(offer!.one.kits).toBe(view.plan.kits()[0]!.kits.set.total.reduce((a, b) => a + b, 0));
});

test('those that are unlike are parted: what is on a wall, or has more hands, is not among the others', () => {
  const repairs = [
    ...row(3),
    spall(4, { orientation: 'wall' }),
    spall(5, { orientation: 'wall' }),
    spall(6, { crew: 2 }),
  ];
  expect(asOne(askOf(repairs)).map((o) => o.ids)).toEqual([
    ['s1', 's2', 's3'],
    ['s4', 's5'],
  ]);
});

test('one alone, one that is begun, and one that is not measured are not offered', () => {
  expect(asOne(askOf(row(1)))).toEqual([]);
  const repairs = [...row(2), spall(3, { void: null })];
  expect(asOne(askOf(repairs)).map((o) => o.ids)).toEqual([['s1', 's2']]);
  // The first of three is being sawn: it is not taken from under whoever does it.
  const technician = new Technician({ job, repairs: row(3), sheets: [kits], stock: [], events: [] }, NOW);
  technician.does(technician.ahead()[0]!);
  const { repairs: views } = technician.view();
  const actuals = new Map(views.flatMap((r) => r.passes).map((p) => [passKey(p.repair), p.actuals]));
  expect(views.map((r) => r.actuals.startedAt !== null)).toEqual([true, false, false]);
  const ask = { job, repairs: row(3), sheets: [kits], stock: [], actuals, nowMs: technician.nowMs };
  expect(asOne(ask).map((o) => o.ids)).toEqual([['s2', 's3']]);
});
