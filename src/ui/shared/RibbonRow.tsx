'use client';
import { area, type ScaleTime } from 'd3';
import { memo, useMemo } from 'react';
import { grownBetween, type Ribbon, repairName, ribbonsOf, thinned } from '@/core/plan';
import type { RepairView } from '@/core/record';
import { formatDuration } from '@/core/units';
import { useSay } from './bits';
import { Link } from './Link';
import { dayAndClock } from './when';

const FILL = {
  liquid: 'url(#tx-liquid)',
  gelled: 'url(#tx-gelled)',
  hardening: 'url(#tx-hardening)',
  set: 'var(--set)',
} as const;
/** Height of what is still liquid, px. */
const THREAD = 4;
/** A tick of work, and of a hold point, px. */
const TICK = 3;
const HOLD_TICK = 5;
/** Points of a ribbon nearer than that could not be told apart, px. */
const POINT_PX = 6;
/** Narrower nothing is seen, px. */
const LEAST_PX = 1.5;
/** Lower rows have no room for words under them, px. */
const NAMED_PX = 14;
/** Room that the word on an opening needs, px. */
const OPEN_PX = 118;

interface Box {
  readonly y: number;
  readonly height: number;
  readonly left: number;
  readonly right: number;
}

/**
 * The passes of a repair: each a thin thread while it is liquid, as high as it is cured, its texture from waves to
 * solid. What is in one state is one shape for all of them, and each has its edge: a band of many passes is drawn anew
 * with every pull, and what it costs is the number of its shapes.
 */
function Ribbons({
  ribbons,
  x,
  box,
  zone,
}: {
  ribbons: readonly Ribbon[];
  x: ScaleTime<number, number>;
  box: Box;
  zone: string;
}) {
  const middle = box.y + box.height / 2;
  const high = (share: number) => (THREAD + (box.height - THREAD) * share) / 2;
  const shape = area<readonly [number, number]>()
    .x(([ms]) => Math.min(x(ms), box.right))
    .y0(([, share]) => middle - high(share))
    .y1(([, share]) => middle + high(share))
    .digits(1);
  // What is too short to be seen is drawn as wide as a line.
  const pxMs = x.invert(1).getTime() - x.invert(0).getTime();
  const fills: Partial<Record<keyof typeof FILL, string>> = {};
  const edges = ribbons.map((ribbon, i) => {
    // It ends where the next pass goes on it.
    const until = ribbons[i + 1]?.states[0]?.fromMs ?? Number.POSITIVE_INFINITY;
    const end = Math.min(ribbon.states.at(-1)!.toMs, until);
    const grown = thinned(ribbon.grown, POINT_PX * pxMs);
    const between = (fromMs: number, toMs: number) => shape(grownBetween(grown, fromMs, toMs)) ?? '';
    for (const { state, fromMs, toMs } of ribbon.states)
      if (fromMs < end)
        fills[state] = (fills[state] ?? '') + between(fromMs, Math.max(Math.min(toMs, end), fromMs + LEAST_PX * pxMs));
    return between(ribbon.states[0]!.fromMs, end);
  });
  const titles = useMemo(
    () =>
      ribbons.map(
        ({ name, states }) =>
          `${name ? `${name}: ` : ''}${states.map((s) => `${s.state} until ${dayAndClock(s.toMs, zone)}`).join(', ')}`,
      ),
    [ribbons, zone],
  );
  return (
    <>
      {Object.entries(fills).map(([state, d]) => (
        <path key={state} d={d} fill={FILL[state as keyof typeof FILL]} />
      ))}
      {ribbons.map((r, i) => (
        <path
          key={r.passId}
          d={edges[i]}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1"
          pointerEvents="all"
          data-ribbon={r.passId}
        >
          <title>{titles[i]}</title>
        </path>
      ))}
    </>
  );
}

