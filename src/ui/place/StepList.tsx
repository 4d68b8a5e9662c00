'use client';
import { useMemo } from 'react';
import type { Stage } from '@/core/method';
import { type ChainPlan, type PlannedStep, pieceName, type Window, workedMs } from '@/core/plan';
import type { PassView } from '@/core/record';

import { formatDuration, joined, lowered, phrase } from '@/words';
import { captionOf, type Photo, photosAt, photosOf, srcOf } from '../photo/photos-of';
import { useSay } from '../shared/bits';
import { clock, dayAndClock } from '../shared/when';
import { useWorkspace } from '../workspace/workspace';
import { foldedSteps } from './fold-steps';
import { StepMinutes } from './StepMinutes';

/** A wait longer than that stands in the list, min. */
const LONG_MIN = 20;

const FORCED: Readonly<Record<PlannedStep['forcedBy'], string>> = {
  sheet: 'the sheet’s wait',
  'crew or hours': 'crew or working hours',
  chosen: 'as chosen',
  eve: 'no more than a day ahead of what it is for',
  now: 'from now',
  tools: 'clamps, props or heater come free',
  before: '',
};

/** When it is tried by touch, the long row of hours folded to its ends. */
function Tries({ of, zone }: { of: readonly number[]; zone: string }) {
  const shown = of.length > 4 ? [...of.slice(0, 2), of.at(-1)!] : of;
  return (
    <span className="block fig text-[0.82rem]" data-testid="tries">{phrase`${joined(
      shown.map((ms, i) => `${of.length > 4 && i === 2 ? '… ' : ''}${dayAndClock(ms, zone)}`),
      ', ',
    )}, then as the sheet says`}</span>
  );
}

/** The working days of a step that is longer than one. */
function Days({ of, zone }: { of: readonly Window[]; zone: string }) {
  const spans = of.map((d) => `${dayAndClock(d.fromMs, zone)}–${clock(d.toMs, zone)}`);
  const shown = spans.length > 4 ? [...spans.slice(0, 2), `… ${spans.at(-1)}`] : spans;
  return (
    <span
      className="block fig text-[0.82rem]"
      data-testid="days"
    >{phrase`longer than a day: ${joined(shown, ', ')}`}</span>
  );
}

/** What was photographed at a step, small, beside it; each opens whole. */
function StepPhotos({ of }: { of: readonly Photo[] }) {
  if (!of.length) return null;
  return (
    <span className="flex flex-wrap gap-2 my-1" data-testid="step-photos">
      {of.map((p) => (
        <a key={p.id} href={srcOf(p)} target="_blank" rel="noreferrer">
          {/* biome-ignore lint/performance/noImgElement: the picture lives in this browser's database */}
          <img src={srcOf(p)} alt={captionOf(p)} loading="lazy" className="h-16 w-auto" />
        </a>
      ))}
    </span>
  );
}

