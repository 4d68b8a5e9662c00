import { z } from 'zod';
import { type Problem, refuse } from '../units';
import { Measured } from './measured';
import type { Dimension } from './shape';

export type Point = readonly [number, number];

/** Seen from above: a rectangle, an ellipse, or a polygon typed point by point (mm). */
export const PlanOutline = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('rectangle'), length: Measured, width: Measured }),
  z.object({ kind: z.literal('ellipse'), length: Measured, width: Measured }),
  z.object({
    kind: z.literal('polygon'),
    points: z.array(z.tuple([z.number(), z.number()])).max(200),
    /** Carries the tool and the half-width with which the corners were placed; its value is unused. */
    placed: Measured,
  }),
]);
export type PlanOutline = z.infer<typeof PlanOutline>;

const SIDES = 96;

/** Corner points of the outline, mm, origin at its lower left. An ellipse becomes a polygon of the same area. */
export function cornersOf(outline: PlanOutline): readonly Point[] {
  if (outline.kind === 'polygon') return outline.points;
  const l = outline.length.valueMm;
  const w = outline.width.valueMm;
  if (outline.kind === 'rectangle')
    return [
      [0, 0],
      [l, 0],
      [l, w],
      [0, w],
    ];
  // A regular polygon inscribed in the ellipse has area (n/2) sin(2π/n) a b; scaled up, it has π a b exactly.
  const grow = Math.sqrt((2 * Math.PI) / (SIDES * Math.sin((2 * Math.PI) / SIDES)));
  return Array.from({ length: SIDES }, (_, i) => {
    const angle = (2 * Math.PI * i) / SIDES;
    return [l / 2 + (l / 2) * grow * Math.cos(angle), w / 2 + (w / 2) * grow * Math.sin(angle)] as const;
  });
}

/** Signed area by the shoelace formula, mm²; positive when the points run counter-clockwise. */
export function signedAreaMm2(points: readonly Point[]): number {
  let twice = 0;
  for (let i = 0; i < points.length; i++) {
    const [x0, y0] = points[i]!;
    const [x1, y1] = points[(i + 1) % points.length]!;
    twice += x0 * y1 - x1 * y0;
  }
  return twice / 2;
}

/** Length round the outline, mm. */
export function perimeterMm(points: readonly Point[]): number {
  return points.reduce((sum, [x, y], i) => {
    const [nx, ny] = points[(i + 1) % points.length]!;
    return sum + Math.hypot(nx - x, ny - y);
  }, 0);
}

/** Whether a point lies inside the outline (even-odd rule). */
export function inside(points: readonly Point[], [x, y]: Point): boolean {
  let odd = false;
  for (let i = 0, j = points.length - 1; i < points.length; j = i++) {
    const [xi, yi] = points[i]!;
    const [xj, yj] = points[j]!;
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) odd = !odd;
  }
  return odd;
}

const orient = (a: Point, b: Point, c: Point) => Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));

/** The first pair of edges that cross, or undefined for a simple outline. */
export function crossing(points: readonly Point[]): readonly [number, number] | undefined {
  const n = points.length;
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const [a, b, c, d] = [points[i]!, points[(i + 1) % n]!, points[j]!, points[(j + 1) % n]!];
      if (orient(a, b, c) !== orient(a, b, d) && orient(c, d, a) !== orient(c, d, b)) return [i, j];
    }
  return undefined;
}

/** Problems of a typed polygon. */
export function outlineProblems(outline: PlanOutline, field: string): readonly Problem[] {
  if (outline.kind !== 'polygon') return [];
  const at = `${field}.points`;
  if (outline.points.length < 3)
    return [
      { field: at, value: outline.points.length, allowed: 'at least 3 corners', sentence: 'An outline needs at least three corners.' },
    ];
  const crossed = crossing(outline.points);
  if (crossed)
    return [
      {
        field: at,
        value: crossed,
        allowed: 'sides that do not cross',
        sentence: `The outline crosses itself: side ${crossed[0] + 1} meets side ${crossed[1] + 1}.`,
      },
    ];
  if (Math.abs(signedAreaMm2(outline.points)) < 1e-6)
    return [{ field: at, value: 0, allowed: 'an area above 0', sentence: 'The corners lie on one line and enclose no area.' }];
  return [];
}

/** The measured dimensions of an outline. */
export function outlineDimensions(outline: PlanOutline, prefix: string): readonly Dimension[] {
  if (outline.kind === 'polygon') return [];
  const round = outline.kind === 'ellipse';
  return [
    { key: `${prefix}.length`, label: round ? 'Long diameter' : 'Length', measured: outline.length, minMm: 0, maxMm: 50_000 },
    { key: `${prefix}.width`, label: round ? 'Short diameter' : 'Width', measured: outline.width, minMm: 0, maxMm: 50_000 },
  ];
}

/** The outline with one of its dimensions set. */
export function outlineWith(outline: PlanOutline, key: string, m: Measured): PlanOutline {
  if (outline.kind === 'polygon') return refuse(key, key, 'a dimension of the outline', `A typed outline has no ${key}.`);
  return key === 'length' ? { ...outline, length: m } : { ...outline, width: m };
}

/** Points `x, y` one pair a line or separated by semicolons, decimal points or commas with blanks between, in mm. */
export function parsePoints(text: string): readonly Point[] {
  return text
    .split(/[\n;]+/)
    .map((row) => row.trim())
    .filter(Boolean)
    .map((row, i) => {
      const parts = row.split(/\s*,\s+|\s+|\t|,/).filter(Boolean);
      const numbers = parts.map((part) => Number(part.replace(',', '.')));
      if (numbers.length !== 2 || !numbers.every(Number.isFinite))
        return refuse('points', row, 'two numbers a line', `Corner ${i + 1}, “${row}”, must be two numbers like 120, 40.`);
      return [numbers[0]!, numbers[1]!] as const;
    });
}
