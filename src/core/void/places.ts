import { kindOf, nominalMl } from './measure';
import type { Void, VoidShape } from './shapes';

/** Whether all shapes are drilled holes: several stand beside one another and do not add up to one. */
export const areHoles = (shapes: readonly VoidShape[]): boolean =>
  shapes.every((shape) => kindOf(shape).bore?.(shape) !== undefined);

/** Whether its shapes stand beside one another, each a place by itself, and do not add up to one. */
export const standApart = ({ shapes, places }: Void): boolean => areHoles(shapes) || places?.length === shapes.length;

/** Places to work at: the like voids, and where one stands for several places, each of those. */
export const placesIn = (v: Void): number => v.count * (standApart(v) ? Math.max(1, v.shapes.length) : 1);

/** What each place holds, in the order of work, mL. */
export const placesMl = (v: Void): readonly number[] => {
  const one = v.shapes.map(nominalMl);
  const each = standApart(v) ? one : [one.reduce((a, b) => a + b, 0)];
  return Array.from({ length: v.count }, () => each).flat();
};

/** What each place is called, in the order of work; empty where it has no name. */
export const placeNames = (v: Void): readonly string[] =>
  Array.from({ length: placesIn(v) }, (_, i) => (standApart(v) ? (v.places?.[i % v.shapes.length] ?? '') : ''));

/** A void of other shapes, each with the name of its place where they have such; without names they add up to one. */
export function withShapes(v: Void, shapes: readonly VoidShape[], places?: readonly string[]): Void {
  const { places: _before, ...rest } = v;
  return { ...rest, shapes: [...shapes], ...(places ? { places: [...places] } : {}) };
}
