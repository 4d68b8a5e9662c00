import { plainWords } from '@/words';
import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { type Piece, pieceOf, type Repair, withPiece } from '../plan';
import { type Bundle, type Event, type EventBody, frozenOf, planReport, snapshotOf, viewJob } from '.';

const NOW = Date.parse('2026-05-05T05:00:00Z');
const MIN = 60_000;
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const { job } = bundles[0]!;
const drafted: Repair = bundles[0]!.repairs[0]!;
let n = 0;
const event = (body: EventBody, at: number): Event => ({
  record: 'event',
  version: 1,
  id: `e${++n}`,
  device: 'tab',
  sequence: n,
  at,
  recordedAt: at,
  jobId: job.id,
  repairId: drafted.id,
  amends: null,
  role: 'technician',
  body,
});
const bundle = (repair: Repair, events: readonly Event[] = [], snapshots: Bundle['snapshots'] = []): Bundle => ({
  job,
  repairs: [repair],
  sheets: sampleSheets,
  stock: [],
  events,
  snapshots,
});
const changed = (over: Partial<Piece>) => withPiece(drafted, { ...pieceOf(drafted), ...over });
/** Begun, with the first batch mixed. */
const begun = () => {
  const kept = snapshotOf(bundle(drafted), NOW, 'kept-1');
  const { plan } = viewJob(bundle(drafted), NOW).repairs[0]!;
  const upTo = plan.steps.slice(0, plan.steps.findIndex((s) => s.id === 'b1:mix') + 1);
  const events = [
    event({ kind: 'started', snapshotId: kept.id, usableMin: plan.usableMin }, NOW),
    ...upTo.map((s, i) => event({ kind: 'step-done', step: s.id }, NOW + (i + 1) * 10 * MIN)),
  ];
  return { kept, events, nowMs: NOW + upTo.length * 10 * MIN };
};
const told = (b: Bundle, nowMs: number) => viewJob(b, nowMs).repairs[0]!;
const ids = (v: ReturnType<typeof told>) => v.plan.steps.map((s) => s.id);

describe('a draft that is changed under the work', () => {
  const { kept, events, nowMs } = begun();
  const before = told(bundle(drafted, events, [kept]), nowMs);
  const thinner = changed({ liftMm: 8 });
  const after = told(bundle(thinner, events, [kept]), nowMs);

  test('changes neither a batch already mixed nor the steps; it is shown as a difference', () => {
    expect(before.changes).toEqual([]);
    expect(after.plan.batches).toEqual(before.plan.batches);
    expect(ids(after)).toEqual(ids(before));
    expect(after.changes).toEqual([{ path: ['passes', 'p1', 'liftMm'], before: null, after: 8 }]);
    // Planned from the draft it would have been another plan.
    expect(ids(told(bundle(thinner, events), nowMs)).length).toBeGreaterThan(ids(before).length);
    // The field shows what was typed, the plan what is worked.
    expect([after.repair.liftMm, after.plan.piece.liftMm]).toEqual([8, null]);
  });
  test('is what is printed, too', () => {
    const print = (b: Bundle) => planReport(viewJob(b, nowMs)).repairs[0]!;
    expect(print(bundle(thinner, events, [kept])).steps).toEqual(print(bundle(drafted, events, [kept])).steps);
  });
  test('is taken by planning anew, which is an event; what was done stands', () => {
    const anew = snapshotOf(bundle(thinner, events), nowMs, 'kept-2');
    const replanned = event({ kind: 'replanned', snapshotId: anew.id, usable: { p1: 15 } }, nowMs);
    const v = told(bundle(thinner, [...events, replanned], [kept, anew]), nowMs);
    expect(v.changes).toEqual([]);
    expect(ids(v).length).toBeGreaterThan(ids(before).length);
    expect(v.actuals.usableMin).toBe(15);
    expect(v.plan.steps.filter((s) => s.doneAt !== null).map((s) => s.id)).toContain('b1:mix');
    // Taken back in the record, it is worked by what it began with again.
    const back = event({ kind: 'withdrawn', why: 'pressed by mistake' }, nowMs + MIN);
    const undone = told(
      bundle(thinner, [...events, replanned, { ...back, amends: replanned.id }], [kept, anew]),
      nowMs + MIN,
    );
    expect(undone.changes).toHaveLength(1);
  });
  test('a pass added or removed under the work waits for planning anew', () => {
    const longer: Repair = { ...drafted, chain: ['p1', 'p2'], passes: { ...drafted.passes, p2: drafted.passes.p1! } };
    const v = told(bundle(longer, events, [kept]), nowMs);
    expect([v.passes.length, v.changes.length > 0]).toEqual([1, true]);
  });
  test('names, the bench and what stands in for a missing wait are live', () => {
    const live = changed({ name: 'Third bay', scaleStepG: 5, standIns: { sandable: { by: 'own', minutes: 600 } } });
    const v = told(bundle(live, events, [kept]), nowMs);
    expect(v.changes).toEqual([]);
    expect([v.plan.piece.name, v.plan.piece.scaleStepG, v.plan.piece.standIns.sandable]).toEqual([
      'Third bay',
      5,
      { by: 'own', minutes: 600 },
    ]);
  });
  test('not begun, or with nothing kept, the draft is what is planned', () => {
    expect(frozenOf(thinner, [], [kept])).toBeNull();
    expect(frozenOf(thinner, events, [])).toBeNull();
    expect(frozenOf(thinner, events, [{ id: kept.id, repairs: [] }])).toBeNull();
  });
});

