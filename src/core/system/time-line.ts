import { HEDGES, inWordsRead, withoutBounds } from '../typed';
import { inOneMeasure } from './one-measure';
import { spelledOut } from './time-short';

/** Units of time a heading or a person may name. */
export const CLOCK_UNITS = ['min', 'h', 'd'] as const;
export type ClockUnit = (typeof CLOCK_UNITS)[number];

/** One line of a sheet's times in its parts, each still as it is printed. */
export interface TimeLine {
  /** Per cent of the catalyst it is said for. */
  readonly dose: string | null;
  /** None, one temperature, or the two ends of a band; the unit said once stands at both. */
  readonly temps: readonly string[];
  /** Where a band has one end only: it is said of all that is warmer, or of all that is colder. */
  readonly open: 'above' | 'below' | null;
  /** Per cent of humidity it is said up to. */
  readonly humidity: string | null;
  /** One time, or the shorter and the longer end. */
  readonly times: readonly string[];
}

const NUMBER = '[-+]?\\d+(?:[.,]\\d+)?';
const DEGREE = '(?:°\\s*[CF]?|(?:deg(?:rees?)?\\.?\\s*)?[CF])(?![a-z\\d])';
const TO = '\\s*(?:\\bto\\b|-)\\s*';
/** Between temperatures a hyphen with a space before it and none behind it is a minus: `0 °C -1 °C`. */
const TO_DEGREES = '(?:\\s*\\bto\\b\\s*|(?<=[\\d°CF])-\\s*|\\s*-\\s+)';
const ONE_SIDED = '(?:>=?|<=?|≥|≤|\\b(?:above|over|below|under|less than|more than|up to|from)\\b)\\s*';
const AND_BEYOND =
  '\\s*(?:\\+(?!\\s*\\d)|(?:and|or) (?:above|over|more|warmer|higher|below|under|less|colder|lower)\\b)';

/** A temperature or a band of them, with its degree at least once, in a line as {@link plainLine} has it. */
export const TEMPERATURE = `(?:${ONE_SIDED})?(?<![\\d.,])${NUMBER}\\s*(?:${DEGREE})?${TO_DEGREES}${NUMBER}\\s*${DEGREE}|(?:${ONE_SIDED})?(?<![\\d.,])${NUMBER}\\s*${DEGREE}(?:${AND_BEYOND})?`;

/** What people name a span of time by. */
export const CLOCK = '(?:min(?:ute)?s?|hours?|hrs?|h|days?|d|weeks?|wks?)\\b\\.?';
const SPAN = '\\d+(?:[.,]\\d+)?(?:\\s*\\d+/\\d+)?|\\d+/\\d+';
/** A time or a range of them, its unit named, in a line as {@link plainLine} has it. */
export const TIME = `\\d+\\s*h(?:ours?|rs?)?\\s*\\d+\\s*min\\w*|(?:${SPAN})(?:\\s*${CLOCK})?${TO}(?:${SPAN})\\s*${CLOCK}|(?<![\\d/]\\s*)\\d+\\s*/\\s*\\d+\\s*${CLOCK}|(?:${SPAN})\\s*${CLOCK}|\\b\\d{1,2}:\\d{2}\\b(?!\\d)`;

