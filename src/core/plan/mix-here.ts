import { valueAt } from '../climate';
import { ASSUMED_MASS_G, beyondTable, liftIn, paceOf, potShareIn, worstIn } from '../cure';
import { allowancesOf, ENGINES, facesOf, type Method, type MethodContext, settingIn, tubeMl } from '../method';
import {
  amounts,
  type Batch,
  beforehandMin,
  evenAreas,
  HEADROOM,
  liquidDensity,
  type MixAsk,
  type MixResult,
  massOf,
  vesselMassG,
} from '../mix';
import { attempt, grams, line, minutes, type Problem, texts, type WorkLine } from '../say';
import {
  isMetered,
  isMixedAsPlaced,
  type Kit,
  kitVolumeMl,
  type Milestone,
  milestoneOf,
  proportionOf,
  type SheetRevision,
  staysWhole,
  systemKind,
  tellsWorked,
  USUAL,
  usualWorksMin,
} from '../system';
import { figure } from '../units';
import { placesIn } from '../void';
import { type Actuals, plansBy } from './actuals';

const HERE = texts('mix-here', {
  'no-pot-life': 'The sheet gives no pot life for this temperature.',
  left: 'Left to place it, by its mass',
  'left-by':
    '{life} of the sheet ({reference}{stated, select, no {, assumed} other {}}) × {share} for {mass} that warm themselves{beyond, select, yes {, as if they lost nothing} other {}} − {spent} mixing and standing',
  'own-heat': 'heat of curing, estimated',
});

import type { PotShare } from './milestone-times';
import type { SheetHeat } from './pots';
import type { Ask } from './reach-try';
import type { Piece } from './repair';
import type { PotEstimate } from './repair-plan';
import type { Thermal } from './thermal';

const MIN_MS = 60_000;

/** A mortar tub for a paddle, mL: what is mixed in until somebody says what vessel is at hand. */
const USUAL_VESSEL_ML = 45_000;
/** The usual vessel, or a larger one where it would not hold all that is in a kit: what is assumed forbids no kit. */
function usualVesselMl(sheet: SheetRevision, { massG }: Kit): number {
  const inKitMl = massOf({ ...massG, C: massG.C ?? 0, D: massG.D ?? 0 }) / proportionOf(sheet).densityGPerMl;
  return Math.max(USUAL_VESSEL_ML, (1.01 * inKitMl) / HEADROOM);
}

/** What two thirds of a pail hold, mL: more than one pack of what may be split is mixed in that. */
const USUAL_PAIL_ML = 8_000;
/**
 * Where one pot does not do, none takes more than the packs that go into a pail, or one; with a little for rounding.
 */
const severalUpToMl = (kitMl: number): number => 1.01 * kitMl * Math.max(1, Math.floor(USUAL_PAIL_ML / kitMl));

/** Areas into which rolling work is parted, so that each is covered in the open time of its hour. */
function areasOf(c: MethodContext, reachOf: Ask, atMs: number): number {
  const open = c.params.rolling ? milestoneOf(c.sheet, 'open') : undefined;
  const until = open ? reachOf(open, 'short', atMs).atMs : null;
  if (until === null) return 1;
  const coveredM2 = (settingIn(c, 'lay-rate') * c.crew * (until - atMs)) / (60 * MIN_MS);
  const areaM2 = (c.void.count * c.measured.faces.planAreaMm2) / 1e6;
  return Math.min(MOST_AREAS, Math.max(1, Math.ceil(areaM2 / coveredM2 - 1e-9)));
}
/** A floor in more areas than that is several repairs. */
const MOST_AREAS = 200;

/** From this version of the core on no more like faces are bared for one pot than keep until their turn. */
const BY_FACES = [0, 27] as const;
/** From this one on what stays behind counts in the minutes of a pour, and a sheet of film bounds a mix. */
const BY_MIXED = [0, 28] as const;
/** Each packet is kneaded by itself since. */
const BY_PACKETS = [0, 30] as const;
/** Each unit is mixed in its own pail since. */
const BY_PAILS = [0, 29] as const;
/** What may be split is mixed pack by pack all the same since, and no more of it in one of several pots than a pail. */
const BY_PACKS = [0, 34] as const;

/** What is weighed out ends with one of several places since. */
const BY_PLACES = [0, 37] as const;
/** What is brushed in out of a mix spends the time it is placed in since. */
const BY_BEFORE = [0, 43] as const;
/** Of a sheet that tells nothing of it, a mix is worked as long as is usual for its kind since. */
const BY_LIFE = [0, 48] as const;
/** Areas of a bed are laid from whole bags since. */
const BY_BAGS = [0, 35] as const;

