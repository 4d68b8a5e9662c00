'use client';
import { type ReactNode, useState } from 'react';
import type { Actuals, Notice } from '@/core/plan';
import { inspectorRefused } from '@/core/record';
import { useSay } from '../shared/bits';
import { RememberedArea, useRememberedText } from '../shared/Remembered';
import { SavingButton } from '../shared/SavingButton';
import { shortWhen } from '../shared/when';
import { record } from '../workspace/record';

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
  const [role, setRole] = useState(known);
  const [to, setTo] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  return (
    <div className="mt-2 p-2.5 paper">
      <h3 className="font-bold">{title}</h3>
      {children}
      {hands && (
        <label className="block mt-1">
          Handed over to
          <input
            className="input"
            value={to}
            maxLength={80}
            placeholder="who runs it from now on"
            onChange={(e) => setTo(e.target.value)}
          />
        </label>
      )}
      <div className="flex gap-2 items-end mt-1">
        <label className="flex-1">
          In the role of
          <input
            className="input"
            value={role}
            maxLength={80}
            onChange={(e) => setRole(e.target.value)}
            aria-invalid={fault ? true : undefined}
          />
        </label>
        <SavingButton
          className="btn btn-neutral"
          disabled={disabled}
          onSave={async () => {
            const why = role.trim() ? (refused?.(role) ?? null) : 'Say in which role you sign.';
            setFault(why);
            if (why === null) await does(role.trim(), to.trim());
          }}
        >
          {act}
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

/** Taking back what was signed: an act of its own. */
export function Reopen({ repairId, known }: { repairId: string; known: string }) {
  const why = useRememberedText('reopen');
  return (
    <details className="mt-3">
      <summary className="cursor-pointer">Reopen it…</summary>
      <p className="soft text-sm">
        The barrier goes up again, tests and signatures are asked anew, and the reason stays in the record for ever.
      </p>
      <RememberedArea label="Why it is reopened" rows={2} max={500} of={why} />
      <Signature
        title="Reopen"
        act="Sign and reopen"
        known={known}
        refused={() => (why.text.trim().length < 3 ? 'Write why: it stays in the record.' : null)}
        does={async (role) => {
          await record(repairId, { kind: 'reopened', reason: why.text.trim() }, role);
          why.type(null);
        }}
      />
    </details>
  );
}

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
  const [typed, setBy] = useState<string | null>(null);
  const by = typed ?? notice?.by ?? '';
  const refused = inspectorRefused(by, role);
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
        <div className="flex gap-2 items-end">
          <label className="flex-1">
            Who
            <input className="input" value={by} maxLength={120} onChange={(e) => setBy(e.target.value)} />
          </label>
          <SavingButton
            className="btn"
            disabled={!by.trim() || refused !== null}
            onSave={() => says('asked', by.trim())}
          >
            They are asked
          </SavingButton>
        </div>
        {refused && (
          <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
            {words(refused)}
          </p>
        )}
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
