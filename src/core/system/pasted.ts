import { refuse, texts } from '../say';
import { parseQuantity } from '../typed';
import { type SystemKindId, systemKind } from './kinds';
import { type MilestoneId, milestoneKind } from './milestone';
import {
  ANY_TEMPERATURE,
  ANY_TIME,
  BARE,
  cellsOf,
  degreeIn,
  NOTHING,
  NUMBER,
  PERCENT,
  tempOf,
  UNIT_CELL,
  WHOLE_TIME,
} from './pasted-cells';
import { headingsIn, massIn, milestoneMeant, plainHeading, saysWindow, unitIn } from './pasted-words';
import { type ClockUnit, partTimeLine, plainLine, TIME, timeLinesIn } from './time-line';

const REFUSED = texts('refused.system.pasted', {
  'no-temperatures-times':
    'No temperatures with times beside them were found: paste the table with its headings, like “Temp, Pot life, Handling” over “{row}”.',
});

/** One time of a pasted table: what it is called there, what that usually means, and its cells by temperature. */
export interface PastedTime {
  readonly heading: string;
  /** Which end of a window it is, where the table prints both in one cell. */
  readonly end: 'first' | 'last' | null;
  /** The milestone that its words usually mean; null where they tell nothing. */
  readonly guess: MilestoneId | null;
  /** A temperature of null: the sheet names none. */
  readonly cells: readonly { readonly temp: string | null; readonly time: string }[];
  /** Unit of cells that are bare numbers, by the heading; null where neither heading nor cells name one. */
  readonly unit: ClockUnit | null;
  /** The pot it is said of, `100 g`. */
  readonly reference: string | null;
}

/** A range as long as this is no doubt about one hour: it is a first and a last one. */
const WINDOW = 2;

interface Ends {
  readonly temp: string | null;
  readonly first: string;
  readonly last: string;
}

/** The first and the last hour of each cell, where all of them are windows; null where they are not. */
function endsOf(cells: readonly Cell[], told: boolean): readonly Ends[] | null {
  const minutes = (text: string) => {
    const read = parseQuantity('duration', text, 'metric');
    return read.ok ? read.value : Number.NaN;
  };
  const ends = cells.flatMap(({ temp, time }) => {
    const [first, last] = (time && partTimeLine(time)?.times) || [];
    return first && last && (told || minutes(last) >= WINDOW * minutes(first)) ? [{ temp, first, last }] : [];
  });
  return ends.length === cells.length ? ends : null;
}

/** A time whose cells are windows, as its two ends; any other as it is. */
function inEnds(time: PastedTime): readonly PastedTime[] {
  const until = time.guess && milestoneKind(time.guess).until;
  const ends = until && endsOf(time.cells, saysWindow(time.heading));
  if (!ends) return [time];
  return [
    { ...time, end: 'first', cells: ends.map((e) => ({ temp: e.temp, time: e.first })) },
    { ...time, end: 'last', guess: until, cells: ends.map((e) => ({ temp: e.temp, time: e.last })) },
  ];
}

/** A window typed where its first hour is asked for: the lines of either end, and the time the last hour belongs to. */
export interface TypedWindow {
  readonly first: string;
  readonly last: string;
  readonly until: MilestoneId;
}

/**
 * Whether what was typed as one time is a window with two ends: `4 h to 24 h` as what a coat waits for.
 * @returns null where it is one hour with its doubt, or no time that ends
 * @example windowIn('recoat-from', '10 C: 8 h to 24 h')?.last // '10 C: 24 h'
 */
export function windowIn(kind: MilestoneId, text: string): TypedWindow | null {
  const { until } = milestoneKind(kind);
  const lines = until ? timeLinesIn(text).map((line) => partTimeLine(line)) : [];
  const cells = lines.map((line) => ({ temp: line?.temps.join(' to ') || null, time: line?.times.join(' to ') }));
  const ends = cells.length ? endsOf(cells, false) : null;
  if (!until || !ends) return null;
  const told = (of: 'first' | 'last') => ends.map((e) => (e.temp ? `${e.temp}: ${e[of]}` : e[of])).join('\n');
  return { first: told('first'), last: told('last'), until };
}

interface Cell {
  readonly temp: string | null;
  readonly time: string | undefined;
}

