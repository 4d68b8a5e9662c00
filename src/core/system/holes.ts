import { z } from 'zod';
import { listed, type Message, mm, refuse, texts } from '../say';
import { parseQuantity } from '../typed';
import { Mm, type UnitSystem } from '../units';

const REFUSED = texts('refused.system.holes', {
  'line-must-like': 'Line {n}, “{line}”, must be like M12: 14, 70 to 120.',
  'rod-unclear': 'Line {n}: {why}',
  'hole-under-rod': 'Line {n}: a hole of {hole} does not take a rod of {rod}.',
  'range-ends-swapped': 'Line {n}: the depths have their ends swapped.',
  'told-twice': 'Line {n}: {rod} stands there twice.',
  'too-many': 'At most {most} lines.',
  'stroke-unclear': '“{text}” must be like 2 blow, 2 brush, 2 blow.',
});

const SAY = texts('holes', {
  cycle: '{strokes}',
  flush: '{times, plural, one {flush} =2 {flush twice} other {flush # times}}',
  blow: '{times, plural, one {blow} =2 {blow twice} other {blow # times}}',
  brush: '{times, plural, one {brush} =2 {brush twice} other {brush # times}}',
});

const MOST_RODS = 40;
/** Longer than that nothing is drilled, mm. */
const LONGEST_MM = 5000;
const positive = Mm.positive().max(LONGEST_MM);

/** What a sheet wants of the hole for a rod of one size. */
const RodRow = z.object({
  /** As the sheet names it. */
  rod: z.string().min(1).max(40),
  rodMm: positive,
  holeMm: positive,
  /** Least and most embedment; null where the sheet names none. */
  leastMm: positive.nullable(),
  mostMm: positive.nullable(),
  /** Diameter of its brush. */
  brushMm: positive.nullable(),
});
export type RodRow = z.infer<typeof RodRow>;

/** Ways to clean a drilled hole, and the words that people have for them. */
const STROKES = {
  flush: /^(?:flush(?:ed|es|ing)?|rins(?:e|ed|es|ing)|water|spülen|gespült)$/i,
  blow: /^(?:blows?|blown|blowing|air|(?:aus)?blasen|ausgeblasen)$/i,
  brush: /^(?:brush(?:ed|es|ing)?|(?:aus)?bürsten|(?:aus)?gebürstet)$/i,
} as const;
export type StrokeId = keyof typeof STROKES;
const STROKE_IDS = Object.keys(STROKES) as [StrokeId, ...StrokeId[]];

/** So many strokes of one kind before the next. */
const Strokes = z.object({ do: z.enum(STROKE_IDS), times: z.number().int().min(1).max(20) });
export type Strokes = z.infer<typeof Strokes>;

/** What a sheet says of the holes that rods are set into. */
export const Holes = z.object({
  rods: z.array(RodRow).max(MOST_RODS),
  /** How a hole is cleaned, in order; empty where the sheet is silent. */
  cleaning: z.array(Strokes).max(12),
  /**
   * Wet holes: excluded, or allowed with every wait so many times as long; null where the sheet is silent, which allows
   * nothing.
   */
  wet: z.union([z.literal('no'), z.object({ times: z.number().min(1).max(10) })]).nullable(),
  /** The table of rods as it is printed, so that the next revision begins from it. */
  printed: z.string().max(4000),
});
export type Holes = z.infer<typeof Holes>;

/** As holes are cleaned where the sheet is silent. */
const USUAL_CLEANING: readonly Strokes[] = [
  { do: 'blow', times: 2 },
  { do: 'brush', times: 2 },
  { do: 'blow', times: 2 },
];

/**
 * A bit cuts wider than it is named, a worn one narrower: so far off, mm, it is still the hole that was asked for. A
 * figure of ours.
 */
export const BIT_OVER_MM = 0.75;

/** Nearer than that a rod is one of that size, mm. */
const SAME_ROD_MM = 0.3;

/** What the sheet wants of the hole for a rod of so much; null where its table has none of that size. */
export const rodRow = (holes: Holes | null, rodMm: number): RodRow | null =>
  holes?.rods
    .filter((r) => Math.abs(r.rodMm - rodMm) <= SAME_ROD_MM)
    .sort((a, b) => Math.abs(a.rodMm - rodMm) - Math.abs(b.rodMm - rodMm))[0] ?? null;

