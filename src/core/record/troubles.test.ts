import { methodsData, sampleData } from '@/sample/jobs';
import { standingStops } from '../judge';
import {
  answerTo,
  befalls,
  METHODS,
  methodOf,
  STAGE_OF,
  signsOf,
  TROUBLE_EFFECTS,
  TROUBLES,
  type Trouble,
  troublesHere,
} from '../method';
import { ADVICE, saidOf } from '../method/troubles/advice';
import { FIRST_PASS } from '../plan';
import { type Bundle, type Event, type EventBody, type RepairView, viewJob } from '.';

const NOW = Date.UTC(2027, 4, 10, 6);
const MIN = 60_000;
const bundles = [...sampleData(NOW, 'Europe/Helsinki').bundles, ...methodsData(NOW, 'Europe/Helsinki').bundles];
const answersOf = (t: Trouble) =>
  signsOf(t)?.map((s) => [s.id as string | null, s] as const) ?? [[null, answerTo(t, null)!] as const];

test('every trouble says how it is known, what to do at once, and what becomes of all it touches', () => {
  expect(new Set(TROUBLES.map((t) => t.id)).size).toBe(TROUBLES.length);
  expect(TROUBLES.length).toBe(50);
  for (const t of TROUBLES) {
    const advice = ADVICE[t.id]!;
    expect([t.id, advice.signs.length > 20, advice.keeps.length > 3, t.during.length > 0]).toEqual([
      t.id,
      true,
      true,
      true,
    ]);
    for (const [sign, a] of answersOf(t)) {
      const said = saidOf(advice, sign)!;
      // Where the work stands, the trouble says what for; everywhere else its advice says what becomes of the plan.
      expect([t.id, sign, said.after === undefined]).toEqual([t.id, sign, a.effect === 'review']);
      const after = said.after ?? a.waitsFor!;
      expect([t.id, sign, said.now.length > 0, said.material.endsWith('.'), after.endsWith('.')]).toEqual([
        t.id,
        sign,
        true,
        true,
        true,
      ]);
      expect(TROUBLE_EFFECTS).toContain(a.effect);
    }
    // It befalls something, and every method it names is there.
    expect([t.id, METHODS.some((m) => befalls(t, m, null))]).toEqual([t.id, true]);
    for (const id of t.methods ?? []) expect([t.id, id, methodOf(id)?.id]).toEqual([t.id, id, id]);
    for (const role of t.during) expect(STAGE_OF[role]).toBeDefined();
  }
  expect(Object.keys(ADVICE).sort()).toEqual(TROUBLES.map((t) => t.id).sort());
  for (const effect of TROUBLE_EFFECTS)
    expect([effect, TROUBLES.some((t) => answersOf(t).some(([, a]) => a.effect === effect))]).toEqual([effect, true]);
});

test('soft or doubted material is never kept: what is soft for its ratio is out, what is only cold is not', () => {
  const notSet = signsOf(TROUBLES.find((t) => t.id === 'not-set')!)!;
  const by = (id: string) => notSet.find((s) => s.id === id)!.effect;
  expect([by('liquid'), by('soft-all'), by('patchy'), by('soft-cold')]).toEqual([
    'redo-pass',
    'redo-pass',
    'more-material',
    'none',
  ]);
  expect(saidOf(ADVICE.ratio!, null)!.material).toMatch(/hardener is never given/);
});

test('what is offered first belongs to the method and the moment; nothing is kept from anybody', () => {
  const anchor = methodOf('anchor')!;
  const { now, other, foreign } = troublesHere(TROUBLES, anchor, null, 'place');
  const ids = (of: readonly Trouble[]) => of.map((t) => t.id);
  expect(ids(now)).toEqual(expect.arrayContaining(['starved', 'packs-out', 'hole-swallows', 'mixer-stiff', 'pot-hot']));
  expect(ids(other)).toContain('not-set');
  expect(ids(foreign)).toEqual(expect.arrayContaining(['fish-eyes', 'sanded-through', 'dam-leak']));
  expect(new Set([...ids(now), ...ids(other), ...ids(foreign)]).size).toBe(TROUBLES.length);
  expect(ids(troublesHere(TROUBLES, methodOf('finish-coat')!, null, 'finish').now)).toEqual(
    expect.arrayContaining(['sanded-through', 'pinholes', 'low-spot', 'colour-off']),
  );
  for (const m of METHODS)
    for (const role of ['prepare', 'mix', 'place', 'hold', 'finish', 'test'] as const)
      expect([m.id, role, troublesHere(TROUBLES, m, null, role).now.length > 2]).toEqual([m.id, role, true]);
});

