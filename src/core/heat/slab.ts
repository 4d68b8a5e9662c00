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
export function conduct(slab: Slab, outerC: Float64Array, innerC: Float64Array | null, startC: number | Float64Array, stepS: number): { surfaceC: Float64Array; cellsC: Float64Array } {
  const n = slab.cells;
  for (const [field, value] of Object.entries({ thicknessM: slab.thicknessM, kWPerMK: slab.kWPerMK, rhoC: slab.rhoC, hOuter: slab.hOuter, cells: n, stepS }))
    if (!(value > 0)) refuse(field, value, 'more than 0', `${field} must be more than 0.`);
  const dx = slab.thicknessM / n;
  const store = (slab.rhoC * dx) / stepS;
  const link = slab.kWPerMK / dx;
  // Half a cell of solid in series with the surface film.
  const film = 1 / (1 / slab.hOuter + dx / (2 * slab.kWPerMK));
  const back = slab.inner.kind === 'fluid' ? 1 / (1 / slab.inner.h + dx / (2 * slab.kWPerMK)) : 0;
  const t = startC instanceof Float64Array ? Float64Array.from(startC) : new Float64Array(n).fill(startC);
  const surfaceC = new Float64Array(outerC.length);
  const upper = new Float64Array(n);
  const right = new Float64Array(n);
  for (let s = 0; s < outerC.length; s++) {
    const env = outerC[s]!;
    for (let i = 0; i < n; i++) {
      const left = i > 0 ? link : film;
      const rightLink = i < n - 1 ? link : back;
      const diag = store + left + rightLink;
      let rhs = store * t[i]!;
      if (i === 0) rhs += film * env;
      if (i === n - 1 && back) rhs += back * innerC![s]!;
      // Thomas algorithm, forward sweep.
      const pivot = i > 0 ? diag - link * upper[i - 1]! : diag;
      upper[i] = i < n - 1 ? link / pivot : 0;
      right[i] = (rhs + (i > 0 ? link * right[i - 1]! : 0)) / pivot;
    }
    t[n - 1] = right[n - 1]!;
    for (let i = n - 2; i >= 0; i--) t[i] = right[i]! + upper[i]! * t[i + 1]!;
    // The face lies between film and half cell.
    surfaceC[s] = t[0]! + (film / slab.hOuter - 1) * (t[0]! - env);
  }
  // film/h - 1 = -(dx/2k)·film: continuity of flux from the first cell to the face.
  return { surfaceC, cellsC: t };
}
