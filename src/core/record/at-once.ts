import { type Job, type JobPlan, type PlannedStep, type Repair, repairName, type Window, workedAt } from '../plan';
import { crewOf } from './yard';

/** What is planned for the same hours at two jobs. */
export interface TwoAtOnce {
  readonly fromMs: number;
  readonly toMs: number;
  readonly at: readonly [AtOnce, AtOnce];
}

export interface AtOnce {
  readonly job: Job;
  readonly repair: string;
  readonly step: PlannedStep;
}

type Hour = Window & AtOnce;

const handsAt = (job: Job, plan: JobPlan, drafts: readonly Repair[]): readonly Hour[] =>
  plan.repairs.flatMap((r) =>
    r.steps.flatMap((step) =>
      step.doneAt === null && step.handsOnMin > 0
        ? workedAt(step).map((w) => ({ ...w, job, repair: repairName(drafts.find((d) => d.id === r.repairId)!), step }))
        : [],
    ),
  );

/**
 * The first hour for which two jobs are planned at once, of each two jobs of which nobody said that they have crews of
 * their own.
 */
export function atOnce(
  jobs: readonly { readonly job: Job; readonly plan: JobPlan; readonly repairs: readonly { draft: Repair }[] }[],
  nowMs: number,
): readonly TwoAtOnce[] {
  const hours = jobs.map(({ job, plan, repairs }) => ({
    crew: crewOf(job),
    hours: handsAt(
      job,
      plan,
      repairs.map((r) => r.draft),
    ).filter((h) => h.toMs > nowMs),
  }));
  return hours
    .flatMap((a, i) =>
      hours.slice(i + 1).flatMap((b): TwoAtOnce[] => {
        if (a.crew !== null && b.crew !== null) return [];
        const met = a.hours
          .flatMap((x) =>
            b.hours.flatMap((y): TwoAtOnce[] => {
              const [fromMs, toMs] = [Math.max(x.fromMs, y.fromMs, nowMs), Math.min(x.toMs, y.toMs)];
              return toMs > fromMs ? [{ fromMs, toMs, at: [x, y] }] : [];
            }),
          )
          .sort((p, q) => p.fromMs - q.fromMs);
        return met.slice(0, 1);
      }),
    )
    .sort((p, q) => p.fromMs - q.fromMs);
}
