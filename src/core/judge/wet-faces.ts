import { ENGINES } from '../method';
import type { ChainPlan, RepairPlan } from '../plan';
import type { MilestoneId } from '../system';

/** A face that lies wet and open for a while, where other work may be beside it. */
export interface WetFace {
  readonly repairId: string;
  readonly name: string;
  readonly place: string;
  readonly fromMs: number;
  readonly untilMs: number;
}

/** The first of these that a sheet gives tells from when dust no longer sticks. */
const DUSTPROOF: readonly MilestoneId[] = ['tack-free', 'gel', 'next-lift', 'recoat-from', 'sandable'];

/** When the face of a pass lies wet and open; null where it has no times, is closed at once, or nobody can say. */
function wetWhile(plan: RepairPlan): { readonly fromMs: number; readonly untilMs: number } | null {
  if (!plan.method || !ENGINES[plan.method.engine].liesOpen) return null;
  const placed = plan.steps.filter((s) => s.role === 'place');
  if (!placed.length) return null;
  const fromMs = Math.min(...placed.map((s) => s.startMs));
  // A joint that is closed lies open no longer.
  const closed = plan.steps.filter((s) => s.role === 'close');
  if (closed.length) return { fromMs, untilMs: Math.max(...closed.map((s) => s.endMs)) };
  for (const kind of DUSTPROOF) {
    const ends = plan.milestones.flatMap((m) => (m.kind === kind && m.planMs !== null ? [m.planMs] : []));
    if (ends.length) return { fromMs, untilMs: Math.max(...ends) };
  }
  return null;
}

/** Every face of a job that lies wet and open for a while. */
export const wetFaces = (plans: readonly ChainPlan[]): readonly WetFace[] =>
  plans.flatMap((p) =>
    p.passes.flatMap((pass) => {
      const wet = wetWhile(pass);
      return wet ? [{ repairId: p.repairId, name: pass.piece.name, place: pass.piece.place, ...wet }] : [];
    }),
  );

const spot = (place: string): string => place.trim().toLowerCase();

/** Those of other repairs at the same place, as far as it was named. */
export const besideOf = (all: readonly WetFace[], { repairId, piece }: Pick<RepairPlan, 'repairId' | 'piece'>) =>
  all.filter((w) => w.repairId !== repairId && spot(w.place) === spot(piece.place));
