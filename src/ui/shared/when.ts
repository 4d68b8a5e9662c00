import { inHours } from '@/core/units';
import { LANGUAGE_ROWS, spokenLanguage } from '@/words';
import { usePrefs } from '../workspace/prefs';

/** Days and months are in the language of all other words: no “Do” beside “Thu”. */
const locale = (): string => LANGUAGE_ROWS[spokenLanguage()].locale;
const FORMS = {
  hour: { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
  weekday: { weekday: 'short' },
  day: { weekday: 'short', day: 'numeric', month: 'short' },
  date: { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' },
  written: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;
const known = new Map<string, Intl.DateTimeFormat>();

/** An instant in a form, by a formatter made once: making one takes longer than drawing a whole time band. */
function formatted(ms: number, form: keyof typeof FORMS, zone: string): string {
  const key = `${locale()}|${form}|${zone}`;
  const found = known.get(key) ?? new Intl.DateTimeFormat(locale(), { ...FORMS[form], timeZone: zone });
  known.set(key, found);
  return found.format(ms);
}

/** A date as every other word of the page has it: days and months in three letters, without the points of German. */
const dated = (ms: number, form: 'day' | 'date', zone: string): string =>
  formatted(ms, form, zone)
    .replace(/Sept\b/, 'Sep')
    .replace(/^(\p{L}+)\./u, '$1')
    .replace(/(\p{L}{3})\p{L}*\.?(?= \d{4}|$)/u, '$1');

/** Instants as people read them: day name and clock of the site; the zone is named where it is not the reader's own. */
export const clock = (ms: number, zone: string): string => inHours(clock24(ms, zone), usePrefs.getState().hours);

/** The same from 0 to 24, to be reckoned with. @example '16:05' */
export const clock24 = (ms: number, zone: string): string => formatted(ms, 'hour', zone);

export const dayAndClock = (ms: number, zone: string): string => `${formatted(ms, 'weekday', zone)} ${clock(ms, zone)}`;

/** The day alone, with its date. */
export const dayOf = (ms: number, zone: string): string => formatted(ms, 'written', zone);

export function fullWhen(ms: number, zone: string): string {
  const text = `${dated(ms, 'date', zone)}, ${clock(ms, zone)}`;
  return sameZone(zone) ? text : `${text} (${zone})`;
}

/** Far instants get their date, near ones the day name. */
export function shortWhen(ms: number, zone: string, nowMs: number): string {
  return Math.abs(ms - nowMs) < 6.5 * 86_400_000 ? dayAndClock(ms, zone) : datedWhen(ms, zone);
}

/** With its date, however near. */
export const datedWhen = (ms: number, zone: string): string => `${dated(ms, 'day', zone)} ${clock(ms, zone)}`;

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
