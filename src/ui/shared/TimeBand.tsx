'use client';
import { scaleLinear, scaleTime } from 'd3';
import Link from 'next/link';
import { memo, type PointerEvent, useMemo, useRef, useState } from 'react';
import { stretchesOf } from '@/core/plan';
import type { JobView, PassView } from '@/core/record';
import { formatDuration } from '@/core/units';
import { curvesOf, STRIP, stretchWords, TimeBandAir } from './TimeBandAir';
import { useWidth } from './use-width';
import { clock, dayAndClock } from './when';

const H = 3_600_000;
const LEFT = 128;
const NO_READINGS: PassView['actuals']['readings'] = [];
const TEXTURE = { liquid: 'tx-liquid', gelled: 'tx-gelled', hardening: 'tx-hardening', set: 'tx-set' } as const;

/** Days from now to the first step above which the band no longer begins at now, ms. */
const FAR_OFF = 9 * 24 * H;

interface Props {
  readonly view: JobView;
  readonly current?: PassView;
  readonly nowMs: number;
  /** Called while a repair's band is dragged, with its new start. */
  readonly onStart?: (repairId: string, startMs: number) => void;
  /** Called while the temperature curve is pulled, with the change in K. */
  readonly onTemperature?: (deltaK: number, first: boolean) => void;
  /** Called when the hand begins to pull, and when it lets go. */
  readonly onPull?: (pulling: boolean) => void;
}

