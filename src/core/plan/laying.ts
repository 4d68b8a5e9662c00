import type { Side } from '../cure';
import {
  type Method,
  RENEWS,
  RENEWS_FACE,
  type StepContext,
  type StepDraft,
  type StepKey,
  stepFrom,
  stepId,
  type TaskRow,
} from '../method';
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
import { earliestSlot, type Window } from './calendar';
import { AGAIN } from './extra-steps';
import { type MilestoneTime, milestoneTime, type Named, type PotShare } from './milestone-times';
import type { Ask, ReachTry } from './reach-try';
import type { MissedWindow, PlannedStep, RepairAsk } from './repair-plan';
import type { PlanStop, StandIn } from './stand-in';

/** A plan that nobody can read is none, and laying it out takes longer than anybody waits. */
const MOST_STEPS = 5000;
const MIN_MS = 60_000;

/** When something happened to a batch: at its first spot, and when the last was done. */
interface Mark {
  readonly firstMs: number;
  readonly lastMs: number;
}
/** Written into as the work is laid out, read by nobody else. */
type Marks = Partial<Record<StartId, Mark>>;

/** A batch, or one of several like parts of it. */
interface Spot {
  readonly batch: number;
  readonly part?: number;
}

/** A wait before a step: its end, or why there is none. */
interface Wait {
  readonly atMs: number | null;
  readonly by: 'sheet' | StandIn['by'];
  readonly why: string;
}

/** What a pass is laid out from. */
export interface LayAsk {
  readonly ask: RepairAsk;
  readonly sheet: SheetRevision;
  readonly method: Method;
  readonly context: StepContext;
  readonly reachOf: Ask;
  readonly shares: readonly PotShare[];
  /** Number of its last batch. */
  readonly lastBatch: number;
  /** Hands-on stretches so far, of everybody; each step laid out joins them. */
  readonly busy: Window[];
  /** The pass before it, where it is one of a chain. */
  readonly below: Laying | null;
  /** Only when it ends is asked: its steps are not kept. */
  readonly endAlone?: boolean;
}

/** A pass being put on the clock, part by part: its own steps in order, those of other passes between them. */
export interface Laying {
  readonly steps: readonly PlannedStep[];
  /** Ids of all that has been laid out, kept or not. */
  readonly laid: ReadonlySet<string>;
  readonly untimed: readonly StepDraft[];
  readonly stop: PlanStop | null;
  readonly placedMs: number | null;
  readonly overruns: boolean;
  readonly lastBatch: number;
  /** Where its last step ends; where it would begin while there is none. */
  readonly cursor: number;
  /** Lays out further steps. @param o.readyMs none of them before this; o.toMixing stops at the first mixing */
  readonly run: (drafts: readonly StepDraft[], o?: { readonly readyMs?: number; readonly toMixing?: boolean }) => void;
  /** Nothing more of it has a time: a pass that it stands on has stopped. */
  readonly cut: (stop: PlanStop, drafts: readonly StepDraft[]) => void;
  readonly timeOf: (m: Milestone, spot: Spot, named: Named) => MilestoneTime;
  /** Like parts that a batch serves; none where the work is one. */
  readonly partsIn: (batch: number) => readonly number[];
  /** Batches on top: those that nothing of their own pass lies on. */
  readonly topBatches: readonly number[];
  readonly waitOf: (kind: MilestoneId, batches: readonly number[]) => Wait;
  readonly endOf: (kind: MilestoneId, batches: readonly number[], part?: number) => number | null;
  readonly stopAt: (draft: StepDraft, kind: MilestoneId, batches: readonly number[], why: string) => PlanStop;
}

/**
 * Time a step is planned with: whole minutes, rounded up. Nobody works to the second, and a hair more material moves
 * nobody's day.
 */
const handsOnMs = (step: StepDraft): number =>
  step.exact ? Math.round(step.handsOnMin * MIN_MS) : Math.ceil(step.handsOnMin - 1e-9) * MIN_MS;

