'use client';
import { FileDown, FileJson, Printer, QrCode, Sheet as Table } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { repairName } from '@/core/plan';
import {
  documentOf,
  type Event,
  entriesCsv,
  type JobView,
  type PlanSnapshot,
  type RepairView,
  sectionsOf,
} from '@/core/record';
import { errorInWords, phrase, say } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { startReport } from '@/worker/report';
import { captionOf, photosOf } from '../photo/photos-of';
import { useReader } from '../shared/bits';
import { Link } from '../shared/Link';
import { Tag } from '../shared/Tag';
import { ticksOf } from '../shared/ticks';
import { fullWhen } from '../shared/when';
import { fileName, saveBytes, saveText } from '../workspace/files';
import { useNow } from '../workspace/now';
import { useJobView } from '../workspace/view';
import { useWorkspace } from '../workspace/workspace';
import { Written } from './Written';

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
                    <Own>{repairName(r.repair)}</Own>
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
  const snapshots = useWorkspace((d) => d.snapshots);
  const attachments = useWorkspace((d) => d.attachments);
  const { zone } = job.job;
  const reader = useReader(zone);
  const [share, setShare] = useState<number | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const run = useRef<{ cancel: () => void } | null>(null);
  const doc = useMemo(
    () =>
      documentOf(job, view, events, {
        tell: (said) => say(said, reader),
        when: (ms) => fullWhen(ms, zone),
        nowMs,
        kept: keptPlan(snapshots, events, view.repair.id),
      }),
    [job, view, events, nowMs, reader, zone, snapshots],
  );
  const sections = useMemo(() => sectionsOf(view), [view]);
  const photos = useMemo(
    () =>
      photosOf(events, attachments, view.repair.id).map((p) => ({
        id: p.id,
        eventId: p.eventId,
        data: p.data,
        type: p.type,
        caption: phrase`${fullWhen(p.atMs, zone)}: ${captionOf(p)}`,
      })),
    [events, attachments, view.repair.id, zone],
  );
  const name = fileName(phrase`${job.job.name} ${doc.title} record`, '').slice(0, -1);
  const print = async () => {
    const spans = [...doc.planned, ...doc.real];
    const [from, to] = [Math.min(...spans.map((s) => s.fromMs)), Math.max(...spans.map((s) => s.toMs))];
    setShare(0);
    setFault(null);
    const report = startReport(
      { doc, sections, photos, ticks: ticksOf(from, to, zone), paper: reader.system === 'us' ? 'letter' : 'a4' },
      setShare,
    );
    run.current = report;
    try {
      saveBytes(`${name}.pdf`, await report.pdf, 'application/pdf');
    } catch (error) {
      setFault(errorInWords(error));
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
        <p role="alert" style={{ color: 'var(--stop)' }}>{phrase`The report could not be written: ${fault}`}</p>
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
