import Delaunator from 'delaunator';
import Constrainautor from '#constrainautor';
import { refuse, texts } from '../say';
import { inside } from './outline';
import type { Point } from './point';

const REFUSED = texts('refused.void.surface', {
  'too-few-readings':
    'A surface needs at least three depth readings; there {count, plural, one {is 1} other {are #}}. Add one, say how deep the edge is, or give one mean depth.',
  'give-least-depth': 'Give at least one depth reading, or one mean depth.',
  'below-nought': 'Reading {n} must be nought or more.',
  'reading-lies-outside': 'Reading {n} at {x}, {y} lies outside the outline.',
  'all-readings-lie': 'All readings lie on one line. Take one beside the line, or say how deep the edge is.',
});

/** A depth read at a place, mm. */
export interface Reading {
  readonly xMm: number;
  readonly yMm: number;
  readonly depthMm: number;
}

/** The surface through the readings, as triangles with a depth at each corner. */
export interface DepthSurface {
  readonly volumeMl: number;
  readonly areaMm2: number;
  readonly maxDepthMm: number;
  /** x, y, depth of each corner, mm. */
  readonly corners: readonly (readonly [number, number, number])[];
  /** Index triples into `corners`. */
  readonly triangles: readonly (readonly [number, number, number])[];
  /** So many of the first corners lie on the edge. */
  readonly edgeCorners: number;
  /** Edge places where the surface came out of the base before the edge and was taken as zero. */
  readonly edgesAboveSurface: number;
}

type Corner = readonly [number, number, number];

function plane(a: Corner, b: Corner, c: Corner): ((x: number, y: number) => number) | undefined {
  const det = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);
  const span = Math.max(Math.hypot(b[0] - a[0], b[1] - a[1]), Math.hypot(c[0] - a[0], c[1] - a[1]));
  if (Math.abs(det) < 1e-6 * span * span) return undefined;
  const gx = ((b[2] - a[2]) * (c[1] - a[1]) - (c[2] - a[2]) * (b[1] - a[1])) / det;
  const gy = ((b[0] - a[0]) * (c[2] - a[2]) - (c[0] - a[0]) * (b[2] - a[2])) / det;
  return (x, y) => a[2] + gx * (x - a[0]) + gy * (y - a[1]);
}

/** Height over longest side: a sliver's plane tilts wildly with the least error of a reading. */
function slenderness(t: readonly Corner[]): number {
  const [a, b, c] = t as [Corner, Corner, Corner];
  const twice = Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]));
  const longest = Math.max(...t.map((p, i) => Math.hypot(t[(i + 1) % 3]![0] - p[0], t[(i + 1) % 3]![1] - p[1])));
  return twice / longest ** 2;
}

/** Facets flatter than this do not carry the extrapolation to the edge. */
const SLIVER = 0.2;

function distanceToTriangle(p: Point, t: readonly Point[]): number {
  if (inside(t, p)) return 0;
  return Math.min(
    ...t.map((a, i) => {
      const b = t[(i + 1) % 3]!;
      const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
      const s = Math.max(0, Math.min(1, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(p[0] - a[0] - s * dx, p[1] - a[1] - s * dy);
    }),
  );
}

const triples = (flat: ArrayLike<number>): [number, number, number][] =>
  Array.from({ length: flat.length / 3 }, (_, i) => [flat[3 * i]!, flat[3 * i + 1]!, flat[3 * i + 2]!]);

/**
 * Adds points along the edge so that a long side follows the readings beside it. Between two readings on one side the
 * floor runs straight, and further points there would only cut its corners flat.
 */
function refined(edge: readonly Point[], isRead: (p: Point) => boolean): Point[] {
  const xs = edge.map((p) => p[0]);
  const ys = edge.map((p) => p[1]);
  const step = Math.hypot(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)) / 8;
  return edge.flatMap((a, i) => {
    const b = edge[(i + 1) % edge.length]!;
    const pieces = isRead(a) && isRead(b) ? 1 : Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / step));
    return Array.from(
      { length: pieces },
      (_, k) => [a[0] + ((b[0] - a[0]) * k) / pieces, a[1] + ((b[1] - a[1]) * k) / pieces] as const,
    );
  });
}

/** The edge with the readings that lie on its sides inserted, since a corner of the mesh may not lie inside a side. */
function withOnEdge(edge: readonly Point[], readings: readonly Reading[]): readonly Point[] {
  return edge.flatMap((a, i) => {
    const b = edge[(i + 1) % edge.length]!;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const along = readings
      .map((r): Point => [r.xMm, r.yMm])
      .filter(
        (p) => Math.hypot(p[0] - a[0], p[1] - a[1]) > ON_EDGE_MM && Math.hypot(p[0] - b[0], p[1] - b[1]) > ON_EDGE_MM,
      )
      .filter((p) => Math.hypot(p[0] - a[0], p[1] - a[1]) + Math.hypot(p[0] - b[0], p[1] - b[1]) < length + ON_EDGE_MM)
      .sort((p, q) => Math.hypot(p[0] - a[0], p[1] - a[1]) - Math.hypot(q[0] - a[0], q[1] - a[1]));
    return [a, ...along];
  });
}

