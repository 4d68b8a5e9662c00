'use client';
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { countedPart, fromTotal, type Pour, type PourPlan, pourState, sameSystem, toleranceOf } from '@/core/mix';
import { instrumentOf, repairName } from '@/core/plan';
import { attempt, type Said } from '@/core/say';
import { isMetered, PART_IDS, type PartId, partOf } from '@/core/system';

import { formatDuration, joined, phrase } from '@/words';
import { MadeOf } from '../mix/MadeOf';
import { MixingColumns } from '../mix/MixingColumns';
import { wholeOf } from '../mix/whole';
import { stageView } from '../repair/stage-props';
import { Choice, Heading, Prose, useFormat, Ways } from '../shared/bits';
import { Link } from '../shared/Link';
import { Notice } from '../shared/Notice';
import { QuantityField } from '../shared/QuantityField';
import { StillNeeds } from '../shared/StageFindings';
import { clock } from '../shared/when';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { useJobAt } from '../workspace/view';
import { changePass, useWorkspace } from '../workspace/workspace';
import { BatchLabel } from './BatchLabel';
import { BenchSteps } from './BenchSteps';
import { Clocks } from './Clocks';
import { LotField } from './LotField';
import { near } from './near';
import { PourTarget } from './PourTarget';
import { RatioGauge } from './RatioGauge';
import { ScalePanel } from './ScalePanel';
import { stepsOf } from './steps-of';
import { Taken } from './Taken';
import { useScale } from './use-scale';

/**
 * The mix card of a batch at the bench: pour, read, take it over; every later target follows what was really poured.
 */
