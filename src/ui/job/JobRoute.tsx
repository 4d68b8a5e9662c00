'use client';
import { useRoute } from '../shared/route';
import { JobPage } from './JobPage';

/** What the address names. */
export function JobRoute() {
  const { jobId } = useRoute();
  return <JobPage key={jobId} jobId={jobId} />;
}
