import type { Repair } from '../plan';
import { type Change, changesBetween } from './changes';
import { byTime, type Event } from './event';
import { standingEvents } from './fold';

/** A plan that was kept: what its repairs were then. */
export interface KeptPlan {
  readonly id: string;
  readonly repairs: readonly Repair[];
  /** The version of the core it was made with. */
  readonly coreVersion?: string;
}

/**
 * What may change under the work without changing it: what things are called, what they are weighed with, who signs;
 * and what is found at the place, which is held against the work at once.
 */
const LIVE = [
  'name',
  'place',
  'order',
  'bench',
  'scaleStepG',
  'safety',
  'answers',
  'load',
  'acceptance',
  'surface',
  'moisturePct',
  'updatedAt',
] as const satisfies readonly (keyof Repair)[];

/** Whether an event says what is worked by. */
export const isBeginning = ({ body }: Event): boolean => body.kind === 'started' || body.kind === 'replanned';

/** The event that says what is worked by: the beginning, or the last time it was planned anew. */
export function worksBy(events: readonly Event[], repairId: string): Event | null {
  const mine = standingEvents(events.filter((e) => e.repairId === repairId)).filter(isBeginning);
  const begun = mine.some((e) => e.body.kind === 'started');
  return begun ? ([...mine].sort(byTime).at(-1) ?? null) : null;
}

/** The plan that a repair is worked by; null while it has not begun, or where that was not kept. */
export function planOf(repairId: string, events: readonly Event[], snapshots: readonly KeptPlan[]): KeptPlan | null {
  const by = worksBy(events, repairId)?.body;
  if (by?.kind !== 'started' && by?.kind !== 'replanned') return null;
  return snapshots.find((s) => s.id === by.snapshotId) ?? null;
}

/** A repair that has begun, as it is worked. */
export interface Frozen {
  /** What it is planned from: as it was when the work began, or was planned anew. */
  readonly repair: Repair;
  /** What has been changed in the draft since. */
  readonly changes: readonly Change[];
}

const made = new WeakMap<Repair, { readonly kept: Repair; readonly frozen: Frozen }>();

/**
 * A repair that has begun is worked by what it began with: a draft that was changed meanwhile is shown as a difference,
 * and taken only by planning anew, which is an event.
 * @returns null while it has not begun, or where what it began with was not kept
 */
export function frozenOf(draft: Repair, events: readonly Event[], snapshots: readonly KeptPlan[]): Frozen | null {
  const kept = planOf(draft.id, events, snapshots)?.repairs.find((r) => r.id === draft.id);
  if (!kept) return null;
  const known = made.get(draft);
  if (known?.kept === kept) return known.frozen;
  const live = Object.fromEntries(LIVE.map((key) => [key, draft[key]])) as Pick<Repair, (typeof LIVE)[number]>;
  // What stands in for a missing wait is chosen while the work stands before it, and kept in the record; what it meets
  // is found.
  const passes = Object.fromEntries(
    Object.entries(kept.passes).map(([id, pass]) => [
      id,
      { ...pass, standIns: draft.passes[id]?.standIns ?? pass.standIns, meets: draft.passes[id]?.meets ?? pass.meets },
    ]),
  );
  const repair: Repair = { ...kept, ...live, passes };
  const changes = changesBetween(repair, draft);
  // Nothing changed: the draft itself, so that what was planned of it stands.
  const frozen: Frozen = { repair: changes.length ? repair : draft, changes };
  made.set(draft, { kept, frozen });
  return frozen;
}
