import type { Window } from './calendar';

const MIN_MS = 60_000;

/** What of a preparation keeps overnight: a place is cut and washed, what comes behind it waits for the morning. */
export interface Ahead {
  readonly minutes: number;
  /** When it is done at the earliest. */
  readonly doneMs: number;
}

/** How a place is prepared for the mixing. */
export interface Preparing {
  /** Working hours. */
  readonly windows: readonly Window[];
  /** Hands-on minutes before mixing. */
  readonly prepareMin: number;
  /** That and the placing are more than a working day holds: it is prepared on the days before. */
  readonly prepareApart?: boolean;
  /** What of it may be done on a day before, and when that is done at the earliest; none where it belongs together. */
  readonly ahead?: Ahead;
}

const holdsMin = (w: Window): number => (w.toMs - w.fromMs) / MIN_MS;

/** When the preparation begins for mixing at an instant: so many working minutes before, over the days it takes. */
export function preparedFrom({ windows, prepareMin, prepareApart = false, ahead }: Preparing, mixMs: number): number {
  const before = mixMs - prepareMin * MIN_MS;
  const today = windows.find((w) => w.fromMs <= mixMs && mixMs <= w.toMs);
  if (ahead && today && before < today.fromMs) {
    const eve = windows.findLast((w) => w.toMs <= today.fromMs && holdsMin(w) >= ahead.minutes);
    return eve ? eve.toMs - ahead.minutes * MIN_MS : before;
  }
  if (!prepareApart) return before;
  let left = prepareMin * MIN_MS;
  for (const w of windows.filter((open) => open.fromMs < mixMs).reverse()) {
    const toMs = Math.min(w.toMs, mixMs);
    if (left <= toMs - w.fromMs) return toMs - left;
    left -= toMs - w.fromMs;
  }
  return before;
}
