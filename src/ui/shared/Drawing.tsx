'use client';
import { type KeyboardEvent, type PointerEvent, useId, useRef, useState } from 'react';
import type { DimensionLine, Drawing as Plan } from '@/core/void';
import { useFormat } from './bits';

interface Layer {
  readonly fromMm: number;
  readonly toMm: number;
  readonly texture: string;
  readonly label: string;
}

interface Props {
  readonly drawing: Plan;
  readonly base: string;
  readonly width: number;
  readonly height: number;
  /** Lifts inside the void, by depth. */
  readonly layers?: readonly Layer[];
  readonly crownMm?: number;
  readonly values?: Readonly<Record<string, number>>;
  readonly onDrag?: (key: string, valueMm: number) => void;
  readonly small?: boolean;
  readonly unmeasured?: boolean;
}

const PAD = { left: 34, right: 120, top: 54, bottom: 30 };

const STROKES = [1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100, 120, 150, 200, 250, 500, 1000];
/** The drawing scale as people write it: 1 : 5, at 96 dots to the inch. */
function scaleName(pxPerMm: number): string {
  const ratio = 96 / 25.4 / pxPerMm;
  if (ratio < 1) return `${(1 / ratio).toFixed(1)} : 1`;
  return `1 : ${ratio < 10 ? ratio.toFixed(1) : String(STROKES.findLast((n) => n <= ratio) ?? Math.round(ratio))}`;
}

