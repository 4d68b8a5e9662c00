import { refuse } from '../units';
import { inside, type Point, type Scanned, scannedShape, seeded } from '../void';
import { bridged, type Grid, parts, placeOf, rasterise, smoothed, widened } from './grid';
import { type FittedSurface, fitSurface, heightAt, medianOf, type SurfaceForm } from './surface-fit';

/** What a file held: places x, y, z side by side, in the units of the file. */
export interface Cloud {
  /** x, y, z of each point; for a mesh, three points a triangle, `triangles` of them. */
  readonly xyz: Float32Array | Float64Array;
  readonly triangles: number;
}

export interface ScanAsk {
  readonly surface: SurfaceForm;
  /** Millimetres in a unit of the file. */
  readonly mmPerUnit: number;
  /** The other side is the damaged one. */
  readonly flip?: boolean;
  /** Rim drawn on the map by hand, in its coordinates, mm; found when not given. */
  readonly rim?: readonly Point[];
  readonly seed?: number;
  /** Told how far it is, 0 to 1. */
  readonly progress?: (share: number, doing: string) => void;
}

/** Units a scan may be in; a file of points does not say. */
export const SCAN_UNITS = [
  { id: 'mm', label: 'mm', mm: 1 },
  { id: 'cm', label: 'cm', mm: 10 },
  { id: 'm', label: 'm', mm: 1000 },
  { id: 'in', label: 'in', mm: 25.4 },
] as const;

/** Sizes a damaged place is scanned at, mm: what lies outside hints at a wrong unit. */
const LIKELY_MM = [40, 4000] as const;

/** Largest extent of the points, in the units of the file. @throws Refusal naming the first point that is not a number */
export function extentOf({ xyz }: Cloud): number {
  let [x0, y0, z0] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  let [x1, y1, z1] = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let i = 0; i + 2 < xyz.length; i += 3) {
    const x = xyz[i]!;
    const y = xyz[i + 1]!;
    const z = xyz[i + 2]!;
    // A sum is finite only if all three are.
    if (!Number.isFinite(x + y + z))
      refuse('scan', [x, y, z], 'finite numbers', `Point ${i / 3 + 1} of the scan is not a number: the file is damaged there.`);
    if (x < x0) x0 = x;
    if (x > x1) x1 = x;
    if (y < y0) y0 = y;
    if (y > y1) y1 = y;
    if (z < z0) z0 = z;
    if (z > z1) z1 = z;
  }
  return Math.max(x1 - x0, y1 - y0, z1 - z0);
}

/** Units in which the scan has a likely size. @example likelyUnits(0.35) // ['m'] */
export const likelyUnits = (extent: number): readonly string[] =>
  SCAN_UNITS.filter((u) => extent * u.mm >= LIKELY_MM[0] && extent * u.mm <= LIKELY_MM[1]).map((u) => u.id);

/** Points used for finding the surface the first time. */
const SAMPLE = 4_000;
/** Points wanted in a cell. */
const PER_CELL = 4;
/** The region is widened by this much before the surface is fitted again without it: a feathered rim otherwise drags it. */
const WIDEN_MM = 10;
const SEED_SIGMAS = 3;
/** The region grows through smoothed cells deeper than this many of their own sigmas, then by one cell to where depth crosses zero: nearer to zero, the roughness of the sound face would join it. */
const GROW_SIGMAS = 2;
/** Share of the rim that must be seen. */
const RIM_SEEN = 0.55;

/**
 * Finds the void in a scan: the undamaged face fitted robustly, depth rasterised, the deep region seeded and grown to where its
 * depth ends, the face fitted again without it, and what lies under the face summed.
 * @returns the shape as stored: depth map of the void with its rim, and what was noticed
 * @throws Refusal for points that are not numbers, no hollow, no sound rim
 */
