import { z } from 'zod';

/** Two things that claim one place. Both are kept until somebody says which stands. */
export const Conflict = z.object({
  id: z.string().min(1).max(200),
  at: z.number().int(),
  /** Whether another tab or a file brought the other one. */
  from: z.enum(['tab', 'file']),
  kind: z.enum(['job', 'repair', 'sheet', 'stock', 'snapshot', 'event', 'series', 'attachment']),
  recordId: z.string(),
  jobId: z.string().nullable(),
  /** How it is called on the screen. */
  name: z.string(),
  /** The field they differ in; empty where it is the whole record. */
  path: z.array(z.union([z.string(), z.number()])),
  /** What stands, and what would stand in its place. Undefined on either side: nothing. */
  here: z.unknown(),
  other: z.unknown(),
});
export type Conflict = z.infer<typeof Conflict>;
