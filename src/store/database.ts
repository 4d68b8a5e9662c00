import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { type AnyRecord, KINDS, type RecordKind, sortOut } from './records';
import { type Key, keysOf, type Loaded, memoryStore, NO_NOTES, type Notes, type Store, sortAll } from './store';
import { carryOut, checkEntry, type Entry } from './write';

interface Row {
  key: string;
  value: unknown;
  indexes: { repairId: string; jobId: string };
}
interface Tables extends DBSchema {
  job: Row;
  repair: Row;
  sheet: Row;
  stock: Row;
  snapshot: Row;
  event: Row;
  series: Row;
  attachment: Row;
  conflict: Row;
  /** Ids of entries carried out whose journal may not have been cleared yet. */
  done: { key: string; value: number };
  note: { key: string; value: unknown };
}
type Db = IDBPDatabase<Tables>;

export const DATABASE = 'grenko';
/**
 * Version of the tables. Records carry versions of their own. 1 → 2: conflicts, entries done, notes, events by repair
 * and job.
 */
export const DATABASE_VERSION = 2;
const TABLES = [...KINDS, 'conflict', 'done', 'note'] as const;
/** Entries done are remembered for as long as a journal could still hold them. */
const REMEMBERED = 2000;

/** Why the database cannot be used as it is, and what may be done about it. */
export type DatabaseTrouble =
  /** Written by a newer product: not touched. */
  | 'newer'
  /** Another tab holds an older version open. */
  | 'blocked'
  /** The browser refuses a database altogether. */
  | 'refused';

export class DatabaseProblem extends Error {
  readonly trouble: DatabaseTrouble;
  constructor(trouble: DatabaseTrouble, message: string) {
    super(message);
    this.name = 'DatabaseProblem';
    this.trouble = trouble;
  }
}

/** Makes what is missing, whatever version it comes from. */
function furnish(
  db: Db,
  tx: { objectStore(name: 'event'): { indexNames: DOMStringList; createIndex(name: string, path: string): unknown } },
): void {
  for (const kind of [...KINDS, 'conflict'] as const)
    if (!db.objectStoreNames.contains(kind)) db.createObjectStore(kind, { keyPath: 'id' });
  for (const plain of ['done', 'note'] as const) if (!db.objectStoreNames.contains(plain)) db.createObjectStore(plain);
  const events = tx.objectStore('event');
  for (const by of ['repairId', 'jobId']) if (!events.indexNames.contains(by)) events.createIndex(by, by);
}

/**
 * A mark outside the database that something was kept in it. A browser that is killed while it writes may find its own
 * database damaged afterwards and begin it anew, empty, without a word to the page but this.
 */
export interface Trace {
  readonly had: () => boolean;
  readonly leave: () => void;
}
export const NO_TRACE: Trace = { had: () => false, leave: () => undefined };

/** What Chromium adds to the event of a new database: whether an old one was lost. */
interface LossTold {
  readonly dataLoss?: string;
  readonly dataLossMessage?: string;
}

/**
 * One table for reading. A connection that is closed under it makes the request fail, which is told; its end is
 * nobody’s concern.
 */
const table = <N extends (typeof TABLES)[number]>(db: Db, name: N) => {
  const tx = db.transaction(name);
  tx.done.catch(() => undefined);
  return tx.store;
};

/**
 * Opens the database, of any version up to ours; a table that went missing is made again, empty. @throws
 * DatabaseProblem
 */
async function open(
  name: string,
  onBlocked: () => void,
  onLost: () => void,
  onNew: (told: LossTold) => void,
  version?: number,
): Promise<Db> {
  let lost = false;
  const lose = () => {
    if (!lost) onLost();
    lost = true;
  };
  try {
    const db = await openDB<Tables>(name, version ?? DATABASE_VERSION, {
      upgrade: (fresh, before, _new, tx, event) => {
        // Where it is broken off, opening fails, and that is told.
        tx.done.catch(() => undefined);
        if (before === 0) onNew(event as LossTold);
        furnish(fresh, tx as never);
      },
      blocked: onBlocked,
      // Another tab wants a newer version: let go, so that it is not blocked.
      blocking: (_current, _wanted, event) => {
        (event.target as IDBDatabase).close();
        lose();
      },
      terminated: lose,
    });
    const whole = TABLES.every((t) => db.objectStoreNames.contains(t));
    if (whole) return db;
    db.close();
    return await open(name, onBlocked, onLost, onNew, db.version + 1);
  } catch (error) {
    if (!(error instanceof DOMException) || error.name !== 'VersionError') throw error;
    // A table that had to be made again raised the version: ours as long as the mark of a newer product is missing.
    const there = await openDB<Tables>(name);
    const ours = there.objectStoreNames.contains('note') && (await there.get('note', 'tables')) === DATABASE_VERSION;
    const { version: found } = there;
    there.close();
    if (ours) return await open(name, onBlocked, onLost, onNew, found);
    throw new DatabaseProblem(
      'newer',
      `The stored data is of version ${found}, this Grenko knows ${DATABASE_VERSION}.`,
    );
  }
}

