'use client';
import { scaleLog } from 'd3';
import { useMemo } from 'react';
import type { Learned, Lessons, Seen } from '@/core/learn';
import { METHODS, methodOf } from '@/core/method';
import { TOOLS } from '@/core/void';
import { decimals, joined, phrase, say, translated } from '@/words';
import { Heading, Ways } from '../shared/bits';
import { Link } from '../shared/Link';
import { useNarrow } from '../shared/use-narrow';
import { dayOf } from '../shared/when';
import { useLessons } from '../workspace/lessons';
import { readerAt, setPrefs, usePrefs } from '../workspace/prefs';
import { useWorkspace } from '../workspace/workspace';

const TITLES = {
  minutes: 'Where the time goes: hands-on minutes, real against planned',
  material: 'Material: used against planned',
  clock: 'Clocks: when it had set, against the sheet at the site’s temperatures',
  yield: 'How far a system goes, against what its sheet and the voids say',
  loss: 'What stays in pots and on tools, against the sheet',
  tool: 'What voids took, by the tool whose doubt decided them',
} as const;

/** What this crew’s records say, as drawings. */
export function LearnedPage() {
  const lessons = useLessons();
  const learn = usePrefs((p) => p.learn);
  return (
    <div className="px-4 md:px-6 py-4 max-w-[76rem] mx-auto">
      <header className="flex items-center gap-6 flex-wrap mb-3">
        <h1 className="text-2xl font-extrabold flex-1">What the records say</h1>
        <Ways />
      </header>
      <main id="main">
        {!lessons ? (
          <p role="status">Reading the records…</p>
        ) : !lessons.learned.length && !lessons.notes.length ? (
          <p className="max-w-2xl">
            No work has been recorded yet that anything could be learned from. Run a repair: every step that is ticked,
            every pot that is weighed and every touch that is written down makes the next estimate better.
          </p>
        ) : (
          <>
            <p className="max-w-3xl">{phrase`From ${lessons.repairs} ${lessons.repairs === 1 ? 'repair' : 'repairs'}. Each mark is one of them; the bracket is where this crew lies nine times in ten. One, in the middle, is as Grenko planned it. Up to five records the middle one is told, of more a mean drawn towards Grenko’s own. No wait of a sheet is ever shortened by it.`}</p>
            <label className="flex items-center gap-2.5 my-2 min-h-9">
              <input
                type="checkbox"
                className="checkbox"
                checked={learn}
                onChange={(e) => setPrefs({ learn: e.target.checked })}
              />
              New repairs begin with the crew’s own minutes and rates
            </label>
            {(['minutes', 'material', 'clock', 'yield', 'loss', 'tool'] as const).map((lesson) => (
              <Section
                key={lesson}
                title={TITLES[lesson]}
                learned={lessons.learned.filter((l) => l.lesson === lesson)}
              />
            ))}
            <Notes lessons={lessons} />
          </>
        )}
      </main>
    </div>
  );
}

/** Lessons about a system, whatever it was used for. */
const OF_A_SYSTEM: ReadonlySet<Learned['lesson']> = new Set(['clock', 'yield', 'loss']);
/** Those that no method parts. */
const OF_ANY_METHOD: ReadonlySet<Learned['lesson']> = new Set(['yield', 'loss', 'tool']);

/** What a row is about, in words. */
function useNames(): (l: Learned) => string {
  const sheets = useWorkspace((d) => d.sheets);
  const system = usePrefs((p) => p.system);
  return (l) => {
    if (l.lesson === 'tool') {
      const inside = l.seen.filter((s) => s.inside).length;
      return phrase`${TOOLS.find((t) => t.id === l.of)?.label ?? l.of}: inside its range ${inside} of ${l.seen.length}`;
    }
    if (OF_A_SYSTEM.has(l.lesson)) return [...sheets.values()].findLast((s) => s.systemId === l.of)?.name ?? l.of ?? '';
    if (l.lesson === 'material') return methodOf(l.methodId)?.label ?? l.methodId;
    const title = l.seen[0]?.title;
    return title ? say(title, { ...readerAt('utc'), system }) : (l.of ?? '');
  };
}

function Section({ title, learned }: { title: string; learned: readonly Learned[] }) {
  const names = useNames();
  const byMethod = useMemo(() => {
    const by = new Map<string, Learned[]>();
    for (const l of learned) {
      const key = OF_ANY_METHOD.has(l.lesson) ? '' : l.methodId;
      by.set(key, [...(by.get(key) ?? []), l]);
    }
    return [...by].sort(([a], [b]) => METHODS.findIndex((m) => m.id === a) - METHODS.findIndex((m) => m.id === b));
  }, [learned]);
  if (!learned.length) return null;
  return (
    <section aria-label={title}>
      <Heading>{title}</Heading>
      {byMethod.map(([methodId, rows]) => (
        <div key={methodId} className="mb-3">
          {methodId && <h3 className="font-bold">{methodOf(methodId)?.label ?? methodId}</h3>}
          <Strips rows={rows} names={names} />
        </div>
      ))}
    </section>
  );
}

