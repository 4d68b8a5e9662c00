import { plannedMin, type StepDraft } from '../method';
import type { Actuals } from './actuals';
import type { Window } from './calendar';
import type { PlannedStep } from './repair-plan';

const MIN_MS = 60_000;

/** Time a step is planned with. */
export const handsOnMs = (step: StepDraft): number => Math.round(plannedMin(step) * MIN_MS);

/** When a step is worked at: in one go, or in the days it takes. */
export const workedAt = ({
  days,
  startMs,
  endMs,
}: Pick<PlannedStep, 'days' | 'startMs' | 'endMs'>): readonly Window[] => days ?? [{ fromMs: startMs, toMs: endMs }];

/** How long it is worked at, without the nights between, ms. */
export const workedMs = (step: Pick<PlannedStep, 'days' | 'startMs' | 'endMs'>): number =>
  workedAt(step).reduce((ms, d) => ms + d.toMs - d.fromMs, 0);

/** Stretches of the shared part of a step, each by so many hands: from when, by how many. */
function shifts(step: StepDraft, startMs: number, planned: number, hands: Actuals['hands']) {
  const fromMs = startMs + Math.max(0, step.handsOnMin - (step.sharedMin ?? 0)) * MIN_MS;
  const before = hands.findLast((h) => h.atMs <= fromMs)?.left ?? planned;
  return [{ atMs: fromMs, left: before }, ...hands.filter((h) => h.atMs > fromMs)];
}

/** Hand-minutes of the shared part of a step that are done by an instant. */
export function handMinutesBy(
  step: StepDraft,
  startMs: number,
  planned: number,
  hands: Actuals['hands'],
  byMs: number,
): number {
  const all = shifts(step, startMs, planned, hands);
  return all.reduce((sum, { atMs, left }, i) => {
    const untilMs = Math.min(byMs, all[i + 1]?.atMs ?? byMs);
    return sum + (Math.max(0, untilMs - atMs) / MIN_MS) * left;
  }, 0);
}

/**
 * When a step ends that begins at an instant: its shared part goes on by those who are there, and they may become fewer
 * while it does.
 */
export function endOfStep(step: StepDraft, startMs: number, planned: number, hands: Actuals['hands']): number {
  if (!step.sharedMin || !hands.length) return startMs + handsOnMs(step);
  const all = shifts(step, startMs, planned, hands);
  let todo = step.sharedMin * planned;
  for (const [i, { atMs, left }] of all.entries()) {
    const next = all[i + 1]?.atMs ?? Number.POSITIVE_INFINITY;
    const ends = atMs + (todo / left) * MIN_MS;
    if (ends <= next) return step.exact ? Math.round(ends) : Math.ceil(ends / MIN_MS - 1e-9) * MIN_MS;
    todo -= ((next - atMs) / MIN_MS) * left;
  }
  return startMs + handsOnMs(step);
}
