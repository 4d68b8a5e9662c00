import { z } from 'zod';
import { degC, exactly, on, type Problem, refuse, type Said, texts } from '../say';
import { Celsius, HourOfDay, Instant, Percent } from '../units';
import { atHour, localDays } from './days';
import { dewPointC, humidityPct } from './dew';
import type { Series } from './series';

const REFUSED = texts('refused.climate.air', {
  'hour-air': 'Hour {n}: the air temperature',
  'hour-humidity': 'Hour {n}: the humidity',
  'must-lie-between': '{label} must lie between {low} and {high} {unit}.',
  'hourly-weather-holds': 'The hourly weather holds fewer than two hours.',
  'hour-not-later': 'Hour {n} is not later than the one before it.',
  'daily-low-above': 'The daily low, {low}, is above the high, {high}.',
  'high-must-come': 'The high must come at least one hour away from the low.',
  'weather-ends': 'The weather “{source}” ends on {end}, before the work begins.',
});

const tempC = Celsius;
const hour = HourOfDay;

/** An hour of weather, measured or forecast. */
export const HourlyRow = z.object({
  atMs: Instant,
  tempC,
  humidityPct: Percent.nullable(),
  /** Half the width within which the forecast lies, K; 0 for what was measured. */
  spreadK: z.number().nonnegative().max(200),
});
export type HourlyRow = z.infer<typeof HourlyRow>;

/** Where the site's air temperature comes from. */
export const ClimateSource = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('constant'), tempC, humidityPct: Percent }),
  /** Low and high of every day at their local hours, joined by half-cosines; humidity as met at the low. */
  z.object({
    kind: z.literal('daily'),
    lowC: tempC,
    lowHour: hour,
    highC: tempC,
    highHour: hour,
    humidityAtLowPct: Percent,
  }),
  /**
   * Hour by hour from a file or a forecast, joined by straight lines. Where no humidity is given, `humidityPct` holds.
   */
  z.object({
    kind: z.literal('hourly'),
    source: z.string().max(120),
    /** Not real weather: from the forecast that ships. */
    standIn: z.boolean(),
    humidityPct: Percent,
    rows: z.array(HourlyRow).max(3000),
  }),
]);
export type ClimateSource = z.infer<typeof ClimateSource>;

/** Air, and the dew point it holds. Both on the same times. */
export interface Air {
  readonly air: Series;
  readonly dew: Series;
  /** Half the width within which the forecast lies, K, on the same times; null for what is measured or assumed. */
  readonly spread: Series | null;
}

export const STEP_MS = 900_000;
/** Beyond the days in which work is placed only long waits are left: hourly samples are as good there. */
const NEAR_MS = 8 * 86_400_000;
const FAR_STEP_MS = 3_600_000;
/** Weeks on a sample every three hours still follows the days. */
const WEEKS_MS = 26 * 86_400_000;
const WEEKS_STEP_MS = 3 * FAR_STEP_MS;
const DAY_MS = 86_400_000;
/** Days before the work that a history is asked for, ms. */
const BEFORE_MS = 2 * DAY_MS;

/** A climate so much warmer or colder all through, K; itself where that would be no climate. */
export function climateShifted(source: ClimateSource, byK: number): ClimateSource {
  const shifted: ClimateSource =
    source.kind === 'constant'
      ? { ...source, tempC: source.tempC + byK }
      : source.kind === 'daily'
        ? { ...source, lowC: source.lowC + byK, highC: source.highC + byK }
        : { ...source, rows: source.rows.map((r) => ({ ...r, tempC: r.tempC + byK })) };
  return climateProblems(shifted).length ? source : shifted;
}

