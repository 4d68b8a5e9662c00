import fc from 'fast-check';
import { KIND_IDS, systemKind } from './kinds';
import { MilestoneId } from './milestone';
import { tellsOf } from './tells';

const tells = (has: readonly MilestoneId[], usual: readonly MilestoneId[]) => tellsOf(new Set(has), usual);

test('an empty sheet tells nothing, and says which times would', () => {
  expect(tells([], ['use-by', 'sandable', 'load'])).toEqual({
    can: [],
    open: [
      { label: 'how long a mix may be worked', by: 'use-by' },
      { label: 'when it may be ground or sanded', by: 'sandable' },
      { label: 'when it may be loaded', by: 'load' },
    ],
  });
});

test('a later time stands in for an earlier one, never the other way round', () => {
  expect(tells(['use-by', 'full-cure'], ['use-by', 'sandable', 'load']).open).toEqual([]);
  expect(tells(['use-by', 'sandable'], ['use-by', 'sandable', 'load']).open.map((o) => o.by)).toEqual(['load']);
});

test('what a kind never prints is not asked of its sheet', () => {
  expect(tells(['use-by'], systemKind('polyester-filler').times).open.map((o) => o.by)).toEqual(['sandable']);
});

test('law: a time more never opens what was told, and with all times of a kind nothing is open', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...KIND_IDS),
      fc.subarray([...MilestoneId.options]),
      fc.constantFrom(...MilestoneId.options),
      (kind, has, more) => {
        const usual = systemKind(kind).times;
        const [before, after] = [tells(has, usual), tells([...has, more], usual)];
        for (const told of before.can) expect(after.can).toContain(told);
        expect(tells(usual, usual).open).toEqual([]);
      },
    ),
  );
});
