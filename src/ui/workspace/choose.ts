'use client';
import { type PassRef, thickBySheet } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { changePass, stateNow } from './workspace';

/** A system chosen for a pass, in the first of its packs; what was chosen of the one before is no longer meant. */
export const chooseSheet = (of: PassRef, sheet: SheetRevision): void =>
  changePass(of, (r) => ({
    ...r,
    // What a square metre drinks, or a litre covers, is the sheet’s to say where nobody said it.
    ...thickBySheet(r, sheet, stateNow().sheets.get(r.sheetId ?? '') ?? null),
    sheetId: sheet.id,
    kitId: sheet.kits[0]?.id ?? null,
    dosePct: null,
    blend: null,
  }));

/** A pass that a sheet is typed in for, as an address names it; null where it names none that is here. */
export function passNamed(text: string | null): (PassRef & { readonly jobId: string }) | null {
  const [jobId = '', id = '', passId = ''] = (text ?? '').split('/');
  const repair = stateNow().repairs.get(id);
  return repair && repair.jobId === jobId && repair.chain.includes(passId) ? { jobId, id, passId } : null;
}

/** The address at which a sheet is typed in for a pass. */
export const typeSheetFor = (jobId: string, { id, passId }: PassRef): string =>
  `/shelf/new?for=${encodeURIComponent(`${jobId}/${id}/${passId}`)}`;
