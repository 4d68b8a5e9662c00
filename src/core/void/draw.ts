import { exactly, type Message, mm, texts } from '../say';
import type { Point } from './point';
import type { DimensionLine, Drawing, Outline } from './shape';

const TITLES = texts('title.section', { at: 'section at {place} across' });

/** What a section is called that is cut somewhere else than in the middle. */
export const sectionAt = (mmAcross: number): Message => TITLES.at({ place: exactly(mm(Math.round(mmAcross))) });

/** Small parts from which shapes draw themselves, in mm, x to the right, y down. */

export const rect = (x0: number, y0: number, x1: number, y1: number): readonly Point[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];

/** A circle, or part of one, as a line of points; angles in degrees, clockwise on the page. */
export function arc(r: number, x = 0, y = 0, fromDeg = 0, toDeg = 360, steps = 48): readonly Point[] {
  return Array.from({ length: steps + 1 }, (_, i) => {
    const a = ((fromDeg + ((toDeg - fromDeg) * i) / steps) * Math.PI) / 180;
    return [x + r * Math.cos(a), y + r * Math.sin(a)] as const;
  });
}

export const base = (points: readonly Point[]): Outline => ({ role: 'base', points });
export const hollow = (points: readonly Point[]): Outline => ({ role: 'void', points });

/** The base as a block round a void that is `width` wide and `depth` deep, its surface at 0. */
export function block(x0: number, x1: number, depth: number, side?: number, below?: number): Outline {
  const w = x1 - x0;
  const s = side ?? Math.max(w * 0.22, depth * 0.25);
  return base(rect(x0 - s, 0, x1 + s, depth + (below ?? Math.max(depth * 0.8, w * 0.14))));
}

/** A dimension along x, written above (y negative) or below. */
export const across = (key: string, x0: number, x1: number, y: number, label: string, perMm = 1): DimensionLine => ({
  key,
  from: [x0, y],
  to: [x1, y],
  perMm,
  label,
});
/** A dimension along y. */
export const down = (key: string, y0: number, y1: number, x: number, label: string, perMm = 1): DimensionLine => ({
  key,
  from: [x, y0],
  to: [x, y1],
  perMm,
  label,
});

export const drawing = (
  title: string,
  outlines: readonly Outline[],
  dimensions: readonly DimensionLine[] = [],
): Drawing => ({
  title,
  outlines,
  dimensions,
  marks: [],
});

/** Lowest and highest of a list of points, as [x0, y0, x1, y1]. */
export function bounds(points: readonly Point[]): readonly [number, number, number, number] {
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}
