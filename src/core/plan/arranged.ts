import { valueAt } from '../climate';
import { attempt } from '../say';
import type { MilestoneId } from '../system';
import { windowsOver } from './calendar';
import type { Job } from './job';
import { overLast } from './over-last';
import type { PlannedStep, RepairPlan } from './repair-plan';

/** What a plan counts on that somebody has to see to beforehand. */
export type Arranged =
  | {
      readonly what: 'cover';
      /** By when it is up and on; null where it stands already. */
      readonly byMs: number | null;
      /** Until when it is wanted; null where nobody can say. */
      readonly untilMs: number | null;
      readonly warmK: number;
      /** It is on day and night. */
      readonly always: boolean;
    }
  | {
      readonly what: 'kept';
      /** By when the closed packs are there; null where that is at once. */
      readonly byMs: number | null;
      readonly untilMs: number;
      readonly tempC: number;
      /** The air in which they would stand else, when the first of them is mixed. */
      readonly airC: number;
    };

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** A tent is not taken off the minute it gels. */
export const SPARE_MS = 2 * HOUR_MS;
/** Closed packs take a night to come to another temperature; within so much of the air nobody moves them, K. */
const NIGHT_MS = 8 * HOUR_MS;
const AS_THE_AIR_K = 3;
/** They are brought there before the day is over. */
const BRING_MS = HOUR_MS / 2;

const mixes = (s: PlannedStep): boolean => s.marks?.begin?.includes('mix-begins') === true;

/** Until when a face is kept warm: until it has gelled, with something to spare, or holds; else until it is opened. */
function keptUntil({ milestones, openMs }: RepairPlan): number | null {
  const set = (kind: MilestoneId) => overLast(milestones, kind)?.planMs ?? null;
  const gel = set('gel') ?? set('release');
  return gel === null ? openMs : gel + SPARE_MS;
}

/** The last working day before a night in which packs come to their temperature. */
function evening(job: Pick<Job, 'zone' | 'workingHours'>, mixMs: number, nowMs: number): number | null {
  const days = attempt(() => windowsOver(job, mixMs - 7 * DAY_MS, mixMs));
  const last = days.ok ? days.value.findLast((w) => w.toMs <= mixMs - NIGHT_MS) : undefined;
  const byMs = last ? last.toMs - BRING_MS : null;
  return byMs !== null && byMs >= nowMs ? byMs : null;
}

/** What a pass counts on beforehand, as long as it is still to be done. */
export function arranged(
  pass: RepairPlan,
  job: Pick<Job, 'zone' | 'workingHours'>,
  nowMs: number,
): readonly Arranged[] {
  const { thermal, piece, steps } = pass;
  const { cover } = piece.base.surroundings;
  const mixing = steps.filter((s) => mixes(s) && s.doneAt === null);
  const out: Arranged[] = [];
  const untilMs = keptUntil(pass);
  const goesOn = untilMs === null ? mixing.length > 0 : untilMs > nowMs;
  // A base whose temperature is known is as warm as it is known to be.
  if (thermal && cover && cover.warmK > 0 && steps.length && goesOn && !piece.base.known.length) {
    const always = cover.fromHour <= 0 && cover.toHour >= 24;
    out.push({ what: 'cover', byMs: cover.upMs ?? null, untilMs, warmK: cover.warmK, always });
  }
  // Once the first is mixed they are there.
  const first = steps.find(mixes);
  const held = piece.materialC;
  if (thermal && first && held !== null && first.begunAt === null && first.doneAt === null) {
    const air = attempt(() => valueAt(thermal.air, first.startMs));
    if (air.ok && Math.abs(held - air.value) > AS_THE_AIR_K)
      out.push({
        what: 'kept',
        byMs: evening(job, first.startMs, nowMs),
        untilMs: mixing.at(-1)!.startMs,
        tempC: held,
        airC: air.value,
      });
  }
  return out;
}