export function measureScan(cloud: Cloud, ask: ScanAsk): Scanned {
  const tell = ask.progress ?? (() => undefined);
  tell(0.02, 'reading the points');
  const extent = extentOf(cloud) * ask.mmPerUnit;
  if (!(extent > 0)) refuse('scan', extent, 'an extent above 0', 'All points of the scan lie in one place.');
  const n = Math.floor(cloud.xyz.length / 3);
  const frame = faceFrame(cloud, ask);
  tell(0.2, 'turning it level');
  const turned = turn(cloud, frame, ask.mmPerUnit, extent);

  tell(0.35, 'fitting the undamaged face');
  const step = Math.max(1, Math.floor(turned.w.length / SAMPLE));
  const pick = (a: Float64Array) => Float64Array.from({ length: Math.floor(a.length / step) }, (_, i) => a[i * step]!);
  const sample = { u: pick(turned.u), v: pick(turned.v), w: pick(turned.w) };
  let surface = fitSurface(sample, ask.surface, ask.seed ?? 1);
  const below = sideOfVoid(sample, surface) !== (ask.flip ?? false);
  if (!below) {
    // The damage lies on the other side: look at it from there.
    for (const a of [turned.w, turned.u, sample.w, sample.u]) for (let i = 0; i < a.length; i++) a[i] = -a[i]!;
    surface = fitSurface(sample, ask.surface, ask.seed ?? 1);
  }

  const roughMm = surface.residualMm;
  tell(0.5, 'laying the depth map');
  const cellMm = cellFor(turned);
  const { grid, counts, spread } = rasterise(turned.u, turned.v, turned.w, cellMm);
  const seenShare = counts.reduce((s, c) => s + (c ? 1 : 0), 0) / counts.length;
  let found = regionOf(grid, surface, ask.rim);
  for (let pass = 0; pass < 3; pass++) {
    tell(0.65 + pass * 0.08, 'finding the rim');
    const without = widened(found.mask, grid.nx, grid.ny, Math.max(1, Math.round(WIDEN_MM / cellMm)));
    surface = refit(grid, without, ask.surface, surface);
    const again = regionOf(grid, surface, ask.rim, found.mask);
    const same = again.mask.every((m, i) => m === found.mask[i]);
    found = again;
    if (same) break;
  }
  tell(0.92, 'summing up');
  const rim = rimSeen(grid, found.mask);
  if (rim < RIM_SEEN && !ask.rim)
    refuse(
      'scan',
      rim,
      `base seen round at least ${Math.round(RIM_SEEN * 100)} % of the void`,
      `The scan shows sound base round only ${Math.round(rim * 100)} % of the void: scan again with 20 mm of the base all round, or draw the rim by hand.`,
    );
  return scannedShape(grid, found.depth, found.mask, {
    surface: ask.surface,
    residualMm: roughMm,
    // Single cells are rougher than the smoothed map by the nine they are smoothed over.
    edgeMm: ask.rim ? 0 : GROW_SIGMAS * 3 * found.calmMm,
    rimSeen: rim,
    points: n,
    unusedShare: unusedShare(turned, { ...surface, residualMm: roughMm }, grid, found.mask),
    hiddenShare: found.hiddenShare,
    overhangShare: overhangShare(cloud, frame, found.mask, grid, spread, roughMm, turned),
    otherHollows: found.others,
    seenShare,
    drawn: ask.rim !== undefined,
  });
}

type Axes = readonly [readonly number[], readonly number[], readonly number[]];
interface Frame {
  readonly origin: readonly number[];
  readonly axes: Axes;
}

/** Planes tried for the frame, and points each is scored on. */
const FRAMES = 120;
const FRAME_POINTS = 300;

