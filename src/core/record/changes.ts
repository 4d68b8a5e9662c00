import { dequal } from 'dequal/lite';

/** A place in a record: names of fields and numbers of rows, from the outside in. */
export type Path = readonly (string | number)[];

/** One field as it was read and as it is wanted. A missing field is `undefined` on its side. */
export interface Change {
  readonly path: Path;
  readonly before: unknown;
  readonly after: unknown;
}

type Fields = Readonly<Record<string, unknown>>;
const isFields = (x: unknown): x is Fields => typeof x === 'object' && x !== null && !Array.isArray(x);

/** A field of its own: every object also answers to names of the engine. */
const own = (fields: Fields, name: string): unknown => (Object.hasOwn(fields, name) ? fields[name] : undefined);

/** Bookkeeping that no two copies can quarrel about. */
const NOT_COMPARED = new Set(['updatedAt']);

/**
 * What makes one draft out of the other, field by field as deep as both have the same build. Rows are compared one by
 * one while their number is the same; a list that grew or shrank is one field.
 * @example changesBetween({ a: 1, b: { c: 2 } }, { a: 1, b: { c: 3 } }) // [{ path: ['b', 'c'], before: 2, after: 3 }]
 */
export function changesBetween(before: unknown, after: unknown, at: Path = []): readonly Change[] {
  if (before === after) return [];
  if (isFields(before) && isFields(after)) {
    const names = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return names
      .filter((n) => at.length > 0 || !NOT_COMPARED.has(n))
      .flatMap((n) => changesBetween(own(before, n), own(after, n), [...at, n]));
  }
  if (Array.isArray(before) && Array.isArray(after) && before.length === after.length)
    return after.flatMap((row, i) => changesBetween(before[i], row, [...at, i]));
  return dequal(before, after) ? [] : [{ path: at, before, after }];
}

/** The way back. */
export const inverse = (changes: readonly Change[]): readonly Change[] =>
  changes.map(({ path, before, after }) => ({ path, before: after, after: before })).reverse();

/** What stands at a place; undefined where there is nothing. */
export const valueAtPath = (record: unknown, path: Path): unknown =>
  path.reduce<unknown>((value, key) => {
    if (Array.isArray(value)) return typeof key === 'number' ? value[key] : undefined;
    return isFields(value) ? own(value, String(key)) : undefined;
  }, record);

function withValue(record: unknown, [key, ...rest]: Path, value: unknown): unknown {
  if (key === undefined) return value;
  if (Array.isArray(record)) return record.map((row, i) => (i === key ? withValue(row, rest, value) : row));
  const fields = isFields(record) ? record : {};
  const inner = withValue(Object.hasOwn(fields, key) ? fields[key] : undefined, rest, value);
  if (inner !== undefined) return { ...fields, [key]: inner };
  const { [key]: _gone, ...others } = fields;
  return others;
}

/**
 * Makes changes where the record still reads as it did when they were thought of.
 * @returns the record with every change that fits, and those that do not, each with what stands there instead
 */
export function carryOver<T>(
  record: T,
  changes: readonly Change[],
): { readonly record: T; readonly unfit: readonly (Change & { readonly found: unknown })[] } {
  let now: unknown = record;
  const unfit: (Change & { found: unknown })[] = [];
  for (const change of changes) {
    const found = valueAtPath(now, change.path);
    if (dequal(found, change.after)) continue;
    if (!dequal(found, change.before)) unfit.push({ ...change, found });
    else now = withValue(now, change.path, change.after);
  }
  return { record: now as T, unfit };
}
