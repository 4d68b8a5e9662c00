import type { StepDraft } from '../method';
import { milestoneKind } from '../system';

/** What stands in the pot meanwhile belongs to its block: nobody mixes in the evening what is placed in the morning. */
export const stands = ({ waitFor }: Pick<StepDraft, 'waitFor'>): boolean =>
  waitFor !== undefined && milestoneKind(waitFor.kind).manner === true;

/** Whether a step may come on another day than the one before it in its block: it waits, and not for a pot alone. */
export const tears = (d: Pick<StepDraft, 'waitFor'>): boolean =>
  d.waitFor !== undefined && !d.waitFor.ahead && !stands(d);
