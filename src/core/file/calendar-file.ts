import ical, { ICalAlarmType } from 'ical-generator';
import { repairName } from '../plan';
import type { PlannedJob } from '../record';
import { type Said, texts } from '../say';

const SAYS = texts('calendar', {
  begins: '{repair}: work begins',
  reached: '{repair}: {clock} reached',
  over: '{repair}: {clock} over',
  sheet: '{said} on the sheet; computed from the temperature.',
  opens: '{repair}: may be opened',
  sign: 'After the tests are done and it is signed.',
});

/**
 * A line's text as a calendar may hold it: line ends are escaped by the writer, other control characters have no place
 * in it.
 */
const plain = (text: string): string =>
  text
    .replace(/\r\n?/g, '\n')
    // biome-ignore lint/suspicious/noControlCharactersInRegex: those are what is taken out
    .replace(/[\u0000-\u0009\u000B-\u001F\u007F\u2028\u2029]/g, ' ')
    .trim();

/** To whole minutes, on the side that is safe: waits end later, working times sooner. */
const wholeUp = (ms: number) => Math.ceil(ms / 60_000) * 60_000;
const wholeDown = (ms: number) => Math.floor(ms / 60_000) * 60_000;

/** How long an entry stands in the calendar, ms. */
const SHOWN_MS = 600_000;

/**
 * The clocks of a job as a calendar file (ICS, RFC 5545): when the work begins, every wait that ends and every opening,
 * in UTC, each with an alarm.
 * @returns the text of the file; null where there is nothing to remember: a calendar of nothing is no calendar
 */
export function calendarFile(view: PlannedJob, say: (said: Said) => string): string | null {
  const calendar = ical({ prodId: { company: 'Grenko', product: 'clocks', language: 'EN' } });
  let entries = 0;
  const add = (uid: string, title: string, atMs: number, description: string) => {
    entries++;
    const event = calendar.createEvent({
      id: `${uid}@grenko`,
      stamp: new Date(view.plan.nowMs),
      start: new Date(atMs),
      end: new Date(atMs + SHOWN_MS),
      summary: plain(title),
      description: plain(description),
      location: plain(view.job.place) || null,
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0, description: plain(title) });
  };
  for (const { repair, plan, actuals } of view.repairs) {
    if (actuals.released) continue;
    const name = repairName(repair);
    const [first] = plan.steps;
    if (first && actuals.startedAt === null)
      add(`${repair.id}-begin`, say(SAYS.begins({ repair: name })), wholeDown(first.startMs), say(first.title));
    for (const m of plan.milestones) {
      if (m.planMs === null || m.kind === 'mix' || m.kind === 'idle') continue;
      const title = (m.clock === 'waiting' ? SAYS.reached : SAYS.over)({ repair: name, clock: m.label.toLowerCase() });
      add(
        `${repair.id}-${m.kind}-${m.batch ?? 'all'}`,
        say(title),
        m.clock === 'waiting' ? wholeUp(m.planMs) : wholeDown(m.planMs),
        say(SAYS.sheet({ said: m.sheetSays })),
      );
    }
    if (plan.openMs !== null)
      add(`${repair.id}-open`, say(SAYS.opens({ repair: name })), wholeUp(plan.openMs), say(SAYS.sign()));
  }
  return entries ? `${calendar.toString()}\r\n` : null;
}
