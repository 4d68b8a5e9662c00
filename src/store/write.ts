import {
  type Change,
  type Conflict,
  carryOver,
  chainKey,
  changesBetween,
  Event,
  eventHash,
  type Head,
  isOnce,
  linkAfter,
  stableJson,
  twinOf,
} from '@/core/record';
import { type AnyRecord, type RecordKind, recordNow, SCHEMAS } from './records';

/** Drafts are changed field by field; every other record is written once. */
export type DraftKind = 'job' | 'repair' | 'stock';

/** One thing to be done to the database. */
export type Write =
  /** Adds a record. One that is here with the same content is left; one with other content is never overwritten. */
  | { readonly does: 'add'; readonly record: AnyRecord; readonly from?: Conflict['from'] }
  /** Puts a draft back should it have been removed: what is recorded of it must not hang in the air. */
  | { readonly does: 'ensure'; readonly record: AnyRecord }
  /** Adds an event of this browser, tied to its last one, unless the record says so already. */
  | { readonly does: 'once'; readonly record: Event }
  | {
      readonly does: 'change';
      readonly kind: DraftKind;
      readonly id: string;
      readonly changes: readonly Change[];
      readonly at: number;
    }
  /** Takes kits from a lot: counted on the disk, so that two hands that take one each have taken two. */
  | { readonly does: 'take'; readonly stockId: string; readonly count: number }
  /** Removes a record; with `bare`, only while nothing is recorded of it. */
  | { readonly does: 'remove'; readonly kind: RecordKind; readonly id: string; readonly bare?: boolean }
  | { readonly does: 'raise'; readonly conflict: Conflict }
  | { readonly does: 'settle'; readonly conflictId: string };

/** What is written in one go: all of it or none. */
export interface Entry {
  readonly id: string;
  readonly writes: readonly Write[];
}

/** What became of a write. */
export type Outcome =
  | { readonly is: 'written'; readonly record: AnyRecord }
  /** It was here already, word for word, or said by another event. */
  | { readonly is: 'here'; readonly record: AnyRecord }
  | { readonly is: 'removed' }
  /** A removal was not carried out: there is a record of it. */
  | { readonly is: 'kept' }
  /** The record to be changed is no longer there. */
  | { readonly is: 'gone' }
  | { readonly is: 'conflict'; readonly record: AnyRecord | null; readonly conflicts: readonly Conflict[] }
  | { readonly is: 'settled' };

/** The database while one transaction is open. Values are as stored: unread, perhaps of an older version. */
export interface Shelves {
  get(kind: RecordKind, id: string): Promise<unknown>;
  put(record: AnyRecord): Promise<unknown>;
  remove(kind: RecordKind, id: string): Promise<unknown>;
  eventsOf(repairId: string): Promise<readonly unknown[]>;
  eventsOfJob(jobId: string): Promise<readonly unknown[]>;
  raise(conflict: Conflict): Promise<unknown>;
  settle(conflictId: string): Promise<unknown>;
}

const nameOf = (record: AnyRecord | null): string =>
  !record ? '' : 'name' in record ? record.name : record.record === 'stock' ? `lot ${record.lot}` : record.record;
const jobOf = (record: AnyRecord | null): string | null =>
  !record ? null : record.record === 'job' ? record.id : 'jobId' in record ? record.jobId : null;

/** Reads a stored value by its schema; null where it no longer fits. */
export function readStored(kind: RecordKind, raw: unknown): AnyRecord | null {
  if (raw === undefined) return null;
  const parsed = SCHEMAS[kind].safeParse(recordNow(kind, raw));
  return parsed.success ? (parsed.data as AnyRecord) : null;
}

/** Content without what is mere bookkeeping. */
const content = (record: AnyRecord): string => stableJson({ ...record, updatedAt: 0 });

/** A conflict has one name, so that the same file taken in twice raises it once. */
const conflictId = (kind: string, id: string, path: readonly (string | number)[], other: unknown): string => {
  const text = stableJson([kind, id, path, other ?? null]);
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return `${kind}.${id}.${path.join('.')}.${hash.toString(36)}`.slice(-200);
};

async function add(record: AnyRecord, from: Conflict['from'], shelves: Shelves): Promise<Outcome> {
  const raw = await shelves.get(record.record, record.id);
  if (raw === undefined) {
    await shelves.put(record);
    return { is: 'written', record };
  }
  const here = readStored(record.record, raw);
  if (here && content(here) === content(record)) return { is: 'here', record: here };
  const conflict: Conflict = {
    id: conflictId(record.record, record.id, [], record),
    at: 'updatedAt' in record ? record.updatedAt : 0,
    from,
    kind: record.record,
    recordId: record.id,
    jobId: jobOf(record),
    name: nameOf(here ?? record),
    path: [],
    here: here ?? raw,
    other: record,
  };
  await shelves.raise(conflict);
  return { is: 'conflict', record: here, conflicts: [conflict] };
}

/** What decides whether an event says something new: those of its kind, and whatever was taken back. */
const mayDecide = (raw: unknown, kind: string): boolean => {
  const { body, amends } = (raw ?? {}) as { body?: { kind?: unknown }; amends?: unknown };
  return body?.kind === kind || body?.kind === 'reopened' || typeof amends === 'string';
};

/** The heads of the chains that an entry writes on, read once: a logger brings readings by the thousand. */
type Heads = Map<string, Head | null>;

