import { type Message, texts } from '../say';
import { type DecimalMark, FIELD_UNIT, type Kind, toCore, UNITS, type Unit, type UnitSystem, unitOf } from '../units';
import { HEDGES } from './around';
import { inWordsRead } from './german';
import { readNumber } from './number';
import { readRod } from './thread';
import { tokens } from './tokens';
import { sidesOf, whichOf } from './which';

const TYPED = texts('typed', {
  hint: 'Type it like {examples}.',
  nothing: 'Nothing is typed yet. {hint}',
  unclear: '“{text}” is not understood. {hint}',
  'ends-early': '“{text}” ends in the middle.',
  'unit-missing': '“{term}” has no unit of its own: say which.',
  'two-numbers': '“{text}” has two numbers and one unit. {hint}',
  'hours-or-minutes': '{text} may be hours and minutes, or minutes and seconds.',
  'near-threads': '{no} Which is it?',
  either: '{text} may mean {one} or {other}.',
  ounce: 'An ounce may be of mass or of fluid. Which one?',
  'fluid-ounces': 'Fluid ounces differ by country. Which one?',
  gallon: 'A gallon differs by country. Which one?',
  mil: 'A mil is a thousandth of an inch, or a millimetre. Which one?',
  pint: 'A pint differs by country. Which one?',
  quart: 'A quart differs by country. Which one?',
  'other-unit':
    '“{unit}” is not a unit of {kind, select, interval {temperature difference} rate {amount a minute} uptake {amount for an area} runuptake {amount along a run} spread {area for an amount} arearate {time for an area} other {{kind}}}. {hint}',
  'too-large': '“{text}” is too large a number. {hint}',
  'no-density':
    '{text} would be {heavy, select, yes {heavier than lead} other {lighter than any filler}}{asked, select, yes {: which unit is it in?} other {. Check the unit.}}',
  'pound-a-gallon': 'A gallon differs by country. Which one?',
  'too-cold': '{text} is below absolute zero.',
});

/**
 * A reading of typed text: the value in the core unit, or a sentence, with choices where the text has more than one
 * meaning.
 */
export type Parsed =
  | { readonly ok: true; readonly value: number; readonly text: string }
  | {
      readonly ok: false;
      readonly sentence: Message;
      readonly choices?: readonly { readonly label: string; readonly text: string }[];
    };

const FRACTIONS: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** Words that name more than one unit, and what they may mean. */
const TWO_MEANINGS: Record<string, { say: keyof typeof TYPED; kinds: readonly Kind[]; units: readonly string[] }> = {
  oz: {
    say: 'ounce',
    kinds: ['mass', 'volume'],
    units: ['oz av', 'US fl oz', 'UK fl oz'],
  },
  ounce: {
    say: 'ounce',
    kinds: ['mass', 'volume'],
    units: ['oz av', 'US fl oz', 'UK fl oz'],
  },
  ounces: {
    say: 'ounce',
    kinds: ['mass', 'volume'],
    units: ['oz av', 'US fl oz', 'UK fl oz'],
  },
  'fl oz': { say: 'fluid-ounces', kinds: ['volume'], units: ['US fl oz', 'UK fl oz'] },
  floz: { say: 'fluid-ounces', kinds: ['volume'], units: ['US fl oz', 'UK fl oz'] },
  gal: { say: 'gallon', kinds: ['volume'], units: ['US gal', 'UK gal'] },
  gallon: { say: 'gallon', kinds: ['volume'], units: ['US gal', 'UK gal'] },
  gallons: { say: 'gallon', kinds: ['volume'], units: ['US gal', 'UK gal'] },
  pt: { say: 'pint', kinds: ['volume'], units: ['US pt', 'UK pt'] },
  pint: { say: 'pint', kinds: ['volume'], units: ['US pt', 'UK pt'] },
  pints: { say: 'pint', kinds: ['volume'], units: ['US pt', 'UK pt'] },
  qt: { say: 'quart', kinds: ['volume'], units: ['US qt', 'UK qt'] },
  quart: { say: 'quart', kinds: ['volume'], units: ['US qt', 'UK qt'] },
  mil: { say: 'mil', kinds: ['length'], units: ['thou', 'mm'] },
  mils: { say: 'mil', kinds: ['length'], units: ['thou', 'mm'] },
  'lb/gal': { say: 'pound-a-gallon', kinds: ['density'], units: ['lb/US gal', 'lb/UK gal'] },
  'lbs/gal': { say: 'pound-a-gallon', kinds: ['density'], units: ['lb/US gal', 'lb/UK gal'] },
};

