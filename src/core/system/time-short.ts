/** Short forms in which people write several times at once: what is said once holds for all of them. */

const NUMBER = '\\d+(?:[.,]\\d+)?';
const SIGNED = `[-+]?${NUMBER}`;
const CLOCK = '(?:(?:min(?:ute)?s?|m|hours?|hrs?|h|days?|d|weeks?|wks?)\\b\\.?|h(?=\\d))';
/** `4 h`, `14-20 h`, `2 h 30`, `1h15`, or a bare figure whose unit stands elsewhere. */
const TIME = `(?:${[
  `${NUMBER}\\s*h(?:ours?|rs?)?\\s*\\d{1,2}(?:\\s*min\\w*)?`,
  `${NUMBER}(?:\\s*(?:-|\\bto\\b)\\s*${NUMBER})?(?:\\s*${CLOCK})?`,
].join('|')})`;
const DEGREE = '(?:°\\s*[CF]?|(?:deg(?:rees?)?\\.?\\s*)?[CF])(?![a-z])';
const SIDE = '(?:(?:>=?|<=?|≥|≤|above|over|below|under|up to|from)\\s*)?';
const TEMP = `${SIDE}${SIGNED}(?:\\s*(?:${DEGREE})?\\s*(?:-|\\bto\\b)\\s*${SIGNED})?(?:\\s*${DEGREE})?`;

const TIME_FIRST = new RegExp(
  `^(${TIME})\\s*(?:\\bat\\b\\s*|(?=[<>≥≤]|\\b(?:above|over|below|under|up to|from)\\b))(${TEMP})$`,
  'i',
);
const TEMP_FIRST = new RegExp(`^(${TEMP})(?:\\s*:\\s*|\\s+)(${TIME})$`, 'i');
const HAS_DEGREE = new RegExp(DEGREE, 'i');
const HAS_CLOCK = new RegExp(`\\d\\s*(${CLOCK})`, 'i');
const UNIT_OF_TIME = new RegExp(`(${CLOCK})\\s*$`, 'i');
const UNIT_OF_TEMP = new RegExp(`(${DEGREE})\\s*$`, 'i');

interface Said {
  readonly time: string;
  readonly temp: string;
}

/**
 * Each time with its temperature, a unit that is said once said at all of them; null where none is said at all.
 * @param bare what degree temperatures have where none is said; null where such figures may be others
 */
function withUnits(said: readonly Said[], bare: string | null): readonly string[] | null {
  const degrees = said.flatMap(({ temp }) => UNIT_OF_TEMP.exec(temp)?.[1] ?? []);
  const degree = degrees.at(-1) ?? bare;
  if (degree === null) return null;
  let clock = said.flatMap(({ time }) => HAS_CLOCK.exec(time)?.[1] ?? [])[0];
  if (clock === undefined) return null;
  return said.map(({ time, temp }) => {
    const own = HAS_CLOCK.exec(time)?.[1];
    // An hour said before, a bare figure after it is of hours as well.
    if (own) clock = UNIT_OF_TIME.exec(time)?.[1] ?? own;
    const told = own ? time : `${time} ${clock}`;
    return `${HAS_DEGREE.test(temp) ? temp : `${temp} ${degree}`.trim()}: ${told}`;
  });
}

/** `30/20/8 h at 5/10/20 °C`, `10/20 °C: 40/20 min`: as many times as temperatures, in one order. */
function byStroke(line: string, own: string): readonly string[] | null {
  const halves = /^(.+?)\s*(?:\bat\b|:)\s*(.+)$/i.exec(line);
  if (!halves) return null;
  const [one, other] = halves.slice(1).map((half) => half!.split(/\s*\/\s*/)) as [string[], string[]];
  if (one.length < 2 || one.length !== other.length) return null;
  const isTimes = HAS_CLOCK.test(halves[1]!);
  const [times, temps] = isTimes ? [one, other] : [other, one];
  const whole = { time: new RegExp(`^${TIME}$`, 'i'), temp: new RegExp(`^${TEMP}$`, 'i') };
  const fits = times.every((t) => whole.time.test(t)) && temps.every((t) => whole.temp.test(t));
  // The unit of the last holds for those before it.
  const unit = UNIT_OF_TIME.exec(times.at(-1)!)?.[1];
  const told = times.map((t) => (HAS_CLOCK.test(t) || !unit ? t : `${t} ${unit}`));
  const said = told.map((time, i) => ({ time, temp: temps[i]! }));
  return fits ? withUnits(said, isTimes ? own : null) : null;
}

/** `2h30`, `2 h 30`: minutes without their unit. */
const HOURS_SHORT = /(\d+)\s*h(?:ours?|rs?)?\s*(\d{1,2})(?![\d.]|\s*(?:min|°|[CF]\b|-|to\b))/i;
const inFull = (time: string): string => time.replace(HOURS_SHORT, '$1 h $2 min');

