import { type MilestoneId, milestoneOf, type SheetRevision } from '../system';
import type { Laying } from './laying';
import type { MilestoneTime } from './milestone-times';
import { type CureState, type PlannedStep, type RepairAsk, type RepairPlan, wholePlaced } from './repair-plan';

/** Named by their batch even where there is one alone. */
const POT_ONLY: ReadonlySet<MilestoneId> = new Set(['use-by', 'idle']);
const MIN_MS = 60_000;
const DAY_MS = 86_400_000;

/** Every milestone, the band and the opening of steps laid out. */
export function derive(
  { job, actuals }: RepairAsk,
  { steps, stop, untimed, placedMs, overruns, lastBatch, timeOf }: Laying,
  sheet: SheetRevision,
  serves: MilestoneId | null,
  eachBatch: ReadonlySet<MilestoneId>,
): Pick<
  RepairPlan,
  | 'steps'
  | 'stop'
  | 'untimed'
  | 'milestones'
  | 'serves'
  | 'placedMs'
  | 'openMs'
  | 'habitMs'
  | 'inHandMin'
  | 'band'
  | 'overruns'
> {
  const milestones: MilestoneTime[] = [];
  for (const m of sheet.milestones) {
    const perBatch = eachBatch.has(m.kind) && (POT_ONLY.has(m.kind) || lastBatch > 0);
    for (let b = perBatch ? 0 : lastBatch; b <= lastBatch; b++) milestones.push(timeOf(m, b, perBatch ? b : null));
  }
  const openMs = stop ? null : (actuals.released?.atMs ?? steps.at(-1)?.endMs ?? null);
  return {
    steps: [...steps],
    stop,
    untimed: [...untimed],
    milestones,
    serves,
    placedMs,
    openMs,
    habitMs: placedMs === null || !wholePlaced({ untimed }) ? null : placedMs + DAY_MS,
    inHandMin: openMs !== null && job.wantedAt !== null ? (job.wantedAt - openMs) / MIN_MS : null,
    band: bandOf(steps, milestones, serves),
    overruns,
  };
}

/** The chosen milestone, or the next later one that the sheet states. */
export function servedBy(sheet: SheetRevision, wanted: MilestoneId): MilestoneId | null {
  const order: MilestoneId[] = ['release', 'foot', 'light-load', 'load', 'full-cure'];
  const from = order.indexOf(wanted);
  return order.slice(Math.max(0, from)).find((kind) => milestoneOf(sheet, kind)) ?? null;
}

/** From liquid to set, for the time band. */
function bandOf(
  steps: readonly PlannedStep[],
  milestones: readonly MilestoneTime[],
  serves: MilestoneId | null,
): RepairPlan['band'] {
  const begin = steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs;
  if (begin === undefined) return [];
  const at = (kind: MilestoneId) => milestones.findLast((m) => m.kind === kind)?.planMs ?? null;
  const gel = at('gel') ?? milestones.findLast((m) => m.kind === 'use-by')?.toMs ?? null;
  const load = at(serves ?? 'load') ?? at('load');
  const firm = at('sandable') ?? at('release') ?? (gel !== null && load !== null ? gel + (load - gel) / 2 : null);
  const full = at('full-cure') ?? (load === null ? null : load + DAY_MS);
  const ends = [gel, firm, load, full];
  const states: CureState[] = ['liquid', 'gelled', 'hardening', 'set'];
  const out: { state: CureState; fromMs: number; toMs: number }[] = [];
  let from = begin;
  states.forEach((state, i) => {
    const to = ends[i];
    if (to == null || to <= from) return;
    out.push({ state, fromMs: from, toMs: to });
    from = to;
  });
  return out;
}
