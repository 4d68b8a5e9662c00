import { refuse, texts } from '../say';
import { crossing, type PlanOutline, signedAreaMm2 } from './outline';
import type { Point } from './point';

const REFUSED = texts('refused.void.widened', {
  'outline-so-notched':
    'Its outline is so notched that the sides of a margin would cross: give this pass a void of its own.',
});

/** Corners so far outside of a drawn outline all round, each where its two moved sides meet. */
function offset(points: readonly Point[], byMm: number): readonly Point[] {
  const turn = Math.sign(signedAreaMm2(points));
  const sides = points.map(([x, y], i) => {
    const [nx, ny] = points[(i + 1) % points.length]!;
    const length = Math.hypot(nx - x, ny - y);
    const [dx, dy] = [(nx - x) / length, (ny - y) / length];
    // Moved to its outer side, which is its right where the corners run against the clock.
    return { x: x + dy * turn * byMm, y: y - dx * turn * byMm, dx, dy };
  });
  return sides.map((b, i) => {
    const a = sides[(i + sides.length - 1) % sides.length]!;
    const cross = a.dx * b.dy - a.dy * b.dx;
    // Sides in one line have no corner of their own.
    if (Math.abs(cross) < 1e-9) return [b.x, b.y];
    const t = ((b.x - a.x) * b.dy - (b.y - a.y) * b.dx) / cross;
    return [a.x + a.dx * t, a.y + a.dy * t];
  });
}

/**
 * An outline that reaches so far beyond another all round; corners stay corners.
 * @param byMm from 0
 * @throws Refusal for a drawn outline so notched that its sides would cross
 */
export function widened(outline: PlanOutline, byMm: number): PlanOutline {
  if (byMm === 0) return outline;
  if (outline.kind !== 'polygon')
    return {
      ...outline,
      length: { ...outline.length, valueMm: outline.length.valueMm + 2 * byMm },
      width: { ...outline.width, valueMm: outline.width.valueMm + 2 * byMm },
    };
  const points = offset(outline.points, byMm).map(([x, y]) => [x, y] as [number, number]);
  if (crossing(points) || Math.abs(signedAreaMm2(points)) < Math.abs(signedAreaMm2(outline.points)))
    refuse('takes.beyondMm', byMm, 'a margin that its sides leave room for', REFUSED['outline-so-notched']());
  return { ...outline, points };
}
