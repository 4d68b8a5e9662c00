import type { Batch } from '../mix';
import { facesOf, kindOf, standApart } from '../void';
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

/** The widest face of each place, m²: what lies over one another in one is not counted twice. */
function topFacesM2({ void: v }: Pick<MethodContext, 'void'>): readonly number[] {
  const each = v.shapes.map((s) => facesOf(s).planAreaMm2 / 1e6);
  const all = standApart(v) ? each : [Math.max(0, ...each)];
  return Array.from({ length: v.count }, () => all).flat();
}

/** The widest faces of all places, m². */
export const topFaceM2 = (c: Pick<MethodContext, 'void'>): number => topFacesM2(c).reduce((sum, m2) => sum + m2, 0);

/** What covers the widest face and so much beyond it all round, in steps of a tenth, m². @param beyondM how far, m */
function coverM2(c: Pick<MethodContext, 'void'>, beyondM = 0.1): number {
  const all = topFacesM2(c).reduce((sum, m2) => sum + (m2 > 0 ? (Math.sqrt(m2) + 2 * beyondM) ** 2 : 0), 0);
  return Math.ceil(all * 10 - 1e-9) / 10;
}

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
