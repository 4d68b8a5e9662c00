'use client';
import { line, scaleLinear } from 'd3';
import { useMemo } from 'react';
import type { StrengthOver } from '@/core/plan';

import { figure, joined, lowered, phrase } from '@/words';
import { ticksOf } from '../shared/ticks';
import { useWidth } from '../shared/use-width';
import { shortWhen } from '../shared/when';

const HT = 190;
const LEFT = 46;
const RIGHT = 14;
/** A tick with its words takes so much, px. */
const TICK_PX = 54;

export interface StageMark {
  readonly id: string;
  readonly label: string;
  readonly ms: number;
}

/** Strength through time on the site’s clock, with the stages it opens in and what a load needs. */
export function StrengthChart({
  strength,
  stages,
  needs,
  zone,
  nowMs,
}: {
  strength: StrengthOver;
  stages: readonly StageMark[];
  needs: number | null;
  zone: string;
  nowMs: number;
}) {
  const [ref, width] = useWidth(720);
  const last = Math.max(...stages.map((s) => s.ms), strength.originMs + 3_600_000);
  const to = Math.min(Math.max(strength.endMs, last), strength.originMs + (last - strength.originMs) * 1.12);
  const x = scaleLinear([strength.originMs, to], [LEFT, width - RIGHT]);
  const y = scaleLinear([0, 1.05], [HT - 44, 14]);
  const points = useMemo(
    () =>
      Array.from({ length: 121 }, (_, i) => strength.originMs + ((to - strength.originMs) * i) / 120).map(
        (ms) => [ms, strength.shareAt(ms)] as const,
      ),
    [strength, to],
  );
  const draw = line<readonly [number, number]>()
    .x((p) => x(p[0]))
    .y((p) => y(p[1]));
  const ticks = ticksOf(strength.originMs, to, zone);
  const every = Math.max(1, Math.ceil((ticks.length * TICK_PX) / (width - LEFT - RIGHT)));
  return (
    <div ref={ref} className="overflow-x-clip">
      <svg
        width={width}
        height={HT}
        role="img"
        aria-label={phrase`Strength through time: ${joined(
          stages.map(
            (s) =>
              phrase`${s.label} ${shortWhen(s.ms, zone, nowMs)}, ${Math.round(strength.shareAt(s.ms) * 100)} per cent`,
          ),
          '; ',
        )}`}
      >
        {[0, 0.25, 0.5, 0.75, 1].map((v) => (
          <g key={v}>
            <line x1={LEFT} x2={width - RIGHT} y1={y(v)} y2={y(v)} stroke="var(--paper-line)" />
            <text x={LEFT - 6} y={y(v) + 4} textAnchor="end" fontSize="11" className="fig" fill="var(--ink-2)">
              {v * 100} %
            </text>
          </g>
        ))}
        {ticks
          .filter(({ ms }, i) => i % every === 0 && x(ms) > LEFT + 14 && x(ms) < width - RIGHT - 14)
          .map(({ ms, label }) => (
            <text key={ms} x={x(ms)} y={HT - 4} fontSize="11" className="fig" fill="var(--ink-2)" textAnchor="middle">
              {label}
            </text>
          ))}
        {needs !== null && needs <= 1 && (
          <g>
            <line x1={LEFT} x2={width - RIGHT} y1={y(needs)} y2={y(needs)} stroke="var(--stop)" strokeDasharray="6 3" />
            <text
              x={LEFT + 6}
              y={y(needs) - 4}
              fontSize="11.5"
              fill="var(--stop)"
              stroke="var(--paper)"
              strokeWidth="3"
              paintOrder="stroke"
            >{phrase`the load needs ${figure(needs * 100, 2)} %`}</text>
          </g>
        )}
        <path
          d={draw(points) ?? ''}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2.2}
          strokeDasharray={strength.fromPoints ? undefined : '5 3'}
        />
        {stages.map((s, i) => {
          const at = y(strength.shareAt(s.ms));
          return (
            <g key={s.id}>
              <line x1={x(s.ms)} x2={x(s.ms)} y1={at} y2={HT - 44} stroke="var(--ink)" strokeWidth="1.2" />
              <rect
                x={x(s.ms) - 4}
                y={at - 4}
                width="8"
                height="8"
                fill={nowMs >= s.ms ? 'var(--ink)' : 'var(--paper)'}
                stroke="var(--ink)"
              />
              <text
                x={Math.min(Math.max(x(s.ms), LEFT + 4), width - RIGHT - 4)}
                y={HT - 30 + (i % 2) * 13}
                fontSize="11.5"
                textAnchor={x(s.ms) > width - 90 ? 'end' : x(s.ms) < LEFT + 40 ? 'start' : 'middle'}
                fill="var(--ink)"
                stroke="var(--paper)"
                strokeWidth="3"
                paintOrder="stroke"
              >
                {lowered(s.label)}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
