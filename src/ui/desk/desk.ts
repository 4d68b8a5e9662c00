'use client';
import { nanoid } from 'nanoid';
import { create } from 'zustand';
import type { Job, Repair } from '@/core/plan';
import { type Attachment, type Bundle, type Event, type EventBody, mergeEvents, type PlanSnapshot, snapshotOf } from '@/core/record';
import type { SheetRevision, Stock } from '@/core/system';
import { type AnyRecord, type RecordKind, type SetAside, sortOut } from '@/store/records';
import { openAnyVault, type Vault } from '@/store/vault';
import { usePotStore } from './pots';

/** Drafts that undo and redo act on. */
interface Drafts {
  readonly jobs: Readonly<Record<string, Job>>;
  readonly repairs: Readonly<Record<string, Repair>>;
}

/** A draft of an imported copy that differs from the one here. */
export interface Conflict {
  readonly mine: Repair | Job;
  readonly theirs: Repair | Job;
}

export interface Desk extends Drafts {
  readonly ready: boolean;
  readonly sheets: Readonly<Record<string, SheetRevision>>;
  readonly stock: Readonly<Record<string, Stock>>;
  readonly snapshots: Readonly<Record<string, PlanSnapshot>>;
  readonly attachments: Readonly<Record<string, Attachment>>;
  readonly events: readonly Event[];
  readonly setAside: readonly SetAside[];
  readonly lasting: boolean;
  /** What the person should know about saving: refused, full. */
  readonly trouble: string | null;
  readonly past: readonly Drafts[];
  readonly future: readonly Drafts[];
  readonly conflicts: readonly Conflict[];
}

const empty: Desk = {
  ready: false,
  jobs: {},
  repairs: {},
  sheets: {},
  stock: {},
  snapshots: {},
  attachments: {},
  events: [],
  setAside: [],
  lasting: true,
  trouble: null,
  past: [],
  future: [],
  conflicts: [],
};

/** The one state of the interface: records as held in the vault, and the history of drafts. */
export const useDesk = create<Desk>(() => empty);

const set = useDesk.setState;
const get = useDesk.getState;
const DEPTH = 200;
let vault: Promise<Vault> | undefined;
let channel: BroadcastChannel | undefined;

/** A name for this browser, so that two copies of a record can be told apart. */
function deviceId(): string {
  try {
    const known = localStorage.getItem('grenko.device');
    if (known) return known;
    const fresh = nanoid(10);
    localStorage.setItem('grenko.device', fresh);
    return fresh;
  } catch {
    return 'unnamed';
  }
}

export const byId = <T extends { id: string }>(list: readonly T[]): Record<string, T> => Object.fromEntries(list.map((r) => [r.id, r]));

function theVault(): Promise<Vault> {
  vault ??= openAnyVault();
  return vault;
}

export async function reload(): Promise<void> {
  const v = await theVault();
  const { holdings, setAside } = await v.load();
  set({
    ready: true,
    jobs: byId(holdings.job),
    repairs: byId(holdings.repair),
    sheets: byId(holdings.sheet),
    stock: byId(holdings.stock),
    snapshots: byId(holdings.snapshot),
    attachments: byId(holdings.attachment),
    events: mergeEvents(holdings.event, []),
    setAside,
    lasting: v.lasting,
    trouble: v.lasting
      ? null
      : `The browser refuses its database (${v.refusal}). Everything works, but is gone when this tab closes: export what you need.`,
  });
}

/** Loads everything once, and again whenever another tab has written. */
export function openDesk(): void {
  if (vault) return;
  void theVault().then(catchUp).catch(saveTrouble).then(reload);
  if (typeof BroadcastChannel !== 'undefined') {
    channel = new BroadcastChannel('grenko');
    channel.onmessage = () => void reload();
  }
}

function saveTrouble(error: unknown): void {
  const full = error instanceof DOMException && error.name === 'QuotaExceededError';
  set({
    trouble: full
      ? 'The disk is full: the last change is on the screen but not saved. Export the job, then free some space.'
      : `The last change is not saved: ${error instanceof Error ? error.message : String(error)}`,
  });
}

/** Writes records and removes others, in order. */
export const keep = (records: readonly AnyRecord[], gone: readonly { kind: RecordKind; id: string }[] = []): Promise<void> =>
  save(records, gone);

let writing: Promise<void> = Promise.resolve();

