import { isOverdue, wantedStart, workedMs } from '../../plan';
import { at, minutes } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'not-begun': {
    severity: 'note',
    stage: 'place',
    once: true,
    title: 'Not begun when it was to',
    why: 'It was to begin {wanted}, and nothing of it is recorded: what is not begun can only be begun from now on, and nothing of it has set.',
    todo: 'Begin it in the running view, or name another hour here.',
  },
  overrun: {
    severity: 'caution',
    stage: 'place',
    title: 'Longer than a working day',
    why: 'One block of work must not be interrupted and does not fit into the working hours.',
    todo: 'Widen the working hours for that day, add hands, or split the repair.',
  },
  'rests:dry': {
    severity: 'note',
    stage: 'place',
    title: 'Longer than a working day',
    why: '“{step}” is {takes} of work: it rests when the day is over and goes on when the next begins, until {until}.',
    todo: 'Where the minutes are not yours, type what it takes you, with all who are at it.',
  },
  'rests:wet': {
    severity: 'note',
    stage: 'place',
    title: 'It goes on the next day',
    why: 'Not all of it fits into the working day: from {from} on it rests, and goes on {to}{more, plural, =0 {} one {; so once more after that} other {; so # times more after that}}.',
    todo: '{rests}',
  },
});

/** An hour that nobody chose is told to be over once most of a day has gone by. */
const TOLD_AFTER_MS = 12 * 3_600_000;

/** What of the work was to begin by now, what is longer than a working day, and how it goes on. */
export const dayRules = {
  'not-begun': (c) => {
    const wanted = wantedStart(c);
    const told = c.repair.plannedStart !== null || c.nowMs - wanted > TOLD_AFTER_MS;
    return c.plan.steps.length && isOverdue(c) && told ? [F['not-begun']({ wanted: at(wanted) })] : [];
  },

  overrun: ({ plan }) => (plan.overruns ? [F.overrun()] : []),

  rests: ({ plan }) => {
    const { steps, method } = plan;
    const ahead = steps.filter((s) => s.doneAt === null);
    const dry = ahead.filter((s) => s.days !== undefined);
    const nights = ahead.filter((s) => s.rested === 'wet' && s.begunAt === null);
    const [night] = nights;
    const before = night && steps[steps.indexOf(night) - 1];
    return [
      ...dry.map((s) =>
        F['rests:dry'](
          { step: s.title, takes: minutes(Math.round(workedMs(s) / 60_000)), until: at(s.endMs) },
          { of: s.id, stage: s.stage },
        ),
      ),
      ...(night && before && method?.rests
        ? [
            F['rests:wet']({
              from: at(before.endMs),
              to: at(night.startMs),
              more: nights.length - 1,
              rests: method.rests,
            }),
          ]
        : []),
    ];
  },
} satisfies Record<string, Rule>;
