import type { Batch } from '../mix';
import { facesOf, kindOf, placesIn } from '../void';
import type { MethodContext } from './context';

/** What a row of consumables sees: the pass, and the batches that are planned for it. */
export interface ConsumableContext extends MethodContext {
  readonly batches: readonly Batch[];
}

/** Something beside the mix that the work of a pass uses up. */
export interface ConsumableRow {
  /** Unique within its method. */
  readonly id: string;
  readonly what: string;
  /** What a single one of what is counted is called. */
  readonly one?: string;
  readonly unit: '' | 'm' | 'm²' | 'mL' | 'kg';
  /** What it is for, and by what it was counted. */
  readonly why: string;
  /** Only where a chosen option shows something of this name. */
  readonly shownBy?: string;
  /** How much of it, in the unit; nothing where none is needed. */
  readonly of: (c: ConsumableContext) => number;
}

/** Length of all that runs along a line, m; 0 where nothing does. */
export const runM = (c: Pick<MethodContext, 'void'>): number =>
  (c.void.count * c.void.shapes.reduce((sum, s) => sum + (kindOf(s).runMm?.(s) ?? 0), 0)) / 1000;

/** The widest face of a void, m²: what lies over one another is not counted twice. */
export const topFaceM2 = (c: Pick<MethodContext, 'void'>): number =>
  (c.void.count * Math.max(0, ...c.void.shapes.map((s) => facesOf(s).planAreaMm2))) / 1e6;

/** What covers the widest face and so much beyond it all round, in steps of a tenth, m². @param beyondM how far, m */
const coverM2 = (c: Pick<MethodContext, 'void'>, beyondM = 0.1): number => {
  const places = placesIn(c.void);
  const each = topFaceM2(c) / places;
  return each > 0 ? Math.ceil(places * (Math.sqrt(each) + 2 * beyondM) ** 2 * 10 - 1e-9) / 10 : 0;
};

/** What is laid over a face while it cures. */
export const coverOf = (row: Pick<ConsumableRow, 'what' | 'why' | 'shownBy'>): ConsumableRow => ({
  ...row,
  id: 'cover',
  unit: 'm²',
  of: (c) => coverM2(c),
});

/** Consumables of a pass that is planned, in the order of its method. */
export const consumablesIn = (
  rows: readonly ConsumableRow[],
  c: ConsumableContext,
): readonly { readonly row: ConsumableRow; readonly quantity: number }[] =>
  rows.flatMap((row) => {
    if (row.shownBy !== undefined && !c.effects.shows.includes(row.shownBy)) return [];
    const quantity = row.of(c);
    return quantity > 0 ? [{ row, quantity }] : [];
  });
