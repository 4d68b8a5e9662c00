import { type Point, signedAreaMm2 } from '../void';

/** The part of a polygon on one side of a line x = at (axis 0) or y = at (axis 1). */
export function cutOff(points: readonly Point[], axis: 0 | 1, at: number, keep: 'below' | 'above'): readonly Point[] {
  const inside = (p: Point) => (keep === 'below' ? p[axis] <= at : p[axis] >= at);
  return points.flatMap((p, i): Point[] => {
    const next = points[(i + 1) % points.length]!;
    const mine = inside(p) ? [p] : [];
    if (inside(p) === inside(next)) return mine;
    const t = (at - p[axis]) / (next[axis] - p[axis]);
    return [...mine, [p[0] + (next[0] - p[0]) * t, p[1] + (next[1] - p[1]) * t] as const];
  });
}

/** Area inside corners, mm². */
export const areaOf = (points: readonly Point[]): number => Math.abs(signedAreaMm2(points));

/** Where a line across the axis leaves so large a share of the area below it, mm. */
export function cutAt(points: readonly Point[], axis: 0 | 1, share: number): number {
  let low = Math.min(...points.map((p) => p[axis]));
  let high = Math.max(...points.map((p) => p[axis]));
  const wanted = areaOf(points) * share;
  for (let i = 0; i < 50; i++) {
    const mid = (low + high) / 2;
    if (areaOf(cutOff(points, axis, mid, 'below')) < wanted) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}
