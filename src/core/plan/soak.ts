import { dequal } from 'dequal';
import { methodOf, usualThickness } from '../method';
import type { SheetRevision } from '../system';
import { type Measured, measured, type VoidShape } from '../void';
import type { Piece } from './repair';

/** What a soak of a sheet is estimated at, told as how thick it would stand; null where the sheet says nothing. */
const saidBy = (sheet: Pick<SheetRevision, 'uptakeMlPerM2'> | null): Measured | null =>
  sheet?.uptakeMlPerM2 ? measured(sheet.uptakeMlPerM2 / 1000, 'guess') : null;

/**
 * The void of a pass that is worked to refusal with what a sheet says a square metre drinks: in every face whose figure
 * is still the one nobody chose. What somebody typed stays.
 * @param was the sheet that stood there before; its figure is nobody's choice either
 */
export function soakedBy(
  piece: Piece,
  sheet: Pick<SheetRevision, 'uptakeMlPerM2'>,
  was: Pick<SheetRevision, 'uptakeMlPerM2'> | null = null,
): Piece['void'] {
  const method = methodOf(piece.method.id);
  const says = saidBy(sheet);
  if (!piece.void || !says || !method?.params?.toRefusal) return piece.void;
  const ours = [usualThickness(method), saidBy(was)];
  const untouched = (shape: VoidShape) =>
    'thickness' in shape && ours.some((mine) => mine && dequal(mine, shape.thickness));
  return {
    ...piece.void,
    shapes: piece.void.shapes.map((s) => (untouched(s) ? ({ ...s, thickness: says } as VoidShape) : s)),
  };
}
