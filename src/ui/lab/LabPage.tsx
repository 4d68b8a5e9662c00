'use client';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { type Series, valueAt } from '@/core/climate';
import { liftOn, POT, selfHeats, VESSELS, type VesselId } from '@/core/cure';
import { withBlend } from '@/core/mix';
import { type Job, type Piece, pieceOf, repairName } from '@/core/plan';
import { attempt } from '@/core/say';
import { BASES, sheetIn } from '@/core/system';

import { figure, phrase } from '@/words';
import { shelfOf } from '../material/shelf-of';
import { Choice, Heading, Prose, useSay, Ways } from '../shared/bits';
import { Link } from '../shared/Link';
import { QuantityField } from '../shared/QuantityField';
import { freshJob, freshRepair } from '../workspace/fresh';
import { useNow } from '../workspace/now';
import { changePass, useWorkspace } from '../workspace/workspace';
import { AgainstSize } from './AgainstSize';
import { Beside, type Kept } from './Beside';
import { HeatMap } from './charts';
import { PlaceAnswers } from './PlaceAnswers';
import { type LabPlace, PlaceSetUp } from './PlaceSetUp';
import { PotAndLift } from './PotAndLift';
import { type LabAsk, useHeatTable, useLabRun } from './use-heat';
import { useTrial } from './use-trial';

const FIRST: LabAsk = {
  massG: 500,
  vessel: 'pot',
  startC: 20,
  roomC: 18,
  thicknessMm: 15,
  base: 'concrete',
  baseC: 15,
  airC: 18,
};

/**
 * Trying things out: one system, one place; pot and lift as they heat themselves, the sheet's times at that
 * temperature.
 */
