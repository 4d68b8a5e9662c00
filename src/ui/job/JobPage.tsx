'use client';
import { CopyPlus, Download, FileText, PackageCheck, Printer, QrCode, ScrollText, Sheet } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { calendarProblems, copiedJob, copiedRepair, jobName, pieceName, repairName } from '@/core/plan';
import { damageCsv } from '@/core/plan/damage-list';
import type { Said } from '@/core/say';
import { own, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { useTemperaturePull } from '../repair/RepairPage';
import { Heading, Prose, TextField, Ways } from '../shared/bits';
import { CalendarButton } from '../shared/CalendarButton';
import { Link } from '../shared/Link';
import { Mishap } from '../shared/Mishap';
import { stageAnswer } from '../shared/stage-answer';
import { Tag } from '../shared/Tag';
import { TimeBand } from '../shared/TimeBand';
import { ClockField, WhenField } from '../shared/WhenField';
import { shortWhen } from '../shared/when';
import { exportJob, readyForFiles } from '../workspace/exchange';
import { fileName, saveText } from '../workspace/files';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { useJobView } from '../workspace/view';
import { DAYS, weekFrom } from '../workspace/week';
import {
  addJob,
  addRepair,
  changeJob,
  changeRepair,
  clock,
  removeRepair,
  stateNow,
  useWorkspace,
} from '../workspace/workspace';
import { AtHand } from './AtHand';
import { begunRepair } from './begun';
import { ClimateFields } from './ClimateFields';
import { DeleteJob } from './DeleteJob';
import { DoneBy } from './DoneBy';
import { LikeOffer } from './LikeOffer';
import { ManyAtOnce } from './ManyAtOnce';
import { type Begin, MethodChoice } from './MethodChoice';
import { OrderOffer } from './OrderOffer';
import { SetTogether } from './SetTogether';
import { ShareJob } from './ShareJob';
import { ZoneField } from './ZoneField';

/** One job: its place and time, its weather, its repairs, and its ways out as files and paper. */
export function JobPage({ jobId }: { jobId: string }) {
  const view = useJobView(jobId);
  useEffect(readyForFiles, []);
  const nowMs = useNow(30_000);
  const pull = useTemperaturePull(jobId);
  const router = useRouter();
  const system = usePrefs((p) => p.system);
  const events = useWorkspace((d) => d.events);
  if (!view)
    return (
      <main id="main" className="p-8 flex flex-col gap-4">
        <h1 className="text-2xl font-bold">This job is not in this browser</h1>
        <p>If it is on another device, export it there and take the file in at the yard.</p>
        <Ways />
      </main>
    );
  const { job } = view;
  const change = (over: Partial<typeof job>, key = 'job') => changeJob(job.id, (j) => ({ ...j, ...over }), key);
  const nextOrder = Math.max(0, ...view.repairs.map((r) => r.repair.order)) + 1;
  const add = ({ madeOf, ...begin }: Begin) => {
    const repair = begunRepair(job.id, begin, madeOf, nextOrder);
    addRepair(repair);
    router.push(`/job/${job.id}/${repair.id}/inspect`);
  };
  const addLike = (id: string) => {
    const draft = stateNow().repairs.get(id);
    if (!draft) return;
    const copy = copiedRepair(draft, { id: nanoid(12), jobId: job.id, order: nextOrder, nowMs: clock.now() });
    addRepair(draft.name ? { ...copy, name: phrase`${own(draft.name)}, another` } : copy);
  };
  const asTemplate = () => {
    const drafts = view.repairs.flatMap((r) => stateNow().repairs.get(r.repair.id) ?? []);
    const made = copiedJob(job, drafts, {
      ids: [job.id, ...drafts].map(() => nanoid(12)),
      nowMs: clock.now(),
      name: phrase`${own(jobName(job))}, once more`,
    });
    addJob(made.job);
    for (const repair of made.repairs) addRepair(repair);
    router.push(`/job/${made.job.id}`);
  };
  const saveList = () => {
    const listed = view.repairs.map((r) => ({
      draft: r.draft,
      name: repairName(r.repair),
      volumeMl: r.passes[0]?.plan.void?.nominalMl ?? null,
    }));
    saveText(fileName(job.name, 'csv'), damageCsv(listed, system), 'text/csv');
  };
  const orderOf = (i: number, by: number) => {
    const [a, b] = [view.repairs[i], view.repairs[i + by]];
    if (!a || !b) return;
    changeRepair(a.repair.id, (r) => ({ ...r, order: b.repair.order }));
    changeRepair(b.repair.id, (r) => ({ ...r, order: a.repair.order }));
  };
  return (
    <div className="flex flex-col min-h-screen roomy:h-screen">
      <div className="px-4 md:px-6 pt-3">
        <Tag view={view} nowMs={nowMs} />
      </div>
      <main
        id="main"
        className="px-4 md:px-6 py-3 grid gap-6 md:grid-cols-[minmax(0,1.7fr)_minmax(20rem,1fr)] flex-1 min-h-0"
      >
        <h1 className="sr-only">
          <Own>{jobName(job)}</Own>
        </h1>
        <section aria-label="Repairs" className="roomy:overflow-auto thin-scroll pr-1">
          <Heading aside={phrase`${view.repairs.length} in the order of work`}>Repairs</Heading>
          <ol>
            {view.repairs.map((r, i) => (
              <li key={r.repair.id} className="paper mb-2 p-3 grid md:grid-cols-[1fr_auto] gap-2">
                <div>
                  <h2 className="font-bold text-lg">
                    <Link
                      href={`/job/${job.id}/${r.repair.id}/${r.actuals.startedAt !== null ? 'hold' : r.plan.unanswered.length ? 'inspect' : 'measure'}`}
                    >
                      <Own>{repairName(r.repair)}</Own>
                    </Link>
                  </h2>
                  <p className="soft">
                    {r.passes.length > 1
                      ? r.passes.map((p, n) => pieceName(p.repair, n)).join(' → ')
                      : r.plan.method?.label}{' '}
                    · {r.repair.place}
                  </p>
                  <p className="fig text-[0.82rem] mt-1">
                    {(['measure', 'mix', 'place', 'hold', 'release'] as const)
                      .map((s) => phrase`${s} ${stageAnswer(s, r, system, job.zone, nowMs)}`)
                      .join('  ·  ')}
                  </p>
                </div>
                <div className="flex gap-1 items-start flex-wrap no-print">
                  <Link className="btn text-sm" href={`/job/${job.id}/${r.repair.id}/run`}>
                    Run
                  </Link>
                  <button
                    type="button"
                    className="btn text-sm"
                    disabled={i === 0}
                    aria-label={phrase`${own(repairName(r.repair))}: earlier`}
                    onClick={() => orderOf(i, -1)}
                  >
                    ↑
                  </button>
                  <button
                    type="button"
                    className="btn text-sm"
                    disabled={i === view.repairs.length - 1}
                    aria-label={phrase`${own(repairName(r.repair))}: later`}
                    onClick={() => orderOf(i, 1)}
                  >
                    ↓
                  </button>
                  <button
                    type="button"
                    className="btn btn-link text-sm"
                    aria-label={phrase`${own(repairName(r.repair))}: one more like it`}
                    onClick={() => addLike(r.repair.id)}
                  >
                    one like it
                  </button>
                  {!events.some((e) => e.repairId === r.repair.id) && (
                    <button type="button" className="btn btn-link text-sm" onClick={() => removeRepair(r.repair.id)}>
                      remove
                    </button>
                  )}
                </div>
              </li>
            ))}
          </ol>
          <OrderOffer view={view} nowMs={nowMs} />
          <LikeOffer view={view} nowMs={nowMs} />
          <SetTogether repairs={view.repairs} />
          {view.repairs.length === 0 && <p className="soft my-2">No repair yet. Choose how it is to be repaired:</p>}
          <MethodChoice onChoose={add} />
          <ManyAtOnce jobId={job.id} nextOrder={nextOrder} />
          <Heading>Out of here</Heading>
          <div className="flex flex-wrap gap-2 no-print">
            <button
              type="button"
              className="btn"
              onClick={async () =>
                saveText(fileName(job.name, 'grenko.json'), await exportJob(job.id), 'application/json')
              }
            >
              <Download size={17} aria-hidden="true" /> Job file
            </button>
            <button type="button" className="btn" onClick={saveList}>
              <Sheet size={17} aria-hidden="true" /> List as CSV
            </button>
            <CalendarButton view={view} name={job.name} className="btn" />
            <Link className="btn" href={`/job/${job.id}/pick`}>
              <PackageCheck size={17} aria-hidden="true" /> Pick list
            </Link>
            <Link className="btn" href={`/job/${job.id}/card`}>
              <Printer size={17} aria-hidden="true" /> Job card
            </Link>
            <Link className="btn" href={`/job/${job.id}/report`}>
              <FileText size={17} aria-hidden="true" /> Report
            </Link>
            <Link className="btn" href={`/job/${job.id}/tag`}>
              <QrCode size={17} aria-hidden="true" /> Tags
            </Link>
            <Link className="btn" href={`/job/${job.id}/log`}>
              <ScrollText size={17} aria-hidden="true" /> Log
            </Link>
            <button type="button" className="btn" onClick={asTemplate}>
              <CopyPlus size={17} aria-hidden="true" /> A job like this
            </button>
            <ShareJob jobId={job.id} name={jobName(job)} />
            <DeleteJob job={job} />
          </div>
        </section>
        <section aria-label="Site" className="roomy:overflow-auto thin-scroll pr-1">
          <Heading>Site</Heading>
          <div className="grid grid-cols-2 gap-2">
            <TextField label="Name of the job" value={job.name} onChange={(name) => change({ name })} />
            <TextField label="Where" value={job.place} onChange={(place) => change({ place })} />
            <ZoneField job={job} onTake={(zone) => change({ zone })} />
            <WhenField
              label="Wanted back in service"
              className="col-span-2"
              value={job.wantedAt}
              zone={job.zone}
              atHour={job.workingHours.toHour}
              onChange={(wantedAt) => change({ wantedAt }, 'wanted')}
              onClear={() => change({ wantedAt: null }, 'wanted')}
            />
            <WhenField
              label="Work may begin"
              className="col-span-2"
              value={job.startFrom}
              zone={job.zone}
              atHour={job.workingHours.fromHour}
              onChange={(startFrom) => change({ startFrom }, 'from')}
            />
          </div>
          <Heading>Working hours</Heading>
          <Hours job={job} write={(workingHours) => change({ workingHours }, 'hours')} />
          <DoneBy job={job} write={(doneBy) => change({ doneBy }, 'done-by')} />
          <AtHand has={job.atHand} write={(atHand) => change({ atHand }, 'at-hand')} />
          <Heading>Air at the site</Heading>
          <ClimateFields job={job} write={(climate) => change({ climate }, 'climate')} />
          {view.repairs.length > 0 && (
            <p className="soft mt-2">{phrase`Last repair may be opened ${
              view.repairs.every((r) => r.plan.openMs !== null)
                ? shortWhen(Math.max(...view.repairs.map((r) => r.plan.openMs!)), job.zone, nowMs)
                : 'at a time not in sight yet'
            }.`}</p>
          )}
        </section>
      </main>
      <Mishap what="The time band" on={[view]}>
        <TimeBand
          view={view}
          nowMs={nowMs}
          onStart={(id, startMs) => changeRepair(id, (r) => ({ ...r, plannedStart: startMs }), 'start')}
          onTemperature={pull}
        />
      </Mishap>
    </div>
  );
}

function Hours({
  job,
  write,
}: {
  job: Parameters<typeof calendarProblems>[0];
  write: (hours: (typeof job)['workingHours']) => void;
}) {
  const { fromHour, toHour, days } = job.workingHours;
  const weekStart = usePrefs((p) => p.weekStart);
  const objection = (over: Partial<typeof job.workingHours>) =>
    calendarProblems({ ...job, workingHours: { ...job.workingHours, ...over } })[0]?.sentence ?? null;
  const [fault, setFault] = useState<Said | null>(null);
  const tryWrite = (hours: typeof job.workingHours) => {
    const bad = objection(hours);
    setFault(bad);
    if (!bad) write(hours);
  };
  return (
    <div className="flex flex-wrap gap-2 items-end">
      <ClockField
        label="from"
        className="w-28"
        hour={fromHour}
        check={(hour) => objection({ fromHour: hour })}
        onChange={(hour) => tryWrite({ fromHour: hour, toHour, days })}
      />
      <ClockField
        label="to"
        className="w-28"
        hour={toHour}
        check={(hour) => objection({ toHour: hour })}
        onChange={(hour) => tryWrite({ fromHour, toHour: hour, days })}
      />
      <fieldset className="flex gap-0.5">
        <legend className="sr-only">Working days</legend>
        {weekFrom(weekStart).map((day) => {
          const on = days.includes(day);
          return (
            <button
              key={day}
              type="button"
              className="btn text-sm !px-2"
              aria-pressed={on}
              onClick={() =>
                tryWrite({ fromHour, toHour, days: on ? days.filter((x) => x !== day) : [...days, day].sort() })
              }
            >
              {DAYS[day - 1]}
            </button>
          );
        })}
      </fieldset>
      {fault && (
        <p role="alert" className="basis-full text-sm" style={{ color: 'var(--stop)' }}>
          <Prose>{fault}</Prose>
        </p>
      )}
    </div>
  );
}
