import { ANY_TEMPERATURE, ANY_TIME, NUMBER, tempOf } from './pasted-cells';
import { dampsIn } from './pasted-damp';
import { type Cell, type PastedTime, timesOf } from './pasted-time';
import { massIn, milestoneMeant, plainHeading, SENTENCE_END } from './pasted-words';
import { plainLine, TEMPERATURE, TIME } from './time-line';
import { spelledOut } from './time-short';

/** Words before the first and before the last hour of a window that one line tells. */
const FIRST_AND_LAST =
  /\b(?:min|earliest|frühest|from|ab|after|nach|when|wenn)\w*\b.*\b(?:max|latest|spätest|until|bis|within|innerhalb|before|up to)\w*\b|\bnot before\b.*\bnot (?:after|later)\b/i;
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

/** Words of several times before a colon, which belong to each of them: `Set time: initial 25 min, final 40 min`. */
const OF_ALL = /^([^:\d]{1,40}):\s+(?=[^:]*$)/;

/** A line that tells several times, each with its words, as a line for each; the temperature behind is that of all. */
function sayings(line: string): readonly string[] {
  const shared = OF_ALL.exec(line)?.[1];
  if (shared) {
    const each = sayings(line.slice(shared.length + 1).trim());
    if (each.length > 1) return each.map((piece) => `${shared} ${piece}`);
  }
  // Shake 2 minutes, let stand 10 minutes, shake again: what tells no time is told by nobody.
  const pieces = line.split(/,\s+|\s+(?:and|und)\s+/).filter((p, _, all) => all.length < 3 || p.search(ANY_TIME) >= 0);
  const each = pieces.length > 1 && pieces.every((p) => /^\p{L}/u.test(p) && p.match(ANY_TIME)?.length === 1);
  // Min. 4 h, max. 24 h are the ends of one time.
  const meant = (p: string) => milestoneMeant(p) ?? milestoneMeant(p.slice(0, p.search(ANY_TIME)).trim());
  if (!each || pieces.slice(1).some((p) => meant(p) === null)) return [line];
  const temp = line.match(ANY_TEMPERATURE);
  return temp?.length === 1 ? pieces.map((p) => (p.includes(temp[0]) ? p : `${p} at ${temp[0]}`)) : pieces;
}

/** One time for two things, `walked on / grouted: 24 h`: each by its name, where the names mean two milestones. */
function namesIn(heading: string): readonly string[] {
  const names = heading.split(/\s*\/\s*/).filter(Boolean);
  const meant = new Set(names.map(milestoneMeant));
  return names.length > 1 && meant.size === names.length && !meant.has(null) ? names : heading ? [heading] : [];
}

/** What one line tells: what it calls it, its times, and the temperature each is said at. */
interface Told {
  readonly heading: string;
  readonly times: readonly string[];
  readonly temps: readonly string[];
  /** How damp the air may be, where that is told beside each temperature; else none. */
  readonly damps: readonly string[];
  /** The pot it is said of. */
  readonly reference: string | null;
  /** Its two times are a first and a last hour. */
  readonly window: boolean;
}