/** A drawing to scale in mm: base hatched by material, void filled with its lifts, dimension ends that can be dragged or moved with the arrow keys. */
export function Drawing({ drawing, base, width, height, layers, crownMm = 0, values, onDrag, small, unmeasured }: Props) {
  const format = useFormat();
  const id = useId();
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<{ key: string; startValue: number; startPx: number; perPx: number; horizontal: boolean } | null>(null);
  const pad = small ? { left: 14, right: 14, top: 26, bottom: 26 } : PAD;
  const all = [...drawing.outlines.flatMap((o) => o.points), ...drawing.dimensions.flatMap((d) => [d.from, d.to])];
  const xs = all.map((p) => p[0]);
  const ys = all.map((p) => p[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const k = Math.min((width - pad.left - pad.right) / Math.max(x1 - x0, 1e-6), (height - pad.top - pad.bottom) / Math.max(y1 - y0, 1e-6));
  const ox = pad.left + (width - pad.left - pad.right - (x1 - x0) * k) / 2 - x0 * k;
  const oy = pad.top + (height - pad.top - pad.bottom - (y1 - y0) * k) / 2 - y0 * k;
  const toX = (v: number) => ox + v * k;
  const toY = (v: number) => oy + v * k;
  const path = (points: readonly (readonly [number, number])[]) =>
    `M${points.map((p) => `${toX(p[0]).toFixed(2)} ${toY(p[1]).toFixed(2)}`).join('L')}Z`;
  const voids = drawing.outlines.filter((o) => o.role === 'void');
  const voidXs = voids.flatMap((o) => o.points.map((p) => p[0]));
  const [vx0, vx1] = [Math.min(...voidXs), Math.max(...voidXs)];
  const fill: Record<string, string> = {
    base: `url(#tx-${base})`,
    rod: 'url(#tx-rod)',
    plate: 'url(#tx-metal)',
    'keep-clear': 'var(--paper)',
    overbuild: 'url(#tx-liquid)',
    void: layers ? 'none' : 'url(#tx-liquid)',
  };

  const grab = (d: DimensionLine, e: PointerEvent<SVGCircleElement>) => {
    if (!onDrag) return;
    const horizontal = Math.abs(d.to[0] - d.from[0]) >= Math.abs(d.to[1] - d.from[1]);
    const forward = horizontal ? Math.sign(d.to[0] - d.from[0]) || 1 : Math.sign(d.to[1] - d.from[1]) || 1;
    e.currentTarget.setPointerCapture(e.pointerId);
    setHeld({
      key: d.key,
      startValue: values?.[d.key] ?? 0,
      startPx: horizontal ? e.clientX : e.clientY,
      perPx: (d.perMm * forward) / (k * screenScale()),
      horizontal,
    });
  };
  const screenScale = () => (svg.current ? svg.current.getBoundingClientRect().width / width : 1);
  const move = (e: PointerEvent) => {
    if (!held || !onDrag) return;
    const v = held.startValue + ((held.horizontal ? e.clientX : e.clientY) - held.startPx) * held.perPx;
    const step = v > 50 ? 1 : v > 10 ? 0.5 : 0.1;
    onDrag(held.key, Math.max(step, Math.round(v / step) * step));
  };
  const nudge = (d: DimensionLine, e: KeyboardEvent) => {
    const sign = e.key === 'ArrowRight' || e.key === 'ArrowUp' ? 1 : e.key === 'ArrowLeft' || e.key === 'ArrowDown' ? -1 : 0;
    if (!sign || !onDrag) return;
    e.preventDefault();
    const v = values?.[d.key] ?? 0;
    const step = (e.shiftKey ? 10 : 1) * (v > 50 ? 1 : v > 10 ? 0.5 : 0.1);
    onDrag(d.key, Math.max(0.1, Number((v + sign * step).toFixed(3))));
  };

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full block select-none"
      role="group"
      aria-label={`${drawing.title}, drawn to scale`}
      onPointerMove={move}
      onPointerUp={() => setHeld(null)}
    >
      <title>{drawing.title}</title>
      {!small && (
        <g stroke="var(--paper-line)" strokeWidth="1">
          {Array.from({ length: Math.floor(width / 24) }, (_, i) => (
            <line key={`v${i}`} x1={i * 24 + 0.5} x2={i * 24 + 0.5} y1="0" y2={height} />
          ))}
          {Array.from({ length: Math.floor(height / 24) }, (_, i) => (
            <line key={`h${i}`} y1={i * 24 + 0.5} y2={i * 24 + 0.5} x1="0" x2={width} />
          ))}
        </g>
      )}
      <text x={small ? 10 : 18} y={small ? 16 : 24} fontSize={small ? 11 : 13} fill="var(--ink-2)">
        {drawing.title}
        {small ? '' : `, ${scaleName(k)}`}
      </text>
      {drawing.outlines
        .filter((o) => o.role === 'base')
        .map((o, i) => (
          <path key={i} d={path(o.points)} fill={fill.base} stroke="var(--ink)" strokeWidth="1.5" />
        ))}
      <defs>
        <clipPath id={`${id}-void`}>
          {voids.map((o, i) => (
            <path key={i} d={path(o.points)} />
          ))}
        </clipPath>
      </defs>
      {voids.map((o, i) => (
        <path key={i} d={path(o.points)} fill={layers ? 'var(--paper)' : fill.void} stroke="none" />
      ))}
      {layers && (
        <g clipPath={`url(#${id}-void)`}>
          {layers.map((l) => (
            <rect
              key={l.label}
              x={toX(x0)}
              width={(x1 - x0) * k}
              y={toY(l.fromMm)}
              height={Math.max(0, (l.toMm - l.fromMm) * k)}
              fill={`url(#tx-${l.texture})`}
              stroke="var(--ink)"
              strokeWidth="0.8"
            />
          ))}
        </g>
      )}
      {crownMm > 0 && (
        <path
          d={`M${toX(vx0)} ${toY(0)} Q${toX((vx0 + vx1) / 2)} ${toY(0) - Math.max(5, crownMm * k * 2)} ${toX(vx1)} ${toY(0)}Z`}
          fill="url(#tx-liquid)"
          stroke="var(--ink)"
          strokeWidth="1"
        />
      )}
      {voids.map((o, i) => (
        <path
          key={i}
          d={path(o.points)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
          strokeDasharray={unmeasured ? '5 4' : undefined}
        />
      ))}
      {drawing.outlines
        .filter((o) => o.role === 'rod' || o.role === 'plate' || o.role === 'keep-clear')
        .map((o, i) => (
          <path key={i} d={path(o.points)} fill={fill[o.role]} stroke="var(--ink)" strokeWidth="1.2" />
        ))}
      {layers &&
        layers.length > 1 &&
        layers.map((l) => (
          <text
            key={l.label}
            x={toX(vx1) + 12}
            y={toY((l.fromMm + l.toMm) / 2) + 4}
            fontSize="12"
            fill="var(--ink)"
            stroke="var(--paper)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            {l.label}
          </text>
        ))}
      {drawing.marks.map((m, i) => (
        <g key={i}>
          <circle cx={toX(m.at[0])} cy={toY(m.at[1])} r="2" fill="var(--ink)" />
          <text
            x={toX(m.at[0]) + 4}
            y={toY(m.at[1]) - 3}
            fontSize="10.5"
            className="fig"
            fill="var(--ink)"
            stroke="var(--paper)"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {m.label}
          </text>
        </g>
      ))}
      {drawing.dimensions
        .filter((d) => !small || Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]) * k > 30)
        .map((d) => {
          const [ax, ay, bx, by] = [toX(d.from[0]), toY(d.from[1]), toX(d.to[0]), toY(d.to[1])];
          const horizontal = Math.abs(bx - ax) >= Math.abs(by - ay);
          const value = values?.[d.key];
          const label = value === undefined ? d.label : `${d.label} ${format('length', value).text}`;
          // Labels of upright lines stand on the side that faces away from the middle of the drawing.
          const leftHalf = !horizontal && ax < toX((x0 + x1) / 2);
          const [lx, ly] = horizontal
            ? [bx - ax > 60 ? (ax + bx) / 2 : bx + 14, bx - ax > 60 ? Math.min(ay, by) - 9 : by + 4]
            : [leftHalf ? ax - 9 : ax + 9, (ay + by) / 2 + 4];
          const anchor = horizontal ? (bx - ax > 60 ? 'middle' : 'start') : leftHalf ? 'end' : 'start';
          return (
            <g key={d.key} stroke="var(--ink)" strokeWidth="1">
              <line x1={ax} y1={ay} x2={bx} y2={by} />
              <path d={`M${ax - 5} ${ay + 5} l10 -10 M${bx - 5} ${by + 5} l10 -10`} strokeWidth="1.4" />
              <text
                x={lx}
                y={ly}
                fontSize="13"
                fontWeight="650"
                textAnchor={anchor}
                className="fig"
                stroke="var(--paper)"
                strokeWidth="5"
                paintOrder="stroke"
                fill="var(--ink)"
              >
                {label}
              </text>
              {onDrag && (
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
                  style={{ cursor: horizontal ? 'ew-resize' : 'ns-resize', touchAction: 'none' }}
                  onPointerDown={(e) => grab(d, e)}
                  onKeyDown={(e) => nudge(d, e)}
                />
              )}
            </g>
          );
        })}
    </svg>
  );
}
