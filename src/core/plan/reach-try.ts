import type { Series } from '../climate';
import { between, paceOf, reach, type Side, type Stall, type Standing } from '../cure';
import { clockOf, MILESTONES, type Milestone, type SheetRevision } from '../system';
import { attempt } from '../units';

/** A milestone looked for on one side of the sheet's range: its instant, or the reason there is none. */
export interface ReachTry {
  readonly atMs: number | null;
  readonly standing: Standing;
  readonly stalls: readonly Stall[];
  readonly problem: string | null;
  /** Coldest, hottest and deciding temperature met, °C. */
  readonly minC: number;
  readonly maxC: number;
  readonly tempC: number;
}

const HOUR_MS = 3_600_000;

/** Looks for a milestone; a refusal comes back as its sentence. */
export function attemptReach(sheet: SheetRevision, m: Milestone, side: Side, history: Series, originMs: number): ReachTry {
  const clock = clockOf(m);
  const found = attempt(() =>
    reach(paceOf(m, side, sheet.family), history, originMs, { label: MILESTONES[m.kind].label, cureMinC: sheet.limits.cureMinC, clock }),
  );
  const met = attempt(() => between(history, originMs, found.ok ? found.value.atMs : originMs + HOUR_MS));
  const { min, max } = met.ok ? met.value : { min: Number.NaN, max: Number.NaN };
  return {
    atMs: found.ok ? found.value.atMs : null,
    standing: found.ok ? found.value.standing : 'sheet',
    stalls: found.ok ? found.value.stalls : [],
    problem: found.ok ? null : found.problem.sentence,
    minC: min,
    maxC: max,
    // A band is picked by the extreme; a curve is best read at the middle of what was met.
    tempC: m.table.form === 'bands' ? (clock === 'waiting' ? min : max) : (min + max) / 2,
  };
}
