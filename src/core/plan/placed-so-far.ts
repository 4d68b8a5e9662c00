import { ENGINES } from '../method';
import type { RepairPlan } from './repair-plan';
import { handsOnMs } from './step-time';

/** How far the placing in hand has come. */
export interface PlacedSoFar {
  readonly step: string;
  readonly batch: number;
  /** Placed by now at the rate that was planned, and meant to be placed, mL. */
  readonly ml: number;
  readonly ofMl: number;
}

/**
 * What has been placed of the pot in hand by an instant, at the planned rate; null where nothing is being placed, or
 * where it begins anew: what is spread to be closed, one of several like parts, what is pressed out of packs.
 */
export function placedSoFar({ steps, batches, method }: RepairPlan, nowMs: number): PlacedSoFar | null {
  const step = steps.find((s) => s.doneAt === null);
  const batch = step?.batch === undefined ? undefined : batches[step.batch];
  // What is closed lies between two faces, and is spread anew whole.
  if (!method || ENGINES[method.engine].liesOpen !== 'set') return null;
  if (step?.role !== 'place' || !batch || step.batch === undefined) return null;
  if (batch.fromTo || batch.topUp || batch.mixers > 0 || batch.meantMl !== undefined) return null;
  // Poured right after it was mixed, without a press in between.
  const since = step.begunAt ?? steps.findLast((s) => s.doneAt !== null)?.doneAt ?? step.startMs;
  const share = (nowMs - since) / handsOnMs(step);
  const ml = Math.min(batch.placedMl, Math.max(0, share) * (batch.handledMl ?? batch.placedMl));
  return { step: step.id, batch: step.batch, ml, ofMl: batch.placedMl };
}
