'use client';
import { FilePlus2, FolderInput, Footprints, Ship, Trash2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { standingStops } from '@/core/judge';
import { type Job, jobName, repairName } from '@/core/plan';
import { type JobView, type Touch, touchNow, viewJob } from '@/core/record';

import { inYard, yardOf } from '@/store/state';
import { formatDuration, phrase, say } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { Heading, Prose, Ways } from '../shared/bits';
import { FilePick } from '../shared/FilePick';
import { Link } from '../shared/Link';
import { Mishap, MishapCard } from '../shared/Mishap';
import { Notice } from '../shared/Notice';
import { TimeBand } from '../shared/TimeBand';
import { dayAndClock, shortWhen } from '../shared/when';
import { loadFinishedSample, loadMethodsSample, loadSample, removeSample } from '../workspace/exchange';
import { freshJob } from '../workspace/fresh';
import { useNow } from '../workspace/now';
import { usePots } from '../workspace/pots';
import { readerAt, setPrefs, usePrefs } from '../workspace/prefs';
import { takeFile } from '../workspace/take-file';
import { addJob, clock, stateNow, useWorkspace } from '../workspace/workspace';

const FirstLook = dynamic(() => import('../first/FirstLook').then((m) => m.FirstLook), {
  ssr: false,
  loading: () => <section className="paper h-[36rem]" aria-busy="true" aria-label="A first look" />,
});

/** Of one job, or none, nobody asks it. */
const TwoAtOnce = dynamic(() => import('./TwoAtOnce').then((m) => m.TwoAtOnce), { ssr: false });

/** A job as planned, or why it could not be. */
interface Planned {
  readonly job: Job;
  readonly view?: JobView;
  readonly error?: unknown;
}

/** All jobs: what is due next, what may be touched now, each on its own time band. */
export function Yard() {
  const desk = useWorkspace();
  const router = useRouter();
  const nowMs = useNow(20_000);
  const [say, setSay] = useState<{ text: string; bad: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const jobs = useMemo(
    () => [...desk.jobs.values()].sort((a, b) => (a.wantedAt ?? a.startFrom) - (b.wantedAt ?? b.startFrom)),
    [desk.jobs],
  );
  const { repairs, sheets, stock, events, snapshots } = desk;
  const pots = usePots(repairs, sheets);
  // One job that cannot be planned is one card that says so.
  const planned = useMemo(() => {
    const state = { jobs: new Map(jobs.map((j) => [j.id, j])), repairs, sheets, stock, events, snapshots };
    const yard = yardOf(state);
    return jobs.map((job): Planned => {
      try {
        return { job, view: viewJob(inYard(state, job.id, yard)!, nowMs, pots) };
      } catch (error) {
        return { job, error };
      }
    });
  }, [jobs, repairs, sheets, stock, events, snapshots, nowMs, pots]);
  const views = planned.flatMap((p) => (p.view ? [p.view] : []));
  const create = () => {
    const job = freshJob(clock.now(), usePrefs.getState().system);
    addJob(job);
    router.push(`/job/${job.id}`);
  };
  const take = async (file: File) => {
    const taken = await takeFile(file);
    setSay({ bad: !taken.ok, text: taken.said });
    if (taken.href) router.push(taken.href);
  };
  const sampleHere = jobs.some((j) => j.sample);
  // The address that the demo prints asks for the sample; an own job is reason enough not to load it unasked.
  useEffect(() => {
    if (new URLSearchParams(location.search).has('sample') && stateNow().jobs.size === 0)
      void loadSample().then(() => history.replaceState(null, '', '/'));
  }, []);
  const withSample = async (does: () => Promise<void>) => {
    setBusy(true);
    await does();
    setBusy(false);
  };
  const showRound = async () => {
    if (!sampleHere) await withSample(loadSample);
    setPrefs({ guide: 0 });
  };
  const actions = (
    <div className="flex gap-2 flex-wrap no-print">
      <button type="button" className="btn btn-neutral" onClick={create}>
        <FilePlus2 size={18} aria-hidden="true" /> New job
      </button>
      <FilePick name="Job file" accept=".json,application/json" onFile={(file) => void take(file)}>
        <FolderInput size={18} aria-hidden="true" /> Take in a job file
      </FilePick>
      {!sampleHere ? (
        <button type="button" className="btn" disabled={busy} onClick={() => void withSample(loadSample)}>
          <Ship size={18} aria-hidden="true" /> Load the sample, Ostrel Lake
        </button>
      ) : (
        <button type="button" className="btn" disabled={busy} onClick={() => void withSample(removeSample)}>
          <Trash2 size={18} aria-hidden="true" /> Remove the sample
        </button>
      )}
      {(sampleHere || jobs.length === 0) && (
        <button type="button" className="btn" disabled={busy} onClick={() => void showRound()}>
          <Footprints size={18} aria-hidden="true" /> Show me round
        </button>
      )}
      {sampleHere && !desk.jobs.has('sample-edges') && (
        <button type="button" className="btn" disabled={busy} onClick={() => void withSample(loadFinishedSample)}>
          <Ship size={18} aria-hidden="true" /> Two finished jobs: a record to read
        </button>
      )}
      {sampleHere && !desk.jobs.has('sample-workshop') && (
        <button type="button" className="btn" disabled={busy} onClick={() => void withSample(loadMethodsSample)}>
          <Ship size={18} aria-hidden="true" /> Two more jobs: every method
        </button>
      )}
    </div>
  );
  return (
    <div className="px-4 md:px-6 py-4 max-w-[92rem] mx-auto">
      <header className="flex items-center gap-6 flex-wrap mb-4">
        <h1 className="flex items-center gap-3 text-2xl font-extrabold">
          <TwoInOne /> Grenko
        </h1>
        <span className="soft">the yard: every job on its own time</span>
        <span className="flex-1" />
        <Ways />
      </header>
      <main id="main">
        {say && (
          <Notice tone={say.bad ? 'stop' : 'told'} role={say.bad ? 'alert' : 'status'} className="mb-3">
            {say.text}
          </Notice>
        )}
        {jobs.length === 0 ? (
          <>
            <h2 className="text-xl font-bold">Nothing planned yet</h2>
            <p className="mb-3 text-lg max-w-6xl">
              Say what broke, and pull the drawing to its size or the air to its temperature: what it takes and when it
              may be loaded follow your hand.
            </p>
            {/* Above what is still being loaded: a button that moves under the hand is not pressed. */}
            <div className="mb-3">{actions}</div>
            <Mishap what="The first look">
              <FirstLook />
            </Mishap>
            <p className="soft mt-3">
              The sample is a ferry crossing with one job for tomorrow and one running now; it can be removed again
              without touching what is yours.
            </p>
          </>
        ) : (
          <>
            {actions}
            <Mishap what="What is due next" on={[views]}>
              <Due views={views.filter((v) => !isFinished(v, nowMs))} nowMs={nowMs} />
              {views.length > 1 && <TwoAtOnce views={views.filter((v) => !isFinished(v, nowMs))} nowMs={nowMs} />}
            </Mishap>
            {planned
              .filter((p) => !p.view || !isFinished(p.view, nowMs))
              .map(({ job, view, error }) =>
                view ? (
                  <Mishap key={job.id} what={`“${jobName(job)}”`} jobId={job.id} on={[view]}>
                    <JobStrip view={view} nowMs={nowMs} />
                  </Mishap>
                ) : (
                  <MishapCard key={job.id} what={`“${jobName(job)}”`} error={error} jobId={job.id} />
                ),
              )}
            <Finished views={views.filter((v) => isFinished(v, nowMs))} nowMs={nowMs} />
          </>
        )}
      </main>
    </div>
  );
}

/** So long a released job stands among the others, ms. */
const STANDS_MS = 2 * 86_400_000;

/** Whether every repair of a job was released, and that some time ago. */
const isFinished = ({ repairs }: JobView, nowMs: number): boolean =>
  repairs.length > 0 &&
  repairs.every((r) => r.actuals.released !== null && r.actuals.released.atMs < nowMs - STANDS_MS);

/** Jobs that are done: their record, not their time, is what is asked for. */
function Finished({ views, nowMs }: { views: readonly JobView[]; nowMs: number }) {
  if (!views.length) return null;
  return (
    <section aria-label="Finished" className="mt-5">
      <Heading>Finished</Heading>
      <ul>
        {views.map(({ job, repairs }) => {
          const last = Math.max(...repairs.map((r) => r.actuals.released!.atMs));
          return (
            <li
              key={job.id}
              className="flex flex-wrap items-baseline gap-x-5 gap-y-1 py-1.5"
              style={{ borderTop: '1px solid var(--hair)' }}
            >
              <Link href={`/job/${job.id}`} className="font-semibold">
                <Own>{jobName(job)}</Own>
              </Link>
              <span className="soft">
                <Own>{job.place}</Own>
              </span>
              <span>{phrase`${repairs.length} ${repairs.length === 1 ? 'repair' : 'repairs'}, released ${shortWhen(last, job.zone, nowMs)}`}</span>
              <span className="flex-1" />
              <Link href={`/job/${job.id}/report`}>Report</Link>
              <Link href={`/job/${job.id}/log`}>Log</Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** The mark: two parts becoming one. */
export function TwoInOne() {
  return (
    <svg width="40" height="30" viewBox="0 0 40 30" aria-hidden="true">
      <rect x="1" y="1" width="19" height="14" fill="url(#tx-a)" stroke="var(--ink)" />
      <rect x="20" y="1" width="19" height="14" fill="url(#tx-b)" stroke="var(--ink)" />
      <rect x="1" y="15" width="38" height="14" fill="url(#tx-hardening)" stroke="var(--ink)" />
    </svg>
  );
}

const TOUCH: Readonly<Record<Touch, string>> = {
  released: 'released',
  placing: 'being placed',
  test: 'test, then sign',
  leave: 'do not touch',
};

/** What comes next over all jobs, and what may be touched or loaded now. */
function Due({ views, nowMs }: { views: readonly JobView[]; nowMs: number }) {
  const system = usePrefs((p) => p.system);
  const next = views
    .flatMap((v) =>
      v.repairs.flatMap((r) => {
        if (r.actuals.released) return [];
        const step = r.plan.steps.find((s) => s.doneAt === null);
        return step ? [{ v, r, step }] : [];
      }),
    )
    .sort((a, b) => a.step.startMs - b.step.startMs)
    .slice(0, 5);
  const touch = views.flatMap((v) =>
    v.repairs
      .filter((r) => r.actuals.startedAt !== null)
      .map((r) => {
        return { v, r, word: TOUCH[touchNow(r, nowMs)] };
      }),
  );
  if (!next.length && !touch.length) return null;
  return (
    <section className="grid md:grid-cols-2 gap-x-6 mt-2 [&>div]:min-w-0">
      <div>
        <Heading>Due next</Heading>
        <ol>
          {next.map(({ v, r, step }) => (
            <li key={r.repair.id} className="flex gap-x-4 py-1 items-baseline">
              <span className="fig w-24 shrink-0">{dayAndClock(step.startMs, v.job.zone)}</span>
              <span className="min-w-0 flex gap-x-4 items-baseline flex-wrap">
                <Link
                  href={`/job/${v.job.id}/${r.repair.id}/${r.actuals.startedAt !== null ? 'run' : 'place'}`}
                  className="font-semibold"
                >
                  {say(step.title, { ...readerAt(v.job.zone), system })}
                </Link>
                <span className="soft truncate">
                  <Own>{repairName(r.repair)}</Own>
                </span>
              </span>
            </li>
          ))}
        </ol>
      </div>
      <div>
        <Heading>May it be touched?</Heading>
        {touch.length ? (
          <ul>
            {touch.map(({ v, r, word }) => (
              <li key={r.repair.id} className="flex gap-x-4 py-1 items-baseline">
                <strong className="w-36 shrink-0">{word}</strong>
                <span className="min-w-0 flex gap-x-4 items-baseline flex-wrap">
                  <Link href={`/job/${v.job.id}/${r.repair.id}/release`}>
                    <Own>{repairName(r.repair)}</Own>
                  </Link>
                  <span className="soft truncate">{r.repair.place}</span>
                </span>
              </li>
            ))}
          </ul>
        ) : (
          <p className="soft py-1">Nothing is setting at the moment.</p>
        )}
      </div>
    </section>
  );
}

/** One job: its name, what it lacks, and its time band. */
function JobStrip({ view, nowMs }: { view: JobView; nowMs: number }) {
  const { job } = view;
  const stops = view.repairs.reduce((n, r) => n + standingStops(r.findings, r.actuals.overrides).length, 0);
  const running = view.repairs.some((r) => r.actuals.startedAt !== null && !r.actuals.released);
  const worst = view.repairs.reduce<number | null>(
    (m, r) => (r.plan.inHandMin === null ? m : m === null ? r.plan.inHandMin : Math.min(m, r.plan.inHandMin)),
    null,
  );
  return (
    <section className="mt-5 paper" aria-label={jobName(job)}>
      <div className="flex items-baseline gap-x-6 gap-y-1 flex-wrap px-4 py-2.5">
        <h2 className="text-xl font-bold">
          <Link href={`/job/${job.id}`}>
            <Own>{jobName(job)}</Own>
          </Link>
        </h2>
        <span className="soft">
          <Own>{job.place}</Own>
        </span>
        {job.sample && (
          <span className="px-2 border border-dashed" style={{ borderColor: 'var(--rule)' }}>
            sample
          </span>
        )}
        {running && <strong>running</strong>}
        {stops > 0 && <strong style={{ color: 'var(--stop)' }}>{phrase`${stops} stop${stops > 1 ? 's' : ''}`}</strong>}
        <span className="flex-1" />
        {job.wantedAt !== null && (
          <span>
            reopen by <strong className="fig">{shortWhen(job.wantedAt, job.zone, nowMs)}</strong>
          </span>
        )}
        {worst !== null && (
          <span style={worst < 0 ? { color: 'var(--stop)', fontWeight: 700 } : undefined}>
            {formatDuration(Math.abs(worst))} {worst < 0 ? 'short' : 'in hand'}
          </span>
        )}
      </div>
      {view.repairs.length ? (
        <TimeBand view={view} nowMs={nowMs} />
      ) : (
        <p className="px-4 pb-3 soft">
          <Prose zone={view.job.zone}>{view.plan.problems[0]?.sentence ?? 'No repair in it yet.'}</Prose>{' '}
          <Link href={`/job/${job.id}`}>Open the job</Link>
        </p>
      )}
    </section>
  );
}
