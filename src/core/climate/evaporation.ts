/**
 * Water that leaves a fresh cement surface, kg/m²h, by Uno’s fit to the ACI 305 nomograph (ACI Materials Journal 95,
 * 1998): E = 5 ([Tc + 18]^2.5 − r [Ta + 18]^2.5) (V + 4) · 10⁻⁶.
 * @param o.surfaceC of the mortar, °C; o.airC, °C; o.humidityPct, per cent; o.windKmh, km/h
 * @returns 0 where the air gives water instead
 * @example evaporation({ surfaceC: 15, airC: 17, humidityPct: 45, windKmh: 22 }) // 0.389
 */
export function evaporation(o: {
  readonly surfaceC: number;
  readonly airC: number;
  readonly humidityPct: number;
  readonly windKmh: number;
}): number {
  const power = (c: number) => Math.max(0, c + 18) ** 2.5;
  return Math.max(0, 5e-6 * (power(o.surfaceC) - (o.humidityPct / 100) * power(o.airC)) * (o.windKmh + 4));
}
