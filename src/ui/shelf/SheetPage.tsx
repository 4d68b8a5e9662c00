'use client';
import { Plus, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useRouter } from 'next/navigation';
import { type ReactNode, useId, useState } from 'react';
import { fittedActivationKJ, sheetFlaws } from '@/core/cure';
import {
  BASES,
  clockOf,
  FAMILIES,
  MILESTONES,
  type MilestoneId,
  proportionOf,
  RUNS_ON,
  type RunsOn,
  STARTS,
  type StartId,
  SYSTEM_KINDS,
} from '@/core/system';
import { attempt, figure } from '@/core/units';
import { putSheet, useDesk } from '../desk/desk';
import { usePrefs } from '../desk/prefs';
import { Choice, Heading, Ways, Working } from '../shared/bits';
import { CurveChart } from '../shared/CurveChart';
import { blankDraft, type DraftFaults, draftOf, LIMIT_FIELDS, readDraft, type SheetDraft, type TimeDraft } from './draft';

/** A sheet as typed in; immutable, so that a change makes the next revision. */
export function SheetPage({ sheetId }: { sheetId: string }) {
  const stored = useDesk((d) => d.sheets[sheetId]) ?? null;
  const [editing, setEditing] = useState(sheetId === 'new');
  if (!stored && sheetId !== 'new')
    return (
      <main id="main" className="p-8">
        <h1 className="text-2xl font-bold mb-3">This sheet is not on the shelf</h1>
        <Ways />
      </main>
    );
  return (
    <div className="px-4 md:px-6 py-4 max-w-[80rem]">
      <header className="flex items-baseline gap-6 flex-wrap mb-2">
        <h1 className="text-2xl font-bold">{stored?.name ?? 'A new sheet'}</h1>
        {stored && (
          <span className="soft">
            revision {stored.revision}, {FAMILIES[stored.family].label.toLowerCase()}
          </span>
        )}
        <span className="flex-1" />
        <Ways />
      </header>
      <main id="main">
        {stored && !editing && (
          <>
            <button type="button" className="act" onClick={() => setEditing(true)}>
              Make the next revision
            </button>
            {sheetFlaws(stored).map((f) => (
              <p key={f.sentence} role="alert" className="mt-2 font-semibold">
                {f.sentence}
              </p>
            ))}
            <div className="grid sm:grid-cols-2 lg:grid-cols-3 gap-4 mt-3">
              {stored.milestones.map((m) => {
                const e = fittedActivationKJ(m);
                return (
                  <figure key={m.kind} className="paper p-2">
                    <figcaption className="text-sm flex justify-between gap-2">
                      <strong>{MILESTONES[m.kind].label}</strong>
                      <span className="soft">
                        {clockOf(m) === 'working' ? 'over' : 'reached'}, from when {STARTS[m.startsAt]}
                      </span>
                    </figcaption>
                    <CurveChart milestone={m} family={stored.family} atC={Number.NaN} />
                    {e !== undefined && <p className="soft text-xs">fitted {figure(e)} kJ/mol</p>}
                  </figure>
                );
              })}
            </div>
            <ProportionOf sheetId={stored.id} />
          </>
        )}
        {editing && <SheetForm key={sheetId} start={stored ? draftOf(stored) : blankDraft()} before={stored} />}
      </main>
    </div>
  );
}

function ProportionOf({ sheetId }: { sheetId: string }) {
  const sheet = useDesk((d) => d.sheets[sheetId])!;
  const p = attempt(() => proportionOf(sheet));
  return p.ok ? <Working title="how the mix is made up" lines={p.value.working} open /> : <p>{p.problem.sentence}</p>;
}

