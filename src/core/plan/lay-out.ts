import { type MethodContext, methodOf, type Role, STAGE_OF, type StepDraft, type StepKey, stepId } from '../method';
import { texts } from '../say';
import {
  clockOf,
  LAID_OVER_TIME,
  MILESTONES,
  type Milestone,
  type MilestoneId,
  milestoneKind,
  milestoneOf,
  type SheetRevision,
  type StartId,
} from '../system';
import { refuse } from '../units';
import type { Actuals } from './actuals';
import { earliestSlot, type Window } from './calendar';
import { type MilestoneTime, milestoneTime, type PotShare } from './milestone-times';
import type { Ask, ReachTry } from './reach-try';
import { type CureState, type PlannedStep, type RepairAsk, type RepairPlan, wholePlaced } from './repair-plan';
import type { PlanStop, StandIn } from './stand-in';

/** A plan that nobody can read is none, and laying it out takes longer than anybody waits. */
const MOST_STEPS = 5000;
const DAY_MS = 86_400_000;
const MIN_MS = 60_000;

const AGAIN = texts('again', {
  again: '{title}, again',
  touch: 'Try it first, by touch at the edge and on the left-over cup; not firm: leave it, try again each hour. {detail}',
  late: 'The recoat window is over: wash and abrade the last lift first. {detail}',
});

/** Steps that no method has of its own: a stand time, drying after rain, the tests before it is opened. */
const SAY = {
  stand: texts('any.stand', {
    title: 'Let it stand, then stir once more',
    detail: 'The sheet’s stand time; it counts from the end of mixing.',
    confirm: 'Stood its time',
  }),
  dry: texts('any.dry', {
    title: 'Dry the place and check the base again',
    detail: 'Cover against more rain. No dark patches, base above the dew point by what the sheet asks; read it again.',
    confirm: 'Dry again, and read',
  }),
  release: texts('any.release', {
    title: 'Test, inspect, sign',
    detail: 'Answer the tests at the place itself; take the barrier away only when it is signed.',
    confirm: 'Tests are done',
  }),
};

const step = (key: StepKey, role: Role, say: (typeof SAY)['stand']) => ({
  key,
  id: stepId(key),
  role,
  stage: STAGE_OF[role],
  title: say.title(),
  detail: say.detail(),
  confirm: say.confirm(),
  factors: [],
});

/** Where the sheet asks for a stand time, mixing is followed by it, and clocks that count from its end do so. */
export function withStand(drafts: readonly StepDraft[], sheet: SheetRevision): readonly StepDraft[] {
  if (!milestoneOf(sheet, 'stand')) return drafts;
  return drafts.flatMap((d): StepDraft[] => {
    if (!d.marks?.end?.includes('mix-ends')) return [d];
    return [
      { ...d, marks: { ...d.marks, end: d.marks.end.filter((m) => m !== 'stand-ends') } },
      {
        ...step({ ...d.key, task: 'stand' }, 'mix', SAY.stand),
        handsOnMin: 1,
        block: d.block,
        ...(d.batch !== undefined ? { batch: d.batch } : {}),
        marks: { end: ['stand-ends'] },
        waitFor: { kind: 'stand', ...(d.batch !== undefined ? { batches: [d.batch] } : {}) },
      },
    ];
  });
}

/** Steps with the marks of trouble: lost batches get new steps, a wetted base is dried and checked again. */
export function withTrouble(drafts: readonly StepDraft[], actuals: Actuals): readonly StepDraft[] {
  const renamed = drafts.map((d) => {
    const times = d.batch !== undefined ? (actuals.redone.get(d.batch) ?? 0) : 0;
    if (!times || d.key.batch === null) return d;
    const key = { ...d.key, attempt: times + 1 };
    return { ...d, key, id: stepId(key), title: AGAIN.again({ title: d.title }) };
  });
  if (!actuals.preparedAgain.length) return renamed;
  const at = renamed.findIndex((d) => !actuals.done.has(d.id) && (d.stage === 'mix' || d.stage === 'place'));
  if (at < 0) return renamed;
  const again = actuals.preparedAgain.map(
    (_, i): StepDraft => ({
      ...step({ task: 'prep:dry', batch: null, attempt: i + 2 }, 'prepare', SAY.dry),
      handsOnMin: 20,
      hold: true,
      block: renamed[at]!.block,
    }),
  );
  return [...renamed.slice(0, at), ...again, ...renamed.slice(at)];
}

/** When something happened to a batch: at its first spot, and when the last was done. */
interface Mark {
  readonly firstMs: number;
  readonly lastMs: number;
}
type Marks = Record<number, Partial<Record<StartId, Mark>>>;

