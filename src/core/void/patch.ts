import { z } from 'zod';
import { asMeasured, attempt, line, Mm, type Problem } from '../units';
import { across, block, bounds, down, hollow } from './draw';
import { halfWidthMm, Measured, measured, unmeasured } from './measured';
import {
  cornersOf,
  outlineArea,
  outlineDimensions,
  outlineLists,
  outlineParameters,
  outlinePlan,
  outlineProblems,
  outlineText,
  PlanOutline,
  writeOutline,
} from './outline';
import type { Point } from './point';
import { contoursOf, nextReading, oddReadings, profileAt } from './readings';
import { check, type Dimension, type Shape } from './shape';
import { type DepthSurface, depthSurface, volumeBelowMl } from './surface';

/** A hollow with an outline, either of one mean depth or with depths read at places. */
export const Patch = z.object({
  shape: z.literal('patch'),
  version: z.literal(1),
  outline: PlanOutline,
  depth: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('mean'), mean: Measured }),
    z.object({
      kind: z.literal('readings'),
      readings: z.array(z.object({ xMm: Mm, yMm: Mm, depthMm: Mm })).max(500),
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
 * Dimensions in the order of `volume`: outline length and width (or the corner placement of a polygon), then the depth.
 * Corner placement and depth readings enter as a shift from zero common to all of them: readings of one tool share its bias.
 */
const dimensions = (s: Patch): readonly Dimension[] => [
  ...outlineDimensions(s.outline, 'outline'),
  s.depth.kind === 'mean'
    ? { key: 'depth.mean', label: 'Mean depth', measured: s.depth.mean, minMm: 0, maxMm: 2000 }
    : {
        key: 'depth.read',
        label: `Depth, ${s.depth.readings.length} readings`,
        measured: { ...s.depth.read, valueMm: 0 },
        minMm: 0,
        maxMm: 0,
        shift: true,
      },
];

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

/** The surface, or undefined while the readings do not give one: a drawing is shown all the same. */
const surfaceIfSound = (s: Patch): DepthSurface | undefined => {
  const tried = attempt(() => surfaceOf(s));
  return tried.ok ? tried.value : undefined;
};

export const patch: Shape<Patch> = {
  id: 'patch',
  version: 1,
  label: 'Hollow or patch',
  seen: 'a worn hollow, a spall or a cut-out with a floor',
  broke: 'hollow',
  schema: Patch,
  blank: () => ({
    shape: 'patch',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(300), width: unmeasured(200) },
    depth: { kind: 'mean', mean: unmeasured(20, 'gauge') },
  }),
  dimensions,
  parameters: (s) => [
    ...outlineParameters(s.outline, 'outline'),
    {
      key: 'depth.kind',
      label: 'Depth',
      kind: 'choice',
      value: s.depth.kind,
      options: [
        { id: 'mean', label: 'one mean depth' },
        { id: 'readings', label: 'readings' },
      ],
    },
    ...(s.depth.kind === 'readings'
      ? [
          {
            key: 'depth.edge',
            label: 'Edge',
            kind: 'choice',
            value: s.depth.edge,
            options: [
              { id: 'vertical', label: 'cut vertical' },
              { id: 'feathered', label: 'feathered' },
            ],
          } as const,
        ]
      : []),
  ],
  lists: (s) => [
    ...outlineLists(s.outline, 'outline'),
    ...(s.depth.kind !== 'readings'
      ? []
      : [
          {
            key: 'depth.readings',
            label: 'Depth readings',
            columns: [
              { key: 'xMm', label: 'along', kind: 'length' },
              { key: 'yMm', label: 'across', kind: 'length' },
              { key: 'depthMm', label: 'depth', kind: 'length' },
            ] as const,
            rows: s.depth.readings,
            blank: blankReading(s),
            max: 500,
          },
        ]),
  ],
  write: (s, key, value) => {
    if (key === 'depth.kind') {
      if (value === s.depth.kind) return s;
      return {
        ...s,
        depth:
          value === 'mean'
            ? { kind: 'mean', mean: unmeasured(20, 'gauge') }
            : { kind: 'readings', readings: [], read: { ...measured(0, 'gauge'), text: 'read' }, edge: 'vertical' },
      };
    }
    const moved = /^depth\.readings\.(\d+)$/.exec(key);
    if (moved && Array.isArray(value) && s.depth.kind === 'readings') {
      const [xMm, yMm] = value as [number, number];
      return { ...s, depth: { ...s.depth, readings: s.depth.readings.map((r, i) => (i === Number(moved[1]) ? { ...r, xMm, yMm } : r)) } };
    }
    return writeOutline(s, key, value);
  },
  problems,
  volume: (s) => {
    const { at, takes, areaMm2 } = outlineArea(s.outline);
    const surface = surfaceOf(s);
    return (values) => {
      // An error in length or width stretches the outline together with the places read on it.
      const area = at(values);
      const depth = values[takes]!;
      return (surface ? (area / areaMm2) * (surface.volumeMl * 1000 + surface.areaMm2 * depth) : area * depth) / 1000;
    };
  },
  below: (s, depthMm) => {
    const surface = surfaceOf(s);
    if (surface) return volumeBelowMl(surface, depthMm);
    return s.depth.kind === 'mean' ? (outlineArea(s.outline).areaMm2 * Math.max(0, s.depth.mean.valueMm - depthMm)) / 1000 : 0;
  },
  working: (s) => {
    const area = outlineArea(s.outline).areaMm2 / 100;
    const lines = [line('Area', outlineText(s.outline), area, 'cm²')];
    const surface = surfaceOf(s);
    if (s.depth.kind === 'mean')
      lines.push(line('Volume', `area × ${asMeasured(s.depth.mean.valueMm)} mm`, (area * s.depth.mean.valueMm) / 10, 'mL'));
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
    const { areaMm2, aroundMm } = outlineArea(s.outline);
    const surface = surfaceOf(s);
    const max = surface ? surface.maxDepthMm : s.depth.kind === 'mean' ? s.depth.mean.valueMm : 0;
    const mean = surface ? (surface.volumeMl * 1000) / areaMm2 : max;
    const walls = s.depth.kind === 'readings' && s.depth.edge === 'feathered' ? 0 : aroundMm * mean;
    return { planAreaMm2: areaMm2, wettedAreaMm2: areaMm2 + walls, maxDepthMm: max, perimeterMm: aroundMm, thicknessMm: mean };
  },
  section: (s, at = 0.5) => {
    const corners = cornersOf(s.outline);
    const [x0, y0, x1, y1] = bounds(corners);
    const surface = surfaceIfSound(s);
    const d = s.depth.kind === 'mean' ? s.depth.mean.valueMm : 20;
    const cut = surface ? profileAt(surface, y0 + at * (y1 - y0)) : [];
    const floor: readonly Point[] = cut.length
      ? cut
      : [
          [x0, d],
          [x1, d],
        ];
    const deep = Math.max(1, surface?.maxDepthMm ?? d);
    const off = Math.max(deep * 0.55, (x1 - x0) * 0.07);
    return {
      title: at === 0.5 ? 'section at the middle' : `section at ${Math.round(y0 + at * (y1 - y0))} mm across`,
      outlines: [block(x0, x1, deep, (x1 - x0) * 0.22), hollow([[floor[0]![0], 0], ...floor, [floor.at(-1)![0], 0]])],
      dimensions: [
        ...(s.outline.kind === 'polygon' ? [] : [across('outline.length', x0, x1, -off, 'length')]),
        ...(s.depth.kind === 'mean' ? [down('depth.mean', 0, deep, x1 + (x1 - x0) * 0.1, 'depth')] : []),
      ],
      marks: [],
    };
  },
  plan: (s, at = 0.5) => {
    const drawn = outlinePlan(s.outline, 'outline');
    if (s.depth.kind !== 'readings') return drawn;
    const corners = cornersOf(s.outline);
    const [, y0, , y1] = bounds(corners);
    const { readings, read } = s.depth;
    const odd = new Set(oddReadings(readings, halfWidthMm(read)).map((o) => o.index));
    const surface = surfaceIfSound(s);
    return {
      ...drawn,
      marks: readings.map((r, i) => ({ at: [r.xMm, r.yMm] as const, depthMm: r.depthMm, odd: odd.has(i) })),
      handles: [
        ...(drawn.handles ?? []),
        ...readings.map((r, i) => ({ key: `depth.readings.${i}`, at: [r.xMm, r.yMm] as const, label: `reading ${i + 1}` })),
      ],
      contours: surface ? contoursOf(surface) : [],
      cut: { y: y0 + at * (y1 - y0), from: y0, to: y1 },
      next: nextReading(corners, readings),
    };
  },
};

/** The next reading is asked for where it helps most. */
function blankReading(s: Patch) {
  const readings = s.depth.kind === 'readings' ? s.depth.readings : [];
  const [xMm, yMm] = nextReading(cornersOf(s.outline), readings) ?? [0, 0];
  return { xMm, yMm, depthMm: 0 };
}
