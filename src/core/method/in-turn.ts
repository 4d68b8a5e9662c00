import { RENEWS_FACE } from './any';
import { plannedMin, type StepDraft, stepId } from './task';

/** What a face counts from once it is prepared, by what would prepare it again. */
const PREPARED = new Set(Object.values(RENEWS_FACE).flatMap((row) => row?.marks?.end ?? []));
/** A face that must be gone on with before it has stood too long. */
const goesOn = (d: StepDraft): boolean => d.within?.by === 'begin' && RENEWS_FACE[d.within.kind] !== undefined;
/** The same of one of several parts. */
const presses = (d: StepDraft): boolean => d.part !== undefined && goesOn(d);

/**
 * A face that is bared and what goes on it as one piece of work: where the day ends before it is bonded, it is bared in
 * the morning. What comes before the first is bared stays apart.
 *
 * @example inOneGo([fit, bare, wipe, mix, spread]) // all but `fit` in the block of `spread`
 */
export function inOneGo(drafts: readonly StepDraft[]): readonly StepDraft[] {
  const bares = drafts.findIndex((d) => d.marks?.end?.some((mark) => PREPARED.has(mark)));
  const goes = drafts.findIndex((d, i) => i > bares && goesOn(d));
  if (bares < 0 || goes < 0) return drafts;
  const { block } = drafts[goes]!;
  return drafts.map((d, i) => (i >= bares && i < goes && d.block !== block ? ofOnePiece(d, block) : d));
}

/** A step in the block of what follows it at once: there is no rest before it. */
function ofOnePiece(d: StepDraft, block: string): StepDraft {
  const { afterRest: _, ...rest } = d;
  return { ...rest, block };
}

/**
 * Faces of like parts prepared in turn, those of each pot right before it, where all of them prepared at first would
 * stand too long: nobody grinds five plates in a row to grind them all once more.
 * @param lifeMin how long a prepared face stays good, min
 * @param wipedOnce the last wipe is of the first turn alone
 * @example inTurn([bare 1, bare 2, mix 1, spread 1, mix 2, spread 2], 60) // [bare 1, mix 1, spread 1, bare 2, mix 2, spread 2]
 */
export function inTurn(drafts: readonly StepDraft[], lifeMin: number, wipedOnce = false): readonly StepDraft[] {
  const bares = drafts.filter((d) => d.role === 'prepare' && d.part !== undefined && d.batch === undefined);
  const ends = new Map<number, number>();
  let min = 0;
  let stale = false;
  for (const d of drafts) {
    if (presses(d) && min - (ends.get(d.part!) ?? min) > lifeMin) stale = true;
    min += plannedMin(d);
    if (bares.includes(d)) ends.set(d.part!, min);
  }
  if (!stale) return drafts;
  /** Number of the first batch that a part is placed from. */
  const batchOf = new Map<number, number>();
  for (const d of drafts)
    if (presses(d) && d.batch !== undefined && !batchOf.has(d.part!)) batchOf.set(d.part!, d.batch);
  const first = Math.min(...batchOf.values());
  // What is done to all of them once they are bare, the last wipe, is done to those of each turn.
  const firstBatch = drafts.findIndex((d) => d.batch !== undefined);
  const wipes = (wipedOnce ? [] : drafts)
    .slice(drafts.indexOf(bares.at(-1)!) + 1, firstBatch)
    .filter((d) => d.role === 'prepare' && d.part === undefined);
  const wipesOf = (batch: number): readonly StepDraft[] =>
    wipes.map((d) => {
      const key = { ...d.key, batch };
      return { ...d, key, id: stepId(key) };
    });
  const later = (d: StepDraft) => bares.includes(d) && (batchOf.get(d.part!) ?? first) > first;
  const begun = new Set<number>();
  // A turn is one piece of work: nobody bares in the evening what is wetted in the morning.
  let turn: { readonly of: string; readonly block: string } | null = null;
  return drafts
    .filter((d) => !later(d))
    .flatMap((d) => {
      let mine: readonly StepDraft[] = [];
      if (d.batch !== undefined && !begun.has(d.batch)) {
        begun.add(d.batch);
        mine = bares.filter((b) => later(b) && batchOf.get(b.part!) === d.batch);
        if (mine.length) mine = [...mine, ...wipesOf(d.batch)];
        if (mine.length) turn = { of: d.block, block: `${d.block}:${d.batch + 1}` };
      }
      const { of, block } = turn ?? { of: '', block: '' };
      const turned = d.block === of ? { ...d, block } : d;
      const [bared, ...others] = mine;
      if (!bared) return [turned];
      // The work may rest before a turn, and never between what is bared and what goes on it.
      const { afterRest } = d;
      const before = ofOnePiece(bared, block);
      return [
        afterRest ? { ...before, afterRest } : before,
        ...others.map((b) => ofOnePiece(b, block)),
        ofOnePiece(turned, turned.block),
      ];
    });
}
