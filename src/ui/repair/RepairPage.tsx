'use client';
import { memo, type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { climateShifted } from '@/core/climate';
import { STAGE_LABELS, STAGES, type Stage } from '@/core/method';
import { type Job, repairName } from '@/core/plan';
import { phrase } from '@/words';
import { Finish } from '../finish/Finish';
import { Hold } from '../hold/Hold';
import { Inspect } from '../inspect/Inspect';
import { Material } from '../material/Material';
import { Measure } from '../measure/Measure';
import { Mix } from '../mix/Mix';
import { Place } from '../place/Place';
import { Release } from '../release/Release';
import { Prose, Ways } from '../shared/bits';
import { FoldingRule } from '../shared/FoldingRule';
import { Link } from '../shared/Link';
import { Mishap } from '../shared/Mishap';
import { Tag } from '../shared/Tag';
import { TimeBand } from '../shared/TimeBand';
import { useNow } from '../workspace/now';
import { useJobAt } from '../workspace/view';
import { changeJob, changeRepair, useWorkspace } from '../workspace/workspace';
import { ChangedDraft } from './ChangedDraft';
import { PassBar } from './PassBar';
import { OF_ONE_PASS, type StageProps, stageView } from './stage-props';

/** The table of stages: the left sheet and the right side of each. */
const PAGES: Record<Stage, { Sheet: (p: StageProps) => ReactNode; Side: (p: StageProps) => ReactNode }> = {
  inspect: Inspect,
  measure: Measure,
  material: Material,
  mix: Mix,
  place: Place,
  hold: Hold,
  finish: Finish,
  release: Release,
};

/** Shifts the whole site warmer or colder. */
export function useTemperaturePull(jobId: string) {
  const from = useRef<Job['climate'] | undefined>(undefined);
  return useCallback(
    (delta: number, first: boolean) =>
      changeJob(
        jobId,
        (job) => {
          if (first || !from.current) from.current = job.climate;
          return { ...job, climate: climateShifted(from.current, delta) };
        },
        'climate',
      ),
    [jobId],
  );
}

const pullStart = (id: string, startMs: number) => changeRepair(id, (r) => ({ ...r, plannedStart: startMs }), 'start');

/** A hand that has not moved for so long rests, ms. */
const REST_MS = 60;

/**
 * While something is pulled in the time band, the band, the tag and the rule follow the hand; tables and answers follow
 * when it rests.
 * @returns what to show, and whom to tell that the hand pulls or lets go
 */
function useRestingWhilePulled<T>(now: T): readonly [T, (pulling: boolean) => void] {
  const [frozen, setFrozen] = useState<{ readonly shown: T } | null>(null);
  const latest = useRef(now);
  latest.current = now;
  const pulling = frozen !== null;
  useEffect(() => {
    if (!pulling) return;
    const timer = setTimeout(() => setFrozen({ shown: now }), REST_MS);
    return () => clearTimeout(timer);
  }, [now, pulling]);
  const told = useCallback((pull: boolean) => setFrozen(pull ? { shown: latest.current } : null), []);
  return [frozen ? frozen.shown : now, told];
}

const SIDE_BY_SIDE = 'roomy:grid-cols-[minmax(0,1.85fr)_minmax(19rem,1fr)]';

/** Sheet and answer of the open stage. */
const StageBody = memo(function StageBody({ stage, ...props }: StageProps & { stage: Stage }) {
  const { Sheet, Side } = PAGES[stage];
  return (
    <main id="main" className={`px-4 md:px-6 py-2 flex-1 roomy:grid gap-5 roomy:min-h-[17.5rem] ${SIDE_BY_SIDE}`}>
      <h1 className="sr-only">
        {STAGE_LABELS[stage]}: {repairName(props.at.repair)}
      </h1>
      <section
        aria-label="Sheet" // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by key
        tabIndex={0}
        className="paper min-h-[19rem] mb-5 roomy:mb-0 roomy:min-h-0 overflow-auto thin-scroll relative [contain:layout_style]"
      >
        <Mishap what="The sheet of this stage" on={[props.at]}>
          <Sheet {...props} />
        </Mishap>
      </section>
      <section aria-label="Answer" className="answer-side thin-scroll">
        <Mishap what="The answer of this stage" on={[props.at]}>
          <Side {...props} />
        </Mishap>
      </section>
    </main>
  );
});

export function RepairPage({
  jobId,
  repairId,
  stage,
  pass,
}: {
  jobId: string;
  repairId: string;
  stage: string;
  pass: string | null;
}) {
  // While a void is pulled, its drawing follows the hand and the plan follows the drawing.
  const view = useJobAt(jobId, repairId, stage === 'measure');
  const whole = view?.at ?? undefined;
  const nowMs = useNow(30_000);
  const known = STAGES.find((s) => s === stage);
  const open = whole && (whole.passes.find((p) => p.repair.passId === pass) ?? whole.passes[0]!).repair.passId;
  const at = useMemo(
    () => whole && stageView(whole, known && OF_ONE_PASS.includes(known) ? open! : null),
    [whole, known, open],
  );
  const pull = useTemperaturePull(jobId);
  const together = useMemo(() => ({ view, at, nowMs }), [view, at, nowMs]);
  const [body, onPull] = useRestingWhilePulled(together);
  const missing = useWorkspace((d) => d.ready && !d.repairs.has(repairId));
  const owner = useWorkspace((d) => d.repairs.get(repairId)?.jobId ?? jobId);
  if (missing || owner !== jobId || !known)
    return (
      <main id="main" className="p-8 flex flex-col gap-4">
        <h1 className="text-2xl font-bold">Not here</h1>
        <p>
          {missing
            ? 'This repair is not in this browser. If it is on another device, export the job there and import the file in the yard.'
            : known
              ? 'This repair is of another job.'
              : phrase`There is no stage called “${stage}”.`}
        </p>
        {owner !== jobId && known && (
          <Link className="btn btn-neutral self-start" href={`/job/${owner}/${repairId}/${known}`}>
            To it
          </Link>
        )}
        <Ways />
      </main>
    );
  if (!view) return null;
  if (!at || !whole)
    return (
      <main id="main" className="p-8 flex flex-col gap-4">
        <h1 className="text-2xl font-bold">This job cannot be planned yet</h1>
        {view.plan.problems.map((p) => (
          <p key={p.field}>
            <Prose zone={view.job.zone}>{p.sentence}</Prose>
          </p>
        ))}
        <Link className="btn btn-neutral self-start" href={`/job/${jobId}`}>
          Mend it in the job
        </Link>
      </main>
    );
  return (
    <div className="flex flex-col min-h-screen roomy:h-screen">
      <div className="px-4 md:px-6 pt-3 flex flex-col gap-2">
        <Tag view={view} repair={whole} nowMs={nowMs} />
        <FoldingRule view={at} current={known} pass={open!} zone={view.job.zone} nowMs={nowMs} />
        <ChangedDraft whole={whole} />
        <PassBar whole={whole} open={open!} stage={known} ofOne={OF_ONE_PASS.includes(known)} zone={view.job.zone} />
      </div>
      <StageBody stage={known} view={body.view ?? view} at={body.at ?? at} nowMs={body.nowMs} />
      <div className="no-print">
        <Mishap what="The time band" on={[view]}>
          <TimeBand
            view={view}
            current={whole}
            nowMs={nowMs}
            onStart={pullStart}
            onTemperature={pull}
            onPull={onPull}
          />
        </Mishap>
      </div>
    </div>
  );
}
