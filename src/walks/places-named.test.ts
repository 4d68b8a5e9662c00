import { methodOf } from '@/core/method';
import {
  FIRST_PASS,
  groundsOf,
  type Job,
  joined,
  likePlaces,
  pieceOf,
  type Repair,
  theseAnew,
  usuallyAnew,
  withPiece,
} from '@/core/plan';
import { type Event, eventSaid, viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, placesIn, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, drawnShape, ZONE } from './made';
import { dosed, typed } from './papers';
import { Technician } from './technician';

const NOW = at('2027-05-10T06:20');
const job: Job = { ...freshJob(NOW), zone: ZONE, climate: { kind: 'constant', tempC: 15, humidityPct: 60 } };

type Size = readonly [name: string, length: number, width: number, depth: number, count?: number];

/** Like damages of unlike size, each a repair of its own as a list has them. */
const apart = (methodId: string, sheet: SheetRevision, sizes: readonly Size[], over: object = {}): readonly Repair[] =>
  sizes.map(([name, length, width, depth, count = 1], i) => {
    const method = methodOf(methodId)!;
    const fresh = freshRepair(job.id, method.id, i + 1, NOW);
    const shape = drawnShape(method, { 'outline.length': length, 'outline.width': width, 'depth.mean': depth });
    const piece = {
      ...pieceOf(fresh),
      void: { ...voidOf(shape), count },
      sheetId: sheet.id,
      kitId: sheet.kits[0]!.id,
      answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
      reserve: false,
      ...over,
    };
    return { ...withPiece(fresh, piece), id: `r${i}`, name };
  });

/** All of them as one. */
function asOne(repairs: readonly Repair[]): Repair {
  const made = joined(repairs, () => false);
  if ('why' in made) throw new Error(JSON.stringify(made.why));
  return made.repair;
}

const viewOf = (sheet: SheetRevision, ...repairs: readonly Repair[]) =>
  viewJob({ job, repairs, sheets: [sheet], stock: [], events: [] }, NOW);
const planOf = (sheet: SheetRevision, repair: Repair) => viewOf(sheet, repair).repairs[0]!.passes[0]!.plan;
/** What the steps of placing say of where each mix goes. */
const forWhich = (plan: ReturnType<typeof planOf>) =>
  plan.steps
    .filter((s) => s.marks?.end?.includes('placed'))
    .map((s) => /This mix is for (.*)\.$/.exec(say(s.detail, PLAIN_READER))?.[1] ?? null);

const filler = typed(
  [
    'polyester-filler',
    '',
    '1 kg, 30 g',
    'use-by 10 C: 10 min\n20 C: 5 min, sandable 10 C: 50 min\n20 C: 22 min',
    dosed(1, 2, 3),
  ],
  NOW,
);
const bags = typed(
  [
    'cement-water',
    '',
    '25 kg, 3.5 kg',
    'use-by 10 C: 40 min\n20 C: 20 min, next-lift 3 h, foot 10 C: 10 h\n20 C: 4 h',
    dosed(12, 13, 14),
  ],
  NOW,
);
const DOOR: readonly Size[] = [
  ['D1', 120, 80, 3],
  ['D2', 60, 60, 2],
  ['D3', 200, 120, 4],
  ['D4', 90, 70, 3],
  ['D5', 150, 100, 3],
];

test('dents of unlike size out of few mixes: each goes whole into one of them, and each mix says which it is for', () => {
  const plan = planOf(filler, asOne(apart('body-filler', filler, DOOR)));
  // A tight skim over all of them, then two mixes that end at a dent.
  expect(forWhich(plan)).toEqual([null, 'D1, D2, and D3', 'D4 and D5']);
  const built = plan.batches.filter((b) => b.portion === 1);
  expect(built.flatMap((b) => b.covers!.map(({ from, to }) => [from, Math.round(to * 1e6) / 1e6]))).toEqual(
    DOOR.map(() => [0, 1]),
  );
});

test('whole bags end where they end, and say how far that is', () => {
  const spalls: readonly Size[] = [
    ['S1', 320, 210, 30],
    ['S2', 340, 220, 20],
    ['S3', 400, 200, 35],
    ['S4', 150, 150, 25],
    ['S5', 600, 300, 60],
  ];
  const plan = planOf(bags, asOne(apart('cement-patch', bags, spalls)));
  expect(plan.batches.map((b) => b.packs ?? null)).toEqual([1, null]);
  expect(forWhich(plan)).toEqual([expect.stringMatching(/^S1, S2, S3, S4, and S5 \(to \d+ %\)$/), 'the rest of S5']);
  // As far as the bag goes: what it places over what they hold.
  const [first] = plan.batches;
  const held = spalls.map(([, l, w, d]) => (l * w * d) / 1000);
  const all = held.reduce((a, b) => a + b, 0);
  const placed = plan.batches.reduce((sum, b) => sum + b.placedMl, 0);
  const upTo = ((first!.placedMl / placed) * all - (all - held[4]!)) / held[4]!;
  expect(first!.covers!.at(-1)).toMatchObject({ place: 4, to: expect.closeTo(upTo, 2) });
});

