import type { Job, Repair } from '@/core/plan';
import { changesBetween } from '@/core/record';
import type { Stock } from '@/core/system';
import type { Journal } from './journal';
import type { DraftKind, Entry, Outcome, Write } from './write';

export type Draft = Job | Repair | Stock;

/** A draft as it was read and as it is wanted: what differs is what will be written. */
interface Edit {
  readonly kind: DraftKind;
  readonly before: Draft;
  readonly after: Draft;
}

interface Waiting {
  readonly id: string;
  readonly writes: readonly Write[];
  readonly edit: Edit | null;
  readonly done: (outcomes: readonly Outcome[]) => void;
  readonly lost: (why: unknown) => void;
}

export interface OutboxState {
  /** Entries not yet on disk. */
  readonly waiting: number;
  /** Why the first of them could not be written; null while all goes well. */
  readonly failure: unknown;
}

export interface OutboxPorts {
  readonly commit: (entry: Entry) => Promise<readonly Outcome[]>;
  readonly journal: Journal;
  readonly makeId: () => string;
  readonly now: () => number;
  /** Called when something was written, before its promise is kept. */
  readonly onWritten: (entry: Entry, outcomes: readonly Outcome[]) => void;
  readonly onState: (state: OutboxState) => void;
  /** Runs `call` after a while. @returns a way to stop it */
  readonly later: (call: () => void, ms: number) => () => void;
}

/** While a hand drags, what follows the first change is written when it rests, ms. */
const REST_MS = 200;
/** A failed write is tried again, ms. */
const RETRY_MS = 1500;

/**
 * One line for all that is to be written: drafts and events, in the order they were made. What stands in it is noted in
 * the journal; an entry leaves it when the disk has it, and not before.
 */
export function createOutbox({ commit, journal, makeId, now, onWritten, onState, later }: OutboxPorts) {
  let line: Waiting[] = [];
  let busy = false;
  let failure: unknown = null;
  let stopRest: (() => void) | null = null;
  let stopRetry: (() => void) | null = null;
  let lastEditAt = Number.NEGATIVE_INFINITY;

  const entryOf = ({ id, writes, edit }: Waiting): Entry => {
    if (!edit) return { id, writes };
    const { kind, before, after } = edit;
    const at = 'updatedAt' in after ? after.updatedAt : now();
    return { id, writes: [{ does: 'change', kind, id: after.id, changes: changesBetween(before, after), at }] };
  };
  const tell = () => {
    journal.note(line.map(entryOf));
    onState({ waiting: line.length, failure });
  };

  async function pump(): Promise<void> {
    stopRest?.();
    stopRest = null;
    if (busy) return;
    busy = true;
    stopRetry?.();
    stopRetry = null;
    while (line.length) {
      const head = line[0]!;
      const entry = entryOf(head);
      try {
        const outcomes = await commit(entry);
        // While it was written nothing was put into it: a change under way is never added to.
        line = line.filter((w) => w !== head);
        failure = null;
        onWritten(entry, outcomes);
        tell();
        head.done(outcomes);
      } catch (error) {
        failure = error;
        tell();
        stopRetry = later(() => void pump(), RETRY_MS);
        break;
      }
    }
    busy = false;
  }

  const place = (writes: readonly Write[], edit: Edit | null): Promise<readonly Outcome[]> =>
    new Promise((done, lost) => {
      line = [...line, { id: makeId(), writes, edit, done, lost }];
      tell();
    });

  return {
    /** Writes as soon as what stands before it is written. The promise is kept when the disk has it. */
    push(writes: readonly Write[]): Promise<readonly Outcome[]> {
      const kept = place(writes, null);
      void pump();
      return kept;
    },
    /** Takes in a change of a draft; one that follows another of the same draft becomes one with it. */
    edit(kind: DraftKind, before: Draft, after: Draft): void {
      const last = line.at(-1);
      const open = last?.edit && last.edit.after === before && !(busy && line.length === 1);
      if (open) {
        line = [...line.slice(0, -1), { ...last, edit: { ...last.edit!, after } }];
        tell();
      } else void place([], { kind, before, after }).catch(() => undefined);
      const atOnce = now() - lastEditAt > REST_MS;
      lastEditAt = now();
      stopRest?.();
      if (atOnce) void pump();
      else stopRest = later(() => void pump(), REST_MS);
    },
    /** Puts entries that a tab now gone had noted before everything else. */
    inherit(entries: readonly Entry[]): void {
      if (!entries.length) return;
      line = [
        ...entries.map((e): Waiting => ({ ...e, edit: null, done: () => undefined, lost: () => undefined })),
        ...line,
      ];
      tell();
      void pump();
    },
    /** Writes what waits now. */
    flush: (): void => void pump(),
    /** Changes of a draft that are not on disk yet, in order. */
    pending: (kind: DraftKind, id: string) =>
      line.flatMap((w) =>
        entryOf(w).writes.filter((x) => x.does === 'change' && x.kind === kind && x.id === id),
      ) as Extract<Write, { does: 'change' }>[],
    /** Whether a record is about to be added or removed. */
    awaits: (id: string): boolean =>
      line.some((w) =>
        w.writes.some((x) =>
          x.does === 'add' || x.does === 'once' ? x.record.id === id : x.does === 'remove' && x.id === id,
        ),
      ),
    /** Whether a record is about to be removed, as the last that waits for it. */
    leaves: (kind: string, id: string): boolean => {
      const last = line
        .flatMap((w) => w.writes)
        .findLast((x) =>
          x.does === 'add' || x.does === 'once'
            ? x.record.record === kind && x.record.id === id
            : x.does === 'remove' && x.kind === kind && x.id === id,
        );
      return last?.does === 'remove';
    },
    state: (): OutboxState => ({ waiting: line.length, failure }),
    /** Stops trying; what waits stays in the journal. */
    stop(): void {
      stopRest?.();
      stopRetry?.();
      line = [];
    },
  };
}
export type Outbox = ReturnType<typeof createOutbox>;
