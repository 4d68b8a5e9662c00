import { RENEWS_FACE } from './any';
import { plannedMin, type StepDraft } from './task';

/** A face that must be gone on with before it has stood too long. */
const presses = (d: StepDraft): boolean =>
  d.part !== undefined && d.within?.by === 'begin' && RENEWS_FACE[d.within.kind] !== undefined;

/**
 * Faces of like parts prepared in turn, those of each pot right before it, where all of them prepared at first would
 * stand too long: nobody grinds five plates in a row to grind them all once more.
 * @param lifeMin how long a prepared face stays good, min
 * @example inTurn([bare 1, bare 2, mix 1, spread 1, mix 2, spread 2], 60) // [bare 1, mix 1, spread 1, bare 2, mix 2, spread 2]
 */
export function inTurn(drafts: readonly StepDraft[], lifeMin: number): readonly StepDraft[] {
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
  const later = (d: StepDraft) => bares.includes(d) && (batchOf.get(d.part!) ?? first) > first;
  const begun = new Set<number>();
  return drafts
    .filter((d) => !later(d))
    .flatMap((d) => {
      if (d.batch === undefined || begun.has(d.batch)) return [d];
      begun.add(d.batch);
      const mine = bares.filter((b) => later(b) && batchOf.get(b.part!) === d.batch);
      return [...mine.map((b) => ({ ...b, block: `${b.block}:${d.batch! + 1}` })), d];
    });
}
