import { createStore, type StoreApi } from 'zustand/vanilla';
import { FIRST_PASS, type Job, joined, type Pots, type Repair } from '@/core/plan';
import {
  type Attachment,
  type Bundle,
  browserOf,
  type Conflict,
  carryOver,
  changesBetween,
  type Event,
  type EventBody,
  frozenOf,
  isBeginning,
  isClosedTo,
  mergeEvents,
  type PlanSnapshot,
  snapshotOf,
  viewJob,
} from '@/core/record';
import type { Said } from '@/core/say';
import type { SheetRevision, Stock } from '@/core/system';
import { refuse } from '@/core/units';
import { type Act, type History, NO_HISTORY, opposite, redone, remember, type SingleAct, touched } from './acts';
import { DatabaseProblem, type DatabaseTrouble } from './database';
import type { Journal } from './journal';
import { createOutbox, type Draft, type OutboxState } from './outbox';
import { type AnyRecord, type Holdings, type RecordKind, SCHEMAS, type SetAside } from './records';
import { type Key, keysOf, type Store } from './store';
import type { DraftKind, Entry, Outcome, Write } from './write';

/** The workspace's own time. */
export interface WorkspaceClock {
  /** Epoch ms. */
  now(): number;
  /** By how much the device's clock has jumped ahead of it, ms; 0 while they agree. */
  aheadMs(): number;
}

export interface WorkspacePorts {
  readonly clock: WorkspaceClock;
  /** Opens the database; called again when it was lost. */
  readonly store: (onBlocked: () => void) => Promise<Store>;
  readonly ids: {
    /** A name nobody else has. */
    readonly make: () => string;
    /** The browser and, after a full stop, this tab of it: no two tabs number their events alike. */
    readonly device: string;
  };
  readonly journal: Journal;
  /** Runs `call` after a while. @returns a way to stop it */
  readonly later?: (call: () => void, ms: number) => () => void;
}

/** What is the matter with keeping, by name: the words for it stand with the banner. */
export type Trouble =
  | { readonly is: 'refused' | 'newer'; readonly detail: string }
  /** The browser lost its database; `tookBack` records are here again from the second copy. */
  | { readonly is: 'begun-anew'; readonly detail: string; readonly tookBack: number }
  | { readonly is: 'blocked' | 'cleared' }
  | { readonly is: 'full' | 'unwritten' | 'lost'; readonly detail: string };

type ById<T> = ReadonlyMap<string, T>;

export interface WorkspaceState extends OutboxState {
  readonly ready: boolean;
  readonly jobs: ById<Job>;
  readonly repairs: ById<Repair>;
  readonly sheets: ById<SheetRevision>;
  readonly stock: ById<Stock>;
  readonly snapshots: ById<PlanSnapshot>;
  readonly attachments: ById<Attachment>;
  /** What is on disk of the record, in order of time: nothing else is shown as done. */
  readonly events: readonly Event[];
  readonly setAside: readonly SetAside[];
  readonly conflicts: readonly Conflict[];
  /** Whether what is written outlasts the tab. */
  readonly lasting: boolean;
  readonly trouble: Trouble | null;
  readonly history: History;
  /** Why the last undo or redo was not carried out. */
  readonly notUndone: { readonly name: string; readonly why: 'changed' | 'recorded' } | null;
  /** The last change that could not be kept at all: where, and why. */
  readonly notTaken: { readonly path: readonly string[]; readonly message: string } | null;
}

export const EMPTY: WorkspaceState = {
  ready: false,
  jobs: new Map(),
  repairs: new Map(),
  sheets: new Map(),
  stock: new Map(),
  snapshots: new Map(),
  attachments: new Map(),
  events: [],
  setAside: [],
  conflicts: [],
  lasting: true,
  trouble: null,
  history: NO_HISTORY,
  notUndone: null,
  notTaken: null,
  waiting: 0,
  failure: null,
};

/** Which part of the state holds a kind of record. */
const PLACE = {
  job: 'jobs',
  repair: 'repairs',
  sheet: 'sheets',
  stock: 'stock',
  snapshot: 'snapshots',
  attachment: 'attachments',
} as const;
type Placed = keyof typeof PLACE;
const isPlaced = (kind: RecordKind): kind is Placed => kind in PLACE;

