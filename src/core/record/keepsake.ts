import { z } from 'zod';

/** A measured or forecast history kept with a job. */
export const SeriesRecord = z.object({
  record: z.literal('series'),
  version: z.literal(1),
  id: z.string().min(1),
  jobId: z.string().min(1),
  channel: z.enum(['base', 'air', 'material', 'humidity']),
  source: z.string().max(120),
  times: z.array(z.number().int()),
  values: z.array(z.number()),
});
export type SeriesRecord = z.infer<typeof SeriesRecord>;

/** A picture or file kept with an event, named by the hash of its content. */
export const Attachment = z.object({
  record: z.literal('attachment'),
  version: z.literal(1),
  id: z.string().min(1),
  jobId: z.string().min(1),
  eventId: z.string().nullable(),
  type: z.string().max(80),
  /** Content, base64. */
  data: z.string(),
});
export type Attachment = z.infer<typeof Attachment>;
