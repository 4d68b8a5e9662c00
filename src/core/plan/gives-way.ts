import { ENGINES, type Method, type MethodContext, settingIn } from '../method';
import type { MixResult } from '../mix';
import { type Actuals, plansBy } from './actuals';
import type { Piece } from './repair';
import type { RepairPlan } from './repair-plan';

/** A surplus that nobody chose gives way to what is in the packs since then. */
const BY_SURPLUS = [0, 43] as const;
/** Less than that share of what is usual is left of no surplus: a pack more is opened. */
const LEAST = 0.5;

/** Figures of a method that nobody chose, and that are planned otherwise than is usual. */
export type Given = Readonly<Record<string, number>>;
const NOTHING: Given = {};

/**
 * What a figure that nobody chose is planned with, where it gives way: a pace of ours to what a whole kit needs, a
 * surplus to what is in the packs. Null where it is planned as it stands.
 */
export function plannedOtherwise(
  { method, context, mix }: Pick<RepairPlan, 'method' | 'context' | 'mix'>,
  { settings }: Pick<Piece, 'settings'>,
  id: string,
  usual: number,
): number | null {
  if (!method || !context || !mix || settings[id] !== undefined) return null;
  const isPace = mix.rateNeeded !== null && ENGINES[method.engine].pace?.(context).setting === id;
  if (!isPace && !method.allowances.some((a) => a.surplus && a.id === id)) return null;
  const planned = settingIn(context, id);
  return planned === usual ? null : planned;
}

/** What surplus, per cent, leaves one pack closed that is opened for that alone; null where none does. */
function leaner(method: Method, c: MethodContext, repair: Piece, mix: MixResult): Given | null {
  const row = method.allowances.find((a) => a.surplus && repair.settings[a.id] === undefined);
  const line = mix.lines.find((l) => l.id === row?.id);
  const { use, volumeMl } = mix.kits;
  if (!row || !line || !(line.ml > 0) || use < 2) return null;
  const usual = settingIn(c, row.id);
  // With what is had on hand for doubt, or at the least with what is mixed.
  for (const wantsMl of [mix.onHandMl, mix.toMixMl]) {
    const overMl = wantsMl - (use - 1) * volumeMl;
    const share = Math.floor(usual * (1 - overMl / line.ml) * 10) / 10;
    if (overMl > 0 && share >= LEAST * usual) return { [row.id]: share };
  }
  return null;
}

/**
 * Amounts for which no pack is opened that only a surplus of ours asks for: nobody turns over a second bag for what
 * would be struck off.
 * @param mixWith the amounts by the figures of a method
 */
export function withoutLastPack<T extends { readonly mix: MixResult }>(
  { method, chosen, repair, actuals }: { method: Method; chosen: MethodContext; repair: Piece; actuals: Actuals },
  mixWith: (c: MethodContext, actuals: Actuals) => T,
): T & { readonly given: Given } {
  const made = mixWith(chosen, actuals);
  const usual = { ...made, given: NOTHING };
  if (!plansBy(BY_SURPLUS, actuals)) return usual;
  // Decided by the plan as it was before anything died in its pot: what is mixed already stays as it was mixed.
  const asMeant = actuals.cuts.length ? { ...actuals, cuts: [] } : actuals;
  const meant = asMeant === actuals ? made : mixWith(chosen, asMeant);
  const given = leaner(method, chosen, repair, meant.mix);
  if (!given) return usual;
  const lean = { ...chosen, settings: { ...chosen.settings, ...given } };
  const saves = mixWith(lean, asMeant).mix.kits.use < meant.mix.kits.use;
  return saves ? { ...mixWith(lean, actuals), given } : usual;
}
