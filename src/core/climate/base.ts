import { z } from 'zod';
import { conduct } from '../heat';
import { degC, exactly, kelvin, type Message, mm, type Problem, refuse, texts } from '../say';
import { Celsius, HourOfDay, Instant, inRoundInches, Mm, Percent, type UnitSystem } from '../units';
import { hourOf, localDays } from './days';
import { indexAt, type Series, settled, valueAt } from './series';

const REFUSED = texts('refused.climate.base', {
  'base-thickness': 'The thickness of the base must be more than 0 and at most {most}.',
  clouds: 'Clouds cover between 0 and 100 % of the sky.',
  sun: 'The sun gives at most some 1200 W/m².',
  'sun-hours': 'The sun must rise before it sets, within the day.',
  'water-missing': 'Say how warm the water behind the base is.',
  water: 'Water lies between {low} and {high}.',
  'cover-hours': 'The hours of the tent or heater lie outside the day.',
  cover: 'A tent or heater warms by nothing to {most}.',
  'point-base-temperature': 'Point {n} of the base’s temperature is earlier than the one before it.',
});

/**
 * Base materials: conductivity W/mK and ρc J/m³K, common handbook values for dry material at 20 °C; what a new repair
 * takes for its thickness and what lies behind it; whether it is cast and has to be of an age; how much it grows, 1/K;
 * whether, bare, it drinks water and swells.
 */
export const BASE_PROPERTIES = {
  concrete: {
    k: 1.6,
    rhoC: 2300 * 900,
    usualMm: 200,
    usualBack: 'ground',
    isCast: true,
    expansionPerK: 10e-6,
    swells: false,
  },
  stone: {
    k: 2.8,
    rhoC: 2650 * 790,
    usualMm: 200,
    usualBack: 'ground',
    isCast: false,
    expansionPerK: 8e-6,
    swells: false,
  },
  metal: { k: 50, rhoC: 7850 * 490, usualMm: 10, usualBack: 'air', isCast: false, expansionPerK: 12e-6, swells: false },
  plastic: {
    k: 0.2,
    rhoC: 1100 * 1500,
    usualMm: 4,
    usualBack: 'air',
    isCast: false,
    expansionPerK: 70e-6,
    swells: false,
  },
  laminate: {
    k: 0.3,
    rhoC: 1700 * 1100,
    usualMm: 8,
    usualBack: 'air',
    isCast: false,
    expansionPerK: 20e-6,
    swells: false,
  },
  timber: {
    k: 0.13,
    rhoC: 500 * 1700,
    usualMm: 50,
    usualBack: 'air',
    isCast: false,
    expansionPerK: 6e-6,
    swells: true,
  },
} as const;

/** What else than the air warms and cools a face. */
export const Surroundings = z.object({
  /** What it sees of the sky: nothing, the sky but no sun, or both. */
  sky: z.enum(['none', 'shade', 'open']),
  cloudPct: Percent,
  tone: z.enum(['light', 'medium', 'dark']),
  /** Sun on the face at its highest, W/m², and the local hours between which it shines. */
  sunPeakW: z.number().min(-1e6).max(1e6),
  riseHour: HourOfDay,
  setHour: HourOfDay,
  /** Temperature of the water behind the base; null where there is none. */
  waterC: Celsius.nullable(),
  /**
   * A tent, mat or heater: the local hours in which it is on, and by how much it warms the air at the face; since when
   * it is up, where it does not stand already.
   */
  cover: z
    .object({
      fromHour: HourOfDay,
      toHour: HourOfDay,
      warmK: z.number().min(-1000).max(1000),
      upMs: Instant.optional(),
    })
    .nullable(),
});
export type Surroundings = z.infer<typeof Surroundings>;

/** Nothing but air. */
export const ONLY_AIR: Surroundings = {
  sky: 'none',
  cloudPct: 30,
  tone: 'medium',
  sunPeakW: 650,
  riseHour: 6,
  setHour: 20,
  waterC: null,
  cover: null,
};

/** Share of the sun that a face takes up, by its tone. */
const TAKES_UP = { light: 0.4, medium: 0.65, dark: 0.9 } as const;
/** Emissivity of common bases, and what a clear sky takes from a face that sees all of it beyond the air, W/m². */
const EMISSIVITY = 0.9;
const CLEAR_SKY_W = 63;
/** How much of the sky a face sees, whether the sun comes on it, and whether something may have to keep it off. */
const SKY = {
  none: { view: 0, sun: false, shaded: false },
  shade: { view: 0.4, sun: false, shaded: true },
  open: { view: 1, sun: true, shaded: false },
} as const;
export const skyOf = (s: Pick<Surroundings, 'sky'>) => SKY[s.sky];

