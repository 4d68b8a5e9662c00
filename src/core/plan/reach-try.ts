import { following, indexAt, type Series, valueAt } from '../climate';
import { paceOf, potTauMin, reachOr, type Side, type Stall, type Standing } from '../cure';
import { attempt, type Message } from '../say';
import { clockOf, MILESTONES, type Milestone, milestoneKind, type SheetRevision } from '../system';
import type { Thermal } from './thermal';

const MIN_MS = 60_000;

/** A milestone looked for on one side of the sheet's range: its instant, or the reason there is none. */
export interface ReachTry {
  readonly atMs: number | null;
  readonly standing: Standing;
  readonly stalls: readonly Stall[];
  readonly problem: Message | null;
}

/**
 * A milestone looked for from an origin. Schedules ask the same again and again, so answers are kept by {@link asker}.
 */
export type Ask = (m: Milestone, side: AskedSide, originMs: number) => ReachTry;
/**
 * The side of the sheet's range that is asked for: a deadline is the short end, on the hotter of material and base even
 * of what is waited for elsewhere, such as gel.
 */
export type AskedSide = Side | 'deadline';

const sideAsked = (asked: AskedSide): Side => (asked === 'deadline' ? 'short' : asked);

/** Looks for a milestone; a refusal comes back as its sentence. */
export function attemptReach(
  sheet: SheetRevision,
  m: Milestone,
  side: Side,
  history: Series,
  originMs: number,
  clock: 'working' | 'waiting' = clockOf(m),
): ReachTry {
  const found = attempt(() =>
    reachOr(paceOf(m, side, sheet.family), history, originMs, {
      label: MILESTONES[m.kind].label,
      cureMinC: sheet.limits.cureMinC,
      clock,
    }),
  );
  const none = (problem: Message): ReachTry => ({ atMs: null, standing: 'sheet', stalls: [], problem });
  if (!found.ok) return none(found.problem.sentence);
  return 'problem' in found.value ? none(found.value.problem.sentence) : { ...found.value, problem: null };
}

/** Whether a clock runs on what is in the pot or the mixer: the resin alone, or the hotter of it and the base. */
export const onPot = (m: Milestone): boolean => m.runsOn === 'pot' || isOnResin(m);
/** Whether a clock runs on the resin alone, however warm the base: in the mixer, or while it stands. */
export const isOnResin = (m: Milestone): boolean =>
  milestoneKind(m.kind).onResin === true || (m.runsOn === 'pot' && clockOf(m) === 'waiting');

/** The history a milestone runs on: the hotter of material and base for working times, the colder face for waits. */
export function historyOf(m: Milestone, thermal: Thermal): Series {
  if (isOnResin(m)) return thermal.pot;
  if (milestoneKind(m.kind).onBase) return thermal.base;
  return clockOf(m) === 'working' ? thermal.hot : thermal.cold;
}

/** The edges within which a forecast lies, made once for each history. */
const edges = new WeakMap<Series, { readonly warm: Series; readonly cold: Series }>();

/**
 * The history on one side: where a forecast has a spread, the short end of a time runs on its warm edge and the long
 * end on its cold one.
 */
export function sideOf(history: Series, thermal: Thermal, side: Side): Series {
  const { spread } = thermal;
  // What stands at a temperature of its own knows no weather.
  if (!spread || (history === thermal.pot && thermal.potHeld)) return history;
  let found = edges.get(history);
  if (!found) {
    const { times } = history;
    const last = spread.times.length - 1;
    const at = (ms: number) => valueAt(spread, Math.min(Math.max(ms, spread.times[0]!), spread.times[last]!));
    const wide = times === spread.times ? spread.values : Float64Array.from(times, at);
    const shifted = (sign: number) => ({ times, values: history.values.map((v, i) => v + sign * wide[i]!) });
    found = { warm: shifted(1), cold: shifted(-1) };
    edges.set(history, found);
  }
  return side === 'short' ? found.warm : found.cold;
}

/**
 * Whether material kept at a temperature of its own is never colder than the air, the warm edge of a forecast included:
 * it then stays the hotter of the two.
 */
export const staysHotter = (thermal: Thermal): boolean =>
  thermal.potHeld && warmestIn(sideOf(thermal.air, thermal, 'short')) <= thermal.pot.values[0]!;

function warmestIn(series: Series): number {
  const known = warmest.get(series);
  if (known !== undefined) return known;
  let most = Number.NEGATIVE_INFINITY;
  for (const c of series.values) if (c > most) most = c;
  warmest.set(series, most);
  return most;
}
const warmest = new WeakMap<Series, number>();

/** Working times are over long before this: only where one is not is all of the weather followed. */
const FOLLOWED_MS = 2 * 86_400_000;

/** The first part of a series, so long from an instant. */
const upTo = (series: Series, ms: number): Series => {
  const n = Math.min(series.times.length, indexAt(series, ms) + 2);
  return { times: series.times.subarray(0, n), values: series.values.subarray(0, n) };
};

