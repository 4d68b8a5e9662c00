import { bandAt, between, type Side } from '../cure';
import { attempt, degC, exactly, grams, line, type Message, minutes, texts, type WorkLine } from '../say';
import {
  clockOf,
  MILESTONES,
  type Milestone,
  milestoneKind,
  OPEN_UP_C,
  type SheetRevision,
  STARTS,
  type StartId,
} from '../system';
import { figure } from '../units';
import { type Ask, asker, historyOf, isOnResin, type ReachTry } from './reach-try';
import { FIRST_PASS } from './repair';
import type { Thermal } from './thermal';

const TIMES = texts('milestone-times', {
  'method-says': 'The method says',
  'own-says': 'Said here',
  'sheet-says': 'The sheet says',
  counted: '{label}, counted from when {start}',
  ran: 'Temperature it ran at',
  pot: 'pot',
  base: 'the base',
  hotter: 'the hotter of material and base',
  colder: 'the colder of the base and the part laid on it',
  'ran-is': '{low} to {high}',
  band: 'Band of the extreme',
  coldest: 'the coldest base of the wait picks the band',
  hottest: 'the hottest picks the band',
  bands: 'bands, no credit across',
  progress: 'Sum of progress',
  'progress-by': '∫ dt / τ(T) = 1',
  arrhenius: 'Arrhenius between points',
  warmed: 'Warmed by itself',
  'warmed-by': '× {share}: {mass} in one pot where the sheet’s time is for {reference}',
  'own-heat': 'heat of curing, estimated',
  stands: 'Clock stands still',
  'stands-by': 'base under {least}',
  method: '{time}, a figure of the method',
  own: '{time}, a figure of one’s own',
  range: '{from} to {to}',
  untold: '{range} without a temperature',
  'at-one': '{range} at {temp}',
  'in-band': '{range} from {from} to {to}',
  'from-band': '{range} from {from} up',
  silent: 'nothing for {temp}',
  longer: '{range}: {times} times the dry time',
  'by-humidity': 'by humidity',
  'by-dose': 'by dose',
  unbegun: 'It counts from the moment {start}, which is not planned yet.',
});

/** The temperature that a clock ran at, by what it is of. */
const ranAt = (m: Milestone, clock: MilestoneTime['clock'], thermal: Thermal) => {
  if (isOnResin(m)) return 'pot';
  if (clock === 'working') return milestoneKind(m.kind).onBase ? 'base' : 'hotter';
  return thermal.cold === thermal.base ? 'base' : 'colder';
};

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
  readonly sheetSays: Message;
  readonly problem: Message | null;
  readonly working: readonly WorkLine[];
}

/** A clock that the sheet does not have: of the method, or a figure of one’s own. */
export interface UnprintedClock extends Milestone {
  readonly whose: 'method' | 'own';
}
const isUnprinted = (m: Milestone): m is UnprintedClock => 'whose' in m;

/** Who says how long. */
const SAYS = { sheet: 'sheet-says', method: 'method-says', own: 'own-says' } as const;

/** A clock of so many minutes, however warm or cold it is. */
export const flatClock = (
  of: Pick<UnprintedClock, 'kind' | 'whose' | 'startsAt' | 'runsOn'>,
  min: number,
): UnprintedClock => ({
  ...of,
  table: { form: 'bands', bands: [{ fromC: -60, toC: 250, fromMin: min, toMin: min }] },
  referenceMassG: null,
  printed: null,
});

/** A wait of the sheet, made so many times as long for what it meets here. */
export interface LongerWait extends Milestone {
  readonly times: number;
}
const isLonger = (m: Milestone): m is LongerWait => 'times' in m;

/** The sheet's own words for a milestone near a temperature. */
export const sheetSays = (m: Milestone, tempC: number): Message =>
  isLonger(m) ? TIMES.longer({ range: tableSays(m, tempC), times: m.times }) : tableSays(m, tempC);

function tableSays(m: Milestone, tempC: number): Message {
  if (isUnprinted(m) && m.table.form === 'bands') return TIMES[m.whose]({ time: minutes(m.table.bands[0]!.toMin) });
  const range = (row: { readonly fromMin: number; readonly toMin: number }) =>
    row.fromMin === row.toMin
      ? minutes(row.toMin)
      : TIMES.range({ from: minutes(row.fromMin), to: minutes(row.toMin) });
  const { table } = m;
  switch (table.form) {
    case 'single':
      return table.tempC === null
        ? TIMES.untold({ range: range(table) })
        : TIMES['at-one']({ range: range(table), temp: exactly(degC(table.tempC)) });
    case 'bands': {
      const bands = [...table.bands].sort((a, b) => a.fromC - b.fromC);
      if (tempC < bands[0]!.fromC || tempC >= bands.at(-1)!.toC) return TIMES.silent({ temp: degC(tempC) });
      const band = bandAt(bands, tempC, clockOf(m));
      const [said, from] = [range(band), exactly(degC(band.fromC))];
      return band.toC === OPEN_UP_C
        ? TIMES['from-band']({ range: said, from })
        : TIMES['in-band']({ range: said, from, to: exactly(degC(band.toC)) });
    }
    case 'tiers':
      return TIMES['by-humidity']();
    case 'by-dose':
      return TIMES['by-dose']();
    default: {
      const near = [...table.points].sort((a, b) => Math.abs(a.tempC - tempC) - Math.abs(b.tempC - tempC))[0]!;
      return TIMES['at-one']({ range: range(near), temp: exactly(degC(near.tempC)) });
    }
  }
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
        TIMES[SAYS[isUnprinted(m) ? m.whose : 'sheet']](),
        TIMES.counted({ label: MILESTONES[m.kind].label, start: STARTS[m.startsAt] }),
        said,
        undefined,
        isUnprinted(m) ? 'chosen' : 'sheet',
      ),
      line(
        TIMES.ran(),
        TIMES[ranAt(m, clock, thermal)](),
        min.toFixed(1) === max.toFixed(1) ? degC(max) : TIMES['ran-is']({ low: degC(min), high: degC(max) }),
      ),
      line(
        TIMES[bands ? 'band' : 'progress'](),
        TIMES[bands ? (clock === 'waiting' ? 'coldest' : 'hottest') : 'progress-by'](),
        minutes((end - originMs) / 60_000 / (own?.share ?? 1)),
        TIMES[bands ? 'bands' : 'arrhenius'](),
      ),
      ...(own
        ? [
            line(
              TIMES.warmed(),
              TIMES['warmed-by']({
                share: figure(own.share, 2),
                mass: grams(own.massG),
                reference: grams(own.referenceG),
              }),
              minutes((end - originMs) / 60_000),
              TIMES['own-heat'](),
            ),
          ]
        : []),
      ...plan.stalls.map((s) =>
        line(
          TIMES.stands(),
          TIMES['stands-by']({ least: exactly(degC(sheet.limits.cureMinC ?? 0)) }),
          minutes((s.toMs - s.fromMs) / 60_000),
        ),
      ),
    ],
  };
}
