'use client';
import { type BestOrder, repairName } from '@/core/plan';
import type { JobView } from '@/core/record';
import { formatDuration, joined, phrase } from '@/words';
import { shortWhen } from '../shared/when';
import { asDrawnUp, useAskedInWorker } from '../workspace/plan-worker';
import { changeRepairs } from '../workspace/workspace';

/** Gains under that are no reason to change the order of a day, min. */
const WORTH_MIN = 10;

/** The order in which all of the job is open the soonest: tried by whole plans in a worker, taken with one press. */
export function OrderOffer({ view, nowMs }: { view: JobView; nowMs: number }) {
  const { job, repairs } = view;
  const drafts = repairs.map((r) => r.draft);
  const { found, busy, look } = useAskedInWorker(view, nowMs, asDrawnUp(view), (api, ask) => api.order(ask));
  if (repairs.filter((r) => r.actuals.startedAt === null && r.plan.openMs !== null).length < 2) return null;
  const gainMin = found ? Math.round((found.asIsMs - found.openMs) / 60_000) : 0;
  const better = found && gainMin >= WORTH_MIN ? found : null;
  const nameOf = new Map(drafts.map((r) => [r.id, repairName(r)]));
  const take = ({ order }: BestOrder) => changeRepairs(order, (r) => ({ ...r, order: order.indexOf(r.id) + 1 }));
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2 no-print" data-testid="order-offer">
      {found === undefined && (
        <button type="button" className="btn text-sm" disabled={busy} onClick={look}>
          {busy ? 'Trying orders …' : 'Which order opens it soonest?'}
        </button>
      )}
      <p role="status" className="min-w-0 flex flex-wrap gap-x-2">
        {better &&
          phrase`In the order ${joined(
            better.order.map((id) => `“${nameOf.get(id)}”`),
            ', ',
          )} all of it is open ${shortWhen(better.openMs, job.zone, nowMs)}, ${formatDuration(gainMin)} sooner.`}
        {found !== undefined && !better && 'This order opens it as soon as any other that was tried.'}
        {found?.exact === false && <span className="soft">Not every order was tried.</span>}
      </p>
      {better && (
        <button type="button" className="btn text-sm" onClick={() => take(better)}>
          Take this order
        </button>
      )}
    </div>
  );
}
