import { kindOf } from './measure';
import { withValue } from './shape';
import type { VoidShape } from './shapes';

/** How far one dimension of a shape has been moved, as a factor; 1 where it is none or was nothing. */
function movedBy(was: VoidShape, is: VoidShape, key: string): number {
  const of = (shape: VoidShape) =>
    kindOf(shape)
      .dimensions(shape)
      .find((d) => d.key === key)?.measured.valueMm ?? 0;
  return of(was) > 0 && of(is) > 0 ? of(is) / of(was) : 1;
}

/**
 * A shape after one of its dimensions was typed: where that does not go with dimensions nobody has measured yet, those
 * are drawn in proportion. A stand-in of ours is no reason to refuse what somebody has measured.
 * @param key of the dimension that was typed
 * @example a rod of 16 mm in a hole that is drawn 14 mm until its bit is typed: drawn 18.7 mm
 */
export function withStandIns(was: VoidShape, is: VoidShape, key: string): VoidShape {
  const kind = kindOf(is);
  if (!kind.problems(is).length) return is;
  const by = movedBy(was, is, key);
  const moved = kind
    .dimensions(is)
    .filter((d) => d.measured.text === '')
    .reduce((s, d) => withValue(kind, s, d.key, { ...d.measured, valueMm: d.measured.valueMm * by }), is);
  return kind.problems(moved).length ? is : moved;
}
