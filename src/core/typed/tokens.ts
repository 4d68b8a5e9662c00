import type { DecimalMark } from '../units';
import { readNumber } from './number';

const NUMBER = /^[+-]?(?:\d[\d.,]*|[.,]\d+)/;

/** A number with the unit behind it; empty where there is none. */
export interface Token {
  value: number;
  unit: string;
}

export type Tokens = Token[] | { bad: true } | { either: [string, string]; raw: string };

/** Splits `2 h 30`, `5 ft 3 1/2 in`, `1-1/2"` into number and unit pairs. */
export function tokens(input: string, mark: DecimalMark): Tokens {
  let rest = input.trim();
  const out: Token[] = [];
  while (rest) {
    const head = NUMBER.exec(rest);
    if (!head) return { bad: true };
    const raw = head[0].replace(/[.,]$/, '');
    const read = readNumber(raw, mark);
    if ('bad' in read) return read;
    if ('either' in read) return { either: read.either, raw };
    let value = read.value;
    rest = rest.slice(raw.length);
    const fraction = /^\s*\/\s*(\d+)/.exec(rest);
    if (fraction) {
      if (Number(fraction[1]) === 0) return { bad: true };
      value /= Number(fraction[1]);
      rest = rest.slice(fraction[0].length);
    } else {
      const mixed = /^(?:\s+|-)(\d+)\s*\/\s*(\d+)/.exec(rest);
      if (mixed) {
        if (Number(mixed[2]) === 0) return { bad: true };
        value = value + (Math.sign(value) || 1) * (Number(mixed[1]) / Number(mixed[2]));
        rest = rest.slice(mixed[0].length);
      }
    }
    // A unit runs up to the next number; `mm2` keeps its digit because it follows a letter directly.
    const word =
      /^\s*([^\d\s+.,-][^\d]*?(?:(?<=m|in|ft)[23](?!\d)|[²³])?(?:\/[^\d\s]+[23²³]?)?)?(?=\s*[+-]?[\d.,]|\s*$)/.exec(
        rest,
      );
    if (!word) return { bad: true };
    out.push({ value, unit: (word[1] ?? '').trim().toLowerCase().replace(/\s+/g, ' ') });
    rest = rest.slice(word[0].length).trim();
  }
  return out.length ? out : { bad: true };
}
