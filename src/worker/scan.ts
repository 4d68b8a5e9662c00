import { proxy, type Remote, wrap } from 'comlink';
import type { ScanApi } from './scan.worker';
// What the worker says is read here.
import './scan-words';

/** A worker that reads and measures scans, and the way to end it in the middle of its work. */
export interface ScanWorker {
  readonly api: Remote<ScanApi>;
  readonly end: () => void;
}

/** Starts a worker of its own for one scan: cancelling ends it, whatever it does. */
export function startScanWorker(): ScanWorker {
  const worker = new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' });
  return { api: wrap<ScanApi>(worker), end: () => worker.terminate() };
}

/** A callback the worker may call. */
export const told = (progress: (share: number, doing: string) => void) => proxy(progress);
