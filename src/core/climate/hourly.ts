import { FixedOffsetZone, IANAZone } from 'luxon';
import Papa from 'papaparse';
import { exactly, type Message, percent, refuse, texts } from '../say';
import { readNumber } from '../typed';
import type { HourlyRow } from './air';
import { humidityPct as humidityOf } from './dew';
import { type DayOrder, eitherWay, hasZone, hourlyColumns, instantReader, zoneInHead } from './hourly-columns';

const REFUSED = texts('refused.climate.hourly', {
  'header-names-no':
    'The header “{head}” names no time or no temperature. Name the columns time, temperature, humidity.',
  'row-not-number': 'Row {line}: the {what} “{row}” is not a number.',
  'temperatures-run-name': 'The temperatures run from {coldest} to {hottest} and name no unit.',
  'day-or-month': '“{time}” may begin with the day or with the month.',
  'times-name-no': 'The times name no time zone.',
  'row-no-date': 'Row {line}: “{time}” is no date and time that is understood here; write it like 2026-05-05 06:00.',
  'row-out-of-order':
    'Row {line}: {time} is {twice, select, yes {there twice} other {earlier than the row before it}}.',
  'row-beyond-decimal': 'Row {line}: {temp} °{unit} is beyond {beyond}. Is a decimal point missing?',
  'row-humidity-cannot': 'Row {line}: a humidity of {humidity} cannot be; it lies above 0 and at most at 100 %.',
  'row-hours-missing':
    'Row {line}: {hours} hours are missing before {time}. Up to three are bridged by a straight line.',
});

/** What a file of weather does not say by itself. */
export interface CsvAnswers {
  readonly unit?: 'C' | 'F';
  readonly zone?: 'site' | 'utc';
  readonly order?: DayOrder;
}
/** A question that must be answered before the file can be read. */
export interface CsvAsk {
  readonly what: keyof CsvAnswers;
  readonly sentence: Message;
  readonly choices: readonly { readonly id: string; readonly label: string }[];
}
export type CsvRead =
  | {
      readonly rows: readonly HourlyRow[];
      readonly gaps: readonly { readonly fromMs: number; readonly toMs: number }[];
    }
  | { readonly ask: CsvAsk };

const HOUR_MS = 3_600_000;
/** Gaps up to this are bridged by a straight line. */
const BRIDGED_MS = 3 * HOUR_MS;
/** Colder than this is a slip. */
const COLDEST_C = -60;
/** Weather must be whole; a logger may have been away. Hotter than these is a slip. */
const KINDS = {
  weather: { hottestC: 60, gapMs: BRIDGED_MS, beyond: 'any weather' },
  readings: { hottestC: 90, gapMs: Number.POSITIVE_INFINITY, beyond: 'anything here' },
} as const;
/** Above this a column without a unit may be Fahrenheit: no week is so hot in °C. */
const DOUBTFUL_C = 45;

/**
 * Reads hourly weather from CSV: columns by the words of the header, wherever it stands, decimal commas, dividers of
 * any kind; a day and its hour in one column or in two; humidity, or the dew point in its place. What is
 * unclear (unit of the temperature, zone of the times, day or month first) is asked, never guessed.
 * @param siteZone IANA zone of the site
 * @param of weather, which must be whole, or the readings of a logger, which may have gaps
 * @throws Refusal naming the row: no header, not a number, reversed or repeated times, humidity outside 0–100, a slip
 *   of the decimal point, a gap over three hours
 */
