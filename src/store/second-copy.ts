import { KINDS, RecordKind } from './records';
import { type Key, keysOf, type Store } from './store';
import { type Entry, readStored } from './write';

/**
 * Lines kept beside the database, in a place of their own: appended and flushed, never read but when the browser lost
 * its database.
 * Each tab has a file; one file of all that stood at some instant goes before them.
 */
export interface Lines {
  /** Whether nothing is kept yet, or so much that it is better begun anew. */
  due(): Promise<boolean>;
  /** Every line of every file. */
  read(): Promise<readonly string[]>;
  /** Appends to this tab's file and flushes it to the disk. */
  append(lines: readonly string[]): Promise<void>;
  /** Puts all that stands into a new file, and drops what that replaces. */
  begin(lines: readonly string[]): Promise<void>;
}

/** A record as it stood at an instant; null where it had been removed. */
interface Stood extends Key {
  readonly at: number;
  readonly record: unknown;
}

const lineOf = (stood: Stood): string => JSON.stringify(stood);

/**
 * The line after all that stood at an instant: whatever was said before no longer holds, whichever file says it. It
 * comes last, so that a file which was cut off in the middle takes the place of nothing.
 */
const wholeAt = (at: number): string => JSON.stringify({ at, whole: true });

/** A line read with care: one that was cut off by the end of the process says nothing. */
function readLine(line: string): Stood | null {
  try {
    const { at, kind, id, record } = JSON.parse(line) as Partial<Stood>;
    const known = RecordKind.safeParse(kind);
    return typeof at === 'number' && known.success && typeof id === 'string'
      ? { at, kind: known.data, id, record: record ?? null }
      : null;
  } catch {
    return null;
  }
}

/** The instant of a line that ends what stood as a whole; null for any other. */
function readWhole(line: string): number | null {
  if (!line.includes('"whole"')) return null;
  try {
    const { at, whole } = JSON.parse(line) as { at?: unknown; whole?: unknown };
    return whole === true && typeof at === 'number' ? at : null;
  } catch {
    return null;
  }
}

/**
 * The last that is said of each record, in the order in which it was said. What was removed, and what no longer fits,
 * is left out.
 */
export function lastSaid(lines: readonly string[]): readonly Entry['writes'][number][] {
  const last = new Map<string, Stood>();
  const since = Math.max(Number.NEGATIVE_INFINITY, ...lines.flatMap((line) => readWhole(line) ?? []));
  const read = lines.flatMap((line) => readLine(line) ?? []).filter(({ at }) => at >= since);
  // Files of several tabs are read one after the other: what was said later holds.
  for (const stood of read.sort((a, b) => a.at - b.at)) last.set(`${stood.kind}/${stood.id}`, stood);
  return [...last.values()].flatMap(({ kind, record }) => {
    const sound = record === null ? null : readStored(kind, record);
    return sound ? [{ does: 'add', record: sound } as const] : [];
  });
}

/** A store whose records are kept a second time. */
export interface KeptTwice extends Store {
  /** How many records were taken back from the second copy, where the database had been lost; null where it had not. */
  readonly tookBack: number | null;
}

/** Longer than this nobody waits for the second copy: the database has it. */
const PATIENCE_MS = 2000;

/** What a promise gives; what stands otherwise when it fails or takes too long. */
async function soon<T>(run: () => Promise<T>, otherwise: T, patienceMs: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<T>((resolve) => {
    timer = setTimeout(() => resolve(otherwise), patienceMs);
  });
  try {
    return await Promise.race([run(), late]);
  } catch {
    return otherwise;
  } finally {
    clearTimeout(timer);
  }
}

/**
 * Keeps what a store keeps a second time. A database that the browser began anew is filled from it. The second copy
 * never stands in the way:
 * where it fails, the database alone keeps, as before.
 * @param now the present, epoch ms: never earlier than it was told before, by any tab
 * @param patienceMs how long the second copy is waited for
 */
export async function keptTwice(
  store: Store,
  lines: Lines,
  now: () => number,
  patienceMs = PATIENCE_MS,
): Promise<KeptTwice> {
  const attempt = <T>(run: () => Promise<T>, otherwise: T): Promise<T> => soon(run, otherwise, patienceMs);
  let tookBack: number | null = null;
  if (store.begunAnew !== null) {
    // Here it is waited for: there is nothing else to go on with.
    const writes = lastSaid(await lines.read().catch(() => []));
    // A record that the database refuses must not keep the others out.
    for (const write of writes) {
      const done = await store.commit({ id: `back-${now()}-${tookBack ?? 0}`, writes: [write] }).catch(() => null);
      if (done) tookBack = (tookBack ?? 0) + 1;
    }
    tookBack ??= 0;
  }

  const beginAnew = async () => {
    const at = now();
    const { holdings, setAside } = await store.load();
    const records = [
      ...KINDS.flatMap((kind) => holdings[kind].map((record) => ({ kind, id: record.id, record: record as unknown }))),
      // What is put aside is kept as it was read.
      ...setAside.map(({ kind, id, raw }) => ({ kind, id, record: raw })),
    ];
    await lines.begin([...records.map((r) => lineOf({ at, ...r })), wholeAt(at)]);
  };
  if (store.lasting && (await attempt(() => lines.due(), false))) await attempt(beginAnew, undefined);
  // The file is opened before it is needed: the first entry shall not wait for it.
  else if (store.lasting) void lines.append([]).catch(() => undefined);

  /** The last line was not written in time: until one is, nobody waits for the next. */
  let late = false;
  return {
    ...store,
    tookBack,
    async commit(entry) {
      const outcomes = await store.commit(entry);
      const copied = (async () => {
        const keys = keysOf(entry);
        // Somebody's work that was removed shall be gone here, too; files of other tabs may still speak of it.
        if (entry.writes.some((w) => w.does === 'remove')) await beginAnew();
        if (!keys.length) return;
        const at = now();
        const stand = await store.read(keys);
        await lines.append(keys.map((key, i) => lineOf({ at, ...key, record: stand[i] ?? null })));
      })().then(
        () => {
          late = false;
          return true;
        },
        () => true,
      );
      if (!late) late = !(await soon(() => copied, false, patienceMs));
      return outcomes;
    },
  };
}
