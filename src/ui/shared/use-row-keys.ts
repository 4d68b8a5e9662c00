import { useRef } from 'react';

/** Rows with the keys they are drawn by. */
interface Keyed {
  readonly rows: readonly string[];
  readonly keys: readonly string[];
}

/**
 * Keys of the rows of a list that is edited: a row that is changed keeps its own, one that goes takes its own with it,
 * one that comes gets a new one. Rows have no names of their own in a record; what is being typed in one of them must
 * not move to another all the same.
 * @param rows each row written out
 * @param fresh makes a key that no other row has had
 */
export function keysAfter(before: Keyed, rows: readonly string[], fresh: () => string): readonly string[] {
  const { rows: was, keys } = before;
  if (rows.length === was.length) return keys;
  const least = Math.min(rows.length, was.length);
  let head = 0;
  while (head < least && rows[head] === was[head]) head++;
  let tail = 0;
  while (tail < least - head && rows[rows.length - 1 - tail] === was[was.length - 1 - tail]) tail++;
  // Between what stands before and behind, rows are changed, gone or new: those that are still there keep their keys.
  const between = keys.slice(head, keys.length - tail);
  const middle = rows.slice(head, rows.length - tail).map((_, i) => between[i] ?? fresh());
  return [...keys.slice(0, head), ...middle, ...keys.slice(keys.length - tail)];
}

/** Keys for the rows of a list as it is drawn, the same from one drawing to the next. */
export function useRowKeys(list: readonly unknown[]): readonly string[] {
  const last = useRef<Keyed & { readonly made: number }>({ rows: [], keys: [], made: 0 });
  const rows = list.map((row) => JSON.stringify(row));
  let { made } = last.current;
  const keys = keysAfter(last.current, rows, () => `row-${++made}`);
  last.current = { rows, keys, made };
  return keys;
}
