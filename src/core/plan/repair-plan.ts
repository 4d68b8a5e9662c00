import { dequal } from 'dequal';
import type { HeatCell } from '../cure';
import {
  type Answer,
  defaultSchools,
  ENGINES,
  factorsOf,
  type Method,
  type MethodContext,
  type MixerOn,
  type Question,
  type StepDraft,
  settingIn,
  usualOf,
} from '../method';
import type { Batch, MixResult } from '../mix';
import { type Problem, refuse, type Said, texts } from '../say';
import { isMetered, type Kit, type MilestoneId, type SheetRevision } from '../system';
import type { VoidResult } from '../void';
import type { Actuals } from './actuals';
import type { DayEnd, Window } from './calendar';
import type { Hands } from './hands';
import type { Job } from './job';
import type { MilestoneTime } from './milestone-times';
import type { SheetHeat } from './pots';
import type { Piece } from './repair';
import type { PlanStop } from './stand-in';
import type { Thermal } from './thermal';
import type { NotBefore, ToolHold, ToolLack, ToolWait } from './tools';

const REFUSED = texts('refused.plan.repair-plan', {
  'work-takes-time': 'Work takes time: minutes and rates are more than nought.',
});

/** A window that closed before a step came. */
export interface MissedWindow {
  readonly kind: MilestoneId;
  /** When it opened; null where that is not known or was at once. */
  readonly fromMs: number | null;
  readonly untilMs: number;
  /** It was open only while nobody works. */
  readonly whileClosed: boolean;
  /** When mixing would have to begin at the latest to come inside; null where that is not a matter of mixing. */
  readonly mixByMs: number | null;
}

/** A step with its time. */
export interface PlannedStep extends StepDraft {
  readonly passId: string;
  readonly startMs: number;
  readonly endMs: number;
  readonly begunAt: number | null;
  readonly doneAt: number | null;
  /** Why it could not start sooner. */
  readonly forcedBy: 'before' | 'crew or hours' | 'sheet' | 'chosen' | 'eve' | 'now' | 'tools';
  /** Where something keeps it longer than the sheet does, the hours of the crew most often: until when that does. */
  readonly heldUntilMs?: number;
  /** It begins after the window it should have met; the way out is part of its detail. */
  readonly lateFor: MilestoneId | null;
  /** By how much, ms; nought where it is not late. */
  readonly lateMs: number;
  /** The window it makes up for where it was missed. */
  readonly missed: MissedWindow | null;
  /** The window on the pass below that it begins in: until when. */
  readonly insideUntilMs: number | null;
  /** Until when it has to be begun, or done, by the working time it is bound to; null where it is bound to none. */
  readonly dueMs: number | null;
  /** How it, with what belongs to it, lies to the end of the working day; null where that decides nothing. */
  readonly dayEnd: DayEnd | null;
  /** When it is tried by touch before the sheet says it holds, hour by hour. */
  readonly tries?: readonly number[];
  /** When it is worked at, where it is longer than a working day and rests at night. */
  readonly days?: readonly Window[];
  /** The work before it rests until it begins, dry or wet: it was longer than a working day. */
  readonly rested?: NonNullable<StepDraft['afterRest']>;
}

export type CureState = 'liquid' | 'gelled' | 'hardening' | 'set';