/** Materials as they come: out of a pot, through a mixer, kneaded, powder and water, and what dries. */
const MATERIALS = {
  pot: { kind: 'liquid-resin', family: 'resin-amine' },
  mixer: { kind: 'anchor-pack', family: 'methacrylate' },
  hand: { kind: 'putty', family: 'resin-amine' },
  cement: { kind: 'cement-water', family: 'cement' },
  dries: { kind: 'joint-colour', family: 'water-borne' },
} as const;

test.each([
  [
    'pot',
    'mortar-patch',
    ['pot-hot', 'ratio', 'streaks', 'foamed', 'rain'],
    ['mixer-stiff', 'stiffened', 'too-wet', 'past-use'],
  ],
  [
    'mixer',
    'anchor',
    ['mixer-stiff', 'starved', 'hole-short', 'rod-wrong'],
    ['pot-hot', 'ratio', 'streaks', 'bead', 'wrong-place', 'swallowed'],
  ],
  ['hand', 'cavity-packing', ['putty-stiff', 'ratio', 'streaks'], ['pot-hot', 'mixer-stiff', 'starved']],
  [
    'cement',
    'cement-patch',
    ['stiffened', 'too-wet', 'lumps', 'rained-on', 'weak', 'skinned'],
    ['pot-hot', 'ratio', 'foamed', 'not-set', 'greasy', 'window-missed', 'rain'],
  ],
  [
    'dries',
    'joint-colour',
    ['past-use', 'still-wet', 'colour-off', 'rain'],
    ['pot-hot', 'ratio', 'not-set', 'stiffened', 'greasy'],
  ],
] as const)(
  'out of %s, “%s” has the troubles of its material, and those of others at the foot of the list',
  (of, id, has, not) => {
    const all = (['prepare', 'mix', 'place', 'hold', 'finish'] as const).map((role) =>
      troublesHere(TROUBLES, methodOf(id)!, MATERIALS[of], role),
    );
    const mine = new Set(all.flatMap(({ now, other }) => [...now, ...other]).map((t) => t.id));
    expect(has.filter((t) => !mine.has(t))).toEqual([]);
    expect(not.filter((t) => mine.has(t))).toEqual([]);
    // Whatever it is, nobody is without an answer to what dies, to what is doubted, and to what does not set.
    for (const { now, other, foreign } of all) expect(now.length + other.length + foreign.length).toBe(TROUBLES.length);
    const effects = new Set(
      [...mine].flatMap((t) => answersOf(TROUBLES.find((x) => x.id === t)!).map(([, a]) => a.effect)),
    );
    expect(['redo-batch', 'more-material', 'redo-pass', 'none'].filter((e) => !effects.has(e as never))).toEqual([]);
  },
);

test('no material is told to do what is another’s: no solvent for cement, no pot for a mixer, no water for a resin', () => {
  const said = (of: keyof typeof MATERIALS, id: string) =>
    TROUBLES.filter((t) => befalls(t, methodOf(id)!, MATERIALS[of]))
      .flatMap((t) => answersOf(t).flatMap(([sign]) => saidOf(ADVICE[t.id]!, sign)!.now))
      .join('\n');
  expect(said('cement', 'cement-patch')).not.toMatch(/hardener|solvent of the sheet|gloss is gone/);
  expect(said('mixer', 'anchor')).not.toMatch(/by weight|clean pot|edge of the fill/);
  expect(said('pot', 'mortar-patch')).not.toMatch(/No water, and no stirring|powder of the same bag/);
});

