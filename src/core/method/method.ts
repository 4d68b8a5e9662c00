import type { Allowance, Batch, Portion } from '../mix';
import type { BaseMaterial, MilestoneId, SheetRevision, StartId, SystemKindId } from '../system';
import type { SettingOut, ShapeId, Void, VoidResult } from '../void';

export type Stage = 'inspect' | 'measure' | 'material' | 'mix' | 'place' | 'hold' | 'finish' | 'release';
export const STAGES: readonly Stage[] = ['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release'];
export const STAGE_LABELS: Readonly<Record<Stage, string>> = {
  inspect: 'Inspect',
  measure: 'Measure',
  material: 'Material',
  mix: 'Mix',
  place: 'Place',
  hold: 'Hold',
  finish: 'Finish',
  release: 'Release',
};

export type Answer = 'yes' | 'no' | 'unsure';

/** An inspection question. `wants` is the answer that lets the repair go on; the other one (or unsure) yields the finding. */
export interface Question {
  readonly id: string;
  readonly ask: string;
  readonly wants: 'yes' | 'no';
  readonly otherwise: { readonly severity: 'stop' | 'caution'; readonly title: string; readonly why: string; readonly todo: string };
}

/** A matter in which good practitioners disagree: named options, when each fits, a default. */
export interface School {
  readonly id: string;
  readonly matter: string;
  readonly stage: Stage;
  readonly options: readonly { readonly id: string; readonly label: string; readonly fits: string }[];
  readonly byDefault: string;
  readonly why: string;
}

/** A figure of the method that the technician may set: a rate, an allowance. */
export interface Setting {
  readonly id: string;
  readonly label: string;
  readonly kind: 'percent' | 'length' | 'duration' | 'rate' | 'uptake';
  readonly byDefault: number;
  readonly min: number;
  readonly max: number;
  readonly stage: Stage;
}

/** What the method's rules see. */
export interface MethodContext {
  readonly sheet: SheetRevision;
  readonly void: Void;
  readonly measured: VoidResult;
  readonly settingOut: SettingOut | null;
  readonly base: BaseMaterial;
  /** Thickness of a lift as chosen, mm; null takes the sheet's. */
  readonly liftMm: number | null;
  /** Pairs of hands that place side by side. */
  readonly crew: number;
  readonly school: (id: string) => string;
  readonly setting: (id: string) => number;
}

export interface StepContext extends MethodContext {
  readonly batches: readonly Batch[];
  readonly portions: readonly Portion[];
}

/** One step of the work before it has a time. */
export interface StepDraft {
  /** Stable within a repair; attempts after trouble get a suffix. */
  readonly id: string;
  readonly stage: Stage;
  readonly title: string;
  readonly detail: string;
  readonly handsOnMin: number;
  /** What the one large button says when it is done. */
  readonly confirm: string;
  /** Nothing goes on until it is ticked. */
  readonly hold?: boolean;
  readonly batch?: number;
  /** Steps of one block follow each other without a break. */
  readonly block: string;
  /** Instants that clocks count from. */
  readonly marks?: { readonly begin?: readonly StartId[]; readonly end?: readonly StartId[] };
  /** The step may not begin before this milestone of all these batches (or of the last one): a window opens by its last place. */
  readonly waitFor?: { readonly kind: MilestoneId; readonly batches?: readonly number[] };
  /** Minutes to wait whatever the sheet says. */
  readonly waitMin?: number;
  /**
   * The step should begin, or be done, before this milestone of any of these batches (or of the last one) is over: a window closes by its
   * first place. Past it the way out is inserted.
   */
  readonly within?: { readonly kind: MilestoneId; readonly batches?: readonly number[]; readonly by: 'begin' | 'end' };
}

/** A repair method: data over one of a few engines. */
export interface Method {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly engine: 'anchor' | 'fill in lifts' | 'bond';
  readonly does: string;
  readonly bases: readonly BaseMaterial[];
  readonly shapes: readonly ShapeId[];
  /** A part is laid on the base, which follows the air by its own thickness: the setting that holds it. null where nothing is. */
  readonly laidOn: string | null;
  /** It has a place to be set out before anything irreversible. */
  readonly setsOut: boolean;
  readonly kinds: readonly SystemKindId[];
  readonly questions: readonly Question[];
  readonly schools: readonly School[];
  readonly settings: readonly Setting[];
  readonly preparation: readonly string[];
  readonly mistakes: readonly string[];
  readonly cautions: readonly string[];
  readonly tools: readonly string[];
  /** Checks before it is opened: touch, tap, tilt. */
  readonly tests: readonly { readonly id: string; readonly ask: string }[];
  readonly finishAnswer: string;
  /** Whether this kind of work always needs a competent person's review, and why. */
  readonly review: string | null;
  /** Milestone to wait for before it takes load, when nothing else is chosen. */
  readonly serves: MilestoneId;
  readonly allowances: (context: MethodContext) => readonly Allowance[];
  readonly portions: (context: MethodContext) => readonly Portion[];
  readonly steps: (context: StepContext) => readonly StepDraft[];
}

/** Default of each school of a method. */
export const defaultSchools = (method: Method): Record<string, string> =>
  Object.fromEntries(method.schools.map((school) => [school.id, school.byDefault]));
