import { SHAPES, type ShapeId, type VoidShape } from '../void';
import { methodOf } from './methods';

/** What a shape begins with where it is chosen for a method: its picture, as that method usually meets it. */
export const blankShape = (methodId: string, id: ShapeId): VoidShape =>
  ({ ...SHAPES[id].blank(), ...methodOf(methodId)?.blanks?.[id] }) as VoidShape;
