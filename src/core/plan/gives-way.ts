import { ENGINES, type Method, type MethodContext, settingIn } from '../method';
import type { MixResult } from '../mix';
import { isMetered } from '../system';
import { type Actuals, plansBy } from './actuals';
import type { Piece } from './repair';
import type { RepairPlan } from './repair-plan';

/** A surplus that nobody chose gives way to what is in the packs since then. */
const BY_SURPLUS = [0, 43] as const;
/** It empties what is opened since then, and serves for doubt. */
const BY_EMPTIED = [0, 44] as const;
/** Less than that share of what is usual is left of no surplus, and no more is put on: a pack more is opened. */
const LEAST = 0.5;
/** So much of a pack nobody weighs out and carries home: all of it goes in. */
const DREGS = 0.05;

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

/** A surplus of ours as it is planned with: its share, and what of it is there for a void larger than measured, mL. */
interface Surplus {
  readonly given: Given;
  readonly spareMl: number;
}

/** The surplus that nobody chose, and what it adds; null where there is none. */
function surplusOf(method: Method, c: MethodContext, repair: Piece, mix: MixResult) {
  const row = method.allowances.find((a) => a.surplus && repair.settings[a.id] === undefined);
  const line = mix.lines.find((l) => l.id === row?.id);
  return row && line && line.ml > 0 ? { id: row.id, usual: settingIn(c, row.id), ml: line.ml } : null;
}

/** What is left of the packs that are opened, mL. */
const restOf = ({ kits, toMixMl }: MixResult): number => kits.use * kits.volumeMl - toMixMl;

/**
 * What surplus empties the packs that are opened: less, where one is opened for the surplus alone, or a little more,
 * where as good as nothing would be left in the last. Null where neither is so.
 * @param mixed what is mixed by it, where it is no longer as usual
 */
function evenSurplus(method: Method, c: MethodContext, repair: Piece, mix: MixResult, mixed = mix): Surplus | null {
  const row = surplusOf(method, c, repair, mix);
  if (!row) return null;
  const { use, volumeMl } = mixed.kits;
  const restMl = restOf(mixed);
  const fills = !isMetered(c.sheet.kind) && restMl <= DREGS * volumeMl;
  if (!fills && use < 2) return null;
  const ml = (mixed.lines.find((l) => l.id === row.id)?.ml ?? 0) + restMl - (fills ? 0 : volumeMl);
  if (Math.abs(ml - row.ml) > LEAST * row.ml) return null;
  return { given: { [row.id]: (row.usual * ml) / row.ml }, spareMl: ml - LEAST * row.ml };
}

/** The same as it was planned until then: to a tenth of a per cent, and with the doubt beside it. */
function leaner(method: Method, c: MethodContext, repair: Piece, mix: MixResult): Surplus | null {
  const row = surplusOf(method, c, repair, mix);
  const { use, volumeMl } = mix.kits;
  if (!row || use < 2) return null;
  // With what is had on hand for doubt, or at the least with what is mixed.
  for (const wantsMl of [mix.onHandMl, mix.toMixMl]) {
    const overMl = wantsMl - (use - 1) * volumeMl;
    const share = Math.floor(row.usual * (1 - overMl / row.ml) * 10) / 10;
    if (overMl > 0 && share >= LEAST * row.usual) return { given: { [row.id]: share }, spareMl: 0 };
  }
  return null;
}

/**
 * Amounts for which no pack is opened that only a surplus of ours asks for, and none is left with dregs: nobody turns
 * over a second bag for what would be struck off, or weighs 24.9 kg out of a bag of 25.
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
  const isEven = plansBy(BY_EMPTIED, actuals);
  const first = (isEven ? evenSurplus : leaner)(method, chosen, repair, meant.mix);
  if (!first) return usual;
  const planned = ({ given, spareMl }: Surplus) => ({
    ...chosen,
    settings: { ...chosen.settings, ...given },
    spareMl,
  });
  const once = mixWith(planned(first), asMeant).mix;
  // In fewer pots less stays behind: that goes into the surplus as well.
  const isEmptied = Math.abs(restOf(once)) < 1e-6;
  const even = (isEven && !isEmptied && evenSurplus(method, chosen, repair, meant.mix, once)) || first;
  const { given } = even;
  const lean = planned(even);
  const { kits, batches } = even === first ? once : mixWith(lean, asMeant).mix;
  const fewer = kits.use < meant.mix.kits.use;
  // Nobody mixes once more to empty a pack.
  const emptied = isEven && kits.use === meant.mix.kits.use && batches.length <= meant.mix.batches.length;
  return fewer || emptied ? { ...mixWith(lean, actuals), given } : usual;
}
