import { attempt, exactly, line, ml, mm, mm2, type Problem, type Quantity, texts } from '../say';
import { asMeasured } from '../units';
import { across, block, bounds, down, hollow, sectionAt } from './draw';
import { halfWidthMm, measured, unmeasured } from './measured';
import {
  cornersOf,
  OUTLINE_SIZES,
  outlineArea,
  outlineDimensions,
  outlineLists,
  outlineParameters,
  outlinePlan,
  outlineProblems,
  outlineWorked,
  writeOutline,
} from './outline';
import { EDGES, openEdge, Patch, readingsOf, surfaceOf } from './patch-depths';
import type { Point } from './point';
import { contoursOf, nextReading, oddReadings, profileAt } from './readings';
import { check, type Dimension, type Shape } from './shape';
import { type DepthSurface, volumeBelowMl } from './surface';

const EDGE = texts('edge-open', {
  open: 'The readings stop short of the edge',
  why: 'Carried on as the hollow runs or held as last read, the edge is {low} or {high} deep there, and the hollow holds {less} or {more}; the larger is planned, and the range spans both.',
  todo: 'Read the depth at the edge, first at {along} along and {across} across.',
});

const WORK = texts('work.patch', {
  area: 'Area',
  volume: 'Volume',
  'volume-by': 'area × {deep}',
  surface: 'Surface, at its deepest',
  'surface-by': 'through {readings} readings, {triangles} triangles, edge {edge}',
  delaunay: 'constrained Delaunay',
  triangles: 'Σ triangle area × mean of its three depths',
  other: 'By the other law of the edge',
  carried: 'nearest facet carried on to the edge',
  held: 'nearest reading held to the edge',
  larger: 'the larger plans',
  mean: 'Mean depth',
  'mean-by': 'volume / area',
  nought: 'Places where the edge is taken as nought',
  'nought-by': 'the surface through the readings rises above the base before the edge; read nearer the edge',
});

const REFUSED = texts('refused.void.patch', {
  'deepest-place-no': 'The deepest place is no shallower than the mean depth.',
  'all-depths-nothing': 'All depths are 0: there is nothing to fill.',
});

/**
 * Dimensions in the order of `volume`: outline length and width (or the corner placement of a polygon), then the depth.
 * Corner placement and depth readings enter as a shift from zero common to all of them: readings of one tool share its
 * bias.
 */
const dimensions = (s: Patch): readonly Dimension[] => [
  ...outlineDimensions(s.outline, 'outline'),
  s.depth.kind === 'mean'
    ? { key: 'depth.mean', label: 'Mean depth', measured: s.depth.mean, minMm: 0, maxMm: 2000 }
    : {
        key: 'depth.read',
        label: 'Depth, as read',
        measured: { ...s.depth.read, valueMm: 0 },
        minMm: 0,
        maxMm: 0,
        shift: true,
      },
  ...(s.depth.kind === 'mean' && s.depth.deepest
    ? [{ key: 'depth.deepest', label: 'Deepest place', measured: s.depth.deepest, minMm: 0, maxMm: 2000 }]
    : []),
  ...(s.depth.kind === 'readings' && s.depth.edge === 'given'
    ? [
        {
          key: 'depth.edgeDepth',
          label: 'Depth at the edge',
          measured: s.depth.edgeDepth ?? unmeasured(10, 'gauge'),
          minMm: 0,
          minInclusive: true,
          maxMm: 2000,
        },
      ]
    : []),
];

/**
 * Volume as a function of the values of {@link dimensions}: an error in length or width stretches the outline together
 * with the places read on it.
 */
function volumeBy(s: Patch, surface: DepthSurface | undefined): (values: readonly number[]) => number {
  const { at, takes, areaMm2 } = outlineArea(s.outline);
  if (!surface) return (values) => (at(values) * values[takes]!) / 1000;
  const edgeMl = readingsOf(s)?.edgeMlPerMm ?? 0;
  const edgeMm = s.depth.kind === 'readings' ? EDGES[s.depth.edge].depthOf?.(s.depth).valueMm : undefined;
  return (values) => {
    const shift = values[takes]!;
    // What is common to the readings is not common to an edge whose depth is given: that goes by a value of its own.
    const byReadings = surface.volumeMl + shift * (surface.areaMm2 / 1000 - edgeMl);
    const byEdge = edgeMl * ((values[takes + 1] ?? edgeMm ?? 0) - (edgeMm ?? 0));
    return (at(values) / areaMm2) * (byReadings + byEdge);
  };
}

