import type { Message, Values } from './message';

const TEXTS = new Map<string, string>();

/** The English text of an id, in ICU message syntax; undefined for an id nobody owns. */
export const textOf = (id: string): string | undefined => TEXTS.get(id);

/** Every id with its English text. */
export const allTexts = (): ReadonlyMap<string, string> => TEXTS;

/** Makes the message of one text. */
export type Sayer = (values?: Values) => Message;

/**
 * Registers the texts of one owner and returns what makes their messages.
 * @param owner the ids begin with it
 * @throws RangeError for an id that is taken
 * @example
 * const SAY = texts('batch', { poured: '{mass} of {part} poured.' });
 * SAY.poured({ mass: grams(120), part: 'A' }); // { id: 'batch.poured', with: { … } }
 */
export function texts<K extends string>(owner: string, table: Readonly<Record<K, string>>): Readonly<Record<K, Sayer>> {
  const sayers = {} as Record<K, Sayer>;
  for (const [key, text] of Object.entries(table) as [K, string][]) {
    const id = `${owner}.${key}`;
    if (TEXTS.has(id)) throw new RangeError(`two texts are called ${id}`);
    TEXTS.set(id, text);
    sayers[key] = (values) => (values ? { id, with: values } : { id });
  }
  return sayers;
}

/**
 * The gaps of a text in ICU message syntax, those inside its plurals and choices included.
 * @example gapsOf('{n, plural, one {the hole} other {# holes in {place}}}') // ['n', 'place']
 */
export function gapsOf(text: string): readonly string[] {
  const known = GAPS.get(text) ?? readGaps(text);
  GAPS.set(text, known);
  return known;
}
/** Every step of every plan asks for those of its words: each text is read once. */
const GAPS = new Map<string, readonly string[]>();

function readGaps(text: string): readonly string[] {
  const found = new Set<string>();
  /** Reads words and gaps until the brace that ends them; what stands in a branch are words again. */
  const words = (from: number): number => {
    let i = from;
    while (i < text.length && text[i] !== '}') {
      if (text[i] !== '{') i++;
      else {
        const name = /^\{\s*(\w+)\s*/.exec(text.slice(i));
        if (!name) throw new RangeError(`a brace without a name in “${text}”`);
        found.add(name[1]!);
        i += name[0].length;
        while (i < text.length && text[i] !== '}') i = text[i] === '{' ? words(i + 1) + 1 : i + 1;
        i++;
      }
    }
    return i;
  };
  words(0);
  return [...found];
}

const { plain: plainOf } = texts('say', { plain: '{text}' });

/** The words of a row, as they stand there: a question’s own sentence, what a meeting does. */
export const plain = (text: string): Message => plainOf({ text });
