import type { Message, Said } from './message';
import { textOf, texts } from './texts';

/**
 * What a computation says when it cannot answer: the field at fault, the value met, and what would have been allowed.
 */
export interface Problem {
  /** Path of the field, dotted, e.g. `void.shapes.0.holeDiameter`. */
  readonly field: string;
  readonly value: unknown;
  /** The allowed range or form in core units, for programs; a person is told it by the sentence. */
  readonly allowed: string;
  /** One sentence for the person at the field. */
  readonly sentence: Message;
}

/** The one error type of the core. It always names the field, the value and what is allowed. */
export class Refusal extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    // It says where it belongs by field, and planning a cold week makes many: walking the stack for each would cost
    // more than the plan.
    const depth = Error.stackTraceLimit;
    Error.stackTraceLimit = 0;
    super();
    Error.stackTraceLimit = depth;
    this.name = 'Refusal';
    this.problem = problem;
  }
  /** For those who look for the fault: the text with its gaps, and what would stand in them. */
  override get message(): string {
    const { field, sentence } = this.problem;
    return `${field}: ${textOf(sentence.id) ?? sentence.id} ${sentence.with ? JSON.stringify(sentence.with) : ''}`.trim();
  }
}

const REFUSED = texts('refused', {
  'not-a-number': '{field} is not a number.',
  'more-than-nought': '{label} must be more than 0.',
});

/**
 * Throws a {@link Refusal}.
 * @example refuse('rodDiameter', 20, 'under 18 mm', REFUSED['rod-too-thick']({ hole: mm(18) }))
 */
export function refuse(field: string, value: unknown, allowed: string, sentence: Message): never {
  throw new Refusal({ field, value, allowed, sentence });
}

/** Why something failed: the sentence of a refusal, else what the fault itself says. */
export const whyOf = (error: unknown): Said =>
  error instanceof Refusal ? error.problem.sentence : error instanceof Error ? error.message : String(error);

/** Returns `value` when it is finite, else refuses it by name. */
export function finite(field: string, value: number): number {
  if (!Number.isFinite(value)) refuse(field, value, 'a finite number', REFUSED['not-a-number']({ field }));
  return value;
}

/** Returns `value` when it is finite and above zero, else refuses it by name. */
export function positive(field: string, value: number, label = field): number {
  finite(field, value);
  if (value <= 0) refuse(field, value, 'more than 0', REFUSED['more-than-nought']({ label }));
  return value;
}

/** Runs `compute`; a refusal comes back as a value, any other error is thrown on. */
export function attempt<T>(compute: () => T): { ok: true; value: T } | { ok: false; problem: Problem } {
  try {
    return { ok: true, value: compute() };
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, problem: error.problem };
    throw error;
  }
}
