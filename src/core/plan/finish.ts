import { type GritId, type Ladder, ladderIn, type StepDraft } from '../method';
import type { PlannedStep, RepairPlan } from './repair-plan';

/** Where one stands on a rung. */
export type RungState = 'done' | 'next' | 'open';

/** The ladder of a pass as it is planned and as far as it is done. */
export interface LadderNow {
  readonly ladder: Ladder;
  /** Grits are the technician’s own. */
  readonly own: boolean;
  /** When its paper is laid in water; null where it needs none, or has no time yet. */
  readonly soak: PlannedStep | null;
  readonly rungs: readonly {
    readonly grit: GritId;
    readonly step: PlannedStep | null;
    readonly state: RungState;
  }[];
}

/**
 * The ladder of a pass; null where its method has none, it is not planned that far, or what lies on it covers its face
 * as it is.
 */
export function ladderNow({
  method,
  context,
  steps,
  untimed,
}: Pick<RepairPlan, 'method' | 'context' | 'steps' | 'untimed'>): LadderNow | null {
  const row = method?.tasks.find((t) => t.ladder);
  if (!row?.ladder || !context) return null;
  const ladder = ladderIn(row.ladder, { ...context, batches: [], portions: [], batch: null });
  const isRung = ({ key: { task } }: StepDraft) => task.startsWith(`${row.task}:`);
  const covered = steps.length > 0 && ladder.rungs.length > 0 && ![...steps, ...untimed].some(isRung);
  if (covered) return null;
  const first = steps.find((s) => s.doneAt === null);
  const rungs = ladder.rungs.map(({ grit }) => {
    const step = steps.findLast((s) => s.key.task === `${row.task}:${grit.toLowerCase()}`) ?? null;
    const state: RungState = step?.doneAt != null ? 'done' : step && step === first ? 'next' : 'open';
    return { grit, step, state };
  });
  const soak = steps.findLast((s) => s.ahead && s.key.task.startsWith(`${row.task}:`)) ?? null;
  return { ladder, soak, own: context.grits !== null && context.grits !== '', rungs };
}

/**
 * When the face of a repair is left as its last pass leaves it: its last step before the tests is done.
 * @returns null while it is not planned to its end
 */
export function leftMs(passes: readonly Pick<RepairPlan, 'steps' | 'untimed'>[]): number | null {
  const last = passes.at(-1);
  if (!last || last.untimed.length) return null;
  const ends = last.steps.filter((s) => s.stage !== 'release').map((s) => s.endMs);
  return ends.length ? Math.max(...ends) : null;
}
