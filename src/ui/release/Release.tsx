'use client';
import { useMemo } from 'react';
import { z } from 'zod';
import { bearing, loadCheck, strengthOver } from '@/core/plan';
import { bodyShape, earlyLoad, obstaclesToRelease, openingsOf, reviewNeeded, roleRefused } from '@/core/record';
import { phrase } from '@/words';
import { Photos } from '../photo/Photos';
import type { StageProps } from '../repair/stage-props';
import { AskForBackup } from '../settings/Backup';
import { Answer, FindingCard, Heading, useSay, Working } from '../shared/bits';
import { Link } from '../shared/Link';
import { RecordForm } from '../shared/RecordForm';
import { Override, PassesStillNeed, StageFindings } from '../shared/StageFindings';
import { fullWhen, shortWhen } from '../shared/when';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { Barrier } from './Barrier';
import { FigureTests } from './FigureTests';
import { HandTests } from './HandTests';
import { LoadFields } from './LoadFields';
import { Openings } from './Openings';
import { Inspection, Reopen, Signature } from './Signatures';
import { StrengthChart } from './StrengthChart';
import { Witnesses } from './Witnesses';

const Learned = z.object({ text: bodyShape('lesson').text });

function Sheet({ view, at, nowMs }: StageProps) {
  const { plan, actuals, repair } = at;
  const role = usePrefs((p) => p.role);
  const zone = view.job.zone;
  // A coat that closes a chain carries nothing: what does is looked at.
  const bears = useMemo(() => bearing(at.whole.plan, repair.load), [at.whole.plan, repair.load]);
  const strength = useMemo(() => strengthOver(bears), [bears]);
  const closed = actuals.released !== null;
  const stages = openingsOf(at.whole.plan).flatMap((o) =>
    o.atMs === null ? [] : [{ id: o.kind, label: o.label, ms: o.atMs }],
  );
  const needs = useMemo(
    () => (repair.load ? loadCheck(bears, repair.load, strength).needs : null),
    [bears, repair.load, strength],
  );
  if (!plan.method || !plan.steps.length)
    return (
      <div className="p-5">
        <PassesStillNeed whole={at.whole} />
      </div>
    );
  return (
    <div className="p-4">
      <h2 className="font-bold text-lg">Tested at the place</h2>
      <HandTests whole={at.whole} zone={zone} nowMs={nowMs} role={role} closed={closed} />
      <FigureTests whole={at.whole} zone={zone} role={role} closed={closed} />
      <Witnesses whole={at.whole} zone={zone} nowMs={nowMs} role={role} closed={closed} />
      <Heading
        aside={
          strength && !strength.fromPoints ? 'the sheet prints no strength over time, and none is invented' : undefined
        }
      >
        Opens in stages
      </Heading>
      {strength && stages.length > 0 && (
        <StrengthChart strength={strength} stages={stages} needs={needs} zone={zone} nowMs={nowMs} />
      )}
      <Openings view={view} at={at} nowMs={nowMs} role={role} strength={strength} />
      <Barrier whole={at.whole} zone={zone} nowMs={nowMs} role={role} />
      {strength && <Working title="how the strength comes about" lines={strength.working} />}
      <LoadFields view={view} at={at} nowMs={nowMs} strength={strength} bears={bears} />
      <Photos repairId={repair.id} zone={zone} nowMs={nowMs} role={role} first="after" />
      {actuals.reviewed && (
        <p className="mt-3">
          Reviewed by <strong>{actuals.reviewed.role}</strong>, {fullWhen(actuals.reviewed.atMs, zone)}
        </p>
      )}
      {actuals.released && (
        <p>
          Released by <strong>{actuals.released.role}</strong>, {fullWhen(actuals.released.atMs, zone)}
          {actuals.released.to && (
            <>
              , handed over to <strong>{actuals.released.to}</strong>
            </>
          )}
        </p>
      )}
      {actuals.reopened.map((r) => (
        <p key={r.atMs} style={{ color: 'var(--stop)' }} data-testid="reopened">
          Reopened by <strong>{r.role}</strong>, {fullWhen(r.atMs, zone)}: {r.reason}
        </p>
      ))}
    </div>
  );
}

function Side({ view, at, nowMs }: StageProps) {
  const { plan, actuals, repair, whole } = at;
  const { zone } = view.job;
  const says = useSay(zone);
  const obstacles = obstaclesToRelease(whole, nowMs).map(says);
  const early = earlyLoad(whole, nowMs);
  const role = usePrefs((p) => p.role);
  const review = reviewNeeded(whole);
  return (
    <>
      <Answer
        over={actuals.released ? 'released' : 'may be opened'}
        digits={plan.openMs !== null ? shortWhen(actuals.released?.atMs ?? plan.openMs, view.job.zone, nowMs) : '—'}
        beside={
          plan.openMs !== null && view.job.wantedAt !== null
            ? phrase`wanted ${shortWhen(view.job.wantedAt, view.job.zone, nowMs)}`
            : undefined
        }
      />
      {!actuals.released && obstacles.length > 0 && (
        <div className="p-2.5" style={{ border: '1px dashed var(--rule)' }}>
          <h3 className="font-bold">Before it can be signed</h3>
          <ul className="list-disc pl-5">
            {obstacles.map((o) => (
              <li key={o} className="first-letter:uppercase">
                {o}
              </li>
            ))}
          </ul>
        </div>
      )}
      {early && (
        <FindingCard zone={zone} finding={early} overridden={actuals.overrides.get(early.id)}>
          {!actuals.overrides.has(early.id) && <Override at={at} zone={zone} finding={early} />}
        </FindingCard>
      )}
      <Inspection repairId={repair.id} actuals={actuals} notice={repair.notice} zone={zone} nowMs={nowMs} role={role} />
      {review !== null && !actuals.reviewed && !actuals.released && (
        <Signature
          title="Review by a competent person"
          act="Sign the review"
          known=""
          does={(r) => record(repair.id, { kind: 'reviewed', note: '' }, r)}
          disabled={actuals.startedAt === null}
        >
          <p className="soft text-sm">{review}</p>
        </Signature>
      )}
      {!actuals.released && (
        <Signature
          title="Release"
          act="Sign and release"
          known={role}
          refused={(r) => {
            const why = roleRefused(whole, r);
            return why && says(why);
          }}
          hands
          does={(r, to) => record(repair.id, { kind: 'released', note: '', ...(to ? { to } : {}) }, r)}
          disabled={obstacles.length > 0}
        >
          <p className="soft text-sm">After signing, the barrier is removed and the record is closed.</p>
        </Signature>
      )}
      {actuals.released && (
        <div className="mt-2">
          <div className="flex gap-2 mb-2">
            <Link className="btn btn-neutral" href={`/job/${view.job.id}/report`}>
              The record as a report
            </Link>
            <Link className="btn" href={`/job/${view.job.id}/tag`}>
              Tag
            </Link>
          </div>
          <AskForBackup sinceMs={actuals.released.atMs} />
          <RecordForm
            schema={Learned}
            start={{ text: '' }}
            fields={[
              {
                name: 'text',
                label: 'A lesson for the next like repair',
                rows: 2,
                kept: 'lesson',
                missing: 'Write what was learned.',
              },
            ]}
            tone="btn mt-1"
            act="Note it"
            onSave={({ text }) => record(repair.id, { kind: 'lesson', text }, role)}
          />
          <Reopen repairId={repair.id} known={role} />
        </div>
      )}
      <StageFindings at={at} zone={view.job.zone} stage="release" />
    </>
  );
}

export const Release = { Sheet, Side };
