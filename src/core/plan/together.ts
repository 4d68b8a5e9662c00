import { isTaken, methodOf } from '../method';
import type { SheetRevision } from '../system';
import { type Piece, piecesOf, type Repair, withPiece } from './repair';

/** What is set for several repairs at once; what is not named stays as each has it. */
export interface Together {
  /** A system, for every pass that takes it. */
  readonly sheet?: SheetRevision;
  /** Packs kept at a temperature of their own, °C; null where they follow the air. */
  readonly materialC?: number | null;
  /** Pairs of hands that place. */
  readonly crew?: number;
}

/** Whether a pass takes a system. */
const takes = (piece: Piece, sheet: SheetRevision): boolean => {
  const method = methodOf(piece.method.id);
  return method !== undefined && isTaken(method, sheet);
};

/** Whether any pass of a repair takes a system. */
export const takesSystem = (repair: Repair, sheet: SheetRevision): boolean =>
  piecesOf(repair).some((p) => takes(p, sheet));

/**
 * A repair with what is set for several. Another system keeps neither kit nor dose, blend or colour of the one before.
 * @returns the same repair where nothing of it changes
 */
export function setTogether(repair: Repair, { sheet, materialC, crew }: Together): Repair {
  let made = crew === undefined || crew === repair.crew ? repair : { ...repair, crew };
  for (const piece of piecesOf(repair)) {
    const over: Partial<Piece> = {
      ...(materialC !== undefined && materialC !== piece.materialC ? { materialC } : {}),
      ...(sheet && sheet.id !== piece.sheetId && takes(piece, sheet)
        ? { sheetId: sheet.id, kitId: sheet.kits[0]!.id, dosePct: null, blend: null, colour: null }
        : {}),
    };
    if (Object.keys(over).length) made = withPiece(made, { ...piece, ...over, crew: made.crew });
  }
  return made;
}
