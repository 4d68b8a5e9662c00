import { fewerHands } from '../../plan';
import { at, mm2, texts } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'hands-late': {
    severity: 'stop',
    stage: 'place',
    title: 'Those who are left do not place it in time',
    why: '{done} of {whole} are done; {left, plural, one {one pair of hands is} other {# pairs of hands are}} done at {end}, and what is mixed is good until {until}.',
    todo: '{areas, plural, one {Stop at a joint or a tape by then: the rest takes {kits, plural, one {# whole kit} other {# whole kits}} more.} other {Break it at the threshold: what lies behind takes {kits, plural, one {# whole kit} other {# whole kits}} more, of one lot.}}',
  },
  'hands-hold': {
    severity: 'note',
    stage: 'place',
    title: 'Fewer hands, and it is still placed in time',
    why: '{done} of {whole} are done; {left, plural, one {one pair of hands is} other {# pairs of hands are}} done at {end}, what is mixed is good until {until}.',
    todo: 'Go on. What is not mixed yet: plan it anew for those who are left.',
  },
});
const NONE = texts('finding.hands', { unknown: 'an hour nobody knows' });

/** What is noticed when somebody has left. */
export const handRules: Readonly<Record<string, Rule>> = {
  hands: ({ plan, actuals }) => {
    const last = actuals.hands.at(-1);
    const found = last ? fewerHands(plan, actuals.hands, last.atMs) : null;
    if (!last || !found) return [];
    const { areaM2, wholeM2, endMs, goodUntilMs, kitsMore } = found;
    const said = {
      done: mm2(areaM2 * 1e6),
      whole: mm2(wholeM2 * 1e6),
      left: last.left,
      end: at(endMs),
      until: goodUntilMs === null ? NONE.unknown() : at(goodUntilMs),
    };
    return kitsMore === null
      ? [F['hands-hold'](said)]
      : [F['hands-late']({ ...said, kits: kitsMore, areas: plan.context?.void.shapes.length ?? 1 })];
  },
};
