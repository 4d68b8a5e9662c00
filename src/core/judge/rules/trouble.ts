import { answerOnRecord, TROUBLES } from '../../method';
import { at, ml } from '../../say';
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
  'cut-short': {
    severity: 'note',
    stage: 'place',
    title: 'Batch {batch} died before all of it was placed',
    why: '{placed} of it stay, {waste} are waste. The {rest} still to be placed take {now, plural, one {# batch} other {# batches}}{grew, select, no {} other {, and not the {meant} that were planned}}.',
    todo: 'Mark where it ended: the next begins there. Keep the pots cooler, place faster, or bring hands, or the next one dies as well.',
  },
  'more-packs': {
    severity: 'caution',
    stage: 'mix',
    title: 'It takes {use} of {kit} now: {more} more than were to be at hand',
    why: '{meant} were planned to be at hand. What was thrown away, and what is mixed besides, is {lost}.',
    todo: 'Fetch what is missing before it is due, of the same lot where it shows. Taken from another repair, that one lacks it.',
  },
});

/** What happened under way and holds the work until somebody answerable has spoken. */
export const troubleRules: Readonly<Record<string, Rule>> = {
  troubles: ({ actuals }) =>
    actuals.troubles.flatMap(({ id, sign, atMs }) => {
      const trouble = TROUBLES.find((t) => t.id === id);
      const answer = trouble && answerOnRecord(trouble, sign);
      if (answer?.effect !== 'review') return [];
      return [
        F.trouble({ what: trouble!.label, when: at(atMs), after: answer.waitsFor ?? '' }, { of: `${id}@${atMs}` }),
      ];
    }),

  'more-packs': ({ plan: { mix, batches }, actuals }) => {
    if (!mix || mix.kits.meant === undefined || mix.kits.use <= mix.kits.meant || actuals.released) return [];
    const { use, meant, kit } = mix.kits;
    const dead = batches.reduce((sum, b) => sum + (b.meantMl === undefined ? 0 : b.meantMl - b.placedMl), 0);
    const lost = (mix.more ?? []).reduce((sum, b) => sum + b.ml, dead);
    return [F['more-packs']({ use, kit: kit.label, more: use - meant, meant, lost: ml(lost) })];
  },

  'cut-short': ({ plan }) =>
    plan.batches.flatMap((b) => {
      if (b.meantMl === undefined) return [];
      const after = plan.batches.filter((x) => x.portion === b.portion && x.index > b.index && !x.topUp);
      const restMl = after.reduce((sum, x) => sum + x.placedMl, 0);
      // As many as there would have been, each as large as this one was meant to be.
      const meant = Math.round((restMl + b.placedMl) / b.meantMl) - 1;
      return [
        F['cut-short'](
          {
            batch: b.index + 1,
            placed: ml(b.placedMl),
            waste: ml(b.ml - b.placedMl),
            rest: ml(restMl),
            now: after.length,
            grew: after.length > meant ? 'yes' : 'no',
            meant,
          },
          { of: b.index },
        ),
      ];
    }),
};
