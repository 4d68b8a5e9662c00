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
const NOT_A_PACK = /\b(?:per|to|for|into|or|ratio|parts|densit\w*|je|auf|zu|oder|dichte)\b|\d\s*:\s*\d|%/i;

/** Where a line names parts of the kind, by letter or by word, each where it is named first. */
function namesIn(line: string, kind: SystemKindId): readonly NameAt[] {
  const { parts } = systemKind(kind);
  const found = parts.flatMap(({ id, name, role }): NameAt[] => {
    // A part's own name goes before what another may be called as well: the filler of a filler is its part A.
    const words = [name, ...CALLED[role].filter((word) => !parts.some((p) => p.id !== id && p.name === word))];
    const first =
      new RegExp(`(?<![\\p{L}\\d])${LETTER}${id}(?![\\p{L}\\d])`, 'u').exec(line) ??
      new RegExp(`(?<![\\p{L}\\d])(?:${words.join('|')})(?!\\p{L})`, 'iu').exec(line);
    return first ? [{ id, from: first.index, to: first.index + first[0].length }] : [];
  });
  return found.sort((a, b) => a.from - b.from);
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
  if (names.length !== amounts.length) return null;
  const inTurn = amounts.flatMap((amount, i) => [amount, names[i]!]);
  const turns = amounts[0]!.from < names[0]!.from ? inTurn : names.flatMap((name, i) => [name, amounts[i]!]);
  const isBeside = turns.every((one, i) => {
    const next = turns[i + 1];
    return !next || (one.to <= next.from && (i % 2 === 1 || next.from - one.to <= MOST_BETWEEN));
  });
  return isBeside ? amounts.map(({ text }, i) => [names[i]!.id, text]) : null;
}
