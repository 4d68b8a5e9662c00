import { minutes, ml, texts } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';
import { weighedPots } from './weighed-pots';

/** As many mixes of one pass are a morning of nothing else. */
const MANY = 10;
/** Share of them that is spared at the least where more hands are worth naming. */
const SPARED = 0.25;

const F = findings({
  'many-pots': {
    severity: 'note',
    stage: 'mix',
    title: '{n} mixes, one after the other',
    why: '{held, select, yes {One pot, or one sheet of film, holds {each} here.} other {In the {left} it leaves, {crew, plural, one {one pair of hands places} other {# pairs of hands place}} {each}.}}{hands, plural, =0 {} other { # pairs of hands would place it from {m}.}}',
    todo: '{held, select, yes {Take a larger one, if so few are wanted} other {{dosed, select, yes {Less hardener, within the sheet’s range, leaves longer where the sheet says so; so does a cooler pot} other {A cooler pot or a slower grade leaves longer}}}}. Otherwise set all of them out before the first is mixed, and have somebody mix while another places.',
  },
});
const { hands: HANDS } = texts('way.many-pots', { hands: 'With {n} pairs of hands' });

/** How many mixes a pass takes, where they are more than a person would expect, and what would lower it. */
export const manyPotsRules: Readonly<Record<string, Rule>> = {
  'many-pots': ({ plan, repair, actuals }) => {
    const { mix, context, batches, usableMin } = plan;
    const pots = batches.length < MANY ? null : weighedPots({ plan, actuals });
    if (!pots || !mix || !context || usableMin === null) return [];
    const { sheet } = context;
    const eachWith = (crew: number) => pots.eachMl({ crew, minutes: usableMin });
    const hands = repair.crew * 2;
    const fewer = pots.count(eachWith(hands));
    const worth = hands <= 12 && fewer <= batches.length * (1 - SPARED);
    return [
      F['many-pots'](
        {
          n: batches.length,
          held: mix.mostHeldMl <= eachWith(repair.crew) ? 'yes' : 'no',
          left: minutes(usableMin),
          crew: repair.crew,
          each: ml(mix.capMl),
          hands: worth ? hands : 0,
          m: fewer,
          dosed: sheet.dose ? 'yes' : 'no',
        },
        worth ? { ways: [{ say: HANDS({ n: hands }), set: { path: ['crew'], value: hands } }] } : {},
      ),
    ];
  },
};
