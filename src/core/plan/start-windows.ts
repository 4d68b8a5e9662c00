import { humidityOf, type Series } from '../climate';
import { paceOf, potTauMin } from '../cure';
import { attempt } from '../say';
import { type MilestoneId, milestoneOf, type SheetRevision } from '../system';
import type { Preparing } from './prepared-from';
import { mostByBase, USUAL_POT_G } from './reach-try';
import type { Thermal } from './thermal';

/** Why a start fails. */
export const FAILS = {
  hours: 'outside working hours',
  baseCold: 'base too cold',
  baseHot: 'base too hot',
  airCold: 'air too cold',
  airHot: 'air too hot',
  dew: 'base within the dew margin',
  humidity: 'air too damp',
  material: 'material too cold or warm',
  pot: 'pot dies before it is placed',
  hold: 'too cold to set before it has gelled',
  never: 'not ready as far as weather and sheet tell',
  late: 'ready after the wanted reopening',
  early: 'before the place can be prepared',
} as const;
export type FailId = keyof typeof FAILS;
const IDS = Object.keys(FAILS) as FailId[];

export interface StartsAsk extends Preparing {
  readonly sheet: SheetRevision;
  readonly thermal: Thermal;
  readonly fromMs: number;
  readonly toMs: number;
  readonly stepMs?: number;
  /** Hands-on minutes from mixing to the last placing. */
  readonly placeMin: number;
  /** Hands-on minutes from mixing on that the end of a day does not tear apart; the placing unless told. */
  readonly blockMin?: number;
  /** How long they may run past the working hours they began in. */
  readonly overtimeMin?: number;
  /** Before this the place is not prepared, were it begun at the first instant; none where that is behind. */
  readonly readyMs?: number;
  /** Minutes that the pot must live from mixing on. */
  readonly potMin: number;
  readonly serves: MilestoneId | null;
  readonly wantedAt: number | null;
  /**
   * When it would be open, were mixing begun at an instant, by the whole plan; null never. Without it the one wait it
   * serves by tells.
   */
  readonly opensFrom?: (mixMs: number) => number | null;
}

export interface Starts {
  readonly fromMs: number;
  readonly stepMs: number;
  /** For each start the reasons that speak against it, a bit for each in the order of `FAILS`; 0 is a good start. */
  readonly against: Uint16Array;
  /** Of a forecast with a spread: 1 where a good start holds on its edges too; null where nothing is forecast. */
  readonly sure: Uint16Array | null;
  /** When it would be ready; NaN where never. */
  readonly readyMs: Float64Array;
  readonly earliestMs: number | null;
  /** The good start that is ready first, with the most room to the limits among those. */
  readonly bestMs: number | null;
  /** What keeps most starts from being good, most frequent first. */
  readonly reasons: readonly { readonly id: FailId; readonly starts: number }[];
}

const MIN_MS = 60_000;
/** What is placed at the last start has set by then, or is held to have been too cold for it. */
const SETS_MS = 17 * 86_400_000;
const bit = (id: FailId) => 1 << IDS.indexOf(id);

/** Reasons of one start, in words. */
export const reasonsOf = (against: number): readonly FailId[] => IDS.filter((id) => against & bit(id));

/** A series on an even grid, straight between its samples; NaN beyond them. */
function sampled(series: Series, fromMs: number, stepMs: number, n: number): Float64Array {
  const out = new Float64Array(n).fill(Number.NaN);
  const { times, values } = series;
  let k = 0;
  for (let i = 0; i < n; i++) {
    const ms = fromMs + i * stepMs;
    if (ms < times[0]!) continue;
    while (k + 1 < times.length - 1 && times[k + 1]! <= ms) k++;
    if (ms > times.at(-1)!) break;
    const span = times[k + 1]! - times[k]!;
    out[i] = values[k]! + ((values[k + 1]! - values[k]!) * (ms - times[k]!)) / span;
  }
  return out;
}

/**
 * From a sample of the grid the first at which a milestone that begins there is reached; n where it never is. To be
 * asked in rising order.
 */
type ReachFrom = (from: number) => number;

/**
 * A milestone looked for from every sample of a grid, by the long end of the sheet; null where the sheet does not
 * answer it at all.
 */
