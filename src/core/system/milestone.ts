import { z } from 'zod';
import { Grams } from '../units';

/** Instants a time can count from. A time is worth nothing without it. */
export const STARTS = {
  'mix-begins': 'mixing begins',
  'mix-ends': 'mixing ends',
  'stand-ends': 'the stand time ends',
  placed: 'it is placed',
  'last-coat': 'the last coat is on',
  'faces-closed': 'the faces are closed',
} as const;
export const StartId = z.enum(Object.keys(STARTS) as [keyof typeof STARTS, ...(keyof typeof STARTS)[]]);
export type StartId = z.infer<typeof StartId>;

/** Whose temperature a clock runs on. */
export const RUNS_ON = { pot: 'the pot', material: 'the material in place', base: 'the base' } as const;
export const RunsOn = z.enum(Object.keys(RUNS_ON) as [keyof typeof RUNS_ON, ...(keyof typeof RUNS_ON)[]]);
export type RunsOn = z.infer<typeof RunsOn>;

/** Milestones a sheet may state. `order` ranks waiting times: at every temperature a later one may not come before an earlier one. */
export const MILESTONES = {
  mix: { label: 'Mixing time', clock: 'working', order: null },
  stand: { label: 'Stand time', clock: 'waiting', order: null },
  'use-by': { label: 'Use-by of the pot', clock: 'working', order: null },
  idle: { label: 'Idle in the mixer', clock: 'working', order: null },
  'clean-by': { label: 'Tools clean by', clock: 'working', order: null },
  'primer-wet': { label: 'Primer still wet', clock: 'working', order: null },
  open: { label: 'Open time', clock: 'working', order: null },
  gel: { label: 'Gel', clock: 'waiting', order: 1 },
  'next-lift': { label: 'Next lift', clock: 'waiting', order: null },
  'recoat-from': { label: 'Recoat from', clock: 'waiting', order: null },
  'recoat-until': { label: 'Recoat until', clock: 'working', order: null },
  'tack-free': { label: 'Tack-free', clock: 'waiting', order: null },
  sandable: { label: 'Grind or sand', clock: 'waiting', order: null },
  overlay: { label: 'Fill joints or lay over', clock: 'waiting', order: null },
  release: { label: 'Release of clamps', clock: 'waiting', order: 2 },
  foot: { label: 'Foot traffic', clock: 'waiting', order: 3 },
  'light-load': { label: 'Light load', clock: 'waiting', order: 4 },
  load: { label: 'Full load', clock: 'waiting', order: 5 },
  dry: { label: 'Keep dry until', clock: 'waiting', order: null },
  wet: { label: 'Water or chemicals', clock: 'waiting', order: null },
  'full-cure': { label: 'Full cure', clock: 'waiting', order: 6 },
} as const satisfies Record<string, { label: string; clock: 'working' | 'waiting'; order: number | null }>;
export const MilestoneId = z.enum(Object.keys(MILESTONES) as [keyof typeof MILESTONES, ...(keyof typeof MILESTONES)[]]);
export type MilestoneId = z.infer<typeof MilestoneId>;

const minutes = z.number().positive().max(200_000);
const temp = z.number().min(-60).max(250);

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
  /** One time; without a temperature the sheet is read as meant for 23 °C, and the result says so. */
  z.object({ form: z.literal('single'), tempC: temp.nullable(), fromMin: minutes, toMin: minutes }),
]);
export type PlainTable = z.infer<typeof PlainTable>;

/** A plain form, or plain forms keyed by the dose of the catalyst, or tiers of temperature and humidity for what dries. */
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
      .array(z.object({ fromC: temp, toC: temp, humidityToPct: z.number().min(1).max(100), fromMin: minutes, toMin: minutes }))
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

/** Whether running past this time spoils work (working) or coming before it does (waiting). */
export const clockOf = (m: Milestone): 'working' | 'waiting' => MILESTONES[m.kind].clock;
