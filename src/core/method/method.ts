import type { Allowance } from '../mix';
import { type Message, refuse, texts } from '../say';
import { type BaseMaterial, type Kit, type MilestoneId, mayBeSplit, type SheetRevision, type StartId } from '../system';
import type { Drawing, Outline, ShapeId, VoidShape } from '../void';
import type { ConsumableRow } from './consumable';
import type { EngineParams, Gap, MethodContext, Question, School, Setting } from './context';
import { type Effects, effectsTogether } from './effects';
import type { EngineId } from './engines';
import type { Takes } from './takes';
import type { TaskRow } from './task';
import type { MethodTest } from './tests';

const REFUSED = texts('refused.method.method', {
  'no-choice': '“{id}” is no choice for “{matter}”. There are: {labels}.',
});

/** An allowance as a row: what it is, when it is there, how much. */
export interface AllowanceRow {
  readonly id: string;
  /** There only where a chosen option shows it. */
  readonly optional?: true;
  /** It is struck off again: where nobody chose how much, it gives way to what is in the packs. */
  readonly surplus?: true;
  readonly of: (c: MethodContext) => (Omit<Allowance, 'id' | 'voice'> & { readonly voice?: Allowance['voice'] }) | null;
}

/**
 * How long a prepared face stays good, by the dampness of the air: up to each humidity the minutes of a setting. A
 * sheet
 * that says so itself overrules it.
 */
export interface FaceKeeps {
  readonly startsAt: StartId;
  readonly upToPct: readonly number[];
  readonly settings: readonly string[];
}

/** A repair method: rows over one of a few engines. */
export interface Method {
  readonly id: string;
  readonly version: number;
  readonly label: string;
  readonly engine: EngineId;
  readonly does: string;
  readonly bases: readonly BaseMaterial[];
  readonly shapes: readonly ShapeId[];
  /**
   * A part is laid on the base, which follows the air by its own thickness: the setting that holds it. null where
   * nothing is.
   */
  readonly laidOn: string | null;
  /** What each of several like places is found to be is looked at one by one, and drawn as a small map. */
  readonly seats?: true;
  /** It has a place to be set out before anything irreversible. */
  readonly setsOut: boolean;
  /** What a material must be to serve it. */
  readonly takes: Takes;
  readonly questions: readonly Question[];
  /**
   * Marks over the place are read for days before: they must stand still, or are read only to be known. Absent where
   * nothing can move.
   */
  readonly watched?: 'still' | 'told';
  readonly schools: readonly School[];
  readonly settings: readonly Setting[];
  readonly preparation: readonly string[];
  readonly mistakes: readonly string[];
  readonly cautions: readonly string[];
  /** It is mixed on sheets of film, not in a vessel: the setting that holds what one takes, mL. */
  readonly mixedOn?: string;
  /** What it uses up beside the mix. */
  readonly consumes?: readonly ConsumableRow[];
  readonly tools: readonly string[];
  /** Checks before it is opened. */
  readonly tests: readonly MethodTest[];
  readonly finishAnswer: string;
  /** Whether this kind of work always needs a competent person's review, and why. */
  readonly review: string | null;
  /** Milestone to wait for before it takes load, when nothing else is chosen. */
  readonly serves: MilestoneId;
  readonly allowances: readonly AllowanceRow[];
  /** What stands in the void beside what is filled, drawn in its section. */
  readonly standsIn?: (c: MethodContext, shape: VoidShape, section: Drawing) => readonly Outline[];
  /** Of what was measured, the part that is filled, 0–1, where something else stands in the rest. */
  readonly filledShare?: (c: MethodContext) => number;
  /** What the method puts into the words of its engine’s steps, by the name of the gap. */
  readonly says?: Readonly<Record<string, Message>>;
  readonly gaps?: Readonly<Record<string, Gap>>;
  readonly keeps?: FaceKeeps;
  /** A strip is worked into a bed: the setting that holds how wide it is, and how wide the bed is, mm. */
  readonly strip?: { readonly setting: string; readonly bedMm: (c: MethodContext) => number };
  /**
   * What a shape begins with for it, where that is another than usual: nobody measures the thickness of a film of
   * colour.
   */
  readonly blanks?: Readonly<Partial<Record<ShapeId, Readonly<Record<string, unknown>>>>>;
  readonly params?: EngineParams;
  /** How far round its void the base is bared or abraded, mm: what is coated over it covers that as well. */
  readonly bares?: number;
  /**
   * Where the wet work is longer than a working day it may rest between two mixes, each of which ends at an edge of its
   * own: what is done there first. Absent where it goes on until it is done.
   */
  readonly rests?: Message;
  /** What is done to that edge before it goes on from there, where that takes its own minutes. */
  readonly resumes?: TaskRow;
  /** Where it does so only here: wet into wet no single face rests half-way. */
  readonly restsIf?: (c: MethodContext) => boolean;
  /** All tasks in their order, those of the engine among them. */
  readonly tasks: readonly TaskRow[];
}

