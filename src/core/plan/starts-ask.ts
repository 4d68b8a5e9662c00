import { vesselMassG } from '../mix';
import { attempt } from '../say';
import { milestoneOf } from '../system';
import { firstRest, tears } from './blocks';
import { longestMs, overDays, type Window } from './calendar';
import { Hands } from './hands';
import { opensFrom, sharesHands } from './plan-chain';
import { type ChainPlan, type PlannedStep, spotBySpot } from './repair-plan';
import { preparedFrom, type StartsAsk } from './start-windows';
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

/** Of steps that belong together, what is done before their first rest, where they are longer than a day. */
const untilRest = (together: readonly PlannedStep[]): readonly PlannedStep[] =>
  together.some((s) => s.rested) ? together.slice(0, firstRest(together, 0, together.length, workedMs)) : together;

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
  const known = plan.stop === null && opensFrom(plan, mix.startMs) !== undefined;
  const firstPlaced = steps.find((s) => s.batch === 0 && s.marks?.end?.includes('placed'));
  const after = steps.slice(steps.indexOf(mix));
  const torn = after.findIndex((s, i) => i > 0 && (s.block !== mix.block || tears(s)));
  const together = untilRest(torn < 0 ? after : after.slice(0, torn));
  const blockMin = ((together.at(-1) ?? mix).endMs - mix.startMs) / MIN_MS;
  // What no day holds is prepared on the days before the one it is mixed on.
  const prepareApart = prepareMin + blockMin > longestMs(windows) / MIN_MS;
  const begun = Math.max(nowMs, job.startFrom);
  const todoMs = preparing.reduce((ms, s) => ms + (s.doneAt === null ? workedMs(s) : 0), 0);
  const prepared = prepareApart && todoMs > 0 ? attempt(() => overDays(windows, Hands.of(), begun, todoMs)) : null;
  // A pot that counts from the end of mixing, or of its standing, does not live through those.
  const useBy = milestoneOf(sheet, 'use-by');
  const livesFrom = steps.find((s) => s.batch === 0 && useBy && s.marks?.end?.includes(useBy.startsAt));
  const potFromMs = useBy?.startsAt === 'mix-begins' || !livesFrom ? mix.startMs : livesFrom.endMs;
  return {
    sheet,
    thermal,
    windows,
    fromMs,
    toMs: lastStart,
    prepareMin,
    prepareApart,
    readyMs: prepared?.ok ? prepared.value.at(-1)!.toMs : begun + todoMs,
    // Lifts that wait for each other are not one placing: the first decides.
    placeMin: firstPlaced ? (firstPlaced.endMs - mix.startMs) / MIN_MS : 30,
    blockMin,
    overtimeMin: first!.piece.overtimeMin,
    // A large pot warms itself: it needs a sheet’s life that is longer by as much as its own is shorter. Batches are
    // measured to the pot as long as they take: that steps are planned in whole minutes kills none.
    // What is worked where it comes out of the mixer waits for nothing.
    potMin:
      firstPlaced && !spotBySpot(first!)
        ? Math.max(0, (firstPlaced.endMs - potFromMs) / MIN_MS - roundedMin(steps, mix, firstPlaced)) / share
        : 0,
    // Where a wait has no time nobody can say when it is ready.
    serves: plan.stop ? null : plan.serves,
    wantedAt: plan.stop ? null : job.wantedAt,
    ...(known
      ? {
          opensFrom: kept((mixMs) =>
            // Mixed as planned it is open when the plan says, also where it is prepared among others long before.
            sharesHands(plan) && Math.abs(mixMs - mix.startMs) < STEP_MS
              ? plan.openMs
              : (opensFrom(plan, preparedFrom({ windows, prepareMin, prepareApart }, mixMs)) ?? null),
          ),
        }
      : {}),
  };
}
