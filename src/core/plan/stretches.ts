import { indexAt, type Series } from '../climate';
import type { Limits } from '../system';

/** What a base may be that keeps one from placing on it. */
export const STRETCHES = { wet: 'wet', cold: 'too cold', hot: 'too hot' } as const;
export type StretchId = keyof typeof STRETCHES;

/** A stretch of time in which the base is not as the sheet wants it. */
export interface Stretch {
  readonly id: StretchId;
  readonly fromMs: number;
  readonly toMs: number;
}

/** A base nearer to the dew point than this is wet, K, where the sheet is silent. */
const WET_K = 3;

/**
 * When a base is wet (under dew point and margin), under the sheet’s least temperature or over its highest: in the
 * order of time, each kind by itself. Borders are found between samples, by straight lines.
 */
export function stretchesOf(
  limits: Pick<Limits, 'baseMinC' | 'baseMaxC' | 'dewMarginK'> | null,
  { base, dew }: { readonly base: Series; readonly dew: Series },
  fromMs: number,
  toMs: number,
): readonly Stretch[] {
  const margin = limits?.dewMarginK ?? WET_K;
  const out: Stretch[] = [];
  let d = 0;
  const dewAt = (ms: number) => {
    while (d + 1 < dew.times.length - 1 && dew.times[d + 1]! <= ms) d++;
    const [t0, t1] = [dew.times[d]!, dew.times[d + 1]!];
    return dew.values[d]! + ((dew.values[d + 1]! - dew.values[d]!) * (ms - t0)) / (t1 - t0);
  };
  /** How far a base is out of what is asked; above 0 it is. */
  const tests: readonly (readonly [StretchId, (baseC: number, dewC: number) => number])[] = [
    ['wet', (b, w) => w + margin - b],
    ...(limits?.baseMinC == null ? [] : [['cold', (b: number) => limits.baseMinC! - b] as const]),
    ...(limits?.baseMaxC == null ? [] : [['hot', (b: number) => b - limits.baseMaxC!] as const]),
  ];
  const open: Partial<Record<StretchId, number>> = {};
  const was: Partial<Record<StretchId, number>> = {};
  let last = fromMs;
  const first = Math.max(0, indexAt(base, fromMs));
  for (let i = first; i < base.times.length; i++) {
    const ms = base.times[i]!;
    if (ms > toMs) break;
    const [b, w] = [base.values[i]!, dewAt(ms)];
    for (const [id, over] of tests) {
      const now = over(b, w);
      const before = was[id];
      const border = before === undefined || before === now ? ms : last + ((ms - last) * before) / (before - now);
      if (now > 0 && open[id] === undefined) open[id] = border;
      if (now <= 0 && open[id] !== undefined) {
        out.push({ id, fromMs: open[id], toMs: border });
        delete open[id];
      }
      was[id] = now;
    }
    last = ms;
  }
  for (const [id, from] of Object.entries(open)) out.push({ id: id as StretchId, fromMs: from, toMs: last });
  return out.sort((a, b) => a.fromMs - b.fromMs);
}
