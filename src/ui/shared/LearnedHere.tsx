'use client';
import { clockLearned, type Learned, materialLearned } from '@/core/learn';
import type { PassView } from '@/core/record';
import { useLessons } from '../workspace/lessons';

const from = ({ estimate }: Learned): string =>
  `from ${estimate.count} ${estimate.count === 1 ? 'record' : 'records'}, between × ${estimate.low.toFixed(2)} and × ${estimate.high.toFixed(2)}`;

/** How much this crew really used of what was planned, by this method. */
export function MaterialLearned({ at }: { at: PassView }) {
  const lessons = useLessons();
  const l = lessons && at.plan.method && materialLearned(lessons, at.plan.method.id);
  if (!l) return null;
  return (
    <p className="text-sm mt-1" data-testid="material-learned">
      <strong>Yours:</strong> × {l.estimate.ratio.toFixed(2)} of what was planned, {from(l)}.
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
      <strong>Yours:</strong> it had set after × {l.estimate.ratio.toFixed(2)} of the time computed here, {from(l)}.{' '}
      {l.estimate.ratio < 1
        ? 'The wait of the sheet stays.'
        : l.estimate.ratio > 1.05
          ? 'Try it by touch, and look for a base that is colder than was read.'
          : ''}
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
