import { refuse } from '../units';
import { seeded } from '../void';
import { type Cloud, everyOf, type ScanAsk } from './cloud';
import { medianOf } from './surface-fit';

/** Three directions at right angles; the third stands on the face. */
export type Axes = readonly [readonly number[], readonly number[], readonly number[]];
export interface Frame {
  readonly origin: readonly number[];
  readonly axes: Axes;
}

/** Planes tried for the frame, and points each is scored on. */
const FRAMES = 120;
const FRAME_POINTS = 300;

/** A frame whose third axis stands on the face: of planes through three random points, the one that half the points lie nearest to. */
export function faceFrame(cloud: Cloud, ask: ScanAsk): Frame {
  const n = Math.floor(cloud.xyz.length / 3);
  const random = seeded(ask.seed ?? 1);
  const at = Array.from({ length: FRAME_POINTS }, () => {
    const i = Math.floor(random() * n);
    return [cloud.xyz[3 * i]! * ask.mmPerUnit, cloud.xyz[3 * i + 1]! * ask.mmPerUnit, cloud.xyz[3 * i + 2]! * ask.mmPerUnit];
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
      distances[i] = Math.abs((q[0]! - a[0]!) * normal[0]! + (q[1]! - a[1]!) * normal[1]! + (q[2]! - a[2]!) * normal[2]!);
    });
    const far = medianOf(distances);
    if (!best || far < best.far) best = { normal, far };
  }
  if (!best) return refuse('scan', n, 'points that span a face', 'The points of the scan lie on one line or in one place.');
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

/** Finest a mesh is sampled, as a share of its extent. */
const MESH_FINEST = 1 / 400;

/** Points in the frame of the face, mm; a mesh gives the middle of every triangle, large ones the middles of their parts. */
export function turn(cloud: Cloud, { origin, axes }: Frame, mmPerUnit: number, extentMm: number): Turned {
  const { xyz, triangles } = cloud;
  const [[x0, x1, x2], [y0, y1, y2], [z0, z1, z2]] = axes as unknown as [number[], number[], number[]];
  const [o0, o1, o2] = origin as readonly [number, number, number];
  if (!triangles) {
    const n = Math.floor(xyz.length / 3);
    const [u, v, w] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
    for (let i = 0; i < n; i++) {
      const f = 3 * i;
      const a = xyz[f]! * mmPerUnit - o0;
      const b = xyz[f + 1]! * mmPerUnit - o1;
      const c = xyz[f + 2]! * mmPerUnit - o2;
      u[i] = a * x0! + b * x1! + c * x2!;
      v[i] = a * y0! + b * y1! + c * y2!;
      w[i] = a * z0! + b * z1! + c * z2!;
    }
    return { u, v, w };
  }
  const finest = extentMm * MESH_FINEST;
  const pieces = new Uint16Array(triangles);
  let total = 0;
  for (let t = 0; t < triangles; t++) {
    const f = 9 * t;
    let longest = 0;
    for (let k = 0; k < 3; k++) {
      const a = f + 3 * k;
      const b = k === 2 ? f : a + 3;
      const dx = xyz[a]! - xyz[b]!;
      const dy = xyz[a + 1]! - xyz[b + 1]!;
      const dz = xyz[a + 2]! - xyz[b + 2]!;
      const square = dx * dx + dy * dy + dz * dz;
      if (square > longest) longest = square;
    }
    pieces[t] = Math.min(200, Math.max(1, Math.ceil((Math.sqrt(longest) * mmPerUnit) / finest / 2)));
    total += pieces[t]! ** 2;
  }
  const [u, v, w] = [new Float64Array(total), new Float64Array(total), new Float64Array(total)];
  let at = 0;
  for (let t = 0; t < triangles; t++) {
    const k = pieces[t]!;
    const f = 9 * t;
    for (let i = 0; i < k; i++)
      for (let j = 0; j < 2 * (k - i) - 1; j++) {
        // Middles of the k² small triangles: upright ones and, between them, those upside down.
        const third = j % 2 === 0 ? 1 / 3 : 2 / 3;
        const s = (i + third) / k;
        const r = ((j >> 1) + third) / k;
        const q = 1 - s - r;
        const a = (xyz[f]! * q + xyz[f + 3]! * s + xyz[f + 6]! * r) * mmPerUnit - o0;
        const b = (xyz[f + 1]! * q + xyz[f + 4]! * s + xyz[f + 7]! * r) * mmPerUnit - o1;
        const c = (xyz[f + 2]! * q + xyz[f + 5]! * s + xyz[f + 8]! * r) * mmPerUnit - o2;
        u[at] = a * x0! + b * x1! + c * x2!;
        v[at] = a * y0! + b * y1! + c * y2!;
        w[at] = a * z0! + b * z1! + c * z2!;
        at++;
      }
  }
  return { u, v, w };
}
