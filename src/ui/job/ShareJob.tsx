'use client';
import { Share2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { exportJob } from '../workspace/exchange';
import { fileName } from '../workspace/files';

const fileOf = async (jobId: string, name: string): Promise<File> =>
  new File([await exportJob(jobId)], fileName(name, 'grenko.json'), { type: 'application/json' });

/** Hands the job file to whatever the system shares with; nothing where it cannot. */
export function ShareJob({ jobId, name }: { jobId: string; name: string }) {
  const [can, setCan] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => {
    const probe = new File(['{}'], 'job.grenko.json', { type: 'application/json' });
    setCan(navigator.canShare?.({ files: [probe] }) ?? false);
  }, []);
  if (!can) return null;
  const share = async () => {
    try {
      await navigator.share({ title: name, files: [await fileOf(jobId, name)] });
      setSaid(null);
    } catch (error) {
      // Closing the sheet of the system is no fault.
      if (error instanceof DOMException && error.name === 'AbortError') return;
      setSaid('The system did not take the file. Save it with “Job file” and send that.');
    }
  };
  return (
    <>
      <button type="button" className="btn" onClick={() => void share()}>
        <Share2 size={17} aria-hidden="true" /> Share
      </button>
      {said && (
        <p role="alert" className="basis-full" style={{ color: 'var(--stop)' }}>
          {said}
        </p>
      )}
    </>
  );
}
