import type { Kind } from '../units';
import type { List, Moment, Quantity, Value } from './message';

const of =
  (is: Kind) =>
  (value: number, digits?: number): Quantity =>
    digits === undefined ? { is, value } : { is, value, digits };

/** Quantities of a message, from values in core units. A second argument asks for so many significant figures. */
export const mm = of('length');
export const ml = of('volume');
export const mm2 = of('area');
export const newtons = of('force');
/** From so far on all places along one run are told in the larger unit, mm. */
const LONG_MM = 2000;
/** A place along a run: the same unit for all of them, whichever comes first. */
export const along = (atMm: number, runMm: number): Quantity =>
  runMm >= LONG_MM ? { is: 'length', value: atMm, large: true } : mm(atMm);
/** An area beside a figure for each square metre of it. */
export const areaOf = (mm2: number): Quantity => ({ is: 'area', value: mm2, large: true });
export const grams = of('mass');
export const areal = of('areal');
export const degC = of('temperature');
export const kelvin = of('interval');
export const minutes = of('duration');
export const percent = of('percent');
export const density = of('density');
/** mL/min, and mL/m². */
export const rate = of('rate');
export const uptake = of('uptake');
/** mL for each metre along something. */
export const runUptake = of('run-uptake');

/** A quantity with the figures it has, as a sheet prints its limits. @example exactly(degC(5)) */
export const exactly = (quantity: Quantity): Quantity => ({ ...quantity, exact: true });

/** A figure without its unit, as it stands within an expression. @example bare(mm(14)) */
export const bare = (quantity: Quantity): Quantity => ({ ...quantity, bare: true });

/** An instant within the days of the work. */
export const at = (ms: number): Moment => ({ at: Math.round(ms) });

/** An instant that may lie far off, with its date. */
export const on = (ms: number): Moment => ({ at: Math.round(ms), dated: true });

export const listed = (list: readonly Value[], join: List['join'] = 'and'): List => ({ list, join });
/** Stress, MPa. */
export const mpa = of('stress');
