import { ENGINES, settingIn } from '../../method';
import { minutes, ml, texts } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

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
    const { mix, method, context, batches, usableMin } = plan;
    const pace = method && context && ENGINES[method.engine].pace?.(context);
    if (!mix || !pace || usableMin === null || batches.length < MANY || actuals.startedAt !== null) return [];
    // Whole kits, like parts, and what is pressed are counted otherwise.
    if (!batches.every((b) => b.kits === null && !b.fromTo && b.mixers === 0)) return [];
    const { sheet } = context;
    const behind = pace.ofMixed ? sheet.potLossMl : 0;
    const eachWith = (crew: number) =>
      Math.min(mix.mostHeldMl, settingIn(context, pace.setting) * pace.mlPerMin * crew * usableMin - behind);
    const portions = new Map<number, number>();
    for (const b of batches) portions.set(b.portion, (portions.get(b.portion) ?? 0) + b.placedMl);
    const potsWith = (crew: number) =>
      [...portions.values()].reduce((sum, all) => sum + Math.ceil(all / eachWith(crew) - 1e-9), 0);
    const hands = repair.crew * 2;
    const fewer = potsWith(hands);
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
