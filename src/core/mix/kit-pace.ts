import type { Proportion } from '../system';
import { type Caps, capsOf } from './caps';
import type { Sharing } from './like-parts';
import type { MixAsk } from './mix-ask';
import { roundUp } from './whole-packs';

/**
 * Rate at which each kit of the work, or each lot, is placed in time where Grenko’s own is too slow, mL/min; null where
 * it is not.
 */
export function rateFor(pieces: readonly number[], ask: MixAsk, kitMl: number, placedMl: number): number | null {
  const most = ask.oneLot
    ? Math.max(...pieces)
    : Math.max(...pieces.map((ml) => ml / Math.ceil((ml + ask.sheet.potLossMl) / kitMl - 1e-9)));
  if (most <= placedMl * 1.0001) return null;
  // Steps are laid out in whole minutes: what is left is counted in those.
  const inMin = Math.max(Math.min(1, ask.usableMin), Math.floor(ask.usableMin));
  return roundUp(most / ask.crew / inMin);
}

/** So many whole kits go into one pot, one at least. */
export const kitsPerPot = ({ oneKitAPot }: MixAsk, { heldMl }: Caps, kitMl: number): number =>
  oneKitAPot ? 1 : Math.max(1, Math.floor(heldMl / kitMl + 1e-9));

/**
 * How what may turn out to be wanted is shared out over whole kits. A pace that nobody chose sends nobody for a further
 * kit where those that are opened hold it.
 * @param pieces what is placed of each portion, or part, as planned, mL
 * @param grown so many times as much may be wanted
 */
export function forDoubt(s: Sharing, proportion: Proportion, pieces: readonly number[], grown: number): Sharing {
  if (!s.whole || s.ask.rateChosen) return s;
  const wanted = pieces.map((ml) => ml * grown);
  const needs = rateFor(wanted, s.ask, s.kitMl, s.caps.placedMl);
  if (needs === null) return s;
  const ask = { ...s.ask, placingMlPerMin: needs };
  const caps = capsOf(ask, proportion, s.kitMl);
  const several = capsOf(ask, proportion, s.kitMl, true);
  return { ...s, ask, caps, several, kitsPerPot: kitsPerPot(ask, caps, s.kitMl) };
}
