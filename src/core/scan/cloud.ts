import { refuse, texts } from '../say';
import type { Point } from '../void';
import type { SurfaceForm } from './surface-fit';

const REFUSED = texts('refused.scan.cloud', {
  'point-scan-not': 'Point {n} of the scan is not a number: the file is damaged there.',
});

/** What a file held: places x, y, z side by side, in the units of the file. */
export interface Cloud {
  /** x, y, z of each point; for a mesh, three points a triangle, `triangles` of them. */
  readonly xyz: Float32Array | Float64Array;
  readonly triangles: number;
  /** Points in the file, where only a part of them was taken from it. */
  readonly held?: number;
}

/**
 * Points or triangles that are laid on the map; of larger scans every second, third, … is taken, which costs no
 * accuracy.
 */
const ENOUGH = 125_000;

/** Of how many points or triangles one is taken. @example everyOf(1_000_000) // 6 */
export const everyOf = (many: number): number => Math.max(1, Math.floor(many / ENOUGH));

export interface ScanAsk {
  readonly surface: SurfaceForm;
  /** Millimetres in a unit of the file. */
  readonly mmPerUnit: number;
  /** The other side is the damaged one. */
  readonly flip?: boolean;
  /** Rim drawn on the map by hand, in its coordinates, mm; found when not given. */
  readonly rim?: readonly Point[];
  readonly seed?: number;
  /** The size is meant, however large or small. */
  readonly anySize?: boolean;
  /** Told how far it is, 0 to 1. */
  readonly progress?: (share: number, doing: string) => void;
}

/** Units a scan may be in; a file of points does not say. */
export const SCAN_UNITS = [
  { id: 'mm', label: 'mm', mm: 1 },
  { id: 'cm', label: 'cm', mm: 10 },
  { id: 'm', label: 'm', mm: 1000 },
  { id: 'in', label: 'in', mm: 25.4 },
] as const;

/** Sizes a damaged place is scanned at, mm: what lies outside hints at a wrong unit. */
const LIKELY_MM = [40, 4000] as const;

/**
 * Points that tell the extent well enough: it hints at the unit and sets the cells, neither of which turns on the last
 * millimetre.
 */
const TELLING = 250_000;

/**
 * Largest extent of the points, in the units of the file, to the spacing of the points looked at. @throws Refusal
 * naming the first point that is not a number
 */
export function extentOf({ xyz }: Cloud): number {
  // A sum is finite only if all its terms are; three sums run side by side.
  let [sx, sy, sz] = [0, 0, 0];
  const all = xyz.length - 2;
  for (let i = 0; i < all; i += 3) {
    sx += xyz[i]!;
    sy += xyz[i + 1]!;
    sz += xyz[i + 2]!;
  }
  if (!Number.isFinite(sx + sy + sz)) refuseFirst(xyz);
  let [x0, y0, z0] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  let [x1, y1, z1] = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  const step = 3 * Math.max(1, Math.floor(xyz.length / 3 / TELLING));
  for (let i = 0; i < all; i += step) {
    const x = xyz[i]!;
    const y = xyz[i + 1]!;
    const z = xyz[i + 2]!;
    if (x < x0) x0 = x;
    if (x > x1) x1 = x;
    if (y < y0) y0 = y;
    if (y > y1) y1 = y;
    if (z < z0) z0 = z;
    if (z > z1) z1 = z;
  }
  return Math.max(x1 - x0, y1 - y0, z1 - z0);
}

function refuseFirst(xyz: Cloud['xyz']): never {
  let i = 0;
  while (Number.isFinite(xyz[i]! + xyz[i + 1]! + xyz[i + 2]!)) i += 3;
  return refuse(
    'scan',
    [xyz[i]!, xyz[i + 1]!, xyz[i + 2]!],
    'finite numbers',
    REFUSED['point-scan-not']({ n: i / 3 + 1 }),
  );
}

/** Whether a place is scanned at this size, mm across. */
export const isLikely = (mm: number): boolean => mm >= LIKELY_MM[0] && mm <= LIKELY_MM[1];

/** Units in which the scan has a likely size. @example likelyUnits(0.35) // ['m'] */
export const likelyUnits = (extent: number): readonly string[] =>
  SCAN_UNITS.filter((u) => isLikely(extent * u.mm)).map((u) => u.id);
