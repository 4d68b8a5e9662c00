'use client';
import { useMemo, useState } from 'react';
import { attempt } from '@/core/say';
import {
  CLOCK_UNITS,
  type ClockUnit,
  factsIn,
  linesOf,
  MILESTONES,
  type MilestoneId,
  type PastedFact,
  type PastedTime,
  readPasted,
  saferOf,
  untoldIn,
  wantsUnit,
} from '@/core/system';
import { phrase, translated } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { PastedText } from '../shared/PastedText';
import { usePrefs } from '../workspace/prefs';
import { labelOfFact, textOfFact, typedAt } from './paste-draft';
import { useExamples, useSheetFields } from './sheet-fields';

/** A time of the text as one calls it: one end of a window by which end it is. */
function nameOf(time: PastedTime, i: number): string {
  const name = time.heading || phrase`time ${i + 1}`;
  return time.end === 'first' ? phrase`${name}, from` : time.end === 'last' ? phrase`${name}, until` : name;
}

/** What is said of a time of the text, where it differs from what its words usually mean. */
interface Said {
  readonly kind?: MilestoneId | '';
  readonly unit?: ClockUnit;
}

/** The text of a sheet, or a table out of it: what is found there, and what each of its times is. */
export function PasteSheet({ onClose }: { onClose: () => void }) {
  const { draft, take } = useSheetFields();
  const { kind } = draft;
  const system = usePrefs((p) => p.system);
  const { example } = useExamples();
  const [text, setText] = useState('');
  const [said, setSaid] = useState<Readonly<Record<number, Said>>>({});
  const [ticked, setTicked] = useState<Readonly<Partial<Record<PastedFact['field'], boolean>>>>({});
  const found = useMemo(
    () => (text.trim() ? attempt(() => readPasted(text, 'paste', kind, system)) : null),
    [text, kind, system],
  );
  const facts = useMemo(() => factsIn(text, { kind, system }), [text, kind, system]);
  const untold = useMemo(() => untoldIn(text), [text]);
  const times: readonly PastedTime[] = found?.ok ? found.value : [];
  const say = (i: number, over: Said) => setSaid((was) => ({ ...was, [i]: { ...was[i], ...over } }));
  const kindOf = (i: number): MilestoneId | '' => said[i]?.kind ?? times[i]?.guess ?? '';
  const unitOf = (i: number) => said[i]?.unit ?? times[i]?.unit ?? null;
  const wanted = times.flatMap((time, i) => {
    const kind = kindOf(i);
    return kind === '' ? [] : [{ i, kind, time }];
  });
  // What somebody typed stays, until he says otherwise.
  const isTaken = ({ field, text }: PastedFact) => {
    const typed = typedAt(draft, field);
    return ticked[field] ?? (typed === '' || typed === text);
  };
  const taken = facts.filter(isTaken);
  const twice = wanted.flatMap((one) => {
    const other = wanted.find((b) => b.i > one.i && b.kind === one.kind);
    return other ? [{ one, other }] : [];
  })[0];
  const unitless = wanted.find(({ time, i }) => wantsUnit(time) && unitOf(i) === null);
  const keeps =
    !wanted.length && !taken.length
      ? 'Say of one time at least what it is.'
      : twice
        ? phrase`Two of them are said to be “${MILESTONES[twice.one.kind].label}”.`
        : unitless
          ? phrase`In what is “${nameOf(unitless.time, unitless.i)}”: minutes, hours or days?`
          : null;
  return (
    <section aria-label="The text of the sheet" className="paper p-3 my-3">
      <PastedText
        label="Text or table, as it stands in the sheet"
        value={text}
        placeholder={example(
          'Mixing ratio 2:1 by weight\nTemperature   Pot life   Handling\n10 °C   40 min   12 h\n20 °C   20 min   6 h',
          'Mixing ratio 2:1 by weight\nTemperature   Pot life   Handling\n50 °F   40 min   12 h\n68 °F   20 min   6 h',
        )}
        fault={found && !found.ok && !facts.length ? found.problem.sentence : null}
        onChange={(next) => {
          setText(next);
          setSaid({});
          setTicked({});
        }}
      />
      <TimesFound times={times} kindOf={kindOf} unitOf={unitOf} onSay={say} />
      <FactsFound
        facts={facts}
        isTaken={isTaken}
        onTick={(field, is) => setTicked((was) => ({ ...was, [field]: is }))}
      />
      {untold.length > 0 && (
        <div role="status" className="mt-3">
          <p>These lines name a time and are not understood. Type them below:</p>
          <ul className="list-disc pl-5 fig text-sm">
            {untold.map((line, i) => (
              <li key={`${i}${line}`}>
                <Own>{line}</Own>
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="flex flex-wrap items-center gap-2 mt-2">
        <button
          type="button"
          className="btn btn-neutral"
          disabled={(!times.length && !facts.length) || keeps !== null}
          onClick={() => {
            take(
              wanted.map(({ i, kind, time }) => ({
                kind,
                text: linesOf(time, unitOf(i)),
                reference: time.reference ?? '',
              })),
              taken,
            );
            onClose();
          }}
        >
          {!taken.length ? 'Take these times' : wanted.length ? 'Take these times and figures' : 'Take these figures'}
        </button>
        <button type="button" className="btn btn-link" onClick={onClose}>
          Close
        </button>
        {(times.length > 0 || facts.length > 0) && keeps && <span role="status">{keeps}</span>}
        {twice && <TheSafer {...twice} unitOf={unitOf} onLeaveOut={(i) => say(i, { kind: '' })} />}
      </div>
    </section>
  );
}

/** Times that were found, each with what it is and in what, where that has to be said. */
function TimesFound({
  times,
  kindOf,
  unitOf,
  onSay,
}: {
  times: readonly PastedTime[];
  kindOf: (i: number) => MilestoneId | '';
  unitOf: (i: number) => ClockUnit | null;
  onSay: (i: number, over: Said) => void;
}) {
  if (!times.length) return null;
  return (
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
                onChange={(e) => onSay(i, { kind: e.target.value as MilestoneId | '' })}
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
                  onChange={(e) => onSay(i, { unit: e.target.value as ClockUnit })}
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
  );
}

/** What the text tells beside its times, each with a tick; what is typed there already is shown beside it. */
function FactsFound({
  facts,
  isTaken,
  onTick,
}: {
  facts: readonly PastedFact[];
  isTaken: (fact: PastedFact) => boolean;
  onTick: (field: PastedFact['field'], is: boolean) => void;
}) {
  const { draft } = useSheetFields();
  const { kind } = draft;
  if (!facts.length) return null;
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">The sheet says as well</legend>
      <ul className="grid sm:grid-cols-2 lg:grid-cols-3 gap-x-4">
        {facts.map((fact) => {
          const typed = typedAt(draft, fact.field);
          return (
            <li key={fact.field}>
              <label className="flex items-start gap-2 min-h-11 py-1">
                <input
                  type="checkbox"
                  className="checkbox mt-1"
                  checked={isTaken(fact)}
                  onChange={(e) => onTick(fact.field, e.target.checked)}
                />
                <span>
                  {translated(labelOfFact(fact.field, kind))}: <span className="fig">{textOfFact(fact, kind)}</span>
                  {typed && typed !== fact.text && (
                    <span className="soft block text-sm">{phrase`typed there: ${typed}`}</span>
                  )}
                </span>
              </label>
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}

interface Wanted {
  readonly i: number;
  readonly kind: MilestoneId;
  readonly time: PastedTime;
}

/** Of two times with one meaning the safe one, with a press; nothing where neither is so at every temperature. */
function TheSafer({
  one,
  other,
  unitOf,
  onLeaveOut,
}: {
  one: Wanted;
  other: Wanted;
  unitOf: (i: number) => ClockUnit | null;
  onLeaveOut: (i: number) => void;
}) {
  const { clock } = MILESTONES[one.kind];
  const safer = saferOf(one.time, other.time, clock, (time) => unitOf(time === one.time ? one.i : other.i));
  if (!safer) return null;
  const [kept, left] = safer === one.time ? [one, other] : [other, one];
  const name = nameOf(kept.time, kept.i);
  return (
    <button type="button" className="btn text-sm" onClick={() => onLeaveOut(left.i)}>
      {clock === 'waiting' ? phrase`Take “${name}”, the longer` : phrase`Take “${name}”, the shorter`}
    </button>
  );
}
