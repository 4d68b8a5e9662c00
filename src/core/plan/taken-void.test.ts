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

test('of a corner and of what was measured by filling it, no outline is known: it says so', () => {
  const corner = { ...SHAPES.corner.blank() } as VoidShape;
  expect(() => coatOn(corner)).toThrow();
});
