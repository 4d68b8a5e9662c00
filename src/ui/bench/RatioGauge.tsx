'use client';
import { scaleLinear } from 'd3';
import { saidTolerance, type Tolerance } from '@/core/mix';
import { figure, phrase } from '@/words';
import { useSay } from '../shared/bits';

const W = 420;

/** How far B/A stands from the ratio: the sheet's tolerance as the open stretch, beyond it hatched. */
export function RatioGauge({
  deviationPct,
  tolerance,
  within,
}: {
  deviationPct: number | null;
  tolerance: Tolerance;
  /** As the scale can tell it. */
  within: boolean;
}) {
  const says = useSay();
  const { shortPct, overPct, fromSheet } = tolerance;
  const reach = Math.max(
    2.5 * Math.min(shortPct, overPct),
    1.25 * Math.max(shortPct, overPct),
    Math.min(60, Math.abs(deviationPct ?? 0) * 1.15),
    2,
  );
  const x = scaleLinear([-reach, reach], [14, W - 14]).clamp(true);
  return (
    <svg
      viewBox={`0 0 ${W} 62`}
      className="w-full"
      role="img"
      aria-label={
        deviationPct === null
          ? phrase`The ratio is judged when both are in; ${says(saidTolerance(tolerance))} ${fromSheet ? 'by the sheet' : 'assumed'}`
          : phrase`B is ${figure(Math.abs(deviationPct), 2)} % ${deviationPct < 0 ? 'short' : 'over'}, ${within ? 'within' : 'outside'} ${says(saidTolerance(tolerance))}`
      }
    >
      <rect x={x(-reach)} y="24" width={x(reach) - x(-reach)} height="16" fill="url(#tx-closed)" stroke="var(--rule)" />
      <rect
        x={x(-shortPct)}
        y="24"
        width={x(overPct) - x(-shortPct)}
        height="16"
        fill="var(--mix)"
        stroke="var(--ink)"
      />
      <line x1={x(0)} x2={x(0)} y1="20" y2="44" stroke="var(--ink)" />
      {[-shortPct, overPct].map((t, side) => (
        <text
          key={side === 0 ? 'short' : 'over'}
          x={x(t)}
          y="56"
          fontSize="13"
          textAnchor="middle"
          className="fig"
          fill="var(--ink-2)"
        >
          {t === 0 ? '' : side === 1 ? '+' : '−'}
          {figure(Math.abs(t))} %
        </text>
      ))}
      <text x="14" y="16" fontSize="13" fill="var(--ink-2)">
        short of B
      </text>
      <text x={W - 14} y="16" fontSize="13" textAnchor="end" fill="var(--ink-2)">
        over of B
      </text>
      {deviationPct !== null && (
        <g>
          <path d={`M${x(deviationPct)} 22 l7 -11 h-14 z`} fill={within ? 'var(--ink)' : 'var(--stop)'} />
          <line
            x1={x(deviationPct)}
            x2={x(deviationPct)}
            y1="20"
            y2="44"
            stroke={within ? 'var(--ink)' : 'var(--stop)'}
            strokeWidth="3"
          />
        </g>
      )}
    </svg>
  );
}
