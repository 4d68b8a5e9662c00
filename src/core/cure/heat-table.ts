import { z } from 'zod';
import { BaseMaterial, type SheetRevision } from '../system';
import { type LiftAsk, liftRun } from './lift';
import { type Reactive, RUNAWAY_C } from './reactive';
import { lossless, potRun, reactiveOf, verdictOf } from './self-heat';

/** Changes whenever the computation does: tables kept of an older one are made again. */
export const HEAT_TABLE_VERSION = 4;

const logSteps = (low: number, high: number, n: number) =>
  Array.from({ length: n }, (_, i) => low * (high / low) ** (i / (n - 1)));

/** Masses, g, thicknesses, mm, and temperatures, °C, at which a sheet is prepared. */
export const TABLE_MASSES_G: readonly number[] = logSteps(20, 10_000, 24);
export const TABLE_LIFTS_MM: readonly number[] = logSteps(2, 100, 24);
export const TABLE_TEMPS_C: readonly number[] = Array.from({ length: 15 }, (_, i) => -4 + 3 * i);
/**
 * Where a body is taken to lose nothing at all: nothing larger dies sooner or gets hotter. It stands a little beyond
 * the last size, so that what is read between the two errs to the safe side.
 */
const LOSES_NOTHING = { pot: 15_000, lift: 150 } as const;

const Cell = z.object({
  /** Pot life, or minutes until a lift has set; null beyond the horizon. */
  minutes: z.number().nullable(),
  peakC: z.number().nullable(),
  verdict: z.enum(['calm', 'hot', 'runaway']),
});
export type HeatCell = z.infer<typeof Cell>;

const COLUMNS = TABLE_MASSES_G.length;
const ROWS = TABLE_TEMPS_C.length;
/** The column of bodies that lose nothing; its cells stand behind all others. */
const EDGE = COLUMNS;
const CELLS = ROWS * COLUMNS + ROWS;
const indexOf = (row: number, column: number): number =>
  column === EDGE ? ROWS * COLUMNS + row : row * COLUMNS + column;
/** The cells of a table that lie on its map: all but those that lose nothing. */
export const mapCells = (table: HeatTable): HeatTable['cells'] => table.cells.slice(0, ROWS * COLUMNS);

/** What a table is prepared for: pots, or lifts on a base. */
export interface HeatBody {
  readonly kind: 'pot' | 'lift';
  /** What the lifts lie on; null for pots. */
  readonly base: BaseMaterial | null;
}
export const POT: HeatBody = { kind: 'pot', base: null };
export const liftOn = (base: BaseMaterial): HeatBody => ({ kind: 'lift', base });
/** By what a table of a sheet is known. @example bodyKey(liftOn('timber')) // 'lift|timber' */
export const bodyKey = ({ kind, base }: HeatBody): string => (base ? `${kind}|${base}` : kind);

/**
 * Self-heating of a sheet, prepared: cells by temperature, then by mass or thickness, and behind them those that lose
 * nothing by temperature; null where not computed yet.
 */
export const HeatTable = z.object({
  version: z.literal(HEAT_TABLE_VERSION),
  sheetId: z.string(),
  kind: z.enum(['pot', 'lift']),
  base: BaseMaterial.nullable(),
  cells: z.array(Cell.nullable()).length(CELLS),
});
export type HeatTable = z.infer<typeof HeatTable>;

export const emptyTable = (sheetId: string, { kind, base }: HeatBody): HeatTable => ({
  version: HEAT_TABLE_VERSION,
  sheetId,
  kind,
  base,
  cells: Array.from({ length: CELLS }, () => null),
});

/** Every so many of n entries. */
const every = (step: number, n: number) => Array.from({ length: Math.ceil(n / step) }, (_, i) => i * step);

const netOf = (rows: number, columns: number) => ({
  rows: [...new Set([...every(rows, ROWS), ROWS - 1])],
  columns: [...new Set([...every(columns, COLUMNS), COLUMNS - 1]), EDGE],
});

/**
 * The net over a table that plans read: few enough to be made in a moment, and the same whether the rest is there or
 * not. The life of a pot changes slowly with its mass; a lift catches within a few millimetres: none is left out.
 */
const NETS = { pot: netOf(3, 3), lift: netOf(2, 1) } as const;

/** Order in which cells are computed: a first coarse picture, then the net that plans read, then what lies between. */
export function tableOrder(kind: HeatBody['kind']): readonly number[] {
  const order = new Set<number>();
  const add = (rows: readonly number[], columns: readonly number[]) => {
    for (const r of rows) for (const c of columns) order.add(indexOf(r, c));
  };
  add(every(5, ROWS), every(6, COLUMNS));
  add(NETS[kind].rows, NETS[kind].columns);
  add(every(1, ROWS), [...every(1, COLUMNS), EDGE]);
  return [...order];
}

/** The cells that plans read. */
export const netOrder = (kind: HeatBody['kind']): readonly number[] =>
  NETS[kind].rows.flatMap((r) => NETS[kind].columns.map((c) => indexOf(r, c)));
