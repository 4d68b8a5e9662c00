import { extremes, type Series } from '../../climate';
import type { Actuals, Job, Piece, RepairPlan } from '../../plan';
import type { SheetRevision, Stock } from '../../system';
import { attempt } from '../../units';
import type { Finding } from '../finding';
import type { WetFace } from '../wet-faces';

/** What the rules see. They change nothing. */
export interface JudgeContext {
  readonly job: Job;
  readonly repair: Piece;
  readonly plan: RepairPlan;
  readonly actuals: Actuals;
  readonly sheets: readonly SheetRevision[];
  readonly stock: readonly Stock[];
  readonly nowMs: number;
  /** Faces of other repairs at the same place that lie wet for a while; none where that is not known. */
  readonly beside?: readonly WetFace[];
}

export type Rule = (c: JudgeContext) => readonly Finding[];

/** Stretch in which material is placed: first mixing to last placing. */
export const placing = (plan: RepairPlan): { fromMs: number; toMs: number } | null => {
  const from = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs;
  return from === undefined || plan.placedMs === null
    ? null
    : { fromMs: from, toMs: Math.max(plan.placedMs, from + 1) };
};
/** Extremes of a history over a stretch, or why there are none. */
export const rangeOver = (series: Series, w: { fromMs: number; toMs: number }) =>
  attempt(() => extremes(series, w.fromMs, w.toMs));
