import type { Stage } from '@/core/method';
import type { JobAtRepair, PassView, RepairView } from '@/core/record';
import { phrase } from '@/words';

/** What a stage looks at: one pass where it is about a pass, all of them together where it is about the repair. */
export interface StageView extends PassView {
  readonly whole: RepairView;
}

/** What every stage gets. */
export interface StageProps {
  readonly view: JobAtRepair;
  readonly at: StageView;
  readonly nowMs: number;
}

/** A repair as a stage looks at it. @param passId the pass that is open; null looks at all of them together */
export function stageView(whole: RepairView, passId: string | null): StageView {
  const pass = passId === null ? whole : (whole.passes.find((p) => p.repair.passId === passId) ?? whole.passes[0]!);
  return { ...pass, whole };
}

/** What an address adds to name a pass; nothing for the first. */
export const passQuery = (whole: RepairView, passId: string): string =>
  passId === whole.passes[0]!.repair.passId ? '' : `?pass=${passId}`;

/** Stages that look at one pass; the others look at the whole repair. */
export const OF_ONE_PASS: readonly Stage[] = ['inspect', 'measure', 'material', 'mix'];

/** Of these, those whose answer is that of one pass: a repair is inspected once, and may go on when every pass may. */
export const ANSWER_FOR_ONE: readonly Stage[] = ['measure', 'material', 'mix'];

/** Which pass is open, as the open leaf of the rule says it. @example 'Build, 2 of 4' */
export function passWords({ draft }: RepairView, passId: string): string {
  const at = draft.chain.indexOf(passId);
  const { name } = draft.passes[passId]!;
  return phrase`${name.trim() || 'pass'}${name.trim() ? ',' : ''} ${at + 1} of ${draft.chain.length}`;
}
