'use client';
import { scaleLog } from 'd3';
import { useId } from 'react';
import { GRAIN_UM, GRITS, type GritId, gritsIn } from '@/core/method';
import { type LadderNow, ladderNow } from '@/core/plan';
import type { PassView } from '@/core/record';

import { formatDuration, joined, phrase } from '@/words';
import { useFormat, Working } from '../shared/bits';
import { useNarrow } from '../shared/use-narrow';
import { dayAndClock } from '../shared/when';
import { changePass } from '../workspace/workspace';

const RUNG_H = 46;
const TOP = 14;
/** Width of the picture and its rails, px: on a phone laid out anew, with fewer words beside it. */
const DESK = { width: 660, rails: [118, 330], short: false } as const;
const POCKET = { width: 340, rails: [88, 160], short: true } as const;

/** The grits drawn as a ladder that is climbed from coarse to fine, with where one stands and what each leaves. */
export function LadderOf({ at, zone }: { at: PassView; zone: string }) {
  const now = ladderNow(at.plan);
  if (!now) return null;
  return (
    <section aria-label="Ladder of grits">
      <LadderDrawing now={now} zone={zone} />
      {now.ladder.soakMin > 0 && (
        <p data-testid="soak">
          Paper in water{' '}
          {now.soak && (
            <>
              {now.soak.doneAt === null ? 'from' : 'since'}{' '}
              <strong className="fig">{dayAndClock(now.soak.doneAt ?? now.soak.startMs, zone)}</strong>,{' '}
            </>
          )}
          {phrase`at least ${formatDuration(now.ladder.soakMin)} before the first grit.`}
        </p>
      )}
      <Box now={now} at={at} />
      <Working title="how the ladder comes about" lines={now.ladder.working} />
    </section>
  );
}

/** Scratches as deep as they are, all on one scale. */
const scratches = (x0: number, x1: number, y: number, deep: number, pitch: number): string => {
  const n = Math.max(1, Math.round((x1 - x0) / pitch));
  return Array.from({ length: n }, (_, i) => {
    const x = x0 + (i * (x1 - x0)) / n;
    return `L${x.toFixed(1)},${y} L${(x + pitch / 2).toFixed(1)},${(y + deep).toFixed(1)}`;
  }).join(' ');
};

function LadderDrawing({ now, zone }: { now: LadderNow; zone: string }) {
  const format = useFormat();
  const id = useId();
  const { ladder, rungs } = now;
  const n = rungs.length;
  const height = TOP + n * RUNG_H + 26;
  // Climbed upwards: the coarsest at the foot.
  const yOf = (i: number) => TOP + (n - 1 - i) * RUNG_H + 24;
  const deepest = Math.max(...ladder.rungs.map((r) => r.leavesMm));
  const amp = scaleLog()
    .domain([Math.min(0.003, deepest / 2), deepest])
    .range([1.2, 17])
    .clamp(true);
  const { width, rails, short } = useNarrow() ? POCKET : DESK;
  const [x0, x1] = rails;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="w-full max-w-[44rem]" role="img" aria-labelledby={`${id}-t`}>
      <title id={`${id}-t`}>
        {joined(
          rungs.map(
            ({ grit, state }, i) =>
              phrase`${grit}: about ${formatDuration(Math.ceil(ladder.rungs[i]!.minutes - 1e-9))}, ${state === 'done' ? 'done' : state === 'next' ? 'next' : 'open'}`,
          ),
          '; ',
        )}
      </title>
      {rails.map((x) => (
        <line key={x} x1={x} x2={x} y1={4} y2={height - 4} stroke="var(--ink)" strokeWidth={3} />
      ))}
      {rungs.map(({ grit, step, state }, i) => {
        const r = ladder.rungs[i]!;
        const y = yOf(i);
        const deep = amp(r.leavesMm);
        const done = state === 'done';
        return (
          <g key={grit} data-rung={grit} data-state={state}>
            <path
              d={`M${x1},${y - 3} L${x0},${y - 3} L${x0},${y} ${scratches(x0, x1, y, deep, Math.max(3, deep * 1.1))} L${x1},${y} Z`}
              fill={done ? 'var(--mix)' : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth={1.2}
            />
            <text
              x={x0 - 14}
              y={y + 6}
              textAnchor="end"
              className="fig"
              fontSize={19}
              fontWeight={700}
              fill="var(--ink)"
            >
              {grit}
            </text>
            {state === 'next' && <path d={`M${x0 - (short ? 86 : 98)},${y - 8} l20,8 l-20,8 z`} fill="var(--ink)" />}
            <text x={x1 + 16} y={y - 1} fontSize={15} fill="var(--ink)">
              {i === 0
                ? r.offMm >= 0.05
                  ? short
                    ? phrase`${format('length', r.offMm, 2).text} off`
                    : phrase`${format('length', r.offMm, 2).text} to its level`
                  : 'dulled'
                : `${short ? '' : phrase`the scratches of ${rungs[i - 1]!.grit}, `}${(r.offMm * 1000).toFixed(0)} µm`}
              , {formatDuration(Math.ceil(r.minutes - 1e-9))}
            </text>
            <text x={x1 + 16} y={y + 16} fontSize={13} fill="var(--ink-2)">
              {done
                ? phrase`done ${dayAndClock(step!.doneAt!, zone)}`
                : step
                  ? `${state === 'next' ? 'next, ' : ''}${dayAndClock(step.startMs, zone)}`
                  : 'no time yet'}
              {short || i === rungs.length - 1 ? '' : phrase`, leaves ${(r.leavesMm * 1000).toFixed(0)} µm`}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** Grades that are offered: what a box may hold. */
const OFFERED = GRITS.filter((g) => GRAIN_UM[g] <= 425);

/** The grits at hand: those of the ladder pressed in, others put in or taken out. */
function Box({ now, at }: { now: LadderNow; at: PassView }) {
  const mine = now.rungs.map((r) => r.grit);
  const begun = now.rungs.some((r) => r.state === 'done');
  const write = (grits: readonly GritId[] | null) =>
    changePass(at.repair, (p) => ({ ...p, grits: grits && gritsIn(grits.join(' ')).join(' ') }), 'grits');
  const offered = OFFERED.filter(
    (g) => mine.includes(g) || (GRAIN_UM[g] <= GRAIN_UM[mine[0]!] * 2.2 && GRAIN_UM[g] >= GRAIN_UM[mine.at(-1)!] / 1.6),
  );
  return (
    <div className="mt-1">
      <p className="soft text-sm">{phrase`${now.own ? 'Grits of your own.' : 'Grenko’s ladder.'} Press a grade to put it in or take it out.`}</p>
      <div className="flex flex-wrap gap-1" role="group" aria-label="Grits">
        {offered.map((g) => (
          <button
            key={g}
            type="button"
            className="btn fig text-sm !px-2"
            aria-pressed={mine.includes(g)}
            disabled={begun}
            onClick={() => {
              const next = mine.includes(g) ? mine.filter((x) => x !== g) : [...mine, g];
              if (next.length) write(next);
            }}
          >
            {g}
          </button>
        ))}
        {now.own && !begun && (
          <button type="button" className="btn btn-link text-sm" onClick={() => write(null)}>
            back to Grenko’s
          </button>
        )}
      </div>
    </div>
  );
}
