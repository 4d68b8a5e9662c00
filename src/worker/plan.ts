import { type Remote, wrap } from 'comlink';
import type { PlanApi } from './plan.worker';

/** A worker that plans, and the way to end it in the middle of its work. */
export interface PlanWorker {
  readonly api: Remote<PlanApi>;
  readonly end: () => void;
}

export function startPlanWorker(): PlanWorker {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  return { api: wrap<PlanApi>(worker), end: () => worker.terminate() };
}