/** A wait before a step: its end, or why there is none. */
interface Wait {
  readonly atMs: number | null;
  readonly by: 'sheet' | StandIn['by'];
  readonly why: string;
}

/** Steps with their times, and the way to ask any milestone that counts from them. */
interface Layout {
  readonly steps: readonly PlannedStep[];
  readonly stop: PlanStop | null;
  readonly untimed: readonly StepDraft[];
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
  /** The last thing that happened to a batch: nothing that cures counts from later. */
  const latest = (batch: number): number | null => {
    const all = Object.entries(marks).flatMap(([b, m]) => (Number(b) <= batch ? Object.values(m).map((x) => x.lastMs) : []));
    return all.length ? Math.max(...all) : null;
  };
  const originOf = (m: Milestone, batch: number): number | null => {
    const { clock, firstSpot } = milestoneKind(m.kind);
    let found: number | null = null;
    if (clock === 'waiting')
      // A wait from a moment that this method does not have counts from the last one it has; of what has no time it has none.
      found = marks[batch] ? (marks[batch][m.startsAt]?.lastMs ?? latest(batch)) : null;
    // A mark that only an earlier batch made (the primer) serves the later ones too.
    else for (let b = batch; b >= 0 && found === null; b--) found = marks[b]?.[m.startsAt]?.[firstSpot ? 'firstMs' : 'lastMs'] ?? null;
    const restart = actuals.holdRestartedAt;
    const held = m.startsAt === 'placed' || m.startsAt === 'faces-closed' || m.startsAt === 'last-coat';
    return found !== null && restart !== null && held && restart > found && clock === 'waiting' ? restart : found;
  };
  const timeOf = (m: Milestone, batch: number, named: number | null): MilestoneTime =>
    milestoneTime(sheet, m, originOf(m, batch), named, thermal, reachOf, m.kind === 'use-by' ? shares[batch] : undefined);
  // Laying out needs the planning end alone; words and ranges are made once, at the end.
  const tryReach = (kind: MilestoneId, batch: number): ReachTry | null => {
    const m = milestoneOf(sheet, kind);
    const origin = m ? originOf(m, batch) : null;
    if (!m || origin === null) return null;
    const found = reachOf(m, clockOf(m) === 'waiting' ? 'long' : 'short', origin);
    return found.atMs === null || kind !== 'use-by'
      ? found
      : { ...found, atMs: origin + (found.atMs - origin) * (shares[batch]?.share ?? 1) };
  };
  /** End of a wait by the sheet alone, the last of its batches. */
  const waitBySheet = (kind: MilestoneId, batches: readonly number[]): Wait => {
    const tries = batches.map((b) => tryReach(kind, b));
    const failed = tries.find((t) => t === null || t.atMs === null);
    if (failed === undefined) return { atMs: Math.max(...tries.map((t) => t!.atMs!)), by: 'sheet', why: '' };
    const label = MILESTONES[kind].label.toLowerCase();
    return { atMs: null, by: 'sheet', why: failed?.problem ?? `The sheet of ${sheet.name} gives no time for ${label}.` };
  };
  const waitOf = (kind: MilestoneId, batches: readonly number[]): Wait => {
    const bySheet = waitBySheet(kind, batches);
    const standIn = repair.standIns[kind];
    if (bySheet.atMs !== null || !standIn) return bySheet;
    if (standIn.by === 'later') {
      const later = waitBySheet(standIn.kind, batches);
      return { ...later, by: later.atMs === null ? 'sheet' : 'later' };
    }
    const from = latest(Math.max(...batches));
    return from === null ? bySheet : { atMs: from + standIn.minutes * MIN_MS, by: standIn.by, why: '' };
  };
  const stopAt = (draft: StepDraft, kind: MilestoneId, batches: readonly number[], why: string): PlanStop => {
    const { label, later = [], touch = false } = milestoneKind(kind);
    return {
      step: { id: draft.id, title: draft.title },
      kind,
      label,
      why,
      later: later.flatMap((k) => {
        const { atMs } = waitBySheet(k, batches);
        return atMs === null ? [] : [{ kind: k, label: MILESTONES[k].label, atMs }];
      }),
      touch,
    };
  };

  const { fixedWaitMin } = context.effects;
  const lastBatch = Math.max(0, ...drafts.map((d) => d.batch ?? 0));
  const wanted = repair.serves ?? methodOf(repair.method.id)!.serves;
  const serves = servedBy(sheet, wanted);
  const all: StepDraft[] = [
    ...drafts,
    {
      ...step({ task: 'release:tests', batch: null, attempt: 1 }, 'test', SAY.release),
      handsOnMin: 10,
      hold: true,
      block: 'release',
      ...(fixedWaitMin !== null ? { waitMin: fixedWaitMin } : { waitFor: { kind: serves ?? wanted, batches: [lastBatch] } }),
    },
  ];

