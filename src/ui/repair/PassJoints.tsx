'use client';
import type { Stage } from '@/core/method';
import { passName } from '@/core/plan';
import { Joint } from '../shared/Joint';
import { Link } from '../shared/Link';
import { passQuery, type StageView } from './stage-props';

/** So many are shown beside each other; of longer chains those round the open one. */
const SHOWN = 5;

/** The passes round the open one, by their places in the chain. */
export function passesShown(count: number, open: number): readonly number[] {
  const first = Math.max(0, Math.min(open - Math.floor(SHOWN / 2), count - SHOWN));
  return Array.from({ length: Math.min(SHOWN, count) }, (_, i) => first + i);
}

/** The passes of a repair as joints inside the open leaf of the rule: how each stands here, and the way to it. */
export function PassJoints({ view, stage, pass }: { view: StageView; stage: Stage; pass: string }) {
  const { whole } = view;
  const { draft } = whole;
  const open = draft.chain.indexOf(pass);
  const shown = passesShown(draft.chain.length, open);
  return (
    <nav aria-label="Passes" className="flex items-start min-w-0 flex-1 pt-2 pr-4">
      {shown[0]! > 0 && <span className="soft pt-0.5 pr-1">…</span>}
      {shown.map((i) => {
        const id = draft.chain[i]!;
        const mine = whole.passes.find((p) => p.repair.passId === id);
        return (
          <Link
            key={id}
            href={`/job/${draft.jobId}/${draft.id}/${stage}${passQuery(whole, id)}`}
            aria-current={i === open ? 'step' : undefined}
            title={passName(draft, i)}
            className="relative flex flex-col items-center min-w-0 flex-1 no-underline min-h-9"
            style={{ color: 'var(--ink)' }}
          >
            {i > shown[0]! && (
              <span
                aria-hidden="true"
                className="absolute right-1/2 w-full top-[9px]"
                style={{ borderTop: `2px ${i <= open ? 'solid' : 'dashed'} var(--rule)` }}
              />
            )}
            <span className="relative z-10">
              <Joint state={mine?.states[stage] ?? 'open'} square={i === open} />
            </span>
            <span
              className={`w-full text-center truncate text-[0.78rem] leading-tight ${i === open ? 'font-bold' : ''}`}
            >
              {passName(draft, i)}
            </span>
          </Link>
        );
      })}
      {shown.at(-1)! < draft.chain.length - 1 && <span className="soft pt-0.5 pl-1">…</span>}
    </nav>
  );
}
