import { bodyKey, type HeatBody, type HeatTable, liftOn, netTable, POT, selfHeats } from '../cure';
import { ENGINES, methodOf } from '../method';
import { type BaseMaterial, isMetered, type SheetRevision } from '../system';
import type { Piece } from './repair';

/** Self-heating of a sheet as prepared: its pots, and its lifts by what they lie on. */
export interface SheetHeat {
  readonly pot: HeatTable;
  readonly lifts: Readonly<Partial<Record<BaseMaterial, HeatTable>>>;
}
/** Prepared pots and lifts by the id of their sheet revision. */
export type Pots = ReadonlyMap<string, SheetHeat>;
export const NO_POTS: Pots = new Map();

/** What of a pass decides which tables its plan reads. */
export type HeatedPiece = Pick<Piece, 'sheetId' | 'method'> & { readonly base: Pick<Piece['base'], 'material'> };

/** A sheet that is mixed in a pot that warms itself, and what plans read of it: its pots, then its lifts. */
export interface HeatAsked {
  readonly sheet: SheetRevision;
  readonly bodies: readonly HeatBody[];
}

/** The sheets that passes mix in a pot that warms itself, and the bases they lay lifts of them on. */
export const heatAsked = (pieces: readonly HeatedPiece[], sheets: readonly SheetRevision[]): readonly HeatAsked[] =>
  sheets.flatMap((sheet) => {
    if (selfHeats(sheet) !== null || isMetered(sheet.kind)) return [];
    let isMixed = false;
    const laidOn = new Set<BaseMaterial>();
    for (const { sheetId, method: of, base } of pieces) {
      if (sheetId !== sheet.id) continue;
      isMixed = true;
      const method = methodOf(of.id);
      if (method && ENGINES[method.engine].inLifts) laidOn.add(base.material);
    }
    return isMixed ? [{ sheet, bodies: [POT, ...[...laidOn].map(liftOn)] }] : [];
  });

/** The same heat with one more table. */
export const withTable = (heat: SheetHeat | undefined, table: HeatTable): SheetHeat | null => {
  if (!table.base) return { lifts: heat?.lifts ?? {}, pot: table };
  return heat ? { ...heat, lifts: { ...heat.lifts, [table.base]: table } } : null;
};

const made = new WeakMap<SheetRevision, Map<string, HeatTable>>();

/** A table with what plans read, made once for a sheet. */
function netOnce(sheet: SheetRevision, of: HeatBody): HeatTable {
  const mine = made.get(sheet) ?? new Map<string, HeatTable>();
  made.set(sheet, mine);
  const table = mine.get(bodyKey(of)) ?? netTable(sheet, of);
  mine.set(bodyKey(of), table);
  return table;
}

/**
 * Prepares pots and lifts of all repairs at once; up to a second for each sheet, so a page has it done in a worker.
 * @param tableOf where a table comes from
 */
export const preparePots = (
  pieces: readonly HeatedPiece[],
  sheets: readonly SheetRevision[],
  tableOf: (sheet: SheetRevision, of: HeatBody) => HeatTable = netOnce,
): Pots =>
  new Map(
    heatAsked(pieces, sheets).flatMap(({ sheet, bodies }) => {
      const heat = bodies.reduce<SheetHeat | null>(
        (sofar, of) => withTable(sofar ?? undefined, tableOf(sheet, of)),
        null,
      );
      return heat ? [[sheet.id, heat] as const] : [];
    }),
  );
