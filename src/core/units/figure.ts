/**
 * A length or mass as it stands in an expression: all its figures, without the noise that converting it left behind.
 * @example asMeasured(6 * 25.4) // '152.4'
 */
export const asMeasured = (value: number): string => String(Number(value.toPrecision(8)));

/** Smaller than this no figure means anything in any core unit. */
const NOTHING = 1e-9;

/**
 * A number with `digits` significant figures and no exponent; whole numbers past that many digits keep them all.
 * @param keepZeros print 1.00 rather than 1, where figures stand beside each other
 * @example figure(411.83) // '412'
 */
export function figure(value: number, digits = 3, keepZeros = false): string {
  if (!Number.isFinite(value)) return String(value);
  // What is left of sums that cancel is nothing.
  if (Math.abs(value) < NOTHING) return '0';
  const decimals = Math.max(0, digits - 1 - Math.floor(Math.log10(Math.abs(value))));
  const text = value.toFixed(Math.min(decimals, 12));
  return text.includes('.') && !keepZeros ? text.replace(/\.?0+$/, '') : text;
}
