import { dewPointC, type HourlyRow, humidityPct } from '@/core/climate';
import { seeded } from '@/core/void';

/** Made-up weather. Not a forecast of any place: it ships so that the product can be tried without one. */
export const CHARACTERS = {
  'frost-night': { label: 'frost at night', meanC: 5, swingK: 7.5, driftKPerDay: -0.4, humidityPct: 82, cloud: 0.2 },
  'heat-wave': { label: 'heat wave', meanC: 26, swingK: 7, driftKPerDay: 0.8, humidityPct: 45, cloud: 0.1 },
  damp: { label: 'damp and grey', meanC: 11, swingK: 2, driftKPerDay: 0.1, humidityPct: 93, cloud: 0.9 },
  'sea-breeze': { label: 'sea breeze', meanC: 16, swingK: 4, driftKPerDay: 0.2, humidityPct: 72, cloud: 0.4 },
} as const;
export type CharacterId = keyof typeof CHARACTERS;

const HOUR_MS = 3_600_000;
/** Half-width of the forecast now, and how it grows with its distance, K and K a day. */
const SPREAD_NOW_K = 0.6;
const SPREAD_PER_DAY_K = 0.55;

/**
 * Hourly weather of a character from an instant on. The same seed gives the same weather.
 * @param utcOffsetHours of the site, so that the warm hours come in its afternoon
 */
export function madeUpForecast(
  character: CharacterId,
  seed: number,
  fromMs: number,
  hours: number,
  utcOffsetHours: number,
): readonly HourlyRow[] {
  const c = CHARACTERS[character];
  const random = seeded(seed);
  const first = Math.floor(fromMs / HOUR_MS) * HOUR_MS;
  // Every day has its own swing and shift; between days they run over smoothly.
  const days = Math.ceil(hours / 24) + 2;
  const daily = Array.from({ length: days }, () => ({
    swing: c.swingK * (0.75 + 0.5 * random()),
    shift: (random() - 0.5) * 3,
  }));
  const heldDew = dewPointC(c.meanC - c.swingK * 0.6, Math.min(99, c.humidityPct + 4));
  return Array.from({ length: hours }, (_, i) => {
    const atMs = first + i * HOUR_MS;
    const day = i / 24;
    const [a, b] = [daily[Math.floor(day)]!, daily[Math.floor(day) + 1]!];
    const f = day - Math.floor(day);
    const swing = a.swing * (1 - f) + b.swing * f;
    const local = (((atMs / HOUR_MS + utcOffsetHours) % 24) + 24) % 24;
    const tempC =
      c.meanC +
      c.driftKPerDay * day +
      a.shift * (1 - f) +
      b.shift * f +
      swing * Math.cos(((local - 15) / 24) * 2 * Math.PI) * (1 - 0.6 * c.cloud);
    const dew = Math.min(tempC - 0.1, heldDew + c.driftKPerDay * day * 0.7 + (a.shift * (1 - f) + b.shift * f) * 0.6);
    return {
      atMs,
      tempC: Math.round(tempC * 10) / 10,
      humidityPct: Math.max(1, Math.round(humidityPct(tempC, dew))),
      spreadK: SPREAD_NOW_K + SPREAD_PER_DAY_K * day,
    };
  });
}
