import { facesOf, kindOf } from '../void';
import type { Actuals } from './actuals';
import type { RepairPlan } from './repair-plan';

/** A face refuses once a coat takes less than this share of what the first took. Practice; see `docs/methods.md`. */
export const REFUSAL_SHARE = 0.1;

/** What a face has drunk so far, coat by coat. */
export interface Uptake {
  /** Which shape of the void it is. */
  readonly face: number;
  readonly label: string;
  /** Its area, mm². */
  readonly areaMm2: number;
  /** What was estimated for it, mL. */
  readonly estimateMl: number;
  readonly coatsMl: readonly number[];
  readonly totalMl: number;
  /** The last coat as a share of the first; null before there are two. */
  readonly lastShare: number | null;
  readonly refuses: boolean;
  /** Number of the first coat that took more than the one before it, from 1; null while it falls. */
  readonly roseAt: number | null;
  /** Record against estimate; null before anything was drunk. */
  readonly factor: number | null;
  readonly mlPerM2: number;
}

/** What the faces of a soak have drunk; empty for a method that is not worked to refusal. */
export function uptakesOf({ method, piece }: RepairPlan, { drunk }: Actuals): readonly Uptake[] {
  if (!method?.params?.toRefusal || !piece.void) return [];
  const { shapes, count } = piece.void;
  return shapes.map((shape, face): Uptake => {
    const kind = kindOf(shape);
    const areaMm2 = facesOf(shape).planAreaMm2 * count;
    const values = [...kind.dimensions(shape).map((d) => d.measured.valueMm)];
    const estimateMl = kind.volume(shape)(values) * count;
    const coatsMl = drunk.filter((d) => d.face === face).map((d) => d.ml);
    const totalMl = coatsMl.reduce((a, b) => a + b, 0);
    const lastShare = coatsMl.length > 1 ? coatsMl.at(-1)! / coatsMl[0]! : null;
    const rose = coatsMl.findIndex((ml, i) => i > 0 && ml > coatsMl[i - 1]!);
    return {
      face,
      label: shapes.length > 1 ? `face ${face + 1}` : 'the face',
      areaMm2,
      estimateMl,
      coatsMl,
      totalMl,
      lastShare,
      refuses: lastShare !== null && lastShare < REFUSAL_SHARE,
      roseAt: rose < 0 ? null : rose + 1,
      factor: coatsMl.length && estimateMl > 0 ? totalMl / estimateMl : null,
      mlPerM2: totalMl / (areaMm2 / 1e6),
    };
  });
}
