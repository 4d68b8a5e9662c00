import { dequal } from 'dequal';
import { areHoles } from './places';
import type { VoidShape } from './shapes';

/**
 * The shapes of a void as they are told: holes of one size that stand one behind the other are one run, whatever else
 * stands there is one of its own. Indices, in their order.
 */
export const runsOf = (shapes: readonly VoidShape[]): readonly (readonly number[])[] =>
  grouped(shapes, (a, b) => areHoles([b]) && dequal(a, b));

/** Equal shapes of any kind that stand one behind the other, where nobody types them. */
export const alikeRuns = (shapes: readonly VoidShape[]): readonly (readonly number[])[] => grouped(shapes, dequal);

function grouped(
  shapes: readonly VoidShape[],
  same: (a: VoidShape, b: VoidShape) => boolean,
): readonly (readonly number[])[] {
  const runs: number[][] = [];
  shapes.forEach((shape, i) => {
    const last = runs.at(-1);
    if (last && same(shapes[last[0]!]!, shape)) last.push(i);
    else runs.push([i]);
  });
  return runs;
}

/** The run a shape stands in. @throws RangeError for one that is not there */
export function runAt(shapes: readonly VoidShape[], index: number): readonly number[] {
  const run = runsOf(shapes).find((r) => r.includes(index));
  if (!run) throw new RangeError(`no shape ${index}`);
  return run;
}

/** The shapes with as many of one size as are wanted, where that one stands. @param count at least 1 */
export function withAlike(shapes: readonly VoidShape[], index: number, count: number): readonly VoidShape[] {
  const run = runAt(shapes, index);
  const [first, end] = [run[0]!, run.at(-1)! + 1];
  return [...shapes.slice(0, first), ...Array.from({ length: count }, () => shapes[first]!), ...shapes.slice(end)];
}
