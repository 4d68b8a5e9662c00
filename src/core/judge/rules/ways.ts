import { choiceWith, type Method } from '../../method';
import { texts } from '../../say';
import { type Kit, mayBeSplit } from '../../system';
import type { Finding } from '../finding';

/** What a press says that mends a finding about amounts. */
export const WAYS = texts('finding.rate.way', {
  less: '{what} of {share}',
  rate: 'I place {needed}',
  scale: 'My scale shows {step}',
  least: 'Mix {all} at once',
  cup: 'My cup shows {marks}',
  drops: 'Measure it by drops',
  strip: 'Measure it by strip',
  minute: '{of} a minute',
  hour: '{of} an hour',
  place: 'A hole takes me {takes}',
  crew: '{crew, plural, one {# pair} other {# pairs}} of hands',
  weigh: 'Split the kit by weighing',
  lots: 'A lot for each area',
  lifts: 'Lifts of {thick}',
});

/** The way out of whole kits, where sheet and method have it. */
export const weighed = (method: Method, kit: Kit): NonNullable<Finding['ways']> => {
  const weigh = choiceWith(method, 'split', 'weighed');
  return mayBeSplit(kit) && weigh
    ? [{ say: WAYS.weigh(), set: { path: ['schools', weigh.school], value: weigh.option } }]
    : [];
};
