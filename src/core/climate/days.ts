import { DateTime, IANAZone } from 'luxon';
import { refuse, texts } from '../say';
import { type Hours, inHours } from '../units';

const REFUSED = texts('refused.climate.days', {
  'not-known-time': '“{zone}” is not a known time zone.',
});

/** A local day: where it begins, where the next one begins, its weekday (1 is Monday) and its date, YYYY-MM-DD. */
export interface LocalDay {
  readonly startMs: number;
  readonly nextMs: number;
  readonly weekday: number;
  readonly date: string;
  readonly zone: string;
}

const DAY_MS = 86_400_000;
const known = new Map<string, LocalDay>();

/**
 * Local days from the one that holds `fromMs` to the one that holds `toMs`. Days are remembered by zone, since asking a
 * zone for its offset is slow and every redraw asks for the same ones.
 * @throws Refusal for an unknown zone
 */
export function localDays(zone: string, fromMs: number, toMs: number): readonly LocalDay[] {
  if (!isZone(zone)) refuse('zone', zone, 'an IANA time zone', REFUSED['not-known-time']({ zone }));
  const iana = IANAZone.create(zone);
  const first = DateTime.fromMillis(fromMs, { zone: iana }).startOf('day');
  const out: LocalDay[] = [];
  for (let startMs = first.toMillis(); startMs <= toMs; startMs = out.at(-1)!.nextMs) {
    const key = `${zone}|${startMs}`;
    let day = known.get(key);
    if (!day) {
      const here = DateTime.fromMillis(startMs, { zone: iana });
      day = {
        startMs,
        nextMs: here.plus({ days: 1 }).startOf('day').toMillis(),
        weekday: here.weekday,
        date: here.toISODate()!,
        zone,
      };
      if (known.size > 5000) known.clear();
      known.set(key, day);
    }
    out.push(day);
  }
  return out;
}

const found = new Map<string, LocalDay[]>();

/**
 * The local day that holds an instant; asked again for the same day it costs nothing. @throws Refusal for an unknown
 * zone
 */
export function dayOf(zone: string, ms: number): LocalDay {
  const key = `${zone}|${Math.floor(ms / DAY_MS)}`;
  const near = found.get(key);
  const known = near?.find((d) => ms >= d.startMs && ms < d.nextMs);
  if (known) return known;
  const day = localDays(zone, ms, ms)[0]!;
  if (found.size > 5000) found.clear();
  found.set(key, [...(near ?? []), day]);
  return day;
}

/** Local clock of an instant, as `07:40`. */
export function clockOfDay(day: LocalDay, ms: number): string {
  // On days with a clock change the zone is asked.
  if (day.nextMs - day.startMs !== DAY_MS) return DateTime.fromMillis(ms, { zone: day.zone }).toFormat('HH:mm');
  const minutes = Math.floor((ms - day.startMs) / 60_000);
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
}

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** An instant at a site in the words of its sentences, which are English. */
export interface SiteTime {
  /** @example 'Thu' */
  readonly weekday: string;
  readonly day: number;
  /** @example 'Jan' */
  readonly month: string;
  /** @example '07:40' */
  readonly clock: string;
}

/** Weekday, date and local clock of an instant. */
export function siteTimeOf(zone: string, ms: number, hours: Hours = 24): SiteTime {
  const at = dayOf(zone, ms);
  const [, month, day] = at.date.split('-').map(Number) as [number, number, number];
  return {
    weekday: WEEKDAYS[at.weekday - 1]!,
    day,
    month: MONTHS[month - 1]!,
    clock: inHours(clockOfDay(at, ms), hours),
  };
}

const zones = new Map<string, boolean>();

/** Whether a time zone is known. */
export function isZone(zone: string): boolean {
  const found = zones.get(zone) ?? DateTime.local({ zone }).isValid;
  zones.set(zone, found);
  return found;
}

/**
 * Local clock of an instant in hours, 0 to 24. On days with a clock change the zone is asked: counted from midnight it
 * would be an hour off.
 */
export function hourOf(day: LocalDay, ms: number): number {
  if (day.nextMs - day.startMs === DAY_MS) return (ms - day.startMs) / 3_600_000;
  const here = DateTime.fromMillis(ms, { zone: day.zone });
  return here.hour + here.minute / 60 + here.second / 3600;
}

/** Instant of a local clock hour (0 to 24) of a day. On days with a clock change the zone is asked. */
export function atHour(day: LocalDay, hour: number): number {
  if (hour >= 24) return day.nextMs;
  if (day.nextMs - day.startMs === DAY_MS) return day.startMs + Math.round(hour * 60) * 60_000;
  return DateTime.fromMillis(day.startMs, { zone: day.zone })
    .set({ hour: Math.floor(hour), minute: Math.round((hour % 1) * 60) })
    .toMillis();
}
