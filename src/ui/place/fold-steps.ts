import type { PlannedStep } from '@/core/plan';

/** Steps as they are listed: shown one by one, or the rest of many like ones, folded. */
export type Listed =
  | { readonly kind: 'step'; readonly step: PlannedStep }
  | { readonly kind: 'more'; readonly steps: readonly PlannedStep[]; readonly times: number };

/** Fewer like ones than that are read at a glance. */
const MANY = 4;

/** Steps of one batch that follow each other, with what they do. */
interface Round {
  readonly steps: readonly PlannedStep[];
  readonly does: string;
}

/** A step that is of no batch is a round of its own, like no other; so is what meets something of its own. */
function roundsOf(steps: readonly PlannedStep[]): readonly Round[] {
  const rounds: PlannedStep[][] = [];
  for (const step of steps) {
    const last = rounds.at(-1)?.at(-1);
    const same = last && last.batch !== undefined && last.batch === step.batch && last.passId === step.passId;
    if (same) rounds.at(-1)!.push(step);
    else rounds.push([step]);
  }
  return rounds.map((of) => ({
    steps: of,
    does:
      of[0]!.batch === undefined || of.some((s) => s.apart)
        ? `${of[0]!.passId} ${of[0]!.id}`
        : of.map((s) => `${s.passId} ${s.key.task}`).join(),
  }));
}

/**
 * The list of steps with long rows of like rounds folded: the first is shown, and the others are one line. What waits
 * long before it, or is the next to be done, ends such a row.
 * @param gapMs a wait longer than that is shown, and never folded away
 */
export function foldedSteps(steps: readonly PlannedStep[], gapMs: number): readonly Listed[] {
  const rounds = roundsOf(steps);
  const next = steps.find((s) => s.doneAt === null)?.id;
  const begun = steps.some((s) => s.doneAt !== null);
  const out: Listed[] = [];
  for (let i = 0; i < rounds.length; ) {
    const first = rounds[i]!;
    let end = i + 1;
    while (
      end < rounds.length &&
      rounds[end]!.does === first.does &&
      rounds[end]!.steps[0]!.startMs - rounds[end - 1]!.steps.at(-1)!.endMs <= gapMs &&
      !(begun && rounds[end]!.steps.some((s) => s.id === next))
    )
      end++;
    for (const step of first.steps) out.push({ kind: 'step', step });
    const more = rounds.slice(i + 1, end);
    if (more.length >= MANY - 1) out.push({ kind: 'more', steps: more.flatMap((r) => r.steps), times: more.length });
    else for (const step of more.flatMap((r) => r.steps)) out.push({ kind: 'step', step });
    i = end;
  }
  return out;
}