/** A repair worked step by step as it was planned, up to a share of its steps. */
function worked(bundle: Bundle, view: RepairView, until: number) {
  const done = view.plan.steps.slice(0, until);
  let n = 0;
  const event = (atMs: number, body: EventBody, passId: string = FIRST_PASS): Event => ({
    record: 'event',
    version: 1,
    id: `w${n}`,
    device: 'd',
    sequence: n++,
    at: atMs,
    recordedAt: atMs,
    jobId: bundle.job.id,
    repairId: view.repair.id,
    ...(passId === FIRST_PASS ? {} : { passId }),
    amends: null,
    role: 'technician',
    body,
  });
  const usable = Object.fromEntries(view.passes.map((p) => [p.repair.passId, p.plan.usableMin]));
  const first = view.plan.steps[0]!.startMs;
  const events = [
    event(first, { kind: 'started', snapshotId: 'none', usableMin: usable[FIRST_PASS] ?? null, usable }),
    ...done.flatMap((s) => [
      ...(s.marks?.begin?.length ? [event(s.startMs, { kind: 'step-begun', step: s.id }, s.passId)] : []),
      event(s.endMs, { kind: 'step-done', step: s.id }, s.passId),
    ]),
  ];
  return { events, event, endMs: Math.max(first, ...done.map((s) => s.endMs)) };
}

/** One repair of each method, alone in its job and not yet begun. */
const alone = METHODS.flatMap((m) => {
  for (const b of bundles)
    for (const r of b.repairs) {
      const bundle: Bundle = { ...b, repairs: [r], events: [], snapshots: [] };
      const [view] = viewJob(bundle, NOW).repairs;
      if (view!.passes[0]!.plan.method?.id === m.id && view!.plan.steps.length) return [[m.id, bundle, view!] as const];
    }
  return [];
});
const again = (bundle: Bundle, events: readonly Event[], nowMs: number) =>
  viewJob({ ...bundle, events }, nowMs).repairs[0]!;

test('most methods are tried', () => expect(alone.length).toBeGreaterThan(18));

describe.each(alone)('%s', (id, bundle, view) => {
  const { steps } = view.plan;
  const first = view.passes[0]!;
  const mine = steps.filter((s) => s.passId === FIRST_PASS);
  const method = methodOf(id)!;
  const afterWet = steps.indexOf(mine.findLast((s) => s.stage === 'mix' || s.role === 'place')!) + 1;
  const afterFinish = steps.indexOf(mine.findLast((s) => s.stage === 'finish') ?? mine.at(-1)!) + 1;

  test.each([
    ['after placing', afterWet],
    ['after finishing', afterFinish],
  ])('%s every answer leads to a plan that can be worked', (_, until) => {
    const { events, event, endMs } = worked(bundle, view, until);
    const nowMs = endMs + MIN;
    const before = again(bundle, events, nowMs);
    const tried = new Set<string>();
    for (const t of TROUBLES.filter((x) => befalls(x, method, first.plan.sheet)))
      for (const [sign, a] of answersOf(t)) {
        if (tried.has(a.effect)) continue;
        tried.add(a.effect);
        const body: EventBody = {
          kind: 'trouble',
          trouble: t.id,
          ...(sign ? { sign } : {}),
          batch: 0,
          missingMl: a.effect === 'more-material' ? 5 : null,
          ...(a.effect === 'fewer-hands' ? { handsLeft: 1 } : {}),
        };
        const after = again(bundle, [...events, event(nowMs, body)], nowMs + MIN);
        const told = [t.id, sign, a.effect];
        const plan = after.passes[0]!.plan;
        const ids = after.plan.steps.map((s) => `${s.passId} ${s.id}`);
        expect([told, new Set(ids).size]).toEqual([told, ids.length]);
        expect([told, after.plan.problems]).toEqual([told, before.plan.problems]);
        const open = plan.steps.filter((s) => s.doneAt === null).map((s) => s.role);
        const finished = mine.filter((s) => s.stage === 'finish' && steps.indexOf(s) < until);
        const redone = (role: string) => open.includes(role as never);
        if (a.effect === 'redo-pass') {
          expect([told, plan.steps.filter((s) => s.doneAt !== null).map((s) => s.id)]).toEqual([told, []]);
          expect([told, plan.steps[0]!.key.attempt]).toEqual([told, 2]);
          expect([told, plan.steps.length]).toEqual([told, mine.length]);
        }
        if (a.effect === 'more-material') {
          expect([told, plan.batches.length]).toEqual([told, first.plan.batches.length + 1]);
          expect([told, redone('mix')]).toEqual([told, true]);
        }
        if (a.effect === 'redo-batch') expect([told, redone('place') || redone('mix')]).toEqual([told, true]);
        if (
          a.effect !== 'none' &&
          a.effect !== 'review' &&
          a.effect !== 'fewer-hands' &&
          a.effect !== 'restart-hold' &&
          a.effect !== 'redo-preparation'
        )
          for (const s of finished)
            expect([told, s.id, plan.steps.some((x) => x.key.task === s.key.task && x.doneAt === null)]).toEqual([
              told,
              s.id,
              true,
            ]);
        const stops = standingStops(after.findings, after.actuals.overrides).filter((f) => f.id.startsWith('trouble:'));
        expect([told, stops.length]).toEqual([told, a.effect === 'review' ? 1 : 0]);
        if (a.effect === 'review') {
          const lifted = again(
            bundle,
            [
              ...events,
              event(nowMs, body),
              event(nowMs + MIN, {
                kind: 'override',
                finding: stops[0]!.id,
                title: 'it',
                reason: 'seen by the engineer',
              }),
            ],
            nowMs + 2 * MIN,
          );
          expect(standingStops(lifted.findings, lifted.actuals.overrides).some((f) => f.id === stops[0]!.id)).toBe(
            false,
          );
        }
        if (a.effect === 'none')
          expect([told, ids]).toEqual([told, before.plan.steps.map((s) => `${s.passId} ${s.id}`)]);
      }
    expect(tried.size).toBeGreaterThan(4);
  });
});

