import { type Finding, findings, standingStops } from '../judge';
import { type MilestoneTime, type PlannedStep, reviewOf } from '../plan';
import { at, minutes, on, type Said, texts } from '../say';
import { isMetered } from '../system';
import type { PassView, RepairView } from './bundle';

/** The pot that is live now: mixing has begun, and its last step of placing is not done. */
export const livePot = ({ passes }: Pick<RepairView, 'passes'>): MilestoneTime | null => {
  for (const { plan } of passes) {
    const begun = plan.steps.findLast((s) => s.marks?.begin?.includes('mix-begins') && s.begunAt !== null);
    const placed = begun && plan.steps.find((s) => s.batch === begun.batch && s.marks?.end?.includes('placed'));
    if (placed && placed.doneAt === null)
      return plan.milestones.find((m) => m.kind === 'use-by' && m.batch === begun.batch) ?? null;
  }
  return null;
};

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
 * The clock that is looked at while material is wet: the pot's, unless what lies open must be done with sooner. What only
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

/** Whether a step has to wait at an instant, a minute being nobody’s wait. */
const waits = (step: PlannedStep, nowMs: number): boolean => step.startMs > nowMs + 60_000;

/** The wait that is on: the clock that the coming step stands behind, its own or that of the pass below. */
export function nextWait(
  { passes }: Pick<RepairView, 'passes'>,
  step: PlannedStep | undefined,
  nowMs: number,
): MilestoneTime | null {
  if (!step || !waits(step, nowMs)) return null;
  const at = passes.findIndex((p) => p.repair.passId === step.passId);
  const last = (view: PassView | undefined, kind: MilestoneTime['kind'] | null | undefined) =>
    kind ? view?.plan.milestones.findLast((m) => m.kind === kind && m.planMs !== null) : undefined;
  return last(passes[at], step.waitFor?.kind) ?? last(passes[at - 1], step.gate?.from) ?? null;
}

/**
 * Milliseconds that a part-used mixer may still stand; null while none does. It stands from the last pressing until the
 * next.
 */
export function idleMixer({ plan }: Pick<PassView, 'plan'>, nowMs: number): number | null {
  if (!plan.sheet || !isMetered(plan.sheet.kind)) return null;
  const pressed = plan.steps.findLast((s) => s.marks?.begin?.includes('mix-begins') && s.doneAt !== null);
  const more = plan.steps.some((s) => s.marks?.begin?.includes('mix-begins') && s.doneAt === null);
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
  'early:load': {
    id: 'early',
    severity: 'stop',
    stage: 'release',
    title: 'Not before {at}',
    why: '{what} is not reached at this site’s temperatures; {left} to go.',
    todo: 'Leave the barrier up.',
  },
});
/** What a stop on loading before the computed time is about: the record overrides it by that name. */
const TESTS = 'release:tests';

/** An instant as it is told from another: with its date where a weekday could be either. */
const by = (ms: number, nowMs: number) => (ms - nowMs < 6 * 86_400_000 ? at(ms) : on(ms));

/** A coming step that the sheet still makes wait, as a stop; null where nothing keeps it. */
export function earlyStep(step: PlannedStep | undefined, nowMs: number): Finding | null {
  if (!step?.waitFor || step.forcedBy === 'before' || !waits(step, nowMs)) return null;
  const told = { at: by(step.startMs, nowMs), left: minutes((step.startMs - nowMs) / 60_000) };
  return F.early(told, { of: step.id, stage: step.stage });
}

/** Loading before its time, as a stop; null once it may be, or where the time is not known. */
export function earlyLoad({ plan, actuals }: Pick<PassView, 'plan' | 'actuals'>, nowMs: number): Finding | null {
  const main = plan.milestones.findLast((m) => m.kind === plan.serves);
  if (!main?.planMs || nowMs >= main.planMs || actuals.startedAt === null || actuals.released) return null;
  const told = { at: by(main.planMs, nowMs), what: main.label, left: minutes((main.planMs - nowMs) / 60_000) };
  return F['early:load'](told, { of: TESTS });
}

const KEEPS = texts('release', {
  begun: 'Work has not begun.',
  steps: '{n, plural, one {# step is not ticked} other {# steps are not ticked}}, next: “{next}”.',
  early: '{what} is reached later than now.',
  open: 'Test open: {ask}',
  failed: 'Test failed: {ask}',
  stop: 'Stop: {title}.',
  review: 'Not reviewed by a competent person yet.',
});

/** What still keeps a repair from being signed, in the order it is dealt with. */
export function obstaclesToRelease(at: PassView, nowMs: number): readonly Said[] {
  const { plan, actuals, repair } = at;
  const tests = plan.method?.tests ?? [];
  const main = plan.milestones.findLast((m) => m.kind === plan.serves);
  const undone = [...plan.steps.filter((s) => s.doneAt === null), ...plan.untimed].filter((s) => s.stage !== 'release');
  return [
    ...(actuals.startedAt === null ? [KEEPS.begun()] : []),
    ...(undone.length ? [KEEPS.steps({ n: undone.length, next: undone[0]!.title })] : []),
    ...(main?.planMs && nowMs < main.planMs && !actuals.overrides.has(`early:${TESTS}`)
      ? [KEEPS.early({ what: main.label })]
      : []),
    ...tests.filter((t) => !actuals.tests.has(t.id)).map((t) => KEEPS.open({ ask: t.ask })),
    ...tests.filter((t) => actuals.tests.get(t.id) === 'no').map((t) => KEEPS.failed({ ask: t.ask })),
    ...standingStops(at.findings, actuals.overrides).map((f) => KEEPS.stop({ title: f.title })),
    ...(reviewOf(repair, plan.method) !== null && !actuals.reviewed ? [KEEPS.review()] : []),
  ];
}