/** Writes in order; a failure is shown and keeps what is on the screen. */
function save(records: readonly AnyRecord[], gone: readonly { kind: RecordKind; id: string }[] = []): Promise<void> {
  writing = writing.then(async () => {
    try {
      const v = await theVault();
      await v.put(records);
      await v.remove(gone);
      channel?.postMessage('changed');
    } catch (error) {
      saveTrouble(error);
    }
  });
  return writing;
}

/** Remembers the drafts as they were, so that the change can be undone. Changes of one kind in quick succession count as one. */
let lastKey = '';
let lastAt = 0;
export function remember(key: string): Pick<Desk, 'past' | 'future'> {
  const { jobs, repairs, past } = get();
  const same = key === lastKey && Date.now() - lastAt < 800 && past.length > 0;
  lastKey = key;
  lastAt = Date.now();
  return { past: same ? past : [...past, { jobs, repairs }].slice(-DEPTH), future: [] };
}

/** What is on the screen and not yet on disk, newest of each record. */
const unsaved = new Map<string, AnyRecord>();
let resting: ReturnType<typeof setTimeout> | undefined;
const REST_MS = 200;
const JOURNAL = 'grenko.unsaved';

/** Writes records and holds them in `unsaved` until they are on disk. */
async function saveSurely(records: readonly AnyRecord[]): Promise<void> {
  for (const r of records) unsaved.set(r.id, r);
  await save(records);
  for (const r of records) if (unsaved.get(r.id) === r) unsaved.delete(r.id);
}

/** The first change is written at once; while more follow (a drag), the rest is written when the hand rests. */
function saveSoon(record: Job | Repair): void {
  if (resting === undefined) void saveSurely([record]);
  else clearTimeout(resting);
  unsaved.set(record.id, record);
  resting = setTimeout(flush, REST_MS);
}

function flush(): void {
  clearTimeout(resting);
  resting = undefined;
  if (unsaved.size) void saveSurely([...unsaved.values()]);
}

/** A page that goes away may not finish writing to its database: what is still open is first noted where writing is immediate. */
function leave(): void {
  if (!unsaved.size) return;
  try {
    localStorage.setItem(JOURNAL, JSON.stringify([...unsaved.values()]));
  } catch {
    // No local storage: the database below is all there is.
  }
  flush();
}
if (typeof window !== 'undefined') {
  window.addEventListener('pagehide', leave);
  document.addEventListener('visibilitychange', () => document.hidden && leave());
}

/** Writes what a page that went away had noted. A newer draft in the database wins; events are added where they are missing. */
async function catchUp(v: Vault): Promise<void> {
  let noted: unknown[] = [];
  try {
    noted = JSON.parse(localStorage.getItem(JOURNAL) ?? '[]') as unknown[];
    localStorage.removeItem(JOURNAL);
  } catch {
    return;
  }
  if (!noted.length) return;
  const { holdings } = await v.load();
  const newest = new Map<string, number>([...holdings.job, ...holdings.repair].map((r) => [r.id, r.updatedAt]));
  for (const e of [...holdings.event, ...holdings.snapshot]) newest.set(e.id, Number.POSITIVE_INFINITY);
  const records = (['job', 'repair', 'snapshot', 'event'] as const).flatMap(
    (kind) =>
      sortOut(
        kind,
        noted.filter((n) => (n as AnyRecord | null)?.record === kind),
      ).good,
  );
  await v.put(records.filter((r) => (newest.get(r.id) ?? -1) < ('updatedAt' in r ? r.updatedAt : 0)));
}

export function changeRepair(id: string, change: (repair: Repair) => Repair, key = 'repair'): void {
  const before = get().repairs[id];
  if (!before) return;
  const after = { ...change(before), updatedAt: Date.now() };
  set({ ...remember(`${id}:${key}`), repairs: { ...get().repairs, [id]: after } });
  saveSoon(after);
}

export function changeJob(id: string, change: (job: Job) => Job, key = 'job'): void {
  const before = get().jobs[id];
  if (!before) return;
  const after = { ...change(before), updatedAt: Date.now() };
  set({ ...remember(`${id}:${key}`), jobs: { ...get().jobs, [id]: after } });
  saveSoon(after);
}

export function addJob(job: Job): void {
  set({ ...remember('add'), jobs: { ...get().jobs, [job.id]: job } });
  void save([job]);
}

