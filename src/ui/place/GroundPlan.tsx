'use client';
import { useRef, useState } from 'react';
import { borderAt, type Ground, groundsOf, type Piece, type RepairPlan, SIDES, type Side } from '@/core/plan';
import { lowered, phrase } from '@/words';
import { Choice, Heading, useFormat, useSay } from '../shared/bits';
import { placeOn } from '../shared/svg-place';
import { useWidth } from '../shared/use-width';
import { clock } from '../shared/when';
import { changePass } from '../workspace/workspace';

/** Two plain tones in turn: textures tell how far it has cured. */
const TONES = ['var(--mix)', 'var(--mix-2)'] as const;
const PAD = 30;
const MOST_HIGH = 250;
/** Strips narrower than that have no room for a number between two handles, px; what a number takes. */
const TIGHT_PX = 44;
const NUMBER_PX = 30;
/** What runs along a line is drawn so wide at the least, px: it is a finger wide and metres long. */
const LINE_PX = 46;

/** The work seen from above: where each batch or spread ends, when, and which way one goes out. */
export function GroundPlan({
  plan,
  named,
  repair,
  zone,
  begun,
}: {
  plan: RepairPlan;
  /** Of a chain: which pass. */
  named: string | null;
  repair: Piece;
  zone: string;
  begun: boolean;
}) {
  const grounds = groundsOf(plan);
  const [first] = grounds;
  if (!first) return null;
  const isLine = first.laid[0]!.reach !== null;
  const what = isLine ? 'Along it, batch by batch' : 'Seen from above, in the order it is laid';
  const change = (over: Partial<Piece>, key: string) => changePass(repair, (r) => ({ ...r, ...over }), key);
  const pulls = !begun && grounds.some((g) => bordersOn(g).length);
  const open = grounds.some((g) => g.keptOpen.length || g.keptOpenMm > 0);
  return (
    <section aria-label="Seen from above" data-testid="ground" className="mb-3">
      <Heading aside={pulls ? 'a border is pulled, or moved by the arrow keys' : undefined}>
        {named !== null ? phrase`${named}: ${lowered(what)}` : what}
      </Heading>
      {grounds.map((ground) => (
        <div key={ground.place}>
          {ground.places > 1 && (
            <h4 className="soft text-sm mt-1">{phrase`${isLine ? 'Line' : 'Face'} ${ground.place + 1} of ${ground.places}`}</h4>
          )}
          <Picture
            ground={ground}
            zone={zone}
            onBorder={
              begun || !ground.borders.length ? null : (borders) => change({ borders: [...borders] }, 'ground:border')
            }
          />
        </div>
      ))}
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="One goes out at the"
          options={(Object.keys(SIDES) as Side[])
            .filter((side) => !isLine || side === 'left' || side === 'right')
            .map((id) => ({ id, label: SIDES[id] }))}
          value={first.out}
          onChange={(wayOut) => change({ wayOut }, 'ground:out')}
        />
        {repair.borders.length > 0 && !begun && (
          <button type="button" className="btn" onClick={() => change({ borders: [] }, 'ground:even')}>
            Make them even
          </button>
        )}
      </div>
      <p className="soft text-sm mt-1">
        {isLine
          ? 'It is filled from the other end towards that.'
          : 'Work begins at the far side and goes towards the way out: nobody stands on what is wet.'}
        {open &&
          (isLine ? ' What crosses it dashed stays open.' : ' Movement joints stay open under their double strip.')}
      </p>
    </section>
  );
}

/** The borders that lie on a face, and not at its ends: which of all they are. */
const bordersOn = ({ borders, share }: Ground): readonly number[] =>
  borders.flatMap((b, i) => (b > share.from + 1e-6 && b < share.to - 1e-6 ? [i] : []));

