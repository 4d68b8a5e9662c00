import { DateTime } from 'luxon';
import type { SheetRevision, Stock } from '../core/system';
import { boatSheets } from './boat-systems';
import { mortarSheet, pasteSheet, resinSheet } from './first-systems';
import { furtherSheets } from './further-systems';

export { furtherSheets, mortarSheet, pasteSheet, resinSheet };

export const sampleSheets: readonly SheetRevision[] = [
  resinSheet,
  mortarSheet,
  pasteSheet,
  ...furtherSheets,
  ...boatSheets,
];

/** Lots on the sample shelf as of a day: most are good for a while, one is over its date, one stood in the frost. */
export function sampleStock(nowMs: number): readonly Stock[] {
  const day = (months: number) => DateTime.fromMillis(nowMs, { zone: 'utc' }).plus({ months }).toISODate()!;
  const lot = (
    id: string,
    systemId: string,
    kitId: string,
    name: string,
    quantity: number,
    months: number,
    over: Partial<Stock> = {},
  ): Stock => ({
    record: 'stock',
    version: 2,
    id,
    systemId,
    kitId,
    lot: name,
    quantity,
    expiresOn: day(months),
    openedOn: null,
    openedShare: 0,
    breaches: [],
    price: null,
    currency: null,
    dropsPerMl: null,
    stripMm: null,
    where: 'stores, winch house',
    sample: true,
    ...over,
  });
  return [
    lot('stock-anchor', 'system-anchor', 'cartridge', 'AN-0417', 3, 9),
    lot('stock-mortar-small', 'system-mortar', 'small', 'RM-2210', 2, 6),
    lot('stock-mortar-large', 'system-mortar', 'large', 'RM-2188', 1, 8),
    lot('stock-paste', 'system-paste', 'pair', 'SP-0093', 1, 11, { openedOn: day(0), openedShare: 0.4 }),
    lot('stock-filler', 'system-filler', 'tin', 'PF-118', 1, 7, { stripMm: 5 }),
    lot('stock-coat', 'system-coat', 'jar', 'WF-031', 1, -1, { dropsPerMl: 38 }),
    lot('stock-cement', 'system-cement', 'bag', 'CP-77', 4, 5, {
      breaches: [{ on: day(-2), text: 'stood in the open boat house, −6 °C' }],
    }),
    lot('stock-hull', 'system-hull', 'set', 'HP-9', 1, 10),
    lot('stock-putty', 'system-putty', 'bars', 'RP-55', 5, 20),
  ];
}
