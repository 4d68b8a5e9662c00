import './no-eval';
import { expose } from 'comlink';
import { type ReportAsk, reportPdf } from './report-pdf';

const api = {
  /** Cancelled by ending the worker. */
  pdf: (ask: ReportAsk, progress: (share: number) => void): Uint8Array => reportPdf(ask, progress),
};
export type ReportApi = typeof api;

expose(api);
