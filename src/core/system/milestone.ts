import { z } from 'zod';
import { Grams } from '../units';

/** Instants a time can count from. A time is worth nothing without it. */
export const STARTS = {
  bared: 'the face is bared',
  'mix-begins': 'mixing begins',
  'mix-ends': 'mixing ends',
  'stand-ends': 'the stand time ends',
  placed: 'it is placed',
  'last-coat': 'the last coat is on',
  'faces-closed': 'the faces are closed',
} as const;
export const StartId = z.enum(Object.keys(STARTS) as [keyof typeof STARTS, ...(keyof typeof STARTS)[]]);
export type StartId = z.infer<typeof StartId>;

/** What is laid spot by spot: between its first and its last spot lies the whole of the work. */
export const LAID_OVER_TIME: ReadonlySet<StartId> = new Set(['placed', 'last-coat']);

/** Whose temperature a clock runs on. */
export const RUNS_ON = { pot: 'the pot', material: 'the material in place', base: 'the base' } as const;
export const RunsOn = z.enum(Object.keys(RUNS_ON) as [keyof typeof RUNS_ON, ...(keyof typeof RUNS_ON)[]]);
export type RunsOn = z.infer<typeof RunsOn>;

/** What the table of milestones says of one. */
interface MilestoneKind {
  readonly label: string;
  /** What is so once it is over or reached, as a calendar says it. */
  readonly ended: string;
  readonly clock: 'working' | 'waiting';
  /** Ranks waiting times: at every temperature a later one may not come before an earlier one. */
  readonly order: number | null;
  /**
   * Of what is laid over some minutes this clock runs from the first spot, not from the last: a skin forms where it lay
   * longest.
   */
  readonly firstSpot?: true;
  /** What is mixed may be placed until it is over. */
  readonly usesUp?: true;
  /** It bounds the washing of what was filled. */
  readonly washed?: true;
  /** What has set runs on its base, whatever the air and the packs are. */
  readonly onBase?: true;
  /** A sheet that has it is for what people walk or drive over. */
  readonly walkedOn?: true;
  /** It runs on the resin itself, wherever that lies, whatever else the sheet says. */
  readonly onResin?: true;
  /**
   * Milestones that come later in the curing and so may stand in where a sheet is silent on this one, soonest first.
   */
  readonly later?: readonly string[];
  /** Of several places the one that began first closes it, and not the last. */
  readonly byFirst?: true;
  /** Over before a calendar is looked at: whoever mixes or presses has it in hand. */
  readonly inHand?: true;
  /** It belongs to the manner of mixing: where no curing decides it, its one figure holds in any weather. */
  readonly manner?: true;
  /** So many days by the calendar: told with no temperature it is told of any. */
  readonly byCalendar?: true;
  /** Water must not come on it before. */
  readonly keptDry?: true;
  /** Until it nobody may move what lies there: from it on it holds by itself. */
  readonly holdsAlone?: true;
  /** It is about the layer or the pass that follows: where there is none it decides nothing. */
  readonly ofLayers?: true;
  /** The last hour of what it is the first of: together they are a window. */
  readonly until?: string;
  /** A test by touch can tell it: what bears a load cannot be felt. */
  readonly touch?: true;
  /** What sheets usually count it from and run it on, where that is not from when it is placed, on the base. */
  readonly usual?: Clocked;
}

/** From when a time counts and on whose temperature it runs. */
interface Clocked {
  readonly startsAt: StartId;
  readonly runsOn: RunsOn;
}
const IN_THE_POT: Clocked = { startsAt: 'mix-begins', runsOn: 'pot' };

