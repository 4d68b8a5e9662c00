'use client';
import { line, scaleLinear, scaleLog } from 'd3';
import { memo } from 'react';
import {
  type HeatTable,
  HOTTEST_C,
  type LiftAnswer,
  mapCells,
  type PotAnswer,
  RUNAWAY_C,
  TABLE_LIFTS_MM,
  TABLE_MASSES_G,
  TABLE_TEMPS_C,
} from '@/core/cure';
import { fromCore, unitOf } from '@/core/units';
import { figure, formatDuration, phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { minuteTicks } from '../shared/ticks';
import { useWidth } from '../shared/use-width';
import { usePrefs } from '../workspace/prefs';

const HT = 210;
/** Narrower no chart is drawn. */
const LEAST = 180;
/** Room for a length of time in words. */
const TIME_ROOM = 62;
/** A cell of the map, and the room for its words on the left. */
const MAP = { w: 25, h: 20, left: 52 } as const;
/** Degrees as they are shown. */
export const useDegrees = () => {
  const system = usePrefs((p) => p.system);
  const unit = unitOf('temperature', system === 'us' ? '°F' : '°C');
  return { of: (c: number) => fromCore(unit, c), symbol: unit.symbol };
};

/**
 * Temperature of a pot or lift through time: the mean as a line, the hottest place dashed; where the pot dies, and what
 * is too hot.
 */
export function HeatThroughTime({
  answer,
  deadMin,
  title,
  most = 420,
}: {
  answer: Pick<PotAnswer, 'history' | 'verdict'>;
  deadMin: number | null;
  title: string;
  /** Drawn no wider than that; where there is more room it is larger all over. */
  most?: number;
}) {
  // Where there is less its words keep their size, and fewer of them stand along it.
  const [ref, room] = useWidth(most, LEAST);
  const W = Math.min(most, room);
  const degrees = useDegrees();
  const { minutes, meanC, hottestC } = answer.history;
  const top = Math.min(RUNAWAY_C + 10, Math.max(40, ...hottestC) + 8);
  const end = Math.max(10, minutes.at(-1) ?? 10);
  const x = scaleLinear([0, end], [44, W - 12]);
  const y = scaleLinear([Math.min(0, ...meanC), top], [HT - 24, 10]).clamp(true);
  const draw = (values: readonly number[]) =>
    line<number>(
      (_, i) => x(minutes[i]!),
      (v) => y(v),
    )([...values]) ?? '';
  return (
    <div ref={ref}>
      <svg
        viewBox={`0 0 ${W} ${HT}`}
        className="w-full"
        role="img"
        aria-label={phrase`${title}: ${answer.verdict === 'runaway' ? 'it runs away' : phrase`at most ${figure(degrees.of(Math.max(...meanC)))} ${degrees.symbol} on average`} in ${formatDuration(end)}`}
      >
        {y.ticks(5).map((t) => (
          <g key={t}>
            <line x1="44" x2={W - 12} y1={y(t)} y2={y(t)} stroke="var(--paper-line)" />
            <text x="40" y={y(t) + 4} fontSize="11" textAnchor="end" className="fig" fill="var(--ink-2)">
              {figure(degrees.of(t))} {degrees.symbol}
            </text>
          </g>
        ))}
        {top > HOTTEST_C && (
          <g>
            <rect x="44" y={y(top)} width={W - 56} height={y(HOTTEST_C) - y(top)} fill="url(#tx-closed)" />
            <text x={MAP.left} y={y(HOTTEST_C) - 4} fontSize="11" fill="var(--stop)">
              too hot
            </text>
          </g>
        )}
        {minuteTicks(end, (W - 56) / TIME_ROOM).map((t) => (
          <text
            key={t}
            x={x(t) > W - TIME_ROOM / 2 ? W - 2 : x(t)}
            y={HT - 8}
            fontSize="11"
            textAnchor={x(t) > W - TIME_ROOM / 2 ? 'end' : 'middle'}
            className="fig"
            fill="var(--ink-2)"
          >
            {t === 0 ? '0' : formatDuration(t)}
          </text>
        ))}
        <path d={draw(hottestC)} fill="none" stroke="var(--ink)" strokeDasharray="3 3" />
        <path d={draw(meanC)} fill="none" stroke="var(--ink)" strokeWidth="2.2" />
        {deadMin !== null && deadMin <= end && (
          <g>
            <line x1={x(deadMin)} x2={x(deadMin)} y1="12" y2={HT - 24} stroke="var(--stop)" strokeWidth="1.6" />
            <text
              x={x(deadMin) > W - 110 ? x(deadMin) - 5 : x(deadMin) + 5}
              textAnchor={x(deadMin) > W - 110 ? 'end' : 'start'}
              y={HT - 34}
              fontSize="11.5"
              fill="var(--stop)"
              fontWeight="700"
            >{phrase`dead at ${formatDuration(deadMin)}`}</text>
          </g>
        )}
        {answer.verdict === 'runaway' && (
          <text x={MAP.left} y={HT / 2} fontSize="15" fontWeight="750" fill="var(--stop)">
            runaway
          </text>
        )}
      </svg>
    </div>
  );
}

/** Temperature over depth at the hottest moment: the lift above, the base below its face. */
export function HeatThroughDepth({ lift, thicknessMm }: { lift: LiftAnswer; thicknessMm: number }) {
  const [ref, room] = useWidth(270, LEAST);
  const W = Math.min(270, room);
  const degrees = useDegrees();
  const format = useFormat();
  const { depthMm, tempC } = lift.profile;
  const deep = Math.min(depthMm.at(-1)!, Math.max(3 * thicknessMm, thicknessMm + 40));
  const shown = depthMm.map((d, i) => [d, tempC[i]!] as const).filter(([d]) => d <= deep);
  const lo = Math.min(...shown.map((p) => p[1])) - 4;
  const hi = Math.min(RUNAWAY_C + 10, Math.max(...shown.map((p) => p[1])) + 6);
  const x = scaleLinear([lo, hi], [60, W - 14]).clamp(true);
  const y = scaleLinear([0, deep], [10, HT - 26]);
  return (
    <div ref={ref}>
      <svg
        viewBox={`0 0 ${W} ${HT}`}
        className="w-full"
        role="img"
        aria-label={phrase`Temperature over depth at the hottest moment, ${
          format('length', lift.peakDepthMm).text
        } deep the hottest`}
      >
        <rect x="60" y={y(0)} width={W - 74} height={y(thicknessMm) - y(0)} fill="url(#tx-liquid)" opacity="0.7" />
        <rect
          x="60"
          y={y(thicknessMm)}
          width={W - 74}
          height={y(deep) - y(thicknessMm)}
          fill="url(#tx-concrete)"
          opacity="0.6"
        />
        {[0, thicknessMm, deep].map((d) => (
          <text key={d} x="55" y={y(d) + 4} fontSize="11" textAnchor="end" className="fig" fill="var(--ink-2)">
            {format('length', d).text}
          </text>
        ))}
        {x.ticks(W > 240 ? 3 : 2).map((t) => (
          <text key={t} x={x(t)} y={HT - 9} fontSize="11" textAnchor="middle" className="fig" fill="var(--ink-2)">
            {figure(degrees.of(t))} {degrees.symbol}
          </text>
        ))}
        <path
          d={
            line<readonly [number, number]>(
              (p) => x(p[1]),
              (p) => y(p[0]),
            )(shown) ?? ''
          }
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.4"
        />
        <text
          x={W - 18}
          y={y(thicknessMm / 2) + 4}
          fontSize="12"
          textAnchor="end"
          fill="var(--ink)"
          stroke="var(--mix)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          lift
        </text>
      </svg>
    </div>
  );
}

/** A prepared table as a map: darker dies sooner, hatched runs away, each cell with its minutes where there is room. */
export function HeatMap({
  table,
  at,
}: {
  table: HeatTable;
  at: { readonly x: number; readonly tempC: number } | null;
}) {
  const degrees = useDegrees();
  const format = useFormat();
  const columns = table.kind === 'pot' ? TABLE_MASSES_G : TABLE_LIFTS_MM;
  const n = columns.length;
  const { w, h } = MAP;
  const cells = mapCells(table);
  const minutes = cells.flatMap((c) => (c?.minutes ? [c.minutes] : []));
  const shade = minutes.length
    ? scaleLog([Math.min(...minutes), Math.max(...minutes) * 1.001], [0.85, 0.05]).clamp(true)
    : null;
  const place = scaleLog([columns[0]!, columns.at(-1)!], [MAP.left + w / 2, MAP.left + n * w - w / 2]).clamp(true);
  const rise = scaleLinear(
    [TABLE_TEMPS_C[0]!, TABLE_TEMPS_C.at(-1)!],
    [TABLE_TEMPS_C.length * h - h / 2 + 8, 8 + h / 2],
  ).clamp(true);
  return (
    <svg
      viewBox={`0 0 ${MAP.left + n * w + 8} ${TABLE_TEMPS_C.length * h + 48}`}
      className="w-full"
      role="img"
      aria-label={phrase`${table.kind === 'pot' ? 'Pot life over mass' : 'Set over thickness'} and temperature, ${minutes.length} of ${cells.length} computed`}
    >
      {cells.map((c, i) => {
        const [r, k] = [Math.floor(i / n), i % n];
        // To a hundredth: a shade that moves less is not drawn again.
        const dark = c && shade && c.minutes ? Math.round(shade(c.minutes) * 100) / 100 : 0;
        return <MapCell key={i} cell={c} kind={table.kind} row={r} column={k} dark={dark} />;
      })}
      {TABLE_TEMPS_C.map((t, r) =>
        r % 2 === 0 ? (
          <text
            key={t}
            x="48"
            y={8 + (TABLE_TEMPS_C.length - 1 - r) * h + 14}
            fontSize="10"
            textAnchor="end"
            className="fig"
            fill="var(--ink-2)"
          >
            {figure(degrees.of(t))} {degrees.symbol}
          </text>
        ) : null,
      )}
      {columns.map((c, k) =>
        k % 4 === 0 || k === n - 1 ? (
          <text
            key={c}
            x={MAP.left + k * w + w / 2}
            y={TABLE_TEMPS_C.length * h + 22}
            fontSize="10"
            textAnchor="middle"
            className="fig"
            fill="var(--ink-2)"
          >
            {table.kind === 'pot' ? format('mass', c, 2).text : format('length', c, 2).text}
          </text>
        ) : null,
      )}
      <text
        x={MAP.left}
        y={TABLE_TEMPS_C.length * h + 40}
        fontSize="10.5"
        fill="var(--ink-2)"
      >{phrase`${table.kind === 'pot' ? 'minutes until the pot is dead' : 'minutes until the lift has set'}; darker is sooner, hatched runs away`}</text>
      {at && (
        <g stroke="var(--part-a)" strokeWidth="2.5" fill="none">
          <circle cx={place(at.x)} cy={rise(at.tempC)} r="8" />
        </g>
      )}
    </svg>
  );
}

/** One cell of the map; drawn again only when it changes, for a map fills in hundreds of steps. */
const MapCell = memo(function MapCell({
  cell: c,
  kind,
  row,
  column,
  dark,
}: {
  cell: HeatTable['cells'][number];
  kind: HeatTable['kind'];
  row: number;
  column: number;
  dark: number;
}) {
  const format = useFormat();
  const degrees = useDegrees();
  const [x, y] = [MAP.left + column * MAP.w, 8 + (TABLE_TEMPS_C.length - 1 - row) * MAP.h];
  const box = { x, y, width: MAP.w - 1, height: MAP.h - 1 };
  if (!c) return <rect {...box} fill="var(--paper-line)" />;
  const size =
    kind === 'pot' ? format('mass', TABLE_MASSES_G[column]!).text : format('length', TABLE_LIFTS_MM[column]!).text;
  const temp = phrase`${figure(degrees.of(TABLE_TEMPS_C[row]!))} ${degrees.symbol}`;
  const peak =
    c.verdict === 'runaway'
      ? 'runaway'
      : c.peakC === null
        ? ''
        : phrase`at most ${figure(degrees.of(c.peakC))} ${degrees.symbol}`;
  return (
    <g>
      <title>{phrase`${size} at ${temp}: ${
        c.minutes === null ? 'not within two days' : formatDuration(c.minutes)
      }, ${peak}`}</title>
      <rect {...box} fill="var(--set)" opacity={dark} />
      {c.verdict !== 'calm' && <rect {...box} fill="url(#tx-rod)" opacity={c.verdict === 'runaway' ? 0.75 : 0.35} />}
      {c.minutes !== null && column % 2 === 0 && (
        <text
          x={x + MAP.w / 2}
          y={y + 13.5}
          fontSize="8.5"
          textAnchor="middle"
          className="fig"
          fill={dark > 0.5 && c.verdict === 'calm' ? 'var(--paper)' : 'var(--ink)'}
          stroke={c.verdict === 'calm' ? undefined : 'var(--paper)'}
          strokeWidth={c.verdict === 'calm' ? undefined : 2.5}
          paintOrder="stroke"
        >
          {c.minutes < 100 ? figure(c.minutes, 2) : `${figure(c.minutes / 60, 2)}h`}
        </text>
      )}
    </g>
  );
});
