import { ENGINES, partsIn } from '../method';
import { placeNames, placesIn, placesMl, standApart } from '../void';
import type { Actuals } from './actuals';
import type { Piece } from './repair';
import { inRounds, type RepairPlan } from './repair-plan';
import { handsOnMs } from './step-time';

/** How far the placing in hand has come. */
export interface PlacedSoFar {
  readonly step: string;
  readonly batch: number;
  /** Placed by now at the rate that was planned, and meant to be placed, mL. */
  readonly ml: number;
  readonly ofMl: number;
  /** Like places of a round that are done by now, and in all; null where it is no round. */
  readonly places: { readonly done: number; readonly of: number } | null;
}

/**
 * What has been placed of the pot or the round in hand by an instant, at the planned rate; of a round as many places as
 * were ticked. Null where nothing is being placed, or where it begins anew: what is spread to be closed, one of several
 * like parts.
 */
export function placedSoFar(plan: RepairPlan, actuals: Actuals, nowMs: number): PlacedSoFar | null {
  const { steps, batches, method } = plan;
  const step = steps.find((s) => s.doneAt === null);
  const batch = step?.batch === undefined ? undefined : batches[step.batch];
  if (!method || step?.role !== 'place' || !batch || step.batch === undefined || batch.topUp) return null;
  // Poured right after it was mixed, without a press in between.
  const since = step.begunAt ?? steps.findLast((s) => s.doneAt !== null)?.doneAt ?? step.startMs;
  const share = Math.max(0, nowMs - since) / handsOnMs(step);
  const of = { step: step.id, batch: step.batch, ofMl: batch.placedMl };
  if (inRounds(plan) && batch.fromTo) {
    const done = actuals.placesDone.get(step.id)?.size ?? Math.min(batch.places, Math.floor(share * batch.places));
    return { ...of, ml: (batch.placedMl * done) / batch.places, places: { done, of: batch.places } };
  }
  // What is closed lies between two faces, and is spread anew whole.
  if (ENGINES[method.engine].liesOpen !== 'set') return null;
  if (batch.fromTo || batch.mixers > 0 || batch.meantMl !== undefined) return null;
  return { ...of, ml: Math.min(batch.placedMl, share * (batch.handledMl ?? batch.placedMl)), places: null };
}

/** What stays of a batch, as it is recorded. */
export interface Stays {
  readonly ml: number;
  readonly step: string;
}

/** What stays of it where so many places of a round are done; null where none is. */
export const placesStay = ({ step, ofMl }: PlacedSoFar, done: number, of: number): Stays | null =>
  done > 0 ? { ml: (ofMl * done) / of, step } : null;

/** What stays where nobody says otherwise: all that was placed by now. */
export function usuallyStays(so: PlacedSoFar): Stays | null {
  if (so.places) return placesStay(so, so.places.done, so.places.of);
  return so.ml < 1 ? null : { ml: so.ml, step: so.step };
}

/** Several like places, and what one of them takes as it is placed, mL. */
export interface LikePlaces {
  readonly count: number;
  readonly eachMl: number;
  /** What each part of its own clock takes, mL, and is called where it has a name; null where they are alike. */
  readonly parts: readonly { readonly name: string; readonly ml: number }[] | null;
  /** Each has its own steps and its own clock: it matters which. */
  readonly oneByOne: boolean;
  /** They are filled in layers that wait for each other: none of them is made anew beside the others. */
  readonly layered: boolean;
  /** What each is called and takes, mL, in the order of work, where they have names or differ; null where they do not. */
  readonly apart: readonly { readonly name: string; readonly ml: number }[] | null;
}

/** What is made anew of like places, as it is recorded: so many, one that has its own clock, or all of them. */
export interface Anew {
  readonly places?: number;
  /** What those are called, where it matters which. */
  readonly which?: string[];
  /** From 0. */
  readonly part?: number;
  readonly missingMl: number | null;
}
const ALL_ANEW: Anew = { missingMl: null };

export const placesAnew = ({ count, eachMl }: LikePlaces, places: number): Anew =>
  places < count ? { places, missingMl: places * eachMl } : ALL_ANEW;

/** Those of them, from 0, where each takes what it takes; one without a name is told by its number. */
export function theseAnew({ apart }: LikePlaces, these: ReadonlySet<number>): Anew {
  const all = apart ?? [];
  const mine = all.map(({ name, ml }, i) => ({ name: name || `#${i + 1}`, ml })).filter((_, i) => these.has(i));
  return mine.length < all.length
    ? { places: mine.length, which: mine.map((x) => x.name), missingMl: mine.reduce((sum, x) => sum + x.ml, 0) }
    : ALL_ANEW;
}

/** So many of them, all of them too, that are prepared and lack their material. */
export const placesLacking = ({ eachMl }: LikePlaces, places: number): Anew => ({
  places,
  missingMl: places * eachMl,
});

/** @param part from 0; null for all of them */
export function partAnew({ eachMl, parts }: LikePlaces, part: number | null): Anew {
  if (part === null) return ALL_ANEW;
  const { name = '', ml = eachMl } = parts?.[part] ?? {};
  return { places: 1, ...(name ? { which: [name] } : {}), part, missingMl: ml };
}

/** What is made anew where nobody says otherwise: one of them where such a trouble mostly befalls one, else all. */
export function usuallyAnew(of: LikePlaces, { local }: { readonly local?: true }): Anew {
  if (!local) return ALL_ANEW;
  if (of.apart) return theseAnew(of, new Set([0]));
  return of.oneByOne ? partAnew(of, 0) : placesAnew(of, 1);
}

/** The like places of a pass; null where there is one alone, or nothing is planned. */
export function likePlaces({ piece, context, batches, steps }: RepairPlan): LikePlaces | null {
  const oneByOne = steps.some((s) => s.part !== undefined);
  const places = piece.void ? placesIn(piece.void) : 1;
  const count = oneByOne && context ? partsIn(context) : places;
  const planned = batches.filter((b) => !b.topUp);
  if (count < 2 || !planned.length) return null;
  const layered = new Set(planned.map((b) => b.portion)).size > 1;
  const placed = planned.reduce((sum, b) => sum + b.placedMl, 0);
  const apart = apartIn(piece, placed);
  const parts = oneByOne && apart?.length === count ? apart : null;
  return { count, oneByOne, layered, eachMl: placed / count, parts, apart: oneByOne ? null : apart };
}

/** What a part of its own clock is called, from 0; nothing where it has no name, or is an area of a face. */
export const partName = ({ piece, context }: Pick<RepairPlan, 'piece' | 'context'>, part: number): string =>
  piece.void && context && context.areas === 1 ? (placeNames(piece.void)[part] ?? '') : '';

/** Places that have names, or of which one takes more than another, as shares of all that is placed. */
function apartIn({ void: v }: Piece, placedMl: number): LikePlaces['apart'] {
  if (!v || !standApart(v)) return null;
  const [names, ml] = [placeNames(v), placesMl(v)];
  const all = ml.reduce((a, b) => a + b, 0);
  const isAlike = ml.every((x) => Math.abs(x - ml[0]!) <= ml[0]! * 1e-6);
  if (isAlike && names.every((name) => name === '')) return null;
  return names.map((name, i) => ({ name, ml: (placedMl * ml[i]!) / all }));
}