const ON_EDGE_MM = 1e-6;

/**
 * How the depth at the edge follows from readings that stop short of it: the nearest facet carried on, or the nearest
 * reading held.
 */
export type EdgeLaw = 'carried' | 'held';

/** How the edge was left: cut down vertically, run out to nothing, or standing at a depth that is given. */
export type Edge =
  | { readonly kind: 'vertical'; readonly law: EdgeLaw }
  | { readonly kind: 'given'; readonly depthMm: number };

/** A facet carried on stays within the depths read at its corners, and half their range beyond. */
const BEYOND_RANGE = 0.5;

interface Facet {
  readonly corners: readonly [Corner, Corner, Corner];
  readonly at: (x: number, y: number) => number;
}

/** The facets between readings that may be carried on: inside the outline and stout, as far as there are such. */
function carriersOf(read: readonly Corner[], outline: readonly Point[]): readonly Facet[] {
  const facets = triples(Delaunator.from(read.map(([x, y]) => [x, y])).triangles).flatMap((t): Facet[] => {
    const corners = t.map((i) => read[i]!) as [Corner, Corner, Corner];
    const at = plane(...corners);
    return at ? [{ at, corners }] : [];
  });
  // Across a notch of the outline there is no hollow, and so no facet.
  const within = facets.filter(({ corners: [a, b, c] }) =>
    inside(outline, [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3]),
  );
  const sound = within.length ? within : facets;
  const stout = sound.filter((f) => slenderness(f.corners) > SLIVER);
  return stout.length ? stout : sound;
}

/** Depth of the nearest facet at a place beside it. */
function carriedOn(carriers: readonly Facet[], p: Point): number {
  let nearest = carriers[0]!;
  let best = Number.POSITIVE_INFINITY;
  for (const facet of carriers) {
    const d = distanceToTriangle(
      p,
      facet.corners.map(([x, y]) => [x, y] as const),
    );
    if (d < best) [best, nearest] = [d, facet];
  }
  const depths = nearest.corners.map((c) => c[2]);
  const [low, high] = [Math.min(...depths), Math.max(...depths)];
  const beyond = BEYOND_RANGE * (high - low);
  return Math.max(low - beyond, Math.min(high + beyond, nearest.at(p[0], p[1])));
}

/** Depth of the nearest reading. */
function held(read: readonly Corner[], p: Point): number {
  let nearest = read[0]!;
  for (const r of read)
    if (Math.hypot(r[0] - p[0], r[1] - p[1]) < Math.hypot(nearest[0] - p[0], nearest[1] - p[1])) nearest = r;
  return nearest[2];
}

function checkReadings(outline: readonly Point[], readings: readonly Reading[], least: number): void {
  if (readings.length < least)
    refuse(
      'depth.readings',
      readings.length,
      `at least ${least === 1 ? '1 reading' : `${least} readings`}`,
      least === 1 ? REFUSED['give-least-depth']() : REFUSED['too-few-readings']({ count: readings.length }),
    );
  readings.forEach((r, i) => {
    if (!(r.depthMm >= 0))
      refuse(`depth.readings.${i}`, r.depthMm, '0 mm or more', REFUSED['below-nought']({ n: i + 1 }));
    const onEdge = outline.some(
      (a, k) => distanceToTriangle([r.xMm, r.yMm], [a, outline[(k + 1) % outline.length]!, a]) < ON_EDGE_MM,
    );
    if (!onEdge && !inside(outline, [r.xMm, r.yMm]))
      refuse(
        `depth.readings.${i}`,
        [r.xMm, r.yMm],
        'a place inside the outline',
        REFUSED['reading-lies-outside']({ n: i + 1, x: r.xMm, y: r.yMm }),
      );
  });
}

/**
 * Fewest readings that give a surface: a depth of the edge takes the place of the facet that would be carried there.
 */
const LEAST: Record<Edge['kind'], number> = { vertical: 3, given: 1 };

/**
 * Depth surface over an outline: a constrained Delaunay triangulation through the readings and the edge, integrated
 * exactly over each triangle (area × mean corner depth), so planar data with readings at the edge give the exact
 * volume.
 * @param outline corners, mm
 * @param readings inside the outline or on it; for a vertical edge at least three, not on one line; for a given one at
 *   least one
 * @throws Refusal for too few readings, readings on one line, or outside the outline
 */
