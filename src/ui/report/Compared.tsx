'use client';
import { extent, line, scaleLinear } from 'd3';
import type { RepairDocument } from '@/core/record';
import { phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { labelPlace, ticksOf } from '../shared/ticks';
import { useNarrow } from '../shared/use-narrow';
import { dayAndClock } from '../shared/when';

const LEFT = 84;
/** So much room a label of the axis takes, px. */
const TICK_ROOM = 70;

/** Hands-on work as planned and as it was on one axis, and what was read meanwhile as curves under it. */
export function Compared({ doc, zone }: { doc: RepairDocument; zone: string }) {
  const width = useNarrow() ? 360 : 900;
  const format = useFormat();
  const spans = [...doc.planned, ...doc.real];
  if (!spans.length) return null;
  const read = doc.readings.flatMap((r) => r.points.map((p) => p[0]));
  const from = Math.min(...spans.map((s) => s.fromMs), ...read);
  const to = Math.max(...spans.map((s) => s.toMs), ...read);
  const x = scaleLinear()
    .domain([from, to])
    .range([LEFT, width - 12]);
  const values = extent(doc.readings.flatMap((r) => r.points.map((p) => p[1])));
  const hasCurve = doc.readings.length > 0;
  const y = scaleLinear()
    .domain([Math.floor((values[0] ?? 0) - 1), Math.ceil((values[1] ?? 1) + 1)])
    .range([168, 92]);
  const height = hasCurve ? 196 : 96;
  const every = ticksOf(from, to, zone);
  const step = Math.ceil((every.length * TICK_ROOM) / (width - LEFT));
  const ticks = every.filter((_, i) => i % Math.max(1, step) === 0);
  const row = (name: string, list: RepairDocument['planned'], top: number, fill: string) => (
    <g>
      <text x={LEFT - 10} y={top + 14} textAnchor="end" fontSize={13.5} fill="var(--ink)">
        {name}
      </text>
      {list.map((s, i) => (
        <rect
          key={`${s.fromMs} ${i}`}
          x={x(s.fromMs)}
          y={top}
          width={Math.max(1.2, x(s.toMs) - x(s.fromMs))}
          height={20}
          fill={fill}
          stroke="var(--ink)"
          strokeWidth={0.6}
        >
          <title>{phrase`${s.label}, ${dayAndClock(s.fromMs, zone)} to ${dayAndClock(s.toMs, zone)}`}</title>
        </rect>
      ))}
    </g>
  );
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="w-full" role="img" data-testid="compared">
      <title>
        {phrase`Planned from ${dayAndClock(Math.min(...doc.planned.map((s) => s.fromMs)), zone)} to ${dayAndClock(Math.max(...doc.planned.map((s) => s.toMs)), zone)}` +
          (doc.real.length
            ? phrase`; worked from ${dayAndClock(Math.min(...doc.real.map((s) => s.fromMs)), zone)} to ${dayAndClock(Math.max(...doc.real.map((s) => s.toMs)), zone)}`
            : '')}
      </title>
      {ticks.map((t) => {
        const place = labelPlace(x(t.ms), { label: t.label, size: 12.5, edges: [0, width] });
        return (
          <g key={t.ms}>
            <line x1={x(t.ms)} x2={x(t.ms)} y1={4} y2={height - 20} stroke="var(--hair)" />
            <text x={place.x} y={height - 6} textAnchor={place.anchor} fontSize={12.5} fill="var(--ink-2)">
              {t.label}
            </text>
          </g>
        );
      })}
      {row('planned', doc.planned, 8, 'url(#tx-gelled)')}
      {row('as it was', doc.real, 42, 'var(--mix-2)')}
      {hasCurve &&
        doc.readings.map(({ channel, points }) => (
          <g key={channel}>
            <path
              d={
                line<readonly [number, number]>()
                  .x((p) => x(p[0]))
                  .y((p) => y(p[1]))(points) ?? ''
              }
              fill="none"
              stroke="var(--ink)"
              strokeWidth={1.5}
              strokeDasharray={channel === 'air' ? '5 4' : channel === 'pot' ? '1.5 3' : undefined}
            />
            {points.map((p) => (
              <circle key={p[0]} cx={x(p[0])} cy={y(p[1])} r={2.6} fill="var(--ink)" />
            ))}
            <LastRead
              at={[x(points.at(-1)![0]), y(points.at(-1)![1])]}
              channel={channel}
              says={format('temperature', points.at(-1)![1]).text}
              width={width}
            />
          </g>
        ))}
    </svg>
  );
}

/** The last reading beside its mark: behind it, or before it where it would be cut. */
function LastRead({
  at: [x, y],
  channel,
  says,
  width,
}: {
  at: readonly [number, number];
  channel: string;
  says: string;
  width: number;
}) {
  // Beside its mark the whole of it must find room, under a tick half of it.
  const { anchor } = labelPlace(x, { label: `${channel} ${says}`, size: 2 * 12.5, edges: [0, width] });
  const before = anchor === 'end';
  return (
    <text x={before ? x - 6 : x + 6} y={y - 5} textAnchor={before ? 'end' : 'start'} fontSize={12.5} fill="var(--ink)">
      {channel} {says}
    </text>
  );
}
