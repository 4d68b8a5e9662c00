import { say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { mortarSheet } from '../../sample/systems';
import { methodOf } from '../method';
import { measured, SHAPES, type VoidShape, voidOf } from '../void';
import { type Job, joined, type Piece, pieceOf, planJob, Repair, repairOf, withNext } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const job: Job = { ...bundles[0]!.job, climate: { kind: 'constant', tempC: 18, humidityPct: 55 }, wantedAt: null };
const nosing = pieceOf(bundles[0]!.repairs[0]!);
const spall = (lengthMm: number): VoidShape =>
  ({
    ...SHAPES.patch.blank(),
    outline: { kind: 'rectangle', length: measured(lengthMm), width: measured(300) },
    depth: { kind: 'mean', mean: measured(20, 'gauge') },
  }) as VoidShape;
/** Spalls of 300 mm by so much, 20 mm deep, from one kit of about six litres. */
const kit = { ...mortarSheet.kits[0]!, id: 'pail', massG: { A: 1900, B: 760, C: 10_600, D: null }, yieldMl: 6290 };
const sheet = { ...mortarSheet, kits: [kit] };
const at = (id: string, order: number, lengthMm: number, over: Partial<Piece> = {}): Repair =>
  repairOf({
    ...nosing,
    id,
    order,
    name: id,
    kitId: 'pail',
    settings: {},
    schools: {},
    crew: 2,
    void: voidOf(spall(lengthMm)),
    ...over,
  });
const nobody = () => false;
const plan = (repairs: readonly Repair[]) =>
  planJob({ job, repairs, sheets: [sheet], stock: [], actuals: new Map(), nowMs: NOW });
const asOne = (repairs: readonly Repair[], begun = nobody as (id: string) => boolean): Repair => {
  const made = joined(repairs, begun);
  if ('why' in made) throw new Error(say(made.why, { system: 'metric', zone: 'utc', language: 'en' }));
  return made.repair;
};
const whyNot = (repairs: readonly Repair[], begun = nobody as (id: string) => boolean): string => {
  const made = joined(repairs, begun);
  return 'why' in made ? say(made.why, { system: 'metric', zone: 'utc', language: 'en' }) : 'they are one';
};

const four = [at('North', 1, 300), at('East', 2, 380), at('South', 3, 360), at('West', 4, 320)];

test('four spalls, a kit opened for each: as one repair they take what was told they would', () => {
  const [apart] = plan(four).kits();
  const { together } = apart!;
  const one = plan([asOne(four)]);
  const [kits] = one.kits();
  const count = (n: readonly number[]) => n.reduce((a, b) => a + b, 0);
  expect(count(apart!.kits.set.total)).toBe(4);
  expect(count(kits!.kits.set.total)).toBe(2);
  expect(count(together!.kits.set.total)).toBe(2);
  // Nothing of what is filled went lost, and all is placed the same day.
  const net = (p: ReturnType<typeof plan>) => p.repairs.reduce((s, r) => s + r.void!.nominalMl, 0);
  expect(net(one)).toBeCloseTo(net(plan(four)), 6);
  expect(one.repairs[0]!.problems).toEqual([]);
  expect(one.repairs[0]!.placedMs! - one.repairs[0]!.steps[0]!.startMs).toBeLessThan(12 * 3_600_000);
});

test('it keeps the identity of the first, and the names, places and reviews of all', () => {
  const review = { class: 'review' as const, why: 'carries the gate' };
  const one = asOne([at('South', 3, 360, { place: 'pier', safety: review }), at('North', 1, 300, { place: 'ramp' })]);
  expect([one.id, one.order, one.name, one.place, one.safety]).toEqual([
    'North',
    1,
    'North + South',
    'ramp + pier',
    review,
  ]);
  expect(Repair.safeParse(one).success).toBe(true);
});

test('spalls of one size stay like voids; those of several are counted each by itself', () => {
  const voidOfOne = (r: Repair) => pieceOf(r).void!;
  const like = (id: string, order: number, count: number): Repair =>
    at(id, order, 300, { void: { ...voidOf(spall(300)), count } });
  expect(voidOfOne(asOne([like('a', 1, 2), like('b', 2, 3)]))).toMatchObject({ count: 5, shapes: [spall(300)] });
  const mixed = voidOfOne(asOne([like('a', 1, 2), at('c', 2, 400)]));
  expect([mixed.count, mixed.shapes]).toEqual([1, [spall(300), spall(300), spall(400)]]);
});

test('answers that do not contradict each other are kept together', () => {
  const [one, other] = [at('a', 1, 300, { answers: { sound: 'yes' } }), at('b', 2, 320, { answers: { water: 'no' } })];
  expect(asOne([one, other]).answers).toEqual({ sound: 'yes', water: 'no' });
});

test.each([
  ['one alone', [at('a', 1, 300)], /Only one/],
  [
    'another base',
    [at('a', 1, 300), at('b', 2, 300, { base: { ...nosing.base, thicknessMm: 40 } })],
    /not alike: the base/,
  ],
  [
    'two things',
    [at('a', 1, 300), at('b', 2, 300, { orientation: 'wall', crew: 1 })],
    /floor, wall or overhead and the tools at hand/,
  ],
  [
    'answers against each other',
    [at('a', 1, 300, { answers: { sound: 'yes' } }), at('b', 2, 300, { answers: { sound: 'no' } })],
    /answers of the inspection/,
  ],
  ['no void', [at('a', 1, 300), at('b', 2, 300, { void: null })], /“b” has no void/],
  ['a chain', [at('a', 1, 300), withNext(at('b', 2, 300), methodOf('mortar-patch')!)], /“b” is a chain/],
  [
    'variants',
    [
      at('a', 1, 300),
      at('b', 2, 300, {
        void: { ...voidOf(spall(300)), count: 3, variants: [{ count: 1, key: 'shapes.0.depth.mean', byMm: 5 }] },
      }),
    ],
    /like voids of “b” differ/,
  ],
  ['too many shapes', Array.from({ length: 61 }, (_, i) => at(`n${i}`, i, 300 + i)), /more than 60 shapes/],
] as const)('%s: said, and nothing is made', (_, repairs, why) => {
  expect(whyNot(repairs)).toMatch(why);
});

test('work that has begun is not joined to anything', () => {
  expect(whyNot(four, (id) => id === 'South')).toBe('Work on “South” has begun.');
});
