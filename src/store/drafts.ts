import type { StoreApi } from 'zustand/vanilla';
import { type Job, joined, type Repair } from '@/core/plan';
import { changesBetween } from '@/core/record';
import type { Said } from '@/core/say';
import type { Stock } from '@/core/system';
import { type Act, opposite, redone, remember, type SingleAct } from './acts';
import type { Keeping } from './keeping';
import type { Draft } from './outbox';
import type { WorkspaceClock } from './ports';
import { SCHEMAS } from './records';
import { type ById, PLACE, plus, type WorkspaceState } from './state';
import type { DraftKind } from './write';

/** Changes of one kind in quick succession are one act, ms. */
const ONE_ACT_MS = 800;

export type Drafts = ReturnType<typeof createDrafts>;

/** Jobs, repairs and lots as a hand changes them, and undoes it: shown at once, written behind. */
export function createDrafts(
  { getState: get, setState: set }: StoreApi<WorkspaceState>,
  clock: WorkspaceClock,
  keeping: Keeping,
) {
  let lastKey = '';
  let lastAt = Number.NEGATIVE_INFINITY;
  /** A pull is under way: the button or the finger is down. */
  let held = false;
  /** The last change was made by the pull that is under way. */
  let pulled = false;

  function did(act: Act, key: string): void {
    const now = clock.now();
    const joins = key === lastKey && (now - lastAt < ONE_ACT_MS || pulled);
    set({ history: remember(get().history, act, joins), notUndone: null });
    lastKey = key;
    lastAt = now;
    pulled = held;
  }

  function show(kind: DraftKind, before: Draft, after: Draft): void {
    const place = PLACE[kind];
    set({ [place]: plus(get()[place] as ById<Draft>, [after]) } as Partial<WorkspaceState>);
    keeping.edit(kind, before, after);
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
    void keeping.write([{ does: 'add', record: draft }]);
  }

  function take(kind: DraftKind, draft: Draft): void {
    keeping.forget(kind, draft.id);
    // Should it have been begun in another tab meanwhile, the disk keeps it, and it comes back.
    void keeping.write([{ does: 'remove', kind, id: draft.id, bare: true }]).then(async ([outcome]) => {
      if (outcome?.is === 'kept') await keeping.reload();
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

  return {
    undo,
    redo,
    change,
    recorded,
    /** Says that a pull begins or has ended: what it changes is one act, however long it takes. */
    hold: (down: boolean): void => {
      held = down;
      pulled = false;
    },
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
    /** Adds several repairs as one act. */
    addRepairs: (repairs: readonly Repair[]) => {
      const acts = repairs.map((draft) => ({ does: 'add', kind: 'repair', draft }) as const);
      if (acts.length && carry({ does: 'several', acts })) did({ does: 'several', acts }, 'add');
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
  };
}
