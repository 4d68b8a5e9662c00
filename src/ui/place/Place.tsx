'use client';
import { STAGE_LABELS } from '@/core/method';
import { cautionsOf, MOST_OVERTIME_MIN, pieceName, type RepairPlan, spotBySpot, wholePlaced } from '@/core/plan';
import { amountOf, usedUp } from '@/core/record';

import { formatDuration, joined, phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { Answer, Heading, useFormat, useSay } from '../shared/bits';
import { HandsLearned } from '../shared/LearnedHere';
import { Link } from '../shared/Link';
import { QuantityField } from '../shared/QuantityField';
import { ChoicesOfAll } from '../shared/Schools';
import { PassesStillNeed, StageFindings } from '../shared/StageFindings';
import { WhenField } from '../shared/WhenField';
import { dayAndClock, shortWhen } from '../shared/when';
import { changePass } from '../workspace/workspace';
import { GroundPlan } from './GroundPlan';
import { StartStrip } from './StartStrip';
import { StepList } from './StepList';

function Sheet({ view, at, nowMs }: StageProps) {
  const { plan } = at;
  return (
    <div className="p-4">
      <StartStrip view={view} at={at} nowMs={nowMs} />
      {at.whole.passes.map((p) => (
        <GroundPlan
          key={p.repair.passId}
          plan={p.plan}
          named={at.whole.passes.length > 1 ? pieceName(p.repair, at.whole.draft.chain.indexOf(p.repair.passId)) : null}
          repair={p.repair}
          zone={view.job.zone}
          begun={p.actuals.startedAt !== null}
        />
      ))}
      <h2 className="font-bold text-lg mt-3">Preparation</h2>
      <OfEach at={at} of={(p) => p.method?.preparation ?? []} />
      <PassesStillNeed whole={at.whole} />
      {plan.steps.length > 0 && (
        <StepList at={at} zone={view.job.zone} stages={['mix', 'place']} editable={at.actuals.startedAt === null} />
      )}
      <Heading>Tools and cautions</Heading>
      <p>{joined([...new Set(at.whole.passes.flatMap((p) => p.plan.method?.tools ?? []))], ', ')}.</p>
      <UsedUp passes={at.whole.passes.map((p) => p.plan)} />
      <ul className="list-disc pl-5">
        {cautionsOf(at.whole.passes).map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
    </div>
  );
}

/** What the methods use up beside the mix. */
function UsedUp({ passes }: { passes: readonly RepairPlan[] }) {
  const prose = useSay();
  const lines = usedUp(passes);
  if (!lines.length) return null;
  return (
    <p data-testid="used-up">{phrase`Beside the mix: ${joined(
      lines.map((l) => phrase`${prose(amountOf(l))}${l.unit ? '' : ' ×'} ${l.what}`),
      ', ',
    )}.`}</p>
  );
}

/** A list of each pass, under its name where there are several; what two have alike is said once. */
function OfEach({ at, of }: { at: StageProps['at']; of: (plan: RepairPlan) => readonly string[] }) {
  const { passes, draft } = at.whole;
  const said = new Set<string>();
  return passes.map((p) => {
    const mine = of(p.plan).filter((text) => !said.has(text));
    for (const text of mine) said.add(text);
    return mine.length ? (
      <div key={p.repair.passId} className="mb-2">
        {passes.length > 1 && (
          <h3 className="font-bold">{pieceName(p.repair, draft.chain.indexOf(p.repair.passId))}</h3>
        )}
        <ul className="list-disc pl-5">
          {mine.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      </div>
    ) : null;
  });
}

function Side({ view, at, nowMs }: StageProps) {
  const { plan, repair, actuals } = at;
  const format = useFormat();
  const steps = plan.steps.filter((s) => s.stage === 'place' || s.stage === 'mix');
  const hands = steps.reduce((m, s) => m + s.handsOnMin, 0);
  const first = plan.steps[0];
  // A figure is not torn from its unit where the line ends.
  const potWarm = format('temperature', plan.potC ?? 0).text.replaceAll(' ', '\u00a0');
  return (
    <>
      <Answer
        over={actuals.startedAt === null ? 'begin' : 'begun'}
        digits={first ? shortWhen(actuals.startedAt ?? first.startMs, view.job.zone, nowMs) : '—'}
        beside={
          steps.length
            ? phrase`${steps.length} steps, ${formatDuration(hands)} hands on`
            : // Both may be there and the mix still not: then it is not they that are waited for.
              (plan.problems[0] && phrase`cannot be planned: see ${STAGE_LABELS[plan.problems[0].stage]}`) ||
              'waits for measure and material'
        }
      />
      <HandsLearned at={at.whole} />
      <WhenField
        label={phrase`Begin not before (${view.job.zone})`}
        value={repair.plannedStart}
        zone={view.job.zone}
        atHour={view.job.workingHours.fromHour}
        disabled={actuals.startedAt !== null}
        onChange={(plannedStart) => changePass(repair, (r) => ({ ...r, plannedStart }), 'start')}
        onClear={() => changePass(repair, (r) => ({ ...r, plannedStart: null }), 'start')}
      />
      <p className="soft text-sm">
        Empty: as soon as the crew is free in working hours. Or pull the repair’s band sideways.
      </p>
      <QuantityField
        kind="duration"
        label="Stay past the end of the day, at most"
        value={repair.overtimeMin}
        onChange={({ value }) => changePass(repair, (r) => ({ ...r, overtimeMin: value }), 'stay')}
        onClear={() => changePass(repair, (r) => ({ ...r, overtimeMin: 0 }), 'stay')}
        check={(min) =>
          min >= 0 && min <= MOST_OVERTIME_MIN
            ? null
            : phrase`Up to ${formatDuration(
                MOST_OVERTIME_MIN,
              )}: more is another working day. Change the job’s working hours.`
        }
      />
      {plan.placedMs !== null && wholePlaced(plan) && (
        <p className="mt-2">
          In place by <strong className="fig">{dayAndClock(plan.placedMs, view.job.zone)}</strong>
          {/* Of several passes each has its own, told at its mix. */}
          {at.whole.passes.length === 1 && plan.usableMin !== null && Number.isFinite(plan.usableMin)
            ? spotBySpot(plan)
              ? phrase`; what is pressed out can be worked for ${formatDuration(plan.usableMin)}, at ${potWarm}`
              : plan.batches.some((b) => b.before)
                ? phrase`; a batch may take ${formatDuration(plan.usableMin)} to be brushed in and placed, at ${potWarm}`
                : phrase`; a batch may take ${formatDuration(plan.usableMin)} to place, at ${potWarm}`
            : ''}
          .
        </p>
      )}
      <Link className="btn btn-neutral mt-2" href={`/job/${repair.jobId}/${repair.id}/run`}>
        {actuals.startedAt === null ? 'To the running view' : 'Go on in the running view'}
      </Link>
      <StageFindings at={at} zone={view.job.zone} stage="place" />
      <ChoicesOfAll whole={at.whole} stage="place" />
    </>
  );
}

export const Place = { Sheet, Side };
