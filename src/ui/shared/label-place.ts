/** Between a line and its words, px. */
export const GAP = 9;
/** A letter of the figures is so wide, of its size. */
export const LETTER = 0.6;

/**
 * Where the words of an upright line begin, or end where they stand at its left: beside it, or beyond the edge of what
 * it is drawn on where they would lie across that edge and the page has room for them there.
 * @returns px of the page
 * @example wordsBeside({ x: 100, left: false, long: 80, ground: [0, 150], width: 300 }) // 159
 */
export function wordsBeside({
  x,
  left,
  long,
  ground: [from, to],
  width,
}: {
  readonly x: number;
  readonly left: boolean;
  /** How long the words are, px. */
  readonly long: number;
  /** Left and right edge of what the line is drawn on. */
  readonly ground: readonly [number, number];
  readonly width: number;
}): number {
  const at = left ? x - GAP : x + GAP;
  const crosses = left ? at > from && at - long < from : at < to && at + long > to;
  const beyond = left ? from - GAP : to + GAP;
  const fits = left ? beyond - long > 0 : beyond + long < width;
  return crosses && fits ? beyond : at;
}

/**
 * The middle of words so long that they stay on a page so wide, as near as can be to where they were wanted.
 * @example inPage(20, 80, 300) // 42
 */
export const inPage = (x: number, long: number, width: number): number =>
  Math.max(2 + long / 2, Math.min(width - 2 - long / 2, x));
