import { isThread, type SizeId } from '../void';

/** A size told in a cell with others: which it is, and what is written of it with its unit, where it has one. */
export interface SizeInCell {
  readonly size: SizeId;
  readonly text: string;
}

const BY = /\s*(?:[x×*]|\bby\b|\bmal\b|\bauf\b)\s*/i;
const ROUND = /^(?:[øØ⌀]|dia\.?(?:meter)?\b)\s*/i;
const UNIT_BEHIND = /[\d½¼¾]\s*(mm|cm|m|in|ft|["'″′])\.?$/i;

/** Letters of a heading, `L × W × D`, and the size each stands for. */
const LETTERS: Readonly<Record<string, SizeId>> = {
  l: 'length',
  w: 'width',
  b: 'width',
  d: 'depth',
  h: 'depth',
  t: 'depth',
};
const ORDER = /\b([lwbdht])\b\W+([lwbdht])\b(?:\W+([lwbdht])\b)?/i;
/** The order in which they are usually written. */
const USUAL: readonly SizeId[] = ['length', 'width', 'depth'];

/** The order that a heading gives; null where it gives none. */
function orderIn(heading: string): readonly SizeId[] | null {
  const letters = ORDER.exec(heading.replace(/[x×*]/gi, ' '))?.slice(1).filter(Boolean);
  const sizes = letters?.map((letter) => LETTERS[letter.toLowerCase()]!) ?? [];
  return sizes.length && new Set(sizes).size === sizes.length ? sizes : null;
}

/**
 * The sizes in one cell: `900 × 640 × 62 mm` by length, width and depth or in the order of its heading, `Ø100 × 150` by
 * diameter and depth, `M16 × 130` by rod and embedment. A unit said once, behind the last, is that of them all.
 * @returns null where one figure alone does not say which size it is, or there are more than three
 * @example sizesInCell('900 x 640 x 62 mm', 'Size') // length 900 mm, width 640 mm, depth 62 mm
 */
export function sizesInCell(cell: string, heading: string): readonly SizeInCell[] | null {
  const pieces = cell.trim().split(BY).filter(Boolean);
  const unit = UNIT_BEHIND.exec(pieces.at(-1) ?? '')?.[1] ?? '';
  const texts = pieces.map((piece) => {
    const bare = piece.replace(ROUND, '').trim();
    return isThread({ text: bare }) || UNIT_BEHIND.test(bare) || !unit ? bare : `${bare} ${unit}`;
  });
  const first = pieces[0] ?? '';
  const order: readonly SizeId[] = ROUND.test(first)
    ? ['across', 'depth']
    : isThread({ text: first })
      ? ['rod', 'embedment']
      : pieces.length > 1
        ? (orderIn(heading) ?? USUAL)
        : [];
  return texts.length && texts.length <= order.length ? texts.map((text, i) => ({ size: order[i]!, text })) : null;
}