/** Milestones a sheet may state. */
export const MILESTONES = {
  mix: {
    label: 'Mixing time',
    ended: 'mixed long enough',
    inHand: true,
    clock: 'working',
    order: null,
    usual: IN_THE_POT,
  },
  stand: {
    label: 'Stand time',
    ended: 'it has stood long enough',
    inHand: true,
    clock: 'waiting',
    order: null,
    manner: true,
    usual: { startsAt: 'mix-ends', runsOn: 'pot' },
  },
  'use-by': {
    label: 'Pot life or working time',
    ended: 'the pot is over',
    clock: 'working',
    order: null,
    usual: IN_THE_POT,
    usesUp: true,
  },
  /** The same mix spread out loses its heat and lives longer: sheets of joint resins print both. */
  'use-by-out': {
    label: 'Use-by once poured out',
    ended: 'what is poured out is over',
    clock: 'working',
    order: null,
    usual: IN_THE_POT,
  },
  idle: {
    label: 'Idle in the mixer',
    ended: 'the mixer is over',
    inHand: true,
    clock: 'working',
    order: null,
    onResin: true,
    usual: { startsAt: 'mix-begins', runsOn: 'material' },
  },
  'clean-by': {
    label: 'Tools clean by',
    ended: 'tools are clean by now',
    clock: 'working',
    order: null,
    usual: IN_THE_POT,
  },
  'primer-wet': {
    label: 'Primer still wet',
    ended: 'the primer is wet no longer',
    clock: 'working',
    order: null,
    firstSpot: true,
    usual: { startsAt: 'last-coat', runsOn: 'base' },
  },
  open: {
    label: 'Open time',
    ended: 'the open time is over',
    clock: 'working',
    order: null,
    firstSpot: true,
    usual: { startsAt: 'placed', runsOn: 'material' },
  },
  gel: {
    label: 'Gel',
    ended: 'it has gelled',
    clock: 'waiting',
    order: 1,
    later: ['next-lift', 'tack-free', 'sandable', 'release', 'foot', 'light-load', 'load', 'full-cure'],
    touch: true,
  },
  'next-lift': {
    until: 'recoat-until',
    label: 'Next lift',
    ended: 'the next lift may go in',
    ofLayers: true,
    clock: 'waiting',
    order: null,
    later: ['sandable', 'release', 'foot', 'light-load', 'load', 'full-cure'],
    touch: true,
  },
  'recoat-from': {
    until: 'recoat-until',
    label: 'Recoat from',
    ended: 'the next coat may go on',
    ofLayers: true,
    clock: 'waiting',
    order: null,
    later: ['sandable', 'foot', 'light-load', 'load', 'full-cure'],
    touch: true,
  },
  'recoat-until': {
    label: 'Recoat until',
    ended: 'the next coat no longer goes on as it is',
    ofLayers: true,
    clock: 'working',
    order: null,
    onBase: true,
    byFirst: true,
  },
  bare: {
    label: 'Prepared face good until',
    ended: 'the prepared face is good no longer',
    clock: 'working',
    order: null,
    onBase: true,
    byFirst: true,
    usual: { startsAt: 'bared', runsOn: 'base' },
  },
  'wash-from': {
    until: 'wash-until',
    label: 'Start of washing',
    ended: 'washing begins',
    clock: 'waiting',
    order: null,
    firstSpot: true,
    onBase: true,
    touch: true,
    washed: true,
  },
  'wash-until': {
    label: 'End of washing',
    ended: 'it is washed by now',
    clock: 'working',
    order: null,
    firstSpot: true,
    onBase: true,
    washed: true,
  },
  'tack-free': {
    label: 'Tack-free',
    ended: 'it is tack-free',
    clock: 'waiting',
    order: null,
    later: ['sandable', 'release', 'foot', 'light-load', 'load', 'dry', 'full-cure'],
    touch: true,
  },
  sandable: {
    until: 'sandable-until',
    label: 'Grind or sand',
    ended: 'it may be ground or sanded',
    clock: 'waiting',
    order: null,
    later: ['foot', 'light-load', 'load', 'full-cure'],
    touch: true,
  },
  'sandable-until': {
    label: 'Ground or sanded until',
    ended: 'it is ground or sanded by now',
    clock: 'working',
    order: null,
    onBase: true,
    byFirst: true,
  },
  frost: {
    label: 'Keep from frost until',
    ended: 'frost does it no more harm',
    clock: 'waiting',
    order: null,
    later: ['full-cure'],
  },
  damp: {
    label: 'Keep damp until',
    ended: 'it need not be kept damp any longer',
    clock: 'waiting',
    order: null,
    byCalendar: true,
    later: ['full-cure'],
  },
  overlay: {
    label: 'Fill joints or lay over',
    ended: 'joints may be filled, or a layer laid over',
    clock: 'waiting',
    order: null,
    later: ['foot', 'light-load', 'load', 'full-cure'],
    touch: true,
  },
  release: {
    label: 'Release of clamps',
    ended: 'clamps and props may come off',
    clock: 'waiting',
    order: 2,
    later: ['foot', 'light-load', 'load', 'full-cure'],
    touch: true,
    holdsAlone: true,
  },
  foot: {
    label: 'Foot traffic',
    ended: 'it may be walked on',
    clock: 'waiting',
    order: 3,
    later: ['light-load', 'load', 'full-cure'],
    walkedOn: true,
  },
  'light-load': {
    label: 'Light load',
    ended: 'it may bear a light load',
    clock: 'waiting',
    order: 4,
    later: ['load', 'full-cure'],
  },
  load: { label: 'Full load', ended: 'it may bear its full load', clock: 'waiting', order: 5, later: ['full-cure'] },
  dry: {
    label: 'Keep dry until',
    ended: 'it may get wet',
    clock: 'waiting',
    order: null,
    later: ['wet', 'full-cure'],
    keptDry: true,
  },
  wet: {
    label: 'Water or chemicals',
    ended: 'it may stand in water or chemicals',
    clock: 'waiting',
    order: null,
    later: ['full-cure'],
    keptDry: true,
  },
  'full-cure': { label: 'Full cure', ended: 'it is fully cured', clock: 'waiting', order: 6 },
} as const satisfies Record<string, MilestoneKind>;
export const MilestoneId = z.enum(Object.keys(MILESTONES) as [keyof typeof MILESTONES, ...(keyof typeof MILESTONES)[]]);
export type MilestoneId = z.infer<typeof MilestoneId>;

