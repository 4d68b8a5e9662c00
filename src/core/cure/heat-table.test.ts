import { mortarSheet } from '../../sample/systems';
import { emptyTable, HeatTable, potLifeIn, potRun, reactiveOf, TABLE_MASSES_G, TABLE_TEMPS_C, tableCell, tableOrder } from '.';

const m = reactiveOf(mortarSheet);

test('every cell is computed once, a coarse net over the whole of it first', () => {
  const order = tableOrder();
  expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: TABLE_MASSES_G.length * TABLE_TEMPS_C.length }, (_, i) => i));
  const rows = new Set(order.slice(0, 12).map((i) => Math.floor(i / TABLE_MASSES_G.length)));
  expect(rows.size).toBe(3);
});

test('between its entries a table gives what a run gives, within 2 %; outside it gives nothing', () => {
  const table = emptyTable(mortarSheet.id, 'pot');
  const cells = [...table.cells];
  for (const r of [4, 5]) for (const c of [11, 12]) cells[r * 24 + c] = tableCell(m, 'pot', r * 24 + c);
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
  const cell = tableCell(m, 'lift', 5 * 24 + 15);
  expect(cell.verdict).toBe('calm');
  expect(cell.minutes).toBeGreaterThan(10);
  expect(cell.peakC).toBeGreaterThan(TABLE_TEMPS_C[5]!);
});