const UNIT_AT_END = /[a-z"″”']+\.?\s*$/i;

/** One end or both of a depth; the unit is said once, for both. */
function ends(text: string, length: (text: string) => number | null): readonly [number, number] | null {
  const parts = text.split(/\s*(?:\bto\b|\bbis\b|…|–|—|(?<=\d)\s*-\s*(?=\d+(?:[.,]\d+)?\s*(?:mm|cm)?$))\s*/i);
  if (parts.length > 2) return null;
  const unit = UNIT_AT_END.exec(parts.at(-1)!)?.[0] ?? '';
  const read = parts.map((p) => length(UNIT_AT_END.test(p) || !unit ? p : `${p} ${unit}`));
  const [from, to = from] = read as [number | null, (number | null)?];
  return from === null || to == null ? null : [from, to];
}

/** What stands behind the rod of a line: between commas, tabs or wide gaps, or single ones where all are figures. */
function cellsOf(told: string): readonly string[] {
  const rest = told.replace(/[Øø⌀]\s*/g, '');
  const wide = rest
    .split(/\s*[;|\t×]\s*|,\s+|\s+x\s+|\s{2,}/)
    .map((c) => c.trim())
    .filter(Boolean);
  if (wide.length > 1 || !/^[\d.,\-–\s]+$/.test(rest)) return wide;
  return rest.trim().split(/\s+/);
}

const BRUSH = /^(?:brush|bürste)\b\s*/i;
/** The rod of a line, and the rest of it. */
const LINE = /^([^:;|\t]+?)\s*[:;|\t]\s*(.+)$/;
const LINE_BY_GAP = /^((?:M|#|no\.?|[Øø⌀])?\s*\d\S*(?:\s+(?:re)?bars?\b)?)\s+(.+)$/i;

/** Dashes between all of the figures part them; between two they are a range. */
const BY_DASHES = /^\S+(?: [-–—] \S+){2,}$/;

/** What stands behind the rod: its hole, its depths, its brush. @throws Refusal naming the line */
function readCells(
  cells: readonly string[],
  length: (text: string) => number | null,
): Pick<RodRow, 'holeMm' | 'leastMm' | 'mostMm' | 'brushMm'> | null {
  const told = cells.find((c) => BRUSH.test(c));
  const [hole = '', depth, third, ...more] = cells.filter((c) => c !== told);
  const brush = told?.replace(BRUSH, '') ?? third;
  const holeMm = length(hole);
  const deep = depth === undefined ? [null, null] : ends(depth, length);
  const brushMm = brush === undefined ? null : length(brush);
  const isWhole = !more.length && !(told && third !== undefined) && (brush === undefined || brushMm !== null);
  return holeMm !== null && deep && isWhole ? { holeMm, leastMm: deep[0]!, mostMm: deep[1]!, brushMm } : null;
}

function readRodLine(printed: string, n: number, field: string, system: UnitSystem): RodRow {
  const length = (text: string) => {
    const read = parseQuantity('length', text, system);
    return read.ok && read.value > 0 && read.value <= LONGEST_MM ? read.value : null;
  };
  const line = BY_DASHES.test(printed) ? printed.replace(/ [-–—] /g, '; ') : printed;
  const [, rod = '', rest = ''] = LINE.exec(line) ?? LINE_BY_GAP.exec(line) ?? [];
  const read = readCells(cellsOf(rest), length);
  if (!read) return refuse(field, line, 'rod: hole, depth', REFUSED['line-must-like']({ n, line }));
  const named = parseQuantity('length', rod, system);
  if (!named.ok) return refuse(field, rod, 'a rod', REFUSED['rod-unclear']({ n, why: named.sentence }));
  const { holeMm, leastMm, mostMm } = read;
  if (holeMm <= named.value)
    refuse(
      field,
      line,
      'a hole wider than its rod',
      REFUSED['hole-under-rod']({ n, hole: mm(holeMm), rod: mm(named.value) }),
    );
  if (leastMm !== null && mostMm !== null && leastMm > mostMm)
    refuse(field, line, 'shorter end first', REFUSED['range-ends-swapped']({ n }));
  return { rod, rodMm: named.value, ...read };
}

/**
 * Reads the table of rods, one a line: `M12: 14, 70 to 120, brush 16`, or its columns as they are pasted from a paper:
 * rod, hole, depth, brush. A line without a figure is a heading.
 * @throws Refusal naming the line
 */
export function parseRods(text: string, field: string, system: UnitSystem): readonly RodRow[] {
  const lines = text
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => /\d/.test(l));
  if (lines.length > MOST_RODS)
    refuse(field, lines.length, `up to ${MOST_RODS}`, REFUSED['too-many']({ most: MOST_RODS }));
  const rows = lines.map((line, i) => readRodLine(line, i + 1, field, system));
  const again = rows.findIndex((row, i) => rows.findIndex((r) => Math.abs(r.rodMm - row.rodMm) < 1e-6) < i);
  if (again >= 0) refuse(field, again, 'each rod once', REFUSED['told-twice']({ n: again + 1, rod: rows[again]!.rod }));
  return rows;
}

/** The table of rods in the form in which it is typed. */
export const rodsText = (rods: readonly RodRow[]): string =>
  rods
    .map((r) => {
      const deep =
        r.leastMm === null ? [] : [r.leastMm === r.mostMm ? `${r.leastMm} mm` : `${r.leastMm} to ${r.mostMm} mm`];
      return `${r.rod}: ${[`${r.holeMm} mm`, ...deep, ...(r.brushMm === null ? [] : [`brush ${r.brushMm} mm`])].join(', ')}`;
    })
    .join('\n');

/** No way to clean a hole takes more to write, in characters. */
const LONGEST_CLEANING = 300;

/** `blow out twice` as `blow 2`. */
const inTimes = (stroke: string): string =>
  stroke
    .replace(/\s+(?:out|through|clean)\b/i, '')
    .replace(/\bonce\b|\beinmal\b/i, '1')
    .replace(/\btwice\b|\bzweimal\b/i, '2')
    .replace(/\b(?:three times|thrice|dreimal)\b/i, '3')
    .replace(/\b(?:four times|viermal)\b/i, '4');

/**
 * Reads how a hole is cleaned: `2 blow, 2 brush, 2 blow`, `4× blow; brush; blow 4`.
 * @throws Refusal naming the stroke that is none
 */
export function parseCleaning(text: string, field: string): readonly Strokes[] {
  if (text.length > LONGEST_CLEANING)
    return refuse(
      field,
      text.length,
      'blow, brush or flush',
      REFUSED['stroke-unclear']({ text: `${text.slice(0, 40)}…` }),
    );
  return text
    .split(
      /\s*(?:[,;+\n]|\bthen\b|\band\b|\bdann\b|\bund\b)\s*|(?<=\p{L})\s+(?=\d)(?!\d+\s*(?:[x×]|times|mal)?\s*(?:[,;+\n]|$|(?:then|and|dann|und)\b))/iu,
    )
    .map((t) => inTimes(t.trim()))
    .filter(Boolean)
    .map((t) => {
      const told = /^(?:(\d{1,3})\s*[x×]?\s*)?(\p{L}+)(?:\s*[x×]?\s*(\d{1,3})(?:\s*(?:[x×]|times|mal))?)?$/iu.exec(t);
      const id = told && STROKE_IDS.find((s) => STROKES[s].test(told[2]!));
      const times = Number(told?.[1] ?? told?.[3] ?? 1);
      if (!told || !id || (told[1] && told[3]) || times < 1 || times > 20)
        return refuse(field, t, 'blow, brush or flush', REFUSED['stroke-unclear']({ text: t }));
      return { do: id, times };
    });
}

/** How a hole is cleaned, in the form in which it is typed. */
export const cleaningText = (strokes: readonly Strokes[]): string =>
  strokes.map((s) => `${s.times} ${s.do}`).join(', ');

/** The same as it is said at the hole. */
export const cleaningSaid = (strokes: readonly Strokes[]): Message =>
  SAY.cycle({
    strokes: listed(
      strokes.map((s) => SAY[s.do]({ times: s.times })),
      'comma',
    ),
  });

/** Strokes that each hole takes. */
export const strokesIn = (strokes: readonly Strokes[]): number => strokes.reduce((n, s) => n + s.times, 0);

/** How a sheet wants holes cleaned, or what is usual where it is silent. */
export const cleaningOf = (holes: Holes | null): readonly Strokes[] =>
  holes?.cleaning.length ? holes.cleaning : USUAL_CLEANING;
