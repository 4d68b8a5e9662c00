import { sampleData } from '@/sample/jobs';
import { type Act, NO_HISTORY, opposite, redone, remember, type SingleAct, touched } from './acts';

const ramp = sampleData(Date.UTC(2027, 3, 12, 6), 'Europe/Helsinki').bundles[0]!;
const [repair, other] = ramp.repairs as [(typeof ramp.repairs)[0], (typeof ramp.repairs)[0]];
const named = (before: string, after: string): SingleAct => ({
  does: 'change',
  kind: 'repair',
  id: repair.id,
  changes: [{ path: ['name'], before, after }],
});
const gone: SingleAct = { does: 'remove', kind: 'repair', draft: other };
const both: Act = { does: 'several', acts: [named('A', 'A + B'), gone] };

test('the opposite of the opposite is the act itself, of several as of one', () => {
  for (const act of [named('A', 'B'), gone, { ...gone, does: 'add' } as SingleAct, both])
    expect(opposite(opposite(act))).toEqual(act);
});

test('several are taken back in the other order: what was removed last is there before it is needed', () => {
  const back = opposite(both);
  expect(back).toEqual({
    does: 'several',
    acts: [{ does: 'add', kind: 'repair', draft: other }, named('A + B', 'A')],
  });
});

test('an act names every draft it touches', () => {
  expect(touched(named('A', 'B'))).toEqual([repair.id]);
  expect(touched(gone)).toEqual([other.id]);
  expect(touched(both)).toEqual([repair.id, other.id]);
});

test('what is typed in one go is one act; several at once never join with what was typed', () => {
  const typed = remember(remember(NO_HISTORY, named('A', 'Ab'), false), named('Ab', 'Abc'), true);
  expect(typed.past).toEqual([named('A', 'Abc')]);
  expect(remember(typed, both, true).past).toEqual([named('A', 'Abc'), both]);
  expect(remember(remember(NO_HISTORY, both, false), named('A + B', 'C'), true).past).toHaveLength(2);
  // What was undone before it is forgotten.
  expect(remember({ past: [], future: [gone] }, both, false).future).toEqual([]);
});

test('a change is carried out all of it or not at all', () => {
  const changes = [
    { path: ['name'], before: repair.name, after: 'Sill' },
    { path: ['place'], before: 'somewhere else', after: 'Pier' },
  ];
  expect(redone(repair, changes)).toBeNull();
  expect(redone(repair, changes.slice(0, 1))).toEqual({ ...repair, name: 'Sill' });
  // Done already, it is the same draft.
  expect(redone(repair, [{ path: ['name'], before: 'x', after: repair.name }])).toBe(repair);
});
