'use client';
import { scaleLinear } from 'd3';
import { useMemo, useRef } from 'react';
import { earliestWith, FAILS, type Starts, startSays } from '@/core/plan';
import { joined, phrase } from '@/words';
import { Notice } from '../shared/Notice';
import { localTicks } from '../shared/ticks';
import { useWidth } from '../shared/use-width';
import { dayAndClock, shortWhen } from '../shared/when';

const TOP = 20;
const BAR = 30;

/** Stretches of starts that are alike. */
interface Run {
  readonly from: number;
  to: number;
  readonly ok: boolean;
  readonly sure: boolean;
  readonly hours: boolean;
}

function runsOf({ against, sure }: Starts): readonly Run[] {
  const runs: Run[] = [];
  for (let i = 0; i < against.length; i++) {
    const ok = against[i] === 0;
    const hours = (against[i]! & 1) === 0;
    const certain = sure === null || sure[i] === 1;
    const last = runs.at(-1);
    if (last && last.ok === ok && last.hours === hours && (!ok || last.sure === certain)) last.to = i + 1;
    else runs.push({ from: i, to: i + 1, ok, sure: certain, hours });
  }
  return runs;
}

/**
 * Every start of a week: full where all limits hold, dotted where only if the forecast comes true, hatched where
 * something speaks against it.
 */
