'use client';
import Link from 'next/link';
import { sheetSays } from '@/core/plan';
import { MILESTONES, type SheetRevision, SYSTEM_KINDS } from '@/core/system';
import { formatDuration } from '@/core/units';
import { changeRepair, useDesk } from '../desk/desk';
import type { StageProps } from '../repair/stage-props';
import { Answer, Heading, useFormat, useProse } from '../shared/bits';
import { CurveChart } from '../shared/CurveChart';
import { QuantityField } from '../shared/QuantityField';
import { StageFindings, StillNeeds } from '../shared/StageFindings';

/** The newest revision of every system, and the one that is chosen. */
export function shelfOf(sheets: Readonly<Record<string, SheetRevision>>, keep: string | null): SheetRevision[] {
  const all = Object.values(sheets);
  return all
    .filter((s) => s.id === keep || !all.some((o) => o.systemId === s.systemId && o.revision > s.revision))
    .sort((a, b) => a.name.localeCompare(b.name));
}

function Sheet({ at, nowMs }: StageProps) {
  const { repair, plan } = at;
  const sheets = useDesk((d) => d.sheets);
  const shelf = shelfOf(sheets, repair.sheetId);
  const { method } = plan;
  return (
    <div className="p-4">
      <h2 className="font-bold text-lg">On the shelf</h2>
      {shelf.length === 0 && (
        <p className="my-3">
          The shelf is empty. <Link href="/shelf/new">Type in the first sheet</Link>, or load the sample in the yard.
        </p>
      )}
      <table className="w-full mt-1 text-[0.95rem]">
        <thead className="soft text-sm text-left">
          <tr>
            <th className="font-normal py-1">system</th>
            <th className="font-normal">for this method</th>
            <th className="font-normal">for {repair.base.material}</th>
            <th className="font-normal">ratio</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {shelf.map((s) => {
            const serves = method?.kinds.includes(s.kind) ?? false;
            const base = !s.limits.bases.length || s.limits.bases.includes(repair.base.material);
            return (
              <tr
                key={s.id}
                style={{ borderTop: '1px solid var(--paper-line)', background: s.id === repair.sheetId ? 'var(--leaf)' : undefined }}
              >
                <td className="py-2 pr-2">
                  <Link href={`/shelf/${s.id}`}>{s.name}</Link>
                  <span className="block soft text-sm">{SYSTEM_KINDS[s.kind].label}</span>
                </td>
                <td>{serves ? 'yes' : 'no: another kind'}</td>
                <td>{base ? 'yes' : `no: ${s.limits.bases.join(', ')}`}</td>
                <td className="fig text-[0.85rem]">
                  {s.ratio.a} : {s.ratio.b}
                  {s.ratio.cByWeight ? ` : ${s.ratio.cByWeight}` : ''} {s.ratio.basis}
                </td>
                <td className="text-right">
                  <button
                    type="button"
                    className="act text-sm"
                    aria-pressed={s.id === repair.sheetId}
                    disabled={!serves}
                    onClick={() => changeRepair(repair.id, (r) => ({ ...r, sheetId: s.id, kitId: s.kits[0]?.id ?? null }))}
                  >
                    {s.id === repair.sheetId ? 'chosen' : 'choose'}
                  </button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {plan.sheet && (
        <>
          <Heading aside={`revision ${plan.sheet.revision}, typed from ${plan.sheet.typedFrom}`}>
            {plan.sheet.name}: times on the sheet
          </Heading>
          <div className="grid sm:grid-cols-2 gap-3">
            {plan.sheet.milestones
              .filter((m) => ['use-by', 'gel', 'release', 'foot', 'load'].includes(m.kind))
              .slice(0, 4)
              .map((m) => (
                <figure key={m.kind}>
                  <figcaption className="text-sm">
                    <strong>{MILESTONES[m.kind].label}</strong>{' '}
                    <span className="soft">
                      by the temperature of {m.runsOn === 'pot' ? 'the pot' : m.runsOn === 'base' ? 'the base' : 'the material'}
                    </span>
                  </figcaption>
                  <CurveChart
                    milestone={m}
                    family={plan.sheet!.family}
                    atC={m.runsOn === 'pot' ? (plan.potC ?? 20) : baseNow(plan, nowMs)}
                  />
                </figure>
              ))}
          </div>
        </>
      )}
    </div>
  );
}

function baseNow(plan: StageProps['at']['plan'], nowMs: number): number {
  const s = plan.thermal?.base;
  if (!s) return 20;
  const at = plan.placedMs ?? nowMs;
  const i = s.times.findIndex((t) => t >= at);
  return s.values[i < 0 ? s.values.length - 1 : i]!;
}

function Side({ at, nowMs }: StageProps) {
  const prose = useProse();
  const { repair, plan } = at;
  const format = useFormat();
  const { sheet, kit } = plan;
  if (!sheet || !kit)
    return (
      <div>
        <Answer over="it is made with" digits="—" beside="nothing chosen yet" />
        <StillNeeds texts={plan.open.material} />
        <StageFindings at={at} stage="material" />
      </div>
    );
  const useBy = plan.sheet?.milestones.find((m) => m.kind === 'use-by');
  const l = sheet.limits;
  const limits: [string, string][] = [
    ...(l.baseMinC !== null || l.baseMaxC !== null
      ? [['base', `${l.baseMinC ?? '…'} to ${l.baseMaxC ?? '…'} °C`] as [string, string]]
      : []),
    ...(l.materialMinC !== null ? [['material', `${l.materialMinC} to ${l.materialMaxC ?? '…'} °C`] as [string, string]] : []),
    ...(l.dewMarginK !== null ? [['above dew point', `${l.dewMarginK} K`] as [string, string]] : []),
    ...(l.humidityMaxPct !== null ? [['humidity', `to ${l.humidityMaxPct} %`] as [string, string]] : []),
    ...(l.cureMinC !== null ? [['cures from', `${l.cureMinC} °C`] as [string, string]] : []),
    ...(l.liftMaxMm !== null ? [['lift', `${l.liftMinMm ?? 0} to ${l.liftMaxMm} mm`] as [string, string]] : []),
    ...(l.bondMaxMm !== null ? [['bond line', `${l.bondMinMm ?? 0} to ${l.bondMaxMm} mm`] as [string, string]] : []),
    ...(l.baseAgeMinDays !== null ? [['concrete from', `${l.baseAgeMinDays} days`] as [string, string]] : []),
    ['surface', l.wetness],
  ];
  const usable = plan.usableMin;
  return (
    <div>
      <Answer
        over="it is made with"
        digits={sheet.name}
        copy={sheet.name}
        beside={
          usable !== null ? (
            <>
              in the pot {formatDuration(usable)} after mixing, at {format('temperature', plan.potC ?? 0).text}
            </>
          ) : undefined
        }
      />
      <Heading>Material is kept at</Heading>
      <div className="grid grid-cols-2 gap-2">
        <QuantityField
          kind="temperature"
          label="Temperature (empty: as the air)"
          value={repair.materialC}
          onChange={(t) => changeRepair(repair.id, (r) => ({ ...r, materialC: t.value }), 'material')}
          onClear={() => changeRepair(repair.id, (r) => ({ ...r, materialC: null }), 'material')}
          check={(v) => (v >= -10 && v <= 60 ? null : 'A pot between −10 and 60 °C.')}
        />
        <label className="block">
          Kit
          <select className="field" value={kit.id} onChange={(e) => changeRepair(repair.id, (r) => ({ ...r, kitId: e.target.value }))}>
            {sheet.kits.map((k) => (
              <option key={k.id} value={k.id}>
                {k.label}
              </option>
            ))}
          </select>
        </label>
      </div>
      {useBy && (
        <p className="soft text-sm mt-1">
          Pot: the sheet says {prose(sheetSays(useBy, plan.potC ?? 20))}
          {useBy.referenceMassG ? `, for ${useBy.referenceMassG} g` : ''}. A bigger or warmer pot dies sooner.
        </p>
      )}
      <Heading aside="the sheet says">Limits</Heading>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-0.5">
        {limits.map(([k, v]) => (
          <div key={k} className="contents">
            <dt className="soft">{k}</dt>
            <dd className="fig text-[0.85rem] self-center">{prose(v)}</dd>
          </div>
        ))}
      </dl>
      <Heading>Cautions</Heading>
      <ul className="list-disc pl-5">
        {sheet.hazards.map((h) => (
          <li key={h}>{h}</li>
        ))}
      </ul>
      <StageFindings at={at} stage="material" />
      <p className="soft text-sm mt-2" suppressHydrationWarning>
        {nowMs > 0 ? 'The maker’s own sheet overrules everything here.' : ''}
      </p>
    </div>
  );
}

export const Material = { Sheet, Side };
