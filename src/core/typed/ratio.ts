import { type Message, texts } from '../say';
import { inWordsRead } from './german';
import { readNumber } from './number';

const RATIO = texts('ratio', {
  unread: 'Type the ratio like 2:1 by volume or 100:48 by weight.',
  'of-nothing': 'Every part of the ratio must be a number above 0.',
  'no-basis': '“{text}” is not a basis. Say by weight or by volume.',
  'which-basis': 'A ratio by weight is not a ratio by volume. Which is it?',
});

/** A ratio as typed, always with its basis. */
export type ParsedRatio =
  | { readonly ok: true; readonly basis: 'weight' | 'volume'; readonly parts: readonly number[]; readonly text: string }
  | {
      readonly ok: false;
      readonly sentence: Message;
      readonly choices?: readonly { readonly label: string; readonly text: string }[];
    };

const isWeight = (words: string): boolean => /^(by|pb|partsby)?(weight|mass|wt|w|w\/w|pbw|bw|g|kg|lb|lbs)$/.test(words);
const isVolume = (words: string): boolean =>
  /^(by|pb|partsby)?(volumen?|vol|v|v\/v|pbv|bv|ml|l|litres?|liters?)$/.test(words);

const NAMED = '(?:[ABC]\\b|resin|base|harz|hardener|härter|catalyst)';
const OF_A = /\bA\b|(?<=\d)A\b|\b(?:[Rr]esin|[Bb]ase|[Hh]arz)\b/;
const OF_B = /\bB\b|(?<=\d)B\b|\b(?:[Hh]ardener|[Hh]ärter|[Cc]atalyst)\b/;
/** Whether the hardener is told before the resin: `1 part hardener to 4 parts resin`, `B 200 g, A 1 kg`. */
export const isBackwards = (text: string): boolean => {
  const [a, b] = [text.search(OF_A), text.search(OF_B)];
  return a >= 0 && b >= 0 && b < a;
};

/** What is said round the numbers of a ratio, taken out or put as they are read below. */
const AS_FIGURES: readonly (readonly [RegExp, string])[] = [
  [/^(?:mix(?:ing)?(?: ratio)?|ratio|mischungsverhältnis|verhältnis)\b\s*:?\s*/i, ''],
  [/^(?:equal parts|gleiche teile)\b/i, '1:1'],
  // A : B = 2 : 1, and 2:1 (A:B).
  [new RegExp(`^\\(?\\s*${NAMED}(?:\\s*[:/+]\\s*${NAMED})+\\s*\\)?\\s*[=:]?\\s*(?=\\d)`, 'i'), ''],
  [new RegExp(`\\(\\s*${NAMED}(?:\\s*[:/+]\\s*${NAMED})+\\s*\\)`, 'i'), ' '],
  // The basis before the numbers goes behind them.
  [/^(by (?:weight|volume)|weight|volume|w\/w|v\/v)\s*:?\s*(\d.*)$/i, '$2 $1'],
  // Resin 100, hardener 25.
  [/\b(?:resin|base|harz|hardener|härter|catalyst)\b\s*(?=\d)/gi, ''],
  [
    /(?<=\d\s*(?:parts?|teile?|k?g|ml|l|lbs?)?\s*)(?:of )?(?:(?<=[\d\s])[ABC]\b|\b(?:resin|base|harz|hardener|härter|catalyst)\b)/gi,
    '',
  ],
  [/(?<=\d)\s*(?:parts?|teile?)\b/gi, ''],
];
const JOINT = '\\s*(?:[:/+]|,(?!\\d)|\\bto\\b|\\band\\b|\\bzu\\b)\\s*';
/** The same unit behind every number: `100 g to 25 g`. */
const WITH_UNITS = new RegExp(`^(\\d[\\d.,]*)\\s*(g|kg|lbs?|ml|l)((?:${JOINT}\\d[\\d.,]*\\s*\\2)+)$`, 'i');
const FIGURES = new RegExp(`^\\s*([\\d.,]*\\d(?:${JOINT}[\\d.,]*\\d)+)\\s*(.*)$`, 'i');

/** A ratio in its numbers, its basis behind. @example inFigures('100 g to 25 g') // '100 to 25 g' */
function inFigures(text: string): string {
  const plain = AS_FIGURES.reduce((so, [words, figures]) => so.replace(words, figures), text.trim()).trim();
  const units = WITH_UNITS.exec(plain);
  return (units ? `${plain.replace(new RegExp(`(?<=[\\d\\s])${units[2]}\\b`, 'gi'), '')} ${units[2]}` : plain).replace(
    / {2,}/g,
    ' ',
  );
}

/** No ratio takes more to write, in characters. */
const LONGEST = 200;

/**
 * Reads `2:1 by volume`, `100 : 48 : 650 w/w`, `100 parts A to 48 parts B by weight`, `100 g : 25 g`, `A : B = 2 : 1 by
 * volume`. A ratio without its basis is asked, never guessed.
 * @returns parts in the order typed, each above zero
 */
export function parseRatio(text: string): ParsedRatio {
  const match = text.length > LONGEST ? null : FIGURES.exec(inFigures(inWordsRead(text)));
  if (!match) return { ok: false, sentence: RATIO.unread() };
  const parts: number[] = [];
  for (const piece of match[1]!.split(new RegExp(JOINT, 'i'))) {
    const read = readNumber(piece.trim());
    if (!('value' in read) || read.value <= 0) return { ok: false, sentence: RATIO['of-nothing']() };
    parts.push(read.value);
  }
  if (isBackwards(text) && parts.length === 2) parts.reverse();
  const basis = match[2]!.toLowerCase().replace(/[^a-z/]/g, '');
  if (isWeight(basis)) return { ok: true, basis: 'weight', parts, text: text.trim() };
  if (isVolume(basis)) return { ok: true, basis: 'volume', parts, text: text.trim() };
  if (basis) return { ok: false, sentence: RATIO['no-basis']({ text: match[2]!.trim() }) };
  const bare = parts.join(':');
  return {
    ok: false,
    sentence: RATIO['which-basis'](),
    choices: [
      { label: 'by weight', text: `${bare} by weight` },
      { label: 'by volume', text: `${bare} by volume` },
    ],
  };
}
