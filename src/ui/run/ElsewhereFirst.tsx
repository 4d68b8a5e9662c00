'use client';
import { ArrowRight } from 'lucide-react';
import { elsewhere, type JobAtRepair, type RepairView } from '@/core/record';
import { phrase } from '@/words';
import { useSay } from '../shared/bits';
import { Link } from '../shared/Link';
import { shortWhen } from '../shared/when';

/** Where the hands go before the next step of this repair, with the way there; nothing while this one is due. */
export function ElsewhereFirst({ view, at, nowMs }: { view: JobAtRepair; at: RepairView; nowMs: number }) {
  const says = useSay(view.job.zone);
  const first = elsewhere(view, at, nowMs);
  if (!first) return null;
  const { step, name, repairId, backMs } = first;
  const { id, zone } = view.job;
  const due = step.begunAt !== null || step.startMs <= nowMs + 60_000;
  return (
    <section
      role="status"
      aria-label="Elsewhere first"
      className="p-2.5 flex items-center justify-between gap-3"
      style={{ border: '2px solid var(--ink)' }}
      data-testid="elsewhere"
    >
      <p className="min-w-0 flex flex-col">
        <span className="soft text-[0.95rem]">
          {due ? phrase`Next at “${name}”, now` : phrase`Next at “${name}”, ${shortWhen(step.startMs, zone, nowMs)}`}
        </span>
        <strong className="text-lg leading-tight">{says(step.title)}</strong>
        {backMs !== null && (
          <span className="soft text-[0.95rem]">{phrase`Here again ${shortWhen(backMs, zone, nowMs)}`}</span>
        )}
      </p>
      <Link className="btn min-h-[44px] shrink-0" href={`/job/${id}/${repairId}/run`}>
        Go there <ArrowRight size={18} aria-hidden="true" />
      </Link>
    </section>
  );
}
