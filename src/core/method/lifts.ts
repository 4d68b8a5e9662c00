import { leanThreshold, proportionOf } from '../system';
import { figure, refuse } from '../units';
import { kindOf, liftShares, nominalMl, type VoidShape } from '../void';
import { type MethodContext, settingIn } from './context';

/** Nobody fills a hole in more. */
const MOST_LIFTS = 100;

/** Thickness of the skim that is pressed in first, mm; 0 where there is none. */
export const skimOf = (c: MethodContext): number => (c.params.skim ? settingIn(c, c.params.skim) : 0);

/** Shapes that are filled in lifts: of narrow holes, which go in at once, there are none. */
const inLifts = (c: MethodContext): readonly VoidShape[] => {
  const { straight } = c.params;
  if (!straight) return c.void.shapes;
  const narrow = settingIn(c, straight);
  return c.void.shapes.filter((s) => (kindOf(s).bore?.(s)?.acrossMm ?? Number.POSITIVE_INFINITY) > narrow);
};

/** The deepest of what is filled in lifts, mm; of narrow holes alone, their depth. */
const deepestMm = (c: MethodContext): number => {
  const shapes = inLifts(c);
  return shapes.length && shapes.length < c.void.shapes.length
    ? Math.max(...shapes.map((s) => kindOf(s).faces(s).maxDepthMm))
    : c.measured.faces.maxDepthMm;
};

/** What the lifts have to fill at the deepest place, mm: layers that follow the floor carry the crown, too. */
export const depthToFill = (c: MethodContext): number =>
  deepestMm(c) + (c.params.conformal ? (c.effects.level === 'crown' ? settingIn(c, 'crown') : 0) - skimOf(c) : 0);

/** Lifts the sheet asks for. @throws Refusal when they would be more than anybody places */
export function liftsOf(c: MethodContext): number {
  // A chosen lift may be thinner than the sheet's, never thicker.
  const own = [c.sheet.limits.liftMaxMm, c.liftMm].filter((x): x is number => x !== null);
  const max = own.length ? Math.min(...own) : null;
  const deep = depthToFill(c);
  const atOnce = c.effects.onePass || c.params.narrow || !inLifts(c).length;
  const lifts = atOnce || max === null ? 1 : Math.max(1, Math.ceil(deep / max - 1e-9));
  if (lifts > MOST_LIFTS)
    refuse(
      'liftMm',
      max,
      `a lift that fills it in up to ${MOST_LIFTS}`,
      `Lifts of ${figure(max ?? 0)} mm would be ${lifts} to fill ${figure(deep)} mm: check the thickness of a lift and the depth.`,
    );
  return lifts;
}

/** Share of the void that each lift fills. */
export function sharesOf(c: MethodContext): readonly number[] {
  const lifts = liftsOf(c);
  if (c.params.conformal) return Array.from({ length: lifts }, () => 1 / lifts);
  const shapes = inLifts(c);
  if (shapes.length === c.void.shapes.length || !shapes.length) return liftShares(c.void, lifts);
  // Narrow holes are filled with the first lift of the others.
  const volume = (of: readonly VoidShape[]) => of.reduce((sum, s) => sum + nominalMl(s), 0);
  const layered = volume(shapes) / volume(c.void.shapes);
  return liftShares({ ...c.void, shapes: [...shapes] }, lifts).map((s, i) => s * layered + (i === 0 ? 1 - layered : 0));
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
    const share = ml > 0 ? ml / (c.measured.nominalMl * of * liquidShare + ml) : 0;
    return {
      areaM2,
      ml,
      share,
      threshold,
      cut: ml > 0 && (c.effects.sandCut || threshold === null || share > threshold),
    };
  });
}
