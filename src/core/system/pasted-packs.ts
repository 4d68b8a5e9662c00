import { systemKind } from './kinds';
import { partsByName, readPack, unsureOf } from './pack-text';
import { AN_AMOUNT, afterLabel, MAKES, type SheetLine, type Told } from './pasted-readers';

/** No more of it is kept as its words, in characters. */
const LONGEST_PACK = 80;
/** Supplied in 300 mL cartridges: one of them is a pack. */
const PLURAL = /\b(cartridge|pail|bag|tin|can|drum|kit|unit|set|pack|bucket|tube)s\b/gi;

/** Whether a line tells what a pack holds of its first two parts at least, by their names. */
export function namesPack(text: string, { kind, system }: Pick<SheetLine, 'kind' | 'system'>): boolean {
  const parts = partsByName(text, kind, system);
  return parts?.A !== undefined && parts.B !== undefined;
}
const PACK_WORDS = /^(?:pack\w*|contents?|supplied|kits?|sets?|units?)\b(?:\s+(?:as|in|of|sizes?|consisting))*\s+/i;
const WATER = /\b(?:water|wasser)\b/i;
/** A pack as its parts are named; the water of a powder comes from the tap. */
export function namedPacks(told: SheetLine): Told {
  const { line, kind, system } = told;
  const isWater = systemKind(kind).dosed === 'water';
  if (isWater && WATER.test(line)) return [];
  // Set: 300 g colour, 60 g hardener; but of Part A: 1 kg + Part B: 1 kg the label is a name.
  const inName = line.slice(Math.max(0, line.search(new RegExp(AN_AMOUNT, 'i'))));
  const labelled = line.includes(':') ? [line.slice(line.indexOf(':') + 1)] : [];
  const text = [...labelled, inName, line]
    .map((words) => words.trim().replace(PACK_WORDS, ''))
    .find((words) => namesPack(words, told));
  const parts = text && partsByName(text, kind, system);
  if (!text || !parts) return [];
  const { A, B } = parts;
  const byLetter = Object.entries(parts).sort(([a], [b]) => a.localeCompare(b));
  const short = text.length > LONGEST_PACK ? byLetter.map((p) => p.join(' ')).join(' + ') : text;
  const pack = ['pack', short.replace(PLURAL, '$1').trim()] as const;
  // A dispersion that is sold with its bag is let into it whole.
  return isWater ? [pack, ['doseUsual', `${B} to ${A}`]] : [pack];
}

const HELD_IN =
  'pack|kit|unit|pail|bag|sack|cartridge|tin|can|set|bucket|tub|tube|stick|drum|bottle|syringe|sausage|sachet|eimer|dose|kartusche';
/** An amount and, after a word or two, what holds it: `410 ml coaxial cartridge`. */
export const ON_A_PACK = new RegExp(`${AN_AMOUNT}\\s+(?:[a-z]+[\\s-]+){0,3}(?:${HELD_IN})s?\\b`, 'i');

/** `1.2 kg inc. hardener 24 g`, `4.5 kg + 1.5 kg`. */
const WITH_ANOTHER = `${AN_AMOUNT}\\s*(?:\\+|(?:in[ck]\\w*|with|plus|mit)\\b\\.?)\\s*[^\\d]{0,24}${AN_AMOUNT}`;
/** The same, or what holds it first: `putty stick 114 g`. */
export const PACK_IN_NAME = new RegExp(
  `${ON_A_PACK.source}|\\b(?:stick|cartridge|tube|sachet)s?\\s+${AN_AMOUNT}|${WITH_ANOTHER}`,
  'i',
);

const ITS_WATER = /[,;]\s*(?:\w+\s+){0,3}\d[^,;]{0,40}\b(?:water|wasser)\b.*$/i;
/** A pack in the name of a product, from its amount on. */
export function packsInName(told: SheetLine): Told {
  const at = told.line.search(new RegExp(AN_AMOUNT, 'i'));
  // The water it is mixed with is told behind it: 50 lb bag, 6 quarts of water.
  const line = told.line.slice(Math.max(0, at)).replace(ITS_WATER, '');
  return at < 0 ? [] : packs({ ...told, line, value: line, heading: '' });
}

/** One pack as it is printed; of a list of sizes nobody knows which is meant. */
export function packs(told: SheetLine): Told {
  // 1 bag = 13 l is what it makes.
  if (MAKES.test(told.line)) return [];
  // A label that is the pack itself belongs to it: Tin 1.5 kg.
  const isItself =
    !told.line.includes(':') &&
    !/\s/.test(told.heading.replace(/ a$/, '')) &&
    !/^(?:pack|contents|supplied)/.test(told.heading);
  const text = (isItself ? told.line : afterLabel(told)).replace(PLURAL, '$1').slice(0, LONGEST_PACK).trim();
  const amounts = [...text.matchAll(new RegExp(AN_AMOUNT, 'gi'))].length;
  const isOne =
    amounts === 1 ||
    /\+|&|\b(?:with|plus|in[ck]\w*|mit)\b|\bA\b.*\bB\b|resin.*hardener|harz.*härter|powder.*(?:water|liquid)/i.test(
      text,
    );
  const isRead = readPack(text, { kind: told.kind }, told.system) ?? unsureOf(text, told.system);
  return isOne && isRead ? [['pack', text]] : [];
}
