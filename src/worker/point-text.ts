import { refuse } from '@/core/say';
import type { Cloud } from '@/core/scan';
import { SCAN_FILE } from './scan-words';

/** How the columns of a text of points are divided, and which sign divides decimals; told from its first lines. */
export interface PointStyle {
  readonly delimiter: ' ' | '\t' | ';' | ',';
  readonly decimalComma: boolean;
}

const HEAD_BYTES = 4096;
/** Lines without three numbers that may stand before the first point: a title, column names, a count. */
const MAX_HEADERS = 12;

/** @throws Refusal when decimals and columns are divided by the same comma */
export function pointStyle(name: string, head: string): PointStyle {
  const lines = head.split(/\r?\n/).filter((l) => l.trim() && !l.trim().startsWith('#'));
  // A line of numbers shows how columns are divided.
  const sample = lines.find((l) => (l.match(/\d+/g)?.length ?? 0) >= 3 && !/[a-df-z]/i.test(l)) ?? '';
  const delimiter = sample.includes(';') ? ';' : sample.includes('\t') ? '\t' : sample.trim().includes(' ') ? ' ' : ',';
  const decimalComma = delimiter !== ',' && /\d,\d/.test(sample) && !/\d\.\d/.test(sample);
  if (delimiter === ',' && sample.split(',').length >= 6 && sample.split(',').every((x) => /^-?\d+$/.test(x.trim())))
    refuse(
      'file',
      sample,
      'columns divided by semicolons where decimals are commas',
      SCAN_FILE.commas({ name, sample: sample.trim().slice(0, 40) }),
    );
  return { delimiter, decimalComma };
}

const POWERS = Float64Array.from({ length: 40 }, (_, i) => 10 ** i);
const [NEWLINE, RETURN, SPACE, TAB, HASH, MINUS, PLUS, DOT, COMMA, ZERO, NINE, E_LOW, E_HIGH] = [
  10, 13, 32, 9, 35, 45, 43, 46, 44, 48, 57, 101, 69,
] as const;

/**
 * Points as text: x, y, z in the first three columns, divided by blanks, tabs, commas or semicolons; a header is passed
 * over, decimal commas are understood where commas do not divide. Read byte by byte: two million lines never stand in
 * memory as strings.
 * @throws Refusal naming the line that is no point
 */
export function readPoints(name: string, buffer: ArrayBuffer): Cloud {
  const bytes = new Uint8Array(buffer);
  const { delimiter, decimalComma } = pointStyle(name, new TextDecoder().decode(bytes.subarray(0, HEAD_BYTES)));
  const divides = delimiter.charCodeAt(0);
  const point = decimalComma ? COMMA : DOT;
  let xyz = new Float64Array(3 * Math.max(1024, Math.ceil(bytes.length / 18)));
  let n = 0;
  let headers = 0;
  let line = 0;
  const end = bytes.length;
  let i = 0;
  while (i < end) {
    line++;
    const start = i;
    let columns = 0;
    let sound = true;
    while (i < end && columns < 3 && sound) {
      let c = bytes[i]!;
      while (i < end && (c === SPACE || c === TAB || c === divides) && c !== NEWLINE) c = bytes[++i]!;
      if (i >= end || c === NEWLINE || c === RETURN) break;
      let sign = 1;
      if (c === MINUS || c === PLUS) {
        sign = c === MINUS ? -1 : 1;
        c = bytes[++i]!;
      }
      let mantissa = 0;
      let digits = 0;
      let places = 0;
      let after = false;
      for (; i < end; c = bytes[++i]!) {
        if (c >= ZERO && c <= NINE) {
          // Digits past the seventeenth say nothing any more.
          if (digits < 17) {
            mantissa = mantissa * 10 + (c - ZERO);
            if (after) places++;
          } else if (!after) places--;
          digits++;
        } else if (c === point && !after) after = true;
        else break;
      }
      if (digits === 0) {
        sound = false;
        break;
      }
      if (i < end && (c === E_LOW || c === E_HIGH)) {
        c = bytes[++i]!;
        const down = c === MINUS;
        if (c === MINUS || c === PLUS) c = bytes[++i]!;
        let exponent = 0;
        for (; i < end && c >= ZERO && c <= NINE; c = bytes[++i]!) exponent = exponent * 10 + (c - ZERO);
        places += down ? exponent : -exponent;
      }
      if (i < end && c !== divides && c !== SPACE && c !== TAB && c !== NEWLINE && c !== RETURN) {
        sound = false;
        break;
      }
      const size = Math.abs(places);
      const value =
        sign *
        (size > 39 ? mantissa * 10 ** -places : places > 0 ? mantissa / POWERS[size]! : mantissa * POWERS[size]!);
      if (3 * n + columns >= xyz.length) {
        const larger = new Float64Array(xyz.length * 2);
        larger.set(xyz);
        xyz = larger;
      }
      xyz[3 * n + columns++] = value;
    }
    while (i < end && bytes[i] !== NEWLINE) i++;
    if (columns === 3 && sound) n++;
    else {
      const said = new TextDecoder().decode(bytes.subarray(start, Math.min(i, start + 60))).trim();
      if (said && bytes[start] !== HASH && (n > 0 || ++headers > MAX_HEADERS))
        refuse(
          'file',
          said,
          'three numbers a line',
          SCAN_FILE['no-point']({ name, line, said: said.slice(0, 40), few: sound ? 'yes' : 'no' }),
        );
    }
    i++;
  }
  return { xyz: xyz.subarray(0, 3 * n), triangles: 0 };
}