function reachOver(sheet: SheetRevision, kind: MilestoneId, temps: Float64Array, stepMs: number): ReachFrom | null {
  const m = milestoneOf(sheet, kind);
  const pace = m ? attempt(() => paceOf(m, 'long', sheet.family)) : null;
  if (!pace?.ok) return null;
  const p = pace.value;
  const stall = sheet.limits.cureMinC ?? Number.NEGATIVE_INFINITY;
  const n = temps.length;
  const stepMin = stepMs / MIN_MS;
  // Minutes the sheet asks for over each step; nothing counts where it stands still, and outside the table there is no
  // answer.
  const asks = new Float64Array(n);
  for (let i = 1; i < n; i++) {
    const mid = (temps[i]! + temps[i - 1]!) / 2;
    asks[i] = mid < stall ? 0 : mid >= p.lowC && mid < p.highC ? p.minutesAt(mid) : Number.NaN;
  }
  return p.form === 'bands' ? reachBandsFrom(asks, stepMin) : reachSumFrom(asks, stepMin);
}

/** Progress summed up once for all starts. */
function reachSumFrom(asks: Float64Array, stepMin: number): ReachFrom {
  const n = asks.length;
  const sum = new Float64Array(n);
  for (let i = 1; i < n; i++) sum[i] = sum[i - 1]! + (asks[i] === 0 ? 0 : stepMin / asks[i]!);
  let at = 0;
  return (from) => {
    at = Math.max(at, from);
    while (at < n && !(sum[at]! - sum[from]! >= 1 - 1e-9)) at++;
    return at;
  };
}

/** Bands give no credit across: the coldest met since the start says how long, so each start looks for itself. */
function reachBandsFrom(asks: Float64Array, stepMin: number): ReachFrom {
  const n = asks.length;
  return (from) => {
    let [credited, needs] = [0, 0];
    for (let i = from + 1; i < n; i++) {
      const here = asks[i]!;
      if (Number.isNaN(here)) return n;
      if (here === 0) continue;
      if (here > needs) needs = here;
      credited += stepMin;
      if (credited >= needs - 1e-9) return i;
    }
    return n;
  };
}

/** What speaks against each start along one run of temperatures. */
interface Judged {
  readonly against: Uint16Array;
  readonly readyMs: Float64Array;
  /** Least distance to a limit, K. */
  readonly room: Float64Array;
}

