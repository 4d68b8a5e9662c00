import { methodOf } from '@/core/method';
import { pieceOf, type Repair, withPiece } from '@/core/plan';
import { type Bundle, idleMixer, pickList, viewJob } from '@/core/record';
import { voidOf } from '@/core/void';
import { sampleData } from '@/sample/jobs';
import { plainWords } from '@/words';
import { at, drawnShape, ZONE } from './made';
import { Technician } from './technician';

/**
 * A mixer lives by pauses, not by repairs: four posts that are filled one after the other take the mixers that one
 * repair of all their holes takes.
 */
const NOW = at('2026-05-05T07:00');
const MIN = 60_000;
const ramp = sampleData(NOW, ZONE).bundles.find((b) => b.job.id === 'sample-ramp')!;
const eyes = ramp.repairs[1]!;
const HOLES = pieceOf(eyes).void!.count;
const POSTS = 4;

const post = (i: number, over: Partial<ReturnType<typeof pieceOf>> = {}): Repair => ({
  ...withPiece(eyes, { ...pieceOf(eyes), ...over }),
  id: `post-${i}`,
  name: `Post ${i + 1}`,
  order: i,
});
const jobOf = (repairs: readonly Repair[], over: Partial<Bundle> = {}): Bundle => ({
  ...ramp,
  repairs: [...repairs],
  events: [],
  snapshots: [],
  ...over,
});
const posts = jobOf([...Array(POSTS).keys()].map((i) => post(i)));
/** A post of a single hole: more is thrown away than goes in. */
const small = (i: number): Repair => post(i, { void: { ...pieceOf(eyes).void!, count: 1 } });
const planned = (bundle: Bundle, nowMs = NOW) => viewJob(bundle, nowMs).repairs.map((r) => r.passes[0]!);
const mixersOf = (bundle: Bundle) => planned(bundle).map(({ plan }) => plan.batches.reduce((n, b) => n + b.mixers, 0));
const lostMl = (bundle: Bundle) =>
  planned(bundle).reduce((ml, { plan }) => ml + plan.mix!.lines.reduce((s, l) => s + (l.perMixer ? l.ml : 0), 0), 0);

test('the first post takes a mixer, the next go on with it, and no more is lost than in one repair', () => {
  const all = jobOf([post(0, { void: { ...pieceOf(eyes).void!, count: POSTS * HOLES } })]);
  expect(mixersOf(all)).toEqual([1]);
  expect(mixersOf(posts)).toEqual([1, 0, 0, 0]);
  expect(lostMl(posts)).toBeCloseTo(lostMl(all), 9);
  expect(lostMl(posts)).toBeGreaterThan(10);
  // Of what is lost with it the first is not told as of a waste of its own; by itself it is.
  const told = (b: Bundle) => planned(b)[0]!.findings.some((f) => f.id === 'lost');
  expect([told(jobOf([small(0)])), told(jobOf([small(0), small(1)]))]).toEqual([true, false]);
  // What is placed is the same, hole for hole.
  const placed = (b: Bundle) =>
    planned(b).reduce((ml, { plan }) => ml + plan.batches.reduce((s, x) => s + x.placedMl, 0), 0);
  expect(placed(posts)).toBeCloseTo(placed(all), 6);
});

test('no step puts a fresh mixer on where one goes on, it is said why, and the pick list counts the one', () => {
  const [first, ...others] = planned(posts);
  const fresh = (p: typeof first) => p!.plan.steps.filter((s) => s.id.endsWith(':purge')).length;
  expect([fresh(first), ...others.map(fresh)]).toEqual([1, 0, 0, 0]);
  expect(first!.findings.some((f) => f.id === 'mixer-on')).toBe(false);
  for (const p of others) expect(p.findings.filter((f) => f.id === 'mixer-on')).toHaveLength(1);
  const picked = pickList(viewJob(posts, NOW)).consumables.map((l) => [plainWords(l.what), l.quantity]);
  expect(picked).toContainEqual(['static mixers', 2]);
  const [, second] = planned(posts);
  expect(second!.plan.context!.mixerOn).toMatchObject({ repairId: 'post-0', name: 'Post 1' });
  // Every pause between two posts is one the resin bears.
  for (const [i, p] of others.entries()) {
    const from = p.plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!.startMs;
    const before = (i ? others[i - 1]! : first!).plan.steps.findLast((s) => s.marks?.begin?.includes('mix-begins'))!;
    expect(from).toBeGreaterThanOrEqual(before.endMs);
    expect(from - before.endMs).toBeLessThan(p.plan.usableMin! * MIN);
  }
});

test.each([
  ['another system', (r: Repair) => withPiece(r, { ...pieceOf(r), sheetId: 'none' })],
  ['an hour of its own that is sooner', (r: Repair) => ({ ...r, plannedStart: ramp.job.startFrom - 24 * 60 * MIN })],
  ['an hour of its own that is later', (r: Repair) => ({ ...r, plannedStart: ramp.job.startFrom + 9 * 60 * MIN })],
  [
    'holes so deep that they want a tube',
    (r: Repair) => {
      const deep = { ...voidOf(drawnShape(methodOf('anchor')!, { holeDiameter: 16, holeDepth: 700 })), count: HOLES };
      return withPiece(r, { ...pieceOf(r), void: deep });
    },
  ],
])('not with %s', (_, change) => {
  const two = jobOf([post(0), change(post(1)) as Repair]);
  const [, second] = planned(two);
  expect(second!.plan.context?.mixerOn ?? null).toBeNull();
  expect(second!.findings.some((f) => f.id === 'mixer-on')).toBe(false);
});

/** Works the posts up to the last hole of the first one. */
function firstFilled(): Technician {
  const technician = new Technician(posts, NOW);
  for (;;) {
    const [next] = technician.ahead();
    if (next!.repairId === 'post-0' && next!.role === 'hold') return technician;
    technician.does(next!);
  }
}

test('who goes on at once sees how long it stays good; who lingers begins with a fresh one', () => {
  const technician = firstFilled();
  const second = () => technician.view().repairs.find((r) => r.repair.id === 'post-1')!.passes[0]!;
  const pressedMs = technician.nowMs;
  const life = idleMixer(second(), pressedMs)!;
  technician.does(technician.ahead()[0]!);
  expect(life).toBeGreaterThan(MIN);
  expect(idleMixer(second(), pressedMs + MIN)).toBeCloseTo(life - MIN, -1);
  technician.nowMs = pressedMs + life - MIN / 2;
  expect(second().plan.batches[0]!.mixers).toBe(0);
  technician.nowMs = pressedMs + life + MIN;
  expect(second().plan.batches[0]!.mixers).toBe(1);
  expect(second().plan.steps.find((s) => s.id.endsWith(':purge'))!.doneAt).toBeNull();
});

test('a post that was begun out of the mixer of the one before stays so, whatever the hour', () => {
  const technician = firstFilled();
  for (;;) {
    const [next] = technician.ahead();
    technician.does(next!);
    if (next!.repairId === 'post-1' && next!.role === 'place') break;
  }
  const second = () => technician.view().repairs.find((r) => r.repair.id === 'post-1')!.passes[0]!.plan;
  const was = second().batches.map((b) => [b.ml, b.mixers]);
  expect(was[0]![1]).toBe(0);
  technician.nowMs += 3 * 60 * MIN;
  expect(second().batches.map((b) => [b.ml, b.mixers])).toEqual(was);
  expect(second().steps.some((s) => s.id.endsWith('b1:purge'))).toBe(false);
});