const minutes = z.number().positive().max(200_000);
const temp = z.number().min(-60).max(250);

/** “Above 30 °C” is said of whatever a system is worked in; hotter than this no sheet means, °C. */
export const OPEN_UP_C = 60;

/** The three forms in which sheets state a time. Ranges run from the shortest to the longest the sheet says. */
export const PlainTable = z.discriminatedUnion('form', [
  z.object({
    form: z.literal('curve'),
    points: z
      .array(z.object({ tempC: temp, fromMin: minutes, toMin: minutes }))
      .min(2)
      .max(30),
  }),
  /** Lower bound in, upper bound out. */
  z.object({
    form: z.literal('bands'),
    bands: z
      .array(z.object({ fromC: temp, toC: temp, fromMin: minutes, toMin: minutes }))
      .min(1)
      .max(30),
  }),
  /** One time; without a temperature it is read as meant for a room, of 20 to 23 °C, and the result says so. */
  z.object({ form: z.literal('single'), tempC: temp.nullable(), fromMin: minutes, toMin: minutes }),
]);
export type PlainTable = z.infer<typeof PlainTable>;

/**
 * A plain form, or plain forms keyed by the dose of the catalyst, or tiers of temperature and humidity for what dries.
 */
export const TimeTable = z.discriminatedUnion('form', [
  ...PlainTable.options,
  z.object({
    form: z.literal('by-dose'),
    doses: z
      .array(z.object({ dosePct: z.number().positive().max(60), table: PlainTable }))
      .min(2)
      .max(8),
  }),
  /** Upper bounds out, of temperature; up to and with, of humidity. */
  z.object({
    form: z.literal('tiers'),
    tiers: z
      .array(
        z.object({
          fromC: temp,
          toC: temp,
          humidityToPct: z.number().min(1).max(100),
          fromMin: minutes,
          toMin: minutes,
        }),
      )
      .min(1)
      .max(40),
  }),
]);
export type TimeTable = z.infer<typeof TimeTable>;

export const Milestone = z.object({
  kind: MilestoneId,
  startsAt: StartId,
  runsOn: RunsOn,
  table: TimeTable,
  /** Pot size the sheet's pot life belongs to, g. */
  referenceMassG: Grams.positive().nullable().default(null),
  /** The table as the paper prints it, in its own units; kept so that the next revision begins from it. */
  printed: z.string().max(4000).nullable().default(null),
});
export type Milestone = z.infer<typeof Milestone>;

/** What the table says of a milestone. */
export const milestoneKind = (
  id: MilestoneId,
): Omit<MilestoneKind, 'later' | 'until'> & {
  readonly later?: readonly MilestoneId[];
  readonly until?: MilestoneId;
} => MILESTONES[id];

/** What sheets usually count a milestone from and run it on. */
export const usualClock = (id: MilestoneId): Clocked =>
  milestoneKind(id).usual ?? { startsAt: 'placed', runsOn: 'base' };

/** Whether running past this time spoils work (working) or coming before it does (waiting). */
export const clockOf = (m: Milestone): 'working' | 'waiting' => MILESTONES[m.kind].clock;