function SheetForm({ start, before }: { start: SheetDraft; before: ReturnType<typeof useDesk.getState>['sheets'][string] | null }) {
  const [draft, setDraft] = useState(start);
  const [faults, setFaults] = useState<DraftFaults>({});
  const { system, role } = usePrefs();
  const router = useRouter();
  const set = (over: Partial<SheetDraft>) => setDraft((d) => ({ ...d, ...over }));
  const check = () => {
    const read = readDraft(draft, system, before, role, Date.now());
    setFaults('faults' in read ? read.faults : {});
    return read;
  };
  // Fields are checked as they are left, but only those already typed into complain.
  const left = (field: string) => {
    const read = readDraft(draft, system, before, role, Date.now());
    const mine = 'faults' in read ? read.faults[field] : undefined;
    setFaults((f) => {
      const { [field]: _gone, ...rest } = f;
      return mine ? { ...rest, [field]: mine } : rest;
    });
  };
  const text = (field: keyof SheetDraft & string, label: string, hint?: string) => (
    <Typed
      label={label}
      hint={hint}
      value={draft[field] as string}
      fault={faults[field]}
      onChange={(v) => set({ [field]: v })}
      onLeave={() => left(field)}
    />
  );
  const metered = draft.kind === 'anchor-pack';
  const time = (key: string, over: Partial<TimeDraft>) => set({ times: draft.times.map((t) => (t.key === key ? { ...t, ...over } : t)) });
  const kit = (key: string, over: Partial<SheetDraft['kits'][number]>) =>
    set({ kits: draft.kits.map((k) => (k.key === key ? { ...k, ...over } : k)) });
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        const read = check();
        if ('sheet' in read) {
          putSheet(read.sheet);
          router.push(`/shelf/${read.sheet.id}`);
        }
      }}
    >
      <Heading>What it is</Heading>
      <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
        {text('name', 'Name')}
        <label className="block">
          Kind
          <select
            className="field"
            value={draft.kind}
            onChange={(e) => set({ kind: e.target.value as SheetDraft['kind'], withC: e.target.value === 'mortar-kit' })}
          >
            {Object.entries(SYSTEM_KINDS).map(([id, k]) => (
              <option key={id} value={id}>
                {k.label}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          Family
          <select className="field" value={draft.family} onChange={(e) => set({ family: e.target.value as SheetDraft['family'] })}>
            {Object.entries(FAMILIES).map(([id, f]) => (
              <option key={id} value={id}>
                {f.label}
              </option>
            ))}
          </select>
        </label>
        {text('typedFrom', 'Typed from', 'title and date of the sheet')}
      </div>
      <Heading>Parts and ratio</Heading>
      <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
        <Typed
          label="A to B, with its basis"
          hint="2:1 by volume"
          value={draft.ratio}
          fault={faults.ratio}
          onChange={(ratio) => set({ ratio })}
          onLeave={() => left('ratio')}
        />
        {text('tolerance', 'Tolerance on the sheet', 'empty: silent')}
        {text('densityA', 'Density of A', '1.10 g/mL')}
        {text('densityB', 'Density of B', '1.00 g/mL')}
        {draft.withC && (
          <>
            {text('cByWeight', 'Parts of C by weight', 'for the same A and B by weight')}
            {text('densityC', 'True density of C', '2.65 g/mL')}
            {text('bulkC', 'Tamped bulk density of C', '1.75 g/mL')}
          </>
        )}
      </div>
      <Heading aside="one row a line: 10 C: 4 h to 5 h · 5 to 10 C: 90 min · or one figure: 45 to 60 min at 23 C">Times</Heading>
      {draft.times.map((t) => (
        <div key={t.key} className="grid md:grid-cols-[11rem_11rem_11rem_1fr_2.4rem] gap-2 mb-2 items-start">
          <Pick
            label="Time"
            value={t.kind}
            options={Object.entries(MILESTONES).map(([id, m]) => [id, m.label])}
            onChange={(v) => time(t.key, { kind: v as MilestoneId })}
          />
          <Pick
            label="counts from when"
            value={t.startsAt}
            options={Object.entries(STARTS)}
            onChange={(v) => time(t.key, { startsAt: v as StartId })}
          />
          <Pick label="runs on" value={t.runsOn} options={Object.entries(RUNS_ON)} onChange={(v) => time(t.key, { runsOn: v as RunsOn })} />
          <Typed
            label={`${MILESTONES[t.kind].label}: as on the sheet`}
            multiline
            value={t.text}
            fault={faults[`times.${t.key}`]}
            onChange={(v) => time(t.key, { text: v })}
            onLeave={() => left(`times.${t.key}`)}
          />
          <button
            type="button"
            className="p-2 mt-5"
            aria-label={`Remove ${MILESTONES[t.kind].label}`}
            onClick={() => set({ times: draft.times.filter((x) => x.key !== t.key) })}
          >
            <Trash2 size={17} aria-hidden="true" />
          </button>
        </div>
      ))}
      <button
        type="button"
        className="act text-sm"
        onClick={() => set({ times: [...draft.times, { key: nanoid(6), kind: 'release', startsAt: 'placed', runsOn: 'base', text: '' }] })}
      >
        <Plus size={16} aria-hidden="true" /> Another time
      </button>
      <Heading>Kits and losses</Heading>
      {draft.kits.map((k) => (
        <div key={k.key} className="grid sm:grid-cols-3 lg:grid-cols-6 gap-2 mb-2 items-start">
          <Typed label="Kit" hint="Tin pair 450 mL" value={k.label} onChange={(label) => kit(k.key, { label })} />
          <Typed
            label="of A"
            hint="420 g"
            value={k.a}
            fault={faults[`kits.${k.key}.a`]}
            onChange={(a) => kit(k.key, { a })}
            onLeave={() => left(`kits.${k.key}.a`)}
          />
          <Typed
            label="of B"
            hint="157.5 g"
            value={k.b}
            fault={faults[`kits.${k.key}.b`]}
            onChange={(b) => kit(k.key, { b })}
            onLeave={() => left(`kits.${k.key}.b`)}
          />
          {draft.withC && (
            <Typed
              label="of C"
              value={k.c}
              fault={faults[`kits.${k.key}.c`]}
              onChange={(c) => kit(k.key, { c })}
              onLeave={() => left(`kits.${k.key}.c`)}
            />
          )}
          <Typed
            label="The sheet’s own yield"
            hint="empty: none"
            value={k.yieldMl}
            fault={faults[`kits.${k.key}.yieldMl`]}
            onChange={(yieldMl) => kit(k.key, { yieldMl })}
            onLeave={() => left(`kits.${k.key}.yieldMl`)}
          />
          <Choice
            label="May be split"
            options={[
              { id: 'no', label: 'no' },
              { id: 'yes', label: 'yes' },
            ]}
            value={k.splittable ? 'yes' : 'no'}
            onChange={(v) => kit(k.key, { splittable: v === 'yes' })}
          />
        </div>
      ))}
      <button
        type="button"
        className="act text-sm mb-2"
        onClick={() => set({ kits: [...draft.kits, { key: nanoid(6), label: '', a: '', b: '', c: '', yieldMl: '', splittable: false }] })}
      >
        <Plus size={16} aria-hidden="true" /> Another kit
      </button>
      <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
        {metered ? (
          <>
            {text('mixerVolume', 'Left in a mixer', '9 mL')}
            {text('mixerPurge', 'First shots thrown away', '14 mL')}
            {text('mixerReach', 'Reach of the mixer', '180 mm')}
          </>
        ) : (
          <>
            {text('mixMin', 'Mixing time')}
            {text('potLoss', 'Left in the pot and on tools')}
          </>
        )}
      </div>
      <Heading aside="empty: the sheet is silent">Limits</Heading>
      <div className="grid grid-cols-2 sm:grid-cols-4 lg:grid-cols-7 gap-2">
        {LIMIT_FIELDS.map((f) => (
          <Typed
            key={f.id}
            label={f.label}
            value={draft.limits[f.id] ?? ''}
            fault={faults[`limits.${f.id}`]}
            onChange={(v) => set({ limits: { ...draft.limits, [f.id]: v } })}
            onLeave={() => left(`limits.${f.id}`)}
          />
        ))}
      </div>
      <div className="flex flex-wrap gap-6 mt-2">
        <fieldset>
          <legend>Bases it names</legend>
          <div className="flex gap-1 flex-wrap">
            {BASES.map((b) => (
              <button
                key={b}
                type="button"
                className="act text-sm"
                aria-pressed={draft.bases.includes(b)}
                onClick={() => set({ bases: draft.bases.includes(b) ? draft.bases.filter((x) => x !== b) : [...draft.bases, b] })}
              >
                {b}
              </button>
            ))}
          </div>
        </fieldset>
        <Choice
          label="Surface"
          options={(['bone dry', 'wiped damp', 'saturated, no puddles'] as const).map((id) => ({ id, label: id }))}
          value={draft.wetness}
          onChange={(wetness) => set({ wetness })}
        />
      </div>
      <Heading>Hazards, one a line</Heading>
      <Typed label="Hazards" multiline value={draft.hazards} onChange={(hazards) => set({ hazards })} />
      {faults.form && (
        <p role="alert" style={{ color: 'var(--stop)' }}>
          {faults.form.sentence}
        </p>
      )}
      {Object.keys(faults).length > 0 && (
        <p role="alert" className="mt-2 font-semibold" style={{ color: 'var(--stop)' }}>
          {Object.keys(faults).length} field{Object.keys(faults).length > 1 ? 's' : ''} to mend before it can stand on the shelf.
        </p>
      )}
      <button type="submit" className="act firm mt-3">
        Put it on the shelf{before ? ` as revision ${before.revision + 1}` : ''}
      </button>
    </form>
  );
}

function Typed({
  label,
  hint,
  value,
  fault,
  onChange,
  onLeave,
  multiline,
}: {
  label: string;
  hint?: string;
  value: string;
  fault?: DraftFaults[string];
  onChange: (v: string) => void;
  onLeave?: () => void;
  multiline?: boolean;
}) {
  const id = useId();
  const common = {
    id,
    className: 'field fig',
    value,
    placeholder: hint,
    'aria-invalid': fault ? (true as const) : undefined,
    'aria-describedby': fault ? `${id}-say` : undefined,
    onBlur: onLeave,
  };
  return (
    <div>
      <label htmlFor={id} className="block">
        {label}
      </label>
      {multiline ? (
        <textarea rows={Math.max(2, value.split('\n').length)} {...common} onChange={(e) => onChange(e.target.value)} />
      ) : (
        <input {...common} onChange={(e) => onChange(e.target.value)} />
      )}
      {fault && (
        <p id={`${id}-say`} role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
          {fault.sentence}
        </p>
      )}
      {fault?.choices?.map((c) => (
        <button key={c.text} type="button" className="act text-sm mr-1" onClick={() => onChange(c.text)}>
          {c.label}
        </button>
      ))}
    </div>
  );
}

function Pick({
  label,
  value,
  options,
  onChange,
}: {
  label: ReactNode;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (v: string) => void;
}) {
  return (
    <label className="block">
      {label}
      <select className="field" value={value} onChange={(e) => onChange(e.target.value)}>
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
