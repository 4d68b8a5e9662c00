import { likePlaces, type Piece, placedSoFar, placesAnew, placesLacking, placesStay, repairOf } from '@/core/plan';
import { type EventBody, pickList, viewJob } from '@/core/record';
import { bands, kitOf } from '@/sample/sheet-words';
import { resinSheet } from '@/sample/systems';
import { plainWords } from '@/words';
import { at, baseAt, happened, m16Hole, printedPlan, walkJob, walkPiece } from './made';

/** Twelve rods pressed in rounds of four, of which one goes wrong: the others are left alone. */
const job = walkJob({ id: 'some', startFrom: at('2027-04-14T08:00') });
const sheet = {
  ...resinSheet,
  id: 'twin-1',
  systemId: 'twin',
  name: 'Twin pack mortar',
  milestones: [
    bands('use-by', 'mix-begins', 'pot', [10, 20, 30], [8, 5]),
    bands('idle', 'mix-begins', 'material', [10, 20, 30], [5, 3]),
    bands('release', 'placed', 'base', [5, 10, 20, 30], [60, 30, 15]),
    bands('load', 'placed', 'base', [5, 10, 20, 30], [300, 150, 75]),
  ],
  mixer: { volumeMl: 12, purgeMl: 27, reachMm: 200, flowMl: 16 },
  holes: null,
  kits: [kitOf('pack', 'Twin pack 220 mL', [340, 34], { splittable: true, yieldMl: 220, price: 20 })],
};
const piece: Piece = walkPiece(job, {
  method: { id: 'anchor', version: 1 },
  sheetId: sheet.id,
  kitId: 'pack',
  materialC: 15,
  base: {
    ...walkPiece(job, { method: { id: 'anchor', version: 1 }, sheetId: null, void: null }).base,
    known: baseAt(['2027-04-14T00:00', 15]),
  },
  settings: { collar: 15, 'per-place': 1.1, 'set-place': 0.6 },
  void: { ...m16Hole(), count: 12 },
});
type Told = readonly (readonly [iso: string, body: EventBody])[];
const bundle = (told: Told) => ({
  job,
  repairs: [repairOf(piece)],
  sheets: [sheet],
  stock: [],
  events: happened(job, told),
});
const seen = (told: Told, iso: string) => viewJob(bundle(told), at(iso)).repairs[0]!.passes[0]!;
const plan = (told: Told, iso: string) => printedPlan(bundle(told), at(iso)).repairs[0]!;
const fresh = plan([], '2027-04-14T08:00');

/** Everything up to the end of a step, a minute each, from eight on. */
const upTo = (id: string): Told => {
  const until = fresh.steps.findIndex((s) => s.id === id);
  const minute = (n: number) =>
    `2027-04-14T${String(8 + Math.floor(n / 60)).padStart(2, '0')}:${String(n % 60).padStart(2, '0')}`;
  return [
    [
      '2027-04-14T08:00',
      { kind: 'started', snapshotId: 'none', usableMin: seen([], '2027-04-14T08:00').plan.usableMin },
    ],
    ...fresh.steps
      .slice(0, until + 1)
      .map(({ id: step }, i): Told[number] => [minute(i + 1), { kind: 'step-done', step }]),
  ];
};
const titles = (of: ReturnType<typeof plan>) => of.steps.filter((s) => s.done === null).map((s) => s.title);

const WHEN = '2027-04-14T08:20';
/** Two of the four holes of round 2 are ticked, and the mixer goes hard. */
const begun: Told = [
  ...upTo('b1:fill'),
  ['2027-04-14T08:10', { kind: 'place-done', step: 'b2:fill', place: 0 }],
  ['2027-04-14T08:11', { kind: 'place-done', step: 'b2:fill', place: 1 }],
];
const soFar = (told: Told, iso = WHEN) => {
  const { plan: of, actuals } = seen(told, iso);
  return placedSoFar(of, actuals, at(iso));
};
const stiff = (done: number): Told => {
  const so = soFar(begun)!;
  const stays = placesStay(so, done, so.places!.of);
  return [
    ...begun,
    [
      WHEN,
      {
        kind: 'trouble',
        trouble: 'mixer-stiff',
        batch: so.batch,
        missingMl: null,
        ...(stays ? { placed: stays } : {}),
      },
    ],
  ];
};

