import { grams, type Message, texts } from '../say';
import { partsByWeight, type SheetRevision } from '../system';
import { neatGPerMl } from './fabric';
import { flowsOf } from './takes';

const SAY = texts('neat', {
  mixed: '{a} of A and {b} of B in a cup of their own{filled, select, yes {, nothing of the fillers in it} other {}}.',
  bought: 'A thin resin that goes with this paste by its maker’s word; without one the paste itself is worked in hard.',
});

/**
 * Where the neat resin for faces comes from: so much of A and B of the same system, before anything is filled in; of a
 * paste that comes filled there is none, and it is told what serves.
 * @param ml neat resin wanted, mL
 */
export function neatFrom(sheet: SheetRevision, ml: number): Message {
  const filled = sheet.parts.some((p) => p.filler !== null);
  const runs = flowsOf(sheet).some((flow) => flow === 'pours' || flow === 'thin');
  if (!runs && !filled) return SAY.bought();
  const by = partsByWeight(sheet);
  const liquid = sheet.parts.filter((p) => p.filler === null).reduce((sum, p) => sum + by[p.id], 0);
  const massG = ml * neatGPerMl(sheet);
  return SAY.mixed({
    a: grams((massG * by.A) / liquid),
    b: grams((massG * by.B) / liquid),
    filled: filled ? 'yes' : 'no',
  });
}
