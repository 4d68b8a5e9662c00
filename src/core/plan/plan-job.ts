import type { SheetRevision } from '../system';
import { attempt, type Problem } from '../units';
import { type Actuals, NOTHING_YET } from './actuals';
import { type Window, windowsOver } from './calendar';
import type { Job, Repair } from './job';
import { planRepair, type RepairPlan } from './plan-repair';
import { AHEAD_MS, type SiteClimate, siteClimate, thermalOf } from './thermal';

export interface JobPlan {
  readonly jobId: string;
  readonly nowMs: number;
  /** First instant of the planned days: the earliest thing that happened or is planned. */
  readonly fromMs: number;
  readonly site: SiteClimate | null;
  readonly windows: readonly Window[];
  readonly repairs: readonly RepairPlan[];
  /** Problems of the job itself: climate, hours, zone. */
  readonly problems: readonly Problem[];
}

export interface JobAsk {
  readonly job: Job;
  readonly repairs: readonly Repair[];
  readonly sheets: readonly SheetRevision[];
  readonly actuals: Readonly<Record<string, Actuals>>;
  readonly nowMs: number;
}

/**
 * Plans a whole job: repairs in their order, one crew, inside the working hours. A serial schedule: each repair takes the
 * earliest time the ones before it leave free.
 */
export function planJob(ask: JobAsk): JobPlan {
  const { job, nowMs } = ask;
  const repairs = [...ask.repairs].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
  const happened = Object.values(ask.actuals).flatMap((a) =>
    [a.startedAt, ...Object.values(a.begun), ...Object.values(a.done)].filter((t): t is number => t !== null),
  );
  const fromMs = Math.min(job.startFrom, ...happened, ...repairs.flatMap((r) => (r.plannedStart === null ? [] : [r.plannedStart])));
  const set = attempt(() => ({
    site: siteClimate(job, fromMs),
    windows: windowsOver(job, fromMs - 86_400_000, fromMs + AHEAD_MS - 86_400_000),
  }));
  if (!set.ok) return { jobId: job.id, nowMs, fromMs, site: null, windows: [], repairs: [], problems: [set.problem] };
  const { site, windows } = set.value;
  const busy: Window[] = [];
  const problems: Problem[] = [];
  const plans = repairs.flatMap((repair) => {
    const actuals = ask.actuals[repair.id] ?? NOTHING_YET;
    const thermal = attempt(() => thermalOf(site, repair, actuals));
    if (!thermal.ok) {
      problems.push({ ...thermal.problem, field: `${repair.id}.${thermal.problem.field}` });
      return [];
    }
    const sheet = ask.sheets.find((s) => s.id === repair.sheetId) ?? null;
    const plan = planRepair({ job, repair, sheet, thermal: thermal.value, windows, busy, actuals, nowMs });
    for (const s of plan.steps) busy.push({ fromMs: s.startMs, toMs: s.endMs });
    return [plan];
  });
  return { jobId: job.id, nowMs, fromMs, site, windows, repairs: plans, problems };
}
