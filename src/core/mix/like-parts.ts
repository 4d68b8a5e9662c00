import { line, type Message, minutes, texts, type WorkLine } from '../say';
import type { Before, Caps } from './caps';
import type { MixAsk, PartsAsk } from './mix-ask';

const WORK = texts('work.potted', {
  parts: 'Parts from one pot',
  'spread-first': 'all spread, {spread} each, then closed, {close} each: {left} left to empty the pot',
  'spread-open':
    'all spread, {spread} each, then closed, {close} each: {left} left to empty the pot, {open} that one may lie open',
  'one-by-one':
    'spread {spread}, closed {close}, one after the other: ({left} − {spread}) / ({spread} + {close}) and one more, rounded down; the last is out of the pot in time',
  'place-by-place':
    'filled {spread}, seen to {close}, one after the other: ({left} − {spread}) / ({spread} + {close}) and one more, rounded down; the last is out of the pot in time',
  faces:
    'a bared face keeps {keeps}: ({keeps} − {until} till the first is wetted) / {each} for each further one and one more, rounded down; then the next are bared',
  most: '{most, plural, one {one} other {#}} at a time, as is usual for it; the pot lives for {inTime}',
  places: 'Places from one pot',
  areas: 'Areas from one pot',
});

const SAY = texts('pot.amount', {
  part: 'part {n}',
  parts: 'parts {from} to {to}',
  place: 'place {n}',
  places: 'places {from} to {to}',
  area: 'area {n}',
  areas: 'areas {from} to {to}',
});

/** The words for like parts that are spread and closed, for areas, and for like places that are filled and seen to. */
const CALLED = {
  part: { one: SAY.part, several: SAY.parts, fromOnePot: WORK.parts, inTurn: WORK['one-by-one'] },
  area: { one: SAY.area, several: SAY.areas, fromOnePot: WORK.areas, inTurn: WORK['one-by-one'] },
  place: { one: SAY.place, several: SAY.places, fromOnePot: WORK.places, inTurn: WORK['place-by-place'] },
} as const;

/** What the work is shared out by. */
export interface Sharing {
  readonly ask: MixAsk;
  readonly caps: Caps;
  /** The like of one of several pots. */
  readonly several: Caps;
  readonly before: Before | null;
  readonly kitMl: number;
  readonly kitsPerPot: number;
  readonly whole: boolean;
}

/** What one pot is for. */
export interface Pot {
  readonly portion: number;
  readonly placedMl: number;
  /** Whole kits; null where it is weighed. */
  readonly kits: number | null;
  readonly fromTo?: readonly [number, number];
  readonly meantMl?: number;
  /** Where it is not what its areas take and what stays behind: a whole bag, or the rest. */
  readonly mixedMl?: number;
  readonly carriedMl?: number;
}

/** What one part, or all of a portion, is placed out of. @param needMl what it may take besides what is planned */
export type Apart = (needMl: number, shareMl: number, portion: number, fromTo?: Pot['fromTo']) => Pot[];

/** What kneading the packets beyond the first takes of the time there is for so much, min. */
export const furtherPacketsMin = (
  ml: number,
  { ask, kitMl, whole }: Pick<Sharing, 'ask' | 'kitMl' | 'whole'>,
): number =>
  whole ? (Math.max(1, Math.ceil((ml + ask.sheet.potLossMl) / kitMl - 1e-9)) - 1) * (ask.packetMin ?? 0) : 0;

/** So many like parts come out of one pot before its use is over, each closed before the next is spread; 0 for none. */
function placedInTime(partMl: number, s: Sharing): number {
  const { ask, caps, kitMl, kitsPerPot, whole } = s;
  const { parts } = ask;
  if (!parts) return 0;
  const spreadMin = partMl / (ask.placingMlPerMin * ask.crew);
  const within = (usableMin: number) => {
    if (spreadMin > usableMin + 1e-9) return 0;
    return parts.spreadFirst
      ? closedInTime(spreadMin, parts, usableMin)
      : 1 + Math.floor((usableMin - spreadMin) / (spreadMin + parts.closeMin) + 1e-9);
  };
  let inTime = within(ask.usableMin);
  if (ask.packetMin)
    for (inTime = Math.min(inTime, parts.count); inTime > 0; inTime--)
      if (within(ask.usableMin - furtherPacketsMin(inTime * partMl, s)) >= inTime) break;
  const holdsMl = whole ? kitsPerPot * kitMl : caps.heldMl;
  return Math.min(inTime, parts.most ?? inTime, Math.floor((holdsMl - ask.sheet.potLossMl) / partMl + 1e-9));
}

