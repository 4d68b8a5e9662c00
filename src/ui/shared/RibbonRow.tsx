'use client';
import { memo, useMemo } from 'react';
import { type ChainPlan, type RepairPlan, repairName, ribbonsOf } from '@/core/plan';
import type { PlannedRepair } from '@/core/record';

import { formatDuration, joined, phrase, type Reader, say, translated } from '@/words';
import type { BandRow } from './band-shapes';
import { Link } from './Link';
import { datedWhen, dayAndClock, shortWhen } from './when';

/** Lower rows have no room for words under them, px. */
const NAMED_PX = 14;
/** From the instant to its word, px. */
const OPEN_GAP = 7;
/** Room that the word on an opening needs, px: its hour is longer where it is told twice to twelve. */
const openPx = (text: string): number => 54 + 7.1 * text.length;

interface Box {
  readonly y: number;
  readonly height: number;
  readonly left: number;
  readonly right: number;
}

/** The name of a repair, the way to its page. It stays as it is while the band is pulled. */
const RowName = memo(function RowName({
  name,
  y,
  current,
  href,
}: {
  name: string;
  y: number;
  current: boolean;
  href: string | null;
}) {
  const label = (
    <text x={14} y={y} fontSize="12.5" fontWeight={current ? 750 : 500} fill="var(--ink)">
      {name.length > 17 ? `${name.slice(0, 16)}…` : name}
    </text>
  );
  return href === null ? label : <Link href={href}>{label}</Link>;
});

/** How often and how long its clock stands, said once, where there is room for it. */
function StallWords({ stalls, x, y }: { stalls: BandRow['stalls']; x: number; y: number }) {
  return (
    <text x={x} y={y} fontSize="11" fill="var(--stop)" stroke="var(--ground-2)" strokeWidth="3" paintOrder="stroke">
      {stallsSay(stalls)}
    </text>
  );
}

const stallsSay = (stalls: BandRow['stalls']): string => {
  const total = formatDuration(stalls.reduce((sum, s) => sum + (s.toMs - s.fromMs) / 60_000, 0));
  return stalls.length === 1
    ? phrase`clock stands ${total}`
    : phrase`clock stands ${stalls.length} times, ${total} in all`;
};

/** When the clock of what opens a repair stands. */
export const stallsOf = ({ milestones, serves }: RepairPlan): BandRow['stalls'] =>
  milestones.findLast((m) => m.kind === serves)?.stalls ?? [];

/** What a row is, for who points at it: its passes with their states and openings, and how often its clock stands. */
export function rowSays(plan: ChainPlan, zone: string, reader: Reader): readonly string[] {
  const stalls = stallsOf(plan);
  const ribbons = ribbonsOf(plan);
  // What lies weeks ahead has its date.
  const when = (ms: number) => shortWhen(ms, zone, ribbons[0]?.states[0]?.fromMs ?? ms);
  return [
    ...ribbons.flatMap(({ name, states, window: open }) => {
      const until = joined(
        states.map((s) => phrase`${s.state} until ${when(s.toMs)}`),
        ', ',
      );
      const what = open && joined([name, open.of === null ? '' : say(open.of, reader)].filter(Boolean), ', ');
      return [
        name ? phrase`${name}: ${until}` : until,
        ...(open ? [phrase`${what}: open from ${when(open.fromMs)} to ${when(open.untilMs)}`] : []),
      ];
    }),
    ...(stalls.length ? [stallsSay(stalls)] : []),
  ];
}

interface RowProps {
  readonly view: PlannedRepair;
  readonly x: (ms: number) => number;
  readonly box: Box;
  readonly zone: string;
  readonly wantedAt: number | null;
  readonly current: boolean;
  /** Its page; null for a repair that is only looked at and has none yet. */
  readonly href: string | null;
  /** The habit of a plain day is written at one repair of the band. */
  readonly habit: boolean;
}