/** The base as a body with a temperature of its own. */
export const BaseBody = z.object({
  material: z.enum(Object.keys(BASE_PROPERTIES) as [keyof typeof BASE_PROPERTIES, ...(keyof typeof BASE_PROPERTIES)[]]),
  thicknessMm: Mm,
  back: z.enum(['insulated', 'air', 'ground', 'water']),
  exposure: z.enum(['sheltered', 'windy']),
  surroundings: Surroundings,
  /**
   * Its own temperature where that is known beforehand (held by a mat, told by a logger of last week): straight between
   * points, two at one minute are a step, the last one goes on. Empty: it is computed from air, sun, sky and water.
   */
  known: z
    .array(z.object({ atMs: Instant, tempC: Celsius }))
    .max(400)
    .default([]),
});
export type BaseBody = z.infer<typeof BaseBody>;

const SYSTEMS = ['metric', 'us'] as const;
/** As thick as such a base usually is, mm: round in the units of whoever begins it. */
export const usualBaseMm = (material: BaseBody['material'], system: UnitSystem): number => {
  const { usualMm } = BASE_PROPERTIES[material];
  return system === 'us' ? inRoundInches(usualMm).valueMm : usualMm;
};

/** What a base is when it turns out to be of another material: what is usual follows, what somebody typed stays. */
export function ofMaterial(
  body: Pick<BaseBody, 'material' | 'thicknessMm' | 'back'>,
  material: BaseBody['material'],
): Pick<BaseBody, 'material' | 'thicknessMm' | 'back'> {
  const [was, is] = [BASE_PROPERTIES[body.material], BASE_PROPERTIES[material]];
  const follows = SYSTEMS.find((system) => body.thicknessMm === usualBaseMm(body.material, system)) ?? null;
  return {
    material,
    thicknessMm: follows === null ? body.thicknessMm : usualBaseMm(material, follows),
    back: body.back === was.usualBack ? is.usualBack : body.back,
  };
}

/** Heat transfer from air, W/m²K. */
const H = { sheltered: 10, windy: 25 } as const;

/**
 * What may stand behind a base: how well it takes up heat, W/m²K, and the temperature it has; null where none passes.
 */
const BACKS: Readonly<
  Record<
    BaseBody['back'],
    { readonly h: number; readonly deepC: (body: BaseBody, meanC: number) => number | 'air' } | null
  >
> = {
  insulated: null,
  air: { h: H.sheltered, deepC: () => 'air' },
  // Ground keeps the mean of the first day.
  ground: { h: 15, deepC: (_, meanC) => meanC },
  water: { h: 300, deepC: ({ surroundings }) => surroundings.waterC! },
};
const DAY_MS = 86_400_000;
/** A reading's offset from the forecast fades with this time constant. */
export const OFFSET_FADE_MS = 6 * 3_600_000;

export function baseProblems(body: BaseBody): readonly Problem[] {
  const out: Problem[] = [];
  const say = (field: string, value: unknown, allowed: string, sentence: Message) =>
    out.push({ field, value, allowed, sentence });
  if (!(body.thicknessMm > 0 && body.thicknessMm <= 5000))
    say(
      'thicknessMm',
      body.thicknessMm,
      'more than 0 to 5000 mm',
      REFUSED['base-thickness']({ most: exactly(mm(5000)) }),
    );
  const { cloudPct, sunPeakW, riseHour, setHour, waterC, cover } = body.surroundings;
  if (!(cloudPct >= 0 && cloudPct <= 100)) say('cloudPct', cloudPct, '0 to 100 %', REFUSED.clouds());
  if (!(sunPeakW >= 0 && sunPeakW <= 1200)) say('sunPeakW', sunPeakW, '0 to 1200 W/m²', REFUSED.sun());
  if (!(riseHour >= 0 && setHour <= 24 && riseHour < setHour))
    say('riseHour', riseHour, 'before the hour it sets', REFUSED['sun-hours']());
  if (body.back === 'water' && waterC === null) say('waterC', null, 'a temperature', REFUSED['water-missing']());
  if (waterC !== null && !(waterC >= -2 && waterC <= 40))
    say('waterC', waterC, '-2 to 40 °C', REFUSED.water({ low: exactly(degC(-2)), high: exactly(degC(40)) }));
  if (cover && !(cover.fromHour >= 0 && cover.fromHour <= 24 && cover.toHour >= 0 && cover.toHour <= 24))
    say('cover', cover.fromHour, '0 to 24 h', REFUSED['cover-hours']());
  if (cover && !(cover.warmK >= 0 && cover.warmK <= 40))
    say('cover', cover.warmK, '0 to 40 K', REFUSED.cover({ most: exactly(kelvin(40)) }));
  return out;
}

