'use client';
import { clockLearned, handsRange, type Learned, materialLearned, systemLearned, toolLearned } from '@/core/learn';
import type { PassView, RepairView } from '@/core/record';

import { TOOLS } from '@/core/void';
import { decimals, formatDuration, joined, phrase } from '@/words';
import { useLessons } from '../workspace/lessons';

/** A factor, never parted from its sign at the end of a line. */
const times = (factor: number): string => phrase`×\u00a0${decimals(factor, 2)}`;
const from = ({ estimate }: Learned): string =>
  joined(
    [
      phrase`from ${estimate.count} ${estimate.count === 1 ? 'record' : 'records'}`,
      phrase`between ${times(estimate.low)} and ${times(estimate.high)}`,
    ],
    ', ',
  );

/** How much this crew really used of what was planned, by this method. */
export function MaterialLearned({ at }: { at: PassView }) {
  const lessons = useLessons();
  const l = lessons && at.plan.method && materialLearned(lessons, at.plan.method.id);
  if (!l) return null;
  return (
    <p className="text-sm mt-1" data-testid="material-learned">
      <strong>Yours:</strong>
      {phrase` ${times(l.estimate.ratio)} of what was planned, ${from(l)}.`}
    </p>
  );
}

/** How far this system goes for this crew, and what stays in its pots. */
export function SystemLearned({ at }: { at: PassView }) {
  const lessons = useLessons();
  const of = at.plan.sheet?.systemId;
  if (!lessons || !of) return null;
  const far = systemLearned(lessons, 'yield', of);
  const loss = systemLearned(lessons, 'loss', of);
  return (
    <>
      {far && (
        <p className="text-sm mt-1" data-testid="yield-learned">
          <strong>Yours:</strong>
          {phrase` it went ${times(far.estimate.ratio)} as far as planned, ${from(far)}.`}
        </p>
      )}
      {loss && (
        <p className="text-sm mt-1" data-testid="loss-learned">
          <strong>Yours:</strong>
          {phrase` ${times(loss.estimate.ratio)} of what the sheet has stayed in pots and on tools, ${from(loss)}.`}
        </p>
      )}
    </>
  );
}

/** What voids that were decided by this tool really took. */
export function ToolLearned({ tool }: { tool: string | null }) {
  const lessons = useLessons();
  const l = lessons && tool && toolLearned(lessons, tool);
  if (!l) return null;
  const inside = l.seen.filter((s) => s.inside).length;
  return (
    <p className="text-sm mt-1" data-testid="tool-learned">
      <strong>Yours:</strong>
      {phrase` where the ${TOOLS.find((t) => t.id === tool)?.label ?? tool} decided, voids took ${times(l.estimate.ratio)} of what was measured, ${from(l)}; inside the range ${inside} of ${l.seen.length} times.`}
    </p>
  );
}

/** How long the hands will really take, by the records. */
export function HandsLearned({ at }: { at: RepairView }) {
  const lessons = useLessons();
  const r = lessons && handsRange(lessons, at.passes);
  if (!r) return null;
  return (
    <p className="text-sm mt-1" data-testid="hands-learned">
      <strong>Yours:</strong>
      {phrase` ${formatDuration(r.likelyMin)} of hands-on work to its release instead of the ${formatDuration(r.plannedMin)} planned, between ${formatDuration(r.lowMin)} and ${formatDuration(r.highMin)} nine times in ten`}
      {r.knownMin < r.plannedMin * 0.995 &&
        phrase`; ${Math.round((r.knownMin / r.plannedMin) * 100)} % of it rests on records`}
      .
    </p>
  );
}

/** How late this system set for this crew. A wait of the sheet is never shortened by it. */
export function ClockLearned({ at }: { at: PassView }) {
  const lessons = useLessons();
  const l = lessons && at.plan.sheet && clockLearned(lessons, at.plan.sheet.systemId);
  if (!l) return null;
  return (
    <p className="text-sm mt-1" data-testid="clock-learned">
      <strong>Yours:</strong>
      {phrase` it had set after ${times(l.estimate.ratio)} of the time computed here, ${from(l)}. ${
        l.estimate.ratio < 1
          ? 'The wait of the sheet stays.'
          : l.estimate.ratio > 1.05
            ? 'Try it by touch, and look for a base that is colder than was read.'
            : ''
      }`}
    </p>
  );
}

/** What was left for the next like repair. */
export function NotesLeft({ at }: { at: PassView }) {
  const lessons = useLessons();
  const mine = (lessons?.notes ?? []).filter((n) => n.methodId === at.plan.method?.id && n.repairId !== at.repair.id);
  if (!mine.length) return null;
  return (
    <section aria-label="Left by the last like repairs" className="mt-3 p-2.5 paper" data-testid="notes-left">
      <h2 className="font-bold">From the last like repairs</h2>
      <ul>
        {mine.slice(0, 4).map((n) => (
          <li key={`${n.repairId} ${n.text}`} className="py-0.5">
            {n.text} <span className="soft text-sm">{n.repairName}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