export const byId = <T extends { readonly id: string }>(list: readonly T[]): ById<T> =>
  new Map(list.map((r) => [r.id, r]));
const plus = <T extends { readonly id: string }>(map: ById<T>, list: readonly T[]): ById<T> =>
  new Map([...map, ...byId(list)]);
const minus = <T>(map: ById<T>, id: string): ById<T> => new Map([...map].filter(([key]) => key !== id));

/** Changes of one kind in quick succession are one act, ms. */
const ONE_ACT_MS = 800;

const laterByTimer = (call: () => void, ms: number) => {
  const timer = setTimeout(call, ms);
  return () => clearTimeout(timer);
};

/** One thing to be put into the record. */
export interface NewEvent {
  readonly body: EventBody;
  /** When it happened; now, unless stated. */
  readonly at?: number;
  readonly amends?: string;
  /** The pass it belongs to, where it is not the one every repair has had from the beginning. */
  readonly passId?: string;
}

export type Workspace = ReturnType<typeof createWorkspace>;

/**
 * How often, and how far apart, a database that was closed under our hands is asked for before memory takes its place.
 */
const REFUSED_TRIES = 8;
const REFUSED_REST_MS = 250;

/**
 * The ground that the interface stands on: what is kept, what has been typed, and every way to act on it. Drafts show
 * at once and are written behind; an event shows when it is on disk.
 */
