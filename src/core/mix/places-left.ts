import { studentBelow } from './student';

/** From so many places on their differences tell how likely it is. */
const ENOUGH = 3;

/** What the places done so far say of those to come. */
export interface PlacesLeft {
  /** What one place takes by those done: the last of two or fewer, the median of more, g. */
  readonly eachG: number;
  /** How many places that rests on. */
  readonly of: number;
  /** Left of what was opened, g. */
  readonly leftG: number;
  /** Places still to be done. */
  readonly places: number;
  /** What each of them may take for it to last, g. */
  readonly breakEvenG: number;
  /** What they take by that estimate, g. */
  readonly needsG: number;
  /** The first place that is not done with what is left, counted from 1 over all; null where it lasts. */
  readonly lacksAt: number | null;
  /** What that place lacks, g; 0 where it lasts. */
  readonly lacksG: number;
  /**
   * How likely what is left falls short, by how much the places done differ, 0 to 1; null while they are too few to
   * tell.
   */
  readonly shortOdds: number | null;
}

/**
 * How likely so many further places take more than is left, where each takes what it takes as those done did: Student’s
 * t of the sum of what is to come (normal, mean and spread unknown).
 */
function oddsOfShort(took: readonly number[], places: number, leftG: number): number | null {
  const n = took.length;
  if (n < ENOUGH) return null;
  const mean = took.reduce((sum, g) => sum + g, 0) / n;
  const spread = Math.sqrt(took.reduce((sum, g) => sum + (g - mean) ** 2, 0) / (n - 1));
  const over = leftG - places * mean;
  if (!(spread > 0)) return over < 0 ? 1 : 0;
  return 1 - studentBelow(over / (spread * Math.sqrt(places + places ** 2 / n)), n - 1);
}

/**
 * Like places done one after the other out of the same kits: whether what is left lasts, by what they really took.
 * @param o.haveG what was opened, g; o.took what each place took in all, g, in order; o.count how many there are
 * @returns null before the first and after the last
 * @example placesLeft({ haveG: 2000, took: [312], count: 7 })!.breakEvenG // 281.3: 1688 g left for six
 */
export function placesLeft({
  haveG,
  took,
  count,
}: {
  readonly haveG: number;
  readonly took: readonly number[];
  readonly count: number;
}): PlacesLeft | null {
  const places = count - took.length;
  if (!took.length || places < 1) return null;
  const sorted = [...took].sort((a, b) => a - b);
  // Two are no middle: the later one was done by hands that knew it.
  const eachG = took.length < 3 ? took.at(-1)! : middle(sorted);
  const leftG = Math.max(0, haveG - took.reduce((sum, g) => sum + g, 0));
  const whole = Math.floor(leftG / eachG + 1e-9);
  const lasts = whole >= places;
  return {
    eachG,
    of: took.length,
    leftG,
    places,
    breakEvenG: leftG / places,
    needsG: places * eachG,
    lacksAt: lasts ? null : took.length + whole + 1,
    lacksG: lasts ? 0 : eachG - (leftG - whole * eachG),
    shortOdds: oddsOfShort(took, places, leftG),
  };
}

/** Median of sorted figures. */
function middle(sorted: readonly number[]): number {
  const at = sorted.length >> 1;
  return sorted.length % 2 ? sorted[at]! : (sorted[at - 1]! + sorted[at]!) / 2;
}