export function addRepair(repair: Repair): void {
  set({ ...remember('add'), repairs: { ...get().repairs, [repair.id]: repair } });
  void save([repair]);
}

/** Moves the drafts one step back or forth and writes what differs. */
function travel(to: Drafts | undefined, rest: Pick<Desk, 'past' | 'future'>): void {
  if (!to) return;
  const { jobs, repairs } = get();
  const changed: AnyRecord[] = [
    ...Object.values(to.jobs).filter((j) => jobs[j.id] !== j),
    ...Object.values(to.repairs).filter((r) => repairs[r.id] !== r),
  ];
  const gone = [
    ...Object.keys(jobs)
      .filter((id) => !to.jobs[id])
      .map((id) => ({ kind: 'job' as const, id })),
    ...Object.keys(repairs)
      .filter((id) => !to.repairs[id])
      .map((id) => ({ kind: 'repair' as const, id })),
  ];
  lastKey = '';
  set({ ...to, ...rest });
  void save(changed, gone);
}
export function undo(): void {
  const { past, future, jobs, repairs } = get();
  travel(past.at(-1), { past: past.slice(0, -1), future: [{ jobs, repairs }, ...future] });
}
export function redo(): void {
  const { past, future, jobs, repairs } = get();
  travel(future[0], { past: [...past, { jobs, repairs }], future: future.slice(1) });
}

/** Removes a repair that has no record yet; one with a record stays. @returns whether it was removed */
export function removeRepair(id: string): boolean {
  if (get().events.some((e) => e.repairId === id)) return false;
  const { [id]: gone, ...repairs } = get().repairs;
  if (!gone) return false;
  set({ ...remember('remove'), repairs });
  void save([], [{ kind: 'repair', id }]);
  return true;
}

/** Adds an event to the record. It is on disk before anything else is done with it. */
export async function record(
  repairId: string,
  body: EventBody,
  role: string,
  options: { at?: number; amends?: string } = {},
): Promise<Event | undefined> {
  return (await recordAll(repairId, [{ body, ...options }], role))[0];
}

/** Appends several events of one repair in one go, as from a file of readings. */
export async function recordAll(
  repairId: string,
  entries: readonly { readonly body: EventBody; readonly at?: number; readonly amends?: string }[],
  role: string,
): Promise<readonly Event[]> {
  const repair = get().repairs[repairId];
  if (!repair) return [];
  const device = deviceId();
  const last = get().events.reduce((most, e) => (e.device === device && e.sequence > most ? e.sequence : most), -1);
  const now = Date.now();
  const events = entries.map(
    ({ body, at, amends }, i): Event => ({
      record: 'event',
      version: 1,
      id: nanoid(),
      device,
      sequence: last + 1 + i,
      at: at ?? now,
      recordedAt: now,
      jobId: repair.jobId,
      repairId,
      amends: amends ?? null,
      role,
      body,
    }),
  );
  set({ events: mergeEvents(get().events, events) });
  await saveSurely(events);
  return events;
}

/** Begins the work of a repair: freezes the plan as it stands, then writes the event that cites it. */
export async function startWork(repairId: string, usableMin: number | null, role: string): Promise<void> {
  const repair = get().repairs[repairId];
  if (!repair) return;
  const snapshot = snapshotOf(bundleOf(get(), repair.jobId)!, Date.now(), nanoid(), usePotStore.getState().pots);
  set({ snapshots: { ...get().snapshots, [snapshot.id]: snapshot } });
  await saveSurely([snapshot]);
  await record(repairId, { kind: 'started', snapshotId: snapshot.id, usableMin }, role);
}

/** Keeps a picture with its job; the same picture twice is one. */
export function putAttachment(attachment: Attachment): void {
  if (get().attachments[attachment.id]) return;
  set({ attachments: { ...get().attachments, [attachment.id]: attachment } });
  void save([attachment]);
}

/** Everything of one job. */
export function bundleOf(desk: Desk, jobId: string): Bundle | undefined {
  const job = desk.jobs[jobId];
  if (!job) return undefined;
  return {
    job,
    repairs: Object.values(desk.repairs).filter((r) => r.jobId === jobId),
    sheets: Object.values(desk.sheets),
    stock: Object.values(desk.stock),
    events: desk.events.filter((e) => e.jobId === jobId),
  };
}
