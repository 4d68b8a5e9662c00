import { refuse, texts } from '../say';

const REFUSED = texts('refused.scan.grid', {
  'scan-far-too': 'The scan is far too large for the size of its cells: check the unit it was made in.',
});

/** A raster over (u, v): values by row, NaN where nothing was seen. */
export interface Grid {
  readonly nx: number;
  readonly ny: number;
  readonly cellMm: number;
  /** Place of the outer corner of cell 0, mm. */
  readonly u0: number;
  readonly v0: number;
  readonly values: Float64Array;
}

/** Middle of a cell, mm. */
export const placeOf = (g: Grid, i: number): readonly [number, number] => [
  g.u0 + ((i % g.nx) + 0.5) * g.cellMm,
  g.v0 + (Math.floor(i / g.nx) + 0.5) * g.cellMm,
];

/** Least and greatest places, mm: u, v, u, v. */
export function boundsOf({
  u,
  v,
}: {
  readonly u: Float64Array;
  readonly v: Float64Array;
}): readonly [number, number, number, number] {
  let [u0, v0, u1, v1] = [
    Number.POSITIVE_INFINITY,
    Number.POSITIVE_INFINITY,
    Number.NEGATIVE_INFINITY,
    Number.NEGATIVE_INFINITY,
  ];
  for (let i = 0; i < u.length; i++) {
    if (u[i]! < u0) u0 = u[i]!;
    if (u[i]! > u1) u1 = u[i]!;
    if (v[i]! < v0) v0 = v[i]!;
    if (v[i]! > v1) v1 = v[i]!;
  }
  return [u0, v0, u1, v1];
}

/** Cells of a map: four thousand by four thousand. */
const MOST_CELLS = 16_000_000;

/**
 * Rasterises scattered heights: the median of each cell, so that stray points do not count.
 * @returns the raster, how many points fell into each cell, and the spread (90 % − 10 %) inside each
 */
export function rasterise(
  u: Float64Array,
  v: Float64Array,
  w: Float64Array,
  cellMm: number,
): { grid: Grid; counts: Uint32Array; spread: Float64Array } {
  const [u0, v0, u1, v1] = boundsOf({ u, v });
  const nx = Math.max(1, Math.ceil((u1 - u0) / cellMm + 1e-9));
  const ny = Math.max(1, Math.ceil((v1 - v0) / cellMm + 1e-9));
  const cells = nx * ny;
  // A scan taken in another unit than it was made in would lay a map larger than any memory.
  if (!(cells <= MOST_CELLS))
    refuse('unit', cells, `up to ${MOST_CELLS / 1e6} million cells`, REFUSED['scan-far-too']());
  const of = new Uint32Array(u.length);
  const starts = new Uint32Array(cells + 1);
  for (let i = 0; i < u.length; i++) {
    const x = Math.min(nx - 1, Math.floor((u[i]! - u0) / cellMm));
    const y = Math.min(ny - 1, Math.floor((v[i]! - v0) / cellMm));
    of[i] = y * nx + x;
    starts[of[i]! + 1]!++;
  }
  for (let c = 0; c < cells; c++) starts[c + 1]! += starts[c]!;
  // Counting sort: the heights of a cell lie side by side.
  const next = starts.slice(0, cells);
  const sorted = new Float64Array(u.length);
  for (let i = 0; i < u.length; i++) sorted[next[of[i]!]!++] = w[i]!;
  const values = new Float64Array(cells).fill(Number.NaN);
  const spread = new Float64Array(cells);
  const counts = new Uint32Array(cells);
  for (let c = 0; c < cells; c++) {
    const [from, to] = [starts[c]!, starts[c + 1]!];
    counts[c] = to - from;
    if (to === from) continue;
    // Cells hold a handful: sorting them in place by insertion is quickest.
    for (let i = from + 1; i < to; i++) {
      const x = sorted[i]!;
      let k = i - 1;
      for (; k >= from && sorted[k]! > x; k--) sorted[k + 1] = sorted[k]!;
      sorted[k + 1] = x;
    }
    const mid = (from + to) >> 1;
    values[c] = (to - from) % 2 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2;
    const last = to - from - 1;
    spread[c] = sorted[from + Math.floor(0.9 * last)]! - sorted[from + Math.ceil(0.1 * last)]!;
  }
  return { grid: { nx, ny, cellMm, u0, v0, values }, counts, spread };
}

/** The mask widened (or, negative, narrowed) by whole cells, round as far as cells allow. */
export function widened(mask: Uint8Array, nx: number, ny: number, by: number): Uint8Array {
  // Distance by rows, then by columns (exact for the squared Euclidean distance up to `by`).
  const grow = by >= 0;
  const r = Math.abs(by);
  const is = (i: number) => (grow ? mask[i]! : 1 - mask[i]!);
  const far = r + 1;
  const alongX = new Int32Array(nx * ny);
  for (let y = 0; y < ny; y++) {
    let d = far;
    for (let x = 0; x < nx; x++) {
      d = is(y * nx + x) ? 0 : Math.min(far, d + 1);
      alongX[y * nx + x] = d;
    }
    d = far;
    for (let x = nx - 1; x >= 0; x--) {
      d = is(y * nx + x) ? 0 : Math.min(far, d + 1);
      alongX[y * nx + x] = Math.min(alongX[y * nx + x]!, d);
    }
  }
  const out = new Uint8Array(nx * ny);
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) {
      let hit = 0;
      for (let k = -r; k <= r && !hit; k++) {
        const yy = y + k;
        if (yy < 0 || yy >= ny) continue;
        const dx = alongX[yy * nx + x]!;
        if (dx * dx + k * k <= r * r) hit = 1;
      }
      out[y * nx + x] = grow ? hit : 1 - hit;
    }
  return out;
}

