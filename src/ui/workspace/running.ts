'use client';
import { foldEvents } from '@/core/record';
import type { WorkspaceState } from '@/store/state';

/** Repairs whose work has begun and is not released: something is setting, a clock counts. */
export const runningRepairs = ({ repairs, events }: Pick<WorkspaceState, 'repairs' | 'events'>): readonly string[] => {
  const begun = new Set(events.filter((e) => e.body.kind === 'started').map((e) => e.repairId));
  return [...begun].filter((id) => {
    if (!repairs.has(id)) return false;
    const { startedAt, released } = foldEvents(events, id);
    return startedAt !== null && released === null;
  });
};
