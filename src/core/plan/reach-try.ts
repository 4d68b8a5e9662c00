import type { Series } from '../climate';
import { paceOf, reachOr, type Side, type Stall, type Standing } from '../cure';
import { clockOf, MILESTONES, type Milestone, type SheetRevision } from '../system';
import { attempt } from '../units';
import type { Thermal } from './thermal';

/** A milestone looked for on one side of the sheet's range: its instant, or the reason there is none. */
export interface ReachTry {
  readonly atMs: number | null;
  readonly standing: Standing;
  readonly stalls: readonly Stall[];
  readonly problem: string | null;
}

/** A milestone looked for from an origin. Schedules ask the same again and again, so answers are kept by {@link asker}. */
export type Ask = (m: Milestone, side: Side, originMs: number) => ReachTry;

/** Looks for a milestone; a refusal comes back as its sentence. */
export function attemptReach(sheet: SheetRevision, m: Milestone, side: Side, history: Series, originMs: number): ReachTry {
  const found = attempt(() =>
    reachOr(paceOf(m, side, sheet.family), history, originMs, {
      label: MILESTONES[m.kind].label,
      cureMinC: sheet.limits.cureMinC,
      clock: clockOf(m),
    }),
  );
  const none = (problem: string): ReachTry => ({ atMs: null, standing: 'sheet', stalls: [], problem });
  if (!found.ok) return none(found.problem.sentence);
  return 'problem' in found.value ? none(found.value.problem.sentence) : { ...found.value, problem: null };
}

/** The history a milestone runs on: hotter for working times, the colder face for waits. */
export function historyOf(m: Milestone, thermal: Thermal): Series {
  if (m.runsOn === 'pot') return thermal.pot;
  return clockOf(m) === 'working' ? thermal.hot : thermal.base;
}

/** The edges within which a forecast lies, made once for each history. */
const edges = new WeakMap<Series, { readonly warm: Series; readonly cold: Series }>();

/** The history on one side: where a forecast has a spread, the short end of a time runs on its warm edge and the long end on its cold one. */
function sideOf(history: Series, thermal: Thermal, side: Side): Series {
  const { spread } = thermal;
  if (!spread || history === thermal.pot || history.times.length !== spread.times.length) return history;
  let found = edges.get(history);
  if (!found) {
    const shifted = (sign: number) => ({ times: history.times, values: history.values.map((v, i) => v + sign * spread.values[i]!) });
    found = { warm: shifted(1), cold: shifted(-1) };
    edges.set(history, found);
  }
  return side === 'short' ? found.warm : found.cold;
}

/** Asks the sheet along one repair's temperatures, each question once. */
export function asker(sheet: SheetRevision, thermal: Thermal): Ask {
  const known = new Map<string, ReachTry>();
  return (m, side, originMs) => {
    const key = `${m.kind}|${side}|${originMs}`;
    const found = known.get(key) ?? attemptReach(sheet, m, side, sideOf(historyOf(m, thermal), thermal, side), originMs);
    known.set(key, found);
    return found;
  };
}
