import type { Engine } from '../method';
import {
  clockOf,
  isMetered,
  isMixedAsPlaced,
  type MilestoneId,
  milestoneKind,
  milestoneOf,
  type SheetRevision,
} from '../system';
import type { Laying } from './lay-ask';
import type { MilestoneTime } from './milestone-times';
import { overLast } from './over-last';
import { type CureState, type PlannedStep, type RepairAsk, type RepairPlan, wholePlaced } from './repair-plan';

/** Named by their batch even where there is one alone. */
const POT_ONLY: ReadonlySet<MilestoneId> = new Set(['use-by', 'idle']);
const MIN_MS = 60_000;
const DAY_MS = 86_400_000;

/** Every milestone, the band and the opening of steps laid out. */
export function derive(
  { job, actuals }: RepairAsk,
  { steps, stop, untimed, placedMs, overruns, lastBatch, topBatches, partsIn, timeOf }: Laying,
  sheet: SheetRevision,
  serves: MilestoneId | null,
  engine: Pick<Engine, 'eachBatch' | 'eachPart'>,
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
  const { eachBatch } = engine;
  // Out of a mixer each part is mixed as it is pressed, and has its own working time.
  const eachPart = isMetered(sheet.kind) ? new Set<MilestoneId>([...engine.eachPart, 'use-by']) : engine.eachPart;
  const milestones: MilestoneTime[] = [];
  const all = Array.from({ length: lastBatch + 1 }, (_, b) => b);
  const parts = all.flatMap((batch) => partsIn(batch).map((part) => ({ batch, part })));
  for (const m of sheet.milestones) {
    // Nothing stands in a pot that is wetted bead by bead: a clock of it is nobody's to act on.
    if (POT_ONLY.has(m.kind) && isMixedAsPlaced(sheet)) continue;
    if (eachPart.has(m.kind) && parts.length) {
      for (const spot of parts) milestones.push(timeOf(m, spot, { part: spot.part }));
      continue;
    }
    if (milestoneKind(m.kind).byFirst) {
      // The place that began first closes it for all.
      const times = topBatches.map((batch) => timeOf(m, { batch }, {}));
      const spots = parts.length ? parts.map((spot) => timeOf(m, spot, {})) : times;
      milestones.push(
        spots.reduce((a, b) =>
          (b.planMs ?? Number.POSITIVE_INFINITY) < (a.planMs ?? Number.POSITIVE_INFINITY) ? b : a,
        ),
      );
      continue;
    }
    const perBatch = eachBatch.has(m.kind) && (POT_ONLY.has(m.kind) || lastBatch > 0);
    if (perBatch) for (const batch of all) milestones.push(timeOf(m, { batch }, { batch }));
    // What was placed last is over last, but in bands.
    else if (m.table.form === 'bands' && clockOf(m) === 'waiting')
      milestones.push(
        overLast(
          all.map((batch) => timeOf(m, { batch }, {})),
          m.kind,
        )!,
      );
    else milestones.push(timeOf(m, { batch: lastBatch }, {}));
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
export const servedBy = (sheet: SheetRevision, wanted: MilestoneId): MilestoneId | null =>
  [wanted, ...(milestoneKind(wanted).later ?? [])].find((kind) => milestoneOf(sheet, kind)) ?? null;

/** From liquid to set, for the time band. */
function bandOf(
  steps: readonly PlannedStep[],
  milestones: readonly MilestoneTime[],
  serves: MilestoneId | null,
): RepairPlan['band'] {
  const begin = steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs;
  if (begin === undefined) return [];
  const at = (kind: MilestoneId) => overLast(milestones, kind)?.planMs ?? null;
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
