import { positive } from '../say';

/** A flat wall or slab in SI units, from its outer face inwards. */
export interface Slab {
  readonly thicknessM: number;
  /** Conductivity, W/mK. */
  readonly kWPerMK: number;
  /** Volumetric heat capacity ρc, J/m³K. */
  readonly rhoC: number;
  /** Heat transfer at the outer face, W/m²K. */
  readonly hOuter: number;
  /** The inner face: insulated, or in contact with a body at a temperature through `h`. */
  readonly inner: { readonly kind: 'insulated' } | { readonly kind: 'fluid'; readonly h: number };
  readonly cells: number;
}

/**
 * TR-BDF2: a trapezoid to γ of the step, then the second backward difference; both stages share one matrix (Bank et al.
 * 1985).
 */
const GAMMA = 2 - Math.SQRT2;
const FROM_GAMMA = 1 / (GAMMA * (2 - GAMMA));
const FROM_START = (1 - GAMMA) ** 2 / (GAMMA * (2 - GAMMA));

/**
 * One-dimensional conduction ρ c ∂T/∂t = k ∂²T/∂x² by implicit finite volumes, second order in time and without ringing
 * after a jump (TR-BDF2, tridiagonal solves), with surface resistances at both faces. What is outside runs straight
 * from step to step.
 * @param outerC environment temperature at the end of each step, °C
 * @param innerC temperature behind the inner face at the end of each step, °C (ignored when insulated)
 * @param startC initial temperature, uniform or by cells, °C
 * @param stepS length of a step, s
 * @param before what was outside and behind at the start of the first step, °C; else as at its end
 * @returns temperature of the outer face after each step, °C, and the final cell temperatures
 * @throws Refusal for sizes that are not positive
 */
export function conduct(
  slab: Slab,
  outerC: Float64Array,
  innerC: Float64Array | null,
  startC: number | Float64Array,
  stepS: number,
  before: { readonly outerC: number; readonly innerC: number } | null = null,
): { surfaceC: Float64Array; cellsC: Float64Array } {
  const n = slab.cells;
  for (const [field, value] of Object.entries({
    thicknessM: slab.thicknessM,
    kWPerMK: slab.kWPerMK,
    rhoC: slab.rhoC,
    hOuter: slab.hOuter,
    cells: n,
    stepS,
  }))
    positive(field, value);
  const dx = slab.thicknessM / n;
  const store = (slab.rhoC * dx) / ((GAMMA * stepS) / 2);
  const link = slab.kWPerMK / dx;
  // Half a cell of solid in series with the surface film.
  const film = 1 / (1 / slab.hOuter + dx / (2 * slab.kWPerMK));
  const back = slab.inner.kind === 'fluid' ? 1 / (1 / slab.inner.h + dx / (2 * slab.kWPerMK)) : 0;
  const t = startC instanceof Float64Array ? Float64Array.from(startC) : new Float64Array(n).fill(startC);
  const surfaceC = new Float64Array(outerC.length);
  // The matrix never changes: its elimination is done once, each stage is two sweeps over the right-hand side.
  const upper = new Float64Array(n);
  const inverse = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const diag = store + (i > 0 ? link : film) + (i < n - 1 ? link : back);
    inverse[i] = 1 / (i > 0 ? diag - link * upper[i - 1]! : diag);
    upper[i] = link * inverse[i]!;
  }
  const kept = inverse.map((x) => store * x);
  const [first, last] = [film * inverse[0]!, back * inverse[n - 1]!];
  const toFace = film / slab.hOuter - 1;
  const mid = new Float64Array(n);
  const end = n - 1;
  // The trapezoid is solved for the mean of its two ends, which needs no matrix on the right; the end at γ is then
  // twice that less the start.
  const [ofMid, ofStart] = [2 * FROM_GAMMA, FROM_GAMMA + FROM_START];
  let [env0, in0] = [before?.outerC ?? outerC[0]!, before?.innerC ?? innerC?.[0] ?? 0];
  for (let s = 0; s < outerC.length; s++) {
    const env1 = outerC[s]!;
    const in1 = back ? innerC![s]! : 0;
    // What comes in through the faces at the middle of the first stage, and at the end of the second.
    let next = first * (env0 + (GAMMA / 2) * (env1 - env0));
    for (let i = 0; i < end; i++) {
      const here = kept[i]! * t[i]! + next;
      mid[i] = here;
      next = upper[i + 1]! * here;
    }
    next += kept[end]! * t[end]! + last * (in0 + (GAMMA / 2) * (in1 - in0));
    mid[end] = next;
    for (let i = end - 1; i >= 0; i--) {
      next = mid[i]! + upper[i]! * next;
      mid[i] = next;
    }
    next = first * env1;
    for (let i = 0; i < end; i++) {
      const here = kept[i]! * (ofMid * mid[i]! - ofStart * t[i]!) + next;
      t[i] = here;
      next = upper[i + 1]! * here;
    }
    next += kept[end]! * (ofMid * mid[end]! - ofStart * t[end]!) + last * in1;
    t[end] = next;
    for (let i = end - 1; i >= 0; i--) {
      next = t[i]! + upper[i]! * next;
      t[i] = next;
    }
    // The face lies between film and half cell: continuity of flux from the first cell to the face.
    surfaceC[s] = t[0]! + toFace * (t[0]! - env1);
    env0 = env1;
    in0 = in1;
  }
  return { surfaceC, cellsC: t };
}
