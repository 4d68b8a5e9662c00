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

/**
 * Reads `2:1 by volume`, `100 : 48 : 650 w/w`. A ratio without its basis is asked, never guessed.
 * @returns parts in the order typed, each above zero
 */
export function parseRatio(text: string): ParsedRatio {
  const match = /^\s*([\d.,]+(?:\s*[:/+]\s*[\d.,]+)+)\s*(.*)$/.exec(inWordsRead(text));
  if (!match) return { ok: false, sentence: RATIO.unread() };
  const parts: number[] = [];
  for (const piece of match[1]!.split(/[:/+]/)) {
    const read = readNumber(piece.trim());
    if (!('value' in read) || read.value <= 0) return { ok: false, sentence: RATIO['of-nothing']() };
    parts.push(read.value);
  }
  const basis = match[2]!.toLowerCase().replace(/[^a-z/]/g, '');
  if (/^(by|pb)?(weight|mass|wt|w|w\/w|pbw|bw)$/.test(basis))
    return { ok: true, basis: 'weight', parts, text: text.trim() };
  if (/^(by|pb)?(volume|vol|v|v\/v|pbv|bv)$/.test(basis))
    return { ok: true, basis: 'volume', parts, text: text.trim() };
  if (basis) return { ok: false, sentence: RATIO['no-basis']({ text: match[2]!.trim() }) };
  const bare = match[1]!.trim();
  return {
    ok: false,
    sentence: RATIO['which-basis'](),
    choices: [
      { label: 'by weight', text: `${bare} by weight` },
      { label: 'by volume', text: `${bare} by volume` },
    ],
  };
}
