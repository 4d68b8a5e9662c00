import { DateTime, IANAZone } from 'luxon';
import { refuse } from '../units';

/** A local day: where it begins, where the next one begins, and its weekday (1 is Monday). */
export interface LocalDay {
  readonly startMs: number;
  readonly nextMs: number;
  readonly weekday: number;
  readonly zone: string;
}

const DAY_MS = 86_400_000;
const known = new Map<string, LocalDay>();

/**
 * Local days from the one that holds `fromMs` to the one that holds `toMs`. Days are remembered by zone, since asking a zone
 * for its offset is slow and every redraw asks for the same ones.
 * @throws Refusal for an unknown zone
 */
export function localDays(zone: string, fromMs: number, toMs: number): readonly LocalDay[] {
  if (!isZone(zone)) refuse('zone', zone, 'an IANA time zone', `“${zone}” is not a known time zone.`);
  const iana = IANAZone.create(zone);
  const first = DateTime.fromMillis(fromMs, { zone: iana }).startOf('day');
  const out: LocalDay[] = [];
  for (let startMs = first.toMillis(); startMs <= toMs; startMs = out.at(-1)!.nextMs) {
    const key = `${zone}|${startMs}`;
    let day = known.get(key);
    if (!day) {
      const here = DateTime.fromMillis(startMs, { zone: iana });
      day = { startMs, nextMs: here.plus({ days: 1 }).startOf('day').toMillis(), weekday: here.weekday, zone };
      if (known.size > 5000) known.clear();
      known.set(key, day);
    }
    out.push(day);
  }
  return out;
}

const zones = new Map<string, boolean>();

/** Whether a time zone is known. */
export function isZone(zone: string): boolean {
  const found = zones.get(zone) ?? DateTime.local({ zone }).isValid;
  zones.set(zone, found);
  return found;
}

/** Instant of a local clock hour (0 to 24) of a day. On days with a clock change the zone is asked. */
export function atHour(day: LocalDay, hour: number): number {
  if (hour >= 24) return day.nextMs;
  if (day.nextMs - day.startMs === DAY_MS) return day.startMs + Math.round(hour * 60) * 60_000;
  return DateTime.fromMillis(day.startMs, { zone: day.zone })
    .set({ hour: Math.floor(hour), minute: Math.round((hour % 1) * 60) })
    .toMillis();
}