/** When the next pass may go on as it is: an opening over the ribbon. */
function Opening({ ribbon, x, box, zone }: { ribbon: Ribbon; x: ScaleTime<number, number>; box: Box; zone: string }) {
  const says = useSay(zone);
  if (!ribbon.window) return null;
  const { fromMs, untilMs, of } = ribbon.window;
  const what = [ribbon.name, of === null ? '' : says(of)].filter(Boolean).join(', ');
  const [from, to] = [x(fromMs), Math.min(x(untilMs), box.right)];
  const y = box.y - 3;
  return (
    <path
      d={`M${from} ${y + 5} V${y} H${to} V${y + 5}`}
      fill="none"
      stroke="var(--part-a)"
      strokeWidth="1.4"
      data-window={ribbon.passId}
    >
      <title>{`${what}: open from ${dayAndClock(fromMs, zone)} to ${dayAndClock(untilMs, zone)}`}</title>
    </path>
  );
}

/**
 * The barrier of a repair: it stands up where the wanted reopening is met, and lies across the ribbon where it is not.
 */
function Barrier({ wantedX, openX, box }: { wantedX: number; openX: number | null; box: Box }) {
  const met = openX !== null && openX <= wantedX + 0.5;
  const foot = box.y + box.height + 2;
  const arm = met
    ? `M${wantedX} ${foot} V${box.y - 4}`
    : `M${wantedX} ${box.y + box.height / 2} H${Math.max(wantedX + 26, Math.min(openX ?? box.right, box.right))}`;
  return (
    <g data-barrier={met ? 'up' : 'down'}>
      <path d={`M${wantedX} ${foot} v-6`} stroke="var(--ink)" strokeWidth="5" />
      <path d={arm} stroke="var(--ink)" strokeWidth="5" />
      <path d={arm} stroke={met ? 'var(--paper)' : 'var(--stop)'} strokeWidth="3" strokeDasharray="7 5" />
    </g>
  );
}

/** Where the clock stands, night by night; how often and how long it does is said once, where there is room for it. */
function Stalls({
  stalls,
  x,
  box,
}: {
  stalls: readonly { readonly fromMs: number; readonly toMs: number }[];
  x: ScaleTime<number, number>;
  box: Box;
}) {
  const total = formatDuration(stalls.reduce((sum, s) => sum + (s.toMs - s.fromMs) / 60_000, 0));
  const words = stalls.length === 1 ? `clock stands ${total}` : `clock stands ${stalls.length} times, ${total} in all`;
  const edges = stalls.flatMap((s) => [s.fromMs, s.toMs]).map((ms) => Math.min(x(ms), box.right));
  return (
    <>
      <path
        d={edges.map((at) => `M${at.toFixed(1)} ${box.y - 3}v${box.height + 6}`).join('')}
        stroke="var(--stop)"
        strokeWidth="1.6"
        data-stalls={stalls.length}
      >
        <title>{words}</title>
      </path>
      {box.height > NAMED_PX && (
        <text
          x={edges[0]! + 3}
          y={box.y + box.height + 10}
          fontSize="11"
          fill="var(--stop)"
          stroke="var(--ground-2)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {words}
        </text>
      )}
    </>
  );
}

interface RowProps {
  readonly view: RepairView;
  readonly x: ScaleTime<number, number>;
  readonly box: Box;
  readonly zone: string;
  readonly wantedAt: number | null;
  readonly current: boolean;
  /** Its page; null for a repair that is only looked at and has none yet. */
  readonly href: string | null;
  /** The habit of a plain day is written at one repair of the band. */
  readonly habit: boolean;
}

