import {
  answerOnRecord,
  type Method,
  partsIn,
  type Role,
  STAND,
  type Stage,
  type StepContext,
  type StepDraft,
  stepFrom,
  stepId,
  TROUBLES,
} from '../method';
import { milestoneOf } from '../system';
import { placesIn } from '../void';
import { type Actuals, closedBeforeAnew, holdsAgain } from './actuals';
import { AGAIN, again } from './again';
import { afterFaces, facedAgain, onceSet, primersAgain } from './spoiled-face';

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

/** What is done again, by how far back a trouble goes. */
const AGAIN_BACK_TO: Readonly<Record<Actuals['doneAgain'][number]['what'], ReadonlySet<Stage> | null>> = {
  pass: null,
  placed: new Set<Stage>(['hold', 'finish', 'release']),
  finish: new Set<Stage>(['finish', 'release']),
};

/** Which attempt at a step stands now: a lost batch, a pass or a surface begun anew each make it one more. */
function attemptAt(d: StepDraft, actuals: Actuals): number {
  const { redone, doneAgain, done, begun } = actuals;
  let attempt = 1 + (d.key.batch === null ? 0 : (redone.get(d.key.batch) ?? 0));
  for (const { what, atMs } of doneAgain) {
    const back = AGAIN_BACK_TO[what === 'placed' && !holdsAgain(actuals) ? 'finish' : what];
    // What holds one batch or one part goes by that.
    const apart = d.stage === 'hold' && what === 'placed' && (d.batch !== undefined || d.part !== undefined);
    if (apart || (back && !back.has(d.stage))) continue;
    const id = stepId({ ...d.key, attempt });
    const last = done.get(id) ?? begun.get(id);
    if (last !== undefined && last <= atMs) attempt++;
  }
  return attempt;
}

/** A step as the attempt at it that stands now. */
export function attempted(d: StepDraft, actuals: Actuals): StepDraft {
  const attempt = attemptAt(d, actuals);
  return attempt === 1 ? d : again(d, attempt);
}

/**
 * Where all pots are set out beforehand, what was set out for those still to be mixed is not what they are after one of
 * them was lost: they are set out again, right before the next of them.
 */
function withPotsSetOut(
  renamed: readonly StepDraft[],
  method: Method,
  c: StepContext,
  { done, troubles }: Actuals,
): readonly StepDraft[] {
  const first = renamed.find((d) => d.role === 'mix' && d.key.batch === null && d.key.attempt === 1);
  const row = first && method.tasks.find((t) => t.task === first.key.task);
  const setOutMs = first && done.get(first.id);
  // A table laid out for all of them serves on; what was weighed for each of them does not.
  if (!first || !row?.work.per?.batch || setOutMs === undefined) return renamed;
  const lost = troubles.filter(({ id, sign, atMs }) => {
    const known = TROUBLES.find((t) => t.id === id);
    return atMs >= setOutMs && known && answerOnRecord(known, sign)?.effect === 'redo-batch';
  });
  const open = new Set(
    renamed.flatMap((d) => (d.marks?.begin?.includes('mix-begins') && !done.has(d.id) ? [d.batch!] : [])),
  );
  const at = renamed.findIndex((d) => d.batch !== undefined && open.has(d.batch) && !done.has(d.id));
  if (at < 0) return renamed;
  const batches = c.batches.filter((b) => open.has(b.index));
  const again = lost.flatMap((_, i): StepDraft[] => {
    // Not a further attempt at the first: that one comes where all of the pass is done again.
    const key = { ...first.key, task: `${first.key.task}:anew`, attempt: i + 1 };
    const d = stepFrom(method, row, { ...c, batches, batch: null }, key);
    // What was never set out between two losses is set out once.
    return done.has(d.id) || i === lost.length - 1
      ? [{ ...d, block: renamed[at]!.block, title: AGAIN.again({ title: d.title }) }]
      : [];
  });
  return [...renamed.slice(0, at), ...again, ...renamed.slice(at)];
}

