import type { Grid } from './grid';

/**
 * The lines of cells of a grid along one direction, and room for what an implicit step along one of them takes. The
 * lines of a pot differ by their areas alone, which cancel: what one takes is worked out once for all of them.
 */
export interface Lines {
  /** First cell of each line. */
  readonly starts: Int32Array;
  readonly stride: number;
  readonly count: number;
  /**
   * Heat capacity of each cell, J/K; conductance to the next along the line, and from both ends to the outside, W/K.
   */
  readonly cap: Float64Array;
  readonly link: Float64Array;
  readonly outFirst: Float64Array;
  readonly outLast: Float64Array;
  readonly alike: boolean;
  /** Nothing passes along it at all. */
  readonly still: boolean;
  /** Shares by which a cell takes of itself, of the one before it, and gives to the one behind, in a step. */
  readonly own: Float64Array;
  readonly before: Float64Array;
  readonly next: Float64Array;
  /** The same of what is outside of both ends. */
  readonly ends: Float64Array;
}

/** Two figures that differ by rounding alone. */
const ROUNDED = 1e-12;

export function linesOf(g: Grid, along: 'u' | 'v'): Lines {
  const u = along === 'u';
  const [count, across, stride] = u ? [g.nu, g.nv, 1] : [g.nv, g.nu, g.nu];
  const starts = Int32Array.from({ length: across }, (_, k) => (u ? k * g.nu : k));
  const cap = Float64Array.from(g.volume, (v, i) => v * g.rhoC[i]!);
  const link = u ? g.linkU : g.linkV;
  const [outFirst, outLast] = u ? g.outU : g.outV;
  /** Each figure of a line as a multiple of the capacity of its first cell. */
  const same = (line: number): boolean => {
    const [s, s0] = [starts[line]!, starts[0]!];
    const by = cap[s]! / cap[s0]!;
    const near = (a: number, b: number) => Math.abs(a - b * by) <= ROUNDED * Math.abs(a);
    for (let k = 0; k < count; k++)
      if (!near(cap[s + k * stride]!, cap[s0 + k * stride]!) || !near(link[s + k * stride]!, link[s0 + k * stride]!))
        return false;
    return near(outFirst[line]!, outFirst[0]!) && near(outLast[line]!, outLast[0]!);
  };
  return {
    starts,
    stride,
    count,
    cap,
    link,
    outFirst,
    outLast,
    alike: starts.every((_, line) => same(line)),
    still: count === 1 && !outFirst.some(Boolean) && !outLast.some(Boolean),
    own: new Float64Array(count),
    before: new Float64Array(count),
    next: new Float64Array(count),
    ends: new Float64Array(2),
  };
}

/** Elimination along a line (Thomas): how much of each neighbour is in a cell after a step. */
function eliminate(l: Lines, line: number, dt: number): void {
  const { cap, link, stride, count, own, before, next, ends } = l;
  const start = l.starts[line]!;
  let passed = 0;
  for (let k = 0; k < count; k++) {
    const i = start + k * stride;
    const store = cap[i]! / dt;
    const left = k > 0 ? link[i - stride]! : l.outFirst[line]!;
    const right = k < count - 1 ? link[i]! : l.outLast[line]!;
    const diag = store + left + right - (k > 0 ? left * passed : 0);
    own[k] = store / diag;
    before[k] = k > 0 ? left / diag : 0;
    passed = k < count - 1 ? right / diag : 0;
    next[k] = passed;
    if (k === 0) ends[0] = left / diag;
    if (k === count - 1) ends[1] = right / diag;
  }
}

/**
 * One implicit step of conduction along every line, in place.
 * @param t temperatures of all cells, °C; @param dt s; @param first,last outside of both ends, °C
 * @returns what left through the ends, J
 */
export function conductAlong(l: Lines, t: Float64Array, dt: number, first: number, last: number): number {
  const { starts, stride, count, own, before, next, ends, outFirst, outLast } = l;
  if (l.still) return 0;
  let lost = 0;
  for (let line = 0; line < starts.length; line++) {
    if (line === 0 || !l.alike) eliminate(l, line, dt);
    const start = starts[line]!;
    const end = start + (count - 1) * stride;
    // What is outside of the far end is let in with the last cell, on the way forth.
    for (let k = 0, i = start; k < count; k++, i += stride) {
      let now = own[k]! * t[i]!;
      now += k === 0 ? ends[0]! * first : before[k]! * t[i - stride]!;
      if (k === count - 1) now += ends[1]! * last;
      t[i] = now;
    }
    for (let k = count - 2, i = end - stride; k >= 0; k--, i -= stride) t[i] = t[i]! + next[k]! * t[i + stride]!;
    lost += dt * (outFirst[line]! * (t[start]! - first) + outLast[line]! * (t[end]! - last));
  }
  return lost;
}
