'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { StageState } from '@/core/judge';
import { STAGE_LABELS, STAGES, type Stage } from '@/core/method';
import { ANSWER_FOR_ONE, passQuery, type StageView } from '../repair/stage-props';
import { usePrefs } from '../workspace/prefs';
import { stageAnswer } from './stage-answer';

const WORDS: Record<StageState, string> = { done: 'done', open: 'open', caution: 'caution', stop: 'stop' };

/** The joint between two leaves: its shape says how the stage stands. */
function Joint({ state }: { state: StageState }) {
  return (
    <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true" className="shrink-0">
      {state === 'stop' ? (
        <path d="M6 1h6l5 5v6l-5 5H6l-5-5V6z" fill="var(--stop)" stroke="var(--ink)" />
      ) : state === 'caution' ? (
        <path d="M9 1.5 L17 16 H1 Z" fill="var(--caution-bg)" stroke="var(--ink)" strokeWidth="1.2" />
      ) : (
        <circle cx="9" cy="9" r="7.5" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.2" />
      )}
      {state === 'done' && <path d="M5.5 9.2 l2.4 2.6 l4.6 -5.4" fill="none" stroke="var(--ink)" strokeWidth="1.6" />}
      {state === 'caution' && <path d="M9 6.5v4.5M9 12.6v1.4" stroke="var(--caution-ink)" strokeWidth="1.6" />}
      {state === 'stop' && <path d="M5.5 9h7" stroke="var(--stop-bg)" strokeWidth="2.2" />}
    </svg>
  );
}

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
        className="act w-full justify-between md:hidden mb-1"
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
          return (
            <li
              key={stage}
              className="leaf relative flex min-w-0 items-stretch"
              style={{ flex: open ? '1.55 1 0' : '1 1 0' }}
            >
              <Link
                href={`/job/${view.repair.jobId}/${view.repair.id}/${stage}${passQuery(view.whole, pass)}`}
                aria-current={open ? 'page' : undefined}
                onClick={() => setUnfolded(false)}
                className="relative block w-full min-w-0 px-3 pt-3 pb-1.5 no-underline"
                style={{
                  background: open ? 'var(--paper)' : 'var(--leaf)',
                  border: `${open ? 2 : 1}px solid var(--rule)`,
                  color: 'var(--ink)',
                  marginTop: open ? 0 : 5,
                  marginBottom: open ? 0 : 5,
                }}
              >
                <Ticks />
                <span className={`block ${open ? 'font-bold' : ''} leading-tight`}>
                  {STAGE_LABELS[stage]}
                  <span className="sr-only">, {WORDS[state]}</span>
                </span>
                <span
                  className={`fig block truncate ${open ? 'text-[0.95rem] font-semibold' : 'text-[0.74rem]'} leading-snug`}
                  title={answer(stage)}
                >
                  {answer(stage)}
                </span>
              </Link>
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
