import {
  type ChainPlan,
  type JobPlan,
  NOTHING_YET,
  type Piece,
  type RepairPlan,
  replanned,
  thickBySheet,
} from '../plan';
import type { SheetRevision } from '../system';

/** The repair planned with a system for one of its passes, and that pass in it. */
export interface Tried {
  readonly whole: ChainPlan;
  readonly pass: RepairPlan;
}

/**
 * Tries a system for one pass of a repair, among the other passes and the repairs before it; of several kit sizes the
 * first that can be placed in time stands for the system.
 * @returns null where the repair is not planned
 */
export function triedWith(
  { repair, plan }: { readonly repair: Piece; readonly plan: JobPlan },
  whole: ChainPlan,
  sheet: SheetRevision,
): Tried | null {
  const chosen = repair.sheetId === sheet.id;
  const now = whole.passes.find((p) => p.passId === repair.passId);
  let tried: Tried | null = null;
  for (const kitId of chosen ? [repair.kitId] : sheet.kits.map((k) => k.id)) {
    const [dosePct, blend] = chosen ? [repair.dosePct, repair.blend] : [null, null];
    // A thickness that nobody chose is no reason against a system: it lies as thick as its own sheet says.
    const thick = chosen ? {} : thickBySheet(repair, sheet, now?.sheet);
    const as = { ...repair, ...thick, sheetId: sheet.id, kitId, dosePct, blend };
    const t = replanned(whole, repair.passId, ({ mixerOn, ...was }) => ({
      ...was,
      repair: as,
      sheet,
      actuals: NOTHING_YET,
      pots: plan.pots.get(sheet.id) ?? null,
      // The mixer that is on holds what is chosen.
      ...(chosen && mixerOn ? { mixerOn } : {}),
    }));
    const pass = t?.passes.find((p) => p.passId === repair.passId);
    if (!t || !pass) return null;
    if (!tried || (pass.mix && !tried.pass.mix)) tried = { whole: t, pass };
    if (pass.mix) break;
  }
  return tried;
}
