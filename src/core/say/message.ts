import { z } from 'zod';
import { Instant, type Kind, Money, UNITS } from '../units';

const KINDS = Object.keys(UNITS) as [Kind, ...Kind[]];

/** A quantity in the core unit of its kind; who reads it chooses the unit it is printed in. */
export const Quantity = z.object({
  is: z.enum(KINDS),
  value: z.number(),
  /** Significant figures; two or three unless said. */
  digits: z.number().int().min(1).max(12).optional(),
  /** Printed with the figures it has, as a limit stands on a sheet: 5 °C, not 5.0. */
  exact: z.boolean().optional(),
  /** In whole steps of so much of the reader’s own unit: a temperature goes to whole degrees, or to halves. */
  step: z.number().positive().optional(),
  /** Its figure alone, in the unit of a field: in an expression the units stand with the result. */
  bare: z.boolean().optional(),
  /** In the larger unit of its kind whatever its size: an area beside what each square metre takes. */
  large: z.boolean().optional(),
});
export type Quantity = z.infer<typeof Quantity>;

/** An instant; who reads it chooses zone and form. */
export const Moment = z.object({
  at: Instant,
  /** With its date: it may lie more than a week off. */
  dated: z.boolean().optional(),
});
export type Moment = z.infer<typeof Moment>;

/** What a text has in its gaps. A string is somebody’s own word (a name, a lot), never a sentence of ours. */
export type Value = string | number | Quantity | Money | Moment | Message | List;

/** Several of one sort, joined as a person would. */
export interface List {
  readonly list: readonly Value[];
  readonly join: 'and' | 'or' | 'comma' | 'space';
}

export type Values = Readonly<Record<string, Value>>;

/**
 * A sentence as data: the id of its text, and what stands in the gaps. The text stands beside the row that owns it; it
 * is rendered in the reader’s units, zone and language, so that a record reads in any of them later.
 */
export interface Message {
  readonly id: string;
  readonly with?: Values;
}

const Word = z.string().max(4000);
export const Value: z.ZodType<Value> = z.lazy(() =>
  z.union([
    Word,
    z.number(),
    Quantity,
    Money,
    Moment,
    Message,
    z.object({ list: z.array(Value).max(1000), join: z.enum(['and', 'or', 'comma', 'space']) }),
  ]),
);
export const Message: z.ZodType<Message> = z.lazy(() =>
  z.object({ id: z.string().min(1).max(200), with: z.record(z.string().max(60), Value).optional() }),
);

/** A message, or a sentence that an earlier version wrote out. */
export const Said = z.union([Word, Message]);
export type Said = string | Message;
