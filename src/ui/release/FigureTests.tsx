'use client';
import { Plus, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import {
  type Acceptance,
  FAILURES,
  Failure,
  firstAcceptance,
  limitSaid,
  MEASURED_KINDS,
  type MeasuredKind,
  type MeasuredKindId,
  measuredKind,
  readingSaid,
} from '@/core/plan';
import { type FigureTest, figureTests, type RepairView } from '@/core/record';
import type { Kind } from '@/core/units';
import { lowered, phrase } from '@/words';
import { Choice, TextField, useSay } from '../shared/bits';
import { QuantityField, type Typed } from '../shared/QuantityField';
import { SavingButton } from '../shared/SavingButton';
import { record } from '../workspace/record';
import { changeRepair } from '../workspace/workspace';

/** Tests that give figures: asked for with how many and how much, read one by one. */
export function FigureTests({
  whole,
  zone,
  role,
  closed,
}: {
  whole: RepairView;
  zone: string;
  role: string;
  closed: boolean;
}) {
  const [adding, setAdding] = useState(false);
  const id = whole.repair.id;
  const change = (how: (list: readonly Acceptance[]) => readonly Acceptance[], key: string) =>
    changeRepair(id, (r) => ({ ...r, acceptance: [...how(r.acceptance)] }), `acceptance-${key}`);
  return (
    <section aria-label="Tests by figures" className="mt-3">
      {figureTests(whole).map((t) => (
        <Figures
          key={t.id}
          of={t}
          repairId={id}
          zone={zone}
          role={role}
          closed={closed}
          change={(over) =>
            change((list) => list.map((a) => (a.id === t.asked.id ? { ...a, ...over } : a)), Object.keys(over)[0]!)
          }
          remove={() => change((list) => list.filter((a) => a.id !== t.asked.id), 'remove')}
        />
      ))}
      {!closed && (
        <div className="mt-2">
          {adding ? (
            <Choice
              label="What is measured"
              options={(Object.keys(MEASURED_KINDS) as MeasuredKindId[]).map((k) => ({
                id: k,
                label: MEASURED_KINDS[k].label,
              }))}
              value={undefined}
              onChange={(kind) => {
                change((list) => [...list, firstAcceptance(kind, nanoid(8))], 'add');
                setAdding(false);
              }}
            />
          ) : (
            <button type="button" className="btn text-sm" onClick={() => setAdding(true)}>
              <Plus size={16} aria-hidden="true" /> A test by figures…
            </button>
          )}
        </div>
      )}
    </section>
  );
}

const VERDICT = { yes: 'as asked', no: 'not as asked', open: 'open' } as const;

function Figures({
  of,
  repairId,
  zone,
  role,
  closed,
  change,
  remove,
}: {
  of: FigureTest;
  repairId: string;
  zone: string;
  role: string;
  closed: boolean;
  change: (over: Partial<Acceptance>) => void;
  remove: () => void;
}) {
  const { asked, readings, verdict } = of;
  const says = useSay(zone);
  const kind: MeasuredKind = measuredKind(asked.kind);
  return (
    <div className="py-2.5" style={{ borderTop: '1px solid var(--paper-line)' }} data-test={of.id}>
      <div className="flex items-baseline gap-3">
        <h3 className="font-bold flex-1">
          {kind.label.charAt(0).toUpperCase() + kind.label.slice(1)}{' '}
          <span
            className="font-normal"
            style={{ color: verdict.answer === 'no' ? 'var(--stop)' : undefined }}
            data-verdict={verdict.answer}
          >
            {VERDICT[verdict.answer]}: {says(verdict.why)}
          </span>
        </h3>
        {!closed && readings.length === 0 && (
          <button type="button" className="btn btn-link" aria-label={phrase`Remove ${kind.label}`} onClick={remove}>
            <Trash2 size={16} aria-hidden="true" />
          </button>
        )}
      </div>
      <details>
        <summary className="soft text-sm cursor-pointer">how, and what counts</summary>
        <p className="text-sm">{kind.how}</p>
        <p className="text-sm">
          <strong>What counts:</strong> {kind.counts}
        </p>
      </details>
      {!closed && readings.length === 0 && <Asked asked={asked} kind={kind} change={change} />}
      {readings.length > 0 && (
        <p className="fig flex flex-wrap gap-x-4">
          {readings.map((r, i) => (
            <span key={`${r.atMs}-${i}`} className={verdict.good[i] === null ? 'line-through soft' : ''}>
              {verdict.good[i] === false ? '✗ ' : ''}
              {says(readingSaid(asked, r.value))}
              {r.failure && kind.fails ? <span className="soft text-sm"> {FAILURES[r.failure]}</span> : null}
            </span>
          ))}
          <span className="soft">{phrase`of ${verdict.wanted}, ${says(limitSaid(asked))} asked`}</span>
        </p>
      )}
      {!closed && <Reading of={of} kind={kind} repairId={repairId} role={role} />}
    </div>
  );
}

/** The kind of quantity its limit is typed in. */
const limitKind = ({ wants, quantity }: MeasuredKind): Kind => (wants === 'near' ? 'percent' : quantity);

/** What is asked of a load that is held. */
const heldFields = ({ label }: MeasuredKind) => {
  const any = { placeholder: phrase`as specified`, most: Number.POSITIVE_INFINITY, wrong: phrase`More than 0.` };
  return [
    { key: 'loadN', is: 'force', label: phrase`Load (${label})`, ...any },
    { key: 'heldMin', is: 'duration', label: phrase`Held for (${label})`, ...any },
    {
      key: 'sharePct',
      is: 'percent',
      label: phrase`Share tried (${label})`,
      placeholder: phrase`by their number`,
      most: 100,
      wrong: phrase`More than 0, at most 100 %.`,
    },
  ] as const;
};

function Asked({
  asked,
  kind,
  change,
}: {
  asked: Acceptance;
  kind: MeasuredKind;
  change: (over: Partial<Acceptance>) => void;
}) {
  return (
    <div className="grid grid-cols-2 md:grid-cols-4 gap-2 items-end mt-1">
      <QuantityField
        kind={limitKind(kind)}
        label={phrase`${kind.limit} (${kind.label})`}
        value={asked.limit || null}
        placeholder="as specified"
        onChange={(t) => change({ limit: t.value })}
        check={(v) => (v > 0 ? null : 'More than 0.')}
      />
      {kind.wants === 'near' && (
        <QuantityField
          kind={kind.quantity}
          label="Read in the dry trial"
          value={asked.reference}
          onChange={(t) => change({ reference: t.value })}
          check={(v) => (v === 0 ? 'A reading of 0 leaves no share to be off by.' : null)}
        />
      )}
      {kind.held &&
        heldFields(kind).map(({ key, is, label, placeholder, most, wrong }) => (
          <QuantityField
            key={key}
            kind={is}
            label={label}
            value={asked[key]}
            placeholder={placeholder}
            onChange={(t) => change({ [key]: t.value })}
            onClear={() => change({ [key]: null })}
            check={(v) => (v > 0 && v <= most ? null : wrong)}
          />
        ))}
      {(!kind.held || asked.sharePct === null) && (
        <QuantityField
          kind="count"
          label={phrase`How many (${kind.label})`}
          value={asked.count}
          onChange={(t) => change({ count: t.value })}
          check={(v) => (Number.isInteger(v) && v >= 1 && v <= 60 ? null : 'A whole number from 1 to 60.')}
        />
      )}
      {kind.wants !== 'near' && !kind.held && (
        <QuantityField
          kind={kind.quantity}
          label={phrase`Their mean ${lowered(kind.limit)}`}
          value={asked.meanLimit}
          placeholder="not asked"
          onChange={(t) => change({ meanLimit: t.value })}
          onClear={() => change({ meanLimit: null })}
          check={(v) => (v > 0 ? null : 'More than 0.')}
        />
      )}
      {kind.scaled && (
        <TextField label="Scale of the tester" value={asked.scale} onChange={(scale) => change({ scale })} />
      )}
      <TextField label={phrase`Asked by (${kind.label})`} value={asked.by} onChange={(by) => change({ by })} />
    </div>
  );
}

function Reading({ of, kind, repairId, role }: { of: FigureTest; kind: MeasuredKind; repairId: string; role: string }) {
  const { asked, readings, verdict } = of;
  const [value, setValue] = useState<Typed | null>(null);
  const [failure, setFailure] = useState<Failure | undefined>(undefined);
  if (!asked.limit || (kind.wants === 'near' && asked.reference === null)) return null;
  if (kind.held && (asked.loadN === null || asked.heldMin === null)) return null;
  // A scale of the other sort gives figures that mean nothing here.
  if (kind.scaled && !asked.scale.trim())
    return <p className="soft text-sm">Say the scale of the tester first: a figure without it means nothing.</p>;
  if (verdict.answer === 'yes') return null;
  return (
    <div className="flex flex-wrap gap-2 items-end mt-1">
      <QuantityField
        key={readings.length}
        kind={kind.quantity}
        label={phrase`Reading ${readings.length + 1} (${kind.label})`}
        value={value?.value ?? null}
        typed={value ?? undefined}
        onChange={setValue}
        check={(v) => (v >= 0 ? null : 'Not below 0.')}
      />
      {kind.fails && (
        <Choice
          label="What gave way"
          options={Failure.options.map((id) => ({ id, label: FAILURES[id] }))}
          value={failure}
          onChange={setFailure}
        />
      )}
      <SavingButton
        className="btn"
        disabled={!value || (kind.fails && !failure)}
        onSave={async () => {
          await record(
            repairId,
            { kind: 'measured', test: of.id, value: value!.value, ...(failure ? { failure } : {}) },
            role,
          );
          setValue(null);
          setFailure(undefined);
        }}
      >
        Into the record
      </SavingButton>
    </div>
  );
}
