import { z } from 'zod';
import { attempt, line, type Problem } from '../units';
import { Measured, unmeasured } from './measured';
import { cornersOf, outlineDimensions, outlineProblems, outlineWith, PlanOutline, type Point, perimeterMm, signedAreaMm2 } from './outline';
import { check, type Dimension, type Shape } from './shape';
import { type DepthSurface, depthSurface, volumeBelowMl } from './surface';

/** A worn or broken-out hollow in a floor, slab or edge, seen as an outline with a mean depth or depth readings. */
export const Patch = z.object({
  shape: z.literal('patch'),
  version: z.literal(1),
  outline: PlanOutline,
  depth: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('mean'), mean: Measured }),
    z.object({
      kind: z.literal('readings'),
      readings: z.array(z.object({ xMm: z.number(), yMm: z.number(), depthMm: z.number() })).max(500),
      /** Carries the tool and half-width of every reading; its value is unused. */
      read: Measured,
      edge: z.enum(['vertical', 'feathered']),
    }),
  ]),
});
export type Patch = z.infer<typeof Patch>;

/** The depth surface of a patch, or undefined when it has one mean depth. */
export function surfaceOf(s: Patch): DepthSurface | undefined {
  if (s.depth.kind !== 'readings') return undefined;
  const found = surfaces.get(s) ?? depthSurface(cornersOf(s.outline), s.depth.readings, s.depth.edge);
  surfaces.set(s, found);
  return found;
}

/** Shapes are immutable, so a surface found once for one holds as long as it does. */
const surfaces = new WeakMap<Patch, DepthSurface>();

/**
 * Shares of the volume in `lifts` layers of equal thickness, deepest first, summing to 1. A hollow that narrows downwards
 * holds less in its deeper layers.
 */
export function liftSharesOf(s: Patch, lifts: number): readonly number[] {
  const surface = surfaceOf(s);
  if (!surface) return Array.from({ length: lifts }, () => 1 / lifts);
  const known = shares.get(surface);
  if (known?.length === lifts) return known;
  const step = surface.maxDepthMm / lifts;
  const below = Array.from({ length: lifts + 1 }, (_, i) => volumeBelowMl(surface, i * step));
  const found = Array.from({ length: lifts }, (_, i) => (below[lifts - 1 - i]! - below[lifts - i]!) / surface.volumeMl);
  shares.set(surface, found);
  return found;
}

/** The last answer for a surface, which a replan asks for again and again. */
const shares = new WeakMap<DepthSurface, readonly number[]>();

/**
 * Dimensions in the order of `volume`: outline length and width (or the corner placement of a polygon), then the depth.
 * Corner placement and depth readings enter as a shift from zero common to all of them: readings of one tool share its bias.
 */
function dimensions(s: Patch): readonly Dimension[] {
  const out = [...outlineDimensions(s.outline, 'outline')];
  if (s.outline.kind === 'polygon')
    out.push({
      key: 'outline.placed',
      label: 'Corners of the outline',
      measured: { ...s.outline.placed, valueMm: 0 },
      minMm: 0,
      minInclusive: true,
      maxMm: 0,
    });
  out.push(
    s.depth.kind === 'mean'
      ? { key: 'depth.mean', label: 'Mean depth', measured: s.depth.mean, minMm: 0, maxMm: 2000 }
      : {
          key: 'depth.read',
          label: `Depth, ${s.depth.readings.length} readings`,
          measured: { ...s.depth.read, valueMm: 0 },
          minMm: 0,
          minInclusive: true,
          maxMm: 0,
        },
  );
  return out;
}

function problems(s: Patch): readonly Problem[] {
  const outline = outlineProblems(s.outline, 'outline');
  if (outline.length || s.depth.kind === 'mean') return outline;
  const tried = attempt(() => surfaceOf(s));
  if (!tried.ok) return [tried.problem];
  return (tried.value?.volumeMl ?? 0) > 0
    ? []
    : [
        {
          field: 'depth.readings',
          value: 0,
          allowed: 'a depth above 0 somewhere',
          sentence: 'All depths are 0: there is nothing to fill.',
        },
      ];
}

/** Depth along the line y = middle of the outline, for the section drawing: pairs of x and depth. */
function profile(s: Patch, surface: DepthSurface | undefined, corners: readonly Point[]): (readonly [number, number])[] {
  const xs = corners.map((p) => p[0]);
  const [x0, x1] = [Math.min(...xs), Math.max(...xs)];
  if (!surface) {
    const d = s.depth.kind === 'mean' ? s.depth.mean.valueMm : 0;
    return [
      [x0, d],
      [x1, d],
    ];
  }
  const ys = corners.map((p) => p[1]);
  const y = (Math.min(...ys) + Math.max(...ys)) / 2;
  const hits = new Map<number, number>();
  for (const t of surface.triangles)
    for (let k = 0; k < 3; k++) {
      const a = surface.corners[t[k]!]!;
      const b = surface.corners[t[(k + 1) % 3]!]!;
      if ((a[1] - y) * (b[1] - y) > 0 || a[1] === b[1]) continue;
      const f = (y - a[1]) / (b[1] - a[1]);
      hits.set(Math.round((a[0] + f * (b[0] - a[0])) * 1000) / 1000, a[2] + f * (b[2] - a[2]));
    }
  return [...hits].sort((p, q) => p[0] - q[0]);
}