  const steps: PlannedStep[] = [];
  const busy: Window[] = [...ask.busy];
  let cursor = repair.plannedStart ?? job.startFrom;
  let overruns = false;
  let block = '';
  let placedMs: number | null = null;
  let stop: PlanStop | null = null;
  const untimed: StepDraft[] = [];
  const mark = (draft: StepDraft, which: 'begin' | 'end', begunMs: number, lastMs: number) => {
    for (const start of draft.marks?.[which] ?? []) {
      const of = draft.batch ?? lastBatch;
      const made: Mark = { firstMs: LAID_OVER_TIME.has(start) ? begunMs : lastMs, lastMs };
      marks[of] = { ...marks[of], [start]: made };
      // Closing the joint closes it for every batch that lies in it.
      if (draft.marks?.closesAll) for (let b = 0; b <= lastBatch; b++) marks[b] = { ...marks[b], [start]: made };
    }
  };

  for (const [i, planned] of all.entries()) {
    let draft = planned;
    const doneAt = actuals.done.get(draft.id) ?? null;
    const begunAt = actuals.begun.get(draft.id) ?? null;
    let forcedBy: PlannedStep['forcedBy'] = i === 0 && repair.plannedStart !== null ? 'chosen' : 'before';
    let startMs: number;
    let endMs: number;
    if (doneAt !== null) {
      startMs = begunAt ?? Math.max(Math.min(cursor, doneAt), doneAt - handsOnMs(draft));
      endMs = doneAt;
    } else if (stop) {
      untimed.push(draft);
      continue;
    } else {
      let ready = cursor;
      if (draft.waitFor && begunAt === null) {
        const { kind, batches = [lastBatch] } = draft.waitFor;
        const wait = waitOf(kind, batches);
        if (wait.atMs === null) {
          // How long to wait is not known: it is never taken for no wait.
          stop = stopAt(draft, kind, batches, wait.why);
          untimed.push(draft);
          continue;
        }
        if (wait.by === 'touch') draft = { ...draft, hold: true, detail: AGAIN.touch({ detail: draft.detail }) };
        if (wait.atMs > ready) {
          ready = wait.atMs;
          forcedBy = wait.by === 'own' || wait.by === 'touch' ? 'chosen' : 'sheet';
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
    const ends = draft.within ? (draft.within.batches ?? [lastBatch]).map((b) => tryReach(draft.within!.kind, b)?.atMs ?? null) : [];
    const known = ends.filter((ms) => ms !== null);
    const until = known.length ? Math.min(...known) : null;
    const lateFor = until !== null && (draft.within!.by === 'end' ? endMs : startMs) > until ? draft.within!.kind : null;
    steps.push({
      ...draft,
      startMs,
      endMs,
      begunAt,
      doneAt,
      forcedBy,
      lateFor,
      ...(lateFor === 'recoat-until' ? { detail: AGAIN.late({ detail: draft.detail }) } : {}),
    });
    mark(draft, 'begin', startMs, startMs);
    mark(draft, 'end', startMs, endMs);
    if (draft.marks?.end?.includes('placed') || draft.marks?.end?.includes('faces-closed')) placedMs = endMs;
    cursor = endMs;
    if (toMixing && draft.marks?.begin?.includes('mix-begins')) break;
  }

  return { steps, stop, untimed, serves, placedMs, overruns, lastBatch, timeOf };
}

/** Every milestone, the band and the opening of steps laid out. */
export function derive(
  { job, actuals }: RepairAsk,
  { steps, stop, untimed, serves, placedMs, overruns, lastBatch, timeOf }: Layout,
  sheet: SheetRevision,
): Pick<
  RepairPlan,
  'steps' | 'stop' | 'untimed' | 'milestones' | 'serves' | 'placedMs' | 'openMs' | 'habitMs' | 'inHandMin' | 'band' | 'overruns'
> {
  const milestones: MilestoneTime[] = [];
  for (const m of sheet.milestones) {
    const perBatch = m.kind === 'use-by' || m.kind === 'idle';
    for (let b = perBatch ? 0 : lastBatch; b <= lastBatch; b++) milestones.push(timeOf(m, b, perBatch ? b : null));
  }
  const openMs = stop ? null : (actuals.released?.atMs ?? steps.at(-1)!.endMs);
  return {
    steps,
    stop,
    untimed,
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
