import { texts } from '../../say';
import type { TaskRow } from '../task';

/**
 * Tasks of an engine that take another time in one method.
 * @throws RangeError for a task that is not among them
 */
export function withWork(
  rows: readonly TaskRow[],
  work: Readonly<Record<string, TaskRow['work']>>,
): readonly TaskRow[] {
  for (const task of Object.keys(work))
    if (!rows.some((row) => row.task === task)) throw new RangeError(`no task ${task} to be given other minutes`);
  return rows.map((row) => (Object.hasOwn(work, row.task) ? { ...row, work: work[row.task]! } : row));
}

/**
 * Tasks of an engine in the words of one method: they do the same, and their record names are the same.
 * @param owner the ids of the words begin with it
 * @throws RangeError for a task that is not among them
 */
export function reworded(
  owner: string,
  rows: readonly TaskRow[],
  words: Readonly<Record<string, Readonly<Partial<Record<'title' | 'detail' | 'confirm', string>>>>>,
): readonly TaskRow[] {
  for (const task of Object.keys(words))
    if (!rows.some((row) => row.task === task)) throw new RangeError(`${owner}: no task ${task} to be reworded`);
  return rows.map((row) => {
    const own = Object.hasOwn(words, row.task) ? words[row.task]! : null;
    return own ? { ...row, say: { ...row.say, ...texts(`${owner}.${row.task}`, own as Record<string, string>) } } : row;
  });
}
