import { ENGINES } from '../method';
import { type ChainPlan, pieceName, type RepairPlan, SET_ENOUGH, spotOf } from '../plan';

/** A face that lies wet and open for a while, where other work may be beside it. */
export interface WetFace {
  readonly repairId: string;
  readonly passId: string;
  readonly name: string;
  readonly passName: string;
  readonly place: string;
  readonly fromMs: number;
  readonly untilMs: number;
}

/** When the face of a pass lies wet and open; null where it has no times, is closed at once, or nobody can say. */
function wetWhile(plan: RepairPlan): { readonly fromMs: number; readonly untilMs: number } | null {
  const open = plan.method ? ENGINES[plan.method.engine].liesOpen : 'never';
  if (open === 'never') return null;
  const placed = plan.steps.filter((s) => s.role === 'place');
  if (!placed.length) return null;
  const fromMs = Math.min(...placed.map((s) => s.startMs));
  // A joint that is closed lies open no longer.
  const closed = open === 'closed' ? plan.steps.filter((s) => s.role === 'close') : [];
  if (closed.length) return { fromMs, untilMs: Math.max(...closed.map((s) => s.endMs)) };
  for (const kind of SET_ENOUGH) {
    const ends = plan.milestones.flatMap((m) => (m.kind === kind && m.planMs !== null ? [m.planMs] : []));
    if (ends.length) return { fromMs, untilMs: Math.max(...ends) };
  }
  return null;
}

/** Every face of a job that lies wet and open for a while. */
export const wetFaces = (plans: readonly ChainPlan[]): readonly WetFace[] =>
  plans.flatMap((p) =>
    p.passes.flatMap((pass, i) => {
      const wet = wetWhile(pass);
      const { passId, piece } = pass;
      return wet
        ? [
            {
              repairId: p.repairId,
              passId,
              name: piece.name,
              passName: pieceName(piece, i),
              place: piece.place,
              ...wet,
            },
          ]
        : [];
    }),
  );

/** Those of other repairs at the same place, as far as it was named, and all of its own. */
export const besideOf = (all: readonly WetFace[], { repairId, piece }: Pick<RepairPlan, 'repairId' | 'piece'>) =>
  all.filter((w) => w.repairId === repairId || spotOf(w.place) === spotOf(piece.place));
