import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { type AnyRecord, type Holdings, KINDS, type RecordKind, SCHEMAS, type SetAside, sortOut } from './records';

/** Where records live. One interface, two makings: the browser's database, and memory when that is refused. */
export interface Vault {
  readonly lasting: boolean;
  /** Why nothing lasts, when it does not. */
  readonly refusal: string | null;
  load(): Promise<{ holdings: Holdings; setAside: readonly SetAside[] }>;
  /** Writes records, validated; all of them or none. @throws when one does not fit or the disk is full */
  put(records: readonly AnyRecord[]): Promise<void>;
  remove(keys: readonly { kind: RecordKind; id: string }[]): Promise<void>;
}

interface Shelves extends DBSchema {
  job: { key: string; value: unknown };
  repair: { key: string; value: unknown };
  sheet: { key: string; value: unknown };
  stock: { key: string; value: unknown };
  snapshot: { key: string; value: unknown };
  event: { key: string; value: unknown };
  series: { key: string; value: unknown };
  attachment: { key: string; value: unknown };
}

const NAME = 'grenko';
/** Version of the database's shelves. Records carry versions of their own. */
const VERSION = 1;

function checked(record: AnyRecord): AnyRecord {
  const parsed = SCHEMAS[record.record].safeParse(record);
  if (!parsed.success)
    throw new TypeError(`A ${record.record} does not fit at ${parsed.error.issues[0]!.path.join('.')}: ${parsed.error.issues[0]!.message}`);
  return record;
}

async function loadFrom(read: (kind: RecordKind) => Promise<readonly unknown[]>) {
  const holdings: Record<string, AnyRecord[]> = {};
  const setAside: SetAside[] = [];
  for (const kind of KINDS) {
    const sorted = sortOut(kind, await read(kind));
    holdings[kind] = sorted.good;
    setAside.push(...sorted.setAside);
  }
  return { holdings: holdings as unknown as Holdings, setAside };
}

/** A vault in the browser's database. @throws when the browser refuses one */
export async function openVault(name = NAME): Promise<Vault> {
  const db: IDBPDatabase<Shelves> = await openDB<Shelves>(name, VERSION, {
    upgrade(fresh) {
      for (const kind of KINDS) if (!fresh.objectStoreNames.contains(kind)) fresh.createObjectStore(kind, { keyPath: 'id' });
    },
    // Another tab wants a newer version: let go, so that it is not blocked.
    blocking: () => db.close(),
  });
  return {
    lasting: true,
    refusal: null,
    load: () => loadFrom((kind) => db.getAll(kind)),
    async put(records) {
      const sound = records.map(checked);
      const kinds = [...new Set(sound.map((r) => r.record))];
      if (!kinds.length) return;
      const tx = db.transaction(kinds, 'readwrite');
      await Promise.all([...sound.map((r) => tx.objectStore(r.record).put(r)), tx.done]);
    },
    async remove(keys) {
      const kinds = [...new Set(keys.map((k) => k.kind))];
      if (!kinds.length) return;
      const tx = db.transaction(kinds, 'readwrite');
      await Promise.all([...keys.map((k) => tx.objectStore(k.kind).delete(k.id)), tx.done]);
    },
  };
}

/** A vault in memory: works, but is gone with the tab. */
export function memoryVault(refusal: string): Vault {
  const shelves = Object.fromEntries(KINDS.map((kind) => [kind, new Map<string, AnyRecord>()])) as Record<
    RecordKind,
    Map<string, AnyRecord>
  >;
  return {
    lasting: false,
    refusal,
    load: () => loadFrom(async (kind) => [...shelves[kind].values()]),
    async put(records) {
      for (const r of records.map(checked)) shelves[r.record].set(r.id, r);
    },
    async remove(keys) {
      for (const k of keys) shelves[k.kind].delete(k.id);
    },
  };
}

/** The browser's database, or memory with the reason when it is refused. */
export async function openAnyVault(): Promise<Vault> {
  try {
    return await openVault();
  } catch (error) {
    return memoryVault(error instanceof Error ? error.message : String(error));
  }
}
