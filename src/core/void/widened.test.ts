import fc from 'fast-check';
import { inside, measured, outlineArea, type PlanOutline, perimeterMm, widened } from '.';

const drawn = (points: readonly (readonly [number, number])[]): PlanOutline => ({
  kind: 'polygon',
  points: points.map(([x, y]) => [x, y]),
  placed: measured(0, 'photo'),
  photoId: null,
});
/** A convex outline: points on an ellipse, in the order of their angles. */
const convex = fc
  .record({
    angles: fc.uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 3, maxLength: 12 }),
    a: fc.integer({ min: 50, max: 400 }),
    b: fc.integer({ min: 50, max: 400 }),
  })
  .map(({ angles, a, b }) =>
    [...angles]
      .sort((x, y) => x - y)
      .map((d) => [a * Math.cos((d * Math.PI) / 180), b * Math.sin((d * Math.PI) / 180)] as const),
  )
  // Slivers meet far out: nobody draws them.
  .filter((p) => outlineArea(drawn(p)).areaMm2 > 2000 && sharpest(p) > 0.6);
const sharpest = (p: readonly (readonly [number, number])[]): number =>
  Math.min(
    ...p.map(([x, y], i) => {
      const [ax, ay] = p[(i + p.length - 1) % p.length]!;
      const [bx, by] = p[(i + 1) % p.length]!;
      const [u, v] = [Math.atan2(ay - y, ax - x), Math.atan2(by - y, bx - x)];
      const d = Math.abs(u - v);
      return Math.min(d, 2 * Math.PI - d);
    }),
  );

test('a round or square one grows by twice the margin; none stays as it was', () => {
  const round: PlanOutline = { kind: 'ellipse', length: measured(40, 'rule'), width: measured(16, 'rule') };
  expect(widened(round, 15)).toMatchObject({ length: { valueMm: 70 }, width: { valueMm: 46 } });
  expect(widened(round, 0)).toBe(round);
});

test('a drawn one gains its edge times the margin and a corner at each corner, whichever way round it was drawn', () => {
  fc.assert(
    fc.property(convex, fc.integer({ min: 1, max: 30 }), fc.boolean(), (points, by, back) => {
      const outline = drawn(back ? [...points].reverse() : points);
      const wide = widened(outline, by);
      if (wide.kind !== 'polygon' || outline.kind !== 'polygon') throw new Error('drawn stays drawn');
      const gained = outlineArea(wide).areaMm2 - outlineArea(outline).areaMm2;
      // The strip along its sides, and kites of mitred corners: more than the round ones.
      expect(gained).toBeGreaterThan(perimeterMm(outline.points) * by + Math.PI * by * by - 1e-6);
      // A strip is as wide as the mean of its two edges: the area between like outlines.
      expect(gained).toBeCloseTo(((perimeterMm(outline.points) + perimeterMm(wide.points)) / 2) * by, 4);
      for (const p of outline.points) expect(inside(wide.points, p)).toBe(true);
    }),
    { numRuns: 80 },
  );
});

test('one that is notched too narrowly for it is refused, at its field', () => {
  const notched = drawn([
    [0, 0],
    [100, 0],
    [100, 100],
    [52, 100],
    [52, 20],
    [48, 20],
    [48, 100],
    [0, 100],
  ]);
  expect(() => widened(notched, 1)).not.toThrow();
  expect(() => widened(notched, 10)).toThrow(/sides of a margin would cross/);
});
