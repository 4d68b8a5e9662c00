import { z } from 'zod';
import { type Problem, refuse } from '../units';
import { atHour, localDays } from './days';
import { dewPointC, humidityPct } from './dew';
import type { Series } from './series';

const tempC = z.number();
const hour = z.number();

/** Where the site's air temperature comes from. */
export const ClimateSource = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('constant'), tempC, humidityPct: z.number() }),
  /** Low and high of every day at their local hours, joined by half-cosines; humidity as met at the low. */
  z.object({ kind: z.literal('daily'), lowC: tempC, lowHour: hour, highC: tempC, highHour: hour, humidityAtLowPct: z.number() }),
]);
export type ClimateSource = z.infer<typeof ClimateSource>;

/** Air, and the dew point it holds. Both on the same times. */
export interface Air {
  readonly air: Series;
  readonly dew: Series;
}

export const STEP_MS = 900_000;
/** Beyond the days in which work is placed only long waits are left: hourly samples are as good there. */
const NEAR_MS = 8 * 86_400_000;
const FAR_STEP_MS = 3_600_000;
const DAY_MS = 86_400_000;

/** Problems of a climate source, each at its field. */
export function climateProblems(source: ClimateSource): readonly Problem[] {
  const out: Problem[] = [];
  const range = (field: string, label: string, value: number, low: number, high: number, unit: string) => {
    if (!(value >= low && value <= high))
      out.push({ field, value, allowed: `${low} to ${high} ${unit}`, sentence: `${label} must lie between ${low} and ${high} ${unit}.` });
  };
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
      sentence: `The daily low, ${source.lowC} °C, is above the high, ${source.highC} °C.`,
    });
  if (Math.abs(source.lowHour - source.highHour) < 1)
    out.push({
      field: 'highHour',
      value: source.highHour,
      allowed: 'an hour or more from the low',
      sentence: 'The high must come at least one hour away from the low.',
    });
  return out;
}

/**
 * Air temperature and dew point over [from, to], sampled every quarter of an hour, after eight days every hour. Hours of low and high are local clock hours of
 * the site, so a night with a clock change is as long as it really is. Within a day the dew point is held.
 * @param zone IANA time zone
 * @throws Refusal for a bad source or zone
 */
export function airOver(source: ClimateSource, zone: string, fromMs: number, toMs: number): Air {
  const bad = climateProblems(source)[0];
  if (bad) refuse(`climate.${bad.field}`, bad.value, bad.allowed, bad.sentence);
  const near = Math.max(2, Math.ceil(Math.min(toMs - fromMs, NEAR_MS) / STEP_MS) + 1);
  const nearEnd = fromMs + (near - 1) * STEP_MS;
  const n = near + Math.max(0, Math.ceil((toMs - nearEnd) / FAR_STEP_MS));
  const times = Float64Array.from({ length: n }, (_, i) => (i < near ? fromMs + i * STEP_MS : nearEnd + (i - near + 1) * FAR_STEP_MS));
  if (source.kind === 'constant') {
    localDays(zone, fromMs, fromMs);
    const dew = dewPointC(source.tempC, source.humidityPct);
    return { air: { times, values: new Float64Array(n).fill(source.tempC) }, dew: { times, values: new Float64Array(n).fill(dew) } };
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
  return { air: { times, values }, dew: { times, values: new Float64Array(n).fill(held) } };
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