/** Deepest place of a hollow of one mean depth. */
const deepestOf = ({ mean, deepest }: Extract<Patch['depth'], { kind: 'mean' }>): number =>
  deepest?.valueMm ?? mean.valueMm;

function problems(s: Patch): readonly Problem[] {
  const outline = outlineProblems(s.outline, 'outline');
  if (!outline.length && s.depth.kind === 'mean' && deepestOf(s.depth) < s.depth.mean.valueMm)
    return [
      {
        field: 'depth.deepest',
        value: deepestOf(s.depth),
        allowed: `at least ${asMeasured(s.depth.mean.valueMm)} mm`,
        sentence: REFUSED['deepest-place-no'](),
      },
    ];
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
          sentence: REFUSED['all-depths-nothing'](),
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
  sizes: { ...OUTLINE_SIZES, depth: ['depth.mean'], deepest: ['depth.deepest'] },
  schema: Patch,
  blank: () => ({
    shape: 'patch',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(300), width: unmeasured(200) },
    depth: { kind: 'mean', mean: unmeasured(20, 'gauge') },
  }),
  dimensions,
  readings: ({ depth }) =>
    depth.kind === 'readings'
      ? { list: depth.readings, read: depth.read, feathered: depth.edge === 'feathered' }
      : null,
  parameters: (s) => [
    ...outlineParameters(s.outline, 'outline'),
    {
      key: 'depth.kind',
      label: 'Depth',
      kind: 'choice',
      value: s.depth.kind === 'mean' && s.depth.deepest ? 'deepest' : s.depth.kind,
      options: [
        { id: 'mean', label: 'one mean depth' },
        { id: 'deepest', label: 'mean and deepest' },
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
            options: Object.entries(EDGES).map(([id, { label }]) => ({ id, label })),
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
      const known = s.depth.kind === 'mean' ? s.depth.mean : unmeasured(20, 'gauge');
      if (value === 'deepest')
        return { ...s, depth: { kind: 'mean', mean: known, deepest: unmeasured(2 * known.valueMm, 'gauge') } };
      if (value === 'mean') return { ...s, depth: { kind: 'mean', mean: known } };
      if (value === s.depth.kind) return s;
      return {
        ...s,
        depth: { kind: 'readings', readings: [], read: { ...measured(0, 'gauge'), text: 'read' }, edge: 'vertical' },
      };
    }
    const moved = /^depth\.readings\.(\d+)$/.exec(key);
    if (moved && Array.isArray(value) && s.depth.kind === 'readings') {
      const [xMm, yMm] = value as [number, number];
      return {
        ...s,
        depth: {
          ...s.depth,
          readings: s.depth.readings.map((r, i) => (i === Number(moved[1]) ? { ...r, xMm, yMm } : r)),
        },
      };
    }
    return writeOutline(s, key, value);
  },
  problems,
  volume: (s) => volumeBy(s, surfaceOf(s)),
  less: (s) => {
    const less = readingsOf(s)?.laws?.less;
    return less && volumeBy(s, less);
  },
  notices: (s) => {
    const open = openEdge(s);
    if (!open) return [];
    const { at, moreMm, lessMm } = open.apart;
    const [low, high] = [Math.min(moreMm, lessMm), Math.max(moreMm, lessMm)].map((d) => mm(d)) as [Quantity, Quantity];
    return [
      {
        id: 'edge-open',
        severity: 'note',
        title: EDGE.open(),
        why: EDGE.why({ low, high, less: ml(open.less.volumeMl), more: ml(open.more.volumeMl) }),
        todo: EDGE.todo({ along: mm(at[0]), across: mm(at[1]) }),
      },
    ];
  },
  below: (s, depthMm) => {
    const surface = surfaceOf(s);
    if (surface) return volumeBelowMl(surface, depthMm);
    if (s.depth.kind !== 'mean') return 0;
    // It narrows evenly from the mouth to the deepest place, so that the mean comes out.
    const [mean, deepest] = [s.depth.mean.valueMm, deepestOf(s.depth)];
    const left = Math.max(0, 1 - depthMm / deepest);
    return (outlineArea(s.outline).areaMm2 * mean * left ** (deepest / mean)) / 1000;
  },
  working: (s) => {
    const area = outlineArea(s.outline).areaMm2;
    const lines = [line(WORK.area(), outlineWorked(s.outline), mm2(area))];
    const surface = surfaceOf(s);
    if (s.depth.kind === 'mean')
      lines.push(
        line(
          WORK.volume(),
          WORK['volume-by']({ deep: exactly(mm(s.depth.mean.valueMm)) }),
          ml((area * s.depth.mean.valueMm) / 1000),
        ),
      );
    else if (surface) {
      lines.push(
        line(
          WORK.surface(),
          WORK['surface-by']({
            readings: s.depth.readings.length,
            triangles: surface.triangles.length,
            edge: EDGES[s.depth.edge].label,
          }),
          mm(surface.maxDepthMm),
          WORK.delaunay(),
        ),
      );
      lines.push(line(WORK.volume(), WORK.triangles(), ml(surface.volumeMl)));
      const laws = readingsOf(s)?.laws;
      if (laws && laws.less.volumeMl < laws.more.volumeMl)
        lines.push(
          line(
            WORK.other(),
            WORK[laws.moreBy === 'held' ? 'carried' : 'held'](),
            ml(laws.less.volumeMl),
            WORK.larger(),
          ),
        );
      lines.push(line(WORK.mean(), WORK['mean-by'](), mm((surface.volumeMl * 1000) / surface.areaMm2)));
      if (surface.edgesAboveSurface) lines.push(line(WORK.nought(), WORK['nought-by'](), surface.edgesAboveSurface));
    }
    return lines;
  },
  faces: (s) => {
    check(patch, s);
    const { areaMm2, aroundMm } = outlineArea(s.outline);
    const surface = surfaceOf(s);
    const max = surface ? surface.maxDepthMm : s.depth.kind === 'mean' ? deepestOf(s.depth) : 0;
    const mean = surface ? (surface.volumeMl * 1000) / areaMm2 : s.depth.kind === 'mean' ? s.depth.mean.valueMm : max;
    // A wall is as deep as the hollow on the mean, unless the edge has a depth of its own.
    const edge = s.depth.kind === 'readings' ? EDGES[s.depth.edge].depthOf?.(s.depth).valueMm : undefined;
    const walls = aroundMm * (edge ?? mean);
    return {
      planAreaMm2: areaMm2,
      wettedAreaMm2: areaMm2 + walls,
      maxDepthMm: max,
      perimeterMm: aroundMm,
      thicknessMm: mean,
    };
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
      title: at === 0.5 ? 'section at the middle' : sectionAt(y0 + at * (y1 - y0)),
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
        ...readings.map((r, i) => ({
          key: `depth.readings.${i}`,
          at: [r.xMm, r.yMm] as const,
          label: `reading ${i + 1}`,
        })),
      ],
      contours: surface ? contoursOf(surface) : [],
      cut: { y: y0 + at * (y1 - y0), from: y0, to: y1 },
      next: nextPlace(s),
    };
  },
};

/** Where the next reading helps most: at an edge the readings leave open, else farthest from all of them. */
function nextPlace(s: Patch): Point | undefined {
  const at = openEdge(s)?.apart.at;
  return at ?? nextReading(cornersOf(s.outline), s.depth.kind === 'readings' ? s.depth.readings : []);
}

function blankReading(s: Patch) {
  const [xMm, yMm] = nextPlace(s) ?? [0, 0];
  return { xMm, yMm, depthMm: 0 };
}
