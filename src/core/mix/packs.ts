import type { SheetRevision } from '../system';
import type { Batch, MixResult } from './mix-ask';

/**
 * A stretch of a pack as it is pressed out: its flow check, what a mixer keeps or throws away, what goes into a round
 * of places, the rest.
 */
export interface PackPart {
  readonly is: 'flow' | 'mixer' | 'round' | 'left';
  readonly ml: number;
  /** The round it belongs to; null for what belongs to none. */
  readonly batch: number | null;
}

/**
 * Packs as they are pressed out, one behind the other: each its flow check first, then mixers and rounds in their order
 * across the packs.
 * @returns one row for each pack that is used; the parts of a row add up to what the pack holds
 */
export function packsOf(
  sheet: SheetRevision,
  { batches, kits, lines }: Pick<MixResult, 'batches' | 'kits' | 'lines'>,
): readonly (readonly PackPart[])[] {
  const lossMl = (id: string) => lines.find((l) => l.id === id)?.ml ?? 0;
  const mixers = batches.reduce((sum, b) => sum + b.mixers, 0);
  const perMixer = mixers ? (lossMl('purge') + lossMl('mixer') + lossMl('tube')) / mixers : 0;
  const row: PackPart[] = batches.flatMap((b: Batch): PackPart[] => [
    ...(b.mixers ? [{ is: 'mixer' as const, ml: perMixer * b.mixers, batch: b.index }] : []),
    { is: 'round', ml: b.ml - perMixer * b.mixers, batch: b.index },
  ]);
  const flow = sheet.mixer?.flowMl ?? 0;
  const packs: PackPart[][] = [];
  let room = 0;
  // The pack of a mixer that is on already was seen to flow before.
  const isOn = batches[0]?.mixers === 0;
  const open = () => {
    const seen = flow > 0 && !(isOn && !packs.length);
    packs.push(seen ? [{ is: 'flow', ml: flow, batch: null }] : []);
    room = kits.volumeMl - (seen ? flow : 0);
  };
  for (const part of row)
    for (let left = part.ml; left > 1e-9; ) {
      if (room <= 1e-9) open();
      const ml = Math.min(left, room);
      packs.at(-1)!.push({ ...part, ml });
      left -= ml;
      room -= ml;
    }
  if (room > 1e-9 && packs.length) packs.at(-1)!.push({ is: 'left', ml: room, batch: null });
  return packs;
}

/** Shots as people count them. @example saidShots(1.56) // { full: 1, part: 'half' } */
export function saidShots(shots: number): {
  readonly full: number;
  readonly part: 'none' | 'third' | 'half' | 'two thirds';
} {
  const full = Math.floor(shots + 0.08);
  const over = shots - full;
  const part = over < 0.17 ? 'none' : over < 0.42 ? 'third' : over < 0.59 ? 'half' : over < 0.84 ? 'two thirds' : null;
  return part === null ? { full: full + 1, part: 'none' } : { full, part };
}
