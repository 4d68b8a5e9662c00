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

/**
 * One-dimensional conduction ρ c ∂T/∂t = k ∂²T/∂x² by implicit finite volumes (backward Euler, tridiagonal solve),
 * with surface resistances at both faces.
 * @param outerC environment temperature at the end of each step, °C
 * @param innerC temperature behind the inner face at the end of each step, °C (ignored when insulated)
 * @param startC initial uniform temperature, °C
 * @param stepS length of a step, s
 * @returns temperature of the outer face after each step, °C, and the final cell temperatures
 * @throws Refusal for sizes that are not positive
 */
export function conduct(
  slab: Slab,
  outerC: Float64Array,
  innerC: Float64Array | null,
  startC: number | Float64Array,
  stepS: number,
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
  const store = (slab.rhoC * dx) / stepS;
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
  for (let s = 0; s < outerC.length; s++) {
    const env = outerC[s]!;
    t[0] = (store * t[0]! + film * env + (n === 1 && back ? back * innerC![s]! : 0)) * inverse[0]!;
    for (let i = 1; i < n; i++) t[i] = (store * t[i]! + link * t[i - 1]! + (i === n - 1 && back ? back * innerC![s]! : 0)) * inverse[i]!;
    for (let i = n - 2; i >= 0; i--) t[i] = t[i]! + upper[i]! * t[i + 1]!;
    // The face lies between film and half cell: continuity of flux from the first cell to the face.
    surfaceC[s] = t[0]! + toFace * (t[0]! - env);
  }
  return { surfaceC, cellsC: t };
}
