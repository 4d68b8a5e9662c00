import { DateTime } from 'luxon';
import { z } from 'zod';

const IsoDate = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'must be a date as 2027-04-23');

/** A notice of defect that a repair answers: who wrote it accepts the work, nobody else. */
export const Notice = z.object({
  /** As it is written on the notice. */
  code: z.string().max(60),
  /** Who wrote it, and who must accept the work. */
  by: z.string().max(120),
  dated: IsoDate.nullable(),
  acceptBy: IsoDate.nullable(),
});
export type Notice = z.infer<typeof Notice>;

export const BLANK_NOTICE: Notice = { code: '', by: '', dated: null, acceptBy: null };

/** Up to which instant a notice is in time: the end of its day at the site; null where it names none. */
export function acceptByMs({ acceptBy }: Pick<Notice, 'acceptBy'>, zone: string): number | null {
  if (acceptBy === null) return null;
  const day = DateTime.fromISO(acceptBy, { zone });
  return day.isValid ? day.endOf('day').toMillis() : null;
}
