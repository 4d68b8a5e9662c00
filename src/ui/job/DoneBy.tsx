'use client';
import type { Job } from '@/core/plan';
import { own, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { TextField } from '../shared/bits';
import { useWorkspace } from '../workspace/workspace';

/** Whoever does it: jobs of one crew are planned round each other. Those who do other jobs are offered. */
export function DoneBy({ job, write }: { job: Job; write: (doneBy: string) => void }) {
  const jobs = useWorkspace((d) => d.jobs);
  const known = new Set([...jobs.values()].flatMap((j) => (j.id === job.id ? [] : j.doneBy.trim() || [])));
  known.delete(job.doneBy.trim());
  return (
    <div className="mt-3">
      <TextField label="Who does it" value={job.doneBy} onChange={(name) => write(name.slice(0, 80))} />
      {known.size > 0 && (
        <p className="flex flex-wrap gap-x-3">
          {[...known].map((name) => (
            <button
              key={name}
              type="button"
              className="btn btn-link text-sm"
              aria-label={phrase`Done by ${own(name)}`}
              onClick={() => write(name)}
            >
              <Own>{name}</Own>
            </button>
          ))}
        </p>
      )}
      <p className="soft text-sm">
        Jobs of one crew are planned round each other. Empty: this one is planned as if its hands did nothing else.
      </p>
    </div>
  );
}