export function BenchPage({
  jobId,
  repairId,
  pass,
  batch: index,
}: {
  jobId: string;
  repairId: string;
  /** The pass whose batch it is; null for the first. */
  pass: string | null;
  batch: number;
}) {
  const view = useJobAt(jobId, repairId);
  const whole = view?.at ?? undefined;
  const at = whole && stageView(whole, pass ?? whole.passes[0]!.repair.passId);
  const nowMs = useNow(1000);
  const { role } = usePrefs();
  const format = useFormat();
  const desk = useWorkspace();
  const [dry, setDry] = useState<readonly Pour[]>([]);
  // The practice scale is the first choice only where the record is the sample’s.
  const [chosenScale, setUseScale] = useState<boolean | null>(null);
  const useScaleOn = chosenScale ?? view?.job.sample ?? false;
  const [lot, setLot] = useState('');
  const [lotFault, setLotFault] = useState<Said | null>(null);
  const { scale, reading } = useScale(useScaleOn, at?.repair.scaleStepG ?? 1);
  const actuals = at?.actuals;
  const started = actuals?.startedAt != null;
  const pours = useMemo<readonly Pour[]>(
    () => (started ? (actuals?.pours ?? []).filter((p) => p.batch === index) : dry),
    [started, actuals, dry, index],
  );
  if (!view || !at)
    return (
      <main id="main" className="p-6 flex flex-col gap-3">
        <h1 className="text-xl font-bold">This repair is not in this browser</h1>
        <Ways />
      </main>
    );
  const { plan, repair } = at;
  const batch = plan.batches[index];
  const { sheet } = plan;
  if (!batch || !sheet || isMetered(sheet.kind))
    return (
      <main id="main" className="p-6 flex flex-col gap-3">
        <h1 className="text-xl font-bold">
          {batch && sheet ? 'Pressed through a mixer: nothing is weighed' : 'There is no such batch'}
        </h1>
        {batch && sheet ? (
          <p>Throw the first shots away until the colour is even; the running view keeps the clock of the mixer.</p>
        ) : plan.batches.length > 0 ? (
          <p>{phrase`The plan has ${plan.batches.length} of them.`}</p>
        ) : (
          <StillNeeds texts={plan.open.mix} />
        )}
        <Link className="btn self-start" href={`/job/${jobId}/${repairId}/mix`}>
          Back to the mix
        </Link>
      </main>
    );

  const { mixStep, standStep } = stepsOf(plan, index);
  const useBy = plan.milestones.find((m) => m.kind === 'use-by' && m.batch === index);
  const mixingBegan = mixStep?.begunAt ?? null;
  const mixingOver = mixStep?.doneAt ?? null;
  const instrument = instrumentOf(repair, plan.sheet);
  const pourPlan: PourPlan = {
    massG: batch.massG,
    tolerance: toleranceOf(sheet),
    vessel: repair.bench.onePot ? 'one pot' : 'own cups',
    vesselMaxG:
      repair.bench.vesselMaxMl === null ? null : repair.bench.vesselMaxMl * (plan.mix?.proportion.densityGPerMl ?? 1),
    availableG: {},
    stepG: instrument.scaleStepG,
  };
  const state = pourState(pourPlan, pours, mixingOver === null);
  const part: PartId | null = state.next ?? state.correction?.part ?? null;
  const already = repair.bench.onePot ? pours.reduce((s, p) => s + p.massG, 0) : part ? state.pouredG[part] : 0;
  const shown = reading?.kind === 'reading' ? reading.grams : reading?.kind === 'lost' ? reading.lastGrams : null;
  // The scale was tared with what had been poured before on it: it shows the running part alone.
  const running = part && shown !== null && shown > 2 * scale.stepG ? shown : 0;

  /** Figures that the step of the scale can tell of a mass. */
  const shows = (grams: number) =>
    Math.max(1, Math.floor(Math.log10(Math.max(Math.abs(grams), scale.stepG) / scale.stepG + 1e-9)) + 1);

  // While A still runs, the target of B already follows what is in the pot.
  const follows =
    part && running > 0 && state.next === 'A'
      ? pourState(pourPlan, [...pours, { part, massG: running }]).targetG
      : state.targetG;

  const take = async (massG: number, source: string) => {
    if (!part || !(massG > 0)) return;
    const foreign = [...desk.stock.values()].find((l) => l.lot === lot.trim() && l.systemId !== sheet.systemId);
    const other = foreign && [...desk.sheets.values()].find((s) => s.systemId === foreign.systemId);
    const same = other ? attempt(() => sameSystem(sheet, other)) : null;
    if (same && !same.ok) {
      setLotFault(same.problem.sentence);
      return;
    }
    setLotFault(null);
    if (started) await record(at.repair, { kind: 'poured', batch: index, part, massG, lot: lot.trim(), source }, role);
    else setDry([...dry, { part, massG }]);
    scale.pour(false);
    scale.tare();
  };
  const throwAway = async () => {
    if (started) {
      await record(at.repair, { kind: 'discarded', batch: index, why: state.discard ?? 'begun anew' }, role);
      if (mixingBegan !== null)
        await record(at.repair, { kind: 'trouble', trouble: 'ratio', batch: index, missingMl: null }, role);
    } else setDry([]);
    scale.pour(false);
    scale.tare();
  };
  const lots = [...desk.stock.values()].filter((l) => l.systemId === sheet.systemId);
  const parts = PART_IDS.filter((id) => batch.massG[id] > 0);

  return (
    <div className="px-4 md:px-6 py-3 max-w-[84rem]">
      <header className="flex items-baseline gap-5 flex-wrap mb-2 no-print">
        <h1 className="text-xl font-bold">{phrase`Bench: batch ${index + 1} of ${plan.batches.length}`}</h1>
        <span className="soft">
          {repairName(repair)}, {sheet.name}
        </span>
        <span className="flex-1" />
        {plan.batches.length > 1 && (
          <span className="flex gap-1">
            {near(plan.batches.length, index, 12).map((i) => (
              <Link
                key={i}
                className="btn text-sm fine:!min-h-8 !px-2.5"
                aria-current={i === index ? 'page' : undefined}
                style={i === index ? { background: 'var(--ink)', color: 'var(--paper)' } : undefined}
                href={`/job/${jobId}/${repairId}/bench?batch=${i + 1}`}
              >
                {i + 1}
              </Link>
            ))}
          </span>
        )}
        <Link href={`/job/${jobId}/${repairId}/mix`}>the mix</Link>
        <Link href={`/job/${jobId}/${repairId}/run`}>the running view</Link>
      </header>
      <main id="main" className="grid gap-5 lg:grid-cols-[minmax(0,1.55fr)_minmax(21rem,1fr)] no-print">
        <section aria-label="Columns" className="paper p-3 min-w-0">
          <div className="sm:h-[20rem] md:h-[24rem]">
            <MixingColumns
              batch={batch}
              sheet={sheet}
              poured={{
                pouredG: state.pouredG,
                targetG: { ...follows, ...(part ? { [part]: state.targetG[part] } : {}) },
                live: useScaleOn && part && running > 0 ? { part, massG: state.pouredG[part] + running } : null,
              }}
            />
          </div>
          <MadeOf plan={plan} batch={batch} />
          <div className="max-w-[27rem]">
            <RatioGauge deviationPct={state.deviationPct} tolerance={state.tolerance} within={state.within} />
          </div>
          <p className="soft text-sm">
            {state.tolerance.fromSheet
              ? sheet.dose
                ? 'the sheet’s range of doses'
                : 'the sheet’s tolerance'
              : 'not from the sheet: ±5 % is assumed'}
            {batch.kits !== null
              ? phrase`. ${batch.kits} whole kit${batch.kits > 1 ? 's' : ''}: empty the tins, scrape them; the scale is a check.`
              : batch.packs
                ? phrase`. ${wholeOf(batch, sheet)}: emptied; what is dosed to it is measured, and of the rest the scale is a check.`
                : '.'}
          </p>
          <Clocks
            mixMin={sheet.mixMin}
            isOurs={sheet.estimated.includes('mixMin')}
            began={mixingBegan}
            over={mixingOver}
            standMs={standStep && standStep.doneAt === null && mixingOver !== null ? standStep.startMs : null}
            deadMs={useBy?.planMs ?? null}
            potFrom={useBy?.originMs ?? null}
            nowMs={nowMs}
            zone={view.job.zone}
          />
        </section>
        <section aria-label="Pour" className="min-w-0">
          {!started && (
            <Notice tone="note" className="mb-2">
              Try it: nothing goes into the record before{' '}
              <Link href={`/job/${jobId}/${repairId}/run`}>the work is begun</Link>.
            </Notice>
          )}
          {part ? (
            <>
              <p className="soft">
                {state.next ? 'pour' : 'add'} {part}, {partOf(sheet, part)?.name}
              </p>
              <PourTarget
                remainG={state.remainG}
                scaleShowsG={repair.bench.onePot && already > 0 ? state.readingG : null}
                counted={countedPart(sheet, part, batch.massG, instrument)}
              />
            </>
          ) : (
            <p className="text-3xl font-extrabold" data-testid="target">
              {state.discard
                ? 'throw it away'
                : mixingOver !== null
                  ? 'mixed, place it'
                  : mixingBegan !== null
                    ? 'mix it'
                    : 'all in'}
            </p>
          )}
          {state.correction && !state.next && (
            <Notice
              tone="stop"
              role="alert"
              className="mt-1 font-semibold"
            >{phrase`Outside the tolerance: add ${format('mass', state.correction.massG).text} of ${state.correction.part} while it is still being mixed.`}</Notice>
          )}
          {state.discard && (
            <Notice tone="stop" role="alert" className="mt-1 font-semibold">
              <Prose>{state.discard}</Prose>
            </Notice>
          )}
          <div className="mt-2">
            <Choice
              label="Read from"
              hideLabel
              options={[
                { id: 'typed', label: 'typed readings' },
                { id: 'scale', label: 'a practice scale' },
              ]}
              value={useScaleOn ? 'scale' : 'typed'}
              onChange={(v) => {
                scale.pour(false);
                setUseScale(v === 'scale');
              }}
            />
          </div>
          {useScaleOn ? (
            <ScalePanel
              scale={scale}
              reading={reading}
              part={part}
              running={running}
              figures={shows}
              onTake={() => void take(running, scale.name)}
            />
          ) : (
            part && (
              <div className="paper p-3 mt-2">
                <TypedPour
                  key={`${part}${pours.length}`}
                  label={
                    repair.bench.onePot && pours.length
                      ? phrase`The scale shows in all, after ${part}`
                      : phrase`${part} weighs`
                  }
                  onTake={(grams) => {
                    const massG = repair.bench.onePot ? fromTotal(grams, pours) : grams;
                    return massG === null ? 'That is less than was in the pot before.' : void take(massG, 'typed');
                  }}
                />
              </div>
            )
          )}
          <div className="grid grid-cols-2 gap-2 mt-2 items-end">
            <LotField lot={lot} lots={lots} wrong={lotFault !== null} onType={setLot} />
            <Choice
              label="Weighed"
              options={[
                { id: 'one', label: 'in one pot' },
                { id: 'own', label: 'each by itself' },
              ]}
              value={repair.bench.onePot ? 'one' : 'own'}
              onChange={(v) => changePass(repair, (r) => ({ ...r, bench: { ...r.bench, onePot: v === 'one' } }))}
            />
          </div>
          {lotFault && (
            <p role="alert" className="mt-1" style={{ color: 'var(--stop)' }}>
              <Prose>{lotFault}</Prose>
            </p>
          )}
          {pours.length > 0 && (
            <>
              <Heading>Poured</Heading>
              <ul>
                {pours.map((p, i) => (
                  <li key={i} className="flex justify-between">
                    <span>
                      {p.part}, {partOf(sheet, p.part)?.name}
                    </span>
                    <strong className="fig">{format('mass', p.massG, shows(p.massG)).text}</strong>
                  </li>
                ))}
              </ul>
            </>
          )}
          <BenchSteps
            at={at}
            batch={index}
            ready={state.next === null && !state.discard}
            within={state.within}
            poured={pours.length > 0}
            nowMs={nowMs}
            role={role}
            onThrowAway={() => void throwAway()}
          />
          {parts.length > 0 && sheet.storage.checks.length > 0 && pours.length === 0 && (
            <p className="soft text-sm mt-2">{phrase`Before use: ${sheet.storage.checks.join(' ')}`}</p>
          )}
          <p className="soft text-sm mt-2">
            {sheet.hazards[0]} {sheet.protection.length ? phrase`Wear ${joined(sheet.protection, ', ')}.` : ''}
          </p>
          {started && <Taken at={at} sheet={sheet} lots={lots} role={role} />}
        </section>
      </main>
      <BatchLabel
        at={at}
        batch={index}
        lot={lot || (actuals?.pours ?? []).find((p) => p.batch === index && p.lot)?.lot || ''}
        zone={view.job.zone}
      />
      <button type="button" className="btn mt-2 no-print" onClick={() => window.print()}>
        <Printer size={16} aria-hidden="true" /> Print the label
      </button>
      <p className="soft text-sm mt-1 no-print">
        {mixingOver !== null && mixingBegan !== null
          ? phrase`Mixed for ${formatDuration((mixingOver - mixingBegan) / 60_000)}, ended ${clock(
              mixingOver,
              view.job.zone,
            )}.`
          : ''}
      </p>
    </div>
  );
}

/** A reading typed by hand; a refusal stays under the field. */
function TypedPour({ label, onTake }: { label: string; onTake: (grams: number) => string | undefined }) {
  const [fault, setFault] = useState<string | null>(null);
  return (
    <QuantityField
      kind="mass"
      label={label}
      value={null}
      problem={fault}
      onChange={(t) => setFault(onTake(t.value) ?? null)}
      check={(v) => (v > 0 ? null : 'More than 0.')}
    />
  );
}
