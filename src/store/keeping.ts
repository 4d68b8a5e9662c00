import type { StoreApi } from 'zustand/vanilla';
import { type Conflict, carryOver, changesBetween, type Event, mergeEvents } from '@/core/record';
import { DatabaseProblem } from './database';
import { createOutbox, type Draft } from './outbox';
import type { WorkspacePorts } from './ports';
import type { AnyRecord, Holdings, RecordKind, SetAside } from './records';
import { type ById, byId, isPlaced, minus, PLACE, type Placed, plus, type Trouble, type WorkspaceState } from './state';
import { type Key, keysOf, type Store } from './store';
import type { DraftKind, Entry, Outcome, Write } from './write';

/**
 * How often, and how far apart, a database that was closed under our hands is asked for before memory takes its place.
 */
const REFUSED_TRIES = 8;
const REFUSED_REST_MS = 250;

export type Keeping = ReturnType<typeof createKeeping>;

/**
 * What lies between the screen and the disk: opens the database and opens it again when it is lost, writes through one
 * outbox, and lays what was read under what is not written yet.
 */
export function createKeeping(
  { getState: get, setState: set }: StoreApi<WorkspaceState>,
  { clock, store: openStore, ids, journal, later }: Required<WorkspacePorts>,
) {
  let opening: Promise<Store> | null = null;
  let closed = false;
  /** That the browser lost its database was read by the person. */
  let seen = false;

  const theStore = (): Promise<Store> => {
    opening ??= openStore(() => set({ trouble: { is: 'blocked' } })).then(
      (store) => {
        store.watch((keys) => void hear(keys));
        store.onLost(() => void lost());
        if (get().trouble?.is === 'blocked') set({ trouble: null });
        return store;
      },
      (error) => {
        opening = null;
        throw error;
      },
    );
    return opening;
  };

  // What was read before somebody wrote must not be laid over what was written since: every word of a write has its
  // turn.
  let turn = 0;
  let begunAt = 0;
  const foreign = new Map<string, number>();
  const own = new Map<string, number>();
  const called = ({ kind, id }: Key) => `${kind}/${id}`;
  const mark = (turns: Map<string, number>, keys: readonly Key[]): number => {
    turn++;
    for (const k of keys) turns.set(called(k), turn);
    return turn;
  };
  const since = (turns: Map<string, number>, key: Key, then: number) => (turns.get(called(key)) ?? 0) > then;

  const put = (store: Store, holdings: Holdings, setAside: readonly SetAside[], conflicts: readonly Conflict[]) =>
    set({
      ready: true,
      jobs: withPending('job', byId(holdings.job)),
      repairs: withPending('repair', byId(holdings.repair)),
      sheets: byId(holdings.sheet),
      stock: withPending('stock', byId(holdings.stock)),
      snapshots: byId(holdings.snapshot),
      attachments: byId(holdings.attachment),
      events: mergeEvents(holdings.event, []),
      setAside,
      conflicts,
      lasting: store.lasting,
      trouble: !store.lasting
        ? { is: 'refused', detail: store.refusal ?? '' }
        : store.begunAnew !== null && !seen
          ? { is: 'begun-anew', detail: store.begunAnew, tookBack: store.tookBack ?? 0 }
          : null,
    });

  /** Reads everything anew; what waits to be written stays on the screen over it. */
  async function reload(): Promise<void> {
    const store = await theStore();
    const then = turn;
    const { holdings, setAside, conflicts } = await store.load();
    put(store, holdings, setAside, conflicts);
    // What was written while it was read is read again.
    const since = [...foreign, ...own].flatMap(([name, at]): Key[] => {
      const [kind, ...id] = name.split('/');
      return at > then ? [{ kind: kind as RecordKind, id: id.join('/') }] : [];
    });
    if (since.length) await hear(since);
  }

  /** Opens the database, takes over what tabs that are gone had not written, and reads everything. */
  async function open(): Promise<void> {
    try {
      await theStore();
      outbox.inherit(await journal.takeOver());
      await settled();
      await reload();
    } catch (error) {
      set({ ready: true, trouble: troubleOf(error) });
    }
  }

  const troubleOf = (error: unknown): Trouble => {
    const detail = error instanceof Error ? error.message : String(error);
    if (error instanceof DatabaseProblem)
      return error.trouble === 'blocked' ? { is: 'blocked' } : { is: error.trouble, detail };
    return { is: error instanceof DOMException && error.name === 'QuotaExceededError' ? 'full' : 'unwritten', detail };
  };

  /**
   * While its owner clears it, the browser may refuse the database for a moment: memory is only taken when it goes on
   * refusing.
   */
  async function lastingAgain(): Promise<Store> {
    for (let tries = 0; tries < REFUSED_TRIES; tries++) {
      const store = await theStore();
      if (store.lasting) return store;
      opening = null;
      await new Promise((resolve) => setTimeout(resolve, REFUSED_REST_MS));
    }
    return theStore();
  }

  /**
   * The database was closed under our hands: cleared by its owner, or given up for a newer version. It is opened anew.
   */
  async function lost(): Promise<void> {
    if (closed) return;
    opening = null;
    try {
      const store = await lastingAgain();
      const { holdings, setAside, conflicts } = await store.load();
      const cleared = get().jobs.size > 0 && holdings.job.length === 0;
      if (cleared) set({ trouble: { is: 'cleared' } });
      else put(store, holdings, setAside, conflicts);
      outbox.flush();
    } catch (error) {
      set({ trouble: error instanceof DatabaseProblem ? troubleOf(error) : { is: 'lost', detail: String(error) } });
    }
  }

  async function commit(entry: Entry): Promise<readonly Outcome[]> {
    begunAt = ++turn;
    try {
      return await (await theStore()).commit(entry);
    } catch (error) {
      // A connection that is closing is opened anew at the next try.
      if (error instanceof DOMException && error.name === 'InvalidStateError') opening = null;
      throw error;
    }
  }

  const outbox = createOutbox({
    commit,
    journal,
    makeId: ids.make,
    now: clock.now,
    later,
    onWritten: written,
    onState: (box) => {
      const { trouble } = get();
      const ofWriting =
        trouble?.is === 'full' || trouble?.is === 'unwritten' || trouble?.is === 'lost' || trouble?.is === 'newer';
      set({ ...box, trouble: box.failure ? troubleOf(box.failure) : ofWriting && !box.waiting ? null : trouble });
    },
  });

  /** Resolves when nothing waits any more, or the first of it cannot be written. */
  const settled = async (): Promise<void> => {
    for (;;) {
      const { waiting, failure } = outbox.state();
      if (!waiting || failure || closed) return;
      await new Promise((resolve) => later(() => resolve(undefined), 1));
    }
  };

  /** Drafts as stored with what this tab has not yet written laid over them. */
  function withPending<T extends Draft>(kind: DraftKind, stored: ById<T>): ById<T> {
    return new Map(
      [...stored]
        .filter(([id]) => !outbox.leaves(kind, id))
        .map(([id, draft]) => [id, outbox.pending(kind, id).reduce((d, w) => carryOver(d, w.changes).record, draft)]),
    );
  }

  /** Lays records as they stand on disk under what is not written yet. */
  function lay(records: readonly AnyRecord[]): void {
    const over: Partial<Record<(typeof PLACE)[Placed], ById<AnyRecord>>> = {};
    const now = get();
    for (const r of records) {
      // What was taken away here stays away: that its beginning is on the disk now does not bring it back.
      if (!isPlaced(r.record) || outbox.leaves(r.record, r.id)) continue;
      const place = PLACE[r.record];
      const map = over[place] ?? (now[place] as ById<AnyRecord>);
      const isDraft = r.record === 'job' || r.record === 'repair' || r.record === 'stock';
      const laid = isDraft ? withPending(r.record as DraftKind, byId([r as Draft])).get(r.id)! : r;
      const shown = map.get(r.id);
      // One that reads the same stays the same object: nothing is planned anew.
      const same = shown && (shown === laid || (changesBetween(shown, laid).length === 0 && isDraft));
      if (!same) over[place] = plus(map, [laid]);
    }
    const events = records.filter((r): r is Event => r.record === 'event');
    set({
      ...(over as Partial<WorkspaceState>),
      ...(events.length ? { events: mergeEvents(get().events, events) } : {}),
    });
  }

  const forget = (kind: RecordKind, id: string) => {
    if (isPlaced(kind))
      set({ [PLACE[kind]]: minus(get()[PLACE[kind]] as ById<AnyRecord>, id) } as Partial<WorkspaceState>);
    else if (kind === 'event') set({ events: get().events.filter((e) => e.id !== id) });
  };

  function written(entry: Entry, outcomes: readonly Outcome[]): void {
    // Another tab has written the same while this was under way: whose word is the last is read from the disk.
    const stale = keysOf(entry).filter((k) => since(foreign, k, begunAt));
    if (stale.length) void hear(stale);
    const isStale = (r: { readonly record: RecordKind; readonly id: string }) =>
      stale.some((k) => k.kind === r.record && k.id === r.id);
    mark(own, keysOf(entry));
    const records: AnyRecord[] = [];
    const raised: Conflict[] = [];
    const missed: Conflict[] = [];
    outcomes.forEach((o, i) => {
      const write = entry.writes[i]!;
      if (o.is === 'written' || o.is === 'here') records.push(o.record);
      if (o.is === 'conflict') {
        if (o.record) records.push(o.record);
        raised.push(...o.conflicts);
      }
      if (o.is === 'removed' && write.does === 'remove' && !isStale({ record: write.kind, id: write.id }))
        forget(write.kind, write.id);
      if (o.is === 'gone' && write.does === 'change') {
        const draft = get()[PLACE[write.kind]].get(write.id);
        forget(write.kind, write.id);
        if (draft) missed.push(removedElsewhere(write.kind, draft));
      }
    });
    lay(records.filter((r) => !isStale(r)));
    if (raised.length) {
      const fresh = new Set(raised.map((c) => c.id));
      set({ conflicts: [...get().conflicts.filter((c) => !fresh.has(c.id)), ...raised] });
    }
    if (missed.length) void outbox.push(missed.map((conflict) => ({ does: 'raise', conflict })));
  }

  const removedElsewhere = (kind: DraftKind, draft: Draft): Conflict => ({
    id: `${kind}.${draft.id}.removed`,
    at: clock.now(),
    from: 'tab',
    kind,
    recordId: draft.id,
    jobId: 'jobId' in draft ? draft.jobId : null,
    name: 'name' in draft ? draft.name : `lot ${draft.lot}`,
    path: [],
    here: undefined,
    other: draft,
  });

  /** Another tab has written: what it wrote is read and laid under what is unsaved here. */
  async function hear(keys: readonly Key[]): Promise<void> {
    if (closed) return;
    const then = mark(foreign, keys);
    // What is heard before everything was read is read then.
    if (!get().ready) return;
    try {
      const store = await theStore();
      const [found, conflicts] = [await store.read(keys), await store.conflicts()];
      const again: Key[] = [];
      const records: AnyRecord[] = [];
      keys.forEach((key, i) => {
        const { kind, id } = key;
        const record = found[i];
        if (since(foreign, key, then)) return;
        if (since(own, key, then)) again.push(key);
        else if (record) records.push(record);
        else if (!outbox.awaits(id)) {
          // One that is being changed here is missed at its next write, and asked about.
          if ((kind === 'job' || kind === 'repair' || kind === 'stock') && outbox.pending(kind, id).length) return;
          forget(kind, id);
        }
      });
      lay(records);
      set({ conflicts });
      if (again.length) await hear(again);
    } catch {
      // The database is being opened anew: everything is read then.
    }
  }

  const write = (writes: readonly Write[]) => outbox.push(writes);

  return {
    theStore,
    open,
    reload,
    settled,
    write,
    forget,
    /** Takes in a change of a draft that is on the screen already. */
    edit: outbox.edit,
    /** Writes now what waits for the hand to rest. */
    flush: outbox.flush,
    /** The person knows that the browser lost what it kept. */
    knowsLoss: () => {
      seen = true;
      if (get().trouble?.is === 'begun-anew') set({ trouble: null });
    },
    /** Writes everything on the screen again, after the stored data was cleared under it. */
    putBack: async (): Promise<void> => {
      const { jobs, repairs, sheets, stock, snapshots, attachments, events } = get();
      const records: AnyRecord[] = [jobs, repairs, sheets, stock, snapshots, attachments].flatMap(
        (map) => [...map.values()] as AnyRecord[],
      );
      await write([...records, ...events].map((record): Write => ({ does: 'add', record })));
      set({ trouble: null });
    },
    close: async (): Promise<void> => {
      closed = true;
      outbox.stop();
      await opening?.then(
        (s) => s.close(),
        () => undefined,
      );
    },
  };
}
