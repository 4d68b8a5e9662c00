import { refuse, texts } from '../say';
import type { MilestoneId } from './milestone';

const REFUSED = texts('refused.system.pasted', {
  'no-temperatures-times':
    'No temperatures with times beside them were found: paste the table with its headings, like “Temp, Pot life, Handling” over “{row}”.',
});

/** Units of time a heading or a person may name. */
export const CLOCK_UNITS = ['min', 'h', 'd'] as const;
export type ClockUnit = (typeof CLOCK_UNITS)[number];

/** One time of a pasted table: what it is called there, what that usually means, and its cells by temperature. */
export interface PastedTime {
  readonly heading: string;
  /** The milestone that its words usually mean; null where they tell nothing. */
  readonly guess: MilestoneId | null;
  readonly cells: readonly { readonly temp: string; readonly time: string }[];
  /** Unit of cells that are bare numbers, by the heading; null where neither heading nor cells name one. */
  readonly unit: ClockUnit | null;
}

/**
 * What the trade calls the times of a sheet. The first row whose words are in a heading is what it usually means: of
 * words that occur in several, the longer phrase stands first.
 */
const TRADE_WORDS: readonly (readonly [MilestoneId, RegExp])[] = [
  ['recoat-until', /(over|re) ?coat\w*.*(max|until|latest|within)|(max|latest)\w*.*(over|re) ?coat/],
  ['recoat-from', /(over|re) ?coat|next coat|between coats/],
  ['primer-wet', /primer.*(wet|tack|open)/],
  ['stand', /stand(ing)? time|induction|ripen|maturation/],
  ['mix', /mixing time/],
  ['clean-by', /clean/],
  ['idle', /idle|nozzle|in the mixer|mixer life/],
  ['use-by-out', /poured? out|spread out|in heaps|in thin layer|out of the (bucket|pot|pail)/],
  ['use-by', /pot ?life|work(ing)? (time|life)|workab|usab|use[- ]?by|application time|processing/],
  ['open', /open time|assembly|adjust|closing time/],
  ['foot', /\bfoot|walk|pedestrian/],
  ['light-load', /light/],
  ['tack-free', /tack|set to touch|touch|dust[- ]?(free|dry)|skin/],
  ['next-lift', /(next|between) (lift|layer)/],
  ['gel', /\bgel|initial set|thumb/],
  ['sandable', /sand|grind|machin|\bfile/],
  ['release', /handl|fixture|fixing|clamp|demou?ld|strip/],
  ['overlay', /lay over|tile over|grout(ing)? joint/],
  ['dry', /rain|keep dry/],
  ['wet', /water|immers|chemical/],
  ['frost', /frost/],
  ['load', /load|traffic|torque|vehicle|service|put to use/],
  ['full-cure', /full|final|cure|harden|100 ?%/],
];

const DEGREES = '(?:°|º|deg(?:rees)?\\.?)?\\s*[CF]\\b';
const NUMBER = '[-+−]?\\d+(?:[.,]\\d+)?';
const TO = '\\s*(?:to|–|—|-|…|\\.\\.\\.?)\\s*';
const TEMP = new RegExp(`^(?:[≥>~]\\s*)?(${NUMBER})(?:\\s*${DEGREES})?(?:${TO}(${NUMBER}))?\\s*(${DEGREES})?$`, 'i');
const CLOCK = '(?:min(?:ute)?s?|hours?|hrs?|h|days?|d)\\b\\.?';
const TIME_IN_LINE = new RegExp(
  `(?:\\d+\\s*h(?:ours?|rs?)?\\s*\\d+\\s*min\\w*|\\d+(?:[.,]\\d+)?(?:\\s*${CLOCK})?${TO}\\d+(?:[.,]\\d+)?\\s*${CLOCK}|\\d+(?:[.,]\\d+)?\\s*${CLOCK})`,
  'gi',
);
const TEMP_IN_LINE = new RegExp(
  `${NUMBER}(?:\\s*${DEGREES})?${TO}\\+?\\d+(?:[.,]\\d+)?\\s*${DEGREES}|${NUMBER}\\s*${DEGREES}`,
  'gi',
);
const NOTHING = /^(?:[-–—/]|n\.?\s?[ad]\.?|none)?$/i;

const unitIn = (words: string): ClockUnit | null => {
  const named = /\b(minutes?|mins?|hours?|hrs?|h|days?|d)\b/i.exec(words.replace(/\b(at|for)\b.*$/i, ''))?.[1];
  if (!named) return null;
  return /^m/i.test(named) ? 'min' : /^h/i.test(named) ? 'h' : 'd';
};

/** A heading without the unit in it. */
const plainHeading = (words: string): string =>
  words
    .replace(/[([]\s*(?:in\s+)?(?:minutes?|mins?|hours?|hrs?|h|days?|d)\s*[)\]]/gi, '')
    .replace(/\s+/g, ' ')
    .replace(/[\s:,]+$/, '')
    .trim();

/** What the words of a heading usually mean in the trade; null where they tell nothing. */
export const milestoneMeant = (words: string): MilestoneId | null =>
  TRADE_WORDS.find(([, said]) => said.test(words.toLowerCase()))?.[0] ?? null;

/**
 * A line in cells: by tabs, dividers and gaps; of a line that kept none of them, by what is a temperature or a time.
 */
