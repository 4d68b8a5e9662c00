import { blankShape, effectsOf, methodOf } from '../method';
import { attempt, refuse, texts } from '../say';
import {
  halfWidthMm,
  kindOf,
  type Measured,
  measured,
  outlineArea,
  type PlanOutline,
  standApart,
  type Void,
  type VoidShape,
  voidOf,
  widened,
} from '../void';
import type { Piece } from './repair';
import { settingOf } from './repair-plan';

const REFUSED = texts('refused.plan.taken-void', {
  'pass-whose-face': 'The pass whose face this one takes is gone. Choose another.',
  'face-pass-no': 'The face of that pass has no outline that is known: give this pass a void of its own.',
  'pass-filled-flush':
    'That pass is filled flush and leaves nothing: choose “left low for a finish coat” there, or take its face with a thickness.',
});

/** Seen from above what a fill of one shape leaves; null where that is not known. */
const outlineOf = (shape: VoidShape): PlanOutline | null =>
  ('outline' in shape ? shape.outline : kindOf(shape).faceOutline?.(shape)) ?? null;

/** A layer on a face: so thick, so far beyond it, and what was left low under it filled besides. */
interface Layer {
  readonly thickness: Measured;
  readonly beyondMm: number;
  readonly low: Measured | null;
}

/** So thick on the mean that what was left low is filled and the layer lies over all of it. */
function meanOf({ thickness, low }: Layer, faceMm2: number, allMm2: number): Measured {
  if (!low) return thickness;
  const share = faceMm2 / allMm2;
  const valueMm = thickness.valueMm + low.valueMm * share;
  return {
    ...thickness,
    valueMm,
    toleranceMm: Math.hypot(halfWidthMm(thickness), halfWidthMm(low) * share),
    text: thickness.text && `${Number(valueMm.toFixed(3))} mm`,
    textSystem: 'metric',
  };
}

/**
 * The face that a fill of a void leaves, covered; null where its outline is not known. Of several places it is all of
 * them, one beside the other; of other shapes that make one void the first is the mouth.
 */
function faceOf(v: Void, layer: Layer, blank: VoidShape): Void | null {
  const mouths = standApart(v) ? v.shapes : v.shapes.slice(0, 1);
  const coats = mouths.map((shape) => {
    const face = outlineOf(shape);
    if (!face) return null;
    const outline = widened(face, layer.beyondMm);
    const thickness = meanOf(layer, outlineArea(face).areaMm2, outlineArea(outline).areaMm2);
    const diameter = kindOf(shape).faceOpening?.(shape);
    const holes = diameter && diameter.valueMm > 0 && 'holes' in blank ? { holes: { count: 1, diameter } } : {};
    return { ...blank, outline, thickness, ...holes } as VoidShape;
  });
  if (coats.some((c) => c === null)) return null;
  return { ...voidOf(...(coats as VoidShape[])), count: v.count, ...(v.places ? { places: v.places } : {}) };
}

/** How exactly a level is struck, mm: what is left low is not measured before it is. */
const STRUCK_MM = 0.5;

/**
 * The void a pass fills: its own, the face another leaves, or what that leaves low.
 * @param all the passes of the repair by their ids
 * @returns null where nothing is measured yet
 * @throws Refusal where the pass below leaves no such face, or nothing low
 */
export function takenVoid(piece: Piece, all: ReadonlyMap<string, Piece>): Void | null {
  const { takes } = piece;
  if (takes.from === 'own') return piece.void;
  const below = all.get(takes.of);
  if (!below) return refuse('takes.of', takes.of, [...all.keys()].join(', '), REFUSED['pass-whose-face']());
  const under = takenVoid(below, all);
  if (!under) return null;
  const layer: Layer =
    takes.from === 'face'
      ? { thickness: takes.thickness, beyondMm: takes.beyondMm, low: isLeftLow(below) ? leftLow(below) : null }
      : { thickness: leftLow(below), beyondMm: 0, low: null };
  return (
    faceOf(under, layer, blankShape(piece.method.id, 'coat')) ??
    refuse('takes', under.shapes[0]?.shape ?? null, 'a void with an outline', REFUSED['face-pass-no']())
  );
}

/** Whether a pass is not filled to its face. */
function isLeftLow({ method: { id }, schools }: Piece): boolean {
  const method = methodOf(id);
  const effects = method && attempt(() => effectsOf(method, schools));
  return effects?.ok === true && effects.value.level === 'recess';
}

/** What a pass leaves low for the next, as a thickness. @throws Refusal where it leaves nothing low */
function leftLow(below: Piece): Measured {
  const method = methodOf(below.method.id);
  if (!method || !isLeftLow(below))
    return refuse('takes.of', below.passId, 'a pass that is left low', REFUSED['pass-filled-flush']());
  return { ...measured(settingOf(method, below, 'recess'), 'gauge'), toleranceMm: STRUCK_MM };
}
