import { type Message, texts } from '../say';
import type { DecimalMark } from '../units';
import { readNumber } from './number';

const ASKED = texts('typed.which', {
  pair: 'Two lengths stand in “{text}”, a length and a width. Which one is it?',
  range: '“{text}” is a range. Which figure counts?',
  'give-or-take': 'What “{text}” may be off by has its own place, or none. The figure alone?',
});

/** What is asked where one figure is wanted, with each answer as the text it would be. */
export interface Which {
  readonly ok: false;
  readonly sentence: Message;
  readonly choices: readonly { readonly label: string; readonly text: string }[];
}

const FIGURE = '[-+]?(?:\\d[\\d.,]*|[.,]\\d+)';
/** `10-12 mm`, `1.35 to 1.45`; in `1-1/2` the hyphen joins one number. */
const A_RANGE = new RegExp(
  `^(${FIGURE})\\s*([^\\d\\s.,+/-][^\\d]*?)?\\s*(?:-|\\bto\\b)\\s*(${FIGURE})(?!\\s*/\\s*\\d|\\d)\\s*([^\\d]*)$`,
  'i',
);
const OFF_BY = /^(.*?\d.*?)\s*(?:±|\+\s?\/\s?-|\+-)\s*(\d[\d.,/\s]*?)\s*([^\d\s.,/].*)?$/;

/**
 * The two ends of a typed range, each with the unit said for both.
 * @returns null where it is no range
 * @example endsOf('5 - 30 °C', '.') // ['5 °C', '30 °C']
 */
export function endsOf(text: string, mark: DecimalMark): readonly [string, string] | null {
  const [, low = '', lowUnit = '', high = '', highUnit = ''] = A_RANGE.exec(text.trim().replace(/[−–—]/g, '-')) ?? [];
  const unit = highUnit.trim() || lowUnit.trim();
  const [from, to] = [readNumber(low, mark), readNumber(high, mark)];
  if (!low || !('value' in from) || !('value' in to) || from.value >= to.value) return null;
  return [`${low} ${unit}`.trim(), `${high} ${unit}`.trim()];
}

/**
 * A figure and what it may be off by, each with the unit said for both.
 * @returns null where nothing is said of what it is off by
 * @example figureAndDoubt('20 ± 0.5 mm') // ['20 mm', '0.5 mm']
 */
export function figureAndDoubt(text: string): readonly [figure: string, doubt: string] | null {
  const [, figure, off = '', unit = ''] = OFF_BY.exec(text.trim().replace(/[−–—]/g, '-')) ?? [];
  if (figure === undefined) return null;
  const own = /[^\d.,\s/]+$/.exec(figure)?.[0] ?? '';
  return [own ? figure : `${figure} ${unit}`.trim(), `${off} ${unit || own}`.trim()];
}

const A_PAIR = new RegExp(`^(${FIGURE})\\s*([a-z"″”'′]*)\\s*[x×*]\\s*(${FIGURE})\\s*([a-z"″”'′]*)$`, 'i');
/** So many of one length may be added up: more of them are the two sides of something. */
const FEW = 9;

/**
 * The two sides of what is typed as `900 × 640`, where one length is wanted; null where it is none, or a few of one
 * length, `4 × 2.5 m`.
 */
export function sidesOf(text: string, reads: (text: string) => boolean): Which | null {
  const [, one, oneUnit = '', other, unit = ''] = A_PAIR.exec(text) ?? [];
  if (!one || !other) return null;
  const isFew = !oneUnit && unit !== '' && /^\d$/.test(one) && Number(one) <= FEW;
  const told = [`${one} ${oneUnit || unit}`.trim(), `${other} ${unit || oneUnit}`.trim()];
  return isFew || !told.every(reads)
    ? null
    : { ok: false, sentence: ASKED.pair({ text }), choices: told.map((t) => ({ label: t, text: t })) };
}

/**
 * What a field for one figure asks of two: which of a range, or the figure without what it may be off by.
 * @param text as typed, hyphens for every dash
 * @param reads whether a text is a figure of the field
 * @returns null where it is neither, or its parts are no figures of the field
 * @example whichOf('10-12 mm', '.', reads)?.choices // 10 mm, 11 mm, 12 mm
 */
export function whichOf(text: string, mark: DecimalMark, reads: (text: string) => boolean): Which | null {
  const asked = (sentence: Message, told: readonly string[]): Which | null =>
    told.every(reads) ? { ok: false, sentence, choices: told.map((t) => ({ label: t, text: t })) } : null;
  const off = figureAndDoubt(text);
  if (off) return asked(ASKED['give-or-take']({ text }), [off[0]]);
  const ends = endsOf(text, mark);
  if (!ends) return null;
  const [from, to] = ends.map((end) => readNumber(/^[-+\d.,]+/.exec(end)![0], mark));
  const middle = 'value' in from! && 'value' in to! ? Number(((from.value + to.value) / 2).toPrecision(6)) : Number.NaN;
  const between = `${String(middle).replace('.', mark)}${/\s.*$/.exec(ends[0])?.[0] ?? ''}`;
  return asked(ASKED.range({ text }), [ends[0], between, ends[1]]);
}