/**
 * `48 min at 15, 26 at 25 °C`; `5 h at 5-10, 2 h 30 at 10-20`: a temperature behind “at” needs no degree of its own.
 */
function byComma(plain: string, own: string): readonly string[] | null {
  const pieces = plain.split(/\s*,\s+|\s+and\s+(?=\d)/);
  const said = pieces.map((piece): (Said & { readonly at: boolean }) | null => {
    const [, time, temp] = TIME_FIRST.exec(piece) ?? [];
    if (time && temp) return { time: inFull(time), temp, at: true };
    const [, first, behind] = TEMP_FIRST.exec(piece) ?? [];
    return first && behind ? { time: inFull(behind), temp: first, at: false } : null;
  });
  const all = said.filter((s) => s !== null);
  // What lacks nothing is read as it stands.
  const lacks =
    all.some(({ time, temp }) => !HAS_CLOCK.test(time) || !HAS_DEGREE.test(temp)) || HOURS_SHORT.test(plain);
  const bare = all.every((s) => s.at) ? own : null;
  return all.length === pieces.length && lacks ? withUnits(all, bare) : null;
}

const DOSED = /^(\d+(?:[.,]\d+)?\s*%)[\s:]*(.+)$/;
/** `1 % 16/8, 2 % 10/5, 3 % 7/3.5 min at 10/20 °C`: a row of times for each dose. */
function byDose(line: string, own: string): readonly string[] | null {
  const [, rows, at] = /^(.+?)\s*\bat\b\s*([^a-z]*(?:°?\s*[CF])?)$/i.exec(line) ?? [];
  const doses = rows?.split(/,\s+/).map((row) => DOSED.exec(row));
  if (!doses?.every((d) => d !== null) || doses.length < 2 || !at) return null;
  const unit = UNIT_OF_TIME.exec(doses.at(-1)![2]!)?.[1] ?? '';
  const told = doses.map(([, dose, times]) => {
    const each = byStroke(`${times!.replace(UNIT_OF_TIME, '').trim()} ${unit} at ${at}`, own);
    return each?.map((one) => `${dose}, ${one}`) ?? null;
  });
  return told.every((t) => t !== null) ? told.flat() : null;
}

/** Warmer than freezing, and as damp as air can be: where “else” ends. */
const ELSE = { fromC: 0, humidityPct: 100 } as const;
const IF = new RegExp(
  [
    `^(${TIME})\\s+if\\s+`,
    `(?:from|above|over|at least|≥|>=?)?\\s*(${SIGNED})\\s*(${DEGREE})\\s*(?:,|and|&)\\s*`,
    `(?:up to|below|under|at most|≤|<=?)?\\s*(${NUMBER})\\s*%[^,;]*[,;]?\\s*`,
    `(?:else|otherwise)\\s*(${TIME})$`,
  ].join(''),
  'i',
);
/** `2 h if ≥ 15 °C and ≤ 70 %, else 6 h`: three tiers. */
function byElse(line: string): readonly string[] | null {
  const [, dry, from, degree, upTo, damp] = IF.exec(line) ?? [];
  if (!dry || !from || !degree || !upTo || !damp) return null;
  const cold = /F/i.test(degree) ? (ELSE.fromC * 9) / 5 + 32 : ELSE.fromC;
  return [
    `above ${from} ${degree}, up to ${upTo} %: ${dry}`,
    `above ${from} ${degree}, up to ${ELSE.humidityPct} %: ${damp}`,
    `${cold} to ${from} ${degree}, up to ${ELSE.humidityPct} %: ${damp}`,
  ];
}

/** What stands behind a time says what it runs on, and is asked for elsewhere. */
const ASIDE = /\s*\((?:resin|base|pot|air|material|slab|steel|mix)\)\s*$/i;

/**
 * A line that tells several times in short, as a line for each; itself where it is no such form.
 * @param line in plain signs, as `plainLine` has it
 * @param own the degree of its reader, for temperatures behind “at” of which none has one; else they stay bare
 * @example spelledOut('48 min at 15, 26 at 25 °C') // ['15 °C: 48 min', '25 °C: 26 min']
 * @example spelledOut('30/20/8 h at 5/10/20 °C') // ['5 °C: 30 h', '10 °C: 20 h', '20 °C: 8 h']
 */
export function spelledOut(line: string, own = ''): readonly string[] {
  const plain = line.replace(ASIDE, '').trim();
  return byElse(plain) ?? byDose(plain, own) ?? byStroke(plain, own) ?? byComma(plain, own) ?? [line];
}
