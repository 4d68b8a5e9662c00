import Delaunator from 'delaunator';
import { bounds } from './draw';
import { inside } from './outline';
import type { Point } from './point';
import type { DepthSurface, Reading } from './surface';

/** How far from its neighbours' middle a reading may lie, in multiples of their spread. */
const ODD = 3;
/** The spread is never taken smaller than this share of the middle: a hollow has a shape. */
const SHAPE_SHARE = 0.25;

const median = (values: readonly number[]): number => {
  const v = values.toSorted((a, b) => a - b);
  const mid = v.length >> 1;
  return v.length % 2 ? v[mid]! : (v[mid - 1]! + v[mid]!) / 2;
};

/**
 * Readings that disagree with their neighbours (in the Delaunay triangulation) by more than three times the neighbours'
 * spread:
 * a slip of the pen, or a hole in the hollow that wants more readings.
 * @returns index, depth and the neighbours' median, mm
 */
export function oddReadings(
  readings: readonly Reading[],
  halfWidthMm: number,
): readonly { readonly index: number; readonly depthMm: number; readonly aroundMm: number }[] {
  if (readings.length < 5) return [];
  const mesh = Delaunator.from(readings.map((r) => [r.xMm, r.yMm] as [number, number]));
  const near = readings.map(() => new Set<number>());
  for (let e = 0; e < mesh.triangles.length; e++) {
    const a = mesh.triangles[e]!;
    const b = mesh.triangles[e % 3 === 2 ? e - 2 : e + 1]!;
    near[a]!.add(b);
    near[b]!.add(a);
  }
  return readings.flatMap((r, index) => {
    const around = [...near[index]!].map((k) => readings[k]!.depthMm);
    if (around.length < 3) return [];
    const middle = median(around);
    const spread = Math.max(
      1.4826 * median(around.map((d) => Math.abs(d - middle))),
      SHAPE_SHARE * middle,
      2 * halfWidthMm,
    );
    return Math.abs(r.depthMm - middle) > ODD * spread ? [{ index, depthMm: r.depthMm, aroundMm: middle }] : [];
  });
}

/**
 * The place where one more reading would help most: the point inside the outline farthest from every reading, weighted
 * by how deep the hollow is about there. Looked for on a 40 × 40 grid.
 */
export function nextReading(outline: readonly Point[], readings: readonly Reading[]): Point | undefined {
  if (outline.length < 3) return undefined;
  const [x0, y0, x1, y1] = bounds(outline);
  const deepest = Math.max(1e-9, ...readings.map((r) => r.depthMm));
  let best: Point | undefined;
  let most = 0;
  for (let i = 1; i < 40; i++)
    for (let k = 1; k < 40; k++) {
      const p: Point = [x0 + ((x1 - x0) * i) / 40, y0 + ((y1 - y0) * k) / 40];
      if (!inside(outline, p)) continue;
      let far = Number.POSITIVE_INFINITY;
      let depth = deepest;
      for (const r of readings) {
        const d = Math.hypot(r.xMm - p[0], r.yMm - p[1]);
        if (d < far) [far, depth] = [d, r.depthMm];
      }
      // With nothing read yet the middle is as good as any.
      const gain = readings.length
        ? far * (0.5 + (0.5 * depth) / deepest)
        : -Math.hypot(p[0] - (x0 + x1) / 2, p[1] - (y0 + y1) / 2);
      if (best === undefined || gain > most) [best, most] = [p, gain];
    }
  return best && [Math.round(best[0]), Math.round(best[1])];
}

/** Round depths for contour lines, at most six below the deepest, mm. */
export function contourLevels(maxDepthMm: number): readonly number[] {
  const rough = maxDepthMm / 6;
  const decade = 10 ** Math.floor(Math.log10(Math.max(rough, 1e-6)));
  const step = [1, 2, 5, 10].map((k) => k * decade).find((s) => s >= rough)!;
  return Array.from({ length: Math.max(0, Math.ceil(maxDepthMm / step) - 1) }, (_, i) =>
    Number(((i + 1) * step).toPrecision(6)),
  );
}

/** Lines of equal depth across the triangles of a surface: one straight piece a triangle. */
export function contoursOf(
  surface: DepthSurface,
): readonly { depthMm: number; lines: readonly (readonly Point[])[] }[] {
  return contourLevels(surface.maxDepthMm).map((depthMm) => ({
    depthMm,
    lines: surface.triangles.flatMap((t) => {
      const cross: Point[] = [];
      for (let k = 0; k < 3; k++) {
        const a = surface.corners[t[k]!]!;
        const b = surface.corners[t[(k + 1) % 3]!]!;
        if (a[2] < depthMm === b[2] < depthMm) continue;
        const f = (depthMm - a[2]) / (b[2] - a[2]);
        cross.push([a[0] + f * (b[0] - a[0]), a[1] + f * (b[1] - a[1])]);
      }
      return cross.length === 2 ? [cross] : [];
    }),
  }));
}

/** Depth along the line at `y`, as pairs of place and depth, mm. */
export function profileAt(surface: DepthSurface, y: number): (readonly [number, number])[] {
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
