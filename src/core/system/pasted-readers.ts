import { parseQuantity } from '../typed';
import type { Kind, UnitSystem } from '../units';
import { readCovers } from './covers-text';
import type { FamilyId } from './family';
import { type SystemKindId, systemKind } from './kinds';
import type { Limits } from './sheet';

type LimitField = `limits.${Exclude<keyof Limits, 'bases' | 'wetness' | 'preparation'>}`;

/** A field of the form of a sheet that a line of its text may fill. */
export type PastedField =
  | LimitField
  | 'pack'
  | 'ratio'
  | 'also'
  | 'doseUsual'
  | 'doseMin'
  | 'doseMax'
  | 'doseOf'
  | 'cByWeight'
  | 'mixed'
  | 'densityA'
  | 'densityB'
  | 'yieldMl'
  | 'coverage'
  | 'covers'
  | 'mixRpm'
  | 'storeMin'
  | 'storeMax'
  | 'shelfMonths'
  | 'colour'
  | 'family'
  | 'rods'
  | 'cleaning';

/** A line of a sheet: what it calls its figure, small, and what stands from the first figure on. */
export interface SheetLine {
  readonly line: string;
  /** Its label as it is printed. */
  readonly called: string;
  readonly heading: string;
  readonly value: string;
  readonly tellsTime: boolean;
  /** What the text names as its pack; null where it names none. */
  readonly pack: string | null;
  readonly kind: SystemKindId;
  readonly system: UnitSystem;
}

export type Told = readonly (readonly [field: PastedField, text: string])[];

export const NUMBER = '\\d+(?:[.,]\\d+)?';
/** Units as they stand behind a figure or a range; the degree may be said once. */
export const DEGREES = '°\\s*[CF]\\b|°(?!\\s*[CF])|(?:deg\\.?\\s*)?[CF]\\b|K\\b';
export const LENGTHS = 'mm\\b|cm\\b|µm|mils?\\b|in(?:ch(?:es)?)?\\b|"';
export const SHARES = '%';
/** A half and halves of halves, of inches: nobody has a fraction of a millimetre. */
const FRACTION = '\\d*[13579]/(?:2|4|8|16|32|64)(?![\\d.,]|\\s*[mcµ])';
/** Inches come in fractions as well; degrees and shares do not. */
const OF_LENGTH = `(?:(?:\\d+[\\s-]+)?${FRACTION}|(?!(?:\\d+-)?${FRACTION})${NUMBER}(?!\\d))`;

/** What says that the figure behind, or before, is the least or the most; a refusal turns it round. */
const SIDES: readonly (readonly ['min' | 'max', RegExp])[] = [
  ['min', /\b(?:not?|never|nicht|no)\b[^.]*\b(?:below|under|less|lower|colder|unter)\b/],
  ['max', /\b(?:not?|never|nicht|no)\b[^.]*\b(?:above|over|exceed\w*|more|higher|warmer|über)\b/],
  ['max', /\b(?:max\w*|at most|most|up to|below|under|less|höchst\w*|unter|not exceed\w*)\b|≤|</],
  ['min', /\b(?:min\w*|mind\w*|at least|least|from|above|over|more|ab|über)\b|≥|>/],
];
const sideOf = (words: string): 'min' | 'max' | null =>
  SIDES.find(([, of]) => of.test(words.toLowerCase()))?.[0] ?? null;

export interface Ends {
  readonly min?: string;
  readonly max?: string;
  /** Neither the least nor the most of anything. */
  readonly only?: string;
}

