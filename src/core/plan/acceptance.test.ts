import fc from 'fast-check';
import { say } from '@/words';
import {
  Acceptance,
  FAILURES,
  type Failure,
  firstAcceptance,
  limitSaid,
  MEASURED_KINDS,
  type MeasuredKindId,
  provedOf,
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

describe('a proof pull', () => {
  const proof = (over: Partial<Acceptance> = {}) => asked('proof', { limit: 0.5, loadN: 12_000, heldMin: 5, ...over });
  const of = (places: number, a: Acceptance, ...values: readonly number[]) => {
    const v = verdictOf(a, read(...values), places);
    return [v.answer, v.wanted, say(v.why, reader)];
  };

  test('nothing is judged before load, time and movement are typed', () => {
    for (const over of [{ loadN: null }, { heldMin: null }])
      expect(of(36, proof(over), 0.1)).toEqual([
        'open',
        3,
        'The load, and how long it is held, have not been typed yet.',
      ]);
    expect(of(36, proof({ limit: 0 }), 0.1)[0]).toBe('open');
  });

  test.each([
    [36, null, 3],
    [36, 10, 4],
    [36, 5, 3],
    [20, 15, 3],
    [100, 2.5, 3],
    [100, 5, 5],
    [2, 10, 2],
    [1, 100, 1],
  ])('of %d places a share of %s %% is %d', (places, sharePct, wanted) => {
    expect(of(places, proof({ sharePct }))[1]).toBe(wanted);
    expect(provedOf({ sharePct, count: 3 }, places)).toBe(wanted);
  });

  test('all that are asked hold: as asked', () => {
    const a = proof({ sharePct: 10 });
    expect(of(36, a, 0.1, 0.2, 0.5)).toEqual(['open', 4, '1 more reading is asked.']);
    expect(of(36, a, 0.1, 0.2, 0.5, 0)).toEqual(['yes', 4, 'All 4 as asked.']);
  });

  test('one moves too far: as many again; two: every one of them; what failed is never made good by the others', () => {
    const a = proof({ sharePct: 10 });
    expect(of(36, a, 0.1, 0.9)).toEqual(['open', 8, '1 moved too far: 6 more are tried, 8 in all.']);
    expect(of(36, a, 0.1, 0.9, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1)).toEqual([
      'no',
      8,
      '1 of 8 moved too far: it is out and set anew; the others hold.',
    ]);
    expect(of(36, a, 0.1, 0.9, 0.1, 0.1, 2)).toEqual(['open', 36, '2 moved too far: 31 more are tried, 36 in all.']);
    const all = of(36, a, 0.9, 2, ...Array.from({ length: 34 }, () => 0.1));
    expect(all).toEqual(['no', 36, '2 of 36 moved too far: they are out and set anew; the others hold.']);
    // Of four holes twice as many are all of them.
    expect(of(4, proof(), 0.1, 0.9)[1]).toBe(4);
  });

  test('never fewer than before, whatever fails, and never more than there are', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.option(fc.integer({ min: 1, max: 100 })),
        fc.nat(9),
        (places, sharePct, failed) => {
          const [before, now] = [failed, failed + 1].map((n) => provedOf({ sharePct, count: 3 }, places, n));
          expect(now!).toBeGreaterThanOrEqual(before!);
          expect(now!).toBeLessThanOrEqual(Math.max(places, 3));
          if (sharePct !== null)
            expect(before! / Math.min(places, Math.max(3, (places * sharePct) / 100))).toBeGreaterThanOrEqual(1 - 1e-9);
        },
      ),
    );
  });

  test('what is asked is told with its load and its time', () => {
    expect(say(limitSaid(proof()), reader)).toBe('0.5 mm under 12 kN held for 5 min');
    expect(say(limitSaid(asked('hardness', { limit: 80, scale: 'D' })), reader)).toBe('80 D');
    expect(say(limitSaid(asked('reading', { limit: 5, reference: 1 })), reader)).toBe('within 5 %');
  });

  test('tests asked for before a load could be typed read as before', () => {
    const { loadN: _l, heldMin: _h, sharePct: _s, ...old } = asked('level', { limit: 3 });
    expect(Acceptance.parse(old)).toMatchObject({ loadN: null, heldMin: null, sharePct: null });
    for (const over of [{ loadN: 0 }, { heldMin: -1 }, { sharePct: 101 }])
      expect(Acceptance.safeParse({ ...proof(), ...over }).success).toBe(false);
  });
});
