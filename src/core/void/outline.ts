import { z } from 'zod';
import { exactly, type Message, mm, type Problem, refuse, texts } from '../say';
import { Id, Mm } from '../units';
import { across, bounds, down, drawing, hollow, rect } from './draw';
import { Measured, measured, unmeasured } from './measured';
import type { Point } from './point';
import type { Dimension, Drawing, Parameter, RowList } from './shape';

const WORK = texts('work.outline', {
  polygon: 'shoelace over {corners} corners',
  ellipse: 'π/4 × {long} × {wide}',
  rectangle: '{long} × {wide}',
});

const REFUSED = texts('refused.void.outline', {
  'outline-needs-least': 'An outline needs at least three corners.',
  'outline-crosses-itself': 'The outline crosses itself: side {one} meets side {other}.',
  'corners-lie-line': 'The corners lie on one line and enclose no area.',
  'corner-must-two': 'Corner {n}, “{row}”, must be two numbers like 120, 40.',
});

/** Seen from above: a rectangle, an ellipse, or a polygon typed point by point (mm). */
export const PlanOutline = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('rectangle'), length: Measured, width: Measured }),
  z.object({ kind: z.literal('ellipse'), length: Measured, width: Measured }),
  z.object({
    kind: z.literal('polygon'),
    points: z.array(z.tuple([Mm, Mm])).max(200),
    /** Carries the tool and the half-width with which the corners were placed; its value is unused. */
    placed: Measured,
    /** Photo the outline was traced on, if it was. */
    photoId: Id.nullable(),
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

const orient = (a: Point, b: Point, c: Point) =>
  Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));

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
      {
        field: at,
        value: outline.points.length,
        allowed: 'at least 3 corners',
        sentence: REFUSED['outline-needs-least'](),
      },
    ];
  const crossed = crossing(outline.points);
  if (crossed)
    return [
      {
        field: at,
        value: crossed,
        allowed: 'sides that do not cross',
        sentence: REFUSED['outline-crosses-itself']({ one: crossed[0] + 1, other: crossed[1] + 1 }),
      },
    ];
  if (Math.abs(signedAreaMm2(outline.points)) < 1e-6)
    return [{ field: at, value: 0, allowed: 'an area above 0', sentence: REFUSED['corners-lie-line']() }];
  return [];
}

/** The measured dimensions of an outline; a polygon has one, the shift common to all its corners. */
export function outlineDimensions(
  outline: PlanOutline,
  prefix: string,
  corners = 'Corners of the outline',
): readonly Dimension[] {
  if (outline.kind === 'polygon')
    return [
      {
        key: `${prefix}.placed`,
        label: corners,
        measured: { ...outline.placed, valueMm: 0 },
        minMm: 0,
        maxMm: 0,
        shift: true,
      },
    ];
  const round = outline.kind === 'ellipse';
  return [
    {
      key: `${prefix}.length`,
      label: round ? 'Long diameter' : 'Length',
      measured: outline.length,
      minMm: 0,
      maxMm: 50_000,
    },
    {
      key: `${prefix}.width`,
      label: round ? 'Short diameter' : 'Width',
      measured: outline.width,
      minMm: 0,
      maxMm: 50_000,
    },
  ];
}

/**
 * Area of an outline as a function of its dimension values, in the order of {@link outlineDimensions}.
 * @returns the nominal area and edge length, mm² and mm, the number of values it takes, and the area for such values
 */
export function outlineArea(outline: PlanOutline): {
  readonly areaMm2: number;
  readonly aroundMm: number;
  readonly takes: number;
  readonly at: (values: readonly number[]) => number;
} {
  const corners = cornersOf(outline);
  const areaMm2 = Math.abs(signedAreaMm2(corners));
  const aroundMm = perimeterMm(corners);
  if (outline.kind === 'polygon') return { areaMm2, aroundMm, takes: 1, at: (v) => areaMm2 + aroundMm * v[0]! };
  // An error in length or width stretches the whole outline.
  const size = outline.length.valueMm * outline.width.valueMm;
  return { areaMm2, aroundMm, takes: 2, at: (v) => (areaMm2 * v[0]! * v[1]!) / size };
}

/** How the area of an outline is figured: 240 mm × 160 mm. */
export const outlineWorked = (o: PlanOutline): Message =>
  o.kind === 'polygon'
    ? WORK.polygon({ corners: o.points.length })
    : WORK[o.kind]({ long: exactly(mm(o.length.valueMm)), wide: exactly(mm(o.width.valueMm)) });

/** What of a shape with an outline from above the listed sizes are: what is listed by its diameter is round. */
export const OUTLINE_SIZES = {
  length: ['outline.length'],
  width: ['outline.width'],
  across: [{ key: 'outline.kind', is: 'ellipse' }, 'outline.length', 'outline.width'],
} as const;

