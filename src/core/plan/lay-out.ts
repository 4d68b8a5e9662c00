import { type MethodContext, methodOf, type StepDraft } from '../method';
import { clockOf, MILESTONES, type Milestone, type MilestoneId, milestoneOf, type SheetRevision, type StartId } from '../system';
import { refuse } from '../units';
import type { Actuals } from './actuals';
import { earliestSlot, type Window } from './calendar';
import { type MilestoneTime, milestoneTime, type PotShare } from './milestone-times';
import type { Ask } from './reach-try';
import type { CureState, PlannedStep, RepairAsk, RepairPlan } from './repair-plan';

/** A plan that nobody can read is none, and laying it out takes longer than anybody waits. */
const MOST_STEPS = 5000;
const DAY_MS = 86_400_000;
const MIN_MS = 60_000;

/** Where the sheet asks for a stand time, mixing is followed by it, and clocks that count from its end do so. */
export function withStand(drafts: readonly StepDraft[], sheet: SheetRevision): readonly StepDraft[] {
  if (!milestoneOf(sheet, 'stand')) return drafts;
  return drafts.flatMap((d): StepDraft[] => {
    if (!d.marks?.end?.includes('mix-ends')) return [d];
    return [
      { ...d, marks: { ...d.marks, end: d.marks.end.filter((m) => m !== 'stand-ends') } },
      {
        id: d.id.replace(/:.*/, ':stand'),
        stage: 'mix',
        title: 'Let it stand, then stir once more',
        detail: 'The sheet’s stand time; it counts from the end of mixing.',
        handsOnMin: 1,
        confirm: 'Stood its time',
        block: d.block,
        ...(d.batch !== undefined ? { batch: d.batch } : {}),
        marks: { end: ['stand-ends'] },
        waitFor: { kind: 'stand', ...(d.batch !== undefined ? { batch: d.batch } : {}) },
      },
    ];
  });
}

/** Steps with the marks of trouble: lost batches get new steps, a wetted base is dried and checked again. */
export function withTrouble(drafts: readonly StepDraft[], actuals: Actuals): readonly StepDraft[] {
  const renamed = drafts.map((d) => {
    const times = d.batch !== undefined ? (actuals.redone.get(d.batch) ?? 0) : 0;
    return times > 0 && d.id.startsWith(`b${d.batch! + 1}:`)
      ? { ...d, id: d.id.replace(':', `~${times + 1}:`), title: `${d.title}, again` }
      : d;
  });
  if (!actuals.preparedAgain.length) return renamed;
  const at = renamed.findIndex((d) => !actuals.done.has(d.id) && (d.stage === 'mix' || d.stage === 'place'));
  if (at < 0) return renamed;
  const again = actuals.preparedAgain.map(
    (_, i): StepDraft => ({
      id: `prep~${i + 2}:dry`,
      stage: 'place',
      title: 'Dry the place and check the base again',
      detail: 'Cover against more rain. No dark patches, base above the dew point by what the sheet asks; read it again.',
      handsOnMin: 20,
      confirm: 'Dry again, and read',
      hold: true,
      block: renamed[at]!.block,
    }),
  );
  return [...renamed.slice(0, at), ...again, ...renamed.slice(at)];
}

type Marks = Record<number, Partial<Record<StartId, number>>>;

/** Steps with their times, and the way to ask any milestone that counts from them. */
interface Layout {
  readonly steps: readonly PlannedStep[];
  readonly serves: MilestoneId | null;
  readonly placedMs: number | null;
  readonly overruns: boolean;
  readonly lastBatch: number;
  readonly timeOf: (m: Milestone, batch: number, named: number | null) => MilestoneTime;
}

/** Time a step is planned with: whole minutes, rounded up. Nobody works to the second, and a hair more material moves nobody's day. */
const handsOnMs = (step: StepDraft): number => Math.ceil(step.handsOnMin - 1e-9) * MIN_MS;

