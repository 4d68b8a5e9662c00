import { refuse, texts } from '../say';
import { seeded } from '../void';
import { type Cloud, everyOf, type ScanAsk } from './cloud';
import type { Grid } from './grid';
import { medianOf } from './surface-fit';

const REFUSED = texts('refused.scan.frame', {
  'points-scan-lie': 'The points of the scan lie on one line or in one place.',
});

/** Three directions at right angles; the third stands on the face. */
export type Axes = readonly [readonly number[], readonly number[], readonly number[]];
export interface Frame {
  readonly origin: readonly number[];
  readonly axes: Axes;
}

/** Planes tried for the frame, and points each is scored on. */
const FRAMES = 120;
const FRAME_POINTS = 300;

/**
 * A frame whose third axis stands on the face: of planes through three random points, the one that half the points lie
 * nearest to.
 */
export function faceFrame(cloud: Cloud, ask: ScanAsk): Frame {
  const n = Math.floor(cloud.xyz.length / 3);
  const random = seeded(ask.seed ?? 1);
  const at = Array.from({ length: FRAME_POINTS }, () => {
    const i = Math.floor(random() * n);
    return [
      cloud.xyz[3 * i]! * ask.mmPerUnit,
      cloud.xyz[3 * i + 1]! * ask.mmPerUnit,
      cloud.xyz[3 * i + 2]! * ask.mmPerUnit,
    ];
  });
  const origin = [0, 1, 2].map((k) => at.reduce((s, p) => s + p[k]!, 0) / at.length);
  const p = at.map((q) => q.map((x, k) => x - origin[k]!));
  let best: { normal: number[]; far: number } | undefined;
  const distances = new Float64Array(FRAME_POINTS);
  for (let trial = 0; trial < FRAMES; trial++) {
    const [a, b, c] = [0, 0, 0].map(() => p[Math.floor(random() * p.length)]!) as [number[], number[], number[]];
    const d = [b[0]! - a[0]!, b[1]! - a[1]!, b[2]! - a[2]!] as const;
    const e = [c[0]! - a[0]!, c[1]! - a[1]!, c[2]! - a[2]!] as const;
    const cross = [d[1] * e[2] - d[2] * e[1], d[2] * e[0] - d[0] * e[2], d[0] * e[1] - d[1] * e[0]];
    const size = Math.hypot(...cross);
    if (!(size > 0)) continue;
    const normal = cross.map((x) => x / size);
    p.forEach((q, i) => {
      distances[i] = Math.abs(
        (q[0]! - a[0]!) * normal[0]! + (q[1]! - a[1]!) * normal[1]! + (q[2]! - a[2]!) * normal[2]!,
      );
    });
    const far = medianOf(distances);
    if (!best || far < best.far) best = { normal, far };
  }
  if (!best) return refuse('scan', n, 'points that span a face', REFUSED['points-scan-lie']());
  const z = best.normal;
  const helper = Math.abs(z[0]!) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const dot = helper.reduce((s, x, k) => s + x * z[k]!, 0);
  const flat = helper.map((x, k) => x - dot * z[k]!);
  const size = Math.hypot(...flat);
  const x0 = flat.map((v) => v / size);
  const y0 = [z[1]! * x0[2]! - z[2]! * x0[1]!, z[2]! * x0[0]! - z[0]! * x0[2]!, z[0]! * x0[1]! - z[1]! * x0[0]!];
  // Turned so that the scan lies along the map: its long side across the page.
  const on = (axis: readonly number[]) => p.map((q) => q[0]! * axis[0]! + q[1]! * axis[1]! + q[2]! * axis[2]!);
  const [us, vs] = [on(x0), on(y0)];
  const sum = (f: (i: number) => number) => us.reduce((s, _, i) => s + f(i), 0);
  const turn =
    0.5 *
    Math.atan2(
      2 * sum((i) => us[i]! * vs[i]!),
      sum((i) => us[i]! ** 2 - vs[i]! ** 2),
    );
  const x = x0.map((v, k) => v * Math.cos(turn) + y0[k]! * Math.sin(turn));
  const y = y0.map((v, k) => v * Math.cos(turn) - x0[k]! * Math.sin(turn));
  return { origin, axes: [x, y, z] };
}

/** Places along and across the face, and heights above it, mm. */
export interface Turned {
  readonly u: Float64Array;
  readonly v: Float64Array;
  readonly w: Float64Array;
}

/** A scan with no more points or triangles than are laid on the map. */
export function thinned(cloud: Cloud): Cloud {
  const { xyz, triangles } = cloud;
  const each = triangles ? 9 : 3;
  const step = everyOf(xyz.length / each);
  if (step < 2) return cloud;
  const kept = Math.floor(xyz.length / each / step);
  const out = xyz instanceof Float64Array ? new Float64Array(kept * each) : new Float32Array(kept * each);
  for (let i = 0, to = 0; i < kept; i++) {
    const from = i * step * each;
    for (let k = 0; k < each; k++) out[to++] = xyz[from + k]!;
  }
  return { xyz: out, triangles: triangles ? kept : 0 };
}

/** A corner in the frame of the face, mm. */
type Place = readonly [number, number, number];