export function StartsBar({
  starts,
  zone,
  nowMs,
  shown,
  left = 0,
  onPoint,
  onTake,
}: {
  starts: Starts;
  zone: string;
  nowMs: number;
  /** The start pointed to. */
  shown: number | null;
  /** Room before the first start, px: to stand under a drawing on the same axis. */
  left?: number;
  onPoint: (ms: number) => void;
  onTake: (ms: number) => void;
}) {
  const [ref, width] = useWidth(760);
  const strip = useRef<HTMLDivElement>(null);
  const runs = useMemo(() => runsOf(starts), [starts]);
  const toMs = starts.fromMs + starts.against.length * starts.stepMs;
  const x = scaleLinear([starts.fromMs, toMs], [left, width]);
  const px = (i: number) => x(starts.fromMs + i * starts.stepMs);
  const says = shown !== null ? startSays(starts, shown) : null;
  const earliestMs = earliestWith(starts, shown);
  // The days of the site, wherever it is looked at from; each second where there is little room.
  const days = localTicks(starts.fromMs, toMs, 24, zone).filter(
    (ms, i) => i % (width < 480 ? 2 : 1) === 0 && x(ms) < width - 70,
  );
  const whole = (ms: number) => Math.round(ms / starts.stepMs) * starts.stepMs;
  const at = (clientX: number) => {
    const box = strip.current!.getBoundingClientRect();
    return whole(
      starts.fromMs +
        (Math.min(Math.max(0, clientX - box.left - left), box.width - left) / (box.width - left)) *
          (toMs - starts.fromMs),
    );
  };
  const perhaps = runs.some((r) => r.ok && !r.sure);
  return (
    <div ref={ref} className="overflow-x-clip">
      <div
        ref={strip}
        role="slider"
        className="touch-none cursor-pointer"
        tabIndex={0}
        aria-label="Start of mixing"
        aria-valuemin={starts.fromMs}
        aria-valuemax={toMs}
        aria-valuenow={shown ?? starts.fromMs}
        aria-valuetext={
          shown !== null && says
            ? phrase`${dayAndClock(shown, zone)}: ${
                says.against.length
                  ? joined(
                      says.against.map((f) => FAILS[f]),
                      ', ',
                    )
                  : 'good'
              }`
            : undefined
        }
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          onPoint(at(e.clientX));
        }}
        onPointerMove={(e) => e.buttons && onPoint(at(e.clientX))}
        onPointerUp={(e) => onTake(at(e.clientX))}
        onKeyDown={(e) => {
          const step = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
          if (!step || shown === null) return;
          e.preventDefault();
          onTake(Math.min(Math.max(starts.fromMs, whole(shown) + step * starts.stepMs * (e.shiftKey ? 6 : 1)), toMs));
        }}
      >
        <svg width={width} height={TOP + BAR + 20} className="block" aria-hidden="true">
          {runs.map((r) => (
            <g key={r.from}>
              <rect
                x={px(r.from)}
                y={TOP}
                width={px(r.to) - px(r.from)}
                height={BAR}
                fill={r.ok ? (r.sure ? 'var(--mix-2)' : 'url(#tx-perhaps)') : 'var(--paper)'}
                stroke={r.ok ? 'var(--ink)' : 'none'}
              />
              {!r.ok && (
                <rect
                  x={px(r.from)}
                  y={TOP}
                  width={px(r.to) - px(r.from)}
                  height={BAR}
                  fill={r.hours ? 'url(#tx-rod)' : 'url(#tx-closed)'}
                  opacity={r.hours ? 0.5 : 1}
                />
              )}
            </g>
          ))}
          <rect x={left} y={TOP} width={Math.max(0, width - left)} height={BAR} fill="none" stroke="var(--rule)" />
          {days.map((d) => (
            <g key={d}>
              <line x1={x(d)} x2={x(d)} y1={TOP - 4} y2={TOP + BAR} stroke="var(--hair)" />
              <text x={x(d) + 3} y={TOP - 6} fontSize="11" className="fig" fill="var(--ink-2)">
                {dayAndClock(d, zone)}
              </text>
            </g>
          ))}
          {starts.bestMs !== null && (
            <g>
              <path d={`M${x(starts.bestMs)} ${TOP + BAR} l5 8 h-10 z`} fill="var(--ink)" />
              <text x={Math.min(x(starts.bestMs) + 8, width - 40)} y={TOP + BAR + 14} fontSize="11" fill="var(--ink)">
                best
              </text>
            </g>
          )}
          {shown !== null && shown >= starts.fromMs && shown <= toMs && (
            <line x1={x(shown)} x2={x(shown)} y1={TOP - 3} y2={TOP + BAR + 3} stroke="var(--part-a)" strokeWidth="3" />
          )}
        </svg>
      </div>
      {perhaps && (
        <p className="soft text-sm">Dotted: good only if the forecast comes true; full: good on both its edges too.</p>
      )}
      <p data-testid="start-says">
        {shown !== null && says && (
          <>
            <strong className="fig">{dayAndClock(shown, zone)}</strong>:{' '}
            {says.against.length ? (
              <strong>
                {joined(
                  says.against.map((f) => FAILS[f]),
                  ', ',
                )}
              </strong>
            ) : (
              <>
                {says.sure ? 'all limits hold' : 'all limits hold if the forecast comes true'}
                {says.readyMs ? phrase`, ready ${shortWhen(says.readyMs, zone, nowMs)}` : ''}
              </>
            )}
            .{' '}
          </>
        )}
        {earliestMs !== null && starts.bestMs !== null && (
          <>
            {phrase`Earliest ${dayAndClock(earliestMs, zone)}, best ${dayAndClock(starts.bestMs, zone)}. `}
            <button type="button" className="btn text-sm" onClick={() => onTake(starts.bestMs!)}>
              Begin at the best
            </button>
          </>
        )}
      </p>
      {starts.earliestMs === null && (
        <Notice tone="caution" className="mt-1 font-bold">{phrase`No start in this week is good: ${joined(
          starts.reasons
            .map((r) => [FAILS[r.id], Math.round((100 * r.starts) / starts.against.length)] as const)
            .filter(([, pct]) => pct > 0)
            .slice(0, 3)
            .map(([fails, pct]) => phrase`${fails} (${pct} %)`),
          ', ',
        )}.`}</Notice>
      )}
    </div>
  );
}

/** Share of the starts that are good, per cent. */
export const goodPct = (starts: Starts) =>
  Math.round((100 * starts.against.reduce((n, a) => n + (a === 0 ? 1 : 0), 0)) / starts.against.length);
