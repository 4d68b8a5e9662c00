import { HELD_LONGER } from '../method';
import type { MilestoneId } from '../system';
import type { GateId, Pass } from './repair';

/** What lies between a pass and the one before it. */
export interface Gate {
  readonly label: string;
  /** When it fits, as said after “Fits”. */
  readonly fits: string;
  /** Milestone of the pass before from which it may begin; null at once. */
  readonly from: MilestoneId | null;
  /** What it waits for where the sheet of the pass before is silent on that: the first of these that it tells. */
  readonly orElse?: readonly MilestoneId[];
  /**
   * Milestone of the pass before until which it may go on it as it is; past that it is washed and abraded first. null:
   * no end.
   */
  readonly until: MilestoneId | null;
  /** The face is abraded in any case. */
  readonly abraded?: true;
  /** Whoever prepares it stands on the pass below, or cuts into it: that waits, too. */
  readonly waitsAll?: true;
  /** It goes through the pass before, into what lies under that: nothing bonds to its face. */
  readonly through?: true;
  /** It does not touch the pass before. */
  readonly apart?: true;
}

/** The table of gates. */
export const GATES: Readonly<Record<GateId, Gate>> = {
  wet: { label: 'wet in wet', fits: 'layers of one system, worked without a pause', from: null, until: 'gel' },
  gel: {
    label: 'from gel',
    fits: 'a layer that must not be disturbed and still bonds by itself',
    from: 'gel',
    until: 'recoat-until',
  },
  window: {
    label: 'within the recoat window',
    fits: 'coats and fills over it',
    from: 'recoat-from',
    until: 'recoat-until',
  },
  firm: { label: 'when it is firm', fits: 'a second pour or a further lift', from: 'next-lift', until: 'recoat-until' },
  overlay: {
    label: 'when its joints may be filled',
    fits: 'joints of a bed',
    from: 'overlay',
    orElse: ['foot'],
    until: null,
    waitsAll: true,
  },
  walk: {
    label: 'when it may be walked on',
    fits: 'whatever one stands on it to do',
    from: 'foot',
    until: null,
    waitsAll: true,
  },
  set: {
    label: 'after full set, abraded',
    fits: 'work on another day, and faces that are sanded anyway',
    from: 'sandable',
    // What bears a load takes an abrasive.
    orElse: HELD_LONGER,
    until: null,
    abraded: true,
  },
  hard: {
    label: 'when it has set',
    fits: 'holes and cuts that go through it',
    from: 'recoat-from',
    // What is let go, sanded, walked on or loaded has set; what is told of its end alone has by then.
    orElse: ['sandable', 'release', ...HELD_LONGER, 'full-cure'],
    until: null,
    waitsAll: true,
    through: true,
  },
  holds: {
    label: 'when it holds',
    fits: 'parts that lean on it or are pushed over it',
    from: 'release',
    orElse: ['load'],
    until: null,
  },
  any: { label: 'not tied', fits: 'a void of its own that does not touch it', from: null, until: null, apart: true },
};

/** Whether a pass lies on the one before it: on its face, or in a void of its own that touches it. */
export const isTied = ({ takes, gate }: Pick<Pass, 'takes' | 'gate'>): boolean =>
  takes.from !== 'own' || !GATES[gate].apart;

/** Whether a pass is laid on another: on its face, or tied to it as the one right before. */
export const liesOn = (next: Pick<Pass, 'takes' | 'gate'>, passId: string): boolean =>
  next.takes.from === 'own' ? isTied(next) : next.takes.of === passId;

/**
 * The passes that one lies on, the one right below it and all that those lie on.
 * @param chain passes of a repair in their order
 */
export function passesUnder(chain: readonly (Pick<Pass, 'takes' | 'gate'> & { passId: string })[], passId: string) {
  const under = new Set<string>();
  for (let i = chain.findIndex((p) => p.passId === passId); i > 0; i--) {
    const above = chain[i]!;
    if (above.passId !== passId && !under.has(above.passId)) continue;
    for (const [j, below] of chain.slice(0, i).entries())
      if (above.takes.from === 'own' ? j === i - 1 && liesOn(above, below.passId) : liesOn(above, below.passId))
        under.add(below.passId);
  }
  return under;
}

/** The first of these that a sheet gives tells from when dust no longer sticks to what lies open, at the latest. */
export const SET_ENOUGH: readonly MilestoneId[] = [
  ...(['tack-free', 'gel', 'next-lift', 'recoat-from', 'sandable'] as const),
  // What bears a foot or a load is firm; a sheet that prints no more than that is not taken for one that sets at once.
  ...(['foot', 'light-load', 'load'] as const),
];