function Picture({
  ground,
  zone,
  onBorder,
}: {
  ground: Ground;
  zone: string;
  onBorder: ((borders: readonly number[]) => void) | null;
}) {
  const format = useFormat();
  const say = useSay(zone);
  const svg = useRef<SVGSVGElement>(null);
  const [box, width] = useWidth(640);
  const [pulled, setPulled] = useState<number | null>(null);
  const isLine = ground.laid[0]!.reach !== null;
  const xs = ground.corners.map((p) => p[0]);
  const ys = ground.corners.map((p) => p[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const kx = isLine
    ? (width - 2 * PAD) / (x1 - x0)
    : Math.min((width - 2 * PAD) / (x1 - x0), (MOST_HIGH - 2 * PAD) / (y1 - y0));
  const across = ground.axis === 0;
  // Room for what is written over what crosses it.
  const padY = isLine && ground.keptOpen.length ? 30 : across ? 10 : PAD;
  const ky = isLine ? LINE_PX / (y1 - y0) : kx;
  const high = (y1 - y0) * ky + padY + (isLine ? 36 : padY);
  const left = (width - (x1 - x0) * kx) / 2;
  const px = (x: number) => left + (x - x0) * kx;
  // As it is drawn where it is measured.
  const py = (y: number) => padY + (y - y0) * ky;
  const { rising } = ground;
  /** Share of all faces together from where work begins, for a place on the page. */
  const shareAt = (x: number, y: number): number => {
    const along = across ? (x - px(x0)) / ((x1 - x0) * kx) : (y - py(y0)) / ((y1 - y0) * ky);
    return ground.share.from + (rising ? along : 1 - along) * (ground.share.to - ground.share.from);
  };
  const pull = (i: number, to: number) => {
    const held = borderAt(ground, i, to);
    onBorder?.(ground.borders.map((b, k) => (k === i ? held : b)));
  };
  const [ox, oy] = {
    right: [px(x1), py((y0 + y1) / 2)],
    left: [px(x0), py((y0 + y1) / 2)],
    top: [px((x0 + x1) / 2), py(y0)],
    bottom: [px((x0 + x1) / 2), py(y1)],
  }[ground.out] as [number, number];
  // Where strips are narrow, numbers stand beside the handles, and only as many as can be read.
  const each = (across ? (x1 - x0) * kx : (y1 - y0) * ky) / ground.laid.length;
  const isTight = each < TIGHT_PX && onBorder !== null && !isLine;
  const every = Math.max(1, Math.ceil(NUMBER_PX / each));
  const aside = isTight ? (across ? [0, -((y1 - y0) * ky) / 4] : [-((x1 - x0) * kx) / 4, 0]) : [0, 0];
  const turn = { right: 0, bottom: 90, left: 180, top: 270 }[ground.out];
  return (
    <div ref={box} className="w-full">
      <svg
        ref={svg}
        width={width}
        height={high}
        role="group"
        aria-label="Plan of the work"
        onPointerMove={(e) => {
          if (pulled === null || !svg.current) return;
          const [x, y] = placeOn(svg.current, e);
          pull(pulled, shareAt(x, y));
        }}
        onPointerUp={() => setPulled(null)}
      >
        {ground.laid.map((l) => (
          <polygon
            key={l.order}
            points={l.points.map((p) => `${px(p[0])},${py(p[1])}`).join(' ')}
            fill={TONES[l.order % TONES.length]}
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
        ))}
        {ground.keptOpen.map(({ at, from, to }) => {
          const [x1, y1, x2, y2] = [px(from[0]), py(from[1]), px(to[0]), py(to[1])];
          // What crosses a line is seen above and below what is written on it.
          const past = isLine ? 8 : 0;
          const ends = { x1, y1: y1 - past, x2, y2: y2 + past };
          return (
            <g key={`open ${from.join()}`}>
              <line {...ends} stroke="var(--paper)" strokeWidth="7" />
              <line {...ends} stroke="var(--ink)" strokeWidth="2" strokeDasharray="5 4" data-testid="kept-open" />
              {isLine && (
                <text
                  x={x1}
                  y={y1 - 13}
                  textAnchor="middle"
                  fontSize="12.5"
                  fill="var(--ink)"
                  className="fig"
                >{phrase`open at ${say(at)}`}</text>
              )}
            </g>
          );
        })}
        {ground.laid.map((l, nth) => {
          if (nth % every) return null;
          const cx = aside[0]! + l.points.reduce((s, p) => s + px(p[0]), 0) / Math.max(1, l.points.length);
          const cy = aside[1]! + l.points.reduce((s, p) => s + py(p[1]), 0) / Math.max(1, l.points.length);
          const room = Math.max(...l.points.map((p) => px(p[0]))) - Math.min(...l.points.map((p) => px(p[0])));
          const words = [
            String(l.order + 1),
            ...(room > 58 && l.span ? [clock(l.span.fromMs, zone), phrase`to ${clock(l.span.toMs, zone)}`] : []),
            ...(room > 58 && !isLine ? [format('area', l.areaM2 * 1e6).text] : []),
          ];
          return (
            <g key={l.order}>
              <rect
                x={cx - (room > 58 ? 31 : 11)}
                y={cy - words.length * 8 - 3}
                width={room > 58 ? 62 : 22}
                height={words.length * 16 + 6}
                fill="var(--paper)"
                opacity="0.92"
              />
              {words.map((word, i) => (
                <text
                  key={word}
                  x={cx}
                  y={cy - words.length * 8 + 13 + i * 16}
                  textAnchor="middle"
                  fontSize={i === 0 ? 15 : 12.5}
                  fontWeight={i === 0 ? 700 : 400}
                  fill="var(--ink)"
                  className="fig"
                >
                  {word}
                </text>
              ))}
            </g>
          );
        })}
        <g transform={`translate(${ox} ${oy}) rotate(${turn})`}>
          <path d="M5 0 h18 M16 -6 l8 6 l-8 6" fill="none" stroke="var(--ink)" strokeWidth="2.5" />
        </g>
        {bordersOn(ground).map((i) => {
          const b = ground.borders[i]!;
          const piece = ground.laid.find((l) => l.order === i)!;
          // The far edge of a piece is the border to the next.
          const edge = (axis: 0 | 1) => {
            const all = piece.points.map((p) => p[axis]);
            return rising ? Math.max(...all) : Math.min(...all);
          };
          const [gx, gy] = across ? [px(edge(0)), py((y0 + y1) / 2)] : [px((x0 + x1) / 2), py(edge(1))];
          return (
            <g key={`border ${i}`}>
              {isLine && (
                <text x={gx} y={py(y1) + 20} textAnchor="middle" fontSize="12.5" fill="var(--ink)" className="fig">
                  {say(piece.reach!.end)}
                </text>
              )}
              {onBorder && (
                <g
                  role="slider"
                  tabIndex={0}
                  aria-label={phrase`Border after ${i + 1}`}
                  aria-valuenow={Math.round(b * 100)}
                  aria-valuemin={0}
                  aria-valuemax={100}
                  aria-valuetext={phrase`${Math.round(b * 100)} % of ${ground.places > 1 ? 'all faces' : 'the face'}`}
                  aria-orientation={across ? 'horizontal' : 'vertical'}
                  style={{ cursor: across ? 'ew-resize' : 'ns-resize', touchAction: 'none' }}
                  onPointerDown={(e) => {
                    svg.current?.setPointerCapture(e.pointerId);
                    setPulled(i);
                  }}
                  onKeyDown={(e) => {
                    const step = { ArrowRight: 0.01, ArrowUp: 0.01, ArrowLeft: -0.01, ArrowDown: -0.01 }[e.key];
                    if (!step) return;
                    e.preventDefault();
                    pull(i, b + (e.shiftKey ? 5 : 1) * step);
                  }}
                >
                  <circle cx={gx} cy={gy} r={Math.min(22, Math.max(9, each / 2))} fill="transparent" />
                  <circle
                    cx={gx}
                    cy={gy}
                    r={Math.min(8, Math.max(3, each / 2 - 3))}
                    fill="var(--paper)"
                    stroke="var(--ink)"
                    strokeWidth="2.5"
                  />
                </g>
              )}
            </g>
          );
        })}
      </svg>
      <ol className="sr-only">
        {ground.laid.map((l) => (
          <li key={l.order}>
            {l.order + 1}: {l.reach ? say(l.reach.whole) : format('area', l.areaM2 * 1e6).text}
            {l.span && phrase`, ${clock(l.span.fromMs, zone)} to ${clock(l.span.toMs, zone)}`}
          </li>
        ))}
        {ground.keptOpen.map(({ at, from }) => (
          <li key={from.join()}>{phrase`kept open at ${say(at)}`}</li>
        ))}
      </ol>
      {ground.laid.some((l) => l.wash) && (
        <ul className="text-sm mt-1" aria-label="Washing">
          {ground.laid.map((l) =>
            l.wash ? (
              <li key={l.order}>
                <strong>{l.order + 1}</strong> washed{' '}
                <span className="fig">{phrase`${clock(l.wash.fromMs, zone)} to ${clock(l.wash.toMs, zone)}`}</span>, in
                the same order
              </li>
            ) : null,
          )}
        </ul>
      )}
    </div>
  );
}
