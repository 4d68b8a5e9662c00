import { inSixteenths } from './figure';

/** Round figures in inches: the larger, the coarser; below an eighth they are thousandths. */
const ROUND_IN: readonly { readonly from: number; readonly step: number }[] = [
  { from: 36, step: 12 },
  { from: 6, step: 1 },
  { from: 1, step: 1 / 4 },
  { from: 1 / 8, step: 1 / 16 },
  { from: 0, step: 0.005 },
];
const MM_IN = 25.4;

/**
 * A length that is ours to choose, as whoever thinks in inches would choose it.
 * @returns mm, and the text of it
 * @example inRoundInches(200) // { valueMm: 203.2, text: '8 in' }
 */
export function inRoundInches(mm: number): { readonly valueMm: number; readonly text: string } {
  const inches = Math.abs(mm) / MM_IN;
  const { from, step } = ROUND_IN.find((r) => inches >= r.from)!;
  const round = Number(((mm < 0 ? -1 : 1) * Math.round(inches / step) * step).toPrecision(6));
  const text = from >= 36 ? `${round / 12} ft` : `${inSixteenths('in', round) ?? round} in`;
  return { valueMm: Number((round * MM_IN).toPrecision(10)), text };
}
