'use client';
import { useState } from 'react';
import {
  type Anew,
  fewerHands,
  type LikePlaces,
  type PlacedSoFar,
  partAnew,
  partName,
  placesAnew,
  placesStay,
  type RepairPlan,
  rightUntil,
  type Stays,
  theseAnew,
  usuallyStays,
} from '@/core/plan';
import type { PassView } from '@/core/record';
import type { MilestoneId } from '@/core/system';
import { own, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { Choice, useFormat } from '../shared/bits';
import { QuantityField, type Typed } from '../shared/QuantityField';
import { clock } from '../shared/when';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';

/** Which of several like places are made anew: one that has its own clock, or so many of them. */
export function WhichAnew({ of, value, onChange }: { of: LikePlaces; value: Anew; onChange: (to: Anew) => void }) {
  if (of.apart) return <ThesePlaces of={of} value={value} onChange={onChange} />;
  if (!of.oneByOne)
    return (
      <HowMany
        label={phrase`How many of the ${of.count} places`}
        value={value.places ?? of.count}
        least={1}
        most={of.count}
        onChange={(n) => onChange(placesAnew(of, n))}
      />
    );
  const parts = Array.from({ length: of.count }, (_, i) => {
    const name = of.parts?.[i]?.name;
    return { id: String(i), label: name || phrase`part ${i + 1}`, own: Boolean(name) };
  });
  return (
    <Choice
      label="Which of them"
      options={[{ id: 'all', label: 'all of them' }, ...parts]}
      value={value.part === undefined ? 'all' : String(value.part)}
      onChange={(id) => onChange(partAnew(of, id === 'all' ? null : Number(id)))}
    />
  );
}

/** Which of several places that have names or differ: each takes what it takes. */
function ThesePlaces({ of, value, onChange }: { of: LikePlaces; value: Anew; onChange: (to: Anew) => void }) {
  const apart = of.apart!;
  const format = useFormat();
  const called = (i: number) => phrase`place ${i + 1}`;
  const [these, setThese] = useState<ReadonlySet<number>>(
    () => new Set(value.places === undefined ? apart.keys() : apart.slice(0, value.places).keys()),
  );
  const press = (i: number) => {
    const next = new Set(these);
    if (!next.delete(i)) next.add(i);
    // Something went wrong at one of them at least.
    if (!next.size) return;
    setThese(next);
    onChange(theseAnew(of, next));
  };
  return (
    <fieldset>
      <legend>Which of them</legend>
      <div className="flex flex-wrap gap-1">
        {apart.map(({ name, ml }, i) => (
          <button
            key={`${i}${name}`}
            type="button"
            className="btn min-h-[44px]"
            aria-pressed={these.has(i)}
            onClick={() => press(i)}
          >
            {name ? <Own>{name}</Own> : called(i)}
            <span className="fig text-sm">{format('volume', ml).text}</span>
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** What was placed of the batch in hand and stays: places of a round by their number, all else by its volume. */
export function WhatStays({ of, onChange }: { of: PlacedSoFar; onChange: (to: Stays | null) => void }) {
  const format = useFormat();
  const system = usePrefs((p) => p.system);
  const usual = usuallyStays(of);
  const [done, setDone] = useState(of.places?.done ?? 0);
  const [placed, setPlaced] = useState<Typed | null>(
    usual && { value: usual.ml, text: format('volume', usual.ml).text, system },
  );
  const { places } = of;
  if (places)
    return (
      <HowMany
        label={phrase`Of the ${places.of} of this round, done and good`}
        value={done}
        least={0}
        most={places.of}
        onChange={(n) => {
          setDone(n);
          onChange(placesStay(of, n, places.of));
        }}
      />
    );
  const stay = (typed: Typed | null) => {
    setPlaced(typed);
    onChange(typed && { ml: typed.value, step: of.step });
  };
  return (
    <QuantityField
      kind="volume"
      label="Placed of it, and stays (empty: nothing)"
      value={placed?.value ?? null}
      typed={placed ?? undefined}
      onChange={stay}
      onClear={() => stay(null)}
      check={(v) =>
        v > 0 && v <= of.ofMl * 1.001
          ? null
          : phrase`More than 0, at most the ${format('volume', of.ofMl).text} it was for.`
      }
    />
  );
}

/** A whole number of like places. */
export function HowMany({
  label,
  value,
  least,
  most,
  onChange,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  onChange: (n: number) => void;
}) {
  return (
    <QuantityField
      kind="count"
      label={label}
      value={value}
      onChange={(typed) => onChange(Math.round(typed.value))}
      check={(n) =>
        Number.isInteger(n) && n >= least && n <= most ? null : phrase`A whole number from ${least} to ${most}.`
      }
    />
  );
}

const nameOrPart = (plan: RepairPlan, part: number) => {
  const name = partName(plan, part);
  return name ? own(name) : phrase`Part ${part + 1}`;
};

/** Until when it may be set right, part by part. */
export function Until({ at, kinds, zone }: { at: PassView; kinds: readonly MilestoneId[]; zone: string }) {
  const nowMs = useNow(1000);
  const all = rightUntil(at.plan, kinds, nowMs);
  if (!all.length) return null;
  return (
    <ul data-testid="right-until">
      {all.map(({ part, untilMs }) => (
        <li key={`${part} ${untilMs}`} className="flex justify-between gap-3">
          <span>
            {part === null ? 'It may be put right until' : phrase`${nameOrPart(at.plan, part)} may be put right until`}
          </span>
          <strong className="fig">
            {clock(untilMs, zone)}
            {untilMs <= nowMs ? ', which is over' : ''}
          </strong>
        </li>
      ))}
    </ul>
  );
}

/** Pairs of hands that place now. */
export const handsNow = ({ actuals, repair }: PassView): number => actuals.hands.at(-1)?.left ?? repair.crew;

/** How many stay, and what becomes of what is under way. */
export function HandsLeft({
  at,
  zone,
  left,
  onLeft,
}: {
  at: PassView;
  zone: string;
  left: number;
  onLeft: (left: number) => void;
}) {
  const format = useFormat();
  const nowMs = useNow(1000);
  const found = fewerHands(at.plan, [...at.actuals.hands, { atMs: nowMs, left }], nowMs);
  return (
    <div>
      <QuantityField
        kind="count"
        label="Pairs of hands that are left"
        value={left}
        onChange={({ value }) => onLeft(Math.round(value))}
        check={(n) =>
          Number.isInteger(n) && n >= 1 && n <= 12 ? null : 'A whole number from 1 to 12: with none the work stops.'
        }
      />
      {found && (
        <p role="status" className="mt-1" data-testid="hands-left">
          {phrase`${format('area', found.areaM2 * 1e6).text} of ${format('area', found.wholeM2 * 1e6).text} are done; the rest takes them until `}
          <strong className="fig">{clock(found.endMs, zone)}</strong>
          {found.goodUntilMs !== null && (
            <>
              , what is mixed is good until <strong className="fig">{clock(found.goodUntilMs, zone)}</strong>
            </>
          )}
          .
        </p>
      )}
    </div>
  );
}
