import { type Finding, findings, stepOfLivePot } from '../judge';
import type { TroubleAnswer } from '../method';
import { GATES, type MilestoneTime, mixerStandsMs, overLast, type PlannedStep, passesUnder } from '../plan';
import { at, minutes, on, type Value } from '../say';
import { isMetered } from '../system';
import type { PassView, RepairView } from './bundle';

/** The pot that is live now: mixing has begun, and its last step of placing is not done. */
export const livePot = ({ passes }: Pick<RepairView, 'passes'>): MilestoneTime | null => {
  for (const { plan } of passes) {
    const step = stepOfLivePot(plan);
    if (step) return plan.milestones.find((m) => m.kind === 'use-by' && m.batch === step.batch) ?? null;
  }
  return null;
};

/** What is done at a pass when something befalls it: what comes next, or else what was done last; null before that. */
export const doingAt = ({ plan, repair }: PassView, step: PlannedStep | undefined): PlannedStep['role'] | null =>
  step?.passId === repair.passId
    ? step.role
    : (plan.steps.findLast((s) => s.doneAt !== null || s.begunAt !== null)?.role ?? null);

/** Whether anything of a pass is done or begun. */
const isTouched = ({ plan }: PassView): boolean => plan.steps.some((s) => s.doneAt !== null || s.begunAt !== null);

/**
 * The passes that something can befall now, of which the first is meant unless somebody says another: the one that
 * comes next, and those that anything was done of. While nothing is done of the next, what went wrong is of the one
 * before it.
 * @param step what comes next; undefined behind the last
 */
export function passesBefallen(
  { passes }: Pick<RepairView, 'passes'>,
  step: PlannedStep | undefined,
): readonly PassView[] {
  const next = passes.find((p) => p.repair.passId === step?.passId) ?? passes.at(-1)!;
  const touched = passes.filter(isTouched);
  const first = touched.includes(next) ? next : (touched.at(-1) ?? next);
  return [first, ...[...new Set([...touched, next])].filter((p) => p !== first)];
}

/** The passes that lie on one and of which anything was done. */
export const passesOn = ({ passes }: Pick<RepairView, 'passes'>, passId: string): readonly PassView[] => {
  const chain = passes.map((p) => p.repair);
  return passes.filter((p) => isTouched(p) && passesUnder(chain, p.repair.passId).has(passId));
};

/**
 * Which batch something befell: where its primer did, the one that is mixed to go on that, if any; else the one in
 * hand, of the latest step begun or done that belongs to one. null: none
 */
export const batchBefallen = ({ plan }: PassView, answer: Pick<TroubleAnswer, 'primer'> | null): number | null =>
  (answer?.primer
    ? stepOfLivePot(plan)
    : plan.steps.findLast((s) => s.batch !== undefined && (s.begunAt !== null || s.doneAt !== null))
  )?.batch ?? null;

/**
 * The working time that the coming step stands in beside the pot, and that has begun: the open time of what was spread
 * first, the washing of what was filled, the mixer between two pressings.
 */
export function liveWindow(
  { passes }: Pick<RepairView, 'passes'>,
  step: PlannedStep | undefined,
  nowMs: number,
): MilestoneTime | null {
  const within = step?.within;
  if (!within) return null;
  const plan = passes.find((p) => p.repair.passId === step.passId)?.plan;
  const mine = (plan?.milestones ?? []).filter(
    (m) =>
      m.kind === within.kind &&
      m.originMs !== null &&
      m.planMs !== null &&
      m.originMs <= nowMs &&
      (m.part === null || step.part === undefined || m.part === step.part),
  );
  // Where several places have one, the first to close decides.
  return mine.length ? mine.reduce((a, b) => (b.planMs! < a.planMs! ? b : a)) : null;
}

/**
 * The clock that is looked at while material is wet: the pot's, unless what lies open must be done with sooner. What
 * only
 * has to be begun in time is told where no pot is live.
 */
export function liveClock(
  view: Pick<RepairView, 'passes'>,
  step: PlannedStep | undefined,
  nowMs: number,
): { readonly clock: MilestoneTime; readonly ofPot: boolean } | null {
  const pot = livePot(view);
  const window = liveWindow(view, step, nowMs);
  if (!pot) return window && { clock: window, ofPot: false };
  const sooner =
    step?.within?.by === 'end' && window?.planMs != null && pot.planMs !== null && window.planMs < pot.planMs;
  return sooner ? { clock: window!, ofPot: false } : { clock: pot, ofPot: true };
}

