'use client';
import { gatedBySheet, type PassRef, pieceOf, thickBySheet, withPiece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { changeRepair, stateNow } from './workspace';

/** A system chosen for a pass, in the first of its packs; what was chosen of the one before is no longer meant. */
export const chooseSheet = ({ id, passId }: PassRef, sheet: SheetRevision): void =>
  changeRepair(id, (repair) => {
    const piece = pieceOf(repair, passId);
    const was = stateNow().sheets.get(piece.sheetId ?? '') ?? null;
    const chosen = withPiece(repair, {
      ...piece,
      // What a square metre drinks, or a litre covers, is the sheet’s to say where nobody said it.
      ...thickBySheet(piece, sheet, was),
      sheetId: sheet.id,
      kitId: sheet.kits[0]?.id ?? null,
      dosePct: null,
      blend: null,
    });
    // And so is how long what follows holds on it as it is.
    return gatedBySheet(chosen, passId, sheet, was);
  });

/** A pass that a sheet is typed in for, as an address names it; null where it names none that is here. */
export function passNamed(text: string | null): (PassRef & { readonly jobId: string }) | null {
  const [jobId = '', id = '', passId = ''] = (text ?? '').split('/');
  const repair = stateNow().repairs.get(id);
  return repair && repair.jobId === jobId && repair.chain.includes(passId) ? { jobId, id, passId } : null;
}

/** The address at which a sheet is typed in for a pass. */
export const typeSheetFor = (jobId: string, { id, passId }: PassRef): string =>
  `/shelf/new?for=${encodeURIComponent(`${jobId}/${id}/${passId}`)}`;
