import type { MilestoneId } from './milestone';
import type { ClockUnit } from './time-line';

/**
 * What the trade calls the times of a sheet. The first row whose words are in a heading is what it usually means: of
 * words that occur in several, the longer phrase stands first.
 */
const TRADE_WORDS: readonly (readonly [MilestoneId, RegExp])[] = [
  [
    'recoat-until',
    /(over|re|top)[ -]?coat\w*.*(max|until|latest|within|no later|\b(before|by|up to)\b(?!\s+[a-z]{3}))|(max|latest)\w*.*(over|re|top)[ -]?coat/,
  ],
  ['recoat-until', /über(arbeit|lackier)\w*.*(max|bis|spätest)|(max|spätest)\w*.*über(arbeit|lackier)/],
  [
    'recoat-from',
    /(over|re|top)[ -]?coat|^(to )?(fill|build)(ed|ing)?( up| over| on)?$|(next|second) coat|between coats|\bpaint|über(arbeit|streich|schicht|lackier)/,
  ],
  ['primer-wet', /primer.*(wet|tack|open)|(wet|tacky|open) primer|between primer and/],
  ['stand', /stand(ing)? time|^stand(ing)?$|\b(let|to) stand|\bslak|sweat|induction|ripen|matur|reifezeit/],
  ['mix', /mixing time|mischzeit/],
  [
    'damp',
    /(water|wet|moist|damp|film)[ -]?cur(e|ing)|(keep|kept) (it )?(damp|moist|wet|covered)|nachbehand|feucht ?halt/,
  ],
  ['wash-until', /(wash|spong)\w*\b.*(within|\bby\b|until|before|latest)|(end|last)\w*( of)? wash/],
  ['wash-from', /\bwash(ing)?\b|\bspong(e|ing)\b|waschen/],
  ['clean-by', /clean/],
  ['idle', /idle|nozzle|in the mixer|mixer life/],
  ['use-by-out', /poured? out|spread out|in heaps|in thin layer|out of the (bucket|pot|pail)/],
  [
    'use-by',
    /(pot|pail|bucket|can|application|work(ing)?) ?life|workab|usab|use[- ]?by|\buse(d)?\b.*\bwithin|discard|processing/,
  ],
  ['use-by', /(working|work|application|placing|placement|trowel+ing|pumping) time|topfzeit|verarbeit|gebrauchsdauer/],
  [
    'open',
    /open time|\btooling\b|wet[- ]edge|correction|position(ing)? time|to position|assembly|adjust|closing time|offene zeit|offenzeit|korrig/,
  ],
  ['foot', /\bfoot|walk|pedestrian|begehbar/],
  ['light-load', /light|leicht/],
  ['tack-free', /tack|set to touch|touch|dust[- ]?(free|dry)|skin|hautbild|klebfrei|staubtrocken/],
  ['next-lift', /(next|second|between) (lift|layer)|(nächste|zweite) (lage|schicht)/],
  ['gel', /\bgel|initial set|thumb|\bset(ting)? time|^set(s|ting)?$|gelier|abbinde/],
  [
    'sandable',
    /sand|grind|(can|may) be ground|machin|\bfile|polish|drillable|(to|be) drill|drill and|and drill|schleif|bearbeitbar|polier/,
  ],
  [
    'release',
    /disturb|handl|fixture|fixing|clamp|demou?ld|strip|initial (cure|strength|hardening)|handfest|schal|entform/,
  ],
  ['release', /\bform(s|work)?\b|\b(props?|supports?)\b/],
  ['overlay', /lay over|tile over|\bgrout|jointing|fill(ing)?( the)? joint|verfug/],
  // Dry by itself is dry to a finger; to be kept dry is another time.
  [
    'tack-free',
    /^(surface )?(dr(y|ies|ied|ying)|trocken|trocknung|trockenzeit)( time| after| in| to (the )?touch)?$|fingertrocken/,
  ],
  ['dry', /rain|keep dry|regenfest/],
  ['wet', /water|immers|chemical|chemisch|launch|ponding|wasser|chemikal/],
  ['frost', /frost/],
  ['load', /((fork ?lift|pallet|lorry|truck|trolley|car)s?\b\W*)*traffic/],
  ['load', /\b(fork ?lift|pallet|lorr|truck|trolley|cars?\b|driv)|vehicle|stapler|lkw|pkw|befahrbar/],
  ['load', /load|torque|service|put to use|ready (for|to) use|einsatzbereit|working strength|functional|belastbar/],
  ['full-cure', /full|final(?! set)|\bcure|curing|harden(?!er)|100 ?%|ausgehärtet|durchgehärtet|aushärt|endfest/],
];
/** Hard to a needle, which is no cure, whatever is called final in it. */
const FINAL_SET = /\bset(ting|s)?\b.*\bfinal\b|\bfinal set/;
/** The hardening of a wet hole is a figure of its own beside the dry one. */
const OF_WET_HOLES =
  /(cur|load|harden).*\b(wet|damp|flooded)\b|\b(wet|damp|flooded)\b(?! cure\b(?! time)).*(cur|load|harden)/;