function judgeStarts(ask: StartsAsk, thermal: Thermal, hours: Uint8Array, stepMs: number): Judged {
  const { sheet } = ask;
  const starts = hours.length;
  // The longest wait may run far beyond the last start: as long as there is a history, where the plan does not tell.
  const last = thermal.base.times.at(-1)!;
  const end = ask.opensFrom ? Math.min(last, ask.toMs + SETS_MS) : last;
  const n = Math.max(starts, Math.min(16_000, Math.floor((end - ask.fromMs) / stepMs)));
  const base = sampled(thermal.base, ask.fromMs, stepMs, n);
  const air = sampled(thermal.air, ask.fromMs, stepMs, n);
  const dew = sampled(thermal.dew, ask.fromMs, stepMs, n);
  const cold = sampled(thermal.cold, ask.fromMs, stepMs, n);
  const pot = sampled(thermal.pot, ask.fromMs, stepMs, n);
  const l = sheet.limits;
  const useBy = milestoneOf(sheet, 'use-by');
  const potPace = useBy ? attempt(() => paceOf(useBy, 'short', sheet.family)) : null;
  const mostC = useBy ? mostByBase(useBy, 'short', sheet.family) : Number.NEGATIVE_INFINITY;
  const serve = ask.serves ? reachOver(sheet, ask.serves, cold, stepMs) : null;
  const gel =
    reachOver(sheet, 'gel', cold, stepMs) ??
    reachOver(sheet, 'release', cold, stepMs) ??
    (ask.serves ? reachOver(sheet, ask.serves, cold, stepMs) : null);
  const placing = Math.max(1, Math.ceil((ask.placeMin * MIN_MS) / stepMs));
  const nextCold = firstBelow(cold, l.cureMinC);
  const followed = thermal.potHeld ? 1 - Math.exp(-ask.potMin / 2 / potTauMin(sheet, USUAL_POT_G)) : 0;
  const against = new Uint16Array(starts);
  const readyMs = new Float64Array(starts).fill(Number.NaN);
  const room = new Float64Array(starts);
  for (let i = 0; i < starts; i++) {
    let no = hours[i] ? 0 : bit('hours');
    if (ask.readyMs !== undefined && ask.fromMs + i * stepMs < ask.readyMs) no |= bit('early');
    let least = Number.POSITIVE_INFINITY;
    const need = (value: number, limit: number | null, above: boolean, id: FailId) => {
      if (limit === null || Number.isNaN(value)) return;
      const spare = above ? value - limit : limit - value;
      if (spare < 0) no |= bit(id);
      if (spare < least) least = spare;
    };
    for (let k = i; k <= Math.min(n - 1, i + placing); k++) {
      need(base[k]!, l.baseMinC, true, 'baseCold');
      need(base[k]!, l.baseMaxC, false, 'baseHot');
      need(air[k]!, l.airMinC, true, 'airCold');
      need(air[k]!, l.airMaxC, false, 'airHot');
      need(base[k]! - dew[k]!, l.dewMarginK, true, 'dew');
      // Beyond the end of the weather nothing is known, and so nothing speaks against it.
      if (l.humidityMaxPct !== null && !Number.isNaN(air[k]!) && humidityOf(air[k]!, dew[k]!) > l.humidityMaxPct)
        no |= bit('humidity');
    }
    need(pot[i]!, l.materialMinC, true, 'material');
    need(pot[i]!, l.materialMaxC, false, 'material');
    if (potPace?.ok) {
      const p = potPace.value;
      // Mixed, it goes on to follow a warmer air, as warm as it is half-way through its use; or the base is hotter
      // still.
      const led = thermal.potHeld ? Math.max(0, air[i]! - pot[i]!) * followed : 0;
      const t = Math.max(pot[i]! + led, Math.min(base[i]!, mostC));
      if (!(t >= p.lowC && t < p.highC) || p.minutesAt(t) < ask.potMin) no |= bit('pot');
    }
    const placed = Math.min(n - 1, i + placing);
    if (gel && nextCold[placed]! <= Math.min(n - 1, gel(placed))) no |= bit('hold');
    if (ask.opensFrom) {
      // Outside the working hours nobody begins: when it would open is nobody’s question.
      const opens = hours[i] ? ask.opensFrom(ask.fromMs + i * stepMs) : Number.NaN;
      if (opens === null) no |= bit('never');
      else readyMs[i] = opens;
      if (ask.wantedAt !== null && readyMs[i]! > ask.wantedAt) no |= bit('late');
    } else if (serve) {
      const serveAt = serve(placed);
      if (serveAt < n) {
        readyMs[i] = ask.fromMs + serveAt * stepMs;
        if (ask.wantedAt !== null && readyMs[i]! > ask.wantedAt) no |= bit('late');
      } else no |= bit('never');
    }
    against[i] = no;
    room[i] = least;
  }
  return { against, readyMs, room };
}

/** The place on the edge of what a forecast leaves open. */
function edgeOf(thermal: Thermal, sign: number): Thermal {
  const { spread } = thermal;
  if (!spread) return thermal;
  const shift = (s: Series): Series =>
    s.times.length === spread.times.length
      ? { times: s.times, values: s.values.map((v, i) => v + sign * spread.values[i]!) }
      : s;
  return {
    ...thermal,
    air: shift(thermal.air),
    base: shift(thermal.base),
    cold: shift(thermal.cold),
    pot: thermal.potHeld ? thermal.pot : shift(thermal.pot),
  };
}

const gridOf = ({ fromMs, toMs, stepMs = 10 * MIN_MS }: StartsAsk) => ({
  stepMs,
  starts: Math.max(1, Math.floor((toMs - fromMs) / stepMs)),
});

/** The starts of a horizon for which `opensFrom` is asked, ms: they can be asked for beforehand, one by one. */
export function startsAsked(ask: StartsAsk): readonly number[] {
  const { stepMs, starts } = gridOf(ask);
  return [...workable(ask, stepMs, starts)].flatMap((works, i) => (works ? [ask.fromMs + i * stepMs] : []));
}

/**
 * Every start of mixing in a horizon, and what speaks against it: the sheet's limits through the placing, setting warm
 * enough until it has gelled, the pot's life, the working hours, the reopening. Starts are looked at one step apart;
 * limits hold at every step between.
 * Where a forecast has a spread, a start is sure when it holds on both edges as well.
 */
