'use client';
import { useEffect } from 'react';
import { create } from 'zustand';
import { emptyTable, type HeatTable, netOrder, netWhole } from '@/core/cure';
import { NO_POTS, type Pots, piecesOf, potSheets, type Repair } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { keepTable, keptTable } from '@/store/tables';
import { cellsTold, type HeatWorker, startHeatWorker } from '@/worker/heat';

/**
 * Prepared pots as far as this tab has them. Plans made before they are there go by the sheet's figure and are made
 * again.
 */
export const usePotStore = create<{ readonly pots: Pots }>(() => ({ pots: NO_POTS }));

const asked = new Set<string>();
let line: Promise<void> = Promise.resolve();

/**
 * One table of a sheet with all that plans read: from the database, else computed; null where the sheet cannot be
 * calibrated.
 */
async function netOf(
  sheet: SheetRevision,
  kind: HeatTable['kind'],
  start: () => HeatWorker['api'],
): Promise<HeatTable | null> {
  const table = (await keptTable(sheet.id, kind)) ?? emptyTable(sheet.id, kind);
  if (netWhole(table)) return table;
  const cells = [...table.cells];
  const take = cellsTold((told) => {
    for (const [i, cell] of told) cells[i] = cell;
  });
  const reply = await start().table(sheet, kind, netOrder(), cells, take);
  if (!reply.ok) return null;
  const made = { ...table, cells };
  await keepTable(made);
  return made;
}

/**
 * Prepares pots and lifts of one sheet in a worker. One sheet after the other, so that the hand keeps its processor.
 */
async function prepare(sheet: SheetRevision): Promise<void> {
  let worker: HeatWorker | undefined;
  // Started only where something is missing.
  const start = () => {
    worker ??= startHeatWorker();
    return worker.api;
  };
  try {
    const [pot, lift] = [await netOf(sheet, 'pot', start), await netOf(sheet, 'lift', start)];
    // A sheet that cannot be calibrated is planned by its own figures.
    if (pot && lift) usePotStore.setState((s) => ({ pots: new Map([...s.pots, [sheet.id, { pot, lift }]]) }));
  } finally {
    worker?.end();
  }
}

/** The prepared pots; those that repairs need and that are missing are prepared in the background. */
export function usePots(repairs: ReadonlyMap<string, Repair>, sheets: ReadonlyMap<string, SheetRevision>): Pots {
  const pots = usePotStore((s) => s.pots);
  useEffect(() => {
    for (const sheet of potSheets([...repairs.values()].flatMap(piecesOf), [...sheets.values()])) {
      if (asked.has(sheet.id)) continue;
      asked.add(sheet.id);
      line = line.then(() => prepare(sheet)).catch(() => undefined);
    }
  }, [repairs, sheets]);
  return pots;
}