export function depthSurface(outline: readonly Point[], readings: readonly Reading[], edge: Edge): DepthSurface {
  checkReadings(outline, readings, LEAST[edge.kind]);
  const read = readings.map((r) => [r.xMm, r.yMm, r.depthMm] as const);
  const carriers = edge.kind === 'vertical' ? carriersOf(read, outline) : [];
  if (edge.kind === 'vertical' && !carriers.length)
    refuse('depth.readings', readings.length, 'readings that span an area', REFUSED['all-readings-lie']());

  const readAt = (p: Point) => read.find(([x, y]) => Math.hypot(x - p[0], y - p[1]) < ON_EDGE_MM);
  const sides = withOnEdge(outline, readings);
  // An edge of one depth is that deep all along its sides: further points there, too, would only cut its corners flat.
  const edgePoints = edge.kind === 'vertical' ? refined(sides, (p) => readAt(p) !== undefined) : sides;
  let edgesAboveSurface = 0;
  const edgeCorners = edgePoints.map((p): Corner => {
    const same = readAt(p);
    if (same) return same;
    if (edge.kind === 'given') return [p[0], p[1], edge.depthMm];
    const depth = edge.law === 'held' ? held(read, p) : carriedOn(carriers, p);
    if (depth < -1e-9) edgesAboveSurface++;
    return [p[0], p[1], Math.max(0, depth)];
  });
  const inner = read.filter(([x, y]) => !edgePoints.some((p) => Math.hypot(x - p[0], y - p[1]) < ON_EDGE_MM));
  const corners: Corner[] = [...edgeCorners, ...inner];
  const n = edgeCorners.length;
  const mesh = Delaunator.from(corners.map(([x, y]) => [x, y]));
  new Constrainautor(mesh).constrainAll(edgeCorners.map((_, i) => [i, (i + 1) % n] as const));
  const triangles: [number, number, number][] = [];
  let volume = 0;
  let area = 0;
  for (const t of triples(mesh.triangles)) {
    const [a, b, c] = t.map((i) => corners[i]!) as [Corner, Corner, Corner];
    const centre: Point = [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3];
    const size = Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])) / 2;
    if (size < 1e-9 || !inside(outline, centre)) continue;
    triangles.push(t);
    area += size;
    volume += (size * (a[2] + b[2] + c[2])) / 3;
  }
  return {
    volumeMl: volume / 1000,
    areaMm2: area,
    maxDepthMm: Math.max(...corners.map((c) => c[2])),
    corners,
    triangles,
    edgesAboveSurface,
    edgeCorners: n,
  };
}

/** What readings that stop short of a vertical edge leave open. */
export interface EdgeLaws {
  /** The surface that holds more, which plans. */
  readonly more: DepthSurface;
  readonly less: DepthSurface;
  readonly moreBy: EdgeLaw;
  /** The place of the edge at which the two differ most, and the two depths there, mm. */
  readonly apart: { readonly at: Point; readonly moreMm: number; readonly lessMm: number };
}

/** Both laws of a vertical edge, the larger first. @throws Refusal as {@link depthSurface} */
export function edgeLaws(outline: readonly Point[], readings: readonly Reading[]): EdgeLaws {
  const carried = depthSurface(outline, readings, { kind: 'vertical', law: 'carried' });
  const same = depthSurface(outline, readings, { kind: 'vertical', law: 'held' });
  const [more, less] = carried.volumeMl >= same.volumeMl ? [carried, same] : [same, carried];
  let apart = 0;
  const gap = (k: number) => Math.abs(more.corners[k]![2] - less.corners[k]![2]);
  for (let k = 1; k < more.edgeCorners; k++) if (gap(k) > gap(apart)) apart = k;
  const [x, y, moreMm] = more.corners[apart]!;
  return {
    more,
    less,
    moreBy: more === carried ? 'carried' : 'held',
    apart: { at: [x, y], moreMm, lessMm: less.corners[apart]![2] },
  };
}

/**
 * Volume of the surface below the level `fromMm`, mL: ∫ max(0, depth − from), exact over each triangle.
 */
export function volumeBelowMl(surface: DepthSurface, fromMm: number): number {
  let sum = 0;
  for (const t of surface.triangles) {
    const [a, b, c] = t.map((i) => surface.corners[i]!) as [Corner, Corner, Corner];
    const size = Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])) / 2;
    const [h0, h1, h2] = [a[2] - fromMm, b[2] - fromMm, c[2] - fromMm].sort((x, y) => y - x) as [
      number,
      number,
      number,
    ];
    if (h0 <= 0) continue;
    // A corner that sticks out through the level is a small tetrahedron: its base shrinks with the square of its
    // height.
    if (h1 <= 0) sum += (size * h0 ** 3) / (3 * (h0 - h1) * (h0 - h2));
    else if (h2 < 0) sum += (size * (h0 + h1 + h2)) / 3 - (size * h2 ** 3) / (3 * (h0 - h2) * (h1 - h2));
    else sum += (size * (h0 + h1 + h2)) / 3;
  }
  return sum / 1000;
}