/**
 * Connected parts of a mask (by sides and corners, or by sides alone). @returns label of each cell, from 1, and how
 * many
 */
export function parts(
  mask: Uint8Array,
  nx: number,
  ny: number,
  corners: boolean,
): { labels: Int32Array; count: number } {
  const labels = new Int32Array(mask.length);
  const stack: number[] = [];
  let count = 0;
  for (let s = 0; s < mask.length; s++) {
    if (!mask[s] || labels[s]) continue;
    count++;
    labels[s] = count;
    stack.push(s);
    while (stack.length) {
      const c = stack.pop()!;
      const [x, y] = [c % nx, Math.floor(c / nx)];
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          if ((!dx && !dy) || (!corners && dx && dy)) continue;
          const [xx, yy] = [x + dx, y + dy];
          if (xx < 0 || yy < 0 || xx >= nx || yy >= ny) continue;
          const i = yy * nx + xx;
          if (mask[i] && !labels[i]) {
            labels[i] = count;
            stack.push(i);
          }
        }
    }
  }
  return { labels, count };
}

/**
 * Median of the 3 × 3 cells round each, over those with a value; NaN stays. A cell that strayed does not smear over its
 * neighbours.
 */
export function smoothed(values: Float64Array, nx: number, ny: number): Float64Array {
  const out = new Float64Array(values.length).fill(Number.NaN);
  const near = new Float64Array(9);
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) {
      const here = y * nx + x;
      if (Number.isNaN(values[here]!)) continue;
      let n = 0;
      for (let yy = Math.max(0, y - 1); yy <= Math.min(ny - 1, y + 1); yy++)
        for (let xx = Math.max(0, x - 1); xx <= Math.min(nx - 1, x + 1); xx++) {
          const v = values[yy * nx + xx]!;
          if (Number.isNaN(v)) continue;
          // Nine at most: sorted in as they come.
          let k = n++;
          for (; k > 0 && near[k - 1]! > v; k--) near[k] = near[k - 1]!;
          near[k] = v;
        }
      out[here] = n % 2 ? near[n >> 1]! : (near[(n >> 1) - 1]! + near[n >> 1]!) / 2;
    }
  return out;
}

/** The usual number of points in a cell that holds any. */
export function usualCount(counts: Uint32Array): number {
  const held = counts.filter((c) => c > 0).sort();
  return held[held.length >> 1] ?? 0;
}

/**
 * The raster without the cells at the edge of the scan of which it covers less than half: the scan ends inside them,
 * and counted as whole they would add half a cell all along a broken edge.
 * @param share how much of each cell is covered, 0 to 1
 */
export function withoutHalves(g: Grid, share: ArrayLike<number>): Grid {
  const { nx, ny } = g;
  const open = (x: number, y: number) => x < 0 || y < 0 || x >= nx || y >= ny || share[y * nx + x] === 0;
  const isEdge = (x: number, y: number) => open(x + 1, y) || open(x - 1, y) || open(x, y + 1) || open(x, y - 1);
  return {
    ...g,
    values: g.values.map((h, i) => (share[i]! < 0.5 && isEdge(i % nx, Math.floor(i / nx)) ? Number.NaN : h)),
  };
}

/**
 * Cells that stand out of all their neighbours by more than `byMm` are taken back to the nearest of these: one stray
 * point fills no hollow.
 */
export function clipped(g: Grid, byMm: number): Grid {
  const { nx, ny, values } = g;
  return {
    ...g,
    values: values.map((h, i) => {
      const [x, y] = [i % nx, Math.floor(i / nx)];
      let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
      for (let yy = Math.max(0, y - 1); yy <= Math.min(ny - 1, y + 1); yy++)
        for (let xx = Math.max(0, x - 1); xx <= Math.min(nx - 1, x + 1); xx++) {
          const v = values[yy * nx + xx]!;
          if (Number.isNaN(v) || (xx === x && yy === y)) continue;
          if (v < low) low = v;
          if (v > high) high = v;
        }
      // A cell without neighbours stands beside nothing.
      if (low > high) return h;
      if (h > high + byMm) return high;
      return h < low - byMm ? low : h;
    }),
  };
}

/** The raster seen from its other side: columns run the other way, and heights are depths. */
export function mirrored(g: Grid): Grid {
  const values = new Float64Array(g.values.length);
  for (let y = 0; y < g.ny; y++)
    for (let x = 0; x < g.nx; x++) values[y * g.nx + x] = -g.values[y * g.nx + g.nx - 1 - x]!;
  return { ...g, u0: -(g.u0 + g.nx * g.cellMm), values };
}

/** Fills gaps from their neighbours, from the edge of the gap inwards, at most `steps` cells deep. */
export function bridged(values: Float64Array, nx: number, ny: number, steps: number): Float64Array {
  let now = values;
  for (let step = 0; step < steps; step++) {
    const next = now.slice();
    let changed = false;
    for (let y = 0; y < ny; y++)
      for (let x = 0; x < nx; x++) {
        const here = y * nx + x;
        if (!Number.isNaN(now[here]!)) continue;
        let sum = 0;
        let n = 0;
        for (let yy = Math.max(0, y - 1); yy <= Math.min(ny - 1, y + 1); yy++)
          for (let xx = Math.max(0, x - 1); xx <= Math.min(nx - 1, x + 1); xx++) {
            const v = now[yy * nx + xx]!;
            if (!Number.isNaN(v)) {
              sum += v;
              n++;
            }
          }
        if (n >= 3) {
          next[here] = sum / n;
          changed = true;
        }
      }
    now = next;
    if (!changed) break;
  }
  return now;
}
