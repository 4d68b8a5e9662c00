'use client';
import { useState } from 'react';
import type { StageState } from '@/core/judge';
import { STAGE_LABELS, STAGES, type Stage } from '@/core/method';
import { PassJoints } from '../repair/PassJoints';
import { ANSWER_FOR_ONE, OF_ONE_PASS, passQuery, passWords, type StageView } from '../repair/stage-props';
import { usePrefs } from '../workspace/prefs';
import { Joint } from './Joint';
import { Link } from './Link';
import { stageAnswer } from './stage-answer';

const WORDS: Record<StageState, string> = { done: 'done', open: 'open', caution: 'caution', stop: 'stop' };

/** Graduation along the top edge of a leaf. */
function Ticks() {
  return (
    <svg
      className="absolute left-2 right-2 top-0 h-2 w-[calc(100%-1rem)]"
      viewBox="0 0 120 8"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      {Array.from({ length: 11 }, (_, i) => (
        <line
          key={i}
          x1={i * 12 + 0.5}
          x2={i * 12 + 0.5}
          y1="0"
          y2={i % 5 === 0 ? 8 : 4.5}
          stroke="var(--rule)"
          strokeWidth="1"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}

/**
 * The eight stages as leaves of a folding rule: the way round, and the summary of the repair. On a phone it folds to
 * the open leaf.
 */
export function FoldingRule({
  view,
  current,
  pass,
  zone,
  nowMs,
}: {
  view: StageView;
  current: Stage | null;
  /** The pass that is open, which every leaf keeps. */
  pass: string;
  zone: string;
  nowMs: number;
}) {
  const system = usePrefs((p) => p.system);
  const [unfolded, setUnfolded] = useState(false);
  // A stage of all passes together answers for all of them, whichever is open.
  const answer = (stage: Stage) =>
    stageAnswer(stage, ANSWER_FOR_ONE.includes(stage) ? view : view.whole, system, zone, nowMs);
  return (
    <nav aria-label="Stages" className="no-print">
      <button
        type="button"
        className="btn w-full justify-between md:hidden mb-1"
        aria-expanded={unfolded}
        onClick={() => setUnfolded(!unfolded)}
      >
        <span>
          {current ? STAGE_LABELS[current] : 'Stages'} · {current ? answer(current) : ''}
        </span>
        <span>{unfolded ? 'fold' : 'unfold'}</span>
      </button>
      <ol className={`${unfolded ? 'flex flex-col' : 'hidden'} md:flex md:flex-row items-stretch gap-0`}>
        {STAGES.map((stage, i) => {
          const open = stage === current;
          const state = view.whole.states[stage];
          const joints = open && OF_ONE_PASS.includes(stage) && view.whole.draft.chain.length > 1;
          const words = joints ? passWords(view.whole, pass) : answer(stage);
          return (
            <li
              key={stage}
              className="leaf relative flex min-w-0 items-stretch"
              style={{ flex: joints ? '3.4 1 0' : open ? '1.55 1 0' : '1 1 0' }}
            >
              <div
                className="relative flex w-full min-w-0"
                style={{
                  background: open ? 'var(--paper)' : 'var(--leaf)',
                  border: `${open ? 2 : 1}px solid var(--rule)`,
                  marginTop: open ? 0 : 5,
                  marginBottom: open ? 0 : 5,
                }}
              >
                <Ticks />
                <Link
                  href={`/job/${view.repair.jobId}/${view.repair.id}/${stage}${passQuery(view.whole, pass)}`}
                  aria-current={open ? 'page' : undefined}
                  onClick={() => setUnfolded(false)}
                  className={`relative block min-w-0 px-3 pt-3 pb-1.5 no-underline ${joints ? 'max-w-[45%] shrink-0' : 'w-full'}`}
                  style={{ color: 'var(--ink)' }}
                >
                  <span className={`block ${open ? 'font-bold' : ''} leading-tight`}>
                    {STAGE_LABELS[stage]}
                    <span className="sr-only">, {WORDS[state]}</span>
                  </span>
                  <span
                    className={`fig line-clamp-2 text-balance ${open ? 'text-[0.95rem] font-semibold leading-snug' : 'text-[0.74rem] leading-tight'}`}
                    title={words}
                  >
                    {words}
                  </span>
                </Link>
                {joints && <PassJoints view={view} stage={stage} pass={pass} />}
              </div>
              <span className={`absolute z-10 top-1/2 -translate-y-1/2 ${i < 7 ? '-right-[9px]' : '-right-[3px]'}`}>
                <Joint state={state} />
              </span>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