/** A store in the browser's database. @throws DatabaseProblem, or what the browser throws when it refuses one */
export async function openDatabase(
  name = DATABASE,
  onBlocked: () => void = () => undefined,
  trace: Trace = NO_TRACE,
): Promise<Store> {
  let lost: (() => void) | null = null;
  let early = false;
  let begunAnew: string | null = null;
  const db = await open(
    name,
    onBlocked,
    () => {
      if (lost) lost();
      else early = true;
    },
    ({ dataLoss, dataLossMessage }) => {
      if (trace.had() || (dataLoss !== undefined && dataLoss !== 'none')) begunAnew = dataLossMessage ?? '';
    },
  );
  await db.put('note', DATABASE_VERSION, 'tables');
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name);
  // A channel must not keep a test's process alive.
  (channel as { unref?: () => void } | null)?.unref?.();
  const note = async <K extends keyof Notes>(key: K): Promise<Notes[K]> =>
    ((await table(db, 'note').get(key)) ?? NO_NOTES[key]) as Notes[K];
  return {
    lasting: true,
    refusal: null,
    begunAnew,
    load: async (): Promise<Loaded> =>
      sortAll((kind) => table(db, kind).getAll(), await table(db, 'conflict').getAll(), await note('aside')),
    read: async (keys) =>
      Promise.all(
        keys.map(async ({ kind, id }) => {
          const raw = await table(db, kind).get(id);
          return raw === undefined ? null : ((sortOut(kind, [raw]).good[0] ?? null) as AnyRecord | null);
        }),
      ),
    conflicts: async () => (await sortAll(async () => [], await table(db, 'conflict').getAll(), [])).conflicts,
    async commit(entry: Entry) {
      checkEntry(entry);
      // Only when the disk has it is it said to be saved.
      const tx = db.transaction(TABLES, 'readwrite', { durability: 'strict' });
      try {
        const shelf = (kind: RecordKind) => tx.objectStore(kind);
        const before = await tx.objectStore('done').get(entry.id);
        const outcomes = await carryOut(before === undefined ? entry : { ...entry, writes: [] }, {
          get: (kind, id) => shelf(kind).get(id),
          put: (record) => shelf(record.record).put(record),
          remove: (kind, id) => shelf(kind).delete(id),
          eventsOf: (repairId) => tx.objectStore('event').index('repairId').getAll(repairId),
          eventsOfJob: (jobId) => tx.objectStore('event').index('jobId').getAll(jobId),
          raise: (conflict) => tx.objectStore('conflict').put(conflict),
          settle: (id) => tx.objectStore('conflict').delete(id),
        });
        await tx.objectStore('done').put(Date.now(), entry.id);
        await tx.done;
        trace.leave();
        const keys = keysOf(entry);
        if (outcomes.length) channel?.postMessage(keys);
        if (Math.random() < 1 / REMEMBERED) void forget(db).catch(() => undefined);
        return outcomes;
      } catch (error) {
        // A request that failed aborts the rest by itself; one that threw before it was made does not.
        try {
          tx.abort();
        } catch {
          // It is over already.
        }
        await tx.done.catch(() => undefined);
        throw error;
      }
    },
    note,
    setNote: async (key, value) => void (await db.put('note', value, key)),
    watch(heard) {
      if (!channel) return () => undefined;
      channel.onmessage = (message: MessageEvent<readonly Key[]>) => heard(message.data);
      return () => {
        channel.onmessage = null;
      };
    },
    onLost(call) {
      lost = call;
      if (early) call();
    },
    close() {
      channel?.close();
      db.close();
    },
  };
}

/** Forgets the oldest entries done. */
async function forget(db: Db): Promise<void> {
  const tx = db.transaction('done', 'readwrite');
  const rows = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()]);
  const oldest = rows[0].map((key, i) => ({ key, at: rows[1][i]! })).sort((a, b) => a.at - b.at);
  await Promise.all(oldest.slice(0, Math.max(0, oldest.length - REMEMBERED)).map(({ key }) => tx.store.delete(key)));
  await tx.done;
}

/** Every table as it is stored, for taking out what this product cannot read. Works on a database of any version. */
export async function rawContents(name = DATABASE): Promise<Readonly<Record<string, readonly unknown[]>>> {
  const db = await openDB(name);
  try {
    const out: Record<string, readonly unknown[]> = {};
    for (const table of db.objectStoreNames) out[table] = await db.getAll(table);
    return out;
  } finally {
    db.close();
  }
}

/**
 * The browser's database, or memory with the reason when it is refused. One that is newer is neither: the person
 * chooses.
 */
export async function openAnyStore(name = DATABASE, onBlocked?: () => void, trace?: Trace): Promise<Store> {
  try {
    return await openDatabase(name, onBlocked, trace);
  } catch (error) {
    if (error instanceof DatabaseProblem) throw error;
    return memoryStore(error instanceof Error ? error.message : String(error));
  }
}
