import { ENGINES, settingIn } from '../../method';
import { beforeOf, placeableMl } from '../../mix';
import type { JudgeContext } from './rule';

interface Hands {
  readonly crew: number;
  readonly minutes: number;
}

/** Pots that are weighed out, as they would be counted otherwise. */
export interface WeighedPots {
  /** What so many hands place in so many minutes, mL. */
  readonly inTimeMl: (by: Hands) => number;
  /** What one pot has at the most, mL: placed in its time, less what stays behind in it, and held. */
  readonly eachMl: (by: Hands) => number;
  /** How many they would be with so much in each: each lift, or place of its own, begins a pot. */
  readonly count: (eachMl: number) => number;
}

/**
 * Pots of a pass that is not begun yet; null where whole kits, like parts or what is pressed are counted otherwise, or
 * no pace is known.
 */
export function weighedPots({ plan, actuals }: Pick<JudgeContext, 'plan' | 'actuals'>): WeighedPots | null {
  const { mix, method, context, batches } = plan;
  const pace = method && context && ENGINES[method.engine].pace?.(context);
  const weighed = batches.every((b) => b.kits === null && !b.fromTo && b.mixers === 0);
  if (!mix || !pace || !weighed || actuals.startedAt !== null) return null;
  const mlPerMin = settingIn(context, pace.setting) * pace.mlPerMin;
  const behindMl = pace.ofMixed ? context.sheet.potLossMl : 0;
  const portions = new Map<number, number>();
  for (const b of batches) portions.set(b.portion, (portions.get(b.portion) ?? 0) + b.placedMl);
  // Of what is primed out of the pot less is placed in its time: the lift of which it is least decides.
  const parts = ENGINES[method.engine].portions(context);
  const befores = [...portions].map(([at, ml]) => beforeOf(parts[at]!, ml));
  const inTimeMl = ({ crew, minutes }: Hands) =>
    Math.min(...befores.map((before) => placeableMl(mlPerMin * crew, minutes, before)));
  return {
    inTimeMl,
    eachMl: (by) => Math.min(mix.mostHeldMl, inTimeMl(by) - behindMl),
    count: (eachMl) => [...portions.values()].reduce((sum, ml) => sum + Math.ceil(ml / eachMl - 1e-9), 0),
  };
}
