'use client';
import { useRoute } from '../shared/route';
import { RepairPage } from './RepairPage';

/** What the address names. */
export function RepairRoute() {
  const { jobId, repairId, stage } = useRoute();
  return <RepairPage key={`${jobId}/${repairId}`} jobId={jobId} repairId={repairId} stage={stage} />;
}
