'use client';
import { FlaskConical, Scale } from 'lucide-react';
import { useState } from 'react';
import { selfHeats } from '@/core/cure';
import { tubeMm, UPTAKE_ML_PER_M2 } from '@/core/method';
import { type Batch, likeBatches } from '@/core/mix';
import { inRounds, likePlaces, type RepairPlan } from '@/core/plan';
import { isMetered, PART_IDS, usualWay } from '@/core/system';
import { placesIn } from '@/core/void';

import { formatDuration, phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { Answer, Choice, useFormat, useSay, VoiceMark, Working } from '../shared/bits';
import { MaterialLearned, SystemLearned } from '../shared/LearnedHere';
import { Link } from '../shared/Link';
import { Schools, Settings } from '../shared/Schools';
import { StageFindings, StillNeeds } from '../shared/StageFindings';
import { dayAndClock } from '../shared/when';
import { changePass, useWorkspace } from '../workspace/workspace';
import { BlendFields } from './BlendFields';
import { ColourFields } from './ColourFields';
import { DoseField } from './DoseField';
import { Instruments, measuredFor, Strokes } from './Instruments';
import { JobKits } from './JobKits';
import { MixingColumns } from './MixingColumns';
import { PressedPacks } from './PressedPacks';
import { Stops } from './Stops';

/** In how many goes it is mixed or pressed. */
const inMixes = (plan: RepairPlan): string => {
  const n = plan.batches.length;
  if (inRounds(plan)) return n > 1 ? phrase`in ${n} rounds` : phrase`in ${n} round`;
  if (plan.sheet && isMetered(plan.sheet.kind)) return n > 1 ? phrase`in ${n} goes` : 'in one go';
  return n > 1 ? phrase`in ${n} batches` : phrase`in ${n} batch`;
};

/** Less than this is a smear on the paddle, mL. */
const SMEAR_ML = 0.5;

function Sheet({ view, at }: StageProps) {
  const { plan } = at;
  const says = useSay(view.job.zone);
  const [chosen, setChosen] = useState(0);
  if (!plan.mix || !plan.sheet)
    return (
      <div className="p-5">
        <h2 className="font-bold text-lg">Nothing to mix yet</h2>
        <StillNeeds texts={plan.open.mix} />
        <StageFindings at={at} zone={view.job.zone} stage="mix" />
      </div>
    );
  if (isMetered(plan.sheet.kind))
    return (
      <div className="p-4">
        <h2 className="font-bold text-lg mb-2">Packs, shots and rounds</h2>
        <PressedPacks
          mix={plan.mix}
          sheet={plan.sheet}
          places={at.repair.void ? placesIn(at.repair.void) : 1}
          apart={likePlaces(plan)?.apart ?? null}
          holes={inRounds(plan)}
          strokeMl={at.repair.bench.strokeMl}
          zone={view.job.zone}
        />
      </div>
    );
  const batch = plan.batches[Math.min(chosen, plan.batches.length - 1)]!;
  // A long list of like ones is folded: each run of them is one press.
  const runs =
    plan.batches.length > MOST_SHOWN
      ? likeBatches(plan.batches, (a, b) => a.portion !== b.portion || !!a.fromTo || !!a.covers)
      : plan.batches.map((b) => [b]);
  const useBy = plan.milestones.find((m) => m.kind === 'use-by' && m.batch === batch.index);
  const { measured } = measuredFor(plan, at.repair, batch.index);
  return (
    <div className="p-4 flex flex-col h-full sm:min-h-[17rem]">
      <div className="flex items-baseline gap-4 flex-wrap">
        <h2 className="font-bold text-lg">{phrase`Batch ${batch.index + 1} of ${plan.batches.length}`}</h2>
        <span className="soft">
          {says(batch.label)}
          {useBy?.planMs && useBy.originMs
            ? phrase`, place it by ${dayAndClock(useBy.planMs, view.job.zone)}, ${formatDuration((useBy.planMs - useBy.originMs) / 60_000)} after mixing begins`
            : ''}
        </span>
        {plan.batches.length > 1 && (
          <span className="ml-auto flex gap-1 flex-wrap">
            {runs.map((run) => {
              const [from, to] = [run[0]!.index + 1, run.at(-1)!.index + 1];
              return (
                <button
                  key={from}
                  type="button"
                  className="btn text-sm fine:!min-h-8 !px-2.5"
                  aria-pressed={run.includes(batch)}
                  aria-label={from === to ? phrase`Batch ${from}` : phrase`Batches ${from} to ${to}, all alike`}
                  onClick={() => setChosen(from - 1)}
                >
                  {from === to ? from : `${from}–${to}`}
                </button>
              );
            })}
          </span>
        )}
      </div>
      <div className="flex-1 sm:min-h-[10.5rem] sm:relative">
        <div className="sm:absolute sm:inset-0">
          <MixingColumns
            batch={batch}
            sheet={plan.sheet}
            said={(at.repair.bench.way || usualWay(plan.sheet) === 'cup') && measured ? measured.parts : undefined}
          />
        </div>
      </div>
      <div className="flex items-center gap-3 flex-wrap">
        <p className="soft text-sm flex-1">columns to the scale of the masses; the mix to that of the whole</p>
        {!selfHeats(plan.sheet) && (
          <Link className="btn" href={`/lab?repair=${at.repair.id}`}>
            <FlaskConical size={17} aria-hidden="true" /> Try it in the lab
          </Link>
        )}
        <Link className="btn" href={`/job/${view.job.id}/${at.repair.id}/bench?batch=${batch.index + 1}`}>
          <Scale size={17} aria-hidden="true" /> To the bench
        </Link>
      </div>
    </div>
  );
}

/** More batches than that are told by their runs. */
const MOST_SHOWN = 12;

const massOf = (b: Batch) => PART_IDS.reduce((s, p) => s + b.massG[p], 0);

/** Figures that nobody typed and that follow from others. */
const workedOut = ({ repair, plan: { context } }: StageProps['at']): Record<string, number> => ({
  uptake: UPTAKE_ML_PER_M2[repair.base.material],
  'tube-length': context ? tubeMm(context) : 0,
});

function Side({ view, at }: StageProps) {
  const { repair, plan } = at;
  const format = useFormat();
  const says = useSay(view.job.zone);
  const stock = useWorkspace((d) => d.stock);
  const stored = useWorkspace((d) => (repair.sheetId ? d.sheets.get(repair.sheetId) : undefined));
  const { mix, sheet } = plan;
  if (!mix || !sheet)
    return (
      <>
        <Answer over="it takes" digits="—" />
        {stored && <DoseField repair={repair} sheet={stored} />}
        <Schools at={at} stage="mix" />
        <Settings at={at} stage="mix" auto={workedOut(at)} />
      </>
    );
  const total = format('volume', mix.toMixMl);
  const metered = isMetered(sheet.kind);
  return (
    <>
      <Answer
        over={metered ? 'to press out' : 'to mix'}
        digits={total.digits}
        unit={total.unit}
        beside={
          <>
            {inRounds(plan) && plan.batches.length > 1 && plan.batches.every((b) => b.places === 1)
              ? 'hole by hole'
              : inMixes(plan)}
            <span className="block">
              {mix.kits.use} × {mix.kits.kit.label}
            </span>
          </>
        }
      />
      <MaterialLearned at={at} />
      <SystemLearned at={at} />
      <table className="table">
        <tbody>
          {mix.lines.map((l) => (
            <tr key={l.id}>
              <td className="py-0.5 pr-2 leading-tight">
                {says(l.label)}
                <span className="block soft text-xs fig">{says(l.expression)}</span>
              </td>
              <td className="fig font-semibold text-right whitespace-nowrap align-top pt-0.5">
                {format('volume', l.ml).text}
              </td>
              <td className="pl-2 align-top pt-1">
                <VoiceMark voice={l.voice} />
              </td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr style={{ borderTop: '1px solid var(--rule)' }}>
            <th className="text-left py-1">{metered ? 'to press out' : 'to mix'}</th>
            <td className="fig font-bold text-right text-lg whitespace-nowrap">{total.text}</td>
            <td />
          </tr>
          <tr>
            <th className="text-left">have on hand</th>
            {/* The words on a pack may be many: they wrap, so that the lines above keep their room. */}
            <td className="fig font-bold text-right text-lg leading-tight" colSpan={2}>
              {mix.kits.buy} × {mix.kits.kit.label}
            </td>
          </tr>
        </tfoot>
      </table>
      <p className="soft text-sm">{phrase`For the 95 % value, ${format('volume', mix.onHandMl).text}.${
        mix.moreMl !== undefined &&
        phrase` Beside it ${format('volume', mix.moreMl).text} for what went wrong, counted in the packs.`
      }${
        mix.kits.leftMl >= SMEAR_ML &&
        phrase` Left over ${format('volume', mix.kits.leftMl).text}, ${
          mix.kits.leftIsMixed
            ? 'mixed: use it at once or let it set in a flat tray outside.'
            : 'unmixed: keep it closed.'
        }`
      }`}</p>
      {stored && <DoseField repair={repair} sheet={stored} />}
      {metered ? (
        <>
          <Strokes repair={repair} plan={plan} />
          <Stops repair={repair} holes={inRounds(plan)} />
        </>
      ) : (
        <Instruments repair={repair} plan={plan} batch={0} />
      )}
      <JobKits view={view} systemId={sheet.systemId} />
      <div className="mt-3">
        <Choice
          label="Reserve for doubt"
          options={[
            { id: 'yes', label: 'up to the 90 % value' },
            { id: 'no', label: 'none' },
          ]}
          value={repair.reserve ? 'yes' : 'no'}
          onChange={(id) => changePass(repair, (r) => ({ ...r, reserve: id === 'yes' }))}
        />
      </div>
      <Settings at={at} stage="mix" auto={workedOut(at)} />
      {stored && (
        <BlendFields
          repair={repair}
          stored={stored}
          batchLiquidG={plan.batches[0] ? plan.batches[0].massG.A + plan.batches[0].massG.B : null}
        />
      )}
      {!metered && (
        <ColourFields
          repair={repair}
          sheet={sheet}
          batchMl={plan.batches[0]?.ml ?? null}
          totalG={plan.batches.reduce((s, b) => s + massOf(b), 0)}
          lots={[...stock.values()].filter((l) => l.systemId === sheet.systemId)}
          kitMassG={(id) => {
            const kit = sheet.kits.find((k) => k.id === id);
            return kit ? PART_IDS.reduce((s, p) => s + (kit.massG[p] ?? 0), 0) : 0;
          }}
        />
      )}
      <StageFindings at={at} zone={view.job.zone} stage="mix" />
      <Schools at={at} stage="mix" />
      <Working title="how the batches and kits come about" lines={mix.working} />
    </>
  );
}

export const Mix = { Sheet, Side };
