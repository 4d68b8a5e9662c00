import { minutes, texts } from '../say';
import { type DecimalMark, type Kind, UNITS, type UnitSystem } from '../units';
import { readNumber } from './number';
import { type Parsed, parseQuantity } from './parse';

const PACED = texts('typed.pace', {
  unclear: '“{text}” is not understood. Type it like {own}, 4 m²/h, 5 min a metre, 6 min each or 50 min in all.',
  'no-run': 'Nothing here runs along a line: say it for all of it, or by the area.',
  'no-face': 'Nothing here has a face of so many square metres: say it for all of it.',
  'no-places': 'There is one of it only: say it for all of it.',
  unmeasured: 'How much that is goes by what is filled, and it is not measured yet.',
  'each-or-all': '{takes}: for each of {places, plural, other {the #}}, or for all of them?',
});

/** What a pace is told for: a metre, a square metre, one of several like places, all of it. */
export type PacedBy = 'm' | 'm2' | 'place' | 'all';

/** A pace as people tell it: so much of it in a minute; by null where a bare time was typed. */
export interface TypedPace {
  readonly by: PacedBy | null;
  readonly perMin: number;
}

/** How much of what a field holds goes into each; null where there is no such thing. */
export interface PacedAmounts extends Readonly<Record<PacedBy, number | null>> {
  readonly places: number;
}

const IN_ALL = /^(.+?)\s+(?:in all|for all(?: of (?:it|them))?|all together|altogether|insgesamt|zusammen)$/i;
const EACH = /^(.+?)\s+(?:each|apiece|jeweils|je)$/i;
const APART = /^(.+?)\s*(?:\/|\b(?:per|an?|je|pro|for (?:each|every|an?)|every|each)\b)\s*(.+)$/i;
/** Whole words that are no unit of anything: holes, plates, sides. */
const WORD = /^[\p{L}][\p{L}\s-]*$/u;

const isUnit = (word: string): boolean =>
  Object.values(UNITS).some((units) => units.some((unit) => unit.names.includes(word.toLowerCase())));
const one = (text: string): string => (/^[\d.,½¼¾]/.test(text) ? text : `1 ${text}`);

/**
 * Reads how quickly something is done as people tell it: `4 m²/h`, `5 min per metre`, `6 min each`, `12 holes an hour`,
 * `50 min in all`, `50 min`.
 * @returns null where it is told in no such way
 */
export function readPace(text: string, system: UnitSystem, mark: DecimalMark = '.'): TypedPace | null {
  const said = text.trim();
  const minutesIn = (of: string): number | null => {
    const read = /\p{L}/u.test(of) ? parseQuantity('duration', of, system, mark) : null;
    return read?.ok && read.value > 0 ? read.value : null;
  };
  const amountIn = (of: string): { readonly by: 'm' | 'm2'; readonly amount: number } | null => {
    if (!/[^\d.,\s]/.test(of)) return null;
    const area = parseQuantity('area', of, system, mark);
    if (area.ok && area.value > 0) return { by: 'm2', amount: area.value / 1e6 };
    const length = parseQuantity('length', of, system, mark);
    return length.ok && length.value > 0 ? { by: 'm', amount: length.value / 1000 } : null;
  };
  const timed = (of: string, by: PacedBy | null): TypedPace | null => {
    const takes = minutesIn(of);
    return takes === null ? null : { by, perMin: 1 / takes };
  };
  const all = IN_ALL.exec(said);
  if (all) return timed(all[1]!, 'all');
  const each = EACH.exec(said);
  if (each) return timed(each[1]!, 'place');
  const apart = APART.exec(said);
  if (!apart) return timed(said, null);
  const [left, right] = [apart[1]!.trim(), apart[2]!.trim()];
  const takes = minutesIn(left);
  const per = amountIn(one(right));
  if (takes !== null && per) return { by: per.by, perMin: per.amount / takes };
  const within = minutesIn(one(right));
  const done = within === null ? null : amountIn(left);
  if (within !== null && done) return { by: done.by, perMin: done.amount / within };
  const counted = /^([\d.,]+)\s*(\p{L}[\p{L}\s-]*)$/u.exec(left);
  const number = counted && readNumber(counted[1]!, mark);
  if (within !== null && number && 'value' in number && number.value > 0 && !isUnit(counted[2]!.trim()))
    return { by: 'place', perMin: number.value / within };
  return takes !== null && WORD.test(right) && !isUnit(right) ? { by: 'place', perMin: 1 / takes } : null;
}

/** Kinds of rate that a pace may be told for: what one of it is in a minute, and how it is typed as it stands. */
export const PACED_KINDS = {
  rate: { perMin: 1, ofAreas: false, own: '250 mL/min' },
  'area-rate': { perMin: 1 / 60, ofAreas: true, own: '6 m²/h' },
} as const satisfies Partial<
  Record<Kind, { readonly perMin: number; readonly ofAreas: boolean; readonly own: string }>
>;
export type PacedKind = keyof typeof PACED_KINDS;
export const isPacedKind = (kind: Kind): kind is PacedKind => Object.hasOwn(PACED_KINDS, kind);

const MISSING = { m: 'no-run', m2: 'no-face', place: 'no-places', all: 'unmeasured' } as const;

/**
 * Reads a rate as it stands in its unit, or as a pace of what is measured here.
 * @param amounts what goes into a metre, a square metre, a place and all of it: mL for a rate, m² for an area rate
 * @example parsePaced('rate', '5 min/m', 'metric', { m: 762.5, ... }) // { ok: true, value: 152.5, ... }
 */
export function parsePaced(
  kind: PacedKind,
  text: string,
  system: UnitSystem,
  amounts: PacedAmounts,
  mark: DecimalMark = '.',
): Parsed {
  const plain = parseQuantity(kind, text, system, mark);
  if (plain.ok || plain.choices || !text.trim()) return plain;
  const told = readPace(text, system, mark);
  if (!told)
    return {
      ok: false,
      sentence: PACED.unclear({ text: text.trim(), own: PACED_KINDS[kind].own }),
    };
  if (told.by === null && amounts.places > 1) {
    const takes = minutes(1 / told.perMin);
    const typed = text.trim();
    return {
      ok: false,
      sentence: PACED['each-or-all']({ takes, places: amounts.places }),
      choices: [
        { label: `${amounts.places} × ${typed}`, text: `${typed} each` },
        { label: `1 × ${typed}`, text: `${typed} in all` },
      ],
    };
  }
  const by = told.by ?? 'all';
  const amount = amounts[by];
  if (amount === null || !(amount > 0))
    return { ok: false, sentence: PACED[amounts.all === null ? 'unmeasured' : MISSING[by]]() };
  return { ok: true, value: (told.perMin * amount) / PACED_KINDS[kind].perMin, text: text.trim() };
}

/**
 * Reads minutes for each metre, square metre or place, or how many of them are done in a time.
 * @example parseMinutesFor('m2', '6 m²/h', 'metric') // { ok: true, value: 10, ... }
 */
export function parseMinutesFor(by: PacedBy, text: string, system: UnitSystem, mark: DecimalMark = '.'): Parsed {
  const plain = parseQuantity('duration', text, system, mark);
  if (plain.ok) return plain;
  const told = readPace(text, system, mark);
  return told?.by === by ? { ok: true, value: 1 / told.perMin, text: text.trim() } : plain;
}
