import { refuse } from '../units';
import { type Scanned, scannedShape } from '../void';
import { type Cloud, extentOf, type ScanAsk } from './cloud';
import { type Frame, faceFrame, type Turned, thinned, turn } from './frame';
import { type Grid, rasterise, widened } from './grid';
import { GROW_SIGMAS, refit, regionOf, rimSeen, SAMPLE, SEED_SIGMAS, WIDEN_MM } from './region';
import { type FittedSurface, fitSurface, heightAt } from './surface-fit';

/** Points wanted in a cell. */
const PER_CELL = 4;
/** Share of the rim that must be seen. */
const RIM_SEEN = 0.55;

/**
 * Finds the void in a scan: the undamaged face fitted robustly, depth rasterised, the deep region seeded and grown to where its
 * depth ends, the face fitted again without it, and what lies under the face summed.
 * @returns the shape as stored: depth map of the void with its rim, and what was noticed
 * @throws Refusal for points that are not numbers, no hollow, no sound rim
 */
export function measureScan(whole: Cloud, ask: ScanAsk): Scanned {
  const tell = ask.progress ?? (() => undefined);
  tell(0.02, 'reading the points');
  const cloud = thinned(whole);
  const extent = extentOf(cloud) * ask.mmPerUnit;
  if (!(extent > 0)) refuse('scan', extent, 'an extent above 0', 'All points of the scan lie in one place.');
  const n = whole.held ?? Math.floor(whole.xyz.length / 3);
  const frame = faceFrame(cloud, ask);
  tell(0.2, 'turning it level');
  const turned = turn(cloud, frame, ask.mmPerUnit, extent);

  tell(0.35, 'fitting the undamaged face');
  const step = Math.max(1, Math.floor(turned.w.length / SAMPLE));
  const sample = { u: every(turned.u, step), v: every(turned.v, step), w: every(turned.w, step) };
  let surface = fitSurface(sample, ask.surface, ask.seed ?? 1);
  const below = sideOfVoid(sample, surface) !== (ask.flip ?? false);
  if (!below) {
    // The damage lies on the other side: look at it from there. Heights and one direction change sign, and so do their terms.
    negate(turned.w);
    negate(turned.u);
    surface = { ...surface, c: surface.c.map((x, i) => (i === 1 || i === 4 ? x : -x)) };
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

/** Every so-manieth value. */
function every(list: Float64Array, step: number): Float64Array {
  const out = new Float64Array(Math.floor(list.length / step));
  for (let i = 0; i < out.length; i++) out[i] = list[i * step]!;
  return out;
}

/** Small loops stand in functions of their own: the engine compiles those sooner. */
function negate(list: Float64Array): void {
  for (let i = 0; i < list.length; i++) list[i] = -list[i]!;
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
  return Math.min(Math.max(Math.sqrt((area * PER_CELL) / u.length), side / 180), side / 30);
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
  if (!cloud.triangles || at.w.length !== cloud.triangles) {
    let two = 0;
    for (let i = 0; i < deep.length; i++) if (deep[i] && spread[i]! > Math.max(8 * residualMm, 6 * grid.cellMm)) two++;
    return two / cells;
  }
  const z = axes[2];
  const { xyz } = cloud;
  const [z0, z1, z2] = z as readonly [number, number, number];
  // Twice the areas as seen from the face, by which way they look: sound up, sound down, void up, void down.
  const area = new Float64Array(4);
  for (let i = 0; i < at.w.length; i++) {
    const f = 9 * i;
    const [cx, cy, cz] = [xyz[f]!, xyz[f + 1]!, xyz[f + 2]!];
    const [ax, ay, az] = [xyz[f + 3]! - cx, xyz[f + 4]! - cy, xyz[f + 5]! - cz];
    const [bx, by, bz] = [xyz[f + 6]! - cx, xyz[f + 7]! - cy, xyz[f + 8]! - cz];
    const normal = (ay * bz - az * by) * z0 + (az * bx - ax * bz) * z1 + (ax * by - ay * bx) * z2;
    const x = Math.min(grid.nx - 1, Math.floor((at.u[i]! - grid.u0) / grid.cellMm));
    const y = Math.min(grid.ny - 1, Math.floor((at.v[i]! - grid.v0) / grid.cellMm));
    area[2 * mask[y * grid.nx + x]! + (normal > 0 ? 0 : 1)]! += Math.abs(normal);
  }
  const [soundUp, soundDown, voidUp, voidDown] = area as unknown as [number, number, number, number];
  // Which way the mesh winds is told by the sound face; what winds the other way inside the void faces away.
  const hidden = soundUp >= soundDown ? voidDown : voidUp;
  return hidden / Math.max(1e-9, voidUp + voidDown);
}
