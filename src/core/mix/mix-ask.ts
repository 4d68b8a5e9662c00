import { line, type Message, ml, type Said, texts, type Voice, type WorkLine } from '../say';
import {
  coverageMl,
  type Kit,
  kitVolumeMl,
  PART_IDS,
  type PartId,
  type Proportion,
  type SheetRevision,
} from '../system';
import type { PartOfPlace } from '../void';
import type { CutShort } from './cut-short';

const WORK = texts('work.kit', {
  masses: 'One kit by its masses',
  'masses-by': 'mass / density of the mix, the scarcest part decides',
  sheet: 'One kit by the sheet',
  smaller: 'smaller: this one plans',
  larger: 'larger: the masses plan',
  coverage: 'One kit by the sheet’s coverage',
  // As it is printed, whatever units one works in.
  'coverage-by':
    '{covers} kg for each m² and mm: {smaller, select, yes {smaller than by the masses} other {larger than by the masses, which plan}}',
});

/** One allowance between the void and what is mixed: its own cause, its own line, in mL (negative for a recess). */
export interface Allowance {
  readonly id: string;
  readonly label: Said;
  readonly ml: number;
  readonly expression: Said;
  readonly voice: Voice;
  /** It stays behind, and is not placed. */
  readonly lost?: true;
  /** It is lost with every fresh mixer. */
  readonly perMixer?: true;
  /** All of it goes into the last portion: it is not shared over them. */
  readonly onLast?: true;
}

/** What is done out of a mix before it is placed, min: so much for each batch, and so much for all there is of it. */
export interface Beforehand {
  readonly eachMin: number;
  readonly allMin: number;
}

/** One portion of the work that must be placed before the next may follow: a lift, or everything. */
export interface Portion {
  readonly label: Message;
  /** Share of the total, the portions sum to 1. */
  readonly share: number;
  /** Liquid drawn off from its batches as primer, mL, and whether the aggregate of that liquid is left out of them. */
  readonly drawn?: { readonly ml: number; readonly cut: boolean };
  /** What is done out of its batches before they are placed. */
  readonly before?: Beforehand;
  /**
   * Which layer over which of several areas, both from 0, and what of the face that area is. Where it is absent, each
   * portion lies on the one before it, over all of the face.
   */
  readonly over?: { readonly layer: number; readonly area: number; readonly faceShare: number };
  /** Of several places that are done one after the other: what each takes of it, as shares of it, in their order. */
  readonly places?: readonly number[];
}

/** Which layer a portion is, from 0. */
export const layerOf = (portions: readonly Portion[], at: number): number => portions[at]?.over?.layer ?? at;

/**
 * Portions with what belongs to the last of them alone, whose shares are without it. @param placed all that is placed,
 * mL
 */
export function withLast(
  portions: readonly Portion[],
  lines: readonly Allowance[],
  placed: number,
): readonly Portion[] {
  const own = lines.reduce((sum, l) => sum + (l.onLast ? l.ml : 0), 0);
  if (own === 0 || portions.length < 2) return portions;
  return portions.map((p, i) => ({
    ...p,
    share: (p.share * (placed - own) + (i === portions.length - 1 ? own : 0)) / placed,
  }));
}

/** The portion that another lies on; null for the first layer. */
export function portionBelow(portions: readonly Portion[], at: number): number | null {
  const over = portions[at]?.over;
  if (!over) return at > 0 ? at - 1 : null;
  const found = portions.findIndex((p) => p.over?.layer === over.layer - 1 && p.over.area === over.area);
  return found < 0 ? null : found;
}

/** A pause in pressing that is known beforehand: a move, a stair, a break. */
export interface Stop {
  readonly after: number;
  readonly minutes: number;
}

/** What decides how many faces are bared for one pot, min. */
export interface FacesAsk {
  /** How long a bared face stays good. */
  readonly keepsMin: number;
  /** To bare one. */
  readonly bareMin: number;
  /** To bare each, in their order, where they are of unlike size. */
  readonly bareEach?: readonly number[];
  /** From the last bared to the first wetted. */
  readonly untilMin: number;
}

