/** A stretch of one of several places that are filled or laid one after the other, in shares of that place. */
export interface PartOfPlace {
  readonly place: number;
  readonly from: number;
  readonly to: number;
}

/** Less of a place than this is none: what is left of rounding, as a share of the whole. */
const LEAST = 1e-9;

/**
 * Where so much of the whole lies, when places of several sizes are worked one after the other.
 * @param sizes of the places in their order, in any unit of amount
 * @param from share of the whole at which it begins
 * @param to share of the whole at which it ends
 * @returns the stretches in their order, each of another place
 * @example courseOf([3, 1], 0.5, 1) // half of the whole: the last third of the first place, and all of the second
 */
export function courseOf(sizes: readonly number[], from: number, to: number): readonly PartOfPlace[] {
  const all = sizes.reduce((a, b) => a + b, 0);
  let begins = 0;
  return sizes.flatMap((size, place) => {
    const share = size / all;
    const [a, b] = [Math.max(from, begins), Math.min(to, begins + share)];
    const own = (at: number) => Math.min(1, Math.max(0, (at - begins) / share));
    const mine = b - a > LEAST ? [{ place, from: own(a), to: own(b) }] : [];
    begins += share;
    return mine;
  });
}
