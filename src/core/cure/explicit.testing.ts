import { BASE_PROPERTIES } from '../climate';
import type { LiftAsk } from './lift';
import type { Reactive } from './reactive';

/** Film in still air, W/m²K. */
const AIR = 10;

/**
 * A lift on its base in small even steps of explicit differences: nothing of the solver, its grid or its time steps.
 * @param cells in the lift, and in the base below it
 * @returns the highest mean temperature of the lift, °C
 */
export function explicitPeak(m: Reactive, o: LiftAsk, [up, down]: readonly [number, number]): number {
  const { k, rhoC, usualMm, usualBack } = BASE_PROPERTIES[o.base];
  const cells = (n: number, mm: number) => Array<number>(n).fill(mm / 1000 / n);
  const widths = [...cells(up, o.thicknessMm), ...cells(down, usualMm)];
  const n = widths.length;
  const kOf = (i: number) => (i < up ? m.k : k);
  const cOf = (i: number) => (i < up ? m.rhoC : rhoC);
  const temp = Float64Array.from({ length: n }, (_, i) => (i < up ? o.startC : o.baseC));
  const alpha = new Float64Array(up);
  const flow = new Float64Array(n + 1);
  const step = Math.min(1, ...widths.map((dx, i) => (0.3 * dx * dx * cOf(i)) / kOf(i)));
  let peak = o.startC;
  for (let s = 0; s < 24 * 3600; s += step) {
    // Heat into each cell through its upper face; air above, and behind what has air behind it.
    flow[0] = (o.airC - temp[0]!) / (1 / AIR + widths[0]! / 2 / m.k);
    for (let i = 1; i < n; i++)
      flow[i] = (temp[i - 1]! - temp[i]!) / (widths[i - 1]! / 2 / kOf(i - 1) + widths[i]! / 2 / kOf(i));
    flow[n] = usualBack === 'air' ? (temp[n - 1]! - o.airC) / (1 / AIR + widths[n - 1]! / 2 / k) : 0;
    let mean = 0;
    for (let i = 0; i < n; i++) {
      let gain = (flow[i]! - flow[i + 1]!) / widths[i]!;
      if (i < up) {
        const rate =
          m.a2 * Math.exp(-55_000 / (8.314462618 * (temp[i]! + 273.15))) * (0.05 + alpha[i]!) * (1 - alpha[i]!) ** 2;
        alpha[i]! += rate * step;
        gain += m.phi * m.liquidKgPerM3 * 360_000 * rate;
      }
      temp[i]! += (gain * step) / cOf(i);
      if (i < up) mean += temp[i]! / up;
    }
    if (mean > peak) peak = mean;
    else if (mean < peak - 3) break;
  }
  return peak;
}
