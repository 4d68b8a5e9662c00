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

/** So near to a sixteenth a length was read off a rule that has them, in. */
const AT_SIXTEENTH = 0.0003;

/**
 * Inches as a rule has them: what stands at a sixteenth is told by it, not by its decimals.
 * @returns null in other units, for whole inches, and off the sixteenths
 * @example inSixteenths('in', 4.5625) // '4 9/16'
 */
export function inSixteenths(unit: string, value: number): string | null {
  const size = Math.abs(value);
  const sixteenths = Math.round(size * 16);
  if (unit !== 'in' || sixteenths % 16 === 0 || Math.abs(size * 16 - sixteenths) > 16 * AT_SIXTEENTH) return null;
  let [over, under] = [sixteenths % 16, 16];
  for (; over % 2 === 0; over /= 2) under /= 2;
  const whole = Math.floor(sixteenths / 16);
  return `${value < 0 ? '-' : ''}${whole ? `${whole} ` : ''}${over}/${under}`;
}