/** Like parts, each spread and closed before the next. */
export interface PartsAsk {
  readonly count: number;
  /** What each takes of all, in their order, where one takes more than another; they are alike without. */
  readonly shares?: readonly number[];
  /** Minutes it takes to close one. */
  readonly closeMin: number;
  /** All of a pot are spread before the first is closed. */
  readonly spreadFirst?: boolean;
  /** Minutes one may lie spread before it is closed; null where the sheet does not say. */
  readonly openMin?: number | null;
  /** Never more than so many out of one pot. */
  readonly most?: number;
  /** Bared beforehand, they bear to wait only so long; null where nothing says so. */
  readonly faces?: FacesAsk | null;
  /** They are areas of one face: what a pot leaves over goes down first on the next. */
  readonly goOn?: boolean;
  /** What one of them is called: a part that is closed, a place that is filled, or an area that is covered. */
  readonly called: 'part' | 'place' | 'area';
}

export interface MixAsk {
  readonly sheet: SheetRevision;
  readonly kit: Kit;
  readonly netMl: number;
  readonly p90Ml: number;
  readonly p95Ml: number;
  /** Add the reserve for doubt up to the 90 % value. */
  readonly reserve: boolean;
  /** Of the allowances, what goes into the void where it is larger than was measured, mL. */
  readonly spareMl?: number;
  readonly allowances: readonly Allowance[];
  readonly portions: readonly Portion[];
  /** Minutes a batch may take to place, after mixing and standing. */
  readonly usableMin: number;
  /** Placing rate of one pair of hands, mL/min, and how many there are. */
  readonly placingMlPerMin: number;
  /**
   * Whether somebody chose that rate. One of Grenko’s own never forbids: it gives way to what a whole kit needs, and
   * says so.
   */
  readonly rateChosen: boolean;
  readonly crew: number;
  /**
   * The rate is one of what is mixed: what stays behind of it has gone through the hands as well. Else it is one of
   * what is placed.
   */
  readonly rateOfMixed?: boolean;
  /** All of a portion is one lot: it is mixed at once and never parted. */
  readonly oneLot?: boolean;
  /** Most that may stand in one pot, g, and most that the vessel takes, mL; null where they do not bind. */
  readonly massCapG: number | null;
  readonly vesselMaxMl: number | null;
  /** Least that is measured out at once, g, whatever of it is placed; null or absent where less will do. */
  readonly leastG?: number | null;
  /** Nobody has said what vessel is at hand: that is a usual one, and it holds a kit at the least. */
  readonly vesselAssumed?: boolean;
  /** Most that is mixed on one sheet of film, mL; absent where it is mixed in a vessel. */
  readonly filmMl?: number | null;
  /** Each kit is mixed in its own pail, and never two in one. */
  readonly oneKitAPot: boolean;
  /**
   * Where one pot does not do, of packs that may be split: the most that is mixed in each of several, mL, and as many
   * as can be are whole packs. Absent where somebody said what is at hand.
   */
  readonly severalUpToMl?: number;
  /**
   * Packets are kneaded one after the other: each beyond the first takes so much of the time there is to place, min.
   */
  readonly packetMin?: number;
  /** It is mixed as it is placed, bead by bead: nothing stands in a pot, and no life of a pot bounds it. */
  readonly asPlaced?: boolean;
  /** Whole kits only, or split by weighing. */
  readonly split: 'whole' | 'weighed';
  /** Like parts that are spread and closed one after the other out of one pot; null where the work is one. */
  readonly parts: PartsAsk | null;
  /** Pots that died while they were placed. */
  readonly cuts?: readonly CutShort[];
  /** Where batches end, as shares of the face, by choice; none leaves them even. */
  readonly borders?: readonly number[];
  /** Like places, for metered systems. */
  readonly count: number;
  /**
   * Minutes from one like place to the next, and those of them in which the mixer stands still while a part is set
   * (metered).
   */
  readonly minutesPerPlace: number;
  readonly setMin: number;
  /** Whether somebody chose those minutes: ours never forbid (metered). */
  readonly placeChosen: boolean;
  /** Like places are pressed in rounds, each place in its own working time; else in portions and parts (metered). */
  readonly inRounds: boolean;
  /** Each place filled and set before the next, or several filled and then set (metered). */
  readonly grouping: 'one' | 'several';
  /** It begins out of a mixer that is on already, and good (metered). */
  readonly mixerOn?: boolean;
  /** Pauses that are known beforehand: after so many places, so many minutes (metered). */
  readonly stops: readonly Stop[];
  /**
   * The longest stretch of a working day, min: what shares a mixer is pressed within one; null where that does not
   * bind.
   */
  readonly dayMin: number | null;
  /** Bore of the tube on each mixer, mL, which stays full. */
  readonly tubeMl: number;
  /** Throw away the first shots of every mixer. */
  readonly purge: boolean;
  /** Minutes the resin may sit in a mixer without moving; null when the sheet is silent: then its working time. */
  readonly idleMin: number | null;
}