/** Amounts with the pot life of the hour. */
export function mixAt(
  planned: MethodContext,
  method: Method,
  repair: Piece,
  kit: Kit,
  thermal: Thermal,
  reachOf: Ask,
  atMs: number,
  actuals: Actuals,
  pots: SheetHeat | null,
  dayMin: number | null = null,
  printedSheet: SheetRevision | null = null,
): { mix: MixResult; usableMin: number; potC: number; pot: PotEstimate | null; untold: Problem | null; areas: number } {
  const context = { ...planned, areas: areasOf(planned, reachOf, atMs) };
  const { sheet, measured, areas } = context;
  const useBy = milestoneOf(sheet, 'use-by');
  const history = useBy?.runsOn === 'pot' ? thermal.pot : thermal.hot;
  const potC = attempt(() => valueAt(history, atMs));
  let usable = plansBy(BY_LIFE, actuals) && !tellsWorked(sheet) ? usualWorksMin(sheet.kind) : USUAL.worksMin;
  let untold: Problem | null = null;
  let [lives, spent] = [usable, 0];
  if (useBy) {
    const reached = reachOf(useBy, 'short', atMs);
    if (reached.atMs === null)
      untold = {
        field: 'materialC',
        value: potC.ok ? potC.value : null,
        allowed: 'a temperature the sheet answers for',
        sentence: reached.problem ?? HERE['no-pot-life'](),
      };
    // Mixing and standing spend the pot life, from wherever it counts.
    const stand = standMin(sheet, reachOf, atMs);
    spent = useBy.startsAt === 'mix-begins' ? sheet.mixMin + stand : useBy.startsAt === 'mix-ends' ? stand : 0;
    // So do the way to the place and the cleaning of a tool, where there are such.
    for (const id of ENGINES[method.engine].spends)
      if (Object.hasOwn(context.settings, id)) spent += settingIn(context, id);
    lives =
      reached.atMs === null ? lifeNearBy(sheet, useBy, potC.ok ? potC.value : null) : (reached.atMs - atMs) / MIN_MS;
    usable = lives - spent;
  }
  if (actuals.usableMin !== null) usable = actuals.usableMin;
  const idle = milestoneOf(sheet, 'idle');
  const idleReach = idle ? reachOf(idle, 'short', atMs) : null;
  const { effects, settings } = context;
  const printed = printedSheet && milestoneOf(printedSheet, 'use-by-out');
  // A method that presses has no rate, one that mixes pots no time for each place; amounts ask for neither then.
  const engine = ENGINES[method.engine];
  const pace = engine.pace?.(context);
  const rate = pace ? settingIn(context, pace.setting) * pace.mlPerMin : 100;
  const rateChosen = pace !== undefined && repair.settings[pace.setting] !== undefined;
  const parts = engine.parts(context);
  // Of parts that are spread and closed, the mixer stands while one is closed.
  const perPlace = parts
    ? {
        minutesPerPlace: measured.nominalMl / parts.count / (rate * repair.crew) + parts.closeMin,
        setMin: parts.closeMin,
      }
    : { minutesPerPlace: settings['per-place'] ?? 1, setMin: settings['set-place'] ?? 0 };
  const open = parts?.spreadFirst ? milestoneOf(sheet, 'open') : undefined;
  const openReach = open ? reachOf(open, 'short', atMs).atMs : null;
  const openMin = openReach === null ? null : (openReach - atMs) / MIN_MS;
  const covered = context.params.byCoverage && sheet.coversM2PerL !== null;
  // What is dosed dies on its film within minutes. Of anything slower as much is mixed as nobody says otherwise.
  const packetMin = systemKind(sheet.kind).ownBag && plansBy(BY_PACKETS, actuals) ? sheet.mixMin || 1 : 0;
  const onFilm = method.mixedOn && plansBy(BY_MIXED, actuals) ? method.mixedOn : null;
  const filmMl =
    onFilm && (sheet.dose !== null || repair.settings[onFilm] !== undefined) ? settingIn(context, onFilm) : null;
  const byPacks = repair.bench.vesselMaxMl === null && !staysWhole(kit, effects.split) && plansBy(BY_PACKS, actuals);
  const portions = engine.portions(context);
  // What goes by the sheet's coverage has no doubt of its thickness, what is not filled none at all.
  const filled = method.filledShare?.(context) ?? 1;
  const doubted = (ml: number) =>
    covered ? measured.nominalMl : measured.nominalMl + filled * (ml - measured.nominalMl);
  const ask = (usableMin: number, count = parts?.count ?? 1): MixAsk => ({
    sheet,
    kit,
    netMl: measured.nominalMl,
    p90Ml: doubted(measured.p90Ml),
    p95Ml: doubted(measured.p95Ml),
    reserve: repair.reserve,
    ...(context.spareMl ? { spareMl: context.spareMl } : {}),
    allowances: allowancesOf(method, context, repair.settings),
    portions: portions.map(({ places, before, ...portion }) => ({
      ...portion,
      ...(places && plansBy(BY_PLACES, actuals) ? { places } : {}),
      ...(before && plansBy(BY_BEFORE, actuals) ? { before } : {}),
    })),
    usableMin,
    placingMlPerMin: rate,
    rateChosen,
    crew: repair.crew,
    rateOfMixed: pace?.ofMixed === true && !parts && plansBy(BY_MIXED, actuals),
    massCapG: repair.massCapG,
    leastG: repair.leastG,
    vesselMaxMl: filmMl === null ? (repair.bench.vesselMaxMl ?? usualVesselMl(sheet, kit)) : null,
    vesselAssumed: repair.bench.vesselMaxMl === null,
    filmMl,
    oneLot: ENGINES[method.engine].oneLot?.(context) ?? false,
    // What is closed at once is spread out of all its packets; everywhere else one is used up before the next.
    oneKitAPot:
      (packetMin > 0 && engine.liesOpen !== 'closed') ||
      (engine.oneKitAPot(context) && (!context.params.ownPails || plansBy(BY_PAILS, actuals))),
    packetMin,
    ...(byPacks ? { severalUpToMl: severalUpToMl(kitVolumeMl(sheet, kit)) } : {}),
    asPlaced: isMixedAsPlaced(sheet),
    split: effects.split,
    parts: parts && {
      ...parts,
      count,
      openMin,
      goOn: context.params.rolling === true && plansBy(BY_BAGS, actuals),
      faces: plansBy(BY_FACES, actuals) ? facesOf(method, context) : null,
    },
    cuts: actuals.cuts,
    borders: repair.borders,
    count: placesIn(context.void),
    ...perPlace,
    placeChosen: repair.settings['per-place'] !== undefined,
    inRounds: engine.inRounds,
    grouping: effects.grouping,
    mixerOn: context.mixerOn !== null,
    stops: repair.stops,
    dayMin,
    tubeMl: tubeMl(context),
    // Where nobody chooses otherwise the first shots of a mixer go: the steps say so.
    purge: effects.purge || !engine.inRounds,
    idleMin: idleReach?.atMs ? (idleReach.atMs - atMs) / MIN_MS : null,
  });
  const asTheyOpen = amounts(ask(usable));
  const even = evenAreas(ask(usable), asTheyOpen);
  const first = even === null ? asTheyOpen : amounts(ask(usable, even));
  // Spread out it heats itself no more than the sheet’s own figure for that knows.
  const spreads = effects.pouredOut && printed !== undefined;
  const pot = potC.ok && !spreads ? potEstimate(sheet, pots, potC.value, repair) : null;
  const result = {
    mix: first,
    usableMin: usable,
    potC: potC.ok ? potC.value : Number.NaN,
    pot,
    untold,
    areas: even ?? areas,
  };
  if (!pot || actuals.usableMin !== null) return result;
  const largest = largestOf(sheet, first);
  const massG = vesselMassG(sheet, largest);
  const hasTo =
    takesMin(largest, (first.rateNeeded ?? rate) * repair.crew, parts?.spreadFirst ? 0 : (parts?.closeMin ?? 0)) +
    beforehandMin(largest);
  // What is done once for each pot a smaller one has as well.
  const once = largest.before?.eachMin ?? 0;
  const held = byMass({ massG, hasTo, once, lives, spent, pot });
  if (held.usableMin >= usable) return result;
  const again = amounts(ask(held.usableMin, even ?? undefined));
  return { ...result, mix: { ...again, working: [held.working, ...again.working] }, usableMin: held.usableMin };
}

