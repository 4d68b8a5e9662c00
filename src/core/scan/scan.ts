import { attempt, exactly, listed, ml, mm, percent, refuse, texts } from '../say';
import { type Scanned, scannedShape, unpack } from '../void';
import { type Cloud, extentOf, isLikely, likelyUnits, type ScanAsk } from './cloud';
import { coverOf, type Frame, faceFrame, type Turned, thinned, turn, usualSide } from './frame';
import { boundsOf, clipped, type Grid, mirrored, placeOf, rasterise, usualCount, widened, withoutHalves } from './grid';
import { overhangShare } from './overhang';
import { GROW_SIGMAS, type Region, refit, regionOf, rimSeen, SAMPLE, SEED_SIGMAS, WIDEN_MM } from './region';
import { type FittedSurface, fitSurface, heightAt, MAD_TO_SIGMA, medianOf, SOUND_SIGMAS } from './surface-fit';

const REFUSED = texts('refused.scan.scan', {
  'all-points-scan': 'All points of the scan lie in one place.',
  'scan-shows-sound':
    'The scan shows sound base round only {rim} of the void: scan again with {beside} of the base all round, or draw the rim by hand.',
  'nothing-hollow-deeper': 'Nothing in the hollow is deeper than the roughness of the face, {edge}.',
  'size-unlikely': 'In this unit the scan would be {across} across. Choose the unit, or say that it is that size.',
  'size-unlikely-but':
    'In this unit the scan would be {across} across; in {likely} it has a size such places are scanned at. Choose the unit, or say that it is that size.',
  'face-not-flat': 'The face is not flat: taken as curved, the scan shows a void of {volume}. Choose curved.',
});

/** Points wanted in a cell. */
const PER_CELL = 4;
/** A cell this many times the roughness out of all its neighbours has strayed. */
const STRAY_SIGMAS = 5;
/** Share of the rim that must be seen. */
const RIM_SEEN = 0.55;

/** The raster of a scan, with what its cells held. */
interface Laid {
  readonly grid: Grid;
  readonly spread: Float64Array;
  readonly seenShare: number;
}

/** Depth as median of each cell; of a mesh, cells that hold no corner take the triangles that cover them. */
function lay(turned: Turned, cloud: Cloud, frame: Frame, mmPerUnit: number): Laid {
  const cellMm = cloud.triangles ? cellOfMesh(turned, usualSide(cloud, frame, mmPerUnit)) : cellOfPoints(turned);
  const { grid, counts, spread } = rasterise(turned.u, turned.v, turned.w, cellMm);
  const seenShare = counts.reduce((s, c) => s + (c ? 1 : 0), 0) / counts.length;
  if (!cloud.triangles) {
    const usual = usualCount(counts);
    return {
      grid: withoutHalves(
        grid,
        Float32Array.from(counts, (c) => c / usual),
      ),
      spread,
      seenShare,
    };
  }
  const cover = coverOf(cloud, frame, mmPerUnit, grid);
  const filled = { ...grid, values: grid.values.map((h, i) => (Number.isNaN(h) ? cover.height[i]! : h)) };
  return { grid: withoutHalves(filled, cover.share), spread, seenShare };
}

/** A face of one form, and the void under it. */
interface Under {
  readonly surface: FittedSurface;
  readonly region: Region;
}

/**
 * Fits a face of one form to the raster, seeds and grows the region under it, and fits again without that, until it
 * stands still.
 */
function under(
  grid: Grid,
  first: FittedSurface,
  rim: ScanAsk['rim'],
  tell: (pass: number) => void = () => undefined,
): Under {
  let surface = first;
  let region = regionOf(grid, surface, rim);
  for (let pass = 0; pass < 3; pass++) {
    tell(pass);
    const without = widened(region.mask, grid.nx, grid.ny, Math.max(1, Math.round(WIDEN_MM / grid.cellMm)));
    surface = refit(grid, without, surface.form, surface);
    const again = regionOf(grid, surface, rim, region.mask);
    const same = again.mask.every((m, i) => m === region.mask[i]);
    region = again;
    if (same) break;
  }
  return { surface, region };
}

/** Volume of a region, mL. */
function volumeOf({ depth, mask }: Region, cellMm: number): number {
  let sum = 0;
  for (let i = 0; i < mask.length; i++) if (mask[i]) sum += depth[i]!;
  return (sum * cellMm ** 2) / 1000;
}

/** A curved face fits better when its roughness is under this share of the flat one's. */
const FITS_BETTER = 0.8;

/**
 * What a curved face would give where a flat one was asked for; undefined where it fits no better, or finds no void.
 */
