'use client';
import { scaleLinear } from 'd3';
import { memo, type PointerEvent, useCallback, useMemo, useRef, useState } from 'react';
import { repairName, ribbonsOf, type Stretch, stretchesOf } from '@/core/plan';
import type { PassView, PlannedJob } from '@/core/record';
import { joined, phrase } from '@/words';
import { BandRows, type Grab, RowForHand } from './BandRows';
import { bandShapes } from './band-shapes';
import { RibbonRow, stallsOf } from './RibbonRow';
import { curvesOf, STRIP, stretchWords, TimeBandAir } from './TimeBandAir';
import { localTicks } from './ticks';
import { useWidth } from './use-width';
import { clock, clock24, dayAndClock, shortWhen } from './when';

const H = 3_600_000;
const LEFT = 128;
const NO_READINGS: PassView['actuals']['readings'] = [];

/** A letter of the words of a tick, px: what would be cut at the edge is left out. */
const TICK_LETTER = 7;

/** Days from now to the first step above which the band no longer begins at now, ms. */
const FAR_OFF = 9 * 24 * H;

interface Props {
  readonly view: PlannedJob;
  readonly current?: PassView;
  readonly nowMs: number;
  /** Called while a repair's band is dragged, with its new start. */
  readonly onStart?: (repairId: string, startMs: number) => void;
  /** Called while the temperature curve is pulled, with the change in K. */
  readonly onTemperature?: (deltaK: number, first: boolean) => void;
  /** What is shown is not kept yet: nothing of it has a page. */
  readonly loose?: boolean;
  /** Called when the hand begins to pull, and when it lets go. */
  readonly onPull?: (pulling: boolean) => void;
}

