import { parseQuantity } from '../typed';
import { MilestoneId, milestoneKind } from './milestone';
import { NOTHING } from './pasted-cells';
import { massIn, milestoneMeant, plainHeading, saysWindow, unitIn } from './pasted-words';
import { type ClockUnit, partTimeLine, timeLinesIn } from './time-line';

/** One time of a pasted table: what it is called there, what that usually means, and its cells by temperature. */
export interface PastedTime {
  readonly heading: string;
  /** Which end of a window it is, where the table prints both in one cell. */
  readonly end: 'first' | 'last' | null;
  /** The milestone that its words usually mean; null where they tell nothing. */
  readonly guess: MilestoneId | null;
  /** A temperature of null: the sheet names none. */
  readonly cells: readonly {
    readonly temp: string | null;
    readonly time: string;
    /** Per cent of humidity of the air it is said for. */
    readonly damp?: string | undefined;
  }[];
  /** Unit of cells that are bare numbers, by the heading; null where neither heading nor cells name one. */
  readonly unit: ClockUnit | null;
  /** The pot it is said of, `100 g`. */
  readonly reference: string | null;
}

/** A cell with its temperature: null where the sheet names none; no time where the row is shorter. */
export interface Cell {
  readonly temp: string | null;
  readonly time: string | undefined;
  readonly damp?: string | undefined;
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
function inEnds(time: PastedTime, isWindow: boolean): readonly PastedTime[] {
  // Recoat within 6 to 24 h: between the two, where they lie far apart.
  const opens = MilestoneId.options.filter((kind) => time.guess && milestoneKind(kind).until === time.guess).at(-1);
  const within = opens && !isWindow ? endsOf(time.cells, false) : null;
  if (opens && within) return asWindow({ ...time, guess: opens }, within, time.guess);
  const until = time.guess && milestoneKind(time.guess).until;
  const ends = until && endsOf(time.cells, isWindow || saysWindow(time.heading));
  return ends ? asWindow(time, ends, until) : [time];
}
const asWindow = (time: PastedTime, ends: readonly Ends[], until: PastedTime['guess']): readonly PastedTime[] => [
  { ...time, end: 'first', cells: ends.map((e) => ({ temp: e.temp, time: e.first })) },
  { ...time, end: 'last', guess: until, cells: ends.map((e) => ({ temp: e.temp, time: e.last })) },
];

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

const NARROW_BAND = /^(-?\d+(?:[.,]\d+)?) to (-?\d+(?:[.,]\d+)?) ([CF])$/;
/** No sheet answers for a band as narrow as this alone: it tells how warm the room was. */
const ROOM_K = 5;

/**
 * `30 min at 18 to 20 °C`, and nothing else: a figure for one temperature. Of the two it is the one that leaves more
 * to wait, or less to work, at any other.
 */
function ofARoom(temp: string | null, guess: MilestoneId | null): string | null {
  const [, from, to, unit] = NARROW_BAND.exec(temp ?? '') ?? [];
  if (!from || !to) return temp;
  const widthK = (Number(to.replace(',', '.')) - Number(from.replace(',', '.'))) / (unit === 'F' ? 1.8 : 1);
  if (!(widthK > 0 && widthK <= ROOM_K)) return temp;
  return `${guess && milestoneKind(guess).clock === 'working' ? from : to} ${unit}`;
}

/**
 * A column, a row or a line of a sheet as the time it is: none where it has no cell, two where its cells are windows.
 * @param unitBelow the unit of its bare numbers, where a row of units tells it
 * @param isWindow its words say that two times are a first and a last hour, however near they lie
 */
export function timesOf(
  heading: string,
  rows: readonly Cell[],
  unitBelow: ClockUnit | null = null,
  isWindow = false,
): readonly PastedTime[] {
  const cells = rows.flatMap(({ temp, time, damp }) =>
    time === undefined || NOTHING.test(time.trim())
      ? []
      : [{ temp, time: time.trim(), ...(damp === undefined ? {} : { damp }) }],
  );
  if (!cells.length) return [];
  const bare = cells.some((c) => !/[a-z]/i.test(c.time));
  const guess = milestoneMeant(heading);
  const [only] = cells;
  return inEnds(
    {
      heading: plainHeading(heading),
      end: null,
      guess,
      cells: cells.length === 1 ? [{ ...only!, temp: ofARoom(only!.temp, guess) }] : cells,
      unit: bare ? (unitBelow ?? unitIn(heading)) : null,
      reference: massIn(heading),
    },
    isWindow,
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

/** Minutes of a cell: its longer end where one waits, its shorter where one works. */
export function minutesOf(cell: string, clock: 'working' | 'waiting'): number {
  const ends = (partTimeLine(cell)?.times ?? []).map((text) => {
    const read = parseQuantity('duration', text, 'metric');
    return read.ok ? read.value : Number.NaN;
  });
  return clock === 'waiting' ? Math.max(...ends) : Math.min(...ends);
}

/**
 * Of two times that a sheet prints for one milestone the one that is safe: the longer wait, the shorter working time.
 * @returns null where neither is so at every temperature, or they share none
 */
export function saferOf(
  one: PastedTime,
  other: PastedTime,
  clock: 'working' | 'waiting',
  unit: (time: PastedTime) => ClockUnit | null = (time) => time.unit,
): PastedTime | null {
  const told = (time: PastedTime, cell: string) =>
    minutesOf(/[a-z]/i.test(cell) ? cell : `${cell} ${unit(time) ?? ''}`, clock);
  const apart = one.cells.flatMap((c) => {
    const same = other.cells.find((o) => o.temp === c.temp);
    return same ? [told(one, c.time) - told(other, same.time)] : [];
  });
  const longer = apart.every((d) => d >= 0) ? one : apart.every((d) => d <= 0) ? other : null;
  if (!apart.length || !longer) return null;
  return clock === 'waiting' ? longer : longer === one ? other : one;
}
