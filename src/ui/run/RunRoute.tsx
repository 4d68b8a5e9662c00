'use client';
import { useRoute } from '../shared/route';
import { RunPage } from './RunPage';

/** What the address names. */
export function RunRoute() {
  const { jobId, repairId } = useRoute();
  return <RunPage key={`${jobId}/${repairId}`} jobId={jobId} repairId={repairId} />;
}