/** A repair on the time axis: its passes as ribbons, the work under them, its opening, its barrier. */
export const RibbonRow = memo(function RibbonRow({ view, x, box, zone, wantedAt, current, href, habit }: RowProps) {
  const { plan } = view;
  const ribbons = useMemo(() => ribbonsOf(plan), [plan]);
  const name = repairName(view.repair);
  const middle = box.y + box.height / 2;
  const stalls = plan.milestones.findLast((m) => m.kind === plan.serves)?.stalls ?? [];
  const last = ribbons.at(-1)?.states.at(-1)?.toMs ?? 0;
  // Names of passes stand where there is room for them before the next begins.
  const starts = ribbons.map((r) => x(r.states[0]!.fromMs));
  const label = (
    <text x={14} y={middle + 4} fontSize="12.5" fontWeight={current ? 750 : 500} fill="var(--ink)">
      {name.length > 17 ? `${name.slice(0, 16)}…` : name}
    </text>
  );
  return (
    <g>
      {href === null ? label : <Link href={href}>{label}</Link>}
      <Ribbons ribbons={ribbons} x={x} box={box} zone={zone} />
      {ribbons.map((r) => (
        <Opening key={r.passId} ribbon={r} x={x} box={box} zone={zone} />
      ))}
      {box.height > NAMED_PX &&
        ribbons.map((r, i) =>
          r.name && (starts[i + 1] ?? box.right) - starts[i]! > r.name.length * 6.2 + 8 ? (
            <text
              key={r.passId}
              x={starts[i]! + 4}
              y={box.y + box.height + 9}
              fontSize="11"
              fill="var(--ink)"
              stroke="var(--ground-2)"
              strokeWidth="3"
              paintOrder="stroke"
            >
              {r.name}
            </text>
          ) : null,
        )}
      <path
        d={plan.steps
          .map((s) => `M${x(s.startMs).toFixed(1)} ${box.y + box.height}v${s.hold ? HOLD_TICK : TICK}`)
          .join('')}
        stroke="var(--ink)"
        strokeWidth="1"
        data-testid="work"
      />
      {stalls.length > 0 && <Stalls stalls={stalls} x={x} box={box} />}
      {wantedAt !== null && x(wantedAt) < box.right && plan.steps.length > 0 && (
        <Barrier wantedX={x(wantedAt)} openX={plan.openMs === null ? null : x(plan.openMs)} box={box} />
      )}
      {plan.openMs !== null && (
        <g>
          <path d={`M${x(plan.openMs)} ${box.y - 3} v${box.height + 6}`} stroke="var(--ink)" strokeWidth="3" />
          <OpenLabel
            x={x(plan.openMs) + 7}
            y={middle + 4}
            until={Math.min(x(last), box.right)}
            right={box.right}
            past={wantedAt === null ? null : x(wantedAt)}
            text={dayAndClock(plan.openMs, zone)}
          />
        </g>
      )}
      {plan.habitMs !== null && habit && (
        <g>
          <path
            d={`M${x(plan.habitMs)} ${box.y - 2} v${box.height + 2}`}
            stroke="var(--ink)"
            strokeWidth="1.6"
            strokeDasharray="3 2"
          />
          <text
            x={x(plan.habitMs)}
            y={box.y - 5}
            fontSize="11"
            textAnchor="middle"
            fill="var(--ink)"
            stroke="var(--ground-2)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            plain 24 h
          </text>
        </g>
      )}
    </g>
  );
});

/** The opening, written on the set part of the ribbon where it fits, beside it where not, and never past the edge. */
function OpenLabel({
  x: at,
  y,
  until,
  right,
  past,
  text,
}: {
  x: number;
  y: number;
  until: number;
  right: number;
  /** A barrier that it stands beside, not on. */
  past: number | null;
  text: string;
}) {
  const x = past !== null && past > at - 8 && past < at + OPEN_PX ? past + 8 : at;
  const inside = until - x > OPEN_PX;
  const beside = Math.max(x, until + 6);
  const fits = beside + OPEN_PX < right + 12;
  return (
    <text
      x={inside ? x : fits ? beside : at - 14}
      y={y}
      textAnchor={inside || fits ? undefined : 'end'}
      fontSize="12"
      fontWeight="700"
      fill={inside ? 'var(--paper)' : 'var(--ink)'}
      {...(inside ? {} : { stroke: 'var(--ground-2)', strokeWidth: 4, paintOrder: 'stroke' })}
    >
      open <tspan className="fig">{text}</tspan>
    </text>
  );
}
