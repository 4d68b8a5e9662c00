import { ENGINES } from '../method';
import type { MilestoneId } from '../system';
import type { RepairPlan } from './repair-plan';
import { handsOnMs } from './step-time';

/** Until when one part, or all that lies there, may still be put right. */
export interface RightUntil {
  /** Which of several like parts, from 0; null where it is all of them. */
  readonly part: number | null;
  readonly untilMs: number;
}

/**
 * Until when what was placed may still be set right, part by part: by the first of some working times that the sheet
 * has,
 * of what has begun to count.
 */
export function rightUntil({ milestones }: RepairPlan, kinds: readonly MilestoneId[]): readonly RightUntil[] {
  for (const kind of kinds) {
    const found = milestones.filter((m) => m.kind === kind && m.originMs !== null && m.planMs !== null);
    // Of a part that was made anew the last time counts.
    const last = new Map(found.map(({ part, planMs }) => [part, planMs!]));
    if (last.size) return [...last].map(([part, untilMs]) => ({ part, untilMs }));
  }
  return [];
}

/** What one of several like parts takes, as it is placed, mL; null where there is but one, or nothing is planned. */
export function onePartMl({ piece, batches }: RepairPlan): number | null {
  const count = piece.void?.count ?? 1;
  const planned = batches.filter((b) => !b.topUp);
  if (count < 2 || !planned.length) return null;
  return planned.reduce((sum, b) => sum + b.placedMl, 0) / count;
}

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
