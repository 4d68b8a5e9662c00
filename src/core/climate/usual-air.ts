import type { UnitSystem } from '../units';

/** Mild air out of doors, where nobody has said how it is, °C and %: round in the degrees of whoever begins. */
export const usualAir = (system: UnitSystem) =>
  ({ kind: 'constant', tempC: system === 'us' ? (60 - 32) / 1.8 : 15, humidityPct: 65 }) as const;