test('a released repair shows what was worked, whatever is done to its draft', () => {
  const { kept, events, nowMs } = begun();
  const released = [...events, event({ kind: 'released', note: '' }, nowMs + MIN)];
  const v = told(bundle(changed({ void: null, sheetId: null }), released, [kept]), nowMs + 2 * MIN);
  expect(v.plan.mix!.toMixMl).toBeCloseTo(kept.report.repairs[0]!.toMixMl!, 9);
  expect(v.plan.openMs).toBe(nowMs + MIN);
});

test('a method of an unknown version is refused by its name and not planned as another', () => {
  const v = told(bundle(changed({ method: { id: 'mortar-patch', version: 7 } })), NOW);
  expect(v.plan.open.inspect!.map(plainWords)).toEqual([
    'The method “Resin mortar patch” is of version 7 in this file; this Grenko knows version 1. Open it with the Grenko it was planned with.',
  ]);
  expect([v.plan.mix, v.plan.steps]).toEqual([null, []]);
  const gone = told(bundle(changed({ method: { id: 'weld', version: 1 } })), NOW);
  expect(gone.plan.open.inspect!.map(plainWords)).toEqual(['The method “weld” is not known here.']);
});

test('one hour outside the sheet’s range leaves the amounts: what can be told is told, and what cannot is named', () => {
  // Packs and slab at −9 °C, where the mortar’s pot life is not on the sheet.
  const { base, void: hole } = pieceOf(drafted);
  const cold = { ...base, known: [{ atMs: NOW - 3_600_000, tempC: -9 }] };
  const v = told(bundle(changed({ materialC: -9, base: cold, void: hole })), NOW);
  expect(v.plan.problems).toHaveLength(1);
  expect(v.plan.problems[0]).toMatchObject({ stage: 'mix', field: 'materialC' });
  const usual = told(bundle(drafted), NOW);
  expect(v.plan.mix!.lines.find((l) => l.id === 'net')!.ml).toBeCloseTo(
    usual.plan.mix!.lines.find((l) => l.id === 'net')!.ml,
    9,
  );
  expect(v.plan.mix!.kits.use).toBeGreaterThan(0);
  expect(v.plan.batches.length).toBeGreaterThan(0);
  expect([v.plan.steps, v.plan.openMs]).toEqual([[], null]);
});
