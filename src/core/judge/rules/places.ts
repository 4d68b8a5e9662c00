import { massOf, type PlacesLeft, placesLeft } from '../../mix';
import type { RepairPlan } from '../../plan';
import { grams, texts } from '../../say';
import { findings } from '../finding';
import type { JudgeContext, Rule } from './rule';

const F = findings({
  'next-kit': {
    severity: 'caution',
    stage: 'mix',
    title: 'Another kit is needed for place {at}',
    why: 'By {of, plural, one {the one} other {the # places}} done so far each takes {each}: the {places} to come take {needs}, and {left} are left. Up to {even} each it would last; place {at} lacks {lacks}. {likely}',
    todo: 'Have it here and open it then. Knead the next with {next} in all.',
  },
  'kit-lasts': {
    severity: 'note',
    stage: 'mix',
    title: 'The next kit stays sealed',
    why: 'By {of, plural, one {the one} other {the # places}} done so far each takes {each}: the {places} to come take {needs} of {left}, {over} over. It lasts up to {even} each. {likely}',
    todo: '{reach, select, yes {Have it within reach all the same. } other {}}Knead the next with {next} in all; what is over is kept as a ball beside the work.',
  },
});

const LIKELY = texts('places-left', {
  untold: '',
  rare: 'By how they differ it falls short less than once in twenty times.',
  often: 'By how they differ it falls short about {n, plural, one {once} other {# times}} in ten.',
  sure: 'By how they differ it falls short more than nineteen times in twenty.',
});

/** How likely it falls short, as it is said at work. */
function likely(odds: number | null) {
  if (odds === null) return LIKELY.untold();
  if (odds < 0.05) return LIKELY.rare();
  if (odds > 0.95) return LIKELY.sure();
  return LIKELY.often({ n: Math.min(9, Math.max(1, Math.round(odds * 10))) });
}
/** From there on nobody leaves the next kit at home. */
const WITHIN_REACH = 0.2;

/** To the gram past a kilogram: it is held against what a place takes. */
const weighed = (g: number) => grams(g, g >= 1000 ? 4 : undefined);

/** What each place that is done took in all, g, in order. */
export function tookAtEach(plan: RepairPlan, { pours, done }: JudgeContext['actuals']): readonly number[] {
  const placed = plan.steps.filter((s) => s.role === 'place' && s.batch !== undefined);
  return plan.batches.flatMap(({ index }) => {
    const mine = placed.filter((s) => s.batch === index);
    if (!mine.length || mine.some((s) => !done.has(s.id))) return [];
    const massG = pours.filter((p) => p.batch === index).reduce((sum, p) => sum + p.massG, 0);
    return massG > 0 ? [massG] : [];
  });
}

/** Whether what was opened lasts, by what like places really took; null where they share their mixes. */
export function kitsLeft({ plan, actuals }: Pick<JudgeContext, 'plan' | 'actuals'>): PlacesLeft | null {
  const { mix, kit, method, context } = plan;
  if (!mix || !kit || !method?.params?.byPlace || !context) return null;
  if (plan.batches.some((b) => b.places !== 1 || b.topUp)) return null;
  const haveG = mix.kits.use * massOf({ A: kit.massG.A, B: kit.massG.B, C: kit.massG.C ?? 0, D: kit.massG.D ?? 0 });
  return placesLeft({ haveG, took: tookAtEach(plan, actuals), count: plan.batches.length });
}

/** What places that are done say of those to come. */
export const placeRules: Readonly<Record<string, Rule>> = {
  'next-kit': (c) => {
    const left = kitsLeft(c);
    if (!left) return [];
    const said = {
      of: left.of,
      each: grams(left.eachG),
      places: left.places,
      needs: weighed(left.needsG),
      left: weighed(left.leftG),
      even: grams(left.breakEvenG),
      next: grams(left.eachG),
      likely: likely(left.shortOdds),
    };
    return left.lacksAt === null
      ? [
          F['kit-lasts']({
            ...said,
            over: grams(left.leftG - left.needsG),
            reach: (left.shortOdds ?? 0) > WITHIN_REACH ? 'yes' : 'no',
          }),
        ]
      : [F['next-kit']({ ...said, at: left.lacksAt, lacks: grams(left.lacksG) })];
  },
};
