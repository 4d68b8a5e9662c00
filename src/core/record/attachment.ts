import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { z } from 'zod';
import { Figure, Id, Instant } from '../units';

/** A measured or forecast history kept with a job. */
export const SeriesRecord = z.object({
  record: z.literal('series'),
  version: z.literal(1),
  id: Id,
  jobId: Id,
  channel: z.enum(['base', 'air', 'material', 'humidity']),
  source: z.string().max(120),
  times: z.array(Instant).max(500_000),
  values: z.array(Figure).max(500_000),
});
export type SeriesRecord = z.infer<typeof SeriesRecord>;

/** A picture or file kept with an event, named by the hash of its content. */
export const Attachment = z.object({
  record: z.literal('attachment'),
  version: z.literal(1),
  id: Id,
  jobId: Id,
  eventId: Id.nullable(),
  /** A picture that cannot carry a script. */
  type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  /** Content, base64. */
  data: z
    .string()
    .max(24_000_000)
    .regex(/^[A-Za-z0-9+/=]*$/, 'must be base64'),
});
export type Attachment = z.infer<typeof Attachment>;

/**
 * A picture kept with a job, named by the hash of its content, and of the entry it hangs on: the same picture twice at
 * one place is one.
 */
export function attachmentOf(
  jobId: string,
  type: Attachment['type'],
  data: string,
  eventId: string | null = null,
): Attachment {
  const named = eventId === null ? data : `${eventId} ${data}`;
  const id = `${jobId}:${bytesToHex(sha256(utf8ToBytes(named))).slice(0, 24)}`;
  return { record: 'attachment', version: 1, id, jobId, eventId, type, data };
}
