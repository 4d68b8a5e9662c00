import type { Job, Repair } from '@/core/plan';
import type { Attachment, Bundle, Conflict, Event, JobInYard, PlanSnapshot } from '@/core/record';
import type { SheetRevision, Stock } from '@/core/system';
import { type History, NO_HISTORY } from './acts';
import type { OutboxState } from './outbox';
import type { RecordKind, SetAside } from './records';
import type { Key } from './store';

/** What is the matter with keeping, by name: the words for it stand with the banner. */
export type Trouble =
  | { readonly is: 'refused' | 'newer'; readonly detail: string }
  /** The browser lost its database; `tookBack` records are here again from the second copy. */
  | { readonly is: 'begun-anew'; readonly detail: string; readonly tookBack: number }
  | { readonly is: 'blocked' | 'cleared' }
  | { readonly is: 'full' | 'unwritten' | 'lost'; readonly detail: string };

export type ById<T> = ReadonlyMap<string, T>;

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
export const PLACE = {
  job: 'jobs',
  repair: 'repairs',
  sheet: 'sheets',
  stock: 'stock',
  snapshot: 'snapshots',
  attachment: 'attachments',
} as const;
export type Placed = keyof typeof PLACE;
export const isPlaced = (kind: RecordKind): kind is Placed => kind in PLACE;

export const byId = <T extends { readonly id: string }>(list: readonly T[]): ById<T> =>
  new Map(list.map((r) => [r.id, r]));
export const plus = <T extends { readonly id: string }>(map: ById<T>, list: readonly T[]): ById<T> =>
  new Map([...map, ...byId(list)]);
export const minus = <T>(map: ById<T>, id: string): ById<T> => new Map([...map].filter(([key]) => key !== id));

type Jobs = Pick<WorkspaceState, 'jobs' | 'repairs' | 'sheets' | 'stock' | 'events' | 'snapshots'>;

/** Everything of one job. */
export function bundleOf(state: Jobs, jobId: string): Bundle | undefined {
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

/** All jobs as they are planned round one another. One that cannot be put together is told where it is shown. */
export const yardOf = (state: Jobs): readonly Bundle[] =>
  [...state.jobs.keys()].flatMap((id) => {
    try {
      return bundleOf(state, id) ?? [];
    } catch {
      return [];
    }
  });

/** A job among all others. */
export function inYard(state: Jobs, jobId: string, yard = yardOf(state)): JobInYard | undefined {
  const mine = bundleOf(state, jobId);
  return mine && { ...mine, yard };
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
