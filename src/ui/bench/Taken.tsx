'use client';
import type { RepairView } from '@/core/record';
import type { SheetRevision, Stock } from '@/core/system';
import { record } from '../workspace/workspace';
import { changeLot } from '../workspace/workspace';
import { Heading } from '../shared/bits';

/** Kits taken from the shelf for this repair: the lot loses them, the record keeps it. */
export function Taken({ at, sheet, lots, role }: { at: RepairView; sheet: SheetRevision; lots: readonly Stock[]; role: string }) {
  if (!lots.length) return null;
  return (
    <>
      <Heading aside="each goes into the record">Taken from the shelf</Heading>
      <ul>
        {lots.map((l) => {
          const kit = sheet.kits.find((k) => k.id === l.kitId);
          const taken = at.actuals.taken.get(l.id) ?? 0;
          return (
            <li key={l.id} className="flex justify-between gap-3 items-center py-0.5">
              <span>
                <span className="fig">{l.lot}</span>, {kit?.label}: {l.quantity} left{taken ? `, ${taken} taken here` : ''}
              </span>
              <button
                type="button"
                className="act text-sm"
                disabled={l.quantity < 1}
                aria-label={`Take one of lot ${l.lot}`}
                onClick={async () => {
                  await record(at.repair.id, { kind: 'taken', stockId: l.id, lot: l.lot, kit: kit?.label ?? l.kitId, count: 1 }, role);
                  changeLot(l.id, (x) => ({ ...x, quantity: Math.max(0, x.quantity - 1) }));
                }}
              >
                take one
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
