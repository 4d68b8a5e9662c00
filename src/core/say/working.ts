import { z } from 'zod';

/** Whose word a figure is: the sheet's, the core's, the technician's choice, or a measurement. */
export const Voice = z.enum(['sheet', 'computed', 'chosen', 'measured']);
export type Voice = z.infer<typeof Voice>;

/**
 * One line that can be checked by hand: a label, the expression with its numbers in it, the value and where it comes
 * from.
 */
export const WorkLine = z.object({
  label: z.string(),
  expression: z.string(),
  value: z.union([z.number(), z.string()]),
  /** Unit of `value` as printed; empty for none. */
  unit: z.string(),
  source: z.string().optional(),
  voice: Voice.default('computed'),
});
export type WorkLine = z.infer<typeof WorkLine>;

/** Builds one line of working. */
export function line(
  label: string,
  expression: string,
  value: number | string,
  unit = '',
  source?: string,
  voice: Voice = 'computed',
): WorkLine {
  return { label, expression, value, unit, voice, ...(source ? { source } : {}) };
}
