'use client';
import type { ReactNode } from 'react';
import { z } from 'zod';
import type { Actuals, Notice } from '@/core/plan';
import { bodyShape, inspectorRefused, Role } from '@/core/record';
import { useSay } from '../shared/bits';
import { RecordForm } from '../shared/RecordForm';
import { SavingButton } from '../shared/SavingButton';
import { shortWhen } from '../shared/when';
import { record } from '../workspace/record';
import { SIGNS_IN } from './signs-in';

const Signed = z.object({ to: bodyShape('released').to, role: Role });
const Reopened = z.object({ reason: bodyShape('reopened').reason, role: Role });

/** A signature in a role. */
export function Signature({
  title,
  act,
  known,
  does,
  refused,
  hands,
  disabled,
  children,
}: {
  title: string;
  act: string;
  /** The role that is proposed; empty where it should be somebody else. */
  known: string;
  does: (role: string, to: string) => Promise<unknown>;
  /** Why it may not be signed in a role. */
  refused?: (role: string) => string | null;
  /** It is handed over to somebody. */
  hands?: boolean;
  disabled?: boolean;
  children?: ReactNode;
}) {
  return (
    <div className="mt-2 p-2.5 paper">
      <h3 className="font-bold">{title}</h3>
      {children}
      <RecordForm
        schema={Signed}
        start={{ to: '', role: known }}
        fields={[
          ...(hands
            ? [{ name: 'to', label: 'Handed over to', placeholder: 'who runs it from now on', missing: '' } as const]
            : []),
          SIGNS_IN,
        ]}
        check={({ role }) => {
          const sentence = refused?.(role);
          return sentence ? { field: 'role', sentence } : undefined;
        }}
        row
        act={act}
        disabled={disabled}
        onSave={({ role, to: whom }) => does(role, whom ?? '')}
      />
    </div>
  );
}

/** Taking back what was signed: an act of its own. */
export function Reopen({ repairId, known }: { repairId: string; known: string }) {
  return (
    <details className="mt-3">
      <summary className="cursor-pointer">Reopen it…</summary>
      <p className="soft text-sm">
        The barrier goes up again, tests and signatures are asked anew, and the reason stays in the record for ever.
      </p>
      <RecordForm
        schema={Reopened}
        start={{ reason: '', role: known }}
        fields={[
          {
            name: 'reason',
            label: 'Why it is reopened',
            rows: 2,
            kept: 'reopen',
            missing: 'Write why: it stays in the record.',
          },
          SIGNS_IN,
        ]}
        className="mt-2 p-2.5 paper"
        row
        act="Sign and reopen"
        onSave={({ reason, role }) => record(repairId, { kind: 'reopened', reason }, role)}
      />
    </details>
  );
}

const Asked = z.object({ by: bodyShape('inspection').by });
const SAYS = { asked: 'was asked to see it', accepted: 'accepted it', refused: 'did not accept it' } as const;

/** Somebody from outside who must see it: asked, dated, closed by their word. */
export function Inspection({
  repairId,
  actuals,
  notice,
  zone,
  nowMs,
  role,
}: {
  repairId: string;
  actuals: Actuals;
  notice: Notice | null;
  zone: string;
  nowMs: number;
  role: string;
}) {
  const { inspection } = actuals;
  const words = useSay(zone);
  const says = (state: keyof typeof SAYS, who: string) =>
    record(repairId, { kind: 'inspection', state, by: who, note: '' }, role);
  if (actuals.startedAt === null) return null;
  if (!inspection || inspection.state === 'refused')
    return (
      <details className="mt-2" open={notice !== null || undefined}>
        <summary className="cursor-pointer">Somebody from outside must see it…</summary>
        {inspection && (
          <p style={{ color: 'var(--stop)' }}>
            {inspection.by} {SAYS.refused}, {shortWhen(inspection.atMs, zone, nowMs)}.
          </p>
        )}
        <RecordForm
          schema={Asked}
          start={{ by: notice?.by ?? '' }}
          fields={[{ name: 'by', label: 'Who', missing: 'Write who is asked to see it.' }]}
          check={({ by }) => {
            const sentence = inspectorRefused(by, role);
            return sentence ? { field: 'by', sentence: words(sentence) } : undefined;
          }}
          row
          tone="btn"
          act="They are asked"
          onSave={({ by }) => says('asked', by)}
        />
      </details>
    );
  return (
    <div className="mt-2 p-2.5 paper" data-testid="inspection">
      <p>
        <strong>{inspection.by}</strong> {SAYS[inspection.state]}, {shortWhen(inspection.atMs, zone, nowMs)}.
      </p>
      {inspection.state === 'asked' && !actuals.released && (
        <div className="flex gap-2 mt-1">
          <SavingButton
            className="btn"
            disabled={inspectorRefused(inspection.by, role) !== null}
            onSave={() => says('accepted', inspection.by)}
          >
            They accepted
          </SavingButton>
          <SavingButton className="btn" onSave={() => says('refused', inspection.by)}>
            They did not
          </SavingButton>
        </div>
      )}
    </div>
  );
}
