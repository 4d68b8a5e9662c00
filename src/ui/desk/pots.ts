'use client';
import { useEffect } from 'react';
import { create } from 'zustand';
import { emptyTable, netOrder, netWhole } from '@/core/cure';
import { NO_POTS, type Pots, potSheets, type Repair } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { keepTable, keptTable } from '@/store/tables';
import { cellsTold, startHeatWorker } from '@/worker/heat';

/** Prepared pots as far as this tab has them. Plans made before they are there go by the sheet's figure and are made again. */
export const usePotStore = create<{ readonly pots: Pots }>(() => ({ pots: NO_POTS }));

const asked = new Set<string>();
let line: Promise<void> = Promise.resolve();

/** Prepares the pots of one sheet: from the database, else in a worker. One after the other, so that the hand keeps its processor. */
async function prepare(sheet: SheetRevision): Promise<void> {
  let table = (await keptTable(sheet.id, 'pot')) ?? emptyTable(sheet.id, 'pot');
  if (!netWhole(table)) {
    const worker = startHeatWorker();
    const cells = [...table.cells];
    try {
      const reply = await worker.api.table(
        sheet,
        'pot',
        netOrder(),
        cells,
        cellsTold((told) => {
          for (const [i, cell] of told) cells[i] = cell;
        }),
      );
      // A sheet that cannot be calibrated is planned by its own figure.
      if (!reply.ok) return;
    } finally {
      worker.end();
    }
    table = { ...table, cells };
    await keepTable(table);
  }
  usePotStore.setState((s) => ({ pots: { ...s.pots, [sheet.id]: table } }));
}

/** The prepared pots; those that repairs need and that are missing are prepared in the background. */
export function usePots(repairs: Readonly<Record<string, Repair>>, sheets: Readonly<Record<string, SheetRevision>>): Pots {
  const pots = usePotStore((s) => s.pots);
  useEffect(() => {
    for (const sheet of potSheets(Object.values(repairs), Object.values(sheets))) {
      if (asked.has(sheet.id)) continue;
      asked.add(sheet.id);
      line = line.then(() => prepare(sheet)).catch(() => undefined);
    }
  }, [repairs, sheets]);
  return pots;
}
