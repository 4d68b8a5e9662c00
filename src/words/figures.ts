import {
  fieldText as fieldTextOf,
  type MoneyReader,
  type PacedAmounts,
  type PacedBy,
  type PacedKind,
  type Parsed,
  type ParsedMoney,
  parseMinutesFor,
  parseMoney,
  parsePaced,
  parseQuantity,
  plainText,
} from '@/core/typed';
import {
  type DecimalMark,
  figure as figureOf,
  formatDuration as formatDurationOf,
  format as formatOf,
  type Kind,
  type Money,
  type Shown,
  type UnitSystem,
  withMark,
} from '@/core/units';
import { moneyText } from './render';
import { LANGUAGE_ROWS, spokenLanguage } from './tongue';

/** The mark before decimals in the language this program speaks. */
export const spokenMark = (): DecimalMark => LANGUAGE_ROWS[spokenLanguage()].decimal;

/** A text of ours that is one figure, with its unit or without, as the language spoken writes it. */
export const marked = (text: string): string => withMark(text, spokenMark());

/** {@link figureOf} as the language spoken writes it. @example figure(2.5) // '2,5' in German */
export const figure = (...of: Parameters<typeof figureOf>): string => marked(figureOf(...of));

/** A number to so many decimals, as the language spoken writes it. */
export const decimals = (value: number, places: number): string => marked(value.toFixed(places));

/** {@link formatDurationOf} as the language spoken writes it. */
export const formatDuration = (minutes: number): string => marked(formatDurationOf(minutes));

/** {@link formatOf} as the language spoken writes it. */
export function format(kind: Kind, value: number, system: UnitSystem, digits?: number): Shown {
  const shown = formatOf(kind, value, system, digits);
  return { ...shown, digits: marked(shown.digits), text: marked(shown.text) };
}

/** {@link fieldTextOf} as the language spoken writes it. */
export const fieldText = (...of: Parameters<typeof fieldTextOf>): string => marked(fieldTextOf(...of));

/**
 * {@link parseQuantity} with the mark of the language spoken: `1,234` is one and a bit in German, and asked in English.
 * The text that comes back is written with a point, so that it means the same wherever it is read again.
 */
export function readQuantity(kind: Kind, text: string, system: UnitSystem): Parsed {
  const mark = spokenMark();
  const read = parseQuantity(kind, text, system, mark);
  return read.ok ? { ...read, text: plainText(read.text, mark) } : read;
}

/** {@link parsePaced} with the mark of the language spoken. */
export const readPaced = (kind: PacedKind, text: string, system: UnitSystem, amounts: PacedAmounts): Parsed =>
  parsePaced(kind, text, system, amounts, spokenMark());

/** {@link parseMinutesFor} with the mark of the language spoken. */
export const readMinutesFor = (by: PacedBy, text: string, system: UnitSystem): Parsed =>
  parseMinutesFor(by, text, system, spokenMark());

/** {@link parseMoney} with the mark of the language spoken. */
export const readMoney = (text: string, reader: Omit<MoneyReader, 'mark'>): ParsedMoney =>
  parseMoney(text, { ...reader, mark: spokenMark() });

/** Amounts of money as the language spoken writes them, those in unlike currencies one after the other. */
export const moneyWords = (amounts: readonly Money[]): string =>
  amounts.map((m) => moneyText(m, spokenLanguage())).join(' + ');
