import { seeded } from '@/core/void';
import type { Scale, ScaleReading } from './scale';

/** How the made-up scale behaves. */
export interface ScaleCharacter {
  readonly stepG: number;
  /** Standard deviation of a reading, g. */
  readonly noiseG: number;
  /** Slow creep of the zero, g a minute. */
  readonly driftGPerMin: number;
  /** How fast a steady hand pours, g/s. */
  readonly pourGPerS: number;
  /** What still runs after the hand has stopped, s of the pour. */
  readonly dripS: number;
  /** The display follows the pan with this time constant, s. */
  readonly lagS: number;
}

export const USUAL_SCALE: ScaleCharacter = {
  stepG: 0.1,
  noiseG: 0.06,
  driftGPerMin: 0.15,
  pourGPerS: 18,
  dripS: 0.35,
  lagS: 0.25,
};

/** Everything the scale is at an instant; a step makes the next one. */
export interface PanState {
  readonly massG: number;
  readonly zeroG: number;
  readonly shownG: number;
  /** What is running into the pot, g/s. */
  readonly flowGPerS: number;
  readonly driftG: number;
}
export const EMPTY_PAN: PanState = { massG: 0, zeroG: 0, shownG: 0, flowGPerS: 0, driftG: 0 };

/** The pan a moment later. Pouring starts and stops as a liquid does: what is under way still arrives. */
export function panAfter(s: PanState, seconds: number, pouring: boolean, c: ScaleCharacter): PanState {
  const wanted = pouring ? c.pourGPerS : 0;
  // The stream follows the hand with the drip's time constant; its exact integral over the step lands in the pot.
  const k = Math.exp(-seconds / c.dripS);
  const flow = wanted + (s.flowGPerS - wanted) * k;
  const arrived = wanted * seconds + (s.flowGPerS - wanted) * c.dripS * (1 - k);
  const massG = s.massG + arrived;
  const driftG = s.driftG + (c.driftGPerMin * seconds) / 60;
  const pan = massG - s.zeroG + driftG;
  return { ...s, massG, flowGPerS: flow, driftG, shownG: pan + (s.shownG - pan) * Math.exp(-seconds / c.lagS) };
}

/** Taring takes whatever the display shows as nought. */
export const tared = (s: PanState): PanState => ({ ...s, zeroG: s.massG + s.driftG, driftG: 0, shownG: 0 });

/** What the display shows: with noise, rounded to its step. @param unit a random number of standard normal spread */
export const displayG = (s: PanState, unit: number, c: ScaleCharacter): number =>
  Math.round((s.shownG + unit * c.noiseG) / c.stepG) * c.stepG;

/** The scale that ships: tares, wavers, creeps, overshoots and may be unplugged. */
export interface SimulatedScale extends Scale {
  pour(on: boolean): void;
  plug(inside: boolean): void;
  readonly plugged: () => boolean;
}

const TICK_MS = 80;

/** @param clock epoch ms; given so that tests can turn it */
export function simulatedScale(
  character: ScaleCharacter = USUAL_SCALE,
  seed = 7,
  clock: { readonly now: () => number; readonly every: (ms: number, run: () => void) => () => void } = {
    now: () => Date.now(),
    every: (ms, run) => {
      const timer = setInterval(run, ms);
      return () => clearInterval(timer);
    },
  },
): SimulatedScale {
  const random = seeded(seed);
  // Twelve uniform numbers make a normal one well enough for a display.
  const normal = () => Array.from({ length: 12 }, random).reduce((a, b) => a + b, -6);
  let pan = EMPTY_PAN;
  let pouring = false;
  let inside = true;
  let last = clock.now();
  let shown = 0;
  const listeners = new Set<(r: ScaleReading) => void>();
  let stop: (() => void) | undefined;
  const tell = (r: ScaleReading) => {
    for (const l of listeners) l(r);
  };
  const tick = () => {
    const now = clock.now();
    pan = panAfter(pan, Math.min(1, (now - last) / 1000), pouring, character);
    last = now;
    if (!inside) return;
    shown = displayG(pan, normal(), character);
    tell({ kind: 'reading', grams: shown, stable: Math.abs(pan.flowGPerS) < 0.02 && !pouring, atMs: now });
  };
  return {
    name: 'bench scale (simulated)',
    stepG: character.stepG,
    listen(onReading) {
      listeners.add(onReading);
      if (!stop) {
        last = clock.now();
        stop = clock.every(TICK_MS, tick);
      }
      return () => {
        listeners.delete(onReading);
        if (!listeners.size) {
          stop?.();
          stop = undefined;
        }
      };
    },
    tare() {
      pan = tared(pan);
    },
    pour(on) {
      pouring = on;
    },
    plug(now) {
      inside = now;
      if (!now) tell({ kind: 'lost', lastGrams: shown, atMs: clock.now() });
    },
    plugged: () => inside,
  };
}