/** The words of a repair on the time axis; its shapes are drawn with those of all others. */
export const RibbonRow = memo(function RibbonRow({ view, x, box, zone, wantedAt, current, href, habit }: RowProps) {
  const { plan } = view;
  const ribbons = ribbonsOf(plan);
  const name = repairName(view.repair);
  const middle = box.y + box.height / 2;
  const stalls = stallsOf(plan);
  // Within the axis its day is known by name; beyond it stands with its date.
  const far = plan.openMs !== null && x(plan.openMs) > box.right;
  const opens = useMemo(
    () => (plan.openMs === null ? '' : (far ? datedWhen : dayAndClock)(plan.openMs, zone)),
    [plan.openMs, zone, far],
  );
  const last = ribbons.at(-1)?.states.at(-1)?.toMs ?? 0;
  // The day of habit runs through no word: it stops short of the opening that is told there.
  const openX = plan.openMs === null ? null : x(plan.openMs) + OPEN_GAP;
  const underWord = (px: number) => openX !== null && px > openX - 3 && px < openX + openPx(opens);
  // Names of passes stand where there is room for them before the next begins.
  const starts = ribbons.map((r) => x(r.states[0]!.fromMs));
  return (
    <g>
      <RowName name={name} y={middle + 4} current={current} href={href} />
      {box.height > NAMED_PX &&
        ribbons.map((r, i) =>
          r.name && (starts[i + 1] ?? box.right) - starts[i]! > translated(r.name).length * 6.2 + 8 ? (
            <text
              key={r.passId}
              x={starts[i]! + 4}
              y={box.y + box.height + 9}
              fontSize="11"
              fill="var(--ink)"
              stroke="var(--ground-2)"
              strokeWidth="3"
              paintOrder="stroke"
            >
              {r.name}
            </text>
          ) : null,
        )}
      {stalls.length > 0 && box.height > NAMED_PX && (
        <StallWords stalls={stalls} x={Math.min(x(stalls[0]!.fromMs), box.right) + 3} y={box.y + box.height + 10} />
      )}
      {plan.openMs !== null && (
        <OpenLabel
          x={x(plan.openMs) + OPEN_GAP}
          y={middle + 4}
          until={Math.min(x(last), box.right)}
          right={box.right}
          past={wantedAt === null ? null : x(wantedAt)}
          text={opens}
        />
      )}
      {plan.habitMs !== null && habit && (
        <g>
          <path
            d={`M${x(plan.habitMs)} ${box.y - 2} v${underWord(x(plan.habitMs)) ? 5 : box.height + 2}`}
            stroke="var(--ink)"
            strokeWidth="1.6"
            strokeDasharray="3 2"
          />
          <text
            x={x(plan.habitMs)}
            y={box.y - 5}
            fontSize="11"
            textAnchor="middle"
            fill="var(--ink)"
            stroke="var(--ground-2)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            plain 24 h
          </text>
        </g>
      )}
    </g>
  );
});

/** The opening, written on the set part of the ribbon where it fits, beside it where not, and never past the edge. */
function OpenLabel({
  x: at,
  y,
  until,
  right,
  past,
  text,
}: {
  x: number;
  y: number;
  until: number;
  right: number;
  /** A barrier that it stands beside, not on. */
  past: number | null;
  text: string;
}) {
  const room = openPx(text);
  const x = past !== null && past > at - 8 && past < at + room ? past + 8 : at;
  const inside = until - x > room;
  const beside = Math.max(x, until + 6);
  const fits = beside + room < right + 12;
  // What opens beyond the edge is told at it, and which way that lies.
  const beyond = at - OPEN_GAP > right;
  return (
    <text
      x={inside ? x : fits ? beside : beyond ? right - 4 : at - 14}
      y={y}
      textAnchor={inside || fits ? undefined : 'end'}
      fontSize="12"
      fontWeight="700"
      fill={inside ? 'var(--paper)' : 'var(--ink)'}
      {...(inside ? {} : { stroke: 'var(--ground-2)', strokeWidth: 4, paintOrder: 'stroke' })}
    >
      open <tspan className="fig">{text}</tspan>
      {beyond && ' →'}
    </text>
  );
}