export function readHourlyCsv(
  text: string,
  siteZone: string,
  answers: CsvAnswers = {},
  of: keyof typeof KINDS = 'weather',
): CsvRead {
  const { hottestC, gapMs, beyond } = KINDS[of];
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd());
  const written = data
    .map((r, i) => ({ line: i + 1, cells: r.map((c) => c.trim()) }))
    .filter((r) => r.cells.some((c) => c !== ''));
  const cells = written.map((r) => r.cells);
  const at = hourlyColumns(cells);
  if (!at || cells.length < at.head + 3) {
    const head = (cells[0] ?? []).join(', ');
    return refuse(
      'file',
      head,
      'a header with time and temperature',
      REFUSED['header-names-no']({ head: head.slice(0, 80) }),
    );
  }
  const head = cells[at.head] ?? [];
  const body = cells.slice(at.head + 1);
  const lineOf = (i: number) => written[at.head + 1 + i]!.line;
  const number = (row: readonly string[], col: number, what: string, line: number): number => {
    const read = readNumber((row[col] ?? '').replace(/[^\d.,+-]/g, ''));
    return 'value' in read
      ? read.value
      : 'either' in read
        ? Number(read.either[0])
        : refuse('file', row[col], 'a number', REFUSED['row-not-number']({ line, what, row: row[col] ?? '' }));
  };
  const temps = body.map((r, i) => number(r, at.temp, 'temperature', lineOf(i)));
  // The unit: by the header, else asked where the figures allow both.
  const named = /°?\s*\b([CF])\b|celsius|fahrenheit/i.exec(head[at.temp] ?? '');
  const unit = named ? (/f/i.test(named[1] ?? named[0]) ? 'F' : 'C') : (answers.unit ?? null);
  if (!unit) {
    const hottest = Math.max(...temps);
    if (hottest > DOUBTFUL_C || !/°|c\b/i.test(head[at.temp] ?? ''))
      return {
        ask: {
          what: 'unit',
          sentence: REFUSED['temperatures-run-name']({ coldest: Math.min(...temps), hottest }),
          choices: [
            { id: 'C', label: '°C' },
            { id: 'F', label: '°F' },
          ],
        },
      };
  }
  const times = body.map((r) => `${at.date < 0 ? '' : `${r[at.date] ?? ''} `}${r[at.time] ?? ''}`);
  const slashed = times.map(eitherWay).filter((m) => m !== null);
  let order: DayOrder = answers.order ?? 'dmy';
  if (slashed.length && !answers.order) {
    if (slashed.some(([first]) => first > 12)) order = 'dmy';
    else if (slashed.some(([, second]) => second > 12)) order = 'mdy';
    else
      return {
        ask: {
          what: 'order',
          sentence: REFUSED['day-or-month']({ time: times[0] ?? '' }),
          choices: [
            { id: 'dmy', label: 'day first' },
            { id: 'mdy', label: 'month first' },
          ],
        },
      };
  }
  const told = zoneInHead(head[at.time] ?? '');
  if (!told && !times.every(hasZone) && !answers.zone)
    return {
      ask: {
        what: 'zone',
        sentence: REFUSED['times-name-no'](),
        choices: [
          { id: 'site', label: `the site’s, ${siteZone}` },
          { id: 'utc', label: 'UTC' },
        ],
      },
    };
  const zone = told ?? (answers.zone === 'utc' ? FixedOffsetZone.utcInstance : IANAZone.create(siteZone));
  const inC = (degrees: number) => (unit === 'F' ? ((degrees - 32) * 5) / 9 : degrees);
  const read = instantReader(zone, order);
  const rows: HourlyRow[] = [];
  const gaps: { fromMs: number; toMs: number }[] = [];
  for (const [i, r] of body.entries()) {
    const line = lineOf(i);
    const atMs = read(times[i]!);
    if (atMs === null)
      return refuse('file', times[i], 'a date and time', REFUSED['row-no-date']({ line, time: times[i]! }));
    const last = rows.at(-1);
    if (last && atMs <= last.atMs)
      return refuse(
        'file',
        times[i],
        'rising times',
        REFUSED['row-out-of-order']({ line, time: times[i]!, twice: atMs === last.atMs ? 'yes' : 'no' }),
      );
    const tempC = inC(temps[i]!);
    if (!(tempC >= COLDEST_C && tempC <= hottestC))
      return refuse(
        'file',
        temps[i],
        `${COLDEST_C} to ${hottestC} °C`,
        REFUSED['row-beyond-decimal']({ line, temp: temps[i]!, unit: unit ?? 'C', beyond }),
      );
    // Where humidity is not told the dew point tells it.
    const humidityPct = r[at.humidity]
      ? number(r, at.humidity, 'humidity', line)
      : r[at.dew]
        ? humidityOf(tempC, inC(number(r, at.dew, 'dew point', line)))
        : null;
    if (humidityPct !== null && !(humidityPct > 0 && humidityPct <= 100))
      return refuse(
        'file',
        humidityPct,
        'above 0 to 100 %',
        REFUSED['row-humidity-cannot']({ line, humidity: exactly(percent(humidityPct)) }),
      );
    if (last && atMs - last.atMs > gapMs)
      return refuse(
        'file',
        [last.atMs, atMs],
        'gaps of three hours at most',
        REFUSED['row-hours-missing']({
          line,
          hours: Math.round((atMs - last.atMs) / HOUR_MS),
          time: times[i]!,
        }),
      );
    if (last && atMs - last.atMs > 1.5 * HOUR_MS) gaps.push({ fromMs: last.atMs, toMs: atMs });
    rows.push({ atMs, tempC, humidityPct, spreadK: 0 });
  }
  return { rows, gaps };
}
