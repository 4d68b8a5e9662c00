import type { UnitSystem } from '../units';
import type { SystemKindId } from './kinds';
import { partsByName } from './pack-text';
import { ANY_TIME } from './pasted-cells';
import { FACTS } from './pasted-fields';
import { namesPack, ON_A_PACK } from './pasted-packs';
import type { PastedField, SheetLine } from './pasted-readers';
import { plainHeading, SENTENCE_END } from './pasted-words';
import { plainLine } from './time-line';

/** What a sheet tells beside its times: the field of the form it belongs to, and the text that field takes. */
export interface PastedFact {
  readonly field: PastedField;
  /** What the sheet calls it. */
  readonly heading: string;
  readonly text: string;
}

/** No line of figures is longer; what is, is prose with nothing for us in it. */
const LONGEST_LINE = 300;
/** No more of a paragraph is read, in characters. */
const LONGEST_PROSE = 5_000;
/** More lines than any sheet has. */
const MOST_LINES = 2_000;
const FIRST_FIGURE = /(?:[<>≥≤~±]=?\s*)?(?:(?<![\p{L}\d])[+-])?\d|[½¼¾]/u;
/** A label alone, its figure on the line below: what is left of a table of two columns. */
const GOES_ON = /^(?:[<>≥≤~±+\-\d½¼¾]|(?:min|max|approx|ca|from|between|at least|at most|up to|not)\b)/i;

/** What a line says one after the other; an end of a range belongs to the words before it: `min. 6 mm; max. 50 mm`. */
function sentencesIn(line: string): readonly string[] {
  const said: string[] = [];
  for (const piece of line.split(SENTENCE_END)) {
    const isOfDensity = OF_DENSITY.test(said[0] ?? '') && A_FIGURE_OF.test(piece);
    if (said.length && (isOfDensity || (GOES_ON.test(piece) && /^\D/.test(piece))))
      said[said.length - 1] += `, ${piece}`;
    else said.push(piece);
  }
  return said;
}

/** Per cent by weight, as it is shortened. */
const SHARE_OF = /\b(?:by weight|by volume|gew|vol|mass|wt|cm)\.?\s*-?\s*%/gi;

/** Whether a line tells of one part how much of it a pack holds, and nothing else: the next line tells of the next. */
const namesPart = (line: string, { kind, system }: Pick<SheetLine, 'kind' | 'system'>): boolean =>
  line.length <= LONGEST_PART && Object.keys(partsByName(line, kind, system) ?? {}).length === 1;
const LONGEST_PART = 40;

/** Lines of a sheet, a label with the figure that stands below it as one; several sayings of a line each by itself. */
function linesIn(text: string, of: Pick<SheetLine, 'kind' | 'system'>): readonly string[] {
  const lines = text
    .split(/\r?\n/, MOST_LINES)
    .map((line) => line.replace(/\t| {2,}/g, ' ').trim())
    // A paragraph is read sentence by sentence.
    .flatMap((line) => (line.length > LONGEST_LINE ? sentencesIn(line.slice(0, LONGEST_PROSE)) : [line]))
    .filter((line) => line.length <= LONGEST_LINE)
    .map((line) => withCountry(plainLine(line), of.system).replace(SHARE_OF, '%'))
    .filter(Boolean);
  const joined: string[] = [];
  for (const [i, line] of lines.entries()) {
    const above = lines[i - 1];
    // What is printed on a pack is no figure of a label above it.
    if (above !== undefined && !/\d/.test(above) && GOES_ON.test(line) && !ON_A_PACK.test(line))
      joined[joined.length - 1] = `${above} ${line}`;
    else if (above !== undefined && namesPart(above, of) && namesPart(line, of))
      joined[joined.length - 1] += ` + ${line}`;
    else joined.push(line);
  }
  return joined.flatMap(sentencesIn).flatMap((line) => (namesPack(line, of) ? [line] : sayings(line)));
}

