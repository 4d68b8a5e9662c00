/**
 * What a computation says when it cannot answer: the field at fault, the value met, and what would have been allowed.
 */
export interface Problem {
  /** Path of the field, dotted, e.g. `void.shapes.0.holeDiameter`. */
  readonly field: string;
  readonly value: unknown;
  /** The allowed range or form, in words. */
  readonly allowed: string;
  /** One sentence for the person at the field. */
  readonly sentence: string;
}

/** The one error type of the core. It always names the field, the value and what is allowed. */
export class Refusal extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    // It says where it belongs by field, and planning a cold week makes many: walking the stack for each would cost
    // more than the plan.
    const depth = Error.stackTraceLimit;
    Error.stackTraceLimit = 0;
    super(problem.sentence);
    Error.stackTraceLimit = depth;
    this.name = 'Refusal';
    this.problem = problem;
  }
}

/**
 * Throws a {@link Refusal}.
 * @example refuse('rodDiameter', 20, 'under 18 mm', 'The rod is thicker than its hole.')
 */
export function refuse(field: string, value: unknown, allowed: string, sentence: string): never {
  throw new Refusal({ field, value, allowed, sentence });
}

/** Returns `value` when it is finite, else refuses it by name. */
export function finite(field: string, value: number): number {
  if (!Number.isFinite(value)) refuse(field, value, 'a finite number', `${field} is not a number.`);
  return value;
}

/** Returns `value` when it is finite and above zero, else refuses it by name. */
export function positive(field: string, value: number, label = field): number {
  finite(field, value);
  if (value <= 0) refuse(field, value, 'more than 0', `${label} must be more than 0.`);
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
