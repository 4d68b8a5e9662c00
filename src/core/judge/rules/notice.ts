import { acceptByMs, windowsOver } from '../../plan';
import { at, attempt, on } from '../../say';
import { findings } from '../finding';
import type { JudgeContext, Rule } from './rule';

const F = findings({
  'notice-late': {
    once: true,
    severity: 'caution',
    stage: 'release',
    title: 'Not ready by the date of the notice',
    why: 'Notice {code} wants it accepted by {until}; as planned it can be looked at from {ready} at the earliest.',
    todo: 'Start sooner or choose a faster system; else ask {by} for another date before that one is over.',
  },
  'notice-tight': {
    once: true,
    severity: 'caution',
    stage: 'release',
    title: 'Little time for {by} to come',
    why: 'It can be looked at from {ready}, and the notice {code} runs until {until}: {days, plural, =0 {no working day is left after that one} one {one working day is left after that one} other {# working days are left after that one}}.',
    todo: 'Ask {by} now for that day.',
  },
  'notice-dates': {
    once: true,
    severity: 'caution',
    stage: 'inspect',
    title: 'The notice ends before it begins',
    why: 'Notice {code} is dated after the day by which it wants to be accepted.',
    todo: 'Read both dates off it again.',
  },
  'notice-before': {
    once: true,
    severity: 'caution',
    stage: 'inspect',
    title: 'No photograph from before',
    why: 'Whoever wrote notice {code} will ask how it was. Once it is cut, that cannot be shown any more.',
    todo: 'Take it now, with something in it that gives the size.',
  },
  'notice-missed': {
    once: true,
    severity: 'note',
    stage: 'release',
    title: 'There is no photograph from before',
    why: 'Work on notice {code} began without one.',
    todo: 'Say so where it is handed over; photographs of the work may show what was found.',
  },
  'notice-after': {
    once: true,
    severity: 'caution',
    stage: 'release',
    title: 'No photograph of it done',
    why: 'All steps of notice {code} are done, and the record shows only how it was.',
    todo: 'Take it from where the one before was taken.',
  },
});

/** Working days left after the day itself are few under this many. */
const FEW_DAYS = 2;
const DAY_MS = 86_400_000;

/** When it can be looked at by somebody from outside: the last step but the tests is done, and it is open. */
function readyMs({ plan }: JudgeContext): number | null {
  const steps = plan.steps.filter((s) => s.role !== 'test');
  if (!steps.length || plan.untimed.length) return null;
  return Math.max(...steps.map((s) => s.doneAt ?? s.endMs), plan.openMs ?? 0);
}

/** Days with working hours in them that begin after an instant, up to another. */
function workingDays({ job }: JudgeContext, fromMs: number, toMs: number): number {
  const found = attempt(() => windowsOver(job, fromMs, toMs));
  return found.ok ? found.value.filter((w) => w.fromMs > fromMs && w.fromMs < toMs).length : 0;
}

/** What is noticed about a notice of defect: its dates, and its photographs. */
export const noticeRules: Readonly<Record<string, Rule>> = {
  'notice-date': (c) => {
    const { notice } = c.repair;
    if (!notice || c.actuals.inspection?.state === 'accepted') return [];
    const until = acceptByMs(notice, c.job.zone);
    const dated = acceptByMs({ acceptBy: notice.dated }, c.job.zone);
    const named = { code: notice.code || '—', by: notice.by || 'whoever wrote it' };
    if (until !== null && dated !== null && until < dated) return [F['notice-dates'](named)];
    const ready = readyMs(c);
    if (until === null || ready === null) return [];
    const said = { ...named, ready: at(ready), until: on(until) };
    if (ready > until) return [F['notice-late'](said)];
    const days = workingDays(c, ready, Math.min(until, ready + 7 * DAY_MS));
    return days < FEW_DAYS ? [F['notice-tight']({ ...said, days })] : [];
  },

  'notice-photo': ({ repair: { notice }, plan, actuals }) => {
    if (!notice) return [];
    const code = notice.code || '—';
    const done = plan.steps.length > 0 && plan.steps.every((s) => s.doneAt !== null || s.role === 'test');
    return [
      ...(actuals.shown.has('before')
        ? []
        : [actuals.startedAt === null ? F['notice-before']({ code }) : F['notice-missed']({ code })]),
      ...(done && !actuals.shown.has('after') ? [F['notice-after']({ code })] : []),
    ];
  },
};
