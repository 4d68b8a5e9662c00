import { refuse } from '../units';
import type { Point } from '../void';
import type { SurfaceForm } from './surface-fit';

/** What a file held: places x, y, z side by side, in the units of the file. */
export interface Cloud {
  /** x, y, z of each point; for a mesh, three points a triangle, `triangles` of them. */
  readonly xyz: Float32Array | Float64Array;
  readonly triangles: number;
}

export interface ScanAsk {
  readonly surface: SurfaceForm;
  /** Millimetres in a unit of the file. */
  readonly mmPerUnit: number;
  /** The other side is the damaged one. */
  readonly flip?: boolean;
  /** Rim drawn on the map by hand, in its coordinates, mm; found when not given. */
  readonly rim?: readonly Point[];
  readonly seed?: number;
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

/** Largest extent of the points, in the units of the file. @throws Refusal naming the first point that is not a number */
export function extentOf({ xyz }: Cloud): number {
  let [x0, y0, z0] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  let [x1, y1, z1] = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let i = 0; i + 2 < xyz.length; i += 3) {
    const x = xyz[i]!;
    const y = xyz[i + 1]!;
    const z = xyz[i + 2]!;
    // A sum is finite only if all three are.
    if (!Number.isFinite(x + y + z))
      refuse('scan', [x, y, z], 'finite numbers', `Point ${i / 3 + 1} of the scan is not a number: the file is damaged there.`);
    if (x < x0) x0 = x;
    if (x > x1) x1 = x;
    if (y < y0) y0 = y;
    if (y > y1) y1 = y;
    if (z < z0) z0 = z;
    if (z > z1) z1 = z;
  }
  return Math.max(x1 - x0, y1 - y0, z1 - z0);
}

/** Units in which the scan has a likely size. @example likelyUnits(0.35) // ['m'] */
export const likelyUnits = (extent: number): readonly string[] =>
  SCAN_UNITS.filter((u) => extent * u.mm >= LIKELY_MM[0] && extent * u.mm <= LIKELY_MM[1]).map((u) => u.id);