test('a shallow place is full in the first lift, and the second is for the deep ones alone', () => {
  const lifts: SheetRevision = { ...bags, limits: { ...bags.limits, liftMaxMm: 25 } };
  const sizes: readonly Size[] = [
    ['shallow', 300, 200, 15],
    ['deep', 300, 200, 45],
    ['deeper', 400, 200, 50],
  ];
  const one = asOne(apart('cement-patch', lifts, sizes));
  const plan = planOf(lifts, one);
  const byLift = [0, 1].map((portion) => plan.batches.filter((b) => b.portion === portion));
  const places = byLift.map((of) => [...new Set(of.flatMap((b) => b.covers!.map((c) => c.place)))]);
  expect(places).toEqual([
    [0, 1, 2],
    [1, 2],
  ]);
  expect(forWhich(plan).at(-1)).toBe('deep and deeper');
  // What lies in the first: all of the shallow one, half of each of the deep ones.
  const first = byLift[0]!.reduce((sum, b) => sum + b.placedMl, 0);
  const second = byLift[1]!.reduce((sum, b) => sum + b.placedMl, 0);
  expect(first / second).toBeCloseTo(
    (300 * 200 * 15 + 300 * 200 * 22.5 + 400 * 200 * 25) / (300 * 200 * 22.5 + 400 * 200 * 25),
    6,
  );
  // The same shapes as one void that they add up to: both lifts go over all of it.
  const { places: _, ...summed } = pieceOf(one).void!;
  const compound = planOf(lifts, withPiece(one, { ...pieceOf(one), void: summed }));
  expect(compound.batches.every((b) => b.covers === undefined)).toBe(true);
});

test('seen from above a mix ends at the place that its step names', () => {
  const lifts: SheetRevision = { ...bags, limits: { ...bags.limits, liftMaxMm: 25 } };
  const sizes: readonly Size[] = [
    ['wide', 900, 700, 20],
    ['deep', 600, 500, 45],
    ['long', 1200, 400, 50],
  ];
  const plan = planOf(lifts, asOne(apart('cement-patch', lifts, sizes)));
  const first = plan.batches.filter((b) => b.portion === 0);
  expect(first.length).toBeGreaterThan(1);
  for (const ground of groundsOf(plan)) {
    const covered = first.flatMap((b) => b.covers!.filter((c) => c.place === ground.place).map(() => b.index));
    expect([ground.place, ground.laid.map((l) => l.batch)]).toEqual([ground.place, covered]);
  }
});

test('cracks are told by their names, and a mix ends where one does', () => {
  const resin = typed(
    ['liquid-resin', '2:1 by volume', '2 L, 1 L', 'use-by 25 min, sandable 6 h, foot 8 h, load 24 h'],
    NOW,
  );
  const method = methodOf('poured-crack')!;
  const cracks = [
    ['C1', 6000, 10, 40],
    ['C2', 4500, 8, 35],
    ['C3', 9000, 12, 40],
  ] as const;
  const repairs = cracks.map(([name, length, width, depth], i) => {
    const fresh = freshRepair(job.id, method.id, i + 1, NOW);
    const sized = { length: measured(length), width: measured(width), depth: measured(depth) };
    const piece = {
      ...pieceOf(fresh),
      void: voidOf({ ...SHAPES.groove.blank(), ...sized } as VoidShape),
      sheetId: resin.id,
      kitId: resin.kits[0]!.id,
      answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    };
    return { ...withPiece(fresh, piece), id: `c${i}`, name };
  });
  const poured = planOf(resin, asOne(repairs)).steps.filter((s) => s.marks?.end?.includes('placed'));
  expect(poured.map((s) => say(s.title, PLAIN_READER))).toEqual([
    'Pour batch 1 of 2, C1 from 0 m to 6 m and C2 from 0 m to 4.5 m: mark where it ends',
    'Pour batch 2 of 2, C3 from 0 m to 9 m: mark where it ends',
  ]);
});

