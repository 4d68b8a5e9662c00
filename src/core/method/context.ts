import type { Batch, Ingredient, Instrument, Portion } from '../mix';
import type { Value } from '../say';
import type { BaseMaterial, SheetRevision } from '../system';
import { placesIn, type SettingOut, standApart, type Void, type VoidResult, type VoidShape } from '../void';
import type { Effects, Option } from './effects';

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

/**
 * An inspection question. `wants` is the answer that lets the repair go on; the other one (or unsure) yields the
 * finding.
 */
export interface Question {
  readonly id: string;
  readonly ask: string;
  readonly wants: 'yes' | 'no';
  /** The bases it is asked of; of all of them where it does not say. */
  readonly on?: readonly BaseMaterial[];
  /** It is asked of the face of a pass below as well, and not of the bare base alone. */
  readonly onFace?: true;
  /** What the sheet says of the case that is not wanted, where sheets allow it; null where this one is silent. */
  readonly allows?: (sheet: SheetRevision) => Allowed | null;
  readonly otherwise: {
    readonly severity: 'stop' | 'caution';
    readonly title: string;
    readonly why: string;
    readonly todo: string;
  };
}

/** A case that a sheet excludes, or allows when everything waits so many times as long. */
export type Allowed = 'no' | { readonly times: number };

/** A matter in which good practitioners disagree: options with what they bring about, when each fits, a default. */
export interface School {
  readonly id: string;
  readonly matter: string;
  readonly stage: Stage;
  readonly options: readonly Option[];
  readonly byDefault: string;
  /** What nobody has to choose otherwise of a system like that; absent where it is the default of all of them. */
  readonly usual?: (sheet: SheetRevision) => string;
  readonly why: string;
  /** It is about what is mixed in a pot: nobody is asked who presses it through a mixer. */
  readonly ofPots?: true;
}

/** A figure of the method that the technician may set: a rate, an allowance. */
export interface Setting {
  readonly id: string;
  readonly label: string;
  readonly kind:
    | 'percent'
    | 'length'
    | 'duration'
    | 'rate'
    | 'uptake'
    | 'run-uptake'
    | 'spread'
    | 'areal'
    | 'volume'
    | 'area'
    | 'area-rate'
    | 'speed'
    | 'evaporation'
    | 'temperature'
    | 'count';
  readonly byDefault: number;
  /** What is usual with one system where that is another: nobody presses a paste into a mould bead by bead. */
  readonly usual?: (sheet: SheetRevision) => number;
  readonly min: number;
  readonly max: number;
  readonly stage: Stage;
  /** Whether anything asks for it by what is chosen, and by the system where one is; always, where it is not said. */
  readonly when?: (e: Effects, sheet: SheetRevision | null) => boolean;
  /** Whether what was measured leaves it open; always, where it is not said. */
  readonly openIn?: (v: Void) => boolean;
}

/** What a setting is where nobody typed it. @param sheet of the system, where one is chosen */
export const usualOf = (
  { usual, byDefault }: Pick<Setting, 'usual' | 'byDefault'>,
  sheet: SheetRevision | null,
): number => (sheet && usual?.(sheet)) ?? byDefault;

/** What a method sets of its engine; what it does not name is as the engine usually has it. */
export interface EngineParams {
  /** Fill: a tight skim of so much is pressed in first, over the whole face. The setting that holds its thickness. */
  readonly skim?: string;
  /** Fill: layers follow the floor, each of the same amount, instead of lying level on each other. */
  readonly conformal?: true;
  /** Fill: too narrow for its depth to matter: it goes in at once, whatever the lift of the sheet. */
  readonly narrow?: true;
  /** Fill: a hole up to so wide goes in at once, however deep it is. The setting that holds the width. */
  readonly straight?: string;
  /** Fill: it sets under film, pressed flat. */
  readonly underFilm?: true;
  /** Fill: how much thicker the first lift is than an even one, %. The setting that holds it. */
  readonly lead?: string;
  /** Fill: what a line that is filled is called where it is no crack. */
  readonly line?: 'joint';
  /** Fill: each whole kit is mixed in its own pail and used up before the next. */
  readonly ownPails?: true;
  /** Fill: each like place is mixed by itself, unless somebody is quick enough for two. */
  readonly byPlace?: true;
  /** Spread: one area after another, each no larger than is covered in its open time. */
  readonly rolling?: true;
  /** Spread: the optional task between spreading and closing; the setting of its name holds its minutes. */
  readonly alsoCloses?: string;
  /** Spread: each part is checked once it is closed, before the next is spread: the factor that holds its minutes. */
  readonly thenChecked?: string;
  /** Coat: too thin to be measured: it takes what the sheet says it covers, where that is stated. */
  readonly byCoverage?: true;
  /** Coat: it is put on until the face takes no more, and what each round took is written down. */
  readonly toRefusal?: true;
  /**
   * Pour: each of several like places is filled and seen to before the next: the minutes that takes at one; null where
   * what is over of a kit goes on into the next.
   */
  readonly placeByPlace?: (c: MethodContext) => number | null;
  /** Pour: what is primed is poured on while it is wet or tacky: the setting that holds how long. */
  readonly primed?: string;
  /** Pour: what is poured is weighed out as it is needed, not a kit in each pail. */
  readonly weighed?: true;
}

