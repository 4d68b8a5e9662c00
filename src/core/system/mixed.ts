import type { PartId } from './kinds';
import { partsByWeight, roomOf } from './proportion';
import type { Part, SheetRevision } from './sheet';

/** What of a sheet says how dense its mix is. */
export type Mixable = Pick<SheetRevision, 'name' | 'parts' | 'ratio'>;

/** Density of what the parts of a sheet make together, g/mL. */
export function mixedDensity(sheet: Mixable): number {
  const masses = partsByWeight(sheet);
  const present = sheet.parts.flatMap((part) => (masses[part.id] > 0 ? [{ part, massG: masses[part.id] }] : []));
  return present.reduce((sum, p) => sum + p.massG, 0) / roomOf(present).volume;
}

/** Nothing that is mixed is so light or so heavy, g/mL: from hollow spheres to lead. */
const DENSITIES = [0.02, 12] as const;
/** Halvings of the range in which the factor is looked for: far beyond the digits of any sheet. */
const HALVINGS = 60;

/**
 * Parts whose mix has the density that is printed of it: what is known of them stands, the others are those usual for
 * their kind, all so many times as heavy. One that is not known follows exactly; of two, what they make together does.
 * @param free parts whose density the sheet does not print
 * @param mixedGPerMl density of the ready mix, or cured, as printed
 * @returns null where no density of the free parts makes it
 * @example partsOfMix({ ...sheet, ratio: 140 : 100 by weight }, ['A'], 1.18) // A 1.444 beside a liquid of 0.94
 */
export function partsOfMix(sheet: Mixable, free: readonly PartId[], mixedGPerMl: number): readonly Part[] | null {
  const heavier = (times: number): readonly Part[] =>
    sheet.parts.map((p) => (free.includes(p.id) ? { ...p, densityGPerMl: p.densityGPerMl * times } : p));
  const made = (times: number) => mixedDensity({ ...sheet, parts: [...heavier(times)] });
  const usual = sheet.parts.filter((p) => free.includes(p.id)).map((p) => p.densityGPerMl);
  if (!usual.length) return null;
  let [low, high] = [DENSITIES[0] / Math.min(...usual), DENSITIES[1] / Math.max(...usual)];
  if (!(made(low) <= mixedGPerMl && mixedGPerMl <= made(high))) return null;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = Math.sqrt(low * high);
    if (made(middle) < mixedGPerMl) low = middle;
    else high = middle;
  }
  return heavier(Math.sqrt(low * high));
}