/** Steps with their times; what forces a wait is said. */
export function StepList({
  at,
  zone,
  stages,
  editable = false,
}: {
  at: PassView;
  zone: string;
  stages: readonly Stage[];
  /** Its minutes can be changed where they stand. */
  editable?: boolean;
}) {
  const says = useSay(zone);
  const events = useWorkspace((d) => d.events);
  const attachments = useWorkspace((d) => d.attachments);
  const photos = useMemo(() => photosOf(events, attachments, at.repair.id), [events, attachments, at.repair.id]);
  const { stop } = at.plan;
  const passes = 'passes' in at.plan ? (at.plan as ChainPlan).passes : [];
  const byId = new Map(passes.map((p) => [p.passId, p]));
  const steps = at.plan.steps.filter((s) => stages.includes(s.stage));
  const untimed = at.plan.untimed.filter((s) => stages.includes(s.stage));
  /** What forces a wait; of one that ends while nobody works both its end and what follows it. */
  const forced = ({ forcedBy, heldUntilMs }: PlannedStep): string => {
    const by = FORCED[forcedBy];
    if (heldUntilMs !== undefined) return phrase`: ${FORCED.sheet} to ${dayAndClock(heldUntilMs, zone)}, then ${by}`;
    return by ? phrase`: ${by}` : '';
  };
  const item = (s: PlannedStep) => {
    const index = at.plan.steps.indexOf(s);
    const gap = index > 0 ? (s.startMs - at.plan.steps[index - 1]!.endMs) / 60_000 : 0;
    return (
      <li key={`${s.passId} ${s.id}`}>
        {gap > LONG_MIN && (
          <p className="soft text-sm sm:pl-[7.4rem] py-0.5">{phrase`wait ${formatDuration(gap)}${forced(s)}`}</p>
        )}
        <div
          className="grid grid-cols-[1fr_auto] sm:grid-cols-[6.6rem_1fr_auto] gap-x-3 py-1.5"
          style={{ borderTop: '1px solid var(--paper-line)' }}
        >
          <span className="fig text-[0.82rem] pt-0.5 col-start-1 row-start-1">{dayAndClock(s.startMs, zone)}</span>
          <span className="row-start-2 sm:row-start-1 col-span-2 sm:col-span-1 sm:col-start-2">
            <span className={s.doneAt !== null ? 'soft line-through decoration-1' : 'font-semibold'}>
              {steps.indexOf(s) + 1}. {says(s.title)}
            </span>
            {s.hold && (
              <span
                className="ml-2 px-1.5 text-xs border-2 font-bold whitespace-nowrap"
                style={{ borderColor: 'var(--ink)' }}
              >
                hold point
              </span>
            )}
            <span className="block soft text-sm">
              {passes.length > 1 && (
                <strong>{pieceName(byId.get(s.passId)!.piece, passes.indexOf(byId.get(s.passId)!))}: </strong>
              )}
              {says(s.detail)}
              <StepPhotos of={photosAt(photos, s.id)} />
              {s.days && <Days of={s.days} zone={zone} />}
              {s.tries !== undefined && s.tries.length > 0 && <Tries of={s.tries} zone={zone} />}
            </span>
          </span>
          {s.doneAt !== null || !editable || !s.factors.length ? (
            <span className="fig text-[0.82rem] pt-0.5 whitespace-nowrap row-start-1 text-right">
              {s.doneAt !== null ? phrase`done ${dayAndClock(s.doneAt, zone)}` : formatDuration(workedMs(s) / 60_000)}
            </span>
          ) : (
            <StepMinutes at={at} step={s} title={says(s.title)} />
          )}
        </div>
      </li>
    );
  };
  return (
    <ol>
      {foldedSteps(steps, LONG_MIN * 60_000).map((listed) =>
        listed.kind === 'step' ? (
          item(listed.step)
        ) : (
          <li key={`more ${listed.steps[0]!.id}`} style={{ borderTop: '1px solid var(--paper-line)' }}>
            <details>
              <summary className="min-h-[44px] flex items-center cursor-pointer sm:pl-[7.4rem]">{phrase`the same ${listed.times} times more, to ${dayAndClock(listed.steps.at(-1)!.endMs, zone)}`}</summary>
              <ol>{listed.steps.map(item)}</ol>
            </details>
          </li>
        ),
      )}
      {untimed.map((s, i) => (
        <li
          key={`untimed ${s.id} ${i}`}
          className="grid grid-cols-1 sm:grid-cols-[6.6rem_1fr] gap-x-3 py-1.5"
          style={{ borderTop: i === 0 ? '3px double var(--stop)' : '1px solid var(--paper-line)' }}
        >
          <span className="text-[0.82rem] pt-0.5 soft">
            {i === 0 ? phrase`waits for ${lowered(stop!.label)}: no time` : 'no time'}
          </span>
          <span className="font-semibold">
            {steps.length + i + 1}. {says(s.title)}
          </span>
        </li>
      ))}
    </ol>
  );
}
