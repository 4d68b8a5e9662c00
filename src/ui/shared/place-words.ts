import type { Point } from '@/core/void';
import { GAP, inPage, wordsBeside } from './label-place';

/** A dimension line on the page, and how long its words are, px. */
export interface Worded {
  readonly from: Point;
  readonly to: Point;
  readonly long: number;
}

/** Where the words of a line stand: the foot of their left end, middle or right end. */
export interface WordsAt {
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'middle' | 'end';
  /** A thin line leads to them from this height of their line; null where they stand right at it. */
  readonly leadY: number | null;
}

interface Page {
  /** Of the words, px. */
  readonly size: number;
  /** Middle of what is measured. */
  readonly middle: Point;
  /** Left and right edge of what the lines are drawn on, and the width that is free for words. */
  readonly ground: readonly [number, number];
  readonly width: number;
}

/** A level line shorter than this has its words beside it, px. */
const SHORT = 60;
/** A pixel off the page is worse than so many of words over words. */
const OFF_PAGE = 1e6;

type Box = readonly [x0: number, y0: number, x1: number, y1: number];

const startOf = ({ x, anchor }: WordsAt, long: number): number =>
  anchor === 'start' ? x : anchor === 'end' ? x - long : x - long / 2;

/** What words cover on the page. */
export function boxOf(at: WordsAt, long: number, size: number): Box {
  const x0 = startOf(at, long);
  return [x0, at.y - 0.8 * size, x0 + long, at.y + 0.25 * size];
}

const shared = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a[2], b[2]) - Math.max(a[0], b[0])) * Math.max(0, Math.min(a[3], b[3]) - Math.max(a[1], b[1]));

/** Where the words of a line may stand, the best first. */
function placesOf({ from: [ax, ay], to: [bx, by], long }: Worded, { size, middle, ground, width }: Page): WordsAt[] {
  const step = size + 3;
  if (Math.abs(bx - ax) >= Math.abs(by - ay)) {
    const over = { x: inPage((ax + bx) / 2, long, width), anchor: 'middle', leadY: null } as const;
    const [above, below] = [
      { ...over, y: Math.min(ay, by) - GAP },
      { ...over, y: Math.max(ay, by) + GAP + 0.8 * size },
    ];
    const [right, left] = [
      { x: Math.max(ax, bx) + 14, y: by + 4, anchor: 'start', leadY: null },
      { x: Math.min(ax, bx) - 14, y: by + 4, anchor: 'end', leadY: null },
    ] as const;
    // On the side that faces away from what is measured first.
    if (Math.abs(bx - ax) > SHORT) return ay > middle[1] ? [below, above, right, left] : [above, below, right, left];
    return bx < ax ? [left, right, above, below] : [right, left, above, below];
  }
  const half = (ay + by) / 2;
  const beside = (left: boolean): WordsAt[] => {
    const x = wordsBeside({ x: ax, left, long, ground, width });
    const at = { x, anchor: left ? 'end' : 'start', leadY: Math.abs(x - ax) > 2 * GAP ? half : null } as const;
    return [0, step, -step].map((off) => ({ ...at, y: half + 4 + off }));
  };
  const left = ax < middle[0];
  const over = { x: inPage(ax, long, width), y: Math.min(ay, by) - GAP, anchor: 'middle', leadY: null } as const;
  return [...beside(left), ...beside(!left), over];
}

/**
 * Places the words of dimension lines one after the other, each where it covers least of those before it and stays on
 * the page.
 */
export function placeWords(lines: readonly Worded[], page: Page): readonly WordsAt[] {
  const taken: Box[] = [];
  return lines.map((line) => {
    const cost = (at: WordsAt) => {
      const box = boxOf(at, line.long, page.size);
      const off = Math.max(0, -box[0]) + Math.max(0, box[2] - page.width);
      return taken.reduce((sum, other) => sum + shared(box, other), OFF_PAGE * off);
    };
    const places = placesOf(line, page);
    const least = Math.min(...places.map(cost));
    const at = places.find((p) => cost(p) <= least)!;
    taken.push(boxOf(at, line.long, page.size));
    return at;
  });
}
