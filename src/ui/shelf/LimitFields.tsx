'use client';
import { BASES, systemKind, usualWetness, WETNESS } from '@/core/system';
import { joined, lowered, phrase } from '@/words';
import { Choice, Heading } from '../shared/bits';

import { Typed } from './fields';
import { LIMIT_FIELDS } from './limit-list';
import { Fold, useSheetFields } from './sheet-fields';

/** Limits of the sheet: those that decide for its kind first. */
export function LimitFields() {
  const { draft, faults, set, left } = useSheetFields();
  const { asks } = systemKind(draft.kind);
  const decides = LIMIT_FIELDS.filter((f) => f.decides === 'all' || (f.decides && asks.includes(f.decides)));
  const others = LIMIT_FIELDS.filter((f) => !decides.includes(f));
  const row = (fields: typeof LIMIT_FIELDS) => (
    <div className="grid grid-cols-2 sm:grid-cols-4 lg:grid-cols-6 gap-2">
      {fields.map((f) => (
        <Typed
          key={f.id}
          field={`limits.${f.id}`}
          label={f.label}
          value={draft.limits[f.id] ?? ''}
          fault={faults[`limits.${f.id}`]}
          onChange={(v) => set({ limits: { ...draft.limits, [f.id]: v } })}
          onLeave={() => left(`limits.${f.id}`)}
        />
      ))}
    </div>
  );
  const said = others.filter((f) => draft.limits[f.id]?.trim());
  return (
    <>
      <Heading aside="empty: the sheet is silent">Limits</Heading>
      {row(decides)}
      <fieldset className="mt-2">
        <legend>Bases it names</legend>
        <div className="flex gap-1 flex-wrap">
          {BASES.map((b) => (
            <button
              key={b}
              type="button"
              className="btn text-sm"
              aria-pressed={draft.bases.includes(b)}
              onClick={() =>
                set({ bases: draft.bases.includes(b) ? draft.bases.filter((x) => x !== b) : [...draft.bases, b] })
              }
            >
              {b}
            </button>
          ))}
        </div>
      </fieldset>
      <Fold
        title="Further limits"
        says={
          said.length
            ? joined(
                said.map((f) => phrase`${lowered(f.label)} ${draft.limits[f.id]!.trim()}`),
                ', ',
              )
            : draft.wetness
              ? phrase`surface ${draft.wetness}, the rest silent`
              : phrase`all silent; surface as usual: ${usualWetness(draft.kind)}`
        }
      >
        {row(others)}
        <div className="mt-2">
          <Choice
            label="Surface"
            options={[{ id: '', label: 'silent' }, ...WETNESS.map((id) => ({ id, label: id }))]}
            value={draft.wetness}
            onChange={(wetness) => set({ wetness })}
          />
        </div>
        {draft.bases.length > 0 && (
          <div className="grid sm:grid-cols-2 lg:grid-cols-3 gap-2 mt-2">
            {draft.bases.map((b) => (
              <Typed
                key={b}
                label={phrase`How ${b} is prepared`}
                value={draft.preparation[b] ?? ''}
                onChange={(v) => set({ preparation: { ...draft.preparation, [b]: v } })}
              />
            ))}
          </div>
        )}
      </Fold>
    </>
  );
}
