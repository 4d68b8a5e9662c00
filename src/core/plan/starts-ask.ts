import { vesselMassG } from '../mix';
import { attempt } from '../say';
import { isMixedAsPlaced, milestoneOf } from '../system';
import { firstRest, tears } from './blocks';
import { earliestSlot, longestMs, overDays, type Window } from './calendar';
import { closingMs } from './closing';
import { Hands } from './hands';
import { opensFrom, sharesHands } from './plan-chain';
import { preparedFrom } from './prepared-from';
import { type ChainPlan, type PlannedStep, type RepairPlan, spotBySpot } from './repair-plan';
import type { StartsAsk } from './start-windows';
import { workedMs } from './step-time';

const MIN_MS = 60_000;
/** Starts are looked at so far apart. */
const STEP_MS = 10 * MIN_MS;

/** An answer worked out once: a forecast with a spread is looked at on both its edges. */
function kept<T>(ask: (ms: number) => T): (ms: number) => T {
  const known = new Map<number, T>();
  return (ms) => {
    if (!known.has(ms)) known.set(ms, ask(ms));
    return known.get(ms)!;
  };
}

/** Minutes that steps still to be done were rounded up by, from one of them to another. */
const roundedMin = (steps: readonly PlannedStep[], from: PlannedStep, to: PlannedStep): number =>
  steps
    .slice(steps.indexOf(from), steps.indexOf(to) + 1)
    .filter((s) => s.doneAt === null && s.begunAt === null)
    .reduce((sum, s) => sum + Math.max(0, (s.endMs - s.startMs) / MIN_MS - s.handsOnMin), 0);

/**
 * How long the first pot has to live, min, from where it counts on until the last of it is in its place, or what comes
 * out of a mixer until its own part is. Batches are measured to the pot as long as they take: that steps are planned in
 * whole minutes kills none. What is worked where it comes out of the mixer, or wetted bead by bead, waits for nothing.
 */
function potMinOf(pass: RepairPlan, mix: PlannedStep): number {
  const { sheet, steps, milestones } = pass;
  if (!sheet || spotBySpot(pass) || isMixedAsPlaced(sheet)) return 0;
  const ofFirst = steps.filter((s) => s.batch === 0);
  const takes = (fromMs: number, part: number | null): number => {
    const placed = ofFirst.findLast((s) => s.marks?.end?.includes('placed') && (part === null || s.key.part === part));
    if (!placed) return 0;
    const from = ofFirst.find((s) => s.endMs > fromMs || s === placed) ?? placed;
    return Math.max(0, (placed.endMs - fromMs) / MIN_MS - roundedMin(steps, from, placed));
  };
  const clocks = milestones.filter((m) => m.kind === 'use-by' && m.originMs !== null && (m.batch ?? 0) === 0);
  if (clocks.length) return Math.max(...clocks.map((m) => takes(m.originMs!, m.part)));
  // Where the sheet tells no time for it, it counts from where the sheet says.
  const starts = milestoneOf(sheet, 'use-by')?.startsAt ?? 'mix-begins';
  const ends = starts === 'mix-begins' ? undefined : ofFirst.find((s) => s.marks?.end?.includes(starts));
  return takes(ends?.endMs ?? mix.startMs, null);
}

/** Of steps that belong together, what is done before their first rest, where they are longer than a day. */
const untilRest = (together: readonly PlannedStep[]): readonly PlannedStep[] =>
  together.some((s) => s.rested) ? together.slice(0, firstRest(together, 0, together.length, workedMs)) : together;

/**
 * Whether a plan stops because a sheet tells no time for what it waits for: then no other start helps. At a time that
 * the sheet tells, and does not reach at the temperatures of this start, another may.
 */
function isUntold({ stop, passes }: ChainPlan): boolean {
  const sheet = stop && passes.find((p) => p.passId === stop.passId)?.sheet;
  return stop !== null && !(sheet && milestoneOf(sheet, stop.kind));
}

/**
 * Preparation that keeps overnight: the steps before those of one piece with the mixing, which a face that goes stale
 * is, where one day holds them. None where there are no such steps.
 */
