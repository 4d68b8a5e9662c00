import { comesInBags, milestoneOf, packsFit } from '../system';
import { type Piece, wholeMinutesLeft } from './caps';
import type { Sharing } from './like-parts';
import type { MixAsk } from './mix-ask';
import { endingAtPlaces } from './place-ends';

/** Of a pot: its whole kits, null where it is weighed, and its share of what is to be placed. */
export interface Share {
  readonly kits: number | null;
  readonly share: number;
}

/** Up to two figures, so that it can be said and typed. @example roundUp(311.2) // 320 */
export function roundUp(value: number): number {
  const step = 10 ** (Math.floor(Math.log10(value)) - 1);
  return Number((Math.ceil(value / step - 1e-9) * step).toPrecision(6));
}

/**
 * The most that is placed of one pot in its time, mL: where the rate is one of what is mixed, what stays behind has run
 * as well. By a rate that nobody chose no more than half is given up to that: it forbids nothing.
 */
export function placedInTime({ ask, caps, whole }: Pick<Sharing, 'ask' | 'caps' | 'whole'>): number {
  if (!ask.rateOfMixed || whole) return caps.placedMl;
  return Math.max(caps.placedMl - ask.sheet.potLossMl, ask.rateChosen ? 0 : caps.placedMl / 2);
}

/** So many pots of as much each, weighed. */
export const evenly = (n: number): readonly Share[] => Array.from({ length: n }, () => ({ kits: null, share: 1 / n }));

/** Whole kits over pots, as evenly as they go: a pot of two kits places twice as much as one of one. */
export function kitsOver(n: number, kits: number, kitMl: number, lossMl: number): readonly Share[] {
  const each = Array.from({ length: n }, (_, k) => Math.floor(kits / n) + (k < kits % n ? 1 : 0));
  const placeable = each.map((of) => of * kitMl - lossMl);
  const all = placeable.reduce((a, b) => a + b, 0);
  // Kits that hold less than a pot keeps back place nothing, however they are shared.
  return each.map((of, k) => ({ kits: of, share: all > 0 ? placeable[k]! / all : 1 / n }));
}

/** Several pots that end where places do, weighed; null where there are no such places, or it is one pot. */
export function weighedFor(places: readonly number[], n: number, mostShare: number): readonly Share[] | null {
  const ends = n < 2 || places.length < 2 ? null : endingAtPlaces(places, mostShare, n);
  return ends?.map((share) => ({ kits: null, share })) ?? null;
}

/** Bags are emptied, never parted for a little; tins are where there are so many pots of them. */
const MANY_POTS = 4;
/** So much more often is mixed for whole packs, as a share of the fewest pots. */
const MORE_OFTEN = { bags: 4 / 3, tins: 5 / 4 } as const;

/**
 * Pots of whole packs and a last one of what is left to do: nobody weighs a bag and a quarter out of two. Null where
 * few pots of tins do, where it would be many more pots, or whole packs are not the mix.
 * @param n the fewest pots that do
 */
export function ofWholePacks(
  needMl: number,
  n: number,
  { ask, caps, kitMl, whole }: Pick<Sharing, 'ask' | 'caps' | 'kitMl' | 'whole'>,
): readonly Share[] | null {
  const bags = comesInBags(ask.sheet);
  if (ask.severalUpToMl === undefined || n < (bags ? 2 : MANY_POTS) || !packsFit(ask.sheet, ask.kit)) return null;
  const loss = ask.sheet.potLossMl;
  const mostMl = Math.min(caps.heldMl, placedInTime({ ask, caps, whole }) + loss);
  const eachMl = Math.floor(mostMl / kitMl + 1e-9) * kitMl - loss;
  const pots = eachMl > 0 ? Math.ceil(needMl / eachMl - 1e-9) : Number.POSITIVE_INFINITY;
  if (pots > Math.max(n, MORE_OFTEN[bags ? 'bags' : 'tins'] * n)) return null;
  return Array.from({ length: pots }, (_, k) => ({
    kits: null,
    share: k < pots - 1 ? eachMl / needMl : 1 - ((pots - 1) * eachMl) / needMl,
  }));
}

/** Of a pot that serves several of many areas, one after the other. */
export interface BagOfAreas {
  /** First and last of its areas, from 1. */
  readonly fromTo: readonly [number, number];
  readonly mixedMl: number;
  /** What the pot before it left over, that goes down first, mL. */
  readonly carriedMl: number;
}

/** Until the next bag is turned over, opened and in the pail, min; its mixing comes on top. */
const NEXT_BAG_MIN = 5;

/** Of a bag that no area is left for so much is let go, as a share of it. */
const MOST_OVER = 0.04;