describe('a mixer that goes hard in the middle of a round', () => {
  test('knows the holes that were ticked; where nobody ticks, those its time would have filled', () => {
    expect(soFar(begun)).toMatchObject({ step: 'b2:fill', batch: 1, places: { done: 2, of: 4 } });
    expect(soFar(begun)!.ml).toBeCloseTo(soFar(begun)!.ofMl / 2, 9);
    const unticked = begun.slice(0, -2);
    const since = unticked.at(-1)![0];
    // 1.1 min a hole: two and a half minutes after the last round two of them are done.
    expect(soFar(unticked, since)!.places!.done).toBe(0);
    const later = placedSoFar(seen(unticked, since).plan, seen(unticked, since).actuals, at(since) + 2.5 * 60_000)!;
    expect(later.places!.done).toBe(2);
    // And never more than there are.
    expect(soFar(unticked, '2027-04-14T12:00')!.places!.done).toBe(4);
  });

  test('the holes that are done stay; the next begin with a fresh mixer, and no other is pressed again', () => {
    const now = plan(stiff(2), WHEN);
    expect(titles(now).slice(0, 3)).toEqual([
      'Fresh mixer: throw the first shots away',
      'Holes 7 to 10 of 12: fill, turn the rod in, next',
      'Holes 11 to 12 of 12: fill, turn the rod in, next',
    ]);
    // What is placed stays the same; a mixer’s resin and its first shots are the whole difference.
    const [was, is] = [fresh, now].map((p) => p.batches.reduce((sum, b) => sum + b.ml, 0));
    expect(is! - was!).toBeCloseTo(12 + 27, 6);
  });

  test('none of it done, the round is pressed again; all of it done, the next has a fresh mixer', () => {
    expect(titles(plan(stiff(0), WHEN)).slice(0, 2)).toEqual([
      expect.stringMatching(/^Fresh mixer|^Holes 5 to 8/),
      expect.stringMatching(/Holes (5 to 8|9 to 12)/),
    ]);
    expect(titles(plan(stiff(4), WHEN)).slice(0, 2)).toEqual([
      'Fresh mixer: throw the first shots away',
      'Holes 9 to 12 of 12: fill, turn the rod in, next',
    ]);
  });
});

/** One rod of twelve stands in the wrong place, found when all are set. */
const wrong = (places: number): Told => [
  ...upTo('b3:fill'),
  [
    '2027-04-14T09:00',
    { kind: 'trouble', trouble: 'rod-wrong', batch: null, ...placesAnew(likePlaces(seen([], WHEN).plan)!, places) },
  ],
];

describe('one of twelve that has to be made anew', () => {
  const now = plan(wrong(1), '2027-04-14T09:01');
  const open = now.steps.filter((s) => s.done === null);
  test('is marked, drilled, cleaned and filled by itself; the other eleven stay done', () => {
    expect(open.map((s) => s.title).slice(0, 6)).toEqual([
      'Mark and check the place of 12 holes: again, for 1 of 12',
      'Drill 12 holes: again, for 1 of 12',
      'Clean 12 holes: blow twice, brush twice, blow twice: again, for 1 of 12',
      'Try the rod dry, mark its depth: again, for 1 of 12',
      'Fresh mixer: throw the first shots away',
      'The hole made anew: fill it, turn the rod in',
    ]);
    expect(now.steps.filter((s) => s.done !== null).map((s) => s.id)).toEqual(
      expect.arrayContaining(['prep:drill', 'b1:fill', 'b2:fill', 'b3:fill']),
    );
  });
  test('takes a twelfth of the minutes and of the resin, and a mixer', () => {
    const min = (of: typeof now.steps, id: string) => {
      const s = of.find((x) => x.id.includes(id))!;
      return (Date.parse(s.to) - Date.parse(s.from)) / 60_000;
    };
    expect(min(open, 'drill:places')).toBeLessThanOrEqual(Math.ceil(min(fresh.steps, 'prep:drill') / 12));
    const added = now.batches.at(-1)!;
    expect(added.ml).toBeCloseTo(fresh.batches.reduce((sum, b) => sum + b.ml - (b.ml > 60 ? 39 : 0), 0) / 12 + 39, 0);
  });
  test('bears its load by its own clock, and the others by theirs', () => {
    const loads = now.milestones.filter((m) => m.kind === 'load').map((m) => Date.parse(m.plans!));
    const before = plan(upTo('b3:fill'), '2027-04-14T09:01').milestones.filter((m) => m.kind === 'load');
    expect(loads).toHaveLength(4);
    expect(loads.slice(0, 3)).toEqual(before.map((m) => Date.parse(m.plans!)));
    expect(loads[3]).toBeGreaterThan(loads[2]! + 30 * 60_000);
  });
  test('three of them tick off one by one; all of them are the pass from its beginning', () => {
    const three = plan(wrong(3), '2027-04-14T09:01');
    expect(titles(three)).toContain('The 3 holes made anew: fill, turn the rod in, next');
    expect(seen(wrong(3), '2027-04-14T09:01').plan.steps.find((s) => s.id.includes('clean:places'))!.counted).toBe(3);
    const all = plan(wrong(12), '2027-04-14T09:01');
    expect(all.steps.filter((s) => s.done !== null)).toEqual([]);
    expect(all.batches).toHaveLength(fresh.batches.length);
  });
});

