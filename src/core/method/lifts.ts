import { mm, refuse, texts } from '../say';
import { leanThreshold, proportionOf } from '../system';
import { figure } from '../units';
import { belowMl, facesOf, kindOf, layerShares, liftShares, placesMl, standApart, type VoidShape } from '../void';
import { type MethodContext, settingIn } from './context';

const REFUSED = texts('refused.method.lifts', {
  'lifts-would-fill': 'Lifts of {max} would be {lifts} to fill {deep}: check the thickness of a lift and the depth.',
  'so-layer-would': 'So one layer would be {thickest}, the most is {max}.',
});

/** Nobody fills a hole in more. */
const MOST_LIFTS = 100;

/** Thickness of the skim that is pressed in first, mm; 0 where there is none. */
export const skimOf = (c: MethodContext): number => (c.params.skim ? settingIn(c, c.params.skim) : 0);

/** How wide a hole is that goes in at once, however deep, mm; 0 where none does. */
const straightMm = (c: MethodContext): number => (c.params.straight ? settingIn(c, c.params.straight) : 0);

/** What is left empty at the top for a coat, mm. */
const leftLowMm = (c: MethodContext): number =>
  c.effects.level === 'recess' && !c.params.conformal ? settingIn(c, 'recess') : 0;

/** Whether a shape is filled in lifts: a narrow hole goes in at once. */
const inLifts = (c: MethodContext, shape: VoidShape): boolean =>
  (kindOf(shape).bore?.(shape)?.acrossMm ?? Number.POSITIVE_INFINITY) > straightMm(c);

/** The deepest of what is filled in lifts, mm; of narrow holes alone, their depth. */
const deepestMm = (c: MethodContext): number => {
  const shapes = c.void.shapes.filter((s) => inLifts(c, s));
  return shapes.length && shapes.length < c.void.shapes.length
    ? Math.max(...shapes.map((s) => facesOf(s).maxDepthMm))
    : c.measured.faces.maxDepthMm;
};

/** So much of a depth is filled, mm: no recess takes all of it. */
const filledMm = (c: MethodContext, depthMm: number): number => {
  const left = depthMm - leftLowMm(c);
  return left > 0 ? left : depthMm;
};

/** What the lifts have to fill at the deepest place, mm: layers that follow the floor carry the crown, too. */
export const depthToFill = (c: MethodContext): number =>
  filledMm(c, deepestMm(c)) +
  (c.params.conformal ? (c.effects.level === 'crown' ? settingIn(c, 'crown') : 0) - skimOf(c) : 0);

/**
 * Thickest lift of the sheet or as chosen, mm; null where nothing bounds it. A chosen one is never thicker than the
 * sheet's.
 */
const mostMm = (c: MethodContext): number | null => {
  const own = [c.sheet.limits.liftMaxMm, c.liftMm].filter((x): x is number => x !== null);
  return own.length ? Math.min(...own) : null;
};

/** Lifts the sheet asks for. @throws Refusal when they would be more than anybody places, or the first is too thick */
export function liftsOf(c: MethodContext): number {
  const max = mostMm(c);
  const deep = depthToFill(c);
  const atOnce = c.effects.onePass || c.params.narrow || !c.void.shapes.some((s) => inLifts(c, s));
  const lifts = atOnce || max === null ? 1 : Math.max(1, Math.ceil(deep / max - 1e-9));
  if (lifts > MOST_LIFTS)
    refuse(
      'liftMm',
      max,
      `a lift that fills it in up to ${MOST_LIFTS}`,
      REFUSED['lifts-would-fill']({ max: mm(max ?? 0), lifts, deep: mm(deep) }),
    );
  const first = deep * (firstFirst(lifts, leadOf(c))[0] ?? 1);
  if (max !== null && leadOf(c) !== 0 && lifts > 1) {
    const thickest = Math.max(first, (deep - first) / (lifts - 1));
    if (thickest > max + 1e-9)
      refuse(
        `settings.${c.params.lead}`,
        leadOf(c),
        `layers up to ${figure(max)} mm`,
        REFUSED['so-layer-would']({ thickest: mm(thickest), max: mm(max) }),
      );
  }
  return lifts;
}

/** By how much the first lift is thicker than an even one, %. */
export const leadOf = (c: MethodContext): number => (c.params.lead ? settingIn(c, c.params.lead) : 0);

/** Each lift’s share of the depth, deepest first: the others share evenly what the first leaves. */
const firstFirst = (lifts: number, leadPct: number): readonly number[] => {
  if (lifts === 1) return [1];
  const first = (1 + leadPct / 100) / lifts;
  return [first, ...Array.from({ length: lifts - 1 }, () => (1 - first) / (lifts - 1))];
};

/** Thickness of each lift at the deepest place, deepest first, mm. */
export const liftsMm = (c: MethodContext): readonly number[] =>
  firstFirst(liftsOf(c), leadOf(c)).map((share) => share * depthToFill(c));

