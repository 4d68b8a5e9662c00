import { RENEWS, RENEWS_FACE, type StepDraft, type StepKey, stepFrom, stepId, type TaskRow } from '../method';
import { layerOf } from '../mix';
import { refuse, texts } from '../say';
import { type MilestoneId, milestoneOf } from '../system';
import { AGAIN, leftOverNight } from './again';
import { beginsFrom, begunOr } from './begins';
import type { DayEnd, Window } from './calendar';
import type { LayAsk, Laying } from './lay-ask';
import { clocksOf, upTo, type Wait } from './pass-clocks';
import type { MissedWindow, PlannedStep } from './repair-plan';
import { slotsOf } from './slots';
import type { PlanStop } from './stand-in';
import { endOfStep, handsOnMs } from './step-time';

const REFUSED = texts('refused.plan.laying', {
  'repair-would-steps': 'This repair would have {drafts} steps: part it into several.',
});

/** A plan that nobody can read is none, and laying it out takes longer than anybody waits. */
const MOST_STEPS = 5000;
const MIN_MS = 60_000;
/** What rounding leaves of a portion that was sized to its last minute is not late, ms. */
const ROUNDED_MS = 2000;
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Nobody comes each hour for longer than two days. */
const MOST_TRIES = 48;

/** What rests before a step; null where nothing does. */
type Rested = PlannedStep['rested'] | null;

/** A face that stands too long, with what bares it again. */
interface Stale {
  readonly draft: StepDraft;
  readonly row: TaskRow;
  readonly missed: MissedWindow;
}

/**
 * Begins to put a pass on the clock. @throws Refusal when it has more steps than anybody reads, or no working time is
 * left
 */
