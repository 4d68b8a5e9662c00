import { minutesOf, type PastedTime } from './pasted-time';

/** A cell as it is told: at a temperature, in air of a humidity. */
export type DampCell = PastedTime['cells'][number];

/** How damp the air may be for a time, said behind its temperature: `70 % RH`, `up to 70 %`. */
const DAMP =
  /(?:up to|at most|below|under|≤|<=?)\s*(\d+(?:[.,]\d+)?)\s*%|(\d+(?:[.,]\d+)?)\s*%\s*(?:r\.?\s?[hf]\b\.?|rel\w*\.?\s*\w+|humidity|luftfeuchte?\w*)/gi;
/** A heading over humidities, and nothing else. */
export const ofHumidity = (heading: string): boolean =>
  /^(?:(?:rel\w*\.?|air|max\w*\.?)\s*){0,2}(?:humidity|r\.?\s?[hf]\.?|luftfeuchte?\w*|feuchte)\b[^a-z]*$/i.test(
    heading.trim(),
  );

/** The per cents of humidity that a line tells, in its order. */
export const dampsIn = (line: string): readonly string[] =>
  [...line.matchAll(DAMP)].map(([, upTo, plain]) => (upTo ?? plain)!.replace(',', '.'));

/** The damper end of what a cell of a humidity column says: `50 %`, `< 70 % RH`, `40-60`; undefined where none. */
export const dampOf = (cell: string | undefined): string | undefined =>
  /(?<![\d.,])(\d{1,3}(?:[.,]\d{1,3})?)\s*%?\s*(?:r\.?\s?[hf]\.?)?$/i.exec(cell?.trim() ?? '')?.[1]?.replace(',', '.');

const POINT = /^(-?[\d.,]+) ([CF])$/;
interface Point {
  readonly at: number;
  readonly unit: string;
  readonly damp: number;
  readonly time: string;
  /** How long one waits at most, as far as its cell tells it. */
  readonly min: number;
}
function pointOf({ temp, damp, time }: DampCell): Point | null {
  const [, at, unit] = POINT.exec(temp ?? '') ?? [];
  if (!at || !unit || damp === undefined) return null;
  return { at: Number(at.replace(',', '.')), unit, damp: Number(damp), time, min: minutesOf(time, 'waiting') };
}

/**
 * Points as bands: each holds from its temperature up, in air as damp as its own or drier; where a warmer one is told
 * for air as damp, and is no longer, that holds.
 */
function asBands(points: readonly Point[]): readonly DampCell[] {
  const steps = [...new Set(points.map((p) => p.at))].sort((a, b) => a - b);
  return steps.flatMap((from, i) => {
    const to = steps[i + 1];
    const below = points.filter((p) => p.at <= from);
    return below
      .filter((p) => !below.some((warmer) => warmer.at > p.at && warmer.damp >= p.damp && warmer.min <= p.min))
      .sort((a, b) => a.damp - b.damp)
      .map(({ unit, damp, time }) => ({
        temp: `${to === undefined ? `above ${from}` : `${from} to ${to}`} ${unit}, up to ${damp} %`,
        time,
      }));
  });
}

/**
 * A time of what dries as the lines that tell its tiers; one humidity for all of it is only what it was tried in, and
 * is left out, as it is of what does not dry.
 * @param dries whether the time of this sheet goes by humidity
 * @example
 * // 2 h at 20 °C and 50 %, 6 h at 10 °C and 80 %:
 * // 10 to 20 C, up to 80 %: 6 h
 * // above 20 C, up to 50 %: 2 h
 * // above 20 C, up to 80 %: 6 h
 */
export function inTiers(time: PastedTime, dries: boolean): PastedTime {
  const damps = new Set(time.cells.flatMap((c) => c.damp ?? []));
  if (!dries || damps.size < 2) return { ...time, cells: time.cells.map(({ temp, time: t }) => ({ temp, time: t })) };
  const points = time.cells.map(pointOf);
  const known = points.filter((p) => p !== null);
  if (known.length === points.length && new Set(known.map((p) => p.unit)).size === 1)
    return { ...time, cells: asBands(known) };
  const cells = time.cells.map(({ temp, damp, time: t }) => ({
    temp: temp !== null && damp !== undefined ? `${temp}, up to ${damp} %` : temp,
    time: t,
  }));
  return { ...time, cells };
}