/** After a larger unit a bare number is read in the smaller one: `2 h 30`, `5' 3`. */
const SMALLER: Record<string, string> = { h: 'min', d: 'h', ft: 'in' };

const EXAMPLES: Record<Kind, string> = {
  length: '12 mm, 3/8 in or 1 1/2"',
  area: '240 cm² or 2 ft2',
  volume: '250 ml, 0,5 l or 8 US fl oz',
  mass: '286 g or 1.2 kg',
  temperature: '6.5 °C or 44 F',
  interval: '3 K',
  duration: '45 min, 2 h 30 or 1 d',
  angle: '118°, 12 mm/m or 1:80',
  density: '1.45 g/mL',
  force: '1.2 kN or 300 lbf',
  rate: '250 mL/min',
  uptake: '120 mL/m²',
  'run-uptake': '20 mL/m',
  spread: '3 kg/m²',
  areal: '300 g/m² or 10 oz/yd²',
  'area-rate': '6 m²/h or 65 ft²/h',
  speed: '22 km/h or 14 mph',
  evaporation: '0.5 kg/m²h',
  stress: '12 MPa or 1800 psi',
  percent: '10 %',
  count: '4',
};

/** Anything mixed or measured by, g/mL: from hollow spheres in bulk to lead. */
const DENSITY_RANGE = [0.02, 12] as const;

const NUMERALS = ['two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'] as const;

/** Numbers that people say in words before a unit. */
const SAID: readonly (readonly [RegExp, string])[] = [
  ...NUMERALS.map((word, i) => [new RegExp(`^${word}\\b(?! (?:thirds|quarters))\\s*`, 'i'), `${i + 2} `] as const),
  [/^(?:a |one )?half(?: (?:of )?an?)?\b\s*/i, '0.5 '],
  [/^(?:a |one )?quarter(?: (?:of )?an?)?\b\s*/i, '0.25 '],
  [/^three quarters(?: (?:of )?an?)?\b\s*/i, '0.75 '],
  [/^(\d+) and (?:a|one) half\b\s*/i, '$1.5 '],
  [/^an? (?=[a-z])/i, '1 '],
];
/** A measure whose country stands behind it or in brackets. */
const COUNTRY_BEHIND =
  /(\d\s*)((?:fl\.?\s*oz|floz|gal(?:lon)?s?|qts?|quarts?|pts?|pints?)\.?)\s*\(?\s*\b(US|UK|imp(?:erial)?)\b\.?\s*\)?/gi;

/** Shares of a whole in words, whatever the whole is called: `half a kit`. */
const SHARES: readonly (readonly [RegExp, number])[] = [
  [/^(?:a |one )?half\b/i, 50],
  [/^(?:a |one )?third\b/i, 100 / 3],
  [/^two thirds\b/i, 200 / 3],
  [/^(?:a |one )?quarter\b/i, 25],
  [/^three quarters\b/i, 75],
  [/^(?:all|full|the whole)\b/i, 100],
  [/^(?:none|nothing|empty)\b/i, 0],
];

/** What people say in words, as figures with a unit that names its country. */
function inFigures(text: string): string {
  const said = SAID.find(([words]) => words.test(text));
  return (said ? text.replace(...said) : text)
    .trim()
    .replace(
      COUNTRY_BEHIND,
      (_, number: string, unit: string, country: string) =>
        `${number}${/^us$/i.test(country) ? 'US' : 'UK'} ${unit.replace(/\./g, '').replace(/^(gal|qt|pt)s$/i, '$1')}`,
    );
}

/** A slope as levels read it, `12 mm/m`, `1:80`, `2 %`, in degrees; null where it is said otherwise. */
function slopeOf(text: string, mark: DecimalMark): number | null {
  const told = /^([\d.,]+)\s*(mm\s*\/\s*m|‰|%|per ?cent|in\s*\/\s*ft)$/i.exec(text);
  const ratio = /^1\s*(?::|in)\s*([\d.,]+)$/i.exec(text);
  const read = readNumber((told ?? ratio)?.[1] ?? '', mark);
  if (!('value' in read) || read.value < 0) return null;
  const unit = told ? told[2]!.toLowerCase().replace(/\s/g, '') : '';
  const by = unit === 'mm/m' || unit === '‰' ? 1000 : unit === 'in/ft' ? 12 : 100;
  const tangent = told ? read.value / by : 1 / read.value;
  return Number.isFinite(tangent) ? (Math.atan(tangent) * 180) / Math.PI : null;
}

