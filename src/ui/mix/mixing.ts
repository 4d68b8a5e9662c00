import type { Batch, Measured } from '@/core/mix';
import type { PartId, SheetRevision } from '@/core/system';

/** What is really in the columns while it is poured. */
export interface Poured {
  readonly pouredG: Readonly<Record<PartId, number>>;
  readonly targetG: Readonly<Record<PartId, number>>;
  /** The part that runs now, and what the scale shows of it. */
  readonly live: { readonly part: PartId; readonly massG: number } | null;
}

/** A batch as its picture needs it. */
export interface Mixing {
  readonly batch: Batch;
  readonly sheet: SheetRevision;
  /** Parts as they are measured out, where not by weight. */
  readonly said?: readonly Measured[];
  readonly poured?: Poured;
}
