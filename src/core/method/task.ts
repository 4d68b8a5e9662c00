import { type Message, type Sayer, texts } from '../say';
import type { MilestoneId, StartId } from '../system';
import type { Stage, TaskContext } from './context';
import type { Driver } from './drivers';
import type { GritId } from './grits';
import type { LadderSpec } from './ladder';

/** What a task is for; it stands under the stage of its role. */
export type Role =
  | 'access'
  | 'prepare'
  | 'set-out'
  | 'prime'
  | 'mix'
  | 'place'
  | 'close'
  | 'hold'
  | 'finish'
  | 'refit'
  | 'test';
export const STAGE_OF: Readonly<Record<Role, Stage>> = {
  access: 'place',
  prepare: 'place',
  'set-out': 'place',
  prime: 'place',
  mix: 'mix',
  place: 'place',
  close: 'place',
  hold: 'hold',
  finish: 'finish',
  refit: 'finish',
  test: 'release',
};

/** Work that is not left as it is because the clock strikes, or another place waits. */
export const WET_ROLES: ReadonlySet<Role> = new Set(['set-out', 'prime', 'mix', 'place', 'close', 'hold']);

/**
 * Batches a wait or a window is about: the last of the pass to be over, whichever that is, this one, all that lie in the
 * joint of this part, or those of the lift below.
 */
export type On = 'last' | 'own' | 'all' | 'below';

/** What a task is done for: the whole pass, each batch, or each of several like parts of the work. */
export type Each = 'pass' | 'batch' | 'part';

/** Hands-on time: so many minutes, so many more for each of something, or by a rate of the method or of the sheet. */
export interface Work {
  readonly fixed?: number;
  /** However little there is of it, it takes so long, min. */
  readonly least?: number;
  readonly per?: Readonly<Partial<Record<Driver, number>>>;
  /** A setting of the method: a rate divides what there is among the hands, a duration is that for each place. */
  readonly by?: { readonly setting: string; readonly driver: Driver };
  readonly sheet?: (c: TaskContext) => number;
  /** What it was counted by in earlier versions: minutes typed then are so many times those of now. */
  readonly formerly?: { readonly per: Driver | null; readonly now: Driver; readonly times: number };
}

/** What a task throws about, and no wet face bears beside it. */
export type Throws = 'dust' | 'water';

/** One task of a method. */
export interface TaskRow {
  /** Unique within its method; the record names it. */
  readonly task: string;
  readonly role: Role;
  readonly each: Each;
  /**
   * Tasks of one block follow each other without a break: before anything wet, right before the first of it and with
   * it,
   * with the wet material, after it has set.
   */
  readonly block: 'prep' | 'first' | 'work' | 'finish';
  readonly say: Readonly<Record<'title' | 'detail' | 'confirm', Sayer>>;
  readonly work: Work;
  /** There only where a chosen option shows it. */
  readonly optional?: true;
  readonly when?: (c: TaskContext) => boolean;
  /** Its time is not rounded up to whole minutes: many like ones follow each other. */
  readonly exact?: true;
  /** Nothing goes on until it is ticked. */
  readonly hold?: true;
  /** Each of so many like places is ticked off by itself while it is done. */
  readonly counted?: true;
  /** It is tried each hour, from the soonest the sheet says in any weather. */
  readonly hourly?: true;
  /** Of the whole pass, or the whole part, and yet about the batch placed last. */
  readonly ofLast?: true;
  /** Before it, those that follow up to the next such are looked at: what would come too late is renewed first. */
  readonly looksAhead?: true;
  /** Instants that clocks count from; what closes all closes it for every batch in the joint. */
  readonly marks?: {
    readonly begin?: readonly StartId[];
    readonly end?: readonly StartId[];
    readonly closesAll?: true;
  };
  /** It may not begin before this milestone of these batches. */
  readonly waits?: {
    readonly for: MilestoneId;
    readonly on: On;
    readonly when?: (c: TaskContext) => boolean;
    /** Where a sheet does not print that time: the later ones that end the wait as well, the soonest first. */
    readonly orElse?: readonly MilestoneId[];
    /** What comes before it in its block is begun so early that it is ready when the wait ends. */
    readonly ahead?: true;
  };
  /** It should begin, or be done, before this milestone of any of these batches is over. */
  readonly within?: {
    readonly of: MilestoneId;
    /** What bounds it where the sheet is silent on that: silence is no leave. */
    readonly orElse?: MilestoneId;
    readonly on: On;
    readonly by: 'begin' | 'end';
    readonly when?: (c: TaskContext) => boolean;
  };
  /** What records of earlier versions name it, for the first batch alone or always. */
  readonly called?: { readonly as: string; readonly firstOnly?: true };
  /** It is done grit by grit: a step for each, the next when the scratches of the last are gone. */
  readonly ladder?: LadderSpec;
  readonly throws?: Throws;
  /** It belongs to the bare base: left out where the pass goes on the face of another. */
  readonly onBase?: true;
  /** It works over the face that a pass on top would cover. */
  readonly onFace?: OnFace;
}

/**
 * What becomes of it where another pass goes on that face. `set`: done before it where its gate waits for the set face,
 * and left out where it goes on within the window, without sanding. `always`: done before it by whatever gate; nothing
 * goes on a face that is still clamped, in its mould, or to be swept or trimmed. `freed`: done before it where its gate
 * waits for the set face, else when it comes off; a second pour stands in the dam of the first. `top`: left out, as it
 * would be covered.
 */
export type OnFace = 'set' | 'always' | 'freed' | 'top';

/** The name of what a task takes, in the settings of a repair: once, or for each of something. */
export const factorId = ({ task, called }: Pick<TaskRow, 'task' | 'called'>, per: Driver | null): string => {
  // Two rows of one name, one of them apart: each has its own minutes.
  const of = called?.firstOnly ? called.as : task;
  return per === null ? `${of} min` : `${of} min/${per}`;
};

