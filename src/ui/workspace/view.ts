'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Pots } from '@/core/plan';
import { type JobAtRepair, type JobInYard, type JobView, viewJob, viewJobAt } from '@/core/record';
import { inYard } from '@/store/state';
import { useNow } from './now';
import { usePots } from './pots';
import { stateNow, useWorkspace } from './workspace';

/** A hand that has not moved for so long rests, ms. */
const REST_MS = 50;

/** A value once it has stood still for a while; the value itself when nothing is to be waited for. */
function useSettled<T>(value: T, restMs: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    if (!restMs) return;
    const timer = setTimeout(() => setSettled(value), restMs);
    return () => clearTimeout(timer);
  }, [value, restMs]);
  return settled;
}

/**
 * What a job is looked at through, remade when a draft or the record changes, and each half minute while it runs.
 * @param patient the plan may follow a moment after the drafts: whoever draws from the drafts is not kept waiting
 */
function useLook<T>(
  jobId: string,
  patient: boolean,
  look: (of: JobInYard, nowMs: number, pots: Pots) => T,
): T | undefined {
  const jobs = useWorkspace((d) => d.jobs);
  const drafts = useWorkspace((d) => d.repairs);
  const settled = useSettled(drafts, patient ? REST_MS : 0);
  // A repair that has just come or gone is not waited for.
  const repairs = patient && settled.size === drafts.size ? settled : drafts;
  const sheets = useWorkspace((d) => d.sheets);
  const stock = useWorkspace((d) => d.stock);
  const events = useWorkspace((d) => d.events);
  const now = useNow(30_000);
  const pots = usePots(repairs, sheets);
  return useMemo(() => {
    const bundle = inYard({ ...stateNow(), jobs, repairs, sheets, stock, events }, jobId);
    return bundle ? look(bundle, now, pots) : undefined;
  }, [jobId, jobs, repairs, sheets, stock, events, now, pots, look]);
}

/** The job as planned and judged now. */
export const useJobView = (jobId: string): JobView | undefined => useLook(jobId, false, viewJob);

/** The job as planned now, of which one repair is looked at. */
export function useJobAt(jobId: string, repairId: string, patient = false): JobAtRepair | undefined {
  const look = useCallback(
    (of: JobInYard, nowMs: number, pots: Pots) => viewJobAt(repairId, of, nowMs, pots),
    [repairId],
  );
  return useLook(jobId, patient, look);
}