/** Problems of a climate source, each at its field. */
export function climateProblems(source: ClimateSource): readonly Problem[] {
  const out: Problem[] = [];
  const range = (field: string, label: Said, value: number, low: number, high: number, unit: string) => {
    if (!(value >= low && value <= high))
      out.push({
        field,
        value,
        allowed: `${low} to ${high} ${unit}`,
        sentence: REFUSED['must-lie-between']({ label, low, high, unit }),
      });
  };
  if (source.kind === 'hourly') {
    range('humidityPct', 'The humidity', source.humidityPct, 1, 100, '%');
    if (source.rows.length < 2)
      out.push({
        field: 'rows',
        value: source.rows.length,
        allowed: 'at least two hours',
        sentence: REFUSED['hourly-weather-holds'](),
      });
    source.rows.forEach((r, i) => {
      if (out.length > 3) return;
      range(`rows.${i}.tempC`, REFUSED['hour-air']({ n: i + 1 }), r.tempC, -60, 60, '°C');
      if (r.humidityPct !== null)
        range(`rows.${i}.humidityPct`, REFUSED['hour-humidity']({ n: i + 1 }), r.humidityPct, 1, 100, '%');
      if (i && r.atMs <= source.rows[i - 1]!.atMs)
        out.push({
          field: `rows.${i}.atMs`,
          value: r.atMs,
          allowed: 'rising times',
          sentence: REFUSED['hour-not-later']({ n: i + 1 }),
        });
    });
    return out;
  }
  if (source.kind === 'constant') {
    range('tempC', 'The air temperature', source.tempC, -40, 60, '°C');
    range('humidityPct', 'The humidity', source.humidityPct, 1, 100, '%');
    return out;
  }
  range('lowC', 'The daily low', source.lowC, -40, 60, '°C');
  range('highC', 'The daily high', source.highC, -40, 60, '°C');
  range('lowHour', 'The hour of the low', source.lowHour, 0, 23.99, 'h');
  range('highHour', 'The hour of the high', source.highHour, 0, 23.99, 'h');
  range('humidityAtLowPct', 'The humidity', source.humidityAtLowPct, 1, 100, '%');
  if (source.lowC > source.highC)
    out.push({
      field: 'lowC',
      value: source.lowC,
      allowed: `up to ${source.highC} °C`,
      sentence: REFUSED['daily-low-above']({ low: exactly(degC(source.lowC)), high: exactly(degC(source.highC)) }),
    });
  if (Math.abs(source.lowHour - source.highHour) < 1)
    out.push({
      field: 'highHour',
      value: source.highHour,
      allowed: 'an hour or more from the low',
      sentence: REFUSED['high-must-come'](),
    });
  return out;
}

/**
 * Air temperature and dew point over [from, to], sampled every quarter of an hour, after eight days every hour. Hours
 * of low and high are local clock hours of the site, so a night with a clock change is as long as it really is. Within
 * a day the dew point is held.
 * @param zone IANA time zone
 * @throws Refusal for a bad source or zone
 */
export function airOver(source: ClimateSource, zone: string, fromMs: number, toMs: number): Air {
  const bad = climateProblems(source)[0];
  if (bad) refuse(`climate.${bad.field}`, bad.value, bad.allowed, bad.sentence);
  if (source.kind === 'hourly') return hourlyAir(source, zone, fromMs, toMs);
  const times = samplesOver(fromMs, toMs);
  const n = times.length;
  if (source.kind === 'constant') {
    localDays(zone, fromMs, fromMs);
    const dew = dewPointC(source.tempC, source.humidityPct);
    return {
      air: { times, values: new Float64Array(n).fill(source.tempC) },
      dew: { times, values: new Float64Array(n).fill(dew) },
      spread: null,
    };
  }
  const knots = dailyKnots(source, zone, fromMs, times[n - 1]!);
  const values = new Float64Array(n);
  let k = 0;
  for (let i = 0; i < n; i++) {
    while (knots[k + 1]![0] < times[i]!) k++;
    const [t0, v0] = knots[k]!;
    const [t1, v1] = knots[k + 1]!;
    values[i] = v0 + ((v1 - v0) * (1 - Math.cos((Math.PI * (times[i]! - t0)) / (t1 - t0)))) / 2;
  }
  const held = Math.min(dewPointC(source.lowC, source.humidityAtLowPct), source.lowC);
  return { air: { times, values }, dew: { times, values: new Float64Array(n).fill(held) }, spread: null };
}