/** Share of the pot life left to each batch by its own mass. */
export const sharesOf = (
  sheet: SheetRevision,
  { batches, pot }: { batches: readonly Batch[]; pot: PotEstimate | null },
): readonly PotShare[] =>
  pot
    ? batches.map((b) => {
        const massG = vesselMassG(sheet, b);
        return { massG, share: pot.shareOf(massG) ?? 1, referenceG: pot.referenceG };
      })
    : [];

/**
 * Pot life at the nearest temperature the sheet answers for, min: amounts may be counted with it, nothing is timed by
 * it.
 * @throws Refusal for a sheet that answers at no temperature
 */
function lifeNearBy(sheet: SheetRevision, useBy: Milestone, tempC: number | null): number {
  const pace = paceOf(useBy, 'short', sheet.family);
  const near = Math.min(Math.max(tempC ?? pace.lowC, pace.lowC), pace.highC);
  const minutes = pace.minutesAt(near);
  // The upper end of the last band belongs to it no longer.
  return Number.isFinite(minutes) ? minutes : pace.minutesAt(near - 1e-6);
}

/** The batch of which most stands in one pot. */
const largestOf = (sheet: SheetRevision, { batches }: MixResult): Batch =>
  batches.reduce((most, b) => (vesselMassG(sheet, b) > vesselMassG(sheet, most) ? b : most));

