'use client';
import { ladderNow, leftMs, pieceName } from '@/core/plan';
import { phrase } from '@/words';
import { StepList } from '../place/StepList';
import type { StageProps } from '../repair/stage-props';
import { Answer, Heading } from '../shared/bits';
import { ChoicesOfAll } from '../shared/Schools';
import { PassesStillNeed, StageFindings } from '../shared/StageFindings';
import { shortWhen } from '../shared/when';
import { LadderOf } from './Ladder';

function Sheet({ view, at }: StageProps) {
  const { plan } = at;
  return (
    <div className="p-4">
      <h2 className="font-bold text-lg">Bring the surface back</h2>
      {at.whole.passes.map((p, i) => {
        if (!ladderNow(p.plan)) return null;
        return (
          <div key={p.repair.passId} className="mb-3">
            {at.whole.passes.length > 1 && <h3 className="font-bold">{pieceName(p.repair, i)}</h3>}
            <LadderOf at={p} zone={view.job.zone} />
          </div>
        );
      })}
      <PassesStillNeed whole={at.whole} />
      {plan.steps.length > 0 && <StepList at={at} zone={view.job.zone} stages={['finish']} />}
      <Heading>Cautions</Heading>
      <ul className="list-disc pl-5">
        <li>Extraction and breathing protection when grinding or sanding.</li>
        <li>Not before it is hard: soft material tears out and hides a slow cure.</li>
      </ul>
    </div>
  );
}

function Side({ view, at, nowMs }: StageProps) {
  const { plan } = at;
  const left = leftMs(at.whole.passes.map((p) => p.plan));
  const until = plan.milestones.findLast((m) => m.kind === 'recoat-until');
  return (
    <>
      <Answer
        over="the surface is left"
        digits={plan.method?.finishAnswer ?? '—'}
        beside={left === null ? undefined : phrase`from ${shortWhen(left, view.job.zone, nowMs)}`}
      />
      {until?.planMs && (
        <p>
          A further coat holds without abrading until{' '}
          <strong className="fig">{shortWhen(until.planMs, view.job.zone, nowMs)}</strong>.
        </p>
      )}
      <StageFindings at={at} zone={view.job.zone} stage="finish" />
      <ChoicesOfAll whole={at.whole} stage="finish" />
    </>
  );
}

export const Finish = { Sheet, Side };
