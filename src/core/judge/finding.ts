import { z } from 'zod';
import { Said, texts, type Values } from '../say';

/** What was noticed: what, why, what to do. A stop holds the work until it is overridden with a reason and a role. */
export const Finding = z.object({
  /** Stable while the cause lasts: rule and subject. */
  id: z.string(),
  /** The pass it is about, and its name, where a repair has several. */
  passId: z.string().optional(),
  passName: z.string().optional(),
  /** It is of the whole place: of several passes it is said once. */
  once: z.literal(true).optional(),
  /** The field of the refusal that it tells the ways out of: nobody can go on all the same, there is no plan. */
  refusal: z.string().optional(),
  /** What it is, among the things that go wrong, where that has to be recorded. */
  trouble: z.string().max(80).optional(),
  /** What may be said to it with one press, and is kept as the reason to go on. */
  answer: Said.optional(),
  severity: z.enum(['stop', 'caution', 'note']),
  stage: z.enum(['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release']),
  title: Said,
  why: Said,
  todo: Said,
  /** Ways out that Grenko knows: each sets one thing of the repair. */
  ways: z
    .array(
      z.object({
        say: Said,
        set: z.object({ path: z.array(z.string().max(60)).min(1).max(4), value: z.union([z.number(), z.string()]) }),
      }),
    )
    .max(6)
    .optional(),
});
export type Finding = z.infer<typeof Finding>;

/** One thing that can be noticed: how grave it is, where it belongs, its words in ICU message syntax. */
export interface FindingRow {
  /** Of the finding, where several rows speak of one thing; else the key of the row. */
  readonly id?: string;
  readonly once?: true;
  readonly severity: Finding['severity'];
  readonly stage: Finding['stage'];
  readonly title: string;
  readonly why: string;
  readonly todo: string;
}

/**
 * Makes a finding of a row: what stands in the gaps of its words, and what it is about where a repair may have several.
 */
export type Notice = (
  values?: Values,
  over?: {
    readonly of?: string | number;
    readonly severity?: Finding['severity'];
    readonly stage?: Finding['stage'];
    readonly ways?: Finding['ways'];
    readonly refusal?: string;
    readonly trouble?: string;
    readonly answer?: Said;
  },
) => Finding;

/**
 * A table of what one rule can notice.
 * @example
 * const F = findings({ dew: { severity: 'stop', stage: 'place', title: 'Base is wet with dew', why: 'It lies {margin}
 * above it.', todo: '…' } });
 * F.dew({ margin: kelvin(1.4) });
 */
export function findings<K extends string>(table: Readonly<Record<K, FindingRow>>): Readonly<Record<K, Notice>> {
  const notices = {} as Record<K, Notice>;
  for (const [key, row] of Object.entries(table) as [K, FindingRow][]) {
    const say = texts(`finding.${key}`, { title: row.title, why: row.why, todo: row.todo });
    notices[key] = (values, over = {}) => ({
      id: over.of === undefined ? (row.id ?? key) : `${row.id ?? key}:${over.of}`,
      severity: over.severity ?? row.severity,
      stage: over.stage ?? row.stage,
      title: say.title(values),
      why: say.why(values),
      todo: say.todo(values),
      ...(row.once ? { once: true as const } : {}),
      ...(over.ways?.length ? { ways: over.ways } : {}),
      ...(over.refusal === undefined ? {} : { refusal: over.refusal }),
      ...(over.trouble === undefined ? {} : { trouble: over.trouble }),
      ...(over.answer === undefined ? {} : { answer: over.answer }),
    });
  }
  return notices;
}