/** What is done to a place before anything is mixed for it. */
const BEFORE_MIXING: ReadonlySet<Role> = new Set<Role>(['set-out', 'prepare', 'prime']);

/** Some of many like places are made anew: what was done to all is done again to those, right before their mix. */
function withPlacesAgain(
  steps: readonly StepDraft[],
  drafts: readonly StepDraft[],
  c: StepContext,
  { placesAgain, remade, topUpsMl }: Actuals,
): readonly StepDraft[] {
  return [...placesAgain].reduce((now, [topUp, places]) => {
    const batch = c.batches.length - topUpsMl.length + topUp;
    const at = now.findIndex((d) => d.batch === batch);
    if (at < 0) return now;
    const all = remade.has(topUp) ? partsIn(c) : placesIn(c.void);
    const share = Math.min(1, places / all);
    const again = drafts
      .filter((d) => d.key.batch === null && !d.ahead && BEFORE_MIXING.has(d.role))
      .filter((d) => d.part === undefined || d.part === remade.get(topUp))
      .map((d): StepDraft => {
        const key = { ...d.key, task: `${d.key.task}:places`, attempt: topUp + 1 };
        const { counted, sharedMin = 0, ...rest } = d;
        const ofPart = d.part !== undefined;
        // What all hands did at many places is done at few by as many as have one each.
        const shared = (sharedMin * share * Math.min(c.crew, all)) / Math.min(c.crew, places);
        return {
          ...rest,
          key,
          id: stepId(key),
          title: ofPart ? AGAIN.again({ title: d.title }) : AGAIN.places({ title: d.title, places, all }),
          handsOnMin: ofPart ? d.handsOnMin : (d.handsOnMin - sharedMin) * share + shared,
          ...(shared > 0 && !ofPart ? { sharedMin: shared } : {}),
          ...(counted !== undefined && places > 1 ? { counted: places } : {}),
          block: now[at]!.block,
        };
      });
    return [...now.slice(0, at), ...again, ...now.slice(at)];
  }, steps);
}

/** A part that was taken off to be made anew has nothing more placed or closed out of the pots before. */
function withoutTakenOff(steps: readonly StepDraft[], c: StepContext, actuals: Actuals): readonly StepDraft[] {
  const { remade, topUpsMl, done } = actuals;
  if (!remade.size || closedBeforeAnew(actuals)) return steps;
  const first = c.batches.length - topUpsMl.length;
  const isOff = (d: StepDraft) =>
    d.batch !== undefined && [...remade].some(([topUp, part]) => part === d.part && d.batch! < first + topUp);
  return steps.filter((d) => d.stage !== 'place' || done.has(d.id) || !isOff(d));
}

/** Steps with the marks of trouble: what was lost gets new steps, a spoiled face is made good again. */
export function withTrouble(
  drafts: readonly StepDraft[],
  method: Method,
  c: StepContext,
  actuals: Actuals,
): readonly StepDraft[] {
  const attempts = primersAgain(
    drafts.map((d) => attempted(d, actuals)),
    actuals,
  );
  const placesAgain = withPlacesAgain(withPotsSetOut(attempts, method, c, actuals), attempts, c, actuals);
  const renamed = onceSet(withoutTakenOff(placesAgain, c, actuals), method, c, actuals);
  if (!actuals.preparedAgain.length) return renamed;
  const at = renamed.findIndex((d) => !actuals.done.has(d.id) && (d.stage === 'mix' || d.stage === 'place'));
  // Nothing is dried for looking at vents: more must go on that face. Earlier versions asked no such thing.
  const more = renamed.slice(Math.max(0, at)).some((d) => !actuals.done.has(d.id) && d.marks?.end?.includes('placed'));
  if (at < 0 || (!more && actuals.preparedAgain.every((f) => f.face))) return renamed;
  const { block } = renamed[at]!;
  const faces = facedAgain(renamed, method, c, { actuals, first: drafts }).map((d) => ({ ...d, block }));
  return [...renamed.slice(0, at), ...faces, ...afterFaces(renamed.slice(at), faces)];
}
