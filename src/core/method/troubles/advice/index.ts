import type { Advice } from './advice';
import { MINERAL_ADVICE } from './mineral';
import { MIXING_ADVICE } from './mixing';
import { PLACING_ADVICE } from './placing';
import { PRESSING_ADVICE } from './pressing';
import { SITE_ADVICE } from './site';
import { SURFACE_ADVICE } from './surface';

/** What is said of each trouble, by its id: a tenth of the planner’s words, read by whoever has one. */
export const ADVICE: Readonly<Record<string, Advice>> = {
  ...MIXING_ADVICE,
  ...PRESSING_ADVICE,
  ...MINERAL_ADVICE,
  ...PLACING_ADVICE,
  ...SITE_ADVICE,
  ...SURFACE_ADVICE,
};
export { type Advice, type Said, saidOf } from './advice';
