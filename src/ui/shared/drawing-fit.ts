import type { DimensionLine, Drawing as Plan } from '@/core/void';
import { decimals } from '@/words';
import { GAP, LETTER } from './label-place';

/** How millimetres lie on the page. */
export interface Fit {
  readonly k: number;
  readonly ox: number;
  readonly oy: number;
}

/** What is kept free round a drawing, px. */
export interface Margins {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

export const PAD: Margins = { left: 34, right: 30, top: 54, bottom: 30 };
const BARE_PAD: Margins = { left: 12, right: 12, top: 12, bottom: 10 };
const SMALL_PAD: Margins = { left: 14, right: 14, top: 26, bottom: 26 };

const RATIOS = [
  1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100, 120, 150, 200, 250, 500, 1000,
];
/** The drawing scale as people write it: 1 : 5, at 96 dots to the inch. */
export function scaleName(pxPerMm: number): string {
  const ratio = 96 / 25.4 / pxPerMm;
  if (ratio < 1) return `${decimals(1 / ratio, 1)} : 1`;
  return `1 : ${ratio < 10 ? decimals(ratio, 1) : String(RATIOS.findLast((n) => n <= ratio) ?? Math.round(ratio))}`;
}

/** A page this low has no room between its title and its lower dimension, px. */
const LOWEST = 210;

/**
 * The page of a drawing in a frame of so many px: its words stay as large as elsewhere whatever the frame, and only in
 * one too low for title and dimensions they shrink with it.
 */
export function pageIn(frame: { readonly width: number; readonly height: number }): {
  readonly width: number;
  readonly height: number;
} {
  const shrunk = Math.max(1, LOWEST / frame.height);
  return { width: frame.width * shrunk, height: frame.height * shrunk };
}

/** The fit of a drawing on a page, in its middle. */
export function fitOf(drawing: Plan, width: number, height: number, pad: Margins): Fit {
  const all = [...drawing.outlines.flatMap((o) => o.points), ...drawing.dimensions.flatMap((d) => [d.from, d.to])];
  let [x0, y0, x1, y1] = [
    Number.POSITIVE_INFINITY,
    Number.POSITIVE_INFINITY,
    Number.NEGATIVE_INFINITY,
    Number.NEGATIVE_INFINITY,
  ];
  for (const [x, y] of all) {
    x0 = Math.min(x0, x);
    x1 = Math.max(x1, x);
    y0 = Math.min(y0, y);
    y1 = Math.max(y1, y);
  }
  const k = Math.min(
    (width - pad.left - pad.right) / Math.max(x1 - x0, 1e-6),
    (height - pad.top - pad.bottom) / Math.max(y1 - y0, 1e-6),
  );
  return {
    k,
    ox: pad.left + (width - pad.left - pad.right - (x1 - x0) * k) / 2 - x0 * k,
    oy: pad.top + (height - pad.top - pad.bottom - (y1 - y0) * k) / 2 - y0 * k,
  };
}

/** Sizes of the words of a dimension, px. */
export const WORD_PX = { small: 11, full: 13 } as const;
/** Letters of a figure with its unit, where nothing is measured yet. */
const FIGURE_LETTERS = 8;
/** Room for what is written beside an outline or a reading, px. */
const LABELS = 90;

/**
 * Margins round a drawing, px: what its upright dimensions say has room beside it.
 * @param o.free kept free at the right; o.passes for the names of what lies there; o.says the words of a dimension
 */
export function marginsOf(
  { outlines, dimensions, next }: Plan,
  o: {
    readonly small?: boolean;
    readonly bare?: boolean;
    readonly free: number;
    readonly passes: Pick<Margins, 'left' | 'top'>;
    readonly says?: (line: DimensionLine) => string;
  },
): Margins {
  if (o.bare) return BARE_PAD;
  const xs = (of: typeof outlines) => of.flatMap(({ points }) => points.map((p) => p[0]));
  const upright = dimensions.filter((d) => d.from[0] === d.to[0]);
  const across = xs(outlines.filter(({ role }) => role === 'void'));
  const px = (o.small ? WORD_PX.small : WORD_PX.full) * LETTER;
  const wordsOf = (lines: readonly DimensionLine[]) => {
    const long = lines.map((d) => o.says?.(d).length ?? d.label.length + 1 + FIGURE_LETTERS);
    return lines.length ? Math.max(...long) * px + GAP : 0;
  };
  // Beside what is measured, at either side, they carry their words further out.
  const left = wordsOf(upright.filter((d) => d.from[0] < Math.min(...across)));
  const right = wordsOf(upright.filter((d) => d.from[0] >= Math.max(...across)));
  if (o.small) return { ...SMALL_PAD, left: SMALL_PAD.left + left, right: SMALL_PAD.right + right };
  const named = outlines.some((line) => line.label && line.role !== 'already' && line.role !== 'later');
  return {
    left: PAD.left + Math.max(left, o.passes.left),
    right: o.free + Math.max(PAD.right, right + EDGE, next || named ? LABELS : 0),
    top: PAD.top + o.passes.top,
    bottom: PAD.bottom,
  };
}

/** From the words at the right to the edge of the page, px. */
const EDGE = 10;
