'use client';
import { type ReactNode, useMemo, useState } from 'react';
import { loadCheck, reviewOf, strengthOver } from '@/core/plan';
import { earlyLoad, obstaclesToRelease } from '@/core/record';
import type { MilestoneId } from '@/core/system';
import { figure } from '@/core/units';
import { type Reader, say } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { AskForBackup } from '../settings/Backup';
import { Answer, Choice, FindingCard, Heading, Working } from '../shared/bits';
import { RememberedArea, useRememberedText } from '../shared/Remembered';
import { SavingButton } from '../shared/SavingButton';
import { Override, StageFindings, StillNeeds } from '../shared/StageFindings';
import { fullWhen, shortWhen } from '../shared/when';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { LoadFields } from './LoadFields';
import { StrengthChart } from './StrengthChart';

const needsReview = (at: StageProps['at']) => reviewOf(at.repair, at.plan.method) !== null;

/** Milestones that let something onto the repair. */
const OPENS: readonly MilestoneId[] = ['release', 'foot', 'light-load', 'load', 'dry', 'wet', 'full-cure'];

function Sheet({ view, at, nowMs }: StageProps) {
  const { plan, actuals, repair } = at;
  const role = usePrefs((p) => p.role);
  const zone = view.job.zone;
  const strength = useMemo(() => strengthOver(plan), [plan]);
  const opening = plan.milestones.filter((m) => OPENS.includes(m.kind));
  const stages = opening.flatMap((m) => (m.planMs === null ? [] : [{ id: m.kind, label: m.label, ms: m.planMs }]));
  const needs = useMemo(
    () => (repair.load ? loadCheck(plan, repair.load, strength).needs : null),
    [plan, repair.load, strength],
  );
  if (!plan.method || !plan.steps.length)
    return (
      <div className="p-5">
        <StillNeeds texts={plan.open.place ?? plan.open.mix} />
      </div>
    );
  return (
    <div className="p-4">
      <h2 className="font-bold text-lg">Tested at the place</h2>
      <ol>
        {plan.method.tests.map((t) => (
          <li
            key={t.id}
            className="flex items-center gap-4 py-2.5 flex-wrap"
            style={{ borderTop: '1px solid var(--paper-line)' }}
          >
            <p className="flex-1 min-w-[16rem]">{t.ask}</p>
            <Choice
              label={t.ask}
              hideLabel
              options={[
                { id: 'yes', label: 'yes' },
                { id: 'no', label: 'no' },
              ]}
              value={actuals.tests.get(t.id)}
              onChange={(answer) => void record(repair.id, { kind: 'test', test: t.id, answer }, role)}
            />
          </li>
        ))}
      </ol>
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
      <ul>
        {opening.map((m) => (
          <li
            key={m.kind}
            className="flex gap-4 py-1"
            style={{ borderTop: '1px solid var(--paper-line)' }}
            data-opens={m.kind}
          >
            <span className="flex-1">
              {m.planMs !== null && nowMs >= m.planMs ? '● ' : '○ '}
              {m.label}
            </span>
            {strength?.fromPoints && m.planMs !== null && (
              <span className="soft fig text-sm">
                {figure(strength.shareAt(m.planMs) * 100, 2)} %
                <span className="hidden sm:inline"> of its strength</span>
              </span>
            )}
            <span className="fig sm:w-44 text-right">
              {m.planMs !== null ? shortWhen(m.planMs, zone, nowMs) : 'no time'}
            </span>
          </li>
        ))}
      </ul>
      {strength && <Working title="how the strength comes about" lines={strength.working} />}
      <LoadFields view={view} at={at} nowMs={nowMs} strength={strength} />
      {actuals.reviewed && (
        <p className="mt-3">
          Reviewed by <strong>{actuals.reviewed.role}</strong>, {fullWhen(actuals.reviewed.atMs, zone)}
        </p>
      )}
      {actuals.released && (
        <p>
          Released by <strong>{actuals.released.role}</strong>, {fullWhen(actuals.released.atMs, zone)}
        </p>
      )}
    </div>
  );
}

