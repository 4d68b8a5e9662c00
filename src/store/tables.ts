import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { bodyKey, type HeatBody, HeatTable } from '@/core/cure';

interface Tables extends DBSchema {
  heat: { key: string; value: unknown };
}

let db: Promise<IDBPDatabase<Tables>> | undefined;
/** Prepared tables stand apart from the records: they can always be made again. */
const open = () => {
  db ??= openDB<Tables>('grenko-tables', 1, {
    upgrade: (fresh) => {
      fresh.createObjectStore('heat');
    },
  });
  return db;
};

/** The table of a sheet revision as far as it was prepared; null when there is none that still holds. */
export async function keptTable(sheetId: string, of: HeatBody): Promise<HeatTable | null> {
  try {
    const parsed = HeatTable.safeParse(await (await open()).get('heat', `${sheetId}|${bodyKey(of)}`));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/** Keeps a table; where the browser refuses its database, it is made again next time. */
export async function keepTable(table: HeatTable): Promise<void> {
  try {
    await (await open()).put('heat', HeatTable.parse(table), `${table.sheetId}|${bodyKey(table)}`);
  } catch {
    // Nothing is lost that cannot be computed again.
  }
}