function ifCurved(
  grid: Grid,
  flatMm: number,
  ask: ScanAsk,
): { readonly volumeMl: number; readonly residualMm: number } | undefined {
  const tried = attempt(() => {
    const sample = soundSample(grid);
    const first = fitSurface(sample, 'quadric', ask.seed ?? 1);
    // Which side is damaged a flat face may have told wrongly. A rim drawn by hand lies on this side.
    if (ask.rim || sideOfVoid(sample, first)) return under(grid, first, ask.rim);
    const other = mirrored(grid);
    return under(other, fitSurface(soundSample(other), 'quadric', ask.seed ?? 1), undefined);
  });
  if (!tried.ok) return undefined;
  const { surface, region } = tried.value;
  if (surface.residualMm > FITS_BETTER * flatMm) return undefined;
  return { volumeMl: volumeOf(region, grid.cellMm), residualMm: surface.residualMm };
}

/**
 * Finds the void in a scan: the undamaged face fitted robustly, depth rasterised, the deep region seeded and grown to
 * where its depth ends, the face fitted again without it, and what lies under the face summed.
 * @returns the shape as stored: depth map of the void with its rim, and what was noticed
 * @throws Refusal for points that are not numbers, a size nobody scans at (unless it is meant), no hollow, no sound rim
 */
export function measureScan(whole: Cloud, ask: ScanAsk): Scanned {
  const tell = ask.progress ?? (() => undefined);
  tell(0.02, 'reading the points');
  const cloud = thinned(whole);
  const extent = extentOf(cloud);
  if (!(extent * ask.mmPerUnit > 0)) refuse('scan', extent, 'an extent above 0', REFUSED['all-points-scan']());
  checkSize(extent, ask);
  const n = whole.held ?? Math.floor(whole.xyz.length / 3);
  const frame = faceFrame(cloud, ask);
  tell(0.2, 'turning it level');
  const turned = turn(cloud, frame, ask.mmPerUnit);
  tell(0.35, 'laying the depth map');
  const laid = lay(turned, cloud, frame, ask.mmPerUnit);

  tell(0.5, 'fitting the undamaged face');
  const sample = soundSample(laid.grid);
  let first = fitSurface(sample, ask.surface, ask.seed ?? 1);
  let { grid, spread } = laid;
  if (sideOfVoid(sample, first) === (ask.flip ?? false)) {
    // The damage lies on the other side: look at it from there. Heights and one direction change sign, and so do their
    // terms.
    negate(turned.w);
    negate(turned.u);
    first = { ...first, c: first.c.map((x, i) => (i === 1 || i === 4 ? x : -x)) };
    spread = mirrored({ ...grid, values: spread }).values.map(Math.abs);
    grid = mirrored(grid);
  }
  const roughMm = roughness(turned, first);
  grid = clipped(grid, STRAY_SIGMAS * roughMm);
  const { surface, region } = tryFlat(grid, first, ask, () =>
    under(grid, first, ask.rim, (pass) => tell(0.65 + pass * 0.08, 'finding the rim')),
  );
  tell(0.92, 'summing up');
  const rim = rimSeen(grid, region.mask);
  if (rim < RIM_SEEN && !ask.rim)
    tryFlat(grid, first, ask, () =>
      refuse(
        'scan',
        rim,
        `base seen round at least ${Math.round(RIM_SEEN * 100)} % of the void`,
        REFUSED['scan-shows-sound']({ rim: exactly(percent(Math.round(rim * 100))), beside: exactly(mm(20)) }),
      ),
    );
  const curved = ask.surface === 'plane' ? ifCurved(grid, surface.residualMm, ask) : undefined;
  const found = scannedShape(grid, region.depth, region.mask, {
    surface: ask.surface,
    residualMm: roughMm,
    ...(curved ? { curvedMl: curved.volumeMl } : {}),
    // Single cells are rougher than the smoothed map by the nine they are smoothed over.
    edgeMm: ask.rim ? 0 : GROW_SIGMAS * 3 * region.calmMm,
    rimSeen: rim,
    points: n,
    unusedShare: unusedShare(turned, { ...surface, residualMm: roughMm }, grid, region.mask),
    hiddenShare: region.hiddenShare,
    overhangShare: overhangShare(cloud, frame, region.mask, grid, spread, roughMm, turned),
    otherHollows: region.others,
    seenShare: laid.seenShare,
    drawn: ask.rim !== undefined,
  });
  if (!(unpack(found).areaMm2 > 0))
    tryFlat(grid, first, ask, () =>
      refuse(
        'scan',
        found.found.edgeMm,
        'a hollow deeper than the roughness of the face',
        REFUSED['nothing-hollow-deeper']({ edge: mm(found.found.edgeMm) }),
      ),
    );
  return found;
}

