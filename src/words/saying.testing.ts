import type { Said, WorkLine } from '@/core/say';
import { plainWords } from './render';

/**
 * For tests: a message that reads so to somebody with metric units and UTC.
 * @example { sentence: saying(/too much/) }
 */
export const saying = (words: RegExp | string) => ({
  $$typeof: Symbol.for('jest.asymmetricMatcher'),
  asymmetricMatch: (said: Said) =>
    typeof words === 'string' ? plainWords(said) === words : words.test(plainWords(said)),
  toAsymmetricMatcher: () => `saying ${words}`,
});

/** For tests: the figure of a line of working, in the core unit of its kind; not a number where it is words. */
export const worked = ({ value }: WorkLine): number =>
  typeof value === 'object' && 'is' in value ? value.value : typeof value === 'number' ? value : Number.NaN;
