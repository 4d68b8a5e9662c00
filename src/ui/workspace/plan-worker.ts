import type { Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { type JobAsk, passKey } from '@/core/plan';
import type { PlannedJob } from '@/core/record';
import { type PlanWorker, startPlanWorker } from '@/worker/plan';
import type { PlanApi } from '@/worker/plan.worker';
import { usePotStore } from './pots';
import { stateNow } from './workspace';

/** A job as it is planned at an instant, to be planned otherwise. */
function jobAskOf({ job, plan, repairs }: PlannedJob, nowMs: number): JobAsk {
  const { sheets, stock } = stateNow();
  return {
    job,
    repairs: repairs.map((r) => r.draft),
    sheets: [...sheets.values()],
    stock: [...stock.values()],
    actuals: new Map(repairs.flatMap((r) => r.passes).map((p) => [passKey(p.repair), p.actuals])),
    nowMs,
    before: plan.before,
    pots: usePotStore.getState().pots,
  };
}

/** What a question about the whole of a job belongs to: its repairs as they are drawn up, in their order. */
export const asDrawnUp = ({ repairs }: PlannedJob): string =>
  repairs.map(({ draft }) => `${draft.id} ${draft.order} ${draft.updatedAt}`).join();

/** What many plans of a job answer, once it is asked for: planned in a worker, which can be stopped. */
export interface AskedInWorker<T> {
  /** The answer; undefined until there is one. */
  readonly found: T | undefined;
  readonly busy: boolean;
  readonly look: () => Promise<void>;
  readonly stop: () => void;
}

/**
 * A question that takes many plans of a job.
 * @param of what was asked belongs to this alone: another is another question, and its answer is forgotten
 */
export function useAskedInWorker<T>(
  view: PlannedJob,
  nowMs: number,
  of: unknown,
  ask: (api: Remote<PlanApi>, job: JobAsk) => Promise<T>,
): AskedInWorker<T> {
  const [found, setFound] = useState<T>();
  const [busy, setBusy] = useState(false);
  const worker = useRef<PlanWorker | null>(null);
  const stop = () => {
    worker.current?.end();
    worker.current = null;
    setBusy(false);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is asked of these alone
  useEffect(() => {
    setFound(undefined);
    return stop;
  }, [of, view.job]);
  const look = async () => {
    stop();
    setBusy(true);
    const mine = startPlanWorker();
    worker.current = mine;
    const answer = await ask(mine.api, jobAskOf(view, nowMs));
    if (worker.current !== mine) return;
    setFound(answer);
    stop();
  };
  return { found, busy, look, stop };
}
