import { between, type Side } from '../cure';
import { attempt, line, type Message, texts, type WorkLine } from '../say';
import {
  clockOf,
  MILESTONES,
  type Milestone,
  milestoneKind,
  type SheetRevision,
  STARTS,
  type StartId,
} from '../system';
import { figure, formatDuration } from '../units';
import { type Ask, asker, historyOf, onPot, type ReachTry } from './reach-try';
import { FIRST_PASS } from './repair';
import type { Thermal } from './thermal';

const TIMES = texts('milestone-times', {
  unbegun: 'It counts from the moment {start}, which is not planned yet.',
});

const HOUR_MS = 3_600_000;

/** One milestone with its instants, or why it has none. */
export interface MilestoneTime {
  readonly kind: Milestone['kind'];
  /** The pass it is of. */
  readonly passId: string;
  readonly label: string;
  readonly clock: 'working' | 'waiting';
  readonly startsAt: StartId;
  readonly runsOn: Milestone['runsOn'];
  readonly batch: number | null;
  /** Which of several like parts it is of, from 0; null where it is of all of them. */
  readonly part: number | null;
  readonly originMs: number | null;
  /** Short end, by the short side of the sheet. */
  readonly fromMs: number | null;
  /** Long end. */
  readonly toMs: number | null;
  /** The end that plans: long for waits, short for working times. */
  readonly planMs: number | null;
  readonly standing: ReachTry['standing'];
  readonly stalls: ReachTry['stalls'];
  readonly sheetSays: string;
  readonly problem: Message | null;
  readonly working: readonly WorkLine[];
}

/** A clock that the method has and the sheet does not. */
export interface ClockOfMethod extends Milestone {
  readonly ofMethod: true;
}
const isOfMethod = (m: Milestone): m is ClockOfMethod => 'ofMethod' in m;

/** The sheet's own words for a milestone near a temperature. */
export function sheetSays(m: Milestone, tempC: number): string {
  if (isOfMethod(m) && m.table.form === 'bands')
    return `${formatDuration(m.table.bands[0]!.toMin)}, a figure of the method`;
  const range = (row: { fromMin: number; toMin: number }) =>
    row.fromMin === row.toMin
      ? formatDuration(row.toMin)
      : `${formatDuration(row.fromMin)} to ${formatDuration(row.toMin)}`;
  if (m.table.form === 'single')
    return `${range(m.table)} ${m.table.tempC === null ? 'without a temperature' : `at ${m.table.tempC} °C`}`;
  if (m.table.form === 'bands') {
    const band = m.table.bands.find((b) => tempC >= b.fromC && tempC < b.toC);
    return band ? `${range(band)} from ${band.fromC} to ${band.toC} °C` : `nothing for ${figure(tempC)} °C`;
  }
  if (m.table.form === 'by-dose' || m.table.form === 'tiers')
    return `by ${m.table.form === 'tiers' ? 'humidity' : 'dose'}`;
  const near = [...m.table.points].sort((a, b) => Math.abs(a.tempC - tempC) - Math.abs(b.tempC - tempC))[0]!;
  return `${range(near)} at ${near.tempC} °C`;
}

/** What its own heat leaves of the pot life of one batch. */
export interface PotShare {
  readonly massG: number;
  readonly referenceG: number;
  /** 0 to 1. */
  readonly share: number;
}

/** The batch and the part a milestone is told for by name. */
export interface Named {
  readonly batch?: number | null;
  readonly part?: number | null;
}

/** What a milestone is worked out from. */
export interface MilestoneAsk extends Named {
  readonly originMs: number | null;
  readonly thermal: Thermal;
  readonly ask?: Ask;
  readonly pot?: PotShare;
  readonly passId?: string;
}

/** What it counts from is not planned yet. */
const unbegun = (m: Milestone): ReachTry => ({
  atMs: null,
  standing: 'sheet',
  stalls: [],
  problem: TIMES.unbegun({ start: STARTS[m.startsAt] }),
});

