import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
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

/** A picture kept with a job, named by the hash of its content: the same picture twice is one. */
export function attachmentOf(jobId: string, type: string, data: string): Attachment {
  const id = `${jobId}:${bytesToHex(sha256(utf8ToBytes(data))).slice(0, 24)}`;
  return { record: 'attachment', version: 1, id, jobId, eventId: null, type, data };
}
