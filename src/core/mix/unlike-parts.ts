import { line, minutes, ml, texts, type WorkLine } from '../say';
import { type Apart, fromOnePot, furtherPacketsMin, type Pot, type Sharing, turnMin } from './like-parts';
import type { MixAsk, PartsAsk } from './mix-ask';

const WORK = texts('work.unlike', {
  unlike:
    'of {least} to {most}, in their order: as many in a row as are out of the pot in {left}, each closed {close}; the most of them',
});

/** Parts in a row, the first and the last of them, from 1. */
export type Row = readonly [from: number, to: number];

/** What each part takes of so much, mL, in their order. */
export const sizesMl = ({ count, shares }: PartsAsk, allMl: number): readonly number[] =>
  shares?.map((share) => share * allMl) ?? Array.from({ length: count }, () => allMl / count);

/** How much of all the parts of a row take, 0 to 1. */
export const shareOfRow = ({ count, shares }: PartsAsk, [from, to]: Row): number =>
  shares ? shares.slice(from - 1, to).reduce((sum, share) => sum + share, 0) : (to - from + 1) / count;

const sumOf = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);

/**
 * Whether no part of a row lies open too long where all of them are spread first: each lies from the beginning of its
 * own spread until those before it, and it, are closed.
 */
function closedInTime(spreadMin: readonly number[], { closeMin, openMin = null }: PartsAsk): boolean {
  if (openMin === null || spreadMin.length < 2) return true;
  const all = sumOf(spreadMin);
  let begins = 0;
  return spreadMin.every((min, k) => {
    const lies = all + (k + 1) * closeMin - begins;
    begins += min;
    return lies <= openMin + 1e-9;
  });
}

/**
 * Whether parts of such sizes, in their order, come out of one pot: the last out of it in time, all in it at once, none
 * open too long, and none bared so early that it has dulled when its turn comes.
 * @param first which part the first of them is, from 0
 */
export function outOfOnePot(sizes: readonly number[], s: Sharing, first = 0): boolean {
  const { ask, caps, kitMl, kitsPerPot, whole } = s;
  const { parts } = ask;
  if (!parts || sizes.length > (parts.most ?? sizes.length)) return false;
  const all = sumOf(sizes);
  const spreadMin = sizes.map((ml) => ml / (ask.placingMlPerMin * ask.crew));
  const closes = parts.spreadFirst ? 0 : (sizes.length - 1) * parts.closeMin;
  const usableMin = ask.usableMin - (ask.packetMin ? furtherPacketsMin(all, s) : 0);
  const holdsMl = whole ? kitsPerPot * kitMl : caps.heldMl;
  if (sumOf(spreadMin) + closes > usableMin + 1e-9 || all + ask.sheet.potLossMl > holdsMl + 1e-9) return false;
  if (parts.spreadFirst && !closedInTime(spreadMin, parts)) return false;
  return sizes.length < 2 || isFresh(sizes, ask, first);
}

/** Whether each is wetted while it is bare still: it stands while those behind it are bared, and those before it worked. */
function isFresh(sizes: readonly number[], ask: MixAsk, first: number): boolean {
  const faces = ask.parts?.faces;
  if (!faces) return true;
  const bare = sizes.map((_, k) => faces.bareEach?.[first + k] ?? faces.bareMin);
  let [behind, before] = [sumOf(bare), faces.untilMin];
  return sizes.every((ml, k) => {
    behind -= bare[k]!;
    const stands = behind + before;
    before += turnMin(ml, ask);
    return stands <= faces.keepsMin + 1e-9;
  });
}

/**
 * Parts of unlike size over as few pots as do, in their order, and those as even as they go.
 * @param sizes what each part takes, mL
 * @returns the row of each pot; a part that one pot is too little for has a row of its own
 */
export function rowsOf(sizes: readonly number[], s: Sharing): readonly Row[] {
  const fits = (from: number, to: number) => from === to || outOfOnePot(sizes.slice(from, to + 1), s, from);
  // The least pots for the parts up to each, and of those the least sum of squares: as even as they go.
  const best: { readonly pots: number; readonly squares: number; readonly from: number }[] = [];
  sizes.forEach((_, to) => {
    let mine = { pots: Number.POSITIVE_INFINITY, squares: 0, from: to };
    let all = 0;
    for (let from = to; from >= 0 && fits(from, to); from--) {
      all += sizes[from]!;
      const before = best[from - 1] ?? { pots: 0, squares: 0 };
      const [pots, squares] = [before.pots + 1, before.squares + all * all];
      if (pots < mine.pots || (pots === mine.pots && squares < mine.squares - 1e-9)) mine = { pots, squares, from };
    }
    best.push(mine);
  });
  const rows: Row[] = [];
  for (let to = sizes.length - 1; to >= 0; to = best[to]!.from - 1) rows.unshift([best[to]!.from + 1, to + 1]);
  return rows;
}

/** Parts of unlike size: in rows that one pot does, or where one pot is too little for one, out of several. */
export function unlikeParts(placed: number, extra: number, s: Sharing, apart: Apart): Pot[] {
  const { whole, kitMl, ask } = s;
  const parts = ask.parts!;
  const needs = sizesMl(parts, placed + extra);
  const inOne = outOfOnePot(needs, s);
  const here = inOne ? s : { ...s, caps: s.several };
  return (inOne ? [[1, parts.count] as const] : rowsOf(needs, here)).flatMap((fromTo) => {
    const share = shareOfRow(parts, fromTo);
    const needMl = share * (placed + extra);
    const row = needs.slice(fromTo[0] - 1, fromTo[1]);
    if (!outOfOnePot(row, here, fromTo[0] - 1)) return apart(needMl, share * placed, 0, fromTo);
    const kits = whole ? Math.ceil((needMl + ask.sheet.potLossMl) / kitMl - 1e-9) : null;
    return [{ portion: 0, placedMl: share * placed, kits, fromTo }];
  });
}

/** Why so many at most come out of one pot. */
export function unlikeLine(placed: number, s: Sharing): WorkLine {
  const parts = s.ask.parts!;
  const sizes = sizesMl(parts, placed);
  const rows: readonly Row[] = outOfOnePot(sizes, s) ? [[1, parts.count]] : rowsOf(sizes, { ...s, caps: s.several });
  return line(
    fromOnePot(parts.called),
    WORK.unlike({
      least: ml(Math.min(...sizes)),
      most: ml(Math.max(...sizes)),
      close: minutes(parts.closeMin),
      left: minutes(s.ask.usableMin),
    }),
    Math.max(...rows.map(([from, to]) => to - from + 1)),
  );
}