/** Runs what may refuse a flat face; where a curved one fits, the refusal says so, since that is the way out. */
function tryFlat<T>(grid: Grid, flat: FittedSurface, ask: ScanAsk, run: () => T): T {
  const tried = attempt(run);
  if (tried.ok) return tried.value;
  const { field, value, allowed, sentence } = tried.problem;
  const curved = ask.surface === 'plane' ? ifCurved(grid, flat.residualMm, ask) : undefined;
  return refuse(field, value, allowed, curved ? REFUSED['face-not-flat']({ volume: ml(curved.volumeMl) }) : sentence);
}

/**
 * A size nobody scans at is asked before anything is laid out: in the wrong unit a map would be a thousand times too
 * large.
 */
function checkSize(extent: number, { mmPerUnit, anySize }: ScanAsk): void {
  if (anySize || isLikely(extent * mmPerUnit)) return;
  const across = extent * mmPerUnit;
  const said = { ...mm(across, 2), large: across >= 1000 };
  const likely = likelyUnits(extent);
  refuse(
    'unit',
    mmPerUnit,
    'the unit the scan was made in',
    likely.length
      ? REFUSED['size-unlikely-but']({ across: said, likely: listed(likely, 'or') })
      : REFUSED['size-unlikely']({ across: said }),
  );
}

/** Cells that stand for the raster in the fit of the face. */
function soundSample({ values, ...grid }: Grid) {
  const step = Math.max(1, Math.floor(values.length / SAMPLE));
  const [u, v, w]: [number[], number[], number[]] = [[], [], []];
  for (let i = 0; i < values.length; i += step) {
    if (Number.isNaN(values[i]!)) continue;
    const [a, b] = placeOf({ ...grid, values }, i);
    u.push(a);
    v.push(b);
    w.push(values[i]!);
  }
  return { u: Float64Array.from(u), v: Float64Array.from(v), w: Float64Array.from(w) };
}

/**
 * Robust standard deviation of single points about the face, mm: over those it calls sound, since many lie in the void.
 */
function roughness(at: Turned, surface: FittedSurface): number {
  const step = Math.max(1, Math.floor(at.w.length / SAMPLE));
  const off: number[] = [];
  for (let i = 0; i < at.w.length; i += step) off.push(Math.abs(at.w[i]! - heightAt(surface, at.u[i]!, at.v[i]!)));
  // Cells are at most some two times calmer than their points.
  let sigma = Math.max(4 * surface.residualMm, 1e-9);
  for (let again = 0; again < 4; again++) {
    const sound = Float64Array.from(off.filter((r) => r < SOUND_SIGMAS * sigma));
    if (!sound.length) break;
    sigma = Math.max(MAD_TO_SIGMA * medianOf(sound), 1e-9);
  }
  return sigma;
}

/** Small loops stand in functions of their own: the engine compiles those sooner. */
function negate(list: Float64Array): void {
  for (let i = 0; i < list.length; i++) list[i] = -list[i]!;
}

/**
 * Whether the void lies below the surface: more points far off it lie there than above. Counted, since a few strays may
 * lie very far.
 */
function sideOfVoid(at: Turned, surface: FittedSurface): boolean {
  let sum = 0;
  for (let i = 0; i < at.w.length; i++) {
    const r = at.w[i]! - heightAt(surface, at.u[i]!, at.v[i]!);
    if (Math.abs(r) > SEED_SIGMAS * surface.residualMm) sum += Math.sign(r);
  }
  return sum <= 0;
}

/** Cells across a scan: at least thirty, or the rim has no shape; at most a hundred and eighty. */
const ACROSS = [30, 180] as const;
/** A mesh says more than its corners: its triangles are flat between them. */
const ACROSS_MESH = 60;

const bounded = (cellMm: number, side: number, least: number) =>
  Math.min(Math.max(cellMm, side / ACROSS[1]), side / least);

/** A cell that holds some corners of the usual triangle. */
function cellOfMesh(at: Turned, usualMm: number): number {
  const [u0, v0, u1, v1] = boundsOf(at);
  return bounded(usualMm, Math.max(u1 - u0, v1 - v0), ACROSS_MESH);
}

/** A cell that holds some points, yet the void many cells. */
function cellOfPoints(at: Turned): number {
  const { u, v } = at;
  const [u0, v0, u1, v1] = boundsOf(at);
  // A scan lies askew in its frame: only the part of the frame that holds points counts.
  const side = Math.max(u1 - u0, v1 - v0);
  const coarse = side / 40;
  const seen = new Uint8Array(41 * 41);
  for (let i = 0; i < u.length; i++)
    seen[Math.floor((v[i]! - v0) / coarse) * 41 + Math.floor((u[i]! - u0) / coarse)] = 1;
  const area = seen.reduce((sum, x) => sum + x, 0) * coarse * coarse;
  return bounded(Math.sqrt((area * PER_CELL) / u.length), side, ACROSS[0]);
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
