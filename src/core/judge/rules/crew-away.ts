import { workedAt } from '../../plan';
import { at, listed, texts } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'crew-away': {
    severity: 'note',
    stage: 'place',
    once: true,
    title: 'The crew is at another job first',
    why: 'It is planned to be {stretches}; what waits for it here begins when it is back.',
    todo: 'What is mixed and sets goes first, then the job at which somebody was last, then the one whose work may begin first. With hands of its own this one need not wait: say who does it.',
  },
});
const AT = texts('finding.crew-away', { stretch: 'at {job} {from} to {to}' });

/** So many stretches are told; more than that nobody reads. */
const TOLD = 3;

/** What is noticed when work waits for a crew that is planned to be at another job of the yard. */
export const crewAwayRules: Readonly<Record<string, Rule>> = {
  'crew-away': ({ plan, away = [] }) => {
    const begins = new Set(plan.steps.flatMap((s) => (s.doneAt === null ? workedAt(s).map((w) => w.fromMs) : [])));
    const binding = away.filter((a) => begins.has(a.toMs)).slice(0, TOLD);
    if (!binding.length) return [];
    const stretches = binding.map(({ job, fromMs, toMs }) =>
      AT.stretch({ job: `“${job}”`, from: at(fromMs), to: at(toMs) }),
    );
    return [F['crew-away']({ stretches: listed(stretches) })];
  },
};
