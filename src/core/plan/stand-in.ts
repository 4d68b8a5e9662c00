import { z } from 'zod';
import type { Message, Said } from '../say';
import { MilestoneId } from '../system';

const minutes = z.number().positive().max(200_000);

/**
 * What stands in for a wait that the sheet does not give, or refuses at this temperature: a later milestone of the same
 * sheet, a figure of one's own, or a test by touch, first tried after so long and holding the work until it is passed.
 * Never nothing.
 */
export const StandIn = z.discriminatedUnion('by', [
  z.object({ by: z.literal('later'), kind: MilestoneId }),
  z.object({ by: z.literal('own'), minutes }),
  z.object({ by: z.literal('touch'), minutes }),
]);
export type StandIn = z.infer<typeof StandIn>;

/** Where a plan stops, since nobody knows how long to wait, and what may stand in. */
export interface PlanStop {
  /** The step that would come next. */
  readonly step: { readonly id: string; readonly title: Message };
  /** The pass whose time it is. */
  readonly passId: string;
  /** The time that is missing. */
  readonly kind: MilestoneId;
  readonly label: string;
  readonly why: Said;
  /** Later milestones that the sheet answers, soonest first. */
  readonly later: readonly { readonly kind: MilestoneId; readonly label: string; readonly atMs: number }[];
  /** Whether a test by touch can tell it. */
  readonly touch: boolean;
}
