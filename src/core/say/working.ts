import { z } from 'zod';
import { Message, Quantity, Said } from './message';

/**
 * Whose word a figure is: the sheet's, the core's reckoning, the technician's choice, a measurement, or what Grenko
 * assumes until somebody says otherwise.
 */
export const Voice = z.enum(['sheet', 'computed', 'chosen', 'measured', 'assumed']);
export type Voice = z.infer<typeof Voice>;

/**
 * One line that can be checked by hand: a label, the expression with its numbers in it, the value and where it comes
 * from. All of it is read in the units of whoever reads.
 */
export const WorkLine = z.object({
  label: Said,
  expression: Said,
  value: z.union([z.number(), Quantity, Message, z.string()]),
  /** Unit of a number as earlier versions printed it; empty for none, and where the value brings its own. */
  unit: z.string(),
  source: Said.optional(),
  voice: Voice.default('computed'),
});
export type WorkLine = z.infer<typeof WorkLine>;

/** Significant figures of a value of a working: enough to find it again by hand. */
export const WORKED_DIGITS = 4;

/** Builds one line of working. @param value a count, a quantity (told with four figures) or words */
export function line(
  label: Said,
  expression: Said,
  value: number | Quantity | Said,
  source?: Said,
  voice: Voice = 'computed',
): WorkLine {
  const told = typeof value === 'object' && 'is' in value ? { digits: WORKED_DIGITS, ...value } : value;
  return { label, expression, value: told, unit: '', voice, ...(source ? { source } : {}) };
}