function timesOf(heading: string, rows: readonly Cell[], unitBelow: ClockUnit | null = null): readonly PastedTime[] {
  const cells = rows.flatMap(({ temp, time }) =>
    time === undefined || NOTHING.test(time.trim()) ? [] : [{ temp, time: time.trim() }],
  );
  if (!cells.length) return [];
  const bare = cells.some((c) => !/[a-z]/i.test(c.time));
  return inEnds({
    heading: plainHeading(heading),
    end: null,
    guess: milestoneMeant(heading),
    cells,
    unit: bare ? (unitBelow ?? unitIn(heading)) : null,
    reference: massIn(heading),
  });
}

/** Times by dose, as one time whose lines name it. */
const byDose = (heading: string, columns: readonly { readonly dose: string; readonly rows: readonly Cell[] }[]) =>
  timesOf(
    heading,
    columns.flatMap(({ dose, rows }) => rows.map((r) => ({ ...r, temp: r.temp && `${dose}, ${r.temp}` }))),
  );

/** Temperatures along the top, a time in every row below. */
function across(rows: readonly (readonly string[])[], lines: readonly string[]): readonly PastedTime[] | null {
  const topOf = (r: readonly string[]): { temps: readonly string[]; words: string } | null => {
    const temps = r.flatMap((c) => tempOf(c, null) ?? []);
    const others = r.filter((c) => tempOf(c, null) === null);
    if (temps.length > 1 && others.length < 2) return { temps, words: others.join(' ') };
    // Temperature (°C) 5 10 20: the degree is in the words.
    const [, words = '', numbers = ''] =
      /^(\D*?)((?:\s*[-+]?\d+(?:[.,]\d+)?)(?:\s+[-+]?\d+(?:[.,]\d+)?)+)$/.exec(r.join(' ')) ?? [];
    const degree = degreeIn(words);
    return degree && numbers
      ? {
          temps: numbers
            .trim()
            .split(/\s+/)
            .map((n) => `${n.replace('+', '')} ${degree}`),
          words,
        }
      : null;
  };
  const at = rows.findIndex((r) => topOf(r) !== null);
  if (at < 0) return null;
  const { temps, words } = topOf(rows[at]!)!;
  const under = rows.slice(at + 1).map((r, i) => inColumns(r, lines[at + 1 + i]!, temps.length));
  const doses = under.flatMap((r) => {
    const dose = r && PERCENT.exec(r.words)?.[0];
    return dose ? [{ dose, rows: r.cells.map((time, i) => ({ temp: temps[i]!, time })) }] : [];
  });
  if (doses.length > 1) return byDose(lines[at - 1] ?? words, doses);
  return under.flatMap((r) =>
    r
      ? timesOf(
          r.words,
          r.cells.map((time, i) => ({ temp: temps[i]!, time })),
        )
      : [],
  );
}

/** The words and the last cells of a row, as many as there are columns; null where it has not that many. */
function inColumns(
  row: readonly string[],
  line: string,
  count: number,
): { readonly words: string; readonly cells: readonly string[] } | null {
  const cut = (cells: readonly string[]) => ({
    words: cells.slice(0, cells.length - count).join(' '),
    cells: cells.slice(-count),
  });
  if (row.length > count) return cut(row);
  // `1 h 30 min 15 min` are three cells where there are three columns.
  const finer = row.flatMap((c) => c.match(/\d+\s*h\w*(?=\s+\d+\s*min)|(?<=h\w*\s+)\d+\s*min\w*/gi) ?? [c]);
  if (finer.length > count) return cut(finer);
  if (row.length === count) return { words: '', cells: row };
  const bare = new RegExp(`^(.*?)((?:\\s+(?:${NUMBER}(?:\\s?-\\s?\\d+)?|-)){${count}})$`).exec(plainLine(line));
  return bare
    ? {
        words: bare[1]!,
        cells: bare[2]!
          .replace(/(\d)\s?-\s?(?=\d)/g, '$1-')
          .trim()
          .split(/\s+/),
      }
    : null;
}

