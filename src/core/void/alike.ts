import { dequal } from 'dequal';
import { areHoles } from './places';
import type { Void, VoidShape } from './shapes';

/** Shapes, and what their places are called where they have names. */
type Shapes = Pick<Void, 'shapes' | 'places'>;

/**
 * The shapes of a void as they are told: holes of one size that stand one behind the other are one run, whatever else
 * stands there, or has a name, is one of its own. Indices, in their order.
 */
export const runsOf = ({ shapes, places }: Shapes): readonly (readonly number[])[] =>
  grouped(shapes, (a, b) => areHoles([shapes[b]!]) && !places?.[a] && !places?.[b] && dequal(shapes[a], shapes[b]));

/** Equal shapes of any kind that stand one behind the other, where nobody types them. */
export const alikeRuns = (shapes: readonly VoidShape[]): readonly (readonly number[])[] =>
  grouped(shapes, (a, b) => dequal(shapes[a], shapes[b]));

function grouped(
  shapes: readonly VoidShape[],
  same: (first: number, next: number) => boolean,
): readonly (readonly number[])[] {
  const runs: number[][] = [];
  for (const i of shapes.keys()) {
    const last = runs.at(-1);
    if (last && same(last[0]!, i)) last.push(i);
    else runs.push([i]);
  }
  return runs;
}

/** The run a shape stands in. @throws RangeError for one that is not there */
export function runAt(of: Shapes, index: number): readonly number[] {
  const run = runsOf(of).find((r) => r.includes(index));
  if (!run) throw new RangeError(`no shape ${index}`);
  return run;
}

/**
 * The shapes with as many of one size as are wanted, where that one stands, and what their places are called.
 * @param count at least 1
 */
export function withAlike({ shapes, places }: Shapes, index: number, count: number): Shapes {
  const run = runAt({ shapes, places }, index);
  const [first, end] = [run[0]!, run.at(-1)! + 1];
  const many = <T>(list: readonly T[]): T[] => [
    ...list.slice(0, first),
    ...Array.from({ length: count }, () => list[first]!),
    ...list.slice(end),
  ];
  return { shapes: many(shapes), ...(places ? { places: many(places) } : {}) };
}