/** From one part wetted to the next, in the whole minutes of its steps. */
export const turnMin = (partMl: number, { placingMlPerMin, crew, parts }: MixAsk): number =>
  Math.ceil(partMl / (placingMlPerMin * crew) - 1e-9) + (parts?.spreadFirst ? 0 : Math.ceil(parts!.closeMin - 1e-9));

/**
 * How many like parts are bared for one pot, so that none has dulled when its turn comes: the first stands while the
 * others are bared, the last while the others are wetted and closed. As many as one likes where nothing is bared.
 */
export function facesPerPot(partMl: number, ask: MixAsk): number {
  const faces = ask.parts?.faces;
  if (!faces) return Number.POSITIVE_INFINITY;
  const eachMin = Math.max(faces.bareMin, turnMin(partMl, ask));
  return Math.max(1, 1 + Math.floor((faces.keepsMin - faces.untilMin) / eachMin + 1e-9));
}

/** So many like parts come out of one pot, and none that is bared for it has dulled when its turn comes. */
export const partsPerPot = (partMl: number, s: Sharing): number =>
  Math.min(placedInTime(partMl, s), facesPerPot(partMl, s.ask));

/**
 * So many parts are all spread before the pot is dead, and each is closed before it has lain open too long: the last
 * lies while all are closed, or the first while all are spread, whichever takes longer.
 */
function closedInTime(spreadMin: number, { count, closeMin, openMin = null }: PartsAsk, usableMin: number): number {
  const lies = (n: number) => Math.max(n * spreadMin + closeMin, spreadMin + n * closeMin);
  let n = Math.min(count, Math.floor(usableMin / spreadMin + 1e-9));
  while (n > 1 && openMin !== null && lies(n) > openMin + 1e-9) n--;
  return Math.max(1, n);
}

/** What comes out of one pot, called as these parts are. */
export const fromOnePot = (called: PartsAsk['called']): Message => CALLED[called].fromOnePot();

/** Why so many come out of one pot. */
export function partsLine(partMl: number, s: Sharing): WorkLine {
  const { placingMlPerMin, crew, usableMin, parts } = s.ask;
  const { fromOnePot, inTurn } = CALLED[parts!.called];
  const inOnePot = placedInTime(partMl, s);
  const { faces } = parts!;
  const bared = facesPerPot(partMl, s.ask);
  if (faces && bared < inOnePot)
    return line(
      fromOnePot(),
      WORK.faces({
        keeps: minutes(faces.keepsMin),
        until: minutes(faces.untilMin),
        each: minutes(Math.max(faces.bareMin, turnMin(partMl, s.ask))),
      }),
      bared,
    );
  // What is done a place at a time is so however long the pot lives.
  const { most } = parts!;
  const freely = placedInTime(partMl, {
    ...s,
    ask: { ...s.ask, parts: { ...parts!, most: Number.POSITIVE_INFINITY } },
  });
  if (most !== undefined && most < freely) return line(fromOnePot(), WORK.most({ most, inTime: freely }), inOnePot);
  const inTime = parts!.spreadFirst ? WORK[parts!.openMin == null ? 'spread-first' : 'spread-open'] : inTurn;
  return line(
    fromOnePot(),
    inTime({
      spread: minutes(partMl / (placingMlPerMin * crew)),
      close: minutes(parts!.closeMin),
      left: minutes(usableMin),
      ...(parts!.openMin == null ? {} : { open: minutes(parts!.openMin) }),
    }),
    inOnePot,
  );
}

/** What several like parts are called, by their numbers. */
export const partsNamed = ([from, to]: readonly [number, number], called: PartsAsk['called']): Message =>
  from === to ? CALLED[called].one({ n: from }) : CALLED[called].several({ from, to });