/** Temperatures down the side, a heading over each time. */
function downwards(rows: readonly (readonly string[])[], lines: readonly string[]): readonly PastedTime[] {
  const degree = rows.map((r) => degreeIn(r.join(' '))).find((d) => d !== null) ?? null;
  const isTime = (c: string) => WHOLE_TIME.test(c) || BARE.test(c) || NOTHING.test(c);
  const isData = (r: readonly string[]) => r.length > 1 && tempOf(r[0]!, degree) !== null && r.slice(1).some(isTime);
  const first = rows.findIndex(isData);
  if (first < 0) return [];
  const width = Math.max(...rows.filter(isData).map((r) => r.length));
  const data = rows.slice(first).map((r) => ({ temp: isData(r) ? tempOf(r[0]!, degree) : null, cells: r }));
  const columns = Array.from({ length: width - 1 }, (_, i) =>
    data.flatMap(({ temp, cells }) => (temp === null ? [] : [{ temp, time: cells[i + 1] }])),
  );
  const above = rows.slice(0, first).map((cells, i) => ({ cells, line: lines[i]! }));
  const units = above.at(-1)?.cells.every((c) => UNIT_CELL.test(c)) ? above.pop()!.cells : [];
  const shares = above.map(({ cells }) => cells.filter((c) => PERCENT.test(c)));
  const at = shares.findLastIndex((s) => s.length === width - 1 && s.length > 1);
  if (at >= 0)
    return byDose(
      `${above[at - 1]?.line ?? ''} ${above[at]!.cells.filter((c) => !PERCENT.test(c)).join(' ')}`,
      columns.map((column, i) => ({ dose: PERCENT.exec(shares[at]![i]!)![0], rows: column })),
    );
  const heads = headsOf(above, width);
  return columns.flatMap((column, i) =>
    timesOf(heads[i] ?? '', column, unitIn(`(${(units.at(i + 1 - width) ?? '').replace(/[()[\]]/g, '')})`)),
  );
}

/** The heading of each column but the first, from the nearest line above that has that many. */
function headsOf(
  above: readonly { readonly cells: readonly string[]; readonly line: string }[],
  width: number,
): readonly string[] {
  for (const { cells, line } of [...above].reverse()) {
    if (cells.length >= width - 1 && cells.length > 1) return cells.slice(cells.length < width ? 0 : 1);
    const slashed = line.split(/\s*[,•]\s*|\s+\/\s+/).filter(Boolean);
    if (slashed.length >= width - 1 && slashed.length > 1) return slashed.slice(slashed.length < width ? 0 : 1);
    const cut = headingsIn(line, width - 1);
    if (cut) return cut;
    if (width === 2 && milestoneMeant(line)) return [line];
  }
  return [];
}

/** Words before the first and before the last hour of a window that one line tells. */
const FIRST_AND_LAST = /\b(?:min|earliest|frühest|from|ab)\w*\b.*\b(?:max|latest|spätest|until|bis)\w*\b/i;
const STROKED = new RegExp(`(${NUMBER})((?:\\s*/\\s*${NUMBER})+)\\s*°\\s*([CF])`, 'gi');
/** `10 / 20 / 30 °C` with the degree at each. */
const withDegrees = (line: string): string =>
  line.replace(STROKED, (all, _first, _rest, unit: string) =>
    all
      .replace(/\s*°.*$/, '')
      .split('/')
      .map((n) => `${n.trim()} °${unit}`)
      .join(' / '),
  );

/** A line that tells several times, each with its words, as lines of their own; the temperature behind is that of all. */
function sayings(line: string): readonly string[] {
  const pieces = line.split(/,\s+|\s+(?:and|und)\s+/);
  const each = pieces.length > 1 && pieces.every((p) => /^\p{L}/u.test(p) && p.match(ANY_TIME)?.length === 1);
  // Min. 4 h, max. 24 h are the ends of one time.
  if (!each || pieces.slice(1).some((p) => milestoneMeant(p) === null)) return [line];
  const temp = line.match(ANY_TEMPERATURE);
  return temp?.length === 1 ? pieces.map((p) => (p.includes(temp[0]) ? p : `${p} at ${temp[0]}`)) : pieces;
}