export interface RepairPlan {
  readonly repairId: string;
  readonly passId: string;
  /** What was planned: the pass, with the void it takes worked out. */
  readonly piece: Piece;
  readonly method: Method | null;
  readonly sheet: SheetRevision | null;
  readonly kit: Kit | null;
  readonly open: Readonly<Partial<Record<'inspect' | 'measure' | 'material' | 'mix' | 'place', readonly Said[]>>>;
  readonly problems: readonly (Problem & { readonly stage: 'measure' | 'material' | 'mix' | 'place' })[];
  readonly unanswered: readonly Question[];
  readonly void: VoidResult | null;
  readonly context: MethodContext | null;
  readonly usableMin: number | null;
  readonly potC: number | null;
  /** How much of the sheet's pot life is left to a pot of so much mass; null where that is not estimated. */
  readonly pot: PotEstimate | null;
  readonly mix: MixResult | null;
  readonly batches: readonly Batch[];
  readonly steps: readonly PlannedStep[];
  /** Where the plan stops for want of a time; null where every wait is known. */
  readonly stop: PlanStop | null;
  /** Steps behind that, which have no time. */
  readonly untimed: readonly StepDraft[];
  readonly milestones: readonly MilestoneTime[];
  /** The milestone that opens it, by choice or method; null when the sheet has none. */
  readonly serves: MilestoneId | null;
  /** When the last placing that has a time is done; of the whole only where {@link wholePlaced}. */
  readonly placedMs: number | null;
  readonly openMs: number | null;
  readonly habitMs: number | null;
  readonly inHandMin: number | null;
  readonly band: readonly { readonly state: CureState; readonly fromMs: number; readonly toMs: number }[];
  readonly thermal: Thermal | null;
  readonly overruns: boolean;
  /** What it needs of the tools of the site that is not there. */
  readonly lacks: readonly ToolLack[];
  /** What of them it had to wait for. */
  readonly awaits: readonly ToolWait[];
}

/** A repair as planned: all its passes on one clock. What belongs to one pass alone is that of the last. */
export interface ChainPlan extends RepairPlan {
  /** In the order they are worked. */
  readonly passes: readonly RepairPlan[];
  /** What it holds of the tools of the site. */
  readonly holds: readonly ToolHold[];
}

/** Whether all that is placed has a time: else what counts from the last placing cannot be told. */
export const wholePlaced = ({ untimed }: Pick<RepairPlan, 'untimed'>): boolean =>
  !untimed.some((d) => d.marks?.end?.includes('placed'));

/** Self-heating of the pots of a plan, read from a prepared table. */
export interface PotEstimate {
  readonly referenceG: number;
  /** False where the sheet names no mass and a usual one is assumed. */
  readonly referenceStated: boolean;
  /** Whether fillers of one's own are in it, which the estimate leaves out. */
  readonly filled: boolean;
  /** Whether so much mix lies beyond the prepared table, where its safe neighbour holds. */
  readonly beyond: (massG: number) => boolean;
  /** Share of the sheet's pot life, 0 to 1, of so much mix in one pot, g; null where it never dies within two days. */
  readonly shareOf: (massG: number) => number | null;
  /** What becomes of so much mix that is left in its pot. */
  readonly leftAlone: (massG: number) => HeatCell | null;
  /**
   * What a lift of so many mm becomes on the base at a temperature, and a little thicker and warmer; null where that is
   * not prepared.
   */
  readonly lift: (thicknessMm: number, tempC: number) => { readonly likely: LiftHeat; readonly worse: LiftHeat } | null;
}

/** How hot a lift gets. */
export type LiftHeat = Pick<HeatCell, 'peakC' | 'verdict'>;

export interface RepairAsk {
  readonly job: Job;
  readonly repair: Piece;
  readonly sheet: SheetRevision | null;
  readonly thermal: Thermal;
  readonly windows: readonly Window[];
  /** Hands-on stretches of the crew so far. */
  readonly hands: Hands;
  /** What cannot begin sooner because too few tools are left; absent where nothing waits for that. */
  readonly notBefore?: NotBefore;
  readonly actuals: Actuals;
  readonly nowMs: number;
  /** Another repair of the job is begun: somebody is at work. */
  readonly underWay?: boolean;
  /** The mixer of another repair that it is pressed on with; absent where it begins with a fresh one. */
  readonly mixerOn?: MixerOn;
  /** The prepared pots of the sheet, where there are any. */
  readonly pots: SheetHeat | null;
}

