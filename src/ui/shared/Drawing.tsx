'use client';
import { type KeyboardEvent, type PointerEvent, useId, useRef, useState } from 'react';
import type { DimensionLine, Outline, Drawing as Plan, Point } from '@/core/void';
import { useFormat } from './bits';
import { DimensionMark } from './DimensionMark';
import { Contour, Label, Passes, roomForPasses } from './DrawingParts';
import { BARE_PAD, type Fit, fitOf, PAD, SMALL_PAD, scaleName } from './drawing-fit';
import { placeOn, unitsPerPixel } from './svg-place';

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
  /** Called while the end of a dimension line is pulled. */
  readonly onDrag?: (key: string, valueMm: number) => void;
  /** Called while a corner, a reading or a station is moved. */
  readonly onMove?: (key: string, at: Point) => void;
  /** Called while the line of the section is pulled, with its share of the way across. */
  readonly onCut?: (share: number) => void;
  /** Called with the place that was clicked, mm. */
  readonly onPlace?: (at: Point) => void;
  readonly small?: boolean;
  /** Without title and dimension lines: a picture to choose by. */
  readonly bare?: boolean;
  /** Room kept free at the right, px of the drawing. */
  readonly free?: number;
  readonly unmeasured?: boolean;
}

type Held = { readonly fit: Fit; readonly x: number; readonly y: number } & (
  | { readonly what: 'dimension'; readonly line: DimensionLine; readonly start: number }
  | { readonly what: 'handle'; readonly key: string; readonly start: Point }
  | { readonly what: 'cut'; readonly start: number }
);

/** A page narrower than this has no room beside its drawing, px. */
const NARROW = 600;

/** Room for the words of an upright dimension in a small drawing, px. */
const SMALL_WORDS = 80;

/** A step of the hand that suits the size of what is moved, mm. */
const stepFor = (v: number) => (v > 50 ? 1 : v > 10 ? 0.5 : 0.1);
const KEYS: Readonly<Record<string, Point>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const LINES: Readonly<Partial<Record<Outline['role'], { width: number; dash?: string }>>> = {
  centre: { width: 1, dash: '14 4 3 4' },
  level: { width: 1.1, dash: '6 4' },
  datum: { width: 3.2 },
};

/**
 * A drawing to scale in mm: base hatched by material, void filled with its lifts; ends of dimension lines, corners,
 * readings and the line of the section can be pulled, or moved with the arrow keys.
 */