/** So little is nobody’s wait. */
const A_MINUTE_MS = 60_000;
const waits = (step: PlannedStep, nowMs: number): boolean => step.startMs > nowMs + A_MINUTE_MS;

/** The wait that is on: the clock that the coming step stands behind, its own or that of the pass below. */
export function nextWait(
  { passes }: Pick<RepairView, 'passes'>,
  step: PlannedStep | undefined,
  nowMs: number,
): MilestoneTime | null {
  if (!step || !waits(step, nowMs)) return null;
  const at = passes.findIndex((p) => p.repair.passId === step.passId);
  const last = (view: PassView | undefined, kind: MilestoneTime['kind'] | null | undefined) =>
    view &&
    overLast(
      view.plan.milestones.filter((m) => m.planMs !== null),
      kind,
    );
  const wait = last(passes[at], step.waitFor?.kind) ?? last(passes[at - 1], step.gate?.from);
  // What is over while nobody works is over.
  return wait && wait.planMs! > nowMs ? wait : null;
}

/**
 * When a pass may go on the one before it as it is: from when and until when, null where nothing is asked or nobody
 * knows.
 * @param at its place in the chain, from 0
 */
export function windowOn(
  { passes, draft }: Pick<RepairView, 'passes' | 'draft'>,
  at: number,
): { readonly fromMs: number | null; readonly untilMs: number | null } {
  const below = passes[at - 1]?.plan.milestones ?? [];
  const gate = GATES[draft.passes[draft.chain[at]!]!.gate];
  // Of what is placed over time it opens by its last place, and closes by its first.
  const opens = overLast(below, gate.from) ?? below.findLast((m) => gate.orElse?.includes(m.kind));
  const closes = below.find((m) => m.kind === gate.until);
  return { fromMs: opens?.planMs ?? null, untilMs: closes?.planMs ?? null };
}

/**
 * Milliseconds that a part-used mixer may still stand; null while none does. It stands from the last pressing, of the
 * repair before where it goes on with that one’s mixer, until the next.
 */
export function idleMixer({ plan }: Pick<PassView, 'plan'>, nowMs: number): number | null {
  if (!plan.sheet || !isMetered(plan.sheet.kind)) return null;
  const pressed = plan.steps.findLast((s) => s.marks?.begin?.includes('mix-begins') && s.doneAt !== null);
  const more = plan.steps.some((s) => s.marks?.begin?.includes('mix-begins') && s.doneAt === null);
  const on = plan.context?.mixerOn;
  if (!pressed && on && more && on.pressedMs <= nowMs) return on.pressedMs + mixerStandsMs(plan) - nowMs;
  if (!pressed || !more) return null;
  const idle = plan.milestones.find((m) => m.kind === 'idle' && m.batch === pressed.batch);
  if (!idle || idle.planMs === null || idle.originMs === null || pressed.doneAt === null) return null;
  return pressed.doneAt + (idle.planMs - idle.originMs) - nowMs;
}

const F = findings({
  early: {
    severity: 'stop',
    stage: 'hold',
    title: 'Not before {at}',
    why: 'The sheet’s wait is not over at this site’s temperature; {left} to go.',
    todo: 'Leave it alone.',
  },
});
/** An instant as it is told from another: with its date where a weekday could be either. */
export const toldFrom = (ms: number, nowMs: number): Value => (ms - nowMs < 6 * 86_400_000 ? at(ms) : on(ms));

/**
 * Until when a step is kept by a sheet, or by a time that was chosen in its place; null by neither. The hours of the
 * crew keep nobody who is there.
 */
const keptUntil = ({ forcedBy, startMs, heldUntilMs }: PlannedStep): number | null =>
  forcedBy === 'sheet' || forcedBy === 'chosen' || forcedBy === 'eve' ? startMs : (heldUntilMs ?? null);

/**
 * A coming step that a sheet still makes wait, its own or that of the pass below, as a stop; null where nothing keeps
 * it.
 */
export function earlyStep(step: PlannedStep | undefined, nowMs: number): Finding | null {
  if (!step || !(step.waitFor || step.gate?.from)) return null;
  const until = keptUntil(step);
  if (until === null || until <= nowMs + A_MINUTE_MS) return null;
  const told = { at: toldFrom(until, nowMs), left: minutes((until - nowMs) / 60_000) };
  return F.early(told, { of: step.id, stage: step.stage });
}
