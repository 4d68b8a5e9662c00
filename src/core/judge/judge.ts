import { STAGES, type Stage } from '../method';
import type { Finding } from './finding';
import { type JudgeContext, RULES } from './rules';

const RANK = { stop: 0, caution: 1, note: 2 } as const;

/** Stops first, then cautions and notes, in the order of the work. */
export const byRank = (findings: readonly Finding[]): readonly Finding[] =>
  [...findings].sort(
    (a, b) => RANK[a.severity] - RANK[b.severity] || STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage),
  );

/** All findings of a pass. */
export const judge = (context: JudgeContext): readonly Finding[] =>
  byRank(Object.values(RULES).flatMap((rule) => rule(context)));

/** Stops that nobody has overridden. While there is one, the work does not go past its stage. */
export const standingStops = (
  findings: readonly Finding[],
  overrides: ReadonlyMap<string, unknown>,
): readonly Finding[] => findings.filter((f) => f.severity === 'stop' && !overrides.has(f.id));

export type StageState = 'done' | 'open' | 'caution' | 'stop';

/** State of each stage, for the joints of the strip. */
export function stageStates(
  { plan, actuals }: JudgeContext,
  findings: readonly Finding[],
): Readonly<Record<Stage, StageState>> {
  const started = actuals.startedAt !== null;
  const stepsDone = (stage: Stage) => {
    const mine = plan.steps.filter((s) => s.stage === stage);
    return mine.length > 0 && mine.every((s) => s.doneAt !== null) && !plan.untimed.some((s) => s.stage === stage);
  };
  const complete: Record<Stage, boolean> = {
    inspect: plan.method !== null && !plan.unanswered.length,
    measure: plan.void !== null,
    material: plan.sheet !== null && !plan.problems.some((p) => p.stage === 'material'),
    mix: plan.mix !== null,
    place: started && stepsDone('place'),
    hold: started && stepsDone('hold') && stepsDone('finish'),
    finish: started && stepsDone('finish'),
    release: actuals.released !== null,
  };
  return Object.fromEntries(
    STAGES.map((stage): [Stage, StageState] => {
      const mine = findings.filter((f) => f.stage === stage && !actuals.overrides.has(f.id));
      if (mine.some((f) => f.severity === 'stop') || plan.problems.some((p) => p.stage === stage))
        return [stage, 'stop'];
      if (mine.some((f) => f.severity === 'caution') && !(stage === 'release' && complete.release))
        return [stage, 'caution'];
      return [stage, complete[stage] ? 'done' : 'open'];
    }),
  ) as Record<Stage, StageState>;
}
