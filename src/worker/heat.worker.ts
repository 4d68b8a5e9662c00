import './no-eval';
import { expose } from 'comlink';
import {
  type HeatBody,
  type HeatCell,
  type LiftAsk,
  liftRun,
  potRun,
  reactiveOf,
  tableCell,
  thickestLift,
  type VesselId,
} from '@/core/cure';
import { attempt, type Problem } from '@/core/say';
import type { SheetRevision } from '@/core/system';

export type HeatReply<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

/** Cells told at once while a table fills, and how long to collect them, ms. */
const TELL_MS = 90;

const api = {
  pot: (sheet: SheetRevision, ask: { massG: number; startC: number; roomC: number; vessel: VesselId }) =>
    attempt(() => potRun(reactiveOf(sheet), ask)),
  lift: (sheet: SheetRevision, ask: LiftAsk) => attempt(() => liftRun(reactiveOf(sheet), ask)),
  thickest: (sheet: SheetRevision, ask: Omit<LiftAsk, 'thicknessMm'>) =>
    attempt(() => thickestLift(reactiveOf(sheet), ask)),
  /** Fills cells of a table in an order; told as it goes. Cancelled by ending the worker. */
  table: (
    sheet: SheetRevision,
    of: HeatBody,
    order: readonly number[],
    have: readonly (HeatCell | null)[],
    tell: (cells: readonly (readonly [number, HeatCell])[]) => void,
  ) =>
    attempt(() => {
      const m = reactiveOf(sheet);
      let batch: [number, HeatCell][] = [];
      let told = performance.now();
      for (const i of order) {
        if (have[i]) continue;
        batch.push([i, tableCell(m, of, i)]);
        if (performance.now() - told > TELL_MS) {
          tell(batch);
          batch = [];
          told = performance.now();
        }
      }
      tell(batch);
      return true;
    }),
};
export type HeatApi = typeof api;

expose(api);
