import type { Proportion } from '../system';
import { type Before, type Caps, capsOf, type Piece, wholeMinutesLeft } from './caps';
import type { Sharing } from './like-parts';
import type { MixAsk } from './mix-ask';
import { roundUp } from './whole-packs';

/**
 * Rate at which each kit of the work, or each lot, is placed in time where Grenko’s own is too slow, mL/min; null where
 * it is not.
 */
export function rateFor(pieces: readonly Piece[], ask: MixAsk, kitMl: number): number | null {
  const late = pieces
    .map(({ ml, ...of }) => ({
      ...of,
      most: ask.oneLot ? ml : ml / Math.ceil((ml + ask.sheet.potLossMl) / kitMl - 1e-9),
    }))
    .filter(({ most, caps }) => most > caps.placedMl * 1.0001);
  if (!late.length) return null;
  return roundUp(
    Math.max(...late.map(({ most, before }) => most / ask.crew / wholeMinutesLeft(ask.usableMin, before, most))),
  );
}

/** So many whole kits go into one pot, one at least. */
export const kitsPerPot = ({ oneKitAPot }: MixAsk, { heldMl }: Caps, kitMl: number): number =>
  oneKitAPot ? 1 : Math.max(1, Math.floor(heldMl / kitMl + 1e-9));

/** What a portion is shared out by. */
export function sharingOf(
  ask: MixAsk,
  { proportion, kitMl, whole }: { readonly proportion: Proportion; readonly kitMl: number; readonly whole: boolean },
  before: Before | null,
): Sharing {
  const capped = (several: boolean) => capsOf(ask, proportion, whole ? kitMl : null, several, before);
  const caps = capped(false);
  return { ask, caps, several: capped(true), before, kitMl, kitsPerPot: kitsPerPot(ask, caps, kitMl), whole };
}

/**
 * How what may turn out to be wanted is shared out over whole kits. A pace that nobody chose sends nobody for a further
 * kit where those that are opened hold it.
 * @param all how each portion is shared out
 * @param pieces what is placed of each portion, or part, as planned
 * @param grown so many times as much may be wanted
 */
export function forDoubt(
  all: readonly Sharing[],
  proportion: Proportion,
  pieces: readonly Piece[],
  grown: number,
): readonly Sharing[] {
  const { ask, kitMl, whole } = all[0]!;
  if (!whole || ask.rateChosen) return all;
  const needs = rateFor(
    pieces.map((p) => ({ ...p, ml: p.ml * grown })),
    ask,
    kitMl,
  );
  if (needs === null) return all;
  const faster = { ...ask, placingMlPerMin: needs };
  return all.map((s) => sharingOf(faster, { proportion, kitMl, whole }, s.before));
}
