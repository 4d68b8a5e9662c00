import type { Catalogue } from '../tongue';
import basics from './basics.json';
import findings from './findings.json';
import methods from './methods.json';
import mix from './mix.json';
import pages from './pages.json';
import plan from './plan.json';
import record from './record.json';
import systems from './systems.json';
import voids from './voids.json';

/**
 * German, by the part of the house a text stands in. Each English text, or its pattern with gaps, has what it is here;
 * `scripts/words.ts` says what is missing and what nobody says any more.
 */
const texts: Readonly<Record<string, string>> = {
  ...basics,
  ...voids,
  ...systems,
  ...mix,
  ...methods,
  ...plan,
  ...findings,
  ...record,
  ...pages,
};

/** A title stands within a sentence as well, where English writes it small. */
const small = (title: string): string => title.charAt(0).toLowerCase() + title.slice(1);

export const german: Catalogue = new Map([
  ...Object.entries(texts).map(([title, told]) => [small(title), told] as const),
  ...Object.entries(texts),
]);