/** Whether a table holds all that plans read. */
export const netWhole = (table: HeatTable): boolean => netOrder(table.kind).every((i) => table.cells[i] !== null);

/**
 * A table with the net computed and the rest still open; some tenths of a second, so in a page only in a worker.
 * @throws Refusal for sheets that do not heat themselves
 */
export function netTable(sheet: SheetRevision, of: HeatBody): HeatTable {
  const m = reactiveOf(sheet);
  const cells = [...emptyTable(sheet.id, of).cells];
  for (const i of netOrder(of.kind)) cells[i] = tableCell(m, of, i);
  return { ...emptyTable(sheet.id, of), cells };
}

/**
 * Steps of a pot that is looked up between others: what they leave out, against a third of the usual ones, is under 1 %
 * of its life and 1 K of its peak, and they take a third of the time.
 */
const TABLE_STEPS = { stepK: 4, stepAlpha: 0.03 };

/** One cell of a table: a pot in a room of its own temperature, or a lift on its base with air and mix alike. */
export function tableCell(m: Reactive, { base }: HeatBody, index: number): HeatCell {
  if (index >= ROWS * COLUMNS) {
    const r = lossless(m, TABLE_TEMPS_C[index - ROWS * COLUMNS]!);
    return { minutes: base ? r.gelMin : r.lifeMin, peakC: r.peakC, verdict: r.verdict };
  }
  const tempC = TABLE_TEMPS_C[Math.floor(index / COLUMNS)]!;
  if (!base) {
    const r = potRun(m, {
      massG: TABLE_MASSES_G[index % COLUMNS]!,
      startC: tempC,
      roomC: tempC,
      cells: 7,
      ...TABLE_STEPS,
    });
    return { minutes: r.lifeMin, peakC: r.peakC, verdict: r.verdict };
  }
  const ask: LiftAsk = {
    thicknessMm: TABLE_LIFTS_MM[index % COLUMNS]!,
    base,
    baseC: tempC,
    airC: tempC,
    startC: tempC,
    cells: 10,
  };
  const r = liftRun(m, ask);
  return { minutes: r.gelMin, peakC: r.peakC, verdict: r.verdict };
}

/** Where a value lies on a rising axis: the entry at or before it, and how far on it lies to the next. */
interface On {
  readonly at: number;
  readonly share: number;
}

/** @returns a share under 0 or over 1 for a value beyond the axis */
function placeOn(axis: readonly number[], entries: readonly number[], value: number): On {
  const last = entries.length - 1;
  let at = 0;
  while (at < last - 1 && axis[entries[at + 1]!]! <= value) at++;
  const [low, high] = [axis[entries[at]!]!, axis[entries[at + 1]!]!];
  return { at, share: (value - low) / (high - low) };
}
const held = ({ at, share }: On): On => ({ at, share: Math.min(1, Math.max(0, share)) });
/** Whether it lies on the axis, a rounding error aside. */
const inside = ({ share }: On): boolean => share >= -1e-9 && share <= 1 + 1e-9;

const sizesOf = (kind: HeatTable['kind']): readonly number[] => [
  ...(kind === 'pot' ? TABLE_MASSES_G : TABLE_LIFTS_MM),
  LOSES_NOTHING[kind],
];
const SIZES = { pot: sizesOf('pot'), lift: sizesOf('lift') } as const;
const LOG_SIZES = { pot: SIZES.pot.map(Math.log), lift: SIZES.lift.map(Math.log) } as const;
const LOG_MASSES = LOG_SIZES.pot;

/**
 * ln minutes between four entries, linear in ln mass and in temperature; null where an entry is missing or never dies.
 */
function between(table: HeatTable, x: On, y: On, rows: readonly number[], columns: readonly number[]): number | null {
  const at = (dr: number, dc: number) => table.cells[indexOf(rows[y.at + dr]!, columns[x.at + dc]!)]?.minutes ?? null;
  const corners = [at(0, 0), at(0, 1), at(1, 0), at(1, 1)];
  if (corners.some((v) => v === null)) return null;
  const [a, b, d, e] = corners.map((v) => Math.log(v!)) as [number, number, number, number];
  return (a * (1 - x.share) + b * x.share) * (1 - y.share) + (d * (1 - x.share) + e * x.share) * y.share;
}

/** What the net is read with: a difference smaller than this is none. */
const NET_ACCURACY = 0.02;

/**
 * Share of the sheet's pot life that is left to a pot of another mass, at most 1: an estimate may shorten a working
 * time, never lengthen it.
 * Read from the net alone, so that the answer does not move while a table fills. Beyond the net the safe neighbour
 * holds: a larger pot is taken to lose nothing, a warmer one as the warmest (the share grows with temperature), a
 * colder one goes on as the coldest two do.
 * @returns null where the net is not whole, or a pot outlives the horizon
 */