/** The ends of a range of one unit, or single figures by the words round them. */
export function endsIn(line: string, units: string): Ends {
  const number = units === LENGTHS ? OF_LENGTH : NUMBER;
  const signed = `(?<![\\d/])(?:(?<![\\w°])[+-])?${number}`;
  const range = new RegExp(
    `(${signed})[\\s-]*(${units})?\\.?\\s*(?:to|-|and|und|/)\\s*\\+?(-?${number})[\\s-]*(${units})`,
    'i',
  );
  const both = range.exec(line);
  const text = (number: string, unit: string) =>
    `${number.replace('+', '')} ${unit.replace(/\s/g, '').replace('"', 'in')}`;
  if (both) return { min: text(both[1]!, both[2] ?? both[4]!), max: text(both[3]!, both[4]!) };
  let ends: Ends = {};
  let from = 0;
  for (const found of line.matchAll(new RegExp(`(${signed})[\\s-]*(${units})`, 'gi'))) {
    const behind =
      /^\s*\(?(?:min|max)\w*|^\s*(?:or|and) (?:more|less|above|below|over|under|warmer)(?!\s*[+-]?\d)/i.exec(
        line.slice(found.index + found[0].length),
      );
    // Do not apply below 5 °C or above 30 °C: the refusal is of both.
    const before = line.slice(from, found.index);
    const refused = from > 0 && /\bor\b/i.test(before) ? (/\b(?:not?|never|nicht)\b/i.exec(line)?.[0] ?? '') : '';
    const side = sideOf(`${refused} ${before} ${behind?.[0] ?? ''}`) ?? 'only';
    ends = { [side]: text(found[1]!, found[2]!), ...ends };
    from = found.index + found[0].length + (behind?.[0].length ?? 0);
  }
  return ends;
}

/** A figure that its field can read, or can at least ask about. */
export function readable(kind: Kind, text: string | undefined, system: UnitSystem): string | null {
  if (text === undefined) return null;
  const plain = text.replace(/°$/, '°C');
  const read = parseQuantity(kind, plain, system);
  return read.ok || read.choices ? plain : null;
}

/** Both ends of a range as two fields; a single figure without a word goes to the end it usually means. */
export function range(
  units: string,
  kind: Kind,
  min: PastedField | null,
  max: PastedField | null,
  lone: 'min' | 'max' | null,
): (line: SheetLine) => Told {
  return ({ line, system }) => {
    const ends = endsIn(line, units);
    const of = {
      min: ends.min ?? (lone === 'min' ? ends.only : undefined),
      max: ends.max ?? (lone === 'max' ? ends.only : undefined),
    };
    const told = [
      [min, readable(kind, of.min, system)],
      [max, readable(kind, of.max, system)],
    ] as const;
    return told.flatMap(([field, text]) => (field && text ? [[field, text] as const] : []));
  };
}

/** A figure, or a fraction of one, as packs print it. */
export const PART = `(?:(?:\\d+[\\s-]+)?\\d+/\\d+|${NUMBER})`;
/** An amount of a part, by mass or volume. */
export const AN_AMOUNT = `${PART}[\\s-]*(?:k?g|m?l|L|lit(?:re|er)s?|lbs?|US\\s?(?:fl\\.?\\s?oz|qt|pt|gal))\\b`;

const DENSITY = new RegExp(
  `(?:\\b(?:part|comp(?:onent)?|komp(?:onente)?)\\.?\\s*)?([^\\d]*?)(${NUMBER})\\s*(kg\\s*/\\s*(?:l|dm[³3])|g\\s*/\\s*(?:ml|cm[³3]|cc)|kg\\s*/\\s*m[³3]|lb\\s*/\\s*(?:us\\s*)?gal)?`,
  'gi',
);
const OF_A = /\bA\b|\bresin\b|\bbase\b|\bharz\b/i;
const OF_B = /\bB\b|\bhardener\b|\bhärter\b/i;

/** Densities of the parts or of the mix; one told as a range is nobody’s figure and left out. */
export function densities({ line, system }: SheetLine): Told {
  if (new RegExp(`${NUMBER}\\s*(?:to|-)\\s*${NUMBER}`).test(line)) return [];
  return [...line.matchAll(DENSITY)].flatMap(([all, words, number, unit]) => {
    const of = `${all.slice(0, all.indexOf(number!))}`;
    const [isA, isB] = [OF_A.test(of), OF_B.test(of)];
    const field = isA === isB ? 'mixed' : isA ? 'densityA' : 'densityB';
    const text = readable('density', `${number} ${(unit ?? 'g/mL').replace(/\s/g, '')}`, system);
    return text && words !== undefined ? [[field, text] as const] : [];
  });
}

/** What stands behind the label: by its colon, or from the first figure on. */
export const afterLabel = ({ line, value }: SheetLine): string => {
  const colon = line.indexOf(':');
  const before = colon < 0 ? '' : line.slice(0, colon);
  if (before && !/\d/.test(before)) return line.slice(colon + 1).trim();
  // Pack A 500 g + B 500 g: the part before the first figure belongs to it.
  const part = /\b(?:part |comp\w*\.? )?A\s*$/.exec(line.slice(0, line.length - value.length));
  return part ? `${part[0].trim()} ${value}` : value;
};

const PER_M2_AND_MM = new RegExp(
  `(${NUMBER})\\s*kg\\s*(?:/|per)\\s*m[²2]\\s*(?:[/·x,]|per|and|je|und|at|for)?\\s*(?:1\\s*)?mm`,
  'i',
);
const AN_AREA = /(?:[\d.,]+(?:\s*(?:to|-)\s*[\d.,]+)?)\s*(?:m2|m²|sq|ft2|ft²|m?l\s*\/|k?g\s*\/|US).*$/i;

/** Of what it is said: `one set`, `a 15 kg bag`, `1 kg`, `per litre`. */
const OF_WHAT =
  /\b(?:one|each|per|an?|1|je|pro|eine?)\s*(?:\d+(?:[.,]\d+)?[\s-]*(?:kg|g|lb|l|ml)\s+)?(kits?|set|pack|unit|bag|tin|can|pail|bottle|kg|kilo|lit(?:re|er)|l)\b/i;
/** A litre or so of a kilogram is no yield of a pack, until it is known how many are in one. */
const OF_A_KG = /(?:\b(?:per|one|1|je|pro)|\/)\s*(?:kg|kilo)/i;
/** `One set covers 7 m² per coat`, `1 bag = 13 l`: up to its figure. */
export const MAKES =
  /\b(?:covers?|yields?|makes?|gives?|(?:is )?(?:enough|sufficient) for|reicht für|ergibt|(?:bag|kit|set|sack|unit|pack)\s*=)\s*(?=\d)/i;

/** What it covers on a square metre, or what a pack makes. */
export function yields(told: SheetLine): Told {
  const { line, system } = told;
  const at = MAKES.exec(line);
  const value = at ? line.slice(at.index + at[0].length) : told.value;
  const perMm = PER_M2_AND_MM.exec(value);
  if (perMm) return [['coverage', perMm[1]!]];
  const area = AN_AREA.exec(value)?.[0].replace(
    /\s*(?:[,(;].*|(?:per|each|a)\s+coat.*|\b(?:at|for|with|using|on|and|depending|according)\b.*)$/i,
    '',
  );
  if (area) {
    const of = OF_WHAT.exec(line)?.[1]?.toLowerCase();
    const told = [area, ...(of ? [`${area} a ${of}`] : [])].find((text) => {
      const read = readCovers(text, system);
      return read.per !== null || read.choices;
    });
    if (told) return [['covers', told]];
  }
  const made = new RegExp(`^(${PART}\\s*(?:(?:L|lit(?:re|er)s?|ml|US\\s?gal|cu\\.? ?ft)\\b|ft[3³]))`, 'i').exec(
    value,
  )?.[1];
  return made && !OF_A_KG.test(line) && readable('volume', made, system) ? [['yieldMl', made]] : [];
}

/** What it is made of, in the words of its name. */
const FAMILY_WORDS: readonly (readonly [RegExp, FamilyId])[] = [
  [/epoxy[ -]?acrylate|polyester|vinyl ?ester/i, 'peroxide'],
  [/acryl/i, 'methacrylate'],
  [/polyure/i, 'isocyanate'],
  [/epox/i, 'resin-amine'],
];

/** Its chemistry, where the kind is made in more than one and the line names it by what is said of no other. */
export function families({ kind, line }: SheetLine): Told {
  const { families } = systemKind(kind);
  // A coat over it, a base of it and what it must not meet are other materials.
  if (/\b(?:over|on|to|not|with|avoid|base|substrate|surfaces?|old|existing)\b/i.test(line)) return [];
  const named = FAMILY_WORDS.find(([words]) => words.test(line))?.[1];
  return named && families.length > 1 && families.some((f) => f === named) ? [['family', named]] : [];
}

export function months({ line }: SheetLine): Told {
  const [, number, unit] = /(\d+(?:[.,]\d+)?)\s*(months?|monate?n?|years?|jahre?n?)\b/i.exec(line) ?? [];
  if (number === undefined) return [];
  return [['shelfMonths', /^[yj]/i.test(unit!) ? String(Number(number.replace(',', '.')) * 12) : number]];
}

export const days = ({ line }: SheetLine): Told => {
  const found = /(\d{1,3})\s*(?:d|days?|tage?)\b/i.exec(line)?.[1];
  return found ? [['limits.baseAgeMinDays', found]] : [];
};

export const turns = ({ line }: SheetLine): Told => {
  const [, from, to] =
    /(\d{2,4})\s*(?:(?:to|-)\s*(\d{2,4}))?\s*(?:rpm|r\.?p\.?m|u\/min|1\/min|min-1)/i.exec(line) ?? [];
  return from ? [['mixRpm', to ? `${from} to ${to}` : `${from} to ${from}`]] : [];
};

const SAYS_LAYER = /layer|\blifts?\b|schicht|lage/;

/** A layer is a lift, where the kind is laid in such; a thickness is what the kind asks first of the two. */
export const thickness = (line: SheetLine): Told => {
  const { asks } = systemKind(line.kind);
  const first = asks.find((field) => field === 'lift' || field === 'bond');
  const isLift = first !== 'bond' || (asks.includes('lift') && SAYS_LAYER.test(line.heading));
  return (isLift ? lifts : bondLine)(line);
};
const lifts = range(LENGTHS, 'length', 'limits.liftMinMm', 'limits.liftMaxMm', 'max');
export const bondLine = range(LENGTHS, 'length', 'limits.bondMinMm', 'limits.bondMaxMm', 'max');
