'use client';
import type { PassRef } from '@/core/plan';
import { BIT_OVER_MM, rodRow, type SheetRevision } from '@/core/system';
import { kindOf, measured, type VoidShape } from '@/core/void';
import { phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { writeShape } from './edit';

/** What the chosen sheet wants of the hole for the rod that was typed, with presses that drill it so. */
export function HoleBySheet({
  of,
  index,
  shape,
  sheet,
}: {
  of: PassRef;
  index: number;
  shape: VoidShape;
  sheet: SheetRevision | null;
}) {
  const format = useFormat();
  const rod = kindOf(shape).rod?.(shape);
  if (!rod) return null;
  const row = rod.isTyped ? rodRow(sheet?.holes ?? null, rod.acrossMm) : null;
  const length = (valueMm: number) => format('length', valueMm).text;
  const known = (key: string) =>
    kindOf(shape)
      .dimensions(shape)
      .find((d) => d.key === key)!.measured;
  const hole = known(rod.holeKey);
  const fits = hole.text !== '' && row !== null && Math.abs(hole.valueMm - row.holeMm) <= BIT_OVER_MM;
  // Nobody has drilled it yet: as deep as the rod is set is the least, and what most holes are.
  const deep = rod.isSet && known(rod.depthKey).text === '';
  if (!row && !deep) return null;
  const drill = (key: string, mm: number) => writeShape(of, index, key, measured(mm, 'marked'));
  return (
    <p className="flex flex-wrap items-baseline gap-x-3 gap-y-1 soft text-sm" data-testid="hole-by-sheet">
      {row && (
        <span>
          {row.leastMm === null
            ? phrase`The sheet: ${row.rod} in a hole Ø ${length(row.holeMm)}.`
            : phrase`The sheet: ${row.rod} in a hole Ø ${length(row.holeMm)}, ${length(row.leastMm)} to ${length(row.mostMm!)} deep.`}
        </span>
      )}
      {row && !fits && (
        <button type="button" className="btn text-sm" onClick={() => drill(rod.holeKey, row.holeMm)}>
          {phrase`Drill Ø ${length(row.holeMm)}`}
        </button>
      )}
      {deep && (
        <button type="button" className="btn text-sm" onClick={() => drill(rod.depthKey, rod.deepMm)}>
          {phrase`Drill ${length(rod.deepMm)} deep, as the rod is set`}
        </button>
      )}
    </p>
  );
}
