'use client';
import { Trash2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import { type Job, jobName } from '@/core/plan';
import { phrase } from '@/words';
import { Dialog } from '../shared/Dialog';
import { SavingButton } from '../shared/SavingButton';
import { exportJob } from '../workspace/exchange';
import { fileName, saveText } from '../workspace/files';
import { useWorkspace, workspace } from '../workspace/workspace';

/** Deleting a job: its record goes out as a file first, or deliberately not; its name is typed. */
export function DeleteJob({ job }: { job: Job }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="btn btn-outline btn-error" onClick={() => setOpen(true)}>
        <Trash2 size={17} aria-hidden="true" /> Delete this job…
      </button>
      <Dialog open={open} title="Delete this job" onClose={() => setOpen(false)}>
        <Ask job={job} />
      </Dialog>
    </>
  );
}

function Ask({ job }: { job: Job }) {
  const router = useRouter();
  const id = useId();
  const events = useWorkspace((d) => d.events).filter((e) => e.jobId === job.id).length;
  const [exported, setExported] = useState(false);
  const [without, setWithout] = useState(false);
  const [typed, setTyped] = useState('');
  const name = jobName(job);
  const free = events === 0 || exported || without;
  return (
    <div className="flex flex-col gap-3">
      <p>
        {events
          ? phrase`${events} ${events === 1 ? 'entry' : 'entries'} of the record go with it, its frozen plans and its pictures too. This cannot be taken back.`
          : 'Nothing is recorded of it. Its repairs go with it; this cannot be taken back.'}
      </p>
      {events > 0 && (
        <fieldset className="flex flex-col gap-2">
          <legend className="font-semibold mb-1">Its record first:</legend>
          <button
            type="button"
            className="btn btn-neutral self-start min-h-12"
            onClick={async () => {
              saveText(fileName(job.name, 'grenko.json'), await exportJob(job.id), 'application/json');
              setExported(true);
            }}
          >
            {exported ? 'Exported; once more' : 'Export it as a file'}
          </button>
          <label className="flex gap-2 items-center min-h-[44px]">
            <input
              type="checkbox"
              className="checkbox"
              checked={without}
              onChange={(e) => setWithout(e.target.checked)}
            />
            Delete it without a file: the record is lost
          </label>
        </fieldset>
      )}
      <div>
        <label htmlFor={id}>
          Type its name, <strong>{name}</strong>, to delete it
        </label>
        <input id={id} className="input" value={typed} autoComplete="off" onChange={(e) => setTyped(e.target.value)} />
      </div>
      <SavingButton
        className="btn btn-outline btn-error min-h-12 self-start"
        disabled={!free || typed.trim() !== name.trim()}
        onSave={async () => {
          const keys = workspace.keysOfJob(job.id);
          router.push('/');
          await workspace.removeForGood(keys);
        }}
      >
        Delete it for good
      </SavingButton>
    </div>
  );
}
