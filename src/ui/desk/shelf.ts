'use client';
import { readSheetFile, writeSheetFile } from '@/core/file';
import type { SheetRevision, Stock } from '@/core/system';
import { byId, keep, useDesk } from './desk';

export function putSheet(sheet: SheetRevision): void {
  useDesk.setState((d) => ({ sheets: { ...d.sheets, [sheet.id]: sheet } }));
  void keep([sheet]);
}

export function putLot(lot: Stock): void {
  useDesk.setState((d) => ({ stock: { ...d.stock, [lot.id]: lot } }));
  void keep([lot]);
}

export function changeLot(id: string, change: (lot: Stock) => Stock): void {
  const before = useDesk.getState().stock[id];
  if (before) putLot(change(before));
}

export function removeLot(id: string): void {
  useDesk.setState((d) => {
    const { [id]: _gone, ...stock } = d.stock;
    return { stock };
  });
  void keep([], [{ kind: 'stock', id }]);
}

/** Sheets (newest revisions, or one) with their lots as a file. */
export function exportSheets(sheets: readonly SheetRevision[]): string {
  const systems = new Set(sheets.map((s) => s.systemId));
  return writeSheetFile({
    format: 'grenko-sheets',
    version: 1,
    exportedAt: new Date().toISOString(),
    sheets: [...sheets],
    stock: Object.values(useDesk.getState().stock).filter((s) => systems.has(s.systemId)),
  });
}

/** Takes sheets in; what stands here already stays as it is. @throws Refusal naming the place in a damaged or foreign file */
export function importSheets(text: string): { readonly fresh: readonly SheetRevision[]; readonly known: number } {
  const file = readSheetFile(text);
  const desk = useDesk.getState();
  const fresh = file.sheets.filter((s) => !desk.sheets[s.id]);
  const stock = file.stock.filter((s) => !desk.stock[s.id]);
  useDesk.setState({ sheets: { ...desk.sheets, ...byId(fresh) }, stock: { ...desk.stock, ...byId(stock) } });
  void keep([...fresh, ...stock]);
  return { fresh, known: file.sheets.length - fresh.length };
}
