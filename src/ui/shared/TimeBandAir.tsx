'use client';
import { area, line as d3line, extent, type ScaleLinear } from 'd3';
import { Fragment } from 'react';
import { type Series, valueAt } from '@/core/climate';
import { STRETCHES, type Stretch } from '@/core/plan';
import type { PassView } from '@/core/record';
import { fromCore, unitOf } from '@/core/units';
import { phrase, translated } from '@/words';
import { usePrefs } from '../workspace/prefs';
import { placeLabels } from './line-labels';
import { dayAndClock } from './when';

/** Height of the strip that says when the base is wet, too cold or too hot, px. */
export const STRIP = 18;

type Curve = readonly (readonly [ms: number, c: number])[];

/** The temperatures of a time band, thinned out to what can be seen. */
export interface Curves {
  readonly air: Curve;
  readonly base: Curve;
  readonly dew: Curve;
  readonly material: Curve;
  /** Edges of what a forecast leaves open about the base: instant, lower, upper. */
  readonly spread: readonly (readonly [ms: number, low: number, high: number])[];
  readonly lo: number;
  readonly hi: number;
}

interface Range {
  readonly from: number;
  readonly to: number;
}

/** Thins the histories of a place to about one point in four pixels; nearer ones could not be seen. */
export function curvesOf(
  s: { air: Series; dew: Series; base?: Series; material?: Series; spread?: Series | null },
  { from, to }: Range,
): Curves {
  const apart = (to - from) / 260;
  const slice = (series: Series | null | undefined): [number, number][] => {
    const out: [number, number][] = [];
    if (!series) return out;
    const [first, last] = [series.times[0]!, series.times.at(-1)!];
    if (first > to || last < from) return out;
    // Both ends are cut where the axis ends: to clip them would part the drawing into layers.
    const begin = Math.max(from, first);
    out.push([begin, valueAt(series, begin)]);
    for (let i = 0; i < series.times.length; i++) {
      const t = series.times[i]!;
      if (t - out.at(-1)![0] >= apart && t < to) out.push([t, series.values[i]!]);
    }
    const end = Math.min(to, last);
    if (end > begin) out.push([end, valueAt(series, end)]);
    return out;
  };
  const sets = {
    air: slice(s.air),
    base: slice(s.base),
    dew: slice(s.dew),
    material: s.material === s.air ? [] : slice(s.material),
  };
  const wide = s.spread && s.base && s.spread.times.length === s.base.times.length ? slice(s.spread) : [];
  const spread = wide.map(([t, w], i) => [t, sets.base[i]![1] - w, sets.base[i]![1] + w] as const);
  const all = [...sets.air, ...sets.base, ...sets.dew, ...sets.material].map((p) => p[1]);
  // Beyond the weather that is known there are no curves, and still an axis.
  const [lo = 0, hi = 10] = extent([...all, ...spread.flatMap((p) => [p[1], p[2]])]);
  return { ...sets, spread, lo, hi: Math.max(hi, lo + 4) };
}

/** A stretch in words, for those who do not see it. */
export const stretchWords = (s: Stretch, zone: string) =>
  phrase`The base is ${STRETCHES[s.id]} from ${dayAndClock(s.fromMs, zone)} to ${dayAndClock(s.toMs, zone)}`;

const TEXTURE = { wet: 'tx-wet', cold: 'tx-cold', hot: 'tx-hot' } as const;
/** Narrower nothing is seen, px. */
const LEAST_PX = 1.5;
/** Whether its word stands clear of other stretches; that of the lowest texture lies under them. */
const CLEAR = { wet: false, cold: true, hot: true } as const;
/** A word needs this much room, px. */
const WORD_PX = { wet: 28, cold: 56, hot: 50 } as const;
/** Where there is less, the last word of it must do. */
const SHORT_PX = 30;

/**
 * Air, base, material and dew on the time axis; what was measured, what a forecast leaves open; when the base is not as
 * the sheet wants it.
 */