/** The hotter of a pot and the base, of that no more than so warm, on the times of the base: its steps stay steps. */
function hotterOf(pot: Series, { times, values }: Series, mostC: number): Series {
  const [from, to] = [pot.times[0]!, pot.times.at(-1)!];
  const same = pot.times.length === times.length && times.every((ms, i) => ms === pot.times[i]);
  const potAt = (i: number) => (same ? pot.values[i]! : valueAt(pot, Math.min(Math.max(times[i]!, from), to)));
  return { times, values: values.map((c, i) => Math.max(Math.min(c, mostC), potAt(i))) };
}

/**
 * How warm a base may make a clock of the pot: as far as its sheet answers. The pot stands beside the base, and what is
 * beyond the sheet is said of the base, not refused of the pot.
 */
export function mostByBase(m: Milestone, side: Side, family: SheetRevision['family']): number {
  const pace = attempt(() => paceOf(m, side, family));
  return pace.ok ? pace.value.highC - EDGE_K : Number.POSITIVE_INFINITY;
}
/** The upper end of a band is no longer in it. */
const EDGE_K = 1e-3;

/** A pot of this mass is followed where nobody knows yet how much is mixed at once, g. */
export const USUAL_POT_G = 1000;

/**
 * Asks the sheet along one repair's temperatures, each question once. Material that was kept at a temperature of its
 * own goes on to follow the air once it is mixed; the hotter of the two plans, since a pot that cools is not relied on,
 * and the base where that is hotter still.
 * @param potG the smallest mass mixed at once: it follows fastest
 */
export function asker(sheet: SheetRevision, thermal: Thermal, potG = USUAL_POT_G): Ask {
  const known = {
    short: new Map<Milestone, Map<number, ReachTry>>(),
    long: new Map<Milestone, Map<number, ReachTry>>(),
    deadline: new Map<Milestone, Map<number, ReachTry>>(),
  };
  const mixed = new Map<string, Series>();
  /** Made once for all that asks for the same. */
  const keptAs = (key: string, make: () => Series): Series => {
    const found = mixed.get(key) ?? make();
    mixed.set(key, found);
    return found;
  };
  /** The history from an origin, followed for so long; the whole of it where nothing has to be followed. */
  const historyFrom = (m: Milestone, asked: AskedSide, originMs: number, toMs: number): Series => {
    const side = sideAsked(asked);
    const isDeadline = asked === 'deadline' && clockOf(m) === 'waiting';
    if (!isDeadline && (clockOf(m) === 'waiting' || !onPot(m))) return sideOf(historyOf(m, thermal), thermal, side);
    const alone = !isDeadline && isOnResin(m);
    const base = sideOf(thermal.base, thermal, side);
    const mostC = alone ? Number.NEGATIVE_INFINITY : mostByBase(m, side, sheet.family);
    const { times } = thermal.air;
    const outside = originMs < times[0]! || originMs >= times.at(-1)!;
    // What is in its place no longer follows the air.
    if (!onPot(m) || !thermal.potHeld || outside || staysHotter(thermal)) {
      const pot = sideOf(thermal.pot, thermal, side);
      if (alone) return pot;
      if (!thermal.spread && warmestIn(base) <= mostC) return thermal.hot;
      return keptAs(`${side}|${mostC}`, () => hotterOf(pot, base, mostC));
    }
    return keptAs(`${side}|${mostC}|${originMs}|${toMs}`, () => {
      const air = upTo(sideOf(thermal.air, thermal, side), toMs);
      const heldC = valueAt(thermal.pot, originMs);
      const own = following(air, heldC, originMs, potTauMin(sheet, potG) * MIN_MS);
      const pot = { times: own.times, values: own.values.map((c) => Math.max(c, heldC)) };
      return alone || warmestIn(base) <= heldC ? pot : hotterOf(pot, upTo(base, toMs), mostC);
    });
  };
  const reach = (m: Milestone, asked: AskedSide, originMs: number): ReachTry => {
    const over = (history: Series) =>
      attemptReach(sheet, m, sideAsked(asked), history, originMs, asked === 'deadline' ? 'working' : clockOf(m));
    const history = historyFrom(m, asked, originMs, originMs + FOLLOWED_MS);
    const near = over(history);
    if (near.atMs !== null || history.times.at(-1)! >= thermal.air.times.at(-1)!) return near;
    return over(historyFrom(m, asked, originMs, Number.POSITIVE_INFINITY));
  };
  return (m, side, originMs) => {
    let ofIt = known[side].get(m);
    if (!ofIt) {
      ofIt = new Map();
      known[side].set(m, ofIt);
    }
    let found = ofIt.get(originMs);
    if (!found) {
      found = reach(m, side, originMs);
      ofIt.set(originMs, found);
    }
    return found;
  };
}
