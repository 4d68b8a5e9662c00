import type { ChainPlan, MilestoneTime, PlannedStep } from '@/core/plan';
import type { Said } from '@/core/say';

import { formatDuration, joined, lowered, phrase } from '@/words';
import { clock, countdown, dayAndClock, shortWhen } from '../shared/when';

/** What the pot shows as the clock. */
export interface PotShown {
  readonly big: string;
  readonly over: string;
  readonly of: string;
  readonly says: string;
  /** How much of it is left, or how far a wait has come. */
  readonly share: number;
  readonly mode: 'pot' | 'over' | 'wait' | 'idle' | 'set';
}

/** A clock that runs or a wait that is on, and what is left of it, ms. */
export interface Running {
  /** The working time that runs, and whether it is that of the pot. */
  readonly live: { readonly clock: MilestoneTime; readonly ofPot: boolean } | null;
  readonly wait: MilestoneTime | null;
  readonly left: number | null;
  readonly waitLeft: number | null;
}

/**
 * What is left on the clock that runs, or of the wait where none does.
 * @param spentMs the later of the times of day in doubt, for working times
 */
export function runningAt(
  live: Running['live'],
  wait: MilestoneTime | null,
  { nowMs, spentMs }: { readonly nowMs: number; readonly spentMs: number },
): Running {
  const left = live?.clock.planMs ? live.clock.planMs - spentMs : null;
  return { live, wait, left, waitLeft: !live && wait?.planMs ? wait.planMs - nowMs : null };
}

/** The words of the pot. @param o.standing what is said where no clock runs and nothing is waited for */
export function potShown(
  { live, wait, left, waitLeft }: Running,
  o: {
    readonly standing: string;
    readonly done: boolean;
    readonly openMs: number | null;
    readonly pot: string;
    readonly zone: string;
    readonly nowMs: number;
    /** What the core says, as its reader reads it. */
    readonly tell: (said: Said) => string;
  },
): PotShown {
  if (live && left !== null) {
    const { clock: on, ofPot } = live;
    const whole = on.planMs! - (on.originMs ?? on.planMs!);
    const of = lowered(on.label);
    const spent = left < 0;
    return {
      big: countdown(left),
      over: spent
        ? phrase`over ${ofPot ? 'the pot’s time' : of} by`
        : ofPot
          ? 'left in the pot'
          : phrase`left of ${of}`,
      of: on.originMs ? phrase`of ${formatDuration(whole / 60_000)}` : '',
      says: joined(
        [
          phrase`${ofPot ? 'dead' : 'over'} at ${clock(on.planMs!, o.zone)}`,
          ofPot ? phrase`pot ${o.pot}` : o.tell(on.sheetSays),
          ...(on.standing === 'estimated' ? ['estimated'] : []),
        ],
        ' · ',
      ),
      share: on.originMs ? Math.max(0, left / whole) : 0,
      mode: spent ? 'over' : 'pot',
    };
  }
  const says = wait?.planMs
    ? phrase`${wait.label} ${dayAndClock(wait.planMs, o.zone)}`
    : o.openMs !== null
      ? phrase`may be opened ${shortWhen(o.openMs, o.zone, o.nowMs)}`
      : '';
  if (wait?.planMs && waitLeft !== null)
    return {
      big: countdown(waitLeft),
      over: phrase`until ${lowered(wait.label)}`,
      of: '',
      says,
      share: wait.originMs ? 1 - Math.max(0, waitLeft / (wait.planMs - wait.originMs)) : 0,
      mode: 'wait',
    };
  return {
    big: o.done ? 'done' : '––:––',
    over: o.standing,
    of: '',
    says,
    share: 0,
    mode: o.done ? 'set' : 'idle',
  };
}

/** What is said where no clock runs. */
export const standingWords = ({
  started,
  step,
  stop,
}: {
  started: boolean;
  step: PlannedStep | undefined;
  stop: ChainPlan['stop'];
}): string => {
  if (!started) return 'not begun';
  if (step) return 'no clock runs';
  return stop ? phrase`no time for ${lowered(stop.label)}` : 'all steps are ticked';
};
