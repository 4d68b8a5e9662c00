import { GB } from 'chrono-node/en';
import { DateTime } from 'luxon';
import { type Message, texts } from '../say';
import type { Parsed } from '../typed';
import { type Hours, inHours } from '../units';
import { inEnglish } from './german-when';

const REFUSED = texts('refused.climate.read-when', {
  'two-ways': '“{all}” can be read in two ways.',
  'other-weekday': 'The day and its date do not go together. Which of them is meant?',
  'no-year': 'The year must lie between {from} and {to}.',
  'no-hour': 'That is no hour of the day. Type it as 7, 7am, 17:30 or noon.',
  'no-date': 'That is no day. Type it as “23 Apr”, “next Fri” or “2026-04-23”.',
  'no-day': 'That is no day and hour. Type it as “tomorrow 7”, “Fri noon”, “12 May 14:30” or “2026-05-12 14:30”.',
});

/** Where and when an instant is typed. */
export interface Typing {
  readonly nowMs: number;
  readonly zone: string;
  /** The hour meant by a day without one. */
  readonly atHour: number;
  /** The language that readings are offered in; English where it is left out. */
  readonly locale?: string;
}

/** As a field shows it, and as it is read again. @param locale of its words @example 'Tue 5 May 2026 09:00' */
export function whenText(ms: number, zone: string, hours: Hours = 24, locale = 'en'): string {
  const at = DateTime.fromMillis(ms, { zone, locale });
  return `${at.toFormat('ccc d LLL yyyy')} ${inHours(at.toFormat('HH:mm'), hours)}`;
}

/** Years that an instant of the work may lie in. */
export const [YEAR_FROM, YEAR_TO] = [1970, 2200];
/** A day without a year may lie so far behind: what was wanted last week. */
const BEHIND_DAYS = 35;
/** No day and hour take more to write, in characters. */
const LONGEST = 200;
const bad = (sentence: Message): Parsed => ({ ok: false, sentence });
const pad = (n: number) => String(n).padStart(2, '0');

const MONTH = '(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\\.?';
const ORDINAL = '(?:st|nd|rd|th)';
/** `May 12`, `Apr 20, 2027`: the month before its day. */
const MONTH_FIRST = new RegExp(`\\b(${MONTH}) (\\d{1,2})${ORDINAL}?\\b(?!:|\\.\\d| ?[ap]\\.?m)(?:, ?(\\d{4}))?`, 'i');
/** `Thu 15th`: the day of a month that nobody names. */
const DAY_OF_MONTH = new RegExp(`(?<!${MONTH} )\\b(\\d{1,2})${ORDINAL}\\b(?! (?:of )?${MONTH})`, 'i');
const DAY_WORD = '(?:day|mon|tues?|wed|thu(?:rs)?|fri|sat|sun|tomorrow|today|tonight)\\.?,?';
/** `0700`, alone or behind a day. */
const FOUR_DIGITS = new RegExp(`^(|.*${DAY_WORD} )([01]\\d|2[0-3])([0-5]\\d)$`, 'i');
const YEARS_ABOUT = 5;
const HALVES = { half: 30, quarter: 15 } as const;

/** The next day with that number, today with it. */
function nextWithNumber(here: DateTime, day: number): string {
  for (let i = 0; i < 62; i++) {
    const at = here.plus({ days: i });
    if (at.day === day) return at.setLocale('en').toFormat('d LLL yyyy');
  }
  return String(day);
}