/** A frame whose third axis stands on the face: of planes through three random points, the one that half the points lie nearest to. */
function faceFrame(cloud: Cloud, ask: ScanAsk): Frame {
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

interface Turned {
  readonly u: Float64Array;
  readonly v: Float64Array;
  readonly w: Float64Array;
}

/** Points that are laid on the map; of larger scans every second, third, … is taken, which costs no accuracy. */
const ENOUGH = 250_000;
/** Finest a mesh is sampled, as a share of its extent. */
const MESH_FINEST = 1 / 400;

/** Points in the frame of the face, mm; a mesh gives the middle of every triangle, large ones the middles of their parts. */
function turn(cloud: Cloud, { origin, axes }: Frame, mmPerUnit: number, extentMm: number): Turned {
  const { xyz, triangles } = cloud;
  const [[x0, x1, x2], [y0, y1, y2], [z0, z1, z2]] = axes as unknown as [number[], number[], number[]];
  const [o0, o1, o2] = origin as readonly [number, number, number];
  if (!triangles) {
    const step = Math.max(1, Math.floor(xyz.length / 3 / ENOUGH));
    const n = Math.floor(xyz.length / 3 / step);
    const [u, v, w] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
    for (let i = 0; i < n; i++) {
      const f = 3 * step * i;
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
  const step = Math.max(1, Math.floor(triangles / ENOUGH));
  const pieces = new Uint16Array(triangles);
  let total = 0;
  for (let t = 0; t < triangles; t += step) {
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
  for (let t = 0; t < triangles; t += step) {
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

/** Whether the void lies below the surface: more points far off it lie there than above. Counted, since a few strays may lie very far. */
function sideOfVoid(at: Turned, surface: FittedSurface): boolean {
  let sum = 0;
  for (let i = 0; i < at.w.length; i++) {
    const r = at.w[i]! - heightAt(surface, at.u[i]!, at.v[i]!);
    if (Math.abs(r) > SEED_SIGMAS * surface.residualMm) sum += Math.sign(r);
  }
  return sum <= 0;
}

/** A cell that holds some points, yet the void many cells. */
function cellFor({ u, v }: Turned): number {
  let [u0, v0, u1, v1] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let i = 0; i < u.length; i++) {
    if (u[i]! < u0) u0 = u[i]!;
    if (u[i]! > u1) u1 = u[i]!;
    if (v[i]! < v0) v0 = v[i]!;
    if (v[i]! > v1) v1 = v[i]!;
  }
  // A scan lies askew in its frame: only the part of the frame that holds points counts.
  const side = Math.max(u1 - u0, v1 - v0);
  const coarse = side / 40;
  const seen = new Uint8Array(41 * 41);
  for (let i = 0; i < u.length; i++) seen[Math.floor((v[i]! - v0) / coarse) * 41 + Math.floor((u[i]! - u0) / coarse)] = 1;
  const area = seen.reduce((sum, x) => sum + x, 0) * coarse * coarse;
  return Math.min(Math.max(Math.sqrt((area * PER_CELL) / u.length), side / 240), side / 30);
}

interface Region {
  /** Depth under the surface, mm, bridged inside the mask. */
  readonly depth: Float64Array;
  readonly mask: Uint8Array;
  /** Share of the void in which the scan saw no bottom. */
  readonly hiddenShare: number;
  readonly others: number;
  /** Roughness of the smoothed map of the sound face, mm. */
  readonly calmMm: number;
}

/** Depth under the surface, and the region of the void: seeded, grown to where its depth ends. */
function regionOf(grid: Grid, surface: FittedSurface, rim?: readonly Point[], before?: Uint8Array): Region {
  const { nx, ny, values } = grid;
  const depth = new Float64Array(values.length);
  for (let i = 0, y = 0; y < ny; y++) {
    const v = grid.v0 + (y + 0.5) * grid.cellMm;
    for (let x = 0; x < nx; x++, i++) depth[i] = heightAt(surface, grid.u0 + (x + 0.5) * grid.cellMm, v) - values[i]!;
  }
  if (rim) {
    const mask = Uint8Array.from({ length: values.length }, (_, i) => (inside(rim, placeOf(grid, i)) ? 1 : 0));
    if (!mask.some(Boolean))
      refuse('rim', rim.length, 'a rim that encloses part of the map', 'The rim drawn by hand encloses nothing of the map.');
    return closed(grid, depth, mask, 0, 0);
  }
  const calm = smoothed(depth, nx, ny);
  const base = calm.filter((d, i) => !Number.isNaN(d) && !before?.[i]).map((d) => Math.abs(d));
  const sigma = Math.max(1.4826 * medianOf(base), 1e-6);
  const threshold = SEED_SIGMAS * Math.max(surface.residualMm, sigma);
  const seeds = Uint8Array.from(calm, (d) => (d > threshold ? 1 : 0));
  const { labels, count } = parts(seeds, nx, ny, true);
  const size = new Float64Array(count + 1);
  for (let i = 0; i < labels.length; i++) if (labels[i]) size[labels[i]!]! += calm[i]!;
  let main = 0;
  for (let k = 1; k <= count; k++) if (size[k]! > size[main]!) main = k;
  if (!main)
    refuse(
      'scan',
      threshold,
      'a hollow deeper than the roughness of the face',
      `No hollow is deeper than ${threshold.toFixed(1)} mm, three times the roughness of the face. Is the right side scanned, and is the unit right?`,
    );
  const others = [...size].filter((s, k) => k > 0 && k !== main && s > 0.05 * size[main]!).length;
  const fringe = Uint8Array.from(calm, (d) => (d > GROW_SIGMAS * sigma ? 1 : 0));
  for (let i = 0; i < labels.length; i++) if (labels[i] && labels[i] !== main) fringe[i] = 0;
  const grown = parts(fringe, nx, ny, false);
  const mask = new Uint8Array(values.length);
  const keep = new Set<number>();
  for (let i = 0; i < labels.length; i++) if (labels[i] === main) keep.add(grown.labels[i]!);
  for (let i = 0; i < mask.length; i++) mask[i] = grown.labels[i] && keep.has(grown.labels[i]!) ? 1 : 0;
  return closed(grid, depth, widened(mask, nx, ny, 1), others, sigma);
}

/** Gaps enclosed by the region belong to it; where the scan saw nothing, depth is bridged from round about. */
function closed(grid: Grid, depth: Float64Array, mask: Uint8Array, others: number, calmMm: number): Region {
  const { nx, ny } = grid;
  // What was not seen belongs to the region only where the region encloses it: beyond the edge of the scan there is nothing to fill.
  const outside = Uint8Array.from(mask, (m, i) => (m && !Number.isNaN(depth[i]!) ? 0 : 1));
  const { labels } = parts(outside, nx, ny, false);
  const open = new Set<number>();
  for (let x = 0; x < nx; x++) for (const y of [0, ny - 1]) open.add(labels[y * nx + x]!);
  for (let y = 0; y < ny; y++) for (const x of [0, nx - 1]) open.add(labels[y * nx + x]!);
  const whole = outside.map((o, i) => (!o || !open.has(labels[i]!) ? 1 : 0));
  let hidden = 0;
  let cells = 0;
  for (let i = 0; i < whole.length; i++) {
    if (!whole[i]) continue;
    cells++;
    if (Number.isNaN(depth[i]!)) hidden++;
  }
  return {
    depth: hidden ? bridged(depth, nx, ny, Math.max(nx, ny)) : depth,
    mask: whole,
    hiddenShare: hidden / Math.max(1, cells),
    others,
    calmMm,
  };
}

/** The surface again, through the cells outside the widened region. */
function refit(grid: Grid, without: Uint8Array, form: SurfaceForm, start: FittedSurface): FittedSurface {
  const u: number[] = [];
  const v: number[] = [];
  const w: number[] = [];
  const step = Math.max(1, Math.floor(without.length / (2 * SAMPLE)));
  for (let i = 0; i < without.length; i += step) {
    if (without[i] || Number.isNaN(grid.values[i]!)) continue;
    const [a, b] = placeOf(grid, i);
    u.push(a);
    v.push(b);
    w.push(grid.values[i]!);
  }
  // Too little base left to fit again: the first fit stands.
  if (w.length < 40) return start;
  const again = fitSurface({ u, v, w }, form, 1, start);
  // Cells are smoother than points; how rough the face is, the points said.
  return { ...again, residualMm: Math.max(again.residualMm, 1e-6) };
}

/** Share of the ring round the void where sound base is seen. */
function rimSeen(grid: Grid, mask: Uint8Array): number {
  const { nx, ny, cellMm } = grid;
  const near = Math.max(1, Math.round(3 / cellMm));
  const far = near + Math.max(2, Math.round(WIDEN_MM / cellMm));
  // Margins that hold the widened ring even where the void runs off the scan.
  const [mx, my] = [nx + 2 * far, ny + 2 * far];
  const wide = new Uint8Array(mx * my);
  for (let y = 0; y < ny; y++) for (let x = 0; x < nx; x++) wide[(y + far) * mx + x + far] = mask[y * nx + x]!;
  const [inner, outer] = [widened(wide, mx, my, near), widened(wide, mx, my, far)];
  let ring = 0;
  let seen = 0;
  for (let i = 0; i < wide.length; i++) {
    if (!outer[i] || inner[i]) continue;
    ring++;
    const x = (i % mx) - far;
    const y = Math.floor(i / mx) - far;
    if (x < 0 || y < 0 || x >= nx || y >= ny) continue;
    if (!Number.isNaN(grid.values[y * nx + x]!)) seen++;
  }
  return ring ? seen / ring : 0;
}

/** Share of the points that lie neither on the face nor in the void. */
function unusedShare(at: Turned, surface: FittedSurface, grid: Grid, mask: Uint8Array): number {
  const step = Math.max(1, Math.floor(at.w.length / 100_000));
  let unused = 0;
  let n = 0;
  for (let i = 0; i < at.w.length; i += step) {
    n++;
    const x = Math.min(grid.nx - 1, Math.floor((at.u[i]! - grid.u0) / grid.cellMm));
    const y = Math.min(grid.ny - 1, Math.floor((at.v[i]! - grid.v0) / grid.cellMm));
    if (mask[y * grid.nx + x]) continue;
    if (Math.abs(at.w[i]! - heightAt(surface, at.u[i]!, at.v[i]!)) > 5 * surface.residualMm + 1e-6) unused++;
  }
  return unused / Math.max(1, n);
}

/** Share of the void under overhangs: of a mesh, triangles that face away; of points, cells well inside with two floors. */
function overhangShare(
  cloud: Cloud,
  { axes }: Frame,
  mask: Uint8Array,
  grid: Grid,
  spread: Float64Array,
  residualMm: number,
  at: Turned,
): number {
  const deep = widened(mask, grid.nx, grid.ny, -2);
  const cells = deep.reduce((s, m) => s + m, 0);
  if (!cells) return 0;
  const step = cloud.triangles ? Math.max(1, Math.floor(cloud.triangles / ENOUGH)) : 1;
  if (!cloud.triangles || at.w.length !== Math.ceil(cloud.triangles / step)) {
    let two = 0;
    for (let i = 0; i < deep.length; i++) if (deep[i] && spread[i]! > Math.max(8 * residualMm, 6 * grid.cellMm)) two++;
    return two / cells;
  }
  const z = axes[2];
  const { xyz } = cloud;
  // Twice the areas as seen from the face, by which way they look.
  const area = { soundUp: 0, soundDown: 0, voidUp: 0, voidDown: 0 };
  for (let i = 0; i < at.w.length; i++) {
    const f = 9 * step * i;
    const [ax, ay, az] = [xyz[f + 3]! - xyz[f]!, xyz[f + 4]! - xyz[f + 1]!, xyz[f + 5]! - xyz[f + 2]!];
    const [bx, by, bz] = [xyz[f + 6]! - xyz[f]!, xyz[f + 7]! - xyz[f + 1]!, xyz[f + 8]! - xyz[f + 2]!];
    const normal = (ay * bz - az * by) * z[0]! + (az * bx - ax * bz) * z[1]! + (ax * by - ay * bx) * z[2]!;
    const x = Math.min(grid.nx - 1, Math.floor((at.u[i]! - grid.u0) / grid.cellMm));
    const y = Math.min(grid.ny - 1, Math.floor((at.v[i]! - grid.v0) / grid.cellMm));
    const where = mask[y * grid.nx + x] ? (normal > 0 ? 'voidUp' : 'voidDown') : normal > 0 ? 'soundUp' : 'soundDown';
    area[where] += Math.abs(normal);
  }
  // Which way the mesh winds is told by the sound face; what winds the other way inside the void faces away.
  const hidden = area.soundUp >= area.soundDown ? area.voidDown : area.voidUp;
  return hidden / Math.max(1e-9, area.voidUp + area.voidDown);
}
