import { milestoneKind } from '../system';
import { facesOf } from '../void';
import type { Actuals } from './actuals';
import type { PlannedStep, RepairPlan } from './repair-plan';
import { endOfStep, handMinutesBy } from './step-time';

/** What becomes of the placing under way when fewer place on. */
export interface FewerHands {
  readonly step: PlannedStep;
  /** Share of it that is done now. */
  readonly doneShare: number;
  /** Of the same: m² done, and m² in all. */
  readonly areaM2: number;
  readonly wholeM2: number;
  readonly endMs: number;
  /** Until when what is mixed may be placed; null where that is not known. */
  readonly goodUntilMs: number | null;
  /** Whole kits for the areas that it no longer reaches, counted from a threshold; null where it reaches all. */
  readonly kitsMore: number | null;
}

/** Until when the mix of a batch may be placed. */
const goodUntil = ({ milestones }: RepairPlan, batch: number | undefined): number | null =>
  milestones.find((m) => m.batch === batch && milestoneKind(m.kind).usesUp)?.planMs ?? null;

/**
 * The placing under way, gone on with by so many pairs of hands from an instant on.
 * @returns null where nothing is under way that goes by the number of hands
 */
export function fewerHands(plan: RepairPlan, hands: Actuals['hands'], nowMs: number): FewerHands | null {
  const { context, mix } = plan;
  const step = plan.steps.findLast((s) => s.role === 'place' && s.begunAt !== null && s.doneAt === null && s.sharedMin);
  if (!step || !context || !mix) return null;
  const shareBy = (ms: number) =>
    Math.min(1, handMinutesBy(step, step.startMs, context.crew, hands, ms) / (step.sharedMin! * context.crew));
  const endMs = endOfStep(step, step.startMs, context.crew, hands);
  const goodUntilMs = goodUntil(plan, step.batch);
  const wholeM2 = (context.void.count * context.measured.faces.planAreaMm2) / 1e6;
  const doneShare = shareBy(nowMs);
  return {
    step,
    doneShare,
    areaM2: doneShare * wholeM2,
    wholeM2,
    endMs,
    goodUntilMs,
    kitsMore: goodUntilMs === null || endMs <= goodUntilMs ? null : kitsBehind(plan, step, shareBy(goodUntilMs)),
  };
}

/** Whole kits for the areas behind the last threshold that is reached. */
function kitsBehind({ context, mix, batches }: RepairPlan, { batch }: PlannedStep, reached: number): number {
  const areas = context!.void.shapes.map((s) => facesOf(s).planAreaMm2);
  const all = areas.reduce((a, b) => a + b, 0);
  const placedMl = batches.find((b) => b.index === batch)?.placedMl ?? 0;
  let sum = 0;
  let behind = 0;
  for (const area of areas) {
    sum += area;
    if (sum / all > reached + 1e-9) behind += area;
  }
  return Math.ceil((placedMl * behind) / all / mix!.kits.volumeMl - 1e-9);
}
