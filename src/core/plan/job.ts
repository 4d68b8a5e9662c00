import { z } from 'zod';
import { BaseBody, ClimateSource } from '../climate';
import { MilestoneId } from '../system';
import { SettingOut, Void } from '../void';

const id = z.string().min(1).max(80);
const instant = z.number().int();

/** A site with its calendar, climate and wanted return to service. */
export const Job = z.object({
  record: z.literal('job'),
  version: z.literal(1),
  id,
  name: z.string().max(120),
  place: z.string().max(160),
  /** IANA time zone of the site. */
  zone: z.string().min(1).max(60),
  wantedAt: instant.nullable(),
  /** Nothing is planned before this. */
  startFrom: instant,
  workingHours: z.object({
    fromHour: z.number().min(0).max(24),
    toHour: z.number().min(0).max(24),
    days: z.array(z.number().int().min(1).max(7)),
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
  version: z.literal(2),
  id,
  jobId: id,
  /** Place in the job's order of work. */
  order: z.number(),
  name: z.string().max(120),
  place: z.string().max(160),
  method: z.object({ id, version: z.number().int() }),
  base: BaseBody.extend({
    castOn: z
      .string()
      .regex(/^\d{4}-\d{2}-\d{2}$/)
      .nullable(),
  }),
  answers: z.record(z.string(), z.enum(['yes', 'no', 'unsure'])),
  void: Void.nullable(),
  settingOut: SettingOut.nullable(),
  sheetId: z.string().nullable(),
  kitId: z.string().nullable(),
  schools: z.record(z.string(), z.string()),
  settings: z.record(z.string(), z.number()),
  /** Temperature the material is kept at; null follows the air. */
  materialC: z.number().nullable(),
  /** Step of the scale at hand, g. */
  scaleStepG: z.number().positive(),
  reserve: z.boolean(),
  plannedStart: instant.nullable(),
  serves: MilestoneId.nullable(),
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
};

/** A repair of any version as one of the newest; anything else is given back as it came. */
export function repairNow(raw: unknown): unknown {
  let now = raw;
  while (isOld(now) && typeof now.version === 'number' && REPAIR_STEPS[now.version]) now = REPAIR_STEPS[now.version]!(now);
  return now;
}
