import { z } from 'zod';
import { ClimateSource } from '../climate';
import { Id, Instant, Zone } from '../units';

const id = Id;
const instant = Instant;

/** How many there are; null where nobody has counted: as many as are needed. */
const Count = z.number().int().min(0).max(1000).nullable().default(null);

/** Nobody has counted anything. */
export const UNCOUNTED = { hands: null, clamps: null, props: null, heaters: null } as const;

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
  /** Whoever does it, as they are called: jobs of one crew are planned round each other. Empty where nobody says. */
  doneBy: z.string().max(80).default(''),
  /** What the site has at hand; null is as many as are needed. */
  atHand: z.object({ hands: Count, clamps: Count, props: Count, heaters: Count }).default(UNCOUNTED),
  climate: ClimateSource,
  createdAt: instant,
  updatedAt: instant,
  closedAt: instant.nullable(),
  sample: z.boolean().default(false),
});
export type Job = z.infer<typeof Job>;
