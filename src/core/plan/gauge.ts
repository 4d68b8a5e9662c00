import { z } from 'zod';
import { Instant } from '../units';

/** How far marks on both sides of a crack stood apart, read at one instant, mm. */
export const GaugeReading = z.object({ atMs: Instant, mm: z.number().positive().max(10_000) });
export type GaugeReading = z.infer<typeof GaugeReading>;

/** A reading is good to that, either way: a calliper, mm. */
const READ_MM = 0.1;
/** Shorter, and a day’s warmth has not passed over it twice, ms. */
const LEAST_MS = 2 * 86_400_000;

/** What gauge marks tell. */
export interface Gauge {
  readonly leastMm: number;
  readonly mostMm: number;
  readonly movedMm: number;
  /** From the first reading to the last. */
  readonly watchedMs: number;
  /** What two readings may differ by without anything having moved, mm. */
  readonly doubtMm: number;
  readonly moves: boolean;
  /** Watched long enough to be believed when they stand still. */
  readonly long: boolean;
}

/**
 * What readings of gauge marks tell, in whatever order they were taken; null for fewer than two.
 * @example gaugeOf([{ atMs: 0, mm: 40 }, { atMs: 6 * 86_400_000, mm: 40.3 }])!.moves // true
 */
export function gaugeOf(readings: readonly GaugeReading[]): Gauge | null {
  if (readings.length < 2) return null;
  const sizes = readings.map((r) => r.mm);
  const times = readings.map((r) => r.atMs);
  const [leastMm, mostMm] = [Math.min(...sizes), Math.max(...sizes)];
  const watchedMs = Math.max(...times) - Math.min(...times);
  const [movedMm, doubtMm] = [mostMm - leastMm, 2 * READ_MM];
  return { leastMm, mostMm, movedMm, watchedMs, doubtMm, moves: movedMm > doubtMm + 1e-9, long: watchedMs >= LEAST_MS };
}
