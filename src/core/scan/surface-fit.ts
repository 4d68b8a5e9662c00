import { Matrix, solve } from 'ml-matrix';
import { refuse, texts } from '../say';
import { seeded } from '../void';

const REFUSED = texts('refused.scan.surface-fit', {
  'scan-too-few': 'The scan has too few points to find the undamaged face: {n}.',
  'points-scan-lie': 'The points of the scan lie on one line or in one place.',
});

/** The face that was there before it broke: a plane, or a quadric for a curved hull. Heights w over (u, v), mm. */
export type SurfaceForm = 'plane' | 'quadric';
const SIZE: Record<SurfaceForm, number> = { plane: 3, quadric: 6 };

export interface FittedSurface {
  readonly form: SurfaceForm;
  /** Coefficients of 1, u, v(, u², uv, v²) in units of `scale`. */
  readonly c: readonly number[];
  /** Coordinates are divided by this before they enter, so that the squares stay of one size. */
  readonly scale: number;
  /** Robust standard deviation of the residuals, mm. */
  readonly residualMm: number;
}

/** Height of the surface at a place, mm. */
export function heightAt({ form, c, scale }: FittedSurface, u: number, v: number): number {
  const x = u / scale;
  const y = v / scale;
  const level = c[0]! + c[1]! * x + c[2]! * y;
  return form === 'plane' ? level : level + c[3]! * x * x + c[4]! * x * y + c[5]! * y * y;
}

/** Middle value, by partial sorting in place. */
export function medianOf(values: Float64Array, n = values.length): number {
  if (n === 0) return Number.NaN;
  const k = n >> 1;
  let low = 0;
  let high = n - 1;
  while (low < high) {
    const pivot = values[(low + high) >> 1]!;
    let i = low;
    let j = high;
    while (i <= j) {
      while (values[i]! < pivot) i++;
      while (values[j]! > pivot) j--;
      if (i <= j) {
        const t = values[i]!;
        values[i++] = values[j]!;
        values[j--] = t;
      }
    }
    if (k <= j) high = j;
    else if (k >= i) low = i;
    else break;
  }
  return values[k]!;
}

/** MAD to standard deviation of a normal distribution. */
export const MAD_TO_SIGMA = 1.4826;
/** Tukey's bisquare reaches zero weight this many sigma out (95 % efficient at the normal). */
const TUKEY = 4.685;
/** Residuals nearer than this many sigmas are called sound. */
export const SOUND_SIGMAS = 2.5;
const TRIALS: Record<SurfaceForm, number> = { plane: 60, quadric: 150 };
/**
 * Times a trial is fitted again to the half of the points nearest to it (concentration, Rousseeuw & Van Driessen 1999).
 */
const CONCENTRATE = 2;
/** A trial that starts this many times worse than the best so far is not concentrated. */
const HOPELESS = 4;
/** Points a trial is scored on. */
const SCORED = 400;

/** Points as the fit runs through them: typed lists throughout, coordinates already divided by the scale. */
interface Scaled {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly w: Float64Array;
}

/**
 * Least squares through the first `many` points picked, by the normal equations; null where they do not span the
 * surface.
 */
function leastSquares(
  form: SurfaceForm,
  at: Scaled,
  pick: Int32Array,
  many: number,
  weights: Float64Array,
): number[] | null {
  const k = SIZE[form];
  const normal = new Float64Array(36);
  const right = new Float64Array(6);
  const t = new Float64Array(6);
  for (let j = 0; j < many; j++) {
    const i = pick[j]!;
    const weight = weights[j]!;
    if (weight === 0) continue;
    const x = at.x[i]!;
    const y = at.y[i]!;
    t[0] = 1;
    t[1] = x;
    t[2] = y;
    t[3] = x * x;
    t[4] = x * y;
    t[5] = y * y;
    for (let a = 0; a < k; a++) {
      const ta = weight * t[a]!;
      right[a]! += ta * at.w[i]!;
      for (let b = a; b < k; b++) normal[a * k + b]! += ta * t[b]!;
    }
  }
  for (let a = 0; a < k; a++) for (let b = 0; b < a; b++) normal[a * k + b] = normal[b * k + a]!;
  try {
    const c = solve(
      Matrix.from1DArray(k, k, normal.subarray(0, k * k)),
      Matrix.columnVector(right.subarray(0, k)),
    ).to1DArray();
    return c.every(Number.isFinite) ? c : null;
  } catch {
    return null;
  }
}

/** Heights of the picked points over the surface, mm, signed. */
function residualsOf(
  form: SurfaceForm,
  c: readonly number[],
  at: Scaled,
  pick: Int32Array,
  many: number,
  out: Float64Array,
): void {
  const [c0, c1, c2] = [c[0]!, c[1]!, c[2]!];
  const curved = form === 'quadric';
  const [c3, c4, c5] = curved ? [c[3]!, c[4]!, c[5]!] : [0, 0, 0];
  for (let j = 0; j < many; j++) {
    const i = pick[j]!;
    const x = at.x[i]!;
    const y = at.y[i]!;
    out[j] = at.w[i]! - (c0 + c1 * x + c2 * y + c3 * x * x + c4 * x * y + c5 * y * y);
  }
}

