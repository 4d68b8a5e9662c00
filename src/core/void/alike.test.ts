import fc from 'fast-check';
import { alikeRuns, measured, runAt, runsOf, SHAPES, type VoidShape, withAlike } from '.';

const hole = (across: number) => ({ ...SHAPES.hole.blank(), holeDiameter: measured(across, 'calliper') }) as VoidShape;
const patch = SHAPES.patch.blank() as VoidShape;
const some = fc.array(fc.constantFrom(hole(6), hole(16), patch), { minLength: 1, maxLength: 12 });

test('holes of one size behind each other are one run; patches stand by themselves however alike', () => {
  expect(runsOf({ shapes: [hole(6), hole(6), hole(16), patch, patch, hole(6)] })).toEqual([[0, 1], [2], [3], [4], [5]]);
  expect(runAt({ shapes: [hole(6), hole(6)] }, 1)).toEqual([0, 1]);
  expect(() => runAt({ shapes: [hole(6)] }, 3)).toThrow(RangeError);
});

test('runs hold every shape once and in order, and two neighbours never are of one size', () => {
  fc.assert(
    fc.property(some, (shapes) => {
      const runs = runsOf({ shapes });
      expect(runs.flat()).toEqual(shapes.map((_, i) => i));
      runs.forEach((run, k) => {
        const next = runs[k + 1];
        if (next && shapes[run[0]!]!.shape === 'hole') expect(shapes[next[0]!]).not.toEqual(shapes[run[0]!]);
      });
    }),
  );
});

test('as many as are wanted of one size, and of the others as many as before', () => {
  fc.assert(
    fc.property(some, fc.nat(11), fc.integer({ min: 1, max: 9 }), (shapes, at, count) => {
      const index = at % shapes.length;
      fc.pre(shapes[index]!.shape === 'hole');
      const [before, made] = [runAt({ shapes }, index).length, withAlike({ shapes }, index, count).shapes];
      const first = runAt({ shapes }, index)[0]!;
      expect(made).toHaveLength(shapes.length - before + count);
      expect(runAt({ shapes: made }, first)).toHaveLength(count);
      // There and back again.
      expect(withAlike({ shapes: made }, first, before)).toEqual({ shapes });
    }),
  );
});

test('a hole with a name is one of its own; names stay with their holes when others become more or fewer', () => {
  const v = { shapes: [hole(6), hole(6), hole(6), hole(16)], places: ['', '', 'at the cleat', ''] };
  expect(runsOf(v)).toEqual([[0, 1], [2], [3]]);
  expect(withAlike(v, 0, 3)).toEqual({
    shapes: [hole(6), hole(6), hole(6), hole(6), hole(16)],
    places: ['', '', '', 'at the cleat', ''],
  });
  expect(withAlike(v, 3, 1)).toEqual(v);
});

test('where nobody types them, equal ones of any kind are told once', () => {
  expect(alikeRuns([patch, patch, hole(6), hole(6), patch])).toEqual([[0, 1], [2, 3], [4]]);
});
