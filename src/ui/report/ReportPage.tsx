'use client';
import { FileDown, FileJson, Printer, QrCode, Sheet as Table } from 'lucide-react';
import Link from 'next/link';
import { useMemo, useRef, useState } from 'react';
import { repairName } from '@/core/plan';
import {
  documentOf,
  type Event,
  entriesCsv,
  FIGURES,
  type JobView,
  type PlanSnapshot,
  type RepairDocument,
  type RepairView,
  sectionsOf,
} from '@/core/record';
import { say } from '@/words';
import { startReport } from '@/worker/report';
import { captionOf, photosOf } from '../photo/photos-of';
import { Heading } from '../shared/bits';
import { Drawing } from '../shared/Drawing';
import { Tag } from '../shared/Tag';
import { ticksOf } from '../shared/ticks';
import { fullWhen } from '../shared/when';
import { fileName, saveBytes, saveText } from '../workspace/files';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { useJobView } from '../workspace/view';
import { useWorkspace } from '../workspace/workspace';
import { Compared } from './Compared';

/** The record of a job as a document: on the screen, as a PDF, as data and as a table. */
export function ReportPage({ jobId }: { jobId: string }) {
  const view = useJobView(jobId);
  const nowMs = useNow(60_000);
  const events = useWorkspace((d) => d.events);
  const mine = useMemo(() => events.filter((e) => e.jobId === jobId), [events, jobId]);
  const [chosen, setChosen] = useState<string | null>(null);
  if (!view)
    return (
      <main id="main" className="p-8">
        This job is not in this browser.
      </main>
    );
  // A photograph from before is a record, too.
  const told = new Set(mine.map((e) => e.repairId));
  const begun = view.repairs.filter((r) => told.has(r.repair.id));
  const at = begun.find((r) => r.repair.id === chosen) ?? begun[0];
  return (
    <div className="px-4 md:px-6 pt-3 pb-8">
      <div className="no-print">
        <Tag view={view} nowMs={nowMs} />
      </div>
      <main id="main" className="mt-4 max-w-5xl">
        <h1 className="text-2xl font-bold no-print">Report</h1>
        {!at ? (
          <p>
            Nothing has happened yet. A record begins with the work, in the{' '}
            <Link href={`/job/${jobId}`}>running view of a repair</Link>.
          </p>
        ) : (
          <>
            {begun.length > 1 && (
              <div className="flex flex-wrap gap-1 my-2 no-print" role="group" aria-label="Repairs">
                {begun.map((r) => (
                  <button
                    key={r.repair.id}
                    type="button"
                    className="btn text-sm"
                    aria-pressed={r === at}
                    onClick={() => setChosen(r.repair.id)}
                  >
                    {repairName(r.repair)}
                  </button>
                ))}
              </div>
            )}
            <OfRepair key={at.repair.id} job={view} view={at} events={mine} nowMs={nowMs} />
          </>
        )}
      </main>
    </div>
  );
}

