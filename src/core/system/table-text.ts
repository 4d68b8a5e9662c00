import Papa from 'papaparse';
import { refuse, texts } from '../say';
import { fieldText, parseQuantity, readNumber } from '../typed';
import type { UnitSystem } from '../units';
import { OPEN_UP_C, type PlainTable, type TimeTable } from './milestone';
import { partTimeLine, timeLinesIn } from './time-line';

const REFUSED = texts('refused.system.table-text', {
  'must-time-like': '“{text}” must be a time like 90 min or a range like 4 h to 5 h.',
  'time-must-more': 'A time must be more than 0.',
  'range-ends-swapped': 'The range “{text}” has its ends swapped.',
  'must-number-per': '“{text}” must be a number of per cent.',
  'no-figure': '“{text}” is no figure. Type the hours that are meant at least, like 16 h.',
  'stroke-or-range': '{from}/{to} d may be a part of a day or {from} to {to} days: type {from} to {to} d, or hours.',
  'no-lower-end': 'Up to {to} has no colder end: type the coldest it is said of, like 0 to {to}.',
  'humidities-temperatures-bands': 'With humidities the temperatures are bands, like 10 to 15 C, up to 70 %: 8 h.',
  'line-must-like': 'Line {n}, “{row}”, must be like 10 C: 4 h to 5 h.',
  'some-lines-bands': 'Some lines are bands (5 to 10 C) and some single temperatures: use one form.',
  'type-least-line': 'Type at least one line, like 10 C: 4 h to 5 h.',
  'some-lines-name': 'Some lines name a dose and some do not: name it in every line.',
  'some-lines-name-2': 'Some lines name a humidity and some do not: name it in every line.',
  'times-keyed-dose': 'Times keyed by dose need at least two doses; for one dose leave it out of the lines.',
  'paste-columns-temperature':
    'Paste the columns temperature, time (and longest time), or with a header that names them.',
  'header-names-no': 'The header “{head}” names no temperature or no time.',
});

/** Words that people say for a wait without a figure. */
const NO_FIGURE = /^(?:over ?night|next (?:day|morning)|(?:a )?few (?:hours|days)|über nacht|(?:am )?nächsten tag)$/i;

/** `1/2 h`, `1 1/2 h`, `3/4 d`. */
const A_SHARE = /^(?:\d+\s+)?(?:1\/2|1\/3|2\/3|1\/4|3\/4)\s*[a-z]/i;

/** Minutes of a time or of the two ends of a range. @throws Refusal */
function minutesOf(times: readonly string[], text: string, field: string): { fromMin: number; toMin: number } {
  if (times.length > 2) return refuse(field, text, 'a time or a range', REFUSED['must-time-like']({ text }));
  const read = times.map((time) => {
    if (NO_FIGURE.test(time)) return refuse(field, time, 'hours', REFUSED['no-figure']({ text: time }));
    // Two thirds of a day, or two to three of them?
    const stroke = /^(\d+)\/(\d+)\s*d(?:ays?)?$/i.exec(time);
    if (stroke && Number(stroke[1]) < Number(stroke[2]))
      return refuse(field, time, 'a range', REFUSED['stroke-or-range']({ from: stroke[1]!, to: stroke[2]! }));
    // Ten by five minutes are no two of them: only a share of an hour is written so.
    if (/\d\s*\/\s*\d/.test(time) && !A_SHARE.test(time))
      return refuse(field, text, 'a time or a range', REFUSED['must-time-like']({ text: time }));
    const parsed = parseQuantity('duration', time, 'metric');
    if (!parsed.ok) return refuse(field, time, 'a time', parsed.sentence);
    if (!(parsed.value > 0)) return refuse(field, time, 'more than 0', REFUSED['time-must-more']());
    return parsed.value;
  });
  const [fromMin, toMin = fromMin] = read as [number, number?];
  if (fromMin > toMin) refuse(field, text, 'shorter end first', REFUSED['range-ends-swapped']({ text }));
  return { fromMin, toMin };
}

