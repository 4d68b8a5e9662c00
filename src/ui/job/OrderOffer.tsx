'use client';
import { useEffect, useRef, useState } from 'react';
import { type BestOrder, passKey, repairName } from '@/core/plan';
import type { JobView } from '@/core/record';
import { formatDuration, joined, phrase } from '@/words';
import { type PlanWorker, startPlanWorker } from '@/worker/plan';
import { shortWhen } from '../shared/when';
import { usePotStore } from '../workspace/pots';
import { changeRepairs, stateNow } from '../workspace/workspace';

/** Gains under that are no reason to change the order of a day, min. */
const WORTH_MIN = 10;

/** The order in which all of the job is open the soonest: tried by whole plans in a worker, taken with one press. */
export function OrderOffer({ view, nowMs }: { view: JobView; nowMs: number }) {
  const [found, setFound] = useState<BestOrder | 'none' | null>(null);
  const [busy, setBusy] = useState(false);
  const worker = useRef<PlanWorker | null>(null);
  const stop = () => {
    worker.current?.end();
    worker.current = null;
    setBusy(false);
  };
  const { job, repairs } = view;
  const drafts = repairs.map((r) => r.draft);
  const asked = drafts.map((r) => `${r.id} ${r.order} ${r.updatedAt}`).join();
  // Another draft is another question.
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was asked belongs to these alone
  useEffect(() => {
    setFound(null);
    return stop;
  }, [asked, job]);
  if (repairs.filter((r) => r.actuals.startedAt === null && r.plan.openMs !== null).length < 2) return null;
  const look = async () => {
    stop();
    setBusy(true);
    const { sheets, stock } = stateNow();
    const mine = startPlanWorker();
    worker.current = mine;
    const best = await mine.api.order({
      job,
      repairs: drafts,
      sheets: [...sheets.values()],
      stock: [...stock.values()],
      actuals: new Map(repairs.flatMap((r) => r.passes).map((p) => [passKey(p.repair), p.actuals])),
      nowMs,
      pots: usePotStore.getState().pots,
    });
    if (worker.current !== mine) return;
    setFound(best ?? 'none');
    stop();
  };
  const gainMin = found && found !== 'none' ? Math.round((found.asIsMs - found.openMs) / 60_000) : 0;
  const better = found && found !== 'none' && gainMin >= WORTH_MIN ? found : null;
  const nameOf = new Map(drafts.map((r) => [r.id, repairName(r)]));
  const take = ({ order }: BestOrder) => changeRepairs(order, (r) => ({ ...r, order: order.indexOf(r.id) + 1 }));
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2 no-print" data-testid="order-offer">
      {!found && (
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
        {found && !better && 'This order opens it as soon as any other that was tried.'}
        {found && found !== 'none' && !found.exact && <span className="soft">Not every order was tried.</span>}
      </p>
      {better && (
        <button type="button" className="btn text-sm" onClick={() => take(better)}>
          Take this order
        </button>
      )}
    </div>
  );
}
