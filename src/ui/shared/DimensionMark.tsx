'use client';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { DimensionLine, Point } from '@/core/void';
import { phrase } from '@/words';
import type { useFormat } from './bits';
import { WORD_PX } from './drawing-fit';
import type { WordsAt } from './place-words';

/** What a dimension line says: its name, and what was measured. */
export const dimensionWords = (
  format: ReturnType<typeof useFormat>,
  { label }: DimensionLine,
  valueMm: number | undefined,
): string => (valueMm === undefined ? label : phrase`${label} ${format('length', valueMm).text}`);

/** One dimension line of a drawing with its words, and the handle it is pulled by. */
export function DimensionMark({
  line: d,
  words,
  at,
  value,
  from: [ax, ay],
  to: [bx, by],
  small,
  onTake,
  onNudge,
}: {
  line: DimensionLine;
  words: string;
  /** Where the words stand on the page. */
  at: WordsAt;
  /** As measured, mm. */
  value: number | undefined;
  /** Its ends on the page. */
  from: Point;
  to: Point;
  small?: boolean;
  onTake?: (e: PointerEvent<SVGElement>) => void;
  onNudge: (e: KeyboardEvent) => void;
}) {
  const flat = Math.abs(bx - ax) >= Math.abs(by - ay);
  return (
    <g stroke="var(--ink)" strokeWidth="1">
      <line x1={ax} y1={ay} x2={bx} y2={by} />
      {at.leadY !== null && (
        <line
          x1={ax}
          x2={at.x + (at.anchor === 'end' ? 4 : -4)}
          y1={at.leadY}
          y2={at.leadY}
          strokeWidth="0.8"
          strokeDasharray="2 3"
        />
      )}
      <path d={`M${ax - 5} ${ay + 5} l10 -10 M${bx - 5} ${by + 5} l10 -10`} strokeWidth="1.4" />
      <text
        x={at.x}
        y={at.y}
        fontSize={small ? WORD_PX.small : WORD_PX.full}
        fontWeight="650"
        textAnchor={at.anchor}
        className="fig"
        stroke="var(--paper)"
        strokeWidth="5"
        paintOrder="stroke"
        fill="var(--ink)"
      >
        {words}
      </text>
      {onTake && (
        <circle
          cx={bx}
          cy={by}
          r="7"
          fill="var(--paper)"
          strokeWidth="2"
          tabIndex={0}
          role="slider"
          aria-label={phrase`Drag ${d.label}`}
          aria-valuenow={value ?? 0}
          aria-valuetext={words}
          data-testid={`pull-${d.key}`}
          style={{ cursor: flat ? 'ew-resize' : 'ns-resize', touchAction: 'none' }}
          onClick={(e) => e.stopPropagation()}
          onPointerDown={onTake}
          onKeyDown={onNudge}
        />
      )}
    </g>
  );
}
