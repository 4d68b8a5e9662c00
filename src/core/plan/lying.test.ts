import { plainWords } from '@/words';
import { sampleData } from '../../sample/jobs';
import { methodOf } from '../method';
import { type Drawing, measured, type Outline, type Point, SHAPES, type Void, type VoidShape, voidOf } from '../void';
import { type GateId, type Piece, pieceOf, piecesOf, type Repair, sectionInPlace, withNext, withPiece } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const [fitting, collar] = bundles[3]!.repairs as [Repair, Repair];
const nosing = bundles[0]!.repairs[0]!;
const named = (repair: Repair) => piecesOf(repair).map((piece) => ({ piece, name: piece.passName || piece.passId }));
const drawn = (repair: Repair, passId: string, of = named(repair)) => sectionInPlace(of, passId, 0);
const role = (d: Drawing, r: Outline['role']) => d.outlines.filter((o) => o.role === r);
const names = (d: Drawing, r: Outline['role']) => role(d, r).flatMap((o) => o.label ?? []);
const box = (outlines: readonly Outline[]) => {
  const points = outlines.flatMap((o) => o.points);
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) };
};
/** Area of a closed line, mm²: the shoelace. */
const area = (p: readonly Point[]): number =>
  Math.abs(p.reduce((s, [x, y], i) => s + x * p[(i + 1) % p.length]![1] - p[(i + 1) % p.length]![0] * y, 0)) / 2;

describe('a fitting of four passes', () => {
  test('the build is drawn with the tack under it and the fairing over it, about one centre line', () => {
    const d = drawn(fitting, 'p2');
    expect([names(d, 'already'), names(d, 'later')]).toEqual([['Tack'], ['Fair']]);
    const [mine, tack, fair] = [box(role(d, 'void')), box(role(d, 'already')), box(role(d, 'later'))];
    for (const b of [mine, tack, fair]) expect(b.x0 + b.x1).toBeCloseTo(0, 9);
    // An ellipse is drawn by a polygon of its area, a hair wider.
    expect(tack.x1 - tack.x0).toBeCloseTo(180, 0);
    expect(tack.y1 - tack.y0).toBeCloseTo(2, 9);
    // All of them stand on the hull, which is 50 mm below the top of the build.
    expect([mine.y1, tack.y1, fair.y1]).toEqual([50, 50, 50]);
    expect(fair.y1 - fair.y0).toBeCloseTo(12, 9);
  });

  test('what is drawn to a scale of its own is left alone: a film is seen by its texture', () => {
    const d = drawn(fitting, 'p4');
    expect([...role(d, 'already'), ...role(d, 'later')]).toEqual([]);
  });

  test('a pass tied to nothing lies in another place', () => {
    const free: Repair = { ...fitting, passes: { ...fitting.passes, p3: { ...fitting.passes.p3!, gate: 'any' } } };
    expect(names(drawn(free, 'p2'), 'later')).toEqual([]);
    expect(names(drawn(free, 'p3'), 'already')).toEqual([]);
  });
});

test('two pours of a collar: the first ring lies inside the second, edge to edge', () => {
  const d = drawn(collar, 'p2');
  const [first, second] = [box(role(d, 'already')), box(role(d, 'void'))];
  // Radii 220 to 260, and 260 to 320.
  expect(first.x1).toBeCloseTo(second.x0, 9);
  expect([first.x1 - first.x0, first.y1 - first.y0]).toEqual([40, 35]);
  expect(plainWords(d.title)).toBe('section across the channel, with what lies there');
});

/** A patch and a further fill of the same outline. */
const twoFills = (gate: GateId, depths: readonly [number, number]): Repair => {
  const patch = (mm: number): Void =>
    voidOf({
      ...SHAPES.patch.blank(),
      outline: { kind: 'rectangle', length: measured(400), width: measured(300) },
      depth: { kind: 'mean', mean: measured(mm, 'gauge') },
    } as VoidShape);
  const first = withPiece(nosing, { ...pieceOf(nosing), passName: 'Bed', void: patch(depths[0]) });
  const both = withNext(first, methodOf('mortar-patch')!);
  const top: Piece = {
    ...pieceOf(both, 'p2'),
    passName: 'Top',
    takes: { from: 'own' },
    gate,
    void: patch(depths[1]),
  };
  return withPiece(both, top);
};

