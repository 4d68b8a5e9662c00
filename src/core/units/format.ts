import { FIELD_UNIT, fromCore, type Kind, UNITS, type UnitSystem, unitOf } from './kinds';
import { readNumber } from './parse';
import { figure } from './working';

/** A figure ready to print: digits and unit apart, so that they can be set in different sizes. */
export interface Shown {
  readonly digits: string;
  readonly unit: string;
  readonly text: string;
}

const shown = (digits: string, unit: string): Shown => ({ digits, unit, text: unit ? `${digits} ${unit}` : digits });

/** The unit a value of that size is best read in. */
export function shownUnit(kind: Kind, value: number, system: UnitSystem): string {
  const size = Math.abs(value);
  const us = system === 'us';
  switch (kind) {
    case 'length':
      return us ? 'in' : size >= 2000 ? 'm' : 'mm';
    case 'area':
      return us ? (size >= 25.4 ** 2 * 288 ? 'ft²' : 'in²') : size >= 1e6 ? 'm²' : 'cm²';
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
 * @param digits significant figures (temperatures: one decimal)
 * @example format('volume', 411.8, 'metric').text // '412 mL'
 */
export function format(kind: Kind, value: number, system: UnitSystem, digits = 3): Shown {
  if (kind === 'duration') {
    const text = formatDuration(value);
    return { digits: text, unit: '', text };
  }
  const symbol = shownUnit(kind, value, system);
  const converted = fromCore(unitOf(kind, symbol), value);
  if (kind === 'temperature' || kind === 'interval')
    return shown((Math.abs(converted) < 0.05 ? 0 : converted).toFixed(1), symbol);
  if (kind === 'count') return shown(figure(converted, 12), '');
  const keepZeros = kind === 'volume' || kind === 'mass';
  return shown(
    figure(converted, Math.max(digits, String(Math.trunc(Math.abs(converted))).length > 3 ? 4 : digits), keepZeros),
    symbol,
  );
}

/**
 * Text for an input field: what was typed while the person's units are those it was typed for,
 * else the stored value converted. The stored value itself never changes here, so switching units back and forth cannot
 * drift.
 */
export function fieldText(
  kind: Kind,
  value: number,
  system: UnitSystem,
  typed?: { text: string; system: UnitSystem },
  digits = 5,
): string {
  if (typed?.text && typed.system === system) return typed.text;
  if (kind === 'duration') return formatExactDuration(value);
  const symbol = FIELD_UNIT[kind][system];
  const converted = fromCore(unitOf(kind, symbol), value);
  const text = String(stepped(symbol, converted, digits));
  return symbol ? `${text} ${symbol}` : text;
}

/** A converted value in steps that mean something in its unit: nobody measures to a ten-thousandth of an inch. */
function stepped(symbol: string, value: number, digits: number): number {
  if (symbol === 'in' && Math.abs(value) >= 0.1) return Number(value.toFixed(3));
  return Number(value.toPrecision(symbol === 'in' ? Math.min(digits, 3) : digits));
}

function formatExactDuration(minutes: number): string {
  if (minutes >= 60) {
    const hours = Math.floor(minutes / 60);
    const rest = Number((minutes - hours * 60).toPrecision(5));
    return rest ? `${hours} h ${rest} min` : `${hours} h`;
  }
  return `${Number(minutes.toPrecision(5))} min`;
}

/** A core value in its core unit, for texts that are read again: nothing is rounded away. */
export function coreText(kind: Kind, value: number): string {
  const { symbol } = UNITS[kind][0]!;
  return symbol ? `${Number(value.toPrecision(12))} ${symbol}` : String(value);
}

/** What was typed, with the unit a bare number was read in written out, so that it means the same to everybody. */
export function withItsUnit(kind: Kind, text: string, system: UnitSystem): string {
  const bare = readNumber(text.trim());
  return 'value' in bare ? `${text.trim()} ${FIELD_UNIT[kind][system]}`.trim() : text.trim();
}
