import { type Message, texts } from '../say';
import type { Currency, DecimalMark } from '../units';
import { readNumber } from './number';

const MONEY = texts('typed-money', {
  nothing: 'Nothing is typed yet. Type it like 64 €, $12 or 64 EUR.',
  unclear: '“{text}” is no price. Type it like 64 €, $12 or 64 EUR.',
  either: '{text} may mean {one} or {other}.',
  'which-money': '{text} of which money?',
  'no-money': '“{sign}” is no money known here. Type its three letters, as in 64 EUR.',
  'whose-sign': 'More than one country writes its money {sign}. Whose is it?',
  'below-nothing': 'A price is not below 0.',
});

/** A price as typed: the amount, and the currency it is an amount of. */
export interface Priced {
  readonly ok: true;
  readonly value: number;
  readonly currency: Currency;
  /** As every reader reads it: the number with a point, and the three letters. */
  readonly text: string;
}
export type ParsedMoney =
  | Priced
  | {
      readonly ok: false;
      readonly sentence: Message;
      readonly choices?: readonly { readonly label: string; readonly text: string }[];
    };

/** What people write beside a price and no language’s own list of signs has, and whose money it may be. */
const SIGNS: ReadonlyMap<string, readonly Currency[]> = new Map([
  ['euro', ['EUR']],
  ['euros', ['EUR']],
  ['$', ['USD', 'CAD', 'AUD', 'NZD']],
  ['dollar', ['USD', 'CAD', 'AUD', 'NZD']],
  ['dollars', ['USD', 'CAD', 'AUD', 'NZD']],
  ['c$', ['CAD']],
  ['pound', ['GBP']],
  ['pounds', ['GBP']],
  ['¥', ['JPY', 'CNY']],
  ['kr', ['SEK', 'NOK', 'DKK', 'ISK']],
  ['fr', ['CHF']],
  ['sfr', ['CHF']],
  ['zł', ['PLN']],
  ['kč', ['CZK']],
  ['ft', ['HUF']],
  ['lei', ['RON']],
]);
/** Offered where a price stands alone and nothing is known of its reader. */
const OFTEN: readonly Currency[] = ['EUR', 'USD', 'GBP', 'CHF'];

/** Every currency this engine knows; an old one does not say, and those most often met stand in. */
export const CURRENCIES: readonly Currency[] =
  typeof Intl.supportedValuesOf === 'function' ? Intl.supportedValuesOf('currency') : OFTEN;

const signOf = (currency: Currency): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency })
    .formatToParts(0)
    .find(({ type }) => type === 'currency')!
    .value.toLowerCase();
let printed: ReadonlyMap<string, Currency> | undefined;
/** The currency whose sign, as prices are printed with it, or whose three letters these are. */
const printedAs = (sign: string): Currency | undefined => {
  printed ??= new Map(
    CURRENCIES.flatMap((c): [string, Currency][] => [
      [signOf(c), c],
      [c.toLowerCase(), c],
    ]),
  );
  return printed.get(sign);
};

/** A price: a sign before or behind it, `64,-` and `64.—` for whole ones, thousands parted by a space or a tick. */
const PRICE = /^((?:\p{L}\.|[^\d.,+−-])*)([+−-]?[\d.,'’\s]*\d)(?:[.,][-–—]{1,2})?([^\d]*)$/u;

const currenciesOf = (sign: string): readonly Currency[] | undefined => {
  const bare = sign.toLowerCase().replace(/(?<=\p{L})\.$/u, '');
  const one = printedAs(bare) ?? printedAs(sign.toLowerCase());
  return SIGNS.get(bare) ?? (one ? [one] : undefined);
};

export interface MoneyReader {
  /** The reader’s own currency; null where it is not known. */
  readonly own: Currency | null;
  /** What a number without a sign is in, where that is another one: that of the price beside it. */
  readonly bare?: Currency | null;
  /** The reader’s own mark before decimals. */
  readonly mark?: DecimalMark;
}

/**
 * Reads a price as people write it. A sign that several countries use is the reader’s own where his money is among
 * them, and asked where it is not; a bare number is in the reader’s own money, and asked where that is not known.
 * @example parseMoney('64 €', { own: null }) // 64 EUR
 */
export function parseMoney(text: string, { own, bare = own, mark = '.' }: MoneyReader): ParsedMoney {
  const said = text.trim();
  if (!said) return { ok: false, sentence: MONEY.nothing() };
  const found = PRICE.exec(said);
  if (!found) return { ok: false, sentence: MONEY.unclear({ text: said }) };
  const [, before = '', digits = '', behind = ''] = found;
  const signs = [before.trim(), behind.trim()].filter(Boolean);
  const read = readNumber(digits.replace(/[\s'’]/g, '').replace('−', '-'), mark);
  if (signs.length > 1 || 'bad' in read) return { ok: false, sentence: MONEY.unclear({ text: said }) };
  if ('either' in read)
    return {
      ok: false,
      sentence: MONEY.either({ text: digits.trim(), one: read.either[0], other: read.either[1] }),
      choices: read.either.map((label) => ({ label, text: `${before}${label}${behind}` })),
    };
  if (read.value < 0) return { ok: false, sentence: MONEY['below-nothing']() };
  const as = (currency: Currency) => `${read.value} ${currency}`;
  const asked = (sentence: Message, of: readonly Currency[]): ParsedMoney => ({
    ok: false,
    sentence,
    choices: of.map((currency) => ({ label: currency, text: as(currency) })),
  });
  const [sign] = signs;
  const may = sign === undefined ? (bare ? [bare] : OFTEN) : currenciesOf(sign);
  if (!may) return { ok: false, sentence: MONEY['no-money']({ sign: sign ?? '' }) };
  const currency = may.length === 1 ? may[0] : may.find((c) => c === own);
  if (currency) return { ok: true, value: read.value, currency, text: as(currency) };
  return asked(sign === undefined ? MONEY['which-money']({ text: said }) : MONEY['whose-sign']({ sign }), may);
}
