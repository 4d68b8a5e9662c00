import { systemKind } from './kinds';
import { partsByName, readPack, unsureOf } from './pack-text';
import { AN_AMOUNT, afterLabel, type SheetLine, type Told } from './pasted-readers';

/** No more of it is kept as its words, in characters. */
const LONGEST_PACK = 80;
/** Supplied in 300 mL cartridges: one of them is a pack. */
const PLURAL = /\b(cartridge|pail|bag|tin|can|drum|kit|unit|set|pack|bucket|tube)s\b/gi;

/** Whether a line tells what a pack holds of its first two parts at least, by their names. */
export function namesPack(text: string, { kind, system }: Pick<SheetLine, 'kind' | 'system'>): boolean {
  const parts = partsByName(text, kind, system);
  return parts?.A !== undefined && parts.B !== undefined;
}
const PACK_WORDS = /^(?:pack\w*|contents?|supplied|kits?|sets?|units?)\b(?:\s+(?:as|in|of|sizes?))*\s+/i;
/** A pack as its parts are named; the water of a powder comes from the tap. */
export function namedPacks(told: SheetLine): Told {
  const { line, kind, system } = told;
  if (systemKind(kind).dosed === 'water') return [];
  // Set: 300 g colour, 60 g hardener; but of Part A: 1 kg + Part B: 1 kg the label is a name.
  const text = [line.slice(line.indexOf(':') + 1), line]
    .map((words) => words.trim().replace(PACK_WORDS, ''))
    .find((words) => namesPack(words, told));
  if (!text) return [];
  const parts = Object.entries(partsByName(text, kind, system)!).sort(([a], [b]) => a.localeCompare(b));
  const short = text.length > LONGEST_PACK ? parts.map((p) => p.join(' ')).join(' + ') : text;
  return [['pack', short.replace(PLURAL, '$1').trim()]];
}

/** One pack as it is printed; of a list of sizes nobody knows which is meant. */
export function packs(told: SheetLine): Told {
  // A label that is the pack itself belongs to it: Tin 1.5 kg.
  const isItself =
    !told.line.includes(':') &&
    !/\s/.test(told.heading.replace(/ a$/, '')) &&
    !/^(?:pack|contents|supplied)/.test(told.heading);
  const text = (isItself ? told.line : afterLabel(told)).replace(PLURAL, '$1').slice(0, LONGEST_PACK).trim();
  const amounts = [...text.matchAll(new RegExp(AN_AMOUNT, 'gi'))].length;
  const isOne =
    amounts === 1 ||
    /\+|&|\b(?:with|plus)\b|\bA\b.*\bB\b|resin.*hardener|harz.*härter|powder.*(?:water|liquid)/i.test(text);
  const isRead = readPack(text, { kind: told.kind }, told.system) ?? unsureOf(text, told.system);
  return isOne && isRead ? [['pack', text]] : [];
}
