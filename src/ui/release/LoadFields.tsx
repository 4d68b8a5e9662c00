'use client';
import {
  allowedNotComputed,
  FIRST_LOAD,
  type Load,
  loadCheck,
  pieceName,
  type RepairPlan,
  type StrengthOver,
  servedLast,
} from '@/core/plan';

import { figure, phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { Choice, Heading, Prose, TextField, Working } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { shortWhen } from '../shared/when';
import { changePass } from '../workspace/workspace';

const CONDITIONS = [
  { id: 'sustained', down: 'creep', label: 'it stays on' },
  { id: 'wet', down: 'wet', label: 'in the wet' },
  { id: 'peel', down: 'peel', label: 'an edge is peeled' },
] as const;

/** What the repair must carry, and whether and when it does. */
export function LoadFields({
  view,
  at,
  nowMs,
  strength,
  bears,
}: StageProps & { strength: StrengthOver | null; bears: RepairPlan }) {
  const { repair, whole } = at;
  const { load } = repair;
  const change = (to: Load | null, key: string) => changePass(repair, (r) => ({ ...r, load: to }), `load-${key}`);
  if (!load)
    return (
      <div className="mt-3">
        <button type="button" className="btn" onClick={() => change(FIRST_LOAD, 'new')}>
          Check a load…
        </button>
        <span className="soft text-sm ml-2">arithmetic for a first look; it replaces no design and no review</span>
      </div>
    );
  const set = (over: Partial<Load>) => change({ ...load, ...over }, Object.keys(over)[0]!);
  const anchor = allowedNotComputed(bears);
  const check = bears.placedMs === null ? null : loadCheck(bears, load, strength);
  // What lies on it has to be ready as well.
  const readyMs = servedLast(whole.plan)?.planMs ?? null;
  const fromMs = check?.fromMs == null ? null : Math.max(check.fromMs, readyMs ?? check.fromMs);
  const share = (v: number) => (v > 0 && v <= 1 ? null : 'More than 0, at most 1.');
  return (
    <section aria-label="What it must carry">
      <Heading aside="on one place">What it must carry</Heading>
      <div className="grid grid-cols-2 md:grid-cols-4 gap-2">
        <QuantityField
          kind="force"
          label="Load"
          value={load.forceN}
          onChange={(t) => set({ forceN: t.value })}
          check={(v) => (v > 0 ? null : 'More than 0.')}
        />
        <QuantityField
          kind="count"
          label="Safety factor"
          value={load.safetyFactor}
          onChange={(t) => set({ safetyFactor: t.value })}
          check={(v) => (v >= 1 && v <= 50 ? null : 'From 1 to 50, as the code or the engineer asks.')}
        />
        <QuantityField
          kind="temperature"
          label="Hottest in service"
          value={load.serviceC}
          placeholder="as forecast"
          onChange={(t) => set({ serviceC: t.value })}
          onClear={() => set({ serviceC: null })}
          check={(v) => (v >= -60 && v <= 300 ? null : 'From −60 to 300 °C.')}
        />
        {anchor ? (
          <QuantityField
            kind="force"
            label="Allowed on it"
            value={load.allowedN}
            placeholder="sheet or engineer"
            onChange={(t) => set({ allowedN: t.value })}
            onClear={() => set({ allowedN: null })}
            check={(v) => (v > 0 ? null : 'More than 0.')}
          />
        ) : (
          <QuantityField
            kind="area"
            label="Area that carries"
            value={load.areaMm2}
            placeholder="as measured"
            onChange={(t) => set({ areaMm2: t.value })}
            onClear={() => set({ areaMm2: null })}
            check={(v) => (v > 0 ? null : 'More than 0.')}
          />
        )}
      </div>
      {whole.passes.length > 1 && (
        <Choice
          label="Carried by"
          options={whole.passes.map((p, i) => ({ id: p.repair.passId, label: pieceName(p.repair, i) }))}
          value={bears.passId}
          onChange={(passId) => set({ passId })}
        />
      )}
      {anchor ? (
        <TextField label="Who allows that" value={load.allowedFrom} onChange={(allowedFrom) => set({ allowedFrom })} />
      ) : (
        <fieldset className="mt-2 flex flex-wrap gap-x-5 gap-y-2 items-end">
          <legend className="soft text-sm">
            what takes from the strength, and what is left of it (usual figures, not the sheet’s)
          </legend>
          {CONDITIONS.map(({ id, down, label }) => (
            <span key={id} className="flex items-center gap-2">
              <button
                type="button"
                className="btn text-sm"
                aria-pressed={load[id]}
                onClick={() => set({ [id]: !load[id] })}
              >
                {label}
              </button>
              {load[id] && (
                <QuantityField
                  kind="count"
                  label={phrase`Left where ${label}`}
                  hideLabel
                  className="w-20"
                  value={load.knockDowns[down]}
                  onChange={(t) => set({ knockDowns: { ...load.knockDowns, [down]: t.value } })}
                  check={share}
                />
              )}
            </span>
          ))}
        </fieldset>
      )}
      <p className="mt-2" data-testid="load-answer">
        {!check ? (
          'It is checked as soon as the repair is planned.'
        ) : check.missing ? (
          <Prose>{check.missing}</Prose>
        ) : check.needs! > 1 ? (
          <strong
            style={{ color: 'var(--stop)' }}
          >{phrase`It takes ${figure(check.needs! * 100, 3)} % of the full strength: more than it ever bears.`}</strong>
        ) : (
          <>
            It takes <strong className="fig">{figure(check.needs! * 100, 2)} %</strong> of the full strength;{' '}
            {fromMs === null ? (
              'that is not reached in these days.'
            ) : (
              <>
                from <strong className="fig">{shortWhen(fromMs, view.job.zone, nowMs)}</strong>, once it is reviewed.
              </>
            )}
          </>
        )}
      </p>
      {check && check.working.length > 0 && <Working title="how the load is held against it" lines={check.working} />}
      <button type="button" className="btn text-sm mt-1" onClick={() => change(null, 'none')}>
        Check no load
      </button>
    </section>
  );
}