/** Forms that everybody reads in one way, put so that the library does as well. */
const plainly = (text: string, here: DateTime): string =>
  text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(
      /\b(\d{4})\/(\d{1,2})\/(\d{1,2})\b/,
      (_, y: string, m: string, d: string) => `${y}-${pad(Number(m))}-${pad(Number(d))}`,
    )
    .replace(/\b(?:the )?day after tomorrow\b/i, () => here.plus({ days: 2 }).toISODate()!)
    .replace(/\b(half|quarter) (past|to) (\d{1,2})\b/i, (_, part: 'half', side: string, h: string) => {
      const minutes = Number(h) * 60 + (side === 'to' ? -1 : 1) * HALVES[part.toLowerCase() as 'half'];
      return `${Math.floor(minutes / 60)}:${pad(minutes % 60)}`;
    })
    .replace(MONTH_FIRST, (_, month: string, day: string, year?: string) => `${day} ${month} ${year ?? ''}`.trim())
    .replace(DAY_OF_MONTH, (_, day: string) => nextWithNumber(here, Number(day)))
    .replace(FOUR_DIGITS, (all, day: string, h: string, m: string) =>
      // Alone, the years about this one are no hour.
      !day && Math.abs(Number(`${h}${m}`) - here.year) < YEARS_ABOUT ? all : `${day}${h}:${m}`,
    )
    // A month ends with 12: what is more behind the dot are minutes.
    .replace(/^(\d{1,2})\.(1[3-9]|[2-5]\d|00)$/, '$1:$2')
    // A day with dots is day before month.
    .replace(
      /\b(\d{1,2})\.(\d{1,2})\.(\d{4}|\d{2}(?!\d| ?[:.h]|\s?[ap]m))?/,
      (_, d: string, m: string, y?: string) =>
        `${y ? `${y.length === 2 ? `20${y}` : y}-${pad(Number(m))}-${pad(Number(d))}` : `${d}/${m}`} `,
    )
    // An hour alone after a day, or nothing but an hour.
    .replace(/^(\d{1,2})$/, '$1:00')
    .replace(new RegExp(`(${DAY_WORD}|\\d{4}-\\d\\d-\\d\\d) (\\d{1,2})$`, 'i'), '$1 $2:00')
    .replace(/\b(\d{1,2})h(\d{2})?\b/i, (_, h: string, m?: string) => `${h}:${m ?? '00'}`)
    .trim();

/** A day whose date and weekday part, as both: Monday the 20th, where the 20th is a Tuesday. */
function otherWeekday(at: DateTime<true>, said: number, locale: string): Parsed {
  const told = at.setLocale('en');
  const near = Array.from({ length: 7 }, (_, i) => told.plus({ days: i - 3 })).find((d) => d.weekday % 7 === said)!;
  return {
    ok: false,
    sentence: REFUSED['other-weekday'](),
    choices: [told, near].map((d) => ({
      label: d.setLocale(locale).toFormat('ccc d LLL'),
      text: d.toFormat('d LLL yyyy HH:mm'),
    })),
  };
}

/**
 * An instant as people say it, in the zone of the site: a day and an hour, a weekday, how long from now. What lies in
 * front is meant where no year is said, unless it lies a few weeks behind.
 * @returns milliseconds; a day and month that could be either are asked with both readings
 * @example readWhen('Fri noon', { nowMs, zone: 'Europe/Helsinki', atHour: 7 })
 */
