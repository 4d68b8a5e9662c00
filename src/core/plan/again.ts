import { type StepDraft, stepId } from '../method';
import { type Message, texts } from '../say';
import type { PlannedStep } from './repair-plan';

/** Words put round those of a step. */
export const AGAIN = texts('again', {
  again: '{title}, again',
  places: '{title}: again, for {places} of {all}',
  rests: '{detail} {rests}',
  touch: 'Try it first, by touch at the edge and on its smear; not firm: leave it, try again each hour. {detail}',
});

/** A further attempt at a step. */
export const again = (d: StepDraft, attempt: number): StepDraft => {
  const key = { ...d.key, attempt };
  return { ...d, key, id: stepId(key), title: d.key.attempt > 1 ? d.title : AGAIN.again({ title: d.title }) };
};

/** The last step before a night at which wet work rests: it says how it is left, and is told by itself. */
export const leftOverNight = (last: PlannedStep, rests: Message): PlannedStep => ({
  ...last,
  detail: AGAIN.rests({ detail: last.detail, rests }),
  apart: true,
});