/** The option of a matter that holds until somebody chooses. */
export function usualOption({ usual, byDefault, options }: School, sheet: SheetRevision | null): string {
  const own = sheet && usual?.(sheet);
  if (own) return own;
  // A pack that is usually mixed whole stays so until somebody parts it.
  const whole = options.find((o) => o.effect.split === 'whole');
  return whole && sheet?.kits.some((k) => !k.splittable && mayBeSplit(k)) ? whole.id : byDefault;
}

/** What holds of each school of a method until somebody chooses, with a system. */
export const defaultSchools = (method: Method, sheet: SheetRevision | null = null): Record<string, string> =>
  Object.fromEntries(method.schools.map((school) => [school.id, usualOption(school, sheet)]));

/**
 * What the options of a repair bring about.
 * @param schools the option of each matter; one that is not named has its default
 * @param sheet of the system it is done with: some defaults hang on it
 * @throws Refusal for an option that the method does not know
 */
export function effectsOf(
  method: Method,
  schools: Readonly<Record<string, string>>,
  sheet: SheetRevision | null = null,
): Effects {
  return effectsTogether(
    method.schools.map((school) => {
      const id = Object.hasOwn(schools, school.id) ? schools[school.id]! : usualOption(school, sheet);
      const labels = school.options.map((o) => o.label).join(', ');
      return (
        school.options.find((o) => o.id === id) ??
        refuse(`schools.${school.id}`, id, labels, REFUSED['no-choice']({ id, matter: school.matter, labels }))
      );
    }),
  );
}

/** A pack as it is planned with: parted where somebody chose that and no sheet forbids it. */
export function kitAsChosen(kit: Kit, method: Method, schools: Readonly<Record<string, string>>): Kit {
  const weighed = choiceWith(method, 'split', 'weighed');
  const parts = weighed !== null && schools[weighed.school] === weighed.option;
  return parts && !kit.splittable && mayBeSplit(kit) ? { ...kit, splittable: true } : kit;
}

/** The option that brings an effect about, as a press would choose it; null where the method has none. */
export function choiceWith<K extends keyof Effects>(
  method: Method,
  effect: K,
  value: Effects[K],
): { school: string; option: string } | null {
  for (const school of method.schools)
    for (const option of school.options)
      if (option.effect[effect] === value) return { school: school.id, option: option.id };
  return null;
}

/**
 * Between the void and what is mixed, line by line.
 * @param typed the settings that somebody typed: a line made of others is a figure of Grenko's own
 */
export const allowancesOf = (
  method: Method,
  c: MethodContext,
  typed: Readonly<Record<string, unknown>>,
): readonly Allowance[] =>
  method.allowances.flatMap((row) => {
    if (row.optional && !c.effects.shows.includes(row.id)) return [];
    const read = new Set<string>();
    const settings = new Proxy(c.settings, {
      get: (of, id: string) => {
        read.add(id);
        return of[id];
      },
    });
    const made = row.of({ ...c, settings });
    if (!made) return [];
    const ours = read.size > 0 && ![...read].some((id) => Object.hasOwn(typed, id));
    return [{ id: row.id, voice: ours ? ('assumed' as const) : ('chosen' as const), ...made }];
  });
