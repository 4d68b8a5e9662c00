import { type Event, type EventBody, foldEvents, lastOfEach, outOfOrder, standingEvents, twinOf } from '.';

const NOW = Date.UTC(2027, 3, 14, 10);
const MIN = 60_000;
let n = 0;
const event = (body: EventBody, at = NOW, over: Partial<Event> = {}): Event => ({
  record: 'event',
  version: 1,
  id: `e${n++}`,
  device: 'phone.a',
  sequence: n,
  at,
  recordedAt: at,
  jobId: 'j',
  repairId: 'r',
  amends: null,
  role: 'technician',
  body,
  ...over,
});
const done = (step: string, at?: number, over?: Partial<Event>) => event({ kind: 'step-done', step }, at, over);

test('a step that is done has a twin; one taken back has none', () => {
  const first = done('b1:mix');
  expect(twinOf([first], { body: { kind: 'step-done', step: 'b1:mix' } })).toBe(first);
  expect(twinOf([first], { body: { kind: 'step-done', step: 'b2:mix' } })).toBeUndefined();
  expect(twinOf([first], { body: { kind: 'step-begun', step: 'b1:mix' } })).toBeUndefined();
  expect(
    twinOf([first, event({ kind: 'withdrawn', why: 'not so' }, NOW, { amends: first.id })], { body: first.body }),
  ).toBeUndefined();
  // Two notes of the same words are two notes.
  expect(twinOf([event({ kind: 'note', text: 'dry' })], { body: { kind: 'note', text: 'dry' } })).toBeUndefined();
});

test('work that would come to stand before what is done already is asked about; notes and readings may', () => {
  const mixed = done('b1:mix', NOW);
  expect(outOfOrder([mixed], { kind: 'step-done', step: 'b1:place' }, NOW - MIN)).toBe(mixed);
  expect(outOfOrder([mixed], { kind: 'step-done', step: 'b1:place' }, NOW + MIN)).toBeNull();
  expect(outOfOrder([mixed], { kind: 'note', text: 'dry' }, NOW - MIN)).toBeNull();
  expect(outOfOrder([mixed], { kind: 'reading', channel: 'base', valueC: 9, source: 'typed' }, NOW - MIN)).toBeNull();
});

test('a clock found wrong by 2 h 49 moves what it wrote before, so that waits keep their length', () => {
  const slow = 169 * MIN;
  const before = [event({ kind: 'started', snapshotId: 's', usableMin: 20 }, NOW), done('b1:mix', NOW + 5 * MIN)];
  const elsewhere = done('b1:check', NOW + 6 * MIN, { device: 'tablet.x' });
  const set = event(
    { kind: 'clock-set', shiftMs: slow, upTo: [...lastOfEach([...before, elsewhere], 'phone')] },
    NOW + 20 * MIN + slow,
  );
  // Written after it, by the right clock, though with a number that another tab began anew.
  const after = done('b1:place', NOW + 21 * MIN + slow);
  const all = [...before, elsewhere, set, after];
  const state = foldEvents(all, 'r');
  expect(state.startedAt).toBe(NOW + slow);
  expect(state.done.get('b1:mix')).toBe(NOW + 5 * MIN + slow);
  expect(state.done.get('b1:check')).toBe(NOW + 6 * MIN);
  expect(state.done.get('b1:place')).toBe(NOW + 21 * MIN + slow);
  expect(state.done.get('b1:place')! - state.done.get('b1:mix')!).toBe(16 * MIN);
  // The record itself is as it was written.
  expect(before[1]!.at).toBe(NOW + 5 * MIN);
  expect(standingEvents(all)).toHaveLength(all.length);
});
