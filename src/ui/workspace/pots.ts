'use client';
import { useEffect } from 'react';
import { create } from 'zustand';
import { bodyKey, emptyTable, type HeatBody, type HeatTable, netOrder, netWhole } from '@/core/cure';
import { heatAsked, NO_POTS, type Pots, piecesOf, type Repair, withTable } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { keepTable, keptTable } from '@/store/tables';
import { cellsTold, startHeatWorker } from '@/worker/heat';

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
async function netOf(sheet: SheetRevision, of: HeatBody): Promise<HeatTable | null> {
  const table = (await keptTable(sheet.id, of)) ?? emptyTable(sheet.id, of);
  if (netWhole(table)) return table;
  const cells = [...table.cells];
  const take = cellsTold((told) => {
    for (const [i, cell] of told) cells[i] = cell;
  });
  // Started only where something is missing.
  const worker = startHeatWorker();
  try {
    const reply = await worker.api.table(sheet, of, netOrder(of.kind), cells, take);
    if (!reply.ok) return null;
  } finally {
    worker.end();
  }
  const made = { ...table, cells };
  await keepTable(made);
  return made;
}

/** Prepares one table in a worker. One after the other, so that the hand keeps its processor. */
async function prepare(sheet: SheetRevision, of: HeatBody): Promise<void> {
  const table = await netOf(sheet, of);
  usePotStore.setState(({ pots }) => {
    // A sheet that cannot be calibrated is planned by its own figures.
    const heat = table && withTable(pots.get(sheet.id), table);
    return heat ? { pots: new Map([...pots, [sheet.id, heat]]) } : { pots };
  });
}

/** The prepared pots; those that repairs need and that are missing are prepared in the background. */
export function usePots(repairs: ReadonlyMap<string, Repair>, sheets: ReadonlyMap<string, SheetRevision>): Pots {
  const pots = usePotStore((s) => s.pots);
  useEffect(() => {
    for (const { sheet, bodies } of heatAsked([...repairs.values()].flatMap(piecesOf), [...sheets.values()]))
      for (const of of bodies) {
        const key = `${sheet.id}|${bodyKey(of)}`;
        if (asked.has(key)) continue;
        asked.add(key);
        line = line.then(() => prepare(sheet, of)).catch(() => undefined);
      }
  }, [repairs, sheets]);
  return pots;
}
