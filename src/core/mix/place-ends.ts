import type { PartOfPlace } from '../void';
import { courseOf } from '../void';
import type { Batch, Portion } from './mix-ask';

/** So much more often is mixed so that no mix is begun at one place and ended at another, as a share of the fewest. */
const MORE_OFTEN = 1.5;
const EPS = 1e-9;

/**
 * Batches that end where places do: each place out of one mix, or, where that is too much for one, out of a row of like
 * ones. Of as few as that takes, as even as they go.
 * @param places what each place takes, as shares of all, in the order of work
 * @param most the share that one batch may be
 * @param fewest the number of batches that would do if they ended anywhere
 * @returns the shares of the batches; null where places would have it mixed too often
 * @example endingAtPlaces([0.5, 0.2, 0.3], 0.6, 2) // [0.5, 0.5]
 */
export function endingAtPlaces(places: readonly number[], most: number, fewest: number): readonly number[] | null {
  if (!(most > 0)) return null;
  const pieces = places.flatMap((place) => {
    const n = Math.ceil(place / most - EPS);
    return Array.from({ length: n }, () => place / n);
  });
  const within = (bound: number): number[] => {
    const out: number[] = [];
    for (const piece of pieces) {
      if (out.length && out.at(-1)! + piece <= bound + EPS) out[out.length - 1]! += piece;
      else out.push(piece);
    }
    return out;
  };
  const all = within(most).length;
  if (all > Math.max(fewest, Math.floor(MORE_OFTEN * fewest))) return null;
  // As even as they go: the least bound that as many batches do for is the sum of some row of pieces.
  const sums = pieces.flatMap((_, i) => {
    let sum = 0;
    return pieces.slice(i).map((piece) => {
      sum += piece;
      return sum;
    });
  });
  const bounds = sums.filter((sum) => sum <= most + EPS).sort((a, b) => a - b);
  let [low, high] = [0, bounds.length - 1];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (within(bounds[mid]!).length <= all && bounds[mid]! + EPS >= Math.max(...pieces)) high = mid;
    else low = mid + 1;
  }
  return within(bounds[low]!);
}

/** Each batch with the places it is for, where its portion is of several: it goes on where the one before it ended. */
export function withCovers(batches: readonly Batch[], portions: readonly Portion[]): readonly Batch[] {
  return batches.map((batch) => {
    const { places } = portions[batch.portion]!;
    if (!places || places.length < 2 || batch.fromTo) return batch;
    const mine = batches.filter((b) => b.portion === batch.portion);
    const all = mine.reduce((sum, b) => sum + b.placedMl, 0);
    if (!(all > 0)) return batch;
    const before = mine.slice(0, mine.indexOf(batch)).reduce((sum, b) => sum + b.placedMl, 0);
    const covers: readonly PartOfPlace[] = courseOf(places, before / all, (before + batch.placedMl) / all);
    return { ...batch, covers };
  });
}
