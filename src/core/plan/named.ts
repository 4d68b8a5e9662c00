import { DateTime } from 'luxon';
import type { Job } from './job';
import type { Repair } from './repair';

/** What a repair is called; one that nobody has named goes by its place in the order of work. */
export const repairName = ({ name, order }: Pick<Repair, 'name' | 'order'>): string =>
  name.trim() || `Repair ${Math.max(1, Math.round(order))}`;

/** What a job is called; one that nobody has named goes by its place, or by the day it was made. */
export const jobName = ({ name, place, createdAt, zone }: Pick<Job, 'name' | 'place' | 'createdAt' | 'zone'>): string =>
  name.trim() ||
  place.trim() ||
  `Job of ${DateTime.fromMillis(createdAt, { zone, locale: 'en' }).toFormat('d LLL yyyy')}`;
