import { partTimeLine, plainLine, TEMPERATURE, TIME } from './time-line';

type Degree = 'C' | 'F' | null;

export const NUMBER = '[-+]?\\d+(?:[.,]\\d+)?';
export const BARE = new RegExp(`^(?:[<>~≥≤]=?\\s*)?(${NUMBER})(?:\\s*(?:to|-|/)\\s*(${NUMBER}))?$`);
export const NOTHING = /^(?:[-–—/]|n\.?\s?\/?[ad]\.?|none|nil)?$/i;
export const ANY_TEMPERATURE = new RegExp(TEMPERATURE, 'gi');
export const ANY_TIME = new RegExp(TIME, 'gi');
export const WHOLE_TIME = new RegExp(`^(?:[<>≥≤]=?\\s*)?(?:${TIME})$`, 'i');
/** A cell that names the unit of its column. */
export const UNIT_CELL = /^[([]?\s*(?:°\s*[CF]|min\w*|h(?:ours?|rs?)?|d(?:ays?)?)\.?\s*[)\]]?$/i;
export const PERCENT = /^(\d+(?:[.,]\d+)?)\s*%/;

/** What stands in a line without its gaps: its words, then what is a temperature, a time, a share or a gap. */
function pieces(line: string): readonly string[] {
  const plain = plainLine(line);
  if (new RegExp(`^${NUMBER}(?:\\s+(?:${NUMBER}(?:-\\d+)?|-))+$`).test(plain)) return plain.split(/\s+/);
  if (plain.split(' ').every((word) => UNIT_CELL.test(word))) return plain.split(' ');
  const warm = [...plain.matchAll(ANY_TEMPERATURE)];
  const inWarm = (at: number) => warm.some((m) => at >= m.index && at < m.index + m[0].length);
  const found = [
    ...warm,
    ...[...plain.matchAll(ANY_TIME)].filter((m) => !inWarm(m.index)),
    ...[...plain.matchAll(/\d+(?:[.,]\d+)?\s*%/g)].filter((m) => !inWarm(m.index)),
    ...plain.matchAll(/(?<=\s)(?:-|n\.?\/?a\.?)(?=\s|$)/gi),
  ].sort((a, b) => a.index - b.index);
  if (!found.length) return [plain];
  const words = plain.slice(0, found[0]!.index).trim();
  return [...(words ? [words] : []), ...found.map((m) => m[0].trim())];
}

/** A line in cells: by tabs, dividers and gaps; of a line that kept none of them, by what is a temperature or time. */
export function cellsOf(line: string): readonly string[] {
  const parted = /\t/.test(line) ? line.split('\t') : line.trim().split(/\s{2,}|\s*[|;]\s*/);
  return parted.length > 1 ? parted.map((c) => plainLine(c)).flatMap(sideBySide) : pieces(line);
}

const SEVERAL_TIMES = new RegExp(`^(?:${TIME})(?:\\s+(?:${TIME}))+$`, 'i');
/** Times of two columns whose gap is lost: `45 min 90 min`; `1 h 30 min` is one. */
const sideBySide = (cell: string): readonly string[] =>
  !WHOLE_TIME.test(cell) && SEVERAL_TIMES.test(cell) ? (cell.match(ANY_TIME) ?? [cell]) : [cell];

const WHOLE_TEMPERATURE = new RegExp(`^(?:${TEMPERATURE})$`, 'i');

/** A temperature or a band of them, as `parseTable` reads it; null where the cell is none. */
export function tempOf(cell: string, degree: Degree): string | null {
  const told = WHOLE_TEMPERATURE.test(cell);
  if (!told && (!degree || !BARE.test(cell))) return null;
  const named = /([CF])\b(?!.*[CF]\b)/i.exec(cell)?.[1]?.toUpperCase() ?? degree ?? 'C';
  const line = partTimeLine(`${told ? cell : `${cell} ${named}`}: 1 h`);
  if (!line?.temps.length) return null;
  const ends = line.temps.map((t) => t.replace(/[^\d.,-]/g, ''));
  const open = line.open === 'above' ? 'above ' : line.open === 'below' ? 'below ' : '';
  return `${open}${ends.join(' to ')} ${named}`;
}

const SAYS_F = /(?:°|deg\w*|[([]|temp\w*\.?)\s*F\b|\bfahrenheit/i;
const SAYS_C = /(?:°|deg\w*|[([]|temp\w*\.?)\s*C\b|\bcelsius/i;

/**
 * The degree that words over bare numbers name; where they speak of a temperature and name none, it is that of the
 * reader.
 * @returns null where they speak of no temperature
 */
export const degreeIn = (words: string, own: 'C' | 'F'): Degree =>
  SAYS_F.test(words) ? 'F' : SAYS_C.test(words) ? 'C' : /°|\bdeg|temp/i.test(words) ? own : null;
/** A heading over temperatures alone: what stands under it in another degree is said already. */
export const ofTemperatures = (heading: string): boolean =>
  /^(?:[\w. ]{0,30}temp\w*\.?)?\s*[([]?\s*(?:°|deg\w*)\s*[CF]\s*[)\]]?$|^temp\w*\.?$/i.test(heading.trim());
