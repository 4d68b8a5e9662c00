import { listed, mm, texts, type Value } from '../say';
import { rodRow } from '../system';
import type { Annulus } from '../void';
import type { MethodContext } from './context';

const SAY = texts('rods', {
  drilled: '{bit}, {deep} deep',
  drilledTo: '{bit} to {deep}',
  sized: '{n} × {what}',
});

/** Rods in their holes, of each size one. */
export const rodsOf = (c: MethodContext): readonly Annulus[] => c.void.shapes as readonly Annulus[];

/** Of all holes, mm³, as mL. */
export const overHoles = (c: MethodContext, mm3: (s: Annulus) => number): number =>
  (c.void.count * rodsOf(c).reduce((sum, s) => sum + mm3(s), 0)) / 1000;

/** Volume of the whole bore, empty, of all holes, mL. */
export const boreMl = (c: MethodContext) =>
  overHoles(c, (s) => (Math.PI / 4) * s.holeDiameter.valueMm ** 2 * s.holeDepth.valueMm);

/** What is told of the holes; where they are of several sizes, of each, with how many there are of it. */
export function bySize(c: MethodContext, told: (s: Annulus) => Value): Value {
  const sizes = new Map<string, { n: number; what: Value }>();
  for (const shape of rodsOf(c)) {
    const what = told(shape);
    const key = JSON.stringify(what);
    sizes.set(key, { n: (sizes.get(key)?.n ?? 0) + c.void.count, what });
  }
  const all = [...sizes.values()];
  return all.length === 1 ? all[0]!.what : listed(all.map((of) => SAY.sized(of)));
}

/** Whether all holes are drilled alike. */
export const drilledAlike = (c: MethodContext): boolean => {
  const [first, ...others] = rodsOf(c);
  return others.every(
    (s) => s.holeDiameter.valueMm === first!.holeDiameter.valueMm && s.holeDepth.valueMm === first!.holeDepth.valueMm,
  );
};

/** The bit and the depth of each hole. */
export const drilledBySize = (c: MethodContext): Value => {
  const say = SAY[drilledAlike(c) ? 'drilled' : 'drilledTo'];
  return bySize(c, (s) => say({ bit: mm(s.holeDiameter.valueMm), deep: mm(s.holeDepth.valueMm) }));
};

/** The brush that the sheet names for each rod; none where it names one for none of them. */
export const brushOf = (c: MethodContext): Value => {
  const brushMm = (s: Annulus) => rodRow(c.sheet.holes, s.rodDiameter.valueMm)?.brushMm;
  if (!rodsOf(c).every(brushMm)) return 'none';
  return bySize(c, (s) => mm(brushMm(s)!));
};