function cellsOf(line: string): readonly string[] {
  if (/\t/.test(line)) return line.split('\t').map((c) => c.trim());
  const parted = line
    .trim()
    .split(/\s{2,}|\s*[|;]\s*/)
    .map((c) => c.trim());
  if (parted.length > 1) return parted;
  const found = [...line.matchAll(TEMP_IN_LINE), ...line.matchAll(TIME_IN_LINE)]
    .map((m) => ({ at: m.index, text: m[0].trim() }))
    .sort((a, b) => a.at - b.at);
  if (!found.length) return [line.trim()];
  const label = line
    .slice(0, found[0]!.at)
    .replace(/[:\s]+$/, '')
    .trim();
  return [...(label ? [label] : []), ...found.map((f) => f.text)];
}

/** A temperature or a band of them, as {@link parseTable} reads it; null where the cell is none. */
function tempOf(cell: string, degree: 'C' | 'F' | null): string | null {
  const m = TEMP.exec(cell.trim());
  const named = /([CF])\b(?!.*[CF]\b)/i.exec(cell)?.[1]?.toUpperCase() ?? degree;
  if (!m || !named) return null;
  const plain = (n: string) => n.replace('−', '-').replace('+', '');
  return `${plain(m[1]!)}${m[2] === undefined ? '' : ` to ${plain(m[2])}`} ${named}`;
}

const degreeIn = (words: string): 'C' | 'F' | null =>
  /(?:°|º|deg\w*)\s*F\b|\bfahrenheit/i.test(words) ? 'F' : /°|º|\bdeg|temp|celsius/i.test(words) ? 'C' : null;

function timesOf(
  heading: string,
  rows: readonly { readonly temp: string | null; readonly cell: string | undefined }[],
): PastedTime {
  const cells = rows.flatMap(({ temp, cell }) =>
    temp === null || cell === undefined || NOTHING.test(cell.trim()) ? [] : [{ temp, time: cell.trim() }],
  );
  const bare = cells.some((c) => !/[a-z]/i.test(c.time));
  return {
    heading: plainHeading(heading),
    guess: milestoneMeant(heading),
    cells,
    unit: bare ? unitIn(heading) : null,
  };
}

/**
 * Reads a whole table of times as it comes out of a sheet: temperatures down the side or along the top, cells parted by
 * tabs, dividers or gaps, or not at all.
 * @returns one entry a time, in the order of the table, those without any cell left out
 * @throws Refusal when no temperatures, or no times beside them, are found
 * @example readPasted('Temp  Pot life  Handling\n10 °C  40 min  12 h\n20 °C  20 min  6 h')
 */
export function readPasted(text: string, field: string): readonly PastedTime[] {
  const lines = text.split(/\r?\n/).filter((l) => l.trim());
  const rows = lines.map(cellsOf);
  const across = rows.findIndex((r) => r.filter((c) => tempOf(c, null) !== null).length > 1);
  const times =
    across >= 0
      ? rows.slice(across + 1).flatMap((r) => {
          const temps = rows[across]!.filter((c) => tempOf(c, null) !== null).map((c) => tempOf(c, null));
          // A row that begins with its words has its times behind them.
          const own = r.length > temps.length ? r.slice(r.length - temps.length) : r;
          const words = r.slice(0, r.length - own.length).join(' ');
          return [
            timesOf(
              words,
              own.map((cell, i) => ({ temp: temps[i] ?? null, cell })),
            ),
          ];
        })
      : downwards(rows);
  const found = times.filter((t) => t.cells.length > 0);
  if (!found.length)
    return refuse(
      field,
      text.slice(0, 80),
      'temperatures with times beside them',
      REFUSED['no-temperatures-times']({ row: '10 °C, 40 min, 12 h' }),
    );
  return found;
}

function downwards(rows: readonly (readonly string[])[]): readonly PastedTime[] {
  const degree = rows.map((r) => degreeIn(r.join(' '))).find((d) => d !== null) ?? null;
  const isData = (r: readonly string[]) => r.length > 1 && tempOf(r[0]!, degree) !== null;
  const first = rows.findIndex(isData);
  if (first < 0) return [];
  const width = Math.max(...rows.filter(isData).map((r) => r.length));
  // The nearest line above that has as many words as there are columns, with or without one over the temperatures.
  const head = rows
    .slice(0, first)
    .reverse()
    .find((r) => r.length >= width - 1 && r.length > 0);
  const shift = head && head.length < width ? 1 : 0;
  return Array.from({ length: width - 1 }, (_, i) =>
    timesOf(
      head?.[i + 1 - shift] ?? '',
      rows.slice(first).map((r) => ({ temp: isData(r) ? tempOf(r[0]!, degree) : null, cell: r[i + 1] })),
    ),
  );
}

/** The lines that `parseTable` reads, with the unit of bare numbers. */
export const linesOf = (time: PastedTime, unit: ClockUnit | null = time.unit): string =>
  time.cells
    .map(({ temp, time: cell }) => `${temp}: ${/[a-z]/i.test(cell) || unit === null ? cell : `${cell} ${unit}`}`)
    .join('\n');

/** Whether its bare numbers have no unit yet. */
export const wantsUnit = (time: PastedTime): boolean =>
  time.unit === null && time.cells.some((c) => !/[a-z]/i.test(c.time));