export const patch: Shape<Patch> = {
  id: 'patch',
  version: 1,
  label: 'Hollow or patch',
  seen: 'a worn hollow, a spall or a cut-out with a floor',
  schema: Patch,
  blank: () => ({
    shape: 'patch',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(300), width: unmeasured(200) },
    depth: { kind: 'mean', mean: unmeasured(20, 'gauge') },
  }),
  dimensions,
  problems,
  volume: (s) => {
    const corners = cornersOf(s.outline);
    const area = Math.abs(signedAreaMm2(corners));
    const around = perimeterMm(corners);
    const surface = surfaceOf(s);
    const measuredOutline = s.outline.kind !== 'polygon' ? s.outline : undefined;
    return (values) => {
      // An error in length or width stretches the outline together with the places read on it.
      const stretch = measuredOutline
        ? (values[0]! * values[1]!) / (measuredOutline.length.valueMm * measuredOutline.width.valueMm)
        : 1 + (around * values[0]!) / area;
      const depth = values[measuredOutline ? 2 : 1]!;
      return (stretch * (surface ? surface.volumeMl * 1000 + surface.areaMm2 * depth : area * depth)) / 1000;
    };
  },
  working: (s) => {
    const corners = cornersOf(s.outline);
    const area = Math.abs(signedAreaMm2(corners)) / 100;
    const [l, w] = s.outline.kind === 'polygon' ? [0, 0] : [s.outline.length.valueMm, s.outline.width.valueMm];
    const lines = [
      s.outline.kind === 'rectangle'
        ? line('Area', `${l} × ${w} / 100`, area, 'cm²')
        : s.outline.kind === 'ellipse'
          ? line('Area', `π/4 × ${l} × ${w} / 100`, area, 'cm²')
          : line('Area', `shoelace over ${s.outline.points.length} corners`, area, 'cm²'),
    ];
    const surface = surfaceOf(s);
    if (s.depth.kind === 'mean') lines.push(line('Volume', `area × ${s.depth.mean.valueMm} mm`, (area * s.depth.mean.valueMm) / 10, 'mL'));
    else if (surface) {
      lines.push(
        line(
          'Surface',
          `through ${s.depth.readings.length} readings, ${surface.triangles.length} triangles, edge ${s.depth.edge}`,
          surface.maxDepthMm,
          'mm deepest',
          'constrained Delaunay',
        ),
      );
      lines.push(line('Volume', 'Σ triangle area × mean of its three depths', surface.volumeMl, 'mL'));
      lines.push(line('Mean depth', 'volume / area', (surface.volumeMl * 1000) / surface.areaMm2, 'mm'));
      if (surface.edgesAboveSurface)
        lines.push(
          line(
            'Edge taken as zero',
            'the surface through the readings rises above the base before the edge; read nearer the edge',
            surface.edgesAboveSurface,
            'places',
          ),
        );
    }
    return lines;
  },
  faces: (s) => {
    check(patch, s);
    const corners = cornersOf(s.outline);
    const area = Math.abs(signedAreaMm2(corners));
    const surface = surfaceOf(s);
    const max = surface ? surface.maxDepthMm : s.depth.kind === 'mean' ? s.depth.mean.valueMm : 0;
    const mean = surface ? (surface.volumeMl * 1000) / area : max;
    const around = perimeterMm(corners);
    const walls = s.depth.kind === 'readings' && s.depth.edge === 'feathered' ? 0 : around * mean;
    return { planAreaMm2: area, wettedAreaMm2: area + walls, maxDepthMm: max, perimeterMm: around, thicknessMm: mean };
  },
  section: (s) => {
    const corners = cornersOf(s.outline);
    const floor = profile(s, surfaceOf(s), corners);
    const x0 = floor[0]?.[0] ?? 0;
    const x1 = floor.at(-1)?.[0] ?? 0;
    const deep = Math.max(1, ...floor.map((p) => p[1]));
    const side = (x1 - x0) * 0.22;
    const below = Math.max(deep * 0.9, (x1 - x0) * 0.16);
    const dims = [];
    if (s.outline.kind !== 'polygon')
      dims.push({ key: 'outline.length', from: [x0, -deep * 0.55] as const, to: [x1, -deep * 0.55] as const, perMm: 1, label: 'length' });
    if (s.depth.kind === 'mean')
      dims.push({
        key: 'depth.mean',
        from: [x1 + side * 0.45, 0] as const,
        to: [x1 + side * 0.45, deep] as const,
        perMm: 1,
        label: 'depth',
      });
    return {
      title: 'section at the middle',
      outlines: [
        {
          role: 'base',
          points: [
            [x0 - side, 0],
            [x1 + side, 0],
            [x1 + side, deep + below],
            [x0 - side, deep + below],
          ],
        },
        { role: 'void', points: [[x0, 0], ...floor.map(([x, d]) => [x, d] as const), [x1, 0]] },
      ],
      dimensions: dims,
      marks: [],
    };
  },
  plan: (s) => ({
    title: 'from above',
    outlines: [{ role: 'void', points: cornersOf(s.outline) }],
    dimensions: [],
    marks: s.depth.kind === 'readings' ? s.depth.readings.map((r) => ({ at: [r.xMm, r.yMm] as const, label: String(r.depthMm) })) : [],
  }),
  withDimension: (s, key, m) => {
    if (key === 'depth.mean') return { ...s, depth: { kind: 'mean', mean: m } };
    if (key === 'depth.read' && s.depth.kind === 'readings') return { ...s, depth: { ...s.depth, read: m } };
    if (key === 'outline.placed' && s.outline.kind === 'polygon') return { ...s, outline: { ...s.outline, placed: m } };
    return { ...s, outline: outlineWith(s.outline, key.replace('outline.', ''), m) };
  },
};
