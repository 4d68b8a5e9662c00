'use client';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { BASE_BEARS_C, paceOf, reactiveTry, restsOn, selfHeats, VESSELS, type VesselId } from '@/core/cure';
import { withBlend } from '@/core/mix';
import { BASES, clockOf, MILESTONES, milestoneOf, type SheetRevision, STARTS, sheetIn } from '@/core/system';
import { attempt, figure, formatDuration } from '@/core/units';
import { changeRepair, useDesk } from '../desk/desk';
import { shelfOf } from '../material/shelf-of';
import { Choice, Heading, useFormat, Ways } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { HeatMap, HeatThroughDepth, HeatThroughTime } from './charts';
import { type LabAnswer, type LabAsk, useHeatTable, useLabRun } from './use-heat';

const FIRST: LabAsk = { massG: 500, vessel: 'pot', startC: 20, roomC: 18, thicknessMm: 15, base: 'concrete', baseC: 15, airC: 18 };

/** A variant kept beside the one that is tried. */
interface Kept {
  readonly name: string;
  readonly answer: LabAnswer;
}

/** Trying things out: one system, one place; pot and lift as they heat themselves, the sheet's times at that temperature. */
export function LabPage() {
  const asked = useSearchParams();
  const desk = useDesk();
  const repair = asked.get('repair') ? desk.repairs[asked.get('repair')!] : undefined;
  const shelf = shelfOf(desk.sheets, repair?.sheetId ?? null);
  const [picked, setPicked] = useState<string | null>(asked.get('sheet'));
  const stored = desk.sheets[picked ?? repair?.sheetId ?? ''] ?? shelf.find((s) => !selfHeats(s)) ?? shelf[0] ?? null;
  const [ask, setAsk] = useState<LabAsk>({
    ...FIRST,
    ...(repair ? { base: repair.base.material, startC: repair.materialC ?? FIRST.startC } : {}),
  });
  const [kept, setKept] = useState<readonly Kept[]>([]);
  const [map, setMap] = useState<'pot' | 'lift'>('pot');
  const here = stored
    ? attempt(() =>
        withBlend(sheetIn(stored, { dosePct: null, humidityPct: 0 }), repair && repair.sheetId === stored.id ? repair.blend : null),
      )
    : null;
  const sheet = here?.ok ? here.value : null;
  const run = useLabRun(sheet, ask);
  const { table, share, stop, stopped } = useHeatTable(sheet, map, true);
  if (!desk.ready) return null;
  const set = (over: Partial<LabAsk>) => setAsk((a) => ({ ...a, ...over }));
  const degrees = (key: 'startC' | 'roomC' | 'baseC' | 'airC', label: string) => (
    <QuantityField
      kind="temperature"
      label={label}
      value={ask[key]}
      onChange={(t) => set({ [key]: t.value })}
      check={(v) =>
        v >= -20 && v <= 60
          ? null
          : `${v.toFixed(0)} °C is beyond any workshop. Is a decimal point missing, or is it in °F? Write it with its unit.`
      }
    />
  );
  return (
    <div className="px-4 md:px-6 py-4">
      <header className="flex items-baseline gap-6 flex-wrap mb-2">
        <h1 className="text-2xl font-bold">Lab</h1>
        <span className="soft">try a system at a place before it is mixed</span>
        <span className="flex-1" />
        {repair && <Link href={`/job/${repair.jobId}/${repair.id}/mix`}>back to {repair.name || 'the repair'}</Link>}
        <Ways />
      </header>
      <main id="main" className="grid gap-5 lg:grid-cols-[18rem_minmax(0,1fr)]">
        <section aria-label="Set-up" className="flex flex-col gap-2">
          <label className="block">
            System
            <select className="field" value={stored?.id ?? ''} onChange={(e) => setPicked(e.target.value)}>
              {shelf.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
            </select>
          </label>
          {shelf.length === 0 && (
            <p>
              The shelf is empty: <Link href="/shelf/new">type in a sheet</Link> or load the sample in the yard.
            </p>
          )}
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
            options={(Object.keys(VESSELS) as VesselId[]).map((id) => ({ id, label: VESSELS[id].label, title: VESSELS[id].hint }))}
            value={ask.vessel}
            onChange={(vessel) => set({ vessel })}
          />
          <p className="soft text-sm">{VESSELS[ask.vessel].hint}</p>
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
              <select className="field" value={ask.base} onChange={(e) => set({ base: e.target.value as LabAsk['base'] })}>
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
          {run.answer && (
            <button
              type="button"
              className="act"
              disabled={kept.length >= 3}
              onClick={() =>
                setKept([...kept, { name: `${stored!.name}, ${figure(ask.massG)} g, ${figure(ask.thicknessMm)} mm`, answer: run.answer! }])
              }
            >
              Keep this beside {kept.length >= 3 ? '(three are kept)' : ''}
            </button>
          )}
          {repair && run.answer && sheet && (
            <>
              <Heading>Back to {repair.name || 'the repair'}</Heading>
              <button
                type="button"
                className="act"
                onClick={() => changeRepair(repair.id, (r) => ({ ...r, massCapG: ask.massG, materialC: ask.startC }), 'lab')}
              >
                No pot above {figure(ask.massG)} g, mixed at {figure(ask.startC)} °C
              </button>
              <button
                type="button"
                className="act"
                onClick={() => changeRepair(repair.id, (r) => ({ ...r, liftMm: ask.thicknessMm }), 'lab')}
              >
                Lifts of {figure(ask.thicknessMm)} mm
              </button>
              <p className="soft text-sm">
                {repair.massCapG !== null ? `Now: no pot above ${figure(repair.massCapG)} g. ` : ''}
                {repair.liftMm !== null ? `Lifts of ${figure(repair.liftMm)} mm. ` : ''}A lift thicker than the sheet’s is never planned.
              </p>
            </>
          )}
        </section>
        <section aria-label="Answers" className="min-w-0">
          {here && !here.ok && <p role="alert">{here.problem.sentence}</p>}
          {run.sentence && (
            <p role="status" className="font-semibold mb-2">
              {run.sentence}
            </p>
          )}
          {sheet && run.answer && <Answers answer={run.answer} sheet={sheet} busy={run.busy} />}
          {run.busy && !run.answer && !run.sentence && <p>Computing…</p>}
          {kept.length > 0 && <Beside kept={kept} onDrop={(i) => setKept(kept.filter((_, k) => k !== i))} />}
          {sheet && !selfHeats(sheet) && table && (
            <>
              <Heading
                aside={
                  share < 1 ? (
                    <>
                      {Math.round(share * 100)} % computed{' '}
                      {stopped ? (
                        'stopped'
                      ) : (
                        <button type="button" className="act quiet !py-0 !min-h-0" onClick={stop}>
                          stop
                        </button>
                      )}
                    </>
                  ) : (
                    'kept for this revision of the sheet'
                  )
                }
              >
                Over {map === 'pot' ? 'mass' : 'thickness'} and temperature
              </Heading>
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
                <HeatMap
                  table={table}
                  at={map === 'pot' ? { x: ask.massG, tempC: ask.startC } : { x: ask.thicknessMm, tempC: ask.baseC }}
                />
              </div>
            </>
          )}
          {sheet && <SheetTimes sheet={sheet} baseC={ask.baseC} potC={ask.startC} />}
        </section>
      </main>
    </div>
  );
}

function Answers({ answer, sheet, busy }: { answer: LabAnswer; sheet: SheetRevision; busy: boolean }) {
  const format = useFormat();
  const { pot, lift, thickest, ask } = answer;
  const rests = reactiveTry(sheet);
  const useBy = milestoneOf(sheet, 'use-by');
  const says = useBy ? attempt(() => paceOf(useBy, 'short', sheet.family).minutesAt(ask.startC)) : null;
  const verdict = (v: LabAnswer['pot']['verdict'], c: number | null) =>
    v === 'runaway'
      ? 'it runs away: smoke, fumes, fire'
      : `${v === 'hot' ? 'too hot, ' : ''}at most ${c === null ? '' : format('temperature', c).text} on average`;
  const bears = BASE_BEARS_C[ask.base];
  return (
    <div style={busy ? { opacity: 0.55 } : undefined} aria-busy={busy}>
      <p
        className="p-2 mb-2 text-sm"
        style={{ background: 'var(--caution-bg)', color: 'var(--caution-ink)', border: '1px solid var(--rule)' }}
      >
        <strong>An estimate</strong>, {rests.ok ? restsOn(rests.value) : ''}, with usual figures for resin and amine. The sheet’s own limits
        overrule it.
        {busy ? ' Being recomputed…' : ''}
      </p>
      <div className="grid gap-4 xl:grid-cols-2">
        <div className="paper p-3">
          <h2 className="font-bold">The pot</h2>
          <p className="flex items-baseline gap-3">
            <strong className="fig text-5xl font-extrabold leading-none whitespace-nowrap" data-testid="pot-life">
              {pot.lifeMin === null ? 'over 2 d' : formatDuration(pot.lifeMin)}
            </strong>
            <span className="soft">until it is dead, from the end of pouring</span>
          </p>
          <p
            className={pot.verdict === 'calm' ? '' : 'font-semibold'}
            style={pot.verdict === 'calm' ? undefined : { color: 'var(--stop)' }}
          >
            {verdict(pot.verdict, pot.peakC)}
            {says?.ok && useBy?.referenceMassG ? (
              <span className="soft font-normal">
                . The sheet says {formatDuration(says.value)} for {format('mass', useBy.referenceMassG).text}
              </span>
            ) : null}
            .
          </p>
          <HeatThroughTime answer={pot} deadMin={pot.lifeMin} title="The pot" />
        </div>
        <div className="paper p-3">
          <h2 className="font-bold">The lift</h2>
          <p className="flex items-baseline gap-3">
            <strong className="fig text-5xl font-extrabold leading-none whitespace-nowrap" data-testid="thickest">
              {thickest.mm >= 199 ? 'any' : thickest.mm < 1 ? 'none' : format('length', thickest.mm, 2).text}
            </strong>
            <span className="soft">
              is the thickest that stays calm
              {thickest.mm < 199 && thickest.nominalMm > thickest.mm
                ? ` (${format('length', thickest.nominalMm, 2).text} without the margin)`
                : ''}
              {thickest.sheetMm !== null ? `; the sheet’s own ${format('length', thickest.sheetMm).text} overrules` : ''}
            </span>
          </p>
          <p
            className={lift.verdict === 'calm' && lift.baseFaceC <= bears ? '' : 'font-semibold'}
            style={lift.verdict === 'calm' && lift.baseFaceC <= bears ? undefined : { color: 'var(--stop)' }}
          >
            {format('length', ask.thicknessMm).text}: {verdict(lift.verdict, lift.peakC)}
            {lift.verdict !== 'runaway' &&
              `, ${format('length', lift.peakDepthMm, 2).text} deep the hottest; the face of the ${ask.base} ${format('temperature', lift.baseFaceC).text}${lift.baseFaceC > bears ? `, above the ${format('temperature', bears).text} it bears` : ''}`}
            .
          </p>
          <p className="text-sm">
            {lift.gelMin === null ? 'It has not set within the horizon.' : `Set after ${formatDuration(lift.gelMin)}`}
            {lift.nextLiftMin !== null ? `, cool enough for the next lift after ${formatDuration(lift.nextLiftMin)}` : ''}
            {milestoneOf(sheet, 'next-lift') ? '; the sheet’s own time for the next lift plans.' : '.'}
          </p>
          <div className="grid grid-cols-2 gap-2">
            <HeatThroughTime answer={lift} deadMin={null} title="The lift" width={270} />
            <HeatThroughDepth lift={lift} thicknessMm={ask.thicknessMm} />
          </div>
        </div>
      </div>
    </div>
  );
}

/** Variants kept, side by side. */
function Beside({ kept, onDrop }: { kept: readonly Kept[]; onDrop: (i: number) => void }) {
  const format = useFormat();
  const rows: readonly (readonly [string, (a: LabAnswer) => string])[] = [
    [
      'pot',
      (a) => `${format('mass', a.ask.massG).text} ${VESSELS[a.ask.vessel].label}, mixed at ${format('temperature', a.ask.startC).text}`,
    ],
    ['dead after', (a) => (a.pot.lifeMin === null ? 'over 2 d' : formatDuration(a.pot.lifeMin))],
    ['gets', (a) => (a.pot.peakC === null ? 'runaway' : format('temperature', a.pot.peakC).text)],
    ['lift', (a) => `${format('length', a.ask.thicknessMm).text} on ${a.ask.base} of ${format('temperature', a.ask.baseC).text}`],
    ['lift gets', (a) => (a.lift.peakC === null ? 'runaway' : format('temperature', a.lift.peakC).text)],
    ['thickest', (a) => format('length', a.thickest.mm, 2).text],
  ];
  return (
    <>
      <Heading>Kept beside</Heading>
      <table className="w-full text-[0.92rem]">
        <thead>
          <tr>
            <td />
            {kept.map((k, i) => (
              <th key={i} scope="col" className="text-left font-bold pr-3">
                {k.name}{' '}
                <button type="button" className="act quiet !py-0 !min-h-0 text-sm" onClick={() => onDrop(i)}>
                  drop
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, say]) => (
            <tr key={label} style={{ borderTop: '1px solid var(--hair)' }}>
              <th scope="row" className="text-left font-normal soft py-0.5 pr-3">
                {label}
              </th>
              {kept.map((k, i) => (
                <td key={i} className="fig text-[0.85rem] pr-3">
                  {say(k.answer)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** Every time of the sheet at the temperatures that are tried. */
function SheetTimes({ sheet, baseC, potC }: { sheet: SheetRevision; baseC: number; potC: number }) {
  const rows = sheet.milestones.map((m) => {
    const at = m.runsOn === 'pot' ? potC : baseC;
    const side = clockOf(m) === 'working' ? 'short' : 'long';
    const t = attempt(() => {
      const p = paceOf(m, side, sheet.family);
      if (at < p.lowC || at >= p.highC) return null;
      return { minutes: p.minutesAt(at), standing: p.standingAt(at) };
    });
    return { m, at, t };
  });
  const format = useFormat();
  return (
    <>
      <Heading aside="at a steady temperature; the plan follows the site’s own">The sheet’s times</Heading>
      <table className="w-full max-w-3xl">
        <tbody>
          {rows.map(({ m, at, t }) => (
            <tr key={m.kind} style={{ borderTop: '1px solid var(--hair)' }}>
              <td className="py-0.5">{MILESTONES[m.kind].label}</td>
              <td className="soft text-sm">
                from when {STARTS[m.startsAt]}, at {format('temperature', at).text}
              </td>
              <td className="fig text-right">
                {!t.ok ? '' : t.value === null ? 'nothing for this temperature' : formatDuration(t.value.minutes)}
                {t.ok && t.value && t.value.standing !== 'sheet' ? <span className="soft text-xs"> {t.value.standing}</span> : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
