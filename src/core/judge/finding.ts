import { z } from 'zod';

/** What was noticed: what, why, what to do. A stop holds the work until it is overridden with a reason and a role. */
export const Finding = z.object({
  /** Stable while the cause lasts: rule and subject. */
  id: z.string(),
  severity: z.enum(['stop', 'caution', 'note']),
  stage: z.enum(['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release']),
  title: z.string(),
  why: z.string(),
  todo: z.string(),
});
export type Finding = z.infer<typeof Finding>;