export function readWhen(text: string, { nowMs, zone, atHour, locale = 'en' }: Typing): Parsed {
  if (text.length > LONGEST) return bad(REFUSED['no-day']());
  const here = DateTime.fromMillis(nowMs, { zone });
  const clear = plainly(inEnglish(text), here);
  const slashed = /\b(\d{1,2})\/(\d{1,2})(?:\/(\d{2,4}))?\b/.exec(clear);
  if (slashed) {
    const [all, a, b, y] = slashed as unknown as [string, string, string, string | undefined];
    const asDay = (d: string, m: string) => {
      const year = y ? Number(y.length === 2 ? `20${y}` : y) : here.year;
      const day = DateTime.fromObject({ year, month: Number(m), day: Number(d) }, { zone, locale: 'en' });
      // Without a year the coming one is meant, unless it lies a few weeks behind.
      return y || here.diff(day, 'days').days < BEHIND_DAYS ? day : day.plus({ years: 1 });
    };
    const readings = [asDay(a, b), asDay(b, a)].filter((d) => d.isValid);
    const different = readings.length === 2 && a !== b;
    // With dots it was day before month already.
    const dotted = /\d\.\d{1,2}\./.test(text);
    if (!readings.length) return bad(REFUSED['no-day']());
    if (different && !dotted)
      return {
        ok: false,
        sentence: REFUSED['two-ways']({ all }),
        choices: readings.map((d) => {
          const said = clear.replace(all, d.toFormat('d LLL yyyy'));
          return { label: d.setLocale(locale).toFormat('d LLLL yyyy'), text: said };
        }),
      };
    return readWhen(clear.replace(all, readings[0]!.toFormat('d LLL yyyy')), { nowMs, zone, atHour, locale });
  }
  const found = GB.parse(
    clear,
    { instant: new Date(nowMs), timezone: here.offset },
    {
      // Last Monday lies behind.
      forwardDate: !/\blast\b/i.test(clear),
    },
  );
  const [one] = found;
  if (!one || found.length > 1 || one.end) return bad(REFUSED['no-day']());
  const rest = (clear.slice(0, one.index) + clear.slice(one.index + one.text.length)).replace(
    /\b(at|on|by|the)\b|[,.]/gi,
    '',
  );
  if (rest.trim()) return bad(REFUSED['no-day']());
  const { start } = one;
  const hour =
    start.isCertain('hour') || /tonight|morning|evening|afternoon/i.test(clear) ? start.get('hour')! : atHour;
  const exact = start.isCertain('hour') ? (start.get('minute') ?? 0) : Math.round((atHour % 1) * 60);
  let at = DateTime.fromObject(
    {
      year: start.get('year')!,
      month: start.get('month')!,
      day: start.get('day')!,
      hour: Math.floor(hour),
      minute: exact,
    },
    { zone },
  );
  if (!start.isCertain('year') && start.isCertain('day') && at.diff(here, 'days').days > 365 - BEHIND_DAYS)
    at = at.minus({ years: 1 });
  if (!at.isValid) return bad(REFUSED['no-day']());
  const said = start.isCertain('weekday') && start.isCertain('day') ? start.get('weekday')! : null;
  if (said !== null && said !== at.weekday % 7) return otherWeekday(at, said, locale);
  if (at.year < YEAR_FROM || at.year > YEAR_TO) return bad(REFUSED['no-year']({ from: YEAR_FROM, to: YEAR_TO }));
  return { ok: true, value: at.toMillis(), text: whenText(at.toMillis(), zone) };
}

/** An hour of the day as a field shows it. @example clockText(16.5) // '16:30' */
export const clockText = (hour: number, hours: Hours = 24): string => {
  const minutes = Math.round(hour * 60);
  // The end of a day is not its beginning.
  if (hours === 12 && minutes === 24 * 60) return 'midnight';
  return inHours(`${pad(Math.floor(minutes / 60))}:${pad(minutes % 60)}`, hours);
};

/**
 * An hour of the day as people say it: 7, 7am, 17:30, 5.30 pm, noon.
 * @returns hours from midnight, up to 24
 */
export function readClock(text: string): Parsed {
  const said = inEnglish(text).toLowerCase();
  if (said === 'noon') return { ok: true, value: 12, text: '12:00' };
  if (said === 'midnight') return { ok: true, value: 24, text: '24:00' };
  const read = /^(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm|a\.m\.|p\.m\.)?$/.exec(said);
  const half = read?.[3]?.[0];
  const [h, m] = [Number(read?.[1]), Number(read?.[2] ?? 0)];
  const hour = half && h >= 1 && h <= 12 ? (h % 12) + (half === 'p' ? 12 : 0) : h;
  if (!read || (half && (h < 1 || h > 12)) || m > 59 || hour + m / 60 > 24) return bad(REFUSED['no-hour']());
  return { ok: true, value: hour + m / 60, text: clockText(hour + m / 60) };
}

/** A day as a field shows it, and as it is read again. @example dayText('2026-05-05') // 'Tue 5 May 2026' */
export const dayText = (iso: string, locale = 'en'): string => {
  const day = DateTime.fromISO(iso, { zone: 'utc', locale });
  return day.isValid ? day.toFormat('ccc d LLL yyyy') : iso;
};

/** What stands on a pack before its day. */
const BEFORE_DAY = /^(?:exp(?:ir(?:y|es))?|use[- ]by|best before|bbd|mhd|(?:verwendbar|haltbar) bis)\b\.?\s*:?\s*/i;
/** A month of two digits and a year of two: on packs within so many years of this one. */
const [PACKS_BACK, PACKS_ON] = [3, 15];

