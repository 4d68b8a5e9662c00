'use client';
import type { PassView } from '@/core/record';
import type { SheetRevision, Stock } from '@/core/system';
import { phrase } from '@/words';
import { Heading } from '../shared/bits';
import { SavingButton } from '../shared/SavingButton';
import { workspace } from '../workspace/workspace';

/** Kits taken from the shelf for this repair: the lot loses them, the record keeps it. */
export function Taken({
  at,
  sheet,
  lots,
  role,
}: {
  at: PassView;
  sheet: SheetRevision;
  lots: readonly Stock[];
  role: string;
}) {
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
                <span className="fig">{l.lot}</span>
                {phrase`, ${kit?.label}: ${l.quantity} left${taken ? phrase`, ${taken} taken here` : ''}`}
              </span>
              <SavingButton
                className="btn text-sm"
                disabled={l.quantity < 1}
                aria-label={phrase`Take one of lot ${l.lot}`}
                onSave={() => workspace.takeKit(at.repair.id, l, kit?.label ?? l.kitId, role)}
              >
                take one
              </SavingButton>
            </li>
          );
        })}
      </ul>
    </>
  );
}
