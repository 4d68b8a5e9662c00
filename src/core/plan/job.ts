import { z } from 'zod';
import { BaseBody, ClimateSource, ONLY_AIR } from '../climate';
import { Blend, Colour } from '../mix';
import { MEETS_NOTHING, Meets, MilestoneId, Orientation, Way, WETNESS } from '../system';
import { Celsius, Figure, Id, Instant, Percent, Zone } from '../units';
import { SettingOut, Void } from '../void';
import { Load } from './load-asked';
import { StandIn } from './stand-in';

const id = Id;
/** The name of a question, a school, a setting, or what was answered. */
const Word = z.string().max(80);
const instant = Instant;

/** A site with its calendar, climate and wanted return to service. */
export const Job = z.object({
  record: z.literal('job'),
  version: z.literal(1),
  id,
  name: z.string().max(120),
  place: z.string().max(160),
  /** IANA time zone of the site. */
  zone: Zone,
  wantedAt: instant.nullable(),
  /** Nothing is planned before this. */
  startFrom: instant,
  workingHours: z.object({
    fromHour: z.number().min(0).max(24),
    toHour: z.number().min(0).max(24),
    days: z.array(z.number().int().min(1).max(7)).max(7),
  }),
  climate: ClimateSource,
  createdAt: instant,
  updatedAt: instant,
  closedAt: instant.nullable(),
  sample: z.boolean().default(false),
});
export type Job = z.infer<typeof Job>;

/** One repair of a job: everything the technician chose and measured. */
export const Repair = z.object({
  record: z.literal('repair'),
  version: z.literal(3),
  id,
  jobId: id,
  /** Place in the job's order of work. */
  order: Figure,
  name: z.string().max(120),
  place: z.string().max(160),
  method: z.object({ id, version: z.number().int().min(0).max(10_000) }),
  base: BaseBody.extend({
    castOn: z
      .string()
      .regex(/^\d{4}-\d{2}-\d{2}$/)
      .nullable(),
  }),
  answers: z.record(Word, z.enum(['yes', 'no', 'unsure'])),
  void: Void.nullable(),
  settingOut: SettingOut.nullable(),
  sheetId: Id.nullable(),
  kitId: Id.nullable(),
  schools: z.record(Word, Word),
  settings: z.record(Word, Figure),
  /** Temperature the material is kept at; null follows the air. */
  materialC: Celsius.nullable(),
  /** Dose of the catalyst (or water) within the sheet's range, per cent; null takes the sheet's usual one. */
  dosePct: Percent.positive().nullable(),
  orientation: Orientation,
  /** How wet the base is found, and its moisture where it was measured, per cent by mass. */
  surface: z.enum(WETNESS),
  moisturePct: z.number().min(0).max(100).nullable(),
  /** Pairs of hands that place. */
  crew: z.number().int().min(1).max(12),
  /** Most that may stand in one pot, g; null leaves it to the time it takes to place. */
  massCapG: Figure.positive().nullable(),
  /** Thickness of a lift as chosen, mm; null takes the sheet's. */
  liftMm: z.number().positive().max(1000).nullable(),
  /** Step of the scale at hand, g. */
  scaleStepG: Figure.positive(),
  /** What else parts are measured with. */
  bench: z.object({
    /** null: by weight wherever the sheet gives it. */
    way: Way.nullable(),
    cupStepMl: Figure.positive(),
    strokeMl: Figure.positive().nullable(),
    dropsPerMl: Figure.positive().nullable(),
    stripMm: Figure.positive().nullable(),
    /** The largest vessel, mL; null when it does not bind. */
    vesselMaxMl: Figure.positive().nullable(),
    onePot: z.boolean(),
  }),
  /** Fillers of one's own in a system of two liquids. */
  /** What it meets: the base more exactly, the layers under and over it. */
  meets: Meets,
  /** What it must carry; null where it carries nothing worth checking. */
  load: Load.nullable(),
  blend: Blend.nullable(),
  colour: Colour.nullable(),
  reserve: z.boolean(),
  plannedStart: instant.nullable(),
  serves: MilestoneId.nullable(),
  /** What stands in for waits on which the sheet is silent, by the milestone that is missing. */
  standIns: z.partialRecord(MilestoneId, StandIn).default({}),
  safety: z.object({ class: z.enum(['plain', 'review']), why: z.string().max(300) }),
  updatedAt: instant,
});
export type Repair = z.infer<typeof Repair>;

/** An object of an older version, field by field. */
type Old = Readonly<Record<string, unknown>>;
const isOld = (x: unknown): x is Old => typeof x === 'object' && x !== null && !Array.isArray(x);

/** Every measured length of version 1 gets room for a second reading. */
function withSecondReading(x: unknown): unknown {
  if (Array.isArray(x)) return x.map(withSecondReading);
  if (!isOld(x)) return x;
  const inner = Object.fromEntries(Object.entries(x).map(([k, v]) => [k, withSecondReading(v)]));
  return 'valueMm' in inner && !('again' in inner) ? { ...inner, again: null } : inner;
}

function shapeTo2(shape: unknown): unknown {
  if (!isOld(shape)) return shape;
  const outline = shape.outline;
  const traced = isOld(outline) && outline.kind === 'polygon' ? { ...shape, outline: { photoId: null, ...outline } } : shape;
  return shape.shape === 'annulus' && shape.version === 1 ? { ...traced, version: 2, mouth: { form: 'none' }, notchesMl: 0 } : traced;
}

/**
 * Steps of a repair from version n to n + 1, by n: used by the job file and by the database alike.
 * 1 → 2: second readings, several shapes with what differs among like voids, what stays clear, open backs, setting out.
 * 2 → 3: dose, orientation, wetness found, crew, bench, lifts, own fillers, colour, what it meets and carries, sun, sky, water and cover of the base.
 */
export const REPAIR_STEPS: Readonly<Record<number, (old: Old) => Old>> = {
  1: (old) => {
    const v = withSecondReading(old.void);
    return {
      ...old,
      version: 2,
      void: isOld(v)
        ? { variants: [], keepClear: [], back: 'closed', ...v, shapes: Array.isArray(v.shapes) ? v.shapes.map(shapeTo2) : v.shapes }
        : v,
      settingOut: null,
    };
  },
  2: (old) => ({
    ...FIRST_CHOICES,
    ...old,
    version: 3,
    base: isOld(old.base) ? { surroundings: ONLY_AIR, ...old.base } : old.base,
  }),
};

/** The bench a repair begins with. */
export const FIRST_BENCH = {
  way: null,
  cupStepMl: 10,
  strokeMl: null,
  dropsPerMl: null,
  stripMm: null,
  vesselMaxMl: null,
  onePot: true,
} as const;

/** What a repair begins with before anything is found or chosen; an older one gets the same. */
export const FIRST_CHOICES = {
  dosePct: null,
  orientation: 'floor',
  surface: 'bone dry',
  moisturePct: null,
  crew: 1,
  massCapG: null,
  liftMm: null,
  bench: FIRST_BENCH,
  meets: MEETS_NOTHING,
  load: null,
  blend: null,
  colour: null,
  standIns: {},
} as const satisfies Partial<Repair>;

/** A repair of any version as one of the newest; anything else is given back as it came. */
export function repairNow(raw: unknown): unknown {
  let now = raw;
  while (isOld(now) && typeof now.version === 'number' && REPAIR_STEPS[now.version]) now = REPAIR_STEPS[now.version]!(now);
  return now;
}