/** A month or a year as a whole, `06/2027`, `2027-06`, `June 2027`, `1998`; null where it is none. */
function periodIn(text: string, zone: string): { from: DateTime<true>; unit: 'month' | 'year' } | null {
  const of = (month: number, year: number, unit: 'month' | 'year') => {
    const from = DateTime.fromObject({ year, month }, { zone });
    return from.isValid ? { from, unit } : null;
  };
  const named = new RegExp(`^(${MONTH}) (\\d{4})$`, 'i').exec(text);
  if (named) {
    const month = DateTime.fromFormat(named[1]!.slice(0, 3), 'LLL', { locale: 'en' });
    return of(month.month, Number(named[2]), 'month');
  }
  const before = /^(\d{1,2})[/.-](\d{4})$/.exec(text);
  if (before) return of(Number(before[1]), Number(before[2]), 'month');
  const behind = /^(\d{4})[/.-](\d{1,2})$/.exec(text);
  if (behind) return of(Number(behind[2]), Number(behind[1]), 'month');
  return /^(?:19|20)\d{2}$/.test(text) ? of(1, Number(text), 'year') : null;
}

/**
 * A day as people say it, as {@link readWhen} reads it: its noon at the site. A month or a year alone is one of its
 * ends.
 * @param at.whole which of them: what is good until June is good to its end, what was written in it may be from its
 *   first day
 */
export function readDay(
  text: string,
  { nowMs, zone, locale = 'en', whole = 'first' }: Omit<Typing, 'atHour'> & { readonly whole?: 'first' | 'last' },
): Parsed {
  if (text.length > LONGEST) return bad(REFUSED['no-date']());
  const said = inEnglish(text.trim()).replace(BEFORE_DAY, '').replace(/\s+/g, ' ');
  const noon = (day: DateTime<true>): Parsed => {
    const ms = day.set({ hour: 12 }).toMillis();
    return { ok: true, value: ms, text: whenText(ms, zone) };
  };
  const period = periodIn(said, zone);
  if (period) {
    const { from, unit } = period;
    if (from.year < YEAR_FROM || from.year > YEAR_TO) return bad(REFUSED['no-year']({ from: YEAR_FROM, to: YEAR_TO }));
    return noon(whole === 'first' ? from : from.endOf(unit).startOf('day'));
  }
  const read = readWhen(said, { nowMs, zone, atHour: 12, locale });
  const onPack = /^(\d{1,2})\/(\d{2})$/.exec(said);
  if (onPack) {
    const here = DateTime.fromMillis(nowMs, { zone });
    const month = DateTime.fromObject(
      { year: 2000 + Number(onPack[2]), month: Number(onPack[1]) },
      { zone, locale: 'en' },
    );
    const near = month.year >= here.year - PACKS_BACK && month.year <= here.year + PACKS_ON;
    const days = read.ok ? [DateTime.fromMillis(read.value, { zone, locale: 'en' })] : [];
    if (month.isValid && near)
      return !read.ok && !read.choices
        ? readDay(month.toFormat('LLL yyyy'), { nowMs, zone, whole })
        : {
            ok: false,
            sentence: REFUSED['two-ways']({ all: said }),
            choices: [
              { label: month.setLocale(locale).toFormat('LLLL yyyy'), text: month.toFormat('LLL yyyy') },
              ...days.map((d) => ({
                label: d.setLocale(locale).toFormat('d LLLL yyyy'),
                text: d.toFormat('d LLL yyyy'),
              })),
              ...(read.ok ? [] : (read.choices ?? [])),
            ],
          };
  }
  return read.ok || read.choices ? read : bad(REFUSED['no-date']());
}

/** The day of an instant at a place. @example isoDay(ms, 'Europe/Helsinki') // '2026-05-05' */
/** The middle of a day, ms: no change of clocks makes another day of it. */
export const noonOf = (iso: string, zone: string): number =>
  DateTime.fromISO(iso, { zone }).set({ hour: 12 }).toMillis();

export const isoDay = (ms: number, zone: string): string => DateTime.fromMillis(ms, { zone }).toISODate()!;
