import { type Drawing, inPlace, type Lying, layerInPlace, voidSection } from '../void';
import { isTied } from './gates';
import type { Piece } from './repair';

/** A pass with its name, its void worked out. */
interface Named {
  readonly piece: Piece;
  readonly name: string;
}

/** Passes that lie on one another with one of them, without a place between them that is tied to nothing. */
function tiedWith(all: readonly Named[], at: number): { readonly from: number; readonly to: number } {
  let [from, to] = [at, at];
  while (from > 0 && isTied(all[from]!.piece)) from--;
  while (to + 1 < all.length && isTied(all[to + 1]!.piece)) to++;
  return { from, to };
}

/**
 * The section of a pass with what lies in its place already and what comes over it, to scale.
 * @param all the passes of the repair in the order they are worked
 * @param index which shape of its void
 * @param cut where it is cut, as a share of the way across
 * @throws Refusal for a void that cannot be drawn
 */
export function sectionInPlace(all: readonly Named[], passId: string, index: number, cut?: number): Drawing {
  const at = all.findIndex((p) => p.piece.passId === passId);
  const { piece } = all[at]!;
  const own = voidSection(piece.void!, index, cut);
  const { from, to } = tiedWith(all, at);
  const { takes } = piece;
  if (takes.from !== 'own') {
    // A layer on a face is drawn on what it lies on: the fill at the bottom of it all has the outline.
    let under = all.find((p) => p.piece.passId === takes.of);
    for (let t = under?.piece.takes; t && t.from !== 'own'; t = under?.piece.takes) {
      const { of } = t;
      under = all.find((p) => p.piece.passId === of);
    }
    const shape = piece.void!.shapes[0]!;
    // Over what was left low it is drawn as thick as it stands on the face round it.
    const thickness =
      takes.from === 'face' ? takes.thickness.valueMm : 'thickness' in shape ? shape.thickness.valueMm : null;
    return (
      (under?.piece.void && thickness !== null
        ? layerInPlace(
            under.piece.void.shapes[index] ?? under.piece.void.shapes[0]!,
            under.name,
            thickness,
            takes.from === 'face',
            takes.from === 'face' ? takes.beyondMm : 0,
          )
        : null) ?? own
    );
  }
  if (index > 0) return own;
  const others = all.slice(from, to + 1).flatMap(({ piece: p, name }, i): Lying[] => {
    const order = from + i;
    return order === at || !p.void || p.takes.from !== 'own'
      ? []
      : [{ name, void: p.void, lies: order < at ? 'already' : 'later' }];
  });
  return inPlace(own, others);
}
