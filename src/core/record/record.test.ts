import fc from 'fast-check';
import { sampleData } from '../../sample/jobs';
import { humidityOf, valueAt } from '../climate';
import { NOTHING_YET } from '../plan';
import {
  Attachment,
  apply,
  attachmentOf,
  byTime,
  type Event,
  type EventBody,
  foldEvents,
  inputHash,
  mergeEvents,
  PlanReport,
  PlanSnapshot,
  planReport,
  snapshotOf,
  stableJson,
  standingEvents,
  viewJob,
} from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const running = bundles[1]!;
let n = 0;
const event = (body: EventBody, over: Partial<Event> = {}): Event => ({
  record: 'event',
  version: 1,
  id: `e${n++}`,
  device: 'd',
  sequence: n,
  at: NOW + n * 1000,
  recordedAt: NOW,
  jobId: 'j',
  repairId: 'r',
  amends: null,
  role: 'technician',
  body,
  ...over,
});

test('the fold keeps what happened and never changes the state it was given', () => {
  const frozen = Object.freeze({ ...NOTHING_YET, done: Object.freeze(new Map<string, number>()) });
  const next = apply(frozen, event({ kind: 'step-done', step: 'prep:cut' }));
  expect(next.done.get('prep:cut')).toBeDefined();
  expect(frozen.done.size).toBe(0);
});

test('an amendment replaces, a withdrawal takes back; both leave the first entry in the record', () => {
  const wrong = event({ kind: 'reading', channel: 'base', valueC: 81, source: 'typed' });
  const right = event(
    { kind: 'reading', channel: 'base', valueC: 8.1, source: 'typed' },
    { amends: wrong.id, at: wrong.at },
  );
  expect(foldEvents([wrong, right], 'r').readings).toEqual([{ channel: 'base', atMs: wrong.at, valueC: 8.1 }]);
  const gone = event({ kind: 'withdrawn', why: 'wrong repair' }, { amends: right.id });
  expect(foldEvents([wrong, right, gone], 'r').readings).toEqual([]);
  expect(standingEvents([wrong, right])).toEqual([right]);
});

test('troubles turn into their effects', () => {
  const state = foldEvents(
    [
      event({ kind: 'trouble', trouble: 'pot-hot', batch: 1, missingMl: null }),
      event({ kind: 'trouble', trouble: 'ratio', batch: 1, missingMl: null }),
      event({ kind: 'trouble', trouble: 'ran-out', batch: null, missingMl: 80 }),
      event({ kind: 'trouble', trouble: 'rain', batch: null, missingMl: null }),
      event({ kind: 'trouble', trouble: 'part-moved', batch: null, missingMl: null }),
    ],
    'r',
  );
  expect([...state.redone]).toEqual([[1, 2]]);
  expect(state.topUpsMl).toEqual([80]);
  expect(state.preparedAgain).toHaveLength(1);
  expect(state.holdRestartedAt).not.toBeNull();
});

test('merging is the union by id: in any order, any number of times, nothing lost', () => {
  const some = Array.from({ length: 12 }, (_, i) =>
    event({ kind: 'note', text: `note ${i}` }, { device: i % 2 ? 'a' : 'b' }),
  );
  fc.assert(
    fc.property(fc.subarray(some), fc.subarray(some), (a, b) => {
      const merged = mergeEvents(a, b);
      expect(mergeEvents(b, a)).toEqual(merged);
      expect(mergeEvents(merged, a)).toEqual(merged);
      expect(new Set(merged.map((e) => e.id))).toEqual(new Set([...a, ...b].map((e) => e.id)));
      expect([...merged].sort(byTime)).toEqual(merged);
    }),
  );
});

test('the same bundle and instant give the same report, and it fits its schema', () => {
  const report = planReport(viewJob(running, NOW));
  expect(planReport(viewJob(running, NOW))).toEqual(report);
  expect(PlanReport.parse(JSON.parse(JSON.stringify(report)))).toEqual(JSON.parse(JSON.stringify(report)));
  for (const r of report.repairs) {
    expect(r.amounts.reduce((s, l) => s + l.ml, 0)).toBeCloseTo(r.toMixMl!, 6);
    expect(Date.parse(r.opens!)).toBeGreaterThan(NOW);
  }
});

test('a snapshot freezes the plan; its hash follows the inputs and not their order of keys', () => {
  const snap = snapshotOf(running, NOW, 's1');
  expect(PlanSnapshot.parse(snap)).toEqual(snap);
  const shuffled = { ...running, job: Object.fromEntries(Object.entries(running.job).reverse()) as typeof running.job };
  expect(inputHash(shuffled)).toBe(snap.inputHash);
  expect(inputHash({ ...running, job: { ...running.job, name: 'other' } })).not.toBe(snap.inputHash);
  expect(stableJson({ b: 1, a: [{ d: 1, c: 2 }] })).toBe('{"a":[{"c":2,"d":1}],"b":1}');
});

test('the running sample has a live pot: mixed, not yet placed', () => {
  const v = viewJob(running, NOW).repairs[0]!;
  expect(v.actuals.done.get('b1:mix')!).toBeLessThan(NOW);
  expect(v.plan.milestones.find((m) => m.kind === 'use-by')!.planMs).toBeGreaterThan(NOW);
  expect(v.plan.steps.find((s) => s.doneAt === null)!.id).toBe('b1:spread');
});

test('humidity read on the spot moves the dew point from then on, and fades back to the forecast', () => {
  const plate = running.repairs[0]!;
  const at = NOW + 3_600_000;
  const damp = event(
    { kind: 'humidity', valuePct: 95, source: 'typed' },
    { jobId: running.job.id, repairId: plate.id, at },
  );
  const thermal = (events: readonly Event[]) => viewJob({ ...running, events }, NOW).repairs[0]!.plan.thermal!;
  const [before, after] = [thermal(running.events), thermal([...running.events, damp])];
  const humid = (t: typeof before, ms: number) => humidityOf(valueAt(t.air, ms), valueAt(t.dew, ms));
  expect(humid(after, at)).toBeCloseTo(95, 6);
  expect(humid(before, at)).toBeLessThan(90);
  // Four time constants later little is left of it.
  const late = at + 24 * 3_600_000;
  const [was, is] = [valueAt(before.dew, late), valueAt(after.dew, late)];
  expect(Math.abs(is - was)).toBeLessThan(0.02 * Math.abs(valueAt(after.dew, at) - valueAt(before.dew, at)) + 1e-9);
});

test('a picture is named by its job and its content: the same twice is one, another is another', () => {
  const [a, again, other, elsewhere] = [
    attachmentOf('j', 'image/jpeg', 'AAAA'),
    attachmentOf('j', 'image/jpeg', 'AAAA'),
    attachmentOf('j', 'image/jpeg', 'AAAB'),
    attachmentOf('k', 'image/jpeg', 'AAAA'),
  ];
  expect(Attachment.parse(a)).toEqual(again);
  expect(new Set([a, other, elsewhere].map((x) => x.id)).size).toBe(3);
});
