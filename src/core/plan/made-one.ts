import { MOST_SHAPES } from '../void';
import { joined } from './join';
import { pieceOf, type Repair } from './repair';

/** How what a list has several of is taken: as the rows of a choice. */
export const TOGETHER = {
  each: 'each by itself',
  place: 'like ones at one place as one',
  all: 'all like ones as one',
} as const;
export type TogetherId = keyof typeof TOGETHER;

/** A repair as it was listed, and what the list calls broken there. */
export interface Listed {
  readonly repair: Repair;
  readonly what: string;
}

const KEYS: Readonly<Record<TogetherId, (of: Listed, at: number) => string>> = {
  each: (_, at) => String(at),
  place: ({ repair, what }) => JSON.stringify([methodsOf(repair), what, repair.place]),
  all: ({ repair, what }) => JSON.stringify([methodsOf(repair), what]),
};
const methodsOf = (repair: Repair): readonly (string | undefined)[] =>
  repair.chain.map((id) => repair.passes[id]?.method.id);
const shapesIn = (repair: Repair): number => {
  const v = pieceOf(repair).void;
  return v ? v.count * v.shapes.length : 0;
};

/** Rows of as many as one repair may have places. */
function inOne(listed: readonly Listed[]): readonly (readonly Listed[])[] {
  const rows: Listed[][] = [];
  let places = 0;
  for (const of of listed) {
    places += shapesIn(of.repair);
    if (rows.length && places <= MOST_SHAPES) rows.at(-1)!.push(of);
    else {
      rows.push([of]);
      places = shapesIn(of.repair);
    }
  }
  return rows;
}

/**
 * Listed repairs, like ones made one of several places that keep their names: they are prepared first, and mixed and
 * placed one after the other. What cannot be one (chains, another base, nothing measured) stays by itself.
 */
export function madeOne(listed: readonly Listed[], by: TogetherId): readonly Repair[] {
  const groups = new Map<string, Listed[]>();
  for (const [at, of] of listed.entries()) {
    const key = KEYS[by](of, at);
    groups.set(key, [...(groups.get(key) ?? []), of]);
  }
  return [...groups.values()].flatMap(inOne).flatMap((group): readonly Repair[] => {
    const repairs = group.map(({ repair }) => repair);
    const one = repairs.length > 1 ? joined(repairs, () => false) : null;
    if (!one || 'why' in one) return repairs;
    const [{ what, repair }] = group as [Listed, ...Listed[]];
    const called = [what, by === 'place' ? repair.place : ''].filter(Boolean).join(', ');
    return [{ ...one.repair, ...(called ? { name: called.slice(0, 120) } : {}) }];
  });
}