export function LabPage() {
  const says = useSay();
  const asked = useSearchParams();
  const desk = useWorkspace();
  const draft = asked.get('repair') ? desk.repairs.get(asked.get('repair')!) : undefined;
  const repair = draft && pieceOf(draft, draft.passes[asked.get('pass') ?? ''] ? asked.get('pass')! : draft.chain[0]);
  const shelf = shelfOf(desk.sheets, repair?.sheetId ?? null);
  const [picked, setPicked] = useState<string | null>(asked.get('sheet'));
  const stored =
    desk.sheets.get(picked ?? repair?.sheetId ?? '') ?? shelf.find((s) => !selfHeats(s)) ?? shelf[0] ?? null;
  const [ask, setAsk] = useState<LabAsk>({
    ...FIRST,
    ...(repair ? { base: repair.base.material, startC: repair.materialC ?? FIRST.startC } : {}),
  });
  const [kept, setKept] = useState<readonly Kept[]>([]);
  const [map, setMap] = useState<'pot' | 'lift'>('pot');
  const here = stored
    ? attempt(() =>
        withBlend(
          sheetIn(stored, { dosePct: null, humidityPct: 0 }),
          repair && repair.sheetId === stored.id ? repair.blend : null,
        ),
      )
    : null;
  const sheet = here?.ok ? here.value : null;
  const run = useLabRun(sheet, ask);
  const { table, share, stop, stopped } = useHeatTable(sheet, map === 'pot' ? POT : liftOn(ask.base), true);
  const nowMs = useNow(600_000);
  const [place, setPlace] = useState<LabPlace | null>(null);
  const of = repair ? desk.jobs.get(repair.jobId) : undefined;
  const first = useMemo(() => placeOf(of, repair, nowMs), [of, repair, nowMs]);
  const shown = place ?? first;
  const tried = useTrial(
    useMemo(
      () => (stored ? { ...shown, sheet: stored, nowMs: Math.floor(nowMs / 600_000) * 600_000 } : null),
      [stored, shown, nowMs],
    ),
  );
  const trial = tried?.ok ? tried.value : null;
  if (!desk.ready) return null;
  const set = (over: Partial<LabAsk>) => setAsk((a) => ({ ...a, ...over }));
  const zone = shown.job.zone;
  const movePlace = (over: Partial<LabPlace>) => setPlace({ ...shown, ...over });
  /** What the place has when mixing begins, for pot and lift. */
  const asThere = () => {
    if (!trial) return;
    const at = (s: Series) => Math.round(valueAt(s, trial.startMs) * 10) / 10;
    const airC = at(trial.thermal.air);
    set({ baseC: at(trial.thermal.base), airC, roomC: airC, startC: at(trial.thermal.pot), base: shown.base.material });
  };
  const degrees = (key: 'startC' | 'roomC' | 'baseC' | 'airC', label: string) => (
    <QuantityField
      kind="temperature"
      label={label}
      value={ask[key]}
      onChange={(t) => set({ [key]: t.value })}
      check={(v) =>
        v >= -20 && v <= 60
          ? null
          : phrase`${v.toFixed(
              0,
            )} °C is beyond any workshop. Is a decimal point missing, or is it in °F? Write it with its unit.`
      }
    />
  );
  return (
    <div className="px-4 md:px-6 py-4">
      <header className="flex items-baseline gap-6 flex-wrap mb-2">
        <h1 className="text-2xl font-bold">Lab</h1>
        <span className="soft">try a system at a place before it is mixed</span>
        <span className="flex-1" />
        {repair && <Link href={`/job/${repair.jobId}/${repair.id}/mix`}>{phrase`back to ${repairName(repair)}`}</Link>}
        <Ways />
      </header>
      <main id="main" className="grid gap-5 lg:grid-cols-[18rem_minmax(0,1fr)]">
        <section aria-label="Set-up" className="flex flex-col gap-2">
          <label className="block">
            System
            <select className="select" value={stored?.id ?? ''} onChange={(e) => setPicked(e.target.value)}>
              {shelf.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
            </select>
          </label>
          <Heading>The pot</Heading>
          <QuantityField
            kind="mass"
            label="Mixed in one go"
            value={ask.massG}
            onChange={(t) => set({ massG: t.value })}
            check={(v) => (v > 0 && v <= 50_000 ? null : 'More than 0, at most 50 kg.')}
          />
          <Choice
            label="It stands"
            options={(Object.keys(VESSELS) as VesselId[]).map((id) => ({
              id,
              label: VESSELS[id].label,
              title: says(VESSELS[id].hint),
            }))}
            value={ask.vessel}
            onChange={(vessel) => set({ vessel })}
          />
          <p className="soft text-sm">{says(VESSELS[ask.vessel].hint)}</p>
          <div className="grid grid-cols-2 gap-2">
            {degrees('startC', 'Mixed at')}
            {degrees('roomC', 'Room')}
          </div>
          <Heading>The lift</Heading>
          <div className="grid grid-cols-2 gap-2">
            <QuantityField
              kind="length"
              label="Thickness"
              value={ask.thicknessMm}
              onChange={(t) => set({ thicknessMm: t.value })}
              check={(v) => (v > 0 && v <= 500 ? null : 'More than 0, at most 500 mm.')}
            />
            <label className="block">
              On
              <select
                className="select"
                value={ask.base}
                onChange={(e) => set({ base: e.target.value as LabAsk['base'] })}
              >
                {BASES.map((b) => (
                  <option key={b} value={b}>
                    {b}
                  </option>
                ))}
              </select>
            </label>
            {degrees('baseC', 'Base')}
            {degrees('airC', 'Air')}
          </div>
          <button type="button" className="btn" disabled={!trial} onClick={asThere}>
            As at the place when mixing begins
          </button>
          <PlaceSetUp place={shown} set={movePlace} />
          {(run.answer || trial) && (
            <button
              type="button"
              className="btn"
              disabled={kept.length >= 3}
              onClick={() => setKept([...kept, { name: stored!.name, answer: run.answer, trial }])}
            >{phrase`Keep this beside ${kept.length >= 3 ? '(three are kept)' : ''}`}</button>
          )}
          {repair && sheet && (
            <>
              <Heading>{phrase`Back to ${repairName(repair)}`}</Heading>
              <button
                type="button"
                className="btn"
                disabled={!run.answer}
                onClick={() => changePass(repair, (r) => ({ ...r, massCapG: ask.massG, materialC: ask.startC }), 'lab')}
              >{phrase`No pot above ${figure(ask.massG)} g, mixed at ${figure(ask.startC)} °C`}</button>
              <button
                type="button"
                className="btn"
                disabled={!run.answer}
                onClick={() => changePass(repair, (r) => ({ ...r, liftMm: ask.thicknessMm }), 'lab')}
              >{phrase`Lifts of ${figure(ask.thicknessMm)} mm`}</button>
              {trial && (
                <button
                  type="button"
                  className="btn"
                  onClick={() =>
                    changePass(
                      repair,
                      (r) => ({
                        ...r,
                        sheetId: stored!.id,
                        ...(stored!.id === r.sheetId ? {} : { kitId: null, dosePct: null, blend: null }),
                        base: { ...r.base, ...shown.base },
                        materialC: shown.materialC,
                      }),
                      'lab',
                    )
                  }
                >
                  This system, base and packs
                </button>
              )}
              <p className="soft text-sm">
                {repair.massCapG !== null && phrase`Now: no pot above ${figure(repair.massCapG)} g. `}
                {repair.liftMm !== null && phrase`Lifts of ${figure(repair.liftMm)} mm. `}A lift thicker than the
                sheet’s is never planned.
              </p>
            </>
          )}
        </section>
        <section aria-label="Answers" className="min-w-0">
          {shelf.length === 0 && (
            <div className="paper p-5">
              <h2 className="text-lg font-bold mb-1">Nothing to try yet</h2>
              <p className="mb-3">
                The shelf is empty. Pots, lifts, starts and times appear here as soon as a system stands on it.
              </p>
              <div className="flex gap-2 flex-wrap">
                <Link className="btn btn-neutral" href="/shelf/new">
                  Type in a sheet
                </Link>
                <Link className="btn" href="/">
                  To the yard, where the sample is
                </Link>
              </div>
            </div>
          )}
          {here && !here.ok && (
            <p role="alert">
              <Prose zone={zone}>{here.problem.sentence}</Prose>
            </p>
          )}
          {run.sentence && (
            <p role="status" className="font-semibold mb-2">
              <Prose>{run.sentence}</Prose>
            </p>
          )}
          {sheet && run.answer && <PotAndLift answer={run.answer} sheet={sheet} busy={run.busy} />}
          {tried && !tried.ok && (
            <p role="alert">
              <Prose zone={zone}>{tried.problem.sentence}</Prose>
            </p>
          )}
          {run.busy && !run.answer && !run.sentence && <p>Computing…</p>}
          {trial && (
            <PlaceAnswers trial={trial} zone={zone} nowMs={nowMs} onStart={(startMs) => movePlace({ startMs })} />
          )}
          {kept.length > 0 && (
            <Beside kept={kept} zone={zone} nowMs={nowMs} onDrop={(i) => setKept(kept.filter((_, k) => k !== i))} />
          )}
          {sheet && !selfHeats(sheet) && table && (
            <>
              <Heading
                aside={
                  share < 1 ? (
                    <>
                      {phrase`${Math.round(share * 100)} % computed `}
                      {stopped ? (
                        'stopped'
                      ) : (
                        <button type="button" className="btn btn-link fine:!py-0 fine:!min-h-0" onClick={stop}>
                          stop
                        </button>
                      )}
                    </>
                  ) : (
                    'kept for this revision of the sheet'
                  )
                }
              >{phrase`Over ${map === 'pot' ? 'mass' : 'thickness'} and temperature`}</Heading>
              <Choice
                label="Map of"
                hideLabel
                options={[
                  { id: 'pot', label: 'the pot' },
                  { id: 'lift', label: 'the lift, on concrete' },
                ]}
                value={map}
                onChange={setMap}
              />
              <div className="paper p-2 mt-2">
                <section
                  className="overflow-x-auto thin-scroll"
                  aria-label="Map of masses and temperatures"
                  // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keys as well
                  tabIndex={0}
                >
                  <div className="min-w-[54rem] sm:min-w-0">
                    <HeatMap
                      table={table}
                      at={
                        map === 'pot' ? { x: ask.massG, tempC: ask.startC } : { x: ask.thicknessMm, tempC: ask.baseC }
                      }
                    />
                  </div>
                </section>
                <AgainstSize
                  table={table}
                  tempC={map === 'pot' ? ask.startC : ask.baseC}
                  size={map === 'pot' ? ask.massG : ask.thicknessMm}
                />
              </div>
            </>
          )}
        </section>
      </main>
    </div>
  );
}

/** The place of a repair, or a mild one to begin with. */
function placeOf(job: Job | undefined, repair: Piece | undefined, nowMs: number): LabPlace {
  const mild: Job = {
    ...freshJob(Math.floor(nowMs / 3_600_000) * 3_600_000),
    id: 'lab',
    climate: { kind: 'daily', lowC: 6, lowHour: 6, highC: 16, highHour: 15, humidityAtLowPct: 80 },
    workingHours: { fromHour: 7, toHour: 17, days: [1, 2, 3, 4, 5, 6, 7] },
  };
  return {
    job: job ?? mild,
    base: repair?.base ?? freshRepair('lab', 'mortar-patch', 0, nowMs).base,
    materialC: repair?.materialC ?? null,
    placeMin: 15,
    startMs: null,
  };
}
