import { type PlannedStep, repairName } from '../plan';
import type { PlannedJob, PlannedRepair } from './bundle';

/** What the hands are planned for at another place of the job. */
export interface Elsewhere {
  readonly repairId: string;
  readonly name: string;
  readonly step: PlannedStep;
  /** When the hands are planned to be back at this one; null where nothing is left to do here. */
  readonly backMs: number | null;
}

/** A step that begins within so long is due, ms. */
const DUE_MS = 60_000;

const nextOf = ({ plan }: Pick<PlannedRepair, 'plan'>): PlannedStep | undefined =>
  plan.steps.find((s) => s.doneAt === null);

/**
 * What comes at another repair of the job before the next step of this one: like places are all prepared before the
 * first is filled, and while one sets the next is done. Null where this one is due or in hand, or nothing comes sooner.
 */
export function elsewhere(
  { repairs }: Pick<PlannedJob, 'repairs'>,
  at: Pick<PlannedRepair, 'draft' | 'plan'>,
  nowMs: number,
): Elsewhere | null {
  const own = nextOf(at);
  if (own && (own.begunAt !== null || own.startMs <= nowMs + DUE_MS)) return null;
  const others = repairs.flatMap(({ draft, plan }): Elsewhere[] => {
    const step = draft.id === at.draft.id ? undefined : nextOf({ plan });
    return step ? [{ repairId: draft.id, name: repairName(draft), step, backMs: own?.startMs ?? null }] : [];
  });
  const [first] = others.sort((a, b) => a.step.startMs - b.step.startMs);
  return first && (!own || first.step.startMs < own.startMs) ? first : null;
}