export function layingOf(layAsk: LayAsk): Laying {
  const { ask, method, context, lastBatch, hands, below, endAlone = false } = layAsk;
  const { repair, job, actuals } = ask;
  const running = actuals.startedAt !== null;
  const endOf = (draft: StepDraft, startMs: number) => endOfStep(draft, startMs, context.crew, actuals.hands);
  const clocks = clocksOf(layAsk);
  const steps: PlannedStep[] = [];
  const laid = new Set<string>();
  const ends = new Map<string, number>();
  const untimed: StepDraft[] = [];
  const first = below === null;
  const layer = (b: { readonly portion: number }) => layerOf(context.portions, b.portion);
  const top = Math.max(0, ...context.batches.map(layer));
  const topBatches = context.batches.filter((b) => layer(b) === top).map((b) => b.index);
  let cursor = first ? beginsFrom(ask) : begunOr(job.startFrom, ask);
  let overruns = false;
  let block = '';
  let placedMs: number | null = null;
  let stop: PlanStop | null = null;

  /** What a step waits for: the later time its sheet prints, unless somebody chose what stands in for the sooner. */
  const waitKind = ({ kind, insteadOf }: NonNullable<StepDraft['waitFor']>): MilestoneId =>
    insteadOf && repair.standIns[insteadOf] ? insteadOf : kind;

  /** The waits of a step: its own, and that for the pass below. */
  const waitsOf = (draft: StepDraft): { wait: Wait; stopped: () => PlanStop }[] => {
    const out: { wait: Wait; stopped: () => PlanStop }[] = [];
    const add = (clock: Pick<Laying, 'waitOf' | 'stopAt'>, kind: MilestoneId, batches: readonly number[]) => {
      const wait = clock.waitOf(kind, batches);
      out.push({ wait, stopped: () => clock.stopAt(draft, kind, batches, wait.why) });
    };
    if (draft.waitFor) add(clocks, waitKind(draft.waitFor), draft.waitFor.batches ?? upTo(lastBatch));
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
    ends.set(draft.id, at.endMs);
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
  const renewal = (draft: StepDraft, row: TaskRow): StepDraft => {
    const { batch = 0, part } = draft;
    const here = { ...context, batch: context.batches[batch] ?? null, part: part ?? null };
    return { ...stepFrom(method, row, here, renewKey(draft, row)), block: draft.block };
  };
  /** The window that a step, begun at an instant, comes too late for. */
  const lateFor = (draft: StepDraft, startMs: number, endMs = startMs + handsOnMs(draft)): MilestoneId | null => {
    const window = windowOf(draft);
    return window !== null && (window.by === 'end' ? endMs : startMs) > window.untilMs + ROUNDED_MS
      ? window.kind
      : null;
  };
  /**
   * What has to come before a step that is too late to go on what lies there as it is: washing and abrading, or baring
   * the face again.
   */
  const renewed = (
    draft: StepDraft,
    row: TaskRow,
    startMs: number,
    missed: MissedWindow | null,
    rested: Rested = null,
  ): number => {
    const before = renewal(draft, row);
    const doneAt = actuals.done.get(before.id) ?? null;
    const endMs = doneAt ?? startMs + handsOnMs(before);
    const begunMs = doneAt === null ? startMs : Math.min(startMs, doneAt);
    if (doneAt === null) hands.add({ fromMs: begunMs, toMs: endMs });
    push(before, {
      startMs: begunMs,
      endMs,
      begunAt: null,
      doneAt,
      forcedBy: 'before',
      lateFor: null,
      lateMs: 0,
      missed,
      insideUntilMs: null,
      dueMs: null,
      dayEnd: null,
      ...(rested ? { rested } : {}),
    });
    return Math.max(startMs, endMs);
  };
  /** Whether a night lies between the last step and an instant. */
  const isNextDay = (startMs: number) => ask.windows.some((w) => cursor <= w.fromMs && w.fromMs <= startMs);
  /** What is done to the edge that a step, begun at an instant, goes on from; null where it goes on at once. */
  const edgeFor = (draft: StepDraft, startMs: number, isAhead = true): TaskRow | null => {
    const { resumes } = method;
    if (!resumes || draft.afterRest !== 'wet' || draft.waitFor !== undefined) return null;
    const isDone = actuals.done.has(stepId(renewKey(draft, resumes)));
    return isDone || (isAhead && isNextDay(startMs)) ? resumes : null;
  };
  /** Faces that would have stood too long when their turn comes, were the step at `i` begun at an instant. */
  const stale = (drafts: readonly StepDraft[], i: number, startMs: number): readonly Stale[] => {
    const found: Stale[] = [];
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
        found.push({ draft: d, row, missed });
        from += handsOnMs(renewal(d, row));
        // All that follows has moved: it is looked at once more.
        [k, ahead, mixing] = [i - 1, 0, 0];
      } else ahead += handsOnMs(d);
    }
    return found;
  };
  /**
   * What a block, begun at an instant, needs beyond its own steps: faces bared again, layers washed and abraded, ms.
   */
  const renewalsIn = (drafts: readonly StepDraft[], i: number, end: number, startMs: number): number => {
    let ms = startMs;
    let more = 0;
    const add = (d: StepDraft, row: TaskRow) => {
      const takes = handsOnMs(renewal(d, row));
      more += takes;
      ms += takes;
    };
    const edge = edgeFor(drafts[i]!, startMs);
    if (edge) add(drafts[i]!, edge);
    for (let k = i; k < end; k++) {
      const d = drafts[k]!;
      if (d.looksAhead) for (const { draft, row } of stale(drafts, k, ms)) add(draft, row);
      const late = lateFor(d, ms);
      const row = late && RENEWS[late];
      if (row) add(d, row);
      ms += handsOnMs(d);
    }
    return more;
  };
  const { aheadOf, toolsBy, goesOnNow, slotFor, goesOnLater, daysOf } = slotsOf({
    layAsk,
    clocks,
    laid,
    cursor: () => cursor,
    renewalsIn,
  });

  /** When it is tried by touch before the sheet says it holds: each working hour from the soonest of any weather. */
  const triesOf = ({ waitFor }: StepDraft, byMs: number): readonly number[] => {
    const soonest = waitFor ? clocks.soonestOf(waitFor.kind, waitFor.batches ?? upTo(lastBatch)) : null;
    const out: number[] = [];
    for (let ms = soonest ?? byMs; ms < byMs && out.length < MOST_TRIES; ms += HOUR_MS)
      if (ask.windows.some((w) => w.fromMs <= ms && ms < w.toMs)) out.push(ms);
    return out;
  };

  const run: Laying['run'] = (drafts, { readyMs, toMixing = false } = {}) => {
    if (steps.length + drafts.length > MOST_STEPS)
      refuse(
        'steps',
        drafts.length,
        `up to ${MOST_STEPS} steps`,
        REFUSED['repair-would-steps']({ drafts: drafts.length }),
      );
    if (readyMs !== undefined && readyMs > cursor) cursor = readyMs;
    for (const [i, planned] of drafts.entries()) {
      let draft = planned;
      const doneAt = actuals.done.get(draft.id) ?? (draft.formerly ? actuals.done.get(draft.formerly) : null) ?? null;
      const begunAt = actuals.begun.get(draft.id) ?? null;
      const chosen = first && !laid.size && repair.plannedStart !== null;
      // Written in a function below, which the compiler does not follow.
      let forcedBy = (chosen ? 'chosen' : 'before') as PlannedStep['forcedBy'];
      let heldUntilMs: number | null = null;
      let startMs: number;
      let endMs: number;
      let dayEnd: DayEnd | null = null;
      let days: readonly Window[] | null = null;
      let rested: Rested = null;
      if (doneAt !== null) {
        startMs = begunAt ?? Math.max(Math.min(cursor, doneAt), doneAt - handsOnMs(draft));
        endMs = doneAt;
      } else if (stop) {
        untimed.push(draft);
        continue;
      } else {
        let ready = cursor;
        const notBefore = (ms: number | null | undefined, by: PlannedStep['forcedBy']) => {
          if (ms == null || ms <= ready) return;
          if (by === 'sheet') heldUntilMs = ms;
          [ready, forcedBy] = [ms, by];
        };
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
            notBefore(wait.atMs, wait.by === 'own' || wait.by === 'touch' ? 'chosen' : 'sheet');
          }
        }
        if (draft.waitMin && placedMs !== null) notBefore(placedMs + draft.waitMin * MIN_MS, 'chosen');
        const eve = draft.eveOf && clocks.waitOf(draft.eveOf.kind, draft.eveOf.batches ?? upTo(lastBatch)).atMs;
        if (eve != null) notBefore(eve - DAY_MS, 'eve');
        if (draft.lag) notBefore((ends.get(draft.lag.after) ?? ready) + draft.lag.min * MIN_MS, 'chosen');
        if (begunAt !== null) {
          startMs = begunAt;
          days = daysOf(draft, begunAt);
          endMs = Math.max(days?.at(-1)?.toMs ?? endOf(draft, begunAt), ask.nowMs);
        } else {
          if (running) notBefore(ask.nowMs, 'now');
          rested = draft.block === block && goesOnLater(drafts, i, ready) ? draft.afterRest! : null;
          const begins = rested !== null || draft.block !== block;
          if (begins && !rested) {
            notBefore(aheadOf(drafts, i), 'sheet');
            notBefore(toolsBy(drafts, i), 'tools');
          }
          if (rested !== null || (begins && !(running && ready <= ask.nowMs && goesOnNow(drafts, i, ready)))) {
            // A block is not torn apart by the end of the day: it moves as one, unless it is longer than any day.
            const slot = slotFor(drafts, i, ready);
            dayEnd = slot.dayEnd;
            if (slot.startMs > ready && forcedBy !== 'tools') forcedBy = 'crew or hours';
            overruns ||= slot.overruns;
            // What is left at an edge of its own is left for the night there as well, in whatever block it goes on.
            if (draft.afterRest === 'wet' && draft.waitFor === undefined && isNextDay(slot.startMs)) rested = 'wet';
            ready = slot.startMs;
          } else if (!begins) ready = hands.freeFrom(ready, handsOnMs(draft));
          days = daysOf(draft, ready);
          startMs = days?.[0]?.fromMs ?? ready;
          endMs = days?.at(-1)?.toMs ?? endOf(draft, startMs);
        }
      }
      const last = steps.at(-1);
      // How it is left is told by the last that is done before the night.
      if (rested === 'wet' && method.rests && last?.doneAt === null)
        steps[steps.length - 1] = leftOverNight(last, method.rests);
      const edge = edgeFor(draft, startMs, doneAt === null && begunAt === null);
      if (edge) {
        const from = renewed(draft, edge, startMs, null, rested);
        rested = null;
        if (doneAt === null && begunAt === null) [startMs, endMs] = [from, endOf(draft, from)];
      }
      if (draft.looksAhead && doneAt === null && begunAt === null) {
        for (const { draft: d, row, missed } of stale(drafts, i, startMs)) {
          startMs = renewed(d, row, startMs, missed, rested);
          rested = null;
        }
        endMs = endOf(draft, startMs);
      }
      const window = windowOf(draft);
      const late = lateFor(draft, startMs, endMs);
      // Past the window it is not gone on with as it is: washing and abrading come first, and take their time.
      const row = late && RENEWS[late];
      if (row && (doneAt === null || actuals.done.has(stepId(renewKey(draft, row))))) {
        const from = renewed(draft, row, startMs, missedBy(draft, late, window!.untilMs), rested);
        rested = null;
        if (doneAt === null && begunAt === null) [startMs, endMs] = [from, endOf(draft, from)];
      }
      if (doneAt === null) for (const w of days ?? [{ fromMs: startMs, toMs: endMs }]) hands.add(w);
      push(draft, {
        startMs,
        endMs,
        begunAt,
        doneAt,
        forcedBy,
        ...(heldUntilMs === null || forcedBy === 'sheet' ? {} : { heldUntilMs }),
        lateFor: late,
        lateMs: late ? (window!.by === 'end' ? endMs : startMs) - window!.untilMs : 0,
        missed: null,
        insideUntilMs: draft.gate && late === null ? (window?.untilMs ?? null) : null,
        dueMs: window?.untilMs ?? null,
        dayEnd,
        ...(days && days.length > 1 ? { days } : {}),
        ...(rested ? { rested } : {}),
        ...(draft.hourly ? { tries: triesOf(draft, startMs) } : {}),
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
    has: (kind) => milestoneOf(layAsk.sheet, kind) !== undefined,
    chosen: (kind) => repair.standIns[kind] !== undefined,
    waitOf: clocks.waitOf,
    endOf: clocks.endOf,
    stopAt: clocks.stopAt,
  };
}
