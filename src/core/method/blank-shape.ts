import { type Measured, SHAPES, type ShapeId, type VoidShape } from '../void';
import type { Method } from './method';
import { methodOf } from './methods';

/** How thick a method usually lies in a shape, on a face if none is named; null where that is somebody’s to say. */
export const usualThickness = ({ blanks }: Pick<Method, 'blanks'>, shape: ShapeId = 'coat'): Measured | null =>
  (blanks?.[shape] as { readonly thickness?: Measured } | undefined)?.thickness ?? null;

/** What a shape begins with where it is chosen for a method: its picture, as that method usually meets it. */
export const blankShape = (methodId: string, id: ShapeId): VoidShape =>
  ({ ...SHAPES[id].blank(), ...methodOf(methodId)?.blanks?.[id] }) as VoidShape;
