import fc from 'fast-check';
import { freshRepair } from '@/ui/workspace/fresh';
import { methodOf } from '../method';
import { measured, measureVoid, SHAPES, unmeasured, unmeasuredIn, type Void, type VoidShape, voidOf } from '../void';
import { type Piece, pieceOf, takesFace, withNext, withPiece } from '.';
import { takenVoid } from './taken-void';

/** A fill of one shape, and a coat of 2 mm on its face; the coat goes no further than the fill. */
function coatOn(shape: VoidShape, beyondMm = 0): Void | null {
  const alone = freshRepair('job', 'fitting-build', 1, 0, 'timber');
  const two = withNext(withPiece(alone, { ...pieceOf(alone), void: voidOf(shape) }), methodOf('barrier-coat')!);
  const coat: Piece = {
    ...pieceOf(two, 'p2'),
    takes: { ...takesFace(two, 'p1', measured(2, 'film')), beyondMm } as Piece['takes'],
  };
  return takenVoid(
    coat,
    new Map([
      ['p1', pieceOf(two, 'p1')],
      ['p2', coat],
    ]),
  );
}
/** How much a coat of 2 mm is, mL. */
const coatMl = (shape: VoidShape, beyondMm = 0): number => measureVoid(coatOn(shape, beyondMm)!).nominalMl;

const edge = (over: object = {}) =>
  ({
    ...SHAPES.edge.blank(),
    down: measured(60, 'rule'),
    back: measured(80, 'rule'),
    length: measured(400, 'tape'),
    ...over,
  }) as VoidShape;

test('a rebuilt edge is coated on both its sides, however it broke', () => {
  // 400 × (60 + 80) × 2 mm.
  expect(coatMl(edge())).toBeCloseTo(112, 6);
  for (const form of ['scooped', 'stepped', 'bulging']) expect(coatMl(edge({ form }))).toBeCloseTo(112, 6);
  // 10 mm beyond it all round: 420 × 160.
  expect(coatMl(edge(), 10)).toBeCloseTo(134.4, 6);
});

test('a fillet is coated along its round, by the arc that many short chords make', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 60, noNaN: true }),
      fc.double({ min: 30, max: 150, noNaN: true }),
      (r, angleDeg) => {
        const shape = {
          ...SHAPES.fillet.blank(),
          radius: measured(r, 'rule'),
          length: measured(500, 'tape'),
          angleDeg,
        };
        const turn = Math.PI * (1 - angleDeg / 180);
        const n = 2000;
        const chords = n * 2 * r * Math.sin(turn / n / 2);
        expect(coatMl(shape as VoidShape)).toBeCloseTo((chords * 500 * 2) / 1000, 2);
      },
    ),
  );
});

test('a poured ring is coated but for its middle, a straight channel from end to end', () => {
  const round = { ...SHAPES.ring.blank(), run: { form: 'round', outer: measured(300), inner: measured(200) } };
  expect(coatMl(round as VoidShape)).toBeCloseTo(((Math.PI / 4) * (300 ** 2 - 200 ** 2) * 2) / 1000, 6);
  const disc = { ...round, run: { ...round.run, inner: measured(0) } };
  expect(coatMl(disc as VoidShape)).toBeCloseTo(((Math.PI / 4) * 300 ** 2 * 2) / 1000, 6);
  const straight = { ...round, run: { form: 'straight', length: measured(900), width: measured(40) } };
  expect(coatMl(straight as VoidShape)).toBeCloseTo(72, 6);
});

test('a side that nobody has measured is not measured on the coat either, and one in doubt leaves it in doubt', () => {
  const open = coatOn(edge({ down: unmeasured(60, 'rule') }))!;
  expect(unmeasuredIn(open).length).toBeGreaterThan(0);
  const spread = (toleranceMm: number) => {
    const { p5Ml, p95Ml } = measureVoid(coatOn(edge({ down: measured(60, 'rule', toleranceMm) }))!);
    return p95Ml - p5Ml;
  };
  expect(spread(20)).toBeGreaterThan(spread(1) * 1.2);
});

const corner = (form: string, [down, along, back]: readonly [number, number, number], toleranceMm = 0.5) =>
  ({
    ...SHAPES.corner.blank(),
    form,
    down: measured(down, 'rule', toleranceMm),
    along: measured(along, 'rule', toleranceMm),
    back: measured(back, 'rule', toleranceMm),
  }) as VoidShape;
const leg = fc.double({ min: 2, max: 400, noNaN: true });

test('a corner is coated on its three faces: triangles, quarters of ellipses, or rectangles, whichever leg is longest', () => {
  // Three, four and twelve by hand: 1/2 (12 + 36 + 48) = 48 mm², of 2 mm.
  for (const legs of [[3, 4, 12] as const, [12, 3, 4] as const, [4, 12, 3] as const]) {
    expect(coatMl(corner('straight', legs))).toBeCloseTo(0.096, 9);
    expect(coatMl(corner('stepped', legs))).toBeCloseTo(0.192, 9);
    expect(coatMl(corner('scooped', legs))).toBeCloseTo(0.048 * Math.PI, 9);
  }
  // Heron's rule knows nothing of right angles: each face from the lengths of its sides.
  fc.assert(
    fc.property(leg, leg, leg, (a, b, c) => {
      const heron = (x: number, y: number) => {
        const z = Math.hypot(x, y);
        const half = (x + y + z) / 2;
        return Math.sqrt(half * (half - x) * (half - y) * (half - z));
      };
      const areaMm2 = heron(a, b) + heron(b, c) + heron(c, a);
      expect(coatMl(corner('straight', [a, b, c])) / ((areaMm2 * 2) / 1000)).toBeCloseTo(1, 5);
    }),
  );
});

test('each leg of a corner leaves its face in as much doubt as moving it does', () => {
  const of = (legs: readonly [number, number, number]) => {
    const shape = coatOn(corner('straight', legs, 2))!.shapes[0]!;
    if (!('outline' in shape) || shape.outline.kind !== 'rectangle') throw new Error(shape.shape);
    return shape.outline.width.toleranceMm;
  };
  // The width of what lies along the longest leg is a function of all three.
  const width = (a: number, b: number, c: number) => (b + c + (b * c) / a) / 2;
  const [a, b, c] = [90, 60, 40];
  const moved = [
    width(a + 0.01, b, c) - width(a - 0.01, b, c),
    width(a, b + 0.01, c) - width(a, b - 0.01, c),
    width(a, b, c + 0.01) - width(a, b, c - 0.01),
  ].map((d) => Math.abs(d / 0.02) * 2);
  // Legs are read one by one: what they leave in doubt adds up as its squares do.
  expect(of([a, b, c])).toBeCloseTo(Math.hypot(...moved), 6);
});

test('of a corner nobody has measured nothing is measured on its coat', () => {
  expect(unmeasuredIn(coatOn(SHAPES.corner.blank() as VoidShape)!).length).toBeGreaterThan(0);
});

test('of what was measured by filling it no outline is known: it says so', () => {
  expect(() => coatOn(SHAPES.filled.blank() as VoidShape)).toThrow();
});
