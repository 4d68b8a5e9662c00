import type { Said } from '@/core/say';
import { plainWords } from './render';

/** For tests: a message that reads so to somebody with metric units and UTC. @example { sentence: saying(/too much/) } */
export const saying = (words: RegExp | string) => ({
  $$typeof: Symbol.for('jest.asymmetricMatcher'),
  asymmetricMatch: (said: Said) =>
    typeof words === 'string' ? plainWords(said) === words : words.test(plainWords(said)),
  toAsymmetricMatcher: () => `saying ${words}`,
});
