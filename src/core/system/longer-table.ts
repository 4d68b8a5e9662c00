import type { PlainTable, TimeTable } from './milestone';

/** A table with every time so many times as long. */
export function longerTable(table: TimeTable, times: number): TimeTable {
  const longer = <T extends { readonly fromMin: number; readonly toMin: number }>(row: T): T => ({
    ...row,
    fromMin: row.fromMin * times,
    toMin: row.toMin * times,
  });
  switch (table.form) {
    case 'curve':
      return { ...table, points: table.points.map(longer) };
    case 'bands':
      return { ...table, bands: table.bands.map(longer) };
    case 'tiers':
      return { ...table, tiers: table.tiers.map(longer) };
    case 'by-dose':
      return {
        ...table,
        doses: table.doses.map((d) => ({ ...d, table: longerTable(d.table, times) as PlainTable })),
      };
    default:
      return longer(table);
  }
}
