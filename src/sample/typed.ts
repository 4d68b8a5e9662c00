import { kindOf, type Measured, measured, SHAPES, type ShapeId, type VoidShape, withValue } from '../core/void';

/** A length as typed at the site. */
export const typed = (valueMm: number, tool: string, text = `${valueMm} mm`): Measured => ({
  ...measured(valueMm, tool),
  text,
});

/** A shape with some of its dimensions as measured, and the rest of it as said. */
export const shaped = (
  id: ShapeId,
  mm: Readonly<Record<string, number>>,
  over: object = {},
  tool = 'rule',
): VoidShape =>
  Object.entries(mm).reduce<VoidShape>(
    (shape, [key, value]) => withValue(kindOf(shape), shape, key, typed(value, tool)),
    { ...SHAPES[id].blank(), ...over } as VoidShape,
  );
