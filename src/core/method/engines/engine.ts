import type { PartsAsk, Portion } from '../../mix';
import { type Message, texts } from '../../say';
import type { MilestoneId } from '../../system';
import { nominalMl, placesIn, placesMl } from '../../void';
import { type MethodContext, partShares, type TaskContext } from '../context';

/** What is mixed apart dies apart. */
export const POT_CLOCKS: readonly MilestoneId[] = ['use-by', 'idle'];

/** How fast one pair of hands places. */
export interface Pace {
  readonly setting: string;
  /** mL/min at one of the setting. */
  readonly mlPerMin: number;
  /** It is a rate of what is mixed, what stays behind of it included. */
  readonly ofMixed?: true;
}
/** By a rate in mL/min. */
export const byRate = (): Pace => ({ setting: 'rate', mlPerMin: 1 });

/**
 * How material gets to its place. What differs from one way to another is a column here, never a question for the
 * engine's name.
 */
export interface Engine {
  /** It goes in in lifts, one on the other. */
  readonly inLifts: boolean;
  /** What it may carry is the sheet's or the engineer's to say, and not computed from the strength of the bond. */
  readonly byApproval: boolean;
  /** How long what it leaves lies open: until it has set, until it is closed, or never. */
  readonly liesOpen: 'set' | 'closed' | 'never';
  /** It goes over a face: of the base, or of the pass before. */
  readonly onFaces: boolean;
  /** Each kit is mixed in its own pail, one after the other, so that the pour goes on while the next is mixed. */
  readonly oneKitAPot: (c: MethodContext) => boolean;
  /** Whether all of a portion is mixed at once, as one lot; absent where nobody sees where a lot ends. */
  readonly oneLot?: (c: MethodContext) => boolean;
  /** Out of a mixer, like places are gone through in rounds, each filled in its own working time. */
  readonly inRounds: boolean;
  /** Settings whose minutes spend the pot life beside mixing and standing, where a method has them. */
  readonly spends: readonly string[];
  /** Clocks that each batch has of its own, and not the pass by its last one. */
  readonly eachBatch: ReadonlySet<MilestoneId>;
  /** What starts the clock, as the one large button says it. */
  readonly begins: Message;
  /** What must be placed before the next may follow: lifts, or everything at once. */
  readonly portions: (c: MethodContext) => readonly Portion[];
  /** Like parts that are placed and closed one after the other; null where the work is one. */
  readonly parts: (c: MethodContext) => PartsAsk | null;
  /** Clocks that each part has of its own. */
  readonly eachPart: ReadonlySet<MilestoneId>;
  /** The setting that says how fast one pair of hands places, and mL/min at one of it; null where it has none. */
  readonly pace: ((c: MethodContext) => Pace) | null;
  /** The block of a task of the wet work: tasks of one block are not torn apart. */
  readonly blockOf: (c: TaskContext) => string;
}

/** What starts the clock. */
export const BEGINS = texts('begins', {
  pressed: 'First resin goes in: start the clock',
  mixed: 'Start mixing: start the clock',
});

/** Names of what is placed before the next may follow. */
export const PORTION = texts('portion', {
  holes: 'all holes',
  line: 'the bond line',
  patch: 'the fill',
  pour: 'the pour',
  lift: 'lift {n}',
  skim: 'the skim',
  coat: 'coat {n}',
  coatOver: '{n, select, 0 {area {area}} other {coat {n}, area {area}}}',
  only: 'the coat',
});

/** What each of several places takes of all; nothing of one. */
export function inPlaces({ void: v }: MethodContext): Pick<Portion, 'places'> {
  if (placesIn(v) < 2) return {};
  const each = placesMl(v);
  const all = each.reduce((a, b) => a + b, 0);
  return { places: each.map((ml) => ml / all) };
}

/** How many places are worked one after the other, and what each takes of all, where one takes more than another. */
export function partsApart(c: MethodContext): Pick<PartsAsk, 'count' | 'shares'> {
  const shares = partShares(c, nominalMl);
  const isAlike = shares.every((share) => Math.abs(share - shares[0]!) <= 1e-9);
  return { count: shares.length, ...(isAlike ? {} : { shares }) };
}

/** The work is one. */
export const UNPARTED = { parts: () => null, eachPart: new Set<MilestoneId>() } as const;
