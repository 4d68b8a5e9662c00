import { positive } from '../say';

/**
 * A body cut into finite volumes along one or two directions, in SI units. Faces lie between neighbours; outer faces
 * carry the film to what is outside. Cells are stored row by row: cell (u, v) at v · nu + u.
 */
export interface Grid {
  readonly nu: number;
  readonly nv: number;
  /** Volume of each cell, m³. */
  readonly volume: Float64Array;
  /** Heat capacity ρ c of each cell, J/m³K. */
  readonly rhoC: Float64Array;
  /** Share of reacting liquid in each cell, by volume. */
  readonly reacting: Float64Array;
  /** Conductance between (u, v) and (u + 1, v), and between (u, v) and (u, v + 1), W/K. */
  readonly linkU: Float64Array;
  readonly linkV: Float64Array;
  /** Conductance from the first and last cell of each row or column to the outside, W/K; 0 where nothing passes. */
  readonly outU: readonly [first: Float64Array, last: Float64Array];
  readonly outV: readonly [first: Float64Array, last: Float64Array];
}

/** A stretch of one material along a direction. */
export interface Layer {
  readonly lengthM: number;
  readonly cells: number;
  /** W/mK. */
  readonly k: number;
  readonly rhoC: number;
  readonly reacting: number;
}

/** Two half cells and, where there is one, a film in series over an area, W/K. */
const series = (area: number, ...resistances: readonly number[]) => area / resistances.reduce((s, r) => s + r, 0);

/**
 * Layers one behind the other: a slab of 1 m² (`form` slab), a long cylinder of 1 m or a sphere (measured from their
 * middle outwards).
 * @param hFirst,hLast film at the first and last face, W/m²K; null lets nothing pass (and always so in the middle of a
 *   cylinder or sphere)
 * @throws Refusal for sizes that are not positive
 */
export function layered(
  form: 'slab' | 'cylinder' | 'sphere',
  layers: readonly Layer[],
  hFirst: number | null,
  hLast: number | null,
): Grid {
  for (const l of layers)
    for (const [f, v] of [
      ['lengthM', l.lengthM],
      ['cells', l.cells],
      ['k', l.k],
      ['rhoC', l.rhoC],
    ] as const)
      positive(f, v);
  const cells = layers.flatMap((l) => Array.from({ length: l.cells }, () => ({ ...l, dx: l.lengthM / l.cells })));
  const n = cells.length;
  const edges = [0];
  for (const c of cells) edges.push(edges.at(-1)! + c.dx);
  const area = (x: number) => (form === 'slab' ? 1 : form === 'cylinder' ? 2 * Math.PI * x : 4 * Math.PI * x * x);
  const inside = (x: number) =>
    form === 'slab' ? x : form === 'cylinder' ? Math.PI * x * x : (4 / 3) * Math.PI * x ** 3;
  const linkU = new Float64Array(n);
  for (let i = 0; i + 1 < n; i++)
    linkU[i] = series(area(edges[i + 1]!), cells[i]!.dx / 2 / cells[i]!.k, cells[i + 1]!.dx / 2 / cells[i + 1]!.k);
  const out = (i: number, h: number | null, at: number) =>
    h === null ? 0 : series(area(at), cells[i]!.dx / 2 / cells[i]!.k, 1 / h);
  return {
    nu: n,
    nv: 1,
    volume: Float64Array.from({ length: n }, (_, i) => inside(edges[i + 1]!) - inside(edges[i]!)),
    rhoC: Float64Array.from(cells, (c) => c.rhoC),
    reacting: Float64Array.from(cells, (c) => c.reacting),
    linkU,
    linkV: new Float64Array(n),
    outU: [Float64Array.of(form === 'slab' ? out(0, hFirst, 0) : 0), Float64Array.of(out(n - 1, hLast, edges[n]!))],
    outV: [new Float64Array(n), new Float64Array(n)],
  };
}

/** A squat cylinder of one material, r–z: u runs outwards, v upwards. */
export interface Pot {
  readonly radiusM: number;
  readonly heightM: number;
  readonly k: number;
  readonly rhoC: number;
  readonly reacting: number;
  /** Films at the wall, the bottom and the open top, W/m²K. */
  readonly hWall: number;
  readonly hBottom: number;
  readonly hTop: number;
  readonly cellsR: number;
  readonly cellsZ: number;
}

/** @throws Refusal for sizes that are not positive */
export function potGrid(p: Pot): Grid {
  for (const f of ['radiusM', 'heightM', 'k', 'rhoC', 'cellsR', 'cellsZ'] as const) positive(f, p[f]);
  const [nu, nv] = [p.cellsR, p.cellsZ];
  const [dr, dz] = [p.radiusM / nu, p.heightM / nv];
  const n = nu * nv;
  const ring = (u: number) => Math.PI * dr * dr * ((u + 1) ** 2 - u ** 2);
  const linkU = new Float64Array(n);
  const linkV = new Float64Array(n);
  const volume = new Float64Array(n);
  for (let v = 0; v < nv; v++)
    for (let u = 0; u < nu; u++) {
      const i = v * nu + u;
      volume[i] = ring(u) * dz;
      if (u + 1 < nu) linkU[i] = (p.k * 2 * Math.PI * dr * (u + 1) * dz) / dr;
      if (v + 1 < nv) linkV[i] = (p.k * ring(u)) / dz;
    }
  const end = (h: number) => Float64Array.from({ length: nu }, (_, u) => series(ring(u), dz / 2 / p.k, 1 / h));
  return {
    nu,
    nv,
    volume,
    rhoC: new Float64Array(n).fill(p.rhoC),
    reacting: new Float64Array(n).fill(p.reacting),
    linkU,
    linkV,
    outU: [
      new Float64Array(nv),
      new Float64Array(nv).fill(series(2 * Math.PI * p.radiusM * dz, dr / 2 / p.k, 1 / p.hWall)),
    ],
    outV: [end(p.hBottom), end(p.hTop)],
  };
}