/** Places and heights, mm. */
export interface Points {
  readonly u: ArrayLike<number>;
  readonly v: ArrayLike<number>;
  readonly w: ArrayLike<number>;
}

/**
 * Fits the undamaged surface through points of which up to almost half may lie in a void: a least-median start on the
 * surface itself (Rousseeuw 1984), from exact fits through as many random points as it has coefficients, then least
 * squares reweighted by Tukey's bisquare until it stands still.
 * @param start a fit to begin from, where the points of the void are known and left out
 * @throws Refusal when the points do not span a surface
 */
export function fitSurface(at: Points, form: SurfaceForm, seed = 1, start?: FittedSurface): FittedSurface {
  const n = at.w.length;
  const k = SIZE[form];
  if (n < 3 * k) refuse('scan', n, `at least ${3 * k} points`, REFUSED['scan-too-few']({ n }));
  let reach = 0;
  for (let i = 0; i < n; i++) reach = Math.max(reach, Math.abs(at.u[i]!), Math.abs(at.v[i]!));
  const scale = reach || 1;
  const points: Scaled = {
    x: Float64Array.from(at.u, (u) => u / scale),
    y: Float64Array.from(at.v, (v) => v / scale),
    w: Float64Array.from(at.w),
  };
  const random = seeded(seed);
  const scored = Int32Array.from({ length: Math.min(n, SCORED) }, () => Math.floor(random() * n));
  const all = Int32Array.from({ length: n }, (_, i) => i);
  const signed = new Float64Array(n);
  const sizes = new Float64Array(n);
  const alike = new Float64Array(n).fill(1);
  /** Median distance of the points from a surface; leaves the distances, signed, behind. */
  const spread = (c: readonly number[], over: Int32Array): number => {
    residualsOf(form, c, points, over, over.length, signed);
    for (let j = 0; j < over.length; j++) sizes[j] = Math.abs(signed[j]!);
    return medianOf(sizes, over.length);
  };

  // Coefficients of squares grow with the square of the scale.
  const grow = start ? scale / start.scale : 1;
  let best: number[] | null = start ? start.c.map((x, i) => x * grow ** (i === 0 ? 0 : i < 3 ? 1 : 2)) : null;
  let least = best ? spread(best, scored) : Number.POSITIVE_INFINITY;
  const half = scored.length >> 1;
  const near = new Int32Array(scored.length);
  for (let trial = 0; !start && trial < TRIALS[form]; trial++) {
    for (let j = 0; j < k; j++) near[j] = scored[Math.floor(random() * scored.length)]!;
    let c = leastSquares(form, points, near, k, alike);
    if (!c) continue;
    let s = spread(c, scored);
    // A start this much worse than the best stands in the void; others stand better.
    if (s > HOPELESS * least) continue;
    for (let again = 0; again < CONCENTRATE; again++) {
      let many = 0;
      for (let j = 0; j < scored.length && many < half; j++) if (Math.abs(signed[j]!) <= s) near[many++] = scored[j]!;
      const closer = leastSquares(form, points, near, many, alike);
      const smaller = closer ? spread(closer, scored) : Number.POSITIVE_INFINITY;
      if (!closer || !(smaller < s)) break;
      [c, s] = [closer, smaller];
    }
    if (s < least) [best, least] = [c, s];
  }
  if (!best) return refuse('scan', n, 'points that span a face', REFUSED['points-scan-lie']());

  // With almost half the points in a void the median of all leans on them: it is taken again over those it calls sound.
  const sigmaOf = (c: readonly number[]): number => {
    let sigma = Math.max(MAD_TO_SIGMA * spread(c, all), 1e-9);
    for (let again = 0; again < 3; again++) {
      let sound = 0;
      for (let i = 0; i < n; i++) {
        const r = Math.abs(signed[i]!);
        if (r < SOUND_SIGMAS * sigma) sizes[sound++] = r;
      }
      // Points without any noise lie on it to the last digit.
      if (sound === 0) break;
      sigma = Math.max(MAD_TO_SIGMA * medianOf(sizes, sound), 1e-9);
    }
    return sigma;
  };
  const weights = new Float64Array(n);
  let sigma = sigmaOf(best);
  for (let pass = 0; pass < 10; pass++) {
    for (let i = 0; i < n; i++) {
      const r = signed[i]! / (TUKEY * sigma);
      weights[i] = Math.abs(r) < 1 ? (1 - r * r) ** 2 : 0;
    }
    const c = leastSquares(form, points, all, n, weights);
    if (!c) break;
    const moved = Math.max(...c.map((x, i) => Math.abs(x - best![i]!)));
    best = c;
    sigma = sigmaOf(best);
    if (moved < 1e-4 * sigma) break;
  }
  return { form, c: best, scale, residualMm: sigma };
}
