import { inHours } from '@/core/units';
import { usePrefs } from '../workspace/prefs';

/** Days and months are in the language of all other words: no “Do” beside “Thu”. */
const LANGUAGE = 'en-GB';
const known = new Map<string, Intl.DateTimeFormat>();

/** A formatter, made once: making one takes longer than drawing a whole time band. */
function formatter(locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${locale}|${JSON.stringify(options)}`;
  const found = known.get(key) ?? new Intl.DateTimeFormat(locale, options);
  known.set(key, found);
  return found;
}

/** A date as every other word of the page has it: September in three letters, as all months. */
const dated = (ms: number, options: Intl.DateTimeFormatOptions): string =>
  formatter(LANGUAGE, options)
    .format(ms)
    .replace(/Sept\b/, 'Sep');

/** Instants as people read them: day name and clock of the site; the zone is named where it is not the reader's own. */
export const clock = (ms: number, zone: string): string => inHours(clock24(ms, zone), usePrefs.getState().hours);

/** The same from 0 to 24, to be reckoned with. @example '16:05' */
export const clock24 = (ms: number, zone: string): string =>
  formatter(LANGUAGE, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23', timeZone: zone }).format(ms);

export function dayAndClock(ms: number, zone: string): string {
  const day = formatter(LANGUAGE, { weekday: 'short', timeZone: zone }).format(ms);
  return `${day} ${clock(ms, zone)}`;
}

/** The day alone, with its date. */
export const dayOf = (ms: number, zone: string): string =>
  formatter(LANGUAGE, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric', timeZone: zone }).format(ms);

export function fullWhen(ms: number, zone: string): string {
  const day = dated(ms, { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: zone });
  const text = `${day}, ${clock(ms, zone)}`;
  return sameZone(zone) ? text : `${text} (${zone})`;
}

/** Far instants get their date, near ones the day name. */
export function shortWhen(ms: number, zone: string, nowMs: number): string {
  if (Math.abs(ms - nowMs) < 6.5 * 86_400_000) return dayAndClock(ms, zone);
  const date = dated(ms, { weekday: 'short', day: 'numeric', month: 'short', timeZone: zone });
  return `${date} ${clock(ms, zone)}`;
}

/** The zone of this device. */
export const hereZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

export const sameZone = (zone: string): boolean => hereZone() === zone;

/** `mm:ss` or `h:mm:ss` of a stretch, with a minus when it is overdue. */
export function countdown(ms: number): string {
  const total = Math.floor(Math.abs(ms) / 1000);
  const h = Math.floor(total / 3600);
  const m = Math.floor((total % 3600) / 60);
  const s = total % 60;
  const pad = (n: number) => String(n).padStart(2, '0');
  return `${ms < 0 ? '−' : ''}${h > 0 ? `${h}:${pad(m)}` : pad(m)}:${pad(s)}`;
}
