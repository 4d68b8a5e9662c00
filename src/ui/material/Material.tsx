'use client';
import { FilePlus } from 'lucide-react';
import { useCallback, useMemo } from 'react';
import { suits } from '@/core/judge';
import { sheetSays, shelfFor } from '@/core/plan';
import { degC, kelvin, minutes, mm, percent, type Quantity, rangeOf, type Said } from '@/core/say';
import { MILESTONES } from '@/core/system';

import { formatDuration, phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { Answer, Heading, useFormat, useSay } from '../shared/bits';
import { CurveChart } from '../shared/CurveChart';
import { Link } from '../shared/Link';
import { QuantityField } from '../shared/QuantityField';
import { StageFindings, StillNeeds } from '../shared/StageFindings';
import { useBitByBit } from '../shared/use-bit-by-bit';
import { typeSheetFor } from '../workspace/choose';
import { changePass, useWorkspace } from '../workspace/workspace';
import { FoundAtThePlace } from './FoundAtThePlace';
import { SuitTable } from './SuitTable';
import { shelfOf } from './shelf-of';
import { WarmPacks } from './WarmPacks';

/** Whoever still chooses has fetched nothing. */
const NO_KITS: ReadonlyMap<string, number> = new Map();

function Sheet({ view, at, nowMs }: StageProps) {
  const { repair, plan } = at;
  const sheets = useWorkspace((d) => d.sheets);
  const stock = useWorkspace((d) => d.stock);
  const shelf = useMemo(() => shelfOf(sheets, repair.sheetId), [sheets, repair.sheetId]);
  const { job, plan: whole } = view;
  // What jobs before this one take of a lot is not there for it.
  const { before } = whole;
  const found = useBitByBit(
    `${repair.id} ${repair.passId}`,
    useCallback(
      () => suits({ job, repair, plan: whole, sheets: shelf, stock: shelfFor([...stock.values()], before, NO_KITS) }),
      [job, whole, before, repair, shelf, stock],
    ),
  );
  const candidates = found ?? [];
  const fit = candidates.filter((s) => s.fails === 0).length;
  return (
    <div className="p-4">
      <div className="flex items-baseline gap-4 flex-wrap">
        <h2 className="font-bold text-lg">The shelf against this repair</h2>
        {candidates.length > 0 && (
          <span className="soft">{phrase`${fit} of ${candidates.length} meet everything that can be told; the rest say why not`}</span>
        )}
      </div>
      <p className="my-2">
        {shelf.length === 0 && 'The shelf is empty. '}
        <Link className="btn" href={typeSheetFor(view.job.id, repair)}>
          <FilePlus size={16} aria-hidden="true" /> Type in the sheet of what is at hand
        </Link>
      </p>
      {!found && shelf.length > 0 && (
        <p className="soft min-h-60" aria-busy="true">
          Holding every system against the repair…
        </p>
      )}
      {candidates.length > 0 && <SuitTable suits={candidates} repair={repair} />}
      {plan.sheet && (
        <>
          <Heading
            aside={phrase`revision ${plan.sheet.revision}, typed from ${plan.sheet.typedFrom}`}
          >{phrase`${plan.sheet.name}: times on the sheet`}</Heading>
          <div className="grid sm:grid-cols-2 gap-3">
            {plan.sheet.milestones
              .filter((m) => ['use-by', 'gel', 'sandable', 'release', 'foot', 'load'].includes(m.kind))
              .slice(0, 4)
              .map((m) => (
                <figure key={m.kind}>
                  <figcaption className="text-sm">
                    <strong>{MILESTONES[m.kind].label}</strong>{' '}
                    <span className="soft">{phrase`by the temperature of ${m.runsOn === 'pot' ? 'the pot' : m.runsOn === 'base' ? 'the base' : 'the material'}`}</span>
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

/** Minutes of a day. */
const DAY_MIN = 24 * 60;
const told = (of: string, text: Said | null): [string, Said][] => (text === null ? [] : [[of, text]]);

function Side({ view, at, nowMs }: StageProps) {
  const prose = useSay();
  const { repair, plan } = at;
  const format = useFormat();
  const { sheet, kit } = plan;
  if (!sheet || !kit)
    return (
      <>
        <Answer over="it is made with" digits="—" beside="nothing chosen yet" />
        <StillNeeds texts={plan.open.material} />
        <FoundAtThePlace repair={repair} />
        <StageFindings at={at} zone={view.job.zone} stage="material" />
      </>
    );
  const useBy = plan.sheet?.milestones.find((m) => m.kind === 'use-by');
  const l = sheet.limits;
  const of = (low: number | null, high: number | null, as: (value: number) => Quantity) =>
    rangeOf(low === null ? null : as(low), high === null ? null : as(high));
  const limits: [string, Said][] = [
    ...told('base', of(l.baseMinC, l.baseMaxC, degC)),
    ...told('material', of(l.materialMinC, l.materialMaxC, degC)),
    ...told('above dew point', of(l.dewMarginK, l.dewMarginK, kelvin)),
    ...told('humidity', of(null, l.humidityMaxPct, percent)),
    ...told('cures', of(l.cureMinC, null, degC)),
    ...(l.liftMaxMm === null ? [] : told('lift', of(l.liftMinMm, l.liftMaxMm, mm))),
    ...(l.bondMaxMm === null ? [] : told('bond line', of(l.bondMinMm, l.bondMaxMm, mm))),
    ...told('concrete', l.baseAgeMinDays === null ? null : of(l.baseAgeMinDays * DAY_MIN, null, minutes)),
    ['surface', l.wetness],
  ];
  const usable = plan.usableMin;
  return (
    <>
      <Answer
        over="it is made with"
        digits={sheet.name}
        copy={sheet.name}
        beside={
          usable !== null
            ? phrase`in the pot ${formatDuration(usable)} after mixing, at ${
                format('temperature', plan.potC ?? 0).text
              }`
            : undefined
        }
      />
      <Heading>Material is kept at</Heading>
      <div className="grid grid-cols-2 gap-2">
        <QuantityField
          kind="temperature"
          label="Temperature (empty: as the air)"
          value={repair.materialC}
          onChange={(t) => changePass(repair, (r) => ({ ...r, materialC: t.value }), 'material')}
          onClear={() => changePass(repair, (r) => ({ ...r, materialC: null }), 'material')}
          check={(v) => (v >= -10 && v <= 60 ? null : 'A pot between −10 and 60 °C.')}
        />
        <label className="block">
          Kit
          <select
            className="select"
            value={kit.id}
            onChange={(e) => changePass(repair, (r) => ({ ...r, kitId: e.target.value }))}
          >
            {sheet.kits.map((k) => (
              <option key={k.id} value={k.id}>
                {k.label}
              </option>
            ))}
          </select>
        </label>
      </div>
      {useBy && (
        <p className="soft text-sm mt-1">{phrase`Pot: the sheet says ${prose(sheetSays(useBy, plan.potC ?? 20))}${useBy.referenceMassG ? phrase`, for ${format('mass', useBy.referenceMassG).text}` : ''}. A bigger or warmer pot dies sooner.`}</p>
      )}
      <WarmPacks view={view} at={at} />
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
      <FoundAtThePlace repair={repair} />
      <StageFindings at={at} zone={view.job.zone} stage="material" />
      <p className="soft text-sm mt-2" suppressHydrationWarning>
        {nowMs > 0 ? 'The maker’s own sheet overrules everything here.' : ''}
      </p>
    </>
  );
}

export const Material = { Sheet, Side };
