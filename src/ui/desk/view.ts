'use client';
import { useMemo } from 'react';
import { type JobView, type RepairView, viewJob } from '@/core/record';
import { bundleOf, useDesk } from './desk';
import { useNow } from './now';

/** The job as planned and judged now. Replans when a draft or the record changes, and each half minute while it runs. */
export function useJobView(jobId: string): JobView | undefined {
  const job = useDesk((d) => d.jobs[jobId]);
  const repairs = useDesk((d) => d.repairs);
  const sheets = useDesk((d) => d.sheets);
  const stock = useDesk((d) => d.stock);
  const events = useDesk((d) => d.events);
  const now = useNow(30_000);
  return useMemo(() => {
    const bundle = job ? bundleOf({ ...useDesk.getState(), jobs: { [jobId]: job }, repairs, sheets, stock, events }, jobId) : undefined;
    return bundle ? viewJob(bundle, now) : undefined;
  }, [jobId, job, repairs, sheets, stock, events, now]);
}

/** One repair of a job view. */
export const repairIn = (view: JobView | undefined, repairId: string): RepairView | undefined =>
  view?.repairs.find((r) => r.repair.id === repairId);
