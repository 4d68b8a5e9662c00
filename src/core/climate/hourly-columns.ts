import { DateTime, FixedOffsetZone, type IANAZone } from 'luxon';

/** What a column of a file of weather, or of a logger, may hold. */
type ColumnId = 'date' | 'time' | 'temp' | 'dew' | 'humidity';

/**
 * What the words over a column mean, in the languages that Grenko speaks. The first row whose words are there is what
 * it is: of a file with many columns those that are no air come first. Null: it is left out.
 */
const COLUMNS: readonly (readonly [id: ColumnId | null, words: RegExp])[] = [
  ['dew', /dew|taupunkt/i],
  [
    null,
    /wind|gust|rain|precip|cloud|snow|soil|ground|batter|pressure|radiation|apparent|feels|wet ?bulb|regen|wolken|boden|druck|gefühlt|serial/i,
  ],
  ['humidity', /humid|r\.?h\b|feuchte|\br\.?f\b|%/i],
  ['temp', /temp|°|deg|\bt\b|\bair\b|luft/i],
  ['time', /time|hour|when|stamp|uhrzeit|zeit|stunde|^dt$/i],
  ['date', /date|datum|^day$|^tag$/i],
];

/** Where the columns of a file stand, and in which row they are named. */
export interface HourlyColumns {
  /** Row that names them; −1 where none does, and they are time, temperature, humidity by their looks. */
  readonly head: number;
  /** A day in a column of its own; −1 where it stands with its hour. */
  readonly date: number;
  readonly time: number;
  readonly temp: number;
  readonly dew: number;
  readonly humidity: number;
}

const meantBy = (cell: string): ColumnId | null => COLUMNS.find(([, words]) => words.test(cell))?.[0] ?? null;
/** Rows above the names: what a logger tells of itself. */
const MOST_ABOVE = 40;

/**
 * Finds the columns of a file: under the first row that names a time and a temperature, whatever stands above it; or of
 * rows that begin with a date and hour, as time, temperature and humidity.
 * @returns null where neither is there
 */
export function hourlyColumns(rows: readonly (readonly string[])[]): HourlyColumns | null {
  for (const [head, cells] of rows.slice(0, MOST_ABOVE).entries()) {
    const ids = cells.map(meantBy);
    const at = (id: ColumnId) => ids.indexOf(id);
    const [time, date] = [at('time'), at('date')];
    if ((time < 0 && date < 0) || at('temp') < 0) continue;
    // A date beside a time of day is one half of it; alone it is the whole.
    const halves = date >= 0 && time >= 0 && !/date|datum|stamp/i.test(cells[time]!);
    return {
      head,
      date: halves ? date : -1,
      time: time >= 0 ? time : date,
      temp: at('temp'),
      dew: at('dew'),
      humidity: at('humidity'),
    };
  }
  const [first] = rows;
  const bare =
    first && first.length >= 2 && first.length <= 3 && instantReader(FixedOffsetZone.utcInstance, 'dmy')(first[0]!);
  return bare ? { head: -1, date: -1, time: 0, temp: 1, dew: -1, humidity: first.length > 2 ? 2 : -1 } : null;
}

/** The zone that the words over the times name, `Date Time, GMT+02:00`; null where they name none. */
export function zoneInHead(words: string): FixedOffsetZone | null {
  const named = /\b(?:GMT|UTC)\s*(?:([+-])\s*(\d{1,2})(?::?(\d{2}))?)?/i.exec(words);
  if (!named) return null;
  const minutes = Number(named[2] ?? 0) * 60 + Number(named[3] ?? 0);
  return FixedOffsetZone.instance(named[1] === '-' ? -minutes : minutes);
}

const DATES = {
  dmy: ['d.M.yyyy', 'd.M.yy', 'd/M/yyyy', 'd/M/yy', 'd-M-yyyy', 'd LLL yyyy', 'yyyy/M/d', 'yyyy-M-d'],
  mdy: ['M/d/yyyy', 'M/d/yy', 'M-d-yyyy', 'LLL d yyyy', 'yyyy/M/d', 'yyyy-M-d'],
} as const;
const CLOCKS = ['H:mm', 'H:mm:ss', 'h:mm a', 'h:mm:ss a', 'H.mm'] as const;
export type DayOrder = keyof typeof DATES;
/** Seconds or milliseconds since 1970, of this century. */
const EPOCH = /^1\d{9}(?:\d{3})?$/;

/** Whether a cell names its own zone, or needs none. */
export const hasZone = (cell: string): boolean =>
  EPOCH.test(cell.trim()) || /\d{1,2}:\d{2}(?::\d{2}(?:\.\d+)?)?\s*(?:z|utc|gmt|[+-]\d{2}:?\d{2})$/i.test(cell.trim());

/** The day and month of a cell that may be either way round; null where they cannot. */
export const eitherWay = (cell: string): readonly [number, number] | null => {
  const found = /^(\d{1,2})\/(\d{1,2})\/(?:\d{4}|\d{2})\b/.exec(cell.trim());
  return found ? [Number(found[1]), Number(found[2])] : null;
};

/**
 * A reader of the cells of one file: the instant of a cell, ms; null where it is none.
 * @param zone of the times, where a cell does not name its own
 * @param order of day and month where both are numbers
 */
export function instantReader(zone: IANAZone | FixedOffsetZone, order: DayOrder): (cell: string) => number | null {
  // The times of a file are written alike: what read the last of them is tried first.
  let patterns: readonly string[] = DATES[order].flatMap((d) => CLOCKS.map((c) => `${d} ${c}`));
  return (cell) => {
    const text = cell
      .trim()
      .replace(/\s+/g, ' ')
      .replace(/,(?= )/g, '');
    if (EPOCH.test(text)) return text.length > 10 ? Number(text) : Number(text) * 1000;
    const named = /^(.*\d)\s*(?:utc|gmt)$/i.exec(text);
    const inIso = (named ? `${named[1]}Z` : text).replace(' ', 'T').replace(/\s(?=[+-]\d{2}:?\d{2}$)/, '');
    const iso = DateTime.fromISO(inIso, { zone, setZone: true });
    if (iso.isValid && /:/.test(text)) return iso.toMillis();
    for (const pattern of patterns) {
      const at = DateTime.fromFormat(text, pattern, { zone, locale: 'en' });
      if (!at.isValid) continue;
      patterns = [pattern, ...patterns.filter((p) => p !== pattern)];
      return at.toMillis();
    }
    return null;
  };
}
