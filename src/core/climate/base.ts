import { z } from 'zod';
import { conduct } from '../heat';
import { type Problem, refuse } from '../units';
import { indexAt, type Series, valueAt } from './series';

/** Thermal properties by base material: conductivity W/mK and ρc J/m³K. Common handbook values for dry material at 20 °C. */
export const BASE_PROPERTIES = {
  concrete: { k: 1.6, rhoC: 2300 * 900 },
  stone: { k: 2.8, rhoC: 2650 * 790 },
  metal: { k: 50, rhoC: 7850 * 490 },
  plastic: { k: 0.2, rhoC: 1100 * 1500 },
  laminate: { k: 0.3, rhoC: 1700 * 1100 },
  timber: { k: 0.13, rhoC: 500 * 1700 },
} as const;

/** The base as a body with a temperature of its own. */
export const BaseBody = z.object({
  material: z.enum(Object.keys(BASE_PROPERTIES) as [keyof typeof BASE_PROPERTIES, ...(keyof typeof BASE_PROPERTIES)[]]),
  thicknessMm: z.number(),
  back: z.enum(['insulated', 'air', 'ground']),
  exposure: z.enum(['sheltered', 'windy']),
});
export type BaseBody = z.infer<typeof BaseBody>;

/** Heat transfer from air, W/m²K. */
const H = { sheltered: 10, windy: 25, ground: 15 } as const;
const DAY_MS = 86_400_000;
/** A reading's offset from the forecast fades with this time constant. */
export const OFFSET_FADE_MS = 6 * 3_600_000;

export function baseProblems(body: BaseBody): readonly Problem[] {
  return body.thicknessMm > 0 && body.thicknessMm <= 5000
    ? []
    : [
        {
          field: 'thicknessMm',
          value: body.thicknessMm,
          allowed: 'more than 0 to 5000 mm',
          sentence: 'The thickness of the base must be more than 0 and at most 5000 mm.',
        },
      ];
}

/**
 * Temperature of the base's face, by conduction through its thickness. The first day of `air` is repeated as run-in,
 * so `air` should begin at least a day or two before it matters. Sun and clear sky are not in it.
 * @throws Refusal for a thickness that is not positive
 */
export function baseOver(air: Series, body: BaseBody): Series {
  const bad = baseProblems(body)[0];
  if (bad) refuse(`base.${bad.field}`, bad.value, bad.allowed, bad.sentence);
  const { k, rhoC } = BASE_PROPERTIES[body.material];
  const stepS = (air.times[1]! - air.times[0]!) / 1000;
  const inDay = Math.min(air.values.length, Math.max(1, Math.round(DAY_MS / 1000 / stepS)));
  const mean = air.values.subarray(0, inDay).reduce((s, v) => s + v, 0) / inDay;
  const runIn = 2;
  const slab = {
    thicknessM: body.thicknessMm / 1000,
    kWPerMK: k,
    rhoC,
    hOuter: H[body.exposure],
    inner:
      body.back === 'insulated'
        ? ({ kind: 'insulated' } as const)
        : ({ kind: 'fluid', h: body.back === 'air' ? H.sheltered : H.ground } as const),
    cells: 12,
  };
  // What stands behind the slab: the same air, or ground at the mean of the first day.
  const behind = (outer: Float64Array) =>
    body.back === 'insulated' ? null : body.back === 'air' ? outer : new Float64Array(outer.length).fill(mean);
  const values = new Float64Array(air.values.length);
  let state: number | Float64Array = mean;
  const firstDay = air.values.subarray(0, inDay);
  for (let r = 0; r < runIn; r++) state = conduct(slab, firstDay, behind(firstDay), state, stepS).cellsC;
  // Near samples are closer than far ones: each stretch of one step is solved on from the state the last one left.
  for (let from = 0; from < values.length; ) {
    const step = air.times[Math.max(1, from)]! - air.times[Math.max(1, from) - 1]!;
    let to = from + 1;
    while (to < values.length && Math.abs(air.times[to]! - air.times[to - 1]! - step) < 1) to++;
    const outer = air.values.subarray(from, to);
    const solved = conduct(slab, outer, behind(outer), state, step / 1000);
    values.set(solved.surfaceC, from);
    state = solved.cellsC;
    from = to;
  }
  return { times: air.times, values };
}

/** A temperature read on the spot. */
export interface SpotReading {
  readonly atMs: number;
  readonly valueC: number;
}

/**
 * Readings replace the forecast: between readings the offset from it runs straight, after the last (and before the first)
 * it fades with a 6 h time constant.
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
      values[i] = series.values[from++]! + offsetAt(own);
    } else {
      times[i] = read;
      values[i] = valueAt(series, read) + offsetAt(read);
      add++;
    }
  }
  return { times, values };
}
