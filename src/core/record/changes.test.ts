import fc from 'fast-check';
import { carryOver, changesBetween, inverse, valueAtPath } from '.';

/** Records of any build, as JSON has them. */
const record = fc.dictionary(
  fc.stringMatching(/^[a-d]$/),
  fc.letrec((tie) => ({
    value: fc.oneof(
      { depthSize: 'small' },
      fc.integer({ min: 0, max: 5 }),
      fc.constantFrom('x', 'y', null, true),
      fc.array(tie('value'), { maxLength: 3 }),
      fc.dictionary(fc.stringMatching(/^[a-c]$/), tie('value'), { maxKeys: 3 }),
    ),
  })).value,
);

test('what differs, made to the one, gives the other; and made backwards, the one again', () => {
  fc.assert(
    fc.property(record, record, (a, b) => {
      const changes = changesBetween(a, b);
      const there = carryOver(a, changes);
      expect(there).toEqual({ record: b, unfit: [] });
      expect(carryOver(there.record, inverse(changes))).toEqual({ record: a, unfit: [] });
      if (changes.length === 0) expect(a).toEqual(b);
    }),
    { numRuns: 400 },
  );
});

test('what two hands change in different places both stands, in either order', () => {
  const start = { name: 'Sill', void: { shapes: [{ width: 3, depth: 4 }], count: 1 }, days: [1, 2] };
  const mine = changesBetween(start, { ...start, void: { ...start.void, shapes: [{ width: 9, depth: 4 }] } });
  const theirs = changesBetween(start, {
    ...start,
    void: { shapes: [{ width: 3, depth: 8 }], count: 2 },
    days: [1, 2, 3],
  });
  const wanted = { name: 'Sill', void: { shapes: [{ width: 9, depth: 8 }], count: 2 }, days: [1, 2, 3] };
  expect(carryOver(carryOver(start, mine).record, theirs)).toEqual({ record: wanted, unfit: [] });
  expect(carryOver(carryOver(start, theirs).record, mine)).toEqual({ record: wanted, unfit: [] });
});

test('of one place the first stands, and the other is told what it found', () => {
  const start = { name: 'Sill' };
  const changes = changesBetween(start, { name: 'Threshold' });
  const { record: kept, unfit } = carryOver({ name: 'Doorstep' }, changes);
  expect(kept).toEqual({ name: 'Doorstep' });
  expect(unfit).toEqual([{ path: ['name'], before: 'Sill', after: 'Threshold', found: 'Doorstep' }]);
  // Both wanted the same: there is nothing to ask.
  expect(carryOver({ name: 'Threshold' }, changes).unfit).toEqual([]);
});

test('bookkeeping is no difference; names of the engine are names like any other', () => {
  expect(changesBetween({ a: 1, updatedAt: 5 }, { a: 1, updatedAt: 9 })).toEqual([]);
  expect(valueAtPath({ a: 1 }, ['toString'])).toBeUndefined();
  expect(valueAtPath([1, 2], ['length'])).toBeUndefined();
  const odd = JSON.parse('{"constructor":1}');
  expect(carryOver({ a: 1 }, changesBetween({ a: 1 }, { a: 1, ...odd })).record).toEqual({ a: 1, constructor: 1 });
});
