'use client';
import { useRoute } from '../shared/route';
import { ReportPage } from './ReportPage';

/** What the address names. */
export function ReportRoute() {
  const { jobId } = useRoute();
  return <ReportPage key={jobId} jobId={jobId} />;
}
