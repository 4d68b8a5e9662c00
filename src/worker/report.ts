import { proxy, wrap } from 'comlink';
import { spokenLanguage } from '@/words';
import type { ReportApi } from './report.worker';
import type { ReportAsk } from './report-pdf';

export type { ReportAsk };

/** A report under way: what it will be, and the way to end it. */
export interface ReportRun {
  readonly pdf: Promise<Uint8Array>;
  readonly cancel: () => void;
}

/** Prints a record in a worker. @param progress shares of the work done; cancelled, the promise never settles */
export function startReport(ask: ReportAsk, progress: (share: number) => void): ReportRun {
  const worker = new Worker(new URL('./report.worker.ts', import.meta.url), { type: 'module' });
  const api = wrap<ReportApi>(worker);
  const pdf = Promise.resolve(api.pdf(ask, spokenLanguage(), proxy(progress))).finally(() => worker.terminate());
  return { pdf, cancel: () => worker.terminate() };
}
