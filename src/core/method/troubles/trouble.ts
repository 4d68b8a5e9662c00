import { type Binder, FAMILIES, type MilestoneId, type Mixing, type SheetRevision, systemKind } from '../../system';
import type { EngineId } from '../engines';
import type { Method } from '../method';
import type { Role } from '../task';

/** What a trouble does to the plan from here. */
export const TROUBLE_EFFECTS = [
  /** The batch in hand is mixed again from new material. */
  'redo-batch',
  /** So much is mixed and placed besides; what was finished or tested is done again after it. */
  'more-material',
  /** The hold counts from now. */
  'restart-hold',
  /** The base is dried and checked again before anything more is placed. */
  'redo-preparation',
  /** What was done to the surface is done again. */
  'redo-finish',
  /** Everything of the pass is done again, from the preparation. */
  'redo-pass',
  /** Fewer place from now on: what is under way takes longer, and so does what follows. */
  'fewer-hands',
  /** The work stops until a competent person has said that it may go on. */
  'review',
  /** It is recorded; the plan stays. */
  'none',
] as const;
export type TroubleEffect = (typeof TROUBLE_EFFECTS)[number];

/** Those by which material comes out or goes in, or its face is worked: what lies on it is done again as well. */
export const OPENS_AGAIN: ReadonlySet<TroubleEffect> = new Set([
  'redo-batch',
  'more-material',
  'redo-pass',
  'redo-finish',
]);

/** What is done to a face that got wet or dirty, before anything more is placed on it. */
export type FaceAgain = 'dry' | 'clean' | 'abrade';

/** What a trouble does, in a plan and a record; what is said of it stands in `advice`, loaded where it is asked for. */
export interface TroubleAnswer {
  readonly effect: TroubleEffect;
  /** What is done again to the face, in order; to abrade it, what is wet on it sets first. */
  readonly face?: readonly FaceAgain[];
  /** A primer was wet: it serves no more, and what is mixed to go on it does not wait until it has set. */
  readonly primer?: true;
  /** What is mixed besides goes on once what lies there has set, and is abraded. */
  readonly onceSet?: true;
  /** What had been placed of the batch in hand stays: only the rest of it is mixed again. */
  readonly keepsPlaced?: true;
  /** It mostly befalls one of several like places, and not all of them. */
  readonly local?: true;
  /** What the work stands for, where it stands until somebody answerable has spoken. */
  readonly waitsFor?: string;
}

/** One of several things that the same trouble can be, told apart by a sign. */
export interface Sign extends TroubleAnswer {
  readonly id: string;
  readonly sign: string;
  /** Only where the method does such work, or where that can be wet. */
  readonly where?: Role;
}

/** Something that went wrong. */
export interface Trouble {
  readonly id: string;
  readonly label: string;
  /** Engines and methods it can befall; every one where none is named. */
  readonly engines?: readonly EngineId[];
  readonly methods?: readonly string[];
  /** What it can befall: how that leaves its packs, and what binds it; anything where nothing is said. */
  readonly out?: readonly Mixing[];
  readonly binder?: readonly Binder[];
  /** Kinds of work under which, or right after which, it shows. */
  readonly during: readonly Role[];
  /** Working times within which it is put right as told: the first of them that the sheet has. */
  readonly until?: readonly MilestoneId[];
  /** It befalls one of several like parts: what is missing is what one of them takes. */
  readonly ofPart?: true;
  /** What it is when the time of a pot is over and some of it is not in its place. */
  readonly ofDeadPot?: true;
  /** One answer, or one for each of the signs that tell its causes apart. */
  readonly answers: TroubleAnswer | readonly Sign[];
  /** What it was in records of earlier versions, which name no sign. */
  readonly unsigned?: TroubleAnswer;
}

/** The signs that must be told apart first; null where one answer serves. @param method those that it can show alone */
export const signsOf = (trouble: Trouble, method?: Pick<Method, 'tasks'>): readonly Sign[] | null =>
  'effect' in trouble.answers
    ? null
    : trouble.answers.filter(({ where }) => !method || !where || method.tasks.some((t) => t.role === where));

/**
 * The answer to a trouble. @param sign which of its signs was found; null where it has none. @returns null while that
 * is not known
 */
export const answerTo = (trouble: Trouble, sign: string | null | undefined): TroubleAnswer | null =>
  'effect' in trouble.answers ? trouble.answers : (trouble.answers.find((s) => s.id === sign) ?? null);

/** The answer to a trouble as a record has it, also to one that named no sign yet. */
export const answerOnRecord = (trouble: Trouble, sign: string | null | undefined): TroubleAnswer | null =>
  answerTo(trouble, sign) ?? trouble.unsigned ?? null;

/** A material, as far as its troubles go by it. */
type Material = Pick<SheetRevision, 'kind' | 'family'>;

/** Whether a trouble can befall a method done with a material; null while that is not chosen. */
export function befalls({ engines, methods, out, binder }: Trouble, method: Method, of: Material | null): boolean {
  const work = (!engines && !methods) || engines?.includes(method.engine) || methods?.includes(method.id) || false;
  if (!work || !of) return work;
  return (!out || out.includes(systemKind(of.kind).mixing)) && (!binder || binder.includes(FAMILIES[of.family].binder));
}

/**
 * Troubles as they are offered: those of this method at this moment, those it can have at another, and what it has not.
 * @param of what it is done with
 * @param role what is being done; null before the work and after its last step
 */
export function troublesHere(
  all: readonly Trouble[],
  method: Method,
  of: Material | null,
  role: Role | null,
): { readonly now: readonly Trouble[]; readonly other: readonly Trouble[]; readonly foreign: readonly Trouble[] } {
  const mine = all.filter((t) => befalls(t, method, of));
  const isNow = (t: Trouble) => role !== null && t.during.includes(role);
  return {
    now: mine.filter(isNow),
    other: mine.filter((t) => !isNow(t)),
    foreign: all.filter((t) => !befalls(t, method, of)),
  };
}