function Signature({
  title,
  does,
  disabled,
  children,
}: {
  title: string;
  does: (role: string) => Promise<unknown>;
  disabled?: boolean;
  children?: ReactNode;
}) {
  const known = usePrefs((p) => p.role);
  const [role, setRole] = useState(title.startsWith('Review') ? '' : known);
  const [fault, setFault] = useState<string | null>(null);
  return (
    <div className="mt-2 p-2.5 paper">
      <h3 className="font-bold">{title}</h3>
      {children}
      <div className="flex gap-2 items-end mt-1">
        <label className="flex-1">
          In the role of
          <input
            className="field"
            value={role}
            onChange={(e) => setRole(e.target.value)}
            aria-invalid={fault ? true : undefined}
          />
        </label>
        <SavingButton
          className="act firm"
          disabled={disabled}
          onSave={async () => {
            if (!role.trim()) return setFault('Say in which role you sign.');
            setFault(null);
            await does(role.trim());
          }}
        >
          {title.startsWith('Review') ? 'Sign the review' : 'Sign and release'}
        </SavingButton>
      </div>
      {fault && (
        <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
          {fault}
        </p>
      )}
    </div>
  );
}

function Side({ view, at, nowMs }: StageProps) {
  const { plan, actuals, repair } = at;
  const { zone } = view.job;
  const system = usePrefs((p) => p.system);
  const reader: Reader = { system, zone, language: 'en' };
  const obstacles = obstaclesToRelease(at, nowMs).map((o) => say(o, reader));
  const early = earlyLoad(at, nowMs);
  const lesson = useRememberedText('lesson');
  const role = usePrefs((p) => p.role);
  return (
    <div>
      <Answer
        over={actuals.released ? 'released' : 'may be opened'}
        digits={plan.openMs !== null ? shortWhen(actuals.released?.atMs ?? plan.openMs, view.job.zone, nowMs) : '—'}
        beside={
          plan.openMs !== null && view.job.wantedAt !== null ? (
            <>wanted {shortWhen(view.job.wantedAt, view.job.zone, nowMs)}</>
          ) : undefined
        }
      />
      {!actuals.released && obstacles.length > 0 && (
        <div className="p-2.5" style={{ border: '1px dashed var(--rule)' }}>
          <h3 className="font-bold">Before it can be signed</h3>
          <ul className="list-disc pl-5">
            {obstacles.map((o) => (
              <li key={o}>{o}</li>
            ))}
          </ul>
        </div>
      )}
      {early && (
        <FindingCard zone={zone} finding={early} overridden={actuals.overrides.get(early.id)}>
          {!actuals.overrides.has(early.id) && <Override at={at} zone={zone} finding={early} />}
        </FindingCard>
      )}
      {needsReview(at) && !actuals.reviewed && (
        <Signature
          title="Review by a competent person"
          does={(r) => record(repair.id, { kind: 'reviewed', note: '' }, r)}
          disabled={actuals.startedAt === null}
        >
          <p className="soft text-sm">{reviewOf(repair, plan.method)}</p>
        </Signature>
      )}
      {!actuals.released && (
        <Signature
          title="Release"
          does={(r) => record(repair.id, { kind: 'released', note: '' }, r)}
          disabled={obstacles.length > 0}
        >
          <p className="soft text-sm">After signing, the barrier is removed and the record is closed.</p>
        </Signature>
      )}
      {actuals.released && (
        <div className="mt-2">
          <AskForBackup sinceMs={actuals.released.atMs} />
          <RememberedArea label="A lesson for the next like repair" rows={2} max={1000} of={lesson} />
          <SavingButton
            className="act mt-1"
            disabled={!lesson.text.trim()}
            onSave={async () => {
              await record(repair.id, { kind: 'lesson', text: lesson.text.trim() }, role);
              lesson.type(null);
            }}
          >
            Note it
          </SavingButton>
        </div>
      )}
      <StageFindings at={at} zone={view.job.zone} stage="release" />
    </div>
  );
}

export const Release = { Sheet, Side };