/** Times of one milestone from an origin. @param pot shortens the life of a pot that is larger than the sheet's */
export function milestoneTime(
  sheet: SheetRevision,
  m: Milestone,
  { originMs, batch = null, part = null, thermal, ask = asker(sheet, thermal), pot, passId = FIRST_PASS }: MilestoneAsk,
): MilestoneTime {
  const clock = clockOf(m);
  const { label } = MILESTONES[m.kind];
  const own = pot && pot.share < 1 ? pot : null;
  const shortened = (r: ReachTry): ReachTry =>
    own && originMs !== null && r.atMs !== null
      ? { ...r, atMs: originMs + (r.atMs - originMs) * own.share, standing: 'estimated' }
      : r;
  const sideOf = (side: Side): ReachTry => (originMs === null ? unbegun(m) : shortened(ask(m, side, originMs)));
  const plan = sideOf(clock === 'waiting' ? 'long' : 'short');
  // Only the planning end is needed while a temperature is pulled; the other end, the words and the working are made
  // when they are read.
  const other = once(() => sideOf(clock === 'waiting' ? 'short' : 'long'));
  const told = once(() =>
    originMs === null ? { sheetSays: sheetSays(m, 20), working: [] } : wordsOf(sheet, m, plan, originMs, thermal, own),
  );
  // Written out: a spread beside getters makes an object that is slow to make, and plans make thousands.
  return {
    kind: m.kind,
    passId,
    label,
    clock,
    startsAt: m.startsAt,
    runsOn: m.runsOn,
    batch,
    part,
    originMs,
    planMs: plan.atMs,
    standing: plan.standing,
    stalls: plan.stalls,
    problem: plan.problem,
    get fromMs() {
      return clock === 'waiting' ? other().atMs : plan.atMs;
    },
    get toMs() {
      return clock === 'waiting' ? plan.atMs : other().atMs;
    },
    get sheetSays() {
      return told().sheetSays;
    },
    get working() {
      return told().working;
    },
  };
}

/** A value made when it is first asked for. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}

/** What the sheet says where the milestone ran, and how its time came about. */
function wordsOf(
  sheet: SheetRevision,
  m: Milestone,
  plan: ReachTry,
  originMs: number,
  thermal: Thermal,
  own: PotShare | null,
): Pick<MilestoneTime, 'sheetSays' | 'working'> {
  const clock = clockOf(m);
  const end = plan.atMs ?? originMs;
  const met = attempt(() => between(historyOf(m, thermal), originMs, plan.atMs ?? originMs + HOUR_MS));
  // Where nothing is known of the temperature, nothing is worked out from it.
  if (!met.ok) return { sheetSays: sheetSays(m, 20), working: [] };
  const { min, max } = met.value;
  // A band is picked by the extreme; a curve is best read at the middle of what was met.
  const said = sheetSays(m, m.table.form !== 'bands' ? (min + max) / 2 : clock === 'waiting' ? min : max);
  const bands = m.table.form === 'bands';
  return {
    sheetSays: said,
    working: [
      line(
        isOfMethod(m) ? 'The method says' : 'The sheet says',
        `${MILESTONES[m.kind].label}, counted from when ${STARTS[m.startsAt]}`,
        said,
        '',
        undefined,
        isOfMethod(m) ? 'chosen' : 'sheet',
      ),
      line(
        'Temperature it ran at',
        onPot(m)
          ? 'pot'
          : clock === 'working'
            ? milestoneKind(m.kind).onBase
              ? 'the base'
              : 'the hotter of material and base'
            : thermal.cold === thermal.base
              ? 'the base'
              : 'the colder of the base and the part laid on it',
        `${figure(min)} to ${figure(max)}`,
        '°C',
      ),
      line(
        bands ? 'Band of the extreme' : 'Sum of progress',
        bands
          ? clock === 'waiting'
            ? 'the coldest base of the wait picks the band'
            : 'the hottest picks the band'
          : '∫ dt / τ(T) = 1',
        formatDuration((end - originMs) / 60_000 / (own?.share ?? 1)),
        '',
        bands ? 'bands, no credit across' : 'Arrhenius between points',
      ),
      ...(own
        ? [
            line(
              'Warmed by itself',
              `× ${figure(own.share, 2)}: ${figure(own.massG)} g in one pot where the sheet’s time is for ${figure(own.referenceG)} g`,
              formatDuration((end - originMs) / 60_000),
              '',
              'heat of curing, estimated',
            ),
          ]
        : []),
      ...plan.stalls.map((s) =>
        line(
          'Clock stands still',
          `base under ${figure(sheet.limits.cureMinC ?? 0)} °C`,
          formatDuration((s.toMs - s.fromMs) / 60_000),
        ),
      ),
    ],
  };
}