/** Whether two are asked of the same job, sheet, temperatures and hours, whatever happened in them. */
export const sameAsk = (was: Omit<RepairAsk, 'hands'>, now: Omit<RepairAsk, 'hands'>): boolean =>
  was.job === now.job &&
  was.sheet === now.sheet &&
  was.thermal === now.thermal &&
  was.windows === now.windows &&
  was.nowMs === now.nowMs &&
  was.underWay === now.underWay &&
  dequal(was.mixerOn, now.mixerOn) &&
  was.notBefore === now.notBefore &&
  was.pots === now.pots;

export const schoolsOf = (
  method: Method,
  repair: Piece,
  sheet: SheetRevision | null = null,
): Record<string, string> => ({
  ...defaultSchools(method, sheet),
  ...repair.schools,
});

/**
 * Every setting and factor of a method as the repair has them, in the core unit of its kind.
 * @param sheet of the system it is planned with: some figures that nobody typed hang on it
 * @throws Refusal for minutes or a rate of nought or below
 */
export function settingsOf(
  method: Method,
  repair: Pick<Piece, 'settings'>,
  sheet: SheetRevision | null = null,
): Readonly<Record<string, number>> {
  const hanging = sheet ? method.settings.filter((s) => s.usual && !Object.hasOwn(repair.settings, s.id)) : [];
  if (hanging.length)
    return {
      ...settingsOf(method, repair),
      ...Object.fromEntries(hanging.map((s) => [s.id, usualOf(s, sheet)])),
    };
  const known = gathered.get(repair.settings)?.get(method);
  if (known) return known;
  const own = (id: string, byDefault: number, counted: boolean) => {
    if (!Object.hasOwn(repair.settings, id)) return byDefault;
    const value = repair.settings[id]!;
    if (counted && !(value > 0)) refuse(`settings.${id}`, value, 'more than 0', REFUSED['work-takes-time']());
    return value;
  };
  const made: Record<string, number> = {};
  // What may be nought by the method itself (the way to the place) may be set to it.
  for (const { id, kind, byDefault, min } of method.settings)
    made[id] = own(id, byDefault, min > 0 && (kind === 'rate' || kind === 'area-rate' || kind === 'duration'));
  for (const { id, byDefault, formerly } of factorsOf(method))
    made[id] = own(
      id,
      formerly ? own(formerly.id, byDefault / formerly.times, true) * formerly.times : byDefault,
      true,
    );
  const of = gathered.get(repair.settings) ?? new Map<Method, Readonly<Record<string, number>>>();
  gathered.set(repair.settings, of);
  of.set(method, made);
  return made;
}
/** Drafts are immutable: the settings of each are gathered once. */
const gathered = new WeakMap<Piece['settings'], Map<Method, Readonly<Record<string, number>>>>();

/** One of them. @throws RangeError for one the method does not have */
export const settingOf = (
  method: Method,
  repair: Pick<Piece, 'settings'>,
  id: string,
  sheet: SheetRevision | null = null,
): number => settingIn({ settings: settingsOf(method, repair, sheet) }, id);

/** Answer of a question that lets the repair go on. */
export const passes = (q: Question, answer: Answer | undefined): boolean => answer === q.wants;

/** Why a competent person must look at it before it is released; null where nobody need. */
export const reviewOf = (repair: Piece, method: Method | null): string | null =>
  method?.review ??
  (repair.load
    ? 'A load was put down for it; the check here is plain arithmetic and no design.'
    : repair.safety.class === 'review'
      ? repair.safety.why || 'It was marked so.'
      : null);

/**
 * Whether each spot is done as it is pressed out, so that its working time is that of the spot and not of the whole.
 */
export const spotBySpot = ({ method, sheet }: Pick<RepairPlan, 'method' | 'sheet'>): boolean =>
  method !== null && sheet !== null && isMetered(sheet.kind) && ENGINES[method.engine].inLifts;

/** Whether it is pressed hole by hole, so that its batches are rounds. */
export const inRounds = ({ method, sheet }: Pick<RepairPlan, 'method' | 'sheet'>): boolean =>
  method !== null && sheet !== null && isMetered(sheet.kind) && ENGINES[method.engine].inRounds;