export function potShareIn(table: HeatTable, massG: number, referenceG: number, tempC: number): number | null {
  if (massG <= referenceG) return 1;
  const { rows, columns } = NETS.pot;
  const y = placeOn(TABLE_TEMPS_C, rows, Math.min(tempC, TABLE_TEMPS_C.at(-1)!));
  const [here, there] = [massG, referenceG].map((g) =>
    between(table, held(placeOn(LOG_MASSES, columns, Math.log(g))), y, rows, columns),
  );
  if (here == null || there == null) return null;
  const share = Math.exp(here - there);
  return share > 1 - NET_ACCURACY ? 1 : share;
}

/** Whether so much mix, or so thick a lift, at a temperature lies beyond what a table was prepared for. */
export const beyondTable = (kind: HeatTable['kind'], size: number, tempC: number): boolean =>
  size > SIZES[kind].at(-2)! * (1 + 1e-9) || tempC < TABLE_TEMPS_C[0]! || tempC > TABLE_TEMPS_C.at(-1)!;

/** A cell, as much hotter as it is warmer than the warmest row. */
function warmer(cell: HeatCell, byK: number): HeatCell {
  if (byK === 0 || cell.peakC === null) return cell;
  const verdict = verdictOf(cell.peakC + byK);
  return { ...cell, peakC: verdict === 'runaway' ? null : cell.peakC + byK, verdict };
}

/**
 * What becomes of so much mix in a pot, by the worst of the entries around its mass and temperature: what is told of
 * heat errs to the hot side. null where the net is not whole.
 */
export function worstIn(table: HeatTable, massG: number, tempC: number): HeatCell | null {
  const { rows, columns } = NETS.pot;
  const x = held(placeOn(SIZES.pot, columns, massG));
  const y = held(placeOn(TABLE_TEMPS_C, rows, tempC));
  const above = Math.max(0, tempC - TABLE_TEMPS_C.at(-1)!);
  // Warmer than the warmest row: as if it were one size larger, and by so much hotter.
  const column = Math.min(columns.length - 1, x.at + 1 + (above > 0 ? 1 : 0));
  const cell = table.cells[indexOf(rows[y.at + 1]!, columns[column]!)] ?? null;
  return cell && warmer(cell, above);
}

/** The peak of a lift that runs away, °C, as it is read between others: the one next to it is told hot. */
const AWAY_C = RUNAWAY_C + 50;

/**
 * What becomes of a lift, mm, at a temperature: its peak linear in ln thickness and in temperature between the entries
 * around it. Beyond the thickest it is taken to lose nothing. null where the net is not whole.
 */
export function liftIn(table: HeatTable, thicknessMm: number, tempC: number): Omit<HeatCell, 'minutes'> | null {
  const { rows, columns } = NETS.lift;
  const x = held(placeOn(LOG_SIZES.lift, columns, Math.log(thicknessMm)));
  const y = held(placeOn(TABLE_TEMPS_C, rows, tempC));
  const at = (dr: number, dc: number): number | null => {
    const cell = table.cells[indexOf(rows[y.at + dr]!, columns[x.at + dc]!)];
    return cell ? (cell.peakC ?? AWAY_C) : null;
  };
  const [low, high] = [0, 1].map((dr) => mixed(at(dr, 0), at(dr, 1), x.share, false));
  const peakC = mixed(low ?? null, high ?? null, y.share, false);
  if (peakC === null) return null;
  const hot = peakC + Math.max(0, tempC - TABLE_TEMPS_C.at(-1)!);
  const verdict = verdictOf(hot);
  return { peakC: verdict === 'runaway' ? null : hot, verdict };
}

/**
 * Pot life between the entries of a table, min: ln life linear in ln mass and in temperature.
 * @returns null outside the table, or where an entry is not computed or a pot outlives the horizon
 */
export function potLifeIn(table: HeatTable, massG: number, tempC: number): number | null {
  const [rows, columns] = [every(1, ROWS), every(1, COLUMNS)];
  const [x, y] = [placeOn(LOG_MASSES, columns, Math.log(massG)), placeOn(TABLE_TEMPS_C, rows, tempC)];
  const ln = inside(x) && inside(y) ? between(table, held(x), held(y), rows, columns) : null;
  return ln === null ? null : Math.exp(ln);
}

/**
 * One row of a table at a temperature, as far as it is computed: pot life over mass, min, or the peak of a lift over
 * thickness, °C, linear between the rows beside it. A lift that runs away has no peak, and the row ends before it.
 */
export function lineAt(table: HeatTable, tempC: number): readonly { readonly size: number; readonly value: number }[] {
  const on = placeOn(TABLE_TEMPS_C, every(1, ROWS), tempC);
  if (!inside(on)) return [];
  const y = held(on);
  const sizes = table.kind === 'pot' ? TABLE_MASSES_G : TABLE_LIFTS_MM;
  const out: { size: number; value: number }[] = [];
  for (const [k, size] of sizes.entries()) {
    const [a, b] = [0, 1].map((d) => table.cells[(y.at + d) * COLUMNS + k]);
    if (!a || !b) continue;
    const value =
      table.kind === 'pot' ? mixed(a.minutes, b.minutes, y.share, true) : mixed(a.peakC, b.peakC, y.share, false);
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