export const outlineParameters = (outline: PlanOutline, prefix: string): readonly Parameter[] => [
  {
    key: `${prefix}.kind`,
    label: 'Outline from above',
    kind: 'choice',
    value: outline.kind,
    options: [
      { id: 'rectangle', label: 'rectangle' },
      { id: 'ellipse', label: 'ellipse' },
      { id: 'polygon', label: 'drawn or typed corners' },
    ],
  },
];

export const outlineLists = (outline: PlanOutline, prefix: string): readonly RowList[] =>
  outline.kind !== 'polygon'
    ? []
    : [
        {
          key: `${prefix}.points`,
          label: 'Corners, in order round the edge',
          columns: [
            { key: '0', label: 'along', kind: 'length' },
            { key: '1', label: 'across', kind: 'length' },
          ],
          rows: outline.points.map(([x, y]) => ({ '0': x, '1': y })),
          blank: { '0': outline.points[0]?.[0] ?? 0, '1': (outline.points[0]?.[1] ?? 0) + 50 },
          max: 200,
        },
      ];

/**
 * The outline with what stands at a path under its prefix replaced, where other fields follow; undefined where the
 * plain way serves.
 */
export function outlineWrite(outline: PlanOutline, key: string, value: unknown): PlanOutline | undefined {
  if (key === 'kind' && value !== outline.kind) {
    const [x0, y0, x1, y1] =
      outline.kind === 'polygon' ? bounds(outline.points) : [0, 0, outline.length.valueMm, outline.width.valueMm];
    if (value === 'polygon')
      return {
        kind: 'polygon',
        points: rect(x0, y0, x1, y1).map(([x, y]) => [x, y]),
        placed: { ...measured(0, outline.kind === 'polygon' ? 'rule' : outline.length.tool), text: 'placed' },
        photoId: null,
      };
    const [length, width] =
      outline.kind === 'polygon'
        ? [unmeasured(x1 - x0, 'rule'), unmeasured(y1 - y0, 'rule')]
        : [outline.length, outline.width];
    return { kind: value as 'rectangle' | 'ellipse', length, width };
  }
  if (key === 'points' && outline.kind === 'polygon')
    return {
      ...outline,
      points: (value as Readonly<Record<string, number>>[]).map((r) => [Number(r['0']), Number(r['1'])]),
    };
  return undefined;
}

/** The outline seen from above: filled, with its dimension lines, or corners that can be moved. */
export function outlinePlan(outline: PlanOutline, prefix: string, title = 'from above'): Drawing {
  const corners = cornersOf(outline);
  const [x0, y0, x1, y1] = bounds(corners);
  const off = 0.09 * Math.max(x1 - x0, y1 - y0);
  return {
    ...drawing(
      title,
      [hollow(corners)],
      outline.kind === 'polygon'
        ? []
        : [across(`${prefix}.length`, x0, x1, y1 + off, 'length'), down(`${prefix}.width`, y0, y1, x1 + off, 'width')],
    ),
    handles:
      outline.kind === 'polygon'
        ? outline.points.map((at, i) => ({
            key: `${prefix}.points.${i}`,
            at: [at[0], at[1]] as const,
            label: `corner ${i + 1}`,
          }))
        : [],
  };
}

/** Points `x, y` one pair a line or separated by semicolons, decimal points or commas with blanks between, in mm. */
export function parsePoints(text: string): readonly Point[] {
  const points = text
    .split(/[\n;]+/)
    .map((row) => row.trim())
    .filter(Boolean)
    .map((row, i) => {
      const parts = row.split(/\s*,\s+|\s+|\t|,/).filter(Boolean);
      const numbers = parts.map((part) => Number(part.replace(',', '.')));
      if (numbers.length !== 2 || !numbers.every(Number.isFinite))
        return refuse('points', row, 'two numbers a line', REFUSED['corner-must-two']({ n: i + 1, row }));
      return [numbers[0]!, numbers[1]!] as const;
    });
  // A corner that is said twice, as the first often is at the end, is one corner.
  return points.filter((p, i) => {
    const next = points[(i + 1) % points.length]!;
    return points.length < 2 || Math.hypot(p[0] - next[0], p[1] - next[1]) > 1e-6;
  });
}

/** Writing into the outline of a shape that has one, for `Shape.write`. */
export function writeOutline<S extends { readonly outline: PlanOutline }>(
  s: S,
  key: string,
  value: unknown,
): S | undefined {
  const outline = key.startsWith('outline.') ? outlineWrite(s.outline, key.slice(8), value) : undefined;
  return outline && { ...s, outline };
}
