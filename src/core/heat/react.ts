import { type Budget, meter } from '../say';
import type { Grid } from './grid';
import { conductAlong, type Lines, linesOf } from './lines';

const R = 8.314462618;
const KELVIN = 273.15;

/** Curing after Kamal & Sourour (1973): dα/dt = (k₁ + k₂ αᵐ)(1 − α)ⁿ, kᵢ = Aᵢ exp(−E/RT), and the heat it sets free. */
export interface Kinetics {
  readonly activationJ: number;
  /** Rate constant of the autocatalysed path at infinite temperature, 1/s. */
  readonly a2: number;
  /** k₁/k₂. */
  readonly k1Share: number;
  readonly m: number;
  readonly n: number;
  /** Heat of the reacting liquid, J/m³ of it. */
  readonly heatJPerM3: number;
}

/** Rate of curing, 1/s. */
export function rate(k: Kinetics, alpha: number, tempC: number): number {
  const k2 = k.a2 * Math.exp(-k.activationJ / (R * (tempC + KELVIN)));
  const left = 1 - alpha;
  const auto = k.m === 1 ? alpha : alpha ** k.m;
  return k2 * (k.k1Share + auto) * (k.n === 2 ? left * left : left ** k.n);
}

/** What is around the body: outside temperatures of the four sides, °C. */
export interface Outside {
  readonly firstU: number;
  readonly lastU: number;
  readonly firstV: number;
  readonly lastV: number;
}

export interface RunAsk {
  readonly grid: Grid;
  readonly kinetics: Kinetics | null;
  readonly startC: number | Float64Array;
  readonly startAlpha?: Float64Array;
  /** Outside at an instant, s. */
  readonly outside: (s: number) => Outside;
  readonly untilS: number;
  /** Longest step, s. */
  readonly maxStepS?: number;
  /** Called after each step; returning true ends the run. */
  readonly watch?: (state: RunState) => boolean | undefined;
  /** Largest change of α or of temperature (K) in a step. */
  readonly stepAlpha?: number;
  readonly stepK?: number;
  /** Divides every limit of a step: to see what the steps leave out. */
  readonly fineness?: number;
  /** What it may cost, in steps times cells; ample for any pot or lift that there is. */
  readonly budget?: Budget;
}

export interface RunState {
  readonly s: number;
  readonly tempC: Float64Array;
  readonly alpha: Float64Array;
  /** Set free so far, and lost through the faces so far, J. */
  readonly freedJ: number;
  readonly lostJ: number;
}

/** Steps times cells of a run, by default: some seconds of computing. */
const MOST_TURNS = 200_000_000;
/** Largest change in a step: of α, and of the temperature, K. */
const STEP_ALPHA = 0.016;
const STEP_K = 1.2;
/** Largest change of the autocatalysed part, k₁/k₂ + α, in a step, as a share of it. */
const STEP_REL = 0.08;

/** Above this a run is stopped: whatever it is, it has run away, °C. */
const STOP_C = 400;

/** A body between two instants, and the room to work in. */
interface Body {
  readonly grid: Grid;
  readonly kinetics: Kinetics | null;
  /** Heat capacity of each cell, J/K, and warming per α, K. */
  readonly cap: Float64Array;
  readonly perAlphaK: Float64Array;
  /** How fast each cell cures at the beginning of a step, 1/s: three steps begin there. */
  readonly rates: Float64Array;
  readonly alongU: Lines;
  readonly alongV: Lines;
}

/** What changes in a step. */
interface Now {
  readonly t: Float64Array;
  readonly alpha: Float64Array;
  /**
   * How each cell warmed over the last step, reaction and conduction together: what the next step expects of it, K/s.
   */
  readonly warming: Float64Array;
  /** J. */
  freed: number;
  lost: number;
}

const copyInto = (to: Now, from: Now): void => {
  to.t.set(from.t);
  to.alpha.set(from.alpha);
  to.warming.set(from.warming);
  to.freed = from.freed;
  to.lost = from.lost;
};

/**
 * One step in place: the reaction in every cell at its own temperature (Heun, with the warming of the last step
 * foreseen), then conduction implicitly, direction by direction (locally one-dimensional backward Euler). First order
 * in time.
 * @param rates of curing where the step begins, 1/s, where they are known
 */