export function createWorkspace({ clock, store: openStore, ids, journal, later = laterByTimer }: WorkspacePorts) {
  const state: StoreApi<WorkspaceState> = createStore<WorkspaceState>(() => EMPTY);
  const { getState: get, setState: set } = state;
  let opening: Promise<Store> | null = null;
  let closed = false;
  let sequence = 0;
  let lastKey = '';
  let lastAt = Number.NEGATIVE_INFINITY;
  /** That the browser lost its database was read by the person. */
  let seen = false;

  // ── The database ──────────────────────────────────────────────────────────────────────────────────────────────────

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

  // ── Writing ───────────────────────────────────────────────────────────────────────────────────────────────────────

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

  // ── Drafts ────────────────────────────────────────────────────────────────────────────────────────────────────────

  function did(act: Act, key: string): void {
    const now = clock.now();
    set({ history: remember(get().history, act, key === lastKey && now - lastAt < ONE_ACT_MS), notUndone: null });
    lastKey = key;
    lastAt = now;
  }

  function show(kind: DraftKind, before: Draft, after: Draft): void {
    const place = PLACE[kind];
    set({ [place]: plus(get()[place] as ById<Draft>, [after]) } as Partial<WorkspaceState>);
    outbox.edit(kind, before, after);
  }

  function change<T extends Draft>(kind: DraftKind, id: string, how: (draft: T) => T, key: string): void {
    const before = get()[PLACE[kind]].get(id) as T | undefined;
    if (!before) return;
    const wanted = how(before);
    const changes = changesBetween(before, wanted);
    if (!changes.length) return;
    const after = 'updatedAt' in wanted ? { ...wanted, updatedAt: clock.now() } : wanted;
    // What could not be kept is not shown as if it were.
    const parsed = SCHEMAS[kind].safeParse(after);
    if (!parsed.success) {
      const { path, message } = parsed.error.issues[0]!;
      set({ notTaken: { path: path.map(String), message } });
      return;
    }
    if (get().notTaken) set({ notTaken: null });
    did({ does: 'change', kind, id, changes }, `${id}:${key}`);
    show(kind, before, after);
  }

  function add(kind: DraftKind, draft: Draft): void {
    const place = PLACE[kind];
    set({ [place]: plus(get()[place] as ById<Draft>, [draft]) } as Partial<WorkspaceState>);
    void write([{ does: 'add', record: draft }]);
  }

  function take(kind: DraftKind, draft: Draft): void {
    forget(kind, draft.id);
    // Should it have been begun in another tab meanwhile, the disk keeps it, and it comes back.
    void write([{ does: 'remove', kind, id: draft.id, bare: true }]).then(async ([outcome]) => {
      if (outcome?.is === 'kept') await reload();
    });
  }

  const recorded = (kind: DraftKind, id: string): boolean =>
    get().events.some((e) => (kind === 'repair' ? e.repairId : e.jobId) === id) ||
    (kind === 'job' && [...get().repairs.values()].some((r) => r.jobId === id && recorded('repair', r.id)));

  /** Carries an act out against what stands now, all of it or nothing. @returns whether it was carried out */
  function carry(act: Act): boolean {
    if (act.does !== 'several') return carryOne(act);
    const done: SingleAct[] = [];
    for (const one of act.acts) {
      if (!carryOne(one)) {
        const { notUndone } = get();
        if (done.length) carry(opposite({ does: 'several', acts: done }));
        set({ notUndone });
        return false;
      }
      done.push(one);
    }
    return true;
  }
  function carryOne(act: SingleAct): boolean {
    const held = get()[PLACE[act.kind]];
    const id = act.does === 'change' ? act.id : act.draft.id;
    const now = held.get(id) as Draft | undefined;
    const refuse = (why: 'changed' | 'recorded', draft: Draft | undefined) => {
      set({ notUndone: { name: draft && 'name' in draft ? draft.name : '', why } });
      return false;
    };
    if (act.does === 'change') {
      const then = now && redone(now, act.changes);
      if (!now || !then) return refuse('changed', now);
      show(act.kind, now, 'updatedAt' in then ? { ...then, updatedAt: clock.now() } : then);
      return true;
    }
    if (act.does === 'add') {
      if (now) return refuse('changed', now);
      add(act.kind, act.draft);
      return true;
    }
    if (recorded(act.kind, id)) return refuse('recorded', now ?? act.draft);
    const peopled = act.kind === 'job' && [...get().repairs.values()].some((r) => r.jobId === id);
    if (!now || peopled || changesBetween(now, act.draft).length) return refuse('changed', now);
    take(act.kind, now);
    return true;
  }

  function undo(): void {
    const { past, future } = get().history;
    const act = past.at(-1);
    if (!act) return;
    lastKey = '';
    // An act that cannot be taken back is left as it is and not asked about again.
    const back = carry(opposite(act));
    set({ history: { past: past.slice(0, -1), future: back ? [act, ...future] : future } });
    if (back) set({ notUndone: null });
  }
  function redo(): void {
    const { past, future } = get().history;
    const [act, ...rest] = future;
    if (!act) return;
    lastKey = '';
    const on = carry(act);
    set({ history: { past: on ? [...past, act] : past, future: rest } });
    if (on) set({ notUndone: null });
  }

  // ── The record ────────────────────────────────────────────────────────────────────────────────────────────────────

  function eventOf(repair: Repair, { body, at, amends, passId }: NewEvent, role: string): Event {
    const now = clock.now();
    const ahead = clock.aheadMs();
    return {
      record: 'event',
      version: 1,
      id: ids.make(),
      device: ids.device,
      sequence: sequence++,
      at: Math.round(at ?? now),
      recordedAt: Math.round(now),
      jobId: repair.jobId,
      repairId: repair.id,
      ...(passId === undefined || passId === FIRST_PASS ? {} : { passId }),
      amends: amends ?? null,
      role,
      ...(ahead ? { clockJumpMs: Math.round(ahead) } : {}),
      body,
    };
  }

  /**
   * Appends events of one repair in one go. Kept when they are on disk. @returns the events that say it: those of
   * another tab, where it was quicker
   */
  async function recordAll(
    repairId: string,
    entries: readonly NewEvent[],
    role: string,
    besides: readonly Write[] = [],
  ): Promise<readonly Event[]> {
    const repair = get().repairs.get(repairId);
    const job = repair && get().jobs.get(repair.jobId);
    if (!repair || !job || !entries.length) return [];
    const mine = get().events.filter((e) => e.repairId === repairId);
    const shut = entries.find((e) => isClosedTo(mine, e));
    if (shut)
      refuse(
        'record',
        shut.body.kind,
        'notes, lessons, an inspection, or reopening it with a reason',
        'The repair is released and its record is closed. Reopen it first, with a reason.',
      );
    const events = entries.map((e) => eventOf(repair, e, role));
    // Removed in another tab meanwhile? What is recorded of it brings it back.
    const before: readonly Write[] = [{ does: 'ensure', record: job }, { does: 'ensure', record: repair }, ...besides];
    const outcomes = await write([...before, ...events.map((record): Write => ({ does: 'once', record }))]);
    return outcomes
      .slice(before.length)
      .flatMap((o) => ('record' in o && o.record?.record === 'event' ? [o.record] : []));
  }

  const record = async (
    repairId: string,
    body: EventBody,
    role: string,
    options: Omit<NewEvent, 'body'> = {},
  ): Promise<Event | undefined> => (await recordAll(repairId, [{ body, ...options }], role))[0];

  /** Begins the work of a repair: the plan as it stands and the event that cites it, written as one. */
  async function startWork(
    repairId: string,
    usable: Readonly<Record<string, number | null>>,
    role: string,
    pots?: Pots,
  ): Promise<void> {
    const repair = get().repairs.get(repairId);
    const bundle = repair && bundleOf(get(), repair.jobId);
    if (!bundle) return;
    const snapshot = snapshotOf(bundle, clock.now(), ids.make(), pots);
    const { [FIRST_PASS]: first, ...further } = usable;
    await recordAll(
      repairId,
      [
        {
          body: {
            kind: 'started',
            snapshotId: snapshot.id,
            usableMin: first ?? null,
            ...(Object.keys(further).length ? { usable: further } : {}),
          },
        },
      ],
      role,
      [{ does: 'add', record: snapshot }],
    );
  }

  /**
   * Plans a repair anew under way, from its draft as it stands: the plan is kept, and the event that cites it, written
   * as one.
   */
  async function replan(repairId: string, role: string, pots?: Pots): Promise<void> {
    const repair = get().repairs.get(repairId);
    const kept = repair && bundleOf(get(), repair.jobId);
    if (!kept) return;
    // As if it had not begun: how long a batch may take to place is worked out afresh.
    const fresh = {
      ...kept,
      snapshots: [],
      events: kept.events.filter((e) => e.repairId !== repairId || !isBeginning(e)),
    };
    const anew = viewJob(fresh, clock.now(), pots).repairs.find((r) => r.repair.id === repairId);
    if (!anew) return;
    const snapshot = snapshotOf({ ...kept, snapshots: [] }, clock.now(), ids.make(), pots);
    const usable = Object.fromEntries(anew.passes.map((p) => [p.repair.passId, p.plan.usableMin]));
    await recordAll(repairId, [{ body: { kind: 'replanned', snapshotId: snapshot.id, usable } }], role, [
      { does: 'add', record: snapshot },
    ]);
  }

  /** Takes back what was changed in a draft since its work began. */
  function takeChangesBack(repairId: string): void {
    const repair = get().repairs.get(repairId);
    const frozen = repair && frozenOf(repair, get().events, [...get().snapshots.values()]);
    if (frozen?.changes.length) change('repair', repairId, () => frozen.repair, 'frozen');
  }

  /** Takes a kit from a lot: the event and the count, written as one. */
  const takeKit = (repairId: string, lot: Stock, kit: string, role: string): Promise<readonly Event[]> =>
    recordAll(repairId, [{ body: { kind: 'taken', stockId: lot.id, lot: lot.lot, kit, count: 1 } }], role, [
      { does: 'take', stockId: lot.id, count: 1 },
    ]);

  // ── Conflicts ─────────────────────────────────────────────────────────────────────────────────────────────────────

  /** Says which of two stands: what is here, the other, or (of records that are written once) both. */
  async function settle(conflict: Conflict, which: 'here' | 'other' | 'both'): Promise<void> {
    set({ conflicts: get().conflicts.filter((c) => c.id !== conflict.id) });
    const done: Write = { does: 'settle', conflictId: conflict.id };
    const other = conflict.other as AnyRecord;
    const { kind, recordId } = conflict;
    if (which === 'both') {
      // It takes no place in a chain that has one of that number.
      const { link: _, ...record } = { ...other, id: ids.make() } as Event;
      return void (await write([{ does: 'add', record: record as AnyRecord }, done]));
    }
    if (which === 'here' || (kind !== 'job' && kind !== 'repair' && kind !== 'stock'))
      return void (await write([done]));
    const here = get()[PLACE[kind]].get(recordId) as Draft | undefined;
    if (!here) return void (await write([{ does: 'add', record: other }, done]));
    if (conflict.path.length === 0) change(kind, recordId, () => other as Draft, 'settle');
    else
      change(
        kind,
        recordId,
        (d) => carryOver(d, [{ path: conflict.path, before: conflict.here, after: conflict.other }]).record,
        'settle',
      );
    await write([done]);
  }

  // ── Setting aside and deleting ────────────────────────────────────────────────────────────────────────────────────

  /** Takes records out of the plans without touching them. */
  async function setAside(keys: readonly Key[], reason: string): Promise<void> {
    const store = await theStore();
    const aside = await store.note('aside');
    await store.setNote('aside', [
      ...aside.filter((a) => !keys.some((k) => k.kind === a.kind && k.id === a.id)),
      ...keys.map((k) => ({ ...k, reason })),
    ]);
    await reload();
  }
  async function takeBack(keys: readonly Key[]): Promise<void> {
    const store = await theStore();
    const aside = await store.note('aside');
    await store.setNote(
      'aside',
      aside.filter((a) => !keys.some((k) => k.kind === a.kind && k.id === a.id)),
    );
    await reload();
  }

  /** Every record of a job. */
  function keysOfJob(jobId: string): readonly Key[] {
    const s = get();
    const of = (kind: RecordKind, records: Iterable<{ readonly id: string; readonly jobId: string }>) =>
      [...records].filter((r) => r.jobId === jobId).map((r) => ({ kind, id: r.id }));
    return [
      { kind: 'job', id: jobId },
      ...of('repair', s.repairs.values()),
      ...of('event', s.events),
      ...of('snapshot', s.snapshots.values()),
      ...of('attachment', s.attachments.values()),
    ];
  }
  /** Removes records for good. What is asked before stands with the button. */
  async function removeForGood(keys: readonly Key[]): Promise<void> {
    if (!keys.length) return;
    await write(keys.map(({ kind, id }): Write => ({ does: 'remove', kind, id })));
    for (const { kind, id } of keys) forget(kind, id);
    const gone = new Set(keys.map((k) => k.id));
    const stays = (a: Act) => !touched(a).some((id) => gone.has(id));
    const { past, future } = get().history;
    set({ history: { past: past.filter(stays), future: future.filter(stays) } });
    await (await theStore()).note('aside').then(async (aside) => {
      const rest = aside.filter((a) => !gone.has(a.id));
      if (rest.length !== aside.length) await (await theStore()).setNote('aside', rest);
    });
  }

  return {
    state,
    clock,
    ids,
    open,
    reload,
    settled,
    undo,
    redo,
    record,
    recordAll,
    startWork,
    replan,
    takeChangesBack,
    takeKit,
    settle,
    setAside,
    takeBack,
    keysOfJob,
    removeForGood,
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
    write,
    theStore,
    /** Writes now what waits for the hand to rest. */
    flush: outbox.flush,
    changeJob: (id: string, how: (job: Job) => Job, key = 'job') => change('job', id, how, key),
    changeRepair: (id: string, how: (repair: Repair) => Repair, key = 'repair') => change('repair', id, how, key),
    changeLot: (id: string, how: (lot: Stock) => Stock, key = 'lot') => change('stock', id, how, key),
    addJob: (job: Job) => {
      did({ does: 'add', kind: 'job', draft: job }, 'add');
      add('job', job);
    },
    addRepair: (repair: Repair) => {
      did({ does: 'add', kind: 'repair', draft: repair }, 'add');
      add('repair', repair);
    },
    putLot: (lot: Stock) => {
      did({ does: 'add', kind: 'stock', draft: lot }, 'add');
      add('stock', lot);
    },
    removeLot: (id: string) => {
      const lot = get().stock.get(id);
      if (!lot) return;
      did({ does: 'remove', kind: 'stock', draft: lot }, 'remove');
      take('stock', lot);
    },
    /** Removes a repair that has no record yet; one with a record stays. @returns whether it was removed */
    removeRepair: (id: string): boolean => {
      const repair = get().repairs.get(id);
      if (!repair || recorded('repair', id)) return false;
      did({ does: 'remove', kind: 'repair', draft: repair }, 'remove');
      take('repair', repair);
      return true;
    },
    /**
     * Makes one repair of several that are alike, none of them begun, as one act.
     * @returns the repair that they are now, or why they cannot be one
     */
    joinRepairs: (ids: readonly string[]): { readonly id: string } | { readonly why: Said } => {
      const made = joined(
        ids.flatMap((id) => get().repairs.get(id) ?? []),
        (id) => recorded('repair', id),
      );
      if ('why' in made) return made;
      const before = get().repairs.get(made.repair.id)!;
      const acts: readonly SingleAct[] = [
        { does: 'change', kind: 'repair', id: before.id, changes: changesBetween(before, made.repair) },
        ...made.gone.map((draft): SingleAct => ({ does: 'remove', kind: 'repair', draft })),
      ];
      if (carry({ does: 'several', acts })) did({ does: 'several', acts }, 'join');
      return { id: before.id };
    },
    /**
     * Changes several repairs as one act; those with a record of their own stay as they were begun.
     * @returns how many were changed
     */
    changeRepairs: (ids: readonly string[], how: (repair: Repair) => Repair): number => {
      const acts = ids.flatMap((id): SingleAct[] => {
        const before = get().repairs.get(id);
        const after = before && !recorded('repair', id) ? how(before) : before;
        return !before || after === before
          ? []
          : [{ does: 'change', kind: 'repair', id, changes: changesBetween(before, after!) }];
      });
      if (acts.length && carry({ does: 'several', acts })) did({ does: 'several', acts }, 'together');
      return acts.length;
    },
    putSheet: async (sheet: SheetRevision): Promise<void> => {
      set({ sheets: plus(get().sheets, [sheet]) });
      await write([{ does: 'add', record: sheet }]);
    },
    /** Keeps a picture with its job; the same picture twice is one. */
    putAttachment: async (attachment: Attachment): Promise<void> => {
      if (get().attachments.has(attachment.id)) return;
      set({ attachments: plus(get().attachments, [attachment]) });
      await write([{ does: 'add', record: attachment }]);
    },
    /** The browser this workspace stands in. */
    browser: browserOf(ids.device),
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

/** Everything of one job. */
export function bundleOf(
  state: Pick<WorkspaceState, 'jobs' | 'repairs' | 'sheets' | 'stock' | 'events' | 'snapshots'>,
  jobId: string,
): Bundle | undefined {
  const job = state.jobs.get(jobId);
  if (!job) return undefined;
  return {
    job,
    repairs: [...state.repairs.values()].filter((r) => r.jobId === jobId),
    sheets: [...state.sheets.values()],
    stock: [...state.stock.values()],
    events: state.events.filter((e) => e.jobId === jobId),
    snapshots: [...state.snapshots.values()].filter((s) => s.jobId === jobId),
  };
}

/** Records whose job or repair is not there: found and shown, never silently dropped. */
export function orphansOf(state: WorkspaceState): readonly Key[] {
  const lone = <T extends { readonly id: string; readonly jobId: string }>(
    kind: RecordKind,
    records: Iterable<T>,
    alone: (r: T) => boolean,
  ) => [...records].filter(alone).map((r) => ({ kind, id: r.id }));
  const noJob = (r: { readonly jobId: string }) => !state.jobs.has(r.jobId);
  return [
    ...lone('repair', state.repairs.values(), noJob),
    ...lone('event', state.events, (e) => noJob(e) || !state.repairs.has(e.repairId)),
    ...lone('snapshot', state.snapshots.values(), noJob),
    ...lone('attachment', state.attachments.values(), noJob),
  ];
}

export type { DatabaseTrouble };
