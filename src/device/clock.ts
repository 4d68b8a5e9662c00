/** What a clock reads: the device's own time, and one that only ever runs on. */
export interface ClockSource {
  /** Epoch ms as the device shows it. */
  readonly wall: () => number;
  /** Milliseconds since some start, never set. */
  readonly mono: () => number;
}

/** What a clock leaves behind for the page that comes after it. */
export interface ClockMemory {
  /** Own time last seen, epoch ms. */
  readonly lastMs: number;
  /** How far the device's clock was ahead of the page's own time, ms, while nobody had said which is right. */
  readonly aheadMs: number;
}

export interface Clock {
  /** Own time, epoch ms: it runs on evenly, whatever is done to the device's clock. */
  now(): number;
  /** By how much the device's clock is ahead of own time, ms; 0 while they agree. */
  aheadMs(): number;
  /**
   * The later of own time and the device's, epoch ms: what a pot is judged by, which may have died while the device
   * slept.
   */
  latest(): number;
  /** The device's clock is right: own time follows it from here. */
  follow(): void;
  memory(): ClockMemory;
}

/** A clock set by less is being kept true, not set, ms. */
const SLACK_MS = 5000;

/**
 * A clock that notices when the device's clock jumps against the time that passes. It goes on by the time that passed
 * until somebody says that the device's clock is right: no wait ends early because a clock was set.
 *
 * A page that sleeps with its device looks the same as a clock set on, so a jump is a question, not a verdict.
 */
export function createClock({ wall, mono }: ClockSource, before: ClockMemory | null = null): Clock {
  let [atWall, atMono] = [wall(), mono()];
  // Set back while no page was open: own time never goes back. Ahead as it was left: still a question.
  let ahead = before ? Math.max(0, before.aheadMs) : 0;
  if (before && atWall - ahead < before.lastMs - SLACK_MS) ahead = atWall - before.lastMs;
  const look = (): number => {
    const [w, m] = [wall(), mono()];
    const jump = w - atWall - (m - atMono);
    if (Math.abs(jump) > SLACK_MS) ahead += jump;
    [atWall, atMono] = [w, m];
    return w;
  };
  return {
    now: () => Math.round(look() - ahead),
    aheadMs: () => {
      look();
      return Math.abs(ahead) > SLACK_MS ? ahead : 0;
    },
    latest: () => {
      const w = look();
      return Math.round(Math.max(w, w - ahead));
    },
    follow: () => {
      look();
      ahead = 0;
    },
    memory: () => ({ lastMs: look() - ahead, aheadMs: ahead }),
  };
}