export interface Batch {
  readonly index: number;
  readonly portion: number;
  readonly label: Message;
  /** What is mixed, mL. */
  readonly ml: number;
  /** What of it goes into its place, mL: the rest stays in the pot, in the mixer, or over. */
  readonly placedMl: number;
  /** What it was mixed for, mL, where it died before that was placed: the rest of it is waste. */
  readonly meantMl?: number;
  /** What the batch before it left over, which goes down first, mL; absent where nothing does. */
  readonly carriedMl?: number;
  /** Goes through the hands at the placing rate, mL, where that is more than what is placed. */
  readonly handledMl?: number;
  readonly massG: Readonly<Record<PartId, number>>;
  readonly volumeMl: Readonly<Record<PartId, number>>;
  /** Whole kits in this batch, or null when weighed out or metered. */
  readonly kits: number | null;
  /** Whole packs that come to what would be weighed out of them; absent where something is. */
  readonly packs?: number;
  /** The part it serves is made anew by it: nothing of an earlier batch lies on that any more. */
  readonly remade?: true;
  /** Like places or parts served. */
  readonly places: number;
  readonly mixers: number;
  /** Liquid drawn off from this batch as primer, mL, and aggregate left out of it for that, g. */
  readonly drawnMl: number;
  readonly leftOutG: number;
  /** What is done out of it between mixing and placing; absent where nothing is. */
  readonly before?: Beforehand;
  /** Place or part of the first and of the last served, from 1; absent where there is one alone. */
  readonly fromTo?: readonly [number, number];
  /** Which of several places it is for, and from where to where of each; absent where the work is one. */
  readonly covers?: readonly PartOfPlace[];
  /** A pause before it that was known beforehand, min (metered). */
  readonly pauseMin?: number;
  /** Beside the plan, for what ran out or was lost. */
  readonly topUp?: true;
  /** The places it serves are made anew by it, and are not topped up. */
  readonly anew?: true;
}

/** Minutes between mixing a batch and placing it. */
export const beforehandMin = ({ before }: Pick<Batch, 'before'>): number =>
  before ? before.eachMin + before.allMin : 0;

/** A batch that is placed as it was mixed. */
export const NOTHING_DRAWN = { drawnMl: 0, leftOutG: 0 } as const;

/** One line between the void and what is mixed. */
export type AmountLine = Allowance;

export interface MixResult {
  readonly lines: readonly AmountLine[];
  /** What is mixed (90 % value with all losses). */
  readonly toMixMl: number;
  /** What to have on hand (95 % value with all losses). */
  readonly onHandMl: number;
  readonly batches: readonly Batch[];
  readonly kits: {
    readonly kit: Kit;
    readonly volumeMl: number;
    readonly use: number;
    readonly buy: number;
    readonly leftMl: number;
    readonly leftIsMixed: boolean;
    /** Packs that were to be at hand before anything was lost or ran out; absent where nothing was. */
    readonly meant?: number;
  };
  /** What is mixed beside the plan: again for what was thrown away, and to top up; absent where nothing is. */
  readonly more?: readonly Batch[];
  /** The same in all, mL. */
  readonly moreMl?: number;
  readonly proportion: Proportion;
  readonly capMl: number;
  /** The most that is placed out of one pot, in its time and of what it holds, mL. */
  readonly mostPlacedMl: number;
  /** The most that is placed of what one of several pots holds, however long there is for it, mL. */
  readonly mostHeldMl: number;
  /**
   * Rate of one pair of hands that a whole kit needs, mL/min, where Grenko’s own is too slow for it; null where it is
   * not, or one was chosen.
   */
  readonly rateNeeded: number | null;
  /** Whether batches end where they were asked to; absent where nothing was asked. */
  readonly bordersKept?: boolean;
  readonly working: readonly WorkLine[];
}

