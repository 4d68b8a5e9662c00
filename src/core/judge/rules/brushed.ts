import { choiceWith } from '../../method';
import { beforehandMin } from '../../mix';
import { minutes, texts } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  brushed: {
    severity: 'stop',
    stage: 'place',
    title: 'The pot dies before it is placed',
    why: 'A mix leaves {left} here. Brushing the primer in out of it takes {brush}, placing it {place}.',
    todo: 'Prime out of a tin of its own where the sheet names one, have one brush while another places, or keep the pot cooler.',
  },
  'brushed:ours': {
    id: 'brushed',
    severity: 'caution',
    stage: 'place',
    title: 'Little time to place it after the primer',
    why: 'A mix leaves {left} here. Brushing the primer in out of it is planned with {brush}, a figure of Grenko’s own, placing it with {place}.',
    todo: 'Try it against the clock and type what it takes; or prime out of a tin of its own where the sheet names one, or keep the pot cooler.',
  },
});
const { apart: APART } = texts('way.brushed', { apart: 'Prime out of a tin of its own' });

/** More than that beyond its time is said, min: steps are laid out in whole ones. */
const SAID_MIN = 1;

/** Pots that are dead before they are placed because of what is brushed in out of them. */
export const brushedRules: Readonly<Record<string, Rule>> = {
  brushed: ({ plan: { batches, steps, usableMin, method }, repair, actuals }) => {
    if (usableMin === null || !method || actuals.startedAt !== null) return [];
    const placing = (index: number) => steps.find((s) => s.batch === index && s.marks?.end?.includes('placed'));
    const dead = batches.find((b) => {
      const place = placing(b.index);
      return b.before && place && beforehandMin(b) + place.handsOnMin > usableMin + SAID_MIN;
    });
    const place = dead && placing(dead.index);
    if (!place) return [];
    const brush = steps.find((s) => s.batch === dead.index && s.role === 'prime');
    const typed = brush?.factors.some((f) => Object.hasOwn(repair.settings, f)) === true;
    const apart = choiceWith(method, 'priming', 'separate');
    return [
      F[typed ? 'brushed' : 'brushed:ours'](
        { left: minutes(usableMin), brush: minutes(beforehandMin(dead)), place: minutes(place.handsOnMin) },
        apart ? { ways: [{ say: APART(), set: { path: ['schools', apart.school], value: apart.option } }] } : {},
      ),
    ];
  },
};
