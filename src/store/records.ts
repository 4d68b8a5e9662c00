import { z } from 'zod';
import { Job, Repair, repairNow } from '@/core/plan';
import { Attachment, Event, PlanSnapshot, SeriesRecord } from '@/core/record';
import { SheetRevision, Stock, sheetNow, stockNow } from '@/core/system';

/** The eight kinds of record and their schemas, by the name of their shelf in the database. */
export const SCHEMAS = {
  job: Job,
  repair: Repair,
  sheet: SheetRevision,
  stock: Stock,
  snapshot: PlanSnapshot,
  event: Event,
  series: SeriesRecord,
  attachment: Attachment,
} as const;
export type RecordKind = keyof typeof SCHEMAS;
export const RecordKind = z.enum(Object.keys(SCHEMAS) as [RecordKind, ...RecordKind[]]);
export type AnyRecord = Job | Repair | SheetRevision | Stock | PlanSnapshot | Event | SeriesRecord | Attachment;
export const KINDS = Object.keys(SCHEMAS) as RecordKind[];

/**
 * A stored record that no longer fits its schema, or was put aside by hand: kept as it is, with the reason, never
 * dropped.
 */
export interface SetAside {
  readonly kind: RecordKind;
  readonly id: string;
  readonly reason: string;
  readonly raw: unknown;
  /** By hand, so that it can be taken back by hand. */
  readonly byHand?: boolean;
}

/** Everything in the database, validated. */
export interface Holdings {
  readonly job: readonly Job[];
  readonly repair: readonly Repair[];
  readonly sheet: readonly SheetRevision[];
  readonly stock: readonly Stock[];
  readonly snapshot: readonly PlanSnapshot[];
  readonly event: readonly Event[];
  readonly series: readonly SeriesRecord[];
  readonly attachment: readonly Attachment[];
}

/** A stored record of an older version as one of the newest. */
export function recordNow(kind: RecordKind, raw: unknown): unknown {
  if (kind === 'repair') return repairNow(raw);
  if (kind === 'sheet') return sheetNow(raw);
  if (kind === 'stock') return stockNow(raw);
  if (kind === 'snapshot' && raw && typeof raw === 'object' && Array.isArray((raw as { repairs?: unknown }).repairs))
    return { ...raw, repairs: (raw as { repairs: unknown[] }).repairs.map(repairNow) };
  return raw;
}

/** Sorts raw values into records that fit and those set aside. */
export function sortOut(kind: RecordKind, raws: readonly unknown[]): { good: AnyRecord[]; setAside: SetAside[] } {
  const good: AnyRecord[] = [];
  const setAside: SetAside[] = [];
  for (const raw of raws) {
    const parsed = SCHEMAS[kind].safeParse(recordNow(kind, raw));
    if (parsed.success) good.push(parsed.data as AnyRecord);
    else {
      const issue = parsed.error.issues[0]!;
      setAside.push({
        kind,
        id: String((raw as { id?: unknown } | null)?.id ?? '?'),
        reason: `${issue.path.join('.') || 'the record'}: ${issue.message}`,
        raw,
      });
    }
  }
  return { good, setAside };
}
