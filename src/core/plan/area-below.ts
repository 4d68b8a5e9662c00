import { blankShape } from '../method';
import { type PlanOutline, placesIn, type ShapeId, type VoidShape } from '../void';
import { pieceOf, type Repair } from './repair';

const isMeasured = (outline: PlanOutline): boolean =>
  outline.kind === 'polygon'
    ? outline.points.length > 2
    : [outline.length, outline.width].every(({ text }) => text !== '');

/** Seen from above what the nearest pass below covers; null where none is one area that was measured. */
function areaBelow(repair: Repair, passId: string): PlanOutline | null {
  const below = repair.chain.slice(0, Math.max(0, repair.chain.indexOf(passId))).reverse();
  for (const id of below) {
    const held = pieceOf(repair, id).void;
    const shape = held && held.shapes.length === 1 && placesIn(held) === 1 ? held.shapes[0]! : null;
    if (shape && 'outline' in shape && isMeasured(shape.outline)) return shape.outline;
  }
  return null;
}

/**
 * The first shape of a pass as it is begun: as large as what was measured below it, where both are areas, since nobody
 * measures a floor once for its bed and again for its joints; else with nothing measured.
 */
export function firstShape(repair: Repair, passId: string, id: ShapeId): VoidShape {
  const blank = blankShape(pieceOf(repair, passId).method.id, id);
  const outline = 'outline' in blank ? areaBelow(repair, passId) : null;
  return outline ? ({ ...blank, outline } as VoidShape) : blank;
}