function OfRepair({
  job,
  view,
  events,
  nowMs,
}: {
  job: JobView;
  view: RepairView;
  events: readonly Event[];
  nowMs: number;
}) {
  const system = usePrefs((p) => p.system);
  const snapshots = useWorkspace((d) => d.snapshots);
  const attachments = useWorkspace((d) => d.attachments);
  const { zone } = job.job;
  const [share, setShare] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const run = useRef<{ cancel: () => void } | null>(null);
  const doc = useMemo(
    () =>
      documentOf(job, view, events, {
        tell: (said) => say(said, { system, zone, language: 'en' }),
        when: (ms) => fullWhen(ms, zone),
        nowMs,
        kept: keptPlan(snapshots, events, view.repair.id),
      }),
    [job, view, events, nowMs, system, zone, snapshots],
  );
  const sections = useMemo(() => sectionsOf(view), [view]);
  const photos = useMemo(
    () =>
      photosOf(events, attachments, view.repair.id).map((p) => ({
        id: p.id,
        eventId: p.eventId,
        data: p.data,
        type: p.type,
        caption: `${fullWhen(p.atMs, zone)}: ${captionOf(p)}`,
      })),
    [events, attachments, view.repair.id, zone],
  );
  const name = fileName(`${job.job.name} ${doc.title} record`, '').slice(0, -1);
  const print = async () => {
    const spans = [...doc.planned, ...doc.real];
    const [from, to] = [Math.min(...spans.map((s) => s.fromMs)), Math.max(...spans.map((s) => s.toMs))];
    setShare(0);
    setFault(null);
    const report = startReport(
      { doc, sections, photos, ticks: ticksOf(from, to, zone), paper: system === 'us' ? 'letter' : 'a4' },
      setShare,
    );
    run.current = report;
    try {
      saveBytes(`${name}.pdf`, await report.pdf, 'application/pdf');
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    } finally {
      setShare(null);
    }
  };
  return (
    <div>
      <div className="flex flex-wrap gap-2 my-2 no-print items-center">
        <button type="button" className="btn btn-neutral" disabled={share !== null} onClick={() => void print()}>
          <FileDown size={18} aria-hidden="true" /> PDF
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => saveText(`${name}.json`, JSON.stringify(doc, null, 1), 'application/json')}
        >
          <FileJson size={18} aria-hidden="true" /> JSON
        </button>
        <button type="button" className="btn" onClick={() => saveText(`${name}.csv`, entriesCsv(doc), 'text/csv')}>
          <Table size={18} aria-hidden="true" /> CSV
        </button>
        <button type="button" className="btn" onClick={() => window.print()}>
          <Printer size={18} aria-hidden="true" /> Print this page
        </button>
        <Link className="btn" href={`/job/${job.job.id}/tag`}>
          <QrCode size={18} aria-hidden="true" /> Tags
        </Link>
        {share !== null && (
          <span className="flex items-center gap-2" role="status">
            <progress value={share} max={1} aria-label="The report is being written" />
            <button
              type="button"
              className="btn btn-link"
              onClick={() => {
                run.current?.cancel();
                setShare(null);
              }}
            >
              Stop
            </button>
          </span>
        )}
      </div>
      {fault && (
        <p role="alert" style={{ color: 'var(--stop)' }}>
          The report could not be written: {fault}
        </p>
      )}
      <Written doc={doc} zone={zone} view={view} sections={sections} photos={photos} />
    </div>
  );
}

/** The plan that was kept when the work of a repair began. */
function keptPlan(snapshots: ReadonlyMap<string, PlanSnapshot>, events: readonly Event[], repairId: string) {
  const begun = events.find((e) => e.repairId === repairId && e.body.kind === 'started');
  const kept = begun?.body.kind === 'started' ? snapshots.get(begun.body.snapshotId) : undefined;
  return kept?.report.repairs.find((r) => r.repairId === repairId);
}

type Explained = RepairDocument['working'][number];