/**
 * Hourly weather on quarter hours. Before its first hour that hour holds, so that a base has something to warm up on;
 * it ends where it ends, and what is not reached by then is refused with that instant.
 */
function hourlyAir(
  source: Extract<ClimateSource, { kind: 'hourly' }>,
  zone: string,
  fromMs: number,
  toMs: number,
): Air {
  localDays(zone, fromMs, fromMs);
  const { rows } = source;
  const endMs = Math.min(toMs, rows.at(-1)!.atMs);
  if (endMs <= fromMs + BEFORE_MS)
    refuse(
      'climate.rows',
      endMs,
      'hours that cover the work',
      REFUSED['weather-ends']({
        source: source.source,
        end: on(rows.at(-1)!.atMs),
      }),
    );
  const n = Math.max(2, Math.floor((endMs - fromMs) / STEP_MS) + 1);
  const times = Float64Array.from({ length: n }, (_, i) => fromMs + i * STEP_MS);
  const air = new Float64Array(n);
  const dew = new Float64Array(n);
  const spread = new Float64Array(n);
  const dews = rows.map((r) => Math.min(r.tempC, dewPointC(r.tempC, r.humidityPct ?? source.humidityPct)));
  let k = 0;
  for (let i = 0; i < n; i++) {
    const ms = times[i]!;
    while (k + 1 < rows.length - 1 && rows[k + 1]!.atMs <= ms) k++;
    const [a, b] = [rows[k]!, rows[k + 1]!];
    const f = Math.min(1, Math.max(0, (ms - a.atMs) / (b.atMs - a.atMs)));
    air[i] = a.tempC + (b.tempC - a.tempC) * f;
    dew[i] = dews[k]! + (dews[k + 1]! - dews[k]!) * f;
    spread[i] = a.spreadK + (b.spreadK - a.spreadK) * f;
  }
  const wide = rows.some((r) => r.spreadK > 0);
  return { air: { times, values: air }, dew: { times, values: dew }, spread: wide ? { times, values: spread } : null };
}

/** Instants at which weather without an end is sampled: the closer the sooner. */
function samplesOver(fromMs: number, toMs: number): Float64Array {
  const near = Math.max(2, Math.ceil(Math.min(toMs - fromMs, NEAR_MS) / STEP_MS) + 1);
  const nearEnd = fromMs + (near - 1) * STEP_MS;
  const far = near + Math.max(0, Math.ceil((Math.min(toMs, fromMs + WEEKS_MS) - nearEnd) / FAR_STEP_MS));
  const farEnd = nearEnd + (far - near) * FAR_STEP_MS;
  const n = far + Math.max(0, Math.ceil((toMs - farEnd) / WEEKS_STEP_MS));
  return Float64Array.from({ length: n }, (_, i) =>
    i < near
      ? fromMs + i * STEP_MS
      : i < far
        ? nearEnd + (i - near + 1) * FAR_STEP_MS
        : farEnd + (i - far + 1) * WEEKS_STEP_MS,
  );
}

/** Instants of every low and high around [from, to]. */
function dailyKnots(
  source: Extract<ClimateSource, { kind: 'daily' }>,
  zone: string,
  fromMs: number,
  toMs: number,
): (readonly [number, number])[] {
  const knots = localDays(zone, fromMs - 2 * DAY_MS, toMs + 2 * DAY_MS).flatMap((day) => [
    [atHour(day, source.lowHour), source.lowC] as const,
    [atHour(day, source.highHour), source.highC] as const,
  ]);
  return knots.sort((a, b) => a[0] - b[0]);
}

/** Relative humidity of a sample, per cent, for air at `airC` with that dew point. */
export const humidityOf = (airC: number, dewC: number): number => humidityPct(airC, Math.min(dewC, airC));
