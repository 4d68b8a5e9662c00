import fc from 'fast-check';
import { cornersOf, type PlanOutline, signedAreaMm2 } from '../void';
import { borderAt } from './ground';
import { cutAt, cutOff } from './ground-cut';

const area = (points: ReturnType<typeof cutOff>) => Math.abs(signedAreaMm2(points));
const placed = { valueMm: 0, toleranceMm: null, tool: 'rule', text: '', textSystem: 'metric', again: null } as const;
/** An L of two arms, a wedge, and a room with a corner cut off. */
const FLOORS: readonly PlanOutline[] = [
  {
    kind: 'polygon',
    placed,
    photoId: null,
    points: [
      [0, 0],
      [8000, 0],
      [8000, 3000],
      [3000, 3000],
      [3000, 7000],
      [0, 7000],
    ],
  },
  {
    kind: 'polygon',
    placed,
    photoId: null,
    points: [
      [-500, 0],
      [6000, 0],
      [0, 4000],
    ],
  },
  {
    kind: 'polygon',
    placed,
    photoId: null,
    points: [
      [0, 0],
      [5000, 500],
      [5200, 4000],
      [1000, 4200],
      [0, 2500],
    ],
  },
];

test.each(FLOORS.flatMap((o, i) => ([0, 1] as const).map((axis) => [i, axis, o] as const)))(
  'floor %i, axis %i: pieces add up to the whole, none is lost or laid twice',
  (_, axis, outline) => {
    const corners = cornersOf(outline);
    const whole = area(corners);
    const shares = [0, 0.07, 0.3, 0.31, 0.75, 1];
    const cuts = shares.map((s) => cutAt(corners, axis, s));
    const pieces = cuts.slice(1).map((to, i) => cutOff(cutOff(corners, axis, to, 'below'), axis, cuts[i]!, 'above'));
    pieces.forEach((p, i) => {
      expect(area(p) / whole).toBeCloseTo(shares[i + 1]! - shares[i]!, 6);
    });
    expect(pieces.reduce((sum, p) => sum + area(p), 0)).toBeCloseTo(whole, 0);
  },
);
test('a cut beyond the face leaves all of it, or nothing', () => {
  const corners = cornersOf(FLOORS[0]!);
  expect(area(cutOff(corners, 0, 9000, 'below'))).toBe(area(corners));
  expect(cutOff(corners, 0, 9000, 'above')).toEqual([]);
  expect(cutOff(corners, 0, -1, 'below')).toEqual([]);
});
test('where so much lies below is found as counting small squares finds it', () => {
  const corners = cornersOf(FLOORS[2]!);
  const at = cutAt(corners, 0, 0.4);
  // A naive twin: squares of 20 mm by the even-odd rule of a ray.
  const inside = (x: number, y: number) => {
    let odd = false;
    corners.forEach(([xi, yi], i) => {
      const [xj, yj] = corners[(i + corners.length - 1) % corners.length]!;
      if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) odd = !odd;
    });
    return odd;
  };
  let [below, all] = [0, 0];
  for (let x = 10; x < 5300; x += 20)
    for (let y = 10; y < 4300; y += 20)
      if (inside(x, y)) {
        all++;
        if (x < at) below++;
      }
  expect(below / all).toBeCloseTo(0.4, 2);
});

describe('a border that is pulled', () => {
  test('stays where it is put, as long as both batches beside it can be placed', () => {
    const even = { borders: [1 / 3, 2 / 3], mostShare: 0.5 };
    expect(borderAt(even, 0, 0.25)).toBe(0.25);
    expect(borderAt(even, 0, 0.9)).toBe(0.5);
    // The second third may grow to a half and no further.
    expect(borderAt(even, 0, 0)).toBeCloseTo(0.1667, 6);
    expect(borderAt(even, 1, 1)).toBeCloseTo(0.8333, 6);
  });
  test('never by its own rounding gives a batch more than is placed in time', () => {
    const most = fc.double({ min: 0.4, max: 1, noNaN: true });
    fc.assert(
      fc.property(most, fc.double({ min: -1, max: 2, noNaN: true }), fc.nat({ max: 1 }), (mostShare, to, i) => {
        const borders = [1 / 3, 2 / 3];
        const held = borderAt({ borders, mostShare }, i, to);
        const ends = [0, ...borders.map((b, k) => (k === i ? held : b)), 1];
        for (const beside of [i, i + 1]) {
          const share = ends[beside + 1]! - ends[beside]!;
          expect(share).toBeLessThanOrEqual(mostShare + 1e-12);
          expect(share).toBeGreaterThanOrEqual(0.02 - 1e-12);
        }
      }),
    );
  });
});