async function headFor(record: Event, shelves: Shelves, heads: Heads): Promise<Head | null> {
  const key = chainKey(record);
  const known = heads.get(key);
  if (known !== undefined) return known;
  let last: { n: number; raw: unknown } | null = null;
  for (const raw of await shelves.eventsOf(record.repairId)) {
    const { link, device } = raw as { link?: { n?: unknown }; device?: unknown };
    if (typeof link?.n !== 'number' || typeof device !== 'string') continue;
    if (chainKey({ repairId: record.repairId, device }) === key && link.n > (last?.n ?? 0)) last = { n: link.n, raw };
  }
  const event = last && (readStored('event', last.raw) as Event | null);
  return event && { n: last!.n, hash: eventHash(event) };
}

async function once(record: Event, shelves: Shelves, heads: Heads): Promise<Outcome> {
  if (isOnce(record.body) && !record.amends) {
    const known = (await shelves.eventsOf(record.repairId))
      .filter((raw) => mayDecide(raw, record.body.kind))
      .flatMap((raw) => (readStored('event', raw) as Event | null) ?? []);
    const twin = twinOf(known, record);
    if (twin) return { is: 'here', record: twin };
  }
  // Tried again after it was written: it is there, with its link.
  const here = readStored('event', await shelves.get('event', record.id)) as Event | null;
  if (here) return add({ ...record, ...(here.link ? { link: here.link } : {}) }, 'tab', shelves);
  const linked = Event.parse({ ...record, link: linkAfter(await headFor(record, shelves, heads)) });
  const outcome = await add(linked, 'tab', shelves);
  heads.set(chainKey(linked), { n: linked.link!.n, hash: eventHash(linked) });
  return outcome;
}

async function change(write: Extract<Write, { does: 'change' }>, shelves: Shelves): Promise<Outcome> {
  const here = readStored(write.kind, await shelves.get(write.kind, write.id));
  if (!here) return { is: 'gone' };
  const { record, unfit } = carryOver(here, write.changes);
  const stamped = 'updatedAt' in record ? { ...record, updatedAt: Math.max(record.updatedAt, write.at) } : record;
  // Fields of two hands, each sound by itself, need not be sound together.
  const fits = SCHEMAS[write.kind].safeParse(stamped).success;
  const refused = fits ? unfit : write.changes.map((c) => ({ ...c, found: undefined }));
  const now = fits ? stamped : here;
  if (fits && changesBetween(here, stamped).length) await shelves.put(stamped);
  if (!refused.length) return { is: 'written', record: now };
  const conflicts = refused.map(
    (c): Conflict => ({
      id: conflictId(write.kind, write.id, c.path, c.after),
      at: write.at,
      from: 'tab',
      kind: write.kind,
      recordId: write.id,
      jobId: jobOf(here),
      name: nameOf(here),
      path: [...c.path],
      here: c.found,
      other: c.after,
    }),
  );
  for (const conflict of conflicts) await shelves.raise(conflict);
  return { is: 'conflict', record: now, conflicts };
}

async function remove({ kind, id, bare }: Extract<Write, { does: 'remove' }>, shelves: Shelves): Promise<Outcome> {
  if (bare) {
    const recorded =
      kind === 'repair' ? await shelves.eventsOf(id) : kind === 'job' ? await shelves.eventsOfJob(id) : [];
    if (recorded.length) return { is: 'kept' };
  }
  await shelves.remove(kind, id);
  return { is: 'removed' };
}

/** Refuses an entry whose records do not fit, before any of it is written. @throws ZodError */
export function checkEntry({ writes }: Entry): void {
  for (const w of writes) if (w.does === 'add' || w.does === 'once') SCHEMAS[w.record.record].parse(w.record);
}

/** Carries an entry out inside one open transaction. @returns what became of each write, in order */
export async function carryOut(entry: Entry, shelves: Shelves): Promise<readonly Outcome[]> {
  const outcomes: Outcome[] = [];
  const heads: Heads = new Map();
  for (const write of entry.writes) {
    switch (write.does) {
      case 'add':
        outcomes.push(await add(write.record, write.from ?? 'tab', shelves));
        break;
      case 'ensure': {
        const there = (await shelves.get(write.record.record, write.record.id)) !== undefined;
        if (!there) await shelves.put(write.record);
        outcomes.push(there ? { is: 'settled' } : { is: 'written', record: write.record });
        break;
      }
      case 'once':
        outcomes.push(await once(write.record, shelves, heads));
        break;
      case 'take': {
        const lot = readStored('stock', await shelves.get('stock', write.stockId));
        if (lot?.record !== 'stock') {
          outcomes.push({ is: 'gone' });
          break;
        }
        const left = { ...lot, quantity: Math.max(0, lot.quantity - write.count) };
        await shelves.put(left);
        outcomes.push({ is: 'written', record: left });
        break;
      }
      case 'change':
        outcomes.push(await change(write, shelves));
        break;
      case 'remove':
        outcomes.push(await remove(write, shelves));
        break;
      case 'raise':
        await shelves.raise(write.conflict);
        outcomes.push({ is: 'conflict', record: null, conflicts: [write.conflict] });
        break;
      case 'settle':
        await shelves.settle(write.conflictId);
        outcomes.push({ is: 'settled' });
        break;
    }
  }
  return outcomes;
}