/** One time a line, its temperature beside it or said once for all: `Pot life at 20 °C: 30 min`. */
function listed(lines: readonly string[]): readonly PastedTime[] {
  const told = lines
    .flatMap((line) => line.split(/;\s+|\.\s+(?=\p{Lu})/u))
    .flatMap((line) => sayings(withDegrees(plainLine(line))));
  const all = new Set(told.flatMap((line) => [...line.matchAll(ANY_TEMPERATURE)].map((m) => m[0].trim())));
  const common = all.size === 1 ? tempOf([...all][0]!, null) : null;
  const found: { heading: string; reference: string | null; cells: Cell[] }[] = [];
  for (const line of told) {
    const temps = [...line.matchAll(ANY_TEMPERATURE)];
    const rest = line.replace(ANY_TEMPERATURE, (m) => ' '.repeat(m.length));
    const stroked = /\d+(?:\s*\/\s*\d+){2,}(?=\s*[a-z])/i.exec(rest);
    const unit = stroked && /^\s*[a-z]+/i.exec(rest.slice(stroked.index + stroked[0].length))?.[0]?.trim();
    const times = stroked
      ? stroked[0].split('/').map((n) => `${n.trim()} ${unit}`)
      : [...rest.matchAll(ANY_TIME)].map((m) => m[0].trim());
    const begins = Math.min(stroked?.index ?? Number.POSITIVE_INFINITY, rest.search(new RegExp(TIME, 'i')));
    if (times.length === 2 && temps.length < 2 && FIRST_AND_LAST.test(line)) times.splice(0, 2, times.join(' to '));
    if (!times.length || (temps.length > 1 && temps.length !== times.length) || (temps.length < 2 && times.length > 1))
      continue;
    const words = line.slice(0, Math.min(begins, temps[0]?.index ?? begins)).trim();
    const heading = plainHeading(
      words.replace(/(?:[\s(/,]|\b(?:at|bei|for|after|nach|min|earliest|frühestens)\b\.?)+$/gi, ''),
    );
    const cells = times.map((time, i) => ({ temp: temps[i] ? tempOf(temps[i]![0].trim(), null) : common, time }));
    const known = found.find((f) => f.heading === heading && f.cells.every((c) => c.temp !== null));
    if (known && cells.every((c) => c.temp !== null)) known.cells.push(...cells);
    else if (heading) found.push({ heading, reference: massIn(line), cells: [...cells] });
  }
  return found.flatMap((f) =>
    timesOf(f.heading, f.cells).map((t) => ({ ...t, reference: t.reference ?? f.reference })),
  );
}

/** What sheets of one kind call by the word of another: the curing of an anchor ends in its load. */
const CALLED: Partial<Readonly<Record<MilestoneId, MilestoneId>>> = { 'full-cure': 'load', gel: 'use-by' };

/** What a time of a table means on a sheet of some kind, beside the others of the table. */
function meantFor(
  kind: SystemKindId | null,
  guess: MilestoneId | null,
  all: readonly PastedTime[],
): MilestoneId | null {
  const called = guess && CALLED[guess];
  if (!kind || !called) return guess;
  const { times } = systemKind(kind);
  const theirs = !times.includes(guess) && times.includes(called) && all.every((t) => t.guess !== called);
  return theirs ? called : guess;
}

/** No row of a table is longer; what is, is prose with nothing for us in it. */
const LONGEST_LINE = 500;

/**
 * Reads a whole table of times as it comes out of a sheet: temperatures down the side or along the top, or a line for
 * each time; cells parted by tabs, dividers or gaps, or not at all; times by dose; a window in one cell as its two ends.
 * @param kind of the sheet: what its trade calls a time, where that is known
 * @returns one entry a time, in the order of the table, those without any cell left out
 * @throws Refusal when no temperatures, or no times beside them, are found
 * @example readPasted('Temp  Pot life  Handling\n10 °C  40 min  12 h\n20 °C  20 min  6 h')
 */
export function readPasted(text: string, field: string, kind: SystemKindId | null = null): readonly PastedTime[] {
  const lines = text.split(/\r?\n/).filter((l) => l.trim() && l.length <= LONGEST_LINE);
  const rows = lines.map(cellsOf);
  const found = [across(rows, lines) ?? [], downwards(rows, lines), listed(lines)].find((times) => times.length > 0);
  return found
    ? found.map((time) => ({ ...time, guess: meantFor(kind, time.guess, found) }))
    : refuse(
        field,
        text.slice(0, 80),
        'temperatures with times beside them',
        REFUSED['no-temperatures-times']({ row: '10 °C, 40 min, 12 h' }),
      );
}

/** The lines that `parseTable` reads, with the unit of bare numbers. */
export const linesOf = (time: PastedTime, unit: ClockUnit | null = time.unit): string =>
  time.cells
    .map(({ temp, time: cell }) => {
      const told = /[a-z]/i.test(cell) || unit === null ? cell : `${cell} ${unit}`;
      return temp === null ? told : `${temp}: ${told}`;
    })
    .join('\n');

/** Whether its bare numbers have no unit yet. */
export const wantsUnit = (time: PastedTime): boolean =>
  time.unit === null && time.cells.some((c) => !/[a-z]/i.test(c.time));