export function Drawing(props: Props) {
  const {
    drawing,
    base,
    width,
    height,
    layers,
    crownMm = 0,
    values,
    onDrag,
    onMove,
    onCut,
    onPlace,
    small,
    bare,
    free = 0,
    unmeasured,
  } = props;
  const format = useFormat();
  const id = useId();
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<Held | null>(null);
  // What is pulled must not run away under the hand: the fit stands still until it is let go.
  // An upright dimension at the left carries its words further left.
  const leftmost = Math.min(...drawing.outlines.flatMap((o) => o.points.map((p) => p[0])));
  const words = drawing.dimensions.some((d) => d.from[0] === d.to[0] && d.from[0] < leftmost) ? 86 : 0;
  const rightmost = Math.max(
    ...drawing.outlines.filter((o) => o.role === 'void').flatMap((o) => o.points.map((p) => p[0])),
  );
  const rightWords = drawing.dimensions.some((d) => d.from[0] === d.to[0] && d.from[0] >= rightmost) ? 1 : 0;
  // What lies there is named at the left, and under the title where the page is narrow.
  const room = width < NARROW ? 0 : roomForPasses(drawing.outlines);
  const pad = bare
    ? BARE_PAD
    : small
      ? {
          ...SMALL_PAD,
          left: SMALL_PAD.left + (words && SMALL_WORDS),
          right: SMALL_PAD.right + (rightWords && SMALL_WORDS),
        }
      : { ...PAD, left: PAD.left + Math.max(words, room), right: PAD.right + free };
  const shownLines = bare ? [] : drawing.dimensions;
  const fit = held?.fit ?? fitOf({ ...drawing, dimensions: shownLines }, width, height, pad);
  const { k } = fit;
  const toX = (v: number) => fit.ox + v * k;
  const toY = (v: number) => fit.oy + v * k;
  const pixel = () => unitsPerPixel(svg.current);
  const path = (points: readonly Point[], open = false) =>
    `M${points.map((p) => `${toX(p[0]).toFixed(2)} ${toY(p[1]).toFixed(2)}`).join('L')}${open ? '' : 'Z'}`;
  const voids = drawing.outlines.filter((o) => o.role === 'void');
  const voidXs = voids.flatMap((o) => o.points.map((p) => p[0]));
  const [vx0, vx1] = [Math.min(...voidXs), Math.max(...voidXs)];
  const groundXs = drawing.outlines.filter((o) => o.role === 'base').flatMap((o) => o.points.map((p) => toX(p[0])));
  const ground = [Math.min(...groundXs), Math.max(...groundXs)] as const;
  const fill: Partial<Record<Outline['role'], string>> = {
    base: `url(#tx-${base})`,
    rod: 'url(#tx-rod)',
    part: 'url(#tx-rod)',
    plate: 'url(#tx-metal)',
    'keep-clear': 'var(--paper)',
    void: layers ? 'none' : 'url(#tx-liquid)',
  };

  const take = (
    e: PointerEvent<SVGElement>,
    what:
      | Omit<Extract<Held, { what: 'dimension' }>, 'fit' | 'x' | 'y'>
      | Omit<Extract<Held, { what: 'handle' }>, 'fit' | 'x' | 'y'>
      | Omit<Extract<Held, { what: 'cut' }>, 'fit' | 'x' | 'y'>,
  ) => {
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    setHeld({ ...what, fit, x: e.clientX, y: e.clientY } as Held);
  };
  const move = (e: PointerEvent) => {
    if (!held) return;
    const mm = pixel() / held.fit.k;
    const [dx, dy] = [(e.clientX - held.x) * mm, (e.clientY - held.y) * mm];
    if (held.what === 'handle') onMove?.(held.key, [held.start[0] + dx, held.start[1] + dy]);
    else if (held.what === 'cut') {
      const { from, to } = drawing.cut!;
      onCut?.(Math.min(0.98, Math.max(0.02, held.start + dy / (to - from))));
    } else {
      const { from, to, perMm } = held.line;
      const flat = Math.abs(to[0] - from[0]) >= Math.abs(to[1] - from[1]);
      const forward = (flat ? Math.sign(to[0] - from[0]) : Math.sign(to[1] - from[1])) || 1;
      const v = held.start + (flat ? dx : dy) * perMm * forward;
      const step = stepFor(v);
      onDrag?.(held.line.key, Math.max(step, Math.round(v / step) * step));
    }
  };
  const nudged = (e: KeyboardEvent): Point | null => {
    const way = KEYS[e.key];
    if (!way) return null;
    e.preventDefault();
    const times = e.shiftKey ? 10 : 1;
    return [way[0] * times, way[1] * times];
  };
  const nudge = (d: DimensionLine, e: KeyboardEvent) => {
    const way = nudged(e);
    if (!way || !onDrag) return;
    const v = values?.[d.key] ?? 0;
    onDrag(d.key, Math.max(0.1, Number((v + (way[0] - way[1]) * stepFor(v)).toFixed(3))));
  };
  const said = [
    ...drawing.dimensions.map((d) =>
      values?.[d.key] === undefined ? d.label : `${d.label} ${format('length', values[d.key]!).text}`,
    ),
    ...drawing.marks.flatMap((m, i) =>
      m.depthMm === undefined ? [] : [`reading ${i + 1}: ${format('length', m.depthMm).text}`],
    ),
    ...(drawing.contours?.length
      ? [`lines of equal depth at ${drawing.contours.map((c) => format('length', c.depthMm).text).join(', ')}`]
      : []),
  ].join('; ');

  return (
    // What a click places can also be added with a button and moved with the arrow keys.
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full block select-none"
      role={bare ? undefined : 'group'}
      aria-hidden={bare || undefined}
      aria-label={bare ? undefined : `${drawing.title}, drawn to scale`}
      onPointerMove={held ? move : undefined}
      onPointerUp={() => setHeld(null)}
      onPointerCancel={() => setHeld(null)}
      onClick={
        onPlace &&
        ((e) => {
          const [x, y] = placeOn(e.currentTarget, e);
          onPlace([(x - fit.ox) / k, (y - fit.oy) / k]);
        })
      }
      style={onPlace && { cursor: 'crosshair' }}
    >
      <title>{drawing.title}</title>
      {said && <desc>{said}</desc>}
      {!small && (
        <path
          d={`${Array.from({ length: Math.floor(width / 24) }, (_, i) => `M${i * 24 + 0.5} 0V${height}`).join('')}${Array.from({ length: Math.floor(height / 24) }, (_, i) => `M0 ${i * 24 + 0.5}H${width}`).join('')}`}
          stroke="var(--paper-line)"
          strokeWidth="1"
        />
      )}
      {!bare && (
        <text x={small ? 10 : 18} y={small ? 16 : 24} fontSize={small ? 11 : 13} fill="var(--ink-2)">
          {drawing.title}
          {small ? '' : `, ${scaleName(k)}`}
        </text>
      )}
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
              x={toX(vx0) - 2}
              width={(vx1 - vx0) * k + 4}
              y={toY(l.fromMm)}
              height={Math.max(0, (l.toMm - l.fromMm) * k)}
              fill={`url(#tx-${l.texture})`}
              stroke="var(--ink)"
              strokeWidth="0.8"
            />
          ))}
        </g>
      )}
      {drawing.outlines
        .filter((o) => o.role === 'already')
        .map((o, i) => (
          <path key={i} d={path(o.points)} fill="url(#tx-set)" stroke="var(--ink)" strokeWidth="1" />
        ))}
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
        .filter((o) => o.role === 'rod' || o.role === 'plate' || o.role === 'part' || o.role === 'keep-clear')
        .map((o, i) => (
          <path
            key={i}
            d={path(o.points)}
            fill={fill[o.role]}
            stroke="var(--ink)"
            strokeWidth="1.2"
            strokeDasharray={o.role === 'keep-clear' ? '4 3' : undefined}
          />
        ))}
      {drawing.contours?.map((c) => (
        <Contour
          key={c.depthMm}
          lines={c.lines}
          path={path}
          label={format('length', c.depthMm).digits}
          small={small}
          toX={toX}
          toY={toY}
        />
      ))}
      {drawing.outlines
        .filter((o) => LINES[o.role])
        .map((o, i) => (
          <path
            key={i}
            d={path(o.points, o.open)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={LINES[o.role]!.width}
            strokeDasharray={LINES[o.role]!.dash}
          />
        ))}
      {drawing.outlines
        .filter((o) => o.role === 'later')
        .map((o, i) => (
          <path key={i} d={path(o.points)} fill="none" stroke="var(--ink-2)" strokeWidth="1.4" strokeDasharray="7 4" />
        ))}
      {!small && <Passes outlines={drawing.outlines} toX={toX} toY={toY} listed={width < NARROW} />}
      {drawing.outlines
        .filter((o) => o.label && o.role !== 'already' && o.role !== 'later')
        .map((o, i) => (
          <Label key={i} x={toX(o.points.at(-1)![0]) + 6} y={toY(o.points.at(-1)![1]) - 5} size={11}>
            {o.label}
          </Label>
        ))}
      {layers &&
        layers.length > 1 &&
        layers.map((l) => (
          <Label key={l.label} x={toX((vx0 + vx1) / 2)} y={toY((l.fromMm + l.toMm) / 2) + 4} size={12} middle>
            {l.label}
          </Label>
        ))}
      {drawing.marks.map((m, i) => (
        <g key={i}>
          <circle cx={toX(m.at[0])} cy={toY(m.at[1])} r="2" fill="var(--ink)" />
          {m.odd && (
            <circle cx={toX(m.at[0])} cy={toY(m.at[1])} r="9" fill="none" stroke="var(--stop)" strokeWidth="2" />
          )}
          <Label x={toX(m.at[0]) + 5} y={toY(m.at[1]) - 4} size={small ? 10.5 : 12} figures>
            {m.depthMm === undefined ? m.label : format('length', m.depthMm).digits}
          </Label>
        </g>
      ))}
      {!small && drawing.next && (
        <g>
          <circle
            cx={toX(drawing.next[0])}
            cy={toY(drawing.next[1])}
            r="7"
            fill="none"
            stroke="var(--part-a)"
            strokeWidth="2"
            strokeDasharray="3 2"
          />
          <Label x={toX(drawing.next[0]) + 11} y={toY(drawing.next[1]) + 4} size={11.5} color="var(--part-a)">
            one more here helps most
          </Label>
        </g>
      )}
      {drawing.cut && (
        <g>
          <line
            x1={toX(vx0) - 14}
            x2={toX(vx1) + 14}
            y1={toY(drawing.cut.y)}
            y2={toY(drawing.cut.y)}
            stroke="var(--ink)"
            strokeWidth="1"
            strokeDasharray="10 3 2 3"
          />
          {onCut && (
            <path
              d={`M${toX(vx1) + 12} ${toY(drawing.cut.y) - 9} l14 9 l-14 9z`}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth="2"
              tabIndex={0}
              role="slider"
              aria-label="Where the section is cut"
              aria-valuenow={Math.round(drawing.cut.y)}
              aria-valuetext={`${format('length', drawing.cut.y).text} across`}
              style={{ cursor: 'ns-resize', touchAction: 'none' }}
              onPointerDown={(e) =>
                take(e, {
                  what: 'cut',
                  start: (drawing.cut!.y - drawing.cut!.from) / (drawing.cut!.to - drawing.cut!.from),
                })
              }
              onKeyDown={(e) => {
                const way = nudged(e);
                const { y, from, to } = drawing.cut!;
                if (way) onCut(Math.min(0.98, Math.max(0.02, (y - from) / (to - from) + 0.02 * (way[0] + way[1]))));
              }}
            />
          )}
        </g>
      )}
      {!small &&
        onMove &&
        drawing.handles?.map((h) => (
          <rect
            key={h.key}
            x={toX(h.at[0]) - 6}
            y={toY(h.at[1]) - 6}
            width="12"
            height="12"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="2"
            fillOpacity={h.label.startsWith('reading') ? 0 : 1}
            tabIndex={0}
            role="slider"
            aria-label={`Move ${h.label}`}
            aria-valuenow={Math.round(h.at[0])}
            aria-valuetext={`${format('length', h.at[0]).text} along, ${format('length', h.at[1]).text} across`}
            style={{ cursor: 'move', touchAction: 'none' }}
            onClick={(e) => e.stopPropagation()}
            onPointerDown={(e) => take(e, { what: 'handle', key: h.key, start: h.at })}
            onKeyDown={(e) => {
              const way = nudged(e);
              if (way) onMove(h.key, [h.at[0] + way[0], h.at[1] + way[1]]);
            }}
          />
        ))}
      {shownLines
        .filter((d) => !small || Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]) * k > 30)
        .map((d) => (
          <DimensionMark
            key={d.key}
            line={d}
            value={values?.[d.key]}
            from={[toX(d.from[0]), toY(d.from[1])]}
            to={[toX(d.to[0]), toY(d.to[1])]}
            middleX={toX((vx0 + vx1) / 2)}
            ground={ground}
            width={width}
            small={small}
            onTake={onDrag && ((e) => take(e, { what: 'dimension', line: d, start: values?.[d.key] ?? 0 }))}
            onNudge={(e) => nudge(d, e)}
          />
        ))}
    </svg>
  );
}