/** Minutes from the first to the last taken from the pot: parts before the last are closed in between. */
const takesMin = ({ placedMl, handledMl = placedMl, places }: Batch, mlPerMin: number, closeMin: number): number =>
  handledMl / mlPerMin + (places - 1) * closeMin;

/** Near ignition everything is sensitive: a lift must hold so many times as thick and so much warmer as well. */
const THICKER = 1.1;
const WARMER_K = 3;

/**
 * Reads the prepared pots of a sheet at one temperature; null where a sheet has none. Fillers of one's own dilute the
 * heat and do not end it: a filled pot stands as the neat one of the same volume, a filled lift as the neat one of the
 * same thickness, which errs to the hot side.
 */
function potEstimate(
  sheet: SheetRevision,
  heat: SheetHeat | null,
  potC: number,
  { blend, base }: Pick<Piece, 'blend' | 'base'>,
): PotEstimate | null {
  if (!heat || isMetered(sheet.kind)) return null;
  const filled = blend !== null;
  const stated = milestoneOf(sheet, 'use-by')?.referenceMassG ?? null;
  const referenceG = stated ?? ASSUMED_MASS_G;
  const neat = filled ? liquidDensity(sheet) / proportionOf(sheet).densityGPerMl : 1;
  return {
    referenceG,
    referenceStated: stated !== null,
    filled,
    beyond: (massG) => beyondTable('pot', massG * neat, potC),
    shareOf: (massG) => potShareIn(heat.pot, massG * neat, referenceG, potC),
    leftAlone: (massG) => worstIn(heat.pot, massG * neat, potC),
    lift: (thicknessMm, tempC) => {
      const table = heat.lifts[base.material];
      if (!table) return null;
      const likely = liftIn(table, thicknessMm, tempC);
      const worse = liftIn(table, thicknessMm * THICKER, tempC + WARMER_K);
      return likely && worse ? { likely, worse } : null;
    },
  };
}

/**
 * Minutes left to place a batch when its own heat shortens them: a larger pot is placed longer and dies sooner, so the
 * largest that is still placed in its life is found by halving. Where the batches are smaller than that, their own mass
 * decides.
 */
function byMass({
  massG,
  hasTo,
  once,
  lives,
  spent,
  pot,
}: {
  massG: number;
  hasTo: number;
  once: number;
  lives: number;
  spent: number;
  pot: PotEstimate;
}): {
  usableMin: number;
  working: WorkLine;
} {
  const left = (share: number) => lives * (pot.shareOf(massG * share) ?? 1) - spent;
  let [low, high] = [0, 1];
  if (left(1) >= hasTo) low = 1;
  else
    for (let i = 0; i < 40; i++) {
      const mid = (low + high) / 2;
      if (left(mid) >= once + (hasTo - once) * mid) low = mid;
      else high = mid;
    }
  const usableMin = left(low);
  return {
    usableMin,
    working: line(
      HERE.left(),
      HERE['left-by']({
        life: minutes(lives),
        reference: grams(pot.referenceG),
        stated: pot.referenceStated ? 'yes' : 'no',
        share: figure(pot.shareOf(massG * low) ?? 1, 2),
        mass: grams(massG * low),
        beyond: pot.beyond(massG * low) ? 'yes' : 'no',
        spent: minutes(spent),
      }),
      minutes(usableMin),
      HERE['own-heat'](),
    ),
  };
}

/** Minutes the mix must stand before it may be used, by the long end of the sheet; 0 where it asks for none. */
function standMin(sheet: SheetRevision, reachOf: Ask, atMs: number): number {
  const stand = milestoneOf(sheet, 'stand');
  const at = stand ? reachOf(stand, 'long', atMs).atMs : null;
  return at === null ? 0 : (at - atMs) / MIN_MS;
}
