'use client';
import type { PassRef } from '@/core/plan';
import type { Event, EventBody } from '@/core/record';
import type { NewEvent } from '@/store/recording';
import { inItsOrder } from './order';
import { workspace } from './workspace';

/** A repair, or one pass of it. */
export type Of = string | PassRef;

/**
 * Adds an event to the record. The promise is kept when it is on disk; what cannot have happened in that order is asked
 * first.
 */
export async function record(
  of: Of,
  body: EventBody,
  role: string,
  options: Omit<NewEvent, 'body'> = {},
): Promise<Event | undefined> {
  const [repairId, about] = typeof of === 'string' ? [of, options] : [of.id, { ...options, passId: of.passId }];
  if (options.amends) return workspace.record(repairId, body, role, about);
  const at = await inItsOrder(repairId, body, options.at);
  return at === null ? undefined : workspace.record(repairId, body, role, at === undefined ? about : { ...about, at });
}
