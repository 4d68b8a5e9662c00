import { mortarSheet, pasteSheet } from '../../sample/systems';
import {
  emptyTable,
  HeatTable,
  liftOn,
  lineAt,
  mapCells,
  netTable,
  POT,
  potLifeIn,
  potRun,
  reactiveOf,
  TABLE_MASSES_G,
  TABLE_TEMPS_C,
  tableCell,
  tableOrder,
} from '.';

const m = reactiveOf(mortarSheet);

test('every cell is computed once, a coarse net over the whole of it first', () => {
  const order = tableOrder('pot');
  expect([...tableOrder('lift')].sort((a, b) => a - b)).toEqual([...order].sort((a, b) => a - b));
  // Behind the map stand those that lose nothing, one a temperature.
  const all = (TABLE_MASSES_G.length + 1) * TABLE_TEMPS_C.length;
  expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: all }, (_, i) => i));
  expect(mapCells(emptyTable('x', POT))).toHaveLength(TABLE_MASSES_G.length * TABLE_TEMPS_C.length);
  const rows = new Set(order.slice(0, 12).map((i) => Math.floor(i / TABLE_MASSES_G.length)));
  expect(rows.size).toBe(3);
});

test('between its entries a table gives what a run gives, within 2 %; outside it gives nothing', () => {
  const table = emptyTable(mortarSheet.id, POT);
  const cells = [...table.cells];
  for (const r of [4, 5]) for (const c of [11, 12]) cells[r * 24 + c] = tableCell(m, POT, r * 24 + c);
  const made = HeatTable.parse({ ...table, cells });
  const massG = Math.sqrt(TABLE_MASSES_G[11]! * TABLE_MASSES_G[12]!);
  const tempC = (TABLE_TEMPS_C[4]! + TABLE_TEMPS_C[5]!) / 2;
  const run = potRun(m, { massG, startC: tempC, roomC: tempC, lifeOnly: true });
  expect(Math.abs(potLifeIn(made, massG, tempC)! / run.lifeMin! - 1)).toBeLessThan(0.02);
  expect(potLifeIn(made, massG, 39)).toBeNull();
  expect(potLifeIn(made, 5, tempC)).toBeNull();
  expect(potLifeIn(made, TABLE_MASSES_G[3]!, tempC)).toBeNull();
});

test('a lift cell says when it has set and how hot it got', () => {
  const cell = tableCell(m, liftOn('concrete'), 5 * 24 + 15);
  expect(cell.verdict).toBe('calm');
  expect(cell.minutes).toBeGreaterThan(10);
  expect(cell.peakC).toBeGreaterThan(TABLE_TEMPS_C[5]!);
});

test('a row over size: pot life falls with mass, between rows it lies between them; a lift’s row ends where it runs away', () => {
  const pot = netTable(mortarSheet, POT);
  // The net has no two neighbouring rows but the last: there is nothing to draw from elsewhere.
  expect(lineAt(pot, 20)).toEqual([]);
  const last = TABLE_TEMPS_C.length - 1;
  const cells = [...pot.cells];
  for (const c of [0, 6, 12, 18, 23]) cells[(last - 1) * 24 + c] = tableCell(m, POT, (last - 1) * 24 + c);
  const row = lineAt({ ...pot, cells }, (TABLE_TEMPS_C[last]! + TABLE_TEMPS_C[last - 1]!) / 2);
  expect(row.length).toBeGreaterThanOrEqual(4);
  for (let i = 1; i < row.length; i++) expect(row[i]!.value).toBeLessThanOrEqual(row[i - 1]!.value + 1e-9);
  const [cold, warm] = [cells[(last - 1) * 24]!.minutes!, cells[last * 24]!.minutes!];
  expect(row[0]!.value).toBeCloseTo(Math.sqrt(cold * warm), 9);
  const calm = { minutes: 30, peakC: 60, verdict: 'calm' as const };
  const away = { minutes: 10, peakC: null, verdict: 'runaway' as const };
  const lift = {
    ...emptyTable('x', liftOn('concrete')),
    cells: pot.cells.map((_, i) => (i % 24 < 9 ? { ...calm, peakC: 40 + (i % 24) } : away)),
  };
  const line = lineAt(lift, TABLE_TEMPS_C[6]!);
  expect(line.map((p) => p.value)).toEqual([40, 41, 42, 43, 44, 45, 46, 47, 48]);
  expect(lineAt(lift, 60)).toEqual([]);
});

test('the wider steps of a table leave out less than 1 % of a life and 1 K of a peak, and no verdict away from its limit', () => {
  for (const sheet of [mortarSheet, pasteSheet]) {
    const of = reactiveOf(sheet);
    for (const row of [0, 4, 8, 12])
      for (const column of [0, 5, 10, 16, 23]) {
        const [massG, tempC] = [TABLE_MASSES_G[column]!, TABLE_TEMPS_C[row]!];
        const fine = potRun(of, { massG, startC: tempC, roomC: tempC, cells: 7, fineness: 3 });
        const cell = tableCell(of, POT, row * TABLE_MASSES_G.length + column);
        expect(Math.abs(cell.minutes! / fine.lifeMin! - 1)).toBeLessThan(0.01);
        if (cell.peakC !== null && fine.peakC !== null) expect(Math.abs(cell.peakC - fine.peakC)).toBeLessThan(1);
        const hottest = Math.max(...fine.history.meanC);
        if ([120, 150].every((limit) => Math.abs(hottest - limit) > 1.5)) expect(cell.verdict).toBe(fine.verdict);
      }
  }
});