/** Kinds of which one adds up another: a centre from a datum and an offset, a pack and a half. */
const ADDED: ReadonlySet<Kind> = new Set(['length', 'area', 'volume', 'mass', 'duration']);
/** A term without a unit that would be so many times what stands before it has another one in mind. */
const MUCH_MORE = 5;
/** A hyphen may be a range: what is taken off is said in words. */
const TERMS = /\s*(?:\+|\bplus\b|\bless\b|\bminus\b)\s*/i;

/**
 * A sum as people write it at the bench: `1200 + 32 mm`, `4 ft less 1/2 in`. A term without a unit has that of the
 * others.
 * @returns null where it is no sum
 */
function sumOf(kind: Kind, text: string, system: UnitSystem, mark: DecimalMark): Parsed | null {
  if (!ADDED.has(kind) || !/\S\s*(?:\+|\b(?:plus|less|minus)\b)/i.test(text)) return null;
  const terms = text.split(TERMS);
  const signs = [
    1,
    ...[...text.matchAll(new RegExp(TERMS, 'gi'))].map(([sign]) => (/less|minus/i.test(sign) ? -1 : 1)),
  ];
  const bare = (term: string) => /^[\d.,\s/½¼¾⅛⅜⅝⅞⅓⅔-]*$/.test(term);
  const unit = /[^\d.,\s/½¼¾⅛⅜⅝⅞⅓⅔-].*$/.exec(terms.find((t) => !bare(t)) ?? '')?.[0] ?? '';
  let value = 0;
  for (const [i, term] of terms.entries()) {
    const read = parseQuantity(kind, bare(term) && term.trim() ? `${term} ${unit}` : term, system, mark);
    // The choices of a term would be only a part of what was typed.
    if (!read.ok)
      return { ok: false, sentence: term.trim() ? read.sentence : TYPED['ends-early']({ text: text.trim() }) };
    // 1 kg + 250 are hardly 251 kg.
    if (i > 0 && bare(term) && !bare(terms[i - 1]!) && read.value > MUCH_MORE * Math.abs(value))
      return { ok: false, sentence: TYPED['unit-missing']({ term: term.trim() }) };
    value += signs[i]! * read.value;
  }
  return { ok: true, value, text: text.trim() };
}

/** So many times the same: three shots of 9 mL. */
const TIMES = /^(\d{1,4})\s*(?:[x×*]|times|shots? of|packs? of|tins? of)\s*(?=[\d.,½¼¾])(.+)$/i;

/** `3 × 9 mL`. @returns null where it is no such thing */
function timesOf(kind: Kind, text: string, system: UnitSystem, mark: DecimalMark): Parsed | null {
  const told = ADDED.has(kind) ? TIMES.exec(text.trim()) : null;
  const each = told && parseQuantity(kind, told[2]!, system, mark);
  return each?.ok ? { ...each, value: Number(told![1]) * each.value, text: text.trim() } : null;
}

const HEDGE = new RegExp(`^(?:${HEDGES})\\s*(?=[\\d½¼¾.,+-])`, 'i');

/** Words behind a figure that say what is measured, at which temperature, or a degree without its letter. */
const BEHIND: Partial<Readonly<Record<Kind, RegExp>>> = {
  length: /\s*\b(?:deep|long|wide|thick|high|tall|across|dia(?:meter)?|tief|lang|breit|dick|hoch)\.?$|\s*[Øø⌀]$/i,
  density: /\s*(?:\bat\b|@|\()\s*[\d.,]+\s*°?\s*[CF]?\)?$/i,
  temperature: /(?<=\d)\s*(?:°|deg(?:rees?)?|grad)$/i,
};

