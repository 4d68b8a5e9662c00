'use client';
import type { PassRef } from '@/core/plan';
import { BIT_OVER_MM, rodRow, type SheetRevision } from '@/core/system';
import { kindOf, measured, type VoidShape } from '@/core/void';
import { phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { writeShape } from './edit';

/** What the chosen sheet wants of the hole for the rod that was typed, and a press that drills it so. */
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
  const row = rod?.isTyped ? rodRow(sheet?.holes ?? null, rod.acrossMm) : null;
  if (!rod || !row) return null;
  const length = (valueMm: number) => format('length', valueMm).text;
  const hole = kindOf(shape)
    .dimensions(shape)
    .find((d) => d.key === rod.holeKey)!.measured;
  const fits = hole.text !== '' && Math.abs(hole.valueMm - row.holeMm) <= BIT_OVER_MM;
  return (
    <p className="flex flex-wrap items-baseline gap-x-3 gap-y-1 soft text-sm" data-testid="hole-by-sheet">
      <span>
        {row.leastMm === null
          ? phrase`The sheet: ${row.rod} in a hole Ø ${length(row.holeMm)}.`
          : phrase`The sheet: ${row.rod} in a hole Ø ${length(row.holeMm)}, ${length(row.leastMm)} to ${length(row.mostMm!)} deep.`}
      </span>
      {!fits && (
        <button
          type="button"
          className="btn text-sm"
          onClick={() => writeShape(of, index, rod.holeKey, measured(row.holeMm, 'marked'))}
        >
          {phrase`Drill Ø ${length(row.holeMm)}`}
        </button>
      )}
    </p>
  );
}
