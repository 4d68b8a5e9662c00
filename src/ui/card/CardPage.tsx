'use client';
import { Printer } from 'lucide-react';
import { alike } from '@/core/judge';
import type { Batch } from '@/core/mix';
import { cautionsOf, jobName, repairName } from '@/core/plan';
import { PART_IDS } from '@/core/system';

import { SHAPES } from '@/core/void';
import { formatDuration, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { wholeOf } from '../mix/whole';
import { FindingSign, useFormat, useSay } from '../shared/bits';
import { Drawing } from '../shared/Drawing';
import { Link } from '../shared/Link';
import { dayAndClock, fullWhen } from '../shared/when';
import { useNow } from '../workspace/now';
import { useJobView } from '../workspace/view';
import { useWorkspace } from '../workspace/workspace';
import { TwoInOne } from '../yard/Yard';

/** What is filled in by hand on paper, and has no use on a phone. */
const PENCIL = 'max-sm:hidden print:table-cell';

/** Parts that any batch has. */
const partsIn = (batches: readonly Batch[]) => PART_IDS.filter((p) => batches.some((b) => b.massG[p] > 0));

/** The job card a foreman pins up: what, how much, by when, and what must not be forgotten. */
export function CardPage({ jobId }: { jobId: string }) {
  const view = useJobView(jobId);
  const nowMs = useNow(60_000);
  const format = useFormat();
  const says = useSay(view?.job.zone ?? 'utc');
  const lessons = useWorkspace((d) => d.events).filter((e) => e.body.kind === 'lesson');
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
            <p>{phrase`${job.place} · printed ${fullWhen(nowMs, zone)}`}</p>
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
          const shape = repair.void?.shapes[0];
          const mix = plan.mix;
          const main = plan.milestones.findLast((m) => m.kind === plan.serves);
          return (
            <section key={repair.id} className="py-3 break-inside-avoid" style={{ borderBottom: '1.5px solid #000' }}>
              <div className="grid sm:grid-cols-[minmax(0,1fr)_58mm] print:grid-cols-[minmax(0,1fr)_58mm] gap-4">
                <div>
                  <h2 className="text-xl font-bold">
                    {repairName(repair)} <span className="font-normal text-base">{repair.place}</span>
                  </h2>
                  <p>
                    {plan.method?.label} · {plan.sheet?.name ?? 'no system chosen'}
                  </p>
                  {plan.void && mix ? (
                    <dl className="grid grid-cols-[auto_1fr] gap-x-4 mt-1">
                      <dt>void</dt>
                      <dd className="fig font-semibold">{phrase`${format('volume', plan.void.nominalMl).text} (${format('volume', plan.void.p5Ml).digits} to ${format('volume', plan.void.p95Ml).digits})`}</dd>
                      <dt>mix</dt>
                      <dd className="fig font-semibold">{phrase`${
                        format('volume', mix.toMixMl).text
                      } in ${plan.batches.length}`}</dd>
                      <dt>bring</dt>
                      <dd className="fig font-semibold">
                        {mix.kits.buy} × {mix.kits.kit.label}
                      </dd>
                      <dt>begin</dt>
                      <dd className="fig font-semibold">
                        {plan.steps[0] ? dayAndClock(plan.steps[0].startMs, zone) : ''}
                      </dd>
                      <dt>leave alone to</dt>
                      <dd className="fig font-semibold">
                        {main?.planMs ? dayAndClock(main.planMs, zone) : 'no time: see findings'}
                      </dd>
                      <dt>open</dt>
                      <dd className="fig font-bold text-lg">
                        {plan.openMs !== null ? dayAndClock(plan.openMs, zone) : '—'}
                      </dd>
                    </dl>
                  ) : (
                    <p className="font-bold mt-1">{phrase`Not planned to the end: ${[
                      ...(plan.open.measure ?? []),
                      ...(plan.open.material ?? []),
                      ...plan.problems.map((p) => p.sentence),
                    ]
                      .map(says)
                      .join(' ')}`}</p>
                  )}
                </div>
                {shape && plan.void && (
                  <div className="h-[42mm] border border-black">
                    <Drawing
                      drawing={SHAPES[shape.shape].section(shape)}
                      base={repair.base.material}
                      width={230}
                      height={165}
                      small
                      values={Object.fromEntries(
                        SHAPES[shape.shape].dimensions(shape).map((d) => [d.key, d.measured.valueMm]),
                      )}
                    />
                  </div>
                )}
              </div>
              {plan.batches.length > 0 && (
                <table className="table mt-2 text-sm">
                  <thead>
                    <tr className="text-left">
                      {['batch', ...partsIn(plan.batches), 'mix'].map((h) => (
                        <th key={h} className="font-normal border-b border-black">
                          {h}
                        </th>
                      ))}
                      {['mixed at', 'dead at'].map((h) => (
                        <th key={h} className={`font-normal border-b border-black ${PENCIL}`}>
                          {h}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {plan.batches.map((b) => (
                      <tr key={b.index} className="fig">
                        <td className="font-sans">
                          {b.index + 1}{' '}
                          {[says(b.label), plan.sheet && wholeOf(b, plan.sheet)].filter(Boolean).join(', ')}
                        </td>
                        {partsIn(plan.batches).map((p) => (
                          <td key={p} className="whitespace-nowrap">
                            {b.massG[p] > 0 ? format('mass', b.massG[p]).text : ''}
                          </td>
                        ))}
                        <td className="whitespace-nowrap">{format('volume', b.ml).text}</td>
                        <td className={PENCIL}>____:____</td>
                        <td className={PENCIL}>____:____</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
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
                {lessons
                  .filter(
                    (e) => repair.method.id === plan.method?.id && e.repairId !== repair.id && e.body.kind === 'lesson',
                  )
                  .slice(-2)
                  .map((e) => (
                    <li key={e.id}>{phrase`Last time: ${e.body.kind === 'lesson' ? e.body.text : ''}`}</li>
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
