import { z } from 'zod';
import type { FaceAgain } from '../method';
import type { CutShort } from '../mix';
import type { MilestoneId, PartId } from '../system';
import type { TestReading } from './acceptance';
import type { Shows } from './photo';

/**
 * What is kept to be touched later: a cup proves ratio and mixing, and cures in its own heat; a smear as thick as the
 * pass, on a like base beside it, proves how far the pass has come.
 */
export const WITNESSES = ['cup', 'smear'] as const;
export const WITNESS_LABELS: Readonly<Record<WitnessId, string>> = { cup: 'Cup', smear: 'Smear' };
export type WitnessId = (typeof WITNESSES)[number];

/** What the touch says of the cup kept of a batch. */
export const WITNESS_STATES = {
  kept: 'kept',
  liquid: 'still liquid',
  soft: 'soft',
  tacky: 'tacky',
  nail: 'takes a nail mark',
  hard: 'hard',
} as const;
export const WitnessState = z.enum(
  Object.keys(WITNESS_STATES) as [keyof typeof WITNESS_STATES, ...(keyof typeof WITNESS_STATES)[]],
);
export type WitnessState = z.infer<typeof WitnessState>;

/**
 * What really happened so far, as folded from the record. What is known by an id of a file stands in maps: an id may be
 * any word.
 */
export interface Actuals {
  readonly begun: ReadonlyMap<string, number>;
  readonly done: ReadonlyMap<string, number>;
  /** Like places ticked off one by one within a step, by step; the first is 0. */
  readonly placesDone: ReadonlyMap<string, ReadonlySet<number>>;
  readonly readings: readonly {
    readonly channel: 'base' | 'air' | 'pot';
    readonly atMs: number;
    readonly valueC: number;
  }[];
  /** Humidity of the air, per cent. */
  readonly humidity: readonly { readonly atMs: number; readonly valuePct: number }[];
  /** Minutes of use the plan was started with: batches do not change under the hand. */
  readonly usableMin: number | null;
  readonly startedAt: number | null;
  /** The version of the core that the plan worked by was made with; null where no plan was kept. */
  readonly madeWith: string | null;
  /** Times a batch was lost and is mixed again, by batch index. */
  readonly redone: ReadonlyMap<number, number>;
  /** Pots that died while they were placed, in order. */
  readonly cuts: readonly CutShort[];
  /** Volumes to top up, mL. */
  readonly topUpsMl: readonly number[];
  /** Which part a top-up is mixed for anew, by the number of the top-up: what was on it is gone. */
  readonly remade: ReadonlyMap<number, number>;
  /** How many like places a top-up is for that are prepared again, by the number of the top-up. */
  readonly placesAgain: ReadonlyMap<number, number>;
  /** How many like places a top-up is for that were prepared already, by the number of the top-up. */
  readonly placesTopped: ReadonlyMap<number, number>;
  readonly holdRestartedAt: number | null;
  /**
   * What was done before these instants is done again: all of the pass; what is left to hold, finish and test behind
   * what is placed anew; or what brought the surface back and tested it.
   */
  readonly doneAgain: readonly { readonly atMs: number; readonly what: 'pass' | 'placed' | 'finish' }[];
  /** Troubles in their order, with the sign that was found. */
  readonly troubles: readonly { readonly id: string; readonly sign: string | null; readonly atMs: number }[];
  /** How many pairs of hands were left from an instant on, in order. */
  readonly hands: readonly { readonly atMs: number; readonly left: number }[];
  /** Times the face must be made good again before anything more is placed on it. */
  readonly preparedAgain: readonly FaceAgainAt[];
  /** Top-ups that go on once what lies there has set, by their number. */
  readonly toppedOnceSet: ReadonlySet<number>;
  readonly overrides: ReadonlyMap<string, { readonly reason: string; readonly role: string; readonly atMs: number }>;
  readonly tests: ReadonlyMap<string, { readonly answer: 'yes' | 'no'; readonly atMs: number }>;
  /** Figures of measured tests, in order. */
  readonly measured: ReadonlyMap<string, readonly TestReading[]>;
  /** Opened for one use at a time. */
  readonly opened: ReadonlyMap<MilestoneId, Signed>;
  readonly released: (Signed & { readonly to: string }) | null;
  /** Times that what was signed was taken back. */
  readonly reopened: readonly (Signed & { readonly reason: string })[];
  /** Somebody from outside, asked to see it. */
  readonly inspection: {
    readonly state: 'asked' | 'accepted' | 'refused';
    readonly by: string;
    readonly atMs: number;
  } | null;
  /** What keeps people and vehicles off, as it was last put up or taken down. */
  readonly barrier: (Signed & { readonly state: 'up' | 'down'; readonly what: string }) | null;
  /** What was poured, in order; of a batch that was thrown away nothing. */
  readonly pours: readonly {
    readonly batch: number;
    readonly part: PartId;
    readonly massG: number;
    readonly lot: string;
    readonly atMs: number;
  }[];
  /** The last word of the cup of each batch, and of its smear. */
  readonly witness: ReadonlyMap<number, Touched>;
  readonly smear: ReadonlyMap<number, Touched>;
  /** What each coat of a soak took, in order, by the face of its void. */
  readonly drunk: readonly { readonly face: number; readonly ml: number; readonly atMs: number }[];
  /** What was left of each batch: over, and stuck in the pot and on tools where that was weighed, g. */
  readonly left: ReadonlyMap<number, { readonly overG: number; readonly stuckG: number | null }>;
  /** Kits taken from the shelf, by lot. */
  readonly taken: ReadonlyMap<string, number>;
  readonly reviewed: Signed | null;
  /** What photographs of the record show. */
  readonly shown: ReadonlySet<Shows>;
}