/** Whether a local hour lies in a stretch that may run over midnight. */
const within = (hour: number, from: number, to: number) =>
  from <= to ? hour >= from && hour < to : hour >= from || hour < to;

/** Whether a tent or heater is on at an instant, which is that local hour. */
const isOn = ({ fromHour, toHour, upMs }: NonNullable<Surroundings['cover']>, hour: number, ms: number): boolean =>
  (upMs === undefined || ms >= upMs) && within(hour, fromHour, toHour);

/**
 * The temperature a face exchanges heat with: Tair + α G/h − ε F ΔR/h, sun by day, long-wave loss to a clear sky by
 * night, less by the clouds; under a tent or heater the air it makes.
 * @param zone IANA zone whose hours sun and cover keep
 */
export function environmentOver(air: Series, body: BaseBody, zone: string): Float64Array {
  const { surroundings: s } = body;
  if (!SKY[s.sky].view && !s.cover) return air.values;
  const h = H[body.exposure];
  const clear = 1 - s.cloudPct / 100;
  const loss = (EMISSIVITY * SKY[s.sky].view * CLEAR_SKY_W * clear) / h;
  const sun = SKY[s.sky].sun ? (TAKES_UP[s.tone] * s.sunPeakW * (0.25 + 0.75 * clear)) / h : 0;
  const out = new Float64Array(air.values.length);
  const days = localDays(zone, air.times[0]!, air.times.at(-1)!);
  let d = 0;
  for (let i = 0; i < out.length; i++) {
    const ms = air.times[i]!;
    while (d + 1 < days.length && ms >= days[d]!.nextMs) d++;
    const hour = hourOf(days[d]!, ms);
    if (s.cover && isOn(s.cover, hour, ms)) {
      out[i] = air.values[i]! + s.cover.warmK;
      continue;
    }
    const shine =
      hour > s.riseHour && hour < s.setHour ? Math.sin((Math.PI * (hour - s.riseHour)) / (s.setHour - s.riseHour)) : 0;
    out[i] = air.values[i]! + sun * shine - loss;
  }
  return out;
}

/**
 * The air at a place: the site's, warmed under a tent or heater in its hours. @param zone IANA zone whose hours it
 * keeps
 */
export function airUnder(air: Series, { cover }: Surroundings, zone: string): Series {
  if (!cover) return air;
  const days = localDays(zone, air.times[0]!, air.times.at(-1)!);
  let d = 0;
  return {
    times: air.times,
    values: air.values.map((v, i) => {
      const ms = air.times[i]!;
      while (d + 1 < days.length && ms >= days[d]!.nextMs) d++;
      return isOn(cover, hourOf(days[d]!, ms), ms) ? v + cover.warmK : v;
    }),
  };
}

/**
 * Temperature of the base's face, by conduction through its thickness. The first day of `air` is repeated as run-in,
 * so `air` should begin at least a day or two before it matters.
 * @param zone IANA zone whose hours sun and cover keep
 * @throws Refusal for a thickness that is not positive
 */
export function baseOver(air: Series, body: BaseBody, zone = 'utc'): Series {
  const bad = baseProblems(body)[0];
  if (bad) refuse(`base.${bad.field}`, bad.value, bad.allowed, bad.sentence);
  const { k, rhoC } = BASE_PROPERTIES[body.material];
  const stepS = (air.times[1]! - air.times[0]!) / 1000;
  const inDay = Math.min(air.values.length, Math.max(1, Math.round(DAY_MS / 1000 / stepS)));
  const around = environmentOver(air, body, zone);
  const mean = air.values.subarray(0, inDay).reduce((s, v) => s + v, 0) / inDay;
  const runIn = 2;
  const stands = BACKS[body.back];
  const slab = {
    thicknessM: body.thicknessMm / 1000,
    kWPerMK: k,
    rhoC,
    hOuter: H[body.exposure],
    inner: stands ? ({ kind: 'fluid', h: stands.h } as const) : ({ kind: 'insulated' } as const),
    cells: 12,
  };
  const deepC = stands?.deepC(body, mean) ?? null;
  const behind = (outer: Float64Array, own: Float64Array) =>
    deepC === 'air' ? own : deepC === null ? null : new Float64Array(outer.length).fill(deepC);
  const values = new Float64Array(air.values.length);
  let state: number | Float64Array = mean;
  const firstDay = around.subarray(0, inDay);
  const firstAir = air.values.subarray(0, inDay);
  let before: { outerC: number; innerC: number } | null = null;
  const run = (outer: Float64Array, own: Float64Array, seconds: number) => {
    const back = behind(outer, own);
    const solved = conduct(slab, outer, back, state, seconds, before);
    state = solved.cellsC;
    before = { outerC: outer.at(-1)!, innerC: back?.at(-1) ?? 0 };
    return solved.surfaceC;
  };
  for (let r = 0; r < runIn; r++) run(firstDay, firstAir, stepS);
  // Near samples are closer than far ones: each stretch of one step is solved on from the state the last one left.
  for (let from = 0; from < values.length; ) {
    const step = air.times[Math.max(1, from)]! - air.times[Math.max(1, from) - 1]!;
    let to = from + 1;
    while (to < values.length && Math.abs(air.times[to]! - air.times[to - 1]! - step) < 1) to++;
    values.set(run(around.subarray(from, to), air.values.subarray(from, to), step / 1000), from);
    from = to;
  }
  for (let i = 0; i < values.length; i++) values[i] = settled(values[i]!);
  return { times: air.times, values };
}

