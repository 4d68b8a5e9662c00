import { Conflict, type Event } from '@/core/record';
import { type AnyRecord, type Holdings, KINDS, type RecordKind, type SetAside, sortOut } from './records';
import { carryOut, checkEntry, type Entry, type Outcome, type Shelves } from './write';

/** A record by its kind and id. */
export interface Key {
  readonly kind: RecordKind;
  readonly id: string;
}

/** Everything that is kept, read and sorted. */
export interface Loaded {
  readonly holdings: Holdings;
  readonly setAside: readonly SetAside[];
  readonly conflicts: readonly Conflict[];
}

/** Small things kept beside the records, by name: what was put aside by hand, when the last backup was. */
export interface Notes {
  readonly aside: readonly (Key & { readonly reason: string })[];
  readonly lastBackupMs: number | null;
  /** The folder backups go to, where the browser can keep one. */
  readonly folder: unknown;
}
export const NO_NOTES: Notes = { aside: [], lastBackupMs: null, folder: null };

/**
 * Where records live. One interface, three makings: the browser's database, memory where that is refused, and the
 * tests' own.
 * A promise of `commit` that is kept means that what was written will be there after the process is killed.
 */
export interface Store {
  readonly lasting: boolean;
  /** Why nothing lasts, when it does not. */
  readonly refusal: string | null;
  /** What the browser says of a database it had here, lost, and began anew; null where nothing is missing. */
  readonly begunAnew: string | null;
  /** How many records were taken back from the second copy after that; absent where there is none. */
  readonly tookBack?: number | null;
  load(): Promise<Loaded>;
  /** Some records as they stand; null for what is not there or does not fit. */
  read(keys: readonly Key[]): Promise<readonly (AnyRecord | null)[]>;
  conflicts(): Promise<readonly Conflict[]>;
  /**
   * Carries an entry out, all of it or none, once: an entry that was carried out before changes nothing. @throws when
   * it cannot be written
   */
  commit(entry: Entry): Promise<readonly Outcome[]>;
  note<K extends keyof Notes>(name: K): Promise<Notes[K]>;
  setNote<K extends keyof Notes>(name: K, value: Notes[K]): Promise<void>;
  /** Tells what others have written. @returns a way to stop listening */
  watch(heard: (keys: readonly Key[]) => void): () => void;
  /** Called once when the database is closed under our hands. */
  onLost(lost: () => void): void;
  close(): void;
}

/** What was written or removed by an entry. */
export const keysOf = (entry: Entry): readonly Key[] =>
  entry.writes.flatMap((w): Key[] => {
    if (w.does === 'add' || w.does === 'once' || w.does === 'ensure')
      return [{ kind: w.record.record, id: w.record.id }];
    if (w.does === 'take') return [{ kind: 'stock', id: w.stockId }];
    return w.does === 'change' || w.does === 'remove' ? [{ kind: w.kind, id: w.id }] : [];
  });

/** Sorts raw values by kind into what fits, what does not, and what was put aside by hand. */
export async function sortAll(
  read: (kind: RecordKind) => Promise<readonly unknown[]>,
  conflicts: readonly unknown[],
  aside: Notes['aside'],
): Promise<Loaded> {
  const holdings: Record<string, AnyRecord[]> = {};
  const setAside: SetAside[] = [];
  const byHand = new Map(aside.map((a) => [`${a.kind}/${a.id}`, a.reason]));
  for (const kind of KINDS) {
    const sorted = sortOut(kind, await read(kind));
    holdings[kind] = sorted.good.filter((r) => !byHand.has(`${kind}/${r.id}`));
    setAside.push(...sorted.setAside);
    for (const r of sorted.good) {
      const reason = byHand.get(`${kind}/${r.id}`);
      if (reason !== undefined) setAside.push({ kind, id: r.id, reason, raw: r, byHand: true });
    }
  }
  const sound = conflicts.flatMap((raw) => {
    const parsed = Conflict.safeParse(raw);
    return parsed.success ? [parsed.data] : [];
  });
  return { holdings: holdings as unknown as Holdings, setAside, conflicts: sound };
}

/** What several tabs in memory share. */
export interface Memory {
  readonly kinds: ReadonlyMap<RecordKind, Map<string, unknown>>;
  readonly conflicts: Map<string, Conflict>;
  readonly done: Set<string>;
  readonly notes: Map<string, unknown>;
  readonly ears: Set<(keys: readonly Key[]) => void>;
  /** The last write: the next begins when it is over, as a database has it. */
  line: Promise<unknown>;
}
export const emptyMemory = (): Memory => ({
  kinds: new Map(KINDS.map((kind) => [kind, new Map<string, unknown>()])),
  conflicts: new Map(),
  done: new Set(),
  notes: new Map(),
  ears: new Set(),
  line: Promise.resolve(),
});

/** A store in memory: works, but is gone with the tab. */
export function memoryStore(refusal: string, memory: Memory = emptyMemory()): Store {
  const { kinds, conflicts, done, notes, ears } = memory;
  const shelf = (kind: RecordKind) => kinds.get(kind)!;
  const events = (fits: (e: Event) => boolean) => [...shelf('event').values()].filter((e) => fits(e as Event));
  const note = async <K extends keyof Notes>(name: K) => (notes.get(name) ?? NO_NOTES[name]) as Notes[K];
  let mine: ((keys: readonly Key[]) => void) | null = null;
  return {
    lasting: false,
    refusal,
    begunAnew: null,
    load: async () => sortAll(async (kind) => [...shelf(kind).values()], [...conflicts.values()], await note('aside')),
    read: async (keys) =>
      keys.map(({ kind, id }) => (sortOut(kind, [shelf(kind).get(id)]).good[0] ?? null) as AnyRecord | null),
    conflicts: async () => [...conflicts.values()],
    commit(entry) {
      const turn = memory.line.then(() => write(entry));
      memory.line = turn.catch(() => undefined);
      return turn;
    },
    note,
    setNote: async (name, value) => void notes.set(name, value),
    watch(heard) {
      mine = heard;
      ears.add(heard);
      return () => ears.delete(heard);
    },
    onLost: () => undefined,
    close: () => mine && ears.delete(mine),
  };

  async function write(entry: Entry): Promise<readonly Outcome[]> {
    if (done.has(entry.id)) return [];
    checkEntry(entry);
    // All or none: what a write throws away again was only written beside.
    const beside = new Map<string, () => void>();
    const seen = new Map<string, unknown>();
    const shelves: Shelves = {
      get: async (kind, id) => (seen.has(`${kind}/${id}`) ? seen.get(`${kind}/${id}`) : shelf(kind).get(id)),
      put: async (r) => {
        seen.set(`${r.record}/${r.id}`, r);
        beside.set(`${r.record}/${r.id}`, () => shelf(r.record).set(r.id, r));
      },
      remove: async (kind, id) => {
        seen.set(`${kind}/${id}`, undefined);
        beside.set(`${kind}/${id}`, () => shelf(kind).delete(id));
      },
      eventsOf: async (repairId) => events((e) => e.repairId === repairId),
      eventsOfJob: async (jobId) => events((e) => e.jobId === jobId),
      raise: async (c) => beside.set(`conflict/${c.id}`, () => conflicts.set(c.id, c)),
      settle: async (id) => beside.set(`conflict/${id}`, () => conflicts.delete(id)),
    };
    const outcomes = await carryOut(entry, shelves);
    for (const write of beside.values()) write();
    done.add(entry.id);
    const keys = keysOf(entry);
    for (const ear of ears) if (ear !== mine) ear(keys);
    return outcomes;
  }
}
