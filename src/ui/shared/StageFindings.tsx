'use client';
import { useState } from 'react';
import { z } from 'zod';
import { alike, type Finding } from '@/core/judge';
import type { Stage } from '@/core/method';
import { pieceName } from '@/core/plan';
import { bodyShape, type PassView, type RepairView, Role } from '@/core/record';
import type { Said } from '@/core/say';
import { joined, phrase } from '@/words';
import { usePrefs } from '../workspace/prefs';
import { changePass, recordAll } from '../workspace/workspace';
import { FindingCard, useSay } from './bits';
import { Dialog } from './Dialog';
import { RecordForm } from './RecordForm';
import { SavingButton } from './SavingButton';
import { LifeAsk, StandInAsk } from './StandIns';

interface OverrideProps {
  readonly at: PassView;
  readonly zone: string;
  readonly finding: Finding;
  /** The same of other batches, decided on with it. */
  readonly more?: readonly Finding[];
}

/** Overriding a stop: a reason and a role, kept in the record. */
export function Override(of: OverrideProps) {
  const [open, setOpen] = useState(false);
  const says = useSay(of.zone);
  const role = usePrefs((p) => p.role);
  const { answer } = of.finding;
  return (
    <>
      {answer && (
        <SavingButton className="btn mt-1 mr-2" onSave={() => goOn(of, says, { reason: says(answer), role })}>
          {says(answer)}
        </SavingButton>
      )}
      <button type="button" className="btn btn-outline btn-error text-sm mt-1" onClick={() => setOpen(true)}>
        Go on all the same…
      </button>
      <Dialog open={open} title="Go on against a stop" onClose={() => setOpen(false)}>
        <OverrideForm {...of} onDone={() => setOpen(false)} />
      </Dialog>
    </>
  );
}

/** Keeps in the record that the work goes on against a stop, and the same of other batches. */
const goOn = (
  { at, finding, more = [] }: OverrideProps,
  says: ReturnType<typeof useSay>,
  { reason, role }: { readonly reason: string; readonly role: string },
) =>
  recordAll(
    at.repair.id,
    [finding, ...more].map((f) => ({
      body: { kind: 'override', finding: f.id, title: says(f.title), reason } as const,
    })),
    role,
  );

const OverrideFields = z.object({ reason: bodyShape('override').reason, role: Role });

function OverrideForm({ onDone, ...of }: OverrideProps & { onDone: () => void }) {
  const { zone, finding } = of;
  const says = useSay(zone);
  const known = usePrefs((p) => p.role);
  return (
    <>
      <p className="mb-3">
        <strong>{says(finding.title)}.</strong>
        {phrase` ${says(finding.why)} It never replaces the sheet, the local code or licensed practice.`}
      </p>
      <RecordForm
        schema={OverrideFields}
        start={{ reason: '', role: known }}
        fields={[
          {
            name: 'reason',
            label: 'Reason',
            rows: 3,
            kept: `reason ${finding.id}`,
            missing: 'Write the reason: it stays in the record.',
          },
          { name: 'role', label: 'Your role', missing: 'Say in which role you decide this.' },
        ]}
        act="Keep this in the record and go on"
        onSave={(said) => goOn(of, says, said)}
        onDone={onDone}
      />
    </>
  );
}

/** What Grenko knows would mend it, each one press. */
function WaysOut({ at, zone, finding }: { at: PassView; zone: string; finding: Finding }) {
  const says = useSay(zone);
  if (!finding.ways?.length || at.actuals.startedAt !== null) return null;
  // Where all passes are looked at it is the one that the finding is of.
  const of = { ...at.repair, passId: finding.passId ?? at.repair.passId };
  return (
    <p className="flex flex-wrap gap-2 mt-1.5">
      {finding.ways.map(({ say, set }) => (
        <button
          key={set.path.join('.')}
          type="button"
          className="btn text-sm"
          onClick={() => changePass(of, (r) => withPath(r, set.path, set.value), `way:${finding.id}`)}
        >
          {says(say)}
        </button>
      ))}
    </p>
  );
}

/** A record with what stands at a path replaced. */
function withPath<T>(target: T, [head, ...rest]: readonly string[], value: unknown): T {
  if (head === undefined) return value as T;
  return { ...target, [head]: withPath((target as Record<string, unknown>)[head], rest, value) };
}

/** Findings of a stage, stops with the way past them. */
export function StageFindings({ at, zone, stage, all }: { at: PassView; zone: string; stage?: Stage; all?: boolean }) {
  const mine = all ? at.findings : at.findings.filter((f) => f.stage === stage);
  // What a finding tells with its ways out is not told twice.
  const told = new Set(mine.flatMap((f) => f.refusal ?? []));
  const problems = at.plan.problems.filter((p) => (!stage || p.stage === stage) && !told.has(p.field));
  return (
    <div>
      {problems.map((p) => (
        <FindingCard
          key={`${p.field} ${p.sentence.id}`}
          zone={zone}
          finding={{
            id: `problem:${p.field}`,
            severity: 'stop',
            stage: p.stage,
            title: 'This cannot be planned',
            why: p.sentence,
            todo: '',
          }}
        />
      ))}
      {alike(mine, (f) => at.actuals.overrides.has(f.id)).map(({ first: f, more }) => (
        <FindingCard key={f.id} zone={zone} finding={f} more={more} overridden={at.actuals.overrides.get(f.id)}>
          <WaysOut at={at} zone={zone} finding={f} />
          <LifeAsk at={at} finding={f} />
          {f.severity === 'stop' && !f.refusal && !at.actuals.overrides.has(f.id) && (
            <StandInAsk at={at} zone={zone} finding={f}>
              <Override at={at} zone={zone} finding={f} more={more} />
            </StandInAsk>
          )}
        </FindingCard>
      ))}
    </div>
  );
}

/** What a stage still needs before it can answer. */
export function StillNeeds({ texts }: { texts: readonly Said[] | undefined }) {
  const says = useSay();
  if (!texts?.length) return null;
  return (
    <div className="mt-2 p-2.5" style={{ border: '1px dashed var(--rule)' }}>
      <h3 className="font-bold">Still needed</h3>
      <ul className="list-disc pl-5">
        {texts.map(says).map((t) => (
          <li key={t}>{t}</li>
        ))}
      </ul>
    </div>
  );
}

/** What the passes of a repair still need before they can be put on the clock; of several, whose need it is. */
export function PassesStillNeed({ whole: { passes, draft } }: { whole: RepairView }) {
  const says = useSay();
  const whose = new Map<string, string[]>();
  for (const { repair, plan } of passes) {
    const name = pieceName(repair, draft.chain.indexOf(repair.passId));
    for (const text of (plan.open.place ?? plan.open.mix ?? []).map(says))
      whose.set(text, [...(whose.get(text) ?? []), name]);
  }
  const named = passes.length > 1;
  return (
    <StillNeeds texts={[...whose].map(([text, names]) => (named ? phrase`${joined(names, ', ')}: ${text}` : text))} />
  );
}
