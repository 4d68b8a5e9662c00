import type { Method, StepContext, StepDraft } from '../method';
import type { Said } from '../say';
import type { Milestone, MilestoneId } from '../system';
import type { Hands } from './hands';
import type { MilestoneTime, Named } from './milestone-times';
import type { ClockAsk, Spot, Wait } from './pass-clocks';
import type { PlannedStep } from './repair-plan';
import type { PlanStop } from './stand-in';

/** What a pass is laid out from. */
export interface LayAsk extends ClockAsk {
  readonly method: Method;
  readonly context: StepContext;
  /** Number of its last batch. */
  readonly lastBatch: number;
  /** What everybody is busy with so far; each step laid out joins that. */
  readonly hands: Hands;
  /** The pass before it, where it is one of a chain. */
  readonly below: Laying | null;
  /** Only when it ends is asked: its steps are not kept. */
  readonly endAlone?: boolean;
}

/** A pass being put on the clock, part by part: its own steps in order, those of other passes between them. */
export interface Laying {
  readonly steps: readonly PlannedStep[];
  /** Ids of all that has been laid out, kept or not. */
  readonly laid: ReadonlySet<string>;
  readonly untimed: readonly StepDraft[];
  readonly stop: PlanStop | null;
  readonly placedMs: number | null;
  readonly overruns: boolean;
  readonly lastBatch: number;
  /** Where its last step ends; where it would begin while there is none. */
  readonly cursor: number;
  /** Lays out further steps. @param o.readyMs none of them before this; o.toMixing stops at the first mixing */
  readonly run: (drafts: readonly StepDraft[], o?: { readonly readyMs?: number; readonly toMixing?: boolean }) => void;
  /** Nothing more of it has a time: a pass that it stands on has stopped. */
  readonly cut: (stop: PlanStop, drafts: readonly StepDraft[]) => void;
  readonly timeOf: (m: Milestone, spot: Spot, named: Named) => MilestoneTime;
  /** Like parts that a batch serves; none where the work is one. */
  readonly partsIn: (batch: number) => readonly number[];
  /** Batches on top: those that nothing of their own pass lies on. */
  readonly topBatches: readonly number[];
  /** Whether its sheet has such a time. */
  readonly has: (kind: MilestoneId) => boolean;
  /** Whether somebody chose what stands in for such a time. */
  readonly chosen: (kind: MilestoneId) => boolean;
  readonly waitOf: (kind: MilestoneId, batches: readonly number[]) => Wait;
  readonly endOf: (kind: MilestoneId, batches: readonly number[], part?: number) => number | null;
  readonly stopAt: (draft: StepDraft, kind: MilestoneId, batches: readonly number[], why: Said) => PlanStop;
}