/** Turns places of the cloud into the frame of the face. */
function turner({ xyz }: Cloud, { origin, axes }: Frame, mmPerUnit: number): (f: number) => Place {
  const [[x0, x1, x2], [y0, y1, y2], [z0, z1, z2]] = axes as unknown as readonly [Triple, Triple, Triple];
  const [o0, o1, o2] = origin as unknown as Triple;
  return (f) => {
    const a = xyz[f]! * mmPerUnit - o0;
    const b = xyz[f + 1]! * mmPerUnit - o1;
    const c = xyz[f + 2]! * mmPerUnit - o2;
    return [a * x0 + b * x1 + c * x2, a * y0 + b * y1 + c * y2, a * z0 + b * z1 + c * z2];
  };
}
type Triple = readonly [number, number, number];

/**
 * Points in the frame of the face, mm; a mesh gives one corner of every triangle, in turns. Corners, not middles: a
 * corner that strayed spoils one place, while the triangles round it would spoil all of theirs.
 */
export function turn(cloud: Cloud, frame: Frame, mmPerUnit: number): Turned {
  const at = turner(cloud, frame, mmPerUnit);
  const n = cloud.triangles || Math.floor(cloud.xyz.length / 3);
  const [u, v, w] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  for (let i = 0; i < n; i++) {
    const place = at(cloud.triangles ? 9 * i + 3 * (i % 3) : 3 * i);
    u[i] = place[0];
    v[i] = place[1];
    w[i] = place[2];
  }
  return { u, v, w };
}

/** Length of a triangle's longest side as seen from the face, mm. */
function longestSide([a, b, c]: readonly [Place, Place, Place]): number {
  return Math.sqrt(Math.max(squareOf(a, b), squareOf(b, c), squareOf(c, a)));
}
const squareOf = (a: Place, b: Place) => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2;

/** Median length of the longest sides of a mesh's triangles as seen from the face, mm. */
export function usualSide(cloud: Cloud, frame: Frame, mmPerUnit: number): number {
  const at = turner(cloud, frame, mmPerUnit);
  const step = Math.max(1, Math.floor(cloud.triangles / 2000));
  const sides = new Float64Array(Math.ceil(cloud.triangles / step));
  for (let i = 0, t = 0; t < cloud.triangles; t += step)
    sides[i++] = longestSide([at(9 * t), at(9 * t + 3), at(9 * t + 6)]);
  return medianOf(sides);
}

/** What the triangles of a mesh cover of a raster. */
export interface Cover {
  /** Share of each cell that some triangle covers, 0 to 1. */
  readonly share: Float32Array;
  /** Mean height of the triangles over the middle of each cell, mm; NaN where there is none. */
  readonly height: Float64Array;
}

/** Places along the side of a cell at which it is looked whether a triangle covers them. */
const LOOKS = 4;

/**
 * Looks which parts of a raster the triangles cover as seen from the face. A spike that stands on it covers nothing.
 */
export function coverOf(cloud: Cloud, frame: Frame, mmPerUnit: number, { nx, ny, cellMm, u0, v0 }: Grid): Cover {
  const at = turner(cloud, frame, mmPerUnit);
  const [mx, my, step] = [nx * LOOKS, ny * LOOKS, cellMm / LOOKS];
  const covered = new Uint8Array(mx * my);
  const sum = new Float64Array(nx * ny);
  const many = new Uint16Array(nx * ny);
  for (let t = 0; t < cloud.triangles; t++) {
    const [a, b, c] = [at(9 * t), at(9 * t + 3), at(9 * t + 6)];
    const det = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);
    if (det === 0) continue;
    /** First and last of the places `of` apart, the first half of that from the corner, that lie between two bounds. */
    const range = (low: number, high: number, from: number, of: number, most: number) =>
      [
        Math.max(0, Math.ceil((low - from) / of - 0.5)),
        Math.min(most - 1, Math.floor((high - from) / of - 0.5)),
      ] as const;
    const within = (of: number, wide: number, high: number, take: (i: number, s: number, r: number) => void) => {
      const [x0, x1] = range(Math.min(a[0], b[0], c[0]), Math.max(a[0], b[0], c[0]), u0, of, wide);
      const [y0, y1] = range(Math.min(a[1], b[1], c[1]), Math.max(a[1], b[1], c[1]), v0, of, high);
      for (let y = y0; y <= y1; y++)
        for (let x = x0; x <= x1; x++) {
          const [du, dv] = [u0 + (x + 0.5) * of - a[0], v0 + (y + 0.5) * of - a[1]];
          const s = (du * (c[1] - a[1]) - (c[0] - a[0]) * dv) / det;
          const r = ((b[0] - a[0]) * dv - du * (b[1] - a[1])) / det;
          if (s >= 0 && r >= 0 && s + r <= 1) take(y * wide + x, s, r);
        }
    };
    within(step, mx, my, (i) => {
      covered[i] = 1;
    });
    within(cellMm, nx, ny, (i, s, r) => {
      if (many[i] === 65_535) return;
      sum[i]! += a[2] + s * (b[2] - a[2]) + r * (c[2] - a[2]);
      many[i]!++;
    });
  }
  const share = new Float32Array(nx * ny);
  for (let y = 0; y < my; y++)
    for (let x = 0; x < mx; x++)
      if (covered[y * mx + x]) share[Math.floor(y / LOOKS) * nx + Math.floor(x / LOOKS)]! += 1 / LOOKS ** 2;
  return { share, height: sum.map((h, i) => (many[i] ? h / many[i]! : Number.NaN)) };
}
