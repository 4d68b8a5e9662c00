import type { UnitSystem } from '../units';

/** Mild air out of doors, where nobody has said how warm it is, °C: round in the degrees of whoever begins. */
export const usualAirC = (system: UnitSystem): number => (system === 'us' ? (60 - 32) / 1.8 : 15);