/** Mass of all parts together, g. */
export const massOf = (massG: Readonly<Record<PartId, number>>): number =>
  PART_IDS.reduce((sum, id) => sum + massG[id], 0);

/** What one kit makes, by its masses, by the sheet’s yield and by its coverage. */
export function yieldLines({ sheet, kit }: MixAsk): WorkLine[] {
  const geometry = kitVolumeMl(sheet, kit);
  const covers = coverageMl(sheet, kit);
  return [
    line(WORK.masses(), WORK['masses-by'](), ml(geometry)),
    ...(kit.yieldMl === null
      ? []
      : [
          line(
            WORK.sheet(),
            WORK[kit.yieldMl < geometry ? 'smaller' : 'larger'](),
            ml(kit.yieldMl),
            undefined,
            'sheet',
          ),
        ]),
    ...(covers === null
      ? []
      : [
          line(
            WORK.coverage(),
            WORK['coverage-by']({
              covers: sheet.coverageKgPerM2Mm!,
              smaller: covers < geometry ? 'yes' : 'no',
            }),
            ml(covers),
            undefined,
            'sheet',
          ),
        ]),
  ];
}

/** Masses and volumes of the parts in so much mix, g and mL. */
export function partsOf(sheet: SheetRevision, p: Proportion, ml: number): Pick<Batch, 'massG' | 'volumeMl'> {
  const mass = ml * p.densityGPerMl;
  const over = (f: (id: PartId) => number) =>
    Object.fromEntries(PART_IDS.map((id) => [id, f(id)])) as Record<PartId, number>;
  const massG = over((id) => mass * p.massShare[id]);
  return {
    massG,
    volumeMl: over((id) => massG[id] / (sheet.parts.find((part) => part.id === id)?.densityGPerMl ?? 1)),
  };
}

/** Liquid in so much of the parts, mL: what is no filler. */
export const liquidMl = (sheet: SheetRevision, volumeMl: Readonly<Record<PartId, number>>): number =>
  sheet.parts.reduce((sum, part) => sum + (part.filler ? 0 : volumeMl[part.id]), 0);

/**
 * A batch from which some liquid is drawn off before its aggregate comes in. Where the aggregate is cut to match, the
 * same share of it is left out.
 */
export function drawFrom(sheet: SheetRevision, batch: Batch, ml: number, cut: boolean): Batch {
  const share = ml / liquidMl(sheet, batch.volumeMl);
  if (!cut || !(share > 0)) return { ...batch, drawnMl: ml };
  const grains = sheet.parts.filter((p) => p.filler === 'grains').map((p) => p.id);
  const less = (parts: Batch['massG']) =>
    Object.fromEntries(PART_IDS.map((id) => [id, grains.includes(id) ? parts[id] * (1 - share) : parts[id]])) as Record<
      PartId,
      number
    >;
  return {
    ...batch,
    massG: less(batch.massG),
    volumeMl: less(batch.volumeMl),
    drawnMl: ml,
    leftOutG: grains.reduce((sum, id) => sum + batch.massG[id] * share, 0),
  };
}

/** What metered and potted mixes are made from alike: the ask, and what follows from it. */
export interface MixBasis {
  readonly ask: MixAsk;
  readonly proportion: Proportion;
  /** What one kit makes, mL. */
  readonly kitMl: number;
  /** The void and its allowances, and their sum, mL. */
  readonly lines: readonly AmountLine[];
  readonly placed: number;
  /** From the planned value up to the 95 % value, mL. */
  readonly safety: number;
}