test('like places and unlike ones together: names are kept, like ones are numbered', () => {
  const one = asOne(apart('body-filler', filler, [...DOOR.slice(0, 2), ['sill', 80, 60, 3, 2]]));
  const all = pieceOf(one).void!;
  expect([all.places, all.count, placesIn(all)]).toEqual([['D1', 'D2', 'sill 1', 'sill 2'], 1, 4]);
  // All alike they are so many of one, without names to keep.
  const alike = pieceOf(asOne(apart('body-filler', filler, [DOOR[0]!, DOOR[0]!, DOOR[0]!]))).void!;
  expect([alike.places, alike.count, placesIn(alike)]).toEqual([undefined, 3, 3]);
});

test('one of unlike places is made anew by its name: as much as that one takes, and the record says which', () => {
  const skimmed = asOne(apart('body-filler', filler, DOOR, { settings: { skim: 0 } }));
  const technician = new Technician({ job, repairs: [skimmed], sheets: [filler], stock: [], events: [] }, NOW);
  while (technician.ahead().some((s) => s.role === 'place')) technician.does(technician.ahead()[0]!);
  const passNow = () => technician.view().repairs[0]!.passes[0]!;
  const before = passNow().plan;
  const like = likePlaces(before)!;
  const held = DOOR.map(([, l, w, d]) => l * w * d);
  const all = held.reduce((a, b) => a + b, 0);
  const placed = before.batches.reduce((sum, b) => sum + b.placedMl, 0);
  expect(like.apart!.map((x) => x.name)).toEqual(DOOR.map(([name]) => name));
  expect(like.apart!.reduce((sum, x) => sum + x.ml, 0)).toBeCloseTo(placed, 6);

  const anew = theseAnew(like, new Set([1, 3]));
  expect(anew).toMatchObject({ places: 2, which: ['D2', 'D4'] });
  expect(anew.missingMl).toBeCloseTo((placed * (held[1]! + held[3]!)) / all, 6);
  expect(theseAnew(like, new Set(DOOR.keys()))).toEqual({ missingMl: null });
  expect(usuallyAnew(like, { local: true })).toEqual(theseAnew(like, new Set([0])));

  technician.tell(skimmed.id, FIRST_PASS, technician.nowMs, {
    kind: 'trouble',
    trouble: 'contaminated',
    batch: null,
    ...anew,
  });
  const after = passNow().plan;
  expect(after.batches).toHaveLength(before.batches.length + 1);
  expect(after.batches.at(-1)!.placedMl).toBeCloseTo(anew.missingMl!, 6);
  const told = {
    record: 'event',
    body: { kind: 'trouble', trouble: 'contaminated', batch: null, ...anew },
  } as unknown as Event;
  expect(say(eventSaid(told, undefined), PLAIN_READER)).toMatch(/, at D2 and D4, \d+(\.\d+)? mL missing$/);
});

test('a repair of many places is called by the first and the last of them', () => {
  expect(asOne(apart('body-filler', filler, DOOR)).name).toBe('D1 + D2 + … + D5');
  expect(asOne(apart('body-filler', filler, DOOR.slice(0, 3))).name).toBe('D1 + D2 + D3');
});

test('what adds up to one void in one of them is no place by itself', () => {
  const [a, b] = apart('body-filler', filler, DOOR.slice(0, 2));
  const compound = withPiece(a!, {
    ...pieceOf(a!),
    void: voidOf(...pieceOf(a!).void!.shapes, ...pieceOf(b!).void!.shapes),
  });
  const one = pieceOf(asOne([compound, b!])).void!;
  expect([one.shapes.length, one.places, placesIn(one)]).toEqual([3, undefined, 1]);
});

test('twelve spalls as one take fewer mixes than each by itself, and none of them is left out', () => {
  const kits = typed(
    ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 12 kg', 'use-by 40 min, foot 12 h, load 24 h', { cByWeight: '8' }],
    NOW,
  );
  const sizes = Array.from({ length: 12 }, (_, i): Size => [`S${i + 1}`, 320 + 20 * i, 210 + 10 * i, 25 + (i % 4) * 5]);
  const each = viewOf(kits, ...apart('mortar-patch', kits, sizes));
  const one = planOf(kits, asOne(apart('mortar-patch', kits, sizes)));
  const mixes = each.repairs.flatMap((r) => r.passes[0]!.plan.batches);
  expect([mixes.length, one.batches.length]).toEqual([13, 9]);
  // Every spall is named once as done, and none is left out.
  const said = forWhich(one).join('; ');
  for (const [name] of sizes) expect(said).toMatch(new RegExp(`\\b${name}\\b`));
  expect(said.match(/the rest of/g)!.length).toBeLessThanOrEqual(8);
});
