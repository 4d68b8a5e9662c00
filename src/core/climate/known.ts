import type { BaseBody } from './base';

type Known = BaseBody['known'];

/** How a base goes from one known temperature to the next. */
export const BETWEEN = {
  steps: 'it holds each until the next',
  evenly: 'it goes evenly from one to the next',
} as const;
export type Between = keyof typeof BETWEEN;

/** Known temperatures as rows, each from its instant on or reached at it. */
export interface KnownRows {
  readonly between: Between;
  readonly rows: Known;
}

/** Rows of what is stored: two points at one minute are a step. One alone holds. */
export function rowsOfKnown(known: Known): KnownRows {
  const steps = known.length % 2 === 1 && known.every((p, i) => i % 2 === 0 || isStep(known, i, p));
  return steps ? { between: 'steps', rows: known.filter((_, i) => i % 2 === 0) } : { between: 'evenly', rows: known };
}

/** Whether the point holds what was before it until the next one, at the same minute. */
const isStep = (known: Known, i: number, { atMs, tempC }: Known[number]): boolean =>
  known[i - 1]!.tempC === tempC && known[i + 1]?.atMs === atMs;

/** What is stored of rows, in the order of time. */
export function knownOfRows({ between, rows }: KnownRows): Known {
  const sorted = [...rows].sort((a, b) => a.atMs - b.atMs);
  if (between === 'evenly') return sorted;
  return sorted.flatMap((row, i) => {
    const before = sorted[i - 1];
    return before ? [{ atMs: row.atMs, tempC: before.tempC }, row] : [row];
  });
}
