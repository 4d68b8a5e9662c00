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
  const standing = standingEvents(events);
  // What was signed before it was reopened stands no longer.
  const since = standing.findLastIndex((e) => e.body.kind === 'reopened');
  return (body.kind === 'released' ? standing.slice(since + 1) : standing).find(
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

/** What may still be written into a record that is closed. */
const AFTER_RELEASE: ReadonlySet<EventBody['kind']> = new Set([
  'note',
  'lesson',
  'reopened',
  'inspection',
  'barrier',
  'clock-set',
]);

/** Whether a record is closed to an entry: what was released is only added to, or reopened for a reason. */
export function isClosedTo(events: readonly Event[], { body }: Pick<Event, 'body'>): boolean {
  if (AFTER_RELEASE.has(body.kind)) return false;
  const last = standingEvents(events).findLast((e) => e.body.kind === 'released' || e.body.kind === 'reopened');
  // A second hand that signs the same has done nothing new.
  return last?.body.kind === 'released' && body.kind !== 'released';
}
