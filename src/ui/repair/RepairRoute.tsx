'use client';
import { useSearchParams } from 'next/navigation';
import { useRoute } from '../shared/route';
import { RepairPage } from './RepairPage';

/** What the address names. */
export function RepairRoute() {
  const { jobId, repairId, stage } = useRoute();
  const pass = useSearchParams().get('pass');
  return <RepairPage key={`${jobId}/${repairId}`} jobId={jobId} repairId={repairId} stage={stage} pass={pass} />;
}
