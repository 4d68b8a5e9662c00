import type { StoreApi } from 'zustand/vanilla';
import { FIRST_PASS, type Pots, type Repair } from '@/core/plan';
import {
  type Attachment,
  type Event,
  type EventBody,
  frozenOf,
  isBeginning,
  isClosedTo,
  snapshotOf,
  viewJob,
} from '@/core/record';
import { refuse, texts } from '@/core/say';
import type { SheetRevision, Stock } from '@/core/system';
import type { Drafts } from './drafts';
import type { Keeping } from './keeping';
import type { WorkspacePorts } from './ports';
import { inYard, plus, type WorkspaceState } from './state';
import type { Write } from './write';

const REFUSED = texts('refused.store.recording', {
  'repair-released-record': 'The repair is released and its record is closed. Reopen it first, with a reason.',
});

/** One thing to be put into the record. */
export interface NewEvent {
  readonly body: EventBody;
  /** When it happened; now, unless stated. */
  readonly at?: number;
  readonly amends?: string;
  /** The pass it belongs to, where it is not the one every repair has had from the beginning. */
  readonly passId?: string;
}

/** What is written once and never changed: events, the plan that work began by, sheets, pictures. Shown when kept. */
export function createRecording(
  { getState: get, setState: set }: StoreApi<WorkspaceState>,
  { clock, ids }: Pick<WorkspacePorts, 'clock' | 'ids'>,
  keeping: Keeping,
  drafts: Drafts,
) {
  let sequence = 0;

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
        REFUSED['repair-released-record'](),
      );
    const events = entries.map((e) => eventOf(repair, e, role));
    // Removed in another tab meanwhile? What is recorded of it brings it back.
    const before: readonly Write[] = [{ does: 'ensure', record: job }, { does: 'ensure', record: repair }, ...besides];
    const outcomes = await keeping.write([...before, ...events.map((record): Write => ({ does: 'once', record }))]);
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
    const bundle = repair && inYard(get(), repair.jobId);
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
    const kept = repair && inYard(get(), repair.jobId);
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
    if (frozen?.changes.length) drafts.change('repair', repairId, () => frozen.repair, 'frozen');
  }

  /** Takes a kit from a lot: the event and the count, written as one. */
  const takeKit = (repairId: string, lot: Stock, kit: string, role: string): Promise<readonly Event[]> =>
    recordAll(repairId, [{ body: { kind: 'taken', stockId: lot.id, lot: lot.lot, kit, count: 1 } }], role, [
      { does: 'take', stockId: lot.id, count: 1 },
    ]);

  return {
    record,
    recordAll,
    startWork,
    replan,
    takeChangesBack,
    takeKit,
    putSheet: async (sheet: SheetRevision): Promise<void> => {
      set({ sheets: plus(get().sheets, [sheet]) });
      await keeping.write([{ does: 'add', record: sheet }]);
    },
    /** Keeps a picture with its job; the same picture twice is one. */
    putAttachment: async (attachment: Attachment): Promise<void> => {
      if (get().attachments.has(attachment.id)) return;
      set({ attachments: plus(get().attachments, [attachment]) });
      await keeping.write([{ does: 'add', record: attachment }]);
    },
  };
}
