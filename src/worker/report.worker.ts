import './no-eval';
import { expose } from 'comlink';
import { type Language, takeLanguage } from '@/words';
import { type ReportAsk, reportPdf } from './report-pdf';

const api = {
  /** Cancelled by ending the worker. @param language of the words that the pages have of their own */
  async pdf(ask: ReportAsk, language: Language, progress: (share: number) => void): Promise<Uint8Array> {
    await takeLanguage(language);
    return reportPdf(ask, progress);
  },
};
export type ReportApi = typeof api;

expose(api);
