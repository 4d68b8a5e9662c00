import type { SheetRevision } from '@/core/system';
import { phrase } from '@/words';

/** How it sands, as a sheet says; null where it says nothing. */
export const sandingText = (sanding: SheetRevision['finish']['sanding']): string | null =>
  sanding === 'silent' ? null : sanding === 'not' ? 'not to be sanded' : phrase`${sanding} to sand`;