export function startWindows(ask: StartsAsk): Starts {
  const { thermal } = ask;
  const { stepMs, starts } = gridOf(ask);
  const hours = workable(ask, stepMs, starts);
  const { against, readyMs, room } = judgeStarts(ask, thermal, hours, stepMs);
  const edges = thermal.spread
    ? [-1, 1].map((sign) => judgeStarts(ask, edgeOf(thermal, sign), hours, stepMs).against)
    : [];
  const sure = thermal.spread ? against.map((a, i) => (a === 0 && edges.every((e) => e[i] === 0) ? 1 : 0)) : null;
  let earliest = -1;
  let best = -1;
  let soonest = Number.POSITIVE_INFINITY;
  // What holds whatever the forecast leaves open is better than what holds only if it comes true.
  const wanted = sure?.some((s) => s === 1) ? (i: number) => sure[i] === 1 : (i: number) => against[i] === 0;
  for (let i = 0; i < starts; i++) {
    if (against[i] === 0 && earliest < 0) earliest = i;
    if (wanted(i) && readyMs[i]! < soonest) soonest = readyMs[i]!;
  }
  // Among those ready within half an hour of the soonest the one with the most room; without a ready time the earliest.
  for (let i = 0; i < starts; i++)
    if (wanted(i) && readyMs[i]! <= soonest + 30 * MIN_MS && (best < 0 || room[i]! > room[best]!)) best = i;
  if (best < 0) best = earliest;
  const at = (i: number) => (i < 0 ? null : ask.fromMs + i * stepMs);
  const reasons = IDS.map((id) => ({ id, starts: against.reduce((s, a) => s + (a & bit(id) ? 1 : 0), 0) }))
    .filter((r) => r.starts > 0)
    .sort((a, b) => b.starts - a.starts);
  return {
    fromMs: ask.fromMs,
    stepMs,
    against,
    sure,
    readyMs,
    earliestMs: at(earliest),
    bestMs: at(best),
    reasons,
  };
}

/** For each sample the first at or after it that lies below a limit; beyond the end where none does. */
function firstBelow(values: Float64Array, limit: number | null): Float64Array {
  const out = new Float64Array(values.length);
  let next = Number.POSITIVE_INFINITY;
  for (let i = values.length - 1; i >= 0; i--) {
    if (limit !== null && values[i]! < limit) next = i;
    out[i] = next;
  }
  return out;
}

/** Which starts lie, with preparation before and placing after them, inside one stretch of working hours. */
function workable(
  {
    windows,
    prepareMin,
    prepareApart = false,
    ahead,
    placeMin,
    blockMin = placeMin,
    overtimeMin = 0,
    fromMs,
  }: StartsAsk,
  stepMs: number,
  starts: number,
): Uint8Array {
  const out = new Uint8Array(starts);
  for (const w of windows) {
    const first = Math.max(0, Math.ceil((w.fromMs + (prepareApart ? 0 : prepareMin * MIN_MS) - fromMs) / stepMs));
    const latest = Math.min(w.toMs - 1, w.toMs + (overtimeMin - blockMin) * MIN_MS);
    const last = Math.min(starts - 1, Math.floor((latest - fromMs) / stepMs));
    for (let i = first; i <= last; i++) out[i] = 1;
    // What keeps overnight was done the day before: the day begins with what does not.
    const early = ahead && ahead.doneMs <= w.fromMs ? w.fromMs + (prepareMin - ahead.minutes) * MIN_MS : Number.NaN;
    const at = Math.ceil((early - fromMs) / stepMs);
    if (at >= 0 && at <= last) out[at] = 1;
  }
  return out;
}

/** What a start says of itself: that of the next step, since limits are looked at from there on. */
export const startSays = (
  s: Starts,
  ms: number,
): { readonly against: readonly FailId[]; readonly readyMs: number | null; readonly sure: boolean } => {
  const i = Math.min(s.against.length - 1, Math.max(0, Math.ceil((ms - s.fromMs) / s.stepMs - 1e-9)));
  return {
    against: reasonsOf(s.against[i]!),
    readyMs: Number.isNaN(s.readyMs[i]!) ? null : s.readyMs[i]!,
    sure: s.sure === null || s.sure[i] === 1,
  };
};

/**
 * The earliest good start, a start that lies between two of those looked at among them: the plan's own begins at its
 * own minute, and is not called too early by the ten minutes of the strip.
 */
export const earliestWith = (s: Starts, ms: number | null): number | null => {
  const good = ms !== null && startSays(s, ms).against.length === 0;
  return good && (s.earliestMs === null || ms < s.earliestMs) ? ms : s.earliestMs;
};
