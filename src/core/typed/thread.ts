import { type Message, texts } from '../say';

const THREAD = texts('thread', {
  'no-metric': 'There is no thread M{size} in the usual series.',
  // A pitch is told as it is stamped, whatever units one works in.
  pitch: 'A pitch of {pitch} does not go with M{size}.',
  'no-size': 'There is no thread of size {size} in the coarse and fine series.',
  'no-pitch': 'There is no thread {size}-{perInch} in the coarse and fine series.',
  'no-bar': 'There is no reinforcing bar #{size}.',
  'bar-or-screw': '“#{size}” may be a reinforcing bar or a screw.',
  'screw-threads': '“#{size}” is a screw: say its threads to the inch, too.',
});

/**
 * Nominal diameters of screw threads as people name them. Diameters: ISO 261, first and second choice; the unified
 * coarse and fine series by diameter, in inches, with their threads to the inch (ASME B1.1).
 */
const METRIC_MM = [
  1.6, 1.8, 2, 2.2, 2.5, 3, 3.5, 4, 4.5, 5, 6, 7, 8, 10, 12, 14, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 42, 45, 48, 52,
  56, 60, 64,
];
/** Coarse pitches of those, mm, in the same order (ISO 261). */
const COARSE_MM = [
  0.35, 0.35, 0.4, 0.45, 0.45, 0.5, 0.6, 0.7, 0.75, 0.8, 1, 1, 1.25, 1.5, 1.75, 2, 2, 2.5, 2.5, 2.5, 3, 3, 3.5, 3.5, 4,
  4, 4.5, 4.5, 5, 5, 5.5, 5.5, 6,
];
const UNIFIED: Readonly<Record<string, { readonly inch: number; readonly perInch: readonly number[] }>> = {
  '#4': { inch: 0.112, perInch: [40, 48] },
  '#5': { inch: 0.125, perInch: [40, 44] },
  '#6': { inch: 0.138, perInch: [32, 40] },
  '#8': { inch: 0.164, perInch: [32, 36] },
  '#10': { inch: 0.19, perInch: [24, 32] },
  '#12': { inch: 0.216, perInch: [24, 28] },
  '1/4': { inch: 1 / 4, perInch: [20, 28] },
  '5/16': { inch: 5 / 16, perInch: [18, 24] },
  '3/8': { inch: 3 / 8, perInch: [16, 24] },
  '7/16': { inch: 7 / 16, perInch: [14, 20] },
  '1/2': { inch: 1 / 2, perInch: [13, 20] },
  '9/16': { inch: 9 / 16, perInch: [12, 18] },
  '5/8': { inch: 5 / 8, perInch: [11, 18] },
  '3/4': { inch: 3 / 4, perInch: [10, 16] },
  '7/8': { inch: 7 / 8, perInch: [9, 14] },
  '1': { inch: 1, perInch: [8, 12] },
  '1 1/8': { inch: 1.125, perInch: [7, 12] },
  '1 1/4': { inch: 1.25, perInch: [7, 12] },
  '1 3/8': { inch: 1.375, perInch: [6, 12] },
  '1 1/2': { inch: 1.5, perInch: [6, 12] },
  '1 3/4': { inch: 1.75, perInch: [5] },
  '2': { inch: 2, perInch: [4.5] },
};
const MM_PER_INCH = 25.4;

/** Nominal diameters of reinforcing bars by their numbers, in inches (ASTM A615). */
const BARS_INCH: Readonly<Record<number, number>> = {
  3: 0.375,
  4: 0.5,
  5: 0.625,
  6: 0.75,
  7: 0.875,
  8: 1,
  9: 1.128,
  10: 1.27,
  11: 1.41,
  14: 1.693,
  18: 2.257,
};

/**
 * A designation as typed: its nominal diameter and its pitch, null of a bar; or the nearest that there are. null for
 * what names no rod.
 */
export type Rod =
  | { readonly diameterMm: number; readonly pitchMm: number | null }
  | { readonly sentence: Message; readonly near: readonly string[] }
  | null;

