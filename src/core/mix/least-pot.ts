import { exactly, grams, refuse, texts } from '../say';
import type { AmountLine, MixAsk } from './mix-ask';

const SAY = texts('mix.least', {
  ratio: 'mixed for the sake of the ratio',
  'ratio-by': '{n, plural, one {one pot} other {# pots}} filled up to {least}',
});

const REFUSED = texts('refused.mix.least', {
  'over-most': 'At least {least} in one pot, and at most {most}: one of them must give way.',
});

/** The id of the line it stands in. */
export const FOR_RATIO = 'ratio';

/**
 * What pots are filled up with so that scale or cup can show the ratio of what stands in them: nothing of it is placed.
 * @param potsMl what each pot holds without it, mL; null of one that is mixed of whole kits
 * @returns what is added to each, mL
 * @throws Refusal where the least that shall stand in a pot is more than may
 * @example filledUp([40, 70, null], { leastG: 60, massCapG: null }, 1.2) // [10, 0, 0]
 */
export function filledUp(
  potsMl: readonly (number | null)[],
  { leastG = null, massCapG }: Pick<MixAsk, 'leastG' | 'massCapG'>,
  densityGPerMl: number,
): readonly number[] {
  if (leastG === null) return potsMl.map(() => 0);
  if (massCapG !== null && leastG > massCapG)
    return refuse(
      'leastG',
      leastG,
      `at most ${massCapG} g`,
      REFUSED['over-most']({ least: exactly(grams(leastG)), most: exactly(grams(massCapG)) }),
    );
  return potsMl.map((ml) => (ml === null ? 0 : Math.max(0, leastG / densityGPerMl - ml)));
}

/** The line of what pots were filled up with; none where nothing was. */
export function filledUpLine(
  addedMl: readonly number[],
  { leastG = null }: Pick<MixAsk, 'leastG'>,
): readonly AmountLine[] {
  const filled = addedMl.filter((ml) => ml > 0);
  if (!filled.length || leastG === null) return [];
  return [
    {
      id: FOR_RATIO,
      label: SAY.ratio(),
      ml: filled.reduce((sum, ml) => sum + ml, 0),
      expression: SAY['ratio-by']({ n: filled.length, least: exactly(grams(leastG)) }),
      voice: 'chosen',
      lost: true,
    },
  ];
}