/** A mixer that another repair of the job leaves on the pack, still good when this one begins. */
export interface MixerOn {
  readonly repairId: string;
  readonly name: string;
  /** When resin last moved in it. */
  readonly pressedMs: number;
}

/** What the rows of a method see. */
export interface MethodContext {
  readonly params: EngineParams;
  /** Areas that are each covered in their open time, where the work rolls on; 1 where it does not. */
  readonly areas: number;
  readonly sheet: SheetRevision;
  /** What its mix is made of, each thing as it is measured out by itself. */
  readonly ingredients: readonly Ingredient[];
  /** What parts are measured with at the bench. */
  readonly instrument: Instrument;
  /** What a kit makes where kits stay whole, mL; null where they are parted by weighing. */
  readonly kitMl: number | null;
  readonly void: Void;
  /** Places of unlike size are one part: so in work that was begun before each was one of its own. */
  readonly unlikeAsOne?: boolean;
  readonly measured: VoidResult;
  readonly settingOut: SettingOut | null;
  readonly base: BaseMaterial;
  /** Thickness of a lift as chosen, mm; null takes the sheet's. */
  readonly liftMm: number | null;
  /** Grits of one's own for bringing the surface back; null where the ladder is worked out. */
  readonly grits: string | null;
  /** Pairs of hands that place side by side. */
  readonly crew: number;
  /** It goes on the face of a pass below, and not on the bare base. */
  readonly onFace: boolean;
  /** The mixer it is pressed on with; null where it begins with a fresh one. */
  readonly mixerOn: MixerOn | null;
  readonly effects: Effects;
  /** Every setting and every factor of the method, in the core unit of its kind. */
  readonly settings: Readonly<Record<string, number>>;
  /** A strip lies in what was measured alone: so in work that was begun before its bed was reckoned. */
  readonly bedAsMeasured?: boolean;
  /** A joint is filled as deep as it was measured: so in work that was begun before a rod stood under it. */
  readonly jointAsMeasured?: boolean;
  /** Of a surplus of ours, what goes into a void that is larger than was measured, mL. */
  readonly spareMl?: number;
}

export interface StepContext extends MethodContext {
  readonly batches: readonly Batch[];
  readonly portions: readonly Portion[];
  /** Faces that are bared in turn are wiped in each: not so in work that was begun before that was planned. */
  readonly wipedOnce?: boolean;
  /** Dry work is done by one, however many there are: so in work that was begun before it was shared out. */
  readonly workedAlone?: boolean;
}

/** What the rows of one batch, and of one of several like parts, see; of a task of the whole pass there is none. */
export interface TaskContext extends StepContext {
  readonly batch: Batch | null;
  /** From 0; null where the work is one. */
  readonly part?: number | null;
}

/** What stands in a gap of the words of a task. */
export type Gap = (c: TaskContext) => Value;

/** A setting or factor of the pass. @throws RangeError for one the method does not have */
export function settingIn(c: Pick<MethodContext, 'settings'>, id: string): number {
  const value = Object.hasOwn(c.settings, id) ? c.settings[id] : undefined;
  if (value === undefined) throw new RangeError(`unknown setting: ${id}`);
  return value;
}

/** How many parts the work has, one after the other: areas of one face, or places. */
export const partsIn = ({ areas, unlikeAsOne, void: v }: Parted): number =>
  areas > 1 ? areas : unlikeAsOne ? v.count : placesIn(v);
type Parted = Pick<MethodContext, 'areas' | 'void' | 'unlikeAsOne'>;

/** What each part has of all of them, in their order, by what its shapes measure; they sum up to 1. */
export function partShares(c: Parted, measure: (shape: VoidShape) => number): readonly number[] {
  const n = partsIn(c);
  const each = c.areas > 1 || c.unlikeAsOne || !standApart(c.void) ? [1] : c.void.shapes.map(measure);
  const all = (n / each.length) * each.reduce((sum, of) => sum + of, 0);
  return Array.from({ length: n }, (_, part) => (all > 0 ? each[part % each.length]! / all : 1 / n));
}

/** Whether a batch is the first that lies on its part, or on the whole where the work is one. */
export function beginsPart({ batch, batches, part }: TaskContext): boolean {
  if (!batch || batch.remade) return true;
  const serves = ({ fromTo, remade }: Batch) =>
    !remade && (part == null || !fromTo || (part >= fromTo[0] - 1 && part < fromTo[1]));
  return batches.find(serves)?.index === batch.index;
}
