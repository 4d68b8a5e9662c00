import { Matrix, solve } from 'ml-matrix';
import { refuse } from '../units';
import { seeded } from '../void';

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
const MAD_TO_SIGMA = 1.4826;
/** Tukey's bisquare reaches zero weight this many sigma out (95 % efficient at the normal). */
const TUKEY = 4.685;
/** Residuals nearer than this many sigmas are called sound. */
const SOUND_SIGMAS = 2.5;
const TRIALS: Record<SurfaceForm, number> = { plane: 60, quadric: 150 };
/** Times a trial is fitted again to the half of the points nearest to it (concentration, Rousseeuw & Van Driessen 1999). */
const CONCENTRATE = 2;
/** Points a trial is scored on. */
const SCORED = 400;

/** Least squares through the points picked, by the normal equations; null where they do not span the surface. */
function leastSquares(
  form: SurfaceForm,
  pick: ArrayLike<number>,
  many: number,
  at: Points,
  scale: number,
  weights?: Float64Array,
): number[] | null {
  const k = SIZE[form];
  const normal = new Float64Array(k * k);
  const right = new Float64Array(k);
  const t = new Float64Array(6);
  for (let j = 0; j < many; j++) {
    const i = pick[j]!;
    const weight = weights ? weights[i]! : 1;
    if (weight === 0) continue;
    const x = at.u[i]! / scale;
    const y = at.v[i]! / scale;
    t[0] = 1;
    t[1] = x;
    t[2] = y;
    t[3] = x * x;
    t[4] = x * y;
    t[5] = y * y;
    for (let a = 0; a < k; a++) {
      right[a]! += weight * t[a]! * at.w[i]!;
      for (let b = a; b < k; b++) normal[a * k + b]! += weight * t[a]! * t[b]!;
    }
  }
  for (let a = 0; a < k; a++) for (let b = 0; b < a; b++) normal[a * k + b] = normal[b * k + a]!;
  try {
    const c = solve(Matrix.from1DArray(k, k, normal), Matrix.columnVector(right)).to1DArray();
    return c.every(Number.isFinite) ? c : null;
  } catch {
    return null;
  }
}

/** Places and heights, mm. */
export interface Points {
  readonly u: ArrayLike<number>;
  readonly v: ArrayLike<number>;
  readonly w: ArrayLike<number>;
}

/**
 * Fits the undamaged surface through points of which up to almost half may lie in a void: a least-median start on the surface
 * itself (Rousseeuw 1984), from exact fits through as many random points as it has coefficients, then least squares reweighted
 * by Tukey's bisquare until it stands still.
 * @param start a fit to begin from, where the points of the void are known and left out
 * @throws Refusal when the points do not span a surface
 */
export function fitSurface(at: Points, form: SurfaceForm, seed = 1, start?: FittedSurface): FittedSurface {
  const n = at.w.length;
  const k = SIZE[form];
  if (n < 3 * k) refuse('scan', n, `at least ${3 * k} points`, `The scan has too few points to find the undamaged face: ${n}.`);
  let reach = 0;
  for (let i = 0; i < n; i++) reach = Math.max(reach, Math.abs(at.u[i]!), Math.abs(at.v[i]!));
  const scale = reach || 1;
  const random = seeded(seed);
  const scored = Array.from({ length: Math.min(n, SCORED) }, () => Math.floor(random() * n));
  const residuals = new Float64Array(n);
  const spread = (c: readonly number[], over: readonly number[] | null): number => {
    const surface = { form, c, scale, residualMm: 0 };
    const m = over ? over.length : n;
    for (let j = 0; j < m; j++) {
      const i = over ? over[j]! : j;
      residuals[j] = Math.abs(at.w[i]! - heightAt(surface, at.u[i]!, at.v[i]!));
    }
    return medianOf(residuals, m);
  };

  // Coefficients of squares grow with the square of the scale.
  const grow = start ? scale / start.scale : 1;
  let best: number[] | null = start ? start.c.map((x, i) => x * grow ** (i === 0 ? 0 : i < 3 ? 1 : 2)) : null;
  let least = best ? spread(best, scored) : Number.POSITIVE_INFINITY;
  const half = scored.length >> 1;
  const near = new Int32Array(half);
  for (let trial = 0; !start && trial < TRIALS[form]; trial++) {
    const pick = Array.from({ length: k }, () => scored[Math.floor(random() * scored.length)]!);
    let c = leastSquares(form, pick, k, at, scale);
    if (!c) continue;
    let s = spread(c, scored);
    for (let again = 0; again < CONCENTRATE; again++) {
      const surface = { form, c, scale, residualMm: 0 };
      let many = 0;
      for (const i of scored) if (many < half && Math.abs(at.w[i]! - heightAt(surface, at.u[i]!, at.v[i]!)) <= s) near[many++] = i;
      const closer = leastSquares(form, near, many, at, scale);
      const smaller = closer ? spread(closer, scored) : Number.POSITIVE_INFINITY;
      if (!closer || !(smaller < s)) break;
      [c, s] = [closer, smaller];
    }
    if (s < least) [best, least] = [c, s];
  }
  if (!best) return refuse('scan', n, 'points that span a face', 'The points of the scan lie on one line or in one place.');

  const all = Int32Array.from({ length: n }, (_, i) => i);
  const weights = new Float64Array(n);
  // With almost half the points in a void the median of all leans on them: it is taken again over those it calls sound.
  const sigmaOf = (c: readonly number[]): number => {
    let sigma = Math.max(MAD_TO_SIGMA * spread(c, null), 1e-9);
    const surface = { form, c, scale, residualMm: 0 };
    for (let again = 0; again < 3; again++) {
      let sound = 0;
      for (let i = 0; i < n; i++) {
        const r = Math.abs(at.w[i]! - heightAt(surface, at.u[i]!, at.v[i]!));
        if (r < SOUND_SIGMAS * sigma) residuals[sound++] = r;
      }
      // Points without any noise lie on it to the last digit.
      if (sound === 0) break;
      sigma = Math.max(MAD_TO_SIGMA * medianOf(residuals, sound), 1e-9);
    }
    return sigma;
  };
  let sigma = sigmaOf(best);
  for (let pass = 0; pass < 10; pass++) {
    const surface = { form, c: best, scale, residualMm: sigma };
    for (let i = 0; i < n; i++) {
      const r = (at.w[i]! - heightAt(surface, at.u[i]!, at.v[i]!)) / (TUKEY * sigma);
      weights[i] = Math.abs(r) < 1 ? (1 - r * r) ** 2 : 0;
    }
    const c = leastSquares(form, all, n, at, scale, weights);
    if (!c) break;
    const moved = Math.max(...c.map((x, i) => Math.abs(x - best![i]!)));
    best = c;
    sigma = sigmaOf(best);
    if (moved < 1e-4 * sigma) break;
  }
  return { form, c: best, scale, residualMm: sigma };
}