/** What a field may be told once for, however its figure is written. */
const ONES = [
  'mixer|packs?|pot|batch|mix|shot|unit|kit|bag|mischung',
  'hole|place|piece|plate|lift|layer|side|loch|stück',
  'person|man|pair of hands',
].join('|');
const EACH = new RegExp(
  `(?<=[a-z\\d²³°%]\\s*)\\s(?:each|apiece|in all|(?:per|an?|for each|in each|je|pro)\\s+(?:${ONES}))$`,
  'i',
);
/** Words behind a figure that say of what it is one, where the field has said so itself: `16 mL a pack`. */
const WHOSE: Partial<Readonly<Record<Kind, RegExp>>> = {
  volume: EACH,
  mass: EACH,
  duration: EACH,
  'area-rate': EACH,
  rate: EACH,
};

/** The mark of a diameter before a length: it says what is measured, not how much. */
const BEFORE: Partial<Readonly<Record<Kind, RegExp>>> = {
  length: /^\s*(?:[Øø⌀]|dia(?:meter)?\b\.?)\s*/,
};

/** Thousands by a gap, as standards print them: `1 200 mm`. What is no group of three is another number. */
const THOUSANDS = /(?<![\d.,/])\d{1,3}(?:[ \u00a0\u202f]\d{3})+(?![\d/])/g;

/** No quantity takes more to write, in characters. */
const LONGEST = 200;

const byName = (kind: Kind, name: string): Unit | undefined => UNITS[kind].find((unit) => unit.names.includes(name));

/**
 * Reads a quantity as people write it.
 * @param kind what the field holds
 * @param text as typed
 * @param system decides the unit of a bare number (its field's shown unit)
 * @param mark the reader’s own mark before decimals; the other one is understood where it has one meaning
 * @returns the value in the core unit of `kind`, or one sentence and, where the text has several meanings, the choices
 *   as texts that read without doubt
 * @example parseQuantity('length', '1 1/2"', 'metric') // { ok: true, value: 38.1, ... }
 */
