'use client';
import type { KeyboardEvent, PointerEvent } from 'react';
import type { DimensionLine, Point } from '@/core/void';
import { useFormat } from './bits';
import { GAP, LETTER, wordsBeside } from './label-place';

/** One dimension line of a drawing with its words, and the handle it is pulled by. */
export function DimensionMark({
  line: d,
  value,
  from: [ax, ay],
  to: [bx, by],
  middleX,
  ground,
  width,
  small,
  onTake,
  onNudge,
}: {
  line: DimensionLine;
  /** As measured, mm. */
  value: number | undefined;
  /** Its ends on the page. */
  from: Point;
  to: Point;
  /** Middle of the void on the page. */
  middleX: number;
  /** Left and right edge of what it is drawn on, and the width of the page. */
  ground: readonly [number, number];
  width: number;
  small?: boolean;
  onTake?: (e: PointerEvent<SVGElement>) => void;
  onNudge: (e: KeyboardEvent) => void;
}) {
  const format = useFormat();
  const flat = Math.abs(bx - ax) >= Math.abs(by - ay);
  const label = value === undefined ? d.label : `${d.label} ${format('length', value).text}`;
  const middle = flat && Math.abs(bx - ax) > 60;
  // Labels of upright lines stand on the side that faces away from the middle of the drawing.
  const left = flat ? bx < ax : ax < middleX;
  const size = small ? 11 : 13;
  const half = (ay + by) / 2;
  const beside = flat ? null : wordsBeside({ x: ax, left, long: label.length * size * LETTER, ground, width });
  const [lx, ly] = flat
    ? middle
      ? [(ax + bx) / 2, Math.min(ay, by) - 9]
      : [bx + (left ? -14 : 14), by + 4]
    : [beside!, half + 4];
  return (
    <g stroke="var(--ink)" strokeWidth="1">
      <line x1={ax} y1={ay} x2={bx} y2={by} />
      {beside !== null && Math.abs(beside - ax) > 2 * GAP && (
        <line x1={ax} x2={beside + (left ? 4 : -4)} y1={half} y2={half} strokeWidth="0.8" strokeDasharray="2 3" />
      )}
      <path d={`M${ax - 5} ${ay + 5} l10 -10 M${bx - 5} ${by + 5} l10 -10`} strokeWidth="1.4" />
      <text
        x={lx}
        y={ly}
        fontSize={size}
        fontWeight="650"
        textAnchor={middle ? 'middle' : left ? 'end' : 'start'}
        className="fig"
        stroke="var(--paper)"
        strokeWidth="5"
        paintOrder="stroke"
        fill="var(--ink)"
      >
        {label}
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
          aria-label={`Drag ${d.label}`}
          aria-valuenow={value ?? 0}
          aria-valuetext={label}
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
