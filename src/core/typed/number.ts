import type { DecimalMark } from '../units';

/** What a number may be: itself with a point and without groups, two readings of it, or none. */
type Plain = { readonly plain: string } | { readonly either: [string, string] } | { readonly bad: true };

/** Whether digits are parted into thousands. */
const isGrouped = ([first = '', ...rest]: readonly string[]): boolean =>
  /^\d{1,3}$/.test(first) && rest.every((group) => /^\d{3}$/.test(group));

function plainly(body: string, mark: DecimalMark): Plain {
  const [commas, points] = [body.split(',').length - 1, body.split('.').length - 1];
  if (commas && points) {
    // The last mark is the decimal one; the other groups thousands.
    const decimal = body.lastIndexOf(',') > body.lastIndexOf('.') ? ',' : '.';
    const groups = body.slice(0, body.lastIndexOf(decimal)).split(decimal === ',' ? '.' : ',');
    if (!isGrouped(groups)) return { bad: true };
    return { plain: `${groups.join('')}.${body.slice(body.lastIndexOf(decimal) + 1)}` };
  }
  if (commas > 1 || points > 1) {
    const groups = body.split(commas ? ',' : '.');
    return isGrouped(groups) ? { plain: groups.join('') } : { bad: true };
  }
  if (!commas && !points) return { plain: body };
  const met = commas ? ',' : '.';
  const [whole = '', rest = ''] = body.split(met);
  return met !== mark && /^[1-9]\d{0,2}$/.test(whole) && /^\d{3}$/.test(rest)
    ? { either: [`${whole}${mark}${rest}`, `${whole}${rest}`] }
    : { plain: `${whole || '0'}.${rest}` };
}

/**
 * Reads one plain number: decimal point or comma, thousands groups. Three digits after the mark that is not the
 * reader’s own may be decimals or thousands: `1,500` is reported as having two readings where decimals have a point.
 */
export function readNumber(
  text: string,
  mark: DecimalMark = '.',
): { value: number } | { bad: true } | { either: [string, string] } {
  const read = plainly(text.replace(/^[+-]/, ''), mark);
  if (!('plain' in read)) return read;
  const value = Number(read.plain);
  if (!Number.isFinite(value) || read.plain === '' || read.plain === '.') return { bad: true };
  return { value: text.startsWith('-') ? -value : value };
}

/**
 * A text with its numbers written with a point and without groups, as every reader reads it; not a digit is lost.
 * @example plainText('1.200,50 mm', ',') // '1200.50 mm'
 */
export const plainText = (text: string, mark: DecimalMark): string =>
  text.replace(/\d[\d.,]*\d/g, (number) => {
    const read = plainly(number, mark);
    return 'plain' in read ? read.plain : number;
  });
