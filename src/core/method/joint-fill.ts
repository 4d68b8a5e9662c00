import { mm, percent, texts } from '../say';
import { arc, type Drawing, facesOf, kindOf, nominalMl, type Outline, rect, type VoidShape } from '../void';
import { type MethodContext, settingIn } from './context';
import type { AllowanceRow } from './method';

/**
 * How deep a joint that moves is filled. It stretches where it is half as deep as wide, and is held on two sides only:
 * in what is sawn deeper a rod stands under it.
 */
const SAYS = texts('joint-fill', {
  rod: 'below it: the rod',
  'rod-by': 'filled {fill} deep, not {depth}',
  over: 'left in the gun, struck off',
  'over-by': '{share} of what is filled',
});

/** Less holds on to nothing, mm. */
export const LEAST_FILL_MM = 8;

/** What says that a rod stands in it, and how deep it is filled over that, per cent of its width. */
export const ROD = 'rod';
export const FILL_PCT = 'fill';

/** How deep a joint of a width is filled at most over its rod, mm. */
export const fillMm = (widthMm: number, ofWidthPct: number): number =>
  Math.max(LEAST_FILL_MM, (widthMm * ofWidthPct) / 100);

/** Straight-sided, so far off: what narrows downwards has no room for a rod of its width. */
const STRAIGHT = 0.01;

/**
 * How deep one joint is filled, mm: over a rod as wide as it where there is room for one, else as it was measured.
 */
function filledMm(shape: VoidShape, ofWidthPct: number): number {
  const { thicknessMm: widthMm, maxDepthMm: depthMm } = facesOf(shape);
  const boxMl = ((kindOf(shape).runMm?.(shape) ?? 0) * widthMm * depthMm) / 1000;
  const isStraight = boxMl > 0 && Math.abs(nominalMl(shape) / boxMl - 1) < STRAIGHT;
  const fill = fillMm(widthMm, ofWidthPct);
  return isStraight && depthMm - fill >= widthMm ? fill : depthMm;
}

/** Of what was measured of a joint, the part that is filled, 0–1. */
export function filledShare(c: MethodContext): number {
  if (c.jointAsMeasured || !c.effects.shows.includes(ROD)) return 1;
  const each = c.void.shapes.map((s) => ({
    all: nominalMl(s),
    share: filledMm(s, settingIn(c, FILL_PCT)) / facesOf(s).maxDepthMm,
  }));
  const all = each.reduce((sum, s) => sum + s.all, 0);
  return all > 0 ? each.reduce((sum, s) => sum + s.all * s.share, 0) / all : 1;
}

/** A rod wider than its joint is pressed to its width, and stands as much higher. */
const OVERSIZE = 1.25;

/** The rod in the section of a joint, and the room under it that stays open; nothing where it is filled whole. */
export function rodInSection(c: MethodContext, shape: VoidShape, { outlines }: Drawing): readonly Outline[] {
  const fill = filledMm(shape, settingIn(c, FILL_PCT));
  const walls = outlines.filter((o) => o.role === 'void').flatMap((o) => o.points);
  if (!walls.length || filledShare(c) >= 1 || fill >= facesOf(shape).maxDepthMm) return [];
  const [x0, x1] = [Math.min(...walls.map(([x]) => x)), Math.max(...walls.map(([x]) => x))];
  const [top, floor] = [Math.min(...walls.map(([, y]) => y)) + fill, Math.max(...walls.map(([, y]) => y))];
  const half = Math.min(((x1 - x0) / 2) * OVERSIZE, (floor - top) / 2);
  const round = arc(1).map(([x, y]) => [(x0 + x1) / 2 + ((x1 - x0) / 2) * x, top + half + half * y] as const);
  return [
    { role: 'keep-clear', points: rect(x0, top, x1, floor) },
    { role: 'rod', points: round },
  ];
}

/** What the rod leaves unfilled. */
export const rodStands: AllowanceRow = {
  id: ROD,
  optional: true,
  of: (c) => {
    const share = filledShare(c);
    if (share >= 1) return null;
    const { thicknessMm, maxDepthMm } = c.measured.faces;
    return {
      label: SAYS.rod(),
      ml: (share - 1) * c.measured.nominalMl,
      expression: SAYS['rod-by']({
        fill: mm(Math.min(maxDepthMm, fillMm(thicknessMm, settingIn(c, FILL_PCT)))),
        depth: mm(maxDepthMm),
      }),
    };
  },
};

/** How deep below the face the rod stands, in the words of the step that sets it. */
export const rodGaps = {
  rod: (c: MethodContext) => (filledShare(c) < 1 ? 'yes' : 'no'),
  fill: (c: MethodContext) => mm(filledShare(c) * c.measured.faces.maxDepthMm),
};

/** What does not stay in it, of what is filled. */
export const leftInTheGun: AllowanceRow = {
  id: 'over',
  of: (c) => ({
    label: SAYS.over(),
    ml: (c.measured.nominalMl * filledShare(c) * settingIn(c, 'over')) / 100,
    expression: SAYS['over-by']({ share: percent(settingIn(c, 'over')) }),
  }),
};