const OF_A_COUNTRY =
  /(?<=\d[\s-]*)(?:(gal)(?:lon)?s?|(q)(?:uar)?ts?|(p)(?:in)?ts?|(fl)\.?\s?oz)\b\.?(?!\s*\(?\s*(?:US|UK|imp))/gi;
/** Measures that differ by country, as those of who works in US units; elsewhere they are asked for at their field. */
const withCountry = (line: string, system: UnitSystem): string =>
  system === 'us'
    ? line
        .replace(OF_A_COUNTRY, (_, gal, q, p) => ` US ${gal ? 'gal' : q ? 'qt' : p ? 'pt' : 'fl oz'}`)
        .replace(/ {2,}/g, ' ')
    : line;

const A_FIGURE_OF =
  /^(?:part |comp\w*\.? )?(?:A|B|C|resin|base|hardener|harz|härter|mix\w*)\s*[:=]?\s*\d[\d.,]*(?:\s*[a-z]+\/[a-z³]+)?$/i;
const OF_DEW = /\bdew\b|taupunkt/i;
const OF_DENSITY = /densit|dichte/i;

/** Pieces of a line that commas part, where each begins with what it is about; ends of one range stay together. */
function sayings(line: string): readonly string[] {
  const low = line.toLowerCase();
  if (FACTS.some((row) => row.whole && row.words.test(low))) return [line];
  const pieces: string[] = [];
  for (const piece of line.split(/,\s+/)) {
    const words = piece.slice(0, Math.max(0, piece.search(FIRST_FIGURE))).toLowerCase();
    // Density: A 1.15, B 0.98.
    const isOfDensity = A_FIGURE_OF.test(piece) && OF_DENSITY.test(pieces[0] ?? '');
    // At least 10 °C, at least 3 °C above the dew point: that is another matter.
    const isOfDew = OF_DEW.test(piece) && pieces.length > 0 && !OF_DEW.test(pieces.join());
    const isOwn =
      isOfDew || (!isOfDensity && !GOES_ON.test(piece) && words !== '' && FACTS.some((row) => row.words.test(words)));
    if (isOwn || !pieces.length) pieces.push(piece);
    else pieces[pieces.length - 1] += `, ${piece}`;
  }
  return pieces;
}

function partLine(line: string, of: Pick<SheetLine, 'kind' | 'system'>): Omit<SheetLine, 'pack'> {
  const at = line.search(FIRST_FIGURE);
  const words = at < 0 ? line : line.slice(0, at);
  return {
    ...of,
    line,
    called: plainHeading(words.split(':')[0]!),
    heading: plainHeading(words).toLowerCase(),
    value: at < 0 ? '' : line.slice(at).trim(),
    tellsTime: line.search(ANY_TIME) >= 0,
  };
}

/**
 * Reads what a sheet’s text tells beside its times: ratio, packs, densities, dose, coverage, limits of base, air and
 * thickness, storage. Of two lines for one field the first counts; what cannot be read with certainty is left out.
 * @param text of the sheet as it was copied, in English or German
 * @param of the kind of the sheet, which says what its thickness means and whether it has a ratio or a dose
 * @returns in the order of the form
 * @example factsIn('Mixing ratio 2:1 by volume\nBase temperature 5 to 30 °C', { kind: 'paste', system: 'metric' })
 */
export function factsIn(
  text: string,
  of: { readonly kind: SystemKindId; readonly system: UnitSystem },
): readonly PastedFact[] {
  const told = linesIn(text, of).map((line) => partLine(line, of));
  const found = new Map<PastedField, { -readonly [K in keyof PastedFact]: PastedFact[K] }>();
  for (const row of FACTS)
    for (const line of told) {
      const low = line.line.toLowerCase();
      if (line.tellsTime && !row.besideTimes) continue;
      if (!row.words.test(row.inLine ? low : line.heading) || row.not?.test(low)) continue;
      for (const [field, value] of row.read({ ...line, pack: found.get('pack')?.text ?? null }))
        if (row.gathers && found.has(field)) found.get(field)!.text += `\n${value}`;
        else if (!found.has(field)) found.set(field, { field, heading: line.called, text: value });
    }
  return [...found.values()];
}
