import { texts } from '../say';
import { isMetered, type SheetRevision } from '../system';
import { type Batch, type MixResult, NOTHING_DRAWN, partsOf } from './mix-ask';

const SAY = texts('mix.more', {
  topUp: 'top-up',
  again: '{places, plural, one {# place} other {# places}} again',
});

/** What is mixed beside the plan. */
export interface MixedBesides {
  /** Times a batch was lost and is mixed again, by its index. */
  readonly redone: ReadonlyMap<number, number>;
  /** Volumes to top up, mL. */
  readonly topUpsMl: readonly number[];
  /** Which part a top-up makes anew, from 0, by the number of the top-up; none where it tops up what lies there. */
  readonly remade: ReadonlyMap<number, number>;
  /** So many like places it makes anew, or fills that were prepared already, by the same number. */
  readonly placesAgain: ReadonlyMap<number, number>;
  readonly placesTopped: ReadonlyMap<number, number>;
}

/** What a fresh mixer takes before anything reaches its place, mL; 0 where it is not pressed through one. */
export function perMixerMl({ lines, batches }: MixResult): number {
  const mixers = batches.reduce((n, b) => n + b.mixers, 0);
  const lost = lines.filter((l) => l.perMixer);
  return mixers ? lost.reduce((sum, l) => sum + l.ml, 0) / mixers : 0;
}

/** Batches beside the plan, of what ran out or was lost. */
function topUps(mix: MixResult, sheet: SheetRevision, besides: MixedBesides): Batch[] {
  const { topUpsMl, remade, placesAgain, placesTopped } = besides;
  const last = mix.batches.at(-1)!;
  return topUpsMl.map((ml, i) => {
    const total = ml + sheet.potLossMl + perMixerMl(mix);
    const part = remade.get(i);
    const places = placesAgain.get(i);
    return {
      index: mix.batches.length + i,
      portion: last.portion,
      label: places === undefined ? SAY.topUp() : SAY.again({ places }),
      topUp: true,
      ml: total,
      placedMl: ml,
      ...partsOf(sheet, mix.proportion, total),
      kits: null,
      places: places ?? placesTopped.get(i) ?? 1,
      mixers: sheet.mixer ? 1 : 0,
      ...NOTHING_DRAWN,
      ...(places === undefined ? {} : { anew: true as const }),
      ...(part === undefined ? {} : { remade: true as const, fromTo: [part + 1, part + 1] as const }),
    };
  });
}

/**
 * The batches and packs once something was lost or ran out: what was thrown away is mixed twice, a top-up comes on top.
 * The amounts stay what was planned; what is mixed beside them stands in `more`.
 */
export function withMoreMixed(
  mix: MixResult,
  sheet: SheetRevision,
  besides: MixedBesides,
): { readonly mix: MixResult; readonly batches: readonly Batch[] } {
  const each = perMixerMl(mix);
  const again = mix.batches.flatMap((b) =>
    // A round that went on from the mixer of the last is pressed again from a fresh one.
    Array.from({ length: besides.redone.get(b.index) ?? 0 }, (): Batch => (b.mixers ? b : { ...b, ml: b.ml + each })),
  );
  const added = topUps(mix, sheet, besides);
  const more = [...again, ...added];
  const batches = [...mix.batches, ...added];
  if (!more.length) return { mix, batches };
  const { kits } = mix;
  const moreMl = more.reduce((sum, b) => sum + b.ml, 0);
  // Every pack is pressed out until both its parts flow.
  const flow = isMetered(sheet.kind) ? (sheet.mixer?.flowMl ?? 0) : 0;
  const packs = (ml: number) => Math.ceil(ml / (kits.volumeMl - flow) - 1e-9);
  const whole = mix.batches.some((b) => b.kits !== null);
  const mixed = (plannedMl: number, n: number) => plannedMl - n * flow + moreMl;
  const extra = more.reduce((n, b) => n + (b.kits ?? packs(b.ml)), 0);
  const use = whole ? kits.use + extra : packs(mixed(mix.toMixMl, kits.use));
  const buy = whole ? kits.buy + extra : Math.max(kits.buy, packs(mixed(mix.onHandMl, kits.buy)));
  const leftMl = buy * kits.volumeMl - mixed(mix.toMixMl, kits.use) - use * flow;
  const meant = kits.meant ?? kits.buy;
  const leftIsMixed = kits.leftIsMixed && buy === use;
  return { mix: { ...mix, more, moreMl, kits: { ...kits, use, buy, meant, leftMl, leftIsMixed } }, batches };
}
