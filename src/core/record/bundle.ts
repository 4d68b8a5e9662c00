import { type Finding, judge, type StageState, stageStates } from '../judge';
import type { Stage } from '../method';
import { type Actuals, type Job, type JobPlan, NO_POTS, type Pots, planJob, type Repair, type RepairPlan } from '../plan';
import type { SheetRevision, Stock } from '../system';
import type { Event } from './event';
import { foldEvents } from './fold';

/** Everything of one job, as the store and the job file hold it. */
export interface Bundle {
  readonly job: Job;
  readonly repairs: readonly Repair[];
  readonly sheets: readonly SheetRevision[];
  readonly stock: readonly Stock[];
  readonly events: readonly Event[];
}

/** A repair with its plan, what happened, and what was noticed. */
export interface RepairView {
  readonly repair: Repair;
  readonly plan: RepairPlan;
  readonly actuals: Actuals;
  readonly findings: readonly Finding[];
  readonly states: Readonly<Record<Stage, StageState>>;
}

export interface JobView {
  readonly job: Job;
  readonly plan: JobPlan;
  readonly repairs: readonly RepairView[];
}

/** What was found in a plan. A plan is one object as long as nothing it was made from changes, events among it. */
const seen = new WeakMap<
  RepairPlan,
  { readonly repair: Repair; readonly sheets: readonly SheetRevision[]; readonly stock: readonly Stock[]; readonly view: RepairView }
>();

const same = <T>(a: readonly T[], b: readonly T[]) => a.length === b.length && a.every((x, i) => x === b[i]);

/** Plans and judges a job at an instant, from its drafts and its record. Pure: the same bundle, instant and pots give the same view. */
export function viewJob(bundle: Bundle, nowMs: number, pots: Pots = NO_POTS): JobView {
  const { job, repairs, sheets, stock } = bundle;
  const actuals = new Map(repairs.map((r) => [r.id, foldEvents(bundle.events, r.id)]));
  const plan = planJob({ job, repairs, sheets, stock, actuals, nowMs, pots });
  return {
    job,
    plan,
    repairs: plan.repairs.map((p) => {
      const repair = repairs.find((r) => r.id === p.repairId)!;
      const known = seen.get(p);
      // The same plan of the same draft was judged before; only another shelf could change what is found in it.
      if (known && known.repair === repair && same(known.sheets, sheets) && same(known.stock, stock)) return known.view;
      const context = { job, repair, plan: p, actuals: actuals.get(repair.id)!, sheets, stock, nowMs };
      const findings = judge(context);
      const view = { repair, plan: p, actuals: context.actuals, findings, states: stageStates(context, findings) };
      seen.set(p, { repair, sheets, stock, view });
      return view;
    }),
  };
}
