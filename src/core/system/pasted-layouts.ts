import {
  BARE,
  degreeIn,
  NOTHING,
  NUMBER,
  ofTemperatures,
  PERCENT,
  tempOf,
  UNIT_CELL,
  WHOLE_TIME,
} from './pasted-cells';
import { dampOf, ofHumidity } from './pasted-damp';
import { type Cell, type PastedTime, timesOf } from './pasted-time';
import { headingsIn, milestoneMeant, unitIn } from './pasted-words';
import { plainLine } from './time-line';

/** What was pasted, line by line, and the degree its reader works in. */
export interface PastedRows {
  readonly lines: readonly string[];
  /** Each line in its cells. */
  readonly rows: readonly (readonly string[])[];
  readonly own: 'C' | 'F';
}

/** Times by dose, as one time whose lines name it. */
const byDose = (heading: string, columns: readonly { readonly dose: string; readonly rows: readonly Cell[] }[]) =>
  timesOf(
    heading,
    columns.flatMap(({ dose, rows }) => rows.map((r) => ({ ...r, temp: r.temp && `${dose}, ${r.temp}` }))),
  );

const DEGREES_IN_WORDS = new RegExp(`^(\\D*?)((?:\\s*${NUMBER})(?:\\s+${NUMBER})+)$`);

/** A row of temperatures and the words before them; null where it is none. */
function temperaturesAlong(
  row: readonly string[],
  own: 'C' | 'F',
): { readonly temps: readonly string[]; readonly words: string } | null {
  const temps = row.flatMap((c) => tempOf(c, null) ?? []);
  const others = row.filter((c) => tempOf(c, null) === null);
  if (REFUSES.test(others.join(' '))) return null;
  if (temps.length > 1 && others.length < 2) return { temps, words: others.join(' ') };
  // Temperature (°C) 5 10 20: the degree is in the words.
  const [, words = '', numbers = ''] = DEGREES_IN_WORDS.exec(row.join(' ')) ?? [];
  const degree = degreeIn(words, own);
  if (!degree || !numbers) return null;
  const plain = numbers.trim().split(/\s+/);
  return { temps: plain.map((n) => `${n.replace('+', '')} ${degree}`), words };
}

const isTime = (c: string): boolean => WHOLE_TIME.test(c) || BARE.test(c) || NOTHING.test(c);
/** `Do not apply below 5 °C or above 30 °C` heads no table. */
const REFUSES = /\b(?:not|never|nicht|kein\w*)\b/i;

/** Temperatures along the top, a time in every row below; null where no row is of temperatures. */
export function across({ rows, lines, own }: PastedRows): readonly PastedTime[] | null {
  const at = rows.findIndex((r) => temperaturesAlong(r, own) !== null);
  if (at < 0) return null;
  const { temps, words } = temperaturesAlong(rows[at]!, own)!;
  const below = rows.slice(at + 1).flatMap((r, i) => inColumns(r, lines[at + 1 + i]!, temps.length) ?? []);
  // A row of humidities is no time: it says of the others in what air they hold.
  const damps = below.find((r) => ofHumidity(r.words))?.cells.map(dampOf);
  const under = below.filter((r) => r.cells.every(isTime) && !ofHumidity(r.words));
  const doses = under.flatMap((r) => {
    const dose = PERCENT.exec(r.words)?.[0];
    return dose ? [{ dose, rows: r.cells.map((time, i) => ({ temp: temps[i]!, time })) }] : [];
  });
  if (doses.length > 1) return byDose(lines[at - 1] ?? words, doses);
  return under.flatMap((r) =>
    timesOf(
      r.words,
      r.cells.map((time, i) => ({ temp: temps[i]!, time, damp: damps?.[i] })),
    ),
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

/** A row without the word that stands before every temperature of a table: `Base 5 to 9 °C: 15 min / 2 h`. */
function withoutLabel(row: readonly string[], all: readonly (readonly string[])[]): readonly string[] {
  const isLabelled = (r: readonly string[]) => r.length > 3 && r[0] === row[0] && tempOf(r[1]!, null) !== null;
  const words = row[0] ?? '';
  const is =
    isLabelled(row) && !/\d/.test(words) && milestoneMeant(words) === null && all.filter(isLabelled).length > 1;
  return is ? row.slice(1) : row;
}

/** Temperatures down the side, a heading over each time. */
export function downwards({ rows: printed, lines, own }: PastedRows): readonly PastedTime[] {
  const rows = printed.map((row) => withoutLabel(row, printed));
  const degree = rows.map((r) => degreeIn(r.join(' '), own)).find((d) => d !== null) ?? null;
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
  // So is a column of them.
  const damps = columns[heads.findIndex(ofHumidity)]?.map(({ time }) => dampOf(time));
  const inAir = (column: readonly Cell[]) => column.map((cell, i) => ({ ...cell, damp: damps?.[i] }));
  return columns.flatMap((column, i) =>
    ofTemperatures(heads[i] ?? '') || ofHumidity(heads[i] ?? '')
      ? []
      : timesOf(heads[i] ?? '', inAir(column), unitIn(`(${(units.at(i + 1 - width) ?? '').replace(/[()[\]]/g, '')})`)),
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
