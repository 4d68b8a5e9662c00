import { FIRST_PASS } from '../plan';
import { byTime, type Event, type EventBody } from './event';
import { standingEvents } from './fold';

/** Events of which one repair has one: a second hand that does the same has done nothing new. */
export const isOnce = (body: EventBody): boolean =>
  body.kind === 'started' || body.kind === 'step-begun' || body.kind === 'step-done' || body.kind === 'released';

const stepOf = (body: EventBody): string => (body.kind === 'step-begun' || body.kind === 'step-done' ? body.step : '');

/** The event that says already what `body` would say; undefined where it is news. */
export function twinOf(
  events: readonly Event[],
  { body, passId = FIRST_PASS }: Pick<Event, 'body' | 'passId'>,
): Event | undefined {
  if (!isOnce(body)) return undefined;
  return standingEvents(events).find(
    (e) => e.body.kind === body.kind && stepOf(e.body) === stepOf(body) && (e.passId ?? FIRST_PASS) === passId,
  );
}

/** Work that goes on has an order; notes and readings may be written in afterwards. */
const inOrder = (body: EventBody): boolean => isOnce(body) || body.kind === 'poured' || body.kind === 'discarded';

/**
 * The last event of the work that would come to stand after `atMs`, although it was written before: the clock was set
 * back, or one of the two instants is wrong.
 * @returns null when the new event comes last, as it should
 */
export function outOfOrder(events: readonly Event[], body: EventBody, atMs: number): Event | null {
  if (!inOrder(body)) return null;
  const last = standingEvents(events)
    .filter((e) => inOrder(e.body))
    .sort(byTime)
    .at(-1);
  return last && last.at > atMs ? last : null;
}