/** One time axis: air, base and dew; working and closed hours; each repair from liquid to set. */
export const TimeBand = memo(function TimeBand({ view, current, nowMs, onStart, onTemperature, onPull, loose }: Props) {
  const [ref, width] = useWidth();
  const [drag, setDrag] = useState<
    { kind: 'start'; id: string; x: number; start: number } | { kind: 'temp'; y: number; began: boolean } | null
  >(null);
  // The hand moves more finely than the plan: what rounds to the same asks for nothing.
  const pulled = useRef(0);
  const grab = useCallback<Grab>(
    (e, id, start) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      pulled.current = start;
      onPull?.(true);
      setDrag({ kind: 'start', id, x: e.clientX, start });
    },
    [onPull],
  );
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
  // Names of passes stand under their ribbons.
  const named = shown.some((r) => r.passes.length > 1);
  const gap = shown.length > 7 ? 4 : shown.length > 3 ? (named ? 14 : 8) : 14;
  const tempH = 66;
  const top = 24;
  const height = top + tempH + STRIP + 10 + Math.max(1, shown.length) * (rowH + gap) + 18;
  const right = width - 14;
  /** px of an instant: a scale of times would make a date of each. */
  const x = useCallback(
    (ms: number) => LEFT + ((ms - range.from) / (range.to - range.from)) * (right - LEFT),
    [range, right],
  );
  const rowY = (i: number) => top + tempH + STRIP + 14 + i * (rowH + gap);
  const shapes = bandShapes(
    shown.map(({ plan: p }, i) => ({
      ribbons: ribbonsOf(p),
      steps: p.steps,
      openMs: p.openMs,
      stalls: stallsOf(p),
      y: rowY(i),
      height: rowH - 2,
    })),
    { x, right, msPerPx: (range.to - range.from) / (right - LEFT) },
    job.wantedAt,
  );
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
  const ticks = useMemo(
    () =>
      localTicks(range.from, range.to, step, job.zone).map((ms) => {
        const hour = clock(ms, job.zone);
        return { ms, says: clock24(ms, job.zone) === '00:00' || step === 24 ? dayAndClock(ms, job.zone) : hour };
      }),
    [range, step, job.zone],
  );
  // On a narrow screen only every second or third of them has room for its words.
  const tickPx = 15 + TICK_LETTER * Math.max(0, ...ticks.map((t) => t.says.length));
  const every = Math.max(1, Math.ceil(tickPx / ((step * (right - LEFT)) / Math.max(1, hours))));
  const now = clock(nowMs, job.zone);
  /** Width of the flag with the hour of now, px. */
  const flag = 11 + TICK_LETTER * now.length;
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
      const msPerPx = (range.to - range.from) / (right - LEFT);
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
    // Of many repairs it is scrolled: what it stands under keeps its room.
    <div
      ref={ref}
      className="w-full roomy:max-h-[50vh] roomy:overflow-y-auto thin-scroll"
      style={{ background: 'var(--ground-2)', contain: 'layout style' }}
    >
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
        <path
          d={closed
            .map(([a, b]) => `M${x(a).toFixed(1)} ${top + 4}H${x(b).toFixed(1)}v${tempH}H${x(a).toFixed(1)}z`)
            .join('')}
          fill="url(#tx-closed)"
        />
        <path
          d={ticks.map((t) => `M${x(t.ms).toFixed(1)} 18V${height - 12}`).join('')}
          stroke="var(--hair)"
          strokeWidth="0.8"
        />
        {ticks.map((t, i) =>
          i % every ||
          (x(t.ms) < x(nowMs) + flag / 2 + 1 && x(t.ms) + t.says.length * TICK_LETTER + 3 > x(nowMs) - flag / 2 - 1) ||
          x(t.ms) + 4 + t.says.length * TICK_LETTER > width ? null : (
            <text key={t.ms} x={x(t.ms) + 4} y={15} fontSize="11.5" className="fig" fill="var(--ink)">
              {t.says}
            </text>
          ),
        )}
        <TimeBandAir
          curves={curves}
          x={x}
          range={range}
          y={y}
          box={{ left: LEFT, right, bottom: top + tempH }}
          minC={limits?.baseMinC ?? null}
          readings={lead?.actuals.readings ?? NO_READINGS}
          stretches={stretches}
        />
        {onTemperature && (
          <rect
            x={LEFT}
            width={Math.max(0, right - LEFT)}
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
        <BandRows shapes={shapes} />
        {shown.map((r, i) => {
          const y0 = rowY(i);
          const { plan: p } = r;
          const first = p.steps[0];
          const moves = onStart && first && r.actuals.startedAt === null && p.band.length > 0;
          const from = first ? x(first.startMs) - 6 : LEFT;
          return (
            <g key={r.repair.id}>
              <RibbonRow
                view={r}
                x={x}
                box={{ y: y0, height: rowH - 2, left: LEFT, right }}
                zone={job.zone}
                wantedAt={job.wantedAt}
                current={r.repair.id === current?.repair.id}
                href={loose ? null : `/job/${job.id}/${r.repair.id}/hold`}
                // The names of the passes of a chain above stand where its words would.
                habit={r.repair.id === lead?.repair.id && (i === 0 || (rowH === 24 && shown[i - 1]!.passes.length < 2))}
              />
              {p.band.length > 0 && (
                <RowForHand
                  view={r}
                  left={from}
                  right={Math.max(from + 24, x(p.band.at(-1)!.toMs) - 6)}
                  top={y0 - 2}
                  bottom={y0 + rowH}
                  zone={job.zone}
                  grab={moves ? grab : null}
                />
              )}
            </g>
          );
        })}
        {nowMs >= range.from && nowMs <= range.to && (
          <>
            <line x1={x(nowMs)} x2={x(nowMs)} y1={0} y2={height} stroke="var(--ink)" strokeWidth="2" />
            <rect x={x(nowMs) - flag / 2} y={0} width={flag} height={18} fill="var(--ink)" />
            <text x={x(nowMs)} y={13} textAnchor="middle" fontSize="11.5" className="fig" fill="var(--paper)">
              {now}
            </text>
          </>
        )}
        {job.wantedAt !== null && x(job.wantedAt) < width && (
          <g>
            <path d={`M${x(job.wantedAt)} ${top} v10`} stroke="var(--part-a)" strokeWidth="1.6" />
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
      <BandInWords shown={shown} stretches={stretches} zone={job.zone} />
    </div>
  );
});

/** Where a band begins: what lies weeks on has its date. */
const bandFrom = ({ plan }: PlannedJob['repairs'][number]): number => plan.band[0]?.fromMs ?? plan.openMs ?? 0;

/** The band for those who do not see it: told anew only when something of it changes, not with its width. */
const BandInWords = memo(function BandInWords({
  shown,
  stretches,
  zone,
}: {
  shown: PlannedJob['repairs'];
  stretches: readonly Stretch[];
  zone: string;
}) {
  return (
    <ul className="sr-only">
      {stretches.slice(0, 20).map((s) => (
        <li key={`${s.id}${s.fromMs}`}>{stretchWords(s, zone)}</li>
      ))}
      {shown.map((r) => (
        <li key={r.repair.id}>
          {repairName(r.repair)}:{' '}
          {joined(
            r.plan.band.map(
              (b) =>
                phrase`${b.state} from ${shortWhen(b.fromMs, zone, bandFrom(r))} to ${shortWhen(b.toMs, zone, bandFrom(r))}`,
            ),
            ', ',
          )}
          {r.plan.openMs !== null
            ? phrase`; may be opened ${shortWhen(r.plan.openMs, zone, bandFrom(r))}`
            : '; no opening in sight'}
        </li>
      ))}
    </ul>
  );
});

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
