import fc from 'fast-check';
import { say } from '@/words';
import {
  Acceptance,
  FAILURES,
  type Failure,
  firstAcceptance,
  MEASURED_KINDS,
  type MeasuredKindId,
  readingSaid,
  type TestReading,
  verdictOf,
} from '.';

const reader = { system: 'metric', zone: 'utc', language: 'en' } as const;
const asked = (kind: MeasuredKindId, over: Partial<Acceptance> = {}): Acceptance => ({
  ...firstAcceptance(kind, 'a'),
  ...over,
});
const read = (...values: readonly (number | readonly [number, Failure])[]): TestReading[] =>
  values.map((v, i) =>
    typeof v === 'number' ? { value: v, failure: null, atMs: i } : { value: v[0], failure: v[1], atMs: i },
  );
const said = (a: Acceptance, ...values: readonly (number | readonly [number, Failure])[]) => {
  const v = verdictOf(a, read(...values));
  return [v.answer, say(v.why, reader)];
};

test('nothing is judged before somebody has said what is asked: no limit of ours stands in for it', () => {
  for (const kind of Object.keys(MEASURED_KINDS) as MeasuredKindId[])
    expect(said(asked(kind), 5, 6, 7)).toEqual(['open', 'What is asked has not been typed yet.']);
  expect(said(asked('reading', { limit: 5 }), 5)[0]).toBe('open');
});

test('pull-off: three that reach 1.5 MPa; one that tore in the glue below it is made again, one above it proves that much', () => {
  const pull = asked('pull-off', { limit: 1.5 });
  expect(said(pull, [2.1, 'base'], [1.9, 'bond'])).toEqual(['open', '1 more reading is asked.']);
  expect(said(pull, [2.1, 'base'], [1.9, 'bond'], [1.5, 'glue'])).toEqual(['yes', 'All 3 as asked.']);
  expect(said(pull, [2.1, 'base'], [1.9, 'bond'], [1.1, 'glue'])).toEqual([
    'open',
    '1 did not count, torn in the glue: 1 more is asked.',
  ]);
  expect(said(pull, [2.1, 'base'], [1.9, 'bond'], [1.1, 'glue'], [1.8, 'repair'])[0]).toBe('yes');
  expect(said(pull, [2.1, 'base'], [1.4, 'bond'], [3, 'base'])).toEqual(['no', '1 is not as asked.']);
  expect(said(pull, [1.2, 'base'], [1.3, 'base'], [1.9, 'bond'])).toEqual([
    'no',
    '2 are not as asked, torn in the base: the base is weaker than was asked, and whoever asked decides.',
  ]);
  // What does not count is not in the mean either.
  expect(verdictOf(pull, read([2, 'base'], [1, 'glue'], [3, 'bond'])).mean).toBe(2.5);
});

test('hardness, straightedge, leak and dry trial, each by its own sense of good', () => {
  expect(said(asked('hardness', { limit: 80, scale: 'D' }), 82, 80, 79.9)[0]).toBe('no');
  expect(said(asked('hardness', { limit: 80, scale: 'D' }), 82, 80, 85)[0]).toBe('yes');
  expect(said(asked('level', { limit: 3 }), 1, 3, 2)[0]).toBe('yes');
  expect(said(asked('level', { limit: 3 }), 1, 3.1, 2)[0]).toBe('no');
  expect(said(asked('leak', { limit: 30 }), 30)[0]).toBe('yes');
  const trial = asked('reading', { limit: 5, reference: -40 });
  expect(said(trial, -41, -38, -42)[0]).toBe('yes');
  expect(said(trial, -41, -38, -42.1)[0]).toBe('no');
});

test('a reading is told in the unit of its quantity and on its scale', () => {
  expect(say(readingSaid({ kind: 'pull-off', scale: '' }, 1.5), reader)).toBe('1.5 MPa');
  expect(say(readingSaid({ kind: 'pull-off', scale: '' }, 1.5), { ...reader, system: 'us' })).toMatch(/psi$/);
  expect(say(readingSaid({ kind: 'hardness', scale: 'Shore D' }, 82), reader)).toBe('82 Shore D');
});

test('more good readings never undo a yes, and one bad one always does', () => {
  const a = asked('pull-off', { limit: 1.5, count: 3 });
  const good = fc.double({ min: 1.5, max: 20, noNaN: true });
  const bad = fc.double({ min: 0, max: 1.49, noNaN: true });
  const failure = fc.constantFrom(...(Object.keys(FAILURES) as Failure[]));
  fc.assert(
    fc.property(fc.array(fc.tuple(good, failure), { minLength: 3, maxLength: 9 }), bad, fc.nat(8), (values, b, at) => {
      expect(verdictOf(a, read(...values)).answer).toBe('yes');
      const spoiled = [...values.slice(0, at), [b, 'bond'] as const, ...values.slice(at)];
      expect(verdictOf(a, read(...spoiled)).answer).toBe('no');
    }),
  );
});

test('what is kept is checked: a count of nought, a negative limit and an unknown kind do not fit', () => {
  const sound = asked('hardness', { limit: 80 });
  expect(Acceptance.safeParse(sound).success).toBe(true);
  for (const over of [{ count: 0 }, { count: 2.5 }, { limit: -1 }, { kind: 'smell' }, { by: 'x'.repeat(81) }])
    expect([over, Acceptance.safeParse({ ...sound, ...over }).success]).toEqual([over, false]);
});

test('a mean of its own is asked beside each: three above 1.0 whose mean is under 1.5 are not as asked', () => {
  const pull = asked('pull-off', { limit: 1, meanLimit: 1.5 });
  expect(said(pull, [1.2, 'base'], [1.4, 'bond'], [1.3, 'bond'])).toEqual([
    'no',
    'Each as asked, and their mean of 1.3 MPa is not: 1.5 MPa is asked of it.',
  ]);
  expect(said(pull, [1.2, 'base'], [1.9, 'bond'], [1.4, 'bond'])).toEqual(['yes', 'All 3 as asked.']);
  // One below what is asked of each is never lifted by the mean of the others.
  expect(said(pull, [0.9, 'bond'], [2.9, 'bond'], [2.8, 'bond'])[0]).toBe('no');
  // What tore in the glue and does not count is in no mean either.
  expect(said(pull, [0.4, 'glue'], [1.5, 'base'], [1.6, 'base'], [1.5, 'bond'])).toEqual(['yes', 'All 3 as asked.']);
  expect(said(asked('level', { limit: 4, meanLimit: 2 }), 1, 3, 3)[0]).toBe('no');
  expect(said(asked('level', { limit: 4, meanLimit: 2.5 }), 1, 3, 3)[0]).toBe('yes');
});
test('readings told before a mean could be asked read as before', () => {
  const { meanLimit: _none, ...old } = asked('hardness', { limit: 80 });
  expect(Acceptance.parse(old).meanLimit).toBeNull();
});
