'use client';
import { useId, useRef } from 'react';
import type { DimensionLine, Outline, Drawing as Plan, Point } from '@/core/void';
import { joined, phrase } from '@/words';
import { useFormat, useSay } from './bits';
import { DimensionMark, dimensionWords } from './DimensionMark';
import { Contour, Label, listsPasses, Passes, roomForPasses } from './DrawingParts';
import { fitOf, marginsOf, scaleName, WORD_PX } from './drawing-fit';
import { LETTER } from './label-place';
import { placeWords } from './place-words';
import { placeOn } from './svg-place';
import { usePulls } from './use-pulls';

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

/** In a small drawing a line shorter than this says nothing, px. */
const SHORT_SMALL = 30;

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
  const title = useSay()(drawing.title);
  const id = useId();
  const svg = useRef<SVGSVGElement>(null);
  const { held, take, move, letGo, nudged, nudge } = usePulls(svg, props);
  const says = (d: DimensionLine) => dimensionWords(format, d, values?.[d.key]);
  const listed = listsPasses(drawing.outlines, width);
  const pad = marginsOf(drawing, { small, bare, free, says, passes: roomForPasses(drawing.outlines, listed) });
  const shownLines = bare ? [] : drawing.dimensions;
  // What is pulled must not run away under the hand: the fit stands still until it is let go.
  const fit = held?.fit ?? fitOf({ ...drawing, dimensions: shownLines }, width, height, pad);
  const { k } = fit;
  const toX = (v: number) => fit.ox + v * k;
  const toY = (v: number) => fit.oy + v * k;
  const path = (points: readonly Point[], open = false) =>
    `M${points.map((p) => `${toX(p[0]).toFixed(2)} ${toY(p[1]).toFixed(2)}`).join('L')}${open ? '' : 'Z'}`;
  const voids = drawing.outlines.filter((o) => o.role === 'void');
  const voidXs = voids.flatMap((o) => o.points.map((p) => p[0]));
  const voidYs = voids.flatMap((o) => o.points.map((p) => p[1]));
  const [vx0, vx1] = [Math.min(...voidXs), Math.max(...voidXs)];
  const groundXs = drawing.outlines
    .filter((o) => o.role === 'base' || o.role === 'later')
    .flatMap((o) => o.points.map((p) => toX(p[0])));
  const lines = shownLines.filter(
    (d) => !small || Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]) * k > SHORT_SMALL,
  );
  const size = small ? WORD_PX.small : WORD_PX.full;
  const wordsAt = placeWords(
    lines.map((d) => ({
      from: [toX(d.from[0]), toY(d.from[1])],
      to: [toX(d.to[0]), toY(d.to[1])],
      long: says(d).length * size * LETTER,
    })),
    {
      size,
      middle: [toX((vx0 + vx1) / 2), toY((Math.min(...voidYs) + Math.max(...voidYs)) / 2)],
      ground: [Math.min(...groundXs), Math.max(...groundXs)],
      width: width - free,
    },
  );
  const fill: Partial<Record<Outline['role'], string>> = {
    base: `url(#tx-${base})`,
    rod: 'url(#tx-rod)',
    part: 'url(#tx-rod)',
    plate: 'url(#tx-metal)',
    'keep-clear': 'var(--paper)',
    void: layers ? 'none' : 'url(#tx-liquid)',
  };

  const said = joined(
    [
      ...drawing.dimensions.map(says),
      ...drawing.marks.flatMap((m, i) =>
        m.depthMm === undefined ? [] : [phrase`reading ${i + 1}: ${format('length', m.depthMm).text}`],
      ),
      ...(drawing.contours?.length
        ? [
            phrase`lines of equal depth at ${joined(
              drawing.contours.map((c) => format('length', c.depthMm).text),
              ', ',
            )}`,
          ]
        : []),
    ],
    '; ',
  );

  return (
    // What a click places can also be added with a button and moved with the arrow keys.
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="w-full h-full block select-none"
      role={bare ? undefined : 'group'}
      aria-hidden={bare || undefined}
      aria-label={bare ? undefined : phrase`${title}, drawn to scale`}
      onPointerMove={held ? move : undefined}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      onClick={
        onPlace &&
        ((e) => {
          const [x, y] = placeOn(e.currentTarget, e);
          onPlace([(x - fit.ox) / k, (y - fit.oy) / k]);
        })
      }
      style={onPlace && { cursor: 'crosshair' }}
    >
      <title>{title}</title>
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
          {title}
          {small ? '' : phrase`, ${scaleName(k)}`}
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
      {!small && <Passes outlines={drawing.outlines} toX={toX} toY={toY} listed={listed} />}
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
          <Label x={toX(m.at[0]) + 5} y={toY(m.at[1]) - 4} size={small ? 11 : 12} figures>
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
              aria-valuetext={phrase`${format('length', drawing.cut.y).text} across`}
              style={{ cursor: 'ns-resize', touchAction: 'none' }}
              onPointerDown={(e) =>
                take(e, fit, {
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
            aria-label={phrase`Move ${h.label}`}
            aria-valuenow={Math.round(h.at[0])}
            aria-valuetext={phrase`${format('length', h.at[0]).text} along, ${format('length', h.at[1]).text} across`}
            style={{ cursor: 'move', touchAction: 'none' }}
            onClick={(e) => e.stopPropagation()}
            onPointerDown={(e) => take(e, fit, { what: 'handle', key: h.key, start: h.at })}
            onKeyDown={(e) => {
              const way = nudged(e);
              if (way) onMove(h.key, [h.at[0] + way[0], h.at[1] + way[1]]);
            }}
          />
        ))}
      {lines.map((d, i) => (
        <DimensionMark
          key={d.key}
          line={d}
          words={says(d)}
          at={wordsAt[i]!}
          value={values?.[d.key]}
          from={[toX(d.from[0]), toY(d.from[1])]}
          to={[toX(d.to[0]), toY(d.to[1])]}
          small={small}
          onTake={onDrag && ((e) => take(e, fit, { what: 'dimension', line: d, start: values?.[d.key] ?? 0 }))}
          onNudge={(e) => nudge(d, e)}
        />
      ))}
    </svg>
  );
}