/** @example readRod('#5 bar') // { diameterMm: 15.875, pitchMm: null } @example readRod('M12') // 12, 1.75 */
export function readRod(text: string): Rod {
  const bar = /^(?:#|no\.?)\s*(\d+)\s*((?:re)?bars?)?$/i.exec(text.trim());
  if (!bar) return readThread(text);
  const [size, named] = [Number(bar[1]), bar[2] !== undefined];
  const inch = BARS_INCH[size];
  const screw = UNIFIED[`#${size}`];
  const asScrew = screw ? [`#${size}-${screw.perInch[0]}`] : [];
  if (inch === undefined) {
    if (!named)
      return asScrew.length ? { sentence: THREAD['screw-threads']({ size: `${size}` }), near: asScrew } : null;
    const sizes = Object.keys(BARS_INCH).map(Number);
    const near = [sizes.findLast((n) => n < size), sizes.find((n) => n > size)];
    return {
      sentence: THREAD['no-bar']({ size: `${size}` }),
      near: near.flatMap((n) => (n === undefined ? [] : [`#${n} bar`])),
    };
  }
  return named || !screw
    ? { diameterMm: inch * MM_PER_INCH, pitchMm: null }
    : { sentence: THREAD['bar-or-screw']({ size: `${size}` }), near: [`#${size} bar`, ...asScrew] };
}

/** A screw thread as typed. */
type Thread = Exclude<Rod, { readonly pitchMm: null }>;

/** @example readThread('M12') // { diameterMm: 12, pitchMm: 1.75 } @example readThread('1/2-13 UNC') // 12.7, 1.954 */
export function readThread(text: string): Thread {
  const metric = /^M\s*(\d+(?:[.,]\d+)?)(?:\s*[x×]\s*(\d+(?:[.,]\d+)?))?$/i.exec(text.trim());
  if (metric) return metricOf(...(metric.slice(1).map((t) => t && Number(t.replace(',', '.'))) as [number, number?]));
  const inch = /^(#\d+|\d+\/\d+|\d+(?:[\s-]+\d+\/\d+)?)\s*("|in)?\s*-\s*(\d+(?:\.5)?)(?:\s*(UN[CF]?))?$/i.exec(
    text.trim(),
  );
  if (!inch) return null;
  const [size, mark, perInch, series] = [inch[1]!.replace(/[\s-]+/, ' '), inch[2], Number(inch[3]), inch[4]];
  // `1-8` may as well be a range: whole inches are a thread where something else says so.
  if (/^\d+$/.test(size) && !mark && !series) return null;
  return unifiedOf(size, perInch);
}

function metricOf(diameterMm: number, pitchMm?: number): Thread {
  if (!METRIC_MM.includes(diameterMm)) {
    const near = [METRIC_MM.findLast((d) => d < diameterMm), METRIC_MM.find((d) => d > diameterMm)];
    return {
      sentence: THREAD['no-metric']({ size: diameterMm }),
      near: near.flatMap((d) => (d === undefined ? [] : [`M${d}`])),
    };
  }
  if (pitchMm !== undefined && !(pitchMm > 0 && pitchMm < diameterMm / 2))
    return { sentence: THREAD.pitch({ pitch: `${pitchMm} mm`, size: diameterMm }), near: [`M${diameterMm}`] };
  return { diameterMm, pitchMm: pitchMm ?? COARSE_MM[METRIC_MM.indexOf(diameterMm)]! };
}

function unifiedOf(size: string, perInch: number): Thread {
  const known = UNIFIED[size];
  if (!known) return { sentence: THREAD['no-size']({ size }), near: [] };
  if (!known.perInch.includes(perInch))
    return {
      sentence: THREAD['no-pitch']({ size, perInch }),
      near: known.perInch.map((n) => `${size}${/^\d+$/.test(size) ? '"' : ''}-${n}`),
    };
  return { diameterMm: known.inch * MM_PER_INCH, pitchMm: MM_PER_INCH / perInch };
}

/** Nearer than that to a nominal diameter a rod is one of that size, mm: nobody types it closer. */
const SAME_MM = 0.02;

/**
 * Coarse pitch of a rod of a nominal diameter, mm: metric or unified where it is one of them, else of the nearest
 * metric one.
 */
export function coarsePitchMm(diameterMm: number): number {
  const metric = METRIC_MM.reduce((a, b) => (Math.abs(b - diameterMm) < Math.abs(a - diameterMm) ? b : a));
  const inch = Object.values(UNIFIED).find((u) => Math.abs(u.inch * MM_PER_INCH - diameterMm) < SAME_MM);
  if (Math.abs(metric - diameterMm) >= SAME_MM && inch) return MM_PER_INCH / inch.perInch[0]!;
  return COARSE_MM[METRIC_MM.indexOf(metric)]!;
}
