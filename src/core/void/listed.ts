import type { Message } from '../say';
import { type Measured, unmeasured } from './measured';
import { rangeProblem, type Shape, withValue } from './shape';
import { SHAPES, type ShapeId, type VoidShape } from './shapes';
import { SIZE_IDS, type SizeId } from './sizes';

/** A size as it was listed: in mm, and as it was written. */
export type ListedSize = Pick<Measured, 'valueMm' | 'text' | 'textSystem'>;
/** Whether a size was told by a thread’s or a bar’s name, `M12`, `1/2-13`, `#5 bar`, and not as a length. */
export const isThread = ({ text }: Pick<ListedSize, 'text'>): boolean => /^\s*(m\s*\d|#)|\d-\d/i.test(text);
export type ListedSizes = ReadonlyMap<SizeId, ListedSize>;

/** A shape made of listed sizes, what is wrong with one of them, and which of them it has no place for. */
export interface SizedShape {
  readonly shape: VoidShape;
  readonly wrong: ReadonlyMap<SizeId, Message>;
  readonly unused: readonly SizeId[];
}

const dimensionOf = (kind: Shape<VoidShape>, shape: VoidShape, key: string) =>
  kind.dimensions(shape).find((d) => d.key === key);

/**
 * The shape that listed sizes are of: the first that has a place for all of them; where none has, the first that a list
 * can tell at all. Null where a list tells none of them.
 */
export function shapeFor(ids: readonly ShapeId[], sizes: Iterable<SizeId>): ShapeId | null {
  const given = [...sizes];
  const told = ids.filter((id) => SHAPES[id].sizes);
  return told.find((id) => given.every((size) => SHAPES[id].sizes?.[size])) ?? told[0] ?? null;
}

/**
 * A shape of the sizes that a list tells, each with the tool that such a dimension is usually read with; what the list
 * does not tell is still to be measured.
 */
export function sizedShape(id: ShapeId, listed: ListedSizes): SizedShape {
  const kind = SHAPES[id];
  const wrong = new Map<SizeId, Message>();
  let shape = kind.blank();
  // In the order of the sizes, whatever order the columns have: a diameter makes an outline round before it is sized.
  for (const size of SIZE_IDS) {
    const is = listed.get(size);
    if (!is) continue;
    for (const write of kind.sizes?.[size] ?? []) {
      if (typeof write !== 'string') {
        shape = withValue(kind, shape, write.key, write.is);
        continue;
      }
      const before = dimensionOf(kind, shape, write)?.measured ?? unmeasured(is.valueMm, 'gauge');
      shape = withValue(kind, shape, write, { ...before, ...is, toleranceMm: null, again: null });
      const dimension = dimensionOf(kind, shape, write);
      const problem = dimension && rangeProblem(dimension);
      if (problem) wrong.set(size, problem.sentence);
    }
  }
  return { shape, wrong, unused: [...listed.keys()].filter((size) => !kind.sizes?.[size]) };
}

/** The measured sizes of a shape, as a list tells them; a round outline by its diameter alone. */
export function sizesIn(shape: VoidShape): ReadonlyMap<SizeId, Measured> {
  const kind = SHAPES[shape.shape];
  const sizes = new Map<SizeId, Measured>();
  for (const size of SIZE_IDS) {
    const keys = (kind.sizes?.[size] ?? []).filter((write) => typeof write === 'string');
    const [first, ...others] = keys.map((key) => dimensionOf(kind, shape, key)?.measured);
    const isAlike = others.every((m) => m?.valueMm === first?.valueMm);
    if (first && first.text !== '' && isAlike && isAsSaid(kind, shape, size)) sizes.set(size, first);
  }
  if (sizes.has('across')) for (const side of ['length', 'width'] as const) sizes.delete(side);
  return sizes;
}

/** Whether a shape is what a size says of it besides: what has a diameter is round. */
function isAsSaid(kind: Shape<VoidShape>, shape: VoidShape, size: SizeId): boolean {
  const said = (kind.sizes?.[size] ?? []).filter((write) => typeof write !== 'string');
  return said.every(({ key, is }) =>
    kind.parameters?.(shape).some((p) => p.key === key && p.kind === 'choice' && p.value === is),
  );
}