/** Puts the steps on the clock; `toMixing` stops at the first mixing. */
export function layOut(
  ask: RepairAsk,
  drafts: readonly StepDraft[],
  sheet: SheetRevision,
  context: MethodContext,
  reachOf: Ask,
  shares: readonly PotShare[],
  toMixing = false,
): Layout {
  if (drafts.length > MOST_STEPS)
    refuse('steps', drafts.length, `up to ${MOST_STEPS} steps`, `This repair would have ${drafts.length} steps: part it into several.`);
  const { repair, job, actuals, thermal } = ask;
  const running = actuals.startedAt !== null;
  const marks: Marks = {};
  const originOf = (m: Milestone, batch: number): number | null => {
    // A mark that only an earlier batch made (the primer) serves the later ones too.
    let found: number | null = null;
    for (let b = batch; b >= 0 && found === null; b--) found = marks[b]?.[m.startsAt] ?? null;
    const restart = actuals.holdRestartedAt;
    const held = m.startsAt === 'placed' || m.startsAt === 'faces-closed' || m.startsAt === 'last-coat';
    return found !== null && restart !== null && held && restart > found && MILESTONES[m.kind].clock === 'waiting' ? restart : found;
  };
  const timeOf = (m: Milestone, batch: number, named: number | null): MilestoneTime =>
    milestoneTime(sheet, m, originOf(m, batch), named, thermal, reachOf, m.kind === 'use-by' ? shares[batch] : undefined);
  // Laying out needs the planning end alone; words and ranges are made once, at the end.
  const reachedAt = (kind: MilestoneId, batch: number): number | null => {
    const m = milestoneOf(sheet, kind);
    const origin = m ? originOf(m, batch) : null;
    const at = m && origin !== null ? reachOf(m, clockOf(m) === 'waiting' ? 'long' : 'short', origin).atMs : null;
    return at === null || origin === null || kind !== 'use-by' ? at : origin + (at - origin) * (shares[batch]?.share ?? 1);
  };

  const lastBatch = Math.max(0, ...drafts.map((d) => d.batch ?? 0));
  const serves = servedBy(sheet, repair.serves ?? methodOf(repair.method.id)!.serves);
  const all: StepDraft[] = [
    ...drafts,
    {
      id: 'release:tests',
      stage: 'release',
      title: 'Test, inspect, sign',
      detail: 'Answer the tests at the place itself; take the barrier away only when it is signed.',
      handsOnMin: 10,
      confirm: 'Tests are done',
      hold: true,
      block: 'release',
      ...(context.school('waiting') === 'fixed' || !serves ? { waitMin: 1440 } : { waitFor: { kind: serves, batch: lastBatch } }),
    },
  ];

  const steps: PlannedStep[] = [];
  const busy: Window[] = [...ask.busy];
  let cursor = repair.plannedStart ?? job.startFrom;
  let overruns = false;
  let block = '';
  let placedMs: number | null = null;
  const mark = (draft: StepDraft, which: 'begin' | 'end', at: number) => {
    for (const start of draft.marks?.[which] ?? []) {
      const of = draft.batch ?? lastBatch;
      marks[of] = { ...marks[of], [start]: at };
      // Closing the joint closes it for every batch that lies in it.
      if (start === 'faces-closed' && draft.id === 'close') for (let b = 0; b <= lastBatch; b++) marks[b] = { ...marks[b], [start]: at };
    }
  };

  for (const [i, draft] of all.entries()) {
    const doneAt = actuals.done.get(draft.id) ?? null;
    const begunAt = actuals.begun.get(draft.id) ?? null;
    let forcedBy: PlannedStep['forcedBy'] = i === 0 && repair.plannedStart !== null ? 'chosen' : 'before';
    let startMs: number;
    let endMs: number;
    if (doneAt !== null) {
      startMs = begunAt ?? Math.max(Math.min(cursor, doneAt), doneAt - handsOnMs(draft));
      endMs = doneAt;
    } else {
      let ready = cursor;
      if (draft.waitFor) {
        const at = reachedAt(draft.waitFor.kind, draft.waitFor.batch ?? lastBatch);
        if (at !== null && at > ready) {
          ready = at;
          forcedBy = 'sheet';
        }
      }
      if (draft.waitMin && placedMs !== null && placedMs + draft.waitMin * MIN_MS > ready) {
        ready = placedMs + draft.waitMin * MIN_MS;
        forcedBy = 'chosen';
      }
      if (begunAt !== null) {
        startMs = begunAt;
        endMs = Math.max(begunAt + handsOnMs(draft), ask.nowMs);
      } else {
        if (running && ask.nowMs > ready) {
          ready = ask.nowMs;
          forcedBy = 'now';
        }
        if (draft.block !== block && !(running && ready <= ask.nowMs)) {
          // A block is not torn apart by the end of the day: it moves as one.
          let need = 0;
          for (let k = i; k < all.length && all[k]!.block === draft.block && (k === i || !all[k]!.waitFor); k++)
            need += handsOnMs(all[k]!) / MIN_MS;
          const slot = earliestSlot(ask.windows, busy, ready, need);
          if (slot.startMs > ready) forcedBy = 'crew or hours';
          overruns ||= slot.overruns;
          ready = slot.startMs;
        }
        startMs = ready;
        endMs = startMs + handsOnMs(draft);
      }
      busy.push({ fromMs: startMs, toMs: endMs });
    }
    block = draft.block;
    const until = draft.within ? reachedAt(draft.within.kind, draft.within.batch ?? lastBatch) : null;
    const lateFor = until !== null && startMs > until ? draft.within!.kind : null;
    steps.push({
      ...draft,
      startMs,
      endMs,
      begunAt,
      doneAt,
      forcedBy,
      lateFor,
      ...(lateFor === 'recoat-until' ? { detail: `The recoat window is over: wash and abrade the last lift first. ${draft.detail}` } : {}),
    });
    mark(draft, 'begin', startMs);
    mark(draft, 'end', endMs);
    if (draft.marks?.end?.includes('placed') || draft.marks?.end?.includes('faces-closed')) placedMs = endMs;
    cursor = endMs;
    if (toMixing && draft.marks?.begin?.includes('mix-begins')) break;
  }

  return { steps, serves, placedMs, overruns, lastBatch, timeOf };
}

/** Every milestone, the band and the opening of steps laid out. */
export function derive(
  { job, actuals }: RepairAsk,
  { steps, serves, placedMs, overruns, lastBatch, timeOf }: Layout,
  sheet: SheetRevision,
  context: MethodContext,
): Pick<RepairPlan, 'steps' | 'milestones' | 'serves' | 'placedMs' | 'openMs' | 'habitMs' | 'inHandMin' | 'band' | 'overruns'> {
  const milestones: MilestoneTime[] = [];
  for (const m of sheet.milestones) {
    const perBatch = m.kind === 'use-by' || m.kind === 'idle';
    for (let b = perBatch ? 0 : lastBatch; b <= lastBatch; b++) milestones.push(timeOf(m, b, perBatch ? b : null));
  }
  const release = steps.at(-1)!;
  const missing = serves !== null && milestones.find((m) => m.kind === serves)?.planMs == null && context.school('waiting') !== 'fixed';
  const openMs = missing ? null : (actuals.released?.atMs ?? release.endMs);
  return {
    steps,
    milestones,
    serves,
    placedMs,
    openMs,
    habitMs: placedMs === null ? null : placedMs + DAY_MS,
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
function bandOf(steps: readonly PlannedStep[], milestones: readonly MilestoneTime[], serves: MilestoneId | null): RepairPlan['band'] {
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