/** What is told, with what stands behind it one press away. */
function Pairs({
  list,
  working = [],
}: {
  list: readonly (readonly [string, string])[];
  working?: readonly Explained[];
}) {
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-0.5 break-words [&>div>dd]:min-w-0 [&>div>dd]:[overflow-wrap:anywhere]">
      {list.map(([a, b]) => (
        <div key={`${a} ${b}`} className="contents">
          <dt className="soft">{a}</dt>
          <dd>
            <Opens figure={a} working={working}>
              {b}
            </Opens>
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** A figure that opens to how it came about; plain where nothing was computed. */
function Opens({
  figure,
  working,
  children,
}: {
  figure: string;
  working: readonly Explained[];
  children: React.ReactNode;
}) {
  const behind = working.filter((w) => w.explains.includes(figure));
  if (!behind.length) return children;
  return (
    <details data-figure={figure}>
      <summary className="cursor-pointer">{children}</summary>
      {behind.map((w) => (
        <WorkingOf key={w.title} lines={w.lines} />
      ))}
    </details>
  );
}

function WorkingOf({ lines }: Pick<Explained, 'lines'>) {
  return (
    <table className="table text-sm">
      <tbody>
        {lines.map((l, i) => (
          <tr key={`${l.label} ${i}`}>
            <td className="pr-3 align-top">{l.label}</td>
            <td className="pr-3 soft">{l.how}</td>
            <td className="fig text-right whitespace-nowrap">{l.value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Written({
  doc,
  view,
  zone,
  sections,
  photos,
}: {
  doc: RepairDocument;
  view: RepairView;
  zone: string;
  sections: ReturnType<typeof sectionsOf>;
  photos: readonly {
    readonly id: string;
    readonly eventId: string;
    readonly data: string;
    readonly type: string;
    readonly caption: string;
  }[];
}) {
  return (
    <article className="paper p-3 md:p-5 overflow-x-auto" aria-label={`Record of ${doc.title}`}>
      <h2 className="text-2xl font-extrabold">{doc.title}</h2>
      <p className="soft mb-3">{[doc.place, doc.job].filter(Boolean).join(' · ')}</p>
      <div className="grid md:grid-cols-[1fr_18rem] gap-5">
        <Pairs list={doc.facts} working={doc.working} />
        {sections[0] && (
          <Drawing drawing={sections[0].drawing} base={view.repair.base.material} width={288} height={200} small />
        )}
      </div>
      {doc.deviations.length > 0 && (
        <>
          <Heading>Departures</Heading>
          <ul className="list-disc pl-5">
            {doc.deviations.map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
        </>
      )}
      <Heading aside="hands on; above as planned, below as it was">Planned and real</Heading>
      <Compared doc={doc} zone={zone} />
      {doc.batches.length > 0 && (
        <>
          <Heading>Batches</Heading>
          <Opens figure={FIGURES.batches} working={doc.working}>
            how they come about
          </Opens>
          <table className="table text-[0.95rem]">
            <thead className="soft text-sm text-left">
              <tr>
                <th className="font-normal">part</th>
                <th className="font-normal">planned</th>
                <th className="font-normal">weighed</th>
                <th className="font-normal">off by</th>
                <th className="font-normal">lot</th>
              </tr>
            </thead>
            {doc.batches.map((b) => (
              <tbody key={b.label}>
                <tr style={{ borderTop: '1px solid var(--hair)' }}>
                  <th colSpan={5} className="text-left pt-1.5">
                    {b.label} <span className="soft font-normal">{b.witness}</span>
                  </th>
                </tr>
                {b.rows.map((r) => (
                  <tr key={r.part}>
                    <td>{r.part}</td>
                    <td className="fig">{r.planned}</td>
                    <td className="fig">{r.real}</td>
                    <td className="fig">{r.off}</td>
                    <td>{r.lot}</td>
                  </tr>
                ))}
              </tbody>
            ))}
          </table>
        </>
      )}
      <Heading>Tests and signatures</Heading>
      <ul>
        {doc.tests.map((t) => (
          <li key={t.ask} className="flex gap-4">
            <span className="flex-1">{t.ask}</span>
            <strong>{t.answer}</strong>
            <span className="soft">{t.at}</span>
          </li>
        ))}
      </ul>
      <Pairs
        list={[...doc.opened.map(([a, b]) => [`opened: ${a}`, b] as const), ...doc.signatures]}
        working={doc.working}
      />
      {photos.length > 0 && (
        <>
          <Heading>Photographs</Heading>
          <div className="grid grid-cols-2 md:grid-cols-3 gap-3">
            {photos.map((p) => (
              <figure key={p.id}>
                {/* biome-ignore lint/performance/noImgElement: the picture lives in this browser's database */}
                <img src={`data:${p.type};base64,${p.data}`} alt={p.caption} className="w-full" />
                <figcaption className="text-sm">{p.caption}</figcaption>
              </figure>
            ))}
          </div>
        </>
      )}
      <Heading>What happened</Heading>
      <table className="table text-[0.95rem]">
        <tbody>
          {doc.entries.map((e, i) => (
            <tr key={`${e.at} ${i}`} style={{ borderTop: '1px solid var(--paper-line)' }}>
              <td className="fig text-[0.8rem] whitespace-nowrap pr-3 align-top py-1">{e.at}</td>
              <td className="py-1">
                <span className={e.later.length ? 'line-through soft' : ''}>{e.what}</span>
                {e.later.map((l) => (
                  <span key={l} className="block">
                    → {l}
                  </span>
                ))}
                {photos
                  .filter((p) => p.eventId === e.event)
                  .map((p) => (
                    // biome-ignore lint/performance/noImgElement: the picture lives in this browser's database
                    <img
                      key={p.id}
                      src={`data:${p.type};base64,${p.data}`}
                      alt={p.caption}
                      loading="lazy"
                      className="h-20 w-auto my-1"
                    />
                  ))}
              </td>
              <td className="align-top py-1 soft">{e.role}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <details className="mt-3">
        <summary className="cursor-pointer">Working: how every figure came about</summary>
        {doc.working.map((w) => (
          <section key={w.title}>
            <Heading>{w.title}</Heading>
            <WorkingOf lines={w.lines} />
          </section>
        ))}
      </details>
      <Heading>Whether the record is whole</Heading>
      <Pairs
        list={doc.chains.map((c) => [
          `device ${c.device.slice(0, 12)}`,
          `${c.entries} entries, ${c.whole ? 'whole' : 'broken'}${c.last ? `; last ${c.last}` : '; not linked'}`,
        ])}
      />
    </article>
  );
}
