'use client';
import { useState } from 'react';
import { factorsLearned, learnedAs, minutesLearned } from '@/core/learn';
import { DRIVER_LABELS, DRIVER_PACED, type Factor, factorsOf, leastMinOf, type Method } from '@/core/method';
import { type PlannedStep, settingOf, workedMs } from '@/core/plan';
import type { PassView } from '@/core/record';
import type { UnitSystem } from '@/core/units';
import { figure, format, formatDuration, joined, phrase, readMinutesFor } from '@/words';
import { QuantityField } from '../shared/QuantityField';
import { SettingField } from '../shared/Schools';
import { useLessons } from '../workspace/lessons';
import { usePrefs } from '../workspace/prefs';
import { changePass } from '../workspace/workspace';

/** Figures of a method as they stand: minutes, each for what it counts, and rates. */
const figuresOf = (method: Method, values: Readonly<Record<string, number>>, system: UnitSystem): string =>
  joined(
    Object.entries(values)
      .map(([id, v]) => {
        const factor = factorsOf(method).find((f) => f.id === id);
        if (factor)
          return phrase`${figure(
            v,
            2,
          )} min${factor.per === null ? '' : phrase` for each ${DRIVER_LABELS[factor.per]}`}`;
        const setting = method.settings.find((s) => s.id === id);
        return setting ? format(setting.kind, v, system, 2).text : '';
      })
      .filter(Boolean),
    ', ',
  );

/** For each square metre, metre or place it may be told by how many are done in an hour. */
const readAs = ({ per }: Factor) => {
  const by = per && DRIVER_PACED[per];
  return by ? { read: (text: string, system: UnitSystem) => readMinutesFor(by, text, system) } : {};
};

/** Longest that anybody works at one thing, min. */
const MOST_MIN = 2880;

/** How long a step takes, and on opening what that is made of: Grenko’s starting values, each of them to be changed. */
export function StepMinutes({ at, step, title }: { at: PassView; step: PlannedStep; title: string }) {
  const { repair, plan } = at;
  const [open, setOpen] = useState(false);
  const method = plan.method!;
  const factors = factorsOf(method).filter((f) => step.factors.includes(f.id));
  const settings = method.settings.filter((s) => step.factors.includes(s.id));
  const own = step.factors.filter((id) => Object.hasOwn(repair.settings, id));
  const write = (id: string, minutes: number) =>
    changePass(repair, (r) => ({ ...r, settings: { ...r.settings, [id]: minutes } }), id);
  const back = () =>
    changePass(repair, (r) => ({
      ...r,
      settings: Object.fromEntries(Object.entries(r.settings).filter(([id]) => !own.includes(id))),
    }));
  const leastMin = leastMinOf(method, step.key.task);
  const system = usePrefs((p) => p.system);
  const lessons = useLessons();
  const task = learnedAs(step);
  const learned = lessons && minutesLearned(lessons, method.id, task);
  const theirs = lessons && learned ? factorsLearned(lessons, method, [task]) : {};
  const isTaken = Object.entries(theirs).every(([id, v]) => repair.settings[id] === v);
  const check = (v: number) =>
    v > 0 && v <= MOST_MIN ? null : phrase`Work takes time: more than nought, at most ${formatDuration(MOST_MIN)}.`;
  return (
    <>
      <button
        type="button"
        className="fig text-[0.82rem] pt-0.5 whitespace-nowrap row-start-1 self-start text-right underline decoration-dotted underline-offset-4"
        title="What this time is made of"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {formatDuration(workedMs(step) / 60_000)}
        <span className="sr-only">{phrase` for “${title}”: what it is made of`}</span>
      </button>
      {open && (
        <div className="col-span-full grid sm:grid-cols-[6.6rem_1fr] gap-x-3">
          <span />
          <div className="py-1.5">
            <div className="grid grid-cols-2 gap-2 max-w-[26rem]">
              {factors.map((f) => (
                <QuantityField
                  key={f.id}
                  kind="duration"
                  label={f.per === null ? 'Once' : phrase`For each ${DRIVER_LABELS[f.per]}`}
                  value={settingOf(method, repair, f.id)}
                  check={check}
                  {...readAs(f)}
                  onChange={(t) => write(f.id, t.value)}
                />
              ))}
              {settings.map((s) => (
                <SettingField key={s.id} at={at} setting={s} value={settingOf(method, repair, s.id, plan.sheet)} />
              ))}
            </div>
            {leastMin > 0 && (
              <p className="soft text-sm mt-1">{phrase`However little there is of it, at least ${formatDuration(leastMin)}.`}</p>
            )}
            {learned && Object.keys(theirs).length > 0 && (
              <p className="text-sm mt-1" data-testid="minutes-learned">
                <strong>Yours:</strong>
                {phrase` ${figuresOf(method, theirs, system)}, from ${learned.estimate.count} ${learned.estimate.count === 1 ? 'record' : 'records'}; the next between ${formatDuration(step.handsOnMin * learned.estimate.nextLow)} and ${formatDuration(step.handsOnMin * learned.estimate.nextHigh)}, nine times in ten. `}
                {!isTaken && (
                  <button
                    type="button"
                    className="underline"
                    onClick={() => changePass(repair, (r) => ({ ...r, settings: { ...r.settings, ...theirs } }), task)}
                  >
                    Take yours
                  </button>
                )}
              </p>
            )}
            <p className="soft text-sm mt-1">
              {own.length ? (
                <>
                  Set for this repair.{' '}
                  <button type="button" className="underline" onClick={back}>
                    Back to Grenko’s
                  </button>
                </>
              ) : (
                <>Grenko’s starting values: practised people need from two thirds to one and a half times as long.</>
              )}
            </p>
          </div>
        </div>
      )}
    </>
  );
}
