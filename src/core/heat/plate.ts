import { positive } from '../say';

/** A flat piece that warms or cools through both faces alike, in SI units. */
export interface Plate {
  readonly halfM: number;
  readonly kWPerMK: number;
  /** Volumetric heat capacity ρc, J/m³K. */
  readonly rhoC: number;
  /** Heat transfer at either face, W/m²K. */
  readonly h: number;
}

const TERMS = 24;

/** The n-th root of ζ tan ζ = Bi, by halving: one lies in each interval of π from nπ to nπ + π/2. */
function root(n: number, biot: number): number {
  let [low, high] = [n * Math.PI, n * Math.PI + Math.PI / 2];
  for (let i = 0; i < 80; i++) {
    const mid = (low + high) / 2;
    if (mid * Math.sin(mid) < biot * Math.cos(mid) === (n % 2 === 0)) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/** Where in the piece its temperature is looked at. */
export type At = 'centre' | 'mean';

/**
 * How much of the step is left after a time: 1 at the beginning, 0 when it has taken on what surrounds it. The exact
 * series of the plane wall with a film at both faces (Carslaw and Jaeger, section 3.11).
 */
export function leftOf({ halfM, kWPerMK, rhoC, h }: Plate, seconds: number, at: At): number {
  for (const [field, value] of Object.entries({ halfM, kWPerMK, rhoC, h })) positive(field, value);
  if (seconds <= 0) return 1;
  const biot = (h * halfM) / kWPerMK;
  const fourier = (kWPerMK / rhoC) * (seconds / halfM ** 2);
  let sum = 0;
  for (let n = 0; n < TERMS; n++) {
    const z = root(n, biot);
    const term = ((4 * Math.sin(z)) / (2 * z + Math.sin(2 * z))) * Math.exp(-z * z * fourier);
    sum += at === 'centre' ? term : (term * Math.sin(z)) / z;
  }
  return Math.min(1, sum);
}

/**
 * Seconds until a piece of one temperature throughout, put into another, has come to a third; null where it never
 * does.
 */
export function secondsTo(
  plate: Plate,
  { fromC, intoC, toC, at }: { readonly fromC: number; readonly intoC: number; readonly toC: number; readonly at: At },
): number | null {
  const wanted = (toC - intoC) / (fromC - intoC);
  if (!(wanted > 0)) return null;
  if (wanted >= 1) return 0;
  let high = 1;
  while (leftOf(plate, high, at) > wanted) high *= 2;
  let low = 0;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (leftOf(plate, mid, at) > wanted) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}