/** Of two loads in one table the one that is borne first: a car before a lorry. */
const LIGHTER = /\b(cars?|pkw|pallet|trolley|hand ?truck|vans?|hubwagen)\b/;

/** Whether the words of a heading tell of what is light beside a lorry. */
export const saysLighter = (words: string): boolean => LIGHTER.test(words.toLowerCase());

/** A full stop before a capital, but not of an abbreviation: `Komp. A`. */
export const SENTENCE_END = /;\s+|(?<!\b(?:[Kk]omp|[Cc]omp|ca|[Aa]pprox|[Mm]ax|[Nn]o|Nr))\.\s+(?=\p{Lu})/u;

/** What is refused before an hour begins at it, and what is refused after one ends at it. */
const REFUSED_BEFORE = /\b(?:not|never)\b([^.]*)\bbefore\b/;
const REFUSED_AFTER = /\b(?:not|never)\b([^.]*)\bafter\b/;

/** What the words of a heading usually mean in the trade; null where they tell nothing. */
export function milestoneMeant(words: string): MilestoneId | null {
  const said = words.toLowerCase().replace(REFUSED_BEFORE, '$1 from').replace(REFUSED_AFTER, '$1 until');
  return OF_WET_HOLES.test(said) || FINAL_SET.test(said)
    ? null
    : (TRADE_WORDS.find(([, of]) => of.test(said))?.[0] ?? null);
}

const UNIT_WORDS = 'minutes?|mins?|minuten|hours?|hrs?|h|std|stunden|days?|d|tagen?';
const BRACKETED = new RegExp(`[([]\\s*(?:in\\s+)?(${UNIT_WORDS})\\.?\\s*[)\\]]`, 'i');
const LOOSE = new RegExp(`\\b(${UNIT_WORDS})\\b`, 'gi');
const unitCalled = (word: string): ClockUnit => (/^m/i.test(word) ? 'min' : /^[hs]/i.test(word) ? 'h' : 'd');

/**
 * The unit a heading names for the numbers under it. In brackets it is one; loose, `min` beside a word of coating may
 * be the minimum, and is asked.
 */
export function unitIn(words: string): ClockUnit | null {
  const told = BRACKETED.exec(words)?.[1];
  if (told) return unitCalled(told);
  const loose = [...words.replace(/\b(at|for)\b.*$/i, '').matchAll(LOOSE)].map((m) => m[1]!);
  const sure = loose.filter((word) => !(/^min$/i.test(word) && /coat|layer|lift|^\W*min\W*$/i.test(words)));
  return sure.length ? unitCalled(sure[0]!) : null;
}

/** A heading without the unit in it. */
export const plainHeading = (words: string): string =>
  words
    .replace(BRACKETED, '')
    // A bracket whose end lies behind the figure: Pot life (100 g.
    .replace(/\s*\([^)]*$/, '')
    .replace(/\s+/g, ' ')
    .replace(/[\s:,;=(-]+$|^[\s:,;=)•*-]+/g, '')
    .trim();

/** The pot a heading or a cell tells the time of: `Pot life (100 g)`; null where it tells none. */
export const massIn = (words: string): string | null =>
  /\b(\d+(?:[.,]\d+)?\s*(?:k?g|lbs?|oz av))\b(?!\s*\/\s*[a-z])/i.exec(words)?.[1] ?? null;

/** Whether the words of a heading say that its ranges are a window with two ends. */
export const saysWindow = (words: string): boolean => /window|interval|between|min\W+max|fenster/i.test(words);

/** Words of a heading that the word behind them belongs to: `Max. recoat`, `Light foot traffic`. */
const BELONGS_TO_NEXT = new RegExp(
  '(?:\\b(?:min(?:imum)?|max(?:imum)?|full|initial|final|light|heavy|early|duty|foot|pedestrian|working|handling|' +
    'vehicle|car|truck|lorry|pallet|trolley|fork ?lift)\\.?\\s+)+$',
  'i',
);

/**
 * The headings of a line whose gaps are lost, cut where the words of a time begin: `Temp Pot life Walk on` over two
 * times.
 * @returns null where it is not that many
 */
export function headingsIn(line: string, count: number): readonly string[] | null {
  const low = line.toLowerCase();
  const starts = new Set<number>();
  for (const [, words] of TRADE_WORDS)
    for (const found of low.matchAll(new RegExp(words.source, 'g')))
      if (found[0].length < 24) starts.add(low.lastIndexOf(' ', found.index) + 1);
  const cuts = [...starts]
    .map((at) => {
      const before = BELONGS_TO_NEXT.exec(line.slice(0, at));
      return before ? before.index : at;
    })
    .sort((a, b) => a - b)
    .filter((at, i, all) => at !== all[i - 1]);
  return cuts.length === count ? cuts.map((at, i) => line.slice(at, cuts[i + 1]).trim()) : null;
}
