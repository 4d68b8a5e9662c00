'use client';
import { ClipboardPaste, Trash2 } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import { fittedActivationKJ } from '@/core/cure';
import { attempt } from '@/core/say';
import {
  type FamilyId,
  gridToLines,
  MILESTONES,
  type Milestone,
  type MilestoneId,
  massIn,
  parseTable,
  RUNS_ON,
  type RunsOn,
  STARTS,
  type StartId,
  windowIn,
} from '@/core/system';
import type { UnitSystem } from '@/core/units';
import { figure, phrase } from '@/words';
import { blankTime, type DraftFaults, type TimeDraft } from './draft';
import { Pick, Typed } from './fields';
import { PasteSheet } from './PasteSheet';
import { type TakenTime, withTimes } from './paste-draft';
import { useExamples } from './sheet-fields';
import { TimeChart } from './TimeChart';

const IDS = Object.keys(MILESTONES) as MilestoneId[];

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
  const { example } = useExamples();
  const [pasting, setPasting] = useState(false);
  const set = (key: string, over: Partial<TimeDraft>) =>
    onChange(times.map((t) => (t.key === key ? { ...t, ...over } : t)));
  const others = IDS.filter((id) => !times.some((t) => t.kind === id));
  const take = (found: readonly TakenTime[]) => onChange(withTimes(times, found));
  return (
    <>
      <p className="soft text-sm mb-2">
        As the sheet has them: <span className="fig">30 min</span>,{' '}
        <span className="fig">{example('45 to 60 min at 23 C', '45 to 60 min at 73 F')}</span>, or a line for each
        temperature, <span className="fig">{example('10 C: 4 h to 5 h', '50 F: 4 h to 5 h')}</span>. A time it does not
        print stays empty.{' '}
        <button type="button" className="btn text-sm" aria-expanded={pasting} onClick={() => setPasting(!pasting)}>
          <ClipboardPaste size={15} aria-hidden="true" /> Paste a whole table
        </button>
      </p>
      {pasting && <PasteSheet onClose={() => setPasting(false)} />}
      {times.map((t) => (
        <TimeRow
          key={t.key}
          time={t}
          family={family}
          system={system}
          faults={faults}
          onChange={(over) => set(t.key, over)}
          onTake={take}
          onLeave={onLeave}
          onRemove={() => onChange(times.filter((x) => x.key !== t.key))}
        />
      ))}
      <label className="inline-block max-w-64">
        <span className="sr-only">Another time</span>
        <select
          className="select"
          value=""
          onChange={(e) => onChange([...times, blankTime(e.target.value as MilestoneId)])}
        >
          <option value="">Another time…</option>
          {others.map((id) => (
            <option key={id} value={id}>
              {MILESTONES[id].label}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}

function TimeRow({
  time: t,
  family,
  system,
  faults,
  onChange,
  onTake,
  onLeave,
  onRemove,
}: {
  time: TimeDraft;
  family: FamilyId;
  system: UnitSystem;
  faults: DraftFaults;
  onChange: (over: Partial<TimeDraft>) => void;
  onTake: (times: readonly TakenTime[]) => void;
  onLeave: (field: string) => void;
  onRemove: () => void;
}) {
  const field = `times.${t.key}`;
  const { label } = MILESTONES[t.kind];
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
  const typed = t.text.trim() !== '';
  const window = useMemo(() => windowIn(t.kind, text), [t.kind, text]);
  const left = () => {
    // “30 min (100 g at 20 °C)”: the pot it is said of has its own field.
    const mass = t.runsOn === 'pot' && !t.reference.trim() ? massIn(t.text) : null;
    if (mass) onChange({ text: t.text.replace(mass, ''), reference: mass });
    onLeave(field);
  };
  return (
    <div
      className="time-row grid lg:grid-cols-[minmax(0,1fr)_17rem_2.4rem] gap-x-3 gap-y-1 mb-2 pb-2 items-start"
      style={{ borderBottom: '1px solid var(--hair)' }}
    >
      <div>
        <Typed
          field={field}
          label={
            <>
              {label}
              <span className="sr-only">: as on the sheet</span>
            </>
          }
          beside
          multiline
          rows={1}
          value={t.text}
          fault={faults[field]}
          onChange={(v) => onChange({ text: v })}
          onPaste={(pasted) => {
            const lines = attempt(() => gridToLines(pasted, field));
            return lines.ok && lines.value !== pasted ? lines.value : undefined;
          }}
          onLeave={left}
        />
        {window && (
          <p className="text-sm mt-1 lg:ml-44">
            {phrase`Read as one time with its doubt: the longer counts. If it is a window, its ends are two times.`}{' '}
            <button
              type="button"
              className="btn text-sm"
              onClick={() =>
                onTake([
                  { kind: t.kind, text: window.first, reference: '' },
                  { kind: window.until, text: window.last, reference: '' },
                ])
              }
            >
              {phrase`Part it: ${MILESTONES[t.kind].label}, ${MILESTONES[window.until].label}`}
            </button>
          </p>
        )}
        {typed && (
          <details className="mt-1 lg:ml-44">
            <summary className="soft text-sm cursor-pointer">{phrase`from when ${STARTS[t.startsAt]}, on ${RUNS_ON[t.runsOn]}${t.reference.trim() && phrase`, for a pot of ${t.reference.trim()}`}`}</summary>
            <div className="grid sm:grid-cols-3 gap-2 mt-1">
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
              {t.runsOn === 'pot' && (
                <Typed
                  field={`${field}.reference`}
                  label="for a pot of"
                  hint="empty: silent"
                  value={t.reference}
                  fault={faults[`${field}.reference`]}
                  onChange={(reference) => onChange({ reference })}
                  onLeave={() => onLeave(`${field}.reference`)}
                />
              )}
            </div>
          </details>
        )}
      </div>
      {typed && (
        <>
          <div className="paper p-1 min-h-6">
            {understood ? (
              <>
                <TimeChart milestone={understood} family={family} atC={Number.NaN} />
                {fit !== undefined && (
                  <p className="soft text-xs">{phrase`fitted ${figure(
                    fit,
                  )} kJ/mol; dashed beyond the sheet’s own points`}</p>
                )}
              </>
            ) : (
              <p className="soft text-sm">not understood yet</p>
            )}
          </div>
          <button type="button" className="p-2" aria-label={phrase`Remove ${label}`} onClick={onRemove}>
            <Trash2 size={17} aria-hidden="true" />
          </button>
        </>
      )}
    </div>
  );
}
