import { type Extremes, extremes, type Series } from '../../climate';
import type { Actuals, Away, Job, Piece, RepairPlan } from '../../plan';
import { attempt } from '../../say';
import type { SheetRevision, Stock } from '../../system';
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
  /** A pass of the same repair lies on this one. */
  readonly covered?: boolean;
  /** Another pass of the repair carries what it must carry. */
  readonly borneElsewhere?: boolean;
  /** What this pass stops for is a time that one below it lacks, and that is said there. */
  readonly stopsBelow?: boolean;
  /** Faces of other repairs at the same place that lie wet for a while; none where that is not known. */
  readonly beside?: readonly WetFace[];
  /** Another repair is pressed on with the mixer it leaves: what is lost with that is lost for both. */
  readonly mixerGoesOn?: boolean;
  /** When the crew is planned to be at other jobs. */
  readonly away?: readonly Away[];
}

export type Rule = (c: JudgeContext) => readonly Finding[];

interface Stretch {
  readonly fromMs: number;
  readonly toMs: number;
}

/**
 * Stretches in which material is placed, in their order: of each batch from its mixing to its last placing. What lies
 * between two lifts of two days is no placing; how it cures meanwhile is the clocks' matter.
 */
export function placings(plan: RepairPlan): readonly Stretch[] {
  const there = known.get(plan);
  if (there) return there;
  const by = new Map<number, { fromMs: number; toMs: number }>();
  for (const { batch, marks, startMs, endMs } of plan.steps) {
    if (batch === undefined) continue;
    if (marks?.begin?.includes('mix-begins')) by.set(batch, { fromMs: startMs, toMs: startMs + 1 });
    const mine = by.get(batch);
    if (mine && PLACES.some((event) => marks?.end?.includes(event))) mine.toMs = Math.max(mine.toMs, endMs);
  }
  const found = [...by.values()];
  known.set(plan, found);
  return found;
}
const known = new WeakMap<RepairPlan, readonly Stretch[]>();
const PLACES = ['placed', 'faces-closed', 'last-coat'] as const;

/** Extremes of a history over a stretch, or why there are none. */
export const rangeOver = (series: Series, w: Stretch) => attempt(() => extremes(series, w.fromMs, w.toMs));

/**
 * Extremes over several stretches; null where there is none, or where the histories cover none of them to its end.
 * @param within the extremes of one stretch, refused where its histories do not cover it
 * @example rangeOf(placings(plan), (w) => extremes(thermal.base, w.fromMs, w.toMs))
 */
export function rangeOf(stretches: readonly Stretch[], within: (w: Stretch) => Extremes): Extremes | null {
  const met = stretches.flatMap((w) => {
    const range = attempt(() => within(w));
    return range.ok ? [range.value] : [];
  });
  if (!met.length) return null;
  const coldest = met.reduce((a, b) => (b.min < a.min ? b : a));
  const hottest = met.reduce((a, b) => (b.max > a.max ? b : a));
  return { min: coldest.min, minMs: coldest.minMs, max: hottest.max, maxMs: hottest.maxMs };
}
