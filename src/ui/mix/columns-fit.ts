/** What is written at the columns of a batch, by where it stands. */
export interface ColumnWords {
  /** Beside each part: its figure, and what stands under it. */
  readonly figures: readonly string[];
  readonly unders: readonly string[];
  /** Beside the mix, where nothing more follows. */
  readonly mix: { readonly figure: string; readonly unders: readonly string[] };
}

/** How the columns stand in their frame and how large their words are, px. */
export interface ColumnsFit {
  /** From one column to the next. */
  readonly slot: number;
  readonly column: number;
  /** How far the mark of a level reaches out of its column, and from where on there are words. */
  readonly out: number;
  readonly gap: number;
  readonly figure: number;
  readonly under: number;
  readonly name: number;
  /** Free for words beside a column of a part, and beside the mix. */
  readonly room: number;
  readonly mixRoom: number;
}

/** Sizes of the figure, of what stands under it and of a name, by the number of parts: the more, the less room. */
const TYPE = [
  { upTo: 2, figure: 23, under: 13, name: 15 },
  { upTo: 3, figure: 17.5, under: 13, name: 15 },
  { upTo: 6, figure: 16, under: 12, name: 13 },
  { upTo: 6, figure: 14, under: 12, name: 13 },
  { upTo: 6, figure: 12, under: 11, name: 12 },
] as const;
/** Columns give way to their words by so much before the words get smaller. */
const NARROWED = [1, 0.85, 0.7, 0.55, 0.4];

/** A letter of a figure is so wide, em. */
const LETTER = 0.61;
export const wordsPx = (text: string, size: number): number => text.length * size * LETTER;

/** The first column stands so far in; the mix has its words so far off. */
export const COLUMNS_FROM = 26;
export const MIX_GAP = 16;

/**
 * Columns of a batch in a frame, and the largest words that lie under no column and are not cut at the edge; the
 * smallest there are where nothing fits.
 * @param width of the frame, px
 */
export function columnsIn(width: number, { figures, unders, mix }: ColumnWords): ColumnsFit {
  const parts = figures.length;
  const slot = width / (parts + 1.25);
  const widest = Math.min(104, slot * 0.42);
  // Three columns and more stand close: what reaches out of one keeps clear of the figures beside the last.
  const [out, gap] = parts > 2 ? [5, 12] : [11, 18];
  const most = (texts: readonly string[], size: number) => Math.max(0, ...texts.map((t) => wordsPx(t, size)));
  const ways = TYPE.filter((t) => parts <= t.upTo).flatMap(({ figure, under, name }) =>
    NARROWED.map((by): ColumnsFit => {
      const column = widest * by;
      const room = slot - column - gap - out;
      const mixRoom = width - COLUMNS_FROM - parts * slot - column - MIX_GAP;
      return { slot, column, out, gap, figure, under, name, room, mixRoom };
    }),
  );
  const fits = (w: ColumnsFit) =>
    Math.max(most(figures, w.figure), most(unders, w.under)) <= w.room &&
    Math.max(most([mix.figure], w.figure), most(mix.unders, w.under)) <= w.mixRoom;
  return ways.find(fits) ?? ways.at(-1)!;
}

/** What stands under a figure: a word and its amount in one line where it has room, else in two. */
export const underLines = (
  words: readonly (readonly string[])[],
  { room, under }: Pick<ColumnsFit, 'room' | 'under'>,
): readonly string[] =>
  words.flatMap((pieces) => (wordsPx(pieces.join(' '), under) <= room ? [pieces.join(' ')] : pieces));
