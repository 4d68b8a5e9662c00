import { attempt } from '@/core/say';
import { parseCleaning, parseRods, type SheetRevision } from '@/core/system';
import type { HolesDraft } from './holes-draft';
import type { Reader } from './sheet-reader';

/** What was typed of holes; null where nothing was. What is wrong is said at its field. */
export function readHoles(read: Reader, d: HolesDraft): SheetRevision['holes'] {
  const [printed, cleaned] = [d.rods.trim(), d.cleaning.trim()];
  if (!printed && !cleaned && !d.wetHoles) return null;
  const rods = attempt(() => parseRods(printed, 'rods', read.system));
  if (!rods.ok) read.say('rods', rods.problem.sentence);
  const cleaning = attempt(() => parseCleaning(cleaned, 'cleaning'));
  if (!cleaning.ok) read.say('cleaning', cleaning.problem.sentence);
  const times = d.wetHoles === 'yes' ? read.quantity('wetTimes', 'count', d.wetTimes) : null;
  if (times !== null && !(times >= 1 && times <= 10)) read.say('wetTimes', 'From 1, as long as when dry, to 10.');
  return {
    rods: rods.ok ? [...rods.value] : [],
    cleaning: cleaning.ok ? [...cleaning.value] : [],
    wet: d.wetHoles === 'yes' ? { times: times ?? Number.NaN } : d.wetHoles || null,
    printed: printed.slice(0, 4000),
  };
}
