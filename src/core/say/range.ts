import { figure } from '../units';
import type { Message, Quantity } from './message';
import { texts } from './texts';
import { degC, exactly } from './values';

const RANGE = texts('range', { from: 'from {low}', 'up-to': 'up to {high}', both: '{low} to {high}', one: '{high}' });

/**
 * A range as it is said: no open end written as dots, no range whose ends are equal.
 * @param low, high null where that end is open
 * @returns null where both are
 * @example rangeOf(degC(5), null) // from 5 °C
 * @example rangeOf(degC(-5), degC(40)) // −5 °C to 40 °C
 */
export function rangeOf(low: Quantity | null, high: Quantity | null): Message | null {
  if (low === null) return high === null ? null : RANGE['up-to']({ high: exactly(high) });
  if (high === null) return RANGE.from({ low: exactly(low) });
  return figure(low.value) === figure(high.value)
    ? RANGE.one({ high: exactly(high) })
    : RANGE.both({ low: exactly(low), high: exactly(high) });
}

/** More figures than that tell nobody anything. */
const MOST_DIGITS = 5;

/**
 * Significant figures with which two values held against each other read apart; no more than are asked for where they
 * do, or where they are the same.
 * @example digitsApart(3.62, 3.57) // 3
 */
export function digitsApart(a: number, b: number, least = 2): number {
  for (let digits = least; digits <= MOST_DIGITS; digits++) if (figure(a, digits) !== figure(b, digits)) return digits;
  return least;
}

/** A temperature that is met goes to whole degrees, to halves where a limit lies near. */
const NEAR_K = 1;
/**
 * Temperatures that are met, as they are said beside limits.
 * @param limits those they are held against, °C
 * @example metC(6.56, 6.84, [5, 30]) // 7 °C
 */
export function metC(lowC: number, highC: number, limits: readonly (number | null)[]): Message {
  const near = (c: number) => limits.some((l) => l !== null && Math.abs(c - l) < NEAR_K);
  const step = near(lowC) || near(highC) ? 0.5 : 1;
  const said = (c: number): Quantity => {
    const to = Math.round(c / step) * step;
    // Never rounded to the other side of a limit.
    const crossed = limits.some((l) => l !== null && Math.sign(c - l) !== Math.sign(to - l) && c !== l);
    return crossed ? degC(Number(c.toFixed(1))) : { ...degC(c), step };
  };
  // Ends that are one figure to a reader in Fahrenheit are no range, nor are those that are one in Celsius.
  const apart = highC - lowC >= (step * 5) / 9 && Math.round(lowC / step) !== Math.round(highC / step);
  return apart || limits.some((l) => l !== null && lowC < l !== highC < l)
    ? RANGE.both({ low: exactly(said(lowC)), high: exactly(said(highC)) })
    : RANGE.one({ high: exactly(said(highC)) });
}
