import { type Message, texts } from '../say';
import { perHundredOfA, type SheetRevision } from '../system';
import { figure } from '../units';

const TOLERANCE = texts('tolerance', {
  even: '±{pct} %',
  uneven: '{short, select, 0 {0} other {−{short}}} to {over, select, 0 {0} other {+{over}}} %',
});

/** How far B/A may lie off its nominal value, per cent of it: short of B, and over. */
export interface Tolerance {
  readonly shortPct: number;
  readonly overPct: number;
  /** False when the sheet is silent and ±5 % is assumed. */
  readonly fromSheet: boolean;
}

/** Assumed where the sheet gives no tolerance; always shown as not from the sheet. */
export const ASSUMED_TOLERANCE_PCT = 5;

/** The same to both sides. */
export const evenly = (pct: number, fromSheet: boolean): Tolerance => ({ shortPct: pct, overPct: pct, fromSheet });

/**
 * The tolerance that holds. That of a dose is its range, met at the dose chosen: at the least dose nothing may be
 * missing, at the most nothing may be over.
 */
export function toleranceOf(sheet: SheetRevision): Tolerance {
  const { ratio, dose } = sheet;
  // One figure of a dose, 6.5 L of water to a bag, names no range: it is no tolerance of nought.
  if (!dose || dose.minPct === dose.maxPct)
    return evenly(ratio.tolerancePct ?? ASSUMED_TOLERANCE_PCT, ratio.tolerancePct !== null);
  const chosen = ratio.b / ratio.a;
  const off = (pct: number) => (perHundredOfA(pct, dose.of) / 100 / chosen - 1) * 100;
  const [shortPct, overPct] = [Math.max(0, -off(dose.minPct)), Math.max(0, off(dose.maxPct))];
  const own = ratio.tolerancePct;
  return {
    shortPct: own === null ? shortPct : Math.min(own, shortPct),
    overPct: own === null ? overPct : Math.min(own, overPct),
    fromSheet: true,
  };
}

/** Whether a deviation of B/A lies within. @param deviationPct negative is short of B */
export const isWithin = (deviationPct: number, { shortPct, overPct }: Tolerance): boolean =>
  deviationPct >= -shortPct - 1e-9 && deviationPct <= overPct + 1e-9;

/** A tolerance as it is said: one figure where both sides are alike. */
export const saidTolerance = ({ shortPct, overPct }: Tolerance): Message =>
  Math.abs(shortPct - overPct) < 1e-9
    ? TOLERANCE.even({ pct: figure(shortPct, 2) })
    : TOLERANCE.uneven({ short: figure(shortPct, 2), over: figure(overPct, 2) });

/**
 * Worst deviation of B/A, per cent, that a scale of that step can make: each reading half a step out, in opposite
 * directions.
 */
export function scaleErrorPct(massA: number, massB: number, stepG: number): number {
  const half = stepG / 2;
  if (massA <= half) return Number.POSITIVE_INFINITY;
  return Math.max(
    ((massB + half) / (massA - half) / (massB / massA) - 1) * 100,
    (1 - (massB - half) / (massA + half) / (massB / massA)) * 100,
  );
}

/**
 * Smallest mass of A with which a scale of that step keeps B/A inside the tolerance, g. Solved exactly from the worst
 * case.
 */
export function smallestBatchAG(nominalBOverA: number, stepG: number, tolerancePct: number): number {
  // (r·m + s)/(m − s) = r(1 + t)  →  m = s (1 + r(1 + t)) / (r t)
  const s = stepG / 2;
  const t = tolerancePct / 100;
  return (s * (1 + nominalBOverA * (1 + t))) / (nominalBOverA * t);
}

/** Two readings a scale can show, g. */
export interface Readings {
  readonly a: number;
  readonly b: number;
}

/** How many steps of A are tried at most: whoever needs more than that has another scale. */
const MOST_STEPS = 20_000;

/**
 * The smallest batch that can be read off a scale of that step: whole steps of both parts, with B/A inside the
 * tolerance
 * although each reading is half a step out. Null where none is found.
 * @param nominalBOverA by mass
 */
export function smallestReadG(nominalBOverA: number, stepG: number, tolerance: Tolerance): Readings | null {
  if (!(nominalBOverA > 0 && stepG > 0 && Math.min(tolerance.shortPct, tolerance.overPct) > 0)) return null;
  const [low, high] = [1 - tolerance.shortPct / 100, 1 + tolerance.overPct / 100].map((k) => nominalBOverA * k) as [
    number,
    number,
  ];
  let best: { readonly a: number; readonly b: number } | null = null;
  for (let a = 1; a <= MOST_STEPS && (!best || a < best.a + best.b); a++) {
    // Of B as little as the short side lets through, if the other side still holds it.
    const b = Math.max(1, Math.ceil(low * (a + 0.5) + 0.5 - 1e-9));
    if (b + 0.5 <= high * (a - 0.5) + 1e-9 && (!best || a + b < best.a + best.b)) best = { a, b };
  }
  return best && { a: best.a * stepG, b: best.b * stepG };
}