test('two fills of one hollow lie on one another and keep their areas; the base reaches under both', () => {
  const repair = twoFills('set', [30, 20]);
  const top = drawn(repair, 'p2');
  const [bed, mine] = [box(role(top, 'already')), box(role(top, 'void'))];
  expect([mine.y0, mine.y1, bed.y0, bed.y1]).toEqual([0, 20, 20, 50]);
  expect(area(role(top, 'already')[0]!.points)).toBeCloseTo(400 * 30, 6);
  expect(box(role(top, 'base')).y1).toBeGreaterThan(50);
  // Seen from the bed, the top comes over it.
  const below = drawn(repair, 'p1');
  expect([box(role(below, 'void')).y0, box(role(below, 'later')).y1]).toEqual([0, 0]);
  expect(names(below, 'later')).toEqual(['Top']);
});

describe('a layer on the face of a fill', () => {
  const layered = (from: 'face' | 'left', mm: number): Repair => {
    const repair = twoFills('set', [30, 20]);
    const takes = from === 'face' ? { from, of: 'p1', thickness: measured(mm), beyondMm: 0 } : { from, of: 'p1' };
    return withPiece(repair, { ...pieceOf(repair, 'p2'), takes });
  };
  const coat = (mm: number): Void => voidOf({ ...SHAPES.coat.blank(), thickness: measured(mm) } as VoidShape);
  test('it reaches so far beyond the fill on each side, as thick as was typed', () => {
    const wide = (beyondMm: number) => {
      const repair = layered('face', 4);
      const top = pieceOf(repair, 'p2');
      const takes = { from: 'face', of: 'p1', thickness: measured(4), beyondMm } as const;
      const both = withPiece(repair, { ...top, takes });
      const named = both.chain.map((id) => ({ piece: pieceOf(both, id), name: id }));
      const voids = named.map((n) => ({ ...n, piece: { ...n.piece, void: n.piece.void ?? coat(9) } }));
      const { outlines } = sectionInPlace(voids, 'p2', 0);
      const points = outlines.find((o) => o.role === 'void')!.points;
      const span = (k: 0 | 1) => Math.max(...points.map((p) => p[k])) - Math.min(...points.map((p) => p[k]));
      const base = outlines.find((o) => o.role === 'base')!.points.map((p) => p[0]);
      return { across: span(0), thick: span(1), spare: Math.max(...base) - Math.max(...points.map((p) => p[0])) };
    };
    expect(wide(25).across - wide(0).across).toBeCloseTo(50, 9);
    expect(wide(25).thick).toBeCloseTo(4, 9);
    // And the base under it.
    expect(wide(25).spare).toBeCloseTo(wide(0).spare, 9);
    expect(wide(25).spare).toBeGreaterThan(0);
  });
  const at = (from: 'face' | 'left', mm: number) => {
    const repair = layered(from, mm);
    const all = named(repair).map((p) =>
      p.piece.passId === 'p2' ? { ...p, piece: { ...p.piece, void: coat(mm) } } : p,
    );
    return drawn(repair, 'p2', all);
  };

  test('stands on it, as wide as the fill and as thick as it is', () => {
    const d = at('face', 4);
    const [fill, layer] = [box(role(d, 'already')), box(role(d, 'void'))];
    expect([layer.x0, layer.x1]).toEqual([fill.x0, fill.x1]);
    expect([layer.y0, layer.y1]).toEqual([-4, 0]);
    expect(names(d, 'already')).toEqual(['Bed']);
    expect(d.dimensions.map((x) => x.key)).toEqual(['thickness']);
  });

  test('lies in what was left low', () => {
    const layer = box(role(at('left', 3), 'void'));
    expect([layer.y0, layer.y1]).toEqual([0, 3]);
  });
});

test('a repair of one pass is drawn as it was', () => {
  const d = drawn(nosing, 'p1');
  expect(role(d, 'already')).toEqual([]);
  expect(d.title).not.toMatch(/lies there/);
});