/** The clocks of a pass: what happened to its batches, and what counts from that. */
function clocksOf({ ask, sheet, reachOf, shares }: LayAsk) {
  const { actuals, repair, thermal } = ask;
  const batches: Marks[] = [];
  /** Of the parts of each batch; of what is prepared for no batch yet, by part alone. */
  const parts = new Map<number, Marks>();
  const ofBatch: Map<number, Marks>[] = [];
  const partsIn = (batch: number): readonly number[] => [...(ofBatch[batch]?.keys() ?? [])];
  /** The last thing that happened to a batch: nothing that cures counts from later. */
  const latest = (batch: number): number | null => {
    let last: number | null = null;
    for (let b = 0; b <= batch; b++)
      for (const { lastMs } of Object.values(batches[b] ?? {})) if (last === null || lastMs > last) last = lastMs;
    return last;
  };
  const markOf = (start: StartId, { batch, part }: Spot): Mark | undefined =>
    part === undefined
      ? batches[batch]?.[start]
      : (ofBatch[batch]?.get(part)?.[start] ?? parts.get(part)?.[start] ?? batches[batch]?.[start]);
  const originOf = (m: Milestone, spot: Spot): number | null => {
    const { clock, firstSpot } = milestoneKind(m.kind);
    let found: number | null = null;
    if (clock === 'waiting')
      // A wait from a moment that this method does not have counts from the last one it has; of what has no time it has
      // none.
      found = batches[spot.batch] ? (markOf(m.startsAt, spot)?.lastMs ?? latest(spot.batch)) : null;
    // A mark that only an earlier batch made (the primer) serves the later ones too.
    else
      for (let b = spot.batch; b >= 0 && found === null; b--)
        found = markOf(m.startsAt, { ...spot, batch: b })?.[firstSpot ? 'firstMs' : 'lastMs'] ?? null;
    const restart = actuals.holdRestartedAt;
    const held = m.startsAt === 'placed' || m.startsAt === 'faces-closed' || m.startsAt === 'last-coat';
    return found !== null && restart !== null && held && restart > found && clock === 'waiting' ? restart : found;
  };
  const timeOf = (m: Milestone, spot: Spot, named: Named): MilestoneTime =>
    milestoneTime(sheet, m, {
      originMs: originOf(m, spot),
      ...named,
      thermal,
      ask: reachOf,
      ...(m.kind === 'use-by' && shares[spot.batch] ? { pot: shares[spot.batch] } : {}),
      passId: repair.passId,
    });
  // Laying out needs the planning end alone; words and ranges are made once, at the end.
  const tryReach = (kind: MilestoneId, spot: Spot, side?: Side): ReachTry | null => {
    const m = milestoneOf(sheet, kind);
    const origin = m ? originOf(m, spot) : null;
    if (!m || origin === null) return null;
    const found = reachOf(m, side ?? (clockOf(m) === 'waiting' ? 'long' : 'short'), origin);
    return found.atMs === null || kind !== 'use-by'
      ? found
      : { ...found, atMs: origin + (found.atMs - origin) * (shares[spot.batch]?.share ?? 1) };
  };
  /** End of a wait by the sheet alone, the last of its batches. */
  const waitBySheet = (kind: MilestoneId, batches: readonly number[]): Wait => {
    const tries = batches.map((batch) => tryReach(kind, { batch }));
    const failed = tries.find((t) => t === null || t.atMs === null);
    if (failed === undefined) return { atMs: Math.max(...tries.map((t) => t!.atMs!)), by: 'sheet', why: '' };
    const label = MILESTONES[kind].label.toLowerCase();
    return {
      atMs: null,
      by: 'sheet',
      why: failed?.problem ?? `The sheet of ${sheet.name} gives no time for ${label}.`,
    };
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
  /** The first of its batches that is over closes a window, by the short end: what is waited for elsewhere is a deadline here. */
  const endOf = (kind: MilestoneId, batches: readonly number[], part?: number): number | null => {
    const known = batches
      .flatMap((batch) => spotsIn(batch, part))
      .flatMap((spot) => tryReach(kind, spot, 'short')?.atMs ?? []);
    return known.length ? Math.min(...known) : null;
  };
  /** One part of a batch, or all it has. */
  const spotsIn = (batch: number, part?: number): readonly Spot[] => {
    if (part !== undefined) return [{ batch, part }];
    const all = partsIn(batch);
    return all.length ? all.map((p) => ({ batch, part: p })) : [{ batch }];
  };
  const stopAt = (draft: StepDraft, kind: MilestoneId, batches: readonly number[], why: string): PlanStop => {
    const { label, later = [], touch = false } = milestoneKind(kind);
    return {
      step: { id: draft.id, title: draft.title },
      passId: repair.passId,
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
  /** What a batch has is what its parts have: from the first of them to the last. */
  const together = (batch: number, start: StartId): Mark => {
    const all = [...ofBatch[batch]!.values()].flatMap((p) => p[start] ?? []);
    return { firstMs: Math.min(...all.map((m) => m.firstMs)), lastMs: Math.max(...all.map((m) => m.lastMs)) };
  };
  const mark = (draft: StepDraft, which: 'begin' | 'end', begunMs: number, lastMs: number, lastBatch: number) => {
    const { part } = draft;
    for (const start of draft.marks?.[which] ?? []) {
      const made: Mark = { firstMs: LAID_OVER_TIME.has(start) ? begunMs : lastMs, lastMs };
      if (part !== undefined && draft.batch === undefined) {
        parts.set(part, { ...parts.get(part), [start]: made });
        continue;
      }
      // Closing the joint closes it for every batch that lies in it.
      const closed = draft.marks?.closesAll ? (draft.joint ?? upTo(lastBatch)) : [draft.batch ?? lastBatch];
      for (const b of closed) {
        batches[b] ??= {};
        if (part === undefined) batches[b][start] = made;
        else {
          ofBatch[b] ??= new Map();
          ofBatch[b].set(part, { ...ofBatch[b].get(part), [start]: made });
          batches[b][start] = together(b, start);
        }
      }
    }
  };
  return { timeOf, waitOf, endOf, stopAt, mark, partsIn };
}

const upTo = (n: number): readonly number[] => Array.from({ length: n + 1 }, (_, i) => i);

/**
 * Begins to put a pass on the clock. @throws Refusal when it has more steps than anybody reads, or no working time is
 * left
 */
export function layingOf(layAsk: LayAsk): Laying {
  const { ask, method, context, lastBatch, busy, below, endAlone = false } = layAsk;
  const { repair, job, actuals } = ask;
  const running = actuals.startedAt !== null;
  const clocks = clocksOf(layAsk);
  const steps: PlannedStep[] = [];
  const laid = new Set<string>();
  const untimed: StepDraft[] = [];
  const first = below === null;
  const top = Math.max(0, ...context.batches.map((b) => b.portion));
  const topBatches = context.batches.filter((b) => b.portion === top).map((b) => b.index);
  let cursor = (first ? repair.plannedStart : null) ?? job.startFrom;
  let overruns = false;
  let block = '';
  let placedMs: number | null = null;
  let stop: PlanStop | null = null;

  /** The waits of a step: its own, and that for the pass below. */
  const waitsOf = (draft: StepDraft): { wait: Wait; stopped: () => PlanStop }[] => {
    const out: { wait: Wait; stopped: () => PlanStop }[] = [];
    const add = (clock: Pick<Laying, 'waitOf' | 'stopAt'>, kind: MilestoneId, batches: readonly number[]) => {
      const wait = clock.waitOf(kind, batches);
      out.push({ wait, stopped: () => clock.stopAt(draft, kind, batches, wait.why) });
    };
    if (draft.waitFor) add(clocks, draft.waitFor.kind, draft.waitFor.batches ?? [lastBatch]);
    if (below && draft.gate?.from) add(below, draft.gate.from, upTo(below.lastBatch));
    return out;
  };

  /** Until when a step may begin, or be done, and by which milestone. */
  const windowOf = (draft: StepDraft): { untilMs: number; kind: MilestoneId; by: 'begin' | 'end' } | null => {
    const own = draft.within && clocks.endOf(draft.within.kind, draft.within.batches ?? [lastBatch], draft.part);
    if (draft.within && own != null) return { untilMs: own, kind: draft.within.kind, by: draft.within.by };
    const under = below && draft.gate?.until ? below.endOf(draft.gate.until, below.topBatches) : null;
    return under === null ? null : { untilMs: under, kind: draft.gate!.until!, by: 'begin' };
  };

  const push = (draft: StepDraft, at: Omit<PlannedStep, keyof StepDraft | 'passId'>) => {
    laid.add(draft.id);
    if (!endAlone) steps.push({ ...draft, passId: repair.passId, ...at });
    clocks.mark(draft, 'begin', at.startMs, at.startMs, lastBatch);
    clocks.mark(draft, 'end', at.startMs, at.endMs, lastBatch);
    if (draft.marks?.end?.includes('placed') || draft.marks?.end?.includes('faces-closed')) placedMs = at.endMs;
    cursor = at.endMs;
    block = draft.block;
  };

  /** The window that was missed, and whether anybody could have come in it. */
  const missedBy = (draft: StepDraft, kind: MilestoneId, untilMs: number): MissedWindow => {
    const opens = waitsOf(draft).flatMap(({ wait }) => wait.atMs ?? []);
    const fromMs = opens.length ? Math.max(...opens) : null;
    const worked = ask.windows.some((w) => w.fromMs < untilMs && w.toMs > (fromMs ?? untilMs));
    return { kind, fromMs, untilMs, whileClosed: fromMs !== null && fromMs < untilMs && !worked, mixByMs: null };
  };
  const renewKey = (draft: StepDraft, row: TaskRow): StepKey => ({
    task: row.task,
    // Before a pass it is of its first batch, whatever step the gate stands at.
    batch: draft.batch ?? (draft.gate ? 0 : null),
    ...(draft.part === undefined ? {} : { part: draft.part }),
    attempt: draft.key.attempt,
  });
  /**
   * What has to come before a step that is too late to go on what lies there as it is: washing and abrading, or baring
   * the face again.
   */
  const renewed = (draft: StepDraft, row: TaskRow, startMs: number, missed: PlannedStep['missed']): number => {
    const { batch = 0, part } = draft;
    const here = { ...context, batch: context.batches[batch] ?? null, part: part ?? null };
    const before: StepDraft = { ...stepFrom(method, row, here, renewKey(draft, row)), block: draft.block };
    const doneAt = actuals.done.get(before.id) ?? null;
    const endMs = doneAt ?? startMs + handsOnMs(before);
    const begunMs = doneAt === null ? startMs : Math.min(startMs, doneAt);
    if (doneAt === null) busy.push({ fromMs: begunMs, toMs: endMs });
    push(before, {
      startMs: begunMs,
      endMs,
      begunAt: null,
      doneAt,
      forcedBy: 'before',
      lateFor: null,
      missed,
      insideUntilMs: null,
    });
    return Math.max(startMs, endMs);
  };
  /**
   * Bares again, before anything is mixed, the faces that would have stood too long when their turn comes.
   * @returns when the step at `i` may begin then
   */
  const renewedAhead = (drafts: readonly StepDraft[], i: number, startMs: number): number => {
    const again = new Set<number>();
    let from = startMs;
    for (let k = i, ahead = 0, mixing = 0; k < drafts.length; k++) {
      const d = drafts[k]!;
      if (k > i && d.looksAhead) break;
      if (d.marks?.begin?.includes('mix-begins')) mixing = ahead;
      const row = d.within?.by === 'begin' ? RENEWS_FACE[d.within.kind] : undefined;
      const untilMs = row && clocks.endOf(d.within!.kind, d.within!.batches ?? [lastBatch], d.part);
      if (row && untilMs != null && from + ahead > untilMs && !again.has(d.part ?? 0)) {
        again.add(d.part ?? 0);
        const mixByMs = untilMs - (ahead - mixing);
        const missed = { kind: d.within!.kind, fromMs: null, untilMs, whileClosed: false, mixByMs };
        from = renewed(d, row, from, missed);
        // All that follows has moved: it is looked at once more.
        [k, ahead, mixing] = [i - 1, 0, 0];
      } else ahead += handsOnMs(d);
    }
    return from;
  };

  const run: Laying['run'] = (drafts, { readyMs, toMixing = false } = {}) => {
    if (steps.length + drafts.length > MOST_STEPS)
      refuse(
        'steps',
        drafts.length,
        `up to ${MOST_STEPS} steps`,
        `This repair would have ${drafts.length} steps: part it into several.`,
      );
    if (readyMs !== undefined && readyMs > cursor) cursor = readyMs;
    for (const [i, planned] of drafts.entries()) {
      let draft = planned;
      const doneAt = actuals.done.get(draft.id) ?? null;
      const begunAt = actuals.begun.get(draft.id) ?? null;
      let forcedBy: PlannedStep['forcedBy'] = first && !laid.size && repair.plannedStart !== null ? 'chosen' : 'before';
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
        if (begunAt === null) {
          const waits = waitsOf(draft);
          const failed = waits.find((w) => w.wait.atMs === null);
          if (failed) {
            // How long to wait is not known: it is never taken for no wait.
            stop = failed.stopped();
            untimed.push(draft);
            continue;
          }
          for (const { wait } of waits) {
            if (wait.by === 'touch') draft = { ...draft, hold: true, detail: AGAIN.touch({ detail: draft.detail }) };
            if (wait.atMs! <= ready) continue;
            ready = wait.atMs!;
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
            for (
              let k = i;
              k < drafts.length && drafts[k]!.block === draft.block && (k === i || !drafts[k]!.waitFor);
              k++
            )
              need += handsOnMs(drafts[k]!) / MIN_MS;
            const slot = earliestSlot(ask.windows, busy, ready, need);
            if (slot.startMs > ready) forcedBy = 'crew or hours';
            overruns ||= slot.overruns;
            ready = slot.startMs;
          }
          startMs = ready;
          endMs = startMs + handsOnMs(draft);
        }
      }
      if (draft.looksAhead && doneAt === null && begunAt === null) {
        startMs = renewedAhead(drafts, i, startMs);
        endMs = startMs + handsOnMs(draft);
      }
      const window = windowOf(draft);
      const late = window !== null && (window.by === 'end' ? endMs : startMs) > window.untilMs ? window.kind : null;
      // Past the window it is not gone on with as it is: washing and abrading come first, and take their time.
      const row = late && RENEWS[late];
      if (row && (doneAt === null || actuals.done.has(stepId(renewKey(draft, row))))) {
        const from = renewed(draft, row, startMs, missedBy(draft, late, window!.untilMs));
        if (doneAt === null && begunAt === null) [startMs, endMs] = [from, from + handsOnMs(draft)];
      }
      if (doneAt === null) busy.push({ fromMs: startMs, toMs: endMs });
      push(draft, {
        startMs,
        endMs,
        begunAt,
        doneAt,
        forcedBy,
        lateFor: late,
        missed: null,
        insideUntilMs: draft.gate && late === null ? (window?.untilMs ?? null) : null,
      });
      if (toMixing && draft.marks?.begin?.includes('mix-begins')) break;
    }
  };

  return {
    steps,
    laid,
    untimed,
    get stop() {
      return stop;
    },
    get placedMs() {
      return placedMs;
    },
    get overruns() {
      return overruns;
    },
    get cursor() {
      return cursor;
    },
    lastBatch,
    run,
    cut: (by, drafts) => {
      stop = by;
      untimed.push(...drafts);
    },
    timeOf: clocks.timeOf,
    partsIn: clocks.partsIn,
    topBatches,
    waitOf: clocks.waitOf,
    endOf: clocks.endOf,
    stopAt: clocks.stopAt,
  };
}
