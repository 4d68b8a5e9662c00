import { z } from 'zod';

/** Ways in which a part is measured out at the bench. */
export const WAYS = {
  weight: 'by weight',
  cup: 'by graduated cup',
  strokes: 'by strokes of a gun or pump',
  drops: 'catalyst by drops',
  strip: 'paste hardener by strip',
  sachet: 'by whole sachets',
} as const;
export const Way = z.enum(Object.keys(WAYS) as [keyof typeof WAYS, ...(keyof typeof WAYS)[]]);
export type Way = z.infer<typeof Way>;

/** How a mix gets together: through a static mixer, in a pot, or kneaded by hand. */
export type Mixing = 'mixer' | 'pot' | 'hand';

/** How a mix lies when it is ready, with nothing added to it. */
export const FLOWS = {
  thin: 'thin: it soaks in',
  pours: 'liquid: it runs to its level',
  film: 'coat: it is brushed out and stays as a film',
  paste: 'paste: it stands where it is put',
  putty: 'putty: it is kneaded and rammed',
  mortar: 'mortar: it is trowelled and tamped',
  beads: 'beads of powder and liquid',
} as const;
export const Flow = z.enum(Object.keys(FLOWS) as [keyof typeof FLOWS, ...(keyof typeof FLOWS)[]]);
export type Flow = z.infer<typeof Flow>;
