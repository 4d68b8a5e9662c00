import { z } from 'zod';
import type { SheetRevision } from '../system';
import { type LiftAsk, liftRun } from './lift';
import { potRun, type Reactive, reactiveOf } from './self-heat';

/** Changes whenever the computation does: tables kept of an older one are made again. */
export const HEAT_TABLE_VERSION = 1;

const logSteps = (low: number, high: number, n: number) => Array.from({ length: n }, (_, i) => low * (high / low) ** (i / (n - 1)));

/** Masses, g, thicknesses, mm, and temperatures, °C, at which a sheet is prepared. */
export const TABLE_MASSES_G: readonly number[] = logSteps(20, 10_000, 24);
export const TABLE_LIFTS_MM: readonly number[] = logSteps(2, 100, 24);
export const TABLE_TEMPS_C: readonly number[] = Array.from({ length: 12 }, (_, i) => 5 + 3 * i);

const Cell = z.object({
  /** Pot life, or minutes until a lift has set; null beyond the horizon. */
  minutes: z.number().nullable(),
  peakC: z.number().nullable(),
  verdict: z.enum(['calm', 'hot', 'runaway']),
});
export type HeatCell = z.infer<typeof Cell>;

/** Self-heating of a sheet, prepared: cells by temperature, then by mass or thickness; null where not computed yet. */
export const HeatTable = z.object({
  version: z.literal(HEAT_TABLE_VERSION),
  sheetId: z.string(),
  kind: z.enum(['pot', 'lift']),
  cells: z.array(Cell.nullable()).length(TABLE_TEMPS_C.length * TABLE_MASSES_G.length),
});
export type HeatTable = z.infer<typeof HeatTable>;

export const emptyTable = (sheetId: string, kind: HeatTable['kind']): HeatTable => ({
  version: HEAT_TABLE_VERSION,
  sheetId,
  kind,
  cells: Array.from({ length: TABLE_TEMPS_C.length * TABLE_MASSES_G.length }, () => null),
});

const COLUMNS = TABLE_MASSES_G.length;
const ROWS = TABLE_TEMPS_C.length;

/** Every so many of n entries. */
const every = (step: number, n: number) => Array.from({ length: Math.ceil(n / step) }, (_, i) => i * step);

/** The wide net over a table that plans read: few enough to be made in a moment, and the same whether the rest is there or not. */
const NET = { rows: [...every(3, ROWS), ROWS - 1], columns: [...every(3, COLUMNS), COLUMNS - 1] } as const;

/** Order in which cells are computed: a first coarse picture, then the net that plans read, then what lies between. */
export function tableOrder(): readonly number[] {
  const order = new Set<number>();
  const add = (rows: readonly number[], columns: readonly number[]) => {
    for (const r of rows) for (const c of columns) order.add(r * COLUMNS + c);
  };
  add(every(5, ROWS), every(6, COLUMNS));
  add(NET.rows, NET.columns);
  add(every(1, ROWS), every(1, COLUMNS));
  return [...order];
}

/** The cells that plans read. */
export const netOrder = (): readonly number[] => NET.rows.flatMap((r) => NET.columns.map((c) => r * COLUMNS + c));
/** Whether a table holds all that plans read. */
export const netWhole = (table: HeatTable): boolean => netOrder().every((i) => table.cells[i] !== null);

/** A table with the net computed and the rest still open; some tenths of a second, so in a page only in a worker. @throws Refusal for sheets that do not heat themselves */
export function netTable(sheet: SheetRevision, kind: HeatTable['kind']): HeatTable {
  const m = reactiveOf(sheet);
  const cells = [...emptyTable(sheet.id, kind).cells];
  for (const i of netOrder()) cells[i] = tableCell(m, kind, i);
  return { ...emptyTable(sheet.id, kind), cells };
}

/** One cell of a table: a pot in a room of its own temperature, or a lift on concrete with air and mix alike. */
export function tableCell(m: Reactive, kind: HeatTable['kind'], index: number): HeatCell {
  const tempC = TABLE_TEMPS_C[Math.floor(index / COLUMNS)]!;
  if (kind === 'pot') {
    const r = potRun(m, { massG: TABLE_MASSES_G[index % COLUMNS]!, startC: tempC, roomC: tempC, cells: 7 });
    return { minutes: r.lifeMin, peakC: r.peakC, verdict: r.verdict };
  }
  const ask: LiftAsk = {
    thicknessMm: TABLE_LIFTS_MM[index % COLUMNS]!,
    base: 'concrete',
    baseC: tempC,
    airC: tempC,
    startC: tempC,
    cells: 10,
  };
  const r = liftRun(m, ask);
  return { minutes: r.gelMin, peakC: r.peakC, verdict: r.verdict };
}

