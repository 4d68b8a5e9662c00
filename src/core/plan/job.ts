import { z } from 'zod';
import { BaseBody, ClimateSource } from '../climate';
import { MilestoneId } from '../system';
import { Void } from '../void';

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
  version: z.literal(1),
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
