import { z } from 'zod';
import { Mm } from '../units';
import { Measured } from './measured';

/** A crack, or a crack that is chased: its width and depth are read at stations along it. */
export const Chase = z.object({
  shape: z.literal('chase'),
  version: z.literal(1),
  form: z.enum(['vee', 'slot']),
  stations: z.array(z.object({ atMm: Mm, widthMm: Mm, depthMm: Mm })).max(200),
  /** Carry the tool and half-width of every width and every depth; their values are unused. */
  readWidth: Measured,
  readDepth: Measured,
  /** A slot sawn along the crack, centred on it, both depths from the surface. */
  slot: z.object({ width: Measured, depth: Measured }).nullable(),
  /** Joints that cross it and stay open, from where the stations are measured, mm. */
  crossings: z
    .array(z.object({ atMm: Mm }))
    .max(50)
    .optional(),
});
export type Chase = z.infer<typeof Chase>;

const FACTOR = { slot: 1, vee: 0.5 } as const;

/** Section of the union of a pointed V (width w, depth d) and a centred slot, both measured from the surface, mm². */
export function unionMm2(w: number, d: number, slotW: number, slotD: number): number {
  const h = Math.min(d, slotD);
  // Width of the V shrinks to that of the slot at this depth.
  const even = w > slotW ? d * (1 - slotW / w) : 0;
  const vee = (a: number, b: number) => w * (b - a) - (w * (b * b - a * a)) / (2 * d);
  const shared = h <= even ? slotW * h : slotW * even + vee(even, h);
  return (w * d) / 2 + slotW * slotD - shared;
}

/**
 * Pieces of a stretch between stations in which the union is summed: kinks inside a piece cost less than a millionth.
 */
const PIECES = 64;

/** Joints that cross it and stay open. */
export const crossingsOf = ({ crossings = [] }: Chase) => crossings;

/** How long it is, mm. */
export const runMm = ({ stations }: Chase): number => (stations.at(-1)?.atMm ?? 0) - (stations[0]?.atMm ?? 0);

/** Section at a place along it, between two stations, mm². */
function sectionAt(s: Chase, atMm: number): number {
  const next = Math.max(
    1,
    s.stations.findIndex((st) => st.atMm >= atMm),
  );
  const [a, b] = [s.stations[next - 1]!, s.stations[next]!];
  const t = Math.min(1, Math.max(0, (atMm - a.atMm) / (b.atMm - a.atMm)));
  const [w, d] = [a.widthMm + (b.widthMm - a.widthMm) * t, a.depthMm + (b.depthMm - a.depthMm) * t];
  if (!s.slot) return w * d * FACTOR[s.form];
  const [slotW, slotD] = [s.slot.width.valueMm, s.slot.depth.valueMm];
  return s.form === 'vee'
    ? unionMm2(w, d, slotW, slotD)
    : w * d + slotW * slotD - Math.min(w, slotW) * Math.min(d, slotD);
}

/** As wide as it is in the mean, mm: the area of its mouth is kept. */
export function meanWidthMm(s: Chase): number {
  const areaMm2 = s.stations
    .slice(1)
    .reduce((sum, b, i) => sum + ((b.widthMm + s.stations[i]!.widthMm) / 2) * (b.atMm - s.stations[i]!.atMm), 0);
  return Math.max(s.slot?.width.valueMm ?? 0, areaMm2 / runMm(s));
}

/** Stretches in which it is summed to find how far a share of it reaches. */
const ALONG = 600;

/** How far along it a share of its volume reaches from its first station, mm. */
export function alongMm(s: Chase, share: number): number {
  const run = runMm(s);
  if (!(run > 0)) return 0;
  const from = s.stations[0]!.atMm;
  const pieces = Array.from({ length: ALONG }, (_, i) => sectionAt(s, from + (run * (i + 0.5)) / ALONG));
  const wanted = pieces.reduce((a, b) => a + b, 0) * Math.min(1, Math.max(0, share));
  let sum = 0;
  for (const [i, mm2] of pieces.entries()) {
    if (sum + mm2 >= wanted) return (run * (i + (mm2 > 0 ? (wanted - sum) / mm2 : 0))) / ALONG;
    sum += mm2;
  }
  return run;
}

/** Volume between stations, mm³: exact for a slot or V, summed piece by piece for their union. */
export function volumeMm3(s: Chase, dw: number, dd: number, slotW: number, slotD: number): number {
  let sum = 0;
  for (let i = 0; i + 1 < s.stations.length; i++) {
    const [a, b] = [s.stations[i]!, s.stations[i + 1]!];
    const length = b.atMm - a.atMm;
    const [w0, w1] = [Math.max(0, a.widthMm + dw), Math.max(0, b.widthMm + dw)];
    const [d0, d1] = [Math.max(0, a.depthMm + dd), Math.max(0, b.depthMm + dd)];
    if (!s.slot) {
      sum += (length / 6) * (2 * w0 * d0 + w0 * d1 + w1 * d0 + 2 * w1 * d1) * FACTOR[s.form];
      continue;
    }
    for (let k = 0; k < PIECES; k++)
      for (const g of [0.21132486540518713, 0.7886751345948129]) {
        const f = (k + g) / PIECES;
        sum += (length / PIECES / 2) * sectionMm2(s.form, w0 + (w1 - w0) * f, d0 + (d1 - d0) * f, slotW, slotD);
      }
  }
  return sum;
}

function sectionMm2(form: Chase['form'], w: number, d: number, slotW: number, slotD: number): number {
  if (w === 0 || d === 0) return slotW * slotD;
  if (form === 'vee') return unionMm2(w, d, slotW, slotD);
  return w * d + slotW * slotD - Math.min(w, slotW) * Math.min(d, slotD);
}
