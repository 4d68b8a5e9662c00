'use client';
import type { ReactNode } from 'react';
import type { Point } from '@/core/void';

/** Words in a drawing, on a rim of paper so that they can be read over any texture. */
export function Label({
  x,
  y,
  size,
  figures,
  color,
  middle,
  children,
}: {
  x: number;
  y: number;
  size: number;
  figures?: boolean;
  color?: string;
  middle?: boolean;
  children: ReactNode;
}) {
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      className={figures ? 'fig' : undefined}
      fill={color ?? 'var(--ink)'}
      stroke="var(--paper)"
      strokeWidth="4"
      paintOrder="stroke"
      textAnchor={middle ? 'middle' : undefined}
    >
      {children}
    </text>
  );
}

/** One line of equal depth, labelled on itself where it lies lowest in the drawing. */
export function Contour({
  lines,
  path,
  label,
  small,
  toX,
  toY,
}: {
  lines: readonly (readonly Point[])[];
  path: (points: readonly Point[], open?: boolean) => string;
  label: string;
  small?: boolean;
  toX: (v: number) => number;
  toY: (v: number) => number;
}) {
  if (!lines.length) return null;
  const low = lines.flat().reduce((a, b) => (b[1] > a[1] ? b : a));
  return (
    <g>
      <path
        d={lines.map((l) => path(l, true)).join('')}
        fill="none"
        stroke="var(--set)"
        strokeWidth={small ? 0.8 : 1.3}
      />
      {!small && (
        <text
          x={toX(low[0])}
          y={toY(low[1]) + 4}
          fontSize="11"
          textAnchor="middle"
          className="fig"
          fill="var(--set)"
          stroke="var(--paper)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {label}
        </text>
      )}
    </g>
  );
}
