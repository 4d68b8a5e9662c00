import { type MilestoneId, milestoneKind } from './milestone';

/** Something of a repair that is told by one of the times of a sheet. */
interface Told {
  readonly id: string;
  readonly label: string;
  /** Any of these tells it. */
  readonly by: readonly MilestoneId[];
}

/** What the times of a sheet tell, in the order of work. */
const TOLD: readonly Told[] = [
  { id: 'worked', label: 'how long a mix may be worked', by: ['use-by', 'open', 'idle'] },
  { id: 'next', label: 'when the next layer may follow', by: ['next-lift', 'recoat-from', 'gel'] },
  { id: 'ground', label: 'when it may be ground or sanded', by: ['sandable'] },
  { id: 'let-go', label: 'when clamps and supports come off', by: ['release'] },
  { id: 'walked', label: 'when it may be walked on', by: ['foot'] },
  { id: 'loaded', label: 'when it may be loaded', by: ['load', 'full-cure'] },
];

export interface Tells {
  /** What can be planned with it. */
  readonly can: readonly string[];
  /** What stays open, and the time that would tell it. */
  readonly open: readonly { readonly label: string; readonly by: MilestoneId }[];
}

/**
 * What can be planned with the times that a sheet has, and what its kind usually prints beyond them.
 * A later time stands in for an earlier one, as it does in the plan.
 * @param has times that are there
 * @param usual times that a sheet of its kind usually prints
 */
export function tellsOf(has: ReadonlySet<MilestoneId>, usual: readonly MilestoneId[]): Tells {
  const tells = (id: MilestoneId): boolean =>
    has.has(id) || (milestoneKind(id).later ?? []).some((later) => has.has(later));
  const mine = TOLD.filter(({ by }) => by.some((id) => has.has(id) || usual.includes(id)));
  return {
    can: mine.filter(({ by }) => by.some(tells)).map((t) => t.label),
    open: mine
      .filter(({ by }) => !by.some(tells))
      .map(({ label, by }) => ({ label, by: by.find((id) => usual.includes(id)) ?? by[0]! })),
  };
}
