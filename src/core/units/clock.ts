/** How the hours of a day are told: from 0 to 24, or twice to 12. */
export type Hours = 24 | 12;

/**
 * A clock as `16:05` in the hours of its reader. The end of a day is midnight.
 * @example inHours('16:05', 12) // '4:05 pm'
 * @example inHours('00:00', 12) // '12:00 am'
 */
export function inHours(clock: string, hours: Hours): string {
  if (hours === 24) return clock;
  const [h, minutes] = clock.split(':') as [string, string];
  const hour = Number(h) % 24;
  return `${hour % 12 || 12}:${minutes} ${hour < 12 ? 'am' : 'pm'}`;
}
