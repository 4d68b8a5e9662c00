import { createEvents, type EventAttributes } from 'ics';
import type { JobView } from '../record';

/**
 * The clocks of a job as a calendar file (ICS, RFC 5545): every wait that ends and every opening, in UTC, with an alarm.
 * @returns the text of the file; an empty calendar is refused by the caller, since there is nothing to remember
 */
export function calendarFile(view: JobView): string {
  const events: EventAttributes[] = [];
  const add = (uid: string, title: string, atMs: number, description: string) => {
    const d = new Date(atMs);
    events.push({
      uid: `${uid}@grenko`,
      title,
      description,
      location: view.job.place,
      start: [d.getUTCFullYear(), d.getUTCMonth() + 1, d.getUTCDate(), d.getUTCHours(), d.getUTCMinutes()],
      startInputType: 'utc',
      startOutputType: 'utc',
      duration: { minutes: 10 },
      alarms: [{ action: 'display', description: title, trigger: { minutes: 0, before: true } }],
      productId: 'grenko',
    });
  };
  for (const { repair, plan, actuals } of view.repairs) {
    if (actuals.released) continue;
    for (const m of plan.milestones) {
      if (m.planMs === null || m.kind === 'mix' || m.kind === 'idle') continue;
      const verb = m.clock === 'waiting' ? 'reached' : 'over';
      add(
        `${repair.id}-${m.kind}-${m.batch ?? 'all'}`,
        `${repair.name}: ${m.label.toLowerCase()} ${verb}`,
        m.planMs,
        `${m.sheetSays} on the sheet; computed from the temperature.`,
      );
    }
    if (plan.openMs !== null)
      add(`${repair.id}-open`, `${repair.name}: may be opened`, plan.openMs, 'After the tests are done and it is signed.');
  }
  const { error, value } = createEvents(events);
  if (error) throw error;
  return value ?? '';
}
