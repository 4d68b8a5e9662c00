import { expose } from 'comlink';
import { type JobAsk, type Opener, openersOf } from '@/core/plan';

const api = {
  /** What would open a window for a repair: many plans, so not on the page's own thread. */
  openers: (ask: JobAsk, repairId: string): readonly Opener[] => openersOf(ask, repairId),
};
export type PlanApi = typeof api;

expose(api);
