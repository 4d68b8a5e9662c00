'use client';
import { useSearchParams } from 'next/navigation';
import { useRoute } from '../shared/route';
import { BenchPage } from './BenchPage';

/** The bench of the repair and batch that the address names. */
export function BenchRoute() {
  const { jobId, repairId } = useRoute();
  const batch = Math.max(0, Math.floor(Number(useSearchParams().get('batch') ?? 1)) - 1 || 0);
  const pass = useSearchParams().get('pass');
  return <BenchPage key={`${jobId}/${repairId}/${pass}`} jobId={jobId} repairId={repairId} pass={pass} batch={batch} />;
}
