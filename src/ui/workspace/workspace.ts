'use client';
import { nanoid } from 'nanoid';
import { useStore } from 'zustand';
import { type Job, type PassRef, type Piece, pieceOf, type Repair, withPiece } from '@/core/plan';
import type { Attachment, Conflict, Event } from '@/core/record';
import type { SheetRevision, Stock } from '@/core/system';
import { type ClockMemory, createClock } from '@/device/clock';
import { DATABASE, openAnyStore, type Trace } from '@/store/database';
import { NO_JOURNAL, storageJournal } from '@/store/journal';
import type { NewEvent } from '@/store/recording';
import { keptTwice, type Lines } from '@/store/second-copy';
import type { WorkspaceState } from '@/store/state';
import { createWorkspace } from '@/store/workspace';
import { privateLines } from '@/worker/copy';
import { usePotStore } from './pots';

const inBrowser = typeof window !== 'undefined';

/** Local storage, where the browser lets us have it. */
export function storage(): Storage | null {
  try {
    return inBrowser ? window.localStorage : null;
  } catch {
    return null;
  }
}

/** A name for this browser, and one for this opening of the page: a tab that is copied is another tab. */
function deviceId(): string {
  const key = 'grenko.device';
  const known = storage()?.getItem(key);
  const browser = known && /^[\w-]{1,40}$/.test(known) ? known : nanoid(10);
  try {
    storage()?.setItem(key, browser);
  } catch {
    // Without local storage the browser has another name next time.
  }
  return `${browser}.${nanoid(6)}`;
}

const CLOCK_KEY = 'grenko.clock';
function clockBefore(): ClockMemory | null {
  try {
    const kept = JSON.parse(storage()?.getItem(CLOCK_KEY) ?? 'null') as Partial<ClockMemory> | null;
    return kept && Number.isFinite(kept.lastMs) && Number.isFinite(kept.aheadMs) ? (kept as ClockMemory) : null;
  } catch {
    return null;
  }
}

/** The present, for everything that is shown, timed and recorded here. */
export const clock = createClock({ wall: () => Date.now(), mono: () => performance.now() }, clockBefore());
export const keepClock = (): void => {
  try {
    storage()?.setItem(CLOCK_KEY, JSON.stringify(clock.memory()));
  } catch {
    // Then a clock set back while no page is open goes unnoticed.
  }
};

/** The database's name: another one where the person chose to begin beside one that cannot be read. */
const NAME_KEY = 'grenko.database';
export const databaseName = (): string => {
  const kept = storage()?.getItem(NAME_KEY);
  return kept && /^grenko[\w-]{0,40}$/.test(kept) ? kept : DATABASE;
};
export function startBeside(): void {
  storage()?.setItem(NAME_KEY, `${DATABASE}-${nanoid(6)}`);
  location.reload();
}

const TRACE_KEY = 'grenko.kept';
/** The name of the database that something was kept in, beside it: by it a lost one is known. */
const trace: Trace = {
  had: () => storage()?.getItem(TRACE_KEY) === databaseName(),
  leave: () => {
    try {
      storage()?.setItem(TRACE_KEY, databaseName());
    } catch {
      // Without local storage a lost database looks like a new one.
    }
  },
};

const device = deviceId();
const place = storage();
const COPY_KEY = 'grenko.copied';
/**
 * The present for the second copy: of what several tabs wrote the later holds, and a clock set back must not turn that
 * round.
 */
function copyClock(): number {
  const last = Number(place?.getItem(COPY_KEY) ?? 0);
  const ms = Math.max(Date.now(), Number.isFinite(last) ? last + 1 : 0);
  try {
    place?.setItem(COPY_KEY, String(ms));
  } catch {
    // Then a clock set back may cost the second copy its order.
  }
  return ms;
}
let lines: Lines | null | undefined;
/** The one workspace of this tab. */
export const workspace = createWorkspace({
  clock,
  store: async (onBlocked) => {
    const store = await openAnyStore(databaseName(), onBlocked, trace);
    // One file of this page serves however often the database is opened.
    lines ??= privateLines(databaseName(), device.replace(/[^\w-]/g, '-')) ?? null;
    return lines && store.lasting ? keptTwice(store, lines, copyClock) : store;
  },
  ids: { make: () => nanoid(), device },
  journal: place
    ? storageJournal(device, { storage: place, ...(navigator.locks ? { locks: navigator.locks } : {}) })
    : NO_JOURNAL,
});

