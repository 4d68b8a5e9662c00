import { refuse, texts } from '../say';
import type { UnitSystem } from '../units';
import { type SystemKindId, systemKind } from './kinds';
import type { MilestoneId } from './milestone';
import { cellsOf } from './pasted-cells';
import { inTiers } from './pasted-damp';
import { across, downwards, type PastedRows } from './pasted-layouts';
import { listed, untold } from './pasted-lines';
import type { PastedTime } from './pasted-time';
import { saysLighter } from './pasted-words';

const REFUSED = texts('refused.system.pasted', {
  'no-temperatures-times':
    'No temperatures with times beside them were found: paste the table with its headings, like “Temp, Pot life, Handling” over “{row}”.',
});

/** What sheets of one kind call by the word of another: the curing of an anchor ends in its load. */
const CALLED: Partial<Readonly<Record<MilestoneId, MilestoneId>>> = { 'full-cure': 'load', gel: 'use-by' };

/** Cars and lorries in one table are two loads; where only cars are told of, that is all it bears. */
const isLighterOfTwo = (time: PastedTime, all: readonly PastedTime[]): boolean =>
  time.guess === 'load' &&
  saysLighter(time.heading) &&
  all.some((t) => t.guess === 'load' && !saysLighter(t.heading)) &&
  all.every((t) => t.guess !== 'light-load');

/** What a time of a table means on a sheet of some kind, beside the others of the table. */
function meantFor(kind: SystemKindId | null, time: PastedTime, all: readonly PastedTime[]): MilestoneId | null {
  if (isLighterOfTwo(time, all)) return 'light-load';
  const { guess } = time;
  const called = guess && CALLED[guess];
  if (!kind || !called) return guess;
  const { times } = systemKind(kind);
  const theirs = !times.includes(guess) && times.includes(called) && all.every((t) => t.guess !== called);
  return theirs ? called : guess;
}

/** No row of a table is longer; what is, is prose with nothing for us in it. */
const LONGEST_LINE = 500;

function pastedRows(text: string, system: UnitSystem): PastedRows {
  const lines = text.split(/\r?\n/).filter((l) => l.trim() && l.length <= LONGEST_LINE);
  return { lines, rows: lines.map(cellsOf), own: system === 'us' ? 'F' : 'C' };
}

/**
 * Lines of a sheet’s text that name a time and could not be read, to be typed by hand; none where its times stand in a
 * table.
 * @example untoldIn('Recoat after 4 h at 20 °C or 8 h') // that line: its second hour has no temperature
 */
export function untoldIn(text: string): readonly string[] {
  const pasted = pastedRows(text, 'metric');
  const isTable = (across(pasted) ?? []).length > 0 || downwards(pasted).length > 0;
  return isTable ? [] : untold(pasted.lines).map((line) => line.trim());
}

/**
 * Reads a whole table of times as it comes out of a sheet: temperatures down the side or along the top, or a line for
 * each time; cells parted by tabs, dividers or gaps, or not at all; times by dose; a window in one cell as its ends.
 * @param kind of the sheet: what its trade calls a time, where that is known
 * @param system whose degrees bare numbers are, where the text names none
 * @returns one entry a time, in the order of the table, those without any cell left out
 * @throws Refusal when no temperatures, or no times beside them, are found
 * @example readPasted('Temp  Pot life  Handling\n10 °C  40 min  12 h\n20 °C  20 min  6 h')
 */
export function readPasted(
  text: string,
  field: string,
  kind: SystemKindId | null = null,
  system: UnitSystem = 'metric',
): readonly PastedTime[] {
  const pasted = pastedRows(text, system);
  const dries = kind !== null && systemKind(kind).asks.includes('humidity');
  const lines = listed(pasted.lines, pasted.own);
  const table = [across(pasted) ?? [], downwards(pasted)].find((times) => times.length > 0);
  // Beside its table a sheet tells other times in lines of their own.
  const isBeside = ({ guess }: PastedTime) => guess !== null && table?.every((t) => t.guess !== guess);
  const found = table ? [...table, ...lines.filter(isBeside)] : lines;
  return found.length
    ? found.map((time) => inTiers({ ...time, guess: meantFor(kind, time, found) }, dries))
    : refuse(
        field,
        text.slice(0, 80),
        'temperatures with times beside them',
        REFUSED['no-temperatures-times']({ row: '10 °C, 40 min, 12 h' }),
      );
}
