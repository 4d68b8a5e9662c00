'use client';
import { Printer } from 'lucide-react';
import { create as qrOf } from 'qrcode';
import { useEffect, useState } from 'react';
import { partTag, type RepairView, tagText } from '@/core/record';
import { joined, phrase } from '@/words';
import { useSay } from '../shared/bits';
import { Link } from '../shared/Link';
import { fullWhen } from '../shared/when';
import { usePrefs } from '../workspace/prefs';
import { useJobView } from '../workspace/view';

/** Small prints to hang on the parts: what, when it was placed, what must not be done before. */
export function TagPage({ jobId }: { jobId: string }) {
  const view = useJobView(jobId);
  if (!view)
    return (
      <main id="main" className="p-8">
        This job is not in this browser.
      </main>
    );
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
      <main id="main" className="px-4 pb-8 flex flex-wrap gap-4" data-theme="sun">
        <h1 className="sr-only">Tags</h1>
        {view.repairs.map((r) => (
          <TagOf key={r.repair.id} view={r} zone={view.job.zone} jobId={jobId} />
        ))}
      </main>
    </div>
  );
}

function TagOf({ view, zone, jobId }: { view: RepairView; zone: string; jobId: string }) {
  const role = usePrefs((p) => p.role);
  const [origin, setOrigin] = useState('');
  useEffect(() => setOrigin(location.origin), []);
  const tag = partTag(view, role);
  const tell = useSay(zone);
  const when = (ms: number) => fullWhen(ms, zone);
  const text = tagText(tag, { tell, when }, origin ? `${origin}/job/${jobId}/${view.repair.id}/release` : '');
  return (
    <section
      className="bg-white text-black grid grid-cols-[1fr_auto] gap-3 p-3"
      style={{ width: '105mm', minHeight: '62mm', border: '2px solid #000', breakInside: 'avoid' }}
      aria-label={phrase`Tag of ${tag.name}`}
    >
      <div className="flex flex-col min-w-0">
        <h2 className="text-xl font-extrabold leading-tight">{tag.name}</h2>
        <p className="leading-tight">{tag.place}</p>
        <p className="text-sm leading-tight">{joined(tag.systems, ', ')}</p>
        <p className="text-sm mt-1">{tag.setMs === null ? 'not placed yet' : phrase`placed ${when(tag.setMs)}`}</p>
        <span className="flex-1" />
        {tag.state === 'released' ? (
          <p className="text-lg font-bold">released</p>
        ) : (
          <>
            <p className="font-bold">do not load before</p>
            <p className="fig text-2xl font-bold leading-tight">
              {tag.notBeforeMs === null ? 'no time yet' : when(tag.notBeforeMs)}
            </p>
          </>
        )}
        <p className="text-sm">
          {tag.state === 'released' ? 'by' : 'hung up by'} {tag.role}
        </p>
      </div>
      <Code text={text} />
    </section>
  );
}

/** A code that any telephone reads. */
function Code({ text }: { text: string }) {
  const { modules } = qrOf(text, { errorCorrectionLevel: 'M' });
  const n = modules.size;
  const squares = Array.from({ length: n * n }, (_, i) => i).flatMap((i) => {
    const [row, column] = [Math.floor(i / n), i % n];
    return modules.get(row, column) ? [`M${column + 4},${row + 4}h1v1h-1z`] : [];
  });
  return (
    <svg
      viewBox={`0 0 ${n + 8} ${n + 8}`}
      style={{ width: '40mm', height: '40mm', alignSelf: 'center' }}
      shapeRendering="crispEdges"
      role="img"
      data-code={text}
    >
      <title>{phrase`What the code says: ${text}`}</title>
      <rect width={n + 8} height={n + 8} fill="#fff" />
      <path d={squares.join('')} fill="#000" />
    </svg>
  );
}
