import fc from 'fast-check';
import { alike } from './alike';
import type { Finding } from './finding';

const finding = (over: Partial<Finding> & Pick<Finding, 'id'>): Finding => ({
  severity: 'stop',
  stage: 'place',
  title: 'It has gelled by then',
  why: over.id,
  todo: 'More hands.',
  ...over,
});
const late = (n: number, from = 1) => Array.from({ length: n }, (_, i) => finding({ id: `late:b${from + i}` }));
const ids = (of: readonly Finding[], apart?: (f: Finding) => boolean) =>
  alike(of, apart).map(({ first, more }) => [first.id, ...more.map((f) => f.id)]);

test('nine stops in the same words are one with eight behind it; two stand by themselves', () => {
  expect(ids(late(9)).map((g) => g.length)).toEqual([9]);
  expect(ids(late(2))).toEqual([['late:b1'], ['late:b2']]);
});

test('another pass, another gravity, other words, a way out of its own or a decision are told by themselves', () => {
  const five = late(5);
  const odd = (over: Partial<Finding>) => five.map((f, i) => (i === 2 ? { ...f, ...over } : f));
  const way = [{ say: 'Begin sooner', set: { path: ['plannedStart'], value: 1 } }];
  for (const over of [
    { passId: 'p2' },
    { severity: 'caution' },
    { stage: 'mix' },
    { title: 'Another thing' },
    { todo: 'Something else.' },
    { ways: way },
    { refusal: 'void' },
  ] as const)
    expect([over, ids(odd(over))]).toEqual([over, [['late:b1', 'late:b2', 'late:b4', 'late:b5'], ['late:b3']]]);
  expect(ids(five, (f) => f.id === 'late:b1')).toEqual([['late:b1'], ['late:b2', 'late:b3', 'late:b4', 'late:b5']]);
});

test('whatever is noticed, each finding is told once, and nothing stands before what was noticed before it', () => {
  const any = fc.array(
    fc.record({ title: fc.constantFrom('a', 'b', 'c'), severity: fc.constantFrom('stop' as const, 'note' as const) }),
    { maxLength: 30 },
  );
  fc.assert(
    fc.property(any, (list) => {
      const all = list.map((over, i) => finding({ id: `${i}`, ...over }));
      const groups = alike(all);
      expect(
        groups
          .flatMap(({ first, more }) => [first, ...more])
          .map((f) => Number(f.id))
          .sort((a, b) => a - b),
      ).toEqual(all.map((_, i) => i));
      const firsts = groups.map(({ first }) => Number(first.id));
      expect(firsts).toEqual([...firsts].sort((a, b) => a - b));
      for (const { first, more } of groups)
        for (const f of more) expect([f.title, f.severity]).toEqual([first.title, first.severity]);
    }),
  );
});
