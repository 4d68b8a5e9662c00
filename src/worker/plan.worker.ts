import './no-eval';
import { expose } from 'comlink';
import {
  type AsOne,
  asOne,
  type BestOrder,
  bestOrder,
  type JobAsk,
  type Opener,
  openersOf,
  type PlaceAsk,
  type PlaceTrial,
  tryPlace,
} from '@/core/plan';
import { attempt, type Problem } from '@/core/say';

export type PlaceReply =
  | { readonly ok: true; readonly value: PlaceTrial }
  | { readonly ok: false; readonly problem: Problem };

const api = {
  /** What would open a window for a repair: many plans, so not on the page's own thread. */
  openers: (ask: JobAsk, repairId: string): readonly Opener[] => openersOf(ask, repairId),
  /** The order in which a job is open the soonest. */
  order: (ask: JobAsk): BestOrder | null => bestOrder(ask),
  /** Which repairs of a job are better made one. */
  asOne: (ask: JobAsk): readonly AsOne[] => asOne(ask),
  /** A system tried at a place. */
  place: (ask: PlaceAsk): PlaceReply => attempt(() => tryPlace(ask)),
};
export type PlanApi = typeof api;

expose(api);
