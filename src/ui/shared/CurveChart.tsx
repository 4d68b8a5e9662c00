'use client';
import { line, scaleLinear, scaleLog } from 'd3';
import { paceOf, type Side } from '@/core/cure';
import { attempt } from '@/core/say';
import type { FamilyId, Milestone } from '@/core/system';
import { fromCore, unitOf } from '@/core/units';
import { format, formatDuration, marked, phrase } from '@/words';
import { usePrefs } from '../workspace/prefs';
import { Prose } from './bits';

/** Times people think in, min. */
export const TIMES = [1, 2, 5, 10, 20, 30, 60, 120, 300, 600, 1440, 2880, 7200, 14400, 28800, 72000];
const W = 300;
const HT = 150;

/** A sheet's times over temperature: the range as a band, points as typed, dashed where it is carried beyond them. */
export function CurveChart({ milestone, family, atC }: { milestone: Milestone; family: FamilyId; atC: number }) {
  const system = usePrefs((p) => p.system);
  const sides = attempt(() => ({ short: paceOf(milestone, 'short', family), long: paceOf(milestone, 'long', family) }));
  if (!sides.ok)
    return (
      <p className="text-sm">
        <Prose>{sides.problem.sentence}</Prose>
      </p>
    );
  const { short, long } = sides.value;
  const [lo, hi] = [long.lowC, long.highC];
  const x = scaleLinear([lo, hi], [40, W - 8]);
  const values = [short.minutesAt(hi - 0.01), long.minutesAt(lo)];
  const y = scaleLog([Math.min(...values) * 0.8, Math.max(...values) * 1.25], [HT - 20, 6]);
  const temps = Array.from({ length: 61 }, (_, i) => lo + ((hi - lo) * i) / 60.001);
  const draw = (which: Side, from: number, to: number) =>
    line<number>(
      (t) => x(t),
      (t) => y((which === 'short' ? short : long).minutesAt(t)),
    )(temps.filter((t) => t >= from && t <= to)) ?? '';
  const inRange = TIMES.filter((t) => t >= y.domain()[0]! && t <= y.domain()[1]!);
  const ticks = inRange.filter((_, i) => i % Math.ceil(inRange.length / 4) === 0);
  const unit = unitOf('temperature', system === 'us' ? '°F' : '°C');
  const degrees = scaleLinear([fromCore(unit, lo), fromCore(unit, hi)], [40, W - 8]);
  const inside = atC >= lo && atC < hi;
  return (
    <svg
      viewBox={`0 0 ${W} ${HT}`}
      className="w-full"
      role="img"
      aria-label={
        inside
          ? phrase`At ${format('temperature', atC, system).text}: ${formatDuration(short.minutesAt(atC))} to ${formatDuration(long.minutesAt(atC))}`
          : 'Times by temperature'
      }
    >
      {ticks.map((t) => (
        <g key={t}>
          <line x1="40" x2={W - 8} y1={y(t)} y2={y(t)} stroke="var(--paper-line)" />
          <text x="36" y={y(t) + 3.5} fontSize="9.5" textAnchor="end" fill="var(--ink-2)" className="fig">
            {formatDuration(t)}
          </text>
        </g>
      ))}
      {degrees
        .ticks(5)
        .filter((t) => degrees(t) < W - 16)
        .map((t) => (
          <text
            key={t}
            x={degrees(t)}
            y={HT - 6}
            fontSize="9.5"
            textAnchor="middle"
            fill="var(--ink-2)"
            className="fig"
          >
            {marked(String(t))} {unit.symbol}
          </text>
        ))}
      {(['short', 'long'] as const).map((side) => (
        <g key={side} fill="none" stroke="var(--ink)">
          <path
            d={draw(side, lo, hi)}
            strokeDasharray={milestone.table.form === 'bands' ? undefined : '2 3'}
            strokeWidth="1"
          />
          {milestone.table.form === 'curve' && (
            <path d={draw(side, long.sheetLowC, long.sheetHighC)} strokeWidth="1.8" />
          )}
        </g>
      ))}
      {milestone.table.form === 'curve' &&
        milestone.table.points.map((p) => (
          <path key={p.tempC} d={`M${x(p.tempC)} ${y(p.fromMin)}V${y(p.toMin)}`} stroke="var(--ink)" strokeWidth="5" />
        ))}
      {milestone.table.form === 'single' && (
        <rect
          x={x(milestone.table.tempC ?? 23) - 4}
          y={y(milestone.table.toMin) - 2}
          width="8"
          height={Math.max(6, y(milestone.table.fromMin) - y(milestone.table.toMin) + 4)}
          fill="var(--ink)"
        />
      )}
      {inside && (
        <g>
          <line x1={x(atC)} x2={x(atC)} y1="4" y2={HT - 18} stroke="var(--part-a)" strokeWidth="1.5" />
          <text
            x={Math.min(x(atC) + 4, W - 92)}
            y="14"
            fontSize="10.5"
            fill="var(--part-a)"
            fontWeight="700"
            stroke="var(--paper)"
            strokeWidth="3"
            paintOrder="stroke"
          >{phrase`${format('temperature', atC, system).text} here`}</text>
        </g>
      )}
    </svg>
  );
}
