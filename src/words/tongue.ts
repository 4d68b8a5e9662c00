import { IntlMessageFormat } from 'intl-messageformat';
import { type DecimalMark, withMark } from '@/core/units';

/**
 * What each English text of the product is in another language. A text with gaps stands under its pattern, `Choose:
 * {0}`; what it becomes is a pattern of the ICU, so that a gap may be moved, counted or chosen by.
 */
export type Catalogue = ReadonlyMap<string, string>;

/**
 * A language: what it calls itself, whose days and months it has, what stands behind the number of a day, and before
 * the decimals of a figure.
 */
interface LanguageRow {
  readonly name: string;
  readonly locale: string;
  readonly afterDay: string;
  readonly decimal: DecimalMark;
}

/** The languages the product speaks; English is the one it is written in, and needs no catalogue. */
export const LANGUAGE_ROWS = {
  en: { name: 'English', locale: 'en-GB', afterDay: '', decimal: '.' },
  de: { name: 'Deutsch', locale: 'de-DE', afterDay: '.', decimal: ',' },
} as const satisfies Readonly<Record<string, LanguageRow>>;
export type Language = keyof typeof LANGUAGE_ROWS;
export const LANGUAGES = Object.keys(LANGUAGE_ROWS) as readonly Language[];

const catalogues = new Map<Language, Catalogue>();
const formats = new Map<string, IntlMessageFormat>();
let spoken: Language = 'en';
let catalogue: Catalogue | undefined;

/** Makes a language known to this program. */
export const learnLanguage = (language: Language, texts: Catalogue): void => {
  catalogues.set(language, texts);
  if (language === spoken) catalogue = texts;
};

/**
 * Says what this program speaks from here on: a page before it draws, a thread or a command before it writes. Whoever
 * must serve readers of several languages at once passes a reader on instead.
 */
export const speak = (language: Language): void => {
  spoken = language;
  catalogue = catalogues.get(language);
};

/** Whether what is written in English has to be looked up. */
export const isTranslated = (): boolean => catalogue !== undefined;

/** What this program speaks. */
export const spokenLanguage = (): Language => spoken;

/** The English text, or the ICU pattern, in a language; as it stands where the language has none. */
export const inLanguage = (text: string, language: Language): string => catalogues.get(language)?.get(text) ?? text;

/** A text with the spaces it had about it. */
const padded = (like: string, bare: string, told: string): string =>
  bare.length === like.length ? told : like.replace(bare, () => told);

/** A whole text of the product in the language spoken; what is no text of the product stands as it is. */
export function translated(text: string): string {
  if (!catalogue) return text;
  const bare = text.trim();
  const told = bare && catalogue.get(bare);
  return told ? padded(text, bare, told) : nameSaid(text);
}

/**
 * A title within a sentence. English writes it small there; another language has it in its catalogue as it stands
 * within one.
 */
export const lowered = (title: string): string => {
  const small = title.charAt(0).toLowerCase() + title.slice(1);
  return catalogue ? (catalogue.get(small) ?? translated(title)) : small;
};

/** A name somebody gave: it is never taken for a text of the product. */
export interface Own {
  readonly own: string;
}
export const own = (name: string): Own => ({ own: name });

const UNNAMED_REPAIR = /^Repair (\d+)$/;
const UNNAMED_JOB = /^Job of (\d{1,2}) ([A-Z][a-z]{2}) (\d{4})$/;

/**
 * A name as it is said: what nobody has named is called by its number or its day, which is a text of the product; a
 * name somebody gave stands as it was given.
 */
export function nameSaid(name: string): string {
  if (!catalogue) return name;
  const number = UNNAMED_REPAIR.exec(name)?.[1];
  if (number) return phrase`Repair ${Number(number)}`;
  const [, day, month, year] = UNNAMED_JOB.exec(name) ?? [];
  if (!day) return name;
  const date = `${day}${LANGUAGE_ROWS[spoken].afterDay} ${catalogue.get(month!) ?? month} ${year}`;
  return phrase`Job of ${{ own: date }}`;
}

/** What stands in a gap of a phrase. Nothing is written for what is not. */
export type Gap = string | number | boolean | null | undefined | Own;

const filled = (value: Gap): string => {
  if (value === null || value === undefined || typeof value === 'boolean') return '';
  if (typeof value === 'object') return nameSaid(value.own);
  return typeof value === 'string' ? translated(value) : withMark(String(value), LANGUAGE_ROWS[spoken].decimal);
};

/**
 * Several of them in one line, each in the language spoken.
 * @param by what stands between them
 * @example joined(kits, ' or ')
 */
export const joined = (items: readonly Gap[], by: string): string => items.map(filled).join(translated(by));

function patternOf(told: string): IntlMessageFormat {
  const key = `${spoken}|${told}`;
  const known = formats.get(key);
  if (known) return known;
  const made = new IntlMessageFormat(told, spoken, undefined, { ignoreTag: true });
  formats.set(key, made);
  return made;
}

/** The pattern a phrase is found by: its gaps are numbered in the order of the English. */
export const patternKey = (parts: readonly string[]): string =>
  parts
    .map((part, i) => (i === 0 ? part : `{${i - 1}}${part}`))
    .join('')
    .trim();

/**
 * A sentence with gaps in the language spoken: phrase`Choose: ${name}`. In English it is the template itself.
 * @example phrase`${done} of ${all} holes`
 */
export function phrase(parts: TemplateStringsArray, ...gaps: readonly Gap[]): string {
  const told = catalogue?.get(patternKey(parts));
  if (told === undefined) return parts.map((part, i) => (i === 0 ? part : filled(gaps[i - 1]) + part)).join('');
  const values = Object.fromEntries(gaps.map((gap, i) => [i, Number.isInteger(gap) ? gap : filled(gap)]));
  const text = String(patternOf(told).format(values));
  const raw = parts.join('\u0000');
  return padded(raw, raw.trim(), text);
}