/** Signs that stand for a word, and words that do not change the figure behind them. */
const PLAIN: readonly (readonly [RegExp, string])[] = [
  [/℃/g, '°C'],
  [/℉/g, '°F'],
  [/º/g, '°'],
  [/[−‐‑–—]/g, '-'],
  [/\s*(?:…|\.{2,3})\s*/g, ' to '],
  [/@/g, ' at '],
  [/\s*(?:→|=>|⇒)\s*/g, ': '],
  // The words stay: they say that it is a window.
  [/\b(between|zwischen)\s+(\d[\d.,]{0,8}\s*[a-z°]{0,8})\s+(?:and|und)\s+(?=\d)/gi, '$1 $2 to '],
  [/½/g, ' 1/2'],
  [/¼/g, ' 1/4'],
  [/¾/g, ' 3/4'],
  [/(?<=\d)\s*[’′'](?!\d)/g, ' min'],
  [new RegExp(`(?:\\b(?=\\w)|(?=[~≈]))(?:${HEDGES})\\s*(?=\\d)`, 'gi'), ''],
  [/\b(?:at )?(?:room temperature|ambient(?: temperature)?|raumtemperatur)\b|\b(?:at|bei) RT\b/gi, ''],
];

/**
 * A line in signs that are read here, what only hedges taken out, and each figure in one measure.
 * @example plainLine('ca. 30′ @ 20 ℃ (68 °F)') // '30 min at 20 °C'
 */
export const plainLine = (line: string): string =>
  inOneMeasure(
    PLAIN.reduce((so, [printed, read]) => so.replace(printed, read), inWordsRead(line))
      .replace(/[ \u00a0]+/g, ' ')
      .trim(),
  );

/** Shares of an hour that people write as a fraction. */
const SHARES = new Set(['1/2', '1/3', '1/4', '3/4']);

/** `20/30 min` are 20 to 30, `1/2 h` is half an hour. */
const rangeOfStroke = (text: string): string =>
  text.replace(/^(\d+)\s*\/\s*(\d+)(?=\s*[a-z])/i, (all, a: string, b: string) =>
    SHARES.has(`${a}/${b}`) || Number(a) >= Number(b) ? all : `${a} to ${b}`,
  );

/** A time or its two ends, each with the unit said for both. */
function timesOf(text: string): readonly string[] {
  const plain = text
    .replace(/(?<=[a-z])\.(?=\s|$)/gi, '')
    .replace(/^(\d{1,3}):(\d{2})\s*h\w*$/i, '$1 h $2 min')
    .replace(/^(\d{1,3}):(\d{2})\s*min\w*$/i, '$1 min $2 s')
    .replace(/^(?:between|zwischen)\s+(.+?)\s+(?:and|und|to)\s+/i, '$1 to ');
  const told = withoutBounds(rangeOfStroke(plain));
  const ends = told
    .split(/\s*\bto\b\s*|(?<=[\d\w.])\s*-\s*(?=\d)/i)
    .map((end) => withoutBounds(end))
    .filter(Boolean);
  const unit = /[a-z]+\.?\s*$/i.exec(ends.at(-1) ?? '')?.[0] ?? '';
  return ends.map((end) => (/[a-z:]/i.test(end) || !unit ? end : `${end} ${unit}`));
}

const HUMIDITY =
  /[,;(/]?\s*(?:at|and|(up\s*to|to|≤|<=))?\s*([\d.,]+)\s*%\s*(?:r\.?\s?[hf]\.?|rel\.?\s?[hf]\.?|relative humidity|humidity)?\s*\)?\s*$/i;
const DOSE = /^\s*([\d.,]+)\s*%\s*(?:hardener|catalyst|härter)?\s*[,:]?\s*(?:at\s+)?(?=\S)/i;
const SINGLE = new RegExp(TEMPERATURE, 'i');
const END = new RegExp(DEGREE, 'i');

/** The ends of what is printed as a temperature: `5 to 10 °C`, `over 30 C`. */
function tempsOf(text: string): Pick<TimeLine, 'temps' | 'open'> {
  const open = /(?:>|≥|above|over|more|warmer|higher|from|\d\s*(?:°\s*)?[CF]?\s*\+\s*$)/i.test(text)
    ? 'above'
    : /(?:<|≤|below|under|less|up to|colder|lower)/i.test(text)
      ? 'below'
      : null;
  const bare = text
    .replace(new RegExp(AND_BEYOND, 'i'), '')
    .replace(new RegExp(`^\\s*(?:at\\s+)?(?:${ONE_SIDED})?`, 'i'), '')
    .trim();
  const ends = bare
    .split(/\s*\bto\b\s*|(?<=[\dCF°])(?:-|\s*-\s+)(?=[+-]?\d)/i)
    .map((end) => end.trim().replace(/^\+/, ''));
  const unit = END.exec(ends.at(-1) ?? '')?.[0] ?? '';
  return {
    temps: ends.filter(Boolean).map((end) => (/[a-z°]/i.test(end) ? end : `${end} ${unit}`.trim())),
    open: ends.length > 1 ? null : open,
  };
}

/** A humidity up to which a time holds; one beside a single temperature is the climate of the maker’s room. */
const tierOf = (damp: RegExpExecArray | null, { temps, open }: Pick<TimeLine, 'temps' | 'open'>): string | null =>
  damp && (damp[1] !== undefined || temps.length > 1 || open !== null) ? damp[2]! : null;

/** What joins a temperature to its time. */
const JOINTS =
  /^(?:[\s:=,;()/-]|\bat\b(?! (?:least|most)\b)|\b(?:for|when)\b)+|(?:[\s:=,;()/-]|\b(?:at|for|when)\b)+$/gi;

/** A line of times is no longer, in characters; what is, is prose. */
const LONGEST_LINE = 300;

/**
 * One line of times in its parts: `10 C: 4 h to 5 h`, `30 min at 23 °C`, `20 °C - 30 min`, `≥ 30 °C: 25 min`,
 * `2 %, 20 C: 15 min`, `10 to 15 C, up to 70 %: 8 h`, or a time alone.
 * @param line as typed or printed
 * @returns null where no time is left beside the temperature, or it is no line but a text
 */
export function partTimeLine(line: string): TimeLine | null {
  if (line.length > LONGEST_LINE) return null;
  const whole = plainLine(line);
  const dose = DOSE.exec(whole);
  const rest = dose ? whole.slice(dose[0].length) : whole;
  // A colon parts the two, whatever the words: but in 2:30 it parts hours from minutes.
  const parted = /^([^:]*?[^:\d\s][^:]*|[^:]*\d\s*):\s+(.+)$|^([^:]*[^:\d\s])\s*:\s*(.+)$/.exec(rest);
  const [left, right] = parted ? [parted[1] ?? parted[3]!, parted[2] ?? parted[4]!] : [null, rest];
  const damp = HUMIDITY.exec(left ?? right);
  const warm = left === null ? null : damp ? left.slice(0, damp.index) : left;
  const found = SINGLE.exec(warm ?? (damp ? right.slice(0, damp.index) : right));
  if (warm !== null) {
    const times = timesOf(right.trim());
    const temps = tempsOf(warm);
    return times.length ? { dose: dose?.[1] ?? null, ...temps, humidity: tierOf(damp, temps), times } : null;
  }
  const bare = damp && found ? right.slice(0, damp.index) : right;
  const beside = found ? `${bare.slice(0, found.index)} ${bare.slice(found.index + found[0].length)}` : bare;
  const times = timesOf(beside.trim().replace(JOINTS, '').trim());
  if (!times.length) return null;
  const temps = found ? tempsOf(found[0]) : { temps: [], open: null };
  return { dose: dose?.[1] ?? null, ...temps, humidity: found ? tierOf(damp, temps) : null, times };
}

/** Whether a piece of text tells a temperature and a time. */
const tellsBoth = (text: string): boolean => SINGLE.test(text) && new RegExp(TIME, 'i').test(text.replace(SINGLE, ' '));

/** The lines of a field or a cell: by line ends and semicolons, and by commas where each piece is a line of its own. */
export const timeLinesIn = (text: string): readonly string[] =>
  text
    .split(/\r?\n|;/)
    .map((line) => line.trim())
    .flatMap((line) => (line.length > LONGEST_LINE ? [line] : spelledOut(plainLine(line))))
    .flatMap((line) => {
      const pieces = (line.length > LONGEST_LINE ? line : plainLine(line)).split(/,\s+/);
      return pieces.length > 1 && pieces.every(tellsBoth) ? pieces : [line];
    })
    .filter(Boolean);
