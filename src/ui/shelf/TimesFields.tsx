'use client';
import { Plus, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useDeferredValue, useMemo } from 'react';
import { fittedActivationKJ } from '@/core/cure';
import {
  type FamilyId,
  gridToLines,
  MILESTONES,
  type Milestone,
  type MilestoneId,
  parseTable,
  RUNS_ON,
  type RunsOn,
  STARTS,
  type StartId,
} from '@/core/system';
import { attempt, figure, type UnitSystem } from '@/core/units';
import type { DraftFaults, TimeDraft } from './draft';
import { Pick, Typed } from './fields';
import { TimeChart } from './TimeChart';

/** Times as the sheet prints them, each with the picture of what was understood beside it. */
export function TimesFields({
  times,
  family,
  system,
  faults,
  onChange,
  onLeave,
}: {
  times: readonly TimeDraft[];
  family: FamilyId;
  system: UnitSystem;
  faults: DraftFaults;
  onChange: (times: readonly TimeDraft[]) => void;
  onLeave: (field: string) => void;
}) {
  const set = (key: string, over: Partial<TimeDraft>) =>
    onChange(times.map((t) => (t.key === key ? { ...t, ...over } : t)));
  return (
    <>
      {times.map((t) => (
        <TimeRow
          key={t.key}
          time={t}
          family={family}
          system={system}
          faults={faults}
          onChange={(over) => set(t.key, over)}
          onLeave={onLeave}
          onRemove={() => onChange(times.filter((x) => x.key !== t.key))}
        />
      ))}
      <button
        type="button"
        className="act text-sm"
        onClick={() =>
          onChange([
            ...times,
            { key: nanoid(6), kind: 'release', startsAt: 'placed', runsOn: 'base', text: '', reference: '' },
          ])
        }
      >
        <Plus size={16} aria-hidden="true" /> Another time
      </button>
    </>
  );
}

function TimeRow({
  time: t,
  family,
  system,
  faults,
  onChange,
  onLeave,
  onRemove,
}: {
  time: TimeDraft;
  family: FamilyId;
  system: UnitSystem;
  faults: DraftFaults;
  onChange: (over: Partial<TimeDraft>) => void;
  onLeave: (field: string) => void;
  onRemove: () => void;
}) {
  const field = `times.${t.key}`;
  // The picture follows the typing when there is time for it.
  const text = useDeferredValue(t.text);
  const understood = useMemo((): Milestone | null => {
    const table = attempt(() => parseTable(gridToLines(text, field), field, system));
    return table.ok
      ? {
          kind: t.kind,
          startsAt: t.startsAt,
          runsOn: t.runsOn,
          referenceMassG: null,
          printed: null,
          table: table.value,
        }
      : null;
  }, [text, field, system, t.kind, t.startsAt, t.runsOn]);
  const fit = understood ? fittedActivationKJ(understood) : undefined;
  return (
    <div
      className="grid lg:grid-cols-[11rem_1fr_17rem_2.4rem] gap-3 mb-3 pb-3 items-start"
      style={{ borderBottom: '1px solid var(--hair)' }}
    >
      <div className="grid grid-cols-3 lg:grid-cols-1 gap-1.5">
        <Pick
          label="Time"
          value={t.kind}
          options={Object.entries(MILESTONES).map(([id, m]) => [id, m.label])}
          onChange={(v) => onChange({ kind: v as MilestoneId })}
        />
        <Pick
          label="counts from when"
          value={t.startsAt}
          options={Object.entries(STARTS)}
          onChange={(v) => onChange({ startsAt: v as StartId })}
        />
        <Pick
          label="runs on"
          value={t.runsOn}
          options={Object.entries(RUNS_ON)}
          onChange={(v) => onChange({ runsOn: v as RunsOn })}
        />
      </div>
      <div>
        <Typed
          label={`${MILESTONES[t.kind].label}: as on the sheet`}
          multiline
          value={t.text}
          fault={faults[field]}
          onChange={(v) => onChange({ text: v })}
          onPaste={(pasted) => {
            const lines = attempt(() => gridToLines(pasted, field));
            return lines.ok && lines.value !== pasted ? lines.value : undefined;
          }}
          onLeave={() => onLeave(field)}
        />
        {t.runsOn === 'pot' && (
          <div className="mt-1.5 max-w-44">
            <Typed
              label="for a pot of"
              hint="empty: silent"
              value={t.reference}
              fault={faults[`${field}.reference`]}
              onChange={(reference) => onChange({ reference })}
              onLeave={() => onLeave(`${field}.reference`)}
            />
          </div>
        )}
      </div>
      <div className="paper p-1 min-h-6">
        {understood ? (
          <>
            <TimeChart milestone={understood} family={family} atC={Number.NaN} />
            {fit !== undefined && (
              <p className="soft text-xs">fitted {figure(fit)} kJ/mol; dashed beyond the sheet’s own points</p>
            )}
          </>
        ) : (
          <p className="soft text-sm">
            {text.trim() ? 'not understood yet' : 'the curve or bands appear here as you type'}
          </p>
        )}
      </div>
      <button type="button" className="p-2 mt-5" aria-label={`Remove ${MILESTONES[t.kind].label}`} onClick={onRemove}>
        <Trash2 size={17} aria-hidden="true" />
      </button>
    </div>
  );
}
