'use client';
import { scaleTime } from 'd3';
import { useMemo, useRef, useState } from 'react';
import { FAILS, startSays, startsAskOf, startWindows } from '@/core/plan';
import { changeRepair } from '../desk/desk';
import type { StageProps } from '../repair/stage-props';
import { Heading } from '../shared/bits';
import { dayAndClock, shortWhen } from '../shared/when';
import { Openers } from './Openers';

const W = 760;
const TOP = 20;
const BAR = 30;

/** Every start of mixing in the coming week: solid where all limits hold, hatched where something speaks against it. Pulled along, it says what. */
export function StartStrip({ view, at, nowMs }: StageProps) {
  const { plan, repair, actuals } = at;
  const started = actuals.startedAt !== null;
  // Whole tens of minutes: the week does not shift with every tick.
  const from = Math.floor(nowMs / 600_000) * 600_000;
  const found = useMemo(() => {
    const ask = started ? null : startsAskOf(plan, view.job, view.plan.windows, from);
    return ask ? { ask, starts: startWindows(ask) } : null;
  }, [plan, view.job, view.plan.windows, from, started]);
  const [pointed, setPointed] = useState<number | null>(null);
  const strip = useRef<HTMLDivElement>(null);
  if (!found) return null;
  const { ask, starts } = found;
  const zone = view.job.zone;
  const toMs = starts.fromMs + starts.against.length * starts.stepMs;
  const x = scaleTime([starts.fromMs, toMs], [0, W]);
  const mixing = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? null;
  const shown = pointed ?? mixing;
  const says = shown !== null ? startSays(starts, shown) : null;
  const runs: { from: number; to: number; ok: boolean; sure: boolean; hours: boolean }[] = [];
  for (let i = 0; i < starts.against.length; i++) {
    const ok = starts.against[i] === 0;
    const hours = (starts.against[i]! & 1) === 0;
    const sure = starts.sure === null || starts.sure[i] === 1;
    const last = runs.at(-1);
    if (last && last.ok === ok && last.hours === hours && (!ok || last.sure === sure)) last.to = i + 1;
    else runs.push({ from: i, to: i + 1, ok, sure, hours });
  }
  const px = (i: number) => x(starts.fromMs + i * starts.stepMs);
  const days = x.ticks(7).filter((d) => x(d) < W - 70);
  const at10 = (ms: number) => Math.round(ms / starts.stepMs) * starts.stepMs;
  const point = (clientX: number) => {
    const box = strip.current!.getBoundingClientRect();
    setPointed(at10(starts.fromMs + (Math.min(Math.max(0, clientX - box.left), box.width) / box.width) * (toMs - starts.fromMs)));
  };
  const take = (mixMs: number) => changeRepair(repair.id, (r) => ({ ...r, plannedStart: mixMs - ask.prepareMin * 60_000 }), 'start');
  const perhaps = starts.sure !== null && runs.some((r) => r.ok && !r.sure);
  const good = starts.against.reduce((n, a) => n + (a === 0 ? 1 : 0), 0);
  return (
    <section aria-label="Starts">
      <Heading aside={`${Math.round((100 * good) / starts.against.length)} % of the week is good; mixing begins at the place pointed to`}>
        When to begin
      </Heading>
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
            ? `${dayAndClock(shown, zone)}: ${says.against.length ? says.against.map((f) => FAILS[f]).join(', ') : 'good'}`
            : undefined
        }
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          point(e.clientX);
        }}
        onPointerMove={(e) => e.buttons && point(e.clientX)}
        onPointerUp={() => {
          if (pointed !== null) take(pointed);
          setPointed(null);
        }}
        onKeyDown={(e) => {
          const step = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
          if (!step || shown === null) return;
          e.preventDefault();
          take(Math.min(Math.max(starts.fromMs, at10(shown) + step * starts.stepMs * (e.shiftKey ? 6 : 1)), toMs));
        }}
      >
        <svg viewBox={`0 0 ${W} ${TOP + BAR + 20}`} className="w-full" aria-hidden="true">
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
          <rect x="0" y={TOP} width={W} height={BAR} fill="none" stroke="var(--rule)" />
          {days.map((d) => (
            <g key={d.getTime()}>
              <line x1={x(d)} x2={x(d)} y1={TOP - 4} y2={TOP + BAR} stroke="var(--hair)" />
              <text x={x(d) + 3} y={TOP - 6} fontSize="11" className="fig" fill="var(--ink-2)">
                {dayAndClock(d.getTime(), zone)}
              </text>
            </g>
          ))}
          {starts.bestMs !== null && <path d={`M${x(starts.bestMs)} ${TOP + BAR} l5 8 h-10 z`} fill="var(--ink)" />}
          {shown !== null && shown >= starts.fromMs && shown <= toMs && (
            <g>
              <line x1={x(shown)} x2={x(shown)} y1={TOP - 3} y2={TOP + BAR + 3} stroke="var(--part-a)" strokeWidth="3" />
            </g>
          )}
          {starts.bestMs !== null && (
            <text x={Math.min(x(starts.bestMs) + 8, W - 40)} y={TOP + BAR + 14} fontSize="11" fill="var(--ink)">
              best
            </text>
          )}
        </svg>
      </div>
      {perhaps && <p className="soft text-sm">Dotted: good only if the forecast comes true; full: good on both its edges too.</p>}
      <p data-testid="start-says">
        {shown !== null && says && (
          <>
            <strong className="fig">{dayAndClock(shown, zone)}</strong>:{' '}
            {says.against.length ? (
              <strong>{says.against.map((f) => FAILS[f]).join(', ')}</strong>
            ) : (
              <>
                {says.sure ? 'all limits hold' : 'all limits hold if the forecast comes true'}
                {says.readyMs ? `, ready ${shortWhen(says.readyMs, zone, nowMs)}` : ''}
              </>
            )}
            .{' '}
          </>
        )}
        {starts.earliestMs !== null && starts.bestMs !== null && (
          <>
            Earliest {dayAndClock(starts.earliestMs, zone)}, best {dayAndClock(starts.bestMs, zone)}.{' '}
            <button type="button" className="act text-sm" onClick={() => take(starts.bestMs!)}>
              Begin at the best
            </button>
          </>
        )}
      </p>
      {starts.earliestMs === null && (
        <div className="p-2 mt-1" style={{ background: 'var(--caution-bg)', color: 'var(--caution-ink)', border: '1px solid var(--rule)' }}>
          <p className="font-bold">
            No start in this week is good:{' '}
            {starts.reasons
              .slice(0, 3)
              .map((r) => `${FAILS[r.id]} (${Math.round((100 * r.starts) / starts.against.length)} %)`)
              .join(', ')}
            .
          </p>
        </div>
      )}
      <Openers view={view} at={at} nowMs={nowMs} prepareMin={ask.prepareMin} none={starts.earliestMs === null} />
    </section>
  );
}
