'use client';
import { useMemo, useState } from 'react';
import { CONTAINERS, type ContainerId, packWarming, valueAt, WARMERS, type WarmerId } from '@/core/climate';
import { attempt } from '@/core/say';
import { MILESTONES, plannedKitMl } from '@/core/system';

import { formatDuration, phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { Heading, Prose, useFormat } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { dayAndClock } from '../shared/when';
import { changePass } from '../workspace/workspace';

/**
 * Packs from the cold store to the temperature they are mixed at: how long it takes, and by when they must be put
 * somewhere warm.
 */
export function WarmPacks({ view, at }: Pick<StageProps, 'view' | 'at'>) {
  const { plan, repair } = at;
  const { sheet, kit, thermal } = plan;
  const format = useFormat();
  const [container, setContainer] = useState<ContainerId>(sheet?.mixer ? 'cartridge' : 'tin');
  const [warmer, setWarmer] = useState<WarmerId>('room');
  const [aroundC, setAround] = useState(24);
  const [fromC, setFrom] = useState<number | null>(null);
  const [open, setOpen] = useState(false);
  const mixing = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? null;
  const store = mixing === null || !thermal ? null : attempt(() => valueAt(thermal.air, mixing - 12 * 3_600_000));
  const from = fromC ?? (store?.ok ? Math.round(store.value * 10) / 10 : 10);
  const wantC = repair.materialC ?? sheet?.limits.materialMinC ?? 18;
  // Only when it is looked at: the rest of the stage does not wait for it.
  const warmed = useMemo(() => {
    if (!open || !sheet || !kit) return null;
    const densityGPerMl = sheet.parts[0]!.densityGPerMl;
    const volumeMl = Math.min(plannedKitMl(sheet, kit), kit.massG.A / densityGPerMl);
    return attempt(() => packWarming({ container, volumeMl, densityGPerMl, fromC: from, wantC, aroundC, warmer }));
  }, [open, sheet, kit, container, from, wantC, aroundC, warmer]);
  if (!sheet || !kit || !thermal) return null;
  return (
    <details className="mt-2" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>bring the packs to temperature</summary>
      <Heading>From the store to the pot</Heading>
      <div className="grid grid-cols-2 gap-2">
        <label className="block">
          The largest part is in a
          <select className="select" value={container} onChange={(e) => setContainer(e.target.value as ContainerId)}>
            {Object.entries(CONTAINERS).map(([id, c]) => (
              <option key={id} value={id}>
                {c.label}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          It goes into
          <select className="select" value={warmer} onChange={(e) => setWarmer(e.target.value as WarmerId)}>
            {Object.entries(WARMERS).map(([id, c]) => (
              <option key={id} value={id}>
                {c.label}
              </option>
            ))}
          </select>
        </label>
        <QuantityField
          kind="temperature"
          label="of"
          value={aroundC}
          onChange={(t) => setAround(t.value)}
          check={(v) => (v >= -5 && v <= 60 ? null : 'Between −5 and 60 °C; never over a flame.')}
        />
        <QuantityField
          kind="temperature"
          label="It comes from the store at"
          value={from}
          onChange={(t) => setFrom(t.value)}
          check={(v) => (v >= -30 && v <= 60 ? null : 'Between −30 and 60 °C.')}
        />
      </div>
      {warmed?.ok ? (
        <p className="mt-1" data-testid="warm-packs">
          {phrase`Fit to mix at ${format('temperature', wantC).text} after `}
          <strong className="fig">{formatDuration(warmed.value.meanMin)}</strong>, warmed through after{' '}
          <strong className="fig">{formatDuration(warmed.value.throughMin)}</strong>
          {mixing !== null && (
            <>
              : put it there by{' '}
              <strong className="fig">{dayAndClock(mixing - warmed.value.throughMin * 60_000, view.job.zone)}</strong>
            </>
          )}
          .
        </p>
      ) : (
        warmed && (
          <p role="alert" className="mt-1">
            <Prose>{warmed.problem.sentence}</Prose>
          </p>
        )
      )}
      {repair.materialC === null && (
        <button
          type="button"
          className="btn text-sm mt-1"
          onClick={() => changePass(repair, (r) => ({ ...r, materialC: wantC }), 'material')}
        >{phrase`Plan with ${format('temperature', wantC).text}`}</button>
      )}
      <p className="soft text-sm mt-1">{phrase`Packs stay closed. ${MILESTONES['use-by'].label} counts with the temperature it is mixed at.`}</p>
    </details>
  );
}
