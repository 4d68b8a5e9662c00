import { type Message, texts } from '../say';
import type { Kit, MilestoneId } from '../system';
import type { GritId } from './grits';
import type { ToolId } from './tools';

/** What an option keeps at the place: so many for each like part, from the task that puts them on. */
export interface Occupies {
  readonly tool: ToolId;
  /** The setting that says how many for each part. */
  readonly setting: string;
  /** The task, done for each part, that puts them on. */
  readonly from: string;
  /** What it has to have reached before they come off. */
  readonly until: MilestoneId;
}

/** Ways to fill a hollow up to its edge: to it, above it to be ground back, or below it for a coat. */
export type Level = 'flush' | 'crown' | 'recess';

/**
 * What the options chosen in a repair bring about. Whoever plans asks for an effect, never for an option by its name: a
 * new option that does the same needs no line elsewhere.
 */
export interface Effects {
  /** Like places one at a time, or as many as the working time allows. */
  readonly grouping: 'one' | 'several';
  readonly split: 'whole' | 'weighed';
  /** Colour is of one lot over the whole face, or may change at a threshold; null where nobody sees the difference. */
  readonly lots: 'one' | 'area' | null;
  /** It is poured out of the bucket at once: the use-by of the sheet for that holds. */
  readonly pouredOut: boolean;
  /** Like parts out of one pot are all spread before the first is closed: the pot is empty sooner. */
  readonly spreadFirst: boolean;
  /** The first shots of a fresh mixer are thrown away. */
  readonly purge: boolean;
  /** Minutes after placing that are waited whatever the sheet says; null: the sheet decides. */
  readonly fixedWaitMin: number | null;
  /** A deep fill goes in at once, however deep. */
  readonly onePass: boolean;
  /** Where the primer comes from: the mixed liquid, a tin of its own, or nowhere. */
  readonly priming: 'drawn' | 'separate' | 'none';
  /** The sand of what is drawn off is always left out, not only past the threshold. */
  readonly sandCut: boolean;
  readonly level: Level;
  /** The finest grit of the ladder, where an option says it; null as the method has it. */
  readonly finishTo: GritId | null;
  /** Grits are run with water. */
  readonly wet: boolean;
  /** It lasts only under a pass or a coat that follows. */
  readonly wantsCover: boolean;
  /** Less goes into a bore than the gap takes: the rod has to push it up. */
  readonly pushedUp: boolean;
  /** Where the sheet is silent on a wet place everything waits longer; else it is not done. */
  readonly waitsLonger: boolean;
  /** How much of the back of each piece must be found covered, %; null where nothing is lifted to see. */
  readonly coveredPct: number | null;
  /** Nothing of the air reaches its face while it sets: film lies over it, or wax is in it. */
  readonly airShut: boolean;
  /** It is stuck on in spots, with hollows between them. */
  readonly inSpots: boolean;
  /** Nobody treads there and no water comes: spots may do. */
  readonly bearsSpots: boolean;
  /** Rows, of tasks and of allowances, that are there by choice only. */
  readonly shows: readonly string[];
  /** What stays at the place until it holds, out of what the site has. */
  readonly occupies: readonly Occupies[];
  /** What the options put into the words of the steps, by the name of the gap. */
  readonly says: Readonly<Record<string, Message>>;
}

/** What holds where no option says otherwise. */
export const NO_EFFECTS: Effects = {
  grouping: 'one',
  split: 'whole',
  lots: null,
  spreadFirst: false,
  pouredOut: false,
  purge: false,
  fixedWaitMin: null,
  onePass: false,
  priming: 'none',
  sandCut: false,
  level: 'flush',
  finishTo: null,
  wet: false,
  wantsCover: false,
  pushedUp: false,
  waitsLonger: false,
  coveredPct: null,
  airShut: false,
  inSpots: false,
  bearsSpots: false,
  shows: [],
  occupies: [],
  says: {},
};

/** One way of doing it. */
export interface Option {
  readonly id: string;
  readonly label: string;
  /** When it fits, as said after “Fits”. */
  readonly fits: string;
  readonly effect: Partial<Effects>;
  /**
   * Where it could bring nothing about: whether it is so here, and the sentence that says why. It is not offered then.
   */
  readonly idle?: { readonly where: (kit: Kit) => boolean; readonly why: string };
}

/** An option as it is written down: its words are texts. */
interface OptionRow extends Omit<Option, 'effect'> {
  readonly effect?: Partial<Omit<Effects, 'says'>>;
  readonly says?: Readonly<Record<string, string>>;
}

/**
 * Options of one matter, their words registered.
 * @param owner the ids of the words begin with it
 */
export const options = (owner: string, rows: readonly OptionRow[]): readonly Option[] =>
  rows.map(({ effect, says = {}, ...row }) => ({
    ...row,
    effect: {
      ...effect,
      ...(Object.keys(says).length
        ? {
            says: Object.fromEntries(
              Object.entries(texts(`${owner}.${row.id}`, says)).map(([gap, sayer]) => [gap, sayer()]),
            ),
          }
        : {}),
    },
  }));

/** The effects of several options together: what shows, stays or is said adds up, of the rest the last word stands. */
export function effectsTogether(chosen: readonly Option[]): Effects {
  const each = chosen.map((o) => o.effect);
  return {
    ...NO_EFFECTS,
    ...Object.assign({}, ...each),
    shows: each.flatMap((e) => e.shows ?? []),
    occupies: each.flatMap((e) => e.occupies ?? []),
    says: Object.assign({}, ...each.map((e) => e.says)),
  };
}
