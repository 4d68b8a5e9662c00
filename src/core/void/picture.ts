import { Matrix, solve } from 'ml-matrix';
import { refuse, texts } from '../say';
import type { Point } from './point';

const REFUSED = texts('refused.void.picture', {
  'two-points-known': 'The two points of known distance lie in one place.',
  'distance-between-two': 'The distance between the two points must be more than 0.',
  'both-sides-rectangle': 'Both sides of the rectangle must be more than 0.',
  'click-four-corners': 'Click the four corners in order round the rectangle; no three may lie on one line.',
});

/** From a place in a picture, pixels, to a place on the face, mm. */
export type PictureScale = (at: Point) => Point;

/**
 * Scale from two points of known distance: the picture was taken square to the face.
 * @throws Refusal when the points coincide or the distance is not above 0
 */
export function scaleByDistance(a: Point, b: Point, distanceMm: number): PictureScale {
  const px = Math.hypot(b[0] - a[0], b[1] - a[1]);
  if (!(px > 1)) refuse('scale', px, 'two points apart', REFUSED['two-points-known']());
  if (!(distanceMm > 0)) refuse('scale', distanceMm, 'more than 0 mm', REFUSED['distance-between-two']());
  const k = distanceMm / px;
  return ([x, y]) => [x * k, y * k];
}

/**
 * Scale from the four corners of a known rectangle, in order round it: undoes the perspective of a picture taken askew,
 * by the homography through four pairs of points (direct linear transformation).
 * @throws Refusal when the corners do not span a rectangle seen from the front, or its sides are not above 0
 */
export function scaleByRectangle(
  corners: readonly [Point, Point, Point, Point],
  lengthMm: number,
  widthMm: number,
): PictureScale {
  if (!(lengthMm > 0 && widthMm > 0))
    refuse('scale', [lengthMm, widthMm], 'sides above 0 mm', REFUSED['both-sides-rectangle']());
  const turns = corners.map((p, i) => {
    const [q, r] = [corners[(i + 1) % 4]!, corners[(i + 2) % 4]!];
    return Math.sign((q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0]));
  });
  if (!turns.every((t) => t === turns[0] && t !== 0))
    refuse('scale', corners, 'four corners in order round the rectangle', REFUSED['click-four-corners']());
  const onFace: readonly Point[] = [
    [0, 0],
    [lengthMm, 0],
    [lengthMm, widthMm],
    [0, widthMm],
  ];
  const rows = corners.flatMap(([x, y], i) => {
    const [u, v] = onFace[i]!;
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y],
      [0, 0, 0, x, y, 1, -v * x, -v * y],
    ];
  });
  const right = Matrix.columnVector(onFace.flat());
  const h = solve(new Matrix(rows), right).to1DArray() as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  return ([x, y]) => {
    const w = h[6] * x + h[7] * y + 1;
    return [(h[0] * x + h[1] * y + h[2]) / w, (h[3] * x + h[4] * y + h[5]) / w];
  };
}

/** A traced outline on the face, moved to begin at its lower left and rounded to a tenth of a mm. */
export function tracedOutline(trace: readonly Point[], scale: PictureScale): readonly Point[] {
  const points = trace.map(scale);
  const x0 = Math.min(...points.map((p) => p[0]));
  const y0 = Math.min(...points.map((p) => p[1]));
  return points.map(([x, y]) => [Math.round((x - x0) * 10) / 10, Math.round((y - y0) * 10) / 10]);
}