function degrees(text: string, field: string, system: UnitSystem): number {
  // No temperature is a fraction: two of them stand there.
  if (/\//.test(text))
    return refuse(field, text, 'one temperature', REFUSED['line-must-like']({ n: 1, row: shortened(text) }));
  const parsed = parseQuantity('temperature', text, system);
  return parsed.ok ? parsed.value : refuse(field, text, 'a temperature', parsed.sentence);
}

/** One line of a table as read. */
interface Row {
  readonly dosePct: number | null;
  readonly temps: readonly number[];
  /** Said of all that is warmer, too. */
  readonly openUp: boolean;
  readonly humidityToPct: number | null;
  readonly fromMin: number;
  readonly toMin: number;
}

const share = (text: string, field: string): number => {
  const read = readNumber(text);
  return 'value' in read ? read.value : refuse(field, text, 'per cent', REFUSED['must-number-per']({ text }));
};

const shortened = (row: string): string => (row.length > 60 ? `${row.slice(0, 60)}…` : row);

function readRow(row: string, i: number, field: string, system: UnitSystem): Row {
  const line = partTimeLine(row);
  if (!line?.temps.length)
    return refuse(field, row, 'temperature: time', REFUSED['line-must-like']({ n: i + 1, row: shortened(row) }));
  const temps = line.temps.map((t) => degrees(t, field, system));
  // Warmer than it, a wait is no longer; colder than it nobody knows how long it is.
  if (line.open === 'below')
    refuse(field, row, 'a band with two ends', REFUSED['no-lower-end']({ to: line.temps[0]! }));
  return {
    dosePct: line.dose === null ? null : share(line.dose, field),
    temps,
    openUp: line.open === 'above',
    humidityToPct: line.humidity === null ? null : share(line.humidity, field),
    ...minutesOf(line.times, line.times.join(' to '), field),
  };
}

const withItsEnd = (r: Row): Row => (r.openUp ? { ...r, temps: [r.temps[0]!, OPEN_UP_C] } : r);

/** Rows without dose and humidity as one of the plain forms. */
function plainOf(read: readonly Row[], field: string): PlainTable {
  // “30 C and above” under other single temperatures is the last point of their curve.
  const points = read.every((r) => r.temps.length === 1) && read.some((r) => !r.openUp);
  const rows = points ? read : read.map(withItsEnd);
  const banded = rows.filter((r) => r.temps.length === 2).length;
  if (banded && banded < rows.length) return refuse(field, rows.length, 'one form', REFUSED['some-lines-bands']());
  if (banded)
    return {
      form: 'bands',
      bands: rows.map(({ temps, fromMin, toMin }) => ({ fromC: temps[0]!, toC: temps[1]!, fromMin, toMin })),
    };
  if (rows.length === 1)
    return { form: 'single', tempC: rows[0]!.temps[0]!, fromMin: rows[0]!.fromMin, toMin: rows[0]!.toMin };
  return { form: 'curve', points: rows.map(({ temps, fromMin, toMin }) => ({ tempC: temps[0]!, fromMin, toMin })) };
}

/**
 * Reads a table of times as a sheet prints it, one row a line:
 * `10 C: 4 h to 5 h` (a point of a curve), `5 to 10 C: 90 min` (a band), `above 30 C: 25 min` (a band without an upper
 * end), or one line `45 to 60 min at 23 C` / `24 h` (a single figure).
 * A dose goes before: `2 %, 20 C: 15 min`. A humidity goes behind the temperatures: `10 to 15 C, up to 70 %: 8 h`.
 * @throws Refusal naming the line
 */
export function parseTable(text: string, field: string, system: UnitSystem): TimeTable {
  const rows = timeLinesIn(text);
  if (!rows.length) return refuse(field, text, 'at least one line', REFUSED['type-least-line']());
  const alone = rows.length === 1 ? partTimeLine(rows[0]!) : null;
  if (alone && alone.dose === null && alone.open === null && alone.humidity === null && alone.temps.length < 2)
    return {
      form: 'single',
      tempC: alone.temps.length ? degrees(alone.temps[0]!, field, system) : null,
      ...minutesOf(alone.times, alone.times.join(' to '), field),
    };
  const read = rows.map((row, i) => readRow(row, i, field, system));
  const dosed = read.filter((r) => r.dosePct !== null).length;
  const damp = read.filter((r) => r.humidityToPct !== null).length;
  if ((dosed && dosed < read.length) || (damp && damp < read.length) || (dosed && damp))
    return refuse(
      field,
      text,
      'every line alike',
      dosed ? REFUSED['some-lines-name']() : REFUSED['some-lines-name-2'](),
    );
  if (damp) {
    if (read.some((r) => withItsEnd(r).temps.length !== 2))
      return refuse(field, text, 'bands', REFUSED['humidities-temperatures-bands']());
    return {
      form: 'tiers',
      tiers: read.map(withItsEnd).map((r) => ({
        fromC: r.temps[0]!,
        toC: r.temps[1]!,
        humidityToPct: r.humidityToPct!,
        fromMin: r.fromMin,
        toMin: r.toMin,
      })),
    };
  }
  if (dosed) {
    const doses = [...new Set(read.map((r) => r.dosePct!))].sort((a, b) => a - b);
    if (doses.length < 2) return refuse(field, text, 'two doses', REFUSED['times-keyed-dose']());
    return {
      form: 'by-dose',
      doses: doses.map((dosePct) => ({
        dosePct,
        table: plainOf(
          read.filter((r) => r.dosePct === dosePct),
          field,
        ),
      })),
    };
  }
  return plainOf(read, field);
}

const bandText = (b: { readonly fromC: number; readonly toC: number }): string =>
  b.toC === OPEN_UP_C ? `above ${b.fromC} C` : `${b.fromC} to ${b.toC} C`;

/** A table as the text that {@link parseTable} reads back to the same table. */
export function tableText(table: TimeTable): string {
  const time = (r: { fromMin: number; toMin: number }) => {
    const [a, b] = [fieldText('duration', r.fromMin, 'metric'), fieldText('duration', r.toMin, 'metric')];
    return a === b ? a : `${a} to ${b}`;
  };
  switch (table.form) {
    case 'single':
      return table.tempC === null ? time(table) : `${time(table)} at ${table.tempC} C`;
    case 'bands':
      return table.bands.map((b) => `${bandText(b)}: ${time(b)}`).join('\n');
    case 'curve':
      return table.points.map((p) => `${p.tempC} C: ${time(p)}`).join('\n');
    case 'tiers':
      return table.tiers.map((t) => `${t.fromC} to ${t.toC} C, up to ${t.humidityToPct} %: ${time(t)}`).join('\n');
    case 'by-dose':
      return table.doses
        .flatMap(({ dosePct, table: t }) =>
          (t.form === 'single' ? [`${t.tempC ?? 23} C: ${time(t)}`] : tableText(t).split('\n')).map(
            (row) => `${dosePct} %, ${row}`,
          ),
        )
        .join('\n');
  }
}

/** What a column of a pasted table holds, by the words of its header. */
const COLUMNS: readonly (readonly [id: 'dose' | 'humidity' | 'temp' | 'tempTo' | 'from' | 'to', words: RegExp])[] = [
  ['dose', /dose|catal|hardener/i],
  ['humidity', /humid|r\.?h/i],
  ['tempTo', /(temp|°|deg).*(to|max|until)|^(below|under)$/i],
  ['temp', /temp|°|deg|^[cf]$/i],
  ['to', /(time|min|hour|h).*(to|max|long)|^(to|max|long(est)?)$/i],
  ['from', /time|min|hour|^h$|from|short/i],
];

/**
 * Cells pasted from a spreadsheet as the lines that {@link parseTable} reads: with a header by its words, without one
 * as temperature, time (and longest time). Text without tabs or repeated dividers is given back as it came.
 * @throws Refusal when columns cannot be told apart
 */
export function gridToLines(text: string, field: string): string {
  if (!/\t/.test(text)) return text;
  const cells = Papa.parse<string[]>(text.trim(), { delimiter: '\t', skipEmptyLines: 'greedy' }).data.map((r) =>
    r.map((c) => c.trim()),
  );
  const plain = (c: string) => /^[-+]?[\d.,]+$/.test(c);
  const head = cells[0]!.some((c) => c && !/\d/.test(c)) ? cells[0]! : null;
  const body = head ? cells.slice(1) : cells;
  const width = Math.max(...cells.map((r) => r.length));
  if (!body.length || width < 2 || (!head && width > 3))
    return refuse(field, text, 'temperature, time and longest time', REFUSED['paste-columns-temperature']());
  const ids = head
    ? head.map((h) => COLUMNS.find(([, words]) => words.test(h))?.[0])
    : (['temp', 'from', 'to'] as const).slice(0, width);
  const at = (row: readonly string[], id: (typeof COLUMNS)[number][0]) => {
    const i = ids.indexOf(id);
    return i < 0 || !row[i] ? '' : row[i]!;
  };
  if (!ids.includes('temp') || !ids.includes('from'))
    return refuse(
      field,
      head,
      'columns for temperature and time',
      REFUSED['header-names-no']({ head: head?.join(', ') ?? '' }),
    );
  const unitIn = (id: (typeof COLUMNS)[number][0], units: RegExp, otherwise: string) =>
    units.exec(head?.[ids.indexOf(id)] ?? '')?.[1] ?? otherwise;
  const degree = unitIn('temp', /°?\s*([CF])\b/, 'C');
  const clock = unitIn('from', /\b(min|h|d)/i, 'min').toLowerCase();
  const timed = (c: string) => (plain(c) ? `${c} ${clock}` : c);
  return body
    .map((r) => {
      const [low, high] = [at(r, 'temp'), at(r, 'tempTo')];
      const warm = `${low.replace(/°?\s*[CF]$/i, '')}${high ? ` to ${high.replace(/°?\s*[CF]$/i, '')}` : ''} ${degree}`;
      const damp = at(r, 'humidity');
      const dose = at(r, 'dose');
      const until = at(r, 'to');
      return `${dose ? `${dose.replace('%', '').trim()} %, ` : ''}${warm}${damp ? `, up to ${damp.replace('%', '').trim()} %` : ''}: ${timed(at(r, 'from'))}${until ? ` to ${timed(until)}` : ''}`;
    })
    .join('\n');
}
