import { perHundredOfA, type SheetRevision } from '../system';
import { positive } from '../units';

/** How far a pour is off its ratio, and what to do about it. */
export interface RatioCheck {
  /** Deviation of B/A from nominal, per cent; negative is short of B. */
  readonly deviationPct: number;
  readonly tolerancePct: number;
  /** False when the sheet is silent and ±5 % is assumed. */
  readonly fromSheet: boolean;
  readonly within: boolean;
  /** What brings it back while mixing is still allowed. */
  readonly add: { readonly part: 'A' | 'B'; readonly massG: number } | null;
}

/** Assumed where the sheet gives no tolerance; always shown as not from the sheet. */
export const ASSUMED_TOLERANCE_PCT = 5;

/** The tolerance that holds, and whether the sheet gave it. A dose has its range as tolerance. */
export function toleranceOf(sheet: SheetRevision): { readonly tolerancePct: number; readonly fromSheet: boolean } {
  if (sheet.ratio.tolerancePct !== null) return { tolerancePct: sheet.ratio.tolerancePct, fromSheet: true };
  if (!sheet.dose) return { tolerancePct: ASSUMED_TOLERANCE_PCT, fromSheet: false };
  // The nearer end of the range, as a share of the dose that is mixed.
  const dose = sheet.ratio.b / sheet.ratio.a;
  const ends = [sheet.dose.minPct, sheet.dose.maxPct].map((p) => perHundredOfA(p, sheet.dose!.of) / 100);
  return { tolerancePct: Math.max(1, Math.min(...ends.map((e) => Math.abs(e / dose - 1) * 100).filter((x) => x > 1e-6))), fromSheet: true };
}

/** Compares poured masses with the nominal ratio B/A by weight. @throws Refusal for masses that are not positive */
export function checkRatio(massA: number, massB: number, nominalBOverA: number, tolerancePct: number | null): RatioCheck {
  positive('massA', massA, 'The mass of A');
  positive('massB', massB, 'The mass of B');
  positive('nominal', nominalBOverA, 'The ratio');
  const deviationPct = (massB / massA / nominalBOverA - 1) * 100;
  const tolerance = tolerancePct ?? ASSUMED_TOLERANCE_PCT;
  const within = Math.abs(deviationPct) <= tolerance + 1e-9;
  const add = within
    ? null
    : deviationPct < 0
      ? { part: 'B' as const, massG: massA * nominalBOverA - massB }
      : { part: 'A' as const, massG: massB / nominalBOverA - massA };
  return { deviationPct, tolerancePct: tolerance, fromSheet: tolerancePct !== null, within, add };
}

/** Worst deviation of B/A, per cent, that a scale of that step can make: each reading half a step out, in opposite directions. */
export function scaleErrorPct(massA: number, massB: number, stepG: number): number {
  const half = stepG / 2;
  if (massA <= half) return Number.POSITIVE_INFINITY;
  return Math.max(
    ((massB + half) / (massA - half) / (massB / massA) - 1) * 100,
    (1 - (massB - half) / (massA + half) / (massB / massA)) * 100,
  );
}

/** Smallest mass of A with which a scale of that step keeps B/A inside the tolerance, g. Solved exactly from the worst case. */
export function smallestBatchAG(nominalBOverA: number, stepG: number, tolerancePct: number): number {
  // (r·m + s)/(m − s) = r(1 + t)  →  m = s (1 + r(1 + t)) / (r t)
  const s = stepG / 2;
  const t = tolerancePct / 100;
  return (s * (1 + nominalBOverA * (1 + t))) / (nominalBOverA * t);
}
