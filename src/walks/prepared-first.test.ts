import { methodOf } from '@/core/method';
import { pieceOf, type Repair, startsAskOf, startWindows, withPiece } from '@/core/plan';
import { type Bundle, viewJob } from '@/core/record';
import { voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, drawnShape, ZONE } from './made';
import { type Paper, typed } from './papers';
import { Technician } from './technician';

/** A patch, a crack and four rods in one floor, by three sheets as they are typed, everything else left as it comes. */
const NOW = at('2027-05-10T08:20');
const MIN = 60_000;
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  climate: { kind: 'constant' as const, tempC: 15, humidityPct: 60 },
};
const sheetOf = (paper: Paper) => typed(paper, NOW);
const mortar = sheetOf([
  'mortar-kit',
  '2:1 by weight',
  '2 kg, 1 kg, 12 kg',
  'use-by 10 C: 60 min\n20 C: 35 min, foot 10 C: 24 h\n20 C: 12 h, load 10 C: 3 d\n20 C: 1 d',
  { cByWeight: '8' },
]);
const resin = sheetOf(['liquid-resin', '4:1 by weight', '4 kg, 1 kg', 'use-by 20 C: 30 min, load 20 C: 24 h']);
const packs = sheetOf([
  'anchor-pack',
  '10:1 by volume',
  '300 mL, 30 mL',
  'use-by 10 C: 15 min\n20 C: 6 min, load 10 C: 2 h\n20 C: 45 min',
]);

let order = 0;
const repair = (name: string, method: string, sheet: typeof mortar, dims = {}, count = 1, place = ''): Repair => {
  const m = methodOf(method)!;
  const fresh = freshRepair(job.id, method, ++order, NOW);
  const piece = {
    ...pieceOf(fresh),
    place,
    void: { ...voidOf(drawnShape(m, dims)), count },
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(m.questions.map((q) => [q.id, q.wants])),
  };
  return { ...withPiece(fresh, piece), id: name, name };
};
const HOLE = { holeDiameter: 14, holeDepth: 110 };
const PATCH = { 'outline.length': 400, 'outline.width': 300, 'depth.mean': 30 };
const patch = (place = '', dims = PATCH) => repair('patch', 'mortar-patch', mortar, dims, 1, place);
const crack = (place = '') => repair('crack', 'poured-crack', resin, {}, 1, place);
const rods = (place = '', count = 4, name = 'rods') => repair(name, 'anchor', packs, HOLE, count, place);

const jobOf = (...repairs: Repair[]): Bundle => ({
  job,
  repairs,
  sheets: [mortar, resin, packs],
  stock: [],
  events: [],
  snapshots: [],
});
const stepsOf = (bundle: Bundle) => new Technician(bundle, NOW).ahead();
/** What is thrown about once the first of a job was placed, by repair. */
const dustAfter = (bundle: Bundle): readonly string[] => {
  const steps = stepsOf(bundle);
  const placed = steps.find((s) => s.role === 'place')!;
  return [
    ...new Set(steps.filter((s) => s.throws && s.block === 'prep' && s.startMs >= placed.endMs).map((s) => s.repairId)),
  ];
};
const found = (bundle: Bundle, id: string) =>
  viewJob(bundle, NOW).repairs.flatMap((r) => r.findings.filter((f) => f.id === id));

test('a patch, a crack and rods at one place: all is sawn, opened and drilled before the first is mixed', () => {
  const floor = jobOf(patch(), crack(), rods());
  expect(dustAfter(floor)).toEqual([]);
  expect(found(floor, 'beside')).toEqual([]);
  // They are still placed in their order.
  const placed = stepsOf(floor).filter((s) => s.marks?.end?.includes('placed'));
  expect([...new Set(placed.map((s) => s.repairId))]).toEqual(['patch', 'crack', 'rods']);
});

test('at places of their own each is done by itself, and no dust is told', () => {
  const apart = jobOf(patch('North bay'), crack('South bay'), rods('Landing'));
  expect(dustAfter(apart)).toEqual(['crack', 'rods']);
  expect(found(apart, 'beside')).toEqual([]);
});

test('beside a face that never lies open nothing has to be sooner', () => {
  // Rods first: what is in a hole bears dust.
  expect(dustAfter(jobOf(rods(), patch()))).toEqual(['patch']);
});

test('where preparing takes more than half a day each keeps its turn, and the dust beside it is told', () => {
  const long = jobOf(patch(), rods('', 60));
  expect(dustAfter(long)).toEqual(['rods']);
  const [told] = found(long, 'beside');
  expect(told!.severity).toBe('caution');
  expect(told!.ways!.length).toBeGreaterThan(0);
});

test('a start of its own stands, and so does a face that would be stale', () => {
  const later = { ...rods(), plannedStart: NOW + 26 * 60 * MIN };
  expect(dustAfter(jobOf(patch(), later))).toEqual(['rods']);
});

test('a sheet that prints no more than when it may be walked on is not taken for one that sets at once', () => {
  const foot = viewJob(jobOf(patch('Bay')), NOW).repairs[0]!.plan.milestones.find((m) => m.kind === 'foot')!;
  const long = jobOf(patch('Bay'), rods('Bay', 60));
  const [told] = found(long, 'beside');
  expect(told).toBeDefined();
  // Begun once that has set, nothing is beside it.
  const way = told!.ways![0] as unknown as { readonly set: { readonly value: number } };
  expect(way.set.value).toBeGreaterThan(foot.planMs! - 4 * 60 * MIN);
  const moved = jobOf(long.repairs[0]!, { ...long.repairs[1]!, plannedStart: way.set.value });
  expect(found(moved, 'beside')).toEqual([]);
});

test('the order holds while it is worked: what was drilled does not bring the mixing forward', () => {
  const technician = new Technician(jobOf(patch(), crack(), rods(), rods('', 2, 'more rods')), NOW);
  const planned = technician.ahead().map((s) => s.path);
  for (const path of planned) {
    const [next] = technician.ahead();
    expect(next!.path).toBe(path);
    technician.does(next!);
  }
});

test('the strip of starts says of the planned hour what the plan says, though it was prepared long before', () => {
  const three = jobOf(rods('', 4, 'one'), rods('', 4, 'two'), rods('', 4, 'three'));
  const view = viewJob(three, NOW);
  let apart = 0;
  for (const { plan } of view.repairs) {
    const ask = startsAskOf(plan, view.job, view.plan.windows, NOW)!;
    const mix = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!;
    const prepared = plan.steps.filter((s) => s.block === 'prep').at(-1)!;
    if (mix.startMs - prepared.endMs > 10 * MIN) apart++;
    const starts = startWindows(ask);
    const i = Math.round((mix.startMs - ask.fromMs) / (10 * MIN));
    expect(starts.readyMs[i]! / MIN).toBeCloseTo(plan.openMs! / MIN, 0);
  }
  expect(apart).toBeGreaterThan(1);
});
