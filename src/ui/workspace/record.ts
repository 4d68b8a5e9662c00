'use client';
import type { Event, EventBody } from '@/core/record';
import type { NewEvent } from '@/store/workspace';
import { inItsOrder } from './order';
import { workspace } from './workspace';

/** Adds an event to the record. The promise is kept when it is on disk; what cannot have happened in that order is asked first. */
export async function record(
  repairId: string,
  body: EventBody,
  role: string,
  options: Omit<NewEvent, 'body'> = {},
): Promise<Event | undefined> {
  if (options.amends) return workspace.record(repairId, body, role, options);
  const at = await inItsOrder(repairId, body, options.at);
  return at === null ? undefined : workspace.record(repairId, body, role, at === undefined ? options : { ...options, at });
}
