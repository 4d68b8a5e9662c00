import { exactly, finite, percent, refuse, texts } from '../say';

const REFUSED = texts('refused.climate.dew', {
  'humidity-must-above': 'Humidity must be above 0 and at most 100 %; {humidity} is not.',
});

/** Magnus constants over water (Alduchov & Eskridge 1996) and over ice. */
const WATER = { a: 17.625, b: 243.04, hPa: 6.1094 };
const ICE = { a: 22.587, b: 273.86, hPa: 6.1121 };

/** Vapour pressure of air, hPa, from temperature and relative humidity over water. */
export function vapourPressureHPa(airC: number, humidityPct: number): number {
  finite('airC', airC);
  if (!(humidityPct > 0 && humidityPct <= 100))
    refuse(
      'humidityPct',
      humidityPct,
      'more than 0 to 100 %',
      REFUSED['humidity-must-above']({ humidity: exactly(percent(humidityPct)) }),
    );
  return (humidityPct / 100) * WATER.hPa * Math.exp((WATER.a * airC) / (WATER.b + airC));
}

/**
 * Dew point, or frost point where it lies below 0 °C.
 * @example dewPointC(20, 50) // 9.26
 */
export function dewPointC(airC: number, humidityPct: number): number {
  const e = vapourPressureHPa(airC, humidityPct);
  const over = (m: typeof WATER) => {
    const y = Math.log(e / m.hPa);
    return (m.b * y) / (m.a - y);
  };
  const dew = over(WATER);
  return dew >= 0 ? dew : over(ICE);
}

/** Relative humidity over water for air holding that dew (or frost) point, per cent, capped at 100. */
export function humidityPct(airC: number, dewC: number): number {
  const m = dewC >= 0 ? WATER : ICE;
  const e = m.hPa * Math.exp((m.a * dewC) / (m.b + dewC));
  return Math.min(100, (100 * e) / vapourPressureHPa(airC, 100));
}
