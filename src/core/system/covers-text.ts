import { listed, type Message, texts } from '../say';
import { inWordsRead, parseQuantity, readNumber } from '../typed';
import type { UnitSystem } from '../units';

const REFUSED = texts('refused.system.covers-text', {
  either: '{one} or {other}?',
  'as-printed': 'As printed: {examples}.',
  'which-gallon-us': 'Which gallon: US gal or UK gal? They differ by a fifth.',
});

/** What a coat covers as it stands on a pack: of a litre, of a kilogram, or of a whole pack. */
export type CoversRead =
  | { readonly per: 'litre'; readonly m2: number }
  | { readonly per: 'pack'; readonly m2: number }
  | { readonly per: 'kg'; readonly m2: number }
  | {
      readonly per: null;
      readonly sentence: Message;
      readonly choices?: readonly { readonly label: string; readonly text: string }[];
    };

/** As packs print it. */
const PRINTED_LIKE = ['0.42 m²/L', '6.5 m² a set', '200 mL/m²', '150 to 200 g/m²'] as const;
/** In characters. */
const LONGEST = 200;
const FT2 = 0.3048 ** 2;
/** Litres of a gallon (US: 231 in³ of 25.4 mm; UK: by definition). */
const LITRES: Readonly<Record<string, number>> = { l: 1, us: 3.785411784, uk: 4.54609 };
const GALLON = '(?:us\\s*|uk\\s*|imp\\.?\\s*)gal(?:lon)?|gal(?:lon)?\\s*\\((?:us|uk)\\)|gal(?:lon)?';
const PACK = 'kit|set|pack|unit|bag|tin|can|pail|pair|bottle';
/** So many square metres or feet, or a range of them, of a litre, a gallon, or a pack, its weight before it or not. */
const PRINTED = new RegExp(
  [
    '^([\\d.,\\s/]+?)(?:\\s*(?:-|–|\\bto\\b)\\s*([\\d.,]+))?',
    '\\s*(m2|m²|sq\\.?\\s*m|ft2|ft²|sq\\.?\\s*ft)\\s*(?:\\/|per|a|an|from a|in a)\\s*',
    '(?:\\d+(?:[.,]\\d+)?[\\s-]*(?:kg|lbs?)[.\\s]\\s*(?=\\w))?',
    `(l|lit(?:re|er)|${GALLON}|${PACK})s?\\.?$`,
  ].join(''),
  'i',
);

const AREA = '(?:m2|m²|sq\\.?\\s*m)';
const A_KG = '(?:kg|kilo(?:gram)?s?)';
/** So much by weight on a square metre: `150 - 200 g/m²`. */
const BY_WEIGHT = new RegExp(
  `^([\\d.,]+)(?:\\s*(?:-|to)\\s*([\\d.,]+))?\\s*(g|grams?|${A_KG})\\s*(?:/|per|a)\\s*${AREA}$`,
  'i',
);
const OF_A_KG = new RegExp(`^([\\d.,]+)(?:\\s*(?:-|to)\\s*([\\d.,]+))?\\s*${AREA}\\s*(?:/|per|a)\\s*${A_KG}$`, 'i');

/** What a kilogram covers, m²; of a range the end that covers less. Null where it is told otherwise. */
function ofKg(text: string): number | null {
  const [onArea, ofMass] = [BY_WEIGHT.exec(text), OF_A_KG.exec(text)];
  const numbers = (onArea ?? ofMass)?.slice(1, 3).flatMap((n) => {
    const read = n === undefined ? null : readNumber(n);
    return read && 'value' in read && read.value > 0 ? [read.value] : [];
  });
  if (!numbers?.length) return null;
  return onArea ? (/^k/i.test(onArea[3]!) ? 1 : 1000) / Math.max(...numbers) : Math.min(...numbers);
}

/**
 * Reads what one coat covers.
 * @example readCovers('0.42 m²/L', 'metric') // { per: 'litre', m2: 0.42 }
 * @example readCovers('6.5 m² a set', 'metric') // { per: 'pack', m2: 6.5 }
 * @example readCovers('100 to 125 sq ft/gal', 'us') // { per: 'litre', m2: 2.45… }: of a range the less
 * @example readCovers('200 mL/m²', 'metric') // { per: 'litre', m2: 5 }
 * @example readCovers('150-200 g/m²', 'metric') // { per: 'kg', m2: 5 }
 */
export function readCovers(text: string, system: UnitSystem): CoversRead {
  if (text.length > LONGEST)
    return { per: null, sentence: REFUSED['as-printed']({ examples: listed(PRINTED_LIKE, 'or') }) };
  const uptake = parseQuantity('uptake', text, system);
  if (/\//.test(text) && uptake.ok && uptake.value > 0) return { per: 'litre', m2: 1000 / uptake.value };
  const m2OfKg = ofKg(inWordsRead(text).trim().replace(/[–—]/g, '-'));
  if (m2OfKg !== null) return { per: 'kg', m2: m2OfKg };
  const [, number, other, area, what] = PRINTED.exec(inWordsRead(text).trim()) ?? [];
  const read = number === undefined ? null : readNumber(number.trim());
  if (read && 'either' in read) {
    const rest = text.trim().slice(number!.trim().length);
    return {
      per: null,
      sentence: REFUSED.either({ one: read.either[0], other: read.either[1] }),
      choices: read.either.map((label) => ({ label, text: `${label}${rest}` })),
    };
  }
  const further = other === undefined ? null : readNumber(other);
  // Of a range the end that covers less.
  const ends = [read, further].flatMap((end) => (end && 'value' in end ? [end.value] : []));
  const value = ends.length ? Math.min(...ends) : Number.NaN;
  if (!(value > 0) || area === undefined || what === undefined)
    return { per: null, sentence: REFUSED['as-printed']({ examples: listed(PRINTED_LIKE, 'or') }) };
  const m2 = value * (/^(ft|sq\.?\s*ft)/i.test(area) ? FT2 : 1);
  const unit = what.toLowerCase().replace(/[\s.]/g, '');
  if (!/^(l|us|uk|imp|gal)/.test(unit)) return { per: 'pack', m2 };
  if (/^gal(lon)?$/.test(unit) && system !== 'us') return { per: null, sentence: REFUSED['which-gallon-us']() };
  const litres = /^l/.test(unit) ? LITRES.l! : /uk|imp/.test(unit) ? LITRES.uk! : LITRES.us!;
  return { per: 'litre', m2: m2 / litres };
}
