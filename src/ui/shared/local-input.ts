import { DateTime } from 'luxon';

/** Instant of a `datetime-local` text in the site's zone. */
export const fromLocalInput = (text: string, zone: string): number => DateTime.fromISO(text, { zone }).toMillis();
