import { type StepDraft, WET_ROLES } from '../method';
import { firstRest, restAfter, stands, tears } from './blocks';
import { earliestSlot, longestMs, overDays, type Window } from './calendar';
import type { LayAsk } from './lay-ask';
import { type Clocks, upTo } from './pass-clocks';
import { handsOnMs } from './step-time';
import { stepAt } from './tools';

const MIN_MS = 60_000;
/** Nobody leaves for another place for so short a wait, ms. */
const STOOD_BY_MS = 30 * MIN_MS;
/** How long past the end of the day wet work goes on that was meant to be done by then, and is waited for at all. */
const STAYS_MS = 30 * MIN_MS;

/** What the place of a block in the working days follows from. */
export interface SlotAsk {
  readonly layAsk: LayAsk;
  readonly clocks: Clocks;
  /** Ids of all that has been laid out so far. */
  readonly laid: ReadonlySet<string>;
  /** Where the last step that was laid out ends. */
  readonly cursor: () => number;
  /** What a block, begun at an instant, needs beyond its own steps, ms. */
  readonly renewalsIn: (drafts: readonly StepDraft[], i: number, end: number, startMs: number) => number;
}

export type Slot = ReturnType<typeof earliestSlot>;

/** Where the blocks of a pass lie in the working days. */
export function slotsOf({ layAsk, clocks, laid, cursor, renewalsIn }: SlotAsk) {
  const { ask, method, lastBatch, hands } = layAsk;
  const { repair } = ask;

  /** How long what a step waits for lasts, ms; nought where it waits for nothing that its sheet has a time for. */
  const waitMs = ({ waitFor }: StepDraft): number => (waitFor && clocks.lasts(waitFor.kind, cursor())) ?? 0;
  /** How long a step takes with the stand time before it, ms. */
  const takesMs = (d: StepDraft): number => handsOnMs(d) + (stands(d) || isStoodBy(d) ? waitMs(d) : 0);
  /** How long steps take one after the other; what the first of them waits for is over when it begins. */
  const takeMs = (drafts: readonly StepDraft[], from: number, to: number): number =>
    drafts.slice(from, to).reduce((ms, d, k) => ms + (k === 0 && isStoodBy(d) ? handsOnMs(d) : takesMs(d)), 0);

  /** A step that waits for so little that one stands by: what was laid is washed as soon as it bears the sponge. */
  const isStoodBy = (d: StepDraft): boolean => tears(d) && waitMs(d) > 0 && waitMs(d) <= STOOD_BY_MS;
  /** Where the block that begins with a step ends: before the next block, or the next of its own that waits long. */
  const blockEnd = (drafts: readonly StepDraft[], i: number): number => {
    const end = drafts.findIndex((d, k) => k > i && (d.block !== drafts[i]!.block || (tears(d) && !isStoodBy(d))));
    return end < 0 ? drafts.length : end;
  };
  /** Where the block began that a step is of. */
  const blockFrom = (drafts: readonly StepDraft[], i: number): number => {
    let k = i;
    while (k > 0 && drafts[k - 1]!.block === drafts[i]!.block && !tears(drafts[k]!)) k--;
    return k;
  };

  /**
   * The earliest that a block begins so that a later step of it, which has to wait, is ready when its wait ends: what
   * comes before that step, the stand time of the mix with it, is done ahead. Null where nothing of it waits so, or the
   * wait has no end; the step itself says why then.
   */
  const aheadOf = (drafts: readonly StepDraft[], i: number): number | null => {
    const { block } = drafts[i]!;
    let lead = 0;
    for (let k = i; k < drafts.length && drafts[k]!.block === block; k++) {
      const d = drafts[k]!;
      if (d.waitFor?.ahead) {
        const { atMs } = clocks.waitOf(d.waitFor.kind, d.waitFor.batches ?? upTo(lastBatch));
        return atMs === null ? null : atMs - lead;
      }
      lead += takesMs(d);
    }
    return null;
  };

  /** The earliest that a block begins for want of tools: as far before the step that takes them as it lies behind. */
  const toolsBy = (drafts: readonly StepDraft[], i: number): number | null => {
    if (!ask.notBefore) return null;
    let [lead, from] = [0, null as number | null];
    // What does not keep once it is prepared is prepared on the day its turn comes.
    const all = method.keeps !== undefined && !laid.size;
    const dayOf = (ms: number) => ask.windows.find((w) => w.toMs > ms)?.fromMs ?? ms;
    for (let k = i; k < drafts.length && (all || drafts[k]!.block === drafts[i]!.block); k++) {
      const byMs = ask.notBefore.get(stepAt({ passId: repair.passId, id: drafts[k]!.id }));
      if (byMs !== undefined) from = Math.max(from ?? 0, all ? Math.max(byMs - lead, dayOf(byMs)) : byMs - lead);
      lead += takesMs(drafts[k]!);
    }
    return from;
  };

  /** The first slot that takes a run of steps, with what has to be renewed when it begins that late. */
  const slotOf = (drafts: readonly StepDraft[], i: number, end: number, readyMs: number): Slot => {
    const own = takeMs(drafts, i, end);
    let more = 0;
    for (;;) {
      const slot = earliestSlot(ask.windows, hands, readyMs, (own + more) / MIN_MS, repair.overtimeMin);
      const asks = renewalsIn(drafts, i, end, slot.startMs);
      // The later it begins, the more has to be renewed: this grows, and ends with all of it.
      if (asks <= more) return slot;
      more = asks;
    }
  };

  /** The first slot that takes a whole block; of one longer than any day, as much as may be done before a rest. */
  const slotFor = (drafts: readonly StepDraft[], i: number, readyMs: number): Slot => {
    const end = blockEnd(drafts, i);
    const whole = slotOf(drafts, i, end, readyMs);
    if (!whole.overruns) return whole;
    if (isLong(drafts[i]!)) return { startMs: readyMs, overruns: false, dayEnd: null };
    const part = firstRest(drafts, i, end, takesMs, isLong);
    return part < end ? slotOf(drafts, i, part, readyMs) : whole;
  };

  const dayMs = longestMs(ask.windows);
  const isLong = (draft: StepDraft) => draft.dry === true && handsOnMs(draft) > dayMs + repair.overtimeMin * MIN_MS;

  /** The stretches of a dry step that is longer than any working day; null of one that is not. */
  const daysOf = (draft: StepDraft, readyMs: number): readonly Window[] | null =>
    isLong(draft) ? overDays(ask.windows, hands, readyMs, handsOnMs(draft)) : null;

  /**
   * Whether a step of the block that is being worked waits: its work may rest before it, and what follows up to the
   * next rest no longer fits into this day, or the hands are at another place.
   */
  const goesOnLater = (drafts: readonly StepDraft[], i: number, readyMs: number): boolean => {
    const draft = drafts[i]!;
    if (!draft.afterRest) return false;
    const blockTo = blockEnd(drafts, i);
    if (draft.afterRest === 'dry' && takeMs(drafts, blockFrom(drafts, i), blockTo) <= dayMs) return false;
    const end = restAfter(drafts, i, blockTo);
    const endMs = readyMs + takeMs(drafts, i, end);
    // Whoever rests may find the hands at another place when they would go on.
    if (hands.freeFrom(readyMs, endMs - readyMs) > readyMs) return true;
    const stayMs = repair.overtimeMin * MIN_MS;
    const w = ask.windows.find(({ toMs }) => toMs + stayMs > readyMs);
    return w === undefined || readyMs < w.fromMs || endMs > w.toMs + stayMs;
  };

  /**
   * Whether who is at the work goes on with a block at once, where the hours of the day would have it wait: wet work
   * and what leaves it safe, not long past them; anything, once they stayed. Who has gone home comes back next day.
   */
  const goesOnNow = (drafts: readonly StepDraft[], i: number, readyMs: number): boolean => {
    const draft = drafts[i]!;
    const takes = takeMs(drafts, i, blockEnd(drafts, i));
    // Another place waits for the hands.
    if (hands.freeFrom(readyMs, takes) > readyMs) return false;
    if (draft.afterRest && goesOnLater(drafts, i, readyMs)) return false;
    const closing = ask.windows.findLast((w) => w.fromMs <= readyMs)?.toMs;
    if (closing === undefined) return false;
    const touched = Math.max(0, ...ask.actuals.begun.values(), ...ask.actuals.done.values());
    if (readyMs >= closing && readyMs - touched > STAYS_MS) return false;
    return touched > closing || (WET_ROLES.has(draft.role) && readyMs + takes <= closing + STAYS_MS);
  };

  return { aheadOf, toolsBy, goesOnNow, slotFor, goesOnLater, daysOf };
}