/** In how many layers a single place is filled: a shallow one in fewer than the deepest. */
const layersIn = (c: MethodContext, shape: VoidShape): number => {
  const max = mostMm(c);
  if (liftsOf(c) === 1 || max === null || !inLifts(c, shape)) return 1;
  return Math.max(1, Math.ceil(filledMm(c, facesOf(shape).maxDepthMm) / max - 1e-9));
};

/** Thickness of each layer of one place, deepest first, mm. */
export const layersMm = (c: MethodContext, shape: VoidShape): readonly number[] => {
  const deep = filledMm(c, facesOf(shape).maxDepthMm);
  return firstFirst(layersIn(c, shape), leadOf(c)).map((share) => share * deep);
};

/** What each layer of one place takes, deepest first, mL, up to its recess; the last with its crown. */
function layersMl(c: MethodContext, shape: VoidShape): readonly number[] {
  const { maxDepthMm, planAreaMm2 } = facesOf(shape);
  let z = maxDepthMm;
  const ml = layersMm(c, shape).map((thick) => {
    const from = belowMl(shape, z);
    z = Math.max(0, z - thick);
    return belowMl(shape, z) - from;
  });
  const crown = c.effects.level === 'crown' ? (planAreaMm2 * settingIn(c, 'crown')) / 1000 : 0;
  return ml.map((mine, i) => mine + (i === ml.length - 1 ? crown : 0));
}

/**
 * Share of the fill that each lift takes; of several places, each is divided by itself, and the shallow ones are full
 * before.
 */
export function sharesOf(c: MethodContext): readonly number[] {
  const lifts = liftsOf(c);
  const even = firstFirst(lifts, leadOf(c));
  if (c.params.conformal) return even;
  if (!standApart(c.void)) return leadOf(c) === 0 ? liftShares(c.void, lifts) : layerShares(c.void, even);
  const each = c.void.shapes.map((shape) => layersMl(c, shape));
  const ml = even.map((_, lift) => each.reduce((sum, layers) => sum + (layers[lift] ?? 0), 0));
  const all = ml.reduce((a, b) => a + b, 0);
  return ml.map((x) => x / all);
}

/**
 * What each place takes of each lift, as shares of that lift: places are filled one after the other. Of one void with
 * several shapes there is one.
 */
export function placesOfLifts(c: MethodContext): readonly (readonly number[])[] {
  const lifts = liftsOf(c);
  const each =
    standApart(c.void) && !c.params.conformal
      ? c.void.shapes.map((shape) => layersMl(c, shape))
      : placesMl({ ...c.void, count: 1 }).map((ml) => Array.from({ length: lifts }, () => ml));
  const all = Array.from({ length: c.void.count }, () => each).flat();
  return Array.from({ length: lifts }, (_, lift) => {
    const mine = all.map((layers) => layers[lift] ?? 0);
    const sum = mine.reduce((a, b) => a + b, 0);
    return mine.map((ml) => ml / sum);
  });
}

/** The primer of one lift: its floor, for the first, and its walls. */
export interface LiftPrimer {
  readonly areaM2: number;
  /** Liquid drawn off from the batches of this lift, mL; 0 where it is not the primer. */
  readonly ml: number;
  /**
   * Share of the liquid of this lift, and the share up to which its sand may stay whole; null where that cannot be
   * told.
   */
  readonly share: number;
  readonly threshold: number | null;
  /** Whether the sand of what is drawn off is left out. */
  readonly cut: boolean;
}

/**
 * Primer of each lift. What a batch gives is judged on the liquid of its own lift, each batch giving what it covers.
 */
export function primerOf(c: MethodContext): readonly LiftPrimer[] {
  const { planAreaMm2, wettedAreaMm2 } = c.measured.faces;
  const shares = sharesOf(c);
  const floor = (c.void.count * planAreaMm2) / 1e6;
  const walls = (c.void.count * Math.max(0, wettedAreaMm2 - planAreaMm2)) / 1e6 / shares.length;
  const threshold = leanThreshold(c.sheet);
  const { liquidShare } = proportionOf(c.sheet);
  const drawn = c.effects.priming === 'drawn';
  return shares.map((of, lift) => {
    const areaM2 = (lift === 0 ? floor : 0) + walls;
    const ml = drawn ? areaM2 * settingIn(c, 'primer') : 0;
    // Whole kits have the liquid that they have, however much of it the lift needs.
    const mine = c.measured.nominalMl * of;
    const kits = c.kitMl === null ? null : Math.ceil((mine + ml + c.sheet.potLossMl) / c.kitMl - 1e-9);
    const liquid = kits === null ? mine * liquidShare + ml : kits * c.kitMl! * liquidShare;
    const share = ml > 0 ? ml / liquid : 0;
    return {
      areaM2,
      ml,
      share,
      threshold,
      cut: ml > 0 && (c.effects.sandCut || threshold === null || share > threshold),
    };
  });
}
