import { mm, refuse, texts } from '../say';
import { inside, type Point } from '../void';
import { bridged, type Grid, parts, placeOf, smoothed, widened } from './grid';
import { type FittedSurface, fitSurface, heightAt, medianOf, type SurfaceForm } from './surface-fit';

const REFUSED = texts('refused.scan.region', {
  'rim-drawn-hand': 'The rim drawn by hand encloses nothing of the map.',
  'no-hollow-deeper':
    'No hollow is deeper than {threshold}, three times the roughness of the face. Is the right side scanned, and is the unit right?',
});

/** Points used for fitting the surface. */
export const SAMPLE = 3_000;
/**
 * The region is widened by this much before the surface is fitted again without it: a feathered rim otherwise drags it.
 */
export const WIDEN_MM = 10;
export const SEED_SIGMAS = 3;
/**
 * The region grows through smoothed cells deeper than this many of their own sigmas, then by one cell to where depth
 * crosses zero: nearer to zero, the roughness of the sound face would join it.
 */
export const GROW_SIGMAS = 2;

/** The void on the raster. */
export interface Region {
  /** Depth under the surface, mm, bridged inside the mask. */
  readonly depth: Float64Array;
  readonly mask: Uint8Array;
  /** Share of the void in which the scan saw no bottom. */
  readonly hiddenShare: number;
  readonly others: number;
  /** Roughness of the smoothed map of the sound face, mm. */
  readonly calmMm: number;
}

/** Mask of what is deeper than so much; what was not seen is not. */
function deeper(depth: Float64Array, than: number): Uint8Array {
  const mask = new Uint8Array(depth.length);
  for (let i = 0; i < depth.length; i++) if (depth[i]! > than) mask[i] = 1;
  return mask;
}

/** Depth under the surface, and the region of the void: seeded, grown to where its depth ends. */
export function regionOf(grid: Grid, surface: FittedSurface, rim?: readonly Point[], before?: Uint8Array): Region {
  const { nx, ny, values } = grid;
  const depth = new Float64Array(values.length);
  for (let i = 0, y = 0; y < ny; y++) {
    const v = grid.v0 + (y + 0.5) * grid.cellMm;
    for (let x = 0; x < nx; x++, i++) depth[i] = heightAt(surface, grid.u0 + (x + 0.5) * grid.cellMm, v) - values[i]!;
  }
  if (rim) {
    const mask = Uint8Array.from({ length: values.length }, (_, i) => (inside(rim, placeOf(grid, i)) ? 1 : 0));
    if (!mask.some(Boolean))
      refuse('rim', rim.length, 'a rim that encloses part of the map', REFUSED['rim-drawn-hand']());
    return closed(grid, depth, mask, 0, 0);
  }
  const calm = smoothed(depth, nx, ny);
  const base = new Float64Array(calm.length);
  let sound = 0;
  for (let i = 0; i < calm.length; i++) if (!Number.isNaN(calm[i]!) && !before?.[i]) base[sound++] = Math.abs(calm[i]!);
  const sigma = Math.max(1.4826 * medianOf(base, sound), 1e-6);
  const threshold = SEED_SIGMAS * Math.max(surface.residualMm, sigma);
  const seeds = deeper(calm, threshold);
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
      REFUSED['no-hollow-deeper']({ threshold: mm(threshold) }),
    );
  const others = [...size].filter((s, k) => k > 0 && k !== main && s > 0.05 * size[main]!).length;
  const fringe = deeper(calm, GROW_SIGMAS * sigma);
  for (let i = 0; i < labels.length; i++) if (labels[i] && labels[i] !== main) fringe[i] = 0;
  const grown = parts(fringe, nx, ny, false);
  const mask = new Uint8Array(values.length);
  const keep = new Uint8Array(grown.count + 1);
  for (let i = 0; i < labels.length; i++) if (labels[i] === main) keep[grown.labels[i]!] = 1;
  // Label 0 is what is not in the fringe.
  keep[0] = 0;
  for (let i = 0; i < mask.length; i++) mask[i] = keep[grown.labels[i]!]!;
  return closed(grid, depth, widened(mask, nx, ny, 1), others, sigma);
}

/** Gaps enclosed by the region belong to it; where the scan saw nothing, depth is bridged from round about. */
function closed(grid: Grid, depth: Float64Array, mask: Uint8Array, others: number, calmMm: number): Region {
  const { nx, ny } = grid;
  // What was not seen belongs to the region only where the region encloses it: beyond the edge of the scan there is
  // nothing to fill.
  const outside = new Uint8Array(mask.length);
  for (let i = 0; i < mask.length; i++) outside[i] = mask[i] && !Number.isNaN(depth[i]!) ? 0 : 1;
  const { labels, count } = parts(outside, nx, ny, false);
  const open = new Uint8Array(count + 1);
  for (let x = 0; x < nx; x++) for (const y of [0, ny - 1]) open[labels[y * nx + x]!] = 1;
  for (let y = 0; y < ny; y++) for (const x of [0, nx - 1]) open[labels[y * nx + x]!] = 1;
  const whole = new Uint8Array(mask.length);
  for (let i = 0; i < whole.length; i++) whole[i] = !outside[i] || !open[labels[i]!] ? 1 : 0;
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
export function refit(grid: Grid, without: Uint8Array, form: SurfaceForm, start: FittedSurface): FittedSurface {
  const u: number[] = [];
  const v: number[] = [];
  const w: number[] = [];
  const step = Math.max(1, Math.floor(without.length / SAMPLE));
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
export function rimSeen(grid: Grid, mask: Uint8Array): number {
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
