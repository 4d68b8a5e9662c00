'use client';
import { useMemo, useState } from 'react';
import { attempt } from '@/core/say';
import {
  CLOCK_UNITS,
  type ClockUnit,
  linesOf,
  MILESTONES,
  type MilestoneId,
  type PastedTime,
  readPasted,
  type SystemKindId,
  wantsUnit,
} from '@/core/system';
import { phrase } from '@/words';
import { PastedText } from '../shared/PastedText';
import { useExamples } from './sheet-fields';

/** A time as its field takes it. */
export interface TakenTime {
  readonly kind: MilestoneId;
  readonly text: string;
  /** The pot it is said of; empty where the table names none. */
  readonly reference: string;
}

/** A time of the table as one calls it: one end of a window by which end it is. */
function nameOf(time: PastedTime, i: number): string {
  const name = time.heading || phrase`time ${i + 1}`;
  return time.end === 'first' ? phrase`${name}, from` : time.end === 'last' ? phrase`${name}, until` : name;
}

/** What is said of a time of the table, where it differs from what its words usually mean. */
interface Said {
  readonly kind?: MilestoneId | '';
  readonly unit?: ClockUnit;
}

/** A whole table of times out of a sheet: what is found in it, and what each of its times is. */
export function PasteTable({
  kind,
  onTake,
  onClose,
}: {
  kind: SystemKindId;
  onTake: (found: readonly TakenTime[]) => void;
  onClose: () => void;
}) {
  const { example } = useExamples();
  const [text, setText] = useState('');
  const [said, setSaid] = useState<Readonly<Record<number, Said>>>({});
  const found = useMemo(() => (text.trim() ? attempt(() => readPasted(text, 'paste', kind)) : null), [text, kind]);
  const times: readonly PastedTime[] = found?.ok ? found.value : [];
  const say = (i: number, over: Said) => setSaid((was) => ({ ...was, [i]: { ...was[i], ...over } }));
  const kindOf = (i: number): MilestoneId | '' => said[i]?.kind ?? times[i]?.guess ?? '';
  const unitOf = (i: number) => said[i]?.unit ?? times[i]?.unit ?? null;
  const wanted = times.flatMap((time, i) => {
    const kind = kindOf(i);
    return kind === '' ? [] : [{ i, kind, time }];
  });
  const twice = wanted.find((a) => wanted.some((b) => b.i !== a.i && b.kind === a.kind));
  const unitless = wanted.find(({ time, i }) => wantsUnit(time) && unitOf(i) === null);
  const keeps = !wanted.length
    ? 'Say of one time at least what it is.'
    : twice
      ? phrase`Two of them are said to be “${MILESTONES[twice.kind].label}”.`
      : unitless
        ? phrase`In what is “${nameOf(unitless.time, unitless.i)}”: minutes, hours or days?`
        : null;
  return (
    <section aria-label="A whole table" className="paper p-3 mb-3">
      <PastedText
        label="Table, as it stands in the sheet"
        value={text}
        placeholder={example(
          'Temperature   Pot life   Handling\n10 °C   40 min   12 h\n20 °C   20 min   6 h',
          'Temperature   Pot life   Handling\n50 °F   40 min   12 h\n68 °F   20 min   6 h',
        )}
        fault={found && !found.ok ? found.problem.sentence : null}
        onChange={(next) => {
          setText(next);
          setSaid({});
        }}
      />
      {times.length > 0 && (
        <ol className="mt-2 grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
          {times.map((time, i) => {
            const name = nameOf(time, i);
            return (
              <li key={`${i}${name}`}>
                <label className="block">
                  {phrase`“${name}” is`}
                  <select
                    className="select"
                    value={kindOf(i)}
                    onChange={(e) => say(i, { kind: e.target.value as MilestoneId | '' })}
                  >
                    <option value="">left out</option>
                    {Object.entries(MILESTONES).map(([kind, m]) => (
                      <option key={kind} value={kind}>
                        {m.label}
                      </option>
                    ))}
                  </select>
                </label>
                {wantsUnit(time) && (
                  <label className="block">
                    {phrase`“${name}” in`}
                    <select
                      className="select"
                      value={unitOf(i) ?? ''}
                      onChange={(e) => say(i, { unit: e.target.value as ClockUnit })}
                    >
                      <option value="" disabled>
                        minutes, hours or days?
                      </option>
                      {CLOCK_UNITS.map((u) => (
                        <option key={u}>{u}</option>
                      ))}
                    </select>
                  </label>
                )}
                <p className="fig text-sm whitespace-pre-line mt-1">{linesOf(time, unitOf(i))}</p>
                {time.reference && <p className="soft text-sm">{phrase`for a pot of ${time.reference}`}</p>}
              </li>
            );
          })}
        </ol>
      )}
      <div className="flex flex-wrap items-center gap-2 mt-2">
        <button
          type="button"
          className="btn btn-neutral"
          disabled={!times.length || keeps !== null}
          onClick={() =>
            onTake(
              wanted.map(({ i, kind, time }) => ({
                kind,
                text: linesOf(time, unitOf(i)),
                reference: time.reference ?? '',
              })),
            )
          }
        >
          Take these times
        </button>
        <button type="button" className="btn btn-link" onClick={onClose}>
          Close
        </button>
        {times.length > 0 && keeps && <span role="status">{keeps}</span>}
      </div>
    </section>
  );
}