export function TimeBandAir({
  curves,
  x: px,
  range: { from, to },
  y,
  box,
  minC,
  readings,
  stretches,
}: {
  curves: Curves;
  /** px of an instant. */
  x: (ms: number) => number;
  range: Range;
  y: ScaleLinear<number, number>;
  box: { readonly left: number; readonly right: number; readonly bottom: number };
  minC: number | null;
  readings: PassView['actuals']['readings'];
  stretches: readonly Stretch[];
}) {
  const system = usePrefs((p) => p.system);
  // What lies past the ends is drawn at them.
  const x = (ms: number) => Math.min(Math.max(px(ms), box.left), box.right);
  const degrees = (c: number) => fromCore(unitOf('temperature', system === 'us' ? '°F' : '°C'), c);
  const draw = d3line<readonly [number, number]>()
    .x((p) => x(p[0]))
    .y((p) => y(p[1]))
    .digits(1);
  const measured = readings.filter((r) => r.channel === 'base' && r.atMs >= from && r.atMs <= to);
  const known = measured.length
    ? curves.base.filter(([ms]) => ms >= measured[0]!.atMs && ms <= measured.at(-1)!.atMs)
    : [];

  const minimum = minC !== null && minC >= curves.lo - 0.5 && minC <= curves.hi ? minC : null;
  const inPx = (c: Curve) => c.map(([ms, v]) => [x(ms), y(v)] as const);
  const told = [
    ...(minimum === null
      ? []
      : [
          {
            name: phrase`sheet from ${degrees(minimum).toFixed(0)}°`,
            line: [[box.left, y(minimum)] as const, [box.right, y(minimum)] as const],
            color: 'var(--stop)',
          },
        ]),
    { name: translated(measured.length ? 'base, expected' : 'base'), line: inPx(curves.base), color: 'var(--ink)' },
    { name: translated('air'), line: inPx(curves.air), color: 'var(--ink)' },
    { name: translated('dew'), line: inPx(curves.dew), color: 'var(--dew)' },
    { name: translated('material'), line: inPx(curves.material), color: 'var(--part-a)' },
  ].filter((l) => l.line.length > 1);
  // Each reading, and under the last of them its word.
  const across = (atMs: number, at: number) => [[x(atMs) - 20, at] as const, [x(atMs) + 60, at] as const];
  const marks = [
    ...measured.map((r) => across(r.atMs, y(r.valueC))),
    ...measured.slice(-1).flatMap((r) => [5, 14].map((under) => across(r.atMs, y(r.valueC) + under))),
  ];
  const places = placeLabels(
    told.map(({ name, line }) => ({ name, line, width: name.length * 5.9 })),
    [...told.map((l) => l.line), ...marks],
    { left: box.left, right: box.right, top: 14, bottom: box.bottom + 2 },
  );
  const colorOf = new Map(told.map((l) => [l.name, l.color]));

  /** Words of the stretches, each where no other stretch lies under it. */
  const words = new Map<Stretch, React.ReactNode>(
    stretches.map((s) => {
      const [a, b] = [Math.max(x(s.fromMs), box.left), Math.min(x(s.toMs), box.right)];
      const others = stretches.filter((o) => o !== s && CLEAR[s.id]).map((o) => [x(o.fromMs), x(o.toMs)] as const);
      const free = (from: number, px: number) =>
        from + px <= b && others.every(([p, q]) => q <= from || p >= from + px);
      for (const [px, word] of [
        [WORD_PX[s.id], STRETCHES[s.id]],
        [SHORT_PX, STRETCHES[s.id].split(' ').at(-1)!],
      ] as const) {
        const from = [a, ...others.map(([, q]) => q)].find((p) => p >= a && free(p, px));
        if (from !== undefined)
          return [
            s,
            <Word key="word" x={from + 5} y={box.bottom + STRIP - 5} size={11} fill="var(--ink)">
              {word}
            </Word>,
          ];
      }
      return [s, null];
    }),
  );

  return (
    <g>
      {[curves.lo, curves.hi].map((c) => (
        <text key={c} x={box.left - 8} y={y(c) + 4} textAnchor="end" fontSize="11" className="fig" fill="var(--ink-2)">
          {degrees(c).toFixed(0)} {system === 'us' ? '°F' : '°C'}
        </text>
      ))}
      {minimum !== null && (
        <g>
          <line
            x1={box.left}
            x2={box.right}
            y1={y(minimum)}
            y2={y(minimum)}
            stroke="var(--stop)"
            strokeWidth="1"
            strokeDasharray="2 3"
          />
        </g>
      )}
      {curves.spread.length > 0 && (
        <path
          d={
            area<readonly [number, number, number]>()
              .x((p) => x(p[0]))
              .y0((p) => y(p[1]))
              .y1((p) => y(p[2]))(curves.spread) ?? ''
          }
          fill="var(--ink)"
          opacity="0.13"
          data-testid="spread"
        />
      )}
      <path d={draw(curves.dew) ?? ''} fill="none" stroke="var(--dew)" strokeWidth="1.4" strokeDasharray="7 3" />
      <path d={draw(curves.air) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="1.2" strokeDasharray="1.5 3" />
      {curves.material.length > 0 && (
        <path
          d={draw(curves.material) ?? ''}
          fill="none"
          stroke="var(--part-a)"
          strokeWidth="1.3"
          strokeDasharray="9 3 2 3"
        />
      )}
      <path d={draw(curves.base) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="2.2" />
      {known.length > 1 && <path d={draw(known) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="4" />}
      {measured.map((r) => (
        <rect key={r.atMs} x={x(r.atMs) - 3.5} y={y(r.valueC) - 3.5} width="7" height="7" fill="var(--ink)" />
      ))}
      {Object.entries(TEXTURE).map(([id, texture]) => {
        const mine = stretches.filter((s) => s.id === id);
        const bar = (s: Stretch) => {
          const [from, to] = [x(s.fromMs), Math.max(x(s.toMs), x(s.fromMs) + LEAST_PX)];
          return `M${from.toFixed(1)} ${box.bottom + 3}H${to.toFixed(1)}v${STRIP - 4}H${from.toFixed(1)}z`;
        };
        return mine.length ? (
          <path
            key={id}
            d={mine.map(bar).join('')}
            fill={`url(#${texture})`}
            stroke="var(--rule)"
            strokeWidth="0.8"
            data-stretch={id}
          />
        ) : null;
      })}
      {stretches.map((s) => (
        <Fragment key={`${s.id}${s.fromMs}`}>{words.get(s)}</Fragment>
      ))}
      {stretches.length > 0 && (
        <text x={box.left - 8} y={box.bottom + STRIP - 4} textAnchor="end" fontSize="11" fill="var(--ink-2)">
          the base is
        </text>
      )}
      {measured.length > 0 && (
        <Word x={x(measured.at(-1)!.atMs) + 7} y={y(measured.at(-1)!.valueC) + 13} size={11} fill="var(--ink)">
          measured
        </Word>
      )}
      {places.map((p) => (
        <Word key={p.name} x={p.x} y={p.y} size={11} fill={colorOf.get(p.name)!} bold={p.name.startsWith('base')}>
          {p.name}
        </Word>
      ))}
    </g>
  );
}

/** A word on a drawing, kept readable over its lines. */
function Word({
  x,
  y,
  size,
  fill,
  anchor = 'start',
  bold = false,
  children,
}: {
  x: number;
  y: number;
  size: number;
  fill: string;
  anchor?: 'start' | 'middle';
  bold?: boolean;
  children: React.ReactNode;
}) {
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      fontWeight={bold ? 700 : 400}
      textAnchor={anchor}
      fill={fill}
      stroke="var(--halo, var(--ground-2))"
      strokeWidth="4"
      paintOrder="stroke"
    >
      {children}
    </text>
  );
}
