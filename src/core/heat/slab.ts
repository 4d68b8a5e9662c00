import { refuse } from '../units';

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

/** TR-BDF2: a trapezoid to γ of the step, then the second backward difference; both stages share one matrix (Bank et al. 1985). */
const GAMMA = 2 - Math.SQRT2;
const FROM_GAMMA = 1 / (GAMMA * (2 - GAMMA));
const FROM_START = (1 - GAMMA) ** 2 / (GAMMA * (2 - GAMMA));

/**
 * One-dimensional conduction ρ c ∂T/∂t = k ∂²T/∂x² by implicit finite volumes, second order in time and without ringing after a jump
 * (TR-BDF2, tridiagonal solves), with surface resistances at both faces. What is outside runs straight from step to step.
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
    if (!(value > 0)) refuse(field, value, 'more than 0', `${field} must be more than 0.`);
  const dx = slab.thicknessM / n;
  const store = (slab.rhoC * dx) / ((GAMMA * stepS) / 2);
  const link = slab.kWPerMK / dx;
  // Half a cell of solid in series with the surface film.
  const film = 1 / (1 / slab.hOuter + dx / (2 * slab.kWPerMK));
  const back = slab.inner.kind === 'fluid' ? 1 / (1 / slab.inner.h + dx / (2 * slab.kWPerMK)) : 0;
  const t = startC instanceof Float64Array ? Float64Array.from(startC) : new Float64Array(n).fill(startC);
  const surfaceC = new Float64Array(outerC.length);
  // The matrix never changes: its elimination is done once, each step is two sweeps over the right-hand side.
  const upper = new Float64Array(n);
  const inverse = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const diag = store + (i > 0 ? link : film) + (i < n - 1 ? link : back);
    inverse[i] = 1 / (i > 0 ? diag - link * upper[i - 1]! : diag);
    upper[i] = i < n - 1 ? link * inverse[i]! : 0;
  }
  const toFace = film / slab.hOuter - 1;
  const start = new Float64Array(n);
  const solve = () => {
    t[0] = t[0]! * inverse[0]!;
    for (let i = 1; i < n; i++) t[i] = (t[i]! + link * t[i - 1]!) * inverse[i]!;
    for (let i = n - 2; i >= 0; i--) t[i] = t[i]! + upper[i]! * t[i + 1]!;
  };
  let [env0, in0] = [before?.outerC ?? outerC[0]!, before?.innerC ?? innerC?.[0] ?? 0];
  for (let s = 0; s < outerC.length; s++) {
    const [env1, in1] = [outerC[s]!, back ? innerC![s]! : 0];
    start.set(t);
    // What comes in through both faces, at the start and at γ together.
    const outer = film * (2 * env0 + GAMMA * (env1 - env0));
    const inner = back * (2 * in0 + GAMMA * (in1 - in0));
    for (let i = 0; i < n; i++) {
      const gone =
        (i > 0 ? link * (start[i]! - start[i - 1]!) : film * start[i]!) +
        (i < n - 1 ? link * (start[i]! - start[i + 1]!) : back * start[i]!);
      t[i] = store * start[i]! - gone + (i === 0 ? outer : 0) + (i === n - 1 ? inner : 0);
    }
    solve();
    for (let i = 0; i < n; i++)
      t[i] = store * (FROM_GAMMA * t[i]! - FROM_START * start[i]!) + (i === 0 ? film * env1 : 0) + (i === n - 1 ? back * in1 : 0);
    solve();
    // The face lies between film and half cell: continuity of flux from the first cell to the face.
    surfaceC[s] = t[0]! + toFace * (t[0]! - env1);
    [env0, in0] = [env1, in1];
  }
  return { surfaceC, cellsC: t };
}
