import { figure, inSixteenths } from './figure';
import { FIELD_UNIT, fromCore, type Kind, type UnitSystem, unitOf } from './kinds';

/** A figure ready to print: digits and unit apart, so that they can be set in different sizes. */
export interface Shown {
  readonly digits: string;
  readonly unit: string;
  readonly text: string;
}

const shown = (plain: string, unit: string): Shown => {
  const digits = plain.replace(/^-/, '−');
  return { digits, unit, text: unit ? `${digits} ${unit}` : digits };
};

/** From ten feet on nobody counts inches. */
const FEET_FROM_MM = 3048;

/** What is thinner is a film, and told in mils; mm. */
const MILS_UNDER_MM = 0.254;

/** The unit a value of that size is best read in. */
export function shownUnit(kind: Kind, value: number, system: UnitSystem): string {
  const size = Math.abs(value);
  const us = system === 'us';
  switch (kind) {
    case 'length':
      if (us && size > 0 && size < MILS_UNDER_MM) return 'mil';
      return us ? (size >= FEET_FROM_MM ? 'ft' : 'in') : size >= 2000 ? 'm' : 'mm';
    case 'area':
      return us ? (size >= 25.4 ** 2 * 288 ? 'ft²' : 'in²') : size >= 1e5 ? 'm²' : 'cm²';
    case 'volume':
      return us ? (size >= 3785 ? 'US gal' : 'US fl oz') : size >= 1000 ? 'L' : 'mL';
    case 'force':
      return us ? 'lbf' : size >= 1000 ? 'kN' : 'N';
    case 'mass':
      return us ? (size >= 453.59237 ? 'lb' : 'oz av') : size >= 1000 ? 'kg' : 'g';
    default:
      return FIELD_UNIT[kind][system];
  }
}

/**
 * Prints minutes as people say them.
 * @example formatDuration(156) // '2 h 36 min'
 */
export function formatDuration(minutes: number): string {
  const sign = minutes < 0 ? '−' : '';
  const size = Math.abs(minutes);
  if (size < 1) return size === 0 ? '0 min' : `${sign}${Math.max(1, Math.round(size * 60))} s`;
  if (size < 10) return `${sign}${figure(size, 2)} min`;
  const total = Math.round(size);
  if (total < 60) return `${sign}${total} min`;
  if (total >= 2 * 1440) {
    // To the nearest hour: what is a minute short of eight hours is not seven.
    const hours = Math.round(total / 60);
    return `${sign}${Math.floor(hours / 24)} d${hours % 24 ? ` ${hours % 24} h` : ''}`;
  }
  const rest = total % 60;
  return `${sign}${Math.floor(total / 60)} h${rest ? ` ${String(rest).padStart(2, '0')} min` : ''}`;
}

/**
 * Prints a core value with two or three significant figures in the person's units.
 * @param digits significant figures (temperatures: one decimal, and none of whole degrees)
 * @example format('volume', 411.8, 'metric').text // '412 mL'
 */
export function format(kind: Kind, value: number, system: UnitSystem, digits = 3): Shown {
  if (kind === 'duration') {
    const text = formatDuration(value);
    return { digits: text, unit: '', text };
  }
  // What is a hair under its next unit is that unit: a square metre cut out of a larger area is one.
  const whole = Number(value.toPrecision(9));
  const symbol = shownUnit(kind, whole, system);
  const converted = fromCore(unitOf(kind, symbol), whole);
  if (kind === 'temperature' || kind === 'interval') return shown(String(Number(converted.toFixed(1)) || 0), symbol);
  if (kind === 'count') return shown(figure(converted, 12), '');
  const onRule = inSixteenths(symbol, converted);
  if (onRule) return shown(onRule, symbol);
  const keepZeros = kind === 'volume' || kind === 'mass';
  return shown(
    figure(converted, Math.max(digits, String(Math.trunc(Math.abs(converted))).length > 3 ? 4 : digits), keepZeros),
    symbol,
  );
}
