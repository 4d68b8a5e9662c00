import { kindOf, type Measured, measured, SHAPES, type ShapeId, type VoidShape, withValue } from '../core/void';

/** A length as typed at the site. */
export const typed = (valueMm: number, tool: string, text = `${valueMm} mm`): Measured => ({
  ...measured(valueMm, tool),
  text,
});

/**
 * A shape with some of its dimensions as measured, and the rest of it as said.
 * @param tool what all of them were measured with; else each with what its field stands at
 */
export const shaped = (
  id: ShapeId,
  mm: Readonly<Record<string, number>>,
  over: object = {},
  tool?: string,
): VoidShape =>
  Object.entries(mm).reduce<VoidShape>(
    (shape, [key, value]) => {
      const kind = kindOf(shape);
      const usual = kind.dimensions(shape).find((d) => d.key === key)?.measured.tool ?? 'rule';
      return withValue(kind, shape, key, typed(value, tool ?? usual));
    },
    { ...SHAPES[id].blank(), ...over } as VoidShape,
  );
