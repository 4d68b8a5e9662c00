import { DRY_AGAIN, type Method, STAND, type StepContext, type StepDraft, stepFrom, stepId } from '../method';
import { texts } from '../say';
import { milestoneOf } from '../system';
import type { Actuals } from './actuals';

/** Words put round those of a step. */
export const AGAIN = texts('again', {
  again: '{title}, again',
  touch:
    'Try it first, by touch at the edge and on the left-over cup; not firm: leave it, try again each hour. {detail}',
});

/** Where the sheet asks for a stand time, mixing is followed by it, and clocks that count from its end do so. */
export function withStand(drafts: readonly StepDraft[], method: Method, c: StepContext): readonly StepDraft[] {
  if (!milestoneOf(c.sheet, 'stand')) return drafts;
  return drafts.flatMap((d): StepDraft[] => {
    if (!d.marks?.end?.includes('mix-ends')) return [d];
    const batch = c.batches[d.batch!]!;
    return [
      { ...d, marks: { ...d.marks, end: d.marks.end.filter((m) => m !== 'stand-ends') } },
      { ...stepFrom(method, STAND, { ...c, batch }), block: d.block },
    ];
  });
}

/** Steps with the marks of trouble: lost batches get new steps, a wetted base is dried and checked again. */
export function withTrouble(
  drafts: readonly StepDraft[],
  method: Method,
  c: StepContext,
  actuals: Actuals,
): readonly StepDraft[] {
  const renamed = drafts.map((d) => {
    const times = d.batch !== undefined ? (actuals.redone.get(d.batch) ?? 0) : 0;
    if (!times || d.key.batch === null) return d;
    const key = { ...d.key, attempt: times + 1 };
    return { ...d, key, id: stepId(key), title: AGAIN.again({ title: d.title }) };
  });
  if (!actuals.preparedAgain.length) return renamed;
  const at = renamed.findIndex((d) => !actuals.done.has(d.id) && (d.stage === 'mix' || d.stage === 'place'));
  if (at < 0) return renamed;
  const again = actuals.preparedAgain.map(
    (_, i): StepDraft => ({
      ...stepFrom(method, DRY_AGAIN, { ...c, batch: null }, { task: 'prep:dry', batch: null, attempt: i + 2 }),
      block: renamed[at]!.block,
    }),
  );
  return [...renamed.slice(0, at), ...again, ...renamed.slice(at)];
}
