import { z } from 'zod';

/** What a photograph of the work shows. */
export const SHOWS = {
  before: 'before anything is touched',
  template: 'template or dry fit',
  'one side': 'one side',
  'other side': 'the other side',
  work: 'the work',
  after: 'when it is done',
} as const;
export type Shows = keyof typeof SHOWS;
export const Shows = z.enum(Object.keys(SHOWS) as [Shows, ...Shows[]]);

/** Which are laid on one another to be compared; the first is under the second. */
export const COMPARED: readonly (readonly [Shows, Shows])[] = [
  ['before', 'after'],
  ['one side', 'other side'],
  ['template', 'after'],
];