function aheadOf(preparing: readonly PlannedStep[], mix: PlannedStep, windows: readonly Window[], begun: number) {
  const near = preparing.findLastIndex((s) => s.block !== mix.block) + 1;
  const keeps = preparing.slice(0, near);
  const minutes = keeps.reduce((min, s) => min + workedMs(s) / MIN_MS, 0);
  if (!minutes || minutes > longestMs(windows) / MIN_MS) return undefined;
  const slots = attempt(() =>
    keeps
      .filter((s) => s.doneAt === null)
      .reduce((from, s) => {
        const min = workedMs(s) / MIN_MS;
        return earliestSlot(windows, Hands.of(), from, min).startMs + min * MIN_MS;
      }, begun),
  );
  return slots.ok ? { minutes, doneMs: slots.value } : undefined;
}

/** The ask of a repair as planned: its preparation, placing and pot, from now or its job's first hour, over a week. */
export function startsAskOf(
  plan: ChainPlan,
  job: { startFrom: number; wantedAt: number | null },
  windows: readonly Window[],
  nowMs: number,
): StartsAsk | null {
  // When it begins is asked of the first pass; when it is ready, of all of them.
  const [first] = plan.passes;
  const { sheet, thermal, steps, batches, pot } = first!;
  const mix = steps.find((s) => s.marks?.begin?.includes('mix-begins'));
  if (!sheet || !thermal || !mix || first!.placedMs === null) return null;
  const fromMs = Math.ceil(Math.max(nowMs, job.startFrom, thermal.base.times[0]!) / STEP_MS) * STEP_MS;
  const lastStart = Math.min(fromMs + 7 * 86_400_000, thermal.base.times.at(-1)!);
  // A plan that lies wholly in the past has no weather left to start in.
  if (lastStart <= fromMs) return null;
  const share = batches[0] && pot ? (pot.shareOf(vesselMassG(sheet, batches[0])) ?? 1) : 1;
  const preparing = steps.slice(0, steps.indexOf(mix));
  const prepareMin = preparing.reduce((min, s) => min + workedMs(s) / MIN_MS, 0);
  const untold = isUntold(plan);
  const known = !untold && opensFrom(plan, mix.startMs) !== undefined;
  const firstPlaced = steps.find((s) => s.batch === 0 && s.marks?.end?.includes('placed'));
  const after = steps.slice(steps.indexOf(mix));
  const torn = after.findIndex((s, i) => i > 0 && (s.block !== mix.block || tears(s)));
  const together = untilRest(torn < 0 ? after : after.slice(0, torn));
  const blockMin = ((together.at(-1) ?? mix).endMs - mix.startMs) / MIN_MS;
  // What no day holds is prepared on the days before the one it is mixed on.
  const prepareApart = prepareMin + blockMin > longestMs(windows) / MIN_MS;
  const begun = Math.max(nowMs, job.startFrom);
  const ahead = prepareApart ? undefined : aheadOf(preparing, mix, windows, begun);
  const todoMs = preparing.reduce((ms, s) => ms + (s.doneAt === null ? workedMs(s) : 0), 0);
  const prepared = prepareApart && todoMs > 0 ? attempt(() => overDays(windows, Hands.of(), begun, todoMs)) : null;
  return {
    sheet,
    thermal,
    windows,
    fromMs,
    toMs: lastStart,
    prepareMin,
    prepareApart,
    ...(ahead ? { ahead } : {}),
    readyMs: prepared?.ok ? prepared.value.at(-1)!.toMs : begun + todoMs,
    // Lifts that wait for each other are not one placing: the first decides.
    placeMin: firstPlaced ? (firstPlaced.endMs - mix.startMs) / MIN_MS : 30,
    blockMin,
    overtimeMin: first!.piece.overtimeMin,
    // A large pot warms itself: it needs a sheet’s life that is longer by as much as its own is shorter.
    potMin: Math.max(potMinOf(first!, mix), closingMs(first!, first!.piece.settings) / MIN_MS) / share,
    // Where a wait has no time nobody can say when it is ready.
    serves: untold ? null : plan.serves,
    wantedAt: untold ? null : job.wantedAt,
    ...(known
      ? {
          opensFrom: kept((mixMs) =>
            // Mixed as planned it is open when the plan says, also where it is prepared among others long before.
            sharesHands(plan) && Math.abs(mixMs - mix.startMs) < STEP_MS
              ? plan.openMs
              : (opensFrom(
                  plan,
                  preparedFrom({ windows, prepareMin, prepareApart, ...(ahead ? { ahead } : {}) }, mixMs),
                ) ?? null),
          ),
        }
      : {}),
  };
}
