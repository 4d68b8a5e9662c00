import { fieldText, parseQuantity, refuse, type UnitSystem } from '../units';
import type { TimeTable } from './milestone';

/** Minutes of a typed time or range: `90 min`, `4 h to 5 h`, `45-60 min`. @throws Refusal */
function minutesOf(text: string, field: string): { fromMin: number; toMin: number } {
  const parts = text
    .split(/\s*(?:\bto\b|–|—|(?<=[\d\w])\s*-\s*(?=\d))\s*/i)
    .map((p) => p.trim())
    .filter(Boolean);
  if (parts.length < 1 || parts.length > 2)
    return refuse(field, text, 'a time or a range', `“${text}” must be a time like 90 min or a range like 4 h to 5 h.`);
  // In `45 to 60 min` the unit is said once, for both.
  const unit = /[a-z]+\s*$/i.exec(parts.at(-1)!)?.[0] ?? '';
  const read = parts.map((p) => {
    const parsed = parseQuantity('duration', /[a-z]/i.test(p) || !unit ? p : `${p} ${unit}`, 'metric');
    if (!parsed.ok) return refuse(field, p, 'a time', parsed.sentence);
    if (!(parsed.value > 0)) return refuse(field, p, 'more than 0', 'A time must be more than 0.');
    return parsed.value;
  });
  const [fromMin, toMin = fromMin] = read as [number, number?];
  if (fromMin > toMin) refuse(field, text, 'shorter end first', `The range “${text}” has its ends swapped.`);
  return { fromMin, toMin };
}

function degrees(text: string, field: string, system: UnitSystem): number {
  const parsed = parseQuantity('temperature', text, system);
  return parsed.ok ? parsed.value : refuse(field, text, 'a temperature', parsed.sentence);
}

/**
 * Reads a table of times as a sheet prints it, one row a line:
 * `10 C: 4 h to 5 h` (a point of a curve), `5 to 10 C: 90 min` (a band), or one line `45 to 60 min at 23 C` / `24 h` (a single figure).
 * @throws Refusal naming the line
 */
export function parseTable(text: string, field: string, system: UnitSystem): TimeTable {
  const rows = text
    .split(/\n|;/)
    .map((r) => r.trim())
    .filter(Boolean);
  if (!rows.length) return refuse(field, text, 'at least one line', 'Type at least one line, like 10 C: 4 h to 5 h.');
  if (rows.length === 1 && !rows[0]!.includes(':')) {
    const [time = '', at] = rows[0]!.split(/\bat\b/i);
    return { form: 'single', tempC: at === undefined ? null : degrees(at, field, system), ...minutesOf(time.trim(), field) };
  }
  const read = rows.map((row, i) => {
    const match = /^([^:]+):\s*(.+)$/.exec(row);
    if (!match) return refuse(field, row, 'temperature: time', `Line ${i + 1}, “${row}”, must be like 10 C: 4 h to 5 h.`);
    const ends = match[1]!.split(/\s*\bto\b\s*/i);
    const unit = /°?\s*[cf]\s*$/i.exec(ends.at(-1)!)?.[0] ?? '';
    const temps = ends.map((e) => degrees(/[cf]\s*$/i.test(e) || !unit ? e : `${e} ${unit}`, field, system));
    return { temps, ...minutesOf(match[2]!, field) };
  });
  const banded = read.filter((r) => r.temps.length === 2).length;
  if (banded && banded < read.length)
    return refuse(field, text, 'one form', 'Some lines are bands (5 to 10 C) and some single temperatures: use one form.');
  if (banded)
    return { form: 'bands', bands: read.map(({ temps, fromMin, toMin }) => ({ fromC: temps[0]!, toC: temps[1]!, fromMin, toMin })) };
  if (read.length === 1) return { form: 'single', tempC: read[0]!.temps[0]!, fromMin: read[0]!.fromMin, toMin: read[0]!.toMin };
  return { form: 'curve', points: read.map(({ temps, fromMin, toMin }) => ({ tempC: temps[0]!, fromMin, toMin })) };
}

/** A table as the text that {@link parseTable} reads back to the same table. */
export function tableText(table: TimeTable): string {
  const time = (r: { fromMin: number; toMin: number }) => {
    const [a, b] = [fieldText('duration', r.fromMin, 'metric'), fieldText('duration', r.toMin, 'metric')];
    return a === b ? a : `${a} to ${b}`;
  };
  if (table.form === 'single') return table.tempC === null ? time(table) : `${time(table)} at ${table.tempC} C`;
  if (table.form === 'bands') return table.bands.map((b) => `${b.fromC} to ${b.toC} C: ${time(b)}`).join('\n');
  return table.points.map((p) => `${p.tempC} C: ${time(p)}`).join('\n');
}