/** A task as it is written down: its words are texts in ICU message syntax. */
export interface TaskText extends Omit<TaskRow, 'say' | 'each' | 'block'> {
  readonly each?: TaskRow['each'];
  readonly block?: TaskRow['block'];
  readonly title: string;
  readonly detail: string;
  readonly confirm: string;
}

/**
 * The tasks of one owner, their words registered.
 * @param owner the ids of the words begin with it
 */
export const tasks = (owner: string, rows: readonly TaskText[]): readonly TaskRow[] =>
  rows.map(({ title, detail, confirm, each = 'pass', block = 'prep', ...row }) => ({
    ...row,
    each,
    block,
    say: texts(`${owner}.${row.task}${row.called?.firstOnly ? '.apart' : ''}`, { title, detail, confirm }),
  }));

/**
 * Which task of a pass a step is: for which batch, for which of several like parts (from 0), and at which attempt after
 * it was lost.
 */
export interface StepKey {
  readonly task: string;
  readonly batch: number | null;
  readonly part?: number;
  readonly attempt: number;
}

/**
 * How the record names a step.
 * @example stepId({ task: 'mix', batch: 0, attempt: 2 }) // 'b1~2:mix'
 * @example stepId({ task: 'spread', batch: 0, part: 1, attempt: 1 }) // 'b1.2:spread'
 */
export function stepId({ task, batch, part = 0, attempt }: StepKey): string {
  const mark = `${part > 0 ? `.${part + 1}` : ''}${attempt > 1 ? `~${attempt}` : ''}`;
  if (batch !== null) return `b${batch + 1}${mark}:${task}`;
  const [head, ...rest] = task.split(':');
  return [`${head}${mark}`, ...rest].join(':');
}

/** Whether a step, named by its id, is of what is mixed: of a batch, not of the place it goes to. */
export const isOfBatch = (id: string): boolean => /^b\d/.test(id);

/**
 * Minutes a step is planned with: whole ones, rounded up. Nobody works to the second, and a hair more material moves
 * nobody's day.
 */
export const plannedMin = ({ exact, handsOnMin }: Pick<StepDraft, 'exact' | 'handsOnMin'>): number =>
  exact ? handsOnMin : Math.ceil(handsOnMin - 1e-9);

/** One step of the work before it has a time. */
export interface StepDraft {
  readonly key: StepKey;
  /** {@link stepId} of the key. */
  readonly id: string;
  readonly stage: Stage;
  readonly role: Role;
  readonly title: Message;
  readonly detail: Message;
  /** What the one large button says when it is done. */
  readonly confirm: Message;
  readonly handsOnMin: number;
  /** What of it goes by the number of hands, min; absent where more hands make it no shorter. */
  readonly sharedMin?: number;
  /** The factors and settings its time is made of, by their names in the settings of the repair. */
  readonly factors: readonly string[];
  readonly hold?: boolean;
  /** So many like places are ticked off one by one while it is done. */
  readonly counted?: number;
  /** Its time is not rounded up. */
  readonly exact?: boolean;
  /** It meets something that no other of its kind meets: it is never folded away with them. */
  readonly apart?: boolean;
  /** It works over the face that a pass on top would cover. */
  readonly onFace?: OnFace;
  readonly throws?: Throws;
  /** The abrasive of a rung of a ladder. */
  readonly grit?: GritId;
  /** What records of earlier versions call it. */
  readonly formerly?: string;
  readonly batch?: number;
  /** Which of several like parts it is about, from 0. */
  readonly part?: number;
  /** Batches in the joint that it closes; all of them where it is not said. */
  readonly joint?: readonly number[];
  readonly looksAhead?: boolean;
  /** Steps of one block follow each other without a break. */
  readonly block: string;
  /** Where it is longer than a working day it rests at night and goes on: nothing wet, and no clock, waits for it. */
  readonly dry?: boolean;
  /**
   * Where its block is longer than a working day the work may rest before it: between dry steps, or between two mixes
   * with nothing wet left open.
   */
  readonly afterRest?: 'dry' | 'wet';
  readonly marks?: TaskRow['marks'];
  /**
   * The step may not begin before this milestone of all these batches (or of the last one): a window opens by its last
   * place.
   */
  readonly waitFor?: {
    readonly kind: MilestoneId;
    readonly batches?: readonly number[];
    readonly ahead?: true;
    /** What would end the wait sooner, and has no time on the sheet. */
    readonly insteadOf?: MilestoneId;
  };
  /** It is tried each hour until it holds. */
  readonly hourly?: boolean;
  /** The same, of the pass below: when it may begin at the soonest, and until when it may go on it as it is. */
  readonly gate?: {
    readonly from: MilestoneId | null;
    readonly until: MilestoneId | null;
    /** What would let it begin sooner, and has no time on the sheet of the pass below. */
    readonly insteadOf?: MilestoneId;
  };
  /** Minutes to wait whatever the sheet says. */
  readonly waitMin?: number;
  /** Not before so long after another step of this pass has ended, min. */
  readonly lag?: { readonly after: string; readonly min: number };
  /** It gets something ready for a later step while that still waits. */
  readonly ahead?: true;
  /** Not more than a day before this is reached, where that is known: what is got ready does not keep for ever. */
  readonly eveOf?: StepDraft['waitFor'];
  /**
   * The step should begin, or be done, before this milestone of any of these batches (or of the last one) is over: a
   * window closes by its first place. Past it the way out is inserted.
   */
  readonly within?: { readonly kind: MilestoneId; readonly batches?: readonly number[]; readonly by: 'begin' | 'end' };
}
