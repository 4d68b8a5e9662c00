import { type PartId, type PartRole, type SystemKindId, systemKind } from './kinds';

/** An amount as it stands on a pack, and where. */
export interface AmountAt {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}
/** A part that a line names, and where. */
interface NameAt {
  readonly id: PartId;
  readonly from: number;
  readonly to: number;
}

/** What packs call a part beside its own name on our shelf, in English and German; patterns. */
const CALLED: Readonly<Record<PartRole, readonly string[]>> = {
  resin: ['resin', 'base', 'paste', 'putty', 'colou?r', 'adhesive', 'harz', 'basis', 'spachtel(?:masse)?', 'farbe'],
  hardener: ['hardener', 'activator', 'curing agent', 'reactor', 'härter'],
  catalyst: ['hardener', 'catalyst', 'peroxide', 'activator', 'härter', 'katalysator'],
  powder: ['powder', 'mortar', 'pulver', 'mörtel'],
  liquid: ['liquid', 'monomer', 'hardener', 'activator', 'flüssigkeit'],
  water: ['water', 'dispersion', 'latex', 'liquid', 'wasser', 'flüssigkeit'],
  aggregate: ['aggregate', '(?:quartz |silica )?sand', 'filler', 'grit', 'quarzsand', 'zuschlag', 'füllstoff'],
  filler: ['fib(?:re|er)s?', 'filler', 'fasern?', 'füllstoff'],
  thickener: ['thickener', 'silica', 'stellmittel'],
};
const LETTER = '(?:(?:part|bottle|tin|can|pail|comp(?:onent)?\\.?|komp(?:onente)?\\.?|teil)\\s*)?';
/** Between an amount and the name it belongs to: `1 kg tin of resin`, `hardener component: 2 kg`. */
const MOST_BETWEEN = 32;
/** Says so much of one to so much of another, or sizes to choose from; not what is in a pack. */
const NOT_A_PACK = /\b(?:per|to|for|into|or|ratio|parts|use|take|densit\w*|je|auf|zu|oder|dichte)\b|\d\s*:\s*\d|%/i;

/** Where a line names parts of the kind, by letter or by word, in its order. */
function namesIn(line: string, kind: SystemKindId): readonly NameAt[] {
  const { parts } = systemKind(kind);
  const found = parts.flatMap(({ id, name, role }): NameAt[] => {
    // A part's own name goes before what another may be called as well: the filler of a filler is its part A.
    const words = [name, ...CALLED[role].filter((word) => !parts.some((p) => p.id !== id && p.name === word))];
    const letters = [...line.matchAll(new RegExp(`(?<![\\p{L}\\d])${LETTER}${id}(?![\\p{L}\\d])`, 'gu'))];
    const all = letters.length
      ? letters
      : [...line.matchAll(new RegExp(`(?<![\\p{L}\\d])(?:${words.join('|')})(?!\\p{L})`, 'giu'))];
    return all.map((m) => ({ id, from: m.index, to: m.index + m[0].length }));
  });
  // The paste of a paste hardener is none of its own.
  const isWhole = (a: NameAt) => !found.some((b) => b.id !== a.id && b.from <= a.from && a.to <= b.to);
  return found.filter(isWhole).sort((a, b) => a.from - b.from);
}

/**
 * Which amount of a line is of which part, where each stands beside the name of its part: all before their names, or
 * all behind them.
 * @param line of a sheet, or the words on a pack
 * @param amounts in it, in their order
 * @returns in the order of the line; null where it does not name them one by one
 * @example namedParts('Hardener 60 g, colour 300 g', …, 'joint-colour') // [['B', '60 g'], ['A', '300 g']]
 */
export function namedParts(
  line: string,
  amounts: readonly AmountAt[],
  kind: SystemKindId,
): readonly (readonly [PartId, string])[] | null {
  if (!amounts.length || NOT_A_PACK.test(line)) return null;
  const names = namesIn(line, kind);
  const between = (from: number, to: number) => names.filter((name) => name.from >= from && name.to <= to);
  const before = ({ from }: AmountAt, i: number) => between(amounts[i - 1]?.to ?? 0, from).at(-1);
  const behind = ({ to }: AmountAt, i: number) => between(to, amounts[i + 1]?.from ?? line.length)[0];
  const told = ([before, behind] as const).flatMap((beside) => {
    const mine = amounts.map((amount, i) => ({ amount, name: beside(amount, i) }));
    const isOne = mine.every(
      ({ amount, name }) => name && Math.max(amount.from - name.to, name.from - amount.to) <= MOST_BETWEEN,
    );
    const pairs = mine.flatMap(({ amount, name }) => (name ? [[name.id, amount.text] as const] : []));
    return isOne && new Set(pairs.map(([id]) => id)).size === amounts.length ? [pairs] : [];
  });
  // Read either way it is nobody's word.
  return told.length === 1 ? told[0]! : null;
}