export function parseQuantity(kind: Kind, text: string, system: UnitSystem, mark: DecimalMark = '.'): Parsed {
  if (text.length > LONGEST)
    return {
      ok: false,
      sentence: TYPED.unclear({ text: `${text.trim().slice(0, 40)}…`, hint: TYPED.hint({ examples: EXAMPLES[kind] }) }),
    };
  // Half a kit is 50 % of it, half a per cent is 0.5 %.
  const ofWhole = kind === 'percent' && !/%|per ?cent/i.test(text);
  const alone = text.trim().replace(WHOSE[kind] ?? '', '');
  const plain = inWordsRead(alone).replace(/\s*\b(?:per|je|pro)\b\s*(?!cent)(?=[a-z])/gi, '/');
  const cleaned = (ofWhole ? plain : inFigures(plain))
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (mark) => ` ${FRACTIONS[mark]}`)
    .replace(/[−–]/g, '-')
    .replace(THOUSANDS, (number) => number.replace(/\s/g, ''))
    .replace(/''/g, '"')
    .replace(HEDGE, '')
    .replace(BEFORE[kind] ?? '', '')
    .replace(BEHIND[kind] ?? '', '')
    .trim();
  const hint = TYPED.hint({ examples: EXAMPLES[kind] });
  const said = text.trim();
  if (!cleaned) return { ok: false, sentence: TYPED.nothing({ hint }) };
  const share = ofWhole ? SHARES.find(([words]) => words.test(cleaned)) : undefined;
  // What follows names the whole and nothing else: “half of the tin”.
  if (share && /^[a-z\s’']*$/i.test(text)) return { ok: true, value: share[1], text: text.trim() };
  if (kind === 'duration') {
    const clock = /^(\d{1,3}):(\d{2})$/.exec(cleaned);
    if (clock)
      return {
        ok: false,
        sentence: TYPED['hours-or-minutes']({ text: cleaned }),
        choices: [
          { label: `${clock[1]} h ${clock[2]} min`, text: `${clock[1]} h ${clock[2]} min` },
          { label: `${clock[1]} min ${clock[2]} s`, text: `${clock[1]} min ${clock[2]} s` },
        ],
      };
  }
  const slope = kind === 'angle' ? slopeOf(cleaned, mark) : null;
  if (slope !== null) return { ok: true, value: slope, text: text.trim() };
  const sum = sumOf(kind, text, system, mark);
  if (sum) return sum;
  const sides = kind === 'length' ? sidesOf(cleaned, (one) => parseQuantity(kind, one, system, mark).ok) : null;
  if (sides) return sides;
  const times = timesOf(kind, text, system, mark);
  if (times) return times;
  const thread = kind === 'length' ? readRod(cleaned) : null;
  if (thread && 'diameterMm' in thread) return { ok: true, value: thread.diameterMm, text: text.trim() };
  if (thread)
    return {
      ok: false,
      sentence: thread.near.length ? TYPED['near-threads']({ no: thread.sentence }) : thread.sentence,
      ...(thread.near.length ? { choices: thread.near.map((label) => ({ label, text: label })) } : {}),
    };
  const asked = whichOf(cleaned, mark, (one) => parseQuantity(kind, one, system, mark).ok);
  if (asked) return asked;
  const found = tokens(cleaned, mark);
  if ('bad' in found) return { ok: false, sentence: TYPED.unclear({ text: said, hint }) };
  if ('either' in found) {
    const tail = cleaned.slice(cleaned.indexOf(found.raw) + found.raw.length);
    const front = cleaned.slice(0, cleaned.indexOf(found.raw));
    return {
      ok: false,
      sentence: TYPED.either({ text: found.raw, one: found.either[0], other: found.either[1] }),
      choices: found.either.map((choice) => ({ label: choice, text: `${front}${choice}${tail}` })),
    };
  }
  let total = 0;
  let previous: Unit | undefined;
  for (const [i, token] of found.entries()) {
    const several = TWO_MEANINGS[token.unit];
    // Whoever works in US customary units has said which country’s pints and gallons are meant.
    const theirs = several && system === 'us' && kind !== 'mass' ? several.kinds.length === 1 : false;
    if (several?.kinds.includes(kind) && !theirs) {
      const fitting = several.units.filter((symbol) => UNITS[kind].some((unit) => unit.symbol === symbol));
      const number = cleaned.slice(0, cleaned.toLowerCase().lastIndexOf(token.unit)).trim();
      return {
        ok: false,
        sentence: TYPED[several.say](),
        choices: fitting.map((symbol) => ({ label: symbol, text: `${number} ${symbol}` })),
      };
    }
    let unit: Unit | undefined;
    if (token.unit === '') {
      const smaller = i > 0 && previous ? SMALLER[previous.symbol] : undefined;
      if (i > 0 && !smaller) return { ok: false, sentence: TYPED['two-numbers']({ text: said, hint }) };
      unit = unitOf(kind, smaller ?? FIELD_UNIT[kind][system]);
    } else unit = byName(kind, theirs ? several!.units[0]!.toLowerCase() : token.unit);
    if (!unit)
      return {
        ok: false,
        sentence: TYPED['other-unit']({ unit: token.unit, kind: kind.replace('-', ''), hint }),
      };
    if (i > 0 && (kind === 'temperature' || token.value < 0 || (previous && unit.factor >= previous.factor)))
      return { ok: false, sentence: TYPED.unclear({ text: said, hint }) };
    total += i > 0 ? (found[0]!.value < 0 ? -1 : 1) * toCore(unit, token.value) : toCore(unit, token.value);
    previous = unit;
  }
  if (!Number.isFinite(total)) return { ok: false, sentence: TYPED['too-large']({ text: said, hint }) };
  if (kind === 'density' && (total < DENSITY_RANGE[0] || total > DENSITY_RANGE[1])) {
    const number = 'value' in readNumber(cleaned, mark) ? cleaned : null;
    const fitting = UNITS.density.filter((unit) => {
      const read = number === null ? Number.NaN : toCore(unit, found[0]!.value);
      return read >= DENSITY_RANGE[0] && read <= DENSITY_RANGE[1];
    });
    return {
      ok: false,
      sentence: TYPED['no-density']({
        text: said,
        heavy: total > DENSITY_RANGE[1] ? 'yes' : 'no',
        asked: fitting.length ? 'yes' : 'no',
      }),
      ...(fitting.length
        ? { choices: fitting.map((unit) => ({ label: unit.symbol, text: `${number} ${unit.symbol}` })) }
        : {}),
    };
  }
  if (kind === 'temperature' && total < -273.15) return { ok: false, sentence: TYPED['too-cold']({ text: said }) };
  // An inch and a half is 38.1 mm, and no hair less: it meets a limit of as much.
  return { ok: true, value: Number(total.toPrecision(14)), text: text.trim() };
}
