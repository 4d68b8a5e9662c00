import { inRoundInches } from '../units';
import { kindOf } from './measure';
import { type Dimension, withValue } from './shape';
import type { VoidShape } from './shapes';

/** How far one dimension of a shape has been moved, as a factor; 1 where it is none or was nothing. */
function movedBy(was: VoidShape, is: VoidShape, key: string): number {
  const of = (shape: VoidShape) =>
    kindOf(shape)
      .dimensions(shape)
      .find((d) => d.key === key)?.measured.valueMm ?? 0;
  return of(was) > 0 && of(is) > 0 ? of(is) / of(was) : 1;
}

/** A dimension nobody has measured, drawn so many times as large: in round inches where those are read. */
function movedTo(is: VoidShape, d: Dimension, by: number): VoidShape {
  const mm = d.measured.valueMm * by;
  const valueMm = d.measured.textSystem === 'us' ? inRoundInches(mm).valueMm : mm;
  return withValue(kindOf(is), is, d.key, { ...d.measured, valueMm });
}

/**
 * A shape after one of its dimensions was typed: where that does not go with dimensions nobody has measured yet, those
 * are drawn in proportion, one alone where that is enough. A stand-in of ours is no reason to refuse what somebody has
 * measured.
 * @param key of the dimension that was typed
 * @example a rod of 16 mm in a hole that is drawn 14 mm until its bit is typed: drawn 18.7 mm
 */
export function withStandIns(was: VoidShape, is: VoidShape, key: string): VoidShape {
  const kind = kindOf(is);
  if (!kind.problems(is).length) return is;
  const by = movedBy(was, is, key);
  const free = kind.dimensions(is).filter((d) => d.measured.text === '');
  const fits = (shape: VoidShape) => kind.problems(shape).length === 0;
  const alone = free.map((d) => movedTo(is, d, by)).find(fits);
  if (alone) return alone;
  const all = free.reduce((s, d) => movedTo(s, d, by), is);
  return fits(all) ? all : is;
}
