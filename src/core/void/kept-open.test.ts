import fc from 'fast-check';
import { saying } from '@/words/saying.testing';
import { chordsOf, openLineProblems, openMm } from './kept-open';
import { facesOf, nominalMl } from './measure';
import { measured } from './measured';
import { inside, signedAreaMm2 } from './outline';
import type { Point } from './point';
import { SHAPES, type VoidShape } from './shapes';

/** A U of two arms: what crosses both is two joints. */
const U: readonly Point[] = [
  [100, 50],
  [1100, 50],
  [1100, 850],
  [800, 850],
  [800, 350],
  [400, 350],
  [400, 850],
  [100, 850],
];

test('a joint across both arms of a U is two pieces, none in the gap between', () => {
  expect(chordsOf(U, { runs: 'across', atMm: 500 })).toEqual([
    { atMm: 500, from: [100, 550], to: [400, 550] },
    { atMm: 500, from: [800, 550], to: [1100, 550] },
  ]);
  expect(openMm(chordsOf(U, { runs: 'down', atMm: 500 }))).toBe(300);
});
test('its length is that of the steps of a millimetre that fall inside', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('down' as const, 'across' as const),
      // Half millimetres: between the corners, where inside is not a matter of rounding.
      fc.integer({ min: 1, max: 790 }).map((n) => n + 0.5),
      (runs, atMm) => {
        let steps = 0;
        for (let on = -10; on < 1200; on++)
          if (inside(U, runs === 'down' ? [100 + atMm, on + 0.25] : [on + 0.25, 50 + atMm])) steps++;
        expect(openMm(chordsOf(U, { runs, atMm }))).toBe(steps);
      },
    ),
  );
});
test.each([0, -5, 1000, 4000, Number.NaN])('at %p mm of a metre it does not lie on the face', (atMm) => {
  const [problem] = openLineProblems(
    U,
    [
      { runs: 'down', atMm: 300 },
      { runs: 'down', atMm },
    ],
    'movement.lines',
  );
  expect(problem).toMatchObject({ field: 'movement.lines.1', sentence: saying(/^Joint 2[,:].*1000 mm/) });
});

describe('joints of a floor of 3.6 × 2 m', () => {
  const floor = (movement: object, length = 3600): VoidShape =>
    ({
      ...SHAPES.joints.blank(),
      outline: { kind: 'rectangle', length: measured(length), width: measured(2000) },
      tileLength: measured(600, 'rule'),
      tileWidth: measured(300, 'rule'),
      jointWidth: measured(8, 'calliper'),
      depth: measured(25, 'gauge'),
      movement,
    }) as VoidShape;
  test('a movement joint across it takes off what its typed length of 2 m takes off', () => {
    const drawn = floor({ lengthMm: 0, widthMm: 8, lines: [{ runs: 'down', atMm: 1204 }] });
    expect(nominalMl(drawn)).toBeCloseTo(nominalMl(floor({ lengthMm: 2000, widthMm: 8 })), 9);
    // What is drawn counts, not what was typed before.
    expect(nominalMl(floor({ ...(drawn as { movement: object }).movement, lengthMm: 99_000 }))).toBe(nominalMl(drawn));
    expect(nominalMl(floor({ lengthMm: 0, widthMm: 8 })) - nominalMl(drawn)).toBeCloseTo((2000 * 8 * 25) / 1000, 6);
  });
  test('one that no longer lies on it is told at its row', () => {
    const of = floor({ lengthMm: 0, widthMm: 8, lines: [{ runs: 'down', atMm: 3000 }] }, 2500);
    expect(SHAPES.joints.problems(of as never)[0]).toMatchObject({ field: 'movement.lines.0' });
  });
  test('seen from above its tiles reach every edge, cut where they have to be: what is left is joint', () => {
    for (const length of [3600, 3040, 2999, 640]) {
      const shape = floor({ lengthMm: 0, widthMm: 8 }, length);
      const { outlines } = SHAPES.joints.plan!(shape as never);
      const tiles = outlines.filter((o) => o.role === 'keep-clear').map((o) => o.points);
      const area = tiles.reduce((sum, p) => sum + Math.abs(signedAreaMm2(p)), 0);
      const { planAreaMm2 } = facesOf(shape);
      // Within a joint all round of what the share of joints says.
      expect(Math.abs(length * 2000 - area - planAreaMm2)).toBeLessThan(2 * 8 * (length + 2000));
      for (const [x, y] of tiles.flat()) expect([x >= 0 && x <= length, y >= 0 && y <= 2000]).toEqual([true, true]);
    }
  });
});
