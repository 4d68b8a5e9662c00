'use client';
import type { Piece } from '@/core/plan';
import { doseBeyond, doseTells, isOneDose, type SheetRevision, systemKind } from '@/core/system';
import { figure, joined, phrase } from '@/words';
import { Heading, useSay } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { changePass } from '../workspace/workspace';

/** The dose of what the sheet lets one choose: catalyst, hardener paste, water. */
export function DoseField({ repair, sheet }: { repair: Piece; sheet: SheetRevision }) {
  const says = useSay();
  const { dose } = sheet;
  if (!dose) return null;
  const word = systemKind(sheet.kind).dosed ?? 'dose';
  const now = repair.dosePct ?? dose.usualPct;
  const one = isOneDose(dose);
  const tells = doseTells(sheet);
  // As the bag has it: so many quarts to so many pounds.
  const printed = (['doseUsual', 'doseMin', 'doseMax'] as const).flatMap((field) => sheet.printed[field] ?? []);
  const x = (pct: number) => 10 + (280 * (pct - dose.minPct)) / Math.max(1e-9, dose.maxPct - dose.minPct);
  const set = (v: number | null) => changePass(repair, (r) => ({ ...r, dosePct: v }), 'dose');
  return (
    <>
      <Heading
        aside={
          one
            ? phrase`of ${dose.of === 'A' ? 'part A' : 'the total'}; the sheet gives one figure`
            : phrase`of ${dose.of === 'A' ? 'part A' : 'the total'}; the sheet allows ${figure(dose.minPct)} to ${figure(dose.maxPct)} %`
        }
      >
        {word[0]!.toUpperCase() + word.slice(1)}
      </Heading>
      <div className="grid grid-cols-[7.5rem_1fr] gap-3 items-end">
        <QuantityField
          kind="percent"
          label="Dose"
          hideLabel
          value={now}
          // Worked out from quarts to the bag it is no finer than they are; what somebody typed stands as it was typed.
          digits={repair.dosePct === null ? 3 : 5}
          onChange={(t) => set(t.value)}
          onClear={() => set(null)}
          check={(v) => {
            const beyond = doseBeyond(sheet, v);
            return beyond && says(beyond);
          }}
        />
        {!one && (
          <svg
            viewBox="0 -6 300 40"
            className="w-full"
            role="img"
            aria-label={phrase`${figure(now)} % between ${figure(dose.minPct)} and ${figure(dose.maxPct)} %`}
          >
            <rect x="10" y="12" width="280" height="9" fill="url(#tx-b)" />
            <line
              x1={x(dose.usualPct)}
              x2={x(dose.usualPct)}
              y1="8"
              y2="25"
              stroke="var(--ink-2)"
              strokeDasharray="2 2"
            />
            <path d={`M${x(now)} 22 l6 10 h-12 z`} fill="var(--ink)" />
            <text x="10" y="8" fontSize="14" fill="var(--ink-2)">
              {says(tells.little)}
            </text>
            <text x="290" y="8" fontSize="14" textAnchor="end" fill="var(--ink-2)">
              {says(tells.much)}
            </text>
          </svg>
        )}
      </div>
      {printed.length > 0 && (
        <p className="soft text-sm" data-theirs>
          {phrase`On the sheet: ${joined(printed, '; ')}`}
        </p>
      )}
      {repair.dosePct !== null && repair.dosePct !== dose.usualPct && (
        <p className="soft text-sm">{phrase`The sheet’s usual dose is ${figure(dose.usualPct)} %; times at ${figure(now)} % are read between its own doses.`}</p>
      )}
    </>
  );
}
