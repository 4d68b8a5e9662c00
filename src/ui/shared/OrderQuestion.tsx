'use client';
import { useOrderAsked } from '../workspace/order';
import { useWorkspace } from '../workspace/workspace';
import { Dialog } from './Dialog';
import { fullWhen } from './when';

/** Placed before it was mixed? One of the two instants is wrong: asked at once, while somebody still knows. */
export function OrderQuestion() {
  const asked = useOrderAsked((s) => s.asked);
  const zone = useWorkspace((d) => (asked ? d.jobs.get(asked.last.jobId)?.zone : undefined)) ?? 'UTC';
  return (
    <Dialog open={asked !== null} title="Which came first?" onClose={() => asked?.answer('not-at-all')}>
      {asked && (
        <div className="flex flex-col gap-3">
          <p>
            The entry before this one was written for <strong>{fullWhen(asked.last.at, zone)}</strong>; the clock here
            now says <strong>{fullWhen(asked.atMs, zone)}</strong>. One of them is wrong, and the waits count from them.
          </p>
          <button type="button" className="btn btn-neutral min-h-12" onClick={() => asked.answer('after')}>
            It happened now, right after that one
          </button>
          <button type="button" className="btn min-h-12" onClick={() => asked.answer('as-it-is')}>
            The clock is right: write it as it is, I correct the other in the log
          </button>
          <button type="button" className="btn btn-link min-h-12" onClick={() => asked.answer('not-at-all')}>
            Do not write it
          </button>
        </div>
      )}
    </Dialog>
  );
}
