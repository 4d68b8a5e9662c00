'use client';
import { Printer } from 'lucide-react';
import { alike } from '@/core/judge';
import { cautionsOf, jobName, pieceName, repairName, servedLast } from '@/core/plan';
import { formatDuration, own, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { FindingSign, useSay } from '../shared/bits';
import { Link } from '../shared/Link';
import { dayAndClock, fullWhen } from '../shared/when';
import { useLessons } from '../workspace/lessons';
import { useNow } from '../workspace/now';
import { useJobView } from '../workspace/view';
import { TwoInOne } from '../yard/Yard';
import { CardPass } from './CardPass';

/** The job card a foreman pins up: what, how much, by when, and what must not be forgotten. */
export function CardPage({ jobId }: { jobId: string }) {
  const view = useJobView(jobId);
  const nowMs = useNow(60_000);
  const says = useSay(view?.job.zone ?? 'utc');
  const notes = useLessons()?.notes ?? [];
  if (!view)
    return (
      <main id="main" className="p-8">
        This job is not in this browser.
      </main>
    );
  const { job } = view;
  const zone = job.zone;
  return (
    <div>
      <div className="no-print flex gap-2 p-4">
        <button type="button" className="btn btn-neutral" onClick={() => window.print()}>
          <Printer size={18} aria-hidden="true" /> Print
        </button>
        <Link className="btn" href={`/job/${jobId}`}>
          Back to the job
        </Link>
      </div>
      <main
        id="main"
        className="sheet-page bg-white text-black max-w-[210mm] mx-auto p-[10mm] border border-black"
        data-theme="sun"
        style={{ ['--paper' as string]: '#fff', ['--ground-2' as string]: '#f3f3f3' }}
      >
        <header className="flex items-end gap-4 pb-2" style={{ borderBottom: '3px solid #000' }}>
          <TwoInOne />
          <div className="flex-1">
            <h1 className="text-2xl font-extrabold leading-tight">
              <Own>{jobName(job)}</Own>
            </h1>
            <p>
              {[job.place, job.doneBy].filter(Boolean).join(' · ')} · {phrase`printed ${fullWhen(nowMs, zone)}`}
            </p>
          </div>
          {job.wantedAt !== null && (
            <p className="text-right">
              open by
              <br />
              <strong className="fig text-xl">{dayAndClock(job.wantedAt, zone)}</strong>
            </p>
          )}
        </header>
        {view.repairs.map((r) => {
          const { plan, repair } = r;
          const main = servedLast(plan);
          const methods = new Set(r.passes.map((p) => p.plan.method?.id));
          return (
            <section key={repair.id} className="py-3 break-inside-avoid" style={{ borderBottom: '1.5px solid #000' }}>
              <div className="flex flex-wrap items-baseline justify-between gap-x-6">
                <h2 className="text-xl font-bold">
                  {repairName(repair)} <span className="font-normal text-base">{repair.place}</span>
                </h2>
                {plan.steps[0] && (
                  <dl className="flex flex-wrap items-baseline gap-x-6 [&>div]:flex [&>div]:items-baseline [&>div]:gap-x-2">
                    <div>
                      <dt>begin</dt>
                      <dd className="fig font-semibold">{dayAndClock(plan.steps[0].startMs, zone)}</dd>
                    </div>
                    <div>
                      <dt>leave alone to</dt>
                      <dd className="fig font-semibold">
                        {main?.planMs ? dayAndClock(main.planMs, zone) : 'no time: see findings'}
                      </dd>
                    </div>
                    <div>
                      <dt>open</dt>
                      <dd className="fig font-bold text-lg">
                        {plan.openMs !== null ? dayAndClock(plan.openMs, zone) : '—'}
                      </dd>
                    </div>
                  </dl>
                )}
              </div>
              {r.passes.map((pass, i) => (
                <CardPass
                  key={pass.repair.passId}
                  pass={pass}
                  name={r.passes.length > 1 ? pieceName(pass.repair, i) : ''}
                  zone={zone}
                />
              ))}
              {plan.steps.length > 0 && (
                <ol className="mt-2 text-sm sm:columns-2 print:columns-2 gap-6">
                  {plan.steps.map((s) => (
                    <li key={s.id} className="flex gap-2 break-inside-avoid py-[1px]">
                      <span
                        className="inline-block size-3.5 border border-black shrink-0 mt-0.5"
                        style={s.hold ? { borderWidth: 3 } : undefined}
                      />
                      <span className="fig text-[0.72rem] w-[4.7rem] shrink-0 pt-0.5">
                        {dayAndClock(s.startMs, zone)}
                      </span>
                      <span>
                        {says(s.title)}
                        {s.hold ? ' ■' : ''} <span className="text-[0.8em]">{formatDuration(s.handsOnMin)}</span>
                      </span>
                    </li>
                  ))}
                  {plan.untimed.map((s) => (
                    <li key={s.id} className="flex gap-2 break-inside-avoid py-[1px]">
                      <span className="inline-block size-3.5 border border-black shrink-0 mt-0.5" />
                      <span className="text-[0.72rem] w-[4.7rem] shrink-0 pt-0.5">no time</span>
                      <span>{says(s.title)}</span>
                    </li>
                  ))}
                </ol>
              )}
              <ul className="mt-2 text-sm">
                {/* What two passes are told in the same words stands on paper once. */}
                {alike([
                  ...new Map(r.findings.map((f) => [[f.title, f.why, f.todo].map(says).join('\n'), f])).values(),
                ]).map(({ first: { id, severity, title, why, todo }, more }) => (
                  <li key={id} className="flex gap-2 items-start">
                    <FindingSign severity={severity} size={18} />
                    <span>
                      <strong>{says(title)}.</strong> {says(why)} {says(todo)}
                      {more.length > 0 && phrase` ${more.length} more like it; the last: ${says(more.at(-1)!.why)}`}
                    </span>
                  </li>
                ))}
                {cautionsOf(r.passes).map((c) => (
                  <li key={c}>– {c}</li>
                ))}
                {notes
                  .filter((n) => methods.has(n.methodId) && n.repairId !== repair.id)
                  .slice(0, 2)
                  .map((n) => (
                    <li key={`${n.repairId} ${n.text}`}>{phrase`Last time: ${own(n.text)}`}</li>
                  ))}
              </ul>
            </section>
          );
        })}
        <footer className="pt-2 text-sm flex justify-between gap-4">
          <span>
            ■ hold point: nothing goes on until it is ticked. The material’s own sheet, the local code and a competent
            person’s review come first.
          </span>
          <span className="whitespace-nowrap">signed ______________</span>
        </footer>
      </main>
    </div>
  );
}
