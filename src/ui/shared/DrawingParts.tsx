'use client';
import type { ReactNode } from 'react';
import type { Outline, Point } from '@/core/void';
import { phrase } from '@/words';
import type { Margins } from './drawing-fit';

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

/** The names of what lies there: where they begin, how far apart at least or in a list, a letter’s width, px. */
const NAMES = { x: 18, size: 14, apart: 24, row: 20, letter: 6.6 };

/** What else lies in the place of a drawing, with the words for it. */
const passesOf = (outlines: readonly Outline[]) =>
  outlines.flatMap((o) =>
    o.label && (o.role === 'already' || o.role === 'later')
      ? [{ ...o, text: phrase`${o.label}, ${o.role === 'already' ? 'lies there' : 'comes over it'}` }]
      : [],
  );

/** A page narrower than this has no room beside its drawing, px. */
export const NARROW = 600;
/** Names that would take more than this of the width stand in a list above instead. */
const NAMED_SHARE = 0.2;

/** Whether names of passes are listed above the drawing: on a phone, and where beside it they would leave it small. */
export const listsPasses = (outlines: readonly Outline[], width: number): boolean =>
  width < NARROW || roomForPasses(outlines, false).left > NAMED_SHARE * width;

/** Room for those names at the left of a drawing, or above it where they are listed, px; none where there are none. */
export function roomForPasses(outlines: readonly Outline[], listed: boolean): Pick<Margins, 'left' | 'top'> {
  const names = passesOf(outlines);
  if (listed) return { left: 0, top: names.length * NAMES.row };
  return { left: Math.max(0, ...names.map((o) => o.text.length * NAMES.letter)), top: 0 };
}

/**
 * What lies there already and what comes later, each with its name: at the left with a line to where it is, or in a
 * list under the title where there is no room beside.
 */
export function Passes({
  outlines,
  toX,
  toY,
  listed,
}: {
  outlines: readonly Outline[];
  toX: (v: number) => number;
  toY: (v: number) => number;
  listed: boolean;
}) {
  const named = passesOf(outlines).map((o) => {
    const [xs, ys] = [o.points.map((p) => toX(p[0])), o.points.map((p) => toY(p[1]))];
    const left = Math.min(...xs);
    const edge = ys.filter((_, i) => xs[i]! < left + 0.5);
    return { ...o, left, at: (Math.min(...edge) + Math.max(...edge)) / 2 };
  });
  if (listed)
    return named.map(({ text, role }, i) => (
      <g key={text}>
        <rect
          x={NAMES.x}
          y={34 + i * NAMES.row}
          width="16"
          height="10"
          fill={role === 'already' ? 'url(#tx-set)' : 'none'}
          stroke="var(--ink)"
          strokeDasharray={role === 'later' ? '4 3' : undefined}
        />
        <Label x={NAMES.x + 22} y={43 + i * NAMES.row} size={NAMES.size}>
          {text}
        </Label>
      </g>
    ));
  // From the lowest up, so that none covers another.
  let below = Number.POSITIVE_INFINITY;
  return [...named]
    .sort((a, b) => b.at - a.at)
    .map(({ text, left, at }) => {
      below = Math.min(at, below - NAMES.apart);
      const ends = NAMES.x + text.length * NAMES.letter;
      return (
        <g key={text}>
          <line x1={ends + 4} y1={below - 4} x2={left} y2={at} stroke="var(--ink-2)" strokeWidth="1" />
          <Label x={NAMES.x} y={below} size={NAMES.size}>
            {text}
          </Label>
        </g>
      );
    });
}
