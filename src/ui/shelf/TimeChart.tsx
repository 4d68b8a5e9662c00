'use client';
import { line, scaleLinear, scaleLog } from 'd3';
import { type Pace, paceOf } from '@/core/cure';
import { attempt } from '@/core/say';
import type { FamilyId, Milestone, PlainTable } from '@/core/system';
import { fromCore, unitOf } from '@/core/units';
import { formatDuration, joined, marked, phrase } from '@/words';
import { Prose } from '../shared/bits';
import { CurveChart, TIMES } from '../shared/CurveChart';
import { usePrefs } from '../workspace/prefs';

/** The plain tables a milestone is stated in, each with what it holds for. */
function plainOnes(m: Milestone): readonly { readonly holds: string; readonly table: PlainTable }[] {
  if (m.table.form === 'by-dose') return m.table.doses.map((d) => ({ holds: `${d.dosePct} %`, table: d.table }));
  if (m.table.form !== 'tiers') return [{ holds: '', table: m.table }];
  const { tiers } = m.table;
  return [...new Set(tiers.map((t) => t.humidityToPct))]
    .sort((a, b) => a - b)
    .map((h) => ({
      holds: phrase`${h} % rh`,
      table: { form: 'bands', bands: tiers.filter((t) => t.humidityToPct === h) },
    }));
}

const W = 300;
const HT = 150;
const RIGHT = 54;

/** Times of a milestone over temperature; doses or humidities as lines of one picture, each labelled at its end. */
export function TimeChart({ milestone, family, atC }: { milestone: Milestone; family: FamilyId; atC: number }) {
  const system = usePrefs((p) => p.system);
  const all = plainOnes(milestone);
  if (all.length === 1) return <CurveChart milestone={milestone} family={family} atC={atC} />;
  const tried = attempt(() =>
    all.map((p) => ({ holds: p.holds, pace: paceOf({ ...milestone, table: p.table }, 'long', family) })),
  );
  if (!tried.ok)
    return (
      <p className="text-sm">
        <Prose>{tried.problem.sentence}</Prose>
      </p>
    );
  const paces = tried.value;
  const lo = Math.min(...paces.map((p) => p.pace.lowC));
  const hi = Math.max(...paces.map((p) => p.pace.highC));
  const x = scaleLinear([lo, hi], [40, W - RIGHT]);
  const inside = (p: Pace, t: number) => p.minutesAt(Math.min(Math.max(t, p.lowC), p.highC - 0.01));
  const values = paces.flatMap(({ pace }) => [inside(pace, pace.lowC), inside(pace, pace.highC)]);
  const y = scaleLog([Math.min(...values) * 0.8, Math.max(...values) * 1.25], [HT - 20, 6]);
  const ticks = TIMES.filter((t) => t >= y.domain()[0]! && t <= y.domain()[1]!);
  const shown = ticks.filter((_, i) => i % Math.ceil(ticks.length / 4) === 0);
  const unit = unitOf('temperature', system === 'us' ? '°F' : '°C');
  const degrees = scaleLinear([fromCore(unit, lo), fromCore(unit, hi)], [40, W - RIGHT]);
  const path = (p: Pace, from: number, to: number) =>
    line<number>(
      (t) => x(t),
      (t) => y(inside(p, t)),
    )(Array.from({ length: 61 }, (_, i) => from + ((to - from) * i) / 60)) ?? '';
  return (
    <svg
      viewBox={`0 0 ${W} ${HT}`}
      className="w-full"
      role="img"
      aria-label={phrase`Times by temperature ${milestone.table.form === 'tiers' ? 'and humidity' : 'and dose'}: ${joined(
        paces.map(
          ({ holds, pace }) =>
            phrase`${holds} at ${fromCore(unit, pace.sheetLowC).toFixed(0)} ${unit.symbol} ${formatDuration(inside(pace, pace.sheetLowC))}`,
        ),
        ', ',
      )}`}
    >
      {shown.map((t) => (
        <g key={t}>
          <line x1="40" x2={W - RIGHT} y1={y(t)} y2={y(t)} stroke="var(--paper-line)" />
          <text x="36" y={y(t) + 3.5} fontSize="9.5" textAnchor="end" fill="var(--ink-2)" className="fig">
            {formatDuration(t)}
          </text>
        </g>
      ))}
      {degrees
        .ticks(4)
        .filter((t) => degrees(t) < W - RIGHT - 8)
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
      {paces.map(({ holds, pace }, i) => (
        <g key={holds} fill="none" stroke="var(--ink)">
          {pace.form === 'curve' && (
            <path d={path(pace, pace.lowC, pace.highC)} strokeDasharray="2 3" strokeWidth="1" />
          )}
          <path d={path(pace, pace.sheetLowC, pace.sheetHighC)} strokeWidth={1 + 0.6 * i} />
          <text
            x={W - RIGHT + 4}
            y={y(inside(pace, pace.highC)) + 4}
            fontSize="10.5"
            stroke="none"
            fill="var(--ink)"
            fontWeight="650"
          >
            {holds}
          </text>
        </g>
      ))}
    </svg>
  );
}