const FIRST_TIME = new RegExp(TIME, 'i');
/** Three numbers and more with their unit behind the last: `60 / 30 / 15 min`. */
const NUMBERS_BY_STROKE = /\d+(?:\s*\/\s*\d+){2,}(?=\s*([a-z]+))/i;
const JOINS_TIME = /(?:[\s(/,]|\b(?:at|bei|for|in|after|nach|min|earliest|frühestens)\b\.?)+$/gi;
/** Of what is refused after an hour the word is no mere joint. */
const REFUSED_AFTER = /\b(?:not|never)\b.*\bafter\s*$/i;
/** `Wait 1 hour between coats`: nothing ahead says what it is, and what stands behind does. */
const SAYS_WAIT = /^(?:wait|allow|leave|let|give)?(?: it)?(?: for)?(?: at least| about)?$/i;
const BEFORE_WHAT = /^\W*(?:at|bei)?\W*((?:before|between|until|till)\b[^.;]*)/i;

/** The times of a line without its temperatures, and where the first of them begins. */
function timesIn(rest: string): { readonly times: readonly string[]; readonly begins: number } {
  const stroked = NUMBERS_BY_STROKE.exec(rest);
  if (stroked) return { times: stroked[0].split('/').map((n) => `${n.trim()} ${stroked[1]}`), begins: stroked.index };
  const times = [...rest.matchAll(ANY_TIME)].map((m) => m[0].trim());
  return { times, begins: rest.search(FIRST_TIME) };
}

/** A line as it tells one time; null where it tells none, or times and temperatures that do not go together. */
function toldIn(line: string): Told | null {
  const warm = [...line.matchAll(ANY_TEMPERATURE)];
  const { times, begins } = timesIn(line.replace(ANY_TEMPERATURE, (m) => ' '.repeat(m.length)));
  const window = times.length === 2 && warm.length < 2 && FIRST_AND_LAST.test(line);
  const each = window ? [times.join(' to ')] : times;
  if (!each.length || (warm.length > 1 ? warm.length !== each.length : each.length > 1)) return null;
  const damps = dampsIn(line);
  const [first] = warm;
  const ahead = line.slice(0, Math.min(begins, first?.index ?? begins));
  // At 20 °C it stays usable for 45 min: what it is called stands behind the temperature.
  const isBehind = first !== undefined && /^\s*(?:at|bei)?\s*$/i.test(ahead);
  const words = (isBehind ? line.slice(first.index + first[0].length, begins) : ahead).trim();
  const rest = line.slice(begins + times[0]!.length).replace(ANY_TEMPERATURE, ' ');
  const behind = SAYS_WAIT.test(words) ? BEFORE_WHAT.exec(rest)?.[1] : undefined;
  const named = behind ? `${words} ${behind}` : words;
  return {
    heading: plainHeading(REFUSED_AFTER.test(words) ? words : named.replace(JOINS_TIME, '')),
    times: each,
    temps: warm.map((m) => m[0].trim()),
    damps: damps.length === warm.length ? damps : [],
    reference: massIn(line),
    window,
  };
}

/** What a line says one after the other; figures without words of their own belong to the words before them. */
function sentencesIn(line: string): readonly string[] {
  const said: string[] = [];
  for (const piece of line.split(SENTENCE_END)) {
    const goesOn =
      said.length > 0 &&
      /^(?:(?:and |und )?(?:at|bei) )?[-+]?\d/.test(piece) &&
      new RegExp(TEMPERATURE, 'i').test(piece);
    if (goesOn) said[said.length - 1] += `, ${piece}`;
    else said.push(piece);
  }
  return said;
}

/** A time that is told at several temperatures in short, as a line for each, its name before every one. */
function eachOf(line: string, own: string): readonly string[] {
  const at = line.search(/[-+]?\d/);
  const words = line.slice(0, Math.max(0, at)).replace(/[\s:,;=]+$/, '');
  const each = milestoneMeant(words) === null ? [] : spelledOut(line.slice(at), own);
  return each.length > 1 ? each.map((one) => `${words} ${one}`) : [line];
}

/** All that a line tells, each time with its words as a line of its own. */
const saidIn = (line: string, own: 'C' | 'F'): readonly string[] =>
  sentencesIn(line)
    .flatMap((piece) => eachOf(plainLine(piece), `°${own}`))
    .flatMap((one) => sayings(withDegrees(one)));

/** Lines that tell a time by a name of the trade, and were not taken apart: they are told, not passed over. */
export const untold = (lines: readonly string[]): readonly string[] =>
  lines.flatMap((line) => {
    const said = saidIn(line, 'C');
    const lost = said.filter((one) => {
      const at = one.search(FIRST_TIME);
      return at >= 0 && milestoneMeant(one.slice(0, at)) !== null && toldIn(one) === null;
    });
    // Where nothing of it is read it is told as it stands.
    return lost.length === said.length ? [line] : lost;
  });

/**
 * Times of lines without a table: a line each, its temperature beside it or said once for all, `Pot life at 20 °C: 30
 * min`; lines of one name are one time at several temperatures.
 */
export function listed(lines: readonly string[], own: 'C' | 'F' = 'C'): readonly PastedTime[] {
  const told = lines.flatMap((line) => saidIn(line, own));
  const all = new Set(told.flatMap((line) => [...line.matchAll(ANY_TEMPERATURE)].map((m) => m[0].trim())));
  const common = all.size === 1 ? tempOf([...all][0]!, null) : null;
  const found: { heading: string; reference: string | null; window: boolean; cells: Cell[] }[] = [];
  for (const { heading, times, temps, damps, reference, window } of told.flatMap((line) => toldIn(line) ?? [])) {
    const cells = times.map((time, i) => ({
      temp: temps[i] ? tempOf(temps[i]!, null) : common,
      time,
      damp: damps[i],
    }));
    const known = found.find((f) => f.heading === heading && f.cells.every((c) => c.temp !== null));
    if (known && cells.every((c) => c.temp !== null)) known.cells.push(...cells);
    else for (const of of namesIn(heading)) found.push({ heading: of, reference, window, cells: [...cells] });
  }
  return found.flatMap((f) =>
    timesOf(f.heading, f.cells, null, f.window).map((t) => ({ ...t, reference: t.reference ?? f.reference })),
  );
}
