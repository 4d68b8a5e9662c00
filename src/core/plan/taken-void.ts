import { effectsOf, methodOf } from '../method';
import { attempt, refuse } from '../units';
import { kindOf, type Measured, measured, SHAPES, type Void, type VoidShape, voidOf } from '../void';
import type { Piece } from './repair';
import { settingOf } from './repair-plan';

/** The face that a fill of a void leaves, covered so thick; null where its outline is not known. */
function faceOf(v: Void, thickness: Measured): Void | null {
  const main = v.shapes[0];
  const outline = main && ('outline' in main ? main.outline : kindOf(main).faceOutline?.(main));
  if (!outline) return null;
  const coat = { ...SHAPES.coat.blank(), outline, thickness } as VoidShape;
  return { ...voidOf(coat), count: v.count };
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
  if (!below)
    return refuse(
      'takes.of',
      takes.of,
      [...all.keys()].join(', '),
      'The pass whose face this one takes is gone. Choose another.',
    );
  const under = takenVoid(below, all);
  if (!under) return null;
  const thickness = takes.from === 'face' ? takes.thickness : leftLow(below);
  return (
    faceOf(under, thickness) ??
    refuse(
      'takes',
      under.shapes[0]?.shape ?? null,
      'a void with an outline',
      'The face of that pass has no outline that is known: give this pass a void of its own.',
    )
  );
}

/** What a pass leaves low for the next, as a thickness. */
function leftLow(below: Piece): Measured {
  const method = methodOf(below.method.id);
  const effects = method && attempt(() => effectsOf(method, below.schools));
  if (!method || !effects?.ok || effects.value.level !== 'recess')
    return refuse(
      'takes.of',
      below.passId,
      'a pass that is left low',
      'That pass is filled flush and leaves nothing: choose “left low for a finish coat” there, or take its face with a thickness.',
    );
  return { ...measured(settingOf(method, below, 'recess'), 'gauge'), toleranceMm: STRUCK_MM };
}