test('a lost pot is weighed anew: what was poured of it counts no more', () => {
  const [, bundle, view] = alone.find(([id]) => id === 'mortar-patch')!;
  const { events, event, endMs } = worked(bundle, view, 3);
  const poured = event(endMs, { kind: 'poured', batch: 0, part: 'A', massG: 500, lot: '', source: 'typed' });
  const lost = event(endMs + MIN, { kind: 'trouble', trouble: 'ratio', batch: 0, missingMl: null });
  expect(again(bundle, [...events, poured], endMs + MIN).actuals.pours).toHaveLength(1);
  expect(again(bundle, [...events, poured, lost], endMs + 2 * MIN).actuals.pours).toEqual([]);
});

test('what was placed of a pot stays only where its trouble lets it: a doubted ratio comes out, all of it', () => {
  const [, bundle, view] = alone.find(([id]) => id === 'mortar-patch')!;
  const { events, event, endMs } = worked(bundle, view, 3);
  const told = (trouble: string) =>
    event(endMs + MIN, { kind: 'trouble', trouble, batch: 0, missingMl: null, placed: { ml: 100, step: 'b1:place' } });
  const after = (trouble: string) => again(bundle, [...events, told(trouble)], endMs + 2 * MIN).actuals;
  expect([after('pot-hot').cuts, [...after('pot-hot').redone]]).toEqual([[{ batch: 0, placedMl: 100 }], []]);
  expect(after('pot-hot').done.get('b1:place')).toBe(endMs + MIN);
  expect([after('ratio').cuts, [...after('ratio').redone]]).toEqual([[], [[0, 1]]]);
  expect(after('ratio').done.has('b1:place')).toBe(false);
});

test('rain on a primer is a missed window: it is washed and abraded, not only dried', () => {
  const [, bundle, view] = alone.find(([, , v]) => v.plan.steps.some((s) => s.role === 'prime'))!;
  const primed = view.plan.steps.findIndex((s) => s.role === 'prime');
  const rain = (until: number) => {
    const { events, event, endMs } = worked(bundle, view, until);
    const wet = event(endMs + MIN, { kind: 'trouble', trouble: 'rain', batch: null, missingMl: null });
    return again(bundle, [...events, wet], endMs + 2 * MIN)
      .plan.steps.filter((s) => s.doneAt === null)
      .map((s) => s.key.task);
  };
  expect(rain(primed)).toContain('prep:dry');
  expect(rain(primed)).not.toContain('abrade');
  expect(rain(primed + 1).slice(0, 2)).toEqual(['prep:dry', 'abrade']);
});
