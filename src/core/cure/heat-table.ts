import { z } from 'zod';
import { type LiftAsk, liftRun } from './lift';
import { potRun, type Reactive } from './self-heat';

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

/** Order in which cells are computed: a coarse net over the whole first, so that there is a picture soon, then what lies between. */
export function tableOrder(): readonly number[] {
  const rows = TABLE_TEMPS_C.length;
  const seen = new Set<number>();
  const out: number[] = [];
  for (const [dr, dc] of [
    [5, 6],
    [3, 3],
    [1, 1],
  ] as const)
    for (let r = 0; r < rows; r += dr)
      for (let c = 0; c < COLUMNS; c += dc) {
        const i = r * COLUMNS + c;
        if (!seen.has(i)) out.push(i);
        seen.add(i);
      }
  return out;
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

/**
 * Pot life between the entries of a table, min: ln life linear in ln mass and in temperature.
 * @returns null outside the table, or where an entry is not computed or a pot outlives the horizon
 */
export function potLifeIn(table: HeatTable, massG: number, tempC: number): number | null {
  const x = (Math.log(massG / TABLE_MASSES_G[0]!) / Math.log(TABLE_MASSES_G.at(-1)! / TABLE_MASSES_G[0]!)) * (COLUMNS - 1);
  const y = ((tempC - TABLE_TEMPS_C[0]!) / (TABLE_TEMPS_C.at(-1)! - TABLE_TEMPS_C[0]!)) * (TABLE_TEMPS_C.length - 1);
  if (!(x >= -1e-9 && x <= COLUMNS - 1 + 1e-9 && y >= -1e-9 && y <= TABLE_TEMPS_C.length - 1 + 1e-9)) return null;
  const [c, r] = [Math.min(COLUMNS - 2, Math.max(0, Math.floor(x))), Math.min(TABLE_TEMPS_C.length - 2, Math.max(0, Math.floor(y)))];
  const at = (dr: number, dc: number) => table.cells[(r + dr) * COLUMNS + c + dc]?.minutes ?? null;
  const corners = [at(0, 0), at(0, 1), at(1, 0), at(1, 1)];
  if (corners.some((v) => v === null)) return null;
  const [a, b, d, e] = corners.map((v) => Math.log(v!)) as [number, number, number, number];
  const [fx, fy] = [x - c, y - r];
  return Math.exp((a * (1 - fx) + b * fx) * (1 - fy) + (d * (1 - fx) + e * fx) * fy);
}
