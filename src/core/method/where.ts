import type { Batch } from '../mix';
import { listed, type Message, percent, texts, type Value } from '../say';
import { kindOf, type PartOfPlace, placeNames, type Void } from '../void';
import type { TaskContext } from './context';

const SAY = texts('where', {
  place: 'place {n}',
  one: '{ends, select, whole {{place}} begun {{place} (to {to})} rest {the rest of {place}} other {{place} (from {from} to {to})}}',
  numbered: 'places {first} to {last}',
  all: '{all}',
  behind: '{detail} This mix is for {where}.',
  label: '{label}: {where}',
  these: '{detail} {many, select, yes {These are} other {This is}} {where}.',
  ranged: '{first} to {last}',
});

/** Places in a row that a batch is for: how far it goes in the first and in the last of them, as shares. */
interface InRow {
  readonly first: number;
  readonly last: number;
  readonly from: number;
  readonly to: number;
}

/** Less of a place than this is not worth telling: it is struck off with the rest. */
const LEAST_OF_PLACE = 0.03;

/** Places without a name in a row are told as one; one that is begun or ended is told by itself. */
function inRows(covers: readonly PartOfPlace[], names: readonly string[]): readonly InRow[] {
  const out: { first: number; last: number; from: number; to: number }[] = [];
  for (const { place, from, to } of covers) {
    if (to - from < LEAST_OF_PLACE) continue;
    const here = { from: from > LEAST_OF_PLACE ? from : 0, to: to < 1 - LEAST_OF_PLACE ? to : 1 };
    const before = out.at(-1);
    const isWhole = (x: { from: number; to: number }) => x.from === 0 && x.to === 1;
    const follows = before && isWhole(before) && isWhole(here) && !names[place] && !names[before.last];
    if (follows && before.last === place - 1) before.last = place;
    else out.push({ first: place, last: place, ...here });
  }
  return out;
}

/**
 * Which of several places a batch is for, by their names where they have such; null where it is for all of them, or the
 * work is one.
 */
export function placesSaid(batch: Batch, batches: readonly Batch[], v: Void): Message | null {
  const { covers, portion, topUp } = batch;
  // Along lines it is told by their metres, unless it is for whole ones.
  const ends = covers?.some(({ from, to }) => from > 0 || to < 1) ?? false;
  if (ends && v.shapes.every((shape) => kindOf(shape).alongMm)) return null;
  const names = placeNames(v);
  const isAlone = batches.filter((b) => b.portion === portion && !b.topUp).length < 2;
  if (!covers?.length || topUp || (isAlone && covers.length === names.length)) return null;
  const nameOf = (place: number): Value => names[place] || SAY.place({ n: place + 1 });
  const rows = inRows(covers, names).map(({ first, last, from, to }) => {
    if (last > first) return SAY.numbered({ first: first + 1, last: last + 1 });
    const ends = from === 0 ? (to === 1 ? 'whole' : 'begun') : to === 1 ? 'rest' : 'part';
    return SAY.one({
      place: nameOf(first),
      ends,
      from: percent(Math.round(from * 100)),
      to: percent(Math.round(to * 100)),
    });
  });
  return rows.length ? SAY.all({ all: listed(rows) }) : null;
}

/** More names than that in a row are told by the first and the last of them. */
const MOST_NAMES = 6;

/** What the places of a round, or the parts of a pot, are called; null where they are numbers alone. */
function namesOf({ fromTo }: Batch, v: Void): Message | null {
  const names = fromTo ? placeNames(v).slice(fromTo[0] - 1, fromTo[1]) : [];
  if (!names.length || names.some((name) => name === '')) return null;
  return names.length > MOST_NAMES
    ? SAY.ranged({ first: names[0]!, last: names.at(-1)! })
    : SAY.all({ all: listed(names) });
}

/**
 * Batches called by the places they are for, beside what they fill there.
 * @param areas of one face into which the work is parted: those are no places
 */
export const calledByPlaces = (batches: readonly Batch[], v: Void, areas = 1): readonly Batch[] =>
  batches.map((batch) => {
    const where = placesSaid(batch, batches, v) ?? (areas > 1 ? null : namesOf(batch, v));
    return where ? { ...batch, label: SAY.label({ label: batch.label, where }) } : batch;
  });

/** A step of one of several parts, called by the place it is at. */
export function atPlace(title: Message, { part, areas, void: v }: TaskContext): Message {
  const where = part == null || areas > 1 ? '' : (placeNames(v)[part] ?? '');
  return where ? SAY.label({ label: title, where }) : title;
}

/** How a batch is placed, and at which of several places. */
export function withPlaces(detail: Message, batch: Batch | null, batches: readonly Batch[], v: Void): Message {
  const where = batch && placesSaid(batch, batches, v);
  if (where) return SAY.behind({ detail, where });
  const these = batch && namesOf(batch, v);
  return these ? SAY.these({ detail, where: these, many: batch.places > 1 ? 'yes' : 'no' }) : detail;
}