/** What whole bags are laid by, of areas of so much; null where they are not laid from bags. */
function bagsFor(areaMl: number, { ask, caps, kitMl, whole }: Pick<Sharing, 'ask' | 'caps' | 'kitMl' | 'whole'>) {
  const { parts, sheet } = ask;
  if (!parts?.goOn || whole || ask.severalUpToMl === undefined || !comesInBags(sheet)) return null;
  if (!packsFit(sheet, ask.kit)) return null;
  const eachMl = Math.floor(caps.heldMl / kitMl + 1e-9) * kitMl;
  const outOfMl = eachMl - sheet.potLossMl;
  const allMl = areaMl * parts.count;
  if (outOfMl < areaMl || allMl <= outOfMl) return null;
  const pots = Math.ceil(allMl / outOfMl - 1e-9);
  const areaMin = areaMl / (ask.placingMlPerMin * ask.crew) + parts.closeMin;
  const nextMin = NEXT_BAG_MIN + sheet.mixMin;
  return {
    count: parts.count,
    eachMl,
    outOfMl,
    allMl,
    pots,
    areaMin,
    nextMin,
    // Minutes of ours, where the sheet prints no pot life, part no bag.
    livesMin: milestoneOf(sheet, 'use-by') ? ask.usableMin : Number.POSITIVE_INFINITY,
    inOneDay: ask.dayMin === null || parts.count * areaMin + pots * nextMin <= ask.dayMin,
  };
}

/**
 * Areas for a floor of several days, so that each bag does a whole number of them and nothing of it lies over night;
 * null where they stay as the open time has them.
 * @param areaMl what one of them takes so far
 */
export function areasByBags(areaMl: number, s: Pick<Sharing, 'ask' | 'caps' | 'kitMl' | 'whole'>): number | null {
  const bags = bagsFor(areaMl, s);
  if (!bags || bags.inOneDay) return null;
  const aBag = Math.ceil(bags.outOfMl / areaMl - 1e-9);
  const areas = Math.ceil((bags.allMl * aBag) / bags.outOfMl - 1e-9);
  const over = 1 - (aBag * bags.allMl) / (areas * bags.outOfMl);
  return over <= MOST_OVER && aBag * bags.areaMin <= bags.livesMin ? areas : null;
}

/**
 * Areas laid from whole bags: what one leaves goes down first on the next area, and the last is what is left to do. A
 * floor of several days has areas that come out even. Null where one pot does, a bag is less than an area, or what is
 * left of one would be dead, or lie over night, before it goes down.
 * @param areaMl what one area takes
 */
export function bagsOverAreas(
  areaMl: number,
  s: Pick<Sharing, 'ask' | 'caps' | 'kitMl' | 'whole'>,
): readonly BagOfAreas[] | null {
  const bags = bagsFor(areaMl, s);
  if (!bags) return null;
  const { count, eachMl, outOfMl, allMl, pots } = bags;
  const { sheet } = s.ask;
  if (!bags.inOneDay) {
    const aBag = Math.floor(outOfMl / areaMl + 1e-9);
    if (aBag * areaMl < outOfMl * (1 - MOST_OVER) - 1e-9 || aBag * bags.areaMin > bags.livesMin) return null;
    return Array.from({ length: Math.ceil(count / aBag) }, (_, k) => {
      const fromTo = [k * aBag + 1, Math.min(count, (k + 1) * aBag)] as const;
      const full = fromTo[1] - fromTo[0] + 1 === aBag;
      return {
        fromTo,
        mixedMl: full ? eachMl : (fromTo[1] - fromTo[0] + 1) * areaMl + sheet.potLossMl,
        carriedMl: 0,
      };
    });
  }
  if (Math.ceil(outOfMl / areaMl) * bags.areaMin + bags.nextMin > bags.livesMin) return null;
  const done = (k: number) => (k === pots ? count : Math.floor((k * outOfMl) / areaMl + 1e-9));
  return Array.from({ length: pots }, (_, k) => ({
    fromTo: [done(k) + 1, done(k + 1)],
    mixedMl: k < pots - 1 ? eachMl : allMl - k * outOfMl + sheet.potLossMl,
    carriedMl: k * outOfMl - done(k) * areaMl,
  }));
}

/** So many whole packs make it up; null where it is weighed. */
export const packsIn = (ml: number, { ask, kitMl }: Pick<Sharing, 'ask' | 'kitMl'>): number | null => {
  const packs = Math.round(ml / kitMl);
  return ask.severalUpToMl !== undefined &&
    packs > 0 &&
    Math.abs(ml / kitMl - packs) < 1e-6 &&
    packsFit(ask.sheet, ask.kit)
    ? packs
    : null;
};

/** A pace of ours gives way to a bag that wants it so much faster; beyond that bags are parted by weighing. */
const MOST_HASTE = 1.5;

/**
 * Rate at which a whole bag is placed in its time, where several pots are mixed and our own rate would part every one
 * of them for a little; null where nothing asks for it.
 */
export function rateForBags(pieces: readonly Piece[], ask: MixAsk, kitMl: number): number | null {
  const { potLossMl } = ask.sheet;
  if (ask.severalUpToMl === undefined || ask.rateChosen || ask.parts || !comesInBags(ask.sheet)) return null;
  const { ml, before, caps } = pieces.reduce((a, b) => (b.ml > a.ml ? b : a));
  const { placedMl, heldMl } = caps;
  if (ml <= Math.min(placedMl, heldMl - potLossMl) || !packsFit(ask.sheet, ask.kit)) return null;
  const packMl = ask.rateOfMixed ? kitMl : kitMl - potLossMl;
  if (packMl <= placedMl || packMl > MOST_HASTE * placedMl) return null;
  return roundUp(packMl / ask.crew / wholeMinutesLeft(ask.usableMin, before, packMl));
}