/** A temperature read on the spot. */
export interface SpotReading {
  readonly atMs: number;
  readonly valueC: number;
}

/**
 * Readings replace the forecast: between readings the offset from it runs straight, after the last (and before the
 * first) it fades with a 6 h time constant.
 */
export function withReadings(series: Series, readings: readonly SpotReading[]): Series {
  const known = [...readings]
    .filter((r) => r.atMs >= series.times[0]! && r.atMs <= series.times.at(-1)!)
    .sort((a, b) => a.atMs - b.atMs)
    .map((r) => ({ atMs: r.atMs, offset: r.valueC - valueAt(series, r.atMs) }));
  if (!known.length) return series;
  const first = known[0]!;
  const last = known.at(-1)!;
  const offsetAt = (ms: number) => {
    if (ms <= first.atMs) return first.offset * Math.exp((ms - first.atMs) / OFFSET_FADE_MS);
    if (ms >= last.atMs) return last.offset * Math.exp((last.atMs - ms) / OFFSET_FADE_MS);
    const after = known.findIndex((r) => r.atMs >= ms);
    const [a, b] = [known[after - 1]!, known[after]!];
    return a.offset + ((b.offset - a.offset) * (ms - a.atMs)) / (b.atMs - a.atMs || 1);
  };
  // The readings' own instants become samples, so the curve passes through them.
  const extra = [...new Set(known.map((r) => r.atMs))].filter((ms) => series.times[indexAt(series, ms)] !== ms);
  const n = series.times.length + extra.length;
  const times = new Float64Array(n);
  const values = new Float64Array(n);
  for (let i = 0, from = 0, add = 0; i < n; i++) {
    const own = series.times[from] ?? Number.POSITIVE_INFINITY;
    const read = extra[add] ?? Number.POSITIVE_INFINITY;
    if (own < read) {
      times[i] = own;
      values[i] = settled(series.values[from++]! + offsetAt(own));
    } else {
      times[i] = read;
      values[i] = settled(valueAt(series, read) + offsetAt(read));
      add++;
    }
  }
  return { times, values };
}

/**
 * A base as it is known beforehand, at every instant of what was computed for it and at its own.
 * @throws Refusal for points that do not follow each other in time
 */
export function knownBase(computed: Series, known: BaseBody['known']): Series {
  if (!known.length) return computed;
  const points: { ms: number; c: number }[] = [];
  for (const [i, { atMs, tempC }] of known.entries()) {
    const before = known[i - 1]?.atMs ?? Number.NEGATIVE_INFINITY;
    if (atMs < before) refuse(`base.known.${i}`, atMs, 'rising times', REFUSED['point-base-temperature']({ n: i + 1 }));
    // Of two at one minute the second holds from there on.
    points.push({ ms: atMs === before ? atMs + 1 : atMs, c: tempC });
  }
  const at = (ms: number): number => {
    const next = points.findIndex((p) => p.ms >= ms);
    if (next === 0) return points[0]!.c;
    if (next < 0) return points.at(-1)!.c;
    const [a, b] = [points[next - 1]!, points[next]!];
    return a.c + ((b.c - a.c) * (ms - a.ms)) / (b.ms - a.ms);
  };
  const [first, last] = [computed.times[0]!, computed.times.at(-1)!];
  const times = [
    ...new Set([...computed.times, ...points.map((p) => p.ms).filter((ms) => ms > first && ms < last)]),
  ].sort((a, b) => a - b);
  return { times: Float64Array.from(times), values: Float64Array.from(times, at) };
}
