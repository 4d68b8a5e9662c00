import { parseQuantity } from '../typed';
import type { Kind } from '../units';

/** Kinds of which sheets print a figure in the measures of two countries. */
const TWICE_PRINTED = [
  'temperature',
  'length',
  'mass',
  'volume',
  'density',
  'uptake',
  'stress',
] as const satisfies Kind[];
/** Figures that are the same differ by no more once both are rounded: a quarter of an inch is printed as 6 mm. */
const ROUNDED_PCT = 10;
const ROUNDED_K = 3;

const FRACTION = '(?:\\d+[\\s-]+)?\\d+\\s*/\\s*\\d+';
const FIGURE = `[-+]?(?:${FRACTION}|\\d+(?:[.,]\\d+)?)`;
const UNIT =
  '(?:°\\s*[CF]|["″”]|(?:(?:US|UK|fl|cu|sq|deg)\\.?\\s+)*(?:oz\\s+av|[a-zµ]{1,9})\\.?[²³23]?(?:/[a-z]{1,6}[²³23]?)?)(?![a-z\\d])';
/** One figure, or the two ends of a range, with its unit: said at both ends or once. */
const MEASURE = `(${FIGURE})(?:(?:[\\s-]*${UNIT})?\\s*(?:\\bto\\b|-)\\s*(${FIGURE}))?[\\s-]*(${UNIT})`;
const TWICE = new RegExp(
  `(?<![\\d.,/])${MEASURE}((?:\\s+[a-z]{3,12})?)(\\s*(?:[([]|/)\\s*)${MEASURE}\\s*([)\\]])?`,
  'gi',
);

/** The last figure of a measure in the core unit of a kind, for every kind it may be of. */
function readingsOf(figure: string, unit: string): ReadonlyMap<Kind, number> {
  const text = `${figure.replace('+', '')} ${unit.replace(/[.-]/g, ' ').trim()}`;
  return new Map(
    TWICE_PRINTED.flatMap((kind): [Kind, number][] => {
      const read = parseQuantity(kind, text, 'us');
      return read.ok ? [[kind, read.value]] : [];
    }),
  );
}

const isSame = (kind: Kind, one: number, other: number): boolean =>
  kind === 'temperature'
    ? Math.abs(one - other) <= ROUNDED_K
    : Math.abs(one - other) <= (ROUNDED_PCT / 100) * Math.abs(one);

/** Bare ounces, which are of mass or of fluid: the other figure tells which. */
const UNSURE = /^(?:oz|ounces?)\.?$/i;
/** No line of figures is longer, in characters. */
const LONGEST = 500;

/**
 * A line of a sheet with each figure in one measure only: what stands behind it in the measure of another country is
 * left out, where it is the same. An ounce that may be of mass or of fluid gives way to what stands in the brackets.
 * @example inOneMeasure('20 min at 70 °F (21 °C)') // '20 min at 70 °F'
 * @example inOneMeasure('22 oz (650 mL) cartridge') // '650 mL cartridge'
 * @example inOneMeasure('50-lb bag (22.7 kg)') // '50-lb bag'
 * @example inOneMeasure('5 kg (4 kg + 1 kg)') // as it is: its parts
 */
export function inOneMeasure(line: string): string {
  if (line.length > LONGEST || !/[([/]/.test(line)) return line;
  return line.replace(TWICE, (all, first, firstEnd, unit, word, between, second, secondEnd, otherUnit, closed) => {
    const isBracketed = /[([]/.test(between);
    if (isBracketed !== (closed !== undefined) || (word && !isBracketed)) return all;
    const one = readingsOf(firstEnd ?? first, unit);
    const other = readingsOf(secondEnd ?? second, otherUnit);
    const at = all.indexOf(between, String(first).length);
    if (isBracketed && UNSURE.test(unit) && other.size) return all.slice(at + between.length, -closed.length) + word;
    const same = [...one].some(([kind, value]) => other.has(kind) && isSame(kind, value, other.get(kind)!));
    return same && unit.toLowerCase() !== otherUnit.toLowerCase() ? all.slice(0, at) : all;
  });
}
