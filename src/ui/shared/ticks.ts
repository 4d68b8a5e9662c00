import { clock, clock24, dayAndClock } from './when';

const HOUR = 3_600_000;
/** Whole days or hours of the site between two instants, as many as can be read. */
export function ticksOf(
  fromMs: number,
  toMs: number,
  zone: string,
): readonly { readonly ms: number; readonly label: string }[] {
  const steps = [1, 2, 3, 6, 12, 24, 48, 96, 168, 336].map((h) => h * HOUR);
  const step = steps.find((s) => (toMs - fromMs) / s <= 9) ?? steps.at(-1)!;
  // Whole hours of the zone: offsets of quarters of an hour move the first tick, not the rest.
  const minutes = Number(clock24(fromMs, zone).split(':')[1] ?? 0);
  const first = fromMs - minutes * 60_000;
  const out: { ms: number; label: string }[] = [];
  for (let ms = first; ms <= toMs; ms += HOUR) {
    const hour = Number(clock24(ms, zone).split(':')[0]);
    if (step >= 24 * HOUR ? hour === 0 : hour % (step / HOUR) === 0)
      out.push({ ms, label: hour === 0 ? dayAndClock(ms, zone).split(' ')[0]! : clock(ms, zone) });
  }
  const every = Math.ceil(out.length / 10);
  return out.filter((_, i) => i % every === 0);
}

/** Round hours of a zone in a range: each so many of the day, ms. */
export function localTicks(from: number, to: number, stepH: number, zone: string): number[] {
  const out: number[] = [];
  for (let t = Math.ceil(from / HOUR) * HOUR; t <= to; t += HOUR) {
    const [h = 0, m = 0] = clock24(t, zone).split(':').map(Number);
    // Zones with half-hour offsets have no whole UTC hour at a local one.
    const local = t - m * 60_000;
    if ((h % 24) % stepH === 0 && local >= from) out.push(local);
  }
  return out;
}

/** Round lengths of time, min. */
const STEPS_MIN = [1, 2, 5, 10, 15, 20, 30, 60, 120, 180, 240, 360, 720, 1440, 2880, 5760, 10_080];

/** Round minutes, hours or days from nought to an end, so many of them at most beyond the first, min. */
export function minuteTicks(endMin: number, most: number): readonly number[] {
  const step = STEPS_MIN.find((min) => endMin / min <= most) ?? endMin;
  return Array.from({ length: Math.floor(endMin / step + 1e-9) + 1 }, (_, i) => i * step);
}

/** Width of a letter of a label, in parts of its size: figures and small letters. */
const LETTER = 0.58;

/**
 * Where the label of an axis stands so that nothing of it is cut: under its tick, or against the edge.
 * @param edges of what is drawn, px
 * @example labelPlace(888, { label: '6:00 am', size: 12.5, edges: [0, 900] }) // { x: 899, anchor: 'end' }
 */
export function labelPlace(
  atPx: number,
  { label, size, edges: [left, right] }: { label: string; size: number; edges: readonly [number, number] },
): { readonly x: number; readonly anchor: 'start' | 'middle' | 'end' } {
  const half = (label.length * size * LETTER) / 2;
  if (atPx + half > right) return { x: right - 1, anchor: 'end' };
  return atPx - half < left ? { x: left + 1, anchor: 'start' } : { x: atPx, anchor: 'middle' };
}
