import { type HeatTable, netTable, selfHeats } from '../cure';
import { isMetered, type SheetRevision } from '../system';
import type { Piece } from './repair';

/** Self-heating of a sheet as prepared: its pots, and its lifts on concrete. */
export interface SheetHeat {
  readonly pot: HeatTable;
  readonly lift: HeatTable;
}
/** Prepared pots and lifts by the id of their sheet revision. */
export type Pots = ReadonlyMap<string, SheetHeat>;
export const NO_POTS: Pots = new Map();

/** The sheets that repairs mix in a pot that warms itself: their plans read a prepared table. */
export const potSheets = (
  repairs: readonly Pick<Piece, 'sheetId'>[],
  sheets: readonly SheetRevision[],
): readonly SheetRevision[] =>
  sheets.filter((s) => repairs.some((r) => r.sheetId === s.id) && selfHeats(s) === null && !isMetered(s.kind));

const made = new WeakMap<SheetRevision, SheetHeat>();

/** Prepares pots and lifts of all repairs at once; up to a second for each sheet, so a page has it done in a worker. */
export function preparePots(repairs: readonly Pick<Piece, 'sheetId'>[], sheets: readonly SheetRevision[]): Pots {
  return new Map(
    potSheets(repairs, sheets).map((sheet): [string, SheetHeat] => {
      const table = made.get(sheet) ?? { pot: netTable(sheet, 'pot'), lift: netTable(sheet, 'lift') };
      made.set(sheet, table);
      return [sheet.id, table];
    }),
  );
}
