import { FIELD_UNIT, fromCore, inSixteenths, type Kind, shownUnit, UNITS, type UnitSystem, unitOf } from '../units';
import { readNumber } from './number';

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
  const symbol = kind === 'length' && shownUnit(kind, value, system) === 'mil' ? 'mil' : FIELD_UNIT[kind][system];
  const converted = fromCore(unitOf(kind, symbol), value);
  const isConverted = symbol !== FIELD_UNIT[kind].metric;
  const onRule = inSixteenths(symbol, converted);
  if (onRule) return `${onRule} ${symbol}`;
  const text = String(stepped(symbol, converted, isConverted ? Math.min(digits, CONVERTED_DIGITS) : digits));
  return symbol ? `${text} ${symbol}` : text;
}

/** What was typed in other units has no more figures in these; whole ones are kept. */
const CONVERTED_DIGITS = 3;

/** A converted value in steps that mean something in its unit: nobody measures to a ten-thousandth of an inch. */
function stepped(symbol: string, value: number, digits: number): number {
  if (symbol === 'in') return Number(value.toFixed(3));
  const whole = String(Math.trunc(Math.abs(value))).length;
  return Number(value.toPrecision(Math.max(digits, whole)));
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
