/** A point in the plane, mm. */
export type Point = readonly [number, number];