/** When a face must be made good again. */
export interface FaceAgainAt {
  readonly atMs: number;
  /** What is done to it; undefined in records of earlier versions: it is dried, and a primer abraded. */
  readonly face?: readonly FaceAgain[];
  /** The primer was wet, and serves no more. */
  readonly primer?: true;
}

/** A signature. */
export interface Signed {
  readonly role: string;
  readonly atMs: number;
}

/** What the touch said of a witness. */
export interface Touched {
  readonly state: WitnessState;
  readonly atMs: number;
}

/** Nothing has happened yet. */
export const NOTHING_YET: Actuals = {
  begun: new Map(),
  done: new Map(),
  readings: [],
  humidity: [],
  usableMin: null,
  startedAt: null,
  madeWith: null,
  redone: new Map(),
  cuts: [],
  topUpsMl: [],
  remade: new Map(),
  placesAgain: new Map(),
  placesTopped: new Map(),
  holdRestartedAt: null,
  doneAgain: [],
  troubles: [],
  hands: [],
  preparedAgain: [],
  toppedOnceSet: new Set(),
  overrides: new Map(),
  tests: new Map(),
  measured: new Map(),
  opened: new Map(),
  pours: [],
  placesDone: new Map(),
  witness: new Map(),
  smear: new Map(),
  drunk: [],
  left: new Map(),
  taken: new Map(),
  released: null,
  reopened: [],
  inspection: null,
  barrier: null,
  reviewed: null,
  shown: new Set(),
};

/** Dry work at many places is shared out among the hands since. */
const BY_SHARED = [0, 35] as const;
/** Each turn of bared faces has its last wipe since. */
const BY_WIPES = [0, 34] as const;
/** What holds and covers is done again behind what is placed anew since. */
const BY_HELD_AGAIN = [0, 40] as const;
/** Whether it is, in work that was begun so. */
export const holdsAgain = (actuals: Pick<Actuals, 'startedAt' | 'madeWith'>): boolean =>
  plansBy(BY_HELD_AGAIN, actuals);
/** Whether what opens a pass again opens what lies on it, in work begun with that version; null: as of today. */
export const opensAbove = (madeWith: string | null): boolean => plansBy(BY_HELD_AGAIN, { startedAt: 0, madeWith });
/** What of the steps is as it was, in work that was begun so. */
export const stepsBegun = (actuals: Pick<Actuals, 'startedAt' | 'madeWith'>) => ({
  wipedOnce: !plansBy(BY_WIPES, actuals),
  workedAlone: !plansBy(BY_SHARED, actuals),
});
/** What was taken off before it was closed is not closed first since. */
const BY_TAKEN_OFF = [0, 47] as const;
export const closedBeforeAnew = (actuals: Pick<Actuals, 'startedAt' | 'madeWith'>): boolean =>
  !plansBy(BY_TAKEN_OFF, actuals);
/** A strip of mesh has its bed and cover since, measured or not. */
const BY_BED = [0, 46] as const;
/** Whether it lies in what was measured alone still, in work that was begun so. */
export const bedAsMeasured = (actuals: Pick<Actuals, 'startedAt' | 'madeWith'>): boolean => !plansBy(BY_BED, actuals);
/** What a sheet tells by volume alone is measured by the cup since. */
const BY_CUP = [0, 47] as const;
export const measuresByCup = (actuals: Pick<Actuals, 'startedAt' | 'madeWith'>): boolean => plansBy(BY_CUP, actuals);
/** A rod stands under what fills a deep joint since. */
const BY_ROD = [0, 47] as const;
/** Whether a joint is filled as deep as it was measured still, in work that was begun so. */
export const jointAsMeasured = (actuals: Pick<Actuals, 'startedAt' | 'madeWith'>): boolean => !plansBy(BY_ROD, actuals);
/** Places of unlike size each a part of its own since then, closed or filled one after the other. */
const BY_UNLIKE = [0, 38] as const;
/** Whether they are one part still, in work that was begun so. */
export const unlikeAsOne = (actuals: Pick<Actuals, 'startedAt' | 'madeWith'>): boolean => !plansBy(BY_UNLIKE, actuals);

/**
 * Whether it is planned by what came with a version of the core: work that was begun before goes on from the pots it
 * was begun with. Where no plan was kept it is planned as it is today.
 */
export function plansBy(
  [sinceMajor, sinceMinor]: readonly [major: number, minor: number],
  { startedAt, madeWith }: Pick<Actuals, 'startedAt' | 'madeWith'>,
): boolean {
  if (startedAt === null || madeWith === null) return true;
  const [major = 0, minor = 0] = madeWith.split('.').map(Number);
  return major > sinceMajor || (major === sinceMajor && minor >= sinceMinor);
}