function stepOnce(
  { grid: g, kinetics, cap, perAlphaK, alongU, alongV }: Body,
  now: Now,
  dt: number,
  out: Outside,
  before: Float64Array,
  rates: Float64Array | null,
): void {
  const { t, alpha, warming } = now;
  const n = t.length;
  before.set(t);
  // Summed here: what is summed in a field of an object costs as much as the rest of the loop.
  let freed = 0;
  if (kinetics)
    for (let i = 0; i < n; i++) {
      if (g.reacting[i] === 0) continue;
      const r1 = rates ? rates[i]! : rate(kinetics, alpha[i]!, t[i]!);
      const a1 = Math.min(1, alpha[i]! + dt * r1);
      const r2 = rate(kinetics, a1, t[i]! + dt * warming[i]!);
      const gained = Math.min(1 - alpha[i]!, (dt * (r1 + r2)) / 2);
      alpha[i]! += gained;
      t[i]! += perAlphaK[i]! * gained;
      freed += perAlphaK[i]! * gained * cap[i]!;
    }
  now.freed += freed;
  now.lost += conductAlong(alongU, t, dt, out.firstU, out.lastU) + conductAlong(alongV, t, dt, out.firstV, out.lastV);
  for (let i = 0; i < n; i++) warming[i] = (t[i]! - before[i]!) / dt;
}

/**
 * ρ c ∂T/∂t = ∇·(k ∇T) + φ ΔH dα/dt by finite volumes, second order in time: every step is made once whole and once in
 * two halves, and what the halves change is taken twice (Richardson). What crosses a face and what is set free stay
 * balanced to the last digit, since both are straight sums. Steps adapt to the fastest cell.
 */
export function runHeat(ask: RunAsk): RunState {
  const { grid: g, kinetics } = ask;
  const n = g.nu * g.nv;
  const finer = ask.fineness ?? 1;
  const stepAlpha = (ask.stepAlpha ?? STEP_ALPHA) / finer;
  const stepRel = STEP_REL / finer;
  const stepK = (ask.stepK ?? STEP_K) / finer;
  const maxStep = (ask.maxStepS ?? 600) / finer;
  const body: Body = {
    grid: g,
    kinetics,
    cap: Float64Array.from(g.volume, (v, i) => v * g.rhoC[i]!),
    perAlphaK: Float64Array.from(g.volume, (_, i) =>
      kinetics ? (g.reacting[i]! * kinetics.heatJPerM3) / g.rhoC[i]! : 0,
    ),
    rates: new Float64Array(n),
    alongU: linesOf(g, 'u'),
    alongV: linesOf(g, 'v'),
  };
  const fresh = (): Now => ({
    t: new Float64Array(n),
    alpha: new Float64Array(n),
    warming: new Float64Array(n),
    freed: 0,
    lost: 0,
  });
  const now = fresh();
  const whole = fresh();
  const before = new Float64Array(n);
  if (ask.startC instanceof Float64Array) now.t.set(ask.startC);
  else now.t.fill(ask.startC);
  if (ask.startAlpha) now.alpha.set(ask.startAlpha);
  let s = 0;
  let dt = Math.min(maxStep, 20 / finer);
  let moved = 0;
  const spend = meter(ask.budget ?? { turns: MOST_TURNS }, 'heat', 'This pot or lift');
  while (s < ask.untilS - 1e-9) {
    spend(3 * n);
    dt = Math.min(dt * 1.5, maxStep);
    // The fastest cell sets the step. Early on the rate grows with α itself: it is the share of its growth that must
    // stay small.
    let fastest = moved / stepK;
    if (kinetics)
      for (let i = 0; i < n; i++) {
        if (g.reacting[i] === 0) continue;
        const r = rate(kinetics, now.alpha[i]!, now.t[i]!);
        body.rates[i] = r;
        const need = Math.max(
          r / stepAlpha,
          r / (stepRel * (kinetics.k1Share + now.alpha[i]!)),
          (r * body.perAlphaK[i]!) / stepK,
        );
        if (need > fastest) fastest = need;
      }
    if (fastest > 0) dt = Math.min(dt, 1 / fastest);
    dt = Math.min(Math.max(dt, 0.05), ask.untilS - s);
    copyInto(whole, now);
    stepOnce(body, whole, dt, ask.outside(s + dt), before, body.rates);
    stepOnce(body, now, dt / 2, ask.outside(s + dt / 2), before, body.rates);
    stepOnce(body, now, dt / 2, ask.outside(s + dt), before, null);
    moved = 0;
    for (let i = 0; i < n; i++) {
      now.t[i] = 2 * now.t[i]! - whole.t[i]!;
      now.alpha[i] = Math.min(1, 2 * now.alpha[i]! - whole.alpha[i]!);
      const by = Math.abs(now.warming[i]!);
      if (by > moved) moved = by;
    }
    now.freed = 2 * now.freed - whole.freed;
    now.lost = 2 * now.lost - whole.lost;
    s += dt;
    if (ask.watch?.({ s, tempC: now.t, alpha: now.alpha, freedJ: now.freed, lostJ: now.lost })) break;
    let hot = -1000;
    for (let i = 0; i < n; i++) if (now.t[i]! > hot) hot = now.t[i]!;
    if (hot > STOP_C) break;
  }
  return { s, tempC: now.t, alpha: now.alpha, freedJ: now.freed, lostJ: now.lost };
}