/** Entry of a rising axis at or before a value, and how far on it lies to the next; null outside the axis. */
function placeOn(axis: readonly number[], entries: readonly number[], value: number): { at: number; share: number } | null {
  const last = entries.length - 1;
  const slack = 1e-9 * Math.abs(value);
  if (!(value >= axis[entries[0]!]! - slack && value <= axis[entries[last]!]! + slack)) return null;
  let at = 0;
  while (at < last - 1 && axis[entries[at + 1]!]! <= value) at++;
  const [low, high] = [axis[entries[at]!]!, axis[entries[at + 1]!]!];
  return { at, share: Math.min(1, Math.max(0, (value - low) / (high - low))) };
}

const LOG_MASSES = TABLE_MASSES_G.map(Math.log);

/** ln minutes between four entries, linear in ln mass and in temperature; null outside, or where an entry is missing or never dies. */
function between(table: HeatTable, massG: number, tempC: number, rows: readonly number[], columns: readonly number[]): number | null {
  const x = placeOn(LOG_MASSES, columns, Math.log(massG));
  const y = placeOn(TABLE_TEMPS_C, rows, tempC);
  if (!x || !y) return null;
  const at = (dr: number, dc: number) => table.cells[rows[y.at + dr]! * COLUMNS + columns[x.at + dc]!]?.minutes ?? null;
  const corners = [at(0, 0), at(0, 1), at(1, 0), at(1, 1)];
  if (corners.some((v) => v === null)) return null;
  const [a, b, d, e] = corners.map((v) => Math.log(v!)) as [number, number, number, number];
  return (a * (1 - x.share) + b * x.share) * (1 - y.share) + (d * (1 - x.share) + e * x.share) * y.share;
}

/** What the net is read with: a difference smaller than this is none. */
const NET_ACCURACY = 0.02;

/**
 * Share of the sheet's pot life that is left to a pot of another mass, at most 1: an estimate may shorten a working time, never lengthen it.
 * Read from the net alone, so that the answer does not move while a table fills.
 * @returns null where the net has no answer: a mass or temperature beyond it, or a pot that outlives the horizon
 */
export function potShareIn(table: HeatTable, massG: number, referenceG: number, tempC: number): number | null {
  if (massG <= referenceG) return 1;
  const [here, there] = [massG, referenceG].map((g) => between(table, g, tempC, NET.rows, NET.columns));
  if (here == null || there == null) return null;
  const share = Math.exp(here - there);
  return share > 1 - NET_ACCURACY ? 1 : share;
}

/** The worst of the entries around a mass or thickness and a temperature: what is told of heat errs to the hot side. null beyond the net. */
export const worstIn = (table: HeatTable, size: number, tempC: number): HeatCell | null => cornerOf(table, size, tempC, () => 1);

/** The entry nearest to a mass or thickness and a temperature. null beyond the net. */
export const nearestIn = (table: HeatTable, size: number, tempC: number): HeatCell | null =>
  cornerOf(table, size, tempC, (share) => (share > 0.5 ? 1 : 0));

function cornerOf(table: HeatTable, size: number, tempC: number, side: (share: number) => 0 | 1): HeatCell | null {
  const axis = table.kind === 'pot' ? TABLE_MASSES_G : TABLE_LIFTS_MM;
  const [x, y] = [placeOn(axis, NET.columns, size), placeOn(TABLE_TEMPS_C, NET.rows, tempC)];
  return x && y ? (table.cells[NET.rows[y.at + side(y.share)]! * COLUMNS + NET.columns[x.at + side(x.share)]!] ?? null) : null;
}

/**
 * Pot life between the entries of a table, min: ln life linear in ln mass and in temperature.
 * @returns null outside the table, or where an entry is not computed or a pot outlives the horizon
 */
export function potLifeIn(table: HeatTable, massG: number, tempC: number): number | null {
  const ln = between(table, massG, tempC, every(1, ROWS), every(1, COLUMNS));
  return ln === null ? null : Math.exp(ln);
}

/**
 * One row of a table at a temperature, as far as it is computed: pot life over mass, min, or the peak of a lift over thickness, °C, linear
 * between the rows beside it. A lift that runs away has no peak, and the row ends before it.
 */
export function lineAt(table: HeatTable, tempC: number): readonly { readonly size: number; readonly value: number }[] {
  const y = placeOn(TABLE_TEMPS_C, every(1, ROWS), tempC);
  if (!y) return [];
  const sizes = table.kind === 'pot' ? TABLE_MASSES_G : TABLE_LIFTS_MM;
  const out: { size: number; value: number }[] = [];
  for (const [k, size] of sizes.entries()) {
    const [a, b] = [0, 1].map((d) => table.cells[(y.at + d) * COLUMNS + k]);
    if (!a || !b) continue;
    const value = table.kind === 'pot' ? mixed(a.minutes, b.minutes, y.share, true) : mixed(a.peakC, b.peakC, y.share, false);
    if (value !== null) out.push({ size, value });
    else if (table.kind === 'lift') break;
  }
  return out;
}

/** Between two values, straight or in their logarithms; null where either is missing. */
function mixed(a: number | null, b: number | null, share: number, log: boolean): number | null {
  if (a === null || b === null) return null;
  return log ? Math.exp(Math.log(a) * (1 - share) + Math.log(b) * share) : a * (1 - share) + b * share;
}
