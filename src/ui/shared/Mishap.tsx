'use client';
import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { errorInWords, phrase } from '@/words';
import { exportJob } from '../workspace/exchange';
import { fileName, saveText } from '../workspace/files';
import { stateNow, workspace } from '../workspace/workspace';

/** What is offered when a part of a page cannot be drawn or worked out: nothing else is touched by it. */
export function MishapCard({
  what,
  error,
  jobId,
  again,
}: {
  what: string;
  error: unknown;
  jobId?: string | undefined;
  again?: () => void;
}) {
  const job = jobId ? stateNow().jobs.get(jobId) : undefined;
  const why = errorInWords(error);
  const takeOut = async () => {
    // A job that cannot be written as a file is taken out as it stands.
    let text: string;
    try {
      text = await exportJob(jobId!);
    } catch {
      const { repairs, events } = stateNow();
      text = JSON.stringify(
        {
          job,
          repairs: [...repairs.values()].filter((r) => r.jobId === jobId),
          events: events.filter((e) => e.jobId === jobId),
        },
        null,
        1,
      );
    }
    saveText(fileName(job?.name ?? 'job', 'grenko.json'), text, 'application/json');
  };
  return (
    <section
      role="alert"
      className="paper p-4 my-3"
      style={{ border: '2px solid var(--stop)' }}
      data-mishap={jobId ?? 'panel'}
    >
      <h2 className="font-bold">{phrase`${what} cannot be shown`}</h2>
      <p className="text-sm mb-2">{phrase`Something in it cannot be worked out (${why.slice(0, 300)}). Everything else goes on, and what is stored is untouched.`}</p>
      <div className="flex flex-wrap gap-2">
        {again && (
          <button type="button" className="btn" onClick={again}>
            Try again
          </button>
        )}
        {job && (
          <>
            <button type="button" className="btn" onClick={takeOut}>
              Export it
            </button>
            <button
              type="button"
              className="btn"
              onClick={() =>
                void workspace.setAside(
                  [{ kind: 'job', id: job.id }],
                  phrase`it could not be shown: ${why.slice(0, 200)}`,
                )
              }
            >
              Set it aside
            </button>
          </>
        )}
      </div>
    </section>
  );
}

/** A part of a page that fails by itself. */
export function Mishap({
  what,
  jobId,
  on,
  children,
}: {
  what: string;
  jobId?: string;
  on?: readonly unknown[];
  children: ReactNode;
}) {
  return (
    <ErrorBoundary
      resetKeys={on ? [...on] : []}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <MishapCard what={what} error={error} jobId={jobId} again={resetErrorBoundary} />
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