describe('packs, once something was lost', () => {
  test('what is enough says nothing; one pack more than were to be at hand is told', () => {
    const told = (found: ReturnType<typeof plan>) =>
      found.findings.filter((f) => /more than were to be at hand/.test(f.title));
    // Two packs of 220 mL, 16 each for the flow check: 200 mL are left, eight holes with their mixer take 151.
    const eight = plan(wrong(8), '2027-04-14T09:01');
    expect([eight.kits!.use, eight.kits!.buy, told(eight)]).toEqual([2, 2, []]);
    const eleven = plan(wrong(11), '2027-04-14T09:01');
    expect([eleven.kits!.use, eleven.kits!.buy]).toEqual([2, 2]);
    const twice = plan([...wrong(8), ...wrong(8).slice(-1)], '2027-04-14T09:01');
    expect([twice.kits!.use, twice.kits!.buy]).toEqual([3, 3]);
    expect(told(twice).map((f) => [f.severity, f.stage, f.title])).toEqual([
      ['caution', 'mix', 'It takes 3 of Twin pack 220 mL now: 1 more than were to be at hand'],
    ]);
    expect(told(twice)[0]!.why).toMatch(/^2 were planned to be at hand\..* is 30\d mL\.$/);
  });
  test('the pick list and the shelf count it too', () => {
    const view = viewJob(bundle([...wrong(8), ...wrong(8).slice(-1)]), at('2027-04-14T09:01'));
    expect(pickList(view).kits.map((k) => k.count)).toEqual([3]);
    expect(view.plan.kits()[0]!.kits.set.total).toEqual([3]);
  });
});
describe('the packs run out with holes drilled', () => {
  const out = (places: number): Told => [
    ...upTo('b2:fill'),
    [
      '2027-04-14T08:40',
      { kind: 'trouble', trouble: 'packs-out', batch: null, ...placesLacking(likePlaces(fresh2.plan)!, places) },
    ],
  ];
  const fresh2 = seen([], WHEN);
  test('those that are left are filled from a fresh mixer, in their own minutes, and nothing is drilled again', () => {
    const now = plan(out(3), '2027-04-14T08:41');
    const open = now.steps.filter((s) => s.done === null);
    expect(open.map((s) => s.title)).toContain('The 3 holes that are left: fill, turn the rod in, next');
    expect(open.filter((s) => /again, for/.test(s.title))).toEqual([]);
    const fill = open.find((s) => s.title.startsWith('The 3 holes'))!;
    expect((Date.parse(fill.to) - Date.parse(fill.from)) / 60_000).toBeCloseTo(3 * 1.1, 6);
    expect(now.batches.at(-1)!.placedMl!).toBeCloseTo(3 * likePlaces(fresh2.plan)!.eachMl, 6);
  });
  test('one starved hole is one, and so is its step', () => {
    const now = plan(out(1), '2027-04-14T08:41');
    expect(titles(now)).toContain('Fill up what was starved, turn the rod in');
  });
});

test('a mixer more is fetched for what is made anew, and for one that went hard', () => {
  const mixers = (told: Told, iso: string) =>
    pickList(viewJob(bundle(told), at(iso))).consumables.find((c) => plainWords(c.what).startsWith('static mixers'))!
      .quantity;
  const planned = mixers([], WHEN);
  expect(mixers(wrong(1), '2027-04-14T09:01')).toBe(planned + 1);
  expect(mixers(stiff(2), WHEN)).toBe(planned + 1);
});
