import { proxy, type Remote, wrap } from 'comlink';
import type { HeatCell } from '@/core/cure';
import type { HeatApi } from './heat.worker';

/** A worker that solves the heat equation, and the way to end it in the middle of its work. */
export interface HeatWorker {
  readonly api: Remote<HeatApi>;
  readonly end: () => void;
}

export function startHeatWorker(): HeatWorker {
  const worker = new Worker(new URL('./heat.worker.ts', import.meta.url), { type: 'module' });
  return { api: wrap<HeatApi>(worker), end: () => worker.terminate() };
}

/** A callback that takes cells as they are computed. */
export const cellsTold = (take: (cells: readonly (readonly [number, HeatCell])[]) => void) => proxy(take);