/** One time axis: air, base and dew; working and closed hours; each repair from liquid to set. */
export const TimeBand = memo(function TimeBand({ view, current, nowMs, onStart, onTemperature, onPull }: Props) {
  const [ref, width] = useWidth();
  const [drag, setDrag] = useState<
    { kind: 'start'; id: string; x: number; start: number } | { kind: 'temp'; y: number; began: boolean } | null
  >(null);
  // The hand moves more finely than the plan: what rounds to the same asks for nothing.
  const pulled = useRef(0);
  const { job, plan } = view;
  const shown = view.repairs;
  const range = useMemo(() => {
    const starts = shown.flatMap((r) => r.plan.steps.map((s) => s.startMs));
    const ends = shown.flatMap((r) => [
      r.plan.openMs ?? 0,
      r.plan.band.findLast((b) => b.state !== 'set')?.toMs ?? 0,
      r.plan.habitMs ?? 0,
    ]);
    const first = Math.min(...(starts.length ? starts : [job.startFrom]));
    // Work that lies further off than the band is long is shown where it lies.
    const from = (first - nowMs > FAR_OFF ? first : Math.min(nowMs, first)) - 2 * H;
    const to = Math.max(from + 36 * H, nowMs + 12 * H, ...ends, Math.min(job.wantedAt ?? 0, from + 9 * 24 * H)) + 5 * H;
    return { from, to: Math.min(to, from + 12 * 24 * H) };
  }, [shown, nowMs, job.startFrom, job.wantedAt]);

  // Many repairs share the height that few have.
  const rowH = shown.length > 7 ? 14 : shown.length > 3 ? 18 : 24;
  const gap = shown.length > 3 ? 3 : 6;
  const tempH = 66;
  const top = 24;
  const height = top + tempH + STRIP + 10 + Math.max(1, shown.length) * (rowH + gap) + 18;
  const x = scaleTime([range.from, range.to], [LEFT, width - 14]);
  const lead = current ?? shown[0];
  const air = plan.site?.air.air;

  const curves = useMemo(() => {
    if (!air || !plan.site) return null;
    const thermal = lead?.plan.thermal;
    return curvesOf(
      {
        air: thermal?.air ?? air,
        dew: thermal?.dew ?? plan.site.air.dew,
        ...(thermal && { base: thermal.base, material: thermal.pot, spread: thermal.spread }),
      },
      range,
    );
  }, [air, lead, plan.site, range]);
  const limits = lead?.plan.sheet?.limits ?? null;
  const stretches = useMemo(
    () => (lead?.plan.thermal ? stretchesOf(limits, lead.plan.thermal, range.from, range.to) : []),
    [lead, limits, range],
  );
  const hours = (range.to - range.from) / H;
  const step = hours <= 60 ? 6 : hours <= 110 ? 12 : 24;
  const ticks = useMemo(() => localTicks(range.from, range.to, step, job.zone), [range, step, job.zone]);
  // On a narrow screen only every second or third of them has room for its words.
  const every = Math.max(1, Math.ceil((step === 24 ? 78 : 58) / ((step * (width - 14 - LEFT)) / Math.max(1, hours))));
  const closed = useMemo(() => gaps(plan.windows, range.from, range.to), [plan.windows, range]);
  if (!plan.site || !air || !curves)
    return (
      <div ref={ref} className="p-3 soft">
        The time band appears when the site’s temperature and hours are sound.
      </div>
    );

  const y = scaleLinear([curves.lo - 0.5, curves.hi + 0.5], [top + tempH, top + 6]);

  const letGo = () => {
    if (drag) onPull?.(false);
    setDrag(null);
  };
  const pointerMove = (e: PointerEvent<SVGSVGElement>) => {
    if (!drag) return;
    if (drag.kind === 'start' && onStart) {
      const msPerPx = (range.to - range.from) / (width - 14 - LEFT);
      const to = Math.round((drag.start + (e.clientX - drag.x) * msPerPx) / 300_000) * 300_000;
      if (to !== pulled.current) onStart(drag.id, to);
      pulled.current = to;
    }
    if (drag.kind === 'temp' && onTemperature) {
      const perPx = (y.invert(0) - y.invert(1)) * 1;
      const by = Math.round((drag.y - e.clientY) * perPx * 2) / 2;
      if (by === pulled.current) return;
      onTemperature(by, !drag.began);
      pulled.current = by;
      if (!drag.began) setDrag({ ...drag, began: true });
    }
  };

  return (
    <div ref={ref} className="w-full" style={{ background: 'var(--ground-2)', contain: 'layout style' }}>
      <svg
        width={width}
        height={height}
        className="block select-none"
        role="group"
        aria-label="Time band"
        onPointerMove={pointerMove}
        onPointerUp={letGo}
        onPointerLeave={letGo}
      >
        <title>Temperatures, working hours and repairs on one time axis</title>
        {closed.map(([a, b]) => (
          <rect key={a} x={x(a)} width={Math.max(0, x(b) - x(a))} y={top + 4} height={tempH} fill="url(#tx-closed)" />
        ))}
        {ticks.map((t, i) => (
          <g key={t}>
            <line x1={x(t)} x2={x(t)} y1={18} y2={height - 12} stroke="var(--hair)" strokeWidth="0.8" />
            <text
              x={x(t) + 4}
              y={15}
              fontSize="11.5"
              className="fig"
              fill="var(--ink)"
              visibility={i % every || (x(t) < x(nowMs) + 24 && x(t) + 66 > x(nowMs) - 24) ? 'hidden' : undefined}
            >
              {clock(t, job.zone) === '00:00' || step === 24 ? dayAndClock(t, job.zone) : clock(t, job.zone)}
            </text>
          </g>
        ))}
        <TimeBandAir
          curves={curves}
          x={x}
          y={y}
          box={{ left: LEFT, right: width - 14, bottom: top + tempH }}
          minC={limits?.baseMinC ?? null}
          readings={lead?.actuals.readings ?? NO_READINGS}
          stretches={stretches}
        />
        {onTemperature && (
          <rect
            x={LEFT}
            width={Math.max(0, width - 14 - LEFT)}
            y={top + 4}
            height={tempH}
            fill="transparent"
            style={{ cursor: 'ns-resize', touchAction: 'none' }}
            data-testid="pull-temperature"
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              pulled.current = 0;
              onPull?.(true);
              setDrag({ kind: 'temp', y: e.clientY, began: false });
            }}
          >
            <title>Pull up or down: warmer or colder site</title>
          </rect>
        )}
        {shown.map((r, i) => {
          const y0 = top + tempH + STRIP + 14 + i * (rowH + gap);
          const { plan: p } = r;
          const stalls = p.milestones.findLast((m) => m.kind === p.serves)?.stalls ?? [];
          const first = p.steps[0];
          const placing = p.band[0];
          return (
            <g key={r.repair.id}>
              <Link href={`/job/${job.id}/${r.repair.id}/hold`}>
                <text
                  x={14}
                  y={y0 + rowH / 2 + 4}
                  fontSize="12.5"
                  fontWeight={r === current ? 750 : 500}
                  fill="var(--ink)"
                >
                  {(r.repair.name || 'Unnamed').length > 17
                    ? `${r.repair.name.slice(0, 16)}…`
                    : r.repair.name || 'Unnamed'}
                </text>
              </Link>
              {first && placing && first.startMs < placing.fromMs && (
                <rect
                  x={x(first.startMs)}
                  width={Math.max(1, x(placing.fromMs) - x(first.startMs))}
                  y={y0 + 8}
                  height={6}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth="1"
                />
              )}
              {p.band.map((b) => (
                <rect
                  key={b.state}
                  x={x(b.fromMs)}
                  width={Math.max(1.5, Math.min(x(b.toMs), width - 14) - x(b.fromMs))}
                  y={y0}
                  height={rowH - 2}
                  fill={`url(#${TEXTURE[b.state]})`}
                  stroke="var(--ink)"
                  strokeWidth="1"
                >
                  <title>{`${b.state} until ${dayAndClock(b.toMs, job.zone)}`}</title>
                </rect>
              ))}
              {stalls.map((s) => (
                <g key={s.fromMs}>
                  <path
                    d={`M${x(s.fromMs)} ${y0 - 3} v${rowH + 4} M${x(s.toMs)} ${y0 - 3} v${rowH + 4}`}
                    stroke="var(--stop)"
                    strokeWidth="1.6"
                  />
                  <text
                    x={x(s.fromMs) + 3}
                    y={y0 + rowH + 8}
                    fontSize="11"
                    fill="var(--stop)"
                    stroke="var(--ground-2)"
                    strokeWidth="3"
                    paintOrder="stroke"
                  >
                    clock stands {formatDuration((s.toMs - s.fromMs) / 60_000)}
                  </text>
                </g>
              ))}
              {p.openMs !== null && (
                <g>
                  <line
                    x1={x(p.openMs)}
                    x2={x(p.openMs)}
                    y1={y0 - 3}
                    y2={y0 + rowH + 1}
                    stroke="var(--ink)"
                    strokeWidth="3"
                  />
                  <OpenLabel
                    x={x(p.openMs) + 7}
                    y={y0 + rowH / 2 + 4}
                    until={Math.min(x(p.band.at(-1)?.toMs ?? 0), width - 14)}
                    text={dayAndClock(p.openMs, job.zone)}
                  />
                </g>
              )}
              {p.habitMs !== null && r === lead && (
                <g>
                  <line
                    x1={x(p.habitMs)}
                    x2={x(p.habitMs)}
                    y1={y0 - 2}
                    y2={y0 + rowH}
                    stroke="var(--ink)"
                    strokeWidth="1.6"
                    strokeDasharray="3 2"
                  />
                  {(rowH === 24 || i === 0) && (
                    <text
                      x={x(p.habitMs)}
                      y={y0 - 4}
                      fontSize="10.5"
                      textAnchor="middle"
                      fill="var(--ink)"
                      stroke="var(--ground-2)"
                      strokeWidth="4"
                      paintOrder="stroke"
                    >
                      plain 24 h
                    </text>
                  )}
                </g>
              )}
              {onStart && first && r.actuals.startedAt === null && placing && (
                <rect
                  x={x(first.startMs) - 6}
                  width={Math.max(24, x(p.band.at(-1)!.toMs) - x(first.startMs))}
                  y={y0 - 2}
                  height={rowH + 2}
                  fill="transparent"
                  style={{ cursor: 'grab', touchAction: 'none' }}
                  data-testid={`pull-start-${r.repair.id}`}
                  onPointerDown={(e) => {
                    e.currentTarget.setPointerCapture(e.pointerId);
                    pulled.current = first.startMs;
                    onPull?.(true);
                    setDrag({ kind: 'start', id: r.repair.id, x: e.clientX, start: first.startMs });
                  }}
                >
                  <title>Pull sideways: another start</title>
                </rect>
              )}
            </g>
          );
        })}
        {nowMs >= range.from && (
          <>
            <line x1={x(nowMs)} x2={x(nowMs)} y1={0} y2={height} stroke="var(--ink)" strokeWidth="2" />
            <rect x={x(nowMs) - 23} y={0} width={46} height={18} fill="var(--ink)" />
            <text x={x(nowMs)} y={13} textAnchor="middle" fontSize="11.5" className="fig" fill="var(--paper)">
              {clock(nowMs, job.zone)}
            </text>
          </>
        )}
        {job.wantedAt !== null && x(job.wantedAt) < width && (
          <g>
            <path
              d={`M${x(job.wantedAt)} ${top} V${height - 4}`}
              stroke="var(--part-a)"
              strokeWidth="1.6"
              strokeDasharray="8 3"
            />
            <text
              x={x(job.wantedAt) - 5}
              y={height - 5}
              textAnchor="end"
              fontSize="11"
              fill="var(--part-a)"
              stroke="var(--ground-2)"
              strokeWidth="4"
              paintOrder="stroke"
            >
              wanted open
            </text>
          </g>
        )}
      </svg>
      <ul className="sr-only">
        {stretches.slice(0, 20).map((s) => (
          <li key={`${s.id}${s.fromMs}`}>{stretchWords(s, job.zone)}</li>
        ))}
        {shown.map((r) => (
          <li key={r.repair.id}>
            {r.repair.name}:{' '}
            {r.plan.band
              .map((b) => `${b.state} from ${dayAndClock(b.fromMs, job.zone)} to ${dayAndClock(b.toMs, job.zone)}`)
              .join(', ')}
            {r.plan.openMs !== null
              ? `; may be opened ${dayAndClock(r.plan.openMs, job.zone)}`
              : '; no opening in sight'}
          </li>
        ))}
      </ul>
    </div>
  );
});

