import { befalls, METHODS, TROUBLES } from '@/core/method';
import { FIRST_PASS, likePlaces, pieceOf, usuallyAnew, withPiece } from '@/core/plan';
import { type Bundle, type Event, type EventBody, viewJob } from '@/core/record';
import { methodsData, sampleData } from '@/sample/jobs';
import { at, ZONE } from './made';

/** Six of each of the sample’s repairs, worked until all are placed: then one of them has to be made anew. */
const NOW = at('2026-05-05T07:00');
const MIN = 60_000;
const bundles = [sampleData, methodsData].flatMap((of) => of(NOW, ZONE).bundles);
const MANY = 6;

const six = METHODS.flatMap((m) => {
  for (const b of bundles)
    for (const r of b.repairs) {
      const first = pieceOf(r, r.chain[0]!);
      if (first.method.id !== m.id || !first.void) continue;
      const repair = withPiece(r, { ...first, void: { ...first.void, count: MANY } });
      return [[m.id, m, { ...b, repairs: [repair], events: [], snapshots: [] } as Bundle] as const];
    }
  return [];
});

/** The first pass after so much was told. */
const passOf = (bundle: Bundle, events: readonly Event[], nowMs: number) =>
  viewJob({ ...bundle, events }, nowMs).repairs[0]!;

/** Everything up to the last that is placed or closed in the first pass, as it was planned. */
function placed(bundle: Bundle) {
  const view = passOf(bundle, [], NOW);
  const { steps } = view.plan;
  const wet = ['mix', 'place', 'close'];
  const last = steps.findLastIndex((s) => s.passId === FIRST_PASS && wet.includes(s.role));
  const done = steps.slice(0, last + 1);
  let n = 0;
  const event = (atMs: number, body: EventBody): Event => ({
    record: 'event',
    version: 1,
    id: `s${n}`,
    device: 'd',
    sequence: n++,
    at: atMs,
    recordedAt: atMs,
    jobId: bundle.job.id,
    repairId: view.repair.id,
    amends: null,
    role: 'technician',
    body,
  });
  const events = [
    event(steps[0]!.startMs, { kind: 'started', snapshotId: 'none', usableMin: view.passes[0]!.plan.usableMin }),
    ...done.flatMap((s) => [
      ...(s.marks?.begin?.length ? [event(s.startMs, { kind: 'step-begun', step: s.id })] : []),
      event(s.endMs, { kind: 'step-done', step: s.id }),
    ]),
  ];
  return { events, event, nowMs: done.at(-1)!.endMs + MIN };
}

test('most methods have several like places to tell apart', () => {
  const kinds = six.map(([, , bundle]) => likePlaces(passOf(bundle, [], NOW).passes[0]!.plan));
  expect(kinds.filter((k) => k && !k.layered).length).toBeGreaterThan(10);
  expect(kinds.filter((k) => k?.oneByOne).length).toBeGreaterThan(4);
});

describe.each(six)('%s', (_, method, bundle) => {
  const { events, event, nowMs } = placed(bundle);
  const before = passOf(bundle, events, nowMs).passes[0]!;
  const like = likePlaces(before.plan);
  const sheet = before.plan.sheet;
  const trouble = (ids: readonly string[]) => TROUBLES.find((t) => ids.includes(t.id) && befalls(t, method, sheet));

  test('one made anew is prepared, mixed and placed by itself; what was done to the others stays done', () => {
    if (!like || like.layered) return;
    const { id } = trouble(['rod-wrong', 'contaminated'])!;
    const anew = usuallyAnew(like, { local: true });
    const after = passOf(
      bundle,
      [...events, event(nowMs, { kind: 'trouble', trouble: id, batch: null, ...anew })],
      nowMs + MIN,
    ).passes[0]!;
    const { steps, batches } = after.plan;
    const was = new Map(before.plan.steps.map((s) => [s.id, s]));
    // A share of the material, in one batch of its own.
    expect(batches).toHaveLength(before.plan.batches.length + 1);
    expect(batches.at(-1)!.placedMl * like.count).toBeCloseTo(
      before.plan.batches.reduce((sum, b) => sum + b.placedMl, 0),
      6,
    );
    const added = steps.filter((s) => !was.has(s.id) && s.stage !== 'finish' && s.stage !== 'release');
    expect(added.filter((s) => s.doneAt !== null)).toEqual([]);
    expect(added.map((s) => s.role)).toEqual(expect.arrayContaining(['mix', 'place']));
    // Something is done to the face of it first, and never longer than it took for all.
    const prepared = added.filter((s) => s.role === 'prepare' || s.role === 'set-out');
    expect(prepared.length).toBeGreaterThan(0);
    const min = (of: readonly { readonly startMs: number; readonly endMs: number }[]) =>
      of.reduce((sum, s) => sum + (s.endMs - s.startMs) / MIN, 0);
    const all = before.plan.steps.filter((s) => s.role === 'prepare' || s.role === 'set-out' || s.role === 'prime');
    expect(min(prepared)).toBeLessThanOrEqual(min(all) + prepared.length);
    for (const s of before.plan.steps.filter((x) => x.doneAt !== null))
      expect([s.id, steps.find((x) => x.id === s.id)?.doneAt]).toEqual([s.id, s.doneAt]);
    // No two steps of one name, and nothing ends before it begins.
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
    expect(steps.filter((s) => s.endMs < s.startMs)).toEqual([]);
  });

  test('a lost batch is paid for: so many packs as it took go on top, never fewer', () => {
    const t = trouble(['ratio', 'starved', 'too-wet', 'past-use'])!;
    const lost = (times: number) =>
      passOf(
        bundle,
        [
          ...events,
          ...Array.from({ length: times }, (_x, i) =>
            event(nowMs + i, { kind: 'trouble', trouble: t.id, batch: 0, missingMl: null }),
          ),
        ],
        nowMs + MIN,
      ).passes[0]!.plan;
    const kits = (times: number) => lost(times).mix!.kits;
    const packs = [0, 1, 2, 3].map((times) => kits(times).use);
    expect(packs).toEqual([...packs].sort((a, b) => a - b));
    // What the packs hold covers all that was ever mixed, and one pack less would not, where they are weighed out.
    for (const times of [1, 2, 3]) {
      const { mix } = lost(times);
      const [first] = before.plan.mix!.batches;
      const mixedMl = before.plan.mix!.toMixMl + times * first!.ml;
      expect(mix!.kits.use * mix!.kits.volumeMl).toBeGreaterThanOrEqual(mixedMl * (1 - 1e-9));
      expect(mix!.toMixMl).toBeCloseTo(before.plan.mix!.toMixMl, 6);
      if (first!.kits === null && !before.plan.sheet!.mixer)
        expect((mix!.kits.use - 1) * mix!.kits.volumeMl).toBeLessThan(mixedMl);
      if (first!.kits !== null) expect(mix!.kits.use).toBe(before.plan.mix!.kits.use + times * first!.kits);
    }
  });
});
