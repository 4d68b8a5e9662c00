'use client';
import { scaleLinear } from 'd3';
import { type CSSProperties, useMemo } from 'react';
import { type PlaceTrial, strengthOver, stretchesOf } from '@/core/plan';
import { STARTS } from '@/core/system';

import { formatDuration, phrase } from '@/words';
import { goodPct, StartsBar } from '../place/StartsBar';
import { StrengthChart } from '../release/StrengthChart';
import { Heading, useSay } from '../shared/bits';
import { curvesOf, STRIP, stretchWords, TimeBandAir } from '../shared/TimeBandAir';
import { useWidth } from '../shared/use-width';
import { dayAndClock, shortWhen } from '../shared/when';

const H = 3_600_000;
const LEFT = 62;
const AIR_H = 110;
const OPENS = ['release', 'foot', 'light-load', 'load', 'wet', 'full-cure'];

/** The system at the place: temperatures, every start, every time of the sheet from the start on, its strength. */
export function PlaceAnswers({
  trial,
  zone,
  nowMs,
  onStart,
}: {
  trial: PlaceTrial;
  zone: string;
  nowMs: number;
  onStart: (ms: number) => void;
}) {
  const says = useSay(zone);
  const strength = useMemo(() => strengthOver(trial), [trial]);
  const stages = trial.milestones.flatMap((m) =>
    OPENS.includes(m.kind) && m.planMs !== null ? [{ id: m.kind, label: m.label, ms: m.planMs }] : [],
  );
  const served = trial.milestones.find((m) => m.kind === trial.serves);
  return (
    <>
      <Heading aside={phrase`${goodPct(trial.starts)} % of the week is good`}>At the place</Heading>
      <div className="paper p-3">
        <AirChart trial={trial} zone={zone} />
        <StartsBar
          left={LEFT}
          starts={trial.starts}
          zone={zone}
          nowMs={nowMs}
          shown={trial.startMs}
          onPoint={onStart}
          onTake={onStart}
        />
        <p className="mt-1">
          {served?.planMs != null ? (
            <>
              <strong>{served.label}</strong> at{' '}
              <strong className="fig text-2xl" data-testid="lab-ready">
                {shortWhen(served.planMs, zone, nowMs)}
              </strong>{' '}
              <span className="soft">{phrase`between ${shortWhen(served.fromMs!, zone, nowMs)} and ${shortWhen(served.toMs!, zone, nowMs)}; plain 24 h would be ${
                trial.habitMs! >= served.planMs
                  ? phrase`${formatDuration((trial.habitMs! - served.planMs) / 60_000)} later than needed`
                  : phrase`${formatDuration((served.planMs - trial.habitMs!) / 60_000)} too early`
              }.`}</span>
            </>
          ) : (
            <strong>{says(served?.problem ?? 'The sheet states nothing it could be opened by.')}</strong>
          )}
        </p>
      </div>
      <div className="grid gap-4 grid-cols-1 xl:grid-cols-2 mt-3">
        <table className="table self-start">
          <caption className="text-left font-bold">{phrase`Every time of the sheet, from mixing at ${dayAndClock(trial.startMs, zone)}`}</caption>
          <tbody>
            {trial.milestones.map((m) => (
              <tr key={m.kind} style={{ borderTop: '1px solid var(--hair)' }} data-milestone={m.kind}>
                <td className="py-0.5 pr-2">
                  {m.label}
                  <span className="block soft text-xs">{phrase`${m.clock === 'working' ? 'over' : 'reached'}, from when ${STARTS[m.startsAt]}`}</span>
                </td>
                <td className="fig text-right">
                  {m.planMs !== null && m.originMs !== null ? (
                    <>
                      {formatDuration((m.planMs - m.originMs) / 60_000)}
                      <span className="block soft text-xs">
                        {shortWhen(m.planMs, zone, nowMs)}
                        {m.stalls.length > 0 &&
                          phrase`, stands ${formatDuration(
                            m.stalls.reduce((s, x) => s + (x.toMs - x.fromMs) / 60_000, 0),
                          )}`}
                        {m.standing !== 'sheet' && phrase`, ${m.standing}`}
                      </span>
                    </>
                  ) : (
                    <span className="soft text-xs">{says(m.problem ?? '')}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {strength && stages.length > 0 && (
          <div className="paper p-3 self-start">
            <h3 className="font-bold">
              Strength{' '}
              {!strength.fromPoints && (
                <span className="soft font-normal text-sm">the sheet prints none over time; nothing is invented</span>
              )}
            </h3>
            <StrengthChart strength={strength} stages={stages} needs={null} zone={zone} nowMs={nowMs} />
          </div>
        )}
      </div>
    </>
  );
}

/** A week of air, base, material and dew at the place, on the axis of the starts below it. */
function AirChart({ trial, zone }: { trial: PlaceTrial; zone: string }) {
  const [ref, width] = useWidth(760);
  const { thermal, starts } = trial;
  const range = useMemo(
    () => ({ from: starts.fromMs, to: starts.fromMs + starts.against.length * starts.stepMs }),
    [starts],
  );
  const curves = useMemo(() => curvesOf({ ...thermal, material: thermal.pot }, range), [thermal, range]);
  const limits = trial.sheet?.limits ?? null;
  const stretches = useMemo(() => stretchesOf(limits, thermal, range.from, range.to), [limits, thermal, range]);
  const x = scaleLinear([range.from, range.to], [LEFT, width]);
  const y = scaleLinear([curves.lo - 0.5, curves.hi + 0.5], [AIR_H, 8]);
  const [begin, end] = [trial.startMs, trial.openMs ?? trial.placedMs + H];
  return (
    <div ref={ref} className="overflow-x-clip">
      <svg
        width={width}
        height={AIR_H + STRIP + 6}
        style={{ '--halo': 'var(--paper)' } as CSSProperties}
        role="img"
        aria-label="Temperatures at the place"
      >
        <rect
          x={x(begin)}
          y={2}
          width={Math.max(2, Math.min(x(end), width) - x(begin))}
          height={AIR_H - 2}
          fill="var(--leaf)"
        />
        <TimeBandAir
          curves={curves}
          x={x}
          range={range}
          y={y}
          box={{ left: LEFT, right: width, bottom: AIR_H }}
          minC={limits?.baseMinC ?? null}
          readings={[]}
          stretches={stretches}
        />
      </svg>
      <ul className="sr-only">
        {stretches.slice(0, 20).map((s) => (
          <li key={`${s.id}${s.fromMs}`}>{stretchWords(s, zone)}</li>
        ))}
      </ul>
    </div>
  );
}
