import { DateTime, IANAZone } from 'luxon';
import Papa from 'papaparse';
import { exactly, type Message, percent, refuse, texts } from '../say';
import { readNumber } from '../typed';
import type { HourlyRow } from './air';

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
  readonly order?: 'dmy' | 'mdy';
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

const COLUMNS: readonly (readonly [id: 'time' | 'temp' | 'humidity', words: RegExp])[] = [
  ['humidity', /humid|r\.?h\b|%/i],
  ['temp', /temp|°|deg|\bt\b|air/i],
  ['time', /time|date|hour|when|stamp/i],
];
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

const PATTERNS_DMY = ['d.M.yyyy H:mm', 'd.M.yyyy H:mm:ss', 'd/M/yyyy H:mm', 'd/M/yyyy H:mm:ss', 'd-M-yyyy H:mm'];
const PATTERNS_MDY = ['M/d/yyyy H:mm', 'M/d/yyyy H:mm:ss', 'M/d/yyyy h:mm a'];

/** The instant of a cell; null where it is none. */
function instantOf(cell: string, zone: string, order: 'dmy' | 'mdy'): number | null {
  const text = cell.trim();
  const iso = DateTime.fromISO(text.replace(' ', 'T'), { zone: IANAZone.create(zone), setZone: true });
  if (iso.isValid) return iso.toMillis();
  for (const pattern of order === 'dmy' ? PATTERNS_DMY : PATTERNS_MDY) {
    const t = DateTime.fromFormat(text, pattern, { zone: IANAZone.create(zone) });
    if (t.isValid) return t.toMillis();
  }
  return null;
}

const HAS_ZONE = /(z|[+-]\d{2}:?\d{2})$/i;
const SLASHED = /^(\d{1,2})\/(\d{1,2})\/\d{4}/;

/**
 * Reads hourly weather from CSV: columns by the words of the header, decimal commas, dividers of any kind. What is
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
  const parsed = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const cells = parsed.data.map((r) => r.map((c) => c.trim()));
  const head = cells[0] ?? [];
  const ids = head.map((h) => COLUMNS.find(([, words]) => words.test(h))?.[0]);
  const [tCol, cCol, hCol] = [ids.indexOf('time'), ids.indexOf('temp'), ids.indexOf('humidity')];
  if (cells.length < 3 || tCol < 0 || cCol < 0)
    return refuse(
      'file',
      head.join(', '),
      'a header with time and temperature',
      REFUSED['header-names-no']({ head: head.join(', ').slice(0, 80) }),
    );
  const body = cells.slice(1);
  const number = (row: readonly string[], col: number, what: string, line: number): number => {
    const read = readNumber((row[col] ?? '').replace(/[^\d.,+-]/g, ''));
    return 'value' in read
      ? read.value
      : 'either' in read
        ? Number(read.either[0])
        : refuse('file', row[col], 'a number', REFUSED['row-not-number']({ line, what, row: row[col] ?? '' }));
  };
  const temps = body.map((r, i) => number(r, cCol, 'temperature', i + 2));
  // The unit: by the header, else asked where the figures allow both.
  const named = /°?\s*\b([CF])\b|celsius|fahrenheit/i.exec(head[cCol]!);
  const unit = named ? (/f/i.test(named[1] ?? named[0]) ? 'F' : 'C') : (answers.unit ?? null);
  if (!unit) {
    const hottest = Math.max(...temps);
    if (hottest > DOUBTFUL_C || !/°|c\b/i.test(head[cCol]!))
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
  const times = body.map((r) => r[tCol] ?? '');
  const slashed = times.map((t) => SLASHED.exec(t)).filter((m) => m !== null);
  let order: 'dmy' | 'mdy' = answers.order ?? 'dmy';
  if (slashed.length && !answers.order) {
    if (slashed.some((m) => Number(m[1]) > 12)) order = 'dmy';
    else if (slashed.some((m) => Number(m[2]) > 12)) order = 'mdy';
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
  if (!times.every((t) => HAS_ZONE.test(t.trim())) && !answers.zone)
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
  const zone = answers.zone === 'utc' ? 'utc' : siteZone;
  const rows: HourlyRow[] = [];
  const gaps: { fromMs: number; toMs: number }[] = [];
  for (const [i, r] of body.entries()) {
    const line = i + 2;
    const atMs = instantOf(times[i]!, zone, order);
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
    const tempC = unit === 'F' ? ((temps[i]! - 32) * 5) / 9 : temps[i]!;
    if (!(tempC >= COLDEST_C && tempC <= hottestC))
      return refuse(
        'file',
        temps[i],
        `${COLDEST_C} to ${hottestC} °C`,
        REFUSED['row-beyond-decimal']({ line, temp: temps[i]!, unit: unit ?? 'C', beyond }),
      );
    const humidityPct = hCol < 0 || !r[hCol] ? null : number(r, hCol, 'humidity', line);
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