/** The opening, written on the set part of the band where it fits, beside it where not. */
function OpenLabel({ x, y, until, text }: { x: number; y: number; until: number; text: string }) {
  const inside = until - x > 118;
  return (
    <text
      x={inside ? x : Math.max(x, until + 6)}
      y={y}
      fontSize="12"
      fontWeight="700"
      fill={inside ? 'var(--paper)' : 'var(--ink)'}
    >
      open <tspan className="fig">{text}</tspan>
    </text>
  );
}

/** Round local hours in a range. */
function localTicks(from: number, to: number, stepH: number, zone: string): number[] {
  const out: number[] = [];
  for (let t = Math.ceil(from / H) * H; t <= to; t += H) {
    const [h = 0, m = 0] = clock(t, zone).split(':').map(Number);
    // Zones with half-hour offsets have no whole UTC hour at a local one.
    const local = t - m * 60_000;
    if ((h % 24) % stepH === 0 && local >= from) out.push(local);
  }
  return out;
}

/** Stretches outside the working windows. */
function gaps(windows: readonly { fromMs: number; toMs: number }[], from: number, to: number): [number, number][] {
  const out: [number, number][] = [];
  let at = from;
  for (const w of windows) {
    if (w.toMs <= from || w.fromMs >= to) continue;
    if (w.fromMs > at) out.push([at, w.fromMs]);
    at = Math.max(at, w.toMs);
  }
  if (at < to) out.push([at, to]);
  return out;
}
