import { answerTo, TROUBLES } from '../../method';
import { at } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  trouble: {
    // Whatever comes next waits for it.
    severity: 'stop',
    stage: 'inspect',
    title: '{what}: the work stands',
    why: 'It was recorded on {when}, and it is not for the hand at the place to decide.',
    todo: '{after}',
  },
});

/** What happened under way and holds the work until somebody answerable has spoken. */
export const troubleRules: Readonly<Record<string, Rule>> = {
  troubles: ({ actuals }) =>
    actuals.troubles.flatMap(({ id, sign, atMs }) => {
      const trouble = TROUBLES.find((t) => t.id === id);
      const answer = trouble && answerTo(trouble, sign);
      if (answer?.effect !== 'review') return [];
      return [F.trouble({ what: trouble!.label, when: at(atMs), after: answer.after }, { of: `${id}@${atMs}` })];
    }),
};
