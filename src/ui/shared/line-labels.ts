/** A line on a drawing, in pixels, from left to right. */
export type PxLine = readonly (readonly [x: number, y: number])[];

/** A word that belongs to a line and stands just over or under it. */
export interface LineLabel {
  readonly name: string;
  readonly line: PxLine;
  /** Width of the word, px. */
  readonly width: number;
}

/** Where a word stands: the left end of its foot. */
export interface Placed {
  readonly name: string;
  readonly x: number;
  readonly y: number;
}

/** Height of a word, and how far its foot stands off its line, px. */
const HIGH = 11;
const OFF = 4;
/** More room than that is no better, px. */
const ROOM_PX = 14;
/** Places that are tried along a line. */
const TRIES = 24;

/** Height of a line at a place, its points in order from left to right; null where it does not reach. */
export function yAt(line: PxLine, x: number): number | null {
  let [low, high] = [0, line.length - 1];
  if (high < 1 || x < line[0]![0] || x > line[high]![0]) return null;
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if (line[mid]![0] <= x) low = mid;
    else high = mid;
  }
  const [[x0, y0], [x1, y1]] = [line[low]!, line[high]!];
  return x1 === x0 ? y0 : y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
}

/** Points across a word at which lines are looked at. */
const LOOKS = 6;

/** Heights of all lines across a word, wherever it stands over them. */
function heightsUnder(lines: readonly PxLine[], left: number, width: number): readonly number[] {
  const out: number[] = [];
  for (const line of lines)
    for (let k = 0; k <= LOOKS; k++) {
      const y = yAt(line, left + (width * k) / LOOKS);
      if (y !== null) out.push(y);
    }
  return out;
}

/** How far the box of a word lies from the nearest line; 0 where one crosses it, and never more than `most`. */
function clearance(heights: readonly number[], top: number, most: number): number {
  let least = most;
  for (const y of heights) least = Math.min(least, y < top ? top - y : y > top + HIGH ? y - (top + HIGH) : 0);
  return least;
}

/**
 * Puts words beside their lines, where they lie clear of every line and of each other: over the line or under it, where
 * most room is, and far from other words.
 * @param box within which they stand
 * @param lines everything that must not be crossed, the lines of the words among it
 */
export function placeLabels(
  labels: readonly LineLabel[],
  lines: readonly PxLine[],
  box: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number },
): readonly Placed[] {
  const taken: { left: number; right: number; top: number }[] = [];
  return labels.flatMap(({ name, line, width }): Placed[] => {
    let best: { score: number; x: number; foot: number } | null = null;
    for (let i = 0; i < TRIES; i++) {
      const x = box.left + 8 + ((box.right - box.left - width - 16) * (i + 0.5)) / TRIES;
      const ends = [yAt(line, x), yAt(line, x + width / 2), yAt(line, x + width)];
      if (ends.some((y) => y === null)) continue;
      const crowd = Math.min(...taken.map((t) => Math.abs((t.left + t.right) / 2 - (x + width / 2))), 200) / 100;
      // With all the room there could be it would still be no better: its lines need not be looked at.
      if (best && ROOM_PX + crowd <= best.score + 1e-9) continue;
      const heights = heightsUnder(lines, x, width);
      for (const foot of [Math.min(...(ends as number[])) - OFF, Math.max(...(ends as number[])) + OFF + HIGH - 2]) {
        const top = foot - HIGH + 2;
        if (top < box.top || foot > box.bottom) continue;
        if (taken.some((t) => x < t.right + 14 && x + width > t.left - 14 && Math.abs(top - t.top) < HIGH + 3))
          continue;
        const room = clearance(heights, top, ROOM_PX);
        const score = room + crowd;
        if (!best || score > best.score + 1e-9) best = { score, x, foot };
      }
    }
    if (!best) return [];
    taken.push({ left: best.x, right: best.x + width, top: best.foot - HIGH + 2 });
    return [{ name, x: best.x, y: best.foot }];
  });
}
