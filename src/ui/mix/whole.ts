import type { Batch } from '@/core/mix';
import { comesInBags, type SheetRevision } from '@/core/system';
import { phrase } from '@/words';

/** What of a batch is emptied and not weighed: whole kits, or packs of what may be split; empty where nothing is. */
export function wholeOf({ kits, packs }: Pick<Batch, 'kits' | 'packs'>, sheet: Pick<SheetRevision, 'parts'>): string {
  if (kits !== null) return phrase`${kits} whole kit${kits > 1 ? 's' : ''}`;
  if (!packs) return '';
  return comesInBags(sheet)
    ? phrase`${packs} whole bag${packs > 1 ? 's' : ''}`
    : phrase`${packs} whole pack${packs > 1 ? 's' : ''}`;
}
