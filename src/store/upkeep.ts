import type { StoreApi } from 'zustand/vanilla';
import { type Conflict, carryOver, type Event } from '@/core/record';
import { type Act, touched } from './acts';
import type { Drafts } from './drafts';
import type { Keeping } from './keeping';
import type { Draft } from './outbox';
import type { WorkspacePorts } from './ports';
import type { AnyRecord, RecordKind } from './records';
import { PLACE, type WorkspaceState } from './state';
import type { Key } from './store';
import type { Write } from './write';

/** What is done to records besides working with them: conflicts settled, records set aside, removed, put back. */
export function createUpkeep(
  { getState: get, setState: set }: StoreApi<WorkspaceState>,
  ids: WorkspacePorts['ids'],
  keeping: Keeping,
  drafts: Drafts,
) {
  /** Says which of two stands: what is here, the other, or (of records that are written once) both. */
  async function settle(conflict: Conflict, which: 'here' | 'other' | 'both'): Promise<void> {
    set({ conflicts: get().conflicts.filter((c) => c.id !== conflict.id) });
    const done: Write = { does: 'settle', conflictId: conflict.id };
    const other = conflict.other as AnyRecord;
    const { kind, recordId } = conflict;
    if (which === 'both') {
      // It takes no place in a chain that has one of that number.
      const { link: _, ...record } = { ...other, id: ids.make() } as Event;
      return void (await keeping.write([{ does: 'add', record: record as AnyRecord }, done]));
    }
    if (which === 'here' || (kind !== 'job' && kind !== 'repair' && kind !== 'stock'))
      return void (await keeping.write([done]));
    const here = get()[PLACE[kind]].get(recordId) as Draft | undefined;
    if (!here) return void (await keeping.write([{ does: 'add', record: other }, done]));
    if (conflict.path.length === 0) drafts.change(kind, recordId, () => other as Draft, 'settle');
    else
      drafts.change(
        kind,
        recordId,
        (d) => carryOver(d, [{ path: conflict.path, before: conflict.here, after: conflict.other }]).record,
        'settle',
      );
    await keeping.write([done]);
  }

  // ── Setting aside and deleting ────────────────────────────────────────────────────────────────────────────────────

  /** Takes records out of the plans without touching them. */
  async function setAside(keys: readonly Key[], reason: string): Promise<void> {
    const store = await keeping.theStore();
    const aside = await store.note('aside');
    await store.setNote('aside', [
      ...aside.filter((a) => !keys.some((k) => k.kind === a.kind && k.id === a.id)),
      ...keys.map((k) => ({ ...k, reason })),
    ]);
    await keeping.reload();
  }
  async function takeBack(keys: readonly Key[]): Promise<void> {
    const store = await keeping.theStore();
    const aside = await store.note('aside');
    await store.setNote(
      'aside',
      aside.filter((a) => !keys.some((k) => k.kind === a.kind && k.id === a.id)),
    );
    await keeping.reload();
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
    await keeping.write(keys.map(({ kind, id }): Write => ({ does: 'remove', kind, id })));
    for (const { kind, id } of keys) keeping.forget(kind, id);
    const gone = new Set(keys.map((k) => k.id));
    const stays = (a: Act) => !touched(a).some((id) => gone.has(id));
    const { past, future } = get().history;
    set({ history: { past: past.filter(stays), future: future.filter(stays) } });
    await (await keeping.theStore()).note('aside').then(async (aside) => {
      const rest = aside.filter((a) => !gone.has(a.id));
      if (rest.length !== aside.length) await (await keeping.theStore()).setNote('aside', rest);
    });
  }

  return { settle, setAside, takeBack, keysOfJob, removeForGood };
}