/** As many letters as stand beside a strip. */
const NAME = 42;
const shortened = (name: string): string => (name.length > NAME ? `${name.slice(0, NAME - 2).trimEnd()}…` : name);

/** Where the strips stand on the page; on a phone each under its name. */
const DESK = { row: 34, left: 300, right: 660, width: 860, above: 0 };
const POCKET = { row: 58, left: 12, right: 230, width: 352, above: 24 };

/** Ratios on one logarithmic line each: marks for records, a bracket for the crew. */
function Strips({ rows, names }: { rows: readonly Learned[]; names: (l: Learned) => string }) {
  const { row, left, right, width, above } = useNarrow() ? POCKET : DESK;
  const x = scaleLog().domain([0.4, 2.5]).range([left, right]).clamp(true);
  const height = rows.length * row + 24;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="w-full paper" role="img">
      <title>
        {joined(
          rows.map((l) => phrase`${names(l)}: ${told(l)}, from ${l.estimate.count}`),
          '; ',
        )}
      </title>
      {[0.5, 1, 2].map((v) => (
        <g key={v}>
          <line
            x1={x(v)}
            x2={x(v)}
            y1={6}
            y2={height - 18}
            stroke="var(--ink)"
            strokeWidth={v === 1 ? 1.6 : 0.6}
            strokeDasharray={v === 1 ? undefined : '2 4'}
          />
          <text x={x(v)} y={height - 5} textAnchor="middle" fontSize={13} fill="var(--ink-2)">
            {v === 1 ? 'as planned' : v < 1 ? 'half' : 'twice'}
          </text>
        </g>
      ))}
      {rows.map((l, i) => {
        const y = 22 + above + i * row;
        const { estimate } = l;
        return (
          <g key={`${l.methodId} ${l.of}`} data-learned={l.of ?? l.methodId}>
            <text
              x={above ? left : left - 14}
              y={above ? y - 18 : y + 5}
              textAnchor={above ? 'start' : 'end'}
              fontSize={14.5}
              fill="var(--ink)"
            >
              {shortened(translated(names(l)))}
            </text>
            {l.seen.map((s) => (
              <Mark key={s.repairId} of={s} x={x} y={y} />
            ))}
            <path
              d={`M${x(estimate.low)},${y - 9} v18 M${x(estimate.low)},${y} H${x(estimate.high)} M${x(estimate.high)},${y - 9} v18`}
              stroke="var(--ink)"
              strokeWidth={1.6}
              fill="none"
            />
            <circle cx={x(estimate.ratio)} cy={y} r={5} fill="var(--ink)" />
            <text x={right + 16} y={y + 5} fontSize={14.5} fill="var(--ink)">
              <tspan className="fig" fontWeight={700}>
                × {decimals(estimate.ratio, 2)}
              </tspan>
              <tspan fill="var(--ink-2)" dx={8}>{phrase`from ${estimate.count}`}</tspan>
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function Mark({ of: { observation: o }, x, y }: { of: Seen; x: (v: number) => number; y: number }) {
  if (o.is === 'between')
    return (
      <rect
        x={x(o.from)}
        y={y - 5}
        width={Math.max(1, x(o.to) - x(o.from))}
        height={10}
        fill="var(--mix)"
        stroke="var(--mix-line)"
      />
    );
  return (
    <path
      d={
        o.is === 'least'
          ? `M${x(o.ratio)},${y - 7} v14 M${x(o.ratio)},${y} h12 m-4,-4 l4,4 l-4,4`
          : `M${x(o.ratio)},${y - 7} v14`
      }
      stroke="var(--mix-line)"
      strokeWidth={2}
      fill="none"
    />
  );
}

const told = ({ estimate }: Learned): string =>
  phrase`${decimals(estimate.ratio, 2)} times as planned, between ${decimals(estimate.low, 2)} and ${decimals(estimate.high, 2)}`;

function Notes({ lessons }: { lessons: Lessons }) {
  const repairs = useWorkspace((d) => d.repairs);
  const jobs = useWorkspace((d) => d.jobs);
  if (!lessons.notes.length) return null;
  const once = [...new Map(lessons.notes.map((n) => [`${n.repairId} ${n.text}`, n])).values()];
  return (
    <section aria-label="Left for the next">
      <Heading>Left for the next like repair</Heading>
      <ul>
        {once.map((n) => {
          const jobId = repairs.get(n.repairId)?.jobId;
          const zone = (jobId && jobs.get(jobId)?.zone) || 'utc';
          return (
            <li key={`${n.repairId} ${n.text}`} className="py-1.5" style={{ borderTop: '1px solid var(--hair)' }}>
              {n.text}{' '}
              <span className="soft text-sm">
                {methodOf(n.methodId)?.label},{' '}
                {jobId ? <Link href={`/job/${jobId}/log`}>{n.repairName}</Link> : n.repairName}, {dayOf(n.atMs, zone)}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
