import { milestoneOf, type SheetRevision } from '../system';
import { type ReadyPass, usuallyOn } from './ready-rows';
import type { GateId, Repair } from './repair';

/** Whether a sheet prints a recoat window with both its ends. */
const printsWindow = (sheet: SheetRevision): boolean =>
  milestoneOf(sheet, 'recoat-from') !== undefined && milestoneOf(sheet, 'recoat-until') !== undefined;

/**
 * What a pass usually waits for on another: where it may go on inside a recoat window and the sheet below prints one,
 * that; nobody waits a night and abrades what the sheet lets one lay on the same day.
 */
export const usualGate = (row: ReadyPass, below: SheetRevision | null): GateId =>
  row.inWindow && below && printsWindow(below) ? 'window' : row.gate;

/**
 * A repair whose next pass waits as is usual on what a pass is now made with, where nobody has said what it waits for.
 * @param sheet what the pass is now made with
 * @param was what it was made with before: what was usual on that is nobody's choice either
 */
export function gatedBySheet(repair: Repair, passId: string, sheet: SheetRevision, was: SheetRevision | null): Repair {
  const { chain, passes } = repair;
  const nextId = chain[chain.indexOf(passId) + 1];
  const next = nextId && passes[nextId];
  const row = next && usuallyOn(passes[passId]!.method.id, next.method.id);
  if (!row || next.gate !== usualGate(row, was)) return repair;
  return { ...repair, passes: { ...passes, [nextId]: { ...next, gate: usualGate(row, sheet) } } };
}
