import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { emptyTable, liftOn, POT } from '@/core/cure';
import { keepTable, keptTable } from './tables';

test('a table is kept by sheet revision and what it is of, and comes back as it was', async () => {
  const table = { ...emptyTable('sheet-7', POT) };
  const cells = [...table.cells];
  cells[5] = { minutes: 31, peakC: 44, verdict: 'calm' };
  await keepTable({ ...table, cells });
  expect((await keptTable('sheet-7', POT))!.cells[5]).toEqual({ minutes: 31, peakC: 44, verdict: 'calm' });
  expect(await keptTable('sheet-7', liftOn('timber'))).toBeNull();
  expect(await keptTable('sheet-8', POT)).toBeNull();
});

test('one that no longer fits is made again, not shown', async () => {
  const db = await openDB('grenko-tables', 1);
  await db.put('heat', { version: 0, sheetId: 'old', kind: 'pot', cells: [] }, 'old|pot');
  expect(await keptTable('old', POT)).toBeNull();
});
