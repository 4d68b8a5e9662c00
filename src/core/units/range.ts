import { figure } from './figure';

/** A figure with a true minus. */
export const signed = (value: number, digits = 3): string => figure(value, digits).replace('-', '−');

/**
 * A range as it is said: no open end written as dots, no range whose ends are equal.
 * @param low, high null where that end is open
 * @returns null where both are
 * @example rangeText(5, null, '°C') // 'from 5 °C'
 * @example rangeText(-5, 40, '°C') // '−5 to 40 °C'
 */
export function rangeText(low: number | null, high: number | null, unit: string): string | null {
  if (low === null) return high === null ? null : `up to ${signed(high)} ${unit}`;
  if (high === null) return `from ${signed(low)} ${unit}`;
  const [from, to] = [signed(low), signed(high)];
  return from === to ? `${to} ${unit}` : `${from} to ${to} ${unit}`;
}

/** A temperature that is met goes to whole degrees, to halves where a limit lies near. */
const NEAR_K = 1;
/**
 * Temperatures that are met, as they are said beside limits.
 * @param limits those they are held against
 * @example metC(6.56, 6.84, [5, 30]) // '7 °C'
 */
export function metC(lowC: number, highC: number, limits: readonly (number | null)[]): string {
  const near = (c: number) => limits.some((l) => l !== null && Math.abs(c - l) < NEAR_K);
  const step = near(lowC) || near(highC) ? 0.5 : 1;
  // Never rounded to the other side of a limit.
  const round = (c: number) => {
    const to = Math.round(c / step) * step;
    const crossed = limits.some((l) => l !== null && Math.sign(c - l) !== Math.sign(to - l) && c !== l);
    return crossed ? Number(c.toFixed(1)) : to;
  };
  return rangeText(round(lowC), round(highC), '°C')!;
}