export function useWorkspace(): WorkspaceState;
export function useWorkspace<T>(part: (state: WorkspaceState) => T): T;
export function useWorkspace<T>(part?: (state: WorkspaceState) => T): T | WorkspaceState {
  return useStore(workspace.state, part ?? ((s) => s as T & WorkspaceState));
}
export const stateNow = (): WorkspaceState => workspace.state.getState();

let opened = false;
/** Opens the workspace once for this page. */
export function openWorkspace(): void {
  if (opened) return;
  opened = true;
  void workspace.open();
  setInterval(keepClock, 5000);
  const leave = () => {
    keepClock();
    workspace.flush();
  };
  window.addEventListener('pagehide', leave);
  // What is told of the pull itself comes between: after the press, before the letting go.
  window.addEventListener('pointerdown', () => workspace.hold(true), true);
  for (const end of ['pointerup', 'pointercancel']) window.addEventListener(end, () => workspace.hold(false));
  document.addEventListener('visibilitychange', () => document.hidden && leave());
}

/** Changes one pass of a repair, and what the repair gives it. */
export const changePass = ({ id, passId }: PassRef, how: (piece: Piece) => Piece, key?: string): void =>
  workspace.changeRepair(id, (r) => withPiece(r, how(pieceOf(r, passId))), key && `${passId}:${key}`);
export const changeRepair = (id: string, how: (repair: Repair) => Repair, key?: string): void =>
  workspace.changeRepair(id, how, key);
export const changeJob = (id: string, how: (job: Job) => Job, key?: string): void => workspace.changeJob(id, how, key);
export const addJob = (job: Job): void => workspace.addJob(job);
export const addRepair = (repair: Repair): void => workspace.addRepair(repair);
export const addRepairs = (repairs: readonly Repair[]): void => workspace.addRepairs(repairs);
export const removeRepair = (id: string): boolean => workspace.removeRepair(id);
export const joinRepairs = (ids: readonly string[]): ReturnType<typeof workspace.joinRepairs> =>
  workspace.joinRepairs(ids);
export const changeRepairs = (ids: readonly string[], how: (repair: Repair) => Repair): number =>
  workspace.changeRepairs(ids, how);
export const putSheet = (sheet: SheetRevision): Promise<void> => workspace.putSheet(sheet);
export const putAttachment = (attachment: Attachment): Promise<void> => workspace.putAttachment(attachment);
export const putLot = (lot: Stock): void => workspace.putLot(lot);
export const removeLot = (id: string): void => workspace.removeLot(id);
export const changeLot = (id: string, how: (lot: Stock) => Stock): void => workspace.changeLot(id, how);
export const undo = (): void => workspace.undo();
export const redo = (): void => workspace.redo();
export const settle = (conflict: Conflict, which: 'here' | 'other' | 'both'): Promise<void> =>
  workspace.settle(conflict, which);

export const recordAll = (repairId: string, entries: readonly NewEvent[], role: string): Promise<readonly Event[]> =>
  workspace.recordAll(repairId, entries, role);
/** Begins the work of a repair from its plan as it stands. */
export const replan = (repairId: string, role: string): Promise<void> =>
  workspace.replan(repairId, role, usePotStore.getState().pots);
export const takeChangesBack = (repairId: string): void => workspace.takeChangesBack(repairId);
export const startWork = (
  repairId: string,
  usable: Readonly<Record<string, number | null>>,
  role: string,
): Promise<void> => workspace.startWork(repairId, usable, role, usePotStore.getState().pots);
